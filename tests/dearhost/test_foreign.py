"""What reads files of strangers ends within its limits, whatever it does."""

from __future__ import annotations

import os
import time
from collections.abc import Callable

import pytest

from dearhost.errors import HostError
from dearhost.foreign import ForeignFailure, in_own_process


def _in_steps(count: int, each: float, tell: Callable[[float], None]) -> int:
    for step in range(count):
        time.sleep(each)
        tell(step / count)
    return count


def _sleep(seconds: float) -> None:
    time.sleep(seconds)


def _allocate(size: int) -> int:
    return len(bytearray(size))


def _crash() -> None:
    os.abort()


def _refuse() -> None:
    raise HostError("There are no moving pictures in this file.")


def _stumble() -> None:
    raise ZeroDivisionError


def test_what_is_done_comes_back() -> None:
    assert in_own_process(_allocate, 1000) == 1000


def test_what_says_nothing_for_too_long_is_ended() -> None:
    began = time.monotonic()
    with pytest.raises(ForeignFailure, match="takes longer than 1 s to read"):
        in_own_process(_sleep, 60.0, seconds=1.0)
    assert time.monotonic() - began < 30


def test_what_is_long_may_go_on_while_it_tells_how_far_it_is() -> None:
    told: list[float] = []
    assert in_own_process(_in_steps, 8, 1.0, seconds=5.0, progress=told.append) == 8, "8 s in all"
    assert told == sorted(told) and len(told) > 4


def test_whoever_hears_of_it_may_stop_it() -> None:
    def stop(part: float) -> None:
        raise KeyboardInterrupt

    with pytest.raises(KeyboardInterrupt):
        in_own_process(_in_steps, 1000, 0.3, progress=stop)


def test_too_much_memory_is_not_given() -> None:
    with pytest.raises(ForeignFailure, match="needs more than 100 MB"):
        in_own_process(_allocate, 400_000_000, memory=100_000_000)


def test_a_crash_is_told_and_ends_nothing_else() -> None:
    with pytest.raises(ForeignFailure, match="cannot be read to its end"):
        in_own_process(_crash)


def test_a_refusal_comes_as_it_was_raised_and_anything_else_as_damage() -> None:
    with pytest.raises(HostError, match="no moving pictures"):
        in_own_process(_refuse)
    with pytest.raises(ForeignFailure, match=r"is damaged \(ZeroDivisionError\)"):
        in_own_process(_stumble)
