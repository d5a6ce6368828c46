"""Choosing from an outline what fits a length: which points, and each in which way."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from dearhost.writing.outline import PAUSE_SECONDS, DraftLine, LineKind, Outline, Unit, Way
from dearhost.writing.pace import Pace
from dearhost.writing.sayings import TOPIC

_GRID = 0.4
"""Seconds, about a word: finer does not choose better."""
_NEAR = 0.045
"""Of the wanted length: inside it, the worth decides."""
_MOST_SETS = 6


@dataclass(frozen=True, slots=True)
class _Offer:
    unit: Unit
    ways: tuple[tuple[int, Way], ...]
    """Those that say just the points that are kept, with their index in the unit."""
    must: bool


@dataclass(frozen=True, slots=True)
class _Choice:
    off: float
    """Of the wanted length."""
    worth: float
    path: tuple[int | None, ...]
    """Which way of every unit, None for none."""


def choose(outline: Outline, seconds: float) -> list[tuple[Unit, Way]]:
    """The units that are said, each in one way, so that they run near ``seconds`` and are worth the most.

    Points are taken away one by one, the lightest first, never one that another needs, until the rest fits: what must
    be said goes before how well it is said. For each set the best ways are found by dynamic programming over the
    running time.
    """
    pace, found = outline.read.pace, []
    for kept in _nested_sets(outline):
        offers = [_offered(unit, kept, outline.promised) for unit in outline.units]
        least = sum(
            min(seconds_of(way.lines, pace) for _, way in offer.ways) for offer in offers if offer.must and offer.ways
        )
        if least > seconds * 1.05:
            continue
        found.append(_best(offers, seconds, pace))
        if found[-1].off <= _NEAR or len(found) == _MOST_SETS:
            break
    if not found:
        offers = [_Offer(unit, tuple(enumerate(unit.ways)), unit.must) for unit in outline.units]
        found = [_best(offers, seconds, pace)]
    best = min(found, key=lambda choice: choice.off)
    return [(unit, unit.ways[index]) for unit, index in zip(outline.units, best.path, strict=True) if index is not None]


def seconds_of(lines: Iterable[DraftLine], pace: Pace) -> float:
    """Seconds these lines run; a slot is not counted."""
    return sum(
        PAUSE_SECONDS if line.kind is LineKind.PAUSE else pace.seconds(line.text.replace(TOPIC, "It"))
        for line in lines
        if line.kind is not LineKind.SLOT
    )


def _nested_sets(outline: Outline) -> list[frozenset[int]]:
    """Sets of points, from all of them to those that must be said."""
    points = {point.number: point for point in outline.points}
    held = {number for unit in outline.units if unit.must for number in unit.points} | outline.promised
    while True:
        needed = {need for number in held for need in points[number].needs} - held
        if not needed:
            break
        held |= needed
    kept = {number for unit in outline.units for number in unit.points}
    sets = [frozenset(kept)]
    while True:
        needed = {need for number in kept for need in points[number].needs}
        free = kept - held - needed
        if not free:
            return sets
        kept = kept - {min(free, key=lambda number: (points[number].weight, -number))}
        sets.append(frozenset(kept))


def _offered(unit: Unit, kept: frozenset[int], promised: set[int]) -> _Offer:
    if not unit.points:
        return _Offer(unit, tuple(enumerate(unit.ways)), unit.must)
    wanted = unit.points & kept
    ways = tuple((index, way) for index, way in enumerate(unit.ways) if way.points == wanted)
    if not ways and wanted:
        ways = tuple(
            (index, way)
            for index, way in enumerate(unit.ways)
            if way.points <= kept and way.points >= unit.points & promised
        )
    return _Offer(unit, ways, bool(wanted))


def _best(offers: Sequence[_Offer], seconds: float, pace: Pace) -> _Choice:
    goal = round(seconds / _GRID)
    most = int(goal * 1.3) + 12
    reached: dict[int, tuple[float, tuple[int | None, ...]]] = {0: (0.0, ())}
    for offer in offers:
        options: list[tuple[int, float, int | None]] = [] if offer.must and offer.ways else [(0, 0.0, None)]
        for number, way in offer.ways:
            options.append((round(seconds_of(way.lines, pace) / _GRID), offer.unit.value * way.quality, number))
        after: dict[int, tuple[float, tuple[int | None, ...]]] = {}
        for length, (worth, path) in reached.items():
            for more, value, index in options:
                total = length + more
                if total <= most and (total not in after or after[total][0] < worth + value):
                    after[total] = (worth + value, (*path, index))
        reached = after or {length: (worth, (*path, None)) for length, (worth, path) in reached.items()}

    def judged(length: int) -> float:
        return reached[length][0] - abs(length - goal) / goal * 4

    near = [length for length in reached if abs(length - goal) <= _NEAR * goal]
    length = max(near, key=judged) if near else min(reached, key=lambda reach: abs(reach - goal))
    worth, path = reached[length]
    return _Choice(abs(length - goal) / goal, worth, path)
