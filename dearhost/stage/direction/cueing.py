"""When each cue of a line happens in its scene, and what it asks for there."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from dearhost.hosts import ACTS, EXPRESSIONS, GESTURES, PROPS, ExpressionCue, GestureCue, PropCue
from dearhost.languages import LANGUAGES
from dearhost.production import FRAMINGS, playable
from dearhost.production.cue_kinds import ACCENT, ONE_HANDED
from dearhost.production.shown_cues import ZOOM
from dearhost.script import Cue, Line, word_index, word_indices
from dearhost.sound import STINGS
from dearhost.sound.under_voice import Mark
from dearhost.speech import Reading
from dearhost.stage.clip_time import ROUND_AND_ROUND
from dearhost.stage.nearing import Nearing
from dearhost.stage.timeline import FramingCut, PlacedFootage, PlacedSting


def moment_of(line: Line, cue: Cue, reading: Reading) -> float:
    """When a cue's word is heard, in seconds of the reading: its stressed vowel where it has one."""
    index = word_index(line, cue)
    stressed = [p.start for p in reading.phones if p.word == index and p.stress == 1]
    return stressed[0] if stressed and cue.kind in GESTURES else reading.words[index].start


_FINGERS = ("one-finger", "two-fingers", "three-fingers")
_AS_COUNTED = {
    word: fingers
    for language in LANGUAGES.values()
    for number, (counted, fingers) in enumerate(zip(language.counted, _FINGERS, strict=True), 1)
    for word in (*counted.split(), str(number))
}
"""Counting on a number shows that number, and goes on to no other."""


def _gesture(line: Line, cue: Cue, reading: Reading) -> str:
    word = reading.words[word_index(line, cue)].text.lower() if cue.kind == "count" else ""
    return _AS_COUNTED.get(word, cue.kind)


def gestures_of(line: Line, start: float, reading: Reading) -> list[GestureCue]:
    """The line's gestures in scene time; ``start`` is when the line begins."""
    return [
        GestureCue(
            start + moment_of(line, cue, reading),
            _gesture(line, cue, reading),
            cue.number("strength"),
            mirrored=cue.kind in ONE_HANDED and cue.text("side") == "left",
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
            cue.text(PROPS[cue.text("prop")].content) if cue.kind == "take" else "",
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


_ONE_WORD = 1.2
"""Seconds of a mark on a single word."""
Placed = Iterable[tuple[Line, float, Reading]]


def framings_of(lines: Placed, usual: str) -> list[FramingCut]:
    """The scene's changes of framing, in order. After a stretch the picture is framed as before it, at first as
    ``usual``, unless it was changed meanwhile."""
    asked = [
        (start + moment_of(line, cue, reading), end_of(line, cue, start, reading), cue.kind, line.speaker)
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind in FRAMINGS
    ]
    cuts: list[FramingCut] = []
    framing = usual
    for index, (at, end, kind, speaker) in enumerate(asked):
        cuts.append(FramingCut(at, kind, speaker))
        if end is None:
            framing = kind
        elif index + 1 == len(asked) or asked[index + 1][0] > end:
            cuts.append(FramingCut(end, framing, speaker))
    return cuts


def nearings_of(lines: Placed) -> list[Nearing]:
    """The places of what is shown that are gone to in a scene, in order. After a stretch all of it is seen again,
    unless another place is gone to by then."""
    asked = [
        (Nearing(start + moment_of(line, cue, reading), cue.number("x"), cue.number("y"), cue.number("near")),
         end_of(line, cue, start, reading))
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == ZOOM
    ]  # fmt: skip
    asked.sort(key=lambda one: one[0].at)
    found: list[Nearing] = []
    for index, (nearing, end) in enumerate(asked):
        found.append(nearing)
        if end is not None and (index + 1 == len(asked) or asked[index + 1][0].at > end):
            found.append(Nearing(end, 0.5, 0.5, 1.0))
    return found


def end_of(line: Line, cue: Cue, start: float, reading: Reading) -> float | None:
    """When the last word of a stretch has been heard, in scene time; None for a cue on a single word."""
    return None if cue.end is None else start + reading.words[word_indices(line, cue)[1]].end


def stings_of(lines: Placed) -> list[PlacedSting]:
    """The sounds cued in a scene."""
    return [
        PlacedSting(
            cue.text("sound"), at, cue.number("strength"), max(0.0, (end_of(line, cue, start, reading) or at) - at)
        )
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == "sound"
        for at in (start + moment_of(line, cue, reading),)
    ]


def described_sounds(line: Line, reading: Reading, start: float) -> list[tuple[float, str]]:
    """When sounds of a line begin, and how they are described to those who do not hear them."""
    return [
        (start + moment_of(line, cue, reading), STINGS[cue.text("sound")].caption)
        for cue in playable(line)
        if cue.kind == "sound"
    ]


def own_sounds_of(lines: Placed) -> list[PlacedFootage]:
    """The sounds of the shelf cued in a scene: as long as a stretch, or whole."""
    return [
        PlacedFootage(cue.text("items"), at, max(0.0, until - at), ROUND_AND_ROUND, cue.number("strength"))
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == "own-sound"
        for at in (start + moment_of(line, cue, reading),)
        for until in (end_of(line, cue, start, reading) or at,)
    ]


def bed_marks_of(lines: Placed) -> list[Mark]:
    """Where the cues of a scene silence its music or let it swell: a stretch of words, or about one word."""
    return [
        Mark(at, end_of(line, cue, start, reading) or at + _ONE_WORD, cue.text("level"))
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == "bed" and cue.text("level") != ACCENT
        for at in (start + moment_of(line, cue, reading),)
    ]


def bed_accents_of(lines: Placed) -> list[float]:
    """The words of a scene on which a bar of its music is to begin, in scene time."""
    return [
        round(start + moment_of(line, cue, reading), 3)
        for line, start, reading in lines
        for cue in playable(line)
        if cue.kind == "bed" and cue.text("level") == ACCENT
    ]


def cue_times(line: Line, start: float, reading: Reading) -> Mapping[str, float]:
    """When each playable cue of a line happens in the scene, by its id."""
    return {cue.id: start + moment_of(line, cue, reading) for cue in playable(line)}
