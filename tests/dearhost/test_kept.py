"""What is expensive is made once, however many want it at the same moment."""

from __future__ import annotations

import threading
from concurrent.futures import ThreadPoolExecutor

import pytest

from dearhost.kept import kept


def test_many_who_want_it_at_once_wait_for_the_one_who_makes_it() -> None:
    made: list[str] = []
    all_ask, slow = threading.Barrier(6), threading.Event()

    @kept(2)
    def make(name: str) -> list[str]:
        made.append(name)
        slow.wait(0.2)
        return [name]

    def ask(name: str) -> list[str]:
        all_ask.wait(5)
        return make(name)

    with ThreadPoolExecutor(6) as threads:
        got = list(threads.map(ask, ["tide"] * 4 + ["moon"] * 2))
    assert sorted(made) == ["moon", "tide"]
    assert all(one is got[0] for one in got[:4]) and got[4] is got[5] == ["moon"]


def test_what_fails_is_tried_again_and_what_was_used_longest_ago_goes() -> None:
    tried: list[int] = []

    @kept(2)
    def make(number: int) -> int:
        tried.append(number)
        if tried == [1]:
            raise OSError
        return number

    with pytest.raises(OSError):
        make(1)
    assert [make(n) for n in (1, 2, 1, 3, 1, 2)] == [1, 2, 1, 3, 1, 2]
    assert tried == [1, 1, 2, 3, 2]
    make.cache_clear()
    assert make(1) == 1 and tried[-1] == 1
