"""A figure without the ground it was taken before.

After the ways of chroma keying in Wright, "Digital Compositing for Film and Video" (2017): the distance along the
ground's hue, a soft ramp, and its spill held down. Chroma that was kept at half size is sharpened along luma first (a
fast guided filter: He and Sun 2015).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from dearhost.assets.shelf.keying.ground import Floats, Ground
from dearhost.assets.shelf.keying.guided import guided_fit
from dearhost.memory import LazyModule

ndimage, loops = LazyModule("scipy.ndimage"), LazyModule("dearhost.assets.shelf.keying.loops")
_LOWEST, _HIGHEST = 0.04, 0.86
_STEADY = 30.0
"""Variance of luma below which chroma does not follow it."""
_TOGETHER = 7
"""Pixels, of a picture of half the size, that pieces of a figure may lie apart."""
_SPECK = 0.004
"""Part of the largest piece below which a piece that stands apart is dust."""


PERSON = "person"


@dataclass(frozen=True, slots=True)
class KeySettings:
    """How a ground is taken away, all 0 to 1. ``strength``: how far from the ground's colour it still is ground;
    ``softness``: how wide the edge goes from one to the other; ``spill``: how much of its colour is held down;
    ``shadow``: how much of the shadow on it stays. ``ground``: its colour as "#rrggbb", "" to find it, or PERSON for
    whatever is behind a person, of which there is neither spill nor shadow."""

    strength: float = 0.5
    softness: float = 0.5
    spill: float = 1.0
    shadow: float = 0.6
    ground: str = ""

    @property
    def ramp(self) -> Floats:
        """Shares of the ground's colour between which the figure fades."""
        low = _LOWEST + 0.52 * max(0.0, 0.5 - self.strength)
        high = _HIGHEST - 0.4 * max(0.0, self.strength - 0.5)
        middle, half = (low + high) / 2, (high - low) * self.softness
        return np.array([middle - max(half, 0.02), middle + max(half, 0.02)], np.float32)

    @property
    def colour(self) -> tuple[int, int, int] | None:
        """The ground's colour as red, green, blue; None to find it."""
        value = self.ground.lstrip("#")
        return (int(value[:2], 16), int(value[2:4], 16), int(value[4:6], 16)) if len(value) == 6 else None


@dataclass(frozen=True, slots=True)
class Keyed:
    """A figure: ``luma`` from 0 at black, ``blue`` and ``red`` from 0 at grey, and its ``alpha``, 0 to 1."""

    luma: Floats
    blue: Floats
    red: Floats
    alpha: Floats


def keyed(frame: Any, ground: Ground, settings: KeySettings) -> Keyed:
    """A frame, yuv420p or yuv444p in BT.709 with limited range, without its ground."""
    luma, blue, red = planes_of(frame)
    alpha = np.empty_like(luma)
    loops.take_away(
        luma, blue, red, ground.field, ground.axis, settings.ramp, np.float32(settings.shadow),
        np.float32(settings.spill), alpha,
    )  # fmt: skip
    return Keyed(luma, blue, red, without_dust(alpha))


def planes_of(frame: Any) -> tuple[Floats, Floats, Floats]:
    """Luma, blue and red at full size."""
    height, width = frame.height, frame.width
    if frame.format.name == "yuv444p":
        luma, blue, red = frame.to_ndarray().reshape(3, height, width).astype(np.float32)
        return luma - np.float32(16), blue - np.float32(128), red - np.float32(128)
    whole = frame.to_ndarray().reshape(-1)
    count = height * width
    luma = whole[:count].reshape(height, width).astype(np.float32) - np.float32(16)
    half = whole[count:].reshape(2, height // 2, width // 2).astype(np.float32) - np.float32(128)
    coarse: Floats = luma.reshape(height // 2, 2, width // 2, 2).mean((1, 3), dtype=np.float32)
    return luma, _guided(luma, coarse, half[0]), _guided(luma, coarse, half[1])


def _guided(luma: Floats, coarse: Floats, half: Floats) -> Floats:
    """Chroma of half size at full size, its edges where luma has them."""
    slope, base = guided_fit(coarse, half, 3, _STEADY)
    chroma = np.empty_like(luma)
    loops.sharpened(luma, slope, base, chroma)
    return chroma


def without_dust(alpha: Floats) -> Floats:
    """Without small pieces that stand apart from the figure."""
    # hair is fine: what is near belongs together
    small = alpha[::2, ::2] > 0.15
    pieces, count = ndimage.label(ndimage.maximum_filter(small.astype(np.uint8), _TOGETHER))
    if count < 2:
        return alpha
    sizes = np.bincount(pieces[small], minlength=count + 1)
    kept = sizes >= _SPECK * sizes.max()
    near = kept[pieces].astype(np.uint8)
    return alpha * np.repeat(np.repeat(near, 2, 0), 2, 1)[: alpha.shape[0], : alpha.shape[1]].astype(np.float32)


def near_ground(found: Keyed) -> float:
    """The part of the figure's inside that is half taken away: its clothes, say, have the ground's hue."""
    closed = ndimage.binary_closing(found.alpha[::4, ::4] > 0.1)
    inside: NDArray[np.bool_] = ndimage.binary_erosion(closed, iterations=4)
    if not inside.any():
        return 0.0
    own = found.alpha[::4, ::4][inside]
    return float(((own > 0.1) & (own < 0.9)).mean())
