"""Effects on a voice, each by what it is."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.signal import welch

from dearhost.production import Studio
from dearhost.sound.effects import EFFECTS, ROOM_SECONDS, with_effect
from dearhost.speech import Delivery, Manner

RATE = 22050
NOISE = np.random.default_rng(4).normal(0, 0.1, RATE * 2).astype(np.float32)
NOISE[RATE : RATE + 6000] = 0  # a pause: effects must be quiet in it, too


def power_between(samples: np.ndarray, low: float, high: float) -> float:
    """dB within a band."""
    hertz, power = welch(samples, RATE, nperseg=2048)
    return float(10 * np.log10(power[(hertz >= low) & (hertz < high)].mean() + 1e-15))


@pytest.mark.parametrize("name", EFFECTS)
def test_an_effect_is_about_as_loud_and_does_not_clip(name: str) -> None:
    made = with_effect(NOISE, RATE, name)
    assert np.isfinite(made).all() and np.abs(made).max() <= 1
    assert np.sqrt((made**2).sum()) == pytest.approx(np.sqrt((NOISE**2).sum()), rel=0.25)
    assert np.array_equal(made, with_effect(NOISE, RATE, name))
    assert (made is NOISE) == (name == "none")


def test_a_telephone_has_the_band_of_its_line() -> None:
    """ITU-T G.712: 300 to 3400 Hz."""
    made = with_effect(NOISE, RATE, "telephone")
    inside = power_between(made, 500, 3000)
    assert power_between(made, 0, 150) < inside - 30
    assert power_between(made, 4500, 9000) < inside - 30


@pytest.mark.parametrize("name", ROOM_SECONDS)
def test_a_room_rings_as_long_as_it_says(name: str) -> None:
    """RT60 from the slope of Schroeder's backward integration between -5 and -25 dB (ISO 3382-2)."""
    click = np.zeros(RATE, np.float32)
    click[100:1300] = np.random.default_rng(2).normal(0, 0.3, 1200)
    made = with_effect(click, RATE, name)[1400:].astype(np.float64)
    decay = 10 * np.log10(np.cumsum(made[::-1] ** 2)[::-1] / (made**2).sum() + 1e-12)
    first, last = int(np.argmax(decay < -5)), int(np.argmax(decay < -25))
    assert 60 / 20 * (last - first) / RATE == pytest.approx(ROOM_SECONDS[name], rel=0.2)


def test_fuller_has_more_chest_and_radio_more_presence() -> None:
    def balance(samples: np.ndarray) -> float:
        return power_between(samples, 60, 200) - power_between(samples, 800, 1600)

    assert balance(with_effect(NOISE, RATE, "fuller")) > balance(NOISE) + 2
    radio = with_effect(NOISE, RATE, "radio")
    assert power_between(radio, 2500, 4500) > power_between(radio, 500, 1500) + 1


def test_an_effect_moves_no_word_and_a_robot_has_one_pitch(studio: Studio) -> None:
    text = "The tide comes in, twice a day."
    plain = studio.speaker.read(text, "joe")
    for name in ("large room", "telephone", "robot"):
        made = studio.speaker.read(text, "joe", Manner(delivery=Delivery(effect=name)))
        assert [w.start for w in made.words] == pytest.approx([w.start for w in plain.words], abs=0.02)
        assert made.duration >= plain.duration - 0.02
    pitch = made.prosody.pitch[made.prosody.pitch > 0]
    near = np.abs(12 * np.log2(pitch / np.median(pitch))) < 0.5
    assert near.mean() > 0.7
