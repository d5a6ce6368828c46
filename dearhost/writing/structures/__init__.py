"""Structures: the orders in which a matter can be told.

A new one is a function that lays it out, and its entry here.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.matter import Matter
from dearhost.writing.outline import Outline
from dearhost.writing.structures.carrying import (
    needs_comments,
    needs_gain,
    needs_person,
    needs_question,
    needs_reasons,
    needs_rules,
    needs_story,
    needs_trouble,
    nothing_more,
)
from dearhost.writing.structures.explaining import lay_nine_steps, lay_questions
from dearhost.writing.structures.persuading import lay_before_after, lay_hook, lay_problem
from dearhost.writing.structures.telling import lay_greeting, lay_notice, lay_story
from dearhost.writing.structures.voices import lay_street, lay_two_speakers


@dataclass(frozen=True, slots=True)
class Structure:
    """An order of telling.

    ``matters`` are those it is made for. ``missing`` says what a brief lacks for it, or nothing. ``opens`` is true
    where it begins with one of the ``OPENINGS``.
    """

    id: str
    name: str
    lay: Callable[[Outline, str], None]
    missing: Callable[[BriefRead], str]
    matters: frozenset[Matter]
    opens: bool = False
    least_turns: int = 0
    """Of other speakers than the first: with fewer it is not what it says."""

    def fits(self, matter: Matter) -> bool:
        return matter in self.matters


_EVERY = frozenset(Matter)
_THINGS = frozenset({Matter.PRODUCT, Matter.EVENT})

STRUCTURES: Mapping[str, Structure] = {
    structure.id: structure
    for structure in (
        Structure("hook", "Hook, body, call", lay_hook, nothing_more, _EVERY, opens=True),
        Structure("problem", "Problem, worse, way out", lay_problem, needs_trouble, _THINGS | {Matter.NOTICE}),
        Structure("before-after", "Before, after, between", lay_before_after, needs_gain, frozenset({Matter.PRODUCT})),
        Structure("questions", "Questions and answers", lay_questions, needs_question, _EVERY - {Matter.STORY}),
        Structure("nine-steps", "Nine steps", lay_nine_steps, needs_reasons, frozenset({Matter.LESSON}), opens=True),
        Structure("story", "Story", lay_story, needs_story, frozenset({Matter.STORY})),
        Structure("greeting", "Greeting", lay_greeting, needs_person, frozenset({Matter.GREETING})),
        Structure(
            "street",
            "Short answers",
            lay_street,
            needs_comments,
            frozenset({Matter.PRODUCT, Matter.LESSON}),
            least_turns=2,
        ),
        Structure("two-speakers", "Two speakers", lay_two_speakers, nothing_more, _EVERY, least_turns=2),
        Structure("notice", "Notice", lay_notice, needs_rules, frozenset({Matter.NOTICE})),
    )
}
