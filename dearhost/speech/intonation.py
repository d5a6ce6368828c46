"""How a line goes along: how it ends, and how one reading of it differs from another of the same kind."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.reading import Reading
from dearhost.speech.reshaping import Course
from dearhost.speech.world import FRAME_MS, Floats

ndimage = LazyModule("scipy.ndimage")

ENDINGS: Mapping[str, float] = {"written": 0.0, "rising": 5.0, "falling": -4.0}
"""Semitones reached on the last word: a question or a list that goes on, and a statement that is over (common
practice, no source for the size)."""
_TURN_SECONDS = 0.55
_WORD_SEMITONES, _LINE_SEMITONES, _WORD_PACE, _LINE_PACE = 0.8, 1.0, 0.06, 0.035
_FOCUS_SEMITONES, _FOCUS_PACE = 1.8, 0.88
_SMOOTH = 8.0


def course_of(reading: Reading, ending: str, variation: int) -> Course | None:
    """Pitch and pace along a reading; None when nothing changes. Raises KeyError for an ending there is not."""
    turn = ENDINGS[ending]
    if not turn and variation <= 0:
        return None
    count = int(reading.duration / (FRAME_MS / 1000)) + 2
    bend, pace = np.zeros(count), np.ones(count)
    if variation > 0:
        bend, pace = _varied(reading, variation, bend, pace)
    if turn and reading.words:
        bend = bend + turn * _turn(reading, count)
    return Course(bend, pace)


def _turn(reading: Reading, count: int) -> Floats:
    """From 0 at the last stressed vowel of the line, or half a second before its end, to 1 at its end."""
    last = reading.words[-1]
    stressed = [p.start for p in reading.phones if p.stress == 1 and p.start >= last.end - _TURN_SECONDS]
    start = stressed[-1] if stressed else max(last.start, last.end - _TURN_SECONDS)
    times = np.arange(count) * FRAME_MS / 1000
    part = np.clip((times - start) / max(0.05, last.end - start), 0.0, 1.0)
    made: Floats = part * part * (3 - 2 * part)
    return made


def _varied(reading: Reading, variation: int, bend: Floats, pace: Floats) -> tuple[Floats, Floats]:
    """Another tune and another rhythm: each word a little higher or lower, quicker or slower, one of them in focus."""
    chance = np.random.default_rng(variation)
    times = np.arange(len(bend)) * FRAME_MS / 1000
    slope = chance.normal(0, _LINE_SEMITONES)
    bend = bend + slope * (0.5 - times / max(0.1, reading.duration))
    pace = pace * np.exp(chance.normal(0, _LINE_PACE))
    long_words = [i for i, w in enumerate(reading.words) if len(w.text) > 3] or list(range(len(reading.words)))
    focus = int(chance.choice(long_words)) if long_words else -1
    for index, word in enumerate(reading.words):
        within = (times >= word.start) & (times < word.end)
        bend[within] += chance.normal(0, _WORD_SEMITONES) + (_FOCUS_SEMITONES if index == focus else 0.0)
        pace[within] *= np.exp(chance.normal(0, _WORD_PACE)) * (_FOCUS_PACE if index == focus else 1.0)
    return ndimage.gaussian_filter1d(bend, _SMOOTH), ndimage.gaussian_filter1d(pace, _SMOOTH)
