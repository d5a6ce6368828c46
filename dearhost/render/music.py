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
from dearhost.sound import Placement, Stereo, Track, mix
from dearhost.sound.beds import BedSpec
from dearhost.sound.beds.rendering import Bed, Two
from dearhost.sound.fitting import fitted_part, loudness_of_file
from dearhost.sound.loudness import measure_loudness
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
"""The longest part of a bed that is kept for the next time: 35 MB; and of a voice that is measured."""


def level_of(sound: Stereo) -> float:
    """The loudness of a sound in LUFS; that of a usual voice where there is none."""
    loudness = measure_loudness(sound, SAMPLE_RATE)
    return float(loudness) if np.isfinite(loudness) else _USUAL_VOICE


def voice_level(voice: Track, duration: float) -> float:
    """The loudness of all that is said, in LUFS; that of a short scene is kept while levels are tried."""
    if duration > _KEPT_SECONDS:
        return level_of(mix([voice], duration, SAMPLE_RATE))
    said = ((placed.start, placed.sample_rate, placed.samples.tobytes()) for placed in voice.placements)
    return _kept_voice_level(tuple(said), duration)


@lru_cache(maxsize=2)
def _kept_voice_level(said: tuple[tuple[float, int, bytes], ...], duration: float) -> float:
    """``said``: where each reading begins, its rate and samples. They are read anew for each try, and are the same."""
    placements = (Placement(start, rate, np.frombuffer(samples, np.float32)) for start, rate, samples in said)
    return level_of(mix([Track("", tuple(placements))], duration, SAMPLE_RATE))


def placed_music(
    beds: Sequence[PlacedBed], words: Sequence[tuple[float, float]], marks: Sequence[Mark], voice: float, shelf: Shelf
) -> Iterator[Placement]:
    """Each bed as it is heard. ``words``: when each is said, in the beds' time; ``voice``: its loudness."""
    for bed in beds:
        path = shelf.file(bed.item, "sound") if bed.item else None
        if bed.spec is None and path is None:  # it is not here any more
            continue
        music, own = _music_with_room(bed, words, path)
        end = bed.start + len(music) / SAMPLE_RATE
        curve = gain_curve(words, marks, bed.levels, bed.start, end)
        levels = np.interp(
            bed.start + np.arange(len(music)) / SAMPLE_RATE, [at for at, _ in curve], [level for _, level in curve]
        )
        music = music * (10 ** ((levels + voice - own) / 20)).astype(np.float32)[:, None]
        coming = _COMES if bed.begins == 0.0 and bed.item else 0.0
        closes = abs(bed.begins + (bed.end - bed.start) - bed.seconds) < 0.1
        faded(music, SAMPLE_RATE, coming, _GOES if closes and bed.item else 0.0)
        yield Placement(bed.start, SAMPLE_RATE, music)


def _music_with_room(bed: PlacedBed, words: Sequence[tuple[float, float]], path: Path | None) -> tuple[Two, float]:
    """The samples of a bed, with room for words, and its loudness; those of a scene are kept while levels are tried.
    ``path``: where music of one's own is."""
    make = _kept_with_room if bed.end - bed.start <= _KEPT_SECONDS else _made_with_room
    return make(replace(bed, levels=()), tuple(words), path)


def _made_with_room(bed: PlacedBed, words: tuple[tuple[float, float], ...], path: Path | None) -> tuple[Two, float]:
    music, own = _music(bed, path)
    times = np.arange(bed.start, bed.start + len(music) / SAMPLE_RATE + _ROOM_STEP, _ROOM_STEP)
    return with_room(music, speaking(words, times), SAMPLE_RATE), own


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
    return level_of(Stereo(part[:, 0].copy(), part[:, 1].copy()))
