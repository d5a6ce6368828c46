"""Fingerprints, whole files, the cache's limit, a full disk."""

from __future__ import annotations

import ast
import errno
import io
import os
import time
from concurrent.futures import ThreadPoolExecutor
from fractions import Fraction
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import StorageFull
from dearhost.storage import FolderCache, fingerprint, read_array, read_arrays, write_whole
from dearhost.timebase import FrameRate, Span

plain_data = st.recursive(
    st.none() | st.booleans() | st.integers() | st.text(),
    lambda x: st.lists(x) | st.dictionaries(st.text(), x),
    max_leaves=8,
)


@given(plain_data, plain_data)
def test_equal_parts_have_equal_names_and_others_do_not(first: object, second: object) -> None:
    assert fingerprint(first) == fingerprint(first)
    if type(first) is type(second) and first != second:
        assert fingerprint(first) != fingerprint(second)


def test_names_hold_types_and_refuse_what_has_no_stable_form() -> None:
    assert fingerprint(Span(0, 1)) != fingerprint([0, 1])
    assert fingerprint(FrameRate(Fraction(30000, 1001))) != fingerprint(FrameRate.of(30))
    with pytest.raises(TypeError, match="stable form"):
        fingerprint(object())


def test_a_failed_write_leaves_neither_half_file_nor_loses_the_old_one(tmp_path: Path) -> None:
    path = tmp_path / "film.mp4"
    path.write_text("old")

    def fail(part: Path) -> None:
        part.write_text("half")
        raise OSError(errno.ENOSPC, "No space left on device")

    with pytest.raises(StorageFull, match=r"disk is full: 'film.mp4'"):
        write_whole(path, fail)
    assert path.read_text() == "old"
    assert list(tmp_path.iterdir()) == [path]


def test_only_files_are_replaced(tmp_path: Path) -> None:
    pipe = tmp_path / "pipe"
    os.mkfifo(pipe)
    (tmp_path / "folder").mkdir()
    for path in (pipe, tmp_path / "folder", Path("/dev/null")):
        with pytest.raises(OSError, match="no file that could be replaced"):
            write_whole(path, lambda part: None)
    assert pipe.is_fifo() and Path("/dev/null").is_char_device()


def test_half_files_of_long_ago_are_swept_and_those_of_now_stay(tmp_path: Path) -> None:
    FolderCache(tmp_path, limit=10**6).put("aa1", lambda part: part.write_bytes(b"x") and None)
    old, young = tmp_path / "aa" / ".part-old", tmp_path / "aa" / ".part-young"
    for part in (old, young):
        part.write_bytes(b"half")
    long_ago = time.time() - 7200
    os.utime(old, (long_ago, long_ago))
    assert FolderCache(tmp_path, limit=10**6).find("aa1")
    assert not old.exists() and young.exists()


def test_a_cache_keeps_its_limit_by_itself(tmp_path: Path) -> None:
    cache = FolderCache(tmp_path, limit=5_000)
    for number in range(450):
        cache.put(f"{number:03d}", lambda part: part.write_bytes(b"x" * 100) and None)
    left = sum(path.stat().st_size for path in tmp_path.rglob("*") if path.is_file())
    assert left <= 5_000 + 200 * 100
    assert cache.find("449")


def test_the_least_recently_used_files_go_first(tmp_path: Path) -> None:
    cache = FolderCache(tmp_path, limit=25)
    for age, name in enumerate(("aa1", "bb2", "cc3")):
        path = cache.put(name, lambda part: part.write_bytes(b"x" * 10) and None)
        os.utime(path, ns=(age, age))
    assert cache.find("aa1")  # used now
    assert cache.trim() == 1
    assert cache.find("bb2") is None
    assert cache.find("aa1") and cache.find("cc3")


@given(st.integers(0, 100_000), st.sampled_from([24, 25, 30, 50, 60]))
def test_frames_cover_a_duration_and_no_more(frames: int, rate: int) -> None:
    clock = FrameRate.of(rate)
    assert clock.frames_in(frames / rate) in (frames, frames + 1)
    assert clock.start_of(frames) < clock.centre_of(frames) < clock.start_of(frames + 1)


def test_arrays_are_read_one_after_another_whoever_asks(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """NumPy reads heads with Python's ast, which must not run in two threads at once (CPython issue 106905)."""
    one, several = tmp_path / "one.npy", tmp_path / "several.npz"
    np.save(one, np.arange(6).reshape(2, 3))
    np.savez(several, a=np.arange(3), b=np.ones((2, 2)))
    evaluate, inside, most = ast.literal_eval, [0], [0]

    def slow(head: Any) -> Any:
        inside[0] += 1
        most[0] = max(most[0], inside[0])
        time.sleep(0.01)
        try:
            return evaluate(head)
        finally:
            inside[0] -= 1

    monkeypatch.setattr(ast, "literal_eval", slow)
    with ThreadPoolExecutor(6) as threads:
        heads = [threads.submit(read_array, one) for _ in range(6)]
        tables = [threads.submit(read_arrays, several) for _ in range(6)]
    assert all((head.result() == [[0, 1, 2], [3, 4, 5]]).all() for head in heads)
    assert all(sorted(table.result()) == ["a", "b"] for table in tables)
    assert most == [1]
    assert sorted(read_arrays(several, ["b"])) == ["b"]
    with pytest.raises(KeyError):
        read_arrays(several, ["c"])


@pytest.mark.parametrize("data", [b"", b"no array", b"\x93NUMPY\x01\x00\x04\x00{}  ", b"PK\x03\x04"])
def test_what_is_no_array_is_told(data: bytes) -> None:
    with pytest.raises(ValueError):
        read_array(io.BytesIO(data))
