"""Frames of clips made upright, progressive, of square pixels, and in the colours of a screen."""

from __future__ import annotations

import math
from collections import deque
from collections.abc import Iterator
from fractions import Fraction
from pathlib import Path
from tempfile import NamedTemporaryFile
from typing import Any

import av
from av.video.reformatter import ColorRange, Colorspace

from dearhost.assets.shelf.screen_colours import BT2020, HIGH_DYNAMIC, P3, is_of_a_screen, write_lattice

_FULL_PIXELS = 1920 * 1088
_HD_LINES = 720
_BT601, _BT709, _BT2020 = (5, 6), 1, (9, 10)  # ITU-T H.273, matrix coefficients
_TURNS = {
    90: (("transpose", "cclock"),), 180: (("hflip", ""), ("vflip", "")), 270: (("transpose", "clock"),)
}  # fmt: skip
_Step = tuple[str, str]
"""A filter and its options."""


class Upright:
    """Brings frames to square pixels, upright, whole pictures, no larger than films need, in BT.709."""

    def __init__(self, stream: Any, first: Any) -> None:
        self.notes: list[str] = []
        self._shape = first.width, first.height, first.format.name
        self._matrix, self._range = self._colours(first)
        with NamedTemporaryFile(suffix=".cube") as lattice:  # the filter reads it as it is set up
            steps = [*self._steps(stream, first), *self._screen_colours(first, Path(lattice.name))]
            self._graph: Any = _graph_of(stream, steps) if steps else None
        self._times: deque[float] = deque()

    def _colours(self, first: Any) -> tuple[int, int]:
        """The matrix and the range of the colours (ITU-T H.273)."""
        tag = 2 if _claims_too_much(first) else int(first.colorspace)
        if tag in _BT2020:
            matrix = 9
        elif tag == _BT709 or (tag not in _BT601 and first.height >= _HD_LINES):
            matrix = int(Colorspace.ITU709)
        else:
            matrix = int(Colorspace.ITU601)
        full = int(first.color_range) == int(ColorRange.JPEG) or first.format.name.startswith("yuvj")
        return matrix, int(ColorRange.JPEG if full else ColorRange.MPEG)

    def _screen_colours(self, first: Any, lattice: Path) -> list[_Step]:
        """The steps from a high dynamic range or wide colours to those of a screen; none where they are."""
        transfer, primaries = int(first.color_trc or 2), int(first.color_primaries or 2)
        if _claims_too_much(first):
            return []
        if primaries not in (BT2020, P3):
            primaries = BT2020 if self._matrix in _BT2020 or transfer in HIGH_DYNAMIC else _BT709
        if is_of_a_screen(transfer, primaries):
            return []
        if transfer in HIGH_DYNAMIC:
            self.notes.append(
                f"It is of high dynamic range ({HIGH_DYNAMIC[transfer]}): its lights are brought to a screen's."
            )
        write_lattice(lattice, transfer, primaries)
        matrix = {9: "bt2020", int(Colorspace.ITU709): "bt709"}.get(self._matrix, "bt601")
        limits = "full" if self._range == ColorRange.JPEG else "limited"
        self._matrix, self._range = int(Colorspace.ITU709), int(ColorRange.MPEG)  # what the steps end with
        return [
            ("scale", f"in_color_matrix={matrix}:in_range={limits}:flags=accurate_rnd+full_chroma_int"),
            ("format", "gbrp16le"),
            ("lut3d", f"file={lattice}:interp=tetrahedral"),
            ("scale", "out_color_matrix=bt709:out_range=limited:flags=accurate_rnd"),
            ("format", "yuv420p"),
        ]  # fmt: skip

    def _steps(self, stream: Any, first: Any) -> list[_Step]:
        """The filters a frame goes through to be whole, upright and of square pixels."""
        steps: list[_Step] = [("bwdif", "mode=send_frame")] if first.interlaced_frame else []
        aspect = stream.sample_aspect_ratio or Fraction(1)
        if not Fraction(1, 4) < aspect < 4:
            aspect = Fraction(1)
        wide = round(first.width * aspect)
        scale = min(1.0, math.sqrt(_FULL_PIXELS / (wide * first.height)))
        size = max(2, round(wide * scale / 2) * 2), max(2, round(first.height * scale / 2) * 2)
        if size != (first.width, first.height) or aspect != 1:
            flags = "area" if scale < 1 else "bicubic"
            steps += [("scale", f"{size[0]}:{size[1]}:flags={flags}+accurate_rnd"), ("setsar", "1")]
        return [*steps, *_TURNS.get(round(first.rotation or 0) % 360, ())]

    def taken(self, at: float, frame: Any) -> Iterator[tuple[float, Any]]:
        """The frames that are ready once ``frame`` has come."""
        if (frame.width, frame.height, frame.format.name) != self._shape:
            if "Its picture changes its size." not in self.notes:
                self.notes.append("Its picture changes its size.")
            width, height, pixels = self._shape
            frame = frame.reformat(width=width, height=height, format=pixels)
        if self._graph is None:
            yield at, self._in_colour(frame)
            return
        self._times.append(at)
        self._graph.push(frame)
        yield from self._pulled()

    def rest(self) -> Iterator[tuple[float, Any]]:
        """The frames the filters still hold."""
        if self._graph is not None:
            self._graph.push(None)
            yield from self._pulled()

    def _pulled(self) -> Iterator[tuple[float, Any]]:
        while self._times:
            try:
                frame = self._graph.pull()
            except (av.error.BlockingIOError, av.error.EOFError):
                return
            yield self._times.popleft(), self._in_colour(frame)

    def _in_colour(self, frame: Any) -> Any:
        even = frame.width - frame.width % 2, frame.height - frame.height % 2
        return frame.reformat(
            width=even[0], height=even[1], format="yuv420p", src_colorspace=self._matrix,
            dst_colorspace=Colorspace.ITU709, src_color_range=self._range, dst_color_range=ColorRange.MPEG,
        )  # fmt: skip


def _claims_too_much(frame: Any) -> bool:
    """Whether eight bits say of themselves what takes ten."""
    high = int(frame.color_trc or 2) in HIGH_DYNAMIC or int(frame.colorspace) in _BT2020
    return bool(high and frame.format.components[0].bits < 10)


def _graph_of(stream: Any, steps: list[_Step]) -> Any:
    graph = av.filter.Graph()
    node = graph.add_buffer(template=stream)
    for name, options in [*steps, ("buffersink", "")]:
        following = graph.add(name, options) if options else graph.add(name)
        node.link_to(following)
        node = following
    graph.configure()
    return graph
