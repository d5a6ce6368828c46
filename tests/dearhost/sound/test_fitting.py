"""Own music at a length: exact, joined at beats, without a click."""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path

import numpy as np
import pytest

from dearhost.errors import UnreadableSound
from dearhost.sound.beds import BedSpec
from dearhost.sound.beds.rendering import Bed
from dearhost.sound.files import read_stereo
from dearhost.sound.fitting import Fitted, fit
from tests.clips import write_sound_file

RATE = 48_000


@lru_cache(maxsize=1)
def music() -> np.ndarray:
    """Thirty-two seconds at a tempo that is known."""
    return Bed(BedSpec("bright", "mallets", 32.0, 3)).whole()


def known_tempo() -> float:
    return Bed(BedSpec("bright", "mallets", 32.0, 3)).score.grid.tempo


@lru_cache(maxsize=8)
def fitted(seconds: float) -> Fitted:
    return fit(music(), seconds)


@pytest.mark.parametrize("seconds", [17.0, 24.5, 32.0, 47.3, 90.0])
def test_music_is_as_long_as_asked_to_the_sample(seconds: float) -> None:
    made = fitted(seconds)
    assert made.samples.shape == (round(seconds * RATE), 2)
    assert np.isfinite(made.samples).all() and np.abs(made.samples).max() <= 1.5 * np.abs(music()).max()


def test_the_tempo_is_found() -> None:
    tempo, known = fitted(24.5).tempo, known_tempo()
    assert min(abs(tempo / known - times) for times in (0.5, 1.0, 2.0)) < 0.02


@pytest.mark.parametrize("seconds", [24.5, 47.3, 90.0])
def test_joins_keep_the_beat(seconds: float) -> None:
    beat = 60 / known_tempo()
    made = fitted(seconds)
    assert made.joins
    for join in made.joins:
        beats = (join.leaves - join.enters) / beat
        assert abs(beats - round(beats)) < 0.15, "it goes on where a beat is"


@pytest.mark.parametrize("seconds", [24.5, 47.3])
def test_joins_do_not_click(seconds: float) -> None:
    """Above 6 kHz no join is louder than what is heard around it anyway."""
    made = fitted(seconds)
    mono = made.samples.mean(1).astype(float)
    spectrum = np.fft.rfft(mono)
    spectrum[np.fft.rfftfreq(len(mono), 1 / RATE) < 6000] = 0
    bright = np.abs(np.fft.irfft(spectrum, len(mono)))
    for join in made.joins:
        at, span = round(join.at * RATE), round(0.04 * RATE)
        around = bright[max(0, at - RATE) : at + RATE]
        usual = np.percentile([around[i : i + 2 * span].max() for i in range(0, len(around) - 2 * span, span)], 95)
        assert bright[at - span : at + span].max() < 2.5 * usual


def test_the_beginning_is_kept_and_what_is_cut_off_fades() -> None:
    made = fitted(17.0).samples
    first = min((join.at for join in fitted(17.0).joins), default=17.0)
    same = round((first - 0.1) * RATE)
    assert np.array_equal(made[:same], music()[:same])
    assert np.sqrt((made[-2400:] ** 2).mean()) < 0.02


def test_music_as_long_as_wanted_is_left_alone() -> None:
    assert fitted(32.0).joins == () and np.array_equal(fitted(32.0).samples, music())


def test_files_are_read_in_two_channels_and_others_refused(tmp_path: Path) -> None:
    tone = 0.2 * np.sin(2 * np.pi * 330 * np.arange(RATE) / RATE)
    assert read_stereo(write_sound_file(tmp_path / "a.flac", tone)).shape == (RATE, 2)
    (tmp_path / "b.mp3").write_bytes(b"no music")
    with pytest.raises(UnreadableSound, match="damaged"):
        read_stereo(tmp_path / "b.mp3")


def test_music_without_any_beat_is_still_fitted() -> None:
    hum = np.tile(0.1 * np.sin(2 * np.pi * 110 * np.arange(8 * RATE) / RATE)[:, None], (1, 2)).astype(np.float32)
    for seconds in (5.0, 20.0):
        made = fit(hum, seconds)
        assert len(made.samples) == round(seconds * RATE)
