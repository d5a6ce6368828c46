"""A line lasts as long as it is to, to the sample; full voices are tried beside their engine."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import Studio, read_script
from dearhost.production.line_reading import manner_of
from dearhost.speech import Delivery, Manner
from dearhost.speech.lasting import QUICKEST, SLOWEST, ended_at, pace_for
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

LINE = "The harbour empties twice a day. The sea goes out, and it always comes back."


def read(studio: Studio, voice: str, lasts: float, **delivery: object):
    return studio.speaker.read(LINE, voice, Manner(delivery=Delivery(lasts=lasts, **delivery)))  # type: ignore[arg-type]  # settings of several types, by their names


@given(
    seconds=st.floats(0.5, 60),
    words=st.floats(0.3, 40),
    silence=st.floats(0, 3),
)
def test_the_pace_is_the_nearest_that_ends_in_time(seconds: float, words: float, silence: float) -> None:
    """For a line of which the words follow the pace and the silence does not."""

    def lasts(pace: float) -> float:
        return words / pace + silence

    found = pace_for(seconds, lasts)
    assert SLOWEST <= found <= QUICKEST
    if lasts(QUICKEST) > seconds:
        assert found == QUICKEST, "it cannot be said in that time"
    else:
        assert lasts(found) <= seconds
        assert seconds - lasts(found) <= 0.05 or found <= SLOWEST + 1e-6


@pytest.mark.parametrize("part", [0.8, 1.25])
def test_it_lasts_just_so_long(studio: Studio, part: float) -> None:
    plain = read(studio, "joe", 0.0)
    wanted = round(plain.duration * part, 2)
    made = read(studio, "joe", wanted)
    assert abs(len(made.samples) / made.sample_rate - wanted) <= 1 / made.sample_rate
    assert made.duration == pytest.approx(wanted, abs=1 / made.sample_rate)
    assert wanted - made.words[-1].end < 0.30, "its words fill the time"
    assert [word.text for word in made.words] == [word.text for word in plain.words]
    tail = made.samples[-round(0.01 * made.sample_rate) :]
    assert np.abs(tail).max() < 0.1


def test_what_cannot_be_said_so_quickly_lasts_as_it_must(studio: Studio) -> None:
    plain, made = read(studio, "joe", 0.0), read(studio, "joe", 0.5)
    assert made.duration > 0.5
    assert plain.duration / made.duration == pytest.approx(QUICKEST, rel=0.06)


def test_a_line_that_has_much_time_is_not_drawn_out_beyond_speech(studio: Studio) -> None:
    plain, made = read(studio, "joe", 0.0), read(studio, "joe", 30.0)
    assert made.duration == pytest.approx(30.0, abs=1e-4)
    assert made.words[-1].end < plain.duration / SLOWEST * 1.05


def test_pauses_of_a_line_are_a_part_of_its_length(studio: Studio) -> None:
    text = "MAREN: [[cue: delivery lasts=7]]The harbour empties. [[cue: pause seconds=1.5]]Then it fills."
    script = read_script(text)
    [line] = script.scenes[0].lines
    assert manner_of(line).delivery.lasts == pytest.approx(5.5)
    [placed] = compile_timeline(with_tones(script), studio, FrameRate(25)).scenes[0].lines
    assert placed.span.end - placed.span.start == pytest.approx(7.0, abs=0.01)


def test_a_longer_reading_stays_as_it_is(studio: Studio) -> None:
    plain = read(studio, "joe", 0.0)
    assert ended_at(plain, plain.duration - 1.0) is plain and ended_at(plain, 0.0) is plain
