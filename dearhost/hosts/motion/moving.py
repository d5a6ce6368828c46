"""Where a host goes in a scene: in, out, to a place, on the spot; sitting, standing, turning away.

What cannot be is resolved in this order: one thing after another (what comes too early waits until the one before is
done); who sits stands up before walking; who is out must come in first; what is so already is passed over.
"""

from __future__ import annotations

import bisect
import math
from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from dearhost.hosts.motion.channels import Channel
from dearhost.hosts.motion.walking import Walk, bob, march, seconds_for, swing_arms
from dearhost.hosts.pose import Foot, Legs

MOVES = ("walk-in", "walk-out", "walk-to", "walk-on-spot", "sit", "stand", "turn-away", "turn-back")
SIT_SECONDS, STAND_SECONDS = 1.7, 1.7
SEATED = 1.34
"""Head heights that sitting lowers the hips of a host with legs of 270 units by."""
_OUT = "Who is outside the picture must walk in first."
_THERE = "Who is in the picture already cannot walk in."
_SETTLED = 0.3
"""Seconds between standing up and the first step."""
_TURNED = 0.80
_TURN_SECONDS = 0.8
_SIDE_ON = 0.9
"""How far a walk has turned the body when who was seen from behind is seen from the side."""


@dataclass(frozen=True, slots=True)
class MoveCue:
    """A move at ``at`` seconds: a walk in, to a place, or sitting down is done then; everything else begins then.

    ``x``: units from the host's place: where a walk in starts, a walk out or to a place ends. ``side`` -1 or 1 to turn
    to. ``seconds`` of walking on the spot.
    """

    at: float
    move: str
    x: float = 0.0
    side: int = 1
    seconds: float = 2.0


@dataclass(frozen=True, slots=True)
class Moved:
    """What moving does to a pose at a moment. ``arms``: x, y, angle of (left, right) with the weight they have."""

    root: float
    legs: Legs
    turn: float
    hip_y: float
    bend: float
    pitch: float
    walking: float = 0.0
    away: bool = False
    arms: tuple[dict[str, float], dict[str, float]] = field(default_factory=lambda: ({}, {}))


STILL = Moved(0.0, Legs(), 0.0, 0.0, 0.0, 0.0)


class Moving:
    """Moves over a scene, resolved. ``leg`` is a leg's length, ``drop`` how far sitting lowers the hips in heads."""

    def __init__(self, cues: Sequence[MoveCue], leg: float, drop: float, *, walks: bool, foot: float = 1.0) -> None:
        self._leg, self._walks, self._foot = leg, walks, foot
        self._drop = drop
        self._sitting, self._turning = Channel(0.0), Channel(0.0)
        self._trips: list[Walk] = []
        self._marches: list[tuple[float, float]] = []
        self._free, self._x, self._down = -1e9, 0.0, False
        self.notes: list[tuple[float, str]] = []
        """(when, what) was passed over or done otherwise."""
        self.sits = any(cue.move == "sit" for cue in cues)
        ordered = sorted(cues, key=lambda cue: cue.at)
        travels = [cue.move for cue in ordered if cue.move in ("walk-in", "walk-out")]
        self._out = bool(travels) and travels[0] == "walk-in"
        if self._out:
            self._x = next(cue.x for cue in ordered if cue.move == "walk-in")
        self._start_x = self._x
        for cue in ordered:
            self._plan(cue)
        self._starts = [trip.start - 0.25 for trip in self._trips]

    @property
    def begins(self) -> float | None:
        """When who is outside at first begins to walk in; None where nobody has to."""
        return self._trips[0].start if self._trips and self._start_x else None

    @property
    def over(self) -> float:
        """When the last walk out is done; 0 where nobody leaves."""
        return self._trips[-1].end if self._trips and self._out else 0.0

    @property
    def active(self) -> bool:
        """Whether anything moves at all."""
        return bool(self._trips or self._marches or self.sits or self._turning.moves)

    def _plan(self, cue: MoveCue) -> None:
        if cue.move in ("walk-in", "walk-out", "walk-to"):
            self._walk(cue)
        elif self._out:
            self.notes.append((cue.at, _OUT))
        elif cue.move == "walk-on-spot":
            start = max(cue.at, self._stood_up(cue.at))
            self._marches.append((start, start + cue.seconds))
            self._free = start + cue.seconds + 0.2
        elif cue.move == "sit" and not self._down:
            end = max(cue.at, self._free + SIT_SECONDS)
            self._sitting.move(end - SIT_SECONDS, end, 1.0)
            self._free, self._down = end, True
        elif cue.move == "stand" and self._down:
            self._stood_up(cue.at + STAND_SECONDS + _SETTLED)
        elif cue.move == "turn-away":
            start = max(cue.at - 0.3, self._free)
            self._turning.move(start, start + _TURN_SECONDS, float(cue.side))
            self._free = start + _TURN_SECONDS
        elif cue.move == "turn-back":
            start = max(cue.at - 0.3, self._free)
            self._turning.move(start, start + _TURN_SECONDS, 0.0)
            self._free = start + _TURN_SECONDS

    def _stood_up(self, wanted: float) -> float:
        """When the host stands, at ``wanted`` if it can be."""
        if not self._down:
            return max(wanted, self._free)
        end = max(wanted - _SETTLED, self._free + STAND_SECONDS)
        self._sitting.move(end - STAND_SECONDS, end, 0.0)
        self._free, self._down = end + _SETTLED, False
        return self._free

    def _walk(self, cue: MoveCue) -> None:
        entering, leaving = cue.move == "walk-in", cue.move == "walk-out"
        if (entering and not self._out) or (leaving and self._out):
            self.notes.append((cue.at, _THERE if entering else _OUT))
            return
        if self._out and not entering:
            self.notes.append((cue.at, _OUT))
            return
        origin, goal = (cue.x, 0.0) if entering else (self._x, cue.x)
        if abs(goal - origin) < 12:
            return
        takes = seconds_for(goal - origin, self._leg)
        start = cue.at if leaving else cue.at - takes
        wanted, start = start, self._stood_up(start)
        if start > wanted + 0.3:
            self.notes.append((cue.at, f"Walks {start - wanted:.1f} s later: something else has to be done first."))
        if abs(self._turning.at(start)) > 0.01:
            self._turning.move(start + 0.3, start + 0.3 + _TURN_SECONDS, 0.0)  # once the way itself turns the body
        self._trips.append(Walk(start, origin, goal, self._leg, self._foot))
        self._free, self._x, self._out = self._trips[-1].end + 0.25, goal, leaving

    def at(self, moment: float) -> Moved:
        """What moving does at ``moment``."""
        index = bisect.bisect_right(self._starts, moment) - 1
        (turning, away), low = self._turned(moment), -self._drop * self._sitting.at(moment)
        root = self._start_x if index < 0 else self._trips[index].root(moment)
        for start, end in self._marches:
            if start <= moment < end:
                return replace(self._marching(moment - start, end - start, root, turning), away=away)
        trip = self._trips[index] if index >= 0 else None
        if trip is None or moment > trip.end + 0.15:
            legs = Legs(heading=turning)
            return Moved(root, legs, _TURNED * turning, low, 1.5 * turning, 0.0, away=away)
        walking = self._walking(trip, moment, root, turning)
        return replace(walking, away=away and trip.turned(moment) < _SIDE_ON)

    def _turned(self, moment: float) -> tuple[float, bool]:
        """How far the body is turned to a side, -1 to 1, and whether it is seen from behind: half way to being turned
        away it is seen from the side. Animals turn to the side only."""
        turned = self._turning.at(moment)
        if not self._walks:
            return turned, False
        part = abs(turned)
        return math.copysign(2 * min(part, 1 - part), turned), part > 0.5

    def _walking(self, trip: Walk, moment: float, root: float, turning: float) -> Moved:
        weight, turned = trip.weight(moment), trip.turned(moment)
        heading = turning + (trip.heading - turning) * turned
        phase = trip.phase(moment)
        if not self._walks:  # a waddle
            low = -0.02 * weight + 0.03 * weight * abs(_wave(phase))
            return Moved(root, Legs(), 0.45 * heading, low, 5.0 * weight * _wave(phase), 0.0)
        first = "left" if trip.heading > 0 else "right"  # the nearer foot
        feet = {}
        for name, which in ((first, 0), ("right" if first == "left" else "left", 1)):
            x, y, angle = trip.foot(which, moment)
            feet[name] = Foot(x - root, y, angle * trip.heading)
        arms = swing_arms(phase if first == "right" else phase + 0.5, trip.heading, weight)
        return Moved(
            root, Legs(heading, feet["left"], feet["right"]), _TURNED * heading, bob(phase) * weight,
            1.5 * turning * (1 - weight) + 2.0 * heading * weight, 0.9 * weight * _wave(2 * phase), weight, arms=arms,
        )  # fmt: skip

    def _marching(self, since: float, seconds: float, root: float, turning: float) -> Moved:
        left, right, phase = march(since, seconds)
        fade = min(1.0, since / 0.3, max(0.0, seconds - since) / 0.3)
        arms = swing_arms(phase, 0.35, fade)
        bend = 1.5 * turning + 1.2 * fade * _wave(phase)
        low = 0.012 * fade * _wave(2 * phase)
        return Moved(root, Legs(turning, left, right), _TURNED * turning, low, bend, 0.0, fade, arms=arms)


def _wave(phase: float) -> float:
    return math.sin(2 * math.pi * phase)
