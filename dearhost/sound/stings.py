"""Short sounds made by synthesis: struck, blown, splashed. Nothing is recorded and nothing is borrowed."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dearhost.sound.placing import Mono

RATE = 48_000
LEVEL = -21.0
"""dB full scale of a sting's loudest 100 ms."""
_BELL = (
    (0.5, 0.3, 2.0),
    (1, 1, 1.6),
    (1.19, 0.5, 1.2),
    (1.5, 0.35, 1.0),
    (2, 0.6, 0.8),
    (2.51, 0.25, 0.5),
    (3, 0.18, 0.35),
)
"""Hum, strike tone, tierce, quint, nominal and above: partials of a tuned church bell as (ratio, level, decay in s)
(Rossing, The Science of Percussion Instruments, 2000; decays from memory)."""

Floats = NDArray[np.float64]


def _time(seconds: float) -> Floats:
    return np.arange(int(seconds * RATE)) / RATE


def _struck(hertz: float, partials: Sequence[tuple[float, float, float]], seconds: float) -> Floats:
    """Decaying partials, as of something struck."""
    time = _time(seconds)
    sound = np.zeros_like(time)
    for ratio, level, decay in partials:
        sound += level * np.sin(2 * np.pi * hertz * ratio * time) * np.exp(-time / decay)
    return sound


def _noise(seconds: float, seed: int) -> Floats:
    return np.random.default_rng(seed).standard_normal(int(seconds * RATE))


def _band(noise: Floats, low: float, high: float) -> Floats:
    """Noise between two frequencies, its edges soft by an octave."""
    spectrum = np.fft.rfft(noise)
    hertz = np.maximum(np.fft.rfftfreq(len(noise), 1 / RATE), 1.0)
    slope = 1 / (1 + (low / hertz) ** 4) / (1 + (hertz / high) ** 4)
    return np.fft.irfft(spectrum * slope, len(noise))


def _hump(time: Floats, at: float, width: float) -> Floats:
    return np.exp(-(((time - at) / width) ** 2))


def _put(whole: Floats, part: Floats, at: float, level: float = 1.0) -> None:
    first = int(at * RATE)
    size = min(len(part), len(whole) - first)
    whole[first : first + size] += level * part[:size]


def _bell() -> Floats:
    return _struck(660, _BELL, 2.5)


def _chime() -> Floats:
    sound = np.zeros(int(2.2 * RATE))
    for number, semitones in enumerate((0, 4, 7, 12, 16)):
        hertz = 523.25 * 2 ** (semitones / 12)
        _put(
            sound,
            _struck(hertz, ((1, 1, 0.7), (2.76, 0.25, 0.3), (5.4, 0.08, 0.1)), 1.6),
            0.09 * number,
            0.7 + 0.08 * number,
        )
    return sound


def _page() -> Floats:
    time = _time(0.55)
    return _band(_noise(0.55, 3), 1800, 7000) * (_hump(time, 0.16, 0.09) + 0.7 * _hump(time, 0.38, 0.05))


def _whoosh() -> Floats:
    time = _time(0.9)
    low, high = _band(_noise(0.9, 5), 250, 900), _band(_noise(0.9, 6), 900, 3600)
    return (low * _hump(time, 0.42, 0.24) + high * _hump(time, 0.52, 0.15)) * _hump(time, 0.5, 0.26)


def _wave() -> Floats:
    time = _time(4.0)
    swell = _band(_noise(4.0, 7), 60, 900) * (_hump(time, 1.5, 0.8) + 0.5 * _hump(time, 2.7, 0.8))
    return swell * 1.6 + _band(_noise(4.0, 8), 1800, 9000) * _hump(time, 2.1, 0.6) * 0.35


def _tick() -> Floats:
    return _struck(2100, ((1, 1, 0.012), (1.6, 0.6, 0.008), (2.48, 0.3, 0.004)), 0.12)


def _drum() -> Floats:
    time = _time(1.2)
    skin = np.sin(2 * np.pi * (58 * time + 2.6 * (1 - np.exp(-time / 0.05)))) * np.exp(-time / 0.32)
    return skin + _band(_noise(1.2, 9), 60, 1800) * np.exp(-time / 0.012) * 0.4


def _gull() -> Floats:
    sound = np.zeros(int(2.0 * RATE))
    for at, length in ((0.05, 0.42), (0.6, 0.3), (0.98, 0.26), (1.32, 0.24)):
        time = _time(length)
        part = time / length
        hertz = (950 + 650 * np.sin(np.pi * part**0.6) - 250 * part) * (1 + 0.012 * np.sin(2 * np.pi * 38 * time))
        phase = 2 * np.pi * np.cumsum(hertz) / RATE
        tones = ((1, 0.5), (2, 1.0), (3, 0.7), (4, 0.45), (5, 0.25))
        _put(sound, sum(level * np.sin(k * phase) for k, level in tones) * np.sin(np.pi * part) ** 0.7, at)
    return sound


STINGS: Mapping[str, Callable[[], Floats]] = {
    "bell": _bell,
    "chime": _chime,
    "page": _page,
    "whoosh": _whoosh,
    "wave": _wave,
    "tick": _tick,
    "drum": _drum,
    "gull": _gull,
}


@lru_cache(maxsize=16)
def sting(name: str) -> Mono:
    """The sound of this name, mono at ``RATE``, at ``LEVEL``. Raises KeyError for another name."""
    sound = STINGS[name]()
    edge = min(len(sound) // 4, int(0.06 * RATE))
    sound[-edge:] *= 0.5 + 0.5 * np.cos(np.linspace(0, np.pi, edge))
    start = min(48, len(sound))
    sound[:start] *= np.linspace(0, 1, start)
    span = min(len(sound), int(0.1 * RATE))
    power = np.convolve(sound**2, np.ones(span) / span, "valid")[:: max(1, span // 8)]
    gain = 10 ** (LEVEL / 20) / np.sqrt(power.max())
    made: Mono = (sound * min(gain, 0.7 / np.abs(sound).max())).astype(np.float32)
    return made
