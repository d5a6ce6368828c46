"""Drafts: a brief as a script of a wanted length, in every structure it carries."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace

from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.english.clauses import contracted, upper_first
from dearhost.writing.fitting import choose, seconds_of
from dearhost.writing.frames import FRAMES, Tone
from dearhost.writing.matter import OPEN_SLOTS, Matter
from dearhost.writing.outline import DraftLine, LineKind, Outline
from dearhost.writing.pace import Pace
from dearhost.writing.restyling import restyled
from dearhost.writing.sayings import TOPIC
from dearhost.writing.structures import STRUCTURES, Structure
from dearhost.writing.structures.openings import possible_openings
from dearhost.writing.turns import turns_of

NEAR = 0.05
"""Of the wanted length: a draft that runs further off is not offered."""
_OFFERED_BELOW = 1.0
"""Faults of a draft that is still offered (see ``_faults``)."""
_LONGEST_SLOT_SECONDS = 14.0
_SHORT_BY = 4.0
"""Seconds a draft may be short before open slots are laid into it."""


@dataclass(frozen=True, slots=True)
class Part:
    """What stands under one heading."""

    heading: str
    lines: tuple[DraftLine, ...]


@dataclass(frozen=True, slots=True)
class Draft:
    """A script in the making. ``seconds`` are those of its words, ``open_seconds`` those its open slots leave."""

    structure: str
    parts: tuple[Part, ...]
    seconds: float
    open_seconds: float
    target: float
    points: tuple[int, ...]
    """Numbers of the points it says, from 0."""
    promised: frozenset[int] = field(default_factory=frozenset)
    faults: float = 0.0

    @property
    def lines(self) -> tuple[DraftLine, ...]:
        return tuple(line for part in self.parts for line in part.lines)


@dataclass(frozen=True, slots=True)
class HeldBack:
    """A structure that is not offered, and why."""

    structure: str
    reason: str


@dataclass(frozen=True, slots=True)
class DraftSet:
    """The drafts of a brief, best first, and what is held back."""

    drafts: tuple[Draft, ...]
    held_back: tuple[HeldBack, ...]


def draft_all(
    read: BriefRead,
    target: float,
    seed: int = 0,
    structures: Sequence[str] | None = None,
    step: Callable[[float], None] = lambda fraction: None,
) -> DraftSet:
    """A draft in every structure the brief carries, of ``target`` seconds.

    ``step`` is called with the fraction done before every structure, and may raise to stop. The same brief, target and
    seed give the same drafts.
    """
    wanted = [structure for structure in STRUCTURES.values() if structures is None or structure.id in structures]
    wanted.sort(key=lambda structure: not structure.fits(read.matter))
    used: Counter[str] = Counter()
    drafts: list[tuple[float, Draft]] = []
    held_back = []
    for index, structure in enumerate(wanted):
        step(index / len(wanted))
        reason = structure.missing(read)
        if not reason:
            draft = draft_in(read, structure, target, seed + index, used)
            reason = _reason(draft, read, structure)
            if not reason:
                drafts.append((draft.faults + (0 if structure.fits(read.matter) else 0.5), draft))
        if reason:
            held_back.append(HeldBack(structure.id, reason))
    step(1.0)
    return DraftSet(tuple(draft for _, draft in sorted(drafts, key=lambda pair: pair[0])), tuple(held_back))


def draft_in(
    read: BriefRead, structure: Structure, target: float, seed: int = 0, used: Counter[str] | None = None
) -> Draft:
    """The best draft of one structure: openings are tried in turn, from the one the seed names on."""
    openings = possible_openings(Outline(read, target, seed)) if structure.opens else []
    openings = openings or ["a claim"]
    best: tuple[float, Draft, Counter[str]] | None = None
    for turn in range(len(openings)):
        mine = Counter(used or {})
        outline = Outline(read, target, seed, mine)
        structure.lay(outline, openings[(seed + turn) % len(openings)])
        draft = _finished(outline, structure.id)
        score = draft.faults + 0.15 * turn
        if best is None or score < best[0]:
            best = (score, draft, mine)
        if score < 0.5:
            break
    assert best is not None  # there is always an opening
    if used is not None:
        used.update(best[2] - used)
    return best[1]


def _reason(draft: Draft, read: BriefRead, structure: Structure) -> str:
    """Why a draft is not offered, in words; empty where it is."""
    turns = sum(line.speaker not in ("", read.speakers[0]) for line in draft.lines if line.kind is not LineKind.SLOT)
    if turns < structure.least_turns:
        return f"{clock(draft.target)} is too short for others to speak."
    if draft.faults < _OFFERED_BELOW:
        return ""
    if not draft.points:
        return "No point fits into this length."
    if draft.open_seconds > NEAR * draft.target:
        return f"This brief holds about {clock(draft.seconds)}. For {clock(draft.target)} add points, or a document."
    if abs(draft.seconds + draft.open_seconds - draft.target) > NEAR * draft.target:
        if draft.seconds < draft.target:
            return f"It ends at {clock(draft.seconds)}."
        return f"It takes at least {clock(draft.seconds)}: give it more time."
    missing = sorted(draft.promised - set(draft.points))
    if missing:
        return f"What it opens with, point {missing[0] + 1}, does not fit into this length."
    return f"Only {len(draft.points)} of {len(read.points)} points fit into this length."


def clock(seconds: float) -> str:
    """Seconds as minutes and seconds: 3:05."""
    whole = round(seconds)
    return f"{whole // 60}:{whole % 60:02d}"


def _finished(outline: Outline, structure: str) -> Draft:
    """The draft of an outline, as near to its target as it comes; what the brief does not hold are open slots."""
    target, pace = outline.target, outline.read.pace
    goal, tries = target, []
    for _ in range(4):
        parts = _with_topic(_chosen_parts(outline, goal), outline)
        seconds = sum(part_seconds(part, pace) for part in parts)
        tries.append((abs(seconds - target), parts, seconds))
        if abs(seconds - target) <= 0.02 * target:
            break
        goal += target - seconds
        if goal <= 0:
            break
    _, parts, seconds = min(tries, key=lambda found: found[0])
    open_seconds, short = 0.0, target - seconds
    if short > max(_SHORT_BY, NEAR * target):
        parts, open_seconds = _with_slots(parts, outline, short)
        seconds = sum(part_seconds(part, pace) for part in parts)  # a slot divides lines
    points = sorted({p for part in parts for line in part.lines if line.kind is LineKind.POINT for p in line.points})
    draft = Draft(structure, tuple(parts), seconds, open_seconds, target, tuple(points), frozenset(outline.promised))
    return replace(draft, faults=_faults(draft, len(outline.points)))


def part_seconds(part: Part, pace: Pace) -> float:
    """Seconds a part runs, with the silence between its lines and before it."""
    turns = sum(not turn.is_slot for turn in turns_of(part.lines))
    return seconds_of(part.lines, pace) + (pace.scene + pace.line * turns if turns else 0.0)


def _faults(draft: Draft, points: int) -> float:
    """What an editor would strike first: off the length, a promise not kept, too few points."""
    said = set(draft.points)
    off = abs(draft.seconds + draft.open_seconds - draft.target) / draft.target
    recapped = {point for line in draft.lines if line.kind is LineKind.RECAP for point in line.points}
    teased = [set(line.points) for line in draft.lines if line.kind is LineKind.TEASE]
    return (
        (0 if off <= NEAR else 10 * off)
        + (4 * max(0.0, draft.open_seconds / draft.target - 0.25))
        + 3 * sum(not points <= said and not points & recapped for points in teased)
        + 3 * len(draft.promised - said)
        + 0.5 * (points - len(said)) / max(1, points)
        + (0 if said else 2)
    )


def _chosen_parts(outline: Outline, goal: float) -> list[Part]:
    lines: dict[str, list[DraftLine]] = {}
    for unit, way in choose(outline, goal):
        lines.setdefault(unit.part, []).extend(way.lines)
    teased = any(line.kind is LineKind.TEASE for part in lines.values() for line in part)
    backs = {words for place in FRAMES["cold opening again"].values() for words in place} if not teased else set()
    return [Part(heading, tuple(line for line in part if line.text not in backs)) for heading, part in lines.items()]


def _with_topic(parts: Sequence[Part], outline: Outline) -> list[Part]:
    """The topic by its name first, then as "it", and now and then by its noun; contractions as the tone has them."""
    naming = _Naming(outline)
    named = [
        replace(
            part,
            lines=tuple(
                replace(line, text=_sounding(text, line, outline.read))
                for line, text in ((line, naming.named(line)) for line in part.lines)
            ),
        )
        for part in parts
    ]
    style = outline.read.style
    if style is None:
        return named
    return [replace(part, lines=tuple(restyled(part.lines, style, outline.read.names))) for part in named]


def _sounding(text: str, line: DraftLine, read: BriefRead) -> str:
    """Contracted as the tone or the writer's own text has it; what somebody said stays."""
    if line.kind in (LineKind.REMARK, LineKind.SLOT):
        return text
    seldom = read.style is not None and read.style.contractions <= 0.4
    return text if read.tone is Tone.FORMAL or seldom else contracted(text)


class _Naming:
    def __init__(self, outline: Outline) -> None:
        self.topic = outline.read.topic
        self.short = outline.read.short_topic
        self.pronoun = "they" if outline.read.subject.plural else "it"
        self.said = False
        self.run = 0

    def named(self, line: DraftLine) -> str:
        text = line.text
        while TOPIC in text:
            name = self._name()
            before, _, after = text.partition(TOPIC)
            starts = not before.strip() or before.rstrip()[-1] in ".?!“"
            text = before + (upper_first(name) if starts else name) + after
        if self.topic.lower() in line.text.lower():
            self.said, self.run = True, 0
        return text

    def _name(self) -> str:
        if not self.said:
            self.said = True
            return self.topic
        if self.run >= 2 and self.short != self.topic:
            self.run = 0
            return self.short
        self.run += 1
        return self.pronoun


def _with_slots(parts: Sequence[Part], outline: Outline, short: float) -> tuple[list[Part], float]:
    """Open slots, each with its time, where the brief holds no more."""
    slots = OPEN_SLOTS[outline.read.matter]
    many = min(len(slots), max(1, round(short / 8)))
    each = min(_LONGEST_SLOT_SECONDS, short / many)
    places = list(_slot_places(parts, many, spread=outline.read.matter in (Matter.STORY, Matter.LESSON)))
    new = [[*part.lines] for part in parts]
    for (part, line), slot in sorted(zip(places, slots, strict=False), key=lambda pair: pair[0], reverse=True):
        speaker = parts[part].lines[line - 1].speaker or outline.speaker
        new[part].insert(line, DraftLine(speaker, slot, LineKind.SLOT))
    return [replace(part, lines=tuple(lines)) for part, lines in zip(parts, new, strict=True)], each * many


def _slot_places(parts: Sequence[Part], many: int, spread: bool) -> Iterator[tuple[int, int]]:
    """Where slots go: after lines that say points, spread over all of them or after the last."""
    after = [
        (index, number + 1)
        for index, part in enumerate(parts)
        for number, line in enumerate(part.lines)
        if line.kind is LineKind.POINT
    ] or [(0, 1)]
    for slot in range(many):
        yield after[round((len(after) - 1) * (slot + 1) / many)] if spread else after[-1]
