"""What every host of a scene does in it: from lines, cues, layout and choices to roles."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from dearhost.hosts import Behaviour, Handling, Listened, MoveCue, PlacedReading, Role, Sight, resolved
from dearhost.production import is_in_clip, playable
from dearhost.script import Line
from dearhost.stage.direction.auto_gestures import directed
from dearhost.stage.direction.cueing import expressions_of, framings_of, gestures_of, looks_of, props_of
from dearhost.stage.direction.moves import moves_of, sinking
from dearhost.stage.direction.staged_scene import StagedScene
from dearhost.stage.layout.blocking import STANDING, Place, neighbours, places_of, seen_from
from dearhost.stage.layout.caption_room import free_above_captions
from dearhost.stage.layout.shapes import LAYOUTS, RATIOS
from dearhost.stage.timeline import PlacedLine

_TO_VIEWER = 0.25
"""Eye contact below which a host speaks to the partner."""
_HAND_AND_SHOULDER, _ARM_UNITS = 110.0, 186.0


def moves_in(staged: StagedScene) -> dict[str, tuple[MoveCue, ...]]:
    """Where each host goes."""
    usual = staged.choices.framing
    framings = dict.fromkeys([usual, *(cut.framing for cut in framings_of(staged.acted, usual))])
    framed = [
        places_of(staged.shape, framing, staged.players, staged.spots, staged.choices.furniture) for framing in framings
    ]
    return {name: moves_of(staged.said_by(name), staged.shape, framed, host) for name, host in staged.players.items()}


def handling_in(staged: StagedScene) -> tuple[dict[str, tuple[Handling, ...]], list[tuple[float, str]]]:
    """What each host's hands do with props; and (when, what) they are asked for that cannot be."""
    choices = staged.choices
    places = places_of(staged.shape, choices.framing, staged.players, staged.spots, choices.furniture)
    beside = neighbours(staged.shape, places, staged.players)
    return resolved(
        [cue for item in staged.acted for cue in props_of(*item, staged.host_of(item[0]))],
        {host: (neighbour.host, neighbour.side) for host, neighbour in beside.items()},
        desk=choices.furniture != "none",
    )


def _sight(looks: Sequence[tuple[float, str]], behaviour: Behaviour, lines: Mapping[str, Line]) -> Sight:
    """Where a host looks."""
    places = [cue.text("place") for line in lines.values() for cue in playable(line) if cue.kind == "picture"]
    side = -1 if places and places[0] == "left" else 1
    return Sight(tuple(looks), side, behaviour.eye_contact < _TO_VIEWER)


def _room(shape: str, framing: str) -> float:
    """How far a host alone may reach out, 1 as far as gestures go, so that hands stay in the picture."""
    if framing in STANDING:
        return 1.0
    width, height = RATIOS[shape]
    _, _, head = LAYOUTS[shape].host
    farthest = (width / height / 2 / head * 100 - _HAND_AND_SHOULDER) / _ARM_UNITS
    return min(1.0, max(0.15, (farthest - 0.2) / 0.7))


def _free_down_to(staged: StagedScene, host: str, place: Place) -> float:
    """Down to where captions leave the picture free for what a host holds, in arm lengths below the shoulder."""
    free = free_above_captions(staged.shape, staged.choices)
    if free == 1.0:
        return math.inf
    _, y, head = place
    shoulder, length = staged.players[host].arm_base
    return round(((free - y) / head * 100 - shoulder.imag) / length, 3)


def roles_of(
    staged: StagedScene,
    lines: Sequence[PlacedLine],
    duration: float,
    moves: Mapping[str, tuple[MoveCue, ...]],
    handling: Mapping[str, tuple[Handling, ...]],
    seed: int,
) -> dict[str, Role]:
    """A role for every host of the scene; ``lines`` carry what hosts do by themselves."""
    production, shape, choices = staged.production, staged.shape, staged.choices
    by_host: dict[str, list[PlacedLine]] = {host: [] for host in staged.players}
    said_in_clips = {line.id for line, _, _ in staged.heard if is_in_clip(line)}
    for line in lines:
        if line.id in said_in_clips:
            continue
        by_host[production.entry(line.speaker).host].append(line)
    written = {line.id: line for line, _, _ in staged.heard}
    several = len(by_host) > 1
    places = places_of(shape, choices.framing, staged.players, staged.spots, choices.furniture)
    nextdoor = neighbours(shape, places, staged.players)
    entries = {entry.host: entry for entry in production.cast.values()}
    roles = {}
    for index, (host, mine) in enumerate(by_host.items()):
        player, entry = staged.players[host], entries[host]
        behaviour = Behaviour(entry.eye_contact, entry.blinks, entry.head)
        others = [
            Listened(line.span.start, line.span.end, *seen_from(shape, places[host], places[name]))
            for name, theirs in by_host.items()
            if name != host
            for line in theirs
        ]
        side = nextdoor[host].side if several else 0
        # the arm towards the partner reaches less, so that hands do not meet
        alone = _room(shape, choices.framing)
        reach = (alone, alone) if not several else ((0.75, 0.15) if side > 0 else (0.15, 0.75))
        cued = [(directed(written[line.id], line.automatic), line.span.start, line.reading) for line in mine]
        looks = [look for item in cued for look in looks_of(*item)]
        roles[host] = Role(
            lines=tuple(PlacedReading(line.span.start, line.reading) for line in mine),
            duration=duration,
            abilities=player.abilities,
            liveliness=choices.liveliness,
            cues=tuple(gesture for item in cued for gesture in gestures_of(*item)),
            expressions=tuple(change for item in cued for change in expressions_of(*item)),
            partner=tuple(sorted(others, key=lambda turn: turn.start)),
            partner_side=side,
            reach=reach,
            down_to=_free_down_to(staged, host, places[host]),
            facing=staged.spots[host].facing if host in staged.spots else 0,
            moves=moves[host],
            leg=player.leg,
            foot=player.foot,
            drop=sinking(choices.framing, player),
            behaviour=behaviour,
            sight=_sight(looks, behaviour, written),
            behind=choices.furniture != "none",
            handling=handling.get(host, ()),
            meet=nextdoor[host].meet if host in nextdoor else (0.4, 0.45),
            seed=seed + index,
        )
    return roles
