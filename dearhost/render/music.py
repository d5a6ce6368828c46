"""The music of a film as sound: each bed at its level below the voice, with room for words, faded where it begins and
ends."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import lru_cache
from pathlib import Path

import numpy as np

from dearhost.assets.shelf import Shelf
from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import Placement, Stereo, Track
from dearhost.sound.beds import BedSpec
from dearhost.sound.beds.rendering import Bed
from dearhost.sound.fitting import fitted_part, loudness_of_file
from dearhost.sound.foreseeing import outline_of_mix
from dearhost.sound.loudness import measure_loudness
from dearhost.sound.placing import Two
from dearhost.sound.under_voice import Mark, faded, gain_curve, speaking, with_room
from dearhost.stage.beds import PlacedBed

_MEASURED = 24
"""Seconds of a bed by which its loudness is told."""
_USUAL_VOICE = -20.0
"""LUFS, where nobody speaks."""
_COMES, _GOES = 0.8, 2.0
"""Seconds in which music of one's own comes in and goes; a composed bed begins and ends of itself."""
_ROOM_STEP = 0.02
_KEPT_SECONDS = 90.0
"""The longest part of a bed that is kept for the next time: 35 MB."""


def voice_level(voice: Track, duration: float) -> float:
    """The loudness of all that is said, in LUFS."""
    return _audible(outline_of_mix([voice], duration, SAMPLE_RATE).loudness())


def _audible(loudness: float) -> float:
    """That of a usual voice where there is none."""
    return loudness if np.isfinite(loudness) else _USUAL_VOICE


def placed_music(
    beds: Sequence[PlacedBed], words: Sequence[tuple[float, float]], marks: Sequence[Mark], voice: float, shelf: Shelf
) -> Iterator[Placement]:
    """Each bed as it is heard. ``words``: when each is said, in the beds' time; ``voice``: its loudness."""
    for bed in beds:
        path = shelf.file(bed.item, "sound") if bed.item else None
        if bed.spec is None and path is None:  # it is not here any more
            continue
        music, own = _music_with_room(bed, words, path)
        curve = gain_curve(words, marks, bed.levels, bed.start, bed.start + len(music) / SAMPLE_RATE)
        yield Placement(bed.start, SAMPLE_RATE, music, tuple((at, level + voice - own) for at, level in curve))


def _music_with_room(bed: PlacedBed, words: Sequence[tuple[float, float]], path: Path | None) -> tuple[Two, float]:
    """The samples of a bed, with room for words, coming and going, and its loudness; those of a scene are kept while
    levels are tried. ``path``: where music of one's own is."""
    make = _kept_with_room if bed.end - bed.start <= _KEPT_SECONDS else _made_with_room
    return make(replace(bed, levels=()), tuple(words), path)


def _made_with_room(bed: PlacedBed, words: tuple[tuple[float, float], ...], path: Path | None) -> tuple[Two, float]:
    music, own = _music(bed, path)
    times = np.arange(bed.start, bed.start + len(music) / SAMPLE_RATE + _ROOM_STEP, _ROOM_STEP)
    made = with_room(music, speaking(words, times), SAMPLE_RATE)
    coming = _COMES if bed.begins == 0.0 and bed.item else 0.0
    closes = abs(bed.begins + (bed.end - bed.start) - bed.seconds) < 0.1
    faded(made, SAMPLE_RATE, coming, _GOES if closes and bed.item else 0.0)
    made.flags.writeable = False  # it is heard again
    return made, own


_kept_with_room = lru_cache(maxsize=2)(_made_with_room)


def _music(bed: PlacedBed, path: Path | None) -> tuple[Two, float]:
    """The samples of a bed as far as it is heard, and its loudness in LUFS."""
    first, last = (round((bed.begins + at) * SAMPLE_RATE) for at in (0.0, bed.end - bed.start))
    if path:
        return fitted_part(path, bed.seconds, first, last), loudness_of_file(path)
    assert bed.spec is not None
    return Bed(bed.spec).part(first, last), bed_loudness(bed.spec)


@lru_cache(maxsize=32)
def bed_loudness(spec: BedSpec) -> float:
    """LUFS of a bed, told by its first part: the same whatever part of it is heard."""
    part = Bed(spec).part(0, min(round(spec.seconds), _MEASURED) * SAMPLE_RATE)
    return _audible(measure_loudness(Stereo(part[:, 0].copy(), part[:, 1].copy()), SAMPLE_RATE))
