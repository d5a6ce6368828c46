"""What is behind the hosts."""

from __future__ import annotations

from typing import Protocol

import numpy as np

from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.sheet import Words


class Backdrop(Protocol):
    """Draws the ground of any frame of a scene at one picture size. Same frame, same pixels."""

    def frame(self, number: int) -> tuple[Words, Area | None]:
        """The pixels behind frame ``number`` of the scene, shape (height, width), and the area in which they differ
        from the frame that was asked for last; None where nothing differs.

        The pixels are good until the next call.
        """


class Still:
    """A backdrop that never changes."""

    def __init__(self, words: Words) -> None:
        self._words = words

    def frame(self, number: int) -> tuple[Words, Area | None]:
        """The same pixels for every frame."""
        return self._words, None


class Nothing(Still):
    """No backdrop: everything behind the hosts is transparent."""

    def __init__(self, picture: Picture) -> None:
        super().__init__(np.zeros((picture.height, picture.width), np.uint32))
