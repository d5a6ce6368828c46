"""Threads that want the same wait for each other, and nobody else; nothing is kept of what is done."""

from __future__ import annotations

import gc
import threading
from concurrent.futures import ThreadPoolExecutor

import pytest

from dearhost.one_at_a_time import OneAtATime


def test_the_same_is_never_done_twice_at_once() -> None:
    works, within, most = OneAtATime(), 0, 0

    def work(_: int) -> None:
        nonlocal within, most
        with works.alone("the same"):
            within += 1
            most = max(most, within)
            threading.Event().wait(0.002)
            within -= 1

    with ThreadPoolExecutor(8) as eight:
        list(eight.map(work, range(40)))
    gc.collect()
    assert (within, most, len(works)) == (0, 1, 0)


def test_other_things_go_on_meanwhile() -> None:
    works, both = OneAtATime(), threading.Barrier(2, timeout=10)

    def work(name: str) -> int:
        with works.alone(name):
            return both.wait()  # each is inside while the other is

    with ThreadPoolExecutor(2) as two:
        assert sorted(two.map(work, ("one", "another"))) == [0, 1]


def test_what_fails_lets_the_next_one_in() -> None:
    works = OneAtATime()
    with pytest.raises(ValueError, match="no"), works.alone("it"):
        raise ValueError("no")
    with works.alone("it"):
        assert len(works) == 1
