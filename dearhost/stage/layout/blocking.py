"""Where hosts stand in the picture, for every shape and framing."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dearhost.hosts import Host
from dearhost.production import Production, Studio
from dearhost.script import Scene, Spot, spoken_lines
from dearhost.stage.layout.furniture import HEIGHTS, elbow
from dearhost.stage.layout.shapes import LAYOUTS, RATIOS

Players = Mapping[str, Host]
"""The hosts of a scene or a shot by their ids, in the order they speak."""
Place = tuple[float, float, float]
"""A host's x, head centre y and head height, as fractions of the picture."""


@dataclass(frozen=True, slots=True)
class Neighbour:
    """The ``host`` next to one, on its ``side`` (1 right, -1 left), and where their hands meet, in arm lengths."""

    host: str
    side: int
    meet: tuple[float, float]


STANDING = ("wide", "full")
"""Framings that show whole figures."""
BUBBLES = ("bubble", "square-bubble")
"""Framings that show one host small over other content."""
_FEET: Mapping[str, Mapping[str, tuple[float, float]]] = {
    "wide": {"16:9": (0.76, 0.93), "1:1": (0.66, 0.93), "9:16": (0.50, 0.86)},
    "full": {"16:9": (0.90, 0.965), "1:1": (0.84, 0.955), "9:16": (0.66, 0.92)},
}
"""A grown person's height, and where the feet stand, as fractions of the picture's height."""
_STEP = {"wide": 0.45, "full": 0.55, "medium": 1.0, "close-up": 1.6}
"""What a step back counts for: the further the camera, the less."""


def places_of(
    shape: str, framing: str, players: Players, spots: Mapping[str, Spot], furniture: str = "none"
) -> dict[str, Place]:
    """(x, head centre y, head height) for each host: where the framing puts them, or on their spots.

    Behind ``furniture`` everybody's forearms lie on its top, whatever their size.
    """
    if not players:
        return {}
    fixed = framing in BUBBLES or (framing == "close-up" and len(players) == 1)
    places = {
        host: _on(None if fixed else spots.get(host), framing, shape, place)
        for host, place in zip(players, usual_places(shape, framing, players), strict=True)
    }
    if furniture == "none" or framing in BUBBLES:
        return places
    largest = max(players, key=lambda host: places[host][2])
    if framing in STANDING:
        top = feet_of(shape, framing) - HEIGHTS[furniture] * places[largest][2]
    else:
        top = places[largest][1] + elbow(players[largest]) * places[largest][2]
    return {host: (x, top - elbow(players[host]) * head, head) for host, (x, _, head) in places.items()}


def aside(shape: str, framing: str, side: str, player: Host) -> Place:
    """Where one host stands who leaves room for what is shown, at the "left" or at the "right"; below it in tall
    pictures."""
    x, y, head = LAYOUTS[shape].beside
    if framing in STANDING and shape == "16:9":
        _, y, head = _standing_places(shape, framing, [player])[0]
    elif player.card.age == "child" or not player.abilities.steps:
        y += head * 0.3
    return (1 - x if side == "right" else x), y, head


def _on(spot: Spot | None, framing: str, shape: str, place: Place) -> Place:
    """A place moved to a spot: everything shrinks towards the horizon by one over the distance."""
    if spot is None:
        return place
    _, y, head = place
    distance = 1 + (spot.distance - 1) * _STEP[framing]
    horizon = LAYOUTS[shape].horizon
    return spot.x, horizon + (y - horizon) / distance, head / distance


def usual_places(shape: str, framing: str, players: Players) -> list[Place]:
    """(x, head centre y, head height) for each host, by shape and framing."""
    layout, hosts = LAYOUTS[shape], list(players.values())
    if framing in STANDING:
        return _standing_places(shape, framing, hosts)
    if framing in BUBBLES:
        x, y, radius = layout.bubble
        return [(x, y - 0.02, radius * 1.12)] * len(hosts)
    if len(hosts) == 1:
        x, y, head = layout.close_up if framing == "close-up" else layout.host
        return [(x, y, head)]
    if len(hosts) == 2:
        return [_at_height(shape, host, *place) for host, place in zip(hosts, layout.pair, strict=True)]
    (_left, y, head), (_right, _, _) = layout.pair
    shrink = min(1.0, 2.4 / len(hosts))
    spread = [0.20 + 0.60 * i / (len(hosts) - 1) for i in range(len(hosts))]
    return [_at_height(shape, host, x, y + 0.04, head * shrink) for host, x in zip(hosts, spread, strict=True)]


def _at_height(shape: str, host: Host, x: float, y: float, head: float) -> Place:
    """An animal or a child beside a grown person stands lower and smaller, but in the picture."""
    if host.card.age == "child":
        return x, y + head * (1.2 if shape == "9:16" else 0.50), head * 0.88
    if not host.abilities.steps:
        return x, y + head * (1.55 if shape == "9:16" else 0.62), head * 0.80
    return x, y, head


def feet_of(shape: str, framing: str) -> float:
    """Where whole figures stand, as a fraction of the picture's height."""
    return _FEET[framing][shape][1]


def _standing_places(shape: str, framing: str, hosts: Sequence[Host]) -> list[Place]:
    """Whole figures on one floor, to one scale."""
    (tall, feet), units = _FEET[framing][shape], 620.0
    aspect = RATIOS[shape][0] / RATIOS[shape][1]
    head = tall / units * 100
    if len(hosts) > 1:
        head = min(head, aspect / len(hosts) * 0.30)
    (first, _, near), (second, _, _) = LAYOUTS[shape].pair
    apart = (second - first) * head / near  # as near to each other as when the camera is close
    xs = [0.5 + (i - (len(hosts) - 1) / 2) * apart for i in range(len(hosts))]
    return [(x, feet + h.head_centre.imag / 100 * head, head) for x, h in zip(xs, hosts, strict=True)]


def neighbours(shape: str, places: Mapping[str, Place], players: Players) -> dict[str, Neighbour]:
    """Who stands next to each host, from where they are: x, head centre y, head height."""
    in_row = sorted(places, key=lambda host: places[host][0])
    found: dict[str, Neighbour] = {}
    for index, host in enumerate(in_row):
        if len(in_row) > 1:
            there = index + 1 if index + 1 < len(in_row) else index - 1
            side = 1 if there > index else -1
            own, theirs = places[host], places[in_row[there]]
            found[host] = Neighbour(in_row[there], side, _meeting(shape, players[host], own, theirs))
    return found


def seen_from(shape: str, own: Place, other: Place) -> tuple[int, float]:
    """On which side another host is (1 right, -1 left), and how much higher their eyes are by how far away they are."""
    away = abs(other[0] - own[0]) * RATIOS[shape][0] / RATIOS[shape][1]
    return (1 if other[0] > own[0] else -1), (own[1] - other[1]) / max(away, 0.05)


def _meeting(shape: str, host: Host, own: Place, others: Place) -> tuple[float, float]:
    """Where a host's hand meets the neighbour's, half way between them: from its shoulder, in arm lengths."""
    width, height = RATIOS[shape]
    x, y, head = own
    middle, level = (x + others[0]) / 2, max(y + 1.25 * head, others[1] + 1.25 * others[2])
    shoulder, length = host.arm_base
    across = abs(middle - x) * width / height / head * 100
    return (across - shoulder.real) / length, ((level - y) / head * 100 - shoulder.imag) / length


def standing(production: Production, scene: Scene, studio: Studio) -> dict[str, Spot]:
    """Where each speaker of a scene stands, given or usual. ``production`` must be checked."""
    speakers = production.speakers_in(spoken_lines(scene))
    players = {production.entry(s).host: studio.hosts.host(production.entry(s).host) for s in speakers}
    framing = production.choices_for(scene).framing
    usual = dict(zip(players, usual_places(production.choices.shape, framing, players), strict=True))
    own = scene.staging.blocking
    return {s: own.get(s) or Spot(round(usual[production.entry(s).host][0], 3)) for s in speakers}
