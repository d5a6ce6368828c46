"""A person's own recording of a line as a reading, with the times of its real words."""

from __future__ import annotations

import json
import re
from collections.abc import Mapping
from dataclasses import asdict
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.sound.files import RATE
from dearhost.speech.aligning import Alignment, WordTime, nudged
from dearhost.speech.plan import plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples, TimedPhone, TimedWord, check_times
from dearhost.timebase import Span


def recorded_reading(samples: Samples, text: str, language: str, alignment: Alignment,
                     borders: Mapping[int, float]) -> Reading:  # fmt: skip
    """A recording at 48 kHz as a reading of ``text``, word ``i`` beginning at ``borders[i]`` where it is given."""
    placed = nudged(alignment, borders)
    written = plan_words(text, language).written
    words = tuple(
        TimedWord(word.text, time.start, time.end, word.start, word.end)
        for word, time in zip(written, placed.words, strict=True)
    )
    duration = max(len(samples) / RATE, words[-1].end)
    padded = np.pad(samples, (0, max(0, round(duration * RATE) - len(samples))))
    check_times(words, placed.phones, duration)
    return Reading(RATE, padded, words, placed.phones, measure_prosody(padded, RATE), duration)


def save_alignment(path: Path, alignment: Alignment) -> None:
    """Write an alignment as JSON."""
    path.write_text(json.dumps(asdict(alignment)), encoding="utf-8")


def load_alignment(path: Path) -> Alignment:
    """Read back what ``save_alignment`` wrote. Raises OSError or ValueError."""
    data: dict[str, Any] = json.loads(path.read_text(encoding="utf-8"))
    return Alignment(
        tuple(WordTime(**word) for word in data["words"]),
        tuple(TimedPhone(**phone) for phone in data["phones"]),
        data["method"],
        tuple(Span(**span) for span in data["added"]),
    )


def borders_of(text: str) -> dict[int, float]:
    """Word borders written as ``3=1.250 7=2.9``; what cannot be read is passed over."""
    found = re.findall(r"(\d{1,4})=(\d{1,4}(?:\.\d{1,4})?)", text)
    return {int(index): float(seconds) for index, seconds in found}
