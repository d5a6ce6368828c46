"""Directions that read like cues: "[Maren points to the left]", "(Pause)", offered on the word they stand before."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from dearhost.hosts import PROPS, THINGS
from dearhost.production.cue_kinds import CUE_KINDS
from dearhost.script import Cue, Direction, Line, Scene, Script, Unspoken, new_id, unspoken_spans, words_of
from dearhost.script.cues import Value
from dearhost.sound import STINGS

_LONGEST = 14
"""Words of a direction that is looked at; a longer one tells a story."""


@dataclass(frozen=True, slots=True)
class DirectionCue:
    """The cue a direction means. ``block`` is the direction, or the line it stands in at ``start`` to ``end``; the cue
    goes on the word at ``offset`` of ``line``."""

    scene: str
    block: str
    text: str
    line: str
    offset: int
    kind: str
    label: str
    parameters: Mapping[str, Value] = field(default_factory=dict)
    start: int = 0
    end: int = 0


_MEANINGS: tuple[tuple[str, str, Mapping[str, Value]], ...] = (
    (r"points? (?:\w+ ){0,4}left", "point-left", {}),
    (r"points? (?:\w+ ){0,4}right", "point-right", {}),
    (r"points? (?:\w+ ){0,2}up", "point-up", {}),
    (r"nods?\b", "nod", {}),
    (r"shakes? (?:\w+ )?head", "shake", {}),
    (r"waves?\b", "wave", {}),
    (r"shrugs?\b", "shrug", {}),
    (r"thumbs? up", "thumb-up", {}),
    (r"thumbs? down", "thumb-down", {}),
    (r"(?:claps?|applauds?)\b", "clap", {}),
    (r"laughs?\b", "laugh", {}),
    (r"sighs?\b", "sigh", {}),
    (r"leans? (?:in|forward|closer)", "lean-in", {}),
    (r"beckons?\b", "beckon", {}),
    (r"counts? on (?:\w+ )?fingers", "count", {}),
    (r"hand on (?:\w+ )?heart", "heart", {}),
    (r"(?:opens? (?:\w+ )?arms|welcomes)\b", "welcome", {}),
    (r"(?:thinks?|wonders?|ponders?)\b", "think", {}),
    (r"listens?\b", "listen", {}),
    (r"(?:holds? up (?:\w+ )?(?:hand|palm)|halts?)\b", "stop", {}),
    (r"(?:smiles?|smiling|beams)\b", "happy", {}),
    (r"(?:excited|thrilled)\b", "excited", {}),
    (r"(?:worried|anxious|concerned|frowns?)\b", "concerned", {}),
    (r"(?:sad|sadly|unhappy)\b", "sad", {}),
    (r"(?:angry|angrily|furious)\b", "angry", {}),
    (r"(?:surprised|astonished|gasps?)\b", "surprised", {}),
    (r"(?:walks? in|enters?|comes? in|arrives?)\b", "walk-in", {}),
    (r"(?:walks? (?:out|off|away)|leaves?|exits?|goes? off)\b", "walk-out", {}),
    (r"(?:walks?|goes|steps|moves) to (?:the )?(?P<place>left|middle|right)", "walk-to", {}),
    (r"sits? down|sits\b", "sit", {}),
    (r"(?:stands?|gets?) up|rises\b", "stand", {}),
    (r"turns? away", "turn-away", {}),
    (r"(?:turns? (?:back|to (?:the )?(?:camera|viewer|us)))", "turn-back", {}),
    (r"looks? (?:at|to|into) (?:the )?(?:camera|viewer|us)", "eyes", {"to": "viewer"}),
    (r"looks? (?:at|to) (?:the )?(?:notes|paper|script)|reads? (?:from )?(?:\w+ )?notes", "eyes", {"to": "notes"}),
    (r"puts? (?:\w+ ){0,2}(?:down|away)|puts? down", "put-down", {}),
    (r"(?:hands?|gives?|passes) (?:\w+ ){0,3}(?:over|on)|passes it", "pass", {}),
    (r"close[- ]?up|close on\b", "close-up", {}),
    (r"wide shot|wide\b", "wide", {}),
    (r"(?:whispers?|whispering|quietly|hushed)\b", "delivery", {"manner": "hushed"}),
    (r"(?:calmly|calm)\b", "delivery", {"manner": "calm"}),
    (r"(?:urgently|urgent|shouts?)\b", "delivery", {"manner": "urgent"}),
    (r"(?:brightly|cheerfully)\b", "delivery", {"manner": "bright"}),
)
"""What words of a direction mean, the first that is found deciding (a list made for this)."""
_TITLE = re.compile(r"(?:title|super|text on screen|on screen)\s*:\s*(.+)", re.I)
_PAUSE = re.compile(r"\b(?:pause|beat|silence)\b(?:\D{0,8}(\d+(?:\.\d+)?)\s*(?:s|sec|seconds)\b)?", re.I)
_HOLDS = re.compile(r"\b(?:takes?|picks? up|holds?|grabs?|raises?|shows?)\b", re.I)
_SHOWN = re.compile(r"\b(?:picture|image|photo|visual)\s*:", re.I)


def direction_cues(script: Script) -> list[DirectionCue]:
    """The directions of a script that mean a cue, in order. What is not understood stays a direction."""
    return [found for scene in script.scenes for found in _in_scene(scene)]


def _in_scene(scene: Scene) -> Iterator[DirectionCue]:
    speakers = {line.speaker for line in scene.lines}
    for index, block in enumerate(scene.blocks):
        if isinstance(block, Direction):
            named = next((s for s in speakers if s and re.search(rf"\b{re.escape(s)}\b", block.text, re.I)), "")
            after = [b for b in scene.blocks[index + 1 :] if isinstance(b, Line) and words_of(b.text)]
            line = next((b for b in after if not named or b.speaker == named), None)
            if line:
                yield from _offered(scene, block.id, block.text, line, 0, 0, 0)
            continue
        for span in unspoken_spans(block.text):
            if span.kind in (Unspoken.BRACKET, Unspoken.PARENTHETICAL):
                text = block.text[span.start + 1 : span.end - 1]
                yield from _offered(scene, block.id, text, block, span.end, span.start, span.end)


def _offered(scene: Scene, block: str, text: str, line: Line, at: int, start: int, end: int) -> Iterator[DirectionCue]:
    words = words_of(line.text)
    word = next((word for word in words if word.start >= at), words[-1] if words else None)
    meaning = meant(text)
    if word is None or meaning is None:
        return
    kind, parameters = meaning
    cue = Cue(new_id(), kind, word.start, parameters)
    if not CUE_KINDS.problem(CUE_KINDS.resolved(cue)):
        label = _label(kind, parameters)
        yield DirectionCue(scene.id, block, text, line.id, word.start, kind, label, parameters, start, end)


def _label(kind: str, parameters: Mapping[str, Value]) -> str:
    known = CUE_KINDS.get(kind)
    said = [str(value) for name, value in parameters.items() if name != "text"]
    return " ".join([known.label if known else kind, *said])


def meant(text: str) -> tuple[str, dict[str, Value]] | None:
    """The kind and settings of the cue a direction means, or None."""
    text = " ".join(text.split())
    title = _TITLE.match(text)
    if title:
        return "title", {"text": title[1].rstrip(". ").strip("“”\"'")}
    if len(text.split()) > _LONGEST:
        return None
    pause = _PAUSE.search(text)
    if pause:
        return "pause", {"seconds": min(5.0, max(0.1, float(pause[1] or 1.0)))}
    thing = _thing_in(text)
    shown = _named(THINGS, text) or thing
    if shown in THINGS and _SHOWN.search(text):
        return "picture", {"shows": str(shown)}
    if thing and _HOLDS.search(text):
        return "take", {"prop": thing}
    for pattern, kind, settings in _MEANINGS:
        found = re.search(rf"\b(?:{pattern})", text, re.I)
        if found:
            places = {name: value.lower() for name, value in found.groupdict().items() if value}
            return kind, {**settings, **places, **_side(kind, text)}
    sting = next((s for s in STINGS if re.search(rf"\b{s}s?\b", text, re.I)), None)
    return ("sound", {"sound": sting}) if sting else None


def _thing_in(text: str) -> str | None:
    """A prop that the text names, by its name or by what else it is looked for by."""
    also = (name for name, prop in PROPS.items() if _named(prop.also.split()[:3], text))
    return _named(PROPS, text) or next(also, None)


def _named(names: Iterable[str], text: str) -> str | None:
    return next((name for name in names if re.search(rf"\b{name.replace('-', '[- ]')}s?\b", text, re.I)), None)


def _side(kind: str, text: str) -> dict[str, Value]:
    known = CUE_KINDS.get(kind)
    side = re.search(r"\b(left|right)\b", text, re.I)
    if side and known and known.parameter("side"):
        return {"side": side[1].lower()}
    return {}
