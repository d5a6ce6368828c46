"""Loudness and true peak of what is delivered."""

from __future__ import annotations

import numpy as np
import pyloudnorm
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.sound import Placement, Stereo, Track, mix
from dearhost.sound.mastering import CEILING_DBTP, master, measure_loudness, true_peak

RATE = 48_000


def centred(sound: np.ndarray) -> Stereo:
    return Stereo(sound, sound)


def noise(seconds: float, level: float, bursts: bool, seed: int) -> np.ndarray:
    dice = np.random.default_rng(seed)
    sound = dice.normal(0, level, int(seconds * RATE))
    if bursts:
        sound[:: RATE // 3] = dice.choice([-0.98, 0.98])
    return np.clip(sound, -1, 1).astype(np.float32)


@settings(max_examples=12, deadline=None)
@given(st.floats(1, 6), st.floats(0.002, 0.3), st.booleans(), st.integers(0, 99))
def test_any_sound_comes_out_at_the_target_below_the_ceiling(
    seconds: float, level: float, bursts: bool, seed: int
) -> None:
    made = master(centred(noise(seconds, level, bursts, seed)), RATE)
    assert measure_loudness(made, RATE) == pytest.approx(-16, abs=0.5)
    assert made.left is made.right and true_peak(made.left) <= CEILING_DBTP


def test_loudness_is_that_of_the_reference_library() -> None:
    # pyloudnorm is the reference for ITU-R BS.1770-4; whole tenths of a second, since the
    # standard uses full blocks only and the library rounds their number
    sound = np.concatenate([noise(23.1, 0.05, True, 1), noise(21, 0.001, False, 2), noise(7.3, 0.2, False, 3)])
    stereo = np.stack([sound, sound], axis=1).astype(np.float64)
    assert measure_loudness(centred(sound), RATE) == pytest.approx(
        pyloudnorm.Meter(RATE).integrated_loudness(stereo), abs=0.001
    )


def test_silence_and_clicks_stay_what_they_are() -> None:
    silence = np.zeros(RATE, np.float32)
    assert not master(centred(silence), RATE).left.any()
    assert len(master(centred(np.zeros(0, np.float32)), RATE)) == 0
    click = np.zeros(4800, np.float32)
    click[100] = 1.0
    assert true_peak(master(centred(click), RATE).left) <= CEILING_DBTP


def test_placing_is_exact_to_the_sample() -> None:
    tone = np.ones(480, np.float32)
    mixed = mix([Track("voice", (Placement(0.5, RATE, tone), Placement(0.999, RATE, tone)))], 1.0, RATE).left
    assert len(mixed) == RATE
    assert mixed[23_999] == 0 and mixed[24_000] == 1 and mixed[24_480] == 0 and mixed[-1] == 1
