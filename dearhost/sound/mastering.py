"""Loudness by ITU-R BS.1770-4 and a true-peak limiter.

Delivered at -16 LUFS integrated, true peak at most -1 dBTP. Loudness is measured on two equal
channels, as it is delivered: a mono measure would be 3 LU too low.
"""

from __future__ import annotations

import numpy as np
import pyloudnorm
from numpy.typing import NDArray
from scipy.ndimage import maximum_filter1d
from scipy.signal import oaconvolve, resample_poly

Mono = NDArray[np.float32]
Float = NDArray[np.float64]

TARGET_LUFS = -16.0
CEILING_DBTP = -1.0
_LIMIT_DB = -1.3
"""The limiter's own ceiling: room for what an AAC encoder adds."""
_OVERSAMPLING = 4
_LOOK_AHEAD = 0.003
_RELEASE = 0.120
_BLOCK_SECONDS = 20
_GATED = 0.4
"""BS.1770 gates in blocks of 400 ms: shorter sounds have no loudness."""


def measure_loudness(mono: Mono, sample_rate: int) -> float:
    """Integrated loudness in LUFS of ``mono`` on two channels; -inf for silence or under 0.4 s."""
    if len(mono) < _GATED * sample_rate:
        return -np.inf
    meter = pyloudnorm.Meter(sample_rate)
    with np.errstate(divide="ignore"):
        return float(meter.integrated_loudness(np.stack([mono, mono], axis=1).astype(np.float64)))


def true_peak(samples: NDArray[np.floating], *, oversampling: int = 8) -> float:
    """The true peak in dBTP of mono samples in -1..1, by oversampling (BS.1770-4, annex 2)."""
    peak = 0.0
    block = 480_000
    for first in range(0, len(samples), block):
        part = samples[max(0, first - 256) : first + block + 256]
        peak = max(peak, float(np.abs(resample_poly(part, oversampling, 1)).max()))
    return float(20 * np.log10(max(peak, 1e-9)))


def _peaks(mono: Mono) -> Float:
    """The oversampled peak round each sample."""
    peaks = np.zeros(len(mono))
    block = 480_000
    for first in range(0, len(mono), block):
        lead = min(first, 256)
        part = mono[first - lead : first + block + 256]
        fine = np.abs(resample_poly(part, _OVERSAMPLING, 1))
        each = fine[: len(part) * _OVERSAMPLING].reshape(len(part), _OVERSAMPLING).max(axis=1)
        size = min(block, len(mono) - first)
        peaks[first : first + size] = each[lead : lead + size]
    following: Float = np.append(peaks[1:], 0)
    return np.asarray(np.maximum(peaks, following), np.float64)


def _limited(mono: Mono, peaks: Float, gain: float, sample_rate: int) -> Mono:
    """``mono`` times ``gain``, held below the ceiling by a smooth gain with look-ahead."""
    ceiling = 10 ** (_LIMIT_DB / 20)
    needed = np.log(np.maximum(peaks * gain / ceiling, 1))
    if needed.max() == 0:
        return (mono * gain).astype(np.float32)
    look = int(_LOOK_AHEAD * sample_rate) | 1
    held = maximum_filter1d(needed, 2 * look + 1)
    falling = 1 / (_RELEASE * sample_rate)
    reduction = np.empty(len(mono))
    last = -np.inf
    step = sample_rate * _BLOCK_SECONDS
    for first in range(0, len(mono), step):
        block = held[first : first + step]
        ramp = np.arange(len(block)) * falling
        level = np.maximum(np.maximum.accumulate(np.log(np.maximum(block, 1e-9)) + ramp), last) - ramp
        reduction[first : first + step] = np.exp(level)
        last = float(level[-1] - falling)
    reduction[reduction < 1e-6] = 0
    window = np.hanning(look + 2)[1:-1]
    smooth = oaconvolve(np.pad(reduction, look // 2, mode="edge"), window / window.sum(), "valid")[: len(mono)]
    return np.asarray(mono * gain * np.exp(-np.maximum(smooth, 0)), np.float32)


def master(mono: Mono, sample_rate: int, *, target: float = TARGET_LUFS) -> Mono:
    """``mono`` at ``target`` LUFS (within .1) with its true peak below -1 dBTP.

    Silence, and sounds too short to have a loudness, come back unchanged but for the ceiling.
    """
    if not len(mono):
        return mono
    peaks = _peaks(mono)
    loudness = measure_loudness(mono, sample_rate)
    if not np.isfinite(loudness):
        return _limited(mono, peaks, 1.0, sample_rate)
    gain_db = target - loudness
    result = mono
    before: tuple[float, float] | None = None
    for _ in range(8):
        result = _limited(mono, peaks, 10 ** (gain_db / 20), sample_rate)
        error = target - measure_loudness(result, sample_rate)
        if abs(error) < 0.05:
            break
        slope = 1.0
        if before and abs(gain_db - before[0]) > 1e-6:
            slope = float(np.clip((before[1] - error) / (gain_db - before[0]), 0.3, 1.0))
        before = (gain_db, error)
        gain_db += error / slope
    return result
