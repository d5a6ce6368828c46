"""The points of a brief: their form, what kinds of thing they say, and what each needs to be understood."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum

from dearhost.writing.english.clauses import (
    Form,
    form_of,
    is_common_word,
)
from dearhost.writing.english.numbers import number_phrases
from dearhost.writing.english.stems import stems
from dearhost.writing.english.tagging import DETERMINERS, PAST, PRONOUNS, expanded, tagged
from dearhost.writing.english.verbs import is_known
from dearhost.writing.mood import PAINFUL, mood_of


class Kind(StrEnum):
    """What a point says; it may be of several."""

    NUMBER = "number"
    STEP = "step"
    CAUSE = "cause"
    CONTRAST = "contrast"
    BENEFIT = "benefit"
    OFFER = "offer"
    RULE = "rule"
    NEGATIVE = "negative"
    EVENT = "event"
    PAIN = "pain"
    LIKENESS = "likeness"


@dataclass(frozen=True, slots=True)
class Point:
    """A point in the writer's words, without its mark. ``number`` is its place in the brief, from 0."""

    number: int
    text: str
    form: Form
    kinds: frozenset[Kind] = frozenset()
    quantities: tuple[str, ...] = ()
    """Phrases with a number: "38 pounds"."""
    leans: bool = False
    """On the point before it: it begins with So, That, It, Then."""
    needs: frozenset[int] = field(default_factory=frozenset)
    """Numbers of the points without which this one hangs in the air."""
    weight: float = 1.0
    """What it is worth to have it said."""


_PRICE = re.compile(r"[£€$]|pounds|euros|pence")
_OFFER = re.compile(
    r"[£€$]\s?\d|\b(pounds?|pence|euros?|price|costs?|free|tickets?|discount|delivery|in the (museum )?shop"
    r"|opening hours|open (from|every|daily|until)|book|order)\b",
    re.I,
)
_RULE = re.compile(
    r"\b(must|never|do not|don't|always|keep|stay|only when|at least|not allowed|forbidden|leave)\b", re.I
)
_FORBIDS = re.compile(r"\b(must|not allowed|forbidden|do not)\b", re.I)
_STORY = re.compile(
    r"\b(one (morning|day|evening|night|winter|summer)|once|then|suddenly|that (night|morning|day|evening)"
    r"|last (summer|winter|year))\b",
    re.I,
)
_CONTRAST = re.compile(
    r"\b(but|instead of|unlike|rather than|although|though|while|yet|not \w+(?: \w+){0,4}, but)\b", re.I
)
_CAUSE = re.compile(r"\b(because|since|that is why|which is why|therefore|as a result)\b|, so\b", re.I)
_BENEFIT = re.compile(
    r"\b(so (that )?you|you (can|will|never|always|know|see|get|need|stop|save|learn|keep|do not|have)|lets? you"
    r"|helps? you|your own|for you|without having to)\b",
    re.I,
)
_NEGATIVE = re.compile(r"\bno \w+|\b(without|not|never|nobody)\b", re.I)
_LIKENESS = re.compile(r"(?:imagine|picture|think of|it is like|like )|.*\b(is|are) like\b|.*\bas if\b", re.I)
_NEEDED = re.compile(r"(no \w+(?: \w+)?(?:(?:,| and| or) (?:no )?\w+(?: \w+)?)*) (needed|required|necessary)$", re.I)
_LEANS = re.compile(r"(so|that|this|it|they|she|he|since then|then|but|and)\b", re.I)
_GOES_ON = re.compile(r"(then|next|finally|after that)\b", re.I)
_LATER = re.compile(r"\b(later|afterwards|meanwhile|the next|the rest)\b")
_THEY = re.compile(r"\b(they|them)\b")
_BACKWARD = re.compile(r"(so|it|she|he|they|but|and)\b", re.I)


def cleaned(text: str) -> str:
    """A point without its list mark, its full stop and its contractions."""
    text = re.sub(r"^\s*(?:[-*•–]|\d+[.)])\s+", "", expanded(text)).strip().rstrip(".;, ")
    return re.sub(r"\s+", " ", text)


def names_in(points: Sequence[str], known: Collection[str] = ()) -> frozenset[str]:
    """Names a brief's points use: those given, and capital words that no dictionary has."""
    names = set(known)
    for point in points:
        first = re.match(r"[A-Z][a-z]+", point)
        if first and _is_name(first[0].lower()):
            names.add(first[0])
        names |= set(re.findall(r"(?<=[a-z,] )([A-Z]\w+)", point))
        tokens = tagged(cleaned(point))
        if tokens and tokens[0].tag == "NP0" and not is_common_word(tokens[0].text):
            names.add(tokens[0].text)
    return frozenset(names - {"I"})


def _is_name(lower: str) -> bool:
    return (
        not is_known(lower)
        and lower not in DETERMINERS
        and lower not in PRONOUNS
        and tagged(lower)[0].tag[:2] in ("NN", "NP", "UN", "VV", "AJ")
    )


def read_points(texts: Sequence[str], known: str = "") -> tuple[Point, ...]:
    """The points of a brief. Words of ``known`` (its topic and purpose) need no introduction.

    A point without a word is left out, and the others keep their numbers.
    """
    points = [_read(number, text) for number, text in enumerate(texts) if re.search(r"\w", text)]
    return _linked(points, known)


def weighted(points: Sequence[Point], purpose: str, call: str) -> tuple[Point, ...]:
    """The points with what they are worth: order, benefit, rule, offer, and words shared with the purpose."""
    goal, act = set(stems(purpose)), set(stems(call))
    last = max(1, len(points) - 1)
    return tuple(replace(point, weight=_weight(point, index / last, goal, act)) for index, point in enumerate(points))


def _weight(point: Point, place: float, goal: set[str], act: set[str]) -> float:
    own = set(stems(point.text))
    weight = 2.2 - 0.9 * place + 0.6 * len(own & goal) / max(1, len(goal))
    if re.search(r"that is why|\bso\b", point.text):
        weight += 0.8
    if own and len(own & act) / len(own) >= 0.5:  # the call says it already
        weight -= 1.0
    if Kind.BENEFIT in point.kinds and point.form is Form.SENTENCE:
        weight += 1.2
    if Kind.RULE in point.kinds:
        weight += 0.4
    if Kind.OFFER in point.kinds:
        weight += 0.3
    return weight


def is_price(point: Point) -> bool:
    return Kind.OFFER in point.kinds and bool(_PRICE.search(point.text))


def _read(number: int, text: str) -> Point:
    text = cleaned(text)
    form = form_of(text)
    needed = _NEEDED.match(text)
    if needed:
        form, text = Form.NOUN_PHRASE, needed[1]
    if text.startswith(("If ", "When ")):
        form = Form.SENTENCE
    leans = (bool(_LEANS.match(text)) and form is Form.SENTENCE) or bool(_GOES_ON.match(text))
    return Point(number, text, form, frozenset(_kinds(text, form)), number_phrases(text), leans)


def _kinds(text: str, form: Form) -> set[Kind]:
    kinds = {
        kind
        for kind, pattern in (
            (Kind.CAUSE, _CAUSE),
            (Kind.CONTRAST, _CONTRAST),
            (Kind.BENEFIT, _BENEFIT),
            (Kind.OFFER, _OFFER),
            (Kind.NEGATIVE, _NEGATIVE),
            (Kind.EVENT, _STORY),
        )
        if pattern.search(text)
    }
    if number_phrases(text):
        kinds.add(Kind.NUMBER)
    if form is Form.IMPERATIVE or re.match(r"(first,|then|next,|after that|finally|last,)", text, re.I):
        kinds.add(Kind.STEP)
    if _RULE.search(text) and (form is Form.IMPERATIVE or _FORBIDS.search(text)):
        kinds.add(Kind.RULE)
    if any(token.tag in PAST for token in tagged(text)):
        kinds.add(Kind.EVENT)
    if _LIKENESS.match(text):
        kinds.add(Kind.LIKENESS)
    words = set(re.findall(r"[a-z']+", text.lower()))
    bad = mood_of(re.sub(r"\b(no|not|never|without)\b", "", text)) < -0.5 or words & PAINFUL
    if bad and form is Form.SENTENCE and not kinds & {Kind.BENEFIT, Kind.RULE}:
        kinds.add(Kind.PAIN)
    return kinds


@dataclass(frozen=True, slots=True)
class _Noun:
    stem: str
    definite: bool
    compound: bool
    """Part of a longer name: "tide gauge", "two low hills"."""


def _nouns(text: str) -> list[_Noun]:
    tokens = tagged(text)
    found = []
    for index, token in enumerate(tokens):
        if not token.is_noun:
            continue
        start = index
        while start > 0 and (
            tokens[start - 1].tag[:2] in ("NN", "AJ", "CR", "NP", "OR") or tokens[start - 1].lower in ("own", "other")
        ):
            start -= 1
        before = tokens[start - 1].lower if start > 0 else ""
        last = not (index + 1 < len(tokens) and tokens[index + 1].is_noun)
        found.append(
            _Noun(
                token.lemma.lower().rstrip("s"),
                before in ("the", "that", "this", "these", "those"),
                index - start + (0 if last else 1) > 0,
            )
        )
    return found


def _linked(points: Sequence[Point], known: str) -> tuple[Point, ...]:
    nouns = [_nouns(point.text) for point in points]
    introduced = {word.rstrip("s") for word in re.findall(r"[a-z]+", known.lower())}
    linked: list[Point] = []
    for index, point in enumerate(points):
        needs: set[int] = set()
        if index:
            needs |= _needs_before(point, linked)
        for noun in nouns[index]:
            if not noun.definite or noun.stem in introduced:
                continue
            first = next(
                (
                    (earlier.number, mention)
                    for earlier, mentions in zip(points[:index], nouns, strict=False)
                    for mention in mentions
                    if mention.stem == noun.stem
                ),
                None,
            )
            if first and (not first[1].definite or first[1].compound):
                needs.add(first[0])
        linked.append(replace(point, needs=frozenset(needs)))
    return tuple(linked)


def _needs_before(point: Point, before: Sequence[Point]) -> set[int]:
    """Which points before it a point speaks of with "it", "they", "later"."""
    needs = set()
    text, head = point.text, len(before) - 1
    if point.leans or (_LATER.search(text) and " than " not in text):
        if _BACKWARD.match(text) and " later" not in text:
            while before[head].leans and head > 0:
                head -= 1
        needs.add(before[head].number)
    if _THEY.search(text) and not point.leans and point.form is Form.SENTENCE:
        own = tagged(_THEY.split(text)[0])
        if not any(token.tag == "NN2" for token in own):
            needs.add(before[-1].number)
    return needs
