"""Several readings one after another, and their words found again in a longer text."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples, TimedPhone, TimedWord

PAUSE = 0.6
"""Seconds between two readings."""


def join_readings(readings: Sequence[Reading]) -> Reading:
    """One reading of all, with pauses between. All must have one sample rate; there must be one at least."""
    rate = readings[0].sample_rate
    sound: list[Samples] = []
    words: list[TimedWord] = []
    phones: list[TimedPhone] = []
    now = 0
    for number, reading in enumerate(readings):
        if reading.sample_rate != rate:
            raise ValueError(f"'readings' must have one sample rate (got {reading.sample_rate} after {rate})")
        if number:
            silence = np.zeros(round(PAUSE * rate), np.float32)
            sound.append(silence)
            now += len(silence)
        offset, first = now / rate, len(words)
        words += [replace(w, start=w.start + offset, end=w.end + offset) for w in reading.words]
        phones += [
            TimedPhone(p.symbol, p.start + offset, p.end + offset, p.word + first, p.stress) for p in reading.phones
        ]
        sound.append(reading.samples)
        now += len(reading.samples)
    samples = np.concatenate(sound)
    return Reading(rate, samples, tuple(words), tuple(phones), measure_prosody(samples, rate), len(samples) / rate)


def relocated(reading: Reading, text: str) -> Reading:
    """The reading with each word's offsets where it next occurs in ``text``."""
    words, cursor = [], 0
    for word in reading.words:
        found = text.find(word.text, cursor)
        if found < 0:
            found = text.find(word.text.split("'")[0].split("’")[0], cursor)
        start = found if found >= 0 else cursor
        cursor = min(len(text), start + len(word.text))
        words.append(TimedWord(word.text, word.start, word.end, start, cursor))
    return replace(reading, words=tuple(words))
