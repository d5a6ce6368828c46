"""Sounds with their places in time."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
import soxr
from numpy.typing import NDArray

Mono = NDArray[np.float32]


@dataclass(frozen=True)
class Placement:
    """Samples at ``sample_rate`` Hz that start ``start`` seconds in: mono, shape (n,), or stereo, shape (n, 2)."""

    start: float
    sample_rate: int
    samples: Mono


def resampled(samples: Mono, source: int, target: int) -> Mono:
    """``samples`` at ``target`` Hz (soxr, high quality)."""
    if source == target:
        return samples.astype(np.float32)
    return np.asarray(soxr.resample(samples, source, target, quality="HQ"), np.float32)
