"""With which gain a mix is mastered, foreseen from outlines: of the whole, or of its sounds one by one, before they are
mixed. What is heard again and again while levels are tried is outlined once.
"""

from __future__ import annotations

import threading
import weakref
from collections import OrderedDict
from collections.abc import Callable, Iterable
from typing import NamedTuple

import numpy as np

from dearhost.sound.limiter import Release, factor_of
from dearhost.sound.loudness import Energies, blocks_of, energies, loudness_of
from dearhost.sound.mix import Stereo, Track
from dearhost.sound.placing import Mono, Placement, amplitudes, resampled

STEPS = 100
"""A second: what an outline tells apart."""
_FINE = STEPS // 10
_FINER = 4
"""Parts of a step by which peaks are told apart; what lies between samples hardly matters there."""
_WITHIN = 0.005
"""LU by which a foreseen loudness may miss."""
_MOST_KEPT = 64
"""Outlines: 10 KB for each second."""


class Outline(NamedTuple):
    """A sound by hundredths of a second: its K-weighted ``energies``, both channels added, (n,), and the largest
    samples of either channel in each quarter of those, ``tops``, (n, 4)."""

    energies: Energies
    tops: Mono

    def loudness(self, gain_db: float | None = None) -> float:
        """In LUFS: as it is, or as the limiter leaves it with a gain. -inf for silence or under 0.4 s."""
        if gain_db is None:
            return loudness_of(_tenths(self.energies))
        factor = factor_of(gain_db)
        reduction = Release(self.tops.ravel(), factor, 1, STEPS * _FINER).block(0, self.tops.size)
        # where it is lowered most a step is loudest
        lowered = np.exp(-2 * reduction.reshape(-1, _FINER).max(axis=1))
        return loudness_of(_tenths(self.energies * lowered) * factor**2)


def _tenths(fine: Energies) -> Energies:
    whole = len(fine) // _FINE
    tenths: Energies = fine[: whole * _FINE].reshape(whole, _FINE).mean(axis=1)
    return tenths


def outline_of(sound: Stereo, sample_rate: int) -> Outline:
    """Of a sound of any length; what is over after its last whole hundredth is left out."""
    step = sample_rate // 10 // _FINE
    count = len(sound) // step
    fine = energies(blocks_of(sound, sample_rate), sample_rate, _FINE)[:count]
    quarters = [step * quarter // _FINER for quarter in range(_FINER)]
    tops = np.zeros((count, _FINER), np.float32)
    for channel in sound.channels:
        rows = channel[: count * step].reshape(count, step)
        for reach in (np.maximum.reduceat(rows, quarters, axis=1), -np.minimum.reduceat(rows, quarters, axis=1)):
            np.maximum(tops, reach, out=tops)
    return Outline(fine, tops)


def outline_of_mix(tracks: Iterable[Track], duration: float, sample_rate: int) -> Outline:
    """Of what tracks come to, told from their sounds one by one, as if they had nothing to do with each other."""
    count = int(duration * STEPS)
    fine, tops = np.zeros(count), np.zeros((count, _FINER), np.float32)
    for placed in (placed for track in tracks for placed in track.placements):
        outline, first = _outlines.of(placed, sample_rate), round(placed.start * STEPS)
        begin, end = max(0, -first), min(len(outline.energies), count - first)
        if end <= begin:
            continue
        factors = np.interp((first + np.arange(begin, end) + 0.5) / STEPS, *amplitudes(placed.gain))
        part = slice(first + begin, first + end)
        fine[part] += outline.energies[begin:end] * factors**2
        tops[part] = np.hypot(tops[part], outline.tops[begin:end] * factors[:, None])
    return Outline(fine, tops)


def foreseen_gain(outline: Outline, target: float) -> float:
    """The gain in dB with which a sound is limited to be ``target`` LUFS; 0 for what has no loudness."""
    loudness = outline.loudness()
    return gain_for(target, outline.loudness, target - loudness, _WITHIN) if np.isfinite(loudness) else 0.0


def gain_for(target: float, loudness: Callable[[float], float], gain_db: float, within: float) -> float:
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


class _Outlines:
    """Those of sounds that were heard last, told apart by their samples: readings are read anew for each try."""

    def __init__(self) -> None:
        self._kept: OrderedDict[tuple[int, tuple[int, ...], int, int], Outline] = OrderedDict()
        self._lock = threading.Lock()
        self._digests: dict[int, tuple[weakref.ref[Mono], int]] = {}

    def of(self, placed: Placement, sample_rate: int) -> Outline:
        samples = np.ascontiguousarray(placed.samples)
        key = self._digest(placed.samples), samples.shape, placed.sample_rate, sample_rate
        with self._lock:
            if key in self._kept:
                self._kept.move_to_end(key)
                return self._kept[key]
        sound = resampled(samples, placed.sample_rate, sample_rate)
        outline = outline_of(Stereo.of([sound] if sound.ndim == 1 else list(sound.T)), sample_rate)
        with self._lock:
            self._kept[key] = outline
            while len(self._kept) > _MOST_KEPT:
                self._kept.popitem(last=False)
        return outline

    def _digest(self, samples: Mono) -> int:
        """What tells samples apart; of those that cannot change it is found once."""
        known = self._digests.get(id(samples))
        if known and known[0]() is samples:
            return known[1]
        # a cryptographic one would take longer than all the rest
        digest = hash(np.ascontiguousarray(samples).tobytes())
        if not samples.flags.writeable:
            place = id(samples)
            self._digests[place] = weakref.ref(samples, lambda _: self._digests.pop(place, None)), digest
        return digest


_outlines = _Outlines()
