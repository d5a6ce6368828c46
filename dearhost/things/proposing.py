"""What a picture of some words could show: which things, and how they stand to each other.

A suggestion always: meaning can go wrong, so that it names the words it comes from and what else it could be.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import NamedTuple

from dearhost.languages import LANGUAGES
from dearhost.things.finding import ThingIndex, terms_of
from dearhost.things.glosses import in_english
from dearhost.things.stems import stem, words_in

_LEAST = 1.5
"""Below this score a thing has too little to do with its word."""
_TWO_WORDS = 1.5
_VERB = 0.55
"""What a word that says how things stand counts as a thing: "send" is an arrow sooner than a letter."""
_MOST, _RUNNERS = 3, 4
_WEAK_WORDS = """
good new well big small high low next old long short great nice dark dry wet warm cold hot late early quick fast
slow strong quiet loud best better first last free safe open closed full empty whole half ready busy young easy
hard left right today now soon again always
"""
_WEAK = frozenset(_WEAK_WORDS.split())
_WEAK_PART = 0.4
"""What a word that tells how something is counts as a thing: a dark line is no lantern."""


class _Relation(NamedTuple):
    template: str
    words: frozenset[str]
    needs: int
    """Things it takes."""


def _relation(template: str, words: str, needs: int = 1) -> _Relation:
    return _Relation(template, frozenset(map(stem, words.split())), needs)


_RELATIONS = (
    _relation("versus", "or versus than instead unlike", 2),
    _relation("negation", "not no never without don't stop avoid can't cannot nobody forbid forbidden ban won't"),
    _relation("pull", "pull attract draw lift drag raise", 2),
    _relation(
        "sequence", "send give push carry bring deliver go move reach turn then after become before into until", 2
    ),
    _relation("badge", "protect keep guard cover secure", 2),
    _relation("up", "grow rise rose increase climb improve higher grew"),
    _relation("down", "fall drop decrease shrink reduce lower sink fewer"),
)
"""In the order they are thought of."""
_COUNTS = {"two": 2, "both": 2, "three": 3, "four": 4, "five": 5, "six": 6, "several": 4, "many": 5, "dozens": 6}
_STOP_WORDS = """
just very so up out there here when all every each has have had will can may must please let us also more most
"""
_STOP = LANGUAGES["en"].function_words | frozenset(_STOP_WORDS.split())


@dataclass(frozen=True, slots=True)
class Word:
    """A word that led to a thing: where it stands in the text."""

    text: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Part:
    """A thing of a picture, the words it comes from, and what else could be shown for them."""

    thing: str
    words: tuple[Word, ...]
    score: float
    runners_up: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Proposal:
    """A picture: ``parts`` in the order they are said, ``template`` how they stand to each other, ``count`` how often
    the first is shown. Without parts the template is "words": the ``key`` word is set large."""

    template: str
    parts: tuple[Part, ...]
    count: int
    key: str

    @property
    def things(self) -> tuple[str, ...]:
        """The names of its things."""
        return tuple(part.thing for part in self.parts)


def propose(text: str, index: ThingIndex, language: str = "en") -> Proposal:
    """The picture for a phrase; in another language than English by the words that have a gloss."""
    matches = words_in(text)
    words = [match.group().lower().replace("’", "'") for match in matches]
    placed = [Word(match.group(), match.start(), match.end()) for match in matches]
    parts, relations, counted = _read([in_english(word, language) for word in words], placed, index)
    stop = _STOP if language == "en" else LANGUAGES[language].weak_ends
    content = [word for word in words if word not in stop and not word.isdigit()]
    key = max(content or words or [""], key=len)
    best = sorted(parts, key=lambda entry: -entry[1].score)[:_MOST]
    kept = [entry for entry in parts if entry in best]
    if not kept:
        return Proposal("words", (), 1, key)
    template, chosen, count = _template(kept, relations, counted)
    return Proposal(template, tuple(part for _, part in chosen), count, key)


Placed = list[tuple[int, Part]]


def _read(
    words: list[str], placed: list[Word], index: ThingIndex
) -> tuple[Placed, list[tuple[int, str]], dict[int, int]]:
    """Things with the place of their word, relations with theirs, and how many of what follows there are."""
    parts: Placed = []
    relations: list[tuple[int, str]] = []
    counted: dict[int, int] = {}
    at = 0
    while at < len(words):
        word, root = words[at], stem(words[at])
        number = int(word) if word.isdecimal() and len(word) == 1 else _COUNTS.get(word, 0)
        if 2 <= number <= 9:
            if words[at + 1 : at + 2] != ["times"]:  # how often, not how many
                counted[at] = number
            at += 1
            continue
        relation = next((r.template for r in _RELATIONS if root in r.words or word in r.words), "")
        if relation:
            relations.append((at, relation))
        pair = _found(words[at : at + 2], placed[at : at + 2], index, two=True) if at + 1 < len(words) else None
        if pair:
            parts.append((at, pair))
            at += 2
            continue
        if word not in _STOP and len(word) > 1:
            single = _found([word], [placed[at]], index)
            if single and (relation or word in _WEAK):
                single = replace(single, score=single.score * (_VERB if relation else _WEAK_PART))
            if single and single.score >= _LEAST and not any(single.thing == part.thing for _, part in parts):
                parts.append((at, single))
        at += 1
    return parts, relations, counted


def _found(words: list[str], placed: list[Word], index: ThingIndex, *, two: bool = False) -> Part | None:
    ranked = index.rank([f"{stem(words[0])}_{stem(words[1])}"] if two else terms_of(words))
    # a shape is taken for its name only: what else it is listed under is too wide, and only offered
    fitting = (one for one in ranked if two or index.is_drawn(one.name) or index.is_named(one.name, words[0]))
    best = next(fitting, None)
    if best is None:
        return None
    runners = [*fitting, *ranked]
    names = dict.fromkeys(one.name for one in runners if one.name != best.name)
    return Part(best.name, tuple(placed), best.score * (_TWO_WORDS if two else 1.0), tuple(names)[:_RUNNERS])


def _template(parts: Placed, relations: list[tuple[int, str]], counted: dict[int, int]) -> tuple[str, Placed, int]:
    """The template, the things it shows, and how many of the first."""
    asked = {template for _, template in relations}
    for relation in _RELATIONS:
        if relation.template not in asked or len(parts) < relation.needs:
            continue
        if relation.template == "negation":
            where = next(at for at, template in relations if template == "negation")
            after = [entry for entry in parts if entry[0] > where] or parts[-1:]
            return "negation", after[:2], 1  # the first is struck out: what is done, not what it is done to
        return relation.template, parts[: 2 if relation.needs == 2 and relation.template != "sequence" else 3], 1
    for at, number in counted.items():
        following = next((entry for entry in parts if 0 < entry[0] - at <= 3), None)
        if following:
            return "many", [following], min(number, 6)
    return {1: "solo", 2: "pair"}.get(len(parts), "trio"), parts, 1
