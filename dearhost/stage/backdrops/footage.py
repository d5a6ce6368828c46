"""An own clip behind the hosts."""

from __future__ import annotations

from dataclasses import replace
from functools import cached_property
from typing import Any

import av
import numpy as np
import skia
from av.video.reformatter import Interpolation
from numpy.typing import NDArray

from dearhost.assets.shelf import Footage, Loop
from dearhost.stage.backdrops.parts import scale_part
from dearhost.stage.backdrops.placing import Placing, behind_whole, seen_part, whole_place
from dearhost.stage.backdrops.toning import colour_words, fade, grain_tile, no_grain, tone_of, tone_words, whole_tone
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.sheet import Sheet, Words
from dearhost.timebase import FrameRate

Box = tuple[float, float, float, float]
_SHARP = 0.3
"""Units of blur that are none."""
_BLURS_AWAY = 5.0
"""Units of blur that leave nothing of what the full film has more."""


def lines_seen(placing: Placing, picture: Picture) -> float:
    """How many lines of a clip are seen behind a picture; few where it is blurred away."""
    return 0.0 if placing.blur >= _BLURS_AWAY else min(picture.width, picture.height) * placing.zoom


class LaidFootage:
    """A sheet that frames of a clip are laid onto, as they are placed."""

    def __init__(self, placing: Placing, picture: Picture) -> None:
        self._placing, self._picture = placing, picture
        self.sheet = Sheet(picture)

    def lay(self, frame: Any, zoom: float = 1.0, seen: Box | None = None) -> None:
        """Put a frame onto the sheet, filling it, or whole over itself; ``zoom`` times nearer than it is placed.
        ``seen``: the part of the frame that is, in its pixels, in place of that."""
        placing, picture = replace(self._placing, zoom=self._placing.zoom * zoom), self._picture
        if placing.fit != "whole":
            if seen:
                self._tone(_part(frame, seen, picture.width, picture.height), self.sheet.words, placing.dim)
            else:
                self._fill(frame, placing, placing.blur * picture.unit, placing.dim)
            return
        self._fill(frame, placing, *behind_whole(placing, picture))
        left, top, wide, high = (round(side) for side in self.place((frame.width, frame.height)))
        pixels = _part(frame, seen, wide, high) if seen else _bgra(frame, wide, high).view(np.uint32)[..., 0]
        part = np.empty((high, wide), np.uint32)
        self._tone(pixels, part, placing.dim)
        self.sheet.words[top : top + high, left : left + wide] = part

    def place(self, size: tuple[int, int]) -> Box:
        """Where on the sheet frames of a ``size`` are: left, top, width and height."""
        if self._placing.fit == "whole":
            return whole_place(size, self._picture)
        return 0.0, 0.0, float(self._picture.width), float(self._picture.height)

    def base(self, size: tuple[int, int], zoom: float = 1.0) -> Box:
        """What of frames of a ``size`` is seen as they are placed: left, top, right, bottom in their pixels."""
        if self._placing.fit == "whole":
            return 0.0, 0.0, float(size[0]), float(size[1])
        placing = replace(self._placing, zoom=self._placing.zoom * zoom)
        left, top, wide, high = seen_part(placing, size, self._picture)
        return left, top, left + wide, top + high

    def mix_in(self, frame: Any, part: float, zoom: float = 1.0, seen: Box | None = None) -> None:
        """Lay another frame over what is there, which shows through but for ``part``, 0 to 1."""
        before = self.sheet.pixels.copy()
        self.lay(frame, zoom, seen)
        fade(before, self.sheet.pixels, round(part * 256))

    def _fill(self, frame: Any, placing: Placing, blur: float, dim: float) -> None:
        picture = self._picture
        left, top, wide, _ = seen_part(placing, (frame.width, frame.height), picture)
        scale = picture.width / wide
        width, height = max(picture.width, round(frame.width * scale)), max(picture.height, round(frame.height * scale))
        pixels = _blurred(frame, width, height, blur) if blur > _SHARP else _bgra(frame, width, height)
        x = min(max(0, round(left * scale)), width - picture.width)
        y = min(max(0, round(top * scale)), height - picture.height)
        self._tone(pixels.view(np.uint32)[y : y + picture.height, x : x + picture.width, 0], self.sheet.words, dim)

    def _tone(self, pixels: NDArray[np.uint32], target: Words, dim: float) -> None:
        paper = self._placing.tone == "paper"
        seen = pixels[:, ::-1] if self._placing.mirrored else pixels
        if tone_of(paper, round(dim, 3)) is None:
            np.bitwise_or(seen, np.uint32(0xFF000000), out=target)
            return
        tone_words(seen, target, whole_tone(paper, round(dim, 3)), grain_tile() if paper else no_grain())


class FootageBackdrop:
    """A clip, frame by frame. One belongs to one painter."""

    def __init__(
        self, footage: Footage, loop: Loop | None, placing: Placing, picture: Picture, rate: FrameRate
    ) -> None:
        self._footage, self._loop, self._placing, self._rate = footage, loop, placing, rate
        self._laid = LaidFootage(placing, picture)
        self._shown: tuple[int, int, int] = (-1, -1, 0)
        self._all = Area((0, 0, picture.width, picture.height), picture.height).fill(
            (0, 0, picture.width, picture.height)
        )

    def frame(self, number: int) -> tuple[Words, Area | None]:
        """The picture of the clip that is seen at a frame of the scene."""
        sheet = self._laid.sheet
        first, second, weight = self._pictures_at(self._rate.start_of(number))
        if (first, second, weight) == self._shown:
            return sheet.words, None
        self._laid.lay(self._footage.frame(first))
        if weight:
            self._laid.mix_in(self._goes_into.frame(second), weight / 256)
        self._shown = first, second, weight
        return sheet.words, self._all

    @cached_property
    def _goes_into(self) -> Footage:
        """The clip where it goes over into: two places that are read on are cheaper than one that is looked for."""
        return self._footage.again()

    def _pictures_at(self, moment: float) -> tuple[int, int, int]:
        """The picture at a moment, the one it goes over into, and how far it has gone, of 256."""
        first, second, part = self._placing.time.played(moment, self._loop, self._footage.seconds)
        return self._footage.number_at(first), self._footage.number_at(second), round(part * 256)


def _blurred(frame: Any, width: int, height: int, blur: float) -> NDArray[np.uint8]:
    """A frame of ``width`` and ``height``, blurred: a blurred picture has nothing that a smaller one has not."""
    part = max(1.0, blur / 2)
    small = _bgra(frame, round(width / part), round(height / part), Interpolation.AREA)
    sheet = skia.Surface(small.shape[1], small.shape[0])
    paint = skia.Paint(ImageFilter=skia.ImageFilters.Blur(blur / part, blur / part, skia.TileMode.kClamp))
    image = skia.Image.fromarray(small, colorType=skia.kBGRA_8888_ColorType, copy=False)
    sheet.getCanvas().drawImage(image, 0, 0, skia.SamplingOptions(), paint)
    blurred = sheet.toarray(colorType=skia.kBGRA_8888_ColorType)
    return _bgra(
        av.VideoFrame.from_ndarray(np.ascontiguousarray(blurred), format="bgra"),
        width,
        height,
        Interpolation.BILINEAR,
    )


def _part(frame: Any, seen: Box, width: int, height: int) -> NDArray[np.uint32]:
    """A part of a frame, left, top, right, bottom, at a size."""
    left, top, right, bottom = seen
    target = np.empty((height, width), np.uint32)
    pixels = _bgra(frame, frame.width, frame.height).view(np.uint32)[..., 0]
    scale_part(pixels, target, left, top, right - left, bottom - top)
    return target


def _bgra(
    frame: Any, width: int, height: int, interpolation: Interpolation = Interpolation.BILINEAR
) -> NDArray[np.uint8]:
    """A frame at a size. Scaled first and coloured then takes half the time that both at once do."""
    width, height = max(2, width), max(2, height)
    if frame.format.name == "yuv420p" and width % 2 == height % 2 == 0:
        if (width, height) != (frame.width, frame.height):
            frame = frame.reformat(width=width, height=height, interpolation=interpolation)
        return colour_words(frame).view(np.uint8).reshape(height, width, 4)
    pixels: NDArray[np.uint8] = frame.to_ndarray(format="bgra", width=width, height=height, interpolation=interpolation)
    return np.ascontiguousarray(pixels)
