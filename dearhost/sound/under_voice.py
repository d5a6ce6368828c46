"""Music under a voice: lowered ahead of words and let up in pauses, with room made where words are made out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.sound.placing import Curve, Two

signal = LazyModule("scipy.signal")

_ATTACK, _AHEAD, _HOLD, _RELEASE = 0.35, 0.05, 0.35, 0.9
"""Seconds: how long it takes to go down, how long before a word it is down, how long after it stays, and comes up."""
_PAUSE = 1.6
"""Seconds of silence in which it comes up at all."""
_SILENT = -60.0
_DIPS = ((1500.0, -4.2, 0.9), (3000.0, -4.2, 0.9))
"""Hertz, dB and quality of the room that is made for consonants while somebody speaks."""
_STEP = 0.02
_BLOCK = 480_000
BLURS = 15.0
"""LU under the voice above which words begin to be hard to make out (5 % more are misheard in our own trial)."""


@dataclass(frozen=True, slots=True)
class Mark:
    """Between two seconds the music is ``level``: "silent", or "swells" as in a pause."""

    start: float
    end: float
    level: str


@dataclass(frozen=True, slots=True)
class Levels:
    """LU below the voice: ``under`` words and in a ``pause``."""

    under: float = 20.0
    pause: float = 10.0


LevelsFrom = Sequence[tuple[float, Levels]]
"""Levels, each from a second on; the first holds before it too."""


def gain_curve(words: Sequence[tuple[float, float]], marks: Sequence[Mark], levels: LevelsFrom, start: float,
               end: float) -> Curve:  # fmt: skip
    """The level of music between two seconds, in dB about the voice's: (seconds, dB). ``words``: when each is heard."""
    times = np.arange(start, end + _STEP, _STEP)
    down = speaking(words, times)
    under, pause = (_stepped(times, [(at, getattr(one, name)) for at, one in levels]) for name in ("under", "pause"))
    level = -(pause + (under - pause) * down)
    for mark in marks:
        inside = _within(times, mark.start, mark.end)
        wanted = _SILENT if mark.level == "silent" else -np.minimum(pause, under)
        level = level + (wanted - level) * inside
    return tuple(zip(times.tolist(), level.tolist(), strict=True))


def _stepped(times: NDArray[np.float64], values: Sequence[tuple[float, float]]) -> NDArray[np.float64]:
    """At each of ``times`` the value that holds from then on, which is reached softly just as it begins to."""
    held = np.full(len(times), values[0][1])
    for (_, before), (at, value) in pairwise(values):
        going = np.clip((times - (at - _ATTACK)) / _ATTACK, 0, 1)
        held += (value - before) * (0.5 - 0.5 * np.cos(np.pi * going))
    return held


def speaking(words: Sequence[tuple[float, float]], times: NDArray[np.float64]) -> NDArray[np.float64]:
    """How far the music is down at each of ``times``, 0 to 1: whole before each word begins."""
    down = np.zeros(len(times))
    for begin, end in _spans(words):
        going = np.clip((times - (begin - _AHEAD - _ATTACK)) / _ATTACK, 0, 1)
        coming = np.clip((times - (end + _HOLD)) / _RELEASE, 0, 1)
        down = np.maximum(down, (0.5 - 0.5 * np.cos(np.pi * going)) * (0.5 + 0.5 * np.cos(np.pi * coming)))
    return down


def _spans(words: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Words with only short pauses between them, as one."""
    joined: list[tuple[float, float]] = []
    for begin, end in sorted(words):
        if joined and begin - joined[-1][1] < _PAUSE:
            joined[-1] = joined[-1][0], max(end, joined[-1][1])
        else:
            joined.append((begin, end))
    return joined


def _within(times: NDArray[np.float64], start: float, end: float) -> NDArray[np.float64]:
    """1 between two seconds, with soft edges outside them."""
    rising = np.clip((times - (start - _ATTACK)) / _ATTACK, 0, 1)
    falling = np.clip((end + _ATTACK - times) / _ATTACK, 0, 1)
    inside: NDArray[np.float64] = 0.25 * (1 - np.cos(np.pi * rising)) * (1 - np.cos(np.pi * falling))
    return inside


def with_room(music: Two, down: NDArray[np.float64], rate: int) -> Two:
    """The music with dips where consonants are, as far as it is ``down`` (0 to 1, spread over its length)."""
    made = np.empty_like(music)
    filters = [_peaking(hertz, decibel, quality, rate) for hertz, decibel, quality in _DIPS]
    states = [[np.zeros(2) for _ in filters] for _ in range(2)]
    places = np.linspace(0, max(1, len(music) - 1), len(down))
    for first in range(0, len(music), _BLOCK):
        part = music[first : first + _BLOCK]
        share = np.interp(first + np.arange(len(part)), places, down).astype(np.float32)
        for side in range(2):
            dipped = part[:, side].astype(np.float64)
            for index, (ahead, back) in enumerate(filters):
                dipped, states[side][index] = signal.lfilter(ahead, back, dipped, zi=states[side][index])
            made[first : first + len(part), side] = part[:, side] * (1 - share) + dipped.astype(np.float32) * share
    return made


def _peaking(
    hertz: float, decibel: float, quality: float, rate: int
) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """A bell (Bristow-Johnson, Cookbook formulae for audio equalizer biquads)."""
    gain, angle = 10 ** (decibel / 40), 2 * np.pi * hertz / rate
    alpha = np.sin(angle) / (2 * quality)
    ahead = np.array([1 + alpha * gain, -2 * np.cos(angle), 1 - alpha * gain])
    back = np.array([1 + alpha / gain, -2 * np.cos(angle), 1 - alpha / gain])
    return ahead / back[0], back / back[0]


def faded(music: Two, rate: int, coming: float, going: float) -> None:
    """Fade the beginning in and the end out, in place, over these seconds."""
    up, down = min(len(music), round(coming * rate)), min(len(music), round(going * rate))
    if up:
        music[:up] *= (np.sin(np.linspace(0, np.pi / 2, up)) ** 2).astype(np.float32)[:, None]
    if down:
        music[-down:] *= (np.cos(np.linspace(0, np.pi / 2, down)) ** 2).astype(np.float32)[:, None]
