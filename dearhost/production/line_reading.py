"""How a line's cues and its production want it read."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from dearhost.production.cue_kinds import CUE_KINDS
from dearhost.production.production import EFFECT_CHOICES, Production
from dearhost.script import Cue, Line, word_index, word_indices
from dearhost.speech import AS_EVER, ClipTaken, Delivery, Manner, SayAs, borders_of, sayings_of


def playable(line: Line) -> tuple[Cue, ...]:
    """The line's cues that can be played, with all their settings; the others are among the findings."""
    fine = (cue for cue in line.cues if not CUE_KINDS.problem(cue) and word_index(line, cue) >= 0)
    return tuple(CUE_KINDS.resolved(cue) for cue in fine)


_SHORTEST = 0.3
"""Seconds: no line is asked to be shorter."""
CLIP_LINE = "clip"
"""The kind of cue that has a line said in a clip."""


def is_in_clip(line: Line) -> bool:
    """Whether a line is said in a clip, not by a host."""
    if not any(cue.kind == CLIP_LINE for cue in line.cues):  # asked at every step of staging a scene
        return False
    return any(cue.kind == CLIP_LINE for cue in playable(line))


def pauses_of(line: Line) -> dict[int, float]:
    """Seconds of silence before words, by word index."""
    pauses: dict[int, float] = {}
    for cue in playable(line):
        if cue.kind == "pause":
            index = word_index(line, cue)
            pauses[index] = pauses.get(index, 0.0) + cue.number("seconds")
    return pauses


def _without_pauses(line: Line, seconds: float) -> float:
    """Of the seconds a line is to last what is left for its words; 0 for as long as they take."""
    return max(_SHORTEST, seconds - sum(pauses_of(line).values())) if seconds else 0.0


def manner_in(production: Production, line: Line) -> Manner:
    """How a line of a production is said. ``production`` must be checked."""
    entry = production.entry(line.speaker)
    return manner_of(line, production.say_as, entry.effect, entry.pace)


def manner_of(line: Line, say_as: Sequence[SayAs] = (), effect: str = "none", pace: float = 1.0) -> Manner:
    """How the line's cues want it said, with the say-as list, the voice's ``effect`` where no cue says otherwise, and
    its ``pace`` under that of the cues."""
    listed = sayings_of(line.text, say_as)
    said_as = dict(listed.said_as)
    emphasis: dict[int, float] = {}
    delivery = AS_EVER
    recording, borders = "", ""
    clip = None
    for cue in playable(line):
        if cue.kind == "say-as" and cue.text("text").strip():
            said_as[word_index(line, cue)] = cue.text("text")
        elif cue.kind == "emphasis":
            first, last = word_indices(line, cue)
            emphasis |= dict.fromkeys(range(first, last + 1), cue.number("strength"))
        elif cue.kind == "delivery":  # the last one of a line holds for all of it
            delivery = Delivery(
                manner=cue.text("manner"),
                strength=cue.number("strength"),
                pace=cue.number("pace"),
                pitch=cue.number("pitch"),
                level=cue.number("level"),
                steadiness=cue.number("steadiness"),
                ending=cue.text("ending"),
                variation=round(cue.number("variation")),
                effect=EFFECT_CHOICES[cue.text("effect")],
                lasts=_without_pauses(line, cue.number("lasts")),
            )
        elif cue.kind == "recording":
            recording, borders = cue.text("recording"), cue.text("borders")
        elif cue.kind == CLIP_LINE and clip is None:
            clip = ClipTaken(cue.text("items"), cue.number("begins"), cue.text("pauses") == "shortened")
    if delivery.effect == "none":
        delivery = replace(delivery, effect=EFFECT_CHOICES[effect])
    if not (recording or clip):
        delivery = replace(delivery, pace=delivery.pace * pace)
    ipa = {index: phones for index, phones in listed.ipa.items() if index not in said_as}
    return Manner(said_as, emphasis, delivery, recording, borders_of(borders), ipa, clip)
