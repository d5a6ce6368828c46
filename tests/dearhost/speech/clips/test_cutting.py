"""Lines cut out of clips: nothing that was struck is heard, and every moment knows where it comes from."""

from __future__ import annotations

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.clips import ClipWord, Transcript, kept_spans
from dearhost.speech.clips.cutting import CutLine, cut_line
from dearhost.speech.clips.matching import Said
from dearhost.speech.pausing import with_pauses
from dearhost.speech.prosody import Prosody
from dearhost.speech.reading import Piece, Reading, Samples, TimedWord

RATE = 8000
WORDS = 12


def transcript(pauses: list[float]) -> Transcript:
    """Words of 0.3 s with pauses before them."""
    words: list[ClipWord] = []
    now = 0.0
    for number, pause in enumerate(pauses):
        now += pause
        words.append(ClipWord(f"word{number}", now, now + 0.3))
        now += 0.3
    return Transcript("en", now + 0.5, tuple(words))


def time_itself(start: float, end: float) -> Samples:
    """A sound whose every sample says when it is."""
    first, last = round(max(0.0, start) * RATE), round(end * RATE)
    return np.arange(first, last, dtype=np.float32) / RATE


def cut(heard: Transcript, kept: list[int], shorten: bool = False) -> CutLine:
    """The line of some words of a clip."""
    return cut_line([Said(n, n) for n in kept], heard, RATE, time_itself, shorten)


PAUSES = st.lists(st.floats(0.0, 2.0), min_size=WORDS, max_size=WORDS)
KEPT = st.lists(st.integers(0, WORDS - 1), min_size=1, max_size=WORDS, unique=True)


@given(PAUSES, KEPT, st.booleans())
def test_all_that_stays_is_kept_and_nothing_that_was_struck(pauses: list[float], kept: list[int], short: bool) -> None:
    heard = transcript(pauses)
    spans = kept_spans([Said(n, n) for n in kept], heard, short)
    assert all(0 <= span.start < span.end <= heard.seconds + 1e-9 for span in spans)
    for number, word in enumerate(heard.words):
        inside = [s for s in spans if s.start <= word.start + 1e-9 and word.end <= s.end + 1e-9]
        touching = [s for s in spans if s.start < word.end - 1e-6 and word.start < s.end - 1e-6]
        assert len(inside) == 1 if number in kept else not touching


@given(PAUSES, KEPT, st.booleans())
def test_every_moment_knows_where_in_the_clip_it_comes_from(pauses: list[float], kept: list[int], short: bool) -> None:
    heard = transcript(pauses)
    made = cut(heard, kept, short)
    assert made.pieces[0].at == 0
    starts = [piece.at for piece in made.pieces] + [len(made.samples) / RATE + 0.02]
    for piece, until in zip(made.pieces, starts[1:], strict=True):
        # in the middle of a piece, away from where two are faded over
        moment = (piece.at + until) / 2
        assert abs(made.samples[int(moment * RATE)] - (piece.source + moment - piece.at)) < 2 / RATE
    middles = [(a + b) / 2 for a, b in made.words]
    assert middles == sorted(middles)
    for middle, number in zip(middles, kept, strict=True):
        word = heard.words[number]
        assert word.start - 0.05 <= made.samples[int(middle * RATE)] <= word.end + 0.05


def test_long_pauses_are_kept_unless_they_are_to_be_shortened() -> None:
    heard = transcript([0.2, 1.8, 0.1])
    whole, short = cut(heard, [0, 1, 2]), cut(heard, [0, 1, 2], shorten=True)
    assert len(whole.pieces) == 1
    assert abs(len(whole.samples) - len(short.samples) - 1.2 * RATE) < 0.1 * RATE  # from 1.8 s to 0.6


def test_words_that_are_not_said_take_no_time_of_the_clip() -> None:
    heard = transcript([0.2] * 4)
    made = cut_line([Said(0, 0), None, Said(1, 1)], heard, RATE, time_itself)
    assert made.unsaid == (1,) and len(made.pieces) == 1
    assert made.words[1][1] - made.words[1][0] <= 0.05


def test_in_a_pause_the_clip_goes_on_and_is_then_where_it_was() -> None:
    words = (TimedWord("one", 0.1, 0.4, 0, 3), TimedWord("two", 0.6, 0.9, 4, 7))
    quiet = Prosody(100, np.zeros(100, np.float32), np.zeros(100, np.float32))
    reading = Reading(RATE, np.zeros(RATE, np.float32), words, (), quiet, 1.0, (Piece(0.0, 5.0), Piece(0.7, 9.0)))
    assert with_pauses(reading, {1: 2.0}).pieces == (Piece(0.0, 5.0), Piece(2.5, 5.5), Piece(2.7, 9.0))
