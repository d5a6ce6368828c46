"""Times of day and weathers: colours of sky and sea, where the sun stands, what the light does to all it falls on."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import skia


@dataclass(frozen=True, slots=True)
class Daylight:
    """``sky`` from above to the horizon and ``sea`` from the horizon to the viewer, flat bands; ``sun`` is its place in
    fractions of the sky, or the moon's: at the left, since all paper is in shade at its lower right. ``gain``
    multiplies red, green and blue of what the light falls on, and a host takes ``host`` (0 to 1) of that. ``lamps``:
    whether windows and lamps are lit, which take none of it."""

    sky: tuple[str, str, str, str]
    disc: str
    ring: str
    sea: tuple[str, str, str]
    sun: tuple[float, float]
    gain: tuple[float, float, float] = (1.0, 1.0, 1.0)
    host: float = 1.0
    lamps: bool = False
    stars: bool = False


DAYLIGHTS: Mapping[str, Daylight] = {
    "morning": Daylight(("#BFD9DA", "#CFE0D8", "#E6E3C8", "#F2DDB4"), "#F6D27A", "#F9EBC4",
                        ("#8DBDB0", "#5EA092", "#3C8578"), (0.20, 0.34), (1.02, 0.985, 0.94)),
    "noon": Daylight(("#A9CFDB", "#BBDAE0", "#CFE3E0", "#DFEADF"), "#F3C56A", "#F6E6C0",
                     ("#7FB3A4", "#4F978A", "#2F8074"), (0.20, 0.14)),
    "dusk": Daylight(("#6C6B93", "#B07A8C", "#E2906F", "#F0B877"), "#E24A2E", "#F2A25C",
                     ("#B98A8A", "#7C6B83", "#4C5675"), (0.19, 0.46), (0.97, 0.83, 0.80), 0.75, lamps=True),
    "night": Daylight(("#1C2A44", "#233653", "#2D4561", "#3B586F"), "#EFE3C4", "#50687F",
                      ("#3D6276", "#2B4C63", "#1E3A50"), (0.17, 0.15), (0.60, 0.68, 0.86), 0.42, lamps=True,
                      stars=True),
}  # fmt: skip
"""By the names of ``production.DAYLIGHTS``."""


@dataclass(frozen=True, slots=True)
class Weather:
    """``clouds``: how many; ``grey``: whether they hide the sun; ``falls``: what comes down, "" for nothing."""

    clouds: int = 2
    grey: bool = False
    falls: str = ""


WEATHERS: Mapping[str, Weather] = {
    "clear": Weather(),
    "cloudy": Weather(6, grey=True),
    "rain": Weather(6, grey=True, falls="rain"),
    "snow": Weather(4, grey=True, falls="snow"),
    "fog": Weather(3, grey=True, falls="fog"),
}
"""By the names of ``production.WEATHERS``."""


@lru_cache(maxsize=64)
def light_filter(daylight: str, share: float) -> Any:
    """The paint whose layer takes ``share`` (0 to 1) of the light of a time of day; None where nothing changes."""
    gain = [1 + (value - 1) * share for value in DAYLIGHTS[daylight].gain]
    if all(abs(value - 1) < 1e-6 for value in gain):
        return None
    red, green, blue = gain
    matrix = [red, 0, 0, 0, 0, 0, green, 0, 0, 0, 0, 0, blue, 0, 0, 0, 0, 0, 1, 0]
    return skia.Paint(ColorFilter=skia.ColorFilters.Matrix(matrix))


@dataclass(frozen=True, slots=True)
class HostLight:
    """The light on hosts: ``fill`` multiplies their pixels, None for nothing; ``shade_side`` is that of their paper.

    Layers are drawn again many times a second: a multiplication costs a tenth of what a filter does.
    """

    fill: Any = None
    shade_side: int = 1


UNLIT = HostLight()


@lru_cache(maxsize=8)
def host_light(daylight: str) -> HostLight:
    """A host's share of the light of a time of day, as far as it takes away."""
    light = DAYLIGHTS[daylight]
    red, green, blue = (min(255, round(255 * (1 + (value - 1) * light.host))) for value in light.gain)
    if min(red, green, blue) == 255:
        return UNLIT
    return HostLight(multiplied(red, green, blue))


def multiplied(red: int, green: int, blue: int) -> Any:
    """The fill that multiplies by a colour, each of it 0 to 255."""
    return skia.Paint(Color=skia.Color(red, green, blue), BlendMode=skia.BlendMode.kModulate)
