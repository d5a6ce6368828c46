"""What lies on the shelf: pictures, clips and sounds of one's own, as they were taken in."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from pydantic import TypeAdapter

Kind = Literal["picture", "clip", "sound"]
PICTURE: Kind = "picture"
CLIP: Kind = "clip"
SOUND: Kind = "sound"
_LETTERS = {PICTURE: "i", CLIP: "c", SOUND: "s"}
_ID = re.compile(r"[ics][0-9a-f]{15}")


@dataclass(frozen=True, slots=True)
class Light:
    """The light in a picture. ``gain``: its colour as red, green, blue, of luminance 1; ``level``: stops above or below
    middle grey; ``right``: where it comes from, -1 left to 1 right; ``behind``: stops by which the middle is brighter
    than the rest."""

    gain: tuple[float, float, float] = (1.0, 1.0, 1.0)
    level: float = 0.0
    right: float = 0.0
    behind: float = 0.0

    def side(self, *, mirrored: bool = False) -> str:
        """Where it comes from, "left" or "right", in the picture as it is or turned over; "" from nowhere."""
        right = -self.right if mirrored else self.right
        return "right" if right > _SIDED else "left" if right < -_SIDED else ""

    @property
    def words(self) -> str:
        """What is said of it, as "from the left, warm, dark"."""
        side = f"from the {self.side()}" if self.side() else "even"
        red, _, blue = self.gain
        warmth = "warm" if red > blue * _TINTED else "cool" if blue > red * _TINTED else "neutral"
        depth = "dark" if self.level < _DARK else "bright" if self.level > _BRIGHT else ""
        return ", ".join(filter(None, (side, "from behind" if self.behind > 1 else "", warmth, depth)))


_SIDED, _TINTED, _DARK, _BRIGHT = 0.12, 1.12, -1.5, 0.8


@dataclass(frozen=True, slots=True)
class Loop:
    """Seconds of a clip that follow each other again and again: from ``start`` to ``end``; then the ``fade`` seconds
    after ``end`` go over into those after ``start``. ``seam``: how much larger the join is than a usual step."""

    start: float
    end: float
    fade: float
    seam: float


@dataclass(frozen=True, slots=True)
class ShelfItem:
    """A thing on the shelf. Sizes in pixels, ``seconds`` and ``rate`` (pictures a second) of what moves or sounds.

    ``notes`` say what a person should know about the file; ``author`` and ``licence`` are what the file says itself.
    """

    id: str
    kind: Kind
    name: str
    width: int = 0
    height: int = 0
    seconds: float = 0.0
    rate: float = 0.0
    sounds: bool = False
    transparent: bool = False
    bytes: int = 0
    author: str = ""
    licence: str = ""
    notes: tuple[str, ...] = ()
    light: Light | None = None
    loop: Loop | None = None


ITEM = TypeAdapter(ShelfItem)
"""Reads and writes an item."""


def item_id(kind: Kind, digest: str) -> str:
    """The id of a thing of a kind whose file has a hexadecimal digest: the same file has the same id."""
    return _LETTERS[kind] + digest[:15]


def kind_of(item: str) -> str:
    """The kind of a thing, by its id; "" for what is no id."""
    if not _ID.fullmatch(item):
        return ""
    return next(kind for kind, letter in _LETTERS.items() if item.startswith(letter))
