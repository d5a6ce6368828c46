"""Scripts in and out of text, with the product's own table of cues, and what scenes choose for themselves."""

from __future__ import annotations

from functools import partial
from pathlib import Path

from dearhost import script
from dearhost.production.cue_kinds import CUE_KINDS
from dearhost.production.staging_cues import staged, with_staging_cues
from dearhost.script import Script


def read_script(text: str, kind: str = "") -> Script:
    """The script in a text. Raises UnreadableScript."""
    return staged(script.read_script(text, kind, kinds=CUE_KINDS))


def read_file(data: bytes, name: str) -> Script:
    """The script in the bytes of a file. Raises UnreadableScript."""
    return staged(script.read_file(data, name, kinds=CUE_KINDS))


def open_script(path: Path) -> Script:
    """The script in a file. Raises UnreadableScript."""
    return staged(script.open_script(path, kinds=CUE_KINDS))


def write_fountain(written: Script) -> str:
    """The script as Fountain."""
    return script.write_fountain(with_staging_cues(written), CUE_KINDS)


def write_markdown(written: Script) -> str:
    """The script as Markdown."""
    return script.write_markdown(with_staging_cues(written), CUE_KINDS)


text_with_cues = partial(script.text_with_cues, kinds=CUE_KINDS)
compare = partial(script.compare, kinds=CUE_KINDS)
findings = partial(script.findings, kinds=CUE_KINDS)
ensure_speakable = partial(script.ensure_speakable, kinds=CUE_KINDS)
