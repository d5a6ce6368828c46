"""Captions opened from a file come and go when the file says so, as far as it is of the same recording."""

from __future__ import annotations

from dataclasses import replace

import pysubs2
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.films import caption_text
from dearhost.production import Production, Studio, read_script
from dearhost.script.subtitle_file import TimedCaption, captions_in
from dearhost.stage import compile_timeline
from dearhost.stage.caption_file import CUT, CaptionsRead, read_captions
from dearhost.stage.caption_times import _corrected, captions_heard, with_times
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

TEXT = """# The hills

MAREN: So the sea is stretched. It piles up in two low hills: one under the Moon, and one on the far side.

SKERRY: Two? There is only one Moon, I counted.

# The wall

MAREN: The water comes back to the wall, and it is never late for anybody at all.
"""
PRODUCTION = with_tones(read_script(TEXT))


def written(studio: Studio, production: Production) -> str:
    return caption_text(compile_timeline(production, studio, FrameRate.of(30)), "srt")


def opened(studio: Studio, srt: str) -> CaptionsRead:
    captions = captions_in(srt, "a.srt")
    read = read_captions([caption.text for caption in captions], PRODUCTION.script)
    return with_times(read, captions, captions_heard(PRODUCTION.checked(studio), studio, read.cues))


def moved(srt: str, begins: dict[int, float] | None = None, ends: dict[int, float] | None = None) -> str:
    """The file with captions, by number, that come or go so many seconds later."""
    captions = pysubs2.SSAFile.from_string(srt, format_="srt")
    for number, caption in enumerate(captions):
        caption.start += round(1000 * (begins or {}).get(number, 0.0))
        caption.end += round(1000 * (ends or {}).get(number, 0.0))
    return captions.to_string("srt")


def nudges(read: CaptionsRead) -> list[dict[str, str | float]]:
    return [cue.parameters for cue in read.cues if {"begins", "ends"} & set(cue.parameters)]


def test_our_own_captions_come_and_go_as_they_did(studio: Studio) -> None:
    read = opened(studio, written(studio, PRODUCTION))
    assert not read.other_times and nudges(read) == []


def test_what_somebody_moved_elsewhere_is_moved_here(studio: Studio) -> None:
    before = written(studio, PRODUCTION)
    srt = moved(before, begins={0: 0.25}, ends={0: -0.2, 3: -0.3})
    read = opened(studio, srt)
    assert len(nudges(read)) == 2 and {"cut": "where-it-fits", "begins": 0.25, "ends": -0.2} in nudges(read)
    staged = replace(PRODUCTION, script=_corrected(PRODUCTION.script, read.cues))
    again = written(studio, staged)
    for is_, wanted in zip(captions_in(again, "b.srt"), captions_in(srt, "a.srt"), strict=True):
        assert is_.text == wanted.text
        assert (is_.start, is_.end) == (pytest.approx(wanted.start, abs=0.02), pytest.approx(wanted.end, abs=0.02))


def test_the_times_of_another_recording_are_left(studio: Studio) -> None:
    before = written(studio, PRODUCTION)
    count = len(captions_in(before, "a.srt"))
    late = dict.fromkeys(range(count), 2.0)
    read = opened(studio, moved(before, late, late))
    assert read.other_times and nudges(read) == []
    assert {cue.kind for cue in read.cues} <= {CUT, "caption"}, "its words and cuts are taken all the same"


@given(
    st.lists(st.tuples(st.floats(0, 100), st.floats(0, 100)), min_size=1, max_size=6),
    st.lists(st.floats(-0.4, 0.4), min_size=6, max_size=6), st.floats(-9, 9),
)  # fmt: skip
def test_a_nudge_stays_in_the_range_of_its_cue(spans: list[tuple[float, float]], by: list[float], end: float) -> None:
    captions = [TimedCaption("x", start + d, last + end) for (start, last), d in zip(spans, by, strict=False)]
    places = {number: ("line", number) for number in range(len(spans))}
    read = with_times(CaptionsRead((), (), places), captions, {places[n]: span for n, span in enumerate(spans)})
    for parameters in nudges(read):
        begins, ends = float(parameters.get("begins", 0)), float(parameters.get("ends", 0))
        assert -1 <= begins <= 1 and -1 <= ends <= 2 and max(abs(begins), abs(ends)) >= 0.07
