"""Recordings of one's own come back as they were spoken in, and are kept once."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.assets import RecordingStore
from dearhost.errors import SpeechError
from dearhost.sound.files import RATE

UNKNOWN = "0" * 24


@settings(max_examples=25, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.integers(1, 5000), st.floats(0, 1), st.integers(0, 99))
def test_a_recording_comes_back_within_half_a_step_of_16_bits(
    tmp_path: Path, length: int, level: float, seed: int
) -> None:
    store = RecordingStore(tmp_path)
    spoken = (np.random.default_rng(seed).uniform(-1, 1, length) * level).astype(np.float32)
    name = store.add(spoken)
    back = store.samples(name)
    assert len(back) == length
    # FLAC is lossless (RFC 9639): all that is lost is the rounding to 16 bits, and full scale there is 32768
    assert np.abs(back * 32768 - np.rint(spoken * 32767)).max() < 0.01


def test_the_same_sound_is_kept_once_and_another_is_not_it(tmp_path: Path) -> None:
    store = RecordingStore(tmp_path)
    tone = np.sin(np.arange(RATE // 10) / 20).astype(np.float32)
    names = [store.add(tone), store.add(tone.copy()), store.add(tone * np.float32(0.5))]
    assert names[0] == names[1] != names[2] and len(list(tmp_path.rglob("*.flac"))) == 2


def test_what_is_louder_than_full_scale_is_cut_and_never_wraps_round(tmp_path: Path) -> None:
    store = RecordingStore(tmp_path)
    back = store.samples(store.add(np.array([2.0, -2.0, 0.0] * 100, np.float32)))
    assert back[0] > 0.99 and back[1] < -0.99 and back[2] == 0


def test_a_recording_that_is_gone_says_what_to_do(tmp_path: Path) -> None:
    store = RecordingStore(tmp_path)
    name = store.add(np.full(100, 0.25, np.float32))
    store.remove(name)
    store.remove(name)
    for gone in (name, UNKNOWN):
        with pytest.raises(SpeechError, match="Choose another take"):
            store.samples(gone)


@pytest.mark.parametrize("name", ["", "../../etc/passwd", "A" * 24, "0" * 23, "0" * 25, f"{UNKNOWN}/x"])
def test_names_lead_nowhere_but_into_the_folder(name: str, tmp_path: Path) -> None:
    with pytest.raises(SpeechError, match="names no recording"):
        RecordingStore(tmp_path).path(name)
