"""Sound: short sounds, and placing sample arrays. Mastering is a module of its own: what it needs is dear to load."""

from dearhost.sound.placing import Placement, place, resampled
from dearhost.sound.stings import LEVEL as STING_LEVEL
from dearhost.sound.stings import RATE as STING_RATE
from dearhost.sound.stings import STINGS, sting

__all__ = [
    "STINGS",
    "STING_LEVEL",
    "STING_RATE",
    "Placement",
    "place",
    "resampled",
    "sting",
]
