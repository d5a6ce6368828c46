"""Stems are the same whoever asks at the same time."""

from __future__ import annotations

import sys
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

import pytest

from dearhost.languages.snowball import snowball
from dearhost.things.stems import stem


@pytest.fixture
def quick_switches() -> Iterator[None]:
    """Threads that change places all the time."""
    before = sys.getswitchinterval()
    sys.setswitchinterval(1e-6)
    yield
    sys.setswitchinterval(before)


@pytest.mark.usefixtures("quick_switches")
def test_two_searches_at_once_do_not_mix_their_words() -> None:
    roots = ("nation", "relat", "happi", "walk", "conditi", "hesit", "vibr")
    words = [
        f"{root}{end}{more}" for root in roots for end in ("ational", "ization", "fulness") for more in "aeiou"
    ] * 3
    alone = [snowball(word, "english") for word in words]
    with ThreadPoolExecutor(8) as pool:
        assert list(pool.map(lambda word: snowball(word, "english"), words)) == alone


@pytest.mark.parametrize(
    ("word", "expected"),
    [("consign", "consign"), ("consigned", "consign"), ("consigning", "consign"), ("knightly", "knight"),
     ("knocking", "knock"), ("children", "child")],
)  # fmt: skip
def test_known_stems(word: str, expected: str) -> None:
    """The vocabulary of the Porter 2 description (snowballstem.org/algorithms/english), and one irregular plural."""
    assert stem(word) == expected
