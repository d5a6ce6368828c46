"""Sounds proposed for words: those that are heard, few, on their words, and none where they are denied."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production.sound_proposals import _GO_ON, _HEARD, MOST, sounds_for
from dearhost.sound import STINGS
from dearhost.sound.stings import sting


def found(text: str) -> list[tuple[str, str]]:
    return [(one.sound, one.word) for one in sounds_for([("a", text)])]


def test_every_sound_that_is_proposed_is_there_and_what_goes_on_can() -> None:
    assert set(_HEARD) <= set(STINGS) and set(_HEARD) >= _GO_ON
    for name in _GO_ON:
        assert len(sting(name)) / 48_000 > 1.0, name


@pytest.mark.parametrize(
    ("text", "sounds"),
    [
        ("A bell rings at low water.", [("bell", "bell")]),
        ("Then the door closes behind us.", [("door", "door closes")]),
        ("It rained all night. Thunder rolled over the roofs.", [("rain", "rained"), ("thunder", "Thunder")]),
        ("The gulls cry, and gulls answer. More gulls.", [("gull", "gulls")]),
        ("There was no bell that night.", []),
        ("The telephone doesn't ring; the bell never rings.", []),
        ("The water comes back twice a day.", []),
        ("We turn the page.", [("page", "turn the page")]),
        ("The page is blank, and the door is blue.", []),
        ("{The bell rings here}. [A bell]", []),
        ("We walk to Gull Island, and I wind the clock.", []),
        ("All that day the wind blew from Gull Island.", [("wind", "the wind")]),
    ],
)
def test_what_is_heard_by_everybody_is_proposed(text: str, sounds: list[tuple[str, str]]) -> None:
    assert found(text) == sounds


def test_one_that_goes_on_lies_under_its_clause() -> None:
    text = "We waited. All that night the rain fell on the roof, and nobody slept."
    [] = sounds_for([("a", text)])  # "nobody" denies nothing here, but the clause is left alone rather than misread
    [rain] = sounds_for([("a", "We waited. All that night the rain fell on the roof.")])
    assert rain.goes_on and rain.words == "All that night the rain fell on the roof"


@given(st.lists(st.text(max_size=80), max_size=6))
def test_any_text_gives_few_that_lie_on_its_words(texts: list[str]) -> None:
    lines = [(str(number), text + " A bell, rain and thunder.") for number, text in enumerate(texts)]
    proposed = sounds_for(lines)
    assert len(proposed) <= MOST and len({one.sound for one in proposed}) == len(proposed)
    for one in proposed:
        text = dict(lines)[one.line]
        assert text[one.start : one.end] == one.words and one.word in text


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("We turn the page and read.", "turn the page"),
        ("Then, late at night, the door closes behind us.", "door closes"),
        ("And a bell rings.", "bell"),
    ],
)
def test_one_that_is_short_lies_on_the_words_it_is_heard_in(text: str, words: str) -> None:
    [one] = sounds_for([("line", text)])
    assert (one.words, text[one.start : one.end], one.line) == (words, words, "line")
    assert not one.goes_on
