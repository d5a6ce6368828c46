"""A line as it was read: the sound, and when each word and phone is heard."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

Samples = NDArray[np.float32]


@dataclass(frozen=True, slots=True)
class TimedWord:
    """A written word: seconds, and character offsets into the line's text."""

    text: str
    start: float
    end: float
    from_: int
    to: int


@dataclass(frozen=True, slots=True)
class TimedPhone:
    """A phone in IPA, seconds, the index of its written word, stress 0 none, 1 primary, 2 secondary."""

    symbol: str
    start: float
    end: float
    word: int
    stress: int = 0


@dataclass(frozen=True, slots=True)
class Prosody:
    """Loudness (dB full scale) and pitch (Hz, 0 where unvoiced), ``rate`` values a second."""

    rate: float
    loudness: Samples
    pitch: Samples


@dataclass(frozen=True, slots=True)
class Piece:
    """From ``at`` seconds of a line on, what is in a clip from ``source`` on."""

    at: float
    source: float


@dataclass(frozen=True, slots=True, weakref_slot=True)
class Reading:
    """A line's sound: mono samples in -1..1 at ``sample_rate`` Hz, with its times and prosody."""

    sample_rate: int
    samples: Samples
    words: tuple[TimedWord, ...]
    phones: tuple[TimedPhone, ...]
    prosody: Prosody
    duration: float
    """Seconds."""
    pieces: tuple[Piece, ...] = ()
    """Where it comes from in a clip, if it does."""

    def digest(self) -> str:
        """A name of its times, prosody and sound."""
        rows = (_flat(self.words), _flat(self.phones), _flat(self.pieces))
        head = (self.sample_rate, self.duration, self.prosody.rate, *rows)
        name = hashlib.blake2b(json.dumps(head).encode(), digest_size=12)
        for values in (self.samples, self.prosody.loudness, self.prosody.pitch):
            name.update(np.ascontiguousarray(values, "<f4").tobytes())
        return name.hexdigest()

    def silent(self) -> Reading:
        """Without its sound: all that drawing needs."""
        return replace(self, samples=np.zeros(0, np.float32))


def _flat(rows: Sequence[TimedWord | TimedPhone | Piece]) -> list[tuple[Any, ...]]:
    """The values of each: what ``dataclasses.astuple`` gives, ten times as fast."""
    return [tuple(getattr(row, name) for name in row.__slots__) for row in rows]


def check_times(words: Sequence[TimedWord], phones: Sequence[TimedPhone], duration: float) -> None:
    """Raise ValueError unless times never go back and every word and phone lasts longer than nothing."""
    for kind, items in (("word", words), ("phone", phones)):
        before = 0.0
        for item in items:
            if item.start < before - 1e-6 or item.end <= item.start or item.end > duration + 1e-3:
                raise ValueError(f"a {kind} must follow the one before and last (got {item}, after {before:.3f} s)")
            before = item.start if kind == "phone" else item.end - 1e-6


def timings_to_json(reading: Reading, visemes: Sequence[int]) -> dict[str, Any]:
    """The reading's times as plain data; ``visemes`` holds a viseme number for each phone."""
    prosody = reading.prosody
    step = max(1, round(prosody.rate / 100))
    return {
        "sample_rate": reading.sample_rate,
        "duration": round(reading.duration, 6),
        "words": [
            {"text": w.text, "start": round(w.start, 5), "end": round(w.end, 5), "from": w.from_, "to": w.to}
            for w in reading.words
        ],
        "phones": [
            {
                "symbol": p.symbol,
                "start": round(p.start, 5),
                "end": round(p.end, 5),
                "word": p.word,
                "viseme": viseme,
                "stress": p.stress,
            }
            for p, viseme in zip(reading.phones, visemes, strict=True)
        ],
        "loudness": {
            "rate": prosody.rate / step,
            "decibels": [round(float(v), 1) for v in prosody.loudness[::step]],
        },
    }
