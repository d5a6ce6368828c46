"""The speech of a clip, written and read in blocks, is what the whole would be."""

from __future__ import annotations

from itertools import pairwise
from pathlib import Path

import numpy as np
import pytest

from dearhost.sound.files import RATE, read_sound, write_stereo
from dearhost.sound.tidying import levelled
from dearhost.speech.clips import hearing
from dearhost.speech.clips.hearing import hear_words, sections_of
from dearhost.speech.clips.speech_file import ClipSpeech, write_speech
from tests.dearhost.speech.clips.test_hearing import RATE as HEARD_RATE
from tests.dearhost.speech.clips.test_hearing import said_aloud

SECONDS = 67


def recording(left: float, right: float, inverted: bool = False) -> np.ndarray:
    """Bursts of noise with rumble beneath, on two sides."""
    dice = np.random.default_rng(5)
    times = np.arange(SECONDS * RATE) / RATE
    bursts = dice.normal(0, 0.1, len(times)) * (np.sin(times * 2) > 0) + 0.05 * np.sin(2 * np.pi * 20 * times)
    return np.stack([left * bursts, right * bursts * (-1 if inverted else 1)], axis=1).astype(np.float32)


@pytest.mark.parametrize("sides", [(1.0, 1.0), (1.0, 0.4), (0.0, 1.0), (1.0, 1.0, True)])
def test_it_is_the_whole_recording_levelled(sides: tuple[float, float], tmp_path: Path) -> None:
    write_stereo(tmp_path / "sound.flac", recording(*sides))
    write_speech(tmp_path / "sound.flac", tmp_path / "speech.flac")
    whole = levelled(read_sound(tmp_path / "sound.flac").samples, RATE)
    speech = ClipSpeech(tmp_path / "speech.flac")
    assert len(speech) == len(whole) == SECONDS * RATE
    assert np.abs(speech[:] - whole).max() < 1e-4


def test_a_slice_of_it_is_what_all_of_it_has_there(tmp_path: Path) -> None:
    write_stereo(tmp_path / "sound.flac", recording(1, 1))
    write_speech(tmp_path / "sound.flac", tmp_path / "speech.flac")
    speech = ClipSpeech(tmp_path / "speech.flac")
    whole, dice = speech[:], np.random.default_rng(6)
    for first, last in [(0, 0), (29 * RATE, 31 * RATE), *np.sort(dice.integers(0, len(whole) + RATE, (20, 2)), axis=1)]:
        assert np.array_equal(speech[int(first) : int(last)], whole[first:last])


def test_sections_end_where_it_is_quiet_and_leave_nothing_out(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(hearing, "_SECTION", 300.0)
    monkeypatch.setattr(hearing, "_LOOKED_AT", 60.0)
    rate = 100
    sound = np.ones(1000 * rate, np.float32) * 0.3
    quiet = [(270, 271), (333, 336), (560, 561), (800, 801)]
    for start, end in quiet:
        sound[start * rate : end * rate] = 0.0
    sections = sections_of(sound, rate)
    assert sections[0].start == 0.0 and sections[-1].end == 1000.0
    assert all(one.end == other.start for one, other in pairwise(sections))
    assert all(section.end - section.start <= 361 for section in sections)
    cuts = [section.end for section in sections[:-1]]
    assert cuts == pytest.approx([270.5, 560.5, 800.5], abs=0.5)
    assert all(sound[round(cut * rate)] == 0 for cut in cuts)


def test_words_of_long_recordings_are_heard_section_by_section(studio, monkeypatch: pytest.MonkeyPatch) -> None:
    samples, _ = said_aloud(studio)
    at_once = hear_words(samples, HEARD_RATE, studio.speaker.aligner)
    monkeypatch.setattr(hearing, "_SECTION", 4.0)
    monkeypatch.setattr(hearing, "_LOOKED_AT", 2.5)
    assert len(sections_of(samples, HEARD_RATE)) >= 2
    told: list[float] = []
    in_parts = hear_words(samples, HEARD_RATE, studio.speaker.aligner, progress=told.append)
    assert told == sorted(told) and told[-1] == pytest.approx(1.0)
    known = {word.plain: word.start for word in at_once.words}
    same = [word for word in in_parts.words if abs(known.get(word.plain, -9.0) - word.start) < 0.3]
    assert len(same) >= 0.75 * len(at_once.words)
    assert in_parts.seconds == at_once.seconds


def test_a_text_that_is_too_long_to_be_placed_is_told(studio, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(hearing, "_LONGEST_PLACED", 3.0)
    with pytest.raises(hearing.SpeechError, match="Cut the clip into parts"):
        hear_words(np.zeros(5 * RATE, np.float32), RATE, studio.speaker.aligner, text="Mama may bring a boat.")
