"""What every host of a scene does in it: from lines, cues, layout and choices to roles."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from dearhost.hosts import Behaviour, Handling, Listened, MoveCue, PlacedReading, Role, Sight, host_by_id, resolved
from dearhost.script import Line, Scene, Spot
from dearhost.speech import Reading
from dearhost.stage.blocking import STANDING, neighbours, places_of, seen_from
from dearhost.stage.cueing import expressions_of, framings_of, gestures_of, looks_of, playable, props_of
from dearhost.stage.directing import directed
from dearhost.stage.going import moves_of, sinking
from dearhost.stage.production import Production
from dearhost.stage.shapes import LAYOUTS, RATIOS
from dearhost.stage.timeline import PlacedLine

_TO_VIEWER = 0.25
"""Eye contact below which a host speaks to the partner."""
_HAND_AND_SHOULDER, _ARM_UNITS = 110.0, 186.0


def moves_in(
    production: Production, scene: Scene, heard: Sequence[tuple[Line, float, Reading]], spots: Mapping[str, Spot]
) -> dict[str, tuple[MoveCue, ...]]:
    """Where each host goes."""
    shape, framings = production.shape, [production.choices_for(scene).framing]
    furniture = production.choices_for(scene).furniture
    framings += [cut.framing for cut in framings_of(heard) if cut.framing not in framings]
    hosts = list(dict.fromkeys(production.entry(line.speaker).host for line, _, _ in heard))
    framed = [places_of(shape, framing, hosts, spots, furniture) for framing in framings]
    found = {}
    for host in hosts:
        mine = [item for item in heard if production.entry(item[0].speaker).host == host]
        found[host] = moves_of(mine, shape, framed, host)
    return found


def handling_in(
    production: Production, scene: Scene, heard: Sequence[tuple[Line, float, Reading]], spots: Mapping[str, Spot]
) -> tuple[dict[str, tuple[Handling, ...]], list[tuple[float, str]]]:
    """What each host's hands do with props; and (when, what) they are asked for that cannot be."""
    choices = production.choices_for(scene)
    hosts = list(dict.fromkeys(production.entry(line.speaker).host for line, _, _ in heard))
    places = places_of(production.shape, choices.framing, hosts, spots, choices.furniture)
    return resolved(
        [cue for item in heard for cue in props_of(*item, production.entry(item[0].speaker).host)],
        {h: (neighbour.host, neighbour.side) for h, neighbour in neighbours(production.shape, places).items()},
        desk=bool(choices.furniture),
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


def roles_of(
    production: Production,
    scene: Scene,
    lines: Sequence[PlacedLine],
    duration: float,
    spots: Mapping[str, Spot],
    moves: Mapping[str, tuple[MoveCue, ...]],
    handling: Mapping[str, tuple[Handling, ...]],
    seed: int,
) -> dict[str, Role]:
    """What each host of the scene does in it, in the order in which they first speak.

    ``seed`` decides all that is left to chance.
    """
    by_host: dict[str, list[PlacedLine]] = {}
    for line in lines:
        by_host.setdefault(production.entry(line.speaker).host, []).append(line)
    written = {line.id: line for line in scene.lines}
    several = len(by_host) > 1
    framing, furniture = production.choices_for(scene).framing, production.choices_for(scene).furniture
    places = places_of(production.shape, framing, list(by_host), spots, furniture)
    nextdoor = neighbours(production.shape, places)
    entries = {entry.host: entry for entry in production.cast.values()}
    behaviours = {h: Behaviour(entries[h].eye_contact, entries[h].blinks, entries[h].head) for h in by_host}
    roles = {}
    for index, (host, mine) in enumerate(by_host.items()):
        others = [
            Listened(line.span.start, line.span.end, *seen_from(production.shape, places[host], places[name]))
            for name, theirs in by_host.items()
            if name != host
            for line in theirs
        ]
        side = nextdoor[host].side if several else 0
        # the arm towards the partner reaches less, so that hands do not meet
        alone = _room(production.shape, framing)
        reach = (alone, alone) if not several else ((0.75, 0.15) if side > 0 else (0.15, 0.75))
        cued = [(directed(written[line.id], line.automatic), line.span.start, line.reading) for line in mine]
        looks = [look for item in cued for look in looks_of(*item)]
        roles[host] = Role(
            lines=tuple(PlacedReading(line.span.start, line.reading) for line in mine),
            duration=duration,
            kind=host_by_id(host).kind,
            liveliness=production.liveliness,
            cues=tuple(gesture for item in cued for gesture in gestures_of(*item)),
            expressions=tuple(change for item in cued for change in expressions_of(*item)),
            partner=tuple(sorted(others, key=lambda turn: turn.start)),
            partner_side=side,
            reach=reach,
            facing=spots[host].facing if host in spots else 0,
            moves=moves[host],
            leg=host_by_id(host).leg,
            foot=host_by_id(host).foot,
            drop=sinking(framing, host),
            behaviour=behaviours[host],
            sight=_sight(looks, behaviours[host], written),
            behind=furniture != "none",
            handling=handling.get(host, ()),
            meet=nextdoor[host].meet if host in nextdoor else (0.4, 0.45),
            seed=seed + index,
        )
    return roles
