"""Phones into a mouth track."""

from dearhost.lips.targets import PARAMETERS, TARGETS
from dearhost.lips.track import (
    HZ,
    VERSION,
    MouthPhone,
    MouthTrack,
    build_track,
    gaussian,
    smooth_step,
    track_to_json,
)
from dearhost.lips.visemes import main_viseme, viseme_parts

__all__ = [
    "HZ",
    "PARAMETERS",
    "TARGETS",
    "VERSION",
    "MouthPhone",
    "MouthTrack",
    "build_track",
    "gaussian",
    "main_viseme",
    "smooth_step",
    "track_to_json",
    "viseme_parts",
]
