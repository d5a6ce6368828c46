"""Pictures and clips of the shelf as images to be drawn, several in turn, with the clear parts of what is cut out."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import numpy as np
import skia

from dearhost.assets.shelf import CLIP, Footage, Shelf, alpha_of, even, kind_of
from dearhost.stage.painting.sheet import Pixels
from dearhost.stage.timeline import Shown

_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
_MOVING = skia.SamplingOptions(skia.FilterMode.kLinear)


def scaling_of(item: str) -> Any:
    """How an image of a thing is brought to its size: a clip comes about as large as it is seen."""
    return _MOVING if kind_of(item) == CLIP else _SMOOTH


class ShelfFrames:
    """Pictures, and frames of clips as if they were seen ``lines`` high, by their ids. One belongs to one painter."""

    def __init__(self, shelf: Shelf, lines: float) -> None:
        self._shelf, self._lines = shelf, lines
        self._films: dict[str, tuple[Footage | None, Footage | None]] = {}

    def film(self, item: str) -> tuple[Footage | None, Footage | None]:
        """The colours of a clip and its matte; None for what it has not."""
        if kind_of(item) != CLIP:
            return None, None
        if item not in self._films:
            self._films[item] = self._shelf.footage(item, self._lines), self._shelf.matte(item, self._lines)
        return self._films[item]

    def image(self, item: str, number: int, width: float, height: float) -> Any:
        """An image for a place of ``width`` and ``height`` pixels; None where there is none."""
        footage, matte = self.film(item)
        if footage is None:
            return self._shelf.image(item) if item else None
        frame = footage.frame(number)
        # no larger than it is seen: what scales films is quicker than the canvas
        scale = min(1.0, max(width / frame.width, height / frame.height))
        size = {"width": even(frame.width * scale), "height": even(frame.height * scale)}
        pixels = np.ascontiguousarray(frame.to_ndarray(format="bgra", **size))
        if matte is None:
            return skia.Image.fromarray(pixels, colorType=skia.kBGRA_8888_ColorType, alphaType=skia.kOpaque_AlphaType)
        pixels[..., 3] = alpha_of(matte.frame(number), **size)
        return skia.Image.fromarray(
            _premultiplied(pixels), colorType=skia.kBGRA_8888_ColorType, alphaType=skia.kPremul_AlphaType
        )


class ShelfImages(ShelfFrames):
    """Things that are shown one after another."""

    def __init__(self, shelf: Shelf, shown: Shown, lines: float) -> None:
        super().__init__(shelf, lines)
        self._span, self._time = shown.span, shown.clip_time
        items = shown.text("items")
        self.sizes = {item: (known.width, known.height) for item in items.split() if (known := shelf.item(item))}
        """Width and height in pixels, of what there is."""
        self._items: Sequence[str] = [item for item in items.split() if item in self.sizes]

    def now(self, moment: float) -> tuple[str, int]:
        """What is shown at a moment of the scene, "" for nothing, and of a clip its frame."""
        if not self._items:
            return "", 0
        item = self._items[self._turn(moment)]
        footage, _ = self.film(item)
        return item, footage.number_at(self._time.of_clip(moment - self.began(moment))) if footage else 0

    @property
    def share(self) -> float:
        """Seconds each is shown."""
        return max(1e-6, (self._span.end - self._span.start) / max(1, len(self._items)))

    def began(self, moment: float) -> float:
        """When what is shown at a moment of the scene began."""
        return self._span.start + self._turn(moment) * self.share

    def _turn(self, moment: float) -> int:
        return int(max(0.0, min(len(self._items) - 1.0, (moment - self._span.start) / self.share)))

    def pointer(self, item: str, number: int) -> tuple[float, float] | None:
        """Where the pointer is in a frame of a screen's recording, in parts of width and height."""
        footage, _ = self.film(item)
        if footage is None:
            return None
        happening = self._shelf.happening(item)
        return happening.pointer_at(float(footage.times[number])) if happening else None


def _premultiplied(pixels: Pixels) -> Pixels:
    """BGRA pixels with straight alpha, premultiplied: as they are, the canvas would take six times as long."""
    made = np.empty_like(pixels)
    height, width, _ = pixels.shape
    straight, whole = (
        skia.Pixmap(skia.ImageInfo.Make(width, height, skia.kBGRA_8888_ColorType, alpha), own, own.strides[0])
        for alpha, own in ((skia.kUnpremul_AlphaType, pixels), (skia.kPremul_AlphaType, made))
    )
    straight.readPixels(whole)
    return made
