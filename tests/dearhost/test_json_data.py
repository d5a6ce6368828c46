"""JSON of others: by the standard, and fit to be kept."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree

from dearhost.json_data import DEEPEST, keepable, read_json

FITTING = st.recursive(
    st.none() | st.booleans() | st.integers(-(2**53), 2**53) | st.floats(allow_nan=False, allow_infinity=False)
    | st.text().map(keepable),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text().map(keepable), inner, max_size=4),
    max_leaves=20,
)  # fmt: skip


@given(FITTING)
def test_what_can_be_kept_is_read_as_it_is(data: Any) -> None:
    for text in (json.dumps(data), json.dumps(data, ensure_ascii=False).encode()):
        assert read_json(text) == data


@given(st.text(st.characters(), max_size=60))
def test_every_text_can_be_written_as_utf8_and_as_xml(text: str) -> None:
    kept = keepable(text)
    assert kept.encode("utf-8").decode("utf-8") == kept
    element = etree.Element("s")
    element.text = kept  # lxml refuses what XML 1.0 has no character for
    assert len(kept) <= len(text) and keepable(kept) == kept


def test_half_an_emoji_is_marked_and_a_whole_one_stays() -> None:
    assert read_json(r'"Mind \ud83d the mud"') == "Mind \ufffd the mud"
    assert read_json(r'{"\ud83c": "\ud83c\udf0a"}') == {"\ufffd": "🌊"}
    assert read_json(r'"a\u0000b\tc\nd"') == "ab\tc\nd"


@pytest.mark.parametrize(
    "text",
    ["", "{", "NaN", "[Infinity]", '{"a": -Infinity}', "1e999", "9" * 400, str(2**53 + 1), "[" * 100_000,
     "[" * (DEEPEST + 1) + "]" * (DEEPEST + 1)],
)  # fmt: skip
def test_what_is_no_json_or_cannot_be_kept_is_refused(text: str) -> None:
    with pytest.raises(ValueError, match=r"."):
        read_json(text)
