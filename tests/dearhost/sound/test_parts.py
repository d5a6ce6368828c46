"""Parts of sound files are what the whole has there."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.errors import UnreadableSound
from dearhost.sound.files import RATE, read_stereo, write_sound, write_stereo
from dearhost.sound.fitting import loudness_of_file
from dearhost.sound.loudness import measure_loudness
from dearhost.sound.mix import Stereo
from dearhost.sound.parts import SoundParts

COUNT = 23 * RATE + 317


@pytest.fixture(scope="module")
def file(tmp_path_factory: pytest.TempPathFactory) -> Path:
    path = tmp_path_factory.mktemp("parts") / "sound.flac"
    write_stereo(path, np.random.default_rng(4).normal(0, 0.1, (COUNT, 2)).astype(np.float32))
    return path


@settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(first=st.integers(0, COUNT + 100), count=st.integers(0, 4 * RATE))
def test_a_part_is_what_the_whole_has_there(file: Path, first: int, count: int) -> None:
    whole = read_stereo(file)
    assert np.array_equal(SoundParts(file)[first : first + count], whole[first : first + count])


@pytest.mark.parametrize("seconds", [0.3, 0.8, 1.0, 2.0, 5.0])
def test_what_is_packed_tightly_is_found_up_to_its_end(seconds: float, tmp_path: Path) -> None:
    """Of silence and pure tones little is left in the file, and FFmpeg finds no place near their ends."""
    times = np.arange(round(seconds * RATE))
    for sound in (np.zeros(len(times)), np.sin(times / 50) * 0.3):
        write_stereo(tmp_path / "sound.flac", np.repeat(sound[:, None], 2, 1).astype(np.float32))
        parts, whole = SoundParts(tmp_path / "sound.flac"), read_stereo(tmp_path / "sound.flac")
        for first in range(0, len(whole), len(whole) // 23):
            assert np.array_equal(parts[first : first + 2000], whole[first : first + 2000])


def test_its_blocks_are_all_of_it(file: Path) -> None:
    parts = SoundParts(file)
    blocks = list(parts.blocks(4 * RATE))
    assert len(parts) == COUNT and [len(block) for block in blocks] == [4 * RATE] * 5 + [COUNT - 20 * RATE]
    assert np.array_equal(np.concatenate(blocks), read_stereo(file))


def test_one_channel_is_heard_on_both_sides(tmp_path: Path) -> None:
    tone = np.sin(np.arange(RATE) / 20).astype(np.float32) * np.float32(0.4)
    write_sound(tmp_path / "mono.flac", tone, RATE)
    left, right = SoundParts(tmp_path / "mono.flac")[:].T
    assert np.array_equal(left, right) and np.abs(left - tone).max() < 1e-4


def test_a_file_is_as_loud_as_its_whole(file: Path) -> None:
    left, right = read_stereo(file).T
    assert loudness_of_file(file) == pytest.approx(measure_loudness(Stereo(left.copy(), right.copy()), RATE), abs=1e-9)


@pytest.mark.parametrize("bytes_kept", [None, 0, 40])
def test_a_file_that_is_lost_or_damaged_is_told(file: Path, bytes_kept: int | None, tmp_path: Path) -> None:
    path = tmp_path / "damaged.flac"
    if bytes_kept is not None:
        path.write_bytes(file.read_bytes()[:bytes_kept])
    with pytest.raises(UnreadableSound, match="Bring its file in again"):
        loudness_of_file(path)
