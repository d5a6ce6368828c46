"""Sound at another speed: as long as it must be, at its pitch, each moment where it belongs."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.sound.tempo import at_speed

RATE = 48_000


def both(sound: np.ndarray) -> np.ndarray:
    return np.stack([sound, sound], axis=1).astype(np.float32)


def pitch(sound: np.ndarray) -> float:
    """The strongest frequency in hertz."""
    spectrum = np.abs(np.fft.rfft(sound * np.hanning(len(sound))))
    return float(np.argmax(spectrum) * RATE / len(sound))


@pytest.mark.parametrize("speed", [0.25, 0.5, 0.8, 1.25, 2.0, 3.0, 4.0])
def test_it_keeps_its_pitch_and_level(speed: float) -> None:
    tone = both(0.5 * np.sin(2 * np.pi * 440 * np.arange(3 * RATE) / RATE))
    made = at_speed(tone, speed, RATE)
    middle = made[len(made) // 4 : 3 * len(made) // 4, 0]
    assert pitch(middle) == pytest.approx(440, abs=4)
    assert np.sqrt((middle**2).mean()) == pytest.approx(0.5 / np.sqrt(2), rel=0.1)


@pytest.mark.parametrize("speed", [0.5, 1.5, 2.0, 4.0])
def test_what_is_heard_comes_at_its_moment(speed: float) -> None:
    sound = np.zeros(4 * RATE)
    for second in (1, 2, 3):
        sound[second * RATE : second * RATE + 2_400] = 0.8 * np.sin(2 * np.pi * 1000 * np.arange(2_400) / RATE)
    made = np.abs(at_speed(both(sound), speed, RATE)[:, 0])
    for second in (1, 2, 3):
        near = made[round((second - 0.4) / speed * RATE) : round((second + 0.4) / speed * RATE)]
        began = np.argmax(near > 0.2) / RATE + (second - 0.4) / speed
        assert began == pytest.approx(second / speed, abs=0.07)


@settings(max_examples=30, deadline=None)
@given(st.integers(0, 90_000), st.floats(0.25, 4.0))
def test_any_sound_is_as_long_as_asked_and_no_louder_than_it_was(count: int, speed: float) -> None:
    sound = both(np.random.default_rng(count).uniform(-0.5, 0.5, count))
    made = at_speed(sound, speed, RATE)
    assert made.shape == (round(count / speed), 2) and made.dtype == np.float32
    assert np.isfinite(made).all() and np.abs(made).max(initial=0) <= 1.0


def test_the_usual_speed_changes_nothing() -> None:
    sound = both(np.random.default_rng(1).uniform(-1, 1, 5_000))
    assert np.array_equal(at_speed(sound, 1.0, RATE), sound)
