"""A sound brought to its loudness (ITU-R BS.1770-4), with a true-peak limiter.

Delivered at -16 LUFS integrated, true peak at most -1 dBTP.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray
from scipy.ndimage import maximum_filter1d
from scipy.signal import firwin, oaconvolve

from dearhost.sound.loudness import BLOCK_SECONDS, Energies, blocks_of, energies, loudness_of
from dearhost.sound.mix import Stereo
from dearhost.sound.placing import Mono

Peaks = NDArray[np.float16]

TARGET_LUFS = -16.0
CEILING_DBTP = -1.0
_LIMIT_DB = -1.3
"""The limiter's own ceiling: room for what an AAC encoder adds."""
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
_MARGIN_DB = 1.5
"""How much more than loudness alone asks for the limiter's gain may become before peaks are looked at again."""
_WITHIN, _FORESEEN_WITHIN = 0.05, 0.005
"""LU by which the loudness may miss, measured and foreseen."""
_FINE = 10
"""Steps a tenth of a second in which the limiter's work is foreseen."""
_COARSE = 4
"""Parts of such a step by which peaks are told apart."""
_LET_GO = 2.0
"""Seconds after which nothing is left of what the limiter did."""
_IN_MEMORY = 120
"""Seconds up to which what was measured is kept, rather than made again."""


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


def _limited(sound: Stereo, peaks: Peaks, gain: float, sample_rate: int) -> Iterator[Stereo]:
    """``sound`` times ``gain``, both channels held below the ceiling by one smooth gain; block by block."""
    look = int(_LOOK_AHEAD * sample_rate) | 1
    half = look // 2
    window = np.hanning(look + 2)[1:-1]
    window /= window.sum()
    release = _Release(peaks, gain, look, sample_rate)
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


class _Release:
    """By which natural logarithm each sample must be lowered: held for the look-ahead, then released."""

    def __init__(self, peaks: Peaks, gain: float, look: int, sample_rate: int) -> None:
        self._peaks, self._look = peaks, look
        self._factor = gain / 10 ** (_LIMIT_DB / 20)
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


class _Heeded:
    """The peaks of a sound that matter up to some gain."""

    def __init__(self, sound: Stereo) -> None:
        self._sound, self._up_to = sound, -np.inf
        self._peaks: Peaks = np.zeros(0, np.float16)

    def up_to(self, gain_db: float) -> Peaks:
        """Those that matter at a gain; looked for once for all up to a little more."""
        if gain_db > self._up_to:
            self._up_to = gain_db + _MARGIN_DB
            self._peaks = _peaks(self._sound, _factor(_LIMIT_DB - self._up_to))
        return self._peaks


class _Passes:
    """The limiter over all of a sound, measured; what came of it last is kept where that is short."""

    def __init__(self, sound: Stereo, peaks: _Heeded, sample_rate: int) -> None:
        self._sound, self._peaks, self._sample_rate = sound, peaks, sample_rate
        self._last: tuple[float, list[Stereo]] | None = None

    def loudness(self, gain_db: float) -> float:
        """How loud it is with a gain."""
        made: Iterable[Stereo] = self._limited(gain_db)
        if len(self._sound) <= _IN_MEMORY * self._sample_rate:
            made = list(made)
            self._last = gain_db, made
        return loudness_of(energies(made, self._sample_rate))

    def write(self, gain_db: float) -> Stereo:
        """The sound with that gain, its samples overwritten."""
        if self._last and self._last[0] == gain_db:
            return _overwritten(self._sound, self._last[1])
        return _overwritten(self._sound, self._limited(gain_db))

    def part(self, gain_db: float, window: range) -> Stereo:
        """A part of the sound with a gain, as it is within the whole."""
        first = max(0, window.start - round(_LET_GO * self._sample_rate))
        around = range(first, min(len(self._sound), window.stop + self._sample_rate // 10))
        peaks = self._peaks.up_to(gain_db)[around.start : around.stop]
        sound = self._sound.part(around.start, around.stop)
        made = list(_limited(sound, peaks, _factor(gain_db), self._sample_rate))
        channels = [np.concatenate(each) for each in zip(*(block.channels for block in made), strict=True)]
        return Stereo.of(channels).part(window.start - first, window.stop - first)

    def _limited(self, gain_db: float) -> Iterator[Stereo]:
        return _limited(self._sound, self._peaks.up_to(gain_db), _factor(gain_db), self._sample_rate)


def master(sound: Stereo, sample_rate: int, *, target: float = TARGET_LUFS) -> Stereo:
    """``sound`` at ``target`` LUFS (within .1) with its true peak below -1 dBTP; its samples are overwritten.

    Silence, and sounds too short to have a loudness, come back unchanged but for the ceiling.
    """
    for _ in _mastered(sound, sample_rate, target, range(0)):
        pass
    return sound


def mastered_from(sound: Stereo, sample_rate: int, first: int, count: int, target: float) -> Iterator[Stereo]:
    """``sound`` as ``master`` makes it from a sample on; ``count`` samples at once, the rest when all is measured."""
    window = range(first, min(first + count, len(sound)))
    yield from _mastered(sound, sample_rate, target, window)
    yield sound.part(window.stop, len(sound))


def _mastered(sound: Stereo, sample_rate: int, target: float, window: range) -> Iterator[Stereo]:
    """Yields what ``master`` makes of a window, if there is one, before the rest is overwritten."""
    fine = energies(blocks_of(sound, sample_rate), sample_rate, _FINE)
    loudness = loudness_of(_tenths(fine))
    if not np.isfinite(loudness):
        made = limited(sound, sample_rate)
        if window:
            yield made.part(window.start, window.stop)
        return
    peaks = _Heeded(sound)

    def foreseen(gain_db: float) -> float:
        return _foreseen_loudness(fine, peaks.up_to(gain_db), _factor(gain_db), sample_rate)

    passes = _Passes(sound, peaks, sample_rate)
    guessed = _gain_for(target, foreseen, target - loudness, _FORESEEN_WITHIN)
    if window:
        yield passes.part(guessed, window)
    passes.write(_gain_for(target, passes.loudness, guessed, _WITHIN))


def _gain_for(target: float, loudness: Callable[[float], float], gain_db: float, within: float) -> float:
    """The gain in dB at which a sound is as loud as it shall be; by secants, from a guess."""
    before: tuple[float, float] | None = None
    for _ in range(8):
        error = target - loudness(gain_db)
        if abs(error) < within:
            break
        slope = 1.0
        if before and abs(gain_db - before[0]) > 1e-6:
            slope = float(np.clip((before[1] - error) / (gain_db - before[0]), 0.3, 1.0))
        before = (gain_db, error)
        gain_db += error / slope
    return gain_db


def _foreseen_loudness(fine: Energies, peaks: Peaks, gain: float, sample_rate: int) -> float:
    """How loud a sound will be with a gain, told by how much the limiter lowers each hundredth of a second."""
    step = sample_rate // 10 // _FINE // _COARSE
    parts = peaks[: len(fine) * step * _COARSE].reshape(-1, step)
    rows = parts.view(np.uint16).max(axis=1).view(np.float16)  # in the same order, and ten times as fast
    reduction = _Release(rows, gain, 1, sample_rate // step).block(0, len(rows))
    # where it is lowered most a step is loudest
    lowered = np.exp(-2 * reduction.reshape(-1, _COARSE).max(axis=1))
    return loudness_of(_tenths(fine * lowered) * gain**2)


def _tenths(fine: Energies) -> Energies:
    whole = len(fine) // _FINE
    tenths: Energies = fine[: whole * _FINE].reshape(whole, _FINE).mean(axis=1)
    return tenths


def _factor(decibels: float) -> float:
    return float(10 ** (decibels / 20))


def limited(sound: Stereo, sample_rate: int) -> Stereo:
    """``sound`` as loud as it is, with its true peak below -1 dBTP; its samples are overwritten."""
    return _overwritten(sound, _limited(sound, _peaks(sound), 1.0, sample_rate)) if len(sound) else sound


def _overwritten(sound: Stereo, blocks: Iterable[Stereo]) -> Stereo:
    at = 0
    for block in blocks:
        for channel, made in zip(sound.channels, block.channels, strict=True):
            channel[at : at + len(made)] = made
        at += len(block)
    return sound
