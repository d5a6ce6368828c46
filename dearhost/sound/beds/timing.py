"""Where the beats of a bed are, so that accents begin bars and the last chord is struck in time.

A shortest path over accents: between two that are kept there are whole beats, at a tempo within 5 % of one base tempo.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from random import Random

_MOST_OFF, _MOST_OFF_ALONE, _MOST_OFF_WHOLE = 0.05, 0.12, 0.5
"""How far the tempo between two accents may be from the base: with accents; with none; of the whole at once."""
_EDGE = 1.2
"""Seconds from beginning and end within which no accent is kept."""
_NEAREST = 0.35
"""Seconds between two accents; of nearer ones the first is kept."""
_LEFT_OUT = 6.0
_REACH = 4


@dataclass(frozen=True, slots=True)
class Bar:
    """``beats`` from the beat number ``first`` on; ``accent``: whether it begins on an accent."""

    first: int
    beats: int
    accent: bool


@dataclass(frozen=True, slots=True)
class Grid:
    """``beats`` in seconds, the last one is where the last chord is struck; ``tempo`` in beats a minute."""

    tempo: float
    beats: tuple[float, ...]
    bars: tuple[Bar, ...]
    accents: tuple[float, ...]

    def at(self, beat: float) -> float:
        """The second of a beat, or of a part of one; beyond the last at the last one's pace."""
        whole = math.floor(beat)
        last = len(self.beats) - 1
        if whole >= last:
            return self.beats[last] + (beat - last) * (self.beats[last] - self.beats[last - 1])
        return self.beats[whole] + (beat - whole) * (self.beats[whole + 1] - self.beats[whole])


def grid_of(end: float, tempo: tuple[float, float], accents: Sequence[float], dice: Random) -> Grid:
    """The beats of a bed whose last chord is struck at ``end`` seconds."""
    points = [0.0]
    for accent in sorted(accents):
        if _EDGE < accent < end - _EDGE and accent - points[-1] > _NEAREST:
            points.append(accent)
    points.append(end)
    wanted = dice.uniform(*tempo)
    best: tuple[float, float, list[tuple[int, int, int]]] | None = None
    step = 0.5 if len(points) < 22 else 1.0
    for index in range(round((tempo[1] - tempo[0]) / step) + 1):
        base = tempo[0] + index * step
        found = _path(points, base)
        if found is None:
            continue
        cost = found[0] + ((base - wanted) / (tempo[1] - tempo[0])) ** 2 * 2
        if best is None or cost < best[0]:
            best = cost, base, found[1]
    if best is None:
        beats = max(1, round(end * tempo[0] / 60))
        return _laid([0.0, end], [beats], tempo[0])
    _, base, spans = best
    return _laid([0.0, *(points[last] for _, last, _ in spans)], [beats for *_, beats in spans], base)


def _path(points: Sequence[float], base: float) -> tuple[float, list[tuple[int, int, int]]] | None:
    """The cheapest way from the first point to the last at a base tempo: its cost and (from, to, beats)."""
    count = len(points)
    cost = [0.0] + [math.inf] * (count - 1)
    came: list[tuple[int, int]] = [(0, 0)] * count
    for last in range(1, count):
        for first in range(max(0, last - _REACH), last):
            exact = (points[last] - points[first]) * base / 60
            allowed = _MOST_OFF if count > 2 else _MOST_OFF_ALONE
            if first == 0 and last == count - 1:
                allowed = _MOST_OFF_WHOLE
            near = {max(1, math.floor(exact)), math.ceil(exact), *({round(exact / 4) * 4, round(exact / 2) * 2} - {0})}
            for beats in sorted(near):
                off = abs(beats / exact - 1)
                if off > allowed:
                    continue
                uneven = 0.0 if beats % 4 == 0 else 0.6 if beats % 2 == 0 else 1.6
                whole = cost[first] + (off / 0.02) ** 2 + uneven + _LEFT_OUT * (last - first - 1)
                if whole < cost[last]:
                    cost[last], came[last] = whole, (first, beats)
    if math.isinf(cost[-1]):
        return None
    spans, last = [], count - 1
    while last > 0:
        first, beats = came[last]
        spans.append((first, last, beats))
        last = first
    return cost[-1], spans[::-1]


def _laid(points: Sequence[float], counts: Sequence[int], tempo: float) -> Grid:
    beats: list[float] = []
    bars: list[Bar] = []
    for number, count in enumerate(counts):
        begin, end, first = points[number], points[number + 1], len(beats)
        beats += [begin + (end - begin) * beat / count for beat in range(count)]
        done = 0
        while done < count:
            left = count - done
            size = 4 if left >= 4 and left != 5 else 3 if left == 5 else left
            bars.append(Bar(first + done, size, number > 0 and done == 0))
            done += size
    return Grid(tempo, (*beats, points[-1]), tuple(bars), tuple(points[1:-1]))
