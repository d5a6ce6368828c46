"""A person's own recordings of lines: kept by their content, read with the times of their real words."""

from __future__ import annotations

import hashlib
import json
import re
from collections.abc import Mapping
from dataclasses import asdict
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import SpeechError
from dearhost.sound.files import RATE, read_sound, write_sound
from dearhost.speech.aligning import Alignment, WordTime, nudged
from dearhost.speech.plan import plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples, TimedPhone, TimedWord, check_times
from dearhost.timebase import Span

_NAME = re.compile(r"[0-9a-f]{24}")


class RecordingStore:
    """Recordings in a folder, named by a fingerprint of their samples: the same sound is kept once."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder

    def add(self, samples: Samples) -> str:
        """Keep mono samples at 48 kHz; returns their name."""
        whole = np.clip(np.rint(samples * 32767), -32768, 32767).astype("<i2")
        name = hashlib.blake2b(whole.tobytes(), digest_size=12).hexdigest()
        if not self.path(name).exists():
            write_sound(self.path(name), samples, RATE, kind="flac")
        return name

    def path(self, name: str) -> Path:
        """Where a recording lies or would lie. Raises SpeechError for what is no name."""
        if not _NAME.fullmatch(name):
            raise SpeechError("This take names no recording. Choose another take of the line.")
        return self.folder / name[:2] / f"{name}.flac"

    def samples(self, name: str) -> Samples:
        """The samples of a recording, 48 kHz. Raises SpeechError when it is gone."""
        path = self.path(name)
        if not path.exists():
            raise SpeechError("The recording of this line is not on this machine. Choose another take, or record it.")
        return read_sound(path).samples

    def remove(self, name: str) -> None:
        """Forget a recording."""
        self.path(name).unlink(missing_ok=True)


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
