"""Places words in a recording by warping a reading of the same text onto it (dynamic time warping)."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import soxr
from numpy.typing import NDArray

from dearhost.memory import LazyModule, compiled_later
from dearhost.speech.reading import Reading, Samples

parselmouth = LazyModule("parselmouth")

Features = NDArray[np.float32]
Indices = NDArray[np.int64]
_STEP = 0.01
_RATE = 16000
_COEFFICIENTS = 13
_SLOPE = 2
"""Frames to each side."""
_FARTHEST = 4.0
"""Deviations: what is farther out is a click, or silence."""
_BAND_SECONDS = 6.0
_BAND_PART = 0.15
_PAUSE_DB = 30.0


def features(samples: Samples, rate: int) -> Features:
    """13 MFCC, level and their slopes every 10 ms, each with mean 0 and deviation 1; shape (frames, 28).

    At one rate whatever the sound has: the bands of the coefficients go up to half of it. Slopes by regression over
    five frames (Furui 1986).
    """
    if rate != _RATE:
        samples = soxr.resample(samples, rate, _RATE)
    sound = parselmouth.Sound(samples.astype(np.float64), _RATE)
    coefficients = sound.to_mfcc(_COEFFICIENTS, 0.025, _STEP).to_array().T
    level = np.maximum(coefficients[:, :1], np.percentile(coefficients[:, 0], 95) - 400)
    static = np.hstack([level, coefficients[:, 1 : _COEFFICIENTS + 1]])
    ahead = np.pad(static, ((_SLOPE, _SLOPE), (0, 0)), mode="edge")
    count = len(static)
    slopes = sum(
        step * (ahead[_SLOPE + step : _SLOPE + step + count] - ahead[_SLOPE - step : _SLOPE - step + count])
        for step in range(1, _SLOPE + 1)
    )
    both = np.hstack([static, slopes])
    made: Features = np.clip((both - both.mean(0)) / np.maximum(both.std(0), 1e-6), -_FARTHEST, _FARTHEST)
    return made.astype(np.float32)


@compiled_later
def _path(first: Features, second: Features, band: int) -> tuple[float, NDArray[np.int32]]:
    """The mean cost and, for each frame of ``first``, the frame of ``second`` it lies on."""
    n, m = len(first), len(second)
    width = 2 * band + 1
    cost = np.full((2, width), np.inf, np.float64)
    came = np.zeros((n, width), np.uint8)
    for i in range(n):
        centre = i * (m - 1) // max(1, n - 1)
        before = (i - 1) * (m - 1) // max(1, n - 1)
        now, past = i % 2, (i + 1) % 2
        for k in range(width):
            cost[now, k] = np.inf
        for k in range(width):
            j = centre - band + k
            if j < 0 or j >= m:
                continue
            distance = 0.0
            for f in range(first.shape[1]):
                difference = first[i, f] - second[j, f]
                distance += difference * difference
            distance = np.sqrt(distance)
            best, step = np.inf, 0
            if i == 0 and j == 0:
                best = 0.0
            if i > 0:
                diagonal = j - 1 - before + band
                if 0 <= diagonal < width and cost[past, diagonal] + 2 * distance < best:
                    best, step = cost[past, diagonal] + 2 * distance, 1
                above = j - before + band
                if 0 <= above < width and cost[past, above] + distance < best:
                    best, step = cost[past, above] + distance, 2
            if k > 0 and cost[now, k - 1] + distance < best:
                best, step = cost[now, k - 1] + distance, 3
            cost[now, k] = best
            came[i, k] = step
    on = np.zeros(n, np.int32)
    i, j = n - 1, m - 1
    while True:
        on[i] = j
        centre = i * (m - 1) // max(1, n - 1)
        step = came[i, j - centre + band]
        if step == 1:
            i -= 1
            j -= 1
        elif step == 2:
            i -= 1
        elif step == 3:
            j -= 1
        else:
            break
    total = cost[(n - 1) % 2, (m - 1) - ((n - 1) * (m - 1) // max(1, n - 1)) + band]
    return total / (n + m), on


@compiled_later
def _sloped(first: Features, second: Features) -> NDArray[np.int64]:
    """The cheapest path by steps (1, 1), (1, 2) and (2, 1), as pairs of frames; () when there is none."""
    n, m = len(first), len(second)
    cost = np.full((n, m), np.inf, np.float32)
    came = np.zeros((n, m), np.uint8)
    for i in range(n):
        for j in range(m):
            if i > 0 and j > 0:
                best, step = cost[i - 1, j - 1], 1
                if j > 1 and cost[i - 1, j - 2] < best:
                    best, step = cost[i - 1, j - 2], 2
                if i > 1 and cost[i - 2, j - 1] < best:
                    best, step = cost[i - 2, j - 1], 3
            elif i == 0 and j == 0:
                best, step = np.float32(0.0), 0
            else:
                continue
            if np.isinf(best):
                continue
            distance = np.float32(0.0)
            for f in range(first.shape[1]):
                difference = first[i, f] - second[j, f]
                distance += difference * difference
            cost[i, j] = best + np.sqrt(distance)
            came[i, j] = step
    pairs = np.zeros((n + m, 2), np.int64)
    if np.isinf(cost[n - 1, m - 1]):
        return pairs[:0]
    i, j, count = n - 1, m - 1, 0
    while True:
        pairs[count, 0], pairs[count, 1] = i, j
        count += 1
        step = came[i, j]
        if step == 0:
            break
        i -= 2 if step == 3 else 1
        j -= 2 if step == 2 else 1
    return pairs[:count][::-1]


def path_between(first: NDArray[np.float64], second: NDArray[np.float64]) -> tuple[Indices, Indices]:
    """Frame numbers of two sounds (frames, values) that say the same: neither may stand still or be twice as fast,
    unless one is so much longer that it must."""
    a, b = first.astype(np.float32), second.astype(np.float32)
    pairs = _sloped(a, b)
    if len(pairs):
        return pairs[:, 0], pairs[:, 1]
    _, on = _path(a, b, max(len(a), len(b)))
    return np.arange(len(a)), on.astype(np.int64)


def warped(reading: Reading, samples: Samples, rate: int) -> tuple[Reading, float] | None:
    """The words and phones of ``reading`` at their times in ``samples`` (mono), and the mean cost a frame.

    The result holds no sound. None when either is too short, or when no path stays within the band.
    """
    if len(samples) < 0.1 * rate or reading.duration < 0.1:
        return None
    reference, spoken = features(reading.samples, reading.sample_rate), features(samples, rate)
    band = int(max(_BAND_SECONDS / _STEP, _BAND_PART * max(len(reference), len(spoken))))
    cost, on = _path(reference, spoken, band)
    if not np.isfinite(cost):
        return None
    duration = len(samples) / rate
    centres = np.arange(len(on)) * _STEP + 0.0125

    def moved(moment: float) -> float:
        return float(np.clip(np.interp(moment, centres, on * _STEP + 0.0125), 0.0, duration))

    words = tuple(replace(w, start=moved(w.start), end=moved(w.end)) for w in reading.words)
    phones = tuple(replace(p, start=moved(p.start), end=moved(p.end)) for p in reading.phones)
    return replace(reading, words=words, phones=phones, samples=np.zeros(0, np.float32), duration=duration), cost


def speech_bounds(samples: Samples, rate: int, below: float = _PAUSE_DB) -> tuple[float, float]:
    """From where to where ``samples`` are within ``below`` dB of their loud parts, in seconds."""
    hop = max(1, rate // 100)
    frames = samples[: len(samples) // hop * hop].reshape(-1, hop).astype(np.float64)
    if not len(frames):
        return 0.0, len(samples) / rate
    level = 10 * np.log10(np.maximum((frames**2).mean(1), 1e-10))
    loud = np.flatnonzero(level > max(np.percentile(level, 95) - below, -75.0))
    if not len(loud):
        return 0.0, len(samples) / rate
    return float(loud[0]) * hop / rate, float(loud[-1] + 1) * hop / rate
