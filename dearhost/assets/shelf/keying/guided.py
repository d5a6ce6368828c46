"""The fit of one picture to another about each pixel, as a guided filter makes it (He, Sun and Tang 2013)."""

from __future__ import annotations

from typing import Any

from dearhost.assets.shelf.keying.ground import Floats
from dearhost.memory import LazyModule

ndimage = LazyModule("scipy.ndimage")


def guided_fit(guide: Floats, values: Floats, side: int, steady: float) -> tuple[Floats, Floats]:
    """``values`` about each pixel as ``slope`` x ``guide`` + ``base``, over a square of ``side`` pixels; ``steady``:
    the variance of the guide below which values do not follow it."""

    def mean(of: Any) -> Any:
        return ndimage.uniform_filter(of, side, mode="nearest")

    along, across = mean(guide), mean(values)
    slope = (mean(guide * values) - along * across) / (mean(guide * guide) - along * along + steady)
    return mean(slope), mean(across - slope * along)
