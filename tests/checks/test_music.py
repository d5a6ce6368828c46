"""Beds as librosa hears them (McFee et al., librosa: Audio and Music Signal Analysis in Python, SciPy 2015)."""

from __future__ import annotations

from functools import lru_cache

import librosa
import numpy as np
import pytest

from dearhost.sound.beds import MOODS, STYLES, BedSpec, Score
from dearhost.sound.beds.moods import MODES
from dearhost.sound.beds.rendering import Bed
from dearhost.sound.files import RATE

_HEARD = 22_050
MAJOR = np.array([6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88])
MINOR = np.array([6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17])
"""How well tones fit a key (Krumhansl and Kessler 1982, table 1)."""
KINDS = list(zip(MOODS, STYLES, strict=True))
"""Every mood and every style once."""


@lru_cache
def heard(mood: str, style: str) -> tuple[Score, np.ndarray]:
    """What is written, and its sound as librosa takes it."""
    bed = Bed(BedSpec(mood, style, 22.0, 4))
    mono = bed.whole().mean(1).astype(np.float32)
    return bed.score, librosa.resample(mono, orig_sr=RATE, target_sr=_HEARD)


@pytest.mark.parametrize(("mood", "style"), KINDS)
def test_a_bed_is_in_its_key(mood: str, style: str) -> None:
    """The tonic and whether it is major or minor, by chroma of a spectrum; a constant Q takes a minute to compile."""
    score, sound = heard(mood, style)
    chroma = librosa.feature.chroma_stft(y=sound, sr=_HEARD, n_fft=8192, tuning=0.0).mean(1)
    fits = {(tonic, name): np.corrcoef(chroma, np.roll(profile, tonic))[0, 1]
            for name, profile in (("major", MAJOR), ("minor", MINOR)) for tonic in range(12)}  # fmt: skip
    written = score.key, "minor" if MODES[score.mode][2] == 3 else "major"
    assert max(fits, key=lambda key: fits[key]) == written


def test_beds_go_at_the_tempo_that_is_written() -> None:
    """Within 4 %, in at least seven of eight: a slow pad without attacks may be heard at two thirds."""
    right = []
    for kind in KINDS:
        score, sound = heard(*kind)
        found = librosa.beat.beat_track(y=sound, sr=_HEARD, start_bpm=score.grid.tempo)[0]
        right.append(abs(float(np.atleast_1d(found)[0]) / score.grid.tempo - 1) < 0.04)
    assert sum(right) >= 7


@pytest.mark.parametrize(("mood", "style"), [kind for kind in KINDS if kind[1] not in ("synth-drift", "quartet")])
def test_what_is_struck_is_heard_on_the_written_beats(mood: str, style: str) -> None:
    """Nine of ten beats it finds, given the tempo, are within 70 ms of one that is written (as MIREX scores beats)."""
    score, sound = heard(mood, style)
    beats = librosa.beat.beat_track(y=sound, sr=_HEARD, bpm=score.grid.tempo, units="time")[1]
    off = np.abs(np.asarray(beats)[:, None] - np.array(score.grid.beats)[None]).min(1)
    assert len(beats) > 15 and (off <= 0.07).mean() >= 0.9
