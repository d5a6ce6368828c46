"""Painted frames for encoders: opaque in one reused frame whose planes follow the changes, or with alpha."""

from __future__ import annotations

import importlib
from typing import Any

import av
import numpy as np
from av.video.reformatter import ColorRange, Colorspace
from numpy.typing import NDArray

from dearhost.drawing import outline_points
from dearhost.stage import Painter
from dearhost.stage.backdrops import parts, toning
from dearhost.stage.painting import layer_cache


def load_machine_code() -> None:
    """Make ready what draws frames quickly: seconds the first time on a machine, and 120 MB for its compiler."""
    importlib.import_module("dearhost.render.colour")
    outline_points.to_machine_code()
    layer_cache.to_machine_code()
    parts.to_machine_code()
    toning.to_machine_code()


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
        load_machine_code()
        from dearhost.render.colour import bgra_to_yuv420  # noqa: PLC0415 - brings the compiler, see above

        self._convert = bgra_to_yuv420
        self._painter = painter
        picture = painter.picture
        self.frame = av.VideoFrame(picture.width, picture.height, "yuv420p")
        self._planes = planes_of(self.frame)
        self._words = painter.pixels.view(np.uint32)[..., 0]
        painter.forget()  # the planes are empty yet: the first frame must come whole

    def paint(self, number: int) -> Any:
        """The video frame ``number``; valid until the next call."""
        for area in self._painter.paint(number):
            self._convert(self._words, *self._planes, area.rows, area.box[1], area.box[3])
        return self.frame


class TransparentSource:
    """Paints frames of a film without its sets and hands them over with straight alpha, BT.709."""

    def __init__(self, painter: Painter, pixels: str) -> None:
        load_machine_code()
        self._painter, self._format = painter, pixels
        self._frame: Any = None
        painter.forget()

    def paint(self, number: int) -> Any:
        """The video frame ``number``."""
        if self._painter.paint(number) or self._frame is None:
            drawn = av.VideoFrame.from_ndarray(self._painter.sheet.straight(), format="bgra")
            self._frame = drawn.reformat(
                format=self._format, dst_colorspace=Colorspace.ITU709, dst_color_range=ColorRange.MPEG
            )
        return self._frame
