"""How well the words of a match are understood, by the recogniser that drafts recordings."""

from __future__ import annotations

from collections.abc import Iterable
from difflib import SequenceMatcher

from dearhost.speech.clips.transcript import plain
from dearhost.speech.matching.sample import Draft
from dearhost.speech.reading import Samples


def words_lost(said: Iterable[tuple[str, Samples]], rate: int, draft: Draft) -> int:
    """How many words of English texts are not heard as they are written in mono samples, or are heard besides. Raises
    UnreadableSound where the model that hears words is not installed."""
    lost = 0
    for text, samples in said:
        wanted, heard = _plain(text.split()), _plain(word.text for word in draft(samples, rate))
        steps = SequenceMatcher(None, wanted, heard, autojunk=False).get_opcodes()
        lost += sum(max(b - a, d - c) for step, a, b, c, d in steps if step != "equal")
    return lost


def _plain(words: Iterable[str]) -> list[str]:
    return [letters for word in words if (letters := plain(word))]
