"""Whether the points of a brief are said, and where."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.script import Place
from dearhost.speech import plan_words
from dearhost.writing.advice.notes import Advice, shown
from dearhost.writing.advice.sentences import Sentence
from dearhost.writing.advice.wording import carries_meaning, stem

_SAID, _HALF = 0.65, 0.34
"""Shares of a point's words (common practice, no source)."""
_WINDOW = 3
"""A point may be spread over so many sentences of a scene."""


@dataclass(frozen=True, slots=True)
class Coverage:
    """The best place for a point: the share of its words said there, and the words that are not."""

    share: float
    missing: tuple[str, ...]
    at: Place | None


def cover(point: str, sentences: Sequence[Sentence], language: str) -> Coverage | None:
    """Where ``point`` is said best, the shortest and earliest place first; None when it has no words."""
    said = [w.text for s in plan_words(point, language).sentences for w in s.words]
    telling = [w for w in said if carries_meaning(w, language)]
    wanted = {stem(w, language): w for w in telling or said}
    if not wanted:
        return None
    best = Coverage(0.0, tuple(wanted.values()), None)
    stems = [{stem(w.text, language): w for w in sentence.words} for sentence in sentences]
    for length in range(1, _WINDOW + 1):
        for first in range(len(sentences) - length + 1):
            group = sentences[first : first + length]
            if group[0].scene != group[-1].scene:
                continue
            hit = set().union(*stems[first : first + length]) & wanted.keys()
            share = len(hit) / len(wanted)
            if share > best.share:
                missing = tuple(word for key, word in wanted.items() if key not in hit)
                place = group[0].place
                if group[-1].line == place.line:
                    place = Place(place.scene, place.line, place.start, group[-1].place.end)
                best = Coverage(share, missing, place)
    return best


def points_said(points: Sequence[str], sentences: Sequence[Sentence], language: str) -> list[Advice]:
    """One piece of advice a point: said, half said or not said."""
    found = []
    for point in points:
        coverage = cover(point, sentences, language)
        if coverage is None:
            continue
        name, place = shown(point), coverage.at
        if place and coverage.share >= _SAID:
            found.append(Advice("point", f"{name} is said.", f"{_where(place)}.", place, settled=True))
        elif place and coverage.share >= _HALF:
            words = ", ".join(f"“{w}”" for w in coverage.missing[:4])
            why = f"{_where(place)} comes near it, without {words}."
            found.append(Advice("point", f"{name} is half said.", why, place))
        else:
            found.append(Advice("point", f"{name} is not said yet.", "The brief says that it must be."))
    return found


def _where(place: Place) -> str:
    """The place, to begin a sentence with."""
    return str(place).capitalize()


def call_to_action(text: str, sentences: Sequence[Sentence], language: str) -> list[Advice]:
    """Whether the call to action is said, and whether it is said near the end, where it is acted on."""
    coverage = cover(text, sentences, language) if text.strip() else None
    if coverage is None:
        return []
    place = coverage.at
    if coverage.share < _SAID or place is None:
        near = f" {_where(place)} comes nearest." if place and coverage.share >= _HALF else ""
        detail = f"{shown(text)} is in the brief, but nobody says it.{near}"
        return [Advice("call-to-action", "The call to action is missing.", detail, place)]
    last = _last_place(text, sentences, language) or place
    words = sentences[-1].before + len(sentences[-1].words)
    at = next(s for s in sentences if (s.scene, s.line) == (last.scene, last.line))
    if words - at.before <= max(60, words // 4):
        title = "The call to action is said near the end."
        return [Advice("call-to-action", title, f"{_where(last)}.", last, settled=True)]
    detail = f"It is last said at {last}. Say it again at the end, where people can act on it."
    return [Advice("call-to-action", "The call to action comes early.", detail, last)]


def _last_place(text: str, sentences: Sequence[Sentence], language: str) -> Place | None:
    """The last single sentence that says it."""
    for sentence in reversed(sentences):
        said = cover(text, [sentence], language)
        if said and said.share >= _SAID:
            return sentence.place
    return None
