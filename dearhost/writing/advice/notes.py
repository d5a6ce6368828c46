"""A piece of advice: what, why, and where."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.script import Place


@dataclass(frozen=True, slots=True)
class Advice:
    """``title`` says what in one sentence, ``detail`` why or where; ``settled`` when nothing is to be done.

    ``kind``: point, call-to-action, opening, length, breath, sentence, hard-word or repeat.
    """

    kind: str
    title: str
    detail: str
    at: Place | None = None
    settled: bool = False


def shown(text: str, longest: int = 44) -> str:
    """``text`` in quotes, cut at a word where it is long."""
    text = " ".join(text.split())
    if len(text) > longest:
        text = text[:longest].rsplit(" ", 1)[0].rstrip(",;:") + "…"
    return f"“{text}”"
