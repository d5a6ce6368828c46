"""Collects scenes and blocks while a reader goes through a text."""

from __future__ import annotations

import re

from dearhost.script.cue_notes import take_cues
from dearhost.script.cues import CueKinds
from dearhost.script.document import Direction, Line, Scene, Script, new_id
from dearhost.script.spoken import blanked, placeholders

DIRECTION_LABELS = frozenset(
    [
        "visual",
        "visuals",
        "music",
        "sound",
        "sounds",
        "sfx",
        "fx",
        "effect",
        "effects",
        "on-screen",
        "onscreen",
        "screen",
        "graphic",
        "graphics",
        "b-roll",
        "broll",
        "camera",
        "shot",
        "angle",
        "cut",
        "transition",
        "super",
        "supers",
        "lower-third",
        "caption",
        "captions",
        "image",
        "images",
        "picture",
        "pictures",
        "video",
        "animation",
        "action",
        "stage",
        "note",
        "notes",
        "direction",
        "directions",
        "text-on-screen",
        "overlay",
        "background",
        "set",
        "props",
        "prop",
        "wardrobe",
        "lighting",
        "light",
        "bed",
        "sting",
        "title-card",
        "end-card",
        "insert",
        "fade",
        "cue",
        "cues",
        "duration",
        "audience",
        "format",
        "objective",
        "goal",
        "tone",
    ]
)
_NOT_NAMES = frozenset(
    [
        "remember",
        "tip",
        "warning",
        "example",
        "question",
        "answer",
        "first",
        "second",
        "third",
        "finally",
        "important",
        "today",
        "tomorrow",
        "yesterday",
        "however",
        "so",
        "but",
        "and",
        "or",
        "because",
        "result",
        "summary",
        "conclusion",
        "fact",
        "hint",
        "idea",
        "plan",
        "step",
        "also",
        "then",
        "next",
        "now",
        "here",
        "there",
        "yes",
        "no",
        "again",
        "thus",
        "meanwhile",
        "caution",
        "attention",
        "p.s.",
        "ps",
    ]
)
_LABEL = re.compile(r"\s*(?:[-*•–]\s+)?\**\s*([^\W\d_][\w .'’/&-]{0,38}?)\s*(\([^()]*\))?\s*\**:\**")
_LONGEST_LABEL = 160
_PARENTHETICAL = re.compile(r"\(([^()]*)\)\s*")


def label_of(text: str) -> tuple[str, str, str] | None:
    """``NAME (extension): rest`` as (name, extension, rest), or None. The colon needs a space after it."""
    match = _LABEL.match(text, 0, _LONGEST_LABEL)
    rest = text[match.end() :] if match else ""
    if not match or (rest and not rest[0].isspace()):
        return None
    return match[1].strip(), (match[2] or "").strip("()"), rest.strip()


def is_direction_label(name: str) -> bool:
    """Whether ``name:`` opens a direction, as in "Visual:", "On screen:"."""
    joined = re.sub(r"[\s_]+", "-", name.strip().lower())
    return joined in DIRECTION_LABELS or joined.split("-")[0] in ("visual", "music", "sfx", "sound", "camera")


def is_name(name: str) -> bool:
    """Whether ``name:`` can be a speaker: one to four capitalised words, none an ordinary opener."""
    words = name.split()
    if not 1 <= len(words) <= 4 or name.lower() in _NOT_NAMES or is_direction_label(name):
        return False
    return all(w[0].isupper() or w.lower() in ("de", "von", "van", "der", "la", "and", "the", "of") for w in words)


class ScriptBuilder:
    """Scenes, lines and directions in order of reading; ``finish`` gives the script."""

    def __init__(self, kinds: CueKinds) -> None:
        self._kinds = kinds
        self.title = ""
        self.notes: dict[str, str] = {}
        self._scenes: list[tuple[str, list[Line | Direction]]] = []
        self._names: dict[str, str] = {}

    def scene(self, heading: str) -> None:
        """Begin a scene."""
        self._scenes.append((heading.strip(), []))

    def line(self, speaker: str, text: str) -> None:
        """Add a line. Leading and whole-line parentheticals become directions of their own."""
        text = re.sub(r"\s+", " ", text).strip()
        begins = 0
        while (match := _PARENTHETICAL.match(text, begins)) and any(c.isalpha() for c in match[1]):
            self.direction(match[1])
            begins = match.end()
        text = text[begins:]
        text, cues = take_cues(text, self._kinds)
        if not text.strip():
            return
        if not any(c.isalnum() for c in blanked(text)) and not placeholders(text):
            self.direction(text.strip("[]()"))
            return
        self._blocks.append(Line(new_id(), self._name(speaker), text, cues))

    def direction(self, text: str) -> None:
        """Add an unspoken note."""
        text = re.sub(r"\s+", " ", text).strip()
        if text:
            self._blocks.append(Direction(new_id(), text))

    @property
    def _blocks(self) -> list[Line | Direction]:
        if not self._scenes:
            self._scenes.append(("", []))
        return self._scenes[-1][1]

    def _name(self, speaker: str) -> str:
        """The first written form of a name stands for all later ones that differ in case only."""
        speaker = re.sub(r"\s+", " ", speaker).strip()
        return self._names.setdefault(speaker.casefold(), speaker)

    def finish(self) -> Script:
        """The script. Scenes without heading and blocks are left out."""
        scenes = tuple(Scene(new_id(), heading, tuple(blocks)) for heading, blocks in self._scenes if heading or blocks)
        return Script(self.title, scenes, self.notes)
