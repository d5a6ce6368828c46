"""Loudness by ITU-R BS.1770-4, and true peaks by its annex 2.

Loudness is measured on both channels, as it is delivered: a measure of one alone would be 3 LU too low.
"""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray
from pyloudnorm.iirfilter import IIRfilter
from scipy.signal import resample_poly, sosfilt

from dearhost.sound.mix import Stereo
from dearhost.sound.placing import Mono

Energies = NDArray[np.float64]
"""Mean squares of both channels added, K-weighted, one a step."""
BLOCK_SECONDS = 5
_GATED = 0.4
"""BS.1770 gates in blocks of 400 ms: shorter sounds have no loudness."""
_TENTH = 0.1


def measure_loudness(sound: Stereo, sample_rate: int) -> float:
    """Integrated loudness in LUFS of both channels; -inf for silence or under 0.4 s.

    ITU-R BS.1770-4 with the K-weighting of pyloudnorm, in blocks, so that an hour needs little memory.
    """
    return loudness_of(energies(blocks_of(sound, sample_rate), sample_rate))


def blocks_of(sound: Stereo, sample_rate: int) -> Iterable[Stereo]:
    """A sound in blocks of five seconds."""
    step = sample_rate * BLOCK_SECONDS
    return (sound.part(first, first + step) for first in range(0, len(sound), step))


def energies(blocks: Iterable[Stereo], sample_rate: int, steps_a_tenth: int = 1) -> Energies:
    """The energies of a sound that comes in blocks, each but the last whole tenths of a second long."""
    meters = [_Energy(sample_rate, steps_a_tenth) for _ in range(2)]
    found = []
    for block in blocks:
        each = [meter.of(channel) for meter, channel in zip(meters, block.channels, strict=False)]
        found.append(each[0] + each[-1])
    return np.concatenate(found) if found else np.zeros(0)


def loudness_of(tenths: Energies) -> float:
    """The integrated loudness in LUFS of energies of a tenth of a second each, gated twice."""
    if len(tenths) * _TENTH < _GATED - 1e-9:
        return -np.inf
    gated = np.convolve(tenths, np.full(4, 0.25), "valid")  # 400 ms, 75 % overlap
    with np.errstate(divide="ignore"):
        levels = -0.691 + 10 * np.log10(gated)
        loud = gated[levels > -70.0]
        if not len(loud):
            return -np.inf
        threshold = -0.691 + 10 * np.log10(loud.mean()) - 10.0
    kept = gated[(levels > -70.0) & (levels > threshold)]
    return float(-0.691 + 10 * np.log10(kept.mean())) if len(kept) else -np.inf


def _k_weighting(sample_rate: int) -> NDArray[np.float64]:
    """The two filters of BS.1770-4, annex 1, as second-order sections: a shelf for the head, and a high pass."""
    stages = [
        IIRfilter(4.0, 1 / np.sqrt(2), 1500.0, sample_rate, "high_shelf"),
        IIRfilter(0.0, 0.5, 38.0, sample_rate, "high_pass"),
    ]
    return np.array([[*(np.asarray(f.b) * f.passband_gain), *f.a] for f in stages], np.float64)


class _Energy:
    """Mean squares of one channel, K-weighted, step by step."""

    def __init__(self, sample_rate: int, steps_a_tenth: int) -> None:
        self._sections = _k_weighting(sample_rate)
        self._state = np.zeros((len(self._sections), 2))
        self._step = sample_rate // 10 // steps_a_tenth

    def of(self, block: Mono) -> Energies:
        """Of the next block."""
        weighted, self._state = sosfilt(self._sections, block.astype(np.float64), zi=self._state)
        whole = len(weighted) // self._step
        rows = weighted[: whole * self._step].reshape(whole, self._step)
        energy: Energies = np.einsum("ij,ij->i", rows, rows) / self._step
        return energy


def true_peak(samples: NDArray[np.floating], *, oversampling: int = 8) -> float:
    """The true peak in dBTP of mono samples in -1..1, by oversampling (BS.1770-4, annex 2)."""
    peak = 0.0
    block = 480_000
    for first in range(0, len(samples), block):
        part = samples[max(0, first - 256) : first + block + 256]
        peak = max(peak, float(np.abs(resample_poly(part, oversampling, 1)).max()))
    return float(20 * np.log10(max(peak, 1e-9)))
