"""A line heard while it is read: its sentences as they are there, and in the end to the sample what is read at once."""

from __future__ import annotations

import io
import threading
import wave
from collections.abc import Iterator
from itertools import pairwise
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from dearhost.errors import NothingToSay
from dearhost.production import Studio
from dearhost.sound import Stereo
from dearhost.sound.loudness import measure_loudness
from dearhost.speech import Speaker
from dearhost.speech.delivery import Delivery
from dearhost.speech.engine import Direction, Utterance
from dearhost.speech.manner import PLAIN, Manner
from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Reading
from dearhost.wav import as_wav, wav_as_read
from tests.conftest import speaker_at

TEXT = "The boats go out. They come back at noon, all of them! Then we wait."
VOICE = "hannah"
RATE = 48_000


class OneByOne:
    """Lets a voice say one sentence each time it is told to."""

    def __init__(self, say: Any) -> None:
        self._say, self._allowed = say, threading.Semaphore(0)
        self.said: list[str] = []

    def __call__(self, sentence: Sentence, direction: Direction) -> Utterance:
        assert self._allowed.acquire(timeout=60)
        self.said.append(sentence.words[0].text)
        made: Utterance = self._say(sentence, direction)
        return made

    def go_on(self, count: int = 1) -> None:
        self._allowed.release(count)


@pytest.fixture
def speaker(studio: Studio, tmp_path: Path) -> Speaker:
    return speaker_at(studio.voices, tmp_path)


@pytest.fixture
def voice(speaker: Speaker, monkeypatch: pytest.MonkeyPatch) -> Iterator[OneByOne]:
    engine = speaker.registry.engine(VOICE)
    gate = OneByOne(engine.direct)  # type: ignore[attr-defined]  # this voice's engine is directed
    monkeypatch.setattr(engine, "direct", gate)
    yield gate
    gate.go_on(99)


def as_said(parts: Iterator[Reading], voice: OneByOne) -> Iterator[Reading]:
    """The parts of what is read, each taken before the next sentence is said."""
    while True:
        voice.go_on()
        part = next(parts, None)
        if part is None:
            return
        yield part


def test_each_sentence_is_there_before_the_next_is_said(speaker: Speaker, voice: OneByOne) -> None:
    parts = speaker.as_read(TEXT, VOICE)
    voice.go_on()
    first = next(parts)
    assert [word.text for word in first.words] == ["The", "boats", "go", "out"]
    assert len(voice.said) == 1 and not speaker.is_read(TEXT, VOICE)
    voice.go_on()
    second = next(parts)
    assert second.words[-1].text == "them" and len(voice.said) == 2
    voice.go_on()
    [whole] = list(parts)
    assert whole.words[-1].text == "wait" and speaker.is_read(TEXT, VOICE)
    for before, after in pairwise([first, second, whole]):
        assert after.words[: len(before.words)] == before.words
        assert np.array_equal(after.samples[: len(before.samples)], before.samples)
        assert after.duration > before.duration > before.words[-1].end


def test_what_comes_last_is_what_is_read_at_once(speaker: Speaker, studio: Studio, tmp_path: Path) -> None:
    *_, whole = speaker.as_read(TEXT, VOICE)
    at_once = speaker_at(studio.voices, tmp_path / "other").read(TEXT, VOICE)
    assert np.array_equal(whole.samples, at_once.samples) and whole.words == at_once.words
    [again] = speaker.as_read(TEXT, VOICE)
    assert np.array_equal(again.samples, whole.samples), "once it is read it comes whole"


def test_whoever_comes_later_hears_what_somebody_reads_already(speaker: Speaker, voice: OneByOne) -> None:
    ahead = threading.Thread(target=speaker.read, args=(TEXT, VOICE))
    ahead.start()
    parts = speaker.as_read(TEXT, VOICE)
    voice.go_on()
    assert len(next(parts).words) == 4
    voice.go_on(2)
    *_, whole = parts
    ahead.join()
    assert len(voice.said) == 3 and whole.words[-1].text == "wait", "it is read once"


def test_what_is_changed_in_the_sound_of_a_whole_line_comes_whole(speaker: Speaker, voice: OneByOne) -> None:
    far = Manner(delivery=Delivery(effect="telephone"))
    voice.go_on(3)
    [whole] = speaker.as_read(TEXT, VOICE, far)
    assert np.array_equal(whole.samples, speaker.read(TEXT, VOICE, far).samples)
    parts = list(as_said(speaker.as_read(TEXT, VOICE, Manner(delivery=Delivery(level=-4.0))), voice))
    assert len(parts) == 3
    for before, after in pairwise(parts):
        assert np.array_equal(after.samples[: len(before.samples)], before.samples), "softer in all its parts"


def test_what_cannot_be_said_is_told(speaker: Speaker) -> None:
    with pytest.raises(NothingToSay):
        next(speaker.as_read("…", VOICE))
    assert not speaker._coming


def test_a_voice_that_says_all_at_once_comes_whole(speaker: Speaker) -> None:
    [whole] = speaker.as_read(TEXT, "fake")
    assert np.array_equal(whole.samples, speaker.read(TEXT, "fake", PLAIN).samples)


def test_as_a_file_it_is_as_loud_and_as_long_as_the_whole(speaker: Speaker, voice: OneByOne) -> None:
    pieces = list(wav_as_read(as_said(speaker.as_read(TEXT, VOICE), voice)))
    assert len(pieces) == 4, "a header and three sentences"
    header = pieces[0]
    assert (header[:4], header[8:16], header[36:40], len(header)) == (b"RIFF", b"WAVEfmt ", b"data", 44)
    sound = np.frombuffer(b"".join(pieces[1:]), "<i2").astype(np.float32) / 32767
    with wave.open(io.BytesIO(as_wav(speaker.read(TEXT, VOICE)))) as file:
        assert (file.getframerate(), file.getnchannels(), file.getsampwidth()) == (RATE, 1, 2)
        whole = np.frombuffer(file.readframes(file.getnframes()), "<i2").astype(np.float32) / 32767
    assert len(sound) == pytest.approx(len(whole), abs=4)
    assert measure_loudness(Stereo(sound, sound), RATE) == pytest.approx(-16.0, abs=1.5)
    assert abs(sound).max() < 0.9
    count = min(len(sound), len(whole))
    assert np.corrcoef(sound[:count], whole[:count])[0, 1] > 0.98
