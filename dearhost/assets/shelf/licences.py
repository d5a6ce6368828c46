"""Licences things of the shelf may be under, and the credits a film owes for them."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

LICENCES: Mapping[str, str] = {
    "own": "our own",
    "permission": "used with permission",
    "CC0": "CC0, nobody's rights",
    "CC BY 4.0": "CC BY 4.0",
    "CC BY-SA 4.0": "CC BY-SA 4.0",
    "CC BY-ND 4.0": "CC BY-ND 4.0",
    "CC BY-NC 4.0": "CC BY-NC 4.0",
    "bought": "bought for this use",
}
"""By id, with the words they are shown by; "" is one that has not been said."""
_NEEDS_AUTHOR = frozenset(name for name in LICENCES if name.startswith("CC BY")) | {"permission"}
_NAMED = {"picture": "Pictures", "clip": "Clips", "sound": "Sound"}


@dataclass(frozen=True, slots=True)
class Credit:
    """A thing of the shelf as its credit names it."""

    kind: str
    title: str
    author: str
    licence: str


def rights_problem(licence: str, author: str) -> str:
    """What is missing before a film may show a thing, or ""."""
    if licence not in LICENCES:
        return "no licence said"
    if licence in _NEEDS_AUTHOR and not author.strip():
        return "this licence asks for the author's name"
    return ""


def credit_lines(things: Iterable[Credit]) -> list[str]:
    """The lines that name what a film shows and sounds like, by kind; CC0 asks for none."""
    by_kind: dict[str, dict[tuple[str, str], list[str]]] = {}
    for thing in things:
        if thing.licence != "CC0":
            rows = by_kind.setdefault(thing.kind, {})
            rows.setdefault((thing.author.strip(), thing.licence), []).append(f"“{thing.title}”")
    lines = []
    for kind, heading in _NAMED.items():
        parts = []
        for (author, licence), titles in sorted(by_kind.get(kind, {}).items()):
            by = f" by {author}" if author else ""
            under = f" ({LICENCES[licence]})" if licence.startswith("CC") else ""
            parts.append(f"{', '.join(sorted(titles))}{by}{under}")
        if parts:
            lines.append(f"{heading}: {'; '.join(parts)}.")
    return lines
