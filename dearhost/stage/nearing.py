"""How near something that is shown is seen, and which part of it: places gone to on words, and slow moves."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.timebase import Span

Box = tuple[float, float, float, float]

GOING = 0.6
"""Seconds in which another place is gone to."""
PUSHED = 1.12
"""How much nearer something has come at the end of a slow move."""


@dataclass(frozen=True, slots=True)
class Nearing:
    """From ``at`` seconds of the scene on it is seen ``near`` times nearer, about ``x`` and ``y``, parts of its width
    and height; 1 is all of it."""

    at: float
    x: float
    y: float
    near: float


Seen = tuple[float, float, float]
"""The place in the middle, parts of width and height, and how many times nearer it is."""


def seen_at(nearings: Sequence[Nearing], moment: float, rest: tuple[float, float]) -> Seen:
    """What is seen at a moment, where the middle is at ``rest`` when all is. It goes on from wherever it is."""
    start: Seen = (*rest, 1.0)
    goal, since = start, -math.inf
    for nearing in nearings:
        if nearing.at > moment:
            break
        start = _between(start, goal, nearing.at - since)
        place = rest if nearing.near <= 1 else (nearing.x, nearing.y)
        goal, since = (*place, max(1.0, nearing.near)), nearing.at
    return _between(start, goal, moment - since)


def _between(start: Seen, goal: Seen, seconds: float) -> Seen:
    part = min(1.0, max(0.0, seconds / GOING))
    part = part * part * (3 - 2 * part)
    near = math.exp(math.log(start[2]) + (math.log(goal[2]) - math.log(start[2])) * part)
    return start[0] + (goal[0] - start[0]) * part, start[1] + (goal[1] - start[1]) * part, near


def pushed(moves: str, span: Span, moment: float) -> float:
    """How many times nearer something is seen by a slow move: "nearer" or "away" through its span, else still."""
    if moves not in ("nearer", "away"):
        return 1.0
    part = min(1.0, max(0.0, (moment - span.start) / max(1e-6, span.end - span.start)))
    return float(PUSHED ** (part if moves == "nearer" else 1 - part))


def part_of(base: Box, size: tuple[float, float], seen: Seen) -> Box:
    """The part of a picture of ``size`` that is seen where ``base`` is seen of it at rest: left, top, right, bottom."""
    x, y, near = seen
    wide, high = (base[2] - base[0]) / near, (base[3] - base[1]) / near
    left = min(max(0.0, x * size[0] - wide / 2), size[0] - wide)
    top = min(max(0.0, y * size[1] - high / 2), size[1] - high)
    return left, top, left + wide, top + high


def middle_of(base: Box, size: tuple[float, float]) -> tuple[float, float]:
    """The middle of what is seen at rest, in parts of width and height."""
    return (base[0] + base[2]) / 2 / size[0], (base[1] + base[3]) / 2 / size[1]
