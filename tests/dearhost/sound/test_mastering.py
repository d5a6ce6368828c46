"""Loudness and true peak of what is delivered."""

from __future__ import annotations

import numpy as np
import pyloudnorm
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.sound import Placement, Stereo, Track, mix
from dearhost.sound.limiter import factor_of, limited_blocks, peaks_of
from dearhost.sound.loudness import measure_loudness, true_peak
from dearhost.sound.mastering import CEILING_DBTP, limited, limited_part, master, reach_of

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


@pytest.mark.parametrize(("seconds", "told"), [(0.3, False), (0.39, False), (0.4, True), (0.5, True)])
def test_loudness_is_told_from_four_tenths_of_a_second_on(seconds: float, told: bool) -> None:
    """ITU-R BS.1770-4: a gating block is 400 ms long."""
    tone = np.sin(2 * np.pi * 997 * np.arange(round(seconds * RATE)) / RATE) * 0.1
    assert np.isfinite(measure_loudness(Stereo(tone, tone), RATE)) == told


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


def tone(hertz: float, seconds: float, dbfs: float, degrees: float = 0.0) -> np.ndarray:
    """A sine whose amplitude is ``dbfs`` below full scale."""
    at = np.arange(round(seconds * RATE)) / RATE
    return (10 ** (dbfs / 20) * np.sin(2 * np.pi * hertz * at + np.radians(degrees))).astype(np.float32)


@pytest.mark.parametrize(
    ("parts", "lufs"),
    [
        ([(20, -23)], -23.0),
        ([(20, -33)], -33.0),
        ([(10, -36), (60, -23), (10, -36)], -23.0),
        ([(10, -72), (10, -36), (60, -23), (10, -36), (10, -72)], -23.0),
        ([(20, -26), (20.1, -20), (20, -26)], -23.0),
    ],
)
def test_loudness_of_the_signals_of_ebu_tech_3341(parts: list[tuple[float, float]], lufs: float) -> None:
    """EBU Tech 3341, table 1, signals 1 to 5: 1 kHz in both channels, within .1 LU; from memory."""
    sound = np.concatenate([tone(1000, seconds, level) for seconds, level in parts])
    assert measure_loudness(centred(sound), RATE) == pytest.approx(lufs, abs=0.1)


@pytest.mark.parametrize(
    ("part", "degrees", "amplitude", "dbtp"),
    [(4, 0.0, 0.5, -6.0), (4, 45.0, 0.5, -6.0), (6, 60.0, 0.5, -6.0), (8, 67.5, 0.5, -6.0), (4, 45.0, 1.41, 3.0)],
)
def test_true_peak_of_the_signals_of_ebu_tech_3341(part: int, degrees: float, amplitude: float, dbtp: float) -> None:
    """EBU Tech 3341, table 1, signals 15 to 19: a part of the sample rate, peaks between samples; +.2 and -.4 dB, from
    memory."""
    sound = tone(RATE / part, 1.0, 20 * np.log10(amplitude), degrees)
    ramp = np.minimum(1, np.minimum(np.arange(len(sound)), np.arange(len(sound))[::-1]) / (RATE / 10))
    assert dbtp - 0.4 <= true_peak(sound * ramp) <= dbtp + 0.2


def test_one_channel_alone_is_3_lu_softer_than_both() -> None:
    """ITU-R BS.1770-4: the channels' energies are added."""
    sound, silence = tone(1000, 10, -20), np.zeros(10 * RATE, np.float32)
    both, one = (measure_loudness(Stereo(sound, other), RATE) for other in (sound, silence))
    assert both - one == pytest.approx(10 * np.log10(2), abs=0.02)


@settings(max_examples=15, deadline=None)
@given(st.floats(-40, -20), st.floats(200, 4000))
def test_what_needs_no_limiting_is_only_made_louder_or_softer(level: float, hertz: float) -> None:
    sound = tone(hertz, 2.0, level)
    made = master(centred(sound.copy()), RATE).left
    gains = made[sound != 0] / sound[sound != 0]
    assert np.ptp(20 * np.log10(gains[np.abs(sound[sound != 0]) > 1e-4])) < 0.01
    assert measure_loudness(centred(made), RATE) == pytest.approx(-16, abs=0.1)


@settings(max_examples=10, deadline=None)
@given(st.integers(0, 99), st.floats(0.1, 0.9))
def test_both_channels_are_held_down_together(seed: int, share: float) -> None:
    """What comes from one side stays there: the quotient of the channels does not change."""
    loud = noise(2.0, 0.02, True, seed)
    made = master(Stereo(loud.copy(), (loud * share).astype(np.float32)), RATE)
    heard = np.abs(made.left) > 1e-3
    assert np.allclose(made.right[heard] / made.left[heard], share, rtol=1e-3)


def test_the_limiter_is_down_before_the_peak_and_lets_go_slowly() -> None:
    sound = tone(440, 2.0, -20)
    sound[RATE] = 0.99
    sound[RATE + 1] = -0.99
    before = sound.copy()
    made = limited(centred(sound), RATE).left
    clear = np.abs(before) > 0.05
    clear[RATE - 2 : RATE + 3] = False
    gain = np.where(clear, made / np.where(clear, before, 1), np.nan)
    around = gain[RATE - RATE // 4 : RATE + RATE // 2]
    assert true_peak(made) <= CEILING_DBTP
    assert np.nanmin(around) < 0.98 and np.nanmax(gain) <= 1.0 + 1e-6
    assert np.allclose(gain[: RATE // 2][clear[: RATE // 2]], 1, atol=1e-4), "far before it nothing is lowered"
    assert np.allclose(gain[-RATE // 2 :][clear[-RATE // 2 :]], 1, atol=5e-3), "half a second later it has let go"
    steps = np.abs(np.diff(gain[~np.isnan(gain)]))
    assert steps.max() < 0.05, "the level never jumps"


def test_as_it_comes_leaves_what_is_below_the_ceiling() -> None:
    sound = tone(440, 1.0, -3)
    assert np.allclose(limited(centred(sound.copy()), RATE).left, sound, atol=1e-6)
    loud = limited(centred(tone(440, 1.0, 2)), RATE).left
    assert -1.6 < true_peak(loud) <= CEILING_DBTP


@pytest.mark.parametrize("top", [0.05, 0.1, 0.2])
def test_peaks_between_samples_are_found_where_no_sample_is_loud(top: float) -> None:
    """Signs that alternate but for one change are the worst case for a band-limited signal: what lies between the two
    equal ones is far above every sample."""
    sound = tone(220, 3.0, -28)
    at = np.arange(64)
    sound[RATE : RATE + 64] = top * np.where(at < 32, (-1.0) ** at, (-1.0) ** (at + 1))
    assert true_peak(sound) > 20 * np.log10(top) + 5
    made = master(centred(sound.copy()), RATE)
    assert true_peak(made.left) <= CEILING_DBTP
    assert measure_loudness(made, RATE) == pytest.approx(-16, abs=0.1)


@settings(max_examples=10, deadline=None)
@given(st.integers(0, 99), st.floats(0, 12), st.floats(0, 5.9), st.booleans())
def test_a_part_is_limited_as_it_is_within_the_whole(seed: int, gain: float, start: float, bursts: bool) -> None:
    sound = centred(noise(6.0, 0.15, bursts, seed))
    blocks = limited_blocks(sound, peaks_of(sound), factor_of(gain), RATE)
    whole = np.concatenate([block.left for block in blocks])
    first = round(start * RATE)
    part = range(first, min(first + RATE, len(sound)))
    reach = reach_of(part, len(sound), RATE)
    within = range(first - reach.start, part.stop - reach.start)
    made = limited_part(sound.part(reach.start, reach.stop), within, gain, RATE).left
    assert len(made) == len(part) and np.abs(made - whole[first : part.stop]).max() < 2e-4


@pytest.mark.parametrize("seconds", [110, 130])
def test_long_sounds_are_made_again_rather_than_kept(seconds: float) -> None:
    """Above two minutes nothing is kept between measuring and writing: both ways lead to the same loudness."""
    sound = noise(seconds, 0.05, True, 4)
    made = master(centred(sound), RATE)
    assert measure_loudness(made, RATE) == pytest.approx(-16, abs=0.06)
    assert true_peak(made.left) <= CEILING_DBTP
