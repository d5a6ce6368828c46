"""Sounds that say something: well done, wrong, look here; and those of small machines."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from dearhost.sound.stings.making import RATE, Floats, Partials, band, glide, hump, noise, put, struck, time

_SOFT: Partials = ((1, 1, 0.5), (2, 0.4, 0.3), (3, 0.18, 0.2), (4, 0.06, 0.1))
_GLASS: Partials = ((1, 1, 0.45), (2.32, 0.5, 0.25), (4.25, 0.25, 0.12), (6.63, 0.1, 0.06))


def _notes(
    notes: Sequence[tuple[float, float, float]], seconds: float, partials: Partials = _SOFT, ring: float = 1.1
) -> Floats:
    """Struck tones: (hertz, second, level)."""
    sound = np.zeros(int(seconds * RATE))
    for hertz, at, level in notes:
        put(sound, struck(hertz, partials, ring), at, level)
    return sound


def success() -> Floats:
    """Four notes that rise."""
    return _notes(((523.25, 0, 0.8), (783.99, 0.13, 0.9), (1046.5, 0.26, 1), (1318.5, 0.26, 0.5)), 1.5)


def fanfare() -> Floats:
    """A small one, of brass."""
    sound = np.zeros(int(1.9 * RATE))
    brass = ((1, 1.0), (2, 0.8), (3, 0.6), (4, 0.4), (5, 0.25), (6, 0.15))
    for hertz, at, length in ((392, 0, 0.16), (392, 0.19, 0.16), (392, 0.38, 0.16), (523.25, 0.58, 1.1)):
        part = time(length)
        for off in (1.0, 1.003, 1.26):
            swell = np.minimum(1, part / 0.03) * np.minimum(1, (length - part) / 0.08)
            put(sound, glide(np.full(len(part), hertz * off), brass) * swell, at, 0.35)
    return sound


def wrong() -> Floats:
    """Two low tones."""
    sound = np.zeros(int(0.9 * RATE))
    reed = ((1, 1.0), (2, 0.5), (3, 0.5), (5, 0.3))
    for hertz, at in ((196.0, 0.0), (155.56, 0.32)):
        part = time(0.3 if at == 0 else 0.5)
        put(sound, glide(np.full(len(part), hertz), reed) * np.minimum(1, part / 0.01) * np.exp(-part / 0.35), at)
    return sound


def question() -> Floats:
    """Two notes that ask."""
    return _notes(((587.33, 0, 0.8), (880.0, 0.22, 1)), 1.2, _GLASS)


def alert() -> Floats:
    """Three quick tones."""
    return _notes(((880, 0, 1), (659.26, 0.18, 1), (880, 0.36, 1)), 0.95, ((1, 1, 0.16), (2, 0.3, 0.1), (3, 0.1, 0.07)))


def notice() -> Floats:
    """Two soft tones, as of a message."""
    return _notes(((987.77, 0, 0.9), (1318.5, 0.11, 0.8)), 0.9, ((1, 1, 0.22), (2, 0.12, 0.1)))


def countdown() -> Floats:
    """Three short beeps and a long one."""
    sound = np.zeros(int(3.7 * RATE))
    for at, hertz, length in ((0, 660, 0.12), (1, 660, 0.12), (2, 660, 0.12), (3, 880, 0.55)):
        part = time(length)
        edges = np.minimum(1, part / 0.005) * np.minimum(1, (length - part) / 0.02)
        put(sound, glide(np.full(len(part), float(hertz)), ((1, 1.0), (3, 0.15))) * edges, at)
    return sound


def sparkle() -> Floats:
    """High tones that scatter."""
    dice = np.random.default_rng(21)
    scale = [1318.5, 1568, 1760, 2093, 2637, 3136]
    notes = [(float(dice.choice(scale)), float(at), float(dice.uniform(0.3, 0.8))) for at in np.linspace(0, 0.9, 14)]
    return _notes(notes, 1.8, ((1, 1, 0.3), (2.7, 0.25, 0.12)), 0.8)


def pop() -> Floats:
    """A bubble that bursts."""
    at = time(0.16)
    return glide(420 + 900 * (at / 0.16) ** 0.7) * np.exp(-at / 0.028) * np.minimum(1, at / 0.002)


def bubble() -> Floats:
    """Three drops."""
    sound = np.zeros(int(0.8 * RATE))
    for begin, low, high in ((0.0, 320, 900), (0.2, 420, 1100), (0.42, 360, 1300)):
        at = time(0.18)
        put(sound, glide(low + (high - low) * (at / 0.18) ** 2) * np.exp(-at / 0.05) * np.minimum(1, at / 0.004), begin)
    return sound


def click() -> Floats:
    """A button, down and up."""
    sound = np.zeros(int(0.16 * RATE))
    put(sound, struck(1800, ((1, 1, 0.004), (2.33, 0.7, 0.002)), 0.05), 0.004)
    put(sound, struck(1500, ((1, 0.6, 0.004), (2.4, 0.4, 0.002)), 0.05), 0.07)
    return sound


def coin() -> Floats:
    """A coin on wood."""
    return _notes(((2637, 0, 1), (3951, 0.07, 0.9), (3136, 0.21, 0.4), (3322, 0.29, 0.25)), 0.9, _GLASS, 0.6)


def camera() -> Floats:
    """A shutter."""
    sound = np.zeros(int(0.4 * RATE))
    for at, level in ((0.01, 1.0), (0.045, 0.5), (0.16, 0.85)):
        part = time(0.06)
        put(sound, band(noise(0.06, round(at * 1000)), 1200, 7000) * np.exp(-part / 0.007), at, level)
    return sound


def typing() -> Floats:
    """A typewriter: eight letters."""
    dice = np.random.default_rng(31)
    sound, at = np.zeros(int(1.5 * RATE)), 0.02
    for number in range(8):
        part = time(0.08)
        key = band(noise(0.08, 40 + number), 900, 6000) * np.exp(-part / 0.006)
        put(sound, key + struck(160, ((1, 0.5, 0.012),), 0.08), at, float(dice.uniform(0.7, 1)))
        at += float(dice.uniform(0.095, 0.17))
    return sound


def stamp() -> Floats:
    """A stamp on paper."""
    at = time(0.45)
    thud: Floats = np.sin(2 * np.pi * (75 * at + 3 * (1 - np.exp(-at / 0.02)))) * np.exp(-at / 0.06)
    thud += band(noise(0.45, 12), 60, 1400) * np.exp(-at / 0.015) * 0.8
    return thud


def phone() -> Floats:
    """A telephone that rings twice."""
    sound = np.zeros(int(2.2 * RATE))
    for begin in (0.0, 1.0):
        at = time(0.7)
        warble = np.sin(2 * np.pi * 440 * at) + np.sin(2 * np.pi * 480 * at)
        beat = 0.55 + 0.45 * np.sign(np.sin(2 * np.pi * 20 * at))
        put(sound, warble * beat * np.minimum(1, at / 0.01) * np.minimum(1, (0.7 - at) / 0.03), begin, 0.5)
    return sound


def rise() -> Floats:
    """A rush upwards, before something is shown."""
    at = time(1.6)
    part = at / 1.6
    tone = glide(180 * 2 ** (2.4 * part**1.4), ((1, 1.0), (2, 0.4), (3, 0.2)))
    return (tone * 0.6 + band(noise(1.6, 14), 500, 8000) * 0.5) * part**2 * np.minimum(1, (1.6 - at) / 0.05)


def fall() -> Floats:
    """A slide downwards."""
    at = time(1.0)
    return glide(1200 * 2 ** (-2.6 * at), ((1, 1.0), (2, 0.25))) * hump(at, 0.35, 0.45)
