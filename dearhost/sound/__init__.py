"""Sound: placing sample arrays. Mastering is a module of its own: what it needs is dear to load."""

from dearhost.sound.placing import Placement, place, resampled

__all__ = [
    "Placement",
    "place",
    "resampled",
]
