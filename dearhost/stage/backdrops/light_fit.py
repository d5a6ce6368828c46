"""How well hosts stand in the light of an own picture: a score, what is amiss, and what would mend it."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Any

from dearhost.assets.shelf import Light
from dearhost.stage.backdrops.placing import DRAWN_LEVEL, FITTED, Placing, light_behind, stops

WELL, POOR = 75, 50
"""Scores from which on they stand well, and below which one should know."""
_DRAWN_ASIDE = 0.45
"""How far from the side the light comes that hosts are drawn in, as ``Light.right``."""
_MIREDS_A_STOP = 65.0
"""Reciprocal megakelvins for a stop between red and blue: black bodies of 3200 and 6500 K in linear sRGB (from
memory)."""
_LEVEL_FITTED = 0.5
_BEST_LIFT = 0.8
"""Stops by which hosts are best brighter than what is behind them."""
_SPREADS = (0.75, 110.0, 1.6, 2.0)
"""What is far off: direction, mireds, stops of level, stops from behind."""
_DIMMER, _BLURRED = 0.3, 8.0


@dataclass(frozen=True, slots=True)
class Remedy:
    """A choice that would help, and the words for it."""

    name: str
    value: bool | float
    words: str


@dataclass(frozen=True, slots=True)
class LightFit:
    """``score`` 0 to 100; ``sentence`` says what is amiss most, ``remedy`` what would mend it."""

    score: int
    sentence: str
    remedy: Remedy | None = None

    @property
    def is_poor(self) -> bool:
        """Whether one should know of it."""
        return self.score < POOR


def light_fit(light: Light, placing: Placing) -> LightFit:
    """How well hosts stand in a picture with this light, as it is placed."""
    fit = _measured(light, placing)
    if fit.score >= WELL or fit.remedy is None:
        return fit
    chosen: dict[str, Any] = {_FIELDS[fit.remedy.name]: fit.remedy.value}
    better = _measured(light, replace(placing, **chosen))
    return fit if better.score > fit.score else replace(fit, remedy=None)


_FIELDS = {"own_dim": "dim", "own_light": "light", "own_blur": "blur"}


def _measured(light: Light, placing: Placing) -> LightFit:
    fitted = FITTED if placing.light else 0.0
    right = -light.right if placing.mirrored else light.right
    same_side = -right * light_behind(light, placing).shade_side
    aside = max(0.0, _DRAWN_ASIDE - same_side) * abs(light.right)  # an even light comes from nowhere
    red, _, blue = light.gain
    mireds = _MIREDS_A_STOP * math.log2(red / blue) * (1 - fitted)
    level = light.level + stops(placing.dim)
    lift = (DRAWN_LEVEL - level) * (1 - (_LEVEL_FITTED if placing.light and level < DRAWN_LEVEL else 0.0))
    behind = max(0.0, light.behind) * (0.6 if placing.blur >= _BLURRED else 1.0)
    off = [value / spread for value, spread in zip((aside, mireds, lift - _BEST_LIFT, behind), _SPREADS, strict=True)]
    score = round(100 * math.exp(-sum(value * value for value in off)))
    if score >= WELL:
        return LightFit(score, "They stand well in its light.")
    worst = max(range(4), key=lambda index: abs(off[index]))
    return LightFit(score, *_amiss(worst, off[worst], placing))


def _amiss(worst: int, off: float, placing: Placing) -> tuple[str, Remedy | None]:
    """What is amiss most, and what would mend it."""
    own_light = None if placing.light else Remedy("own_light", True, "Let them stand in its light")
    if worst == 0:
        return "Its light comes from the right, and that on the hosts from the left.", own_light
    if worst == 1:
        return f"It is much {'warmer' if off > 0 else 'cooler'} than they are.", own_light
    if worst == 2 and off < 0:
        dimmer = Remedy("own_dim", min(0.8, round(placing.dim + _DIMMER, 2)), "Dim it")
        return "It is brighter than the hosts, who look dull before it.", dimmer
    if worst == 2:
        lighter = Remedy("own_dim", 0.0, "Dim it less") if placing.dim > 0 else own_light
        return "It is much darker than the hosts, who look pasted on.", lighter
    blurred = Remedy("own_blur", _BLURRED, "Blur it") if placing.blur < _BLURRED else None
    return "It is brightest right behind them.", blurred
