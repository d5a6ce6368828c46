"""Drawings kept as recorded pictures under quantised parameters.

Working out shapes costs more than filling them. A part whose parameters round to the same values is
played back instead of worked out again; because only rounded values are drawn, the result does not
depend on what was drawn before.
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Hashable
from typing import Any

import skia

from dearhost.drawing.paper import Paper

EVERYTHING = skia.Rect.MakeLTRB(-8000, -8000, 8000, 8000)
"""What a recorded picture may reach over, in pixels."""
_KEPT = 1200


def recorded(draw: Callable[[Paper], None], scale: float, shade_side: int = 1) -> Any:
    """What ``draw`` draws on such paper, as a picture that can be drawn again and again."""
    recorder = skia.PictureRecorder()
    draw(Paper(recorder.beginRecording(EVERYTHING), scale, shade_side))
    return recorder.finishRecordingAsPicture()


class PictureShelf:
    """Recorded pictures, the least recently used dropped first."""

    def __init__(self) -> None:
        self._pictures: OrderedDict[Hashable, Any] = OrderedDict()

    def draw(self, paper: Paper, key: Hashable, record: Callable[[Paper], None]) -> None:
        """Draw the picture of ``key`` on ``paper``, recorded by ``record`` when it is not there yet.

        ``key`` must hold everything the drawing depends on but the paper's scale and side of shade.
        """
        full_key = (key, round(paper.scale, 3), paper.shade_side)
        picture = self._pictures.get(full_key)
        if picture is None:
            picture = self._pictures[full_key] = recorded(record, paper.scale, paper.shade_side)
            while len(self._pictures) > _KEPT:
                self._pictures.popitem(last=False)
        else:
            self._pictures.move_to_end(full_key)
        paper.canvas.drawPicture(picture)
