"""Music of one's own fitted to a length: joined to itself at beats that sound alike, so that it is heard as one piece.

Beats are found by the autocorrelation of onsets and a shortest path (Ellis, "Beat tracking by dynamic programming",
2007); joins go where the chroma and the level of the beats around them agree best.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from dearhost.sound.files import read_stereo
from dearhost.sound.loudness import energies, loudness_of
from dearhost.sound.mix import Stereo
from dearhost.sound.parts import SoundParts
from dearhost.sound.placing import Two

RATE = 48_000
_HOP, _WINDOW, _SMALL_RATE = 512, 2048, 24_000
_TEMPO = (60.0, 180.0)
_USUAL_TEMPO = 115.0
_AROUND = 4
"""Beats on each side of a join that must agree."""
_CROSS, _ALIGN = 0.060, 0.020
"""Seconds of a join's cross-fade, and how far its sides are moved to lie in step."""
_END = 2.5
"""Seconds in which music that is cut off fades."""
_MOST_JOINS = 12
_MEASURED = 30
"""Seconds of a file that are measured at once."""
LONGEST = 960.0
"""Seconds of a file: a quarter of an hour takes 350 MB; a little more than is taken onto the shelf."""


@dataclass(frozen=True, slots=True)
class Join:
    """At ``at`` seconds of what is heard the music goes from its second ``leaves`` to ``enters``."""

    at: float
    leaves: float
    enters: float


@dataclass(frozen=True)
class Fitted:
    """Music of exactly the length that was asked for, how it is joined, and its beats a minute."""

    samples: Two
    joins: tuple[Join, ...]
    tempo: float


@lru_cache(maxsize=1)
def whole_file(path: Path) -> Two:
    """A file's samples, read once for several uses; not to be changed. Raises UnreadableSound."""
    return read_stereo(path, longest=LONGEST)


@lru_cache(maxsize=2)
def _fitted(path: Path, seconds: float) -> Fitted:
    return fit(whole_file(path), seconds)


def fitted_part(path: Path, seconds: float, first: int, last: int) -> Two:
    """Samples ``first`` to ``last`` of a file fitted to ``seconds``; a copy."""
    return _fitted(path, round(seconds, 3)).samples[first:last].copy()


@lru_cache(maxsize=16)
def loudness_of_file(path: Path) -> float:
    """LUFS of a whole file; -20 where it has none."""
    blocks = (Stereo(block[:, 0].copy(), block[:, 1].copy()) for block in SoundParts(path).blocks(_MEASURED * RATE))
    loudness = loudness_of(energies(blocks, RATE))
    return float(loudness) if np.isfinite(loudness) else -20.0


def fit(music: Two, seconds: float) -> Fitted:
    """The music at a length: its beginning and, where joins allow it, its own ending are kept."""
    count = round(seconds * RATE)
    beats, chroma, levels, tempo = _analysed(music)
    joins = _joins(beats, _costs(chroma, levels), len(music) / RATE, seconds)
    made, placed, now = [], [], 0
    length = 0
    cross = round(_CROSS * RATE)
    for leaving, entering in joins:
        out = min(len(music), round(beats[leaving] * RATE) + cross // 2)
        into = max(0, round(beats[entering] * RATE) - cross // 2)
        into = _in_step(music, out - cross, into)
        made.append(music[now:out])
        length += out - now - cross
        placed.append(
            Join(round((length + cross / 2) / RATE, 4), round(float(beats[leaving]), 4), round(into / RATE, 4))
        )
        now = into
    made.append(music[now:])
    whole = _crossed(made, cross)
    fitted = np.zeros((count, 2), np.float32)
    kept = min(count, len(whole))
    fitted[:kept] = whole[:kept]
    if len(whole) > count + RATE // 50:
        fade = min(count, round(_END * RATE))
        fitted[-fade:] *= (np.cos(np.linspace(0, np.pi / 2, fade)) ** 2).astype(np.float32)[:, None]
    return Fitted(fitted, tuple(placed), tempo)


def _crossed(parts: Sequence[Two], cross: int) -> Two:
    """Parts one after another, each cross-faded into the next with the power it has."""
    whole = parts[0]
    for part in parts[1:]:
        leaving, arriving = whole[-cross:], part[:cross]
        alike = float((leaving * arriving).sum() / np.sqrt((leaving**2).sum() * (arriving**2).sum() + 1e-12))
        going = np.cos(np.linspace(0, np.pi / 2, cross))[:, None]
        coming = np.sin(np.linspace(0, np.pi / 2, cross))[:, None]
        power = np.sqrt(going**2 + coming**2 + 2 * min(1.0, max(0.0, alike)) * going * coming)
        joined = ((leaving * going + arriving * coming) / power).astype(np.float32)
        whole = np.concatenate([whole[:-cross], joined, part[cross:]])
    return whole


def _in_step(music: Two, out: int, into: int) -> int:
    """Where to enter within 20 ms of ``into``, so that the waves of both sides lie on each other."""
    cross, reach = round(_CROSS * RATE), round(_ALIGN * RATE)
    first = max(0, into - reach)
    leaving = music[out : out + cross].mean(1)
    around = music[first : into + cross + reach].mean(1)
    if len(leaving) < cross or len(around) < cross + 1:
        return into
    spectrum = np.fft.rfft(around, len(around) + cross) * np.conj(np.fft.rfft(leaving, len(around) + cross))
    return first + int(np.argmax(np.fft.irfft(spectrum)[: len(around) - cross + 1]))


def _analysed(music: Two) -> tuple[NDArray[np.float64], NDArray[np.float64], NDArray[np.float64], float]:
    """The beats in seconds, and for each the chroma (12 values, of length 1) and level in dB of what follows it."""
    mono = music.mean(1)[:: RATE // _SMALL_RATE].astype(np.float64)
    frames = max(1, 1 + (len(mono) - _WINDOW) // _HOP)
    window = np.hanning(_WINDOW)
    spectra = np.empty((frames, _WINDOW // 2 + 1), np.float32)
    for index in range(frames):
        part = mono[index * _HOP : index * _HOP + _WINDOW]
        spectra[index] = np.abs(np.fft.rfft(np.pad(part, (0, _WINDOW - len(part))) * window))
    rate = _SMALL_RATE / _HOP
    onsets = np.maximum(0, np.diff(np.log1p(spectra * 20), axis=0, prepend=np.log1p(spectra[:1] * 20))).sum(1)
    tempo = _tempo(onsets, rate)
    beats = _beats(onsets, rate * 60 / tempo)
    hertz = np.fft.rfftfreq(_WINDOW, 1 / _SMALL_RATE)
    heard = (hertz > 60) & (hertz < 4000)
    pitch = np.rint(12 * np.log2(hertz[heard] / 440)).astype(int) % 12
    fold = np.zeros((heard.sum(), 12), np.float32)
    fold[np.arange(heard.sum()), pitch] = 1
    chroma = spectra[:, heard] @ fold
    power = (spectra**2).sum(1)
    edges = [*beats, frames]
    mean = np.array([chroma[a : max(a + 1, b)].mean(0) for a, b in pairwise(edges)])
    level = np.array([10 * np.log10(power[a : max(a + 1, b)].mean() + 1e-9) for a, b in pairwise(edges)])
    mean = mean / (np.linalg.norm(mean, axis=1, keepdims=True) + 1e-9)
    return np.array(beats) / rate, mean.astype(np.float64), level.astype(np.float64), tempo


def _tempo(onsets: NDArray[np.float64], rate: float) -> float:
    """Beats a minute: the strongest lag of the onsets' autocorrelation, those near the usual one weighed more."""
    centred = onsets - onsets.mean()
    size = 2 * len(centred)
    correlated = np.fft.irfft(np.abs(np.fft.rfft(centred, size)) ** 2)[: len(centred)]
    lags = np.arange(max(1, int(rate * 60 / _TEMPO[1])), min(len(correlated) - 1, int(rate * 60 / _TEMPO[0])) + 1)
    if not len(lags):
        return _USUAL_TEMPO
    weights = np.exp(-0.5 * (np.log2(lags / (rate * 60 / _USUAL_TEMPO)) / 0.9) ** 2)
    best = int(lags[np.argmax(correlated[lags] * weights)])
    around = correlated[best - 1 : best + 2]
    bend = around[0] - 2 * around[1] + around[2] if len(around) == 3 else 0.0
    exact = best + (0.5 * (around[0] - around[2]) / bend if abs(bend) > 1e-9 else 0.0)
    return float(rate * 60 / exact)


def _beats(onsets: NDArray[np.float64], period: float) -> list[int]:
    """The frames of the beats: the path of steps near one period over the strongest onsets."""
    strong = onsets / (onsets.std() + 1e-9)
    score, came = strong.copy(), np.full(len(strong), -1)
    steps = np.arange(max(1, round(period * 0.5)), round(period * 2) + 1)
    penalty = -100.0 * np.log(steps / period) ** 2
    for index in range(steps[0], len(strong)):
        possible = index - steps[steps <= index]
        best = int(np.argmax(score[possible] + penalty[: len(possible)]))
        score[index] += score[possible[best]] + penalty[best]
        came[index] = possible[best]
    at = int(len(score) - 1 - np.argmax(score[::-1][: max(1, round(period))]))
    beats = []
    while at >= 0:
        beats.append(at)
        at = int(came[at])
    return beats[::-1]


def _costs(chroma: NDArray[np.float64], levels: NDArray[np.float64]) -> NDArray[np.float64]:
    """What it costs to leave before one beat and enter before another: how unlike the beats around both are."""
    apart = (1 - chroma @ chroma.T) * 4 + np.abs(levels[:, None] - levels[None]) * 0.12
    count = len(chroma)
    costs = np.full((count, count), np.inf)
    inner = count - 2 * _AROUND
    if inner > 0:
        windows = [apart[_AROUND + q : _AROUND + q + inner, _AROUND + q : _AROUND + q + inner]
                   for q in range(-_AROUND, _AROUND)]  # fmt: skip
        costs[_AROUND : count - _AROUND, _AROUND : count - _AROUND] = sum(windows) / (2 * _AROUND)
    return costs


def _joins(
    beats: NDArray[np.float64], costs: NDArray[np.float64], seconds: float, wanted: float
) -> list[tuple[int, int]]:
    """Jumps from beat to beat that make the music as long as is wanted within half a beat, the cheapest."""
    missing = wanted - seconds
    period = float(np.median(np.diff(beats))) if len(beats) > 1 else 0.5
    if abs(missing) < 0.5 * period:
        return []
    leaving, entering = np.where(np.isfinite(costs))
    far = np.abs(leaving - entering) >= 4
    leaving, entering = leaving[far], entering[far]
    if not len(leaving):
        return []
    won = beats[leaving] - beats[entering]
    price = costs[leaving, entering] + np.where((leaving - entering) % 4 == 0, 0.0, 0.5)
    best: tuple[float, list[tuple[int, int]]] = (np.inf, [])
    for times in range(1, _MOST_JOINS + 1):
        if missing < 0 and times > 1:
            break
        off = np.abs(won * times - missing)
        fits = off < 0.5 * period * times
        if fits.any():
            whole = np.where(fits, price + 0.4 * off / period + 0.08 * times, np.inf)
            index = int(np.argmin(whole))
            if whole[index] < best[0]:
                best = float(whole[index]), [(int(leaving[index]), int(entering[index]))] * times
        if best[1] and times > 2:
            break
    if not best[1] and missing > 0:  # very short music for a long film: as often as it takes
        index = int(np.argmin(np.where(won > 0.4 * won.max(), price, np.inf)))
        best = 0.0, [(int(leaving[index]), int(entering[index]))] * int(np.ceil(missing / won[index]))
    return best[1]
