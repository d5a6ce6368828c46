"""Each delivery moves pitch, spread, pace and voicing as stated, by strength, for its line alone."""

from __future__ import annotations

import numpy as np
import pytest

from dearhost.production import Studio, read_script
from dearhost.speech import MANNERS, Delivery, Manner, Reading
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

VOICE = "formant-en-us"
LINE = "Twice a day the harbour empties, and the boats sit down in the mud. Why? Because the moon pulls at the sea."
STATED = {
    "calm": (0.95, 0.75, 0.92),
    "bright": (1.12, 1.35, 1.06),
    "urgent": (1.10, 1.1, 1.2),
    "sombre": (0.87, 0.5, 0.84),
}
"""Pitch, spread and pace against the neutral reading, as the trial of deliveries states them."""


def read(studio: Studio, delivery: Delivery) -> Reading:
    return studio.speaker.read(LINE, VOICE, Manner(delivery=delivery))


def melody(reading: Reading) -> tuple[float, float, float]:
    """Mean pitch in Hz, its spread in log units (outliers aside), and the share that is voiced."""
    pitch = reading.prosody.pitch
    log = np.log(pitch[pitch > 0])
    low, high = np.percentile(log, [5, 95])
    return float(np.exp(np.median(log))), float(high - low), len(log) / len(pitch)


@pytest.mark.parametrize("manner", list(STATED))
def test_a_delivery_moves_as_stated(studio: Studio, manner: str) -> None:
    plain, said = read(studio, Delivery()), read(studio, Delivery(manner))
    pitch, spread, pace = STATED[manner]
    (hertz, wide, voiced), (after, wider, still) = melody(plain), melody(said)
    assert after / hertz == pytest.approx(pitch, rel=0.05)
    assert wider / wide == pytest.approx(spread, rel=0.22)
    assert plain.duration / said.duration == pytest.approx(pace, rel=0.01)
    assert still == pytest.approx(voiced, abs=0.08)


def test_a_hushed_line_is_breath(studio: Studio) -> None:
    plain, said = read(studio, Delivery()), read(studio, Delivery("hushed"))
    assert melody(plain)[2] > 0.4 and (said.prosody.pitch > 0).mean() < 0.15


def test_strength_pace_pitch_and_level_are_what_they_say(studio: Studio) -> None:
    plain = read(studio, Delivery())
    assert (
        read(studio, Delivery(strength=0.4)) is not plain and read(studio, Delivery(strength=0.4)).words == plain.words
    )
    strengths = [melody(read(studio, Delivery("bright", strength)))[0] for strength in (0.3, 0.8, 1.4)]
    assert strengths == sorted(strengths) and strengths[0] > melody(plain)[0]
    assert plain.duration / read(studio, Delivery(pace=1.25)).duration == pytest.approx(1.25, rel=0.01)
    raised = melody(read(studio, Delivery(pitch=3)))[0] / melody(plain)[0]
    assert 12 * np.log2(raised) == pytest.approx(3, abs=0.4)
    softer = read(studio, Delivery(level=-6))
    assert np.allclose(softer.samples, plain.samples * 10 ** (-6 / 20), atol=1e-6)
    assert np.abs(read(studio, Delivery(level=6)).samples).max() <= 0.98


@pytest.mark.parametrize("manner", list(MANNERS))
def test_words_and_phones_keep_their_order_and_share_of_the_line(studio: Studio, manner: str) -> None:
    plain, said = read(studio, Delivery()), read(studio, Delivery(manner))
    assert [w.text for w in said.words] == [w.text for w in plain.words]
    ratio = said.duration / plain.duration
    assert [w.start for w in said.words] == pytest.approx([w.start * ratio for w in plain.words], abs=0.002)
    assert [p.end for p in said.phones] == pytest.approx([p.end * ratio for p in plain.phones], abs=0.002)


def test_a_cue_directs_its_own_line_only(studio: Studio) -> None:
    text = "MAREN: Mama may bring a boat.\n\nMAREN: Papa {}mends the map.\n"
    cued = text.format("[[cue: delivery urgent pace=1.1 level=-2]]")
    plain, said = (
        compile_timeline(with_tones(read_script(t), VOICE), studio, FrameRate.of(30)).scenes[0]
        for t in (text.format(""), cued)
    )
    assert np.array_equal(plain.lines[0].reading.samples, said.lines[0].reading.samples)
    assert plain.lines[1].reading.duration / said.lines[1].reading.duration == pytest.approx(1.2 * 1.1, rel=0.02)
    assert plain.fingerprint != said.fingerprint
