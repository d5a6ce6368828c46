"""Names of beds, so that one can be asked for again: the same for the same bed."""

from __future__ import annotations

import zlib

_FIRST = ("Slack", "Low", "Long", "Early", "Still", "Far", "Quiet", "Open", "Salt", "Grey", "Bright", "Second")
_SECOND = (
    "water",
    "lamps",
    "quay",
    "boats",
    "harbour",
    "shingle",
    "wind",
    "windows",
    "landing",
    "tide",
    "stairs",
    "bay",
)


def bed_name(mood: str, style: str, seed: int) -> str:
    """Two words for a bed."""
    number = zlib.crc32(f"{mood} {style} {seed}".encode())
    return f"{_FIRST[number % 12]} {_SECOND[number // 12 % 12]}"
