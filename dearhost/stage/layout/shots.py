"""Shots of a scene: who is seen, how near, from when on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from dearhost.hosts import Role
from dearhost.script import Spot
from dearhost.stage.layout.blocking import BUBBLES, STANDING, Place, Players, feet_of, places_of
from dearhost.stage.layout.furniture import PlacedFurniture, elbow, placed
from dearhost.stage.layout.shapes import LAYOUTS, RATIOS
from dearhost.stage.timeline import Bubble, PlacedHost, Shot

_SHORTEST = 1.6
"""Seconds that a shot lasts at least."""
_AHEAD = 0.12
"""Seconds that a cut comes before who begins to speak."""
_ASIDE: Mapping[str, float] = {"16:9": 0.09, "1:1": 0.07, "9:16": 0.05}
"""How far from the middle who is seen alone stands, on their own side of the line: they look across the picture."""


@dataclass(frozen=True, slots=True)
class Turn:
    """``host`` speaks from ``start`` to ``end`` seconds of the scene."""

    host: str
    start: float
    end: float


@dataclass(frozen=True)
class Staged:
    """What every shot of a scene is made from: its own framing, what they stand behind, roles and spots by host."""

    shape: str
    framing: str
    furniture: str
    roles: Mapping[str, Role]
    players: Players
    spots: Mapping[str, Spot]

    def shot(self, start: float, framing: str, hosts: Sequence[str], aside: float = 0.0) -> Shot:
        """A shot of ``hosts``, moved sideways by ``aside``."""
        places = places_of(self.shape, framing, {h: self.players[h] for h in hosts}, self.spots, self.furniture)
        if aside:
            places = {host: (x + aside, y, head) for host, (x, y, head) in places.items()}
        furthest_first = sorted(hosts, key=lambda h: -(self.spots[h].distance if h in self.spots else 1.0))
        seen = tuple(PlacedHost(host, *places[host]) for host in furthest_first)
        if framing in BUBBLES:
            return Shot(start, seen, None, Bubble(*LAYOUTS[self.shape].bubble, square=framing == "square-bubble"))
        return Shot(start, seen, self._furniture(framing, places))

    def _furniture(self, framing: str, places: Mapping[str, Place]) -> PlacedFurniture | None:
        if self.furniture == "none":
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
                aside = -self.roles[turn.host].partner_side * _ASIDE[self.shape]
                found.append(self.shot(last, "close-up", [turn.host], aside))
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
