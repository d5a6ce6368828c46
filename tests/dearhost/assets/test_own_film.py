"""Films of our own: any frame is found as it is read in order, and a long one keeps below its bound."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path
from typing import Any

import av
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.assets.shelf import clips
from dearhost.assets.shelf.footage import Footage
from dearhost.assets.shelf.own_film import (
    LONG,
    LONG_FROM,
    SHORT,
    WRITTEN_RATE,
    FilmKind,
    OwnFilm,
    key_frame_every,
    kind_of_film,
)
from dearhost.assets.shelf.pieces import Pieces
from dearhost.errors import HostError
from tests.clips import counted, write_clip

COUNT = 40


def written(path: Path, frames: list[np.ndarray], count: int) -> Path:
    height, width = frames[0].shape[:2]
    film = OwnFilm(path, width, height, 18, count)
    for frame in frames:
        film.add(av.VideoFrame.from_ndarray(frame, format="rgb24").reformat(format="yuv420p"))
    film.close()
    return path


@pytest.fixture(scope="module", params=[COUNT, LONG_FROM + 1], ids=["short", "long"])
def footage(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> Footage:
    folder = tmp_path_factory.mktemp("film")
    np.save(folder / "times.npy", np.arange(COUNT) / WRITTEN_RATE)
    return Footage(written(folder / "full.mp4", counted(COUNT), request.param), folder / "times.npy")


def number_in(frame: av.VideoFrame) -> int:
    row = frame.to_ndarray(format="gray")[40]
    return sum(int(row[int((bit + 0.5) * len(row) / 8)] > 128) << bit for bit in range(8))


@settings(max_examples=30, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(numbers=st.lists(st.integers(0, COUNT - 1), min_size=1, max_size=12))
def test_any_frame_is_found_in_any_order(footage: Footage, numbers: list[int]) -> None:
    assert [number_in(footage.frame(number)) for number in numbers] == numbers


def test_the_end_is_followed_by_the_beginning(footage: Footage) -> None:
    assert [number_in(footage.frame(number)) for number in (COUNT - 1, 0, COUNT - 2, COUNT - 1)] == [39, 0, 38, 39]


@pytest.mark.parametrize(("kind", "count"), [(SHORT, 100), (LONG, LONG_FROM + 1)])
def test_no_frame_is_far_from_a_key_frame(kind: FilmKind, count: int, tmp_path: Path) -> None:
    assert kind_of_film(count) is kind
    every = kind.key_frame_every
    cuts = [np.full((96, 160, 3), 40 + 200 * (number % 2), np.uint8) for number in range(3 * every)]
    with av.open(str(written(tmp_path / "cuts.mp4", cuts, count))) as film:
        keys = [number for number, packet in enumerate(film.demux(video=0)) if packet.is_keyframe]
    assert keys == [0, every, 2 * every]


def test_films_that_say_nothing_of_key_frames_have_one_in_six(tmp_path: Path) -> None:
    with av.open(str(write_clip(tmp_path / "before.mp4", counted(3), rate=25))) as film:
        assert key_frame_every(film) == 6


@pytest.mark.parametrize("count", [LONG_FROM, 60 * 3600], ids=["ten minutes", "an hour of 60 a second"])
def test_a_long_clip_keeps_below_its_bound_and_a_short_one_its_quality(count: int, tmp_path: Path) -> None:
    """Noise is the worst there is: as if it went on for long, some of its frames take their share."""
    dice = np.random.default_rng(3)
    noise = [dice.integers(0, 255, (180, 320, 3), np.uint8) for _ in range(200)]
    short = written(tmp_path / "short.mp4", noise, 200).stat().st_size
    long = written(tmp_path / "long.mp4", noise, count).stat().st_size
    share = kind_of_film(count).most_bytes_of(320 * 180) * 200 / count
    assert long <= 1.2 * share < short / 4


def test_what_the_shelf_says_of_the_longest_clips_is_so() -> None:
    """Both films, and the sound in FLAC of two channels, about 96 kB a second (common practice, no source)."""
    for kind, seconds, said in ((SHORT, 600, 1.4e9), (LONG, 3600, 3.1e9)):
        films = kind.most_bytes_of(1920 * 1080) + kind.most_bytes_of(640 * 360)
        assert films + seconds * 96_000 <= said


HIGH = (640, 416)
"""Pixels of a film that is large enough for pieces of it to be kept."""


@pytest.fixture(scope="module")
def long_film(tmp_path_factory: pytest.TempPathFactory) -> Path:
    folder = tmp_path_factory.mktemp("long")
    np.save(folder / "times.npy", np.arange(60) / WRITTEN_RATE)
    return written(folder / "full.mp4", counted(60, HIGH), LONG_FROM + 1)


def looked_at(film: Path, pieces: Pieces, numbers: Iterable[int]) -> list[np.ndarray]:
    footage = Footage(film, film.parent / "times.npy", pieces)
    return [footage.frame(number).to_ndarray(format="bgra") for number in numbers]


def test_where_one_looks_again_frames_are_kept_as_they_are(long_film: Path, tmp_path: Path) -> None:
    order = [50, 3, 51, 2, 59, 1, 30, 23, 24, 0, 47, 25, 58, 48]
    kept, without = (looked_at(long_film, Pieces(tmp_path / name, most), order * 2)
                     for name, most in (("kept", 10**9), ("without", 0)))  # fmt: skip
    assert all(np.array_equal(one, other) for one, other in zip(kept, without, strict=True))
    size = HIGH[0] * HIGH[1] * 3 // 2
    assert sorted(path.stat().st_size for path in (tmp_path / "kept").glob("*/*")) == [12 * size, 24 * size, 24 * size]
    assert not list((tmp_path / "without").glob("*/*"))


def test_whoever_reads_on_leaves_nothing_behind(long_film: Path, tmp_path: Path) -> None:
    looked_at(long_film, Pieces(tmp_path / "pieces"), [*range(60), *range(30, 60, 3)])
    assert not list((tmp_path / "pieces").glob("*/*"))


def test_pieces_keep_below_their_bound_and_the_last_used_stay(long_film: Path, tmp_path: Path) -> None:
    pieces = Pieces(tmp_path / "pieces", 2 * 24 * HIGH[0] * HIGH[1] * 3 // 2)
    for number in (2, 2, 30, 30, 3, 50, 50):
        looked_at(long_film, pieces, [number])
    names = {path.name for path in (tmp_path / "pieces").glob("*/*")}
    assert {name.rpartition("-")[2] for name in names} == {"0", "2"}, "the middle one was used longest ago"
    pieces.forget(long_film.parent.name)
    assert not list((tmp_path / "pieces").glob("*/*"))


def test_a_piece_that_is_cut_off_is_not_shown(long_film: Path, tmp_path: Path) -> None:
    pieces = Pieces(tmp_path / "pieces")
    first = looked_at(long_film, pieces, [40, 2, 41, 3])[-1]
    for path in (tmp_path / "pieces").glob("*/*"):
        path.write_bytes(path.read_bytes()[:1000])
    assert np.array_equal(looked_at(long_film, pieces, [40, 3])[-1], first)


@pytest.mark.parametrize("ending", ["mp4", "webm", "avi"])
def test_how_long_a_clip_is_is_counted_and_not_believed(ending: str, tmp_path: Path, monkeypatch: Any) -> None:
    """Files of browsers' recorders say nothing of their length, others what is not so."""
    path = write_clip(tmp_path / f"a.{ending}", counted(50), rate=50, codec="libvpx" if ending == "webm" else "libx264")
    length = clips._length_of(path)
    assert length.count == 50 and length.seconds == pytest.approx(0.98, abs=0.03)
    monkeypatch.setattr(clips, "LONGEST_CLIP", 0.5)
    assert clips._length_of(path).count in (25, 26)


def test_a_film_that_is_cut_off_is_told_at_every_look(long_film: Path, tmp_path: Path) -> None:
    """Its index still names the frames that are gone."""
    data = bytearray(long_film.read_bytes())
    begins = data.index(b"mdat") + 4
    data[begins : begins + len(data) // 2] = bytes(len(data) // 2)
    (tmp_path / "full.mp4").write_bytes(data)
    (tmp_path / "times.npy").write_bytes((long_film.parent / "times.npy").read_bytes())
    pieces = Pieces(tmp_path / "pieces")
    for _ in range(3):
        with pytest.raises(HostError, match="cannot be read any more"):
            looked_at(tmp_path / "full.mp4", pieces, [0, 1])
