"""Loudness by ITU-R BS.1770-4, and true peaks by its annex 2.

Loudness is measured on both channels, as it is delivered: a measure of one alone would be 3 LU too low.
"""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray
from pyloudnorm.iirfilter import IIRfilter
from scipy.signal import resample_poly

from dearhost.memory import compiled_later
from dearhost.sound.mix import Stereo
from dearhost.sound.placing import Mono

Energies = NDArray[np.float64]
"""Mean squares of both channels added, K-weighted, one a step."""
Filters = NDArray[np.float64]
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


def _k_weighting(sample_rate: int) -> Filters:
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
        return _mean_squares(block, self._sections, self._state, self._step)


@compiled_later
def _mean_squares(block: Mono, sections: Filters, state: Filters, step: int) -> Energies:
    """Filter a block by two second-order sections, normalised, in the transposed direct form II, and square what comes
    of it; ``state``, (2, 2), is where the block before left it, and is left anew."""
    b0, b1, b2, a1, a2 = sections[0, 0], sections[0, 1], sections[0, 2], sections[0, 4], sections[0, 5]
    d0, d1, d2, c1, c2 = sections[1, 0], sections[1, 1], sections[1, 2], sections[1, 4], sections[1, 5]
    u, v, w, z = state[0, 0], state[0, 1], state[1, 0], state[1, 1]
    energy = np.zeros(len(block) // step)
    at, total, left = 0, 0.0, step
    for sample in block:
        value = float(sample)
        shelved = b0 * value + u
        u = b1 * value - a1 * shelved + v
        v = b2 * value - a2 * shelved
        passed = d0 * shelved + w
        w = d1 * shelved - c1 * passed + z
        z = d2 * shelved - c2 * passed
        total += passed * passed
        left -= 1
        if left == 0:
            energy[at] = total / step
            at, total, left = at + 1, 0.0, step
    state[0, 0], state[0, 1], state[1, 0], state[1, 1] = u, v, w, z
    return energy


def true_peak(samples: NDArray[np.floating], *, oversampling: int = 8) -> float:
    """The true peak in dBTP of mono samples in -1..1, by oversampling (BS.1770-4, annex 2)."""
    peak = 0.0
    block = 480_000
    for first in range(0, len(samples), block):
        part = samples[max(0, first - 256) : first + block + 256]
        peak = max(peak, float(np.abs(resample_poly(part, oversampling, 1)).max()))
    return float(20 * np.log10(max(peak, 1e-9)))
