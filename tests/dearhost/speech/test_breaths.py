"""Words that were heard, in groups as a speaker breathes."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.aligning.breaths import as_sentence, breaths
from dearhost.speech.aligning.english_model import PlacedWord


def words(*gaps: float) -> list[PlacedWord]:
    """A word of .3 s after each gap of seconds."""
    placed, at = [], 0.0
    for index, gap in enumerate(gaps):
        placed.append(PlacedWord(f"w{index}", at + gap, at + gap + 0.3))
        at += gap + 0.3
    return placed


@given(st.lists(st.floats(0, 3), max_size=80), st.floats(0.1, 1), st.floats(0, 3), st.integers(1, 9))
def test_every_word_stays_once_in_order_and_no_group_is_longer_than_asked(gaps, pause, from_seconds, most):
    heard = words(*gaps)
    groups = breaths(heard, pause, from_seconds, 10.0, most)
    assert [word for group in groups for word in group] == heard
    assert all(1 <= len(group) <= most for group in groups)
    assert all(group[-2].end - group[0].start < 10.0 for group in groups if len(group) > 1)


def test_a_pause_ends_a_group_only_once_it_has_lasted():
    heard = words(0, 0.1, 0.5, 0.1, 0.5)
    assert [len(g) for g in breaths(heard, 0.4)] == [2, 2, 1]
    assert [len(g) for g in breaths(heard, 0.4, from_seconds=1.2)] == [4, 1]


@pytest.mark.parametrize(
    ("said", "line"),
    [
        (["the", "tide", "turns"], "The tide turns."),
        (["Does", "it", "turn?"], "Does it turn?"),
        (["wait,", "and", "then,"], "Wait, and then."),
        (["he", "said", '"come."'], 'He said "come."'),
        (["wait…"], "Wait…"),
    ],
)
def test_a_line_begins_with_a_capital_and_ends_with_one_stop(said, line):
    assert as_sentence([PlacedWord(word, 0, 1) for word in said]) == line
