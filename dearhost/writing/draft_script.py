"""A draft as a script: scenes with headings, unspoken directions for pictures, speakers, open slots."""

from __future__ import annotations

import re
from collections.abc import Sequence

from dearhost.script import Cue, Direction, Line, Scene, Script, new_id, words_of
from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.drafts import Draft, Part
from dearhost.writing.english.clauses import lower_first, upper_first
from dearhost.writing.english.tagging import Token, expanded, tagged
from dearhost.writing.outline import LineKind
from dearhost.writing.turns import Turn, turns_of

_UNSEEN = frozenset(
    "time day year hour minute way thing part side person people question number life lot word season first nothing "
    "pound middle point morning evening night week month answer bit moment chance reason problem idea name".split()
)
"""Nouns of which no picture can be had."""


def script_of(draft: Draft, read: BriefRead, pictures: bool = True) -> Script:
    """The draft as a script; with ``pictures``, directions say what could be seen, a title and an end card."""
    scenes = [scene_of(part, read, pictures) for part in draft.parts]
    if pictures and scenes:
        topic = upper_first(re.sub(r"^the ", "", read.topic))
        scenes[0] = _with(scenes[0], [Direction(new_id(), f"Title: {topic}."), *scenes[0].blocks])
        if read.call:
            card = Direction(new_id(), f"End card: {upper_first(read.call)}.")
            scenes[-1] = _with(scenes[-1], [*scenes[-1].blocks, card])
    return Script(upper_first(re.sub(r"^the ", "", read.topic)), tuple(scenes))


def scene_of(part: Part, read: BriefRead, pictures: bool = True) -> Scene:
    """A part of a draft as a scene."""
    blocks: list[Line | Direction] = [_line(turn) for turn in turns_of(part.lines)]
    seen = picture_of(part, read.topic) if pictures else ""
    if seen:
        blocks.insert(0, Direction(new_id(), f"Picture: {seen}."))
    return Scene(new_id(), upper_first(part.heading), tuple(blocks))


def picture_of(part: Part, topic: str) -> str:
    """The last thing a part names that can be shown: "the brass ring"; empty where there is none."""
    for line in part.lines:
        if line.kind is LineKind.POINT:
            seen = _thing_in(line.text, topic)
            if seen:
                return seen
    return ""


def _with(scene: Scene, blocks: Sequence[Line | Direction]) -> Scene:
    return Scene(scene.id, scene.heading, tuple(blocks), scene.staging)


def _line(turn: Turn) -> Line:
    words = words_of(turn.text)
    pause = (Cue(new_id(), "pause", words[0].start, {"seconds": turn.pause}),) if turn.pause and words else ()
    return Line(new_id(), turn.speaker, turn.text, pause)


def _thing_in(text: str, but: str) -> str:
    tokens = tagged(expanded(text.rstrip(".?!")))
    best, start = "", 0
    while start < len(tokens):
        named = start + _is_article(tokens[start])
        end = named
        while end < len(tokens) and tokens[end].tag[:2] in ("AJ", "NN", "CR", "NP", "OR"):
            end += 1
        if end > named and tokens[end - 1].is_noun:
            thing = " ".join(token.text for token in tokens[start:end])
            if tokens[end - 1].lemma.lower() not in _UNSEEN and thing.lower() != but.lower():
                best = thing
        start = max(end, start + 1)
    return lower_first(re.sub(r"^(your|my|their|her|his|our) (?:own )?", "the ", best))


def _is_article(token: Token) -> bool:
    return token.tag in ("DT0", "AT0", "CRD") or token.lower in ("the", "a", "an")
