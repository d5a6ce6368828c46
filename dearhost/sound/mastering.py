"""A sound brought to its loudness (ITU-R BS.1770-4), with a true-peak limiter.

Delivered at -16 LUFS integrated, true peak at most -1 dBTP.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator

import numpy as np

from dearhost.sound.foreseeing import foreseen_gain, gain_for, outline_of
from dearhost.sound.limiter import LET_GO, LIMIT_DB, Peaks, factor_of, limited_blocks, peaks_of
from dearhost.sound.loudness import energies, loudness_of
from dearhost.sound.mix import Stereo

TARGET_LUFS = -16.0
CEILING_DBTP = -1.0
_MARGIN_DB = 1.5
"""How much more than loudness alone asks for the limiter's gain may become before peaks are looked at again."""
_WITHIN = 0.05
"""LU by which the loudness may miss."""
_IN_MEMORY = 120
"""Seconds up to which what was measured is kept, rather than made again."""


class _Heeded:
    """The peaks of a sound that matter up to some gain."""

    def __init__(self, sound: Stereo) -> None:
        self._sound, self._up_to = sound, -np.inf
        self._peaks: Peaks = np.zeros(0, np.float16)

    def up_to(self, gain_db: float) -> Peaks:
        """Those that matter at a gain; looked for once for all up to a little more."""
        if gain_db > self._up_to:
            self._up_to = gain_db + _MARGIN_DB
            self._peaks = peaks_of(self._sound, factor_of(LIMIT_DB - self._up_to))
        return self._peaks


class _Passes:
    """The limiter over all of a sound, measured; what came of it last is kept where that is short."""

    def __init__(self, sound: Stereo, sample_rate: int) -> None:
        self._sound, self._peaks, self._sample_rate = sound, _Heeded(sound), sample_rate
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

    def _limited(self, gain_db: float) -> Iterator[Stereo]:
        return limited_blocks(self._sound, self._peaks.up_to(gain_db), factor_of(gain_db), self._sample_rate)


def master(sound: Stereo, sample_rate: int, *, target: float = TARGET_LUFS) -> Stereo:
    """``sound`` at ``target`` LUFS (within .1) with its true peak below -1 dBTP; its samples are overwritten.

    Silence, and sounds too short to have a loudness, come back unchanged but for the ceiling.
    """
    outline = outline_of(sound, sample_rate)
    if not np.isfinite(outline.loudness()):
        return limited(sound, sample_rate)
    passes = _Passes(sound, sample_rate)
    return passes.write(gain_for(target, passes.loudness, foreseen_gain(outline, target), _WITHIN))


def reach_of(part: range, total: int, sample_rate: int) -> range:
    """Which of a sound's samples the limiter's work on a part depends on."""
    before, after = round(LET_GO * sample_rate), sample_rate // 10
    return range(max(0, part.start - before), min(part.stop + after, total))


def limited_part(reach: Stereo, part: range, gain_db: float, sample_rate: int) -> Stereo:
    """A part of a sound with a gain, held below the ceiling as it is within the whole. ``reach``: the samples of
    ``reach_of``; ``part``: which of them."""
    blocks = limited_blocks(reach, peaks_of(reach, factor_of(LIMIT_DB - gain_db)), factor_of(gain_db), sample_rate)
    channels = zip(*(block.channels for block in blocks), strict=True)
    return Stereo.of([np.concatenate(channel) for channel in channels]).part(part.start, part.stop)


def limited(sound: Stereo, sample_rate: int) -> Stereo:
    """``sound`` as loud as it is, with its true peak below -1 dBTP; its samples are overwritten."""
    return _overwritten(sound, limited_blocks(sound, peaks_of(sound), 1.0, sample_rate)) if len(sound) else sound


def _overwritten(sound: Stereo, blocks: Iterable[Stereo]) -> Stereo:
    at = 0
    for block in blocks:
        for channel, made in zip(sound.channels, block.channels, strict=True):
            channel[at : at + len(made)] = made
        at += len(block)
    return sound
