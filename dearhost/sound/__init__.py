"""Sound: short sounds, placing sample arrays, and the mix. Mastering is a module of its own: what it needs is expensive
to load."""

from dearhost.sound.mix import Stereo, Track, joined, mix, mix_part
from dearhost.sound.placing import Placement, resampled
from dearhost.sound.stings import LEVEL as STING_LEVEL
from dearhost.sound.stings import STINGS, sting, sting_over
from dearhost.sound.stings.making import RATE as STING_RATE

__all__ = [
    "STINGS",
    "STING_LEVEL",
    "STING_RATE",
    "Placement",
    "Stereo",
    "Track",
    "joined",
    "mix",
    "mix_part",
    "resampled",
    "sting",
    "sting_over",
]
