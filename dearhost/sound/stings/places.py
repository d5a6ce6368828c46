"""Sounds of weather and places: most go on for as long as they are wanted."""

from __future__ import annotations

import numpy as np

from dearhost.sound.stings.making import RATE, Floats, band, glide, hump, noise, put, room, struck, time

_LOOP = 6.0
"""Seconds of what goes on."""


def rain() -> Floats:
    """Rain on a roof."""
    dice = np.random.default_rng(51)
    sound = band(noise(_LOOP, 52), 1500, 9000) * 0.35 + band(noise(_LOOP, 53), 150, 900) * 0.15
    for _ in range(420):
        part = time(0.03)
        drop = band(noise(0.03, int(dice.integers(1 << 30))), 900, 6000) * np.exp(-part / 0.004)
        put(sound, drop, float(dice.uniform(0, _LOOP - 0.05)), float(dice.uniform(0.2, 1.0)))
    return sound


def wind() -> Floats:
    """Wind that comes in gusts."""
    at = time(_LOOP)
    gusts = 0.55 + 0.45 * np.sin(2 * np.pi * at / _LOOP - 1.2) * np.sin(2 * np.pi * 2 * at / _LOOP + 0.7)
    return band(noise(_LOOP, 54), 120, 500) * gusts + band(noise(_LOOP, 55), 500, 1500) * gusts**3 * 0.5


def stream() -> Floats:
    """A brook."""
    dice = np.random.default_rng(56)
    sound = band(noise(_LOOP, 57), 400, 2500) * 0.22
    for _ in range(260):
        length = float(dice.uniform(0.03, 0.09))
        at = time(length)
        low = float(dice.uniform(350, 1100))
        drop = glide(low * (1 + 0.8 * (at / length) ** 2)) * np.sin(np.pi * at / length) ** 2
        put(sound, drop, float(dice.uniform(0, _LOOP - 0.1)), float(dice.uniform(0.1, 0.5)))
    return sound


def sea() -> Floats:
    """Waves on a beach, far off."""
    at = time(_LOOP)
    swell = 0.35 + 0.65 * np.sin(np.pi * at / _LOOP) ** 4
    return band(noise(_LOOP, 58), 60, 700) * swell + band(noise(_LOOP, 59), 1200, 7000) * swell**3 * 0.3


def fire() -> Floats:
    """A fire that crackles."""
    dice = np.random.default_rng(60)
    sound = band(noise(_LOOP, 61), 80, 500) * 0.3
    for _ in range(90):
        part = time(0.02)
        crack = band(noise(0.02, int(dice.integers(1 << 30))), 1500, 9000) * np.exp(-part / 0.003)
        put(sound, crack, float(dice.uniform(0, _LOOP - 0.03)), float(dice.exponential(0.9)))
    return sound


def birds() -> Floats:
    """Small birds in a garden."""
    dice = np.random.default_rng(62)
    sound = np.zeros(int(_LOOP * RATE))
    for _ in range(16):
        begin, pitch = float(dice.uniform(0, _LOOP - 0.8)), float(dice.uniform(2600, 4600))
        for number in range(int(dice.integers(2, 6))):
            length = float(dice.uniform(0.05, 0.11))
            at = time(length)
            chirp = (
                glide(pitch * (1 + float(dice.uniform(-0.25, 0.3)) * at / length)) * np.sin(np.pi * at / length) ** 2
            )
            put(sound, chirp, begin + number * 0.12, float(dice.uniform(0.15, 0.6)))
    return room(sound, 0.3, 0.25, 63)


def crickets() -> Floats:
    """A summer night."""
    at = time(_LOOP)
    pulse = (np.sin(2 * np.pi * 30 * at) > 0) * (np.sin(2 * np.pi * 1.5 * at) > -0.2)
    smooth = np.convolve(pulse.astype(float), np.ones(120) / 120, "same")
    return np.sin(2 * np.pi * 4300 * at) * smooth + np.sin(2 * np.pi * 4650 * at) * np.roll(smooth, 9000) * 0.5


def crowd() -> Floats:
    """Many people who talk at once."""
    dice = np.random.default_rng(64)
    sound = np.zeros(int(_LOOP * RATE))
    for number in range(26):
        at = time(_LOOP)
        pitch = float(dice.uniform(95, 230)) * (1 + 0.08 * np.sin(2 * np.pi * dice.uniform(0.4, 1.4) * at + number))
        pace, turn = float(dice.uniform(2.5, 4.5)), float(dice.uniform(0, 6))
        said = np.clip(np.sin(2 * np.pi * pace * at + turn), 0, 1) * (np.sin(2 * np.pi * 0.3 * at + turn) > -0.3)
        voice = glide(pitch, ((1, 1.0), (2, 0.7), (3, 0.6), (4, 0.4), (6, 0.3), (9, 0.15)))
        sound += band(voice * said, float(dice.uniform(250, 500)), float(dice.uniform(1200, 2600)))
    return room(sound, 0.5, 0.6, 65)


def clock() -> Floats:
    """A clock in a quiet room."""
    sound = np.zeros(int(_LOOP * RATE))
    for number in range(int(_LOOP)):
        for off, pitch in ((0.0, 2100.0), (0.5, 1750.0)):
            put(sound, struck(pitch, ((1, 1, 0.012), (1.6, 0.6, 0.008), (2.5, 0.3, 0.004)), 0.1), number + off)
    return sound


def thunder() -> Floats:
    """Thunder, not far away."""
    at = time(4.5)
    roll = sum(hump(at, begin, width) * level for begin, width, level in
               ((0.25, 0.12, 1.0), (0.8, 0.35, 0.7), (1.7, 0.5, 0.5), (2.9, 0.7, 0.3)))  # fmt: skip
    crack = band(noise(4.5, 66), 400, 5000) * hump(at, 0.22, 0.05) * 0.5
    return np.asarray(band(noise(4.5, 67), 30, 180) * roll * 2 + crack, float)


def foghorn() -> Floats:
    """A horn over the water."""
    at = time(2.6)
    body = glide(np.full(len(at), 110.0) * (1 - 0.01 * np.exp(-at / 0.2)), ((1, 1.0), (2, 0.8), (3, 0.5), (4, 0.3)))
    return room(body * np.minimum(1, at / 0.12) * np.minimum(1, (2.6 - at) / 0.5), 0.8, 0.4, 68)


def train() -> Floats:
    """A train that passes."""
    at = time(_LOOP)
    sound = band(noise(_LOOP, 69), 80, 600) * 0.4
    for number in range(8):
        for off in (0.0, 0.14):
            part = time(0.12)
            put(sound, band(noise(0.12, 70 + number), 120, 2500) * np.exp(-part / 0.02), number * 0.75 + off, 1.2)
    return sound * (0.8 + 0.2 * np.sin(2 * np.pi * at / _LOOP))
