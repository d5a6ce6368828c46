"""One reused video frame whose planes follow the painter's changes."""

from __future__ import annotations

from typing import Any

import av
import numpy as np
from numpy.typing import NDArray

from dearhost.stage import Painter


def planes_of(frame: Any) -> list[NDArray[np.uint8]]:
    """The Y, U and V planes of a yuv420p frame as writable arrays (height, width)."""
    views = []
    for plane in frame.planes:
        view = np.frombuffer(plane, np.uint8).reshape(plane.height, plane.line_size)
        views.append(view[:, : plane.width])
    return views


class FrameSource:
    """Paints frames of a film and hands them over as yuv420p, BT.709."""

    def __init__(self, painter: Painter) -> None:
        # its compiler takes 120 MB, and only processes that draw films need it
        from dearhost.render.colour import bgra_to_yuv420  # noqa: PLC0415

        self._convert = bgra_to_yuv420
        self._painter = painter
        picture = painter.picture
        self.frame = av.VideoFrame(picture.width, picture.height, "yuv420p")
        self._planes = planes_of(self.frame)
        self._words = painter.pixels.view(np.uint32)[..., 0]
        painter.forget()  # the planes are empty yet: the first frame must come whole

    def paint(self, number: int) -> Any:
        """The video frame ``number``; valid until the next call."""
        for box in self._painter.paint(number):
            self._convert(self._words, *self._planes, *box)
        return self.frame
