"""Moods and styles of beds: tempo, mode and harmony of the one, instruments and figures of the other."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

MODES: Mapping[str, tuple[int, ...]] = {
    "ionian": (0, 2, 4, 5, 7, 9, 11), "lydian": (0, 2, 4, 6, 7, 9, 11), "aeolian": (0, 2, 3, 5, 7, 8, 10),
}  # fmt: skip
"""Semitones of a mode's steps above its tonic."""
PAD, FIGURE, BASS, MELODY = ROLES = ("pad", "figure", "bass", "melody")


@dataclass(frozen=True, slots=True)
class Mood:
    """``tempo``: beats a minute, lowest and highest. Progressions are four bars, cadences the last ones, in Roman
    numerals. ``density``: how many notes, 0 to 1. ``velocity``: how strongly they are struck. ``length``: how much of
    its time a note sounds."""

    words: str
    tempo: tuple[float, float]
    mode: str
    progressions: tuple[str, ...]
    cadences: tuple[str, ...]
    density: float
    velocity: float
    length: float


@dataclass(frozen=True, slots=True)
class Style:
    """``parts``: by role, the instrument and its level in dB; ``drums`` or ""; ``figure``: how chords are broken."""

    words: str
    parts: Mapping[str, tuple[str, float]]
    drums: str
    figure: str


MOODS: Mapping[str, Mood] = {
    "calm": Mood("calm", (60, 76), "ionian", ("I IV I V", "Iadd9 vi IVadd9 V", "I iii IV I", "vi IV I V"),
                 ("IV V I", "ii V I"), 0.30, 0.55, 1.0),
    "bright": Mood("bright", (108, 124), "ionian", ("I V vi IV", "I IV vi V", "I IV I V", "I iii IV V"),
                   ("IV V I", "ii V7 I"), 0.60, 0.75, 0.8),
    "curious": Mood("curious", (88, 104), "lydian", ("I II I I", "Iadd9 II vi I", "I iii II I", "I II IV I"),
                    ("IV V I", "ii V7 I"), 0.45, 0.62, 0.7),
    "proud": Mood("proud", (84, 98), "ionian", ("I IV V I", "I V vi IV", "vi IV I V", "I bVII IV I"),
                  ("IV V I", "IV V7 I"), 0.50, 0.82, 0.95),
    "tense": Mood("tense", (92, 112), "aeolian", ("i bVI i V", "i iv bVI V", "i i iv i", "i bII i V"),
                  ("iv V i", "bVI V7 i"), 0.40, 0.68, 0.7),
    "playful": Mood("playful", (112, 132), "ionian", ("I vi ii V", "I I IV V", "I IV I V7", "I ii V I"),
                    ("ii V7 I", "IV V7 I"), 0.65, 0.70, 0.5),
    "warm": Mood("warm", (72, 88), "ionian", ("IM7 vi IVadd9 V", "I iii vi IV", "Iadd9 IV vi V", "I IV ii V"),
                 ("ii V I", "IV V I"), 0.42, 0.62, 1.0),
    "wistful": Mood("wistful", (66, 80), "aeolian", ("i bVI bIII bVII", "i iv bVII bIII", "i v bVI iv", "bVI bVII i i"),
                    ("iv V i", "iv V7 i"), 0.36, 0.55, 1.0),
}  # fmt: skip


def _parts(pad: tuple[str, float], figure: tuple[str, float], bass: tuple[str, float],
           melody: tuple[str, float]) -> Mapping[str, tuple[str, float]]:  # fmt: skip
    return {PAD: pad, FIGURE: figure, BASS: bass, MELODY: melody}


STYLES: Mapping[str, Style] = {
    "felt-piano": Style("felt piano", _parts(("pad", -9), ("piano", -4), ("piano", -6), ("piano", -2)), "", "broken"),
    "nylon": Style("nylon plucks", _parts(("strings", -14), ("nylon", -3), ("upright", -4), ("nylon", -1)), "shaker",
                   "broken"),
    "music-box": Style("a music box", _parts(("pad", -10), ("celesta", -6), ("pad", -8), ("bell", -4)), "", "sparkle"),
    "synth-drift": Style("warm synths", _parts(("pad", -3), ("keys", -10), ("sub", -6), ("keys", -5)), "", "slow"),
    "quartet": Style("strings", _parts(("strings", -4), ("pizzicato", -4), ("cello", -6), ("strings", -4)), "",
                     "plucked"),
    "mallets": Style("mallets", _parts(("pad", -12), ("marimba", -2), ("upright", -4), ("marimba", -1)), "shaker",
                     "ostinato"),
    "electric-keys": Style("electric keys", _parts(("pad", -14), ("keys", -3), ("upright", -3), ("keys", -2)), "brush",
                           "chords"),
    "low-pulse": Style("a low pulse", _parts(("strings", -6), ("sub-pluck", -5), ("cello", -4), ("strings", -6)),
                       "toms", "pulse"),
}  # fmt: skip
