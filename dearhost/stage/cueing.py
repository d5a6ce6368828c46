"""The cues the stage plays: their kinds, and when each happens in a scene."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from dearhost.hosts import EXPRESSIONS, GESTURES, ExpressionCue, GestureCue
from dearhost.script import KINDS, Cue, CueKind, Line, Parameter, cue_problem, word_index
from dearhost.speech import Manner, Reading
from dearhost.stage.production import FRAMINGS
from dearhost.stage.timeline import FramingCut, Title
from dearhost.timebase import Span

_ONE_HANDED = ("wave", "point-up", "thumb-up", "thumb-down", "count")
_SIDE = Parameter("side", "Hand", "right", choices=("left", "right"))
_SIZE = Parameter("strength", "Size", 1.0, 0.3, 1.3)
_AMOUNT = Parameter("strength", "Strength", 1.0, 0.2, 1.3)


def _label(name: str) -> str:
    return name.replace("-", " ").capitalize()


KINDS.register(
    *(
        CueKind(name, _label(name), "host", "Gesture", (*((_SIDE,) if name in _ONE_HANDED else ()), _SIZE))
        for name in GESTURES
    ),
    *(CueKind(name, _label(name), "host", "Expression", (_AMOUNT,)) for name in EXPRESSIONS),
    CueKind("emphasis", "Emphasis", "sound", "Delivery", (_AMOUNT,)),
    CueKind("say-as", "Say as", "sound", "Delivery", (Parameter("text", "As spoken", ""),)),
    CueKind("pause", "Pause", "sound", "Delivery", (Parameter("seconds", "Length", 0.6, 0.1, 5.0, "s"),)),
    *(CueKind(name, name.capitalize(), "picture", "Framing") for name in FRAMINGS),
    CueKind(
        "title",
        "Title",
        "picture",
        "Text",
        (Parameter("text", "Words", ""), Parameter("seconds", "Stays", 3.0, 1.0, 10.0, "s")),
    ),
)


def playable(line: Line) -> tuple[Cue, ...]:
    """The line's cues that can be played; the others are among the findings."""
    return tuple(cue for cue in line.cues if not cue_problem(cue) and word_index(line, cue) >= 0)


def pauses_of(line: Line) -> dict[int, float]:
    """Seconds of silence before words, by word index."""
    pauses: dict[int, float] = {}
    for cue in playable(line):
        if cue.kind == "pause":
            index = word_index(line, cue)
            pauses[index] = pauses.get(index, 0.0) + cue.number("seconds")
    return pauses


def manner_of(line: Line) -> Manner:
    """How the line's cues want it said."""
    said_as: dict[int, str] = {}
    emphasis: dict[int, float] = {}
    for cue in playable(line):
        if cue.kind == "say-as" and cue.text("text").strip():
            said_as[word_index(line, cue)] = cue.text("text")
        elif cue.kind == "emphasis":
            emphasis[word_index(line, cue)] = cue.number("strength")
    return Manner(said_as, emphasis)


def moment_of(line: Line, cue: Cue, reading: Reading) -> float:
    """When a cue's word is heard, in seconds of the reading: its stressed vowel where it has one."""
    index = word_index(line, cue)
    stressed = [p.start for p in reading.phones if p.word == index and p.stress == 1]
    return stressed[0] if stressed and cue.kind in GESTURES else reading.words[index].start


def gestures_of(line: Line, start: float, reading: Reading) -> list[GestureCue]:
    """The line's gestures in scene time; ``start`` is when the line begins."""
    return [
        GestureCue(
            start + moment_of(line, cue, reading),
            cue.kind,
            cue.number("strength"),
            mirrored=cue.kind in _ONE_HANDED and cue.text("side") == "left",
        )
        for cue in playable(line)
        if cue.kind in GESTURES
    ]


def expressions_of(line: Line, start: float, reading: Reading) -> list[ExpressionCue]:
    """The line's changes of expression in scene time."""
    return [
        ExpressionCue(start + moment_of(line, cue, reading), cue.kind, cue.number("strength"))
        for cue in playable(line)
        if cue.kind in EXPRESSIONS
    ]


Placed = Iterable[tuple[Line, float, Reading]]


def framings_of(lines: Placed) -> list[FramingCut]:
    """The scene's changes of framing, in order."""
    return [
        FramingCut(start + moment_of(line, cue, reading), cue.kind, line.speaker)
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind in FRAMINGS
    ]


def titles_of(lines: Placed, duration: float) -> list[Title]:
    """The titles cued in a scene; each gives way to the next."""
    found: list[Title] = []
    for line, start, reading in lines:
        for cue in playable(line):
            if cue.kind == "title":
                at = start + moment_of(line, cue, reading)
                if found and found[-1].span.end > at:
                    found[-1] = Title(None, found[-1].text, Span(found[-1].span.start, at))
                found.append(Title(None, cue.text("text"), Span(at, min(duration, at + cue.number("seconds")))))
    return found


def cue_times(line: Line, start: float, reading: Reading) -> Mapping[str, float]:
    """When each playable cue of a line happens in the scene, by its id."""
    return {cue.id: start + moment_of(line, cue, reading) for cue in playable(line)}
