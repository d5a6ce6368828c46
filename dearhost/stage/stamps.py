"""The finished drawing of each layer, kept until its key changes.

A layer is always drawn whole, on its own, and then laid into the picture pixel by pixel: what a frame looks like
never depends on which frames were painted before it.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, Protocol

import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.stage.layer import Layer, PixelBox, overlap

Words = NDArray[np.uint32]
"""Pixels as 32-bit words, premultiplied BGRA, shape (height, width)."""


class Sheet(Protocol):
    """What is laid on: a canvas and its pixels."""

    canvas: Any
    words: Words


class _Laying(Protocol):
    """``stage.laying``."""

    def lay(self, picture: Words, words: Words, rows: Any, left: int, top: int, box: PixelBox, /) -> None: ...

    def clear(self, words: Words, rows: Any, /) -> None: ...

    def mix(self, picture: Words, arriving: Words, weight: int, /) -> None: ...

    def find_rows(self, pairs: Any, rows: Any, /) -> PixelBox: ...


_machine_code: list[_Laying] = []


def to_machine_code() -> None:
    """From now on this process lays with compiled loops, which give the same pixels; loading them is slow."""
    from dearhost.stage import laying  # noqa: PLC0415 - its compiler takes 120 MB, and only films need it

    if not _machine_code:
        _machine_code.append(laying)


def mix(picture: Words, arriving: Words, weight: int) -> None:
    """Bring ``picture`` nearer to ``arriving``, by 0 (not at all) to 256 (wholly)."""
    if _machine_code:
        _machine_code[0].mix(picture, arriving, weight)
        return
    channels = picture.view(np.uint8)
    mixed = channels.astype(np.uint16) * (256 - weight) + arriving.view(np.uint8).astype(np.uint16) * weight
    channels[...] = (mixed >> 8).astype(np.uint8)


class _Stamp:
    """The drawing of one layer, in memory that is used again for the next."""

    def __init__(self) -> None:
        self._memory: Words = np.empty(0, np.uint32)
        self._words: Words = self._memory.reshape(0, 0)
        self._key: Any = None
        self._rows: NDArray[np.int64] | None = None
        self._seen: PixelBox = (0, 0, 0, 0)

    def draw(self, layer: Layer) -> None:
        """Draw the layer, unless what is there is it."""
        left, top, right, bottom = layer.sheet
        key = (layer.key, layer.reach or layer.box)
        if key == self._key:
            return
        self._key = None
        self._take_shape(bottom - top, right - left + (right - left) % 2)
        self._rows = None
        surface = skia.Surface.MakeRasterDirect(*self._described())
        canvas = surface.getCanvas()
        canvas.translate(-left, -top)
        layer.draw(canvas)
        self._key = key
        if _machine_code:
            self._rows = np.empty((bottom - top, 2), np.int64)
            self._seen = _machine_code[0].find_rows(self._words.view(np.uint64), self._rows)

    def _take_shape(self, height: int, width: int) -> None:
        """Empty pixels of that shape, the width even."""
        if (height, width) == self._words.shape and self._rows is not None:
            _machine_code[0].clear(self._words, self._rows)
            return
        if not height * width <= len(self._memory) <= 2 * height * width:
            self._memory = np.empty(height * width * 5 // 4, np.uint32)
        self._words = self._memory[: height * width].reshape(height, width)
        self._words.fill(0)

    def _described(self) -> tuple[Any, Any]:
        """What skia needs to know of the pixels, and these byte by byte."""
        height, width = self._words.shape
        info = skia.ImageInfo.Make(width, height, skia.kBGRA_8888_ColorType, skia.kPremul_AlphaType)
        return info, self._words.view(np.uint8).reshape(height, width, 4)

    def seen(self, layer: Layer) -> PixelBox:
        """Where the layer may be seen: closer than its box, where that is known."""
        if self._rows is None:
            return layer.box
        (left, top, *_), box, seen = layer.sheet, layer.box, self._seen
        left, top = max(box[0], left + seen[0]), max(box[1], top + seen[1])
        right, bottom = min(box[2], layer.sheet[0] + seen[2]), min(box[3], layer.sheet[1] + seen[3])
        return left, top, max(left, right), max(top, bottom)

    def lay(self, layer: Layer, sheet: Sheet, box: PixelBox) -> None:
        """Lay it on the sheet inside the box, which is a part of where it is seen."""
        left, top, *_ = layer.sheet
        if self._rows is not None:
            _machine_code[0].lay(sheet.words, self._words, self._rows, left, top, box)
            return
        canvas = sheet.canvas
        canvas.save()
        canvas.clipRect(skia.Rect.MakeLTRB(*box))
        pixmap = skia.Pixmap(*self._described(), 4 * self._words.shape[1])
        canvas.drawImage(skia.Image.MakeFromRaster(pixmap), left, top)
        canvas.restore()


class Stamps:
    """The stamps of a picture's layers."""

    def __init__(self) -> None:
        self._kept: dict[str, _Stamp] = {}

    def draw(self, layers: Sequence[Layer]) -> list[PixelBox]:
        """Draw what is new and let go of what is gone; returns where each layer is seen."""
        self._kept = {layer.name: self._kept.get(layer.name) or _Stamp() for layer in layers}
        for layer in layers:
            self._kept[layer.name].draw(layer)
        return [self._kept[layer.name].seen(layer) for layer in layers]

    def lay(self, layers: Sequence[Layer], seen: Sequence[PixelBox], sheet: Sheet, box: PixelBox) -> None:
        """Lay the layers on the sheet inside the box."""
        for layer, own in zip(layers, seen, strict=True):
            part = overlap(own, box)
            if part:
                self._kept[layer.name].lay(layer, sheet, part)
