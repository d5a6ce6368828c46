"""Shots of a scene: who is seen, how near, from when on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from dearhost.hosts import Role
from dearhost.script import Spot
from dearhost.stage.layout.blocking import BUBBLES, STANDING, Place, Players, aside, feet_of, places_of
from dearhost.stage.layout.furniture import PlacedFurniture, elbow, placed
from dearhost.stage.layout.shapes import LAYOUTS, RATIOS
from dearhost.stage.timeline import Bubble, PlacedHost, Shot

_SHORTEST = 1.6
"""Seconds that a shot lasts at least."""
_AHEAD = 0.12
"""Seconds that a cut comes before who begins to speak."""
_STEPS_BEFORE = 0.35
"""Seconds before something is shown that a host begins to make room."""
SIDES = ("left", "right")
NOBODY = "nobody"
_ASIDE: Mapping[str, float] = {"16:9": 0.09, "1:1": 0.07, "9:16": 0.05}
"""How far from the middle who is seen alone stands, on their own side of the line: they look across the picture."""


@dataclass(frozen=True, slots=True)
class Turn:
    """``host`` speaks from ``start`` to ``end`` seconds of the scene."""

    host: str
    start: float
    end: float


@dataclass(frozen=True, slots=True)
class Room:
    """Who speaks, ``host``, is at a ``side`` from ``start`` to ``end`` seconds, for something is shown beside; with
    NOBODY nobody is seen."""

    host: str
    side: str
    start: float
    end: float


@dataclass(frozen=True)
class Staged:
    """What every shot of a scene is made from: its own framing, what they stand behind, roles and spots by host."""

    shape: str
    framing: str
    layout: str
    furniture: str
    roles: Mapping[str, Role]
    players: Players
    spots: Mapping[str, Spot]

    def shot(self, start: float, framing: str, hosts: Sequence[str], sideways: float = 0.0) -> Shot:
        """A shot of ``hosts``, moved by ``sideways``."""
        if self.layout == "none" and framing not in BUBBLES:
            return Shot(start, ())
        places = places_of(self.shape, framing, {h: self.players[h] for h in hosts}, self.spots, self.furniture)
        if self.layout in SIDES and len(hosts) == 1 and framing != "close-up" and framing not in BUBBLES:
            places = {
                host: self._beside(framing, host, self.layout) for host in hosts if host not in self.spots
            } or places
        if sideways:
            places = {host: (x + sideways, y, head) for host, (x, y, head) in places.items()}
        furthest_first = sorted(hosts, key=lambda h: -(self.spots[h].distance if h in self.spots else 1.0))
        seen = tuple(PlacedHost(host, *places[host]) for host in furthest_first)
        if framing in BUBBLES:
            return Shot(start, seen, None, Bubble(*LAYOUTS[self.shape].bubble, square=framing == "square-bubble"))
        return Shot(start, seen, self._furniture(framing, places))

    def _beside(self, framing: str, host: str, side: str) -> Place:
        return aside(self.shape, framing, side, self.players[host])

    def making_room(self, shots: Sequence[Shot], rooms: Sequence[Room]) -> list[Shot]:
        """The shots with the host of each room aside while something is shown there: cuts within it wait, and what was
        seen before is seen again after it."""
        made = list(shots)
        for room in rooms:
            before = made[max(i for i, shot in enumerate(made) if i == 0 or shot.start <= room.start)]
            after = made[max(i for i, shot in enumerate(made) if i == 0 or shot.start <= room.end)]
            if before.bubble or self.layout == "none":
                continue
            start, end = max(0.0, room.start - _STEPS_BEFORE), room.end
            if room.side == NOBODY:
                shown, back = Shot(0.0 if start < _SHORTEST else start, ()), replace(after, start=end, glides=False)
            else:
                framing = self.framing if self.framing in STANDING else "medium"
                x, y, head = self._beside(framing, room.host, room.side)
                place = PlacedHost(room.host, x, y, head)
                furniture = self._furniture(framing, {room.host: (x, y, head)})
                shown = Shot(start, (place,), furniture, glides=_may_glide(before.hosts, (place,)) and start > 0)
                back = replace(after, start=end, glides=_may_glide((place,), after.hosts))
            start = shown.start
            kept = [shot for shot in made if shot.start < start or shot.start > end]
            made = sorted([*kept, shown, back], key=lambda shot: shot.start)
        return made

    def _furniture(self, framing: str, places: Mapping[str, Place]) -> PlacedFurniture | None:
        if self.furniture == "none" or not places:
            return None
        host, (_, y, head) = next(iter(places.items()))
        top = y + elbow(self.players[host]) * head
        if top >= 1:
            return None  # too near to be seen
        bottom = feet_of(self.shape, framing) if framing in STANDING else 1.05
        width, height = RATIOS[self.shape]
        return placed(self.furniture, places, top, bottom, width / height)

    def shots(self, turns: Sequence[Turn], cuts: Sequence[tuple[float, str, str]], cutting: str) -> list[Shot]:
        """All shots of the scene. ``cuts`` are a person's (time, framing, host); they win over cuts to who speaks."""
        everybody = list(self.roles)
        shots = [self._opening(turns)]
        if len(everybody) > 1 and (cutting == "speakers" or self.framing in BUBBLES):
            shots += self._to_speakers(turns)
        own = []
        for at, framing, host in cuts:
            # near, there is room for one
            seen = [host] if framing == "close-up" or framing in BUBBLES else everybody
            own.append(self.shot(at, framing, seen))
        kept = [shots[0]] + [s for s in shots[1:] if all(abs(s.start - o.start) >= _SHORTEST for o in own)]
        return sorted([*kept, *own], key=lambda shot: shot.start)

    def _opening(self, turns: Sequence[Turn]) -> Shot:
        if self.framing in BUBBLES:
            return self.shot(0.0, self.framing, [turns[0].host] if turns else list(self.roles)[:1])
        return self.shot(0.0, self.framing, list(self.roles))

    def _to_speakers(self, turns: Sequence[Turn]) -> list[Shot]:
        """One shot a turn of whoever speaks, each on their own side of the line; together first and last."""
        found: list[Shot] = []
        last = 0.0
        for index, turn in enumerate(turns):
            if not index or turn.end - turn.start < _SHORTEST or turn.start - _AHEAD - last < _SHORTEST:
                continue
            last = turn.start - _AHEAD
            if self.framing in BUBBLES:
                found.append(self.shot(last, self.framing, [turn.host]))
            elif index == len(turns) - 1 and len(turns) > 3:
                found.append(self.shot(last, self.framing, list(self.roles)))
            else:
                # who has the partner on the right stands on the left
                sideways = -self.roles[turn.host].partner_side * _ASIDE[self.shape]
                found.append(self.shot(last, "close-up", [turn.host], sideways))
        return found


def turns_of(lines: Sequence[tuple[str, float, float]]) -> list[Turn]:
    """The turns of (host, start, end) lines in order: what one host says without a break."""
    turns: list[Turn] = []
    for host, start, end in lines:
        if turns and turns[-1].host == host:
            turns[-1] = replace(turns[-1], end=end)
        else:
            turns.append(Turn(host, start, end))
    return turns


def _may_glide(before: Sequence[PlacedHost], after: Sequence[PlacedHost]) -> bool:
    """Whether hosts can go from shot to shot: the same ones, at the same height and size. Else it is a cut."""
    return [(h.host, h.y, h.head) for h in before] == [(h.host, h.y, h.head) for h in after]
