"""After a pause a word begins where it becomes loud: the acoustic model draws it up to 60 ms into the pause."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from dearhost.sound.examining import frame_levels
from dearhost.speech.aligning.timing import SHORTEST, WordTime
from dearhost.speech.reading import Samples

_PAUSE = 0.05
"""Seconds of silence between two words that are a pause."""
_REACH = 0.08
"""Seconds at most that a start is moved."""
_HOP = 0.005
_ABOVE, _BELOW_PEAK = 9.0, 38.0
"""dB over the room, and under the loudest, from which on something is said."""


def at_onsets(words: tuple[WordTime, ...], samples: Samples, rate: int) -> tuple[WordTime, ...]:
    """The words, the first one and those after a pause beginning where the sound does."""
    levels = frame_levels(samples, rate, _HOP)
    heard = levels > max(float(np.percentile(levels, 8)) + _ABOVE, float(levels.max()) - _BELOW_PEAK)
    moved = list(words)
    for index, word in enumerate(words):
        before = words[index - 1].end if index else 0.0
        if not word.said or (index and word.start - before < _PAUSE):
            continue
        start = _onset(heard, word.start)
        if start is not None:
            start = max(before, min(start, word.end - SHORTEST))
            moved[index] = replace(word, start=start)
    return tuple(moved)


def _onset(heard: NDArray[np.bool_], start: float) -> float | None:
    """Where what is heard at ``start`` began, or where something begins soon after; None where neither is near."""
    place, reach = min(round(start / _HOP), len(heard) - 1), round(_REACH / _HOP)
    if heard[place]:
        quiet = np.flatnonzero(~heard[max(0, place - reach) : place])
        return (max(0, place - reach) + int(quiet[-1]) + 1) * _HOP if len(quiet) else None
    loud = np.flatnonzero(heard[place : place + reach])
    return (place + int(loud[0])) * _HOP if len(loud) else None
