"""A script as sentences and breaths, each with its place and how far into the script it is said."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

from dearhost.script import Place, Script
from dearhost.speech import WordPlan, plan_words


@dataclass(frozen=True, slots=True)
class Said:
    """A spoken word and where the written word it belongs to stands in its line."""

    text: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Sentence:
    """``breaths`` are its words between one mark and the next; ``before`` counts the script's words ahead of it."""

    scene: int
    line: int
    text: str
    mark: str
    breaths: tuple[tuple[Said, ...], ...]
    before: int

    @property
    def words(self) -> tuple[Said, ...]:
        """All spoken words."""
        return tuple(word for breath in self.breaths for word in breath)

    @property
    def place(self) -> Place:
        """Where it stands."""
        return self.place_of(self.words)

    def place_of(self, words: tuple[Said, ...]) -> Place:
        """Where some of its words stand."""
        return Place(self.scene, self.line, words[0].start, words[-1].end)


@lru_cache(maxsize=8_000)
def _planned(text: str, language: str) -> WordPlan:
    """Kept, because advice is asked for again at every change of one line."""
    return plan_words(text, language)


def sentences_of(script: Script, language: str) -> Iterator[Sentence]:
    """Every sentence, in order; a line that ends without a mark ends its sentence."""
    before = 0
    for scene, number, line in script.lines():
        plan = _planned(line.text, language)
        for planned in plan.sentences:
            breaths = tuple(
                tuple(Said(w.text, plan.written[w.written].start, plan.written[w.written].end) for w in clause.words)
                for clause in planned.clauses
            )
            words = [word for breath in breaths for word in breath]
            text = line.text[words[0].start : words[-1].end]
            yield Sentence(scene, number, text, planned.mark, breaths, before)
            before += len({word.start for word in words})
