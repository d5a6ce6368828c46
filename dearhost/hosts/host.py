"""What the stage knows of a host: it can be posed and drawn."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Protocol

from dearhost.drawing.paper import Paper
from dearhost.hosts.abilities import Abilities
from dearhost.hosts.pose import Pose

Box = tuple[float, float, float, float]
"""Left, top, right, bottom in units: 100 = the head, y down, origin on the ground between the feet."""


AGE_GROUPS = ("child", "young", "adult", "senior")
DRESSES = ("formal", "smart", "casual", "work")


@dataclass(frozen=True, slots=True)
class Card:
    """What one chooses a host by: ``role`` in a few words, ``age`` one of ``AGE_GROUPS`` ("" for animals), ``dress``
    one of ``DRESSES``, ``mood`` in words, what they suit, and the stock voice that goes with them."""

    role: str
    age: str
    dress: str
    mood: str
    suits: tuple[str, ...]
    voice: str = ""

    @property
    def description(self) -> str:
        """In a few words."""
        return f"{self.role}; {self.mood}"


@dataclass(frozen=True, slots=True)
class Part:
    """A layer of a host, back to front. Equal ``key`` and scale give equal pixels.

    ``box`` and what ``draw`` draws are about ``at``, a place in units: who only moved is the same drawing elsewhere.
    """

    name: str
    key: Any
    box: Box
    draw: Callable[[Paper], None]
    at: complex = 0j

    def place(self, paper: Paper) -> None:
        """Draw it where it is."""
        with paper.frame(self.at, 0):
            self.draw(paper)


class Host(Protocol):
    """A person or character. Canvas units: 100 = the head; the origin is on the ground."""

    id: str
    name: str
    card: Card
    kind: str
    """'person' or 'animal', to choose by."""
    abilities: Abilities

    @property
    def head_centre(self) -> complex:
        """The middle of the head when standing straight."""

    @property
    def height(self) -> float:
        """From the ground to the crown."""

    @property
    def figure(self) -> float:
        """Units of the picture a unit of the host's own."""

    @property
    def leg(self) -> float:
        """The length of a leg, in units of the host's own."""

    @property
    def foot(self) -> float:
        """The size of a foot beside an adult's."""

    @property
    def arm_base(self) -> tuple[complex, float]:
        """The right shoulder from the middle of the head, and an arm's length, in units."""

    @property
    def prop_size(self) -> float:
        """Units of the picture a unit of a prop."""

    def palm(self, pose: Pose, side: int) -> complex:
        """Where the hand at the left (-1) or right (1) has the grip of a prop."""

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """The layers that draw ``pose`` at ``scale`` pixels a unit."""

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
