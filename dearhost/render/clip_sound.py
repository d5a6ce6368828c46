"""The sound of clips and of sounds of the shelf, as they are played: it goes with their picture."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import lru_cache
from pathlib import Path

import numpy as np

from dearhost.assets.shelf import SOUND, Loop, Shelf, kind_of
from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import Placement
from dearhost.sound.fitting import loudness_of_file
from dearhost.sound.parts import SoundParts
from dearhost.sound.placing import Two
from dearhost.sound.tempo import at_speed
from dearhost.sound.under_voice import faded
from dearhost.stage.clip_time import ClipTime
from dearhost.stage.timeline import PlacedFootage

_KEPT_SECONDS = 90.0
"""The longest sound that is kept for the next time: 35 MB."""
_FOOTAGE_UNDER, _CLIP_FADES = 16.0, 0.3
_SOUND_UNDER, _SOUND_FADES = 8.0, 0.01
"""LU below the voice at which clips are heard, and seconds in which they come and go."""


def placed_footage(heard: Sequence[PlacedFootage], voice: float, shelf: Shelf) -> Iterator[Placement]:
    """The sound of clips, each as long as it is heard. ``voice``: its loudness."""
    for one in heard:
        path, item = shelf.file(one.item, "sound"), shelf.item(one.item)
        if path is None or item is None:
            continue
        lasts = item.seconds or len(SoundParts(path)) / SAMPLE_RATE
        seconds = one.seconds or lasts
        # what is not played to its end does not go over into its beginning
        goes_round = one.time.loops and one.time.of_clip(seconds) > one.time.last(lasts)
        make = _kept_sound if seconds * one.time.speed <= _KEPT_SECONDS else _played_sound
        sound = make(path, replace(one.time, loops=goes_round), item.loop, lasts, seconds).copy()
        if not len(sound):
            continue
        under, fades = (_SOUND_UNDER, _SOUND_FADES) if kind_of(one.item) == SOUND else (_FOOTAGE_UNDER, _CLIP_FADES)
        gain = voice - under - loudness_of_file(path)
        sound *= np.float32(10 ** (min(gain, 24.0) / 20) * one.strength)
        faded(sound, SAMPLE_RATE, fades, fades)
        yield Placement(one.at, SAMPLE_RATE, sound)


def _played_sound(path: Path, time: ClipTime, joined: Loop | None, lasts: float, seconds: float) -> Two:
    """The sound of a clip, at its speed, for the ``seconds`` it is seen."""
    count = round(seconds * SAMPLE_RATE)
    played = of_clip(SoundParts(path), time, joined, lasts, seconds)
    return (played if time.speed == 1.0 else at_speed(played, time.speed, SAMPLE_RATE))[:count]


_kept_sound = lru_cache(maxsize=2)(_played_sound)


def of_clip(sound: Two | SoundParts, time: ClipTime, joined: Loop | None, lasts: float, seconds: float) -> Two:
    """What is heard of the ``sound`` of a clip that ``lasts`` so long in the ``seconds`` it is seen, at the speed it
    has in the clip. Silence where the picture stays; where it goes round, the join is a fade as that of the picture."""
    count = math.ceil(seconds * time.speed * SAMPLE_RATE)
    if not time.loops:
        begin, last = (round(moment * SAMPLE_RATE) for moment in (time.begins, time.last(lasts)))
        return _part(sound, begin, begin + count, last)
    turn = time.round(joined, lasts)
    start, end, fade = (round(moment * SAMPLE_RATE) for moment in (turn.start, turn.end, turn.fade))
    again = _part(sound, start, end).copy()
    into = np.linspace(0, 1, fade, endpoint=False, dtype=np.float32)[:, None]
    again[:fade] = again[:fade] * into + _part(sound, end, end + fade) * (1 - into)
    first = _part(sound, min(round(time.begins * SAMPLE_RATE), end), end)
    rounds = max(0, -(-(count - len(first)) // len(again)))
    return np.concatenate([first, *[again] * rounds])[:count]


def _part(sound: Two | SoundParts, first: int, last: int, ends: int | None = None) -> Two:
    """A part of a sound, with silence where it is over, or from a sample on."""
    part = sound[first : last if ends is None else min(last, ends)]
    missing = last - first - len(part)
    return np.pad(part, ((0, missing), (0, 0))) if missing > 0 else part
