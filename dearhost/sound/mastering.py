"""Loudness by ITU-R BS.1770-4 and a true-peak limiter.

Delivered at -16 LUFS integrated, true peak at most -1 dBTP. Loudness is measured on both
channels, as it is delivered: a measure of one alone would be 3 LU too low.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray
from pyloudnorm.iirfilter import IIRfilter
from scipy.ndimage import maximum_filter1d
from scipy.signal import firwin, oaconvolve, resample_poly, sosfilt

from dearhost.sound.mix import Stereo

Mono = NDArray[np.float32]
Peaks = NDArray[np.float16]

TARGET_LUFS = -16.0
CEILING_DBTP = -1.0
_LIMIT_DB = -1.3
"""The limiter's own ceiling: room for what an AAC encoder adds."""
_OVERSAMPLING = 4
_LOOK_AHEAD = 0.003
_RELEASE = 0.120
_BLOCK_SECONDS = 5
_BLOCK = 256
"""Samples that are looked at together."""
_MOST_BLOCKS = 1_000
"""Blocks that are oversampled at once: five seconds, 25 MB."""
_FILTER_REACH = 10
"""Samples on either side that the filter of oversampling reaches over."""


def _oversampling_taps() -> NDArray[np.float32]:
    """(21, 4): from a sample and its neighbours to itself and what lies between it and the next, as ``resample_poly``
    of SciPy has it: a sinc in a Kaiser window of 5."""
    taps = firwin(2 * _FILTER_REACH * _OVERSAMPLING + 1, 1 / _OVERSAMPLING, window=("kaiser", 5.0)) * _OVERSAMPLING
    return np.pad(taps, (0, _OVERSAMPLING - 1)).reshape(-1, _OVERSAMPLING)[::-1].astype(np.float32)


_TAPS = _oversampling_taps()
_MOST_BETWEEN = float(np.abs(_TAPS).sum(axis=0).max())
"""The most by which what lies between samples can exceed the largest of them."""
_MARGIN_DB = 1.5
"""How much more than loudness alone asks for the limiter's gain may become before peaks are looked at again."""
_GATED = 0.4
"""BS.1770 gates in blocks of 400 ms: shorter sounds have no loudness."""


def measure_loudness(sound: Stereo, sample_rate: int) -> float:
    """Integrated loudness in LUFS of both channels; -inf for silence or under 0.4 s.

    ITU-R BS.1770-4 with the K-weighting of pyloudnorm, in blocks, so that an hour needs little memory.
    """
    if len(sound) < _GATED * sample_rate:
        return -np.inf
    step = sample_rate * _BLOCK_SECONDS
    return _loudness((sound.part(first, first + step) for first in range(0, len(sound), step)), sample_rate)


def _k_weighting(sample_rate: int) -> NDArray[np.float64]:
    """The two filters of BS.1770-4, annex 1, as second-order sections: a shelf for the head, and a high pass."""
    stages = [
        IIRfilter(4.0, 1 / np.sqrt(2), 1500.0, sample_rate, "high_shelf"),
        IIRfilter(0.0, 0.5, 38.0, sample_rate, "high_pass"),
    ]
    return np.array([[*(np.asarray(f.b) * f.passband_gain), *f.a] for f in stages], np.float64)


class _Energy:
    """Mean squares of one channel, K-weighted, a tenth of a second each."""

    def __init__(self, sample_rate: int) -> None:
        self._sections = _k_weighting(sample_rate)
        self._state = np.zeros((len(self._sections), 2))
        self._tenth = sample_rate // 10

    def of(self, block: Mono) -> NDArray[np.float64]:
        """Of the next block."""
        weighted, self._state = sosfilt(self._sections, block.astype(np.float64), zi=self._state)
        whole = len(weighted) // self._tenth
        rows = weighted[: whole * self._tenth].reshape(whole, self._tenth)
        energy: NDArray[np.float64] = np.einsum("ij,ij->i", rows, rows) / self._tenth
        return energy


def _loudness(blocks: Iterable[Stereo], sample_rate: int) -> float:
    """The loudness of a sound that comes in blocks, each but the last whole tenths of a second long."""
    meters = (_Energy(sample_rate), _Energy(sample_rate))
    energies = []
    for block in blocks:
        each = [meter.of(channel) for meter, channel in zip(meters, block.channels, strict=False)]
        energies.append(each[0] + each[-1])
    tenths = np.concatenate(energies)
    gated = np.convolve(tenths, np.full(4, 0.25), "valid")  # 400 ms, 75 % overlap
    with np.errstate(divide="ignore"):
        levels = -0.691 + 10 * np.log10(gated)
        loud = gated[levels > -70.0]
        if not len(loud):
            return -np.inf
        threshold = -0.691 + 10 * np.log10(loud.mean()) - 10.0
    kept = gated[(levels > -70.0) & (levels > threshold)]
    return float(-0.691 + 10 * np.log10(kept.mean())) if len(kept) else -np.inf


def true_peak(samples: NDArray[np.floating], *, oversampling: int = 8) -> float:
    """The true peak in dBTP of mono samples in -1..1, by oversampling (BS.1770-4, annex 2)."""
    peak = 0.0
    block = 480_000
    for first in range(0, len(samples), block):
        part = samples[max(0, first - 256) : first + block + 256]
        peak = max(peak, float(np.abs(resample_poly(part, oversampling, 1)).max()))
    return float(20 * np.log10(max(peak, 1e-9)))


def _peaks(sound: Stereo, heeded: float = 0.0) -> Peaks:
    """The oversampled peak of both channels round each sample, in half precision: 0.004 dB, rounded up.

    Where none can exceed ``heeded`` it is not looked for, and is 0: oversampling is most of the work of mastering.
    """
    peaks = np.zeros(len(sound) + 1, np.float16)
    for channel in sound.channels:
        loud = _loud_blocks(channel, heeded / _MOST_BETWEEN)
        # many blocks at once: in small steps a thread would wait for others at each
        for first in range(0, len(loud), _MOST_BLOCKS):
            at = loud[first : first + _MOST_BLOCKS] * _BLOCK
            near = sliding_window_view(_around(channel, at), 2 * _FILTER_REACH + 1, axis=1)
            each = np.abs(near.reshape(-1, near.shape[2]) @ _TAPS).max(axis=1).reshape(len(at), _BLOCK)
            found = (each * 1.0005 + 1e-7).astype(np.float16)
            if at[-1] + _BLOCK > len(sound):  # the last block is a part of one
                rest = len(sound) - at[-1]
                peaks[at[-1] : -1] = np.maximum(peaks[at[-1] : -1], found[-1, :rest])
                at, found = at[:-1], found[:-1]
            if len(at):
                rows = sliding_window_view(peaks, _BLOCK, writeable=True)
                rows[at] = np.maximum(rows[at], found)
    return np.maximum(peaks[:-1], peaks[1:])


def _around(channel: Mono, at: NDArray[np.int64]) -> NDArray[np.float32]:
    """The blocks that begin at some samples, a row each, with what a filter needs on either side; 0 past the ends."""
    width = _BLOCK + 2 * _FILTER_REACH
    rows = np.zeros((len(at), width), np.float32)
    whole = (at >= _FILTER_REACH) & (at + _BLOCK + _FILTER_REACH <= len(channel))
    if whole.any():
        rows[whole] = sliding_window_view(channel, width)[at[whole] - _FILTER_REACH]
    for row in np.flatnonzero(~whole):
        first = int(at[row]) - _FILTER_REACH
        part = channel[max(0, first) : first + width]
        rows[row, max(0, -first) : max(0, -first) + len(part)] = part
    return rows


def _loud_blocks(channel: Mono, quiet: float) -> NDArray[np.int64]:
    """The numbers of the blocks in or next to which a sample exceeds ``quiet``."""
    firsts = np.arange(0, len(channel), _BLOCK)
    tops, bottoms = np.maximum.reduceat(channel, firsts), np.minimum.reduceat(channel, firsts)
    loud = np.pad(np.maximum(tops, -bottoms) > quiet, 1)
    return np.flatnonzero(loud[:-2] | loud[1:-1] | loud[2:])


def _limited(sound: Stereo, peaks: Peaks, gain: float, sample_rate: int) -> Iterator[Stereo]:
    """``sound`` times ``gain``, both channels held below the ceiling by one smooth gain; block by block."""
    look = int(_LOOK_AHEAD * sample_rate) | 1
    half = look // 2
    window = np.hanning(look + 2)[1:-1]
    window /= window.sum()
    release = _Release(peaks, gain, look, sample_rate)
    lead = np.repeat(release.first, half)
    step = sample_rate * _BLOCK_SECONDS
    for first in range(0, len(sound), step):
        part = sound.part(first, first + step)
        reduction = np.concatenate([lead, release.block(first, len(part) + half)])
        reduction = np.pad(reduction, (0, len(part) + 2 * half - len(reduction)), mode="edge")
        smooth = oaconvolve(reduction, window, "valid")
        lowered = np.exp(-np.maximum(smooth, 0))
        yield Stereo.of([(channel * gain * lowered).astype(np.float32) for channel in part.channels])
        lead = reduction[len(part) : len(part) + half]


class _Release:
    """By which natural logarithm each sample must be lowered: held for the look-ahead, then released."""

    def __init__(self, peaks: Peaks, gain: float, look: int, sample_rate: int) -> None:
        self._peaks, self._look = peaks, look
        self._factor = gain / 10 ** (_LIMIT_DB / 20)
        self._falling = 1 / (_RELEASE * sample_rate)
        self._step = sample_rate * _BLOCK_SECONDS
        self._last = -np.inf
        self.first = float(self._needed(0, 1)[0])

    def _needed(self, first: int, count: int) -> NDArray[np.float64]:
        lead = min(first, self._look)
        around = self._peaks[first - lead : first + count + self._look].astype(np.float64)
        needed = np.log(np.maximum(around * self._factor, 1))
        held: NDArray[np.float64] = maximum_filter1d(needed, 2 * self._look + 1)[lead : lead + count]
        return held

    def block(self, first: int, count: int) -> NDArray[np.float64]:
        """Of the samples from ``first`` on; blocks must come in order, and may reach into the next."""
        needed = self._needed(first, count)
        ramp = np.arange(len(needed)) * self._falling
        level = np.maximum(np.maximum.accumulate(np.log(np.maximum(needed, 1e-9)) + ramp), self._last) - ramp
        if len(level) > self._step:
            self._last = float(level[self._step - 1] - self._falling)
        reduction: NDArray[np.float64] = np.exp(level)
        reduction[reduction < 1e-6] = 0
        return reduction


def master(sound: Stereo, sample_rate: int, *, target: float = TARGET_LUFS) -> Stereo:
    """``sound`` at ``target`` LUFS (within .1) with its true peak below -1 dBTP; its samples are overwritten.

    Silence, and sounds too short to have a loudness, come back unchanged but for the ceiling.
    """
    if not len(sound):
        return sound
    loudness = measure_loudness(sound, sample_rate)
    if not np.isfinite(loudness):
        return limited(sound, sample_rate)
    gain_db = target - loudness
    peaks, heeded_up_to = _peaks_at(sound, gain_db), gain_db + _MARGIN_DB
    before: tuple[float, float] | None = None
    for _ in range(8):
        error = target - _loudness(_limited(sound, peaks, _factor(gain_db), sample_rate), sample_rate)
        if abs(error) < 0.05:
            break
        slope = 1.0
        if before and abs(gain_db - before[0]) > 1e-6:
            slope = float(np.clip((before[1] - error) / (gain_db - before[0]), 0.3, 1.0))
        before = (gain_db, error)
        gain_db += error / slope
        if gain_db > heeded_up_to:
            peaks, heeded_up_to = _peaks_at(sound, gain_db), gain_db + _MARGIN_DB
    return _under_ceiling(sound, peaks, _factor(gain_db), sample_rate)


def _factor(decibels: float) -> float:
    return float(10 ** (decibels / 20))


def _peaks_at(sound: Stereo, gain_db: float) -> Peaks:
    """The peaks that matter up to a little more than ``gain_db``."""
    return _peaks(sound, _factor(_LIMIT_DB - gain_db - _MARGIN_DB))


def limited(sound: Stereo, sample_rate: int) -> Stereo:
    """``sound`` as loud as it is, with its true peak below -1 dBTP; its samples are overwritten."""
    return _under_ceiling(sound, _peaks(sound), 1.0, sample_rate) if len(sound) else sound


def _under_ceiling(sound: Stereo, peaks: Peaks, gain: float, sample_rate: int) -> Stereo:
    at = 0
    for block in _limited(sound, peaks, gain, sample_rate):
        for channel, made in zip(sound.channels, block.channels, strict=True):
            channel[at : at + len(made)] = made
        at += len(block)
    return sound
