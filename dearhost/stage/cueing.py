"""The cues the stage plays: their kinds, and when each happens in a scene."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace

from dearhost.hosts import (
    ACTS,
    EXPRESSIONS,
    GESTURES,
    LOOKS,
    OWN_PICTURE,
    PROPS,
    ExpressionCue,
    GestureCue,
    PropCue,
)
from dearhost.script import KINDS, Cue, CueKind, Line, Parameter, cue_problem, word_index
from dearhost.sound import STINGS
from dearhost.speech import AS_EVER, ENDINGS, MANNERS, Delivery, Manner, Reading, SayAs, borders_of, sayings_of
from dearhost.stage.cue_words import ALSO
from dearhost.stage.production import EFFECT_CHOICES, FRAMINGS, Production
from dearhost.stage.sets.things import THINGS
from dearhost.stage.timeline import Cutaway, FramingCut, PlacedSting, Title
from dearhost.timebase import Span

_ONE_HANDED = ("wave", "point-up", "thumb-up", "thumb-down", "count", "present", "heart", "think", "stop", "look",
               "beckon", "wag", "you")  # fmt: skip
_SIDE = Parameter("side", "Hand", "right", choices=("left", "right"))
_FROM = Parameter("side", "From", "left", choices=("left", "right"))
_TO = Parameter("side", "To", "right", choices=("left", "right"))
_PLACE = Parameter("place", "Where", "middle", choices=("left", "middle", "right"))
_SIZE = Parameter("strength", "Size", 1.0, 0.3, 1.3)
_AMOUNT = Parameter("strength", "Strength", 1.0, 0.2, 1.3)
_LONGER = Parameter("longer", "Stays longer", 0.0, 0.0, 6.0, "s")
_LASTS = Parameter("seconds", "Lasts, 0 until the next", 0.0, 0.0, 20.0, "s")


def _label(name: str) -> str:
    return name.replace("-", " ").capitalize()


KINDS.register(
    *(
        CueKind(
            name,
            _label(name),
            "host",
            "Gesture",
            (*((_SIDE,) if name in _ONE_HANDED else ()), _SIZE, _LONGER),
            ALSO.get(name, ""),
        )
        for name in GESTURES
    ),
    *(CueKind(name, _label(name), "host", "Expression", (_AMOUNT, _LASTS), ALSO.get(name, "")) for name in EXPRESSIONS),
    CueKind(
        "take",
        "Take a prop",
        "host",
        "Prop",
        (
            Parameter("prop", "Which", next(iter(PROPS)), choices=tuple(PROPS)),
            _SIDE,
            Parameter("text", "Words on a sign", "", required=False),
            Parameter("picture", "The picture", "", required=False),
        ),
        "pick up hold " + " ".join(f"{name} {prop.also}" for name, prop in PROPS.items()),
    ),
    CueKind("show", "Hold it up", "host", "Prop", (_LONGER,), "raise prop present camera"),
    CueKind("pass", "Pass it on", "host", "Prop", (), "give hand over prop partner"),
    CueKind("put-down", "Put it down", "host", "Prop", (_SIDE,), "away pocket drop prop"),
    *(
        CueKind(name, _label(name), "host", "Move", parameters, also)
        for name, parameters, also in (
            ("walk-in", (_FROM,), "enter come arrive"),
            ("walk-out", (_TO,), "leave exit go away off"),
            (
                "walk-to",
                (Parameter("place", "Where", "middle", choices=("left", "middle", "right")),),
                "go move step over",
            ),
            ("walk-on-spot", (Parameter("seconds", "Lasts", 3.0, 1.0, 20.0, "s"),), "march step"),
            ("sit", (), "sit down chair seat"),
            ("stand", (), "stand up get up rise"),
            ("turn-away", (_TO,), "look off side back"),
            ("turn-back", (), "turn to viewer face"),
        )
    ),
    CueKind(
        "eyes",
        "Look to",
        "host",
        "Eyes",
        (Parameter("to", "Whom or what", "viewer", choices=LOOKS),),
        "gaze look at camera partner picture notes read eye contact",
    ),
    CueKind("rest", "Nothing by itself", "host", "Rest"),
    CueKind("emphasis", "Emphasis", "sound", "Delivery", (_AMOUNT,)),
    CueKind("say-as", "Say as", "sound", "Delivery", (Parameter("text", "As spoken", ""),)),
    CueKind(
        "delivery",
        "Delivery",
        "sound",
        "Line",
        (
            Parameter("manner", "How the line is said", "neutral", choices=tuple(MANNERS)),
            Parameter("ending", "Ending", next(iter(ENDINGS)), choices=tuple(ENDINGS)),
            Parameter("effect", "Effect", next(iter(EFFECT_CHOICES)), choices=tuple(EFFECT_CHOICES)),
            Parameter("strength", "Strength", 1.0, 0.2, 1.5),
            Parameter("pace", "Pace", 1.0, 0.7, 1.4),
            Parameter("pitch", "Pitch", 0.0, -4.0, 4.0),
            Parameter("level", "Level", 0.0, -6.0, 6.0, "dB"),
            Parameter("steadiness", "Steadiness", 0.5, 0.0, 1.0),
            Parameter("variation", "Reading", 0.0, 0.0, 9999.0),
        ),
    ),
    CueKind(
        "recording",
        "Recording",
        "sound",
        "Line",
        (Parameter("recording", "Recording", ""), Parameter("borders", "Words set by hand", "", required=False)),
    ),
    CueKind("pause", "Pause", "sound", "Delivery", (Parameter("seconds", "Length", 0.6, 0.1, 5.0, "s"),)),
    *(CueKind(name, name.capitalize(), "picture", "Framing") for name in FRAMINGS),
    CueKind(
        "title",
        "Title",
        "picture",
        "Text",
        (Parameter("text", "Words", ""), Parameter("seconds", "Stays", 3.0, 1.0, 10.0, "s")),
    ),
    CueKind(
        "picture",
        "Picture",
        "picture",
        "Picture",
        (
            Parameter("shows", "Shows", next(iter(THINGS)), choices=tuple(THINGS)),
            Parameter("place", "Where", "left", choices=("left", "right", "whole")),
            Parameter("seconds", "Stays", 3.0, 0.8, 20.0, "s"),
        ),
    ),
    CueKind(
        "sound",
        "Sound",
        "sound",
        "Sound",
        (
            Parameter("sound", "Sound", next(iter(STINGS)), choices=tuple(STINGS)),
            Parameter("strength", "Level", 1.0, 0.2, 2.0),
        ),
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


def manner_in(production: Production, line: Line) -> Manner:
    """How a line of a production is said. ``production`` must be checked."""
    return manner_of(line, production.say_as, production.entry(line.speaker).effect)


def manner_of(line: Line, say_as: Sequence[SayAs] = (), effect: str = "none") -> Manner:
    """How the line's cues want it said, and the say-as list and the voice's ``effect`` where no cue says otherwise."""
    listed = sayings_of(line.text, say_as)
    said_as = dict(listed.said_as)
    emphasis: dict[int, float] = {}
    delivery = AS_EVER
    recording, borders = "", ""
    for cue in playable(line):
        if cue.kind == "say-as" and cue.text("text").strip():
            said_as[word_index(line, cue)] = cue.text("text")
        elif cue.kind == "emphasis":
            emphasis[word_index(line, cue)] = cue.number("strength")
        elif cue.kind == "delivery":  # the last one of a line holds for all of it
            delivery = Delivery(
                manner=cue.text("manner"),
                strength=cue.number("strength"),
                pace=cue.number("pace"),
                pitch=cue.number("pitch"),
                level=cue.number("level"),
                steadiness=cue.number("steadiness"),
                ending=cue.text("ending"),
                variation=round(cue.number("variation")),
                effect=EFFECT_CHOICES[cue.text("effect")],
            )
        elif cue.kind == "recording":
            recording, borders = cue.text("recording"), cue.text("borders")
    if delivery.effect == "none":
        delivery = replace(delivery, effect=EFFECT_CHOICES[effect])
    ipa = {index: phones for index, phones in listed.ipa.items() if index not in said_as}
    return Manner(said_as, emphasis, delivery, recording, borders_of(borders), ipa)


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
            longer=cue.number("longer"),
        )
        for cue in playable(line)
        if cue.kind in GESTURES
    ]


def props_of(line: Line, start: float, reading: Reading, host: str) -> list[PropCue]:
    """What the line's speaker, played by ``host``, is to do with props, in scene time."""
    return [
        PropCue(
            start + moment_of(line, cue, reading),
            host,
            cue.kind,
            cue.text("prop"),
            cue.text("side") or "right",
            cue.text("picture" if cue.text("prop") == OWN_PICTURE else "text"),
            longer=cue.number("longer") if cue.kind == "show" else 0.0,
        )
        for cue in playable(line)
        if cue.kind in ACTS
    ]


def looks_of(line: Line, start: float, reading: Reading) -> list[tuple[float, str]]:
    """Where the line's cues want the eyes, in scene time."""
    return [(start + moment_of(line, c, reading), c.text("to")) for c in playable(line) if c.kind == "eyes"]


def expressions_of(line: Line, start: float, reading: Reading) -> list[ExpressionCue]:
    """The line's changes of expression in scene time."""
    return [
        ExpressionCue(start + moment_of(line, cue, reading), cue.kind, cue.number("strength"), cue.number("seconds"))
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


def _shown(lines: Placed, kind: str, duration: float) -> list[tuple[Cue, Span]]:
    """The cues of a kind that stay for a while, and from when to when; each gives way to the next."""
    found: list[tuple[Cue, Span]] = []
    for line, start, reading in lines:
        for cue in playable(line):
            if cue.kind == kind:
                at = start + moment_of(line, cue, reading)
                if found and found[-1][1].end > at:
                    found[-1] = found[-1][0], Span(found[-1][1].start, at)
                found.append((cue, Span(at, min(duration, at + cue.number("seconds")))))
    return found


def titles_of(lines: Placed, duration: float) -> list[Title]:
    """The titles cued in a scene."""
    return [Title(None, cue.text("text"), span) for cue, span in _shown(lines, "title", duration)]


def cutaways_of(lines: Placed, duration: float) -> list[Cutaway]:
    """The pictures cued in a scene."""
    shown = _shown(lines, "picture", duration)
    return [Cutaway(cue.text("shows"), cue.text("place"), span) for cue, span in shown]


def stings_of(lines: Placed) -> list[PlacedSting]:
    """The sounds cued in a scene."""
    return [
        PlacedSting(cue.text("sound"), start + moment_of(line, cue, reading), cue.number("strength"))
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == "sound"
    ]


def cue_times(line: Line, start: float, reading: Reading) -> Mapping[str, float]:
    """When each playable cue of a line happens in the scene, by its id."""
    return {cue.id: start + moment_of(line, cue, reading) for cue in playable(line)}
