"""A brief as a writer reads it, once for all its drafts."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.errors import WritingError
from dearhost.script import Brief
from dearhost.writing.english.clauses import Form, form_of
from dearhost.writing.english.stems import sentences
from dearhost.writing.english.tagging import tagged
from dearhost.writing.frames import TONE_WORDS, Tone
from dearhost.writing.matter import Matter, matter_of
from dearhost.writing.pace import Pace
from dearhost.writing.points import Point, cleaned, names_in, read_points, weighted
from dearhost.writing.portrait import Portrait, portrait_of
from dearhost.writing.remarks import Remark, read_remarks
from dearhost.writing.sayings import Subject


@dataclass(frozen=True, slots=True)
class BriefRead:
    """A brief as a writer reads it, once for all its drafts."""

    brief: Brief
    speakers: tuple[str, ...]
    points: tuple[Point, ...]
    remarks: tuple[Remark, ...]
    matter: Matter
    names: frozenset[str]
    subject: Subject
    tone: Tone
    pace: Pace
    style: Portrait | None = None
    """How the writer's own sample sounds."""

    @property
    def topic(self) -> str:
        return self.brief.topic.strip().rstrip(".")

    @property
    def short_topic(self) -> str:
        """The topic by its noun alone: "the clock" of "the pocket tide clock"."""
        nouns = [token.text for token in tagged(self.topic) if token.is_noun]
        return f"the {nouns[-1]}" if nouns and self.topic.lower().startswith("the ") else self.topic

    @property
    def is_thing(self) -> bool:
        return self.subject.is_thing

    @property
    def is_lesson(self) -> bool:
        return self.matter is Matter.LESSON

    @property
    def call(self) -> str:
        return cleaned(self.brief.call_to_action)

    @property
    def purpose(self) -> str:
        return re.sub(r"^to ", "", cleaned(self.brief.purpose), flags=re.I)


MOST_POINTS, LONGEST_POINT = 120, 600
"""Points of a brief, and letters of one, that are worked with."""
MOST_REMARKS = 40
"""Of the audience's own words: what follows is for the leaf that sorts comments."""


def read_brief(brief: Brief, speakers: Sequence[str] = (), pace: Pace | None = None) -> BriefRead:
    """A brief's points, remarks and matter. The first of the ``speakers`` is the one who says them.

    Raises WritingError for more points, or longer ones, than can be worked with.
    """
    if len(brief.points) > MOST_POINTS:
        raise WritingError(f"The brief has {len(brief.points)} points; drafts are made of up to {MOST_POINTS}.")
    for number, point in enumerate(brief.points, 1):
        if len(point) > LONGEST_POINT:
            raise WritingError(f"Point {number} has {len(point):,} letters: divide it into points said in one breath.")
    names = names_in(brief.points, speakers)
    points = read_points(brief.points, f"{brief.topic} {brief.purpose}")
    matter = matter_of(brief, points)
    if matter is Matter.PRODUCT:  # "It" is the thing, not what the point before speaks of
        points = read_points([_of_the_thing(point) for point in brief.points], f"{brief.topic} {brief.purpose}")
    return BriefRead(
        brief,
        tuple(speakers) or ("Host",),
        weighted(points, f"{brief.purpose} {brief.topic}", brief.call_to_action),
        read_remarks([said[:LONGEST_POINT] for said in brief.own_words.split("\n")[:MOST_REMARKS]]),
        matter,
        names,
        Subject(matter is Matter.PRODUCT, _is_several(brief.topic)),
        _tone(brief.tone),
        pace or Pace(),
        portrait_of(brief.sample) if sentences(brief.sample) else None,
    )


def _of_the_thing(point: str) -> str:
    """A point that begins with "It" as what is said of the thing: "It comes with three wicks" -> "comes with …"."""
    rest = re.match(r"\s*(?:[-*•–]\s+)?It (.+)$", point)
    return rest[1] if rest and form_of(cleaned(rest[1])) is Form.VERB_PHRASE else point


def _is_several(topic: str) -> bool:
    """Whether the topic is several things: by its noun before an "of", not by the last one."""
    nouns = [token for token in tagged(re.split(r"\b(?:of|for|in|on|at|with|from)\b", topic)[0]) if token.is_noun]
    return bool(nouns) and nouns[-1].tag == "NN2"


def _tone(words: str) -> Tone:
    found = (TONE_WORDS[word] for word in re.findall(r"[a-z]+", words.lower()) if word in TONE_WORDS)
    return next(found, Tone.PLAIN)
