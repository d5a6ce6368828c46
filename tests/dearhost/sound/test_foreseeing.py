"""How loud a mix will be, and with which gain it is mastered, told before it is mixed."""

from __future__ import annotations

from unittest.mock import patch

import numpy as np
import pyloudnorm
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.signal import lfilter

from dearhost.sound import Placement, Stereo, Track, foreseeing, mix
from dearhost.sound.foreseeing import foreseen_gain, outline_of, outline_of_mix
from dearhost.sound.limiter import factor_of, limited_blocks, peaks_of
from dearhost.sound.loudness import energies, loudness_of, measure_loudness

RATE = 48_000


def speech_like(seconds: float, seed: int, level: float = 0.05) -> np.ndarray:
    """Noise in syllables, loud and quiet in turn, weaker by 6 dB an octave above 500 Hz as voices are."""
    dice = np.random.default_rng(seed)
    count = round(seconds * RATE)
    times = np.arange(0, seconds + 0.2, 0.1)
    beats = np.interp(np.arange(count) / RATE, times, dice.uniform(0, 2, len(times)))
    decay = np.exp(-2 * np.pi * 500 / RATE)
    sound = lfilter([5 * (1 - decay)], [1, -decay], dice.laplace(0, level, count)) * beats**2
    return np.clip(sound, -1, 1).astype(np.float32)


def music_like(seconds: float, seed: int, level: float = 0.05) -> np.ndarray:
    dice = np.random.default_rng(seed)
    time = np.arange(round(seconds * RATE)) / RATE
    tones = [np.sin(2 * np.pi * hertz * time + dice.uniform(0, 6)) for hertz in dice.uniform(110, 880, 4)]
    left, right = np.sum(tones[:3], axis=0), np.sum(tones[1:], axis=0)
    return (np.stack([left, right], axis=1) * level).astype(np.float32)


@settings(max_examples=15, deadline=None)
@given(st.floats(0.5, 6), st.integers(0, 99), st.floats(0.005, 0.3))
def test_an_outline_is_as_loud_as_the_sound(seconds: float, seed: int, level: float) -> None:
    sound = Stereo.of([speech_like(seconds, seed, level)])
    assert outline_of(sound, RATE).loudness() == pytest.approx(measure_loudness(sound, RATE), abs=0.03)


@settings(max_examples=15, deadline=None)
@given(st.integers(0, 99), st.floats(0, 8), st.booleans())
def test_what_the_limiter_takes_is_foreseen(seed: int, gain_db: float, two: bool) -> None:
    made = music_like(4, seed, 0.1) if two else speech_like(4, seed)
    sound = Stereo.of([np.ascontiguousarray(channel) for channel in made.T] if two else [made])
    limited = list(limited_blocks(sound, peaks_of(sound), factor_of(gain_db), RATE))
    measured = loudness_of(energies(limited, RATE))
    assert outline_of(sound, RATE).loudness(gain_db) == pytest.approx(measured, abs=0.2)


def test_a_mix_is_told_from_its_sounds_before_it_is_mixed() -> None:
    """BS.1770 leaves out what is 10 LU quieter than the rest: where the music is about that quiet, little decides."""
    missed = []
    for seed in range(24):
        under = 6.0 + seed
        said = (Placement(seed / 12, 24_000, speech_like(1.5, seed)), Placement(4.2, RATE, speech_like(1, seed)))
        curve = ((0.0, -under), (3.0, -under), (3.3, 3.0 - under))
        tracks = [Track("voice", said), Track("bed", (Placement(0.0, RATE, music_like(6, seed), curve),))]
        told, mixed = outline_of_mix(tracks, 6.0, RATE), mix(tracks, 6.0, RATE)
        # pyloudnorm is the reference for ITU-R BS.1770-4
        theirs = pyloudnorm.Meter(RATE).integrated_loudness(np.stack([mixed.left, mixed.right], axis=1).astype(float))
        gain = foreseen_gain(outline_of(mixed, RATE), -16.0)
        missed.append((abs(told.loudness() - theirs), abs(foreseen_gain(told, -16.0) - gain)))
    assert (np.percentile(missed, 90, axis=0) < (0.1, 0.2)).all() and (np.mean(missed, axis=0) < (0.08, 0.12)).all()


@pytest.mark.parametrize("rate", [22_050, 44_100, 48_000])
def test_rates_need_not_be_whole_parts(rate: int) -> None:
    sound = Stereo.of([music_like(3, 1)[:, 0][: 3 * rate - 7]])
    outline = outline_of(sound, rate)
    assert outline.tops.shape == (len(outline.energies), 4) and len(outline.energies) in (299, 300)
    assert outline.tops.max() == pytest.approx(np.abs(sound.left).max())
    assert outline.loudness() == pytest.approx(measure_loudness(sound, rate), abs=0.03)


def test_only_what_was_not_heard_before_is_measured() -> None:
    voice, bed = speech_like(2, 7), music_like(2, 7)

    def tracks(level: float, voice: np.ndarray) -> list[Track]:
        placed = Placement(0.0, RATE, bed, ((0.0, level),))
        return [Track("voice", (Placement(0.3, RATE, voice.copy()),)), Track("bed", (placed,))]

    with patch.object(foreseeing, "outline_of", wraps=outline_of) as measuring:
        quiet = outline_of_mix(tracks(-20.0, voice), 2.5, RATE).loudness()
        assert measuring.call_count == 2
        loud = outline_of_mix(tracks(0.0, voice), 2.5, RATE).loudness()
        assert measuring.call_count == 2 and loud > quiet + 0.5
        outline_of_mix(tracks(0.0, voice * np.float32(0.9)), 2.5, RATE)
        assert measuring.call_count == 3


def test_what_lies_outside_and_silence_have_no_part_in_it() -> None:
    tone = speech_like(1, 3)
    inside = outline_of_mix([Track("a", (Placement(0.5, RATE, tone),))], 2.0, RATE)
    more = (Placement(0.5, RATE, tone), Placement(2.5, RATE, tone), Placement(-1.0, RATE, tone))
    assert outline_of_mix([Track("a", more)], 2.0, RATE).loudness() == pytest.approx(inside.loudness(), abs=1e-6)
    silent = outline_of_mix([], 2.0, RATE)
    assert silent.loudness() == -np.inf and foreseen_gain(silent, -16.0) == 0.0
    assert outline_of(Stereo.of([np.zeros(10, np.float32)]), RATE).loudness() == -np.inf


def test_what_cannot_change_is_told_apart_by_itself_and_what_can_by_what_is_in_it() -> None:
    def loudness(sound: np.ndarray) -> float:
        return outline_of_mix([Track("voice", (Placement(0.0, RATE, sound),))], 2.0, RATE).loudness()

    fixed, changing = speech_like(2.0, 7), speech_like(2.0, 7)
    fixed.flags.writeable = False
    first = loudness(fixed)
    with patch.object(foreseeing, "hash", side_effect=AssertionError, create=True):
        assert loudness(fixed) == first
        with pytest.raises(AssertionError):
            loudness(fixed[:-RATE])  # another, though of the same memory
    assert loudness(changing) == first
    changing *= 0.5
    assert loudness(changing) == pytest.approx(first - 6.02, abs=0.05)
    known = len(foreseeing._outlines._digests)
    del fixed
    assert len(foreseeing._outlines._digests) < known, "no more is kept of what is gone"
