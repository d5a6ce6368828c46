"""A thing that can be shown, and the words one would look for it by."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from dearhost.drawing.paper import Paper


@dataclass(frozen=True, slots=True)
class Thing:
    """``draw`` draws it in a box of 100 units round the origin; ``words``, apart by spaces, several joined by "_"."""

    name: str
    draw: Callable[[Paper], None]
    words: str
    drawn: bool = True
    """By hand; otherwise cut after a published shape."""
    floats: bool = False
    """Whether it hangs in the air: no shadow is laid under it."""
