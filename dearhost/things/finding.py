"""Things found by words: BM25 (Robertson and Zaragoza 2009) over their names and the words they are looked for by."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from typing import NamedTuple

from dearhost.things.glosses import GLOSSED, in_english
from dearhost.things.stems import stem, words_in
from dearhost.things.thing import Thing

_K, _B = 1.4, 0.6
_NAME, _SHAPE_NAME = 3, 2
"""How often a name counts; a shape's less, since drawings by hand go before it."""
_SHAPE = 0.72
"""What a shape's score counts beside that of a drawing by hand."""
_PREFIX = 0.6
SYNONYMS = {
    "lunar": "moon", "ocean": "sea", "seaside": "beach", "purchase": "buy", "kids": "child", "child": "family",
    "folk": "people", "smartphone": "phone", "mailing": "letter", "notion": "idea", "cottage": "house",
    "vessel": "boat", "quid": "money", "cash": "money", "physician": "doctor", "auto": "car", "automobile": "car",
    "infant": "baby", "meal": "food", "supper": "dinner", "present": "gift", "rubbish": "waste", "film": "video",
    "movie": "video", "autumn": "leaf", "holiday": "travel", "vacation": "travel", "job": "work", "colleague": "team",
    "employee": "worker", "pupil": "student", "teacher": "lesson", "plane": "aeroplane", "cafe": "café",
    "coffee": "cup", "jail": "lock", "fee": "price", "wage": "salary", "storm": "thunder", "blossom": "flower",
}  # fmt: skip


class Found(NamedTuple):
    """A thing and how well it fits, above 0."""

    score: float
    name: str


class ThingIndex:
    """An index over things; it does not change."""

    def __init__(self, things: Mapping[str, Thing]) -> None:
        self._things = things
        self._counts = {name: Counter(_terms(thing)) for name, thing in things.items()}
        self._lengths = {name: counts.total() for name, counts in self._counts.items()}
        self._average = sum(self._lengths.values()) / max(1, len(things))
        holders: dict[str, list[str]] = {}
        for name, counts in self._counts.items():
            for term in counts:
                holders.setdefault(term, []).append(name)
        self._holders = holders

    def rank(self, terms: Iterable[str]) -> list[Found]:
        """The things that hold any of the stemmed ``terms`` ("low_tide" for two words), best first."""
        scores: dict[str, float] = {}
        for term in dict.fromkeys(terms):
            names = self._holders.get(term, ())
            rarity = math.log(1 + (len(self._things) - len(names) + 0.5) / (len(names) + 0.5))
            for name in names:
                often = self._counts[name][term]
                length = 1 - _B + _B * self._lengths[name] / self._average
                score = rarity * often * (_K + 1) / (often + _K * length)
                scores[name] = scores.get(name, 0.0) + score * (1.0 if self._things[name].drawn else _SHAPE)
        return sorted((Found(score, name) for name, score in scores.items()), key=lambda f: (-f.score, f.name))

    def is_drawn(self, name: str) -> bool:
        """Whether a thing is drawn by hand."""
        return self._things[name].drawn

    def is_named(self, name: str, word: str) -> bool:
        """Whether a word is a part of a thing's name."""
        return stem(word) in map(stem, name.split("-"))

    def search(self, text: str, most: int = 24) -> list[str]:
        """Names for what somebody types to look for a thing, best first; a word that is not finished counts too."""
        words = [match.group().lower() for match in words_in(text)]
        if not words:
            return list(self._things)[:most]
        ranked = {found.name: found.score for found in self.rank(terms_of(words)) or self.rank(_glossed(words))}
        for name in self._things:
            if any(part.startswith(words[-1]) for part in name.split("-")):
                begins = (2 if name.startswith(words[-1]) else 1) * (2 if self._things[name].drawn else 1)
                ranked[name] = ranked.get(name, 0.0) + _PREFIX * begins
        return sorted(ranked, key=lambda name: (-ranked[name], name))[:most]


def _glossed(words: Iterable[str]) -> list[str]:
    """Terms for words of other languages than English."""
    english = (in_english(word, language) for word in words if not word.isdecimal() for language in GLOSSED)
    return [stem(word) for word in english if word]


def terms_of(words: Sequence[str]) -> list[str]:
    """The stems of words, of their synonyms, and of two that stand together."""
    terms = []
    for index, word in enumerate(words):
        terms.append(stem(word))
        if word in SYNONYMS or terms[-1] in SYNONYMS:
            terms.append(stem(SYNONYMS.get(word) or SYNONYMS[terms[-1]]))
        if index + 1 < len(words):
            terms.append(f"{stem(word)}_{stem(words[index + 1])}")
    return terms


def _terms(thing: Thing) -> list[str]:
    parts = thing.name.split("-")
    name = ["_".join(map(stem, parts)), *(map(stem, parts) if len(parts) > 1 else ())]
    listed = []
    for words in thing.words.split():
        own = words.split("_")
        listed.append("_".join(map(stem, own)))
        if len(own) > 1 and not thing.drawn:
            listed += map(stem, own)
    return name * (_NAME if thing.drawn else _SHAPE_NAME) + listed
