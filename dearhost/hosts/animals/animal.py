"""What animals that host have in common, whatever they look like."""

from __future__ import annotations

from abc import ABC, abstractmethod
from typing import Any, ClassVar

from dearhost.drawing.paper import Paper
from dearhost.hosts.abilities import ANIMAL
from dearhost.hosts.animals.body import PROP_SIZE, Build, Frame
from dearhost.hosts.host import Card, Part
from dearhost.hosts.pose import Pose


class Animal(ABC):
    """A character about two thirds of a person's height, in the pose and mouth space of people."""

    build: ClassVar[Build]

    kind = "animal"
    abilities = ANIMAL
    figure = 1.0
    leg = 200.0
    foot = 1.0
    prop_size = PROP_SIZE

    def __init__(self, host_id: str, name: str, card: Card) -> None:
        self.id, self.name, self.card = host_id, name, card

    @property
    def head_centre(self) -> complex:
        """The middle of the head when standing straight."""
        return complex(0, -self.build.seat - self.build.neck)

    @property
    def arm_base(self) -> tuple[complex, float]:
        """The right shoulder from the middle of the head, and a limb's length, in units."""
        return self.build.arm_base

    @property
    def height(self) -> float:
        """From the ground to the crown."""
        return self.build.seat + self.build.neck + self.build.head / 2

    def palm(self, pose: Pose, side: int) -> complex:
        """Where the limb at the left (-1) or right (1) has the grip of a prop."""
        return Frame(pose, self.build).palm(side)

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
        paper = Paper.on(canvas)
        for part in self.parts(pose, paper.scale):
            part.place(paper)

    @abstractmethod
    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """The layers that draw ``pose`` at ``scale`` pixels a unit."""
