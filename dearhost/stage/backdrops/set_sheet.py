"""The sheet a set is drawn on: where things go in this picture, its colours and its light."""

from __future__ import annotations

import random
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, field
from typing import Any

from dearhost.drawing.outlines import spline
from dearhost.drawing.paper import Paper
from dearhost.production import AS_THE_SET
from dearhost.production.dressing import NOTHING
from dearhost.stage.backdrops.light import DAYLIGHTS, WEATHERS, Daylight, Weather, light_filter
from dearhost.stage.backdrops.palettes import PALETTES, SetPalette
from dearhost.stage.layout.shapes import Picture

_SHADOW = ((-130, 0), (-60, -14), (80, -14), (150, 2), (70, 16), (-60, 14))


@dataclass(frozen=True)
class SetSheet:
    """``paper`` draws in pixels of ``picture``; the rest names what is chosen."""

    paper: Paper
    picture: Picture
    palette_name: str
    daylight_name: str
    weather_name: str
    seed: int = 7
    dressing: Mapping[str, str] = field(default_factory=dict)
    """Props by slot, where they are not the set's own."""
    pictures: Callable[[str], Any] = lambda item: None
    """The image of a picture of the shelf, None for one that is not there."""

    @property
    def palette(self) -> SetPalette:
        """The colours."""
        return PALETTES[self.palette_name]

    @property
    def light(self) -> Daylight:
        """The time of day."""
        return DAYLIGHTS[self.daylight_name]

    @property
    def weather(self) -> Weather:
        """The weather."""
        return WEATHERS[self.weather_name]

    @property
    def width(self) -> int:
        """Pixels."""
        return self.picture.width

    @property
    def height(self) -> int:
        """Pixels."""
        return self.picture.height

    @property
    def u(self) -> float:
        """The unit of all sizes, in pixels."""
        return self.picture.unit

    @property
    def floor(self) -> float:
        """The y of the floor line, in pixels."""
        return self.picture.layout.floor * self.height

    @property
    def horizon(self) -> float:
        """The y of the horizon, in pixels."""
        return self.picture.layout.horizon * self.height

    @property
    def wide(self) -> bool:
        """Whether the picture lies on its longer side."""
        return self.picture.shape == "16:9"

    def dice(self, salt: int = 0) -> random.Random:
        """Chance that falls the same way for the same set."""
        return random.Random(self.seed * 1009 + salt)

    @contextmanager
    def lit(self, share: float) -> Iterator[Paper]:
        """Draw what takes ``share`` of the light inside."""
        paint = light_filter(self.daylight_name, share)
        if paint is None:
            yield self.paper
            return
        self.paper.canvas.saveLayer(None, paint)
        try:
            yield self.paper
        finally:
            self.paper.canvas.restore()

    @contextmanager
    def at(self, slot: str, size: float = 1.0) -> Iterator[Paper]:
        """Draw in units round a slot of the layout inside."""
        x, y, k = self.picture.layout.slots[slot]
        with self.paper.placed(x * self.width, y * self.height, k * self.u * size):
            yield self.paper

    def prop_at(self, slot: str, own: str = "") -> str:
        """What hangs or stands at a slot: what is chosen, else the set's ``own``; "" for nothing."""
        chosen = self.dressing.get(slot, AS_THE_SET)
        return own if chosen == AS_THE_SET else "" if chosen == NOTHING else chosen

    def ground_shadow(self) -> None:
        """The shadow of what stands at the origin."""
        self.paper.flat(spline([complex(*point) for point in _SHADOW], tension=0.3), "ink", 0.16)
