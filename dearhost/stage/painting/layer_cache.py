"""The finished drawing of each layer, kept until its key changes.

A layer is always drawn whole, on its own, and then laid into the picture pixel by pixel: what a frame looks like
never depends on which frames were painted before it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple, Protocol

import numpy as np
import skia

from dearhost.stage.painting.area import Area, Rows
from dearhost.stage.painting.layer import Layer, PixelBox, overlap
from dearhost.stage.painting.sheet import Sheet, Words


class _Laying(Protocol):
    """``stage.painting.compositing``."""

    def copy(self, picture: Words, source: Words, area: Rows, top: int, bottom: int, /) -> None: ...

    def lay(
        self, picture: Words, words: Words, rows: Rows, left: int, top: int, area: Rows, box: PixelBox, /
    ) -> None: ...

    def widen(self, area: Rows, rows: Rows, left: int, top: int, box: PixelBox, /) -> None: ...

    def clear(self, words: Words, rows: Rows, /) -> None: ...

    def mix(
        self, picture: Words, leaving: Words, arriving: Words, weight: int, area: Rows, top: int, bottom: int, /
    ) -> None: ...

    def find_rows(self, pairs: Any, rows: Rows, /) -> PixelBox: ...

    def light(self, words: Words, rows: Rows, colour: int, /) -> None: ...


_machine_code: list[_Laying] = []


def to_machine_code() -> None:
    """From now on this process lays with compiled loops, which give the same pixels; loading them is slow."""
    from dearhost.stage.painting import compositing  # noqa: PLC0415 - its compiler takes 120 MB, and only films need it

    if not _machine_code:
        _machine_code.append(compositing)


def mix(picture: Words, leaving: Words, arriving: Words, weight: int, area: Area) -> None:
    """Put ``leaving`` into the area of the picture, and ``weight`` of 256 of ``arriving``."""
    left, top, right, bottom = area.box
    if _machine_code:
        _machine_code[0].mix(picture, leaving, arriving, weight, area.rows, top, bottom)
        return
    before, after = (sheet[top:bottom, left:right].copy().view(np.uint8) for sheet in (leaving, arriving))
    mixed = before.astype(np.uint16) * (256 - weight) + after.astype(np.uint16) * weight
    picture[top:bottom, left:right] = (mixed >> 8).astype(np.uint8).view(np.uint32)


class Laid(NamedTuple):
    """How a layer lies in the picture: equal ones look the same. ``rows`` are its drawing's, if they are known."""

    key: Any
    corner: tuple[int, int]
    box: PixelBox
    rows: Rows | None

    def same(self, other: Laid | None) -> bool:
        """Whether it looks the same."""
        return other is not None and self[:3] == other[:3]

    def add_to(self, area: Area) -> None:
        """Widen the area by where it is seen."""
        if self.rows is None:
            area.fill(self.box)
        else:
            _machine_code[0].widen(area.rows, self.rows, *self.corner, self.box)


class _Drawing:
    """The drawing of one layer, in memory that is used again for the next."""

    def __init__(self) -> None:
        self._memory: Words = np.empty(0, np.uint32)
        self._words: Words = self._memory.reshape(0, 0)
        self._surface: Any = None
        self._key: Any = None
        self._rows: Rows | None = None
        self._seen: PixelBox = (0, 0, 0, 0)

    def draw(self, layer: Layer, work: _Laying | None) -> None:
        """Draw the layer, unless what is there is it; with ``work`` its rows are known after."""
        key = (layer.key, layer.reach or layer.box)
        is_new = key != self._key
        if is_new:
            self._draw(layer, key, lit=work is None)
        if work and self._rows is None:
            self._rows = np.empty((len(self._words), 2), np.int64)  # not the ones before, which may be asked for yet
            self._seen = work.find_rows(self._words.view(np.uint64), self._rows)
            if is_new and layer.light is not None:
                work.light(self._words, self._rows, layer.light.getColor())

    def _draw(self, layer: Layer, key: Any, *, lit: bool) -> None:
        left, top, right, bottom = layer.sheet
        self._key = None
        self._take_shape(bottom - top, right - left + (right - left) % 2)
        self._rows = None
        canvas = self._surface.getCanvas()
        depth = canvas.save()
        try:
            canvas.translate(-left, -top)
            layer.draw(canvas)
            if lit and layer.light is not None:
                canvas.drawPaint(layer.light)
        finally:
            canvas.restoreToCount(depth)
        self._key = key

    def _take_shape(self, height: int, width: int) -> None:
        """Empty pixels of that shape, the width even."""
        if (height, width) == self._words.shape and self._rows is not None:
            _machine_code[0].clear(self._words, self._rows)
            return
        if not height * width <= len(self._memory) <= 2 * height * width:
            self._memory = np.empty(height * width * 5 // 4, np.uint32)
        self._words = self._memory[: height * width].reshape(height, width)
        self._words.fill(0)
        info = skia.ImageInfo.Make(width, height, skia.kBGRA_8888_ColorType, skia.kPremul_AlphaType)
        self._surface = skia.Surface.MakeRasterDirect(info, self._words.view(np.uint8).reshape(height, width, 4))

    def laid(self, layer: Layer) -> Laid:
        """How it lies in the picture: where its rows are known, its box is closer than the layer's."""
        left, top, *_ = layer.sheet
        box = layer.box
        if self._rows is not None:
            seen = self._seen
            box = overlap(box, (left + seen[0], top + seen[1], left + seen[2], top + seen[3])) or (0, 0, 0, 0)
        return Laid(self._key, (left, top), box, self._rows)  # the very same key while it is: quick to compare

    def lay(self, laid: Laid, sheet: Sheet, area: Area, box: PixelBox) -> None:
        """Lay it on the sheet in the area, as far as that lies in the box."""
        if laid.rows is not None:
            _machine_code[0].lay(sheet.words, self._words, laid.rows, *laid.corner, area.rows, box)
            return
        canvas = sheet.canvas
        canvas.save()
        canvas.clipRect(skia.Rect.MakeLTRB(*box))
        pixmap = skia.Pixmap()
        self._surface.peekPixels(pixmap)
        canvas.drawImage(skia.Image.MakeFromRaster(pixmap), *laid.corner)
        canvas.restore()


class LayerCache:
    """The drawings of a picture's layers."""

    def __init__(self) -> None:
        self._kept: dict[str, _Drawing] = {}
        self._work: _Laying | None = None

    def draw(self, layers: Sequence[Layer]) -> dict[str, Laid]:
        """Draw what is new and let go of what is gone; returns how each layer lies, by its name and back to front."""
        self._work = _machine_code[0] if _machine_code else None  # a frame is laid one way or the other
        self._kept = {layer.name: self._kept.get(layer.name) or _Drawing() for layer in layers}
        laid = {}
        for layer in layers:
            drawing = self._kept[layer.name]
            drawing.draw(layer, self._work)
            laid[layer.name] = drawing.laid(layer)
        return laid

    def lay(self, laid: Mapping[str, Laid], sheet: Sheet, area: Area, under: Words | None = None) -> None:
        """Lay the layers on the sheet in the area, over ``under`` if it is given, else over what is there."""
        left, top, right, bottom = area.box
        if under is not None and self._work:
            self._work.copy(sheet.words, under, area.rows, top, bottom)
        elif under is not None:
            sheet.words[top:bottom, left:right] = under[top:bottom, left:right]
        for name, own in laid.items():
            part = overlap(own.box, area.box)
            if part:
                self._kept[name].lay(own, sheet, area, part)
