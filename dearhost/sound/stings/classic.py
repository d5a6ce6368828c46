"""Sounds that were here first, and what is like them: struck, blown, splashed."""

from __future__ import annotations

import numpy as np

from dearhost.sound.stings.making import RATE, Floats, band, hump, noise, put, struck, time

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


def bell() -> Floats:
    """A bell."""
    return struck(660, _BELL, 2.5)


def chime() -> Floats:
    """A chime."""
    sound = np.zeros(int(2.2 * RATE))
    for number, semitones in enumerate((0, 4, 7, 12, 16)):
        hertz = 523.25 * 2 ** (semitones / 12)
        put(
            sound,
            struck(hertz, ((1, 1, 0.7), (2.76, 0.25, 0.3), (5.4, 0.08, 0.1)), 1.6),
            0.09 * number,
            0.7 + 0.08 * number,
        )
    return sound


def page() -> Floats:
    """A page."""
    at = time(0.55)
    return band(noise(0.55, 3), 1800, 7000) * (hump(at, 0.16, 0.09) + 0.7 * hump(at, 0.38, 0.05))


def whoosh() -> Floats:
    """A whoosh."""
    at = time(0.9)
    low, high = band(noise(0.9, 5), 250, 900), band(noise(0.9, 6), 900, 3600)
    return (low * hump(at, 0.42, 0.24) + high * hump(at, 0.52, 0.15)) * hump(at, 0.5, 0.26)


def wave() -> Floats:
    """A wave."""
    at = time(4.0)
    swell = band(noise(4.0, 7), 60, 900) * (hump(at, 1.5, 0.8) + 0.5 * hump(at, 2.7, 0.8))
    return swell * 1.6 + band(noise(4.0, 8), 1800, 9000) * hump(at, 2.1, 0.6) * 0.35


def tick() -> Floats:
    """A tick."""
    return struck(2100, ((1, 1, 0.012), (1.6, 0.6, 0.008), (2.48, 0.3, 0.004)), 0.12)


def drum() -> Floats:
    """A drum."""
    at = time(1.2)
    skin = np.sin(2 * np.pi * (58 * at + 2.6 * (1 - np.exp(-at / 0.05)))) * np.exp(-at / 0.32)
    return skin + band(noise(1.2, 9), 60, 1800) * np.exp(-at / 0.012) * 0.4


def gull() -> Floats:
    """A gull."""
    sound = np.zeros(int(2.0 * RATE))
    for begin, length in ((0.05, 0.42), (0.6, 0.3), (0.98, 0.26), (1.32, 0.24)):
        at = time(length)
        part = at / length
        hertz = (950 + 650 * np.sin(np.pi * part**0.6) - 250 * part) * (1 + 0.012 * np.sin(2 * np.pi * 38 * at))
        phase = 2 * np.pi * np.cumsum(hertz) / RATE
        tones = ((1, 0.5), (2, 1.0), (3, 0.7), (4, 0.45), (5, 0.25))
        put(sound, sum(level * np.sin(k * phase) for k, level in tones) * np.sin(np.pi * part) ** 0.7, begin)
    return sound
