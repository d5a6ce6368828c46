"""Sounds for the words of a scene: pale suggestions, few of them. Nothing is set by them."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import lru_cache

from dearhost.languages import LANGUAGES
from dearhost.languages.detecting import languages_of
from dearhost.script import blanked
from dearhost.things.stems import without_article, words_in

_GO_ON = frozenset({"rain", "wind", "sea", "fire", "birds", "crickets", "crowd", "stream", "clock"})
"""Sounds that lie under the whole clause."""
_CLAUSE = re.compile(r"[^.!?;:…]+[.!?;:…]*")
MOST = 3
"""Suggestions for a scene."""


@dataclass(frozen=True, slots=True)
class SoundProposal:
    """``sound`` for ``words``, which stand at ``start`` to ``end`` of ``line``; one that ``goes_on`` lies under them
    all, another comes on the first of them. ``word`` is what it was offered for."""

    line: str
    start: int
    end: int
    words: str
    sound: str
    word: str
    goes_on: bool


def sounds_for(lines: Iterable[tuple[str, str]]) -> list[SoundProposal]:
    """Sounds for the lines of a scene, as (id, text): one a clause, each sound once, MOST of them.

    A line is read in its own language where that is sure and has words for sounds, else in the scene's; English where
    nothing is.
    """
    read = list(lines)
    found: list[SoundProposal] = []
    for (line, text), language in zip(read, languages_of([blanked(text) for _, text in read], _LANGUAGES), strict=True):
        for proposal in _in_line(line, text, language):
            if all(proposal.sound != other.sound for other in found):
                found.append(proposal)
    return found[:MOST]


def _in_line(line: str, text: str, language: str) -> Iterator[SoundProposal]:
    denials, phrases = LANGUAGES[language].denials, _phrases(language)
    for clause in _CLAUSE.finditer(blanked(text)):
        words = [(match.group(), clause.start() + match.start(), clause.start() + match.end())
                 for match in words_in(clause.group())]  # fmt: skip
        if any(word.lower() in denials or word.lower().endswith("n't") for word, _, _ in words):
            continue
        said = [without_article(word) for word, _, _ in words]
        for sound, heard in phrases.items():
            at = next(((index, len(wanted)) for wanted in heard for index in range(len(said) - len(wanted) + 1)
                       if all(_is_word(said[index + i], word, first=index + i == 0) for i, word in enumerate(wanted))),
                      None)  # fmt: skip
            if at is None:
                continue
            index, count = at
            goes_on = sound in _GO_ON
            first, last = (0, len(words) - 1) if goes_on else (index, index + count - 1)
            start, end = words[first][1], words[last][2]
            word = " ".join(one for one, _, _ in words[index : index + count])
            yield SoundProposal(line, start, end, text[start:end], sound, word, goes_on)
            break


def _is_word(said: str, wanted: str, *, first: bool) -> bool:
    """A word with a capital letter inside a sentence is a name, or a noun of German."""
    return said == wanted or (first and said.lower() == wanted)


@lru_cache(maxsize=len(LANGUAGES))
def _phrases(language: str) -> Mapping[str, tuple[tuple[str, ...], ...]]:
    heard = LANGUAGES[language].heard
    return {sound: tuple(tuple(phrase.split()) for phrase in phrases.split("|")) for sound, phrases in heard.items()}


_LANGUAGES = frozenset(LANGUAGES)
