"""What short sounds are made of: struck partials, bands of noise, glides. Nothing is recorded or borrowed."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

RATE = 48_000
Partials = Sequence[tuple[float, float, float]]
"""Ratio to the pitch, level, and decay in seconds."""
Floats = NDArray[np.float64]


def time(seconds: float) -> Floats:
    """The seconds of each sample."""
    return np.arange(int(seconds * RATE)) / RATE


def struck(hertz: float, partials: Partials, seconds: float) -> Floats:
    """Decaying partials, as of something struck."""
    at = time(seconds)
    sound = np.zeros_like(at)
    for ratio, level, decay in partials:
        sound += level * np.sin(2 * np.pi * hertz * ratio * at) * np.exp(-at / decay)
    return sound


def noise(seconds: float, seed: int) -> Floats:
    """White noise."""
    return np.random.default_rng(seed).standard_normal(int(seconds * RATE))


def band(sound: Floats, low: float, high: float) -> Floats:
    """Noise between two frequencies, its edges soft by an octave."""
    spectrum = np.fft.rfft(sound)
    hertz = np.maximum(np.fft.rfftfreq(len(sound), 1 / RATE), 1.0)
    slope = 1 / (1 + (low / hertz) ** 4) / (1 + (hertz / high) ** 4)
    return np.fft.irfft(spectrum * slope, len(sound))


def hump(seconds: Floats, at: float, width: float) -> Floats:
    """A swell about a moment."""
    return np.exp(-(((seconds - at) / width) ** 2))


def put(whole: Floats, part: Floats, at: float, level: float = 1.0) -> None:
    """Add a part at a moment; what sticks out is cut."""
    first = int(at * RATE)
    size = max(0, min(len(part), len(whole) - first))
    whole[first : first + size] += level * part[:size]


def glide(hertz: Floats, tones: Sequence[tuple[int, float]] = ((1, 1.0),)) -> Floats:
    """A tone whose frequency changes, with its overtones."""
    phase = 2 * np.pi * np.cumsum(hertz) / RATE
    return np.asarray(sum(level * np.sin(number * phase) for number, level in tones), float)


def room(sound: Floats, seconds: float, level: float, seed: int) -> Floats:
    """The sound in a small room."""
    tail = noise(seconds, seed) * np.exp(-5 * time(seconds) / seconds)
    size = len(sound) + len(tail)
    wet = np.fft.irfft(np.fft.rfft(sound, size) * np.fft.rfft(tail, size), size)[: len(sound)]
    peak = float(np.abs(wet).max()) + 1e-9
    return np.asarray(sound + wet / peak * np.abs(sound).max() * level, float)
