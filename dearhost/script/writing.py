"""A script as text: Fountain 1.1, with cues as notes in front of their words."""

from __future__ import annotations

import re

from dearhost.script.anchors import text_with_cues
from dearhost.script.document import Direction, Line, Scene, Script

UNNAMED = "Host"
"""Fountain needs a name for whoever speaks."""


def write_fountain(script: Script) -> str:
    """The script as Fountain; ``read_fountain`` reads back scenes, lines, speakers, directions and cues.

    An unnamed speaker is written as ``UNNAMED``.
    """
    notes = {**script.notes, **({"title": script.title} if script.title else {})}
    head = [f"{key.capitalize()}: {_indented(value)}" for key, value in notes.items() if value]
    blocks = ["\n".join(head)] if head else []
    for scene in script.scenes:
        blocks += _scene(scene)
    return "\n\n".join(blocks) + "\n"


def _indented(value: str) -> str:
    return value.replace("\n", "\n    ")


def _scene(scene: Scene) -> list[str]:
    return [f"# {_escaped(scene.heading)}" if scene.heading else "===", *(_block(b) for b in scene.blocks)]


def _block(block: Line | Direction) -> str:
    if isinstance(block, Direction):
        return f"!{_escaped(block.text)}"
    return f"@{block.speaker or UNNAMED}\n{_escaped(text_with_cues(block))}"


def _escaped(text: str) -> str:
    """Emphasis marks as themselves, but not inside cue notes."""
    parts = re.split(r"(\[\[.*?\]\])", text)
    return "".join(p if p.startswith("[[") else re.sub(r"([*_])", r"\\\1", p) for p in parts)
