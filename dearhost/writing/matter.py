"""What a brief is about: a thing, a lesson, a greeting, a warning, a story or an event."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from enum import StrEnum

from dearhost.script import Brief
from dearhost.writing.english.clauses import Form
from dearhost.writing.points import Kind, Point, is_price


class Matter(StrEnum):
    """It decides how the topic is spoken of and which structures are tried first."""

    PRODUCT = "product"
    LESSON = "lesson"
    GREETING = "greeting"
    NOTICE = "notice"
    STORY = "story"
    EVENT = "event"


OPEN_SLOTS: Mapping[Matter, tuple[str, ...]] = {
    Matter.PRODUCT: (
        "{a buyer, in their own words}",
        "{how it came about}",
        "{what they used before, and what went wrong}",
        "{where one would take it}",
        "{what comes in the box}",
    ),
    Matter.LESSON: (
        "{an example from their own day}",
        "{what people often get wrong}",
        "{a second example}",
        "{what they can try at home}",
    ),
    Matter.GREETING: (
        "{one thing you look forward to}",
        "{something about the team}",
        "{what the place is like that day}",
    ),
    Matter.NOTICE: ("{one more thing they should know}", "{whom to ask}", "{what happened once, and when}"),
    Matter.STORY: (
        "{what the place looks and sounds like}",
        "{what they think at that moment}",
        "{what somebody says}",
        "{what came of it}",
    ),
    Matter.EVENT: (
        "{what one sees there}",
        "{when it starts and ends}",
        "{what it costs}",
        "{what somebody said about it}",
        "{what to bring}",
    ),
}
"""What a draft asks for where the brief does not hold enough for its length."""

_TO_LEARN = re.compile(
    r"(?:to |so that they |that they |they )?(?:should )?(know|understand|learn|be able to|see why|see how|tell apart"
    r"|find out|recognise|explain|teach)\b",
    re.I,
)
_WELCOMES = re.compile(
    r"\b(welcome|greet|greeting|thank|invite|congratulate|feel expected|first (?:day|morning|week)|anniversary)\b", re.I
)
_WARNS = re.compile(
    r"\b(warn|warning|safe|safety|danger|careful|in time|keep off|off the|tell visitors|closed|moving|notice)\b", re.I
)
_TELLS = re.compile(r"\b(story|tale|history of)\b", re.I)
_DAYS = re.compile(r"\b((?:mon|tues|wednes|thurs|fri|satur|sun)days?|\d{1,2} (?:to|until) \d{1,2})\b", re.I)


def matter_of(brief: Brief, points: Sequence[Point]) -> Matter:
    """The matter of a brief, from its topic, its purpose and the kinds of its points."""
    aim = f"{brief.topic} . {brief.purpose}"
    if _WELCOMES.search(aim):
        return Matter.GREETING
    rules = sum(Kind.RULE in point.kinds for point in points)
    if _WARNS.search(aim) or rules >= max(2, len(points) // 3):
        return Matter.NOTICE
    if _TO_LEARN.match(brief.purpose.strip()):
        return Matter.LESSON
    if _TELLS.search(aim) or _is_told(points):
        return Matter.STORY
    if any(_is_date(point) for point in points) and not _is_thing(points):
        return Matter.EVENT
    if _is_thing(points) or any(is_price(point) for point in points):
        return Matter.PRODUCT
    return Matter.LESSON if sum(Kind.CAUSE in point.kinds for point in points) >= 2 else Matter.EVENT


def _is_date(point: Point) -> bool:
    """A day by itself: "Every Sunday in July", not "open on Mondays" in a sentence."""
    return point.form in (Form.NOUN_PHRASE, Form.PREPOSITIONAL) and bool(_DAYS.search(point.text))


def _is_thing(points: Sequence[Point]) -> bool:
    """Whether the topic is a thing: points say what it does without naming it."""
    return any(point.form is Form.VERB_PHRASE for point in points)


def _is_told(points: Sequence[Point]) -> bool:
    """Whether points tell what one person does: most begin with the same he or she."""
    told = sum(bool(re.match(r"(she|he|then|after|halfway|on (?:her|his))\b", point.text, re.I)) for point in points)
    return len(points) >= 5 and told >= len(points) / 3
