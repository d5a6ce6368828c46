"""Films of our own: any frame is found as it is read in order, and a long one keeps below its bound."""

from __future__ import annotations

from pathlib import Path

import av
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.assets.shelf.footage import Footage
from dearhost.assets.shelf.own_film import KEY_FRAME_EVERY, WRITTEN_RATE, OwnFilm, most_bytes
from tests.clips import counted

COUNT = 40


def written(path: Path, frames: list[np.ndarray], seconds: float) -> Path:
    height, width = frames[0].shape[:2]
    film = OwnFilm(path, width, height, 18, seconds)
    for frame in frames:
        film.add(av.VideoFrame.from_ndarray(frame, format="rgb24").reformat(format="yuv420p"))
    film.close()
    return path


@pytest.fixture(scope="module")
def footage(tmp_path_factory: pytest.TempPathFactory) -> Footage:
    folder = tmp_path_factory.mktemp("film")
    np.save(folder / "times.npy", np.arange(COUNT) / WRITTEN_RATE)
    return Footage(written(folder / "full.mp4", counted(COUNT), COUNT / WRITTEN_RATE), folder / "times.npy")


def number_in(frame: av.VideoFrame) -> int:
    row = frame.to_ndarray(format="gray")[40]
    return sum(int(row[int((bit + 0.5) * len(row) / 8)] > 128) << bit for bit in range(8))


@settings(max_examples=30, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(numbers=st.lists(st.integers(0, COUNT - 1), min_size=1, max_size=12))
def test_any_frame_is_found_in_any_order(footage: Footage, numbers: list[int]) -> None:
    assert [number_in(footage.frame(number)) for number in numbers] == numbers


def test_the_end_is_followed_by_the_beginning(footage: Footage) -> None:
    assert [number_in(footage.frame(number)) for number in (COUNT - 1, 0, COUNT - 2, COUNT - 1)] == [39, 0, 38, 39]


def test_no_frame_is_far_from_a_key_frame(footage: Footage, tmp_path: Path) -> None:
    cuts = [np.full((96, 160, 3), 40 + 200 * (number % 2), np.uint8) for number in range(4 * KEY_FRAME_EVERY)]
    with av.open(str(written(tmp_path / "cuts.mp4", cuts, 1.0))) as film:
        keys = [number for number, packet in enumerate(film.demux(video=0)) if packet.is_keyframe]
    assert keys == [0, KEY_FRAME_EVERY, 2 * KEY_FRAME_EVERY, 3 * KEY_FRAME_EVERY]


def test_a_long_clip_keeps_below_its_bound_and_a_short_one_its_quality(tmp_path: Path) -> None:
    """Noise is the worst there is: as if it went on for an hour, a second of it takes its share."""
    dice = np.random.default_rng(3)
    noise = [dice.integers(0, 255, (180, 320, 3), np.uint8) for _ in range(200)]
    short = written(tmp_path / "short.mp4", noise, 8.0).stat().st_size
    long = written(tmp_path / "long.mp4", noise, 3600.0).stat().st_size
    share = most_bytes(320 * 180) * 8 / 3600
    assert long <= 1.2 * share < short / 4


def test_what_the_shelf_says_of_the_longest_clip_is_so() -> None:
    small, sound = most_bytes(640 * 360), 600 * 96_000
    assert most_bytes(1920 * 1080) + small + sound <= 1_400_000_000
