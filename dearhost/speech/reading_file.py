"""A reading in one file: a line of JSON with the times, then the values as little-endian 32-bit floats.

Without numpy's own container: it parses Python text, which the interpreter does not do safely in
several threads at once, and the times would not come without the sound.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.speech.reading import Piece, Prosody, Reading, Samples, TimedPhone, TimedWord

_KIND = "dear-host-reading"
_FLOAT = np.dtype("<f4")


def save_reading(path: Path, reading: Reading) -> None:
    """Write a reading."""
    prosody = reading.prosody
    head = {
        "kind": _KIND,
        "duration": reading.duration,
        "sample_rate": reading.sample_rate,
        "prosody_rate": prosody.rate,
        "lengths": [len(reading.samples), len(prosody.loudness), len(prosody.pitch)],
        "words": [[w.text, w.start, w.end, w.from_, w.to] for w in reading.words],
        "phones": [[p.symbol, p.start, p.end, p.word, p.stress] for p in reading.phones],
        **({"pieces": [[p.at, p.source] for p in reading.pieces]} if reading.pieces else {}),
    }
    with path.open("wb") as file:
        file.write(json.dumps(head).encode() + b"\n")
        for values in (reading.samples, prosody.loudness, prosody.pitch):
            file.write(np.ascontiguousarray(values, _FLOAT).tobytes())


def load_reading(path: Path) -> Reading:
    """Read back what ``save_reading`` wrote. Raises OSError, or ValueError for another or a cut file."""
    line, _, body = path.read_bytes().partition(b"\n")
    head = _head(line)
    parts: list[Samples] = []
    at = 0
    for length in head["lengths"]:
        end = at + length * _FLOAT.itemsize
        if end > len(body):
            raise ValueError(f"'{path.name}' is cut short")
        parts.append(np.frombuffer(body[at:end], _FLOAT))
        at = end
    samples, loudness, pitch = parts
    return Reading(
        head["sample_rate"],
        samples,
        tuple(TimedWord(*w) for w in head["words"]),
        tuple(TimedPhone(*p) for p in head["phones"]),
        Prosody(head["prosody_rate"], loudness, pitch),
        head["duration"],
        tuple(Piece(*p) for p in head.get("pieces", ())),
    )


def read_duration(path: Path) -> float:
    """The seconds of a saved reading, without its sound. Raises OSError or ValueError."""
    with path.open("rb") as file:
        return float(_head(file.readline())["duration"])


def _head(line: bytes) -> dict[str, Any]:
    head = json.loads(line)
    if not isinstance(head, dict) or head.get("kind") != _KIND:
        raise ValueError("this is not a reading")
    return head
