"""A text shortened to a length: some sentences squeezed, some left out, what must be said kept."""

from __future__ import annotations

import math
import re
from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from dearhost.writing.english.likeness import likeness
from dearhost.writing.english.stems import covers, stems
from dearhost.writing.pace import Pace
from dearhost.writing.reworking.changes import Change
from dearhost.writing.reworking.mending import MENDED, leans_back, mended
from dearhost.writing.reworking.squeezing import SECOND_CLAUSE, squeezed

Floats = NDArray[np.float64]
LEFT_OUT = "left out"
SAID_BEFORE = "left out: said before"
_SAYS = 0.65
"""From which part of its words on, weighted by rarity, a sentence says a point."""
_NEAR = 0.03
"""Of the wanted length."""
_STEP = 0.04
"""Of the wanted length: how much shorter the next set of sentences is that is tried."""
_GRID = 0.4
"""Seconds, about a word."""


@dataclass(frozen=True, slots=True)
class _Way:
    text: str
    rules: tuple[str, ...]
    worth: float
    seconds: float


@dataclass(frozen=True, slots=True)
class _Text:
    sentences: Sequence[str]
    likeness: Floats
    """Cosine of every two sentences, shape (n, n)."""
    said: dict[int, list[str]]
    """Points that must be said, by the sentences that say them."""
    needs: Sequence[frozenset[int]]
    ways: Sequence[Sequence[_Way]]


def shortened(
    sentences: Sequence[str],
    seconds: float,
    pace: Pace,
    points: Sequence[str] = (),
    step: Callable[[float], None] = lambda fraction: None,
) -> list[Change]:
    """Every sentence with what becomes of it, so that together they run near ``seconds``.

    What says one of the ``points`` stays; a sentence whose forerunner goes is mended. Mending changes the length a
    little, so that the goal is corrected up to three times. ``step`` is called with the fraction done, and may raise
    to stop. Raises ValueError for no sentences or a length that is not above 0.
    """
    if not sentences or seconds <= 0:
        raise ValueError("Shortening takes sentences and a length above 0.")
    if sum(pace.seconds(sentence) for sentence in sentences) <= seconds:
        return [Change(sentence, sentence) for sentence in sentences]
    text = _studied(sentences, pace, points, step)
    goal, best, nearest = seconds, list[Change](), math.inf
    for turn in range(3):
        step(0.7 + 0.1 * turn)
        changes = _chosen(text, goal)
        runs = sum(pace.seconds(change.after) for change in changes)
        if abs(runs - seconds) < nearest:
            best, nearest = changes, abs(runs - seconds)
        if nearest <= _NEAR * seconds:
            break
        goal = max(0.1, goal + seconds - runs)
    step(1.0)
    return best


def _studied(sentences: Sequence[str], pace: Pace, points: Sequence[str], step: Callable[[float], None]) -> _Text:
    alike: Floats = np.asarray(likeness(sentences).toarray(), dtype=np.float64)
    said = _where_said(sentences, points)
    central = alike.mean(1) / max(1e-9, float(alike.mean(1).max()))
    ways: list[list[_Way]] = []
    for index, sentence in enumerate(sentences):
        step(0.6 * index / len(sentences))
        worth = _worth(index, sentences, alike, float(central[index]))
        ways.append(_ways(sentence, worth, said.get(index, []), pace))
    needs = [_needs(sentences, index) for index in range(len(sentences))]
    return _Text(sentences, alike, said, needs, ways)


def _worth(index: int, sentences: Sequence[str], alike: Floats, central: float) -> float:
    """Importance (place, centrality, numbers) less what was said before (maximal marginal relevance, Carbonell and
    Goldstein 1998)."""
    last = len(sentences) - 1
    place = 1.0 if index == 0 else 0.8 if index == last else 0.35 * (1 - index / max(1, last))
    again = float(alike[index, :index].max()) if index else 0.0
    return 0.55 * central + place - 0.5 * again + (0.25 if re.search(r"\d|\?", sentences[index]) else 0.0)


def _ways(sentence: str, worth: float, points: Sequence[str], pace: Pace) -> list[_Way]:
    ways = [_Way(sentence, (), worth, pace.seconds(sentence))]
    for found in squeezed(sentence):
        if all(covers(point, found.text) >= min(_SAYS, covers(point, sentence)) - 1e-9 for point in points):
            less = 0.03 * len(found.rules) - 0.04 + (0.25 if SECOND_CLAUSE in found.rules else 0.0)
            ways.append(_Way(found.text, found.rules, worth - less, pace.seconds(found.text)))
    return ways


def _where_said(sentences: Sequence[str], points: Sequence[str]) -> dict[int, list[str]]:
    """Which sentences say which point: one, or two that stand together."""
    bags = [stems(sentence) for sentence in sentences]
    often = Counter(word for bag in bags for word in set(bag))

    def near(point: str, index: int) -> float:  # rarer words count for more, and words that stand together
        wanted, bag = stems(point), bags[index]
        weight = {word: math.log(1 + len(bags) / often.get(word, 1)) for word in wanted}
        together = set(pairwise(bag))
        pairs = sum(pair in together for pair in pairwise(wanted))
        shared = sum(weight[word] for word in set(wanted) & set(bag))
        return shared / max(1e-9, sum(weight[word] for word in set(wanted))) + 0.15 * pairs / max(1, len(wanted) - 1)

    said: dict[int, list[str]] = {}
    for point in points:
        if not stems(point):
            continue
        best = max(range(len(sentences)), key=lambda index: (near(point, index), -index))
        if near(point, best) >= _SAYS or len(sentences) == 1:
            said.setdefault(best, []).append(point)
            continue
        pair = max(range(len(sentences) - 1), key=lambda i: covers(point, f"{sentences[i]} {sentences[i + 1]}"))
        if covers(point, f"{sentences[pair]} {sentences[pair + 1]}") >= 0.4:
            for index in (pair, pair + 1):
                said.setdefault(index, []).append(point)
    return said


def _needs(sentences: Sequence[str], index: int) -> frozenset[int]:
    """A sentence that points back needs the one before it; a question needs its answer."""
    needs = set()
    if index and leans_back(sentences[index], sentences[:index]):
        needs.add(index - 1)
    if sentences[index].endswith("?") and index + 1 < len(sentences):
        needs.add(index + 1)
    return frozenset(needs)


def _chosen(text: _Text, goal: float) -> list[Change]:
    """Sentences are taken away one by one, the least first, never what others need; for each set that fits, the best
    ways are found by dynamic programming over the running time."""
    count = len(text.sentences)
    held = set(text.said) | ({count - 1} if goal > 20 else set())
    for _ in range(count):
        more = {need for index in held for need in text.needs[index]} - held
        if not more:
            break
        held |= more
    needed_by = Counter(need for index in range(count) for need in text.needs[index])
    shortest = sum(min(way.seconds for way in ways) for ways in text.ways)
    kept, tried = set(range(count)), math.inf
    best: tuple[tuple[float, float], list[int], tuple[int, ...]] | None = None
    while True:
        free = [index for index in kept - held if not needed_by[index]]
        # a set that is hardly shorter than the last one tried chooses no better
        if (shortest <= goal * 1.03 and shortest <= tried - _STEP * goal) or not free:
            order, tried = sorted(kept), shortest
            off, worth, path = _fitted([text.ways[index] for index in order], goal)
            score = (off if off > _NEAR else 0.0, -worth)
            if best is None or score < best[0]:
                best = (score, order, path)
            if shortest < goal * 0.7 or not free:
                break
        gone = min(free, key=lambda index: (text.ways[index][0].worth, index))
        kept.discard(gone)
        needed_by.subtract(text.needs[gone])
        shortest -= min(way.seconds for way in text.ways[gone])
    _, order, path = best
    return _told(text, dict(zip(order, path, strict=True)))


def _fitted(ways: Sequence[Sequence[_Way]], goal: float) -> tuple[float, float, tuple[int, ...]]:
    """How far off the goal, of it; the worth; and which way of each sentence."""
    wanted = round(goal / _GRID)
    least = [min(round(way.seconds / _GRID) for way in options) for options in ways]
    most = max(round(wanted * 1.1), sum(least))
    rest = sum(least)
    stages: list[dict[int, tuple[float, int, int]]] = []  # by length: the worth, the way, and the length before it
    reached = {0: 0.0}
    for options, shortest in zip(ways, least, strict=True):
        rest -= shortest
        stage: dict[int, tuple[float, int, int]] = {}
        for length, worth in reached.items():
            for index, way in enumerate(options):
                total = length + round(way.seconds / _GRID)
                if total + rest <= most and (total not in stage or stage[total][0] < worth + way.worth):
                    stage[total] = (worth + way.worth, index, length)
        stages.append(stage)
        reached = {length: worth for length, (worth, _, _) in stage.items()}
    near = [length for length in reached if abs(length - wanted) <= _NEAR * wanted]
    end = max(near, key=lambda n: reached[n]) if near else min(reached, key=lambda n: abs(n - wanted))
    path, length = [], end
    for stage in reversed(stages):
        _, index, length = stage[length]
        path.append(index)
    return abs(end - wanted) / max(1, wanted), reached[end], tuple(reversed(path))


def _told(text: _Text, chosen: dict[int, int]) -> list[Change]:
    changes = []
    for index, sentence in enumerate(text.sentences):
        if index not in chosen:
            again = index and float(text.likeness[index, :index].max()) > 0.45
            changes.append(Change(sentence, "", (SAID_BEFORE if again else LEFT_OUT,)))
            continue
        way = text.ways[index][chosen[index]]
        after, rules = way.text, way.rules
        if index and index - 1 not in chosen:
            new = mended(after, text.sentences[:index])
            if new != after:
                after, rules = new, (*rules, MENDED)
        changes.append(Change(sentence, after, rules))
    return changes
