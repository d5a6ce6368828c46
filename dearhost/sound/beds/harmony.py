"""Chords out of Roman numerals, and how they are voiced."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise, product

_STEPS = {"i": 0, "ii": 2, "iii": 4, "iv": 5, "v": 7, "vi": 9, "vii": 11}
_ADDED = {"add9": 14, "M7": 11, "7": 10}
_LOWEST, _HIGHEST, _WIDEST = 52, 76, 16
"""MIDI notes of a voicing, and how far apart its outer ones are at most."""
_MUDDY = 55
"""Below this note, intervals under a minor third blur."""


def chord(numeral: str) -> tuple[int, tuple[int, ...]]:
    """The root of a chord in semitones above the tonic, and its pitch classes above the tonic. "bVI", "V7", "Iadd9":
    capitals are major, small ones minor."""
    flat = numeral.count("b", 0, len(numeral) - len(numeral.lstrip("b")))
    body = numeral[flat:]
    added = next((name for name in _ADDED if body.endswith(name)), "")
    body = body[: len(body) - len(added)]
    root = (_STEPS[body.lower()] - flat) % 12
    third = 3 if body.islower() else 4
    above = [0, third, 7] + ([_ADDED[added]] if added else [])
    return root, tuple((root + step) % 12 for step in above)


def voiced(pitch_classes: Sequence[int], before: Sequence[int]) -> list[int]:
    """The notes of a chord that are nearest to those of the one before, lowest first, none a semitone apart."""
    options = [[note for note in range(_LOWEST, _HIGHEST + 1) if note % 12 == wanted] for wanted in pitch_classes]
    best: tuple[float, list[int]] | None = None
    for chosen in product(*options):
        notes = sorted(chosen)
        if any(b - a < 2 for a, b in pairwise(notes)) or notes[-1] - notes[0] > _WIDEST:
            continue
        if notes[0] < _MUDDY and notes[1] - notes[0] < 3:
            continue
        cost = _moved(notes, before)
        if best is None or cost < best[0]:
            best = cost, notes
    return best[1] if best else sorted(option[0] for option in options)


def _moved(notes: Sequence[int], before: Sequence[int]) -> float:
    if len(before) == len(notes):
        return float(sum(abs(a - b) for a, b in zip(notes, before, strict=True)))
    middle = sum(before) / len(before) if before else 61.0
    return abs(sum(notes) / len(notes) - middle) * 3
