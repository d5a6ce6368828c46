"""Backdrops: what is behind the hosts, a frame at a time. A set is a backdrop that never changes."""

from dearhost.stage.backdrops.backdrop import Backdrop, Nothing
from dearhost.stage.backdrops.light import DAYLIGHTS, UNLIT, WEATHERS, HostLight, host_light
from dearhost.stage.backdrops.light_fit import LightFit, light_fit
from dearhost.stage.backdrops.palettes import PALETTES
from dearhost.stage.backdrops.placing import Placing
from dearhost.stage.backdrops.registry import Scenery, backdrop_for, draw_set
from dearhost.stage.backdrops.sets import DRAWN_SETS, DrawnSet

__all__ = [
    "DAYLIGHTS",
    "DRAWN_SETS",
    "PALETTES",
    "UNLIT",
    "WEATHERS",
    "Backdrop",
    "DrawnSet",
    "HostLight",
    "LightFit",
    "Nothing",
    "Placing",
    "Scenery",
    "backdrop_for",
    "draw_set",
    "host_light",
    "light_fit",
]
