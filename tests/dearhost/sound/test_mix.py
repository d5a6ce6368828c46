"""The mix: exact to the sample, levels by curves, two channels that are one array while nothing parts them."""

from __future__ import annotations

import numpy as np
import pyloudnorm
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.sound import Placement, Stereo, Track, joined, mix, mix_part
from dearhost.sound.loudness import measure_loudness, true_peak
from dearhost.sound.mastering import CEILING_DBTP, master

RATE = 8000


def noise(seconds: float, seed: int = 1, level: float = 0.1, channels: int = 1) -> np.ndarray:
    shape = (round(seconds * RATE), channels) if channels > 1 else round(seconds * RATE)
    return np.random.default_rng(seed).normal(0, level, shape).astype(np.float32)


placed = st.lists(st.tuples(st.floats(-0.5, 1.5), st.integers(1, 4000), st.integers(0, 9)), max_size=6)


@settings(max_examples=60)
@given(placed)
def test_a_mix_of_mono_adds_up_and_is_held_once(items: list[tuple[float, int, int]]) -> None:
    placements = [Placement(max(0.0, at), RATE, noise(n / RATE, seed)) for at, n, seed in items]
    made = mix([Track("voice", tuple(placements))], 1.0, RATE)
    assert made.left is made.right and len(made.channels) == 1 and len(made) == RATE
    expected = np.zeros(3 * RATE, np.float32)
    for item in placements:
        first = round(item.start * RATE)
        expected[first : first + len(item.samples)] += item.samples
    assert np.array_equal(made.left, expected[:RATE])


@given(placed)
def test_what_sticks_out_on_either_side_is_cut(items: list[tuple[float, int, int]]) -> None:
    expected = np.zeros(3 * RATE)
    for at, n, seed in items:
        first = round(at * RATE) + RATE
        expected[first : first + n] += noise(n / RATE, seed)
    tracks = [Track("a", tuple(Placement(at, RATE, noise(n / RATE, seed)) for at, n, seed in items))]
    assert np.allclose(mix(tracks, 1.0, RATE).left, expected[RATE : 2 * RATE], atol=1e-5)


def test_stereo_parts_the_channels_and_leaves_the_middle_in_both() -> None:
    voice, sides = noise(0.5, 1), noise(0.5, 2, channels=2)
    made = mix([Track("voice", (Placement(0.0, RATE, voice),)), Track("bed", (Placement(0.25, RATE, sides),))], 1, RATE)
    assert made.left is not made.right and len(made.channels) == 2
    for channel, column in ((made.left, 0), (made.right, 1)):
        expected = np.zeros(RATE, np.float32)
        expected[: len(voice)] += voice
        expected[RATE // 4 : RATE // 4 + len(sides)] += sides[:, column]
        assert np.allclose(channel, expected, atol=1e-6)


def test_amplitudes_go_straight_between_the_points_of_a_curve_and_are_level_outside() -> None:
    ones = np.ones(RATE, np.float32)
    curve = ((0.25, 0.0), (0.75, -20.0))
    made = mix([Track("bed", (Placement(0.0, RATE, ones, curve),))], 1.0, RATE).left
    assert made[: RATE // 4] == pytest.approx(1.0)
    assert made[RATE // 2] == pytest.approx((1 + 0.1) / 2, abs=1e-3)
    assert made[3 * RATE // 4 :] == pytest.approx(0.1)
    assert np.ptp(np.diff(made[RATE // 4 : 3 * RATE // 4])) < 1e-6


def test_a_curve_is_in_the_time_of_the_mix_wherever_the_sound_begins() -> None:
    half = np.ones(RATE // 2, np.float32)
    made = mix([Track("bed", (Placement(0.5, RATE, half, ((0.5, -6.0), (1.0, -12.0))),))], 1.0, RATE).left
    assert 20 * np.log10(made[RATE // 2]) == pytest.approx(-6.0, abs=0.01)
    assert 20 * np.log10(made[-1]) == pytest.approx(-12.0, abs=0.01)


def test_tracks_of_a_name_are_one_and_move_with_their_curves() -> None:
    bed = Track("bed", (Placement(0.0, RATE, noise(0.1), ((0.0, -6.0), (1.0, 0.0))),))
    voice = Track("voice", (Placement(0.2, RATE, noise(0.1, 3)),))
    (first, second) = joined([voice, bed, voice.later(2.0), bed.later(2.0)])
    assert (first.name, second.name) == ("voice", "bed")
    assert [p.start for p in first.placements] == [0.2, 2.2]
    assert [p.gain for p in second.placements] == [((0.0, -6.0), (1.0, 0.0)), ((2.0, -6.0), (3.0, 0.0))]


@settings(max_examples=40)
@given(placed, st.integers(0, RATE), st.integers(0, RATE), st.booleans())
def test_a_part_of_a_mix_is_what_it_is_within_the_whole(
    items: list[tuple[float, int, int]], first: int, last: int, slower: bool
) -> None:
    curve = ((0.1, -3.0), (0.4, -30.0), (0.9, 2.0))
    rate = RATE // 2 if slower else RATE
    tracks = [Track("a", tuple(Placement(at, rate, noise(n / RATE, seed), curve) for at, n, seed in items))]
    whole = mix(tracks, 1.0, RATE)
    assert np.allclose(mix_part(tracks, range(first, last), RATE).left, whole.left[first:last], atol=1e-7)


def test_other_sample_rates_are_brought_to_the_mixs() -> None:
    time = np.arange(2 * RATE) / (2 * RATE)
    tone = np.sin(2 * np.pi * 440 * time).astype(np.float32)
    made = mix([Track("a", (Placement(0.0, 2 * RATE, tone),))], 1.0, RATE).left
    expected = np.sin(2 * np.pi * 440 * np.arange(RATE) / RATE)
    assert np.abs(made - expected)[200:-200].max() < 0.01


def test_a_part_of_a_mix_is_a_view_of_both_channels() -> None:
    sound = Stereo(noise(1, 1), noise(1, 2))
    part = sound.part(100, 300)
    assert np.shares_memory(part.left, sound.left) and np.shares_memory(part.right, sound.right) and len(part) == 200
    middle = Stereo(sound.left, sound.left).part(0, 10)
    assert middle.left is middle.right


HIGH = 48_000


@settings(max_examples=8, deadline=None)
@given(st.floats(2, 5), st.floats(0.01, 0.3), st.floats(0.01, 0.3), st.integers(0, 99))
def test_unlike_channels_come_out_at_the_target_below_the_ceiling(
    seconds: float, left: float, right: float, seed: int
) -> None:
    dice = np.random.default_rng(seed)
    count = int(seconds * HIGH)
    channels = [np.clip(dice.normal(0, level, count), -1, 1).astype(np.float32) for level in (left, right)]
    balance = np.std(channels[0]) / np.std(channels[1])
    made = master(Stereo(*channels), HIGH)
    # pyloudnorm is the reference for ITU-R BS.1770-4
    theirs = pyloudnorm.Meter(HIGH).integrated_loudness(np.stack([made.left, made.right], axis=1).astype(float))
    assert theirs == pytest.approx(-16, abs=0.6)
    assert max(true_peak(made.left), true_peak(made.right)) <= CEILING_DBTP
    assert np.std(made.left) / np.std(made.right) == pytest.approx(balance, rel=0.02), "both are lowered alike"


def test_loudness_of_unlike_channels_is_that_of_the_reference_library() -> None:
    dice = np.random.default_rng(4)
    left, right = (dice.normal(0, level, 20 * HIGH).astype(np.float32) for level in (0.2, 0.03))
    theirs = pyloudnorm.Meter(HIGH).integrated_loudness(np.stack([left, right], axis=1).astype(float))
    assert measure_loudness(Stereo(left, right), HIGH) == pytest.approx(theirs, abs=0.001)
    assert measure_loudness(Stereo(left, left), HIGH) > measure_loudness(Stereo(left, right), HIGH) + 2.5
