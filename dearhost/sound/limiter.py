"""A true-peak limiter (ITU-R BS.1770-4, annex 2): both channels are held below a ceiling by one smooth gain."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray
from scipy.ndimage import maximum_filter1d
from scipy.signal import firwin, oaconvolve

from dearhost.sound.loudness import BLOCK_SECONDS
from dearhost.sound.mix import Stereo
from dearhost.sound.placing import Mono

Peaks = NDArray[np.floating]

LIMIT_DB = -1.3
"""Below the ceiling that is promised: room for what an AAC encoder adds."""
LET_GO = 2.0
"""Seconds after which nothing is left of what it did."""
_OVERSAMPLING = 4
_LOOK_AHEAD = 0.003
_RELEASE = 0.120
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


def factor_of(decibels: float) -> float:
    """The amplitude that so many dB are."""
    return float(10 ** (decibels / 20))


def peaks_of(sound: Stereo, heeded: float = 0.0) -> Peaks:
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
            each = np.abs(_TAPS.T @ near.reshape(-1, near.shape[2]).T).max(axis=0).reshape(len(at), _BLOCK)
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


def limited_blocks(sound: Stereo, peaks: Peaks, gain: float, sample_rate: int) -> Iterator[Stereo]:
    """``sound`` times ``gain``, both channels held below the ceiling by one smooth gain; block by block."""
    look = int(_LOOK_AHEAD * sample_rate) | 1
    half = look // 2
    window = np.hanning(look + 2)[1:-1]
    window /= window.sum()
    release = Release(peaks, gain, look, sample_rate)
    lead = np.repeat(release.first, half)
    step = sample_rate * BLOCK_SECONDS
    for first in range(0, len(sound), step):
        part = sound.part(first, first + step)
        reduction = np.concatenate([lead, release.block(first, len(part) + half)])
        reduction = np.pad(reduction, (0, len(part) + 2 * half - len(reduction)), mode="edge")
        smooth = oaconvolve(reduction, window, "valid")
        lowered = np.exp(-np.maximum(smooth, 0))
        yield Stereo.of([(channel * gain * lowered).astype(np.float32) for channel in part.channels])
        lead = reduction[len(part) : len(part) + half]


class Release:
    """By which natural logarithm each sample must be lowered: held for the look-ahead, then released."""

    def __init__(self, peaks: Peaks, gain: float, look: int, sample_rate: int) -> None:
        self._peaks, self._look = peaks, look
        self._factor = gain / factor_of(LIMIT_DB)
        self._falling = 1 / (_RELEASE * sample_rate)
        self._step = sample_rate * BLOCK_SECONDS
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
