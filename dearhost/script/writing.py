"""A script as text: Fountain 1.1 and Markdown with cues as notes in front of their words, plain text without."""

from __future__ import annotations

from collections.abc import Callable

from dearhost.script.cue_notes import text_with_cues
from dearhost.script.cues import CueKinds
from dearhost.script.document import Direction, Line, Scene, Script
from dearhost.script.inline_marks import escape_fountain, escape_markdown

UNNAMED = "Host"
"""Fountain needs a name for whoever speaks."""


def write_fountain(script: Script, kinds: CueKinds) -> str:
    """The script as Fountain; ``read_fountain`` reads back scenes, lines, speakers, directions and cues.

    An unnamed speaker is written as ``UNNAMED``.
    """
    notes = {**script.notes, **({"title": script.title} if script.title else {})}
    head = [f"{key.capitalize()}: {_indented(value)}" for key, value in notes.items() if value]
    blocks = ["\n".join(head)] if head else []
    for scene in script.scenes:
        blocks += _scene(scene, kinds)
    return "\n\n".join(blocks) + "\n"


def _indented(value: str) -> str:
    return value.replace("\n", "\n    ")


def _scene(scene: Scene, kinds: CueKinds) -> list[str]:
    return [
        f"# {escape_fountain(scene.heading)}" if scene.heading else "===",
        *(_block(b, kinds) for b in scene.blocks),
    ]


def _block(block: Line | Direction, kinds: CueKinds) -> str:
    if isinstance(block, Direction):
        return f"!{escape_fountain(block.text)}"
    return f"@{block.speaker or UNNAMED}\n{escape_fountain(text_with_cues(block, kinds))}"


def write_markdown(script: Script, kinds: CueKinds) -> str:
    """The script as Markdown; ``read_markdown`` reads back what ``write_fountain`` promises.

    Names are read back when they begin with capitals.
    """
    head = [f"---\ntitle: {' '.join(script.title.split())}\n---"] if script.title else []
    return _paragraphs(script, head, escape_markdown, kinds)


def write_plain(script: Script) -> str:
    """The script as plain text to read and to hand on: no cues, directions in brackets."""
    return _paragraphs(script, [], lambda text: text, None)


def _paragraphs(script: Script, head: list[str], escaped: Callable[[str], str], kinds: CueKinds | None) -> str:
    blocks = list(head)
    for scene in script.scenes:
        blocks.append(f"# {scene.heading}" if scene.heading else "***")
        for block in scene.blocks:
            if isinstance(block, Direction):
                blocks.append(f"({escaped(block.text.replace('(', '[').replace(')', ']'))})")
            elif block.text.strip():
                text = text_with_cues(block, kinds) if kinds else block.text
                blocks.append(f"{block.speaker or UNNAMED}: {escaped(text)}")
    return "\n\n".join(blocks) + "\n"
