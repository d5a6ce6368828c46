"""A canvas on a numpy array."""

from __future__ import annotations

from typing import Any

import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.stage.layout.shapes import Picture

Pixels = NDArray[np.uint8]
Words = NDArray[np.uint32]
"""Pixels as 32-bit words, premultiplied BGRA, shape (height, width)."""


class Sheet:
    """A canvas on a numpy array: ``pixels`` has shape (height, width, 4), BGRA, opaque or, when it is ``transparent``,
    premultiplied; ``words`` is the same memory with a pixel a word."""

    def __init__(self, picture: Picture, *, transparent: bool = False) -> None:
        self.pixels: Pixels = np.zeros((picture.height, picture.width, 4), np.uint8)
        self.words = self.pixels.view(np.uint32)[..., 0]
        alpha = skia.kPremul_AlphaType if transparent else skia.kOpaque_AlphaType
        info = skia.ImageInfo.Make(picture.width, picture.height, skia.kBGRA_8888_ColorType, alpha)
        self._surface = skia.Surface.MakeRasterDirect(info, self.pixels)
        self._pixmap = skia.Pixmap(info, self.pixels, self.pixels.strides[0])
        self.canvas: Any = self._surface.getCanvas()

    def image(self) -> Any:
        """What is on it, as an image; good until it is drawn on again."""
        return skia.Image.MakeFromRaster(self._pixmap)  # a snapshot would copy

    def straight(self) -> Pixels:
        """A copy of the pixels with straight alpha."""
        copy = np.empty_like(self.pixels)
        height, width, _ = copy.shape
        info = skia.ImageInfo.Make(width, height, skia.kBGRA_8888_ColorType, skia.kUnpremul_AlphaType)
        self._pixmap.readPixels(skia.Pixmap(info, copy, copy.strides[0]))
        return copy
