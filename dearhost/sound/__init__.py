"""Sound: placing, levelling and mastering sample arrays."""

from dearhost.sound.mastering import CEILING_DBTP, TARGET_LUFS, master, measure_loudness, true_peak
from dearhost.sound.placing import Placement, place, resampled

__all__ = [
    "CEILING_DBTP",
    "TARGET_LUFS",
    "Placement",
    "master",
    "measure_loudness",
    "place",
    "resampled",
    "true_peak",
]
