"""Directions that read like cues: "[Maren points to the left]", "(Pause)", offered on the word they stand before."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from dearhost.hosts import PROPS, THINGS
from dearhost.languages import LANGUAGES
from dearhost.languages.detecting import language_of
from dearhost.production.cue_kinds import CUE_KINDS
from dearhost.production.spoken_language import SPOKEN_LANGUAGES
from dearhost.script import Cue, Direction, Line, Scene, Script, Unspoken, new_id, unspoken_spans, words_of
from dearhost.script.cues import Value
from dearhost.sound import STINGS
from dearhost.speech.delivery import MANNERS

Meaning = tuple[str, Mapping[str, Value]]
"""The kind and settings of a cue."""
ENGLISH = LANGUAGES["en"].directions
_PARTS = frozenset({"title", "pause", "seconds", "left", "right"})
"""Of a table of directions, what is no cue by itself or is looked for first."""
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
    parameters: Mapping[str, Value] = field(default_factory=dict)
    start: int = 0
    end: int = 0


_WITH_SETTINGS: Mapping[str, tuple[str, Mapping[str, Value]]] = {
    "walk-left": ("walk-to", {"place": "left"}),
    "walk-middle": ("walk-to", {"place": "middle"}),
    "walk-right": ("walk-to", {"place": "right"}),
    "look-viewer": ("eyes", {"to": "viewer"}),
    "look-notes": ("eyes", {"to": "notes"}),
    **{f"in-{code}": ("language", {"language": name}) for name, code in SPOKEN_LANGUAGES.items()},
    **{manner: ("delivery", {"manner": manner}) for manner in MANNERS if manner != "neutral"},
}
"""What a meaning of ``Language.directions`` is as a cue, where it is not the name of a kind."""
_HOLDS = re.compile(r"\b(?:takes?|picks? up|holds?|grabs?|raises?|shows?)\b", re.I)
_SHOWN = re.compile(r"\b(?:picture|image|photo|visual)\s*:", re.I)


def direction_cues(script: Script) -> list[DirectionCue]:
    """The directions of a script that mean a cue, in order, in its own language or in English. What is not understood
    stays a direction."""
    language = language_of(" ".join(line.text for _, _, line in script.lines()), frozenset(LANGUAGES))
    return [found for scene in script.scenes for found in _in_scene(scene, language)]


def _in_scene(scene: Scene, language: str) -> Iterator[DirectionCue]:
    speakers = {line.speaker for line in scene.lines}
    for index, block in enumerate(scene.blocks):
        if isinstance(block, Direction):
            named = next((s for s in speakers if s and re.search(rf"\b{re.escape(s)}\b", block.text, re.I)), "")
            after = [b for b in scene.blocks[index + 1 :] if isinstance(b, Line) and words_of(b.text)]
            line = next((b for b in after if not named or b.speaker == named), None)
            if line:
                yield from _offered(scene, block.id, block.text, line, meant(block.text, language))
            continue
        for span in unspoken_spans(block.text):
            if span.kind in (Unspoken.BRACKET, Unspoken.PARENTHETICAL):
                text = block.text[span.start + 1 : span.end - 1]
                meaning = meant(text, language)
                yield from _offered(scene, block.id, text, block, meaning, span.start, span.end)


def _offered(
    scene: Scene, block: str, text: str, line: Line, meaning: Meaning | None, start: int = 0, end: int = 0
) -> Iterator[DirectionCue]:
    words = words_of(line.text)
    word = next((word for word in words if word.start >= end), words[-1] if words else None)
    if word is None or meaning is None:
        return
    kind, parameters = meaning
    cue = Cue(new_id(), kind, word.start, parameters)
    if not CUE_KINDS.problem(CUE_KINDS.resolved(cue)):
        yield DirectionCue(scene.id, block, text, line.id, word.start, kind, parameters, start, end)


_DRAWN = tuple(name for name, known in THINGS.items() if known.drawn)
"""Names of shapes are too common words to be taken for what a direction shows."""


def meant(text: str, language: str = "en") -> Meaning | None:
    """The kind and settings of the cue a direction means, or None; ``language`` is that of the script. What is held,
    shown and heard is known by its English name only."""
    text = " ".join(text.split())
    own = LANGUAGES[language].directions if language in LANGUAGES else {}
    tables = [table for table in (own, ENGLISH) if table]
    for table in tables:
        title = re.match(rf"(?:{table['title']})\s*:\s*(.+)", text, re.I)
        if title:
            return "title", {"text": title[1].rstrip(". ").strip("“”\"'„«»")}
    if len(text.split()) > _LONGEST:
        return None
    for table in tables:
        pause = re.search(
            rf"\b(?:{table['pause']})\b(?:\D{{0,8}}(\d+(?:[.,]\d+)?)\s*(?:{table['seconds']})\b)?", text, re.I
        )
        if pause:
            return "pause", {"seconds": min(5.0, max(0.1, float((pause[1] or "1").replace(",", "."))))}
    thing = _thing_in(text)
    if _SHOWN.search(text) and (shown := _named(_DRAWN, text) or thing) in THINGS:
        return "picture", {"shows": str(shown)}
    if thing and _HOLDS.search(text):
        return "take", {"prop": thing}
    found = next((found for table in tables if (found := _in_table(table, text))), None)
    if found:
        return found
    sting = next((s for s in STINGS if re.search(rf"\b{s}s?\b", text, re.I)), None)
    return ("sound", {"sound": sting}) if sting else None


def cue_meant(meaning: str) -> Meaning:
    """The cue that a meaning of ``Language.directions`` stands for."""
    return _WITH_SETTINGS.get(meaning, (meaning, {}))


def _in_table(table: Mapping[str, str], text: str) -> Meaning | None:
    for meaning, pattern in table.items():
        if meaning in _PARTS or not re.search(rf"\b(?:{pattern})\b", text, re.I):
            continue
        kind, settings = cue_meant(meaning)
        return kind, {**settings, **_side(kind, text, table)}
    return None


def _thing_in(text: str) -> str | None:
    """A prop that the text names, by its name or by what else it is looked for by."""
    also = (name for name, prop in PROPS.items() if _named(prop.also.split()[:3], text))
    return _named(PROPS, text) or next(also, None)


def _named(names: Iterable[str], text: str) -> str | None:
    return next((name for name in names if re.search(rf"\b{name.replace('-', '[- ]')}s?\b", text, re.I)), None)


def _side(kind: str, text: str, table: Mapping[str, str]) -> dict[str, Value]:
    known = CUE_KINDS.get(kind)
    if known and known.parameter("side"):
        for side in ("left", "right"):
            if re.search(rf"\b(?:{table[side]})\b", text, re.I):
                return {"side": side}
    return {}
