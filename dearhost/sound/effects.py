"""Colours for a voice: a fuller sound, radio, telephone, rooms, a robot."""

from __future__ import annotations

from collections.abc import Callable, Mapping

import numpy as np
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.sound.placing import Mono

ndimage, signal = LazyModule("scipy.ndimage"), LazyModule("scipy.signal")

Floats = NDArray[np.float64]
_LOUDEST = 0.97
_TELEPHONE_HZ = (300.0, 3400.0)
"""The band of a telephone line (ITU-T G.712)."""
_MU = 255.0
ROOM_SECONDS = {"large room": 1.4, "small room": 0.35}
"""Reverberation times (RT60): a hall with hard walls, a furnished room (common practice, no source)."""


def _banded(samples: Floats, rate: int, low: float, high: float, order: int) -> Floats:
    top = min(high, 0.45 * rate)
    made: Floats = signal.sosfiltfilt(signal.butter(order, (low, top), "bandpass", fs=rate, output="sos"), samples)
    return made


def _shelf(samples: Floats, rate: int, below: float, decibels: float) -> Floats:
    low: Floats = signal.sosfiltfilt(signal.butter(1, below, "lowpass", fs=rate, output="sos"), samples)
    made: Floats = samples + low * (10 ** (decibels / 20) - 1)
    return made


def _compressed(samples: Floats, rate: int, ratio: float, below: float) -> Floats:
    """What is louder than ``below`` dB under the loudest brought down by ``ratio``, by the level over 40 ms."""
    power = ndimage.uniform_filter1d(samples**2, max(3, round(0.04 * rate)))
    level = np.sqrt(np.maximum(power, 0.0))  # a running sum may end a little below nothing
    decibels = 20 * np.log10(np.maximum(level, 1e-5))
    over = np.maximum(0.0, decibels - (decibels.max() - below))
    made: Floats = samples * 10 ** (-over * (1 - 1 / ratio) / 20)
    return made


def _fuller(samples: Floats, rate: int) -> Floats:
    return _compressed(_shelf(samples, rate, 220.0, 5.0), rate, 1.8, 18.0)


def _radio(samples: Floats, rate: int) -> Floats:
    close = _compressed(_banded(samples, rate, 110.0, 7000.0, 2), rate, 3.5, 24.0)
    presence = _banded(close, rate, 2200.0, 5000.0, 1)
    return close + 0.5 * presence


def _telephone(samples: Floats, rate: int) -> Floats:
    line = _banded(samples, rate, *_TELEPHONE_HZ, 4)
    peak = float(np.abs(line).max()) or 1.0
    bent = np.sign(line) * np.log1p(_MU * np.abs(line) / peak) / np.log1p(_MU)
    coarse = np.rint(bent * 127) / 127  # eight bits by the mu-law (ITU-T G.711)
    restored = np.sign(coarse) * np.expm1(np.abs(coarse) * np.log1p(_MU)) / _MU * peak
    return _banded(restored, rate, *_TELEPHONE_HZ, 4)


def _room(name: str, before: float, mixed: float) -> Callable[[Floats, int], Floats]:
    def inside(samples: Floats, rate: int) -> Floats:
        seconds = ROOM_SECONDS[name]
        times = np.arange(round(seconds * 1.1 * rate)) / rate
        noise = np.random.default_rng(len(name)).standard_normal(len(times))
        tail = noise * 10 ** (-3 * times / seconds)  # 60 dB in the reverberation time
        soft = signal.sosfilt(signal.butter(1, min(5000.0, 0.45 * rate), "lowpass", fs=rate, output="sos"), tail)
        answer = np.concatenate([np.zeros(round(before * rate)), soft])
        answer /= np.sqrt((answer**2).sum())
        dry = np.concatenate([samples, np.zeros(len(answer) - 1)])
        made: Floats = dry + mixed * signal.fftconvolve(samples, answer)
        return made

    return inside


def _robot(samples: Floats, rate: int) -> Floats:
    delay = round(rate / 110)
    comb = np.zeros(delay + 1)
    comb[0], comb[delay] = 1.0, -0.55
    made: Floats = 0.5 * samples + 0.5 * signal.lfilter([1.0], comb, samples)
    return made


EFFECTS: Mapping[str, Callable[[Floats, int], Floats] | None] = {
    "none": None,
    "fuller": _fuller,
    "radio": _radio,
    "telephone": _telephone,
    "large room": _room("large room", 0.025, 0.45),
    "small room": _room("small room", 0.006, 0.5),
    "robot": _robot,
}


def with_effect(samples: Mono, rate: int, name: str) -> Mono:
    """``samples`` (mono, -1..1) with an effect, about as loud as before; a room adds its tail at the end.

    Raises KeyError for an effect there is not.
    """
    effect = EFFECTS[name]
    if effect is None or len(samples) < rate // 20:
        return samples
    made = effect(samples.astype(np.float64), rate)
    level = float(np.sqrt((samples.astype(np.float64) ** 2).sum() / max(1e-12, (made**2).sum())))
    made = made * level
    peak = float(np.abs(made).max())
    out: Mono = (made * (_LOUDEST / peak if peak > _LOUDEST else 1.0)).astype(np.float32)
    return out
