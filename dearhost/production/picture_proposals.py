"""Pictures for the words of a line: pale suggestions, a sentence or a clause at a time. Nothing is set by them."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dearhost.hosts import thing_index
from dearhost.languages import LANGUAGES
from dearhost.languages.detecting import languages_of
from dearhost.script import blanked
from dearhost.things import UNDERSTOOD, Proposal, propose

_CLAUSE = re.compile(r"[^.!?;:…]+[.!?;:…]*")
_LEAST_WORDS = 2
_LEAST = 3.2
"""Score of a picture's best thing below which a sentence is better left without one."""


@dataclass(frozen=True, slots=True)
class PictureProposal:
    """A picture for ``words``, which stand at ``start`` to ``end`` of a line's text."""

    start: int
    end: int
    words: str
    proposal: Proposal


def pictures_in(texts: Sequence[str], *, every: bool = False) -> list[list[PictureProposal]]:
    """Pictures for each line of a scene, each read in its own language; none for one in a language without glosses."""
    languages = languages_of([blanked(text) for text in texts], frozenset(LANGUAGES))
    return [
        list(pictures_for(text, language, every=every)) if language in UNDERSTOOD else []
        for text, language in zip(texts, languages, strict=True)
    ]


def pictures_for(text: str, language: str = "en", *, every: bool = False) -> Iterator[PictureProposal]:
    """A picture for each sentence of a text that has something to show; with ``every`` also one whose word is only set
    large."""
    visible = blanked(text)
    for match in _CLAUSE.finditer(visible):
        words = match.group().strip()
        if len(words.split()) < (1 if every else _LEAST_WORDS):
            continue
        proposal = propose(words, thing_index(), language)
        best = max((part.score for part in proposal.parts), default=0.0)
        if every or best >= _LEAST:
            start = match.start() + len(match.group()) - len(match.group().lstrip())
            yield PictureProposal(start, start + len(words), words, proposal)
