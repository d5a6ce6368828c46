"""What is said in a clip as lines of a script, cut where a speaker breathes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.speech.aligning.breaths import finished
from dearhost.speech.clips.transcript import ClipWord, Transcript

_STOPS = (".", "!", "?", "…")
_BREATH, _LONG_BREATH = 0.3, 1.2
"""Seconds of a pause at which a line ends after a sentence, and anywhere."""
_MANY, _MOST = 18, 45
"""Words from which a line ends with its sentence, and at which it ends anyhow."""


@dataclass(frozen=True, slots=True)
class ClipLine:
    """A line that is said from ``begins`` seconds into a clip on."""

    text: str
    begins: float


def lines_of(transcript: Transcript) -> list[ClipLine]:
    """All that is said in a clip, in lines."""
    groups: list[list[ClipWord]] = []
    for index, word in enumerate(transcript.words):
        if not groups or _ends(groups[-1], word):
            groups.append([])
        groups[-1].append(transcript.words[index])
    return [ClipLine(_written(group), round(group[0].start, 3)) for group in groups]


def _ends(line: Sequence[ClipWord], following: ClipWord) -> bool:
    pause, sentence = following.start - line[-1].end, line[-1].text.endswith(_STOPS)
    return (sentence and (pause >= _BREATH or len(line) >= _MANY)) or pause >= _LONG_BREATH or len(line) >= _MOST


def _written(words: Sequence[ClipWord]) -> str:
    """The words as a line: a hesitation is set apart by commas, and it ends with a stop."""
    parts = [word.text.rstrip(",") + "," if _is_set_apart(word) else word.text for word in words]
    return finished(" ".join(parts))


def _is_set_apart(word: ClipWord) -> bool:
    return word.hesitation and not word.text.endswith(_STOPS)
