"""Sounds with their places in time."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np
import soxr
from numpy.typing import NDArray

Mono = NDArray[np.float32]
Two = NDArray[np.float32]
"""Two channels, shape (n, 2), in -1..1."""
Curve = tuple[tuple[float, float], ...]
"""(seconds, dB) in order of time: level before the first and after the last; amplitudes go straight between."""


@dataclass(frozen=True)
class Placement:
    """Samples at ``sample_rate`` Hz that start ``start`` seconds in: mono, shape (n,), or stereo, shape (n, 2).

    ``gain``: their level, in the same time as ``start``; () for as they are.
    """

    start: float
    sample_rate: int
    samples: Mono
    gain: Curve = ()

    def later(self, seconds: float) -> Placement:
        """The same, ``seconds`` later."""
        gain = tuple((at + seconds, level) for at, level in self.gain)
        return replace(self, start=self.start + seconds, gain=gain)


def resampled(samples: Mono, source: int, target: int) -> Mono:
    """``samples`` at ``target`` Hz (soxr, high quality)."""
    if source == target:
        return samples.astype(np.float32)
    return np.asarray(soxr.resample(samples, source, target, quality="HQ"), np.float32)


def amplitudes(gain: Curve) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """The seconds of a curve, and what amplitudes are multiplied with there: as ``np.interp`` takes them."""
    times, levels = np.array(gain or ((0.0, 0.0),)).T
    return times, 10 ** (levels / 20)
