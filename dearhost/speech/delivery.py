"""How a whole line is said: calm, bright, urgent, hushed or sombre, more or less so."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from dearhost.sound.effects import with_effect
from dearhost.speech.intonation import course_of
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples
from dearhost.speech.reshaping import Shape, reshape

MANNERS: Mapping[str, Shape] = {
    "neutral": Shape(),
    "calm": Shape(raised=0.95, spread=0.75, tilt=-0.8, pace=0.92),
    "bright": Shape(raised=1.12, spread=1.35, tilt=1.0, pace=1.06),
    "urgent": Shape(raised=1.10, spread=1.10, tilt=1.5, pace=1.20),
    "hushed": Shape(pace=0.93, breath=1.0),
    "sombre": Shape(raised=0.87, spread=0.50, tilt=-1.3, pace=0.84),
}
"""At strength 1, from a trial in which each was told from the others by pitch, spread, pace and voicing."""
_LOUDEST = 0.98


@dataclass(frozen=True, slots=True)
class Delivery:
    """``manner`` is one of ``MANNERS``, ``strength`` from 0 to 1.5; on top of it ``pace`` (1 as it comes, above 1
    faster), ``pitch`` in semitones, ``level`` in dB, ``steadiness`` (0 lively, .5 as it comes, 1 even) and
    ``ending``, one of ``ENDINGS``. ``variation`` above 0 numbers another reading of the same kind. ``effect`` is one
    of ``EFFECTS``, laid over all of it. ``lasts``: the seconds the line takes, 0 for as long as it comes."""

    manner: str = "neutral"
    strength: float = 1.0
    pace: float = 1.0
    pitch: float = 0.0
    level: float = 0.0
    steadiness: float = 0.5
    ending: str = "written"
    variation: int = 0
    effect: str = "none"
    lasts: float = 0.0

    @property
    def shape(self) -> Shape:
        """What is done to the whole sound. Raises KeyError for a manner there is not."""
        whole, part = MANNERS[self.manner], max(0.0, self.strength)
        return Shape(
            raised=float(whole.raised**part * 2 ** (self.pitch / 12)),
            spread=0.0 if self.effect == "robot" else float(whole.spread**part * 2 ** (1.4 * (0.5 - self.steadiness))),
            tilt=whole.tilt * part,
            pace=float(whole.pace**part * self.pace),
            breath=min(1.0, whole.breath * part),
        )


AS_EVER = Delivery()


def delivered(reading: Reading, delivery: Delivery) -> Reading:
    """The reading said in another manner; its times follow the pace. Raises KeyError for a manner, ending or
    effect there is not."""
    shape, course = delivery.shape, course_of(reading, delivery.ending, delivery.variation)
    plain = shape == Shape() and course is None
    if plain and not delivery.level and delivery.effect == "none":
        return reading
    rate = reading.sample_rate
    samples = reading.samples if plain else reshape(reading.samples, rate, shape, course)
    samples = _levelled(with_effect(samples, rate, delivery.effect), delivery.level)

    def moved(seconds: float) -> float:
        return course.moved(seconds, shape.pace) if course else seconds / shape.pace

    words = tuple(replace(w, start=moved(w.start), end=moved(w.end)) for w in reading.words)
    phones = tuple(replace(p, start=moved(p.start), end=moved(p.end)) for p in reading.phones)
    duration = max(len(samples) / rate, words[-1].end if words else 0.0)
    return Reading(rate, samples, words, phones, measure_prosody(samples, rate), duration)


def _levelled(samples: Samples, decibels: float) -> Samples:
    """Louder or softer; what would be too loud is bent, not cut."""
    if not decibels:
        return samples
    louder = samples * 10 ** (decibels / 20)
    over = np.abs(louder) > 0.8
    bent = np.sign(louder) * (0.8 + (_LOUDEST - 0.8) * np.tanh((np.abs(louder) - 0.8) / (_LOUDEST - 0.8)))
    made: Samples = np.where(over, bent, louder).astype(np.float32)
    return made
