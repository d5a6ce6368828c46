"""Lengths, pitch and loudness between the model's predictor and its decoder."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.engine import AS_PREDICTED, Direction
from dearhost.speech.kokoro.direction import directed_curves, directed_lengths, shared_out, tilted
from dearhost.speech.kokoro.model import RATE

_LENGTHS = st.lists(st.floats(0.0, 40.0), min_size=1, max_size=60).map(np.array)


@given(_LENGTHS)
def test_shared_out_is_near_what_was_wanted(wanted: np.ndarray) -> None:
    made = shared_out(wanted)
    assert made.min() >= 1
    assert made.sum() == max(round(float(np.maximum(wanted, 1e-6).sum())), len(wanted))
    if wanted.min() >= 1.5:  # nothing is too small: each is the whole number below or above
        assert np.abs(made - wanted).max() <= 1.0


@given(_LENGTHS, st.integers(0, 900))
def test_shared_out_to_a_total_is_exact(wanted: np.ndarray, total: int) -> None:
    made = shared_out(wanted, total)
    assert made.min() >= 1
    assert made.sum() == max(total, len(wanted))


def test_the_silence_round_a_sentence_stays() -> None:
    frames = np.array([18, 3, 4, 5, 6, 20])
    words = np.array([-1, 0, 0, 1, 1, -1])
    assert directed_lengths(frames, words, AS_PREDICTED).tolist() == frames.tolist()
    half = directed_lengths(frames, words, Direction(pace=2))
    assert (half[0], half[-1], half[1:-1].sum()) == (18, 20, 9)
    exact = directed_lengths(frames, words, Direction(pace=2, seconds=1.0))
    assert exact[1:-1].sum() == 40  # frames of 25 ms
    drawn_out = directed_lengths(frames, words, Direction(emphasis={1: 1.0}))
    assert drawn_out[3:5].sum() > frames[3:5].sum()
    assert drawn_out[1:3].tolist() == frames[1:3].tolist()


def _curves(direction: Direction) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    frames, words = np.array([10, 20, 20, 10]), np.array([-1, 0, 1, -1])
    pitch = np.concatenate([np.zeros(20), np.linspace(110, 100, 80), np.zeros(20)]).astype(np.float32)
    pitch[50:54] = 4.0  # a voiceless phone: the model's curve is not 0 there, but no pitch
    made, loudness = directed_curves(pitch, np.zeros(120, np.float32), frames, words, direction)
    return pitch, made, loudness


def test_a_word_that_stands_out_is_higher_and_louder_and_nothing_else_is() -> None:
    pitch, made, loudness = _curves(Direction(emphasis={1: 1.0}))
    semitones = 12 * np.log2(np.maximum(made, 1) / np.maximum(pitch, 1))
    assert semitones.max() == pytest.approx(2.6, abs=0.02)
    assert np.abs(semitones[:60]).max() < 1e-4
    assert loudness.max() == pytest.approx(0.29, abs=0.01)  # 2.5 dB
    assert not loudness[:60].any()


def test_pitch_is_raised_spread_and_turned_where_it_is_voiced() -> None:
    pitch, made, _ = _curves(Direction(raised=1.2, spread=2.0, ending=4.0))
    voiceless = pitch <= 30
    assert made[voiceless] == pytest.approx(pitch[voiceless])
    early = slice(20, 50)
    low, high = np.log(pitch[early]).std(), np.log(made[early]).std()
    assert high == pytest.approx(2 * low, rel=0.01)
    flat, turned = _curves(Direction())[1], _curves(Direction(ending=4.0))[1]
    assert 12 * np.log2(turned[99] / flat[99]) == pytest.approx(4.0, abs=0.01)
    assert turned[:60] == pytest.approx(flat[:60])


def test_a_tilt_is_decibels_an_octave() -> None:
    def gain(hertz: float) -> float:
        tone = np.sin(2 * np.pi * hertz * np.arange(RATE) / RATE).astype(np.float32)
        made = tilted(tone, -2.0)[2000:-2000]
        return float(20 * np.log10(made.std() / tone.std()))

    assert gain(1000) == pytest.approx(0.0, abs=0.3)
    assert gain(4000) == pytest.approx(-4.0, abs=0.3)
    assert gain(500) == pytest.approx(2.0, abs=0.4)
