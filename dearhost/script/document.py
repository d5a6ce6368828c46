"""The script as a value: scenes of lines and directions, with stable ids."""

from __future__ import annotations

import re
import uuid
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from typing import Any

from dearhost.errors import ScriptError
from dearhost.script.cues import Cue, cue_from_json, cue_to_json
from dearhost.script.staging import AS_EVERYWHERE, ReadChoices, Staging, staging_from_json, staging_to_json

MAX_WORDS = 40_000
LONG_LINE, LONGEST_LINE = 1_200, 12_000
"""Characters: above the first a line is remarked on, above the second, about 13 minutes, it is not spoken."""
LONG_WORD = 100


def new_id() -> str:
    """A short id, unique within a script."""
    return uuid.uuid4().hex[:10]


@dataclass(frozen=True, slots=True)
class Word:
    """A written word of a line: ``line.text[start:end] == text``."""

    text: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Line:
    """What one speaker says in one go. ``speaker`` is "" for the only or unnamed speaker.

    ``text`` is as written; brackets and notes in it are not spoken (see ``spoken``). ``cues`` stand at the
    starts of words of it, in order.
    """

    id: str
    speaker: str
    text: str
    cues: tuple[Cue, ...] = ()


@dataclass(frozen=True, slots=True)
class Direction:
    """An unspoken note to the voice or the stage."""

    id: str
    text: str


@dataclass(frozen=True, slots=True)
class Scene:
    """A heading ("" for none) and what happens under it, in order."""

    id: str
    heading: str
    blocks: tuple[Line | Direction, ...] = ()
    staging: Staging = AS_EVERYWHERE

    @property
    def lines(self) -> tuple[Line, ...]:
        """The spoken lines alone."""
        return tuple(b for b in self.blocks if isinstance(b, Line))


@dataclass(frozen=True, slots=True)
class Script:
    """A whole script. ``notes`` holds what the title page or front matter said."""

    title: str = ""
    scenes: tuple[Scene, ...] = ()
    notes: Mapping[str, str] = field(default_factory=dict)

    @property
    def known_as(self) -> str:
        """Its title, else its first heading or first words; "" for an empty script."""
        heading = next((scene.heading for scene in self.scenes if scene.heading), "")
        line = next((line.text for _, _, line in self.lines()), "")
        return self.title.strip() or heading or " ".join(line.split()[:6])

    def lines(self) -> Iterator[tuple[int, int, Line]]:
        """Every line as (scene number, line number, line), both counted from 1."""
        for number, scene in enumerate(self.scenes, 1):
            for index, line in enumerate(scene.lines, 1):
                yield number, index, line

    def speakers(self) -> tuple[str, ...]:
        """Who speaks, in order of appearance."""
        return tuple(dict.fromkeys(line.speaker for _, _, line in self.lines()))


def display_name(speaker: str) -> str:
    """A speaker's name as shown: names written in capitals in the usual way of writing."""
    return speaker.title() if speaker.isupper() else speaker


def to_json(script: Script) -> dict[str, Any]:
    """The document as plain data; ``from_json`` reads it back unchanged."""
    return {
        "title": script.title,
        "notes": dict(script.notes),
        "scenes": [
            {
                "id": scene.id,
                "heading": scene.heading,
                "blocks": [_block_to_json(b) for b in scene.blocks],
                "staging": staging_to_json(scene.staging),
            }
            for scene in script.scenes
        ],
    }


def _block_to_json(block: Line | Direction) -> dict[str, Any]:
    if isinstance(block, Line):
        cues = [cue_to_json(cue) for cue in block.cues]
        return {"id": block.id, "kind": "line", "speaker": block.speaker, "text": block.text, "cues": cues}
    return {"id": block.id, "kind": "direction", "text": block.text}


def from_json(data: Any, read_choices: ReadChoices) -> Script:
    """The script in ``data``. Ids that are missing or given twice are made new.

    Raises ScriptError when the shape is not that of a script document.
    """
    try:
        seen: set[str] = set()
        scenes = tuple(
            Scene(
                _fresh(s.get("id"), seen),
                _text(s.get("heading", "")),
                tuple(_block_from_json(b, seen) for b in s.get("blocks", [])),
                staging_from_json(s.get("staging"), read_choices),
            )
            for s in data["scenes"]
        )
        notes = {str(k): str(v) for k, v in (data.get("notes") or {}).items()}
        return Script(_text(data.get("title", "")), scenes, notes)
    except (KeyError, TypeError, ValueError, AttributeError, OverflowError) as error:
        raise ScriptError(f"This is not a script document: {error!r}. Nothing was changed.") from error


def _fresh(value: Any, seen: set[str]) -> str:
    chosen = value if isinstance(value, str) and value and value not in seen else new_id()
    seen.add(chosen)
    return chosen


def _text(value: Any) -> str:
    if not isinstance(value, str):
        raise TypeError(f"expected text, got {type(value).__name__}")
    return re.sub(r"[\x00-\x08\x0b-\x1f\x7f]", "", value)


def _block_from_json(block: Mapping[str, Any], seen: set[str]) -> Line | Direction:
    kind = block["kind"]
    if kind == "line":
        cues = tuple(cue_from_json(c, _fresh(c.get("id"), seen)) for c in block.get("cues") or ())
        return Line(_fresh(block.get("id"), seen), _text(block.get("speaker", "")), _text(block["text"]), cues)
    if kind == "direction":
        return Direction(_fresh(block.get("id"), seen), _text(block["text"]))
    raise TypeError(f"a block must be 'line' or 'direction' (got {kind!r})")
