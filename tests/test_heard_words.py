"""How words that are heard otherwise are counted."""

from __future__ import annotations

import pytest

from benchmarks.heard_words import heard_otherwise


@pytest.mark.parametrize(
    ("wanted", "heard", "wrong"),
    [("drʌɡ stoːr", "drʌɡstoːr", 0), ("ed alla vita", "e dalla vita", 0), ("a b c", "a c", 1), ("a b", "a b c", 1),
     ("a b c", "a x c", 1), ("ab c d", "a b x d", 1), ("a b", "", 2), ("", "a", 1), ("", "", 0), ("a b", "b a", 2)],
)  # fmt: skip
def test_words_that_sound_otherwise_are_counted_wherever_they_are_parted(wanted: str, heard: str, wrong: int) -> None:
    assert heard_otherwise(wanted.split(), heard.split()) == wrong
