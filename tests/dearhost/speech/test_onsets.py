"""After a pause a word begins where it becomes loud, whatever the model drew into the pause."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.aligning.onsets import at_onsets
from dearhost.speech.aligning.timing import WordTime

RATE = 16_000
SPOKEN = ((0.30, 0.80), (1.10, 1.60), (1.60, 2.00))
"""When a tone sounds, seconds: after silence, after a pause, and on without one."""


def recording() -> np.ndarray:
    times = np.arange(int(2.4 * RATE)) / RATE
    heard = np.any([(times >= start) & (times < end) for start, end in SPOKEN], axis=0)
    noise = np.random.default_rng(1).normal(0, 1e-4, len(times))
    return (0.3 * np.sin(2 * np.pi * 180 * times) * heard + noise).astype(np.float32)


@given(st.lists(st.floats(-0.06, 0.06), min_size=3, max_size=3))
def test_words_after_a_pause_begin_with_the_sound_and_others_stay(off: list[float]) -> None:
    placed = tuple(WordTime(start + by, end - 0.07) for (start, end), by in zip(SPOKEN, off, strict=True))
    placed = (*placed[:2], WordTime(placed[1].end, SPOKEN[2][1]))
    found = at_onsets(placed, recording(), RATE)
    assert [word.start for word in found[:2]] == pytest.approx([0.30, 1.10], abs=0.011)
    assert found[2] == placed[2], "no pause before it"


def test_what_was_not_said_and_what_lies_in_silence_stay_where_they_are() -> None:
    placed = (WordTime(0.02, 0.10), WordTime(0.9, 0.92, 0.0, said=False))
    assert at_onsets(placed, recording(), RATE) == placed
