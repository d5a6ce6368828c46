"""Where phones are heard, from where the model's lengths put them."""

from __future__ import annotations

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from dearhost.speech.kokoro.labels import heard_spans
from dearhost.speech.phone_symbols import Gathered

RATE = 24_000


def _phone(symbol: str) -> Gathered:
    return Gathered(symbol, 0, 0, 0, False)


@given(st.lists(st.tuples(st.floats(0.0, 0.4), st.floats(0.025, 0.3), st.sampled_from("pbmszaəlf")), min_size=1,
                max_size=30))  # fmt: skip
def test_spans_stay_in_order_and_are_never_empty(rows: list[tuple[float, float, str]]) -> None:
    now, spans = 0.2, []
    for gap, length, _ in rows:
        spans.append((now + gap, now + gap + length))
        now += gap + length
    noise = np.random.default_rng(1).normal(0, 0.1, round((now + 0.3) * RATE)).astype(np.float32)
    heard = heard_spans(spans, [_phone(symbol) for *_, symbol in rows], noise, RATE)
    before = 0.0
    for start, end in heard:
        assert before - 1e-9 <= start < end
        before = end


def test_after_a_pause_a_phone_begins_where_sound_does() -> None:
    sound = np.zeros(RATE * 2, np.float32)
    tone = np.sin(np.arange(RATE) * 0.1).astype(np.float32)
    sound[round(0.30 * RATE) : round(0.80 * RATE)] = tone[: round(0.50 * RATE)]
    sound[round(1.20 * RATE) : round(1.60 * RATE)] = tone[: round(0.40 * RATE)]
    heard = heard_spans([(0.35, 0.82), (1.25, 1.62)], [_phone("a"), _phone("a")], sound, RATE)
    assert abs(heard[0][0] - 0.30) <= 0.006
    assert abs(heard[1][0] - 1.20) <= 0.006


def test_a_sibilant_is_moved_further_than_a_vowel() -> None:
    noise = np.ones(RATE, np.float32)

    def begin(symbol: str) -> float:
        return heard_spans([(0.1, 0.4), (0.4, 0.6)], [_phone("a"), _phone(symbol)], noise, RATE)[1][0]

    assert begin("s") < begin("m") < begin("a") < 0.4
