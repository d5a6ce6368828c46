"""SubRip and WebVTT to the letter, and read back by libraries that know nothing of us."""

from __future__ import annotations

import html
import io

import pysubs2
import pytest
import webvtt
from hypothesis import given
from hypothesis import strategies as st

from dearhost.formats.timed_text import TimedText, clock, to_srt, to_webvtt

LINE = st.text(alphabet="abc ÄÖ&<>'\"-.!?", min_size=1, max_size=30).filter(lambda line: line.strip() == line)
CAPTIONS = st.lists(
    st.tuples(st.integers(0, 40_000_000), st.integers(1, 9_000), st.lists(LINE, min_size=1, max_size=2)), max_size=6
)


@pytest.mark.parametrize(
    ("seconds", "told"),
    [
        (0, "00:00:00,000"), (-3, "00:00:00,000"), (0.0004, "00:00:00,000"), (0.0006, "00:00:00,001"),
        (59.9996, "00:01:00,000"), (61.005, "00:01:01,005"), (3599.999, "00:59:59,999"), (3600, "01:00:00,000"),
        (362_439.25, "100:40:39,250"),
    ],
)  # fmt: skip
def test_times_are_told_in_thousandths(seconds: float, told: str) -> None:
    assert clock(seconds, ",") == told
    assert clock(seconds, ".") == told.replace(",", ".")


ONE = TimedText(1.5, 3.25, ("Mind <the> mud,", "& the step."), speaker="Maren & Co")
TWO = TimedText(3.25, 4.0, ("It rings.",), top=True)


def test_subrip_to_the_letter() -> None:
    # numbers from 1, a comma before thousandths, an empty line between (SubRip; common practice, no standard)
    assert to_srt([ONE, TWO]) == (
        "1\n00:00:01,500 --> 00:00:03,250\nMind <the> mud,\n& the step.\n"
        "\n"
        "2\n00:00:03,250 --> 00:00:04,000\nIt rings.\n"
    )
    assert to_srt([]) == ""


def test_webvtt_to_the_letter() -> None:
    # W3C WebVTT: header and metadata, cue timings, voice spans, "&" and "<" escaped, a cue setting for its line
    assert to_webvtt([ONE, TWO], language="en-GB") == (
        "WEBVTT\nLanguage: en-GB\n"
        "\n"
        "1\n00:00:01.500 --> 00:00:03.250\n<v Maren &amp; Co>Mind &lt;the&gt; mud,\n&amp; the step.\n"
        "\n"
        "2\n00:00:03.250 --> 00:00:04.000 line:10%\nIt rings.\n"
    )


def timed(captions: list[tuple[int, int, list[str]]]) -> list[TimedText]:
    return [TimedText(start / 1000, (start + lasts) / 1000, tuple(lines)) for start, lasts, lines in captions]


@given(CAPTIONS)
def test_subrip_is_read_back_by_pysubs2(captions: list[tuple[int, int, list[str]]]) -> None:
    read = pysubs2.SSAFile.from_string(to_srt(timed(captions)), format_="srt", keep_html_tags=True)
    assert [(event.start, event.end) for event in read] == [(start, start + lasts) for start, lasts, _ in captions]
    assert len(read) == len(captions)


@given(CAPTIONS)
def test_webvtt_is_read_back_by_webvtt_py(captions: list[tuple[int, int, list[str]]]) -> None:
    read = webvtt.from_buffer(io.StringIO(to_webvtt(timed(captions), language="en")))
    assert [caption.start for caption in read] == [clock(start / 1000, ".") for start, _, _ in captions]
    assert [html.unescape(caption.text).split("\n") for caption in read] == [lines for _, _, lines in captions]
