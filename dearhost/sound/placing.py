"""Lays sounds out in time."""

from __future__ import annotations

from collections.abc import Iterable
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


def place(placements: Iterable[Placement], duration: float, sample_rate: int) -> Mono:
    """All placements added up: exactly ``round(duration * sample_rate)`` samples; what sticks out is cut."""
    total = round(duration * sample_rate)
    mixed = np.zeros(total, np.float32)
    for item in placements:
        sound = resampled(item.samples, item.sample_rate, sample_rate)
        first = round(item.start * sample_rate)
        size = min(len(sound), total - first)
        if size > 0:
            mixed[first : first + size] += sound[:size]
    return mixed
