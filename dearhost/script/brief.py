"""What a production is for: who watches, what they should know or do, and how long it may run."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

LONGEST_TARGET = 6 * 3600.0
"""Seconds."""
_TEXTS = ("purpose", "audience", "channel", "tone", "own_words", "call_to_action")


@dataclass(frozen=True, slots=True)
class Brief:
    """Every answer may be empty.

    ``own_words`` is what the audience themselves say about the matter; ``points`` are what must be said;
    ``target`` is the length that is wished for, in seconds, 0 for none.
    """

    purpose: str = ""
    audience: str = ""
    channel: str = ""
    tone: str = ""
    own_words: str = ""
    call_to_action: str = ""
    points: tuple[str, ...] = ()
    target: float = 0.0


def brief_to_json(brief: Brief) -> dict[str, Any]:
    """As plain data; ``brief_from_json`` reads it back."""
    return {**{name: getattr(brief, name) for name in _TEXTS}, "points": list(brief.points), "target": brief.target}


def brief_from_json(data: Mapping[str, Any] | None) -> Brief:
    """The brief in ``data``; what is missing is empty. Raises TypeError, ValueError for another shape."""
    data = data or {}
    target = float(data.get("target") or 0.0)
    if not 0 <= target <= LONGEST_TARGET:
        raise ValueError(f"a target length must be from 0 to {LONGEST_TARGET:g} seconds (got {target})")
    texts = {name: str(data.get(name) or "") for name in _TEXTS}
    points = tuple(str(point) for point in data.get("points") or ())
    return Brief(**texts, points=points, target=target)
