"""What a host cannot do is left out, and said."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace

from dearhost.hosts import ACTS, EXPRESSIONS, GESTURES, Abilities, Host, moves_hands
from dearhost.production import playable
from dearhost.script import Line
from dearhost.stage.direction.cueing import moment_of
from dearhost.stage.direction.staged_scene import HeardLine

_MOVES: Mapping[str, tuple[Callable[[Abilities], bool], str]] = {
    **dict.fromkeys(("walk-in", "walk-out", "walk-to", "walk-on-spot"), (lambda can: can.walks, "walk")),
    **dict.fromkeys(("sit", "stand"), (lambda can: can.sits, "sit down or stand up")),
    **dict.fromkeys(("turn-away", "turn-back"), (lambda can: can.turns, "turn")),
    "wide": (lambda can: can.whole_figure, "be seen whole"),
    "full": (lambda can: can.whole_figure, "be seen whole"),
    "eyes": (lambda can: can.gaze, "look elsewhere"),
    **dict.fromkeys(EXPRESSIONS, (lambda can: can.expressions, "change its expression")),
    **dict.fromkeys(ACTS, (lambda can: can.hands, "hold a prop")),
    **dict.fromkeys([g for g in GESTURES if moves_hands(g)], (lambda can: can.hands, "make gestures of hands")),
}


def cannot(kind: str, can: Abilities) -> str:
    """What a cue of this kind asks for that a host with these abilities cannot do; "" where it can."""
    asked = _MOVES.get(kind)
    return asked[1] if asked and not asked[0](can) else ""


def within_abilities(item: HeardLine, host: Host) -> tuple[HeardLine, list[tuple[float, str]]]:
    """The line without the cues its host cannot play; and (when, what) was left out."""
    line, start, reading = item
    lacking = {cue.id: what for cue in playable(line) if (what := cannot(cue.kind, host.abilities))}
    if not lacking:
        return item, []
    notes = [
        (start + moment_of(line, cue, reading), f"{host.name} cannot {lacking[cue.id]}: left out.")
        for cue in line.cues
        if cue.id in lacking
    ]
    kept: Line = replace(line, cues=tuple(cue for cue in line.cues if cue.id not in lacking))
    return (kept, start, reading), notes
