"""Sounds of people and what they do."""

from __future__ import annotations

import numpy as np

from dearhost.sound.stings.making import RATE, Floats, band, glide, hump, noise, put, room, struck, time


def applause() -> Floats:
    """Sixty people clap, and stop."""
    dice = np.random.default_rng(80)
    seconds = 3.6
    sound = np.zeros(int(seconds * RATE))
    part = time(0.04)
    claps = [band(noise(0.04, 81 + n), c * 0.7, c * 1.5) * np.exp(-part / 0.007)
             for n, c in enumerate(dice.uniform(800, 2000, 24))]  # fmt: skip
    for _ in range(60):
        at, period = float(dice.uniform(0, 0.5)), float(dice.uniform(0.19, 0.31))
        clap, level = claps[int(dice.integers(24))], float(dice.uniform(0.3, 1))
        while at < seconds - 0.2:
            put(sound, clap, max(0.0, at), level)
            at += period * (1 + float(dice.normal(0, 0.07)))
    whole = time(seconds)
    return sound[: len(whole)] * np.minimum(1, whole / 0.35) * np.minimum(1, (seconds - whole) / 1.4)


def clap() -> Floats:
    """One clap."""
    at = time(0.3)
    return room(band(noise(0.3, 120), 700, 3000) * np.exp(-at / 0.01), 0.2, 0.3, 121)


def steps() -> Floats:
    """Four steps on wood."""
    sound = np.zeros(int(2.2 * RATE))
    for number in range(4):
        at = time(0.25)
        heel = np.sin(2 * np.pi * (85 - 6 * (number % 2)) * at) * np.exp(-at / 0.03)
        scrape = band(noise(0.25, 122 + number), 300, 2500) * np.exp(-at / 0.02) * 0.5
        put(sound, heel + scrape, 0.02 + 0.52 * number, 0.9 + 0.1 * (number % 2))
    return sound


def door() -> Floats:
    """A door that closes."""
    sound = np.zeros(int(1.0 * RATE))
    at = time(0.5)
    put(
        sound,
        np.sin(2 * np.pi * 70 * at) * np.exp(-at / 0.09) + band(noise(0.5, 126), 80, 900) * np.exp(-at / 0.04),
        0.1,
    )
    put(sound, struck(1300, ((1, 1, 0.01), (1.7, 0.5, 0.006)), 0.1), 0.17, 0.35)
    return room(sound, 0.3, 0.25, 127)


def knock() -> Floats:
    """Three knocks."""
    sound = np.zeros(int(0.95 * RATE))
    for number, level in enumerate((0.9, 1.0, 0.85)):
        at = time(0.2)
        put(
            sound,
            (np.sin(2 * np.pi * 210 * at) + 0.5 * np.sin(2 * np.pi * 355 * at)) * np.exp(-at / 0.025),
            0.2 * number,
            level,
        )
    return room(sound, 0.2, 0.2, 128)


def heartbeat() -> Floats:
    """Two beats of a heart."""
    sound = np.zeros(int(1.9 * RATE))
    for begin in (0.0, 0.85):
        for off, level in ((0.0, 1.0), (0.26, 0.7)):
            at = time(0.22)
            put(sound, np.sin(2 * np.pi * (52 - 40 * at) * at) * np.exp(-at / 0.05), begin + off, level)
    return sound


def tear() -> Floats:
    """Paper that is torn."""
    at = time(0.7)
    rips = 0.4 + 0.6 * (np.random.default_rng(129).random(len(at)) < 0.02)
    return band(noise(0.7, 130), 1500, 9000) * rips * hump(at, 0.35, 0.22)


def pencil() -> Floats:
    """A pencil on paper."""
    at = time(1.4)
    strokes = np.abs(np.sin(2 * np.pi * 3.2 * at)) ** 1.5
    return band(noise(1.4, 131), 2500, 8000) * strokes * np.minimum(1, (1.4 - at) / 0.1)


def pour() -> Floats:
    """Water into a glass."""
    at = time(2.0)
    fill = glide(420 + 500 * (at / 2.0) ** 2) * 0.25 * (0.6 + 0.4 * np.sin(2 * np.pi * 9 * at))
    return (fill + band(noise(2.0, 132), 700, 5000) * 0.4) * np.minimum(1, at / 0.15) * np.minimum(1, (2.0 - at) / 0.2)


def glass() -> Floats:
    """Two glasses touch."""
    sound = struck(2350, ((1, 1, 0.6), (1.02, 0.7, 0.5), (2.4, 0.5, 0.25), (4.3, 0.25, 0.1)), 1.2)
    put(sound, struck(2480, ((1, 0.8, 0.5), (2.4, 0.4, 0.2)), 1.0), 0.02)
    return sound


def cork() -> Floats:
    """A cork is drawn."""
    sound = np.zeros(int(0.5 * RATE))
    at = time(0.12)
    put(sound, glide(260 + 900 * (at / 0.12)) * np.exp(-at / 0.03), 0.02)
    part = time(0.3)
    put(sound, band(noise(0.3, 133), 2000, 9000) * np.exp(-part / 0.08) * 0.3, 0.07)
    return sound


def drum_roll() -> Floats:
    """A roll and a stroke."""
    sound = np.zeros(int(2.6 * RATE))
    for number in range(46):
        part = time(0.1)
        hit = band(noise(0.1, 134 + number % 7), 180, 5000) * np.exp(-part / 0.02)
        put(sound, hit, 0.04 * number, 0.25 + 0.6 * (number / 46) ** 2)
    part = time(0.6)
    put(
        sound,
        band(noise(0.6, 142), 120, 6000) * np.exp(-part / 0.07) + np.sin(2 * np.pi * 95 * part) * np.exp(-part / 0.15),
        1.9,
        1.2,
    )
    return sound


def cymbal() -> Floats:
    """A cymbal that is struck."""
    at = time(2.6)
    metal = sum(np.sin(2 * np.pi * hertz * at + turn) for turn, hertz in enumerate((3170, 4210, 5350, 6890, 8120)))
    return (band(noise(2.6, 143), 3000, 12000) + 0.12 * metal) * np.exp(-at / 0.7) * np.minimum(1, at / 0.003)


def gong() -> Floats:
    """A gong."""
    return struck(
        98, ((1, 1, 2.2), (1.47, 0.8, 1.8), (2.09, 0.7, 1.4), (2.63, 0.5, 1.0), (3.91, 0.4, 0.7), (5.2, 0.3, 0.4)), 3.2
    )


def harp() -> Floats:
    """A harp, upwards."""
    sound = np.zeros(int(2.4 * RATE))
    steps = (0, 2, 4, 7, 9, 12, 14, 16, 19, 21, 24)
    for number, step in enumerate(steps):
        hertz = 261.63 * 2 ** (step / 12)
        pluck = struck(hertz, ((1, 1, 0.9), (2, 0.5, 0.5), (3, 0.3, 0.3), (4, 0.15, 0.2)), 1.6)
        put(sound, pluck, 0.065 * number, 0.7)
    return sound


def pluck() -> Floats:
    """One string."""
    return struck(329.63, ((1, 1, 0.7), (2, 0.6, 0.4), (3, 0.4, 0.25), (4, 0.2, 0.15), (5, 0.1, 0.1)), 1.2)


def brush() -> Floats:
    """A brush over paper."""
    at = time(0.8)
    return band(noise(0.8, 144), 900, 6000) * hump(at, 0.35, 0.22)


def zipper() -> Floats:
    """A zip is closed."""
    at = time(0.55)
    teeth = np.abs(np.sin(2 * np.pi * (60 * at + 60 * at * at)))
    closed: Floats = band(noise(0.55, 145), 1200, 8000) * teeth**3 * np.minimum(1, (0.55 - at) / 0.05)
    return closed
