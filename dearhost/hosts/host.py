"""What the stage knows of a host: it can be posed and drawn."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Protocol

from dearhost.hosts.pose import Pose

Box = tuple[float, float, float, float]
"""Left, top, right, bottom in units: 100 = the head, y down, origin on the ground between the feet."""


@dataclass(frozen=True, slots=True)
class Part:
    """A layer of a host, back to front. Equal ``key`` and scale give equal pixels."""

    name: str
    key: Any
    box: Box
    draw: Callable[[Any], None]


class Host(Protocol):
    """A person or character. Canvas units: 100 = the head; the origin is on the ground."""

    id: str
    name: str
    description: str
    kind: str
    """'person' or 'bird': which motion it has."""

    @property
    def head_centre(self) -> complex:
        """The middle of the head when standing straight."""

    @property
    def height(self) -> float:
        """From the ground to the crown."""

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """The layers that draw ``pose`` at ``scale`` pixels a unit."""

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
