"""Where music lies under the scenes of a film: scenes that follow each other with the same music have one bed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import accumulate

from dearhost.assets.shelf import kind_of
from dearhost.production import Choices
from dearhost.sound.beds import LONGEST, SHORTEST, BedSpec
from dearhost.sound.under_voice import Levels

NONE = "none"
_RINGS = 0.45
"""Seconds after the last word at which a bed that ends with it strikes its last chord."""
_NEAR = 0.8
"""Seconds: scene changes nearer to each other or to an end are no accents."""


@dataclass(frozen=True, slots=True)
class BedStretch:
    """A scene as its music needs it: how long it is, until when somebody speaks in it, and on which moments bars are to
    begin, in seconds."""

    choices: Choices
    seconds: float
    said_until: float
    accents: tuple[float, ...] = ()


@dataclass(frozen=True, slots=True)
class OtherScene:
    """What the music of one scene needs to know of another that it goes on through, in seconds."""

    seconds: float
    accents: tuple[float, ...] = ()


@dataclass(frozen=True, slots=True)
class PlacedBed:
    """Music from ``start`` to ``end`` of a timeline, of which ``begins`` seconds lie before it. It is composed by
    ``spec``, or the thing ``item`` of the shelf fitted to ``seconds``. ``levels`` hold from a second of the timeline
    on."""

    start: float
    end: float
    begins: float
    seconds: float
    levels: tuple[tuple[float, Levels], ...]
    spec: BedSpec | None = None
    item: str = ""

    def later(self, seconds: float) -> PlacedBed:
        """The same, ``seconds`` later."""
        levels = tuple((at + seconds, one) for at, one in self.levels)
        return replace(self, start=self.start + seconds, end=self.end + seconds, levels=levels)

    def part(self, start: float, end: float) -> PlacedBed | None:
        """What of it lies between two seconds of its timeline; None for nothing."""
        left, right = max(start, self.start), min(end, self.end)
        if right - left < 0.05:
            return None
        return replace(self, start=left, end=right, begins=self.begins + left - self.start)


def beds_of(scenes: Sequence[BedStretch]) -> tuple[PlacedBed, ...]:
    """The music of a film, from its scenes in order."""
    found: list[PlacedBed] = []
    chosen = [scene.choices for scene in scenes]
    now, index = 0.0, 0
    while index < len(scenes):
        run = [scenes[one] for one in scenes_of_bed(chosen, index)]
        seconds = sum(scene.seconds for scene in run)
        if run[0].choices.bed != NONE and seconds >= SHORTEST:
            found.append(_bed(run, now, min(seconds, LONGEST)))
        now, index = now + seconds, index + len(run)
    return tuple(found)


def scenes_of_bed(choices: Sequence[Choices], index: int) -> range:
    """The scenes about one that have one bed with it, by what is chosen for each."""
    first = last = index
    while first > 0 and _music(choices[first - 1]) == _music(choices[index]):
        first -= 1
    while last + 1 < len(choices) and _music(choices[last + 1]) == _music(choices[index]):
        last += 1
    return range(first, last + 1)


def _music(choices: Choices) -> tuple[str, str, float]:
    return choices.bed, choices.bed_style, choices.bed_seed


def _changes(run: Sequence[BedStretch]) -> list[float]:
    """When scenes of a run follow each other."""
    return list(accumulate(scene.seconds for scene in run[:-1]))


def levels_in(choices: Choices) -> Levels:
    """How far below the voice the music of a scene lies."""
    return Levels(choices.bed_under, choices.bed_pause)


def _levels(run: Sequence[BedStretch], start: float) -> tuple[tuple[float, Levels], ...]:
    """The levels of a run that begins at a second, where they change."""
    begins = accumulate((scene.seconds for scene in run[:-1]), initial=start)
    found: list[tuple[float, Levels]] = []
    for at, scene in zip(begins, run, strict=True):
        if not found or found[-1][1] != levels_in(scene.choices):
            found.append((at, levels_in(scene.choices)))
    return tuple(found)


def _apart(words: Sequence[float], changes: Sequence[float]) -> tuple[float, ...]:
    """Moments on which bars are to begin, none too near to another: words go before changes of scenes."""
    kept: list[float] = []
    for moment in (*sorted(words), *changes):
        if all(abs(moment - other) > _NEAR for other in kept):
            kept.append(round(moment, 3))
    return tuple(sorted(kept))


def _bed(run: Sequence[BedStretch], start: float, seconds: float) -> PlacedBed:
    choices = run[0].choices
    levels = _levels(run, start)
    if kind_of(choices.bed):
        return PlacedBed(start, start + seconds, 0.0, seconds, levels, item=choices.bed)
    wanted: list[float] = []
    now = 0.0
    for scene in run:
        wanted += [now + accent for accent in scene.accents]
        now += scene.seconds
    accents = _apart(wanted, _changes(run) if choices.bed_accents else ())
    said = sum(scene.seconds for scene in run[:-1]) + run[-1].said_until
    end = min(said + _RINGS, seconds - 0.6) if choices.bed_ends == "with" else 0.0
    seed = round(choices.bed_seed)
    spec = BedSpec(choices.bed, choices.bed_style, round(seconds, 3), seed, accents, round(end, 3))
    return PlacedBed(start, start + seconds, 0.0, seconds, levels, spec)
