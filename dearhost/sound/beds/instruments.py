"""Instruments made by synthesis: one waveform a pitch, from which notes are cut. Nothing is recorded or borrowed."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.signal import butter, sosfilt

RATE = 48_000
Floats = NDArray[np.float64]
_BLOCK = 512
_HIGHEST = 15_000.0
_MEASURED = 0.4
"""Seconds of a tone by which its level is told."""
_LEVEL = 0.1


@dataclass(frozen=True)
class Tone:
    """A pitch of an instrument, all as loud: mono, with seconds of attack and release."""

    samples: NDArray[np.float32]
    attack: float
    release: float


def hertz(pitch: float) -> float:
    """The frequency of a MIDI note, A4 = 440 Hz (ISO 16)."""
    return float(440.0 * 2 ** ((pitch - 69) / 12))


def low_passed(sound: Floats, cutoff: float, order: int = 2) -> Floats:
    """Below a frequency (Butterworth)."""
    filtered: Floats = sosfilt(butter(order, min(cutoff, RATE * 0.45) / (RATE / 2), output="sos"), sound)
    return filtered


def high_passed(sound: Floats, cutoff: float, order: int = 2) -> Floats:
    """Above a frequency (Butterworth)."""
    filtered: Floats = sosfilt(butter(order, cutoff / (RATE / 2), "high", output="sos"), sound)
    return filtered


def decaying(frequencies: Floats, levels: Floats, decays: Floats, count: int, phases: Floats | None = None) -> Floats:
    """A sum of partials that die away with time constants in seconds (0 for never), as one product of matrices: no sine
    and no exponential is taken a sample."""
    heard = frequencies < _HIGHEST
    frequencies, levels, decays = frequencies[heard], levels[heard], decays[heard]
    phases = np.zeros(len(frequencies)) if phases is None else phases[heard]
    rates = (2j * np.pi * frequencies - np.where(decays > 0, 1 / np.maximum(decays, 1e-9), 0)) / RATE
    blocks = -(-count // _BLOCK)
    coarse = levels * np.exp(1j * (phases - np.pi / 2)) * np.exp(np.arange(blocks)[:, None] * _BLOCK * rates)
    fine = np.exp(rates[:, None] * np.arange(_BLOCK))
    coarse, fine = coarse.astype(np.complex64), fine.astype(np.complex64)
    sound: Floats = (coarse.real @ fine.real - coarse.imag @ fine.imag).ravel()[:count].astype(np.float64)
    return sound


def _partials(
    pitch: int, seconds: float, levels: Floats, decays: Floats, stretch: float = 0.0, apart: float = 0.0
) -> Floats:
    """Harmonics of a string: ``stretch`` is its inharmonicity, ``apart`` how far two strings are out of tune."""
    number = np.arange(1, len(levels) + 1)
    frequencies = hertz(pitch) * number * np.sqrt(1 + stretch * number * number)
    dice = np.random.default_rng(pitch)
    phases = dice.uniform(0, 2 * np.pi, len(number))
    count = int(seconds * RATE)
    if not apart:
        return decaying(frequencies, levels, decays, count, phases)
    return decaying(
        np.r_[frequencies, frequencies * (1 + apart)], np.r_[levels, levels] / 2, np.r_[decays, decays], count,
        np.r_[phases, dice.uniform(0, 2 * np.pi, len(number))],
    )  # fmt: skip


def _thump(pitch: int, seconds: float, decay: float, cutoff: float, level: float) -> Floats:
    """The noise of what strikes or plucks."""
    count = int(seconds * RATE)
    noise = np.random.default_rng(pitch * 131).standard_normal(count)
    return low_passed(noise * np.exp(-np.arange(count) / RATE / decay), cutoff) * level


def _numbers(count: int) -> Floats:
    return np.arange(1, count + 1).astype(float)


def _piano(pitch: int) -> Floats:
    k, f = _numbers(24), hertz(pitch)
    decays = 3.2 * (220 / f) ** 0.45 / (1 + 0.28 * (k - 1))
    return _partials(pitch, 5, k**-1.1 * np.exp(-k * f / 5500), decays, 2.5e-4, 7e-4) + _thump(
        pitch, 5, 0.018, 900, 0.1
    )


def _nylon(pitch: int) -> Floats:
    k, f = _numbers(18), hertz(pitch)
    levels, decays = np.abs(np.sin(k * np.pi * 0.19)) / k**1.15, 1.5 * (200 / f) ** 0.4 / (1 + 0.35 * (k - 1))
    return _partials(pitch, 3, levels, decays, 4e-5) + _thump(pitch, 3, 0.008, 2500, 0.12)


def _pizzicato(pitch: int) -> Floats:
    k, f = _numbers(12), hertz(pitch)
    return _partials(
        pitch, 1.2, np.abs(np.sin(k * np.pi * 0.23)) / k**1.3, 0.38 * (220 / f) ** 0.3 / (1 + 0.4 * (k - 1))
    )


def _upright(pitch: int) -> Floats:
    k = _numbers(10)
    return _partials(pitch, 2.5, k**-1.4, 1.1 / (1 + 0.5 * (k - 1)), 5e-5) + _thump(pitch, 2.5, 0.012, 700, 0.25)


def _celesta(pitch: int) -> Floats:
    levels = np.array([1, 0.25, 0.08, 0.3, 0.05, 0.12, 0.0, 0.06])
    return _partials(pitch, 2.5, levels, np.array([1.1, 0.6, 0.3, 0.35, 0.2, 0.2, 0.1, 0.1]), 0.0, 3e-4)


def _bell(pitch: int) -> Floats:
    ratios, levels = np.array([1, 2.0, 2.76, 5.4, 8.9]), np.array([1, 0.35, 0.25, 0.12, 0.06])
    return decaying(hertz(pitch) * ratios, levels, np.array([1.6, 1.0, 0.6, 0.25, 0.1]), int(3.5 * RATE)) * 0.8


def _marimba(pitch: int) -> Floats:
    f = hertz(pitch)
    decay = 0.55 * (220 / f) ** 0.5
    bars = np.array([1, 3.93, 9.5])  # the tuned partials of a bar (Fletcher and Rossing, 1998)
    struck = decaying(f * bars, np.array([1, 0.4, 0.16]), decay * np.array([1, 0.35, 0.16]), int(1.6 * RATE))
    return struck + _thump(pitch, 1.6, 0.006, 1800, 0.25)


def _keys(pitch: int) -> Floats:
    """Frequency modulation (Chowning 1973), one tine and its attack."""
    f, time = hertz(pitch), np.arange(4 * RATE) / RATE
    index = 1.3 * np.exp(-time / 0.5) * (f < 600) + 0.5 * np.exp(-time / 0.3)
    body = np.sin(2 * np.pi * f * time + index * np.sin(2 * np.pi * f * time))
    sound: Floats = body * np.exp(-time / (1.9 * (220 / f) ** 0.3))
    if f * 7 < 14_000:
        sound += 0.16 * np.sin(2 * np.pi * f * 7 * time) * np.exp(-time / 0.12)
    return sound


def _sub_pluck(pitch: int) -> Floats:
    k = _numbers(10)
    return _partials(pitch, 0.8, 1 / k, 0.22 / (1 + 0.22 * (k - 1)), 0.0, 3e-3)


def _sub(pitch: int) -> Floats:
    return _partials(pitch, 14, np.array([1, 0.4, 0.2, 0.12, 0.07, 0.04]), np.zeros(6))


def _held(count: int, roll_off: float, voices: tuple[float, ...], damping: float) -> Callable[[int], Floats]:
    """Several players of one note, a little out of tune with each other."""

    def made(pitch: int) -> Floats:
        k, f = _numbers(count), hertz(pitch)
        levels = k**-roll_off * np.exp(-k * f / damping) / len(voices)
        frequencies = np.concatenate([f * (1 + voice) * k for voice in voices])
        phases = np.random.default_rng(pitch).uniform(0, 2 * np.pi, len(frequencies))
        sound = decaying(frequencies, np.tile(levels, len(voices)), np.zeros(len(frequencies)), 14 * RATE, phases)
        return sound * (1 + 0.06 * np.sin(2 * np.pi * 0.35 * np.arange(len(sound)) / RATE + pitch))

    return made


_BOWED = (-0.0026, -0.0009, 0.0004, 0.0021)
_INSTRUMENTS: Mapping[str, tuple[Callable[[int], Floats], float, float]] = {
    "piano": (_piano, 0.004, 0.25), "nylon": (_nylon, 0.002, 0.12), "pizzicato": (_pizzicato, 0.003, 0.08),
    "upright": (_upright, 0.005, 0.10), "celesta": (_celesta, 0.002, 0.30), "bell": (_bell, 0.002, 0.50),
    "marimba": (_marimba, 0.002, 0.15), "keys": (_keys, 0.004, 0.15), "sub-pluck": (_sub_pluck, 0.004, 0.08),
    "sub": (_sub, 0.060, 0.25), "pad": (_held(22, 1.45, (-0.0022, 0.0, 0.0019), 5200), 0.35, 0.60),
    "strings": (_held(26, 1.0, _BOWED, 6500), 0.12, 0.25), "cello": (_held(26, 1.1, _BOWED, 6500), 0.12, 0.25),
}  # fmt: skip
"""By name: what makes a pitch, seconds of attack and release."""
INSTRUMENTS = tuple(_INSTRUMENTS)


@lru_cache(maxsize=512)
def tone(instrument: str, pitch: int) -> Tone:
    """A pitch of an instrument. Raises KeyError for an unknown one."""
    make, attack, release = _INSTRUMENTS[instrument]
    sound = make(pitch)
    level = float(np.sqrt(np.mean(sound[: int(_MEASURED * RATE)] ** 2))) + 1e-9
    lift = (hertz(pitch) / 262) ** -0.12  # a little more below: as loud as it is heard
    return Tone((sound / level * _LEVEL * lift).astype(np.float32), attack, release)


_DRUM_SECONDS = {"shaker": 0.12, "hat": 0.09, "brush": 0.28, "kick": 0.3, "low-tom": 0.9, "high-tom": 0.6,
                 "cymbal": 3.0, "swell": 1.0}  # fmt: skip


@lru_cache(maxsize=64)
def drum(name: str, take: int) -> NDArray[np.float32]:
    """One of several takes of a drum, mono. Raises KeyError for an unknown one."""
    count = int(RATE * _DRUM_SECONDS[name])
    time = np.arange(count) / RATE
    noise = np.random.default_rng([take, len(name)]).standard_normal(count)
    sound = _drum(name, time, noise)
    edge = int(0.004 * RATE)
    sound[-edge:] *= np.linspace(1, 0, edge)
    return sound.astype(np.float32)


def _drum(name: str, time: Floats, noise: Floats) -> Floats:
    if name == "shaker":
        return high_passed(noise, 5000) * np.exp(-(((time - 0.03) / 0.022) ** 2)) * 0.10
    if name == "hat":
        return high_passed(noise, 7500) * np.exp(-time / 0.022) * 0.10
    if name == "brush":
        return high_passed(low_passed(noise, 6500), 900) * np.minimum(1, time / 0.012) * np.exp(-time / 0.07) * 0.14
    if name == "kick":
        return np.sin(2 * np.pi * (48 * time + 62 * 0.03 * (1 - np.exp(-time / 0.03)))) * np.exp(-time / 0.11) * 0.5
    if name in ("low-tom", "high-tom"):
        low = name == "low-tom"
        f, decay = (62, 0.28) if low else (98, 0.2)
        skin = np.sin(2 * np.pi * (f * time + f * 0.03 * (1 - np.exp(-time / 0.05)))) * np.exp(-time / decay) * 0.5
        return skin + low_passed(noise, 700) * np.exp(-time / 0.03) * 0.12
    if name == "cymbal":
        return high_passed(noise, 3500) * np.exp(-time / 0.7) * 0.05 * np.minimum(1, time / 0.003)
    return high_passed(noise, 2500) * time**3 * 0.05 * np.minimum(1, (1 - time) / 0.01)
