"""What a reader of the script should look at before it is rendered."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from dearhost.errors import NothingToSay, UnfilledPlaceholder, UnreadableScript
from dearhost.script.anchors import word_at
from dearhost.script.cues import CueKinds
from dearhost.script.document import LONG_LINE, LONG_WORD, LONGEST_LINE, MAX_WORDS, Line, Script, Word
from dearhost.script.spoken import placeholders, words_of


@dataclass(frozen=True, slots=True)
class Place:
    """Where in the script: scene and line from 1, character offsets into the line."""

    scene: int
    line: int
    start: int = 0
    end: int = 0

    def __str__(self) -> str:
        return f"scene {self.scene}, line {self.line}"

    def to_json(self) -> dict[str, Any]:
        """As plain data."""
        return {"scene": self.scene, "line": self.line, "from": self.start, "to": self.end}


@dataclass(frozen=True, slots=True)
class Finding:
    """``stops`` tells whether it keeps the script from being rendered."""

    kind: str
    message: str
    at: Place | None = None
    stops: bool = False

    def to_json(self) -> dict[str, Any]:
        """As plain data."""
        return {
            "kind": self.kind,
            "message": self.message,
            "at": self.at.to_json() if self.at else None,
            "stops": self.stops,
        }


def findings(script: Script, kinds: CueKinds) -> tuple[Finding, ...]:
    """Open slots, long lines and a script with nothing to say, in order of the text."""
    found: list[Finding] = []
    total = 0
    for scene, number, line in script.lines():
        words = words_of(line.text)
        total += len(words)
        for slot in placeholders(line.text):
            written = line.text[slot.start : slot.end]
            place = Place(scene, number, slot.start, slot.end)
            message = f"'{written}' is still open at {place}. Fill it in, or delete it."
            found.append(Finding("placeholder", message, place, stops=True))
        found += _cue_findings(scene, number, line, words, kinds)
        found += _long_words(scene, number, words)
        if len(line.text) > LONGEST_LINE:
            place = Place(scene, number, 0, len(line.text))
            message = (
                f"The line at {place} has {len(line.text):,} characters; up to {LONGEST_LINE:,} are spoken in one. "
                "Split it into several lines."
            )
            found.append(Finding("too-long", message, place, stops=True))
        elif len(line.text) > LONG_LINE:
            place = Place(scene, number, 0, len(line.text))
            message = (
                f"The line at {place} has {len(line.text):,} characters. It is spoken as it is; "
                "split it, and a change will be heard sooner."
            )
            found.append(Finding("long-line", message, place))
    if total == 0:
        found.append(Finding("nothing-to-say", _nothing(script), stops=True))
    if total > MAX_WORDS:
        found.insert(0, Finding("too-long", _too_long(total), stops=True))
    return tuple(found)


def _long_words(scene: int, number: int, words: Sequence[Word]) -> list[Finding]:
    found = []
    for word in words:
        if len(word.text) > LONG_WORD:
            place = Place(scene, number, word.start, word.end)
            message = (
                f"'{word.text[:20]}…' at {place} has {len(word.text):,} characters without a space. "
                "It is spoken in pieces; write it as it is to be said, or put it in square brackets to leave it unsaid."
            )
            found.append(Finding("long-word", message, place))
    return found


def _cue_findings(scene: int, number: int, line: Line, words: Sequence[Word], kinds: CueKinds) -> list[Finding]:
    found = []
    for cue in line.cues:
        word = word_at(words, cue.start)
        place = Place(scene, number, word.start, word.end) if word else Place(scene, number)
        problem = kinds.problem(cue)
        if problem:
            note = kinds.format_note(cue)
            message = f"The cue {note} at {place} cannot be played: {problem}. Change it, or take it off."
            found.append(Finding("cue", message, place))
        elif cue.look:
            on = f", to '{word.text}'" if word else ""
            message = f"The cue '{cue.kind}' at {place} lost its word and moved{on}. Keep it there, or move it."
            found.append(Finding("moved-cue", message, place))
        elif missing := kinds.missing(cue):
            found.append(Finding("empty-cue", f"The cue {kinds.format_note(cue)} at {place} shows {missing}.", place))
    return found


def _nothing(script: Script) -> str:
    if any(scene.blocks or scene.heading for scene in script.scenes):
        return "Nothing here is spoken: there are headings and directions only. Write a line, or NAME: text."
    return "The script is empty. Write or paste what the host should say."


def _too_long(total: int) -> str:
    return (
        f"The script has {total:,} words, about {total * 167 / 376 / 3600:.1f} hours; "
        f"the most is {MAX_WORDS:,}. Split it into several productions."
    )


def ensure_speakable(script: Script, kinds: CueKinds) -> None:
    """Raise the first finding that stops a render: NothingToSay, UnfilledPlaceholder, UnreadableScript."""
    errors = {"placeholder": UnfilledPlaceholder, "nothing-to-say": NothingToSay, "too-long": UnreadableScript}
    for finding in findings(script, kinds):
        if finding.stops:
            raise errors[finding.kind](finding.message)
