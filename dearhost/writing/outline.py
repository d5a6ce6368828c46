"""An outline: what may be said, in which order and in which ways.

A structure builds it, ``fitting`` chooses from it.
"""

from __future__ import annotations

import itertools
import random
import re
from collections import Counter
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum

from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.english.clauses import Form, as_sentence, form_of, lower_first, upper_first
from dearhost.writing.english.stems import stems
from dearhost.writing.frames import FRAMES, NO_ANSWER, NO_CALL, Tone
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import Remark, RemarkKind
from dearhost.writing.sayings import Asked, Saying, asked, said_of_oneself, ways_of_saying
from dearhost.writing.style import taste


class LineKind(StrEnum):
    FRAME = "frame"
    POINT = "point"
    TEASE = "tease"
    """Promises a point that is said later."""
    RECAP = "recap"
    REMARK = "remark"
    CALL = "call"
    SLOT = "slot"
    ECHO = "echo"
    PAUSE = "pause"


PAUSE_SECONDS = 3.0
"""Before an answer, so that whoever listens can think of it (Gagné's sixth event: elicit performance)."""


@dataclass(frozen=True, slots=True)
class DraftLine:
    """Words of one speaker, and which points they say."""

    speaker: str
    text: str
    kind: LineKind
    points: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Way:
    lines: tuple[DraftLine, ...]
    quality: float

    @property
    def points(self) -> frozenset[int]:
        return frozenset(point for line in self.lines if line.kind is LineKind.POINT for point in line.points)


@dataclass(frozen=True, slots=True)
class Unit:
    """One thing that may be said, in one of several ways, for what it is worth."""

    part: str
    ways: tuple[Way, ...]
    value: float = 1.0
    must: bool = False

    @property
    def points(self) -> frozenset[int]:
        return frozenset(point for way in self.ways for point in way.points)


@dataclass
class Outline:
    """What a structure lays out, unit after unit. ``left`` and ``remarks_left`` are what it has not used yet.

    ``seed`` decides among frames and ways that are equally good; ``used`` counts the frames of a set of drafts, so
    that they differ.
    """

    read: BriefRead
    target: float
    seed: int = 0
    used: Counter[str] = field(default_factory=Counter)
    part: str = ""
    units: list[Unit] = field(default_factory=list)
    promised: set[int] = field(default_factory=set)
    """Points that something said earlier promises."""
    held_number: int | None = None
    """The point whose number the opening held up."""
    held_why: int | None = None
    unanswered: str = ""

    def __post_init__(self) -> None:
        self.chance = random.Random(self.seed)
        self._asked: dict[str, int] = {}
        self.left = list(self.read.points)
        self.remarks_left = list(self.read.remarks)
        self.points = list(self.read.points)

    @property
    def speaker(self) -> str:
        return self.read.speakers[0]

    @property
    def is_thing(self) -> bool:
        return self.read.is_thing

    # Words

    def frame(self, place: str, /, **fields: str) -> str:
        """The words of a place, those the least used so far."""
        choices = FRAMES[place].get(self.read.tone) or FRAMES[place][Tone.PLAIN]
        least = min(self.used[choice] for choice in choices)
        chosen = self.chance.choice([choice for choice in choices if self.used[choice] == least])
        self.used[chosen] += 1
        fields = {"t": self.read.topic, "T": upper_first(self.read.topic), **fields}
        return upper_first(re.sub(r"\{(\w+)\}", lambda match: fields[match[1]], chosen))

    def framed(self, place: str, speaker: str = "", **fields: str) -> DraftLine:
        return self.line(self.frame(place, **fields), LineKind.FRAME, speaker=speaker)

    def line(
        self, text: str, kind: LineKind = LineKind.FRAME, points: Iterable[int] = (), speaker: str = ""
    ) -> DraftLine:
        return DraftLine(speaker or self.speaker, text, kind, tuple(points))

    def lower(self, text: str) -> str:
        return lower_first(text, self.read.names)

    # Taking

    def take(self, fits: Callable[[Point], bool], most: int = 1) -> list[Point]:
        """Points that fit, each with those that lean on it."""
        taken: list[Point] = []
        for point in list(self.left):
            if len(taken) >= most:
                break
            if point not in self.left or point.leans or not fits(point):
                continue
            taken.append(point)
            self.left.remove(point)
            while self.left:
                leaning = next((p for p in self.left if p.number == taken[-1].number + 1 and p.leans), None)
                if not leaning:
                    break
                taken.append(leaning)
                self.left.remove(leaning)
        return taken

    def take_rest(self) -> list[Point]:
        """Everything left, in the writer's own order, offers last."""
        rest = sorted(self.left, key=lambda point: (Kind.OFFER in point.kinds, point.number))
        self.left.clear()
        return rest

    def take_in_order(self) -> list[Point]:
        rest, self.left = self.left, []
        return rest

    def remark(self, *kinds: RemarkKind) -> Remark | None:
        """The first remark of the first of these kinds that there is."""
        for kind in kinds:
            for remark in self.remarks_left:
                if remark.kind is kind:
                    self.remarks_left.remove(remark)
                    return remark
        return None

    # Units

    def add(self, ways: Iterable[Way], value: float = 1.0, must: bool = False) -> None:
        kept = tuple(ways)
        if kept:
            self.units.append(Unit(self.part, kept, value, must))

    def add_lines(self, *lines: DraftLine, value: float = 1.0, must: bool = False) -> None:
        self.add([Way(lines, 1.0)], value, must)

    def add_frame(self, place: str, value: float, must: bool = False, speaker: str = "", **fields: str) -> None:
        self.add_lines(self.framed(place, speaker, **fields), value=value, must=must)

    def ways(self, point: Point, speaker: str = "") -> list[Way]:
        """The ways to say a point; a little chance makes one seed differ from the next."""
        if point.form in (Form.SENTENCE, Form.IMPERATIVE):
            point = replace(point, text=said_of_oneself(point.text, speaker or self.speaker))
        return [
            Way(
                (self.line(saying.text, LineKind.POINT, [point.number], speaker),),
                saying.quality * self._taste(saying.text) + self.chance.uniform(0, 0.12),
            )
            for saying in self.sayings(point)
        ]

    def _taste(self, text: str) -> float:
        return taste(text, self.read.style) if self.read.style else 1.0

    def sayings(self, point: Point) -> list[Saying]:
        return ways_of_saying(point, self.read.subject, self.read.names)

    def asked(self, point: Point, topic: str = "it") -> Asked | None:
        """The question a point answers, but none that another point answers too."""
        found = asked(point, topic, self.speaker, self.read.names, self.read.is_lesson)
        if found and self._asked.setdefault(found.question, point.number) != point.number:
            return None
        return found

    def add_point(self, point: Point, must: bool = False, speaker: str = "", bonus: float = 0.0) -> None:
        self.add(self.ways(point, speaker), point.weight + bonus, must)

    def add_after(self, place: str, point: Point, value: float, must: bool = False) -> None:
        """A point with words before it."""
        lead = self.framed(place)
        self.add([Way((lead, *way.lines), way.quality) for way in self.ways(point)], value, must)

    def add_leading(self, points: Sequence[Point], must: bool = False) -> None:
        """Points of which later ones lean on earlier: said from the first on, as far as there is time."""
        runs: list[list[Point]] = []
        for point in points:
            if point.leans and runs:
                runs[-1].append(point)
            else:
                runs.append([point])
        for run in runs:
            ways = []
            for many in range(1, len(run) + 1):
                each = [self.ways(point) for point in run[:many]]
                for combined in itertools.islice(itertools.product(*each), 12):
                    lines = tuple(line for way in combined for line in way.lines)
                    worth = sum(point.weight * way.quality for point, way in zip(run, combined, strict=False))
                    ways.append(Way(lines, worth))
            self.units.append(Unit(self.part, tuple(ways), 1.0, must))

    def add_leaning(self, point: Point) -> None:
        """Add a point to the unit before it, so that neither is said without the other."""
        if not self.units:
            self.add_leading([point])
            return
        unit = self.units[-1]
        alone = [Way(way.lines, way.quality * unit.value) for way in unit.ways]
        both = [
            Way(way.lines + more.lines, way.quality * unit.value + point.weight * more.quality)
            for way in [way for way in unit.ways if way.points == unit.points][:6]
            for more in self.ways(point)[:2]
        ]
        self.units[-1] = Unit(unit.part, (*alone, *both), 1.0, unit.must)

    def add_body(self, points: Iterable[Point]) -> None:
        """Points one after another; what the opening held up comes back."""
        for point in points:
            if point.number == self.held_number:
                again = self.frame("number again")
                back = [
                    Way((replace(way.lines[0], text=f"{again} {self.lower(way.lines[0].text)}"),), way.quality)
                    for way in self.ways(point)
                ]
                self.add([*back, *self.ways(point)], point.weight + 0.8)
            elif point.number == self.held_why:
                plain = [way for way in self.ways(point) if "?" not in way.lines[0].text]
                self.add(plain, point.weight + 0.8)
            elif point.leans:
                self.add_leaning(point)
            else:
                self.add_leading([point])

    def add_remark(
        self, remark: Remark, after: str = "", lead: str = "", must: bool = False, value: float = 1.2
    ) -> None:
        """Somebody's words in quotation marks, with what is said after them."""
        mark = "?" if remark.kind is RemarkKind.QUESTION else "."
        quoted = f"“{as_sentence(remark.text, mark)}”"
        line = self.line(f"{lead} {quoted}".strip(), LineKind.REMARK)
        missing = (
            (self.line(NO_ANSWER, LineKind.SLOT),)
            if remark.kind is RemarkKind.QUESTION and self.unanswered == remark.text
            else ()
        )
        ways = [Way((line, self.framed(after), *missing), 1.6)] if after else []
        self.add([*ways, Way((line, *missing), 0.8)], value, must)

    def promise(self, question: Remark) -> bool:
        """A question somebody asked is answered: by a point with a reason, or one that shares its words; else by a
        slot."""
        wanted = set(stems(question.text))
        why = question.text.lower().startswith("why")

        def fit(point: Point) -> float:
            reason = 4.0 if re.match(r"that is why", point.text, re.I) else 1.2 if Kind.CAUSE in point.kinds else 0.0
            return (reason if why else 0.0) + len(wanted & set(stems(point.text))) - 0.01 * point.number

        best = max(self.points, key=fit, default=None)
        if best is not None and fit(best) >= 2:
            self.promised.add(best.number)
            return True
        self.unanswered = question.text
        return False

    # The end

    def close(self, goodbye: bool = False) -> None:
        """The call to action, and a goodbye."""
        self.part = "close"
        call = self.read.call
        if not call:
            self.add_lines(self.line(NO_CALL, LineKind.SLOT), value=2, must=True)
            return
        form = form_of(call)
        if form is Form.NOUN_PHRASE:
            call = f"see {call}"
        framed = as_sentence(self.frame("call", call=self.lower(call), Call=upper_first(call)))
        plain = self.line(as_sentence(call), LineKind.CALL)
        ways = [Way((self.line(framed, LineKind.CALL),), 1.0), Way((plain,), 0.95)]
        wish = next((remark.wish for remark in self.read.remarks if remark.wish), "")
        if wish and len(wish.split()) <= 9:
            theirs = re.sub(r"\bme\b", "you", re.sub(r"\bmy\b", "your", wish))
            ways.insert(0, Way((self.line(as_sentence(f"want to {theirs}", "?"), LineKind.REMARK), plain), 1.15))
        self.add(ways, 4, must=True)
        if goodbye:
            self.add_frame("goodbye", 0.4)
