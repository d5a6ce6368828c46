"""How good a recording of speech is, and what is wrong with it in words."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.sound.placing import Mono

signal = LazyModule("scipy.signal")

Floats = NDArray[np.float64]
_FRAME = 0.02
_CLIPPED = 0.985
_FLOOR_DB = -100.0


@dataclass(frozen=True, slots=True)
class Quality:
    """Measures of a recording: levels in dB full scale, parts from 0 to 1, seconds.

    ``level`` is that of the speech, ``over_noise`` how far it is above the room, ``clipped`` the part of samples
    that hit the ceiling, ``hum`` how far mains hum is above its surroundings in dB, ``steady`` the part of time
    that is nearly as loud as the loudest (music, a tone), ``speech`` seconds above the room, ``bandwidth`` the
    frequency in Hz up to which there is sound.
    """

    level: float
    peak: float
    over_noise: float
    clipped: float
    hum: float
    steady: float
    speech: float
    bandwidth: float

    @property
    def silent(self) -> bool:
        """Whether nothing is heard."""
        return self.peak < -55 or self.speech < 0.1


@dataclass(frozen=True, slots=True)
class Fault:
    """``grave`` faults spoil a take; the others are worth knowing. ``says`` is a sentence for a person."""

    name: str
    grave: bool
    says: str


def examine(samples: Mono, rate: int) -> Quality:
    """Measure mono samples in -1..1."""
    levels = frame_levels(samples, rate)
    if not len(levels):
        return Quality(-120.0, -120.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0)
    loud = float(np.percentile(levels, 95))
    quiet = max(float(np.percentile(levels, 5)), _FLOOR_DB)
    threshold = max(loud - 30.0, min(quiet + 6.0, loud - 3.0))
    speaking = levels > threshold
    level = float(10 * np.log10((10 ** (levels[speaking] / 10)).mean())) if speaking.any() else loud
    peak = float(20 * np.log10(max(1e-6, float(np.abs(samples).max()))))
    clipped = _clipped(samples)
    return Quality(
        level=level,
        peak=peak,
        over_noise=level - quiet,
        clipped=clipped,
        hum=_hum(samples, rate),
        steady=_steady(levels, loud),
        speech=float(speaking.sum() * _FRAME) if peak > -55 else 0.0,
        bandwidth=_bandwidth(samples, rate),
    )


def frame_levels(samples: Mono, rate: int, seconds: float = _FRAME) -> Floats:
    """The level of every 20 ms, or so many ``seconds``, in dB full scale."""
    hop = max(1, round(seconds * rate))
    whole = samples[: len(samples) // hop * hop].astype(np.float64).reshape(-1, hop)
    levels: Floats = 10 * np.log10(np.maximum((whole**2).mean(1), 1e-12))
    return levels


def _clipped(samples: Mono) -> float:
    """The part of samples in runs of three or more at the ceiling: one peak at the ceiling is no clipping."""
    ceiling = max(_CLIPPED * float(np.abs(samples).max()), 0.5)
    high = np.abs(samples) >= ceiling
    runs = high & np.roll(high, 1) & np.roll(high, -1)
    flat = np.abs(np.diff(samples, prepend=samples[:1])) < 1e-3
    return float((runs & flat).mean())


def _hum(samples: Mono, rate: int) -> float:
    """How many dB the mains' 50 or 60 Hz and its overtones stand above their surroundings, in the pauses too."""
    if len(samples) < rate:
        return 0.0
    frequencies, power = signal.welch(samples.astype(np.float64), rate, nperseg=min(len(samples), rate))
    power_db = 10 * np.log10(np.maximum(power, 1e-15))

    def above(line: float) -> float:
        near = power_db[np.argmin(np.abs(frequencies - line))]
        around = (np.abs(frequencies - line) > 3) & (np.abs(frequencies - line) < 12)
        return float(near - np.median(power_db[around]))

    return max(float(np.mean([above(mains * k) for k in (1, 2, 3)])) for mains in (50.0, 60.0))


def _steady(levels: Floats, loud: float) -> float:
    """The part of time within 12 dB of the loudest: about .6 in speech, near 1 in music and tones."""
    return float((levels > loud - 12.0).mean())


def _bandwidth(samples: Mono, rate: int) -> float:
    """The frequency in Hz below which 99.9 % of the power lies."""
    if len(samples) < 1024 or not np.any(samples):
        return 0.0
    frequencies, power = signal.welch(samples.astype(np.float64), rate, nperseg=1024)
    share = np.cumsum(power) / max(float(power.sum()), 1e-15)
    return float(frequencies[min(len(frequencies) - 1, int(np.searchsorted(share, 0.9995)))])


def faults(quality: Quality) -> tuple[Fault, ...]:
    """What is wrong with a recording of a line, the worst first; () when it is good."""
    found: list[Fault] = []
    if quality.silent:
        return (
            Fault("silence", True, "Nothing is heard. Check that the right microphone is on, and record it again."),
        )
    if quality.clipped > 0.001:
        found.append(
            Fault("clipped", True, "It is too loud and cut off at its peaks. Go a little away from the microphone.")
        )
    if quality.steady > 0.93 and quality.over_noise < 30:
        found.append(Fault("steady", True, "It sounds without a pause, like music or a hum. Record only the voice."))
    if quality.level < -42:
        found.append(Fault("quiet", False, "It is very quiet. Come closer to the microphone."))
    if quality.over_noise < 15:
        found.append(Fault("noise", True, "The room is about as loud as the voice. Find a quieter place."))
    elif quality.over_noise < 25:
        found.append(Fault("noise", False, "The room is heard behind the voice. Room noise can be reduced."))
    if quality.hum > 15:
        found.append(Fault("hum", False, "The mains hum. Try another cable or socket, or reduce room noise."))
    return tuple(found)
