"""Patterns: scripts to begin with, staged, with slots. To add one, add its entry, and its text beside this file."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from pathlib import Path

from dearhost.production.choices import Choices
from dearhost.production.looks import LOOKS, with_look
from dearhost.production.texts import read_script
from dearhost.script import Script


@dataclass(frozen=True, slots=True)
class Pattern:
    """``says`` in a sentence what it consists of; ``look`` is that of ``looks.LOOKS``."""

    name: str
    words: str
    says: str
    look: str

    @property
    def text(self) -> str:
        """The script, Markdown with cues and slots."""
        return (Path(__file__).parent / f"{self.name}.md").read_text(encoding="utf-8")

    @property
    def opening_set(self) -> str:
        """The set it begins in."""
        return LOOKS[self.look].choices["set"]


def begun_with(pattern: Pattern, shape: str = "16:9") -> tuple[Script, Choices]:
    """A pattern's script and choices, to begin a production with."""
    script = replace(read_script(pattern.text.strip(), "markdown"), title=pattern.words)
    choices, script = with_look(Choices(shape=shape, titles=False), script, LOOKS[pattern.look])
    return script, choices


_ROWS = (
    Pattern("lesson", "A lesson", "A question, the answer in parts, what to remember.", "classroom"),
    Pattern("how-to", "A how-to in steps", "What is needed, each step on its own, how to tell it worked.", "plain"),
    Pattern("ad", "A product ad", "Trouble, the product, what it costs, what to do now.", "poster"),
    Pattern("greeting", "A greeting", "Warm, short, by name.", "meadow"),
    Pattern("announcement", "An announcement", "What is new, from when, for whom.", "tide-room"),
    Pattern("interview", "An interview", "Two people, three questions, the best answer large.", "evening"),
    Pattern("comparison", "A comparison", "Two ways, what speaks for each, which to take.", "briefing"),
    Pattern("story", "A story", "How it was, what happened, how it is now.", "seaside"),
    Pattern("notice", "A notice", "What is so, until when, what to do.", "office"),
    Pattern("update", "An update", "What is done, a figure, what comes next.", "briefing"),
    Pattern("welcome", "A welcome on the first day", "Where to go, whom to ask, what to bring.", "market"),
)
PATTERNS: Mapping[str, Pattern] = {pattern.name: pattern for pattern in _ROWS}
