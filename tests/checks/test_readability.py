"""Reading ease against textstat and against the worked example that is printed most often."""

from __future__ import annotations

import pytest
import textstat

from dearhost.production import read_script
from dearhost.writing.advice import readability, syllables_in
from dearhost.writing.advice.sentences import sentences_of

PLATYPUS = "The Australian platypus is seemingly a hybrid of a mammal and reptilian creature."
"""13 words, 24 syllables; given as 37.5 and 11.3 in the article "Flesch-Kincaid readability tests" (Wikipedia)."""

ALICE = (
    "Alice was beginning to get very tired of sitting by her sister on the bank, and of having nothing to do. "
    "Once or twice she had peeped into the book her sister was reading, but it had no pictures or conversations in it. "
    "And what is the use of a book, thought Alice, without pictures or conversations?"
)
"""Carroll (1865), in the public domain; from memory, its marks of speech left out."""

LINCOLN = (
    "Four score and seven years ago our fathers brought forth on this continent, a new nation, conceived in Liberty, "
    "and dedicated to the proposition that all men are created equal. Now we are engaged in a great civil war, "
    "testing whether that nation, or any nation so conceived and so dedicated, can long endure. "
    "We are met on a great battlefield of that war. We have come to dedicate a portion of that field, "
    "as a final resting place for those who here gave their lives that that nation might live."
)
"""Lincoln (1863), in the public domain; from memory."""


def measured(text: str):
    found = readability(list(sentences_of(read_script(text, "plain"), "en")))
    assert found
    return found


def test_the_worked_example() -> None:
    found = measured(PLATYPUS)
    assert found.ease == pytest.approx(37.5, abs=0.1)
    assert found.grade == pytest.approx(11.3, abs=0.1)
    assert found.words == "hard"


@pytest.mark.parametrize("text", [PLATYPUS, ALICE, LINCOLN])
def test_ease_and_grade_are_those_of_textstat(text: str) -> None:
    found = measured(text)
    assert found.ease == pytest.approx(textstat.flesch_reading_ease(text), abs=1.5)
    assert found.grade == pytest.approx(textstat.flesch_kincaid_grade(text), abs=0.4)


def test_syllables_of_words_no_dictionary_has() -> None:
    invented = {"quillhaven": 3, "skerrily": 3, "glimmed": 1, "plashes": 2, "low-water": 3}
    assert {word: syllables_in(word) for word in invented} == invented
