"""Moves of hosts in a scene: from cues and layout to units of a host's own, and the time they need."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence

from dearhost.hosts import MOVES, SEATED, Host, MoveCue, Moving
from dearhost.production import playable
from dearhost.script import Cue, Line
from dearhost.speech import Reading
from dearhost.stage.direction.cueing import moment_of
from dearhost.stage.layout.blocking import STANDING, Place, Players
from dearhost.stage.layout.shapes import RATIOS

_WIDTH = 150.0
"""Units from a host's middle to where nothing of it is in the picture."""
_APART = 165.0
"""Units that hosts keep from each other."""
_GOALS: Mapping[str, tuple[float, float, float]] = {
    "16:9": (0.24, 0.5, 0.76), "1:1": (0.28, 0.5, 0.72), "9:16": (0.30, 0.5, 0.70),
}  # fmt: skip
_SEAT_IN_FRAME = 0.42
"""Head heights that sitting lowers a host by where the picture ends above the knees."""
_AFTERWARDS = 0.35
"""Seconds that a scene stays after somebody has walked out."""

Heard = Sequence[tuple[Line, float, Reading]]


def moves_of(heard: Heard, shape: str, framed: Sequence[Mapping[str, Place]], host: Host) -> tuple[MoveCue, ...]:
    """The moves of one host's lines in scene time. ``framed`` are the places of all hosts in every framing of the
    scene, the scene's own first; who walks in or out is outside in all of them."""
    found = []
    for line, start, reading in heard:
        for cue in playable(line):
            if cue.kind in MOVES:
                at = start + moment_of(line, cue, reading)
                side = -1 if cue.text("side") == "left" else 1
                found.append(
                    MoveCue(
                        at,
                        cue.kind,
                        _x(cue, shape, framed, host, side),
                        side,
                        cue.number("seconds") if cue.kind == "walk-on-spot" else 0.0,
                    )
                )
    return tuple(found)


def _x(cue: Cue, shape: str, framed: Sequence[Mapping[str, Place]], host: Host, side: int) -> float:
    width, height = RATIOS[shape]
    figure = host.figure

    def units(fraction: float, place: Place) -> float:
        return fraction * width / height / place[2] * 100 / figure

    if cue.kind == "walk-to":
        goal = _GOALS[shape][("left", "middle", "right").index(cue.text("place"))]
        own = framed[0][host.id]
        x = units(goal - own[0], own)
        for other, place in framed[0].items():
            apart = units(place[0] - own[0], own)
            if other != host.id and abs(x - apart) < _APART:  # stop beside, on this side
                x = apart - math.copysign(_APART, apart)
        return x
    edge = 0.0 if side < 0 else 1.0
    return side * (max(abs(units(edge - places[host.id][0], places[host.id])) for places in framed) + _WIDTH / figure)


def sinking(framing: str, host: Host) -> float:
    """Head heights that sitting lowers a host by."""
    whole = SEATED * host.leg / 270 if host.abilities.steps else 0.3
    return whole if framing in STANDING else min(whole, _SEAT_IN_FRAME)


def planned(moves: Mapping[str, Sequence[MoveCue]], players: Players) -> dict[str, Moving]:
    """What every host's moves come to, one after another."""
    return {
        host: Moving(cues, players[host].leg, 0.0, walks=players[host].abilities.steps) for host, cues in moves.items()
    }


def needed_lead(plans: Iterable[Moving]) -> float:
    """Seconds that the scene must begin earlier, so that who walks in comes from outside."""
    return max((0.1 - plan.begins for plan in plans if plan.begins is not None), default=0.0)


def needed_end(plans: Iterable[Moving]) -> float:
    """When the scene may end at the earliest, so that who walks out is gone."""
    return max((plan.over + _AFTERWARDS for plan in plans if plan.over), default=0.0)
