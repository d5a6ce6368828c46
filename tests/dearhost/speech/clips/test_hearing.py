"""What is said in a clip: checked against a made voice, whose times are known."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
import soxr

from dearhost.errors import SpeechError
from dearhost.production import Studio
from dearhost.speech.clips import ClipWord, Transcript, lines_of
from dearhost.speech.clips.hearing import hear_words
from dearhost.speech.clips.transcript import plain

RATE = 48_000
SAID = ("The water was so low that I saw the old slipway.", "um", "We we walked out to the wall.")
PAUSES = (0.25, 1.5, 0.4)


def said_aloud(studio: Studio) -> tuple[np.ndarray, list[tuple[str, float]]]:
    """What was said, in a quiet room, and where each word begins."""
    parts: list[np.ndarray] = []
    truth: list[tuple[str, float]] = []
    now = 0.0
    for text, pause in zip(SAID, PAUSES, strict=True):
        read = studio.speaker.read(text, "joe")
        truth += [(plain(word.text), now + word.start) for word in read.words]
        sound = soxr.resample(read.samples, read.sample_rate, RATE)
        parts += [sound, np.zeros(round(pause * RATE))]
        now += (len(sound) + round(pause * RATE)) / RATE
    samples = np.concatenate(parts) + np.random.default_rng(2).normal(0, 5e-4, sum(map(len, parts)))
    return samples.astype(np.float32), truth


def test_words_hesitations_pauses_and_false_starts_are_found(studio: Studio) -> None:
    samples, truth = said_aloud(studio)
    heard = hear_words(samples, RATE, studio.speaker.aligner)
    late = [
        min((abs(word.start - at) for word in heard.words if word.plain == text), default=9.0) for text, at in truth
    ]
    assert np.median(late) < 0.025
    assert sum(off < 0.2 for off in late) >= len(truth) - 3
    assert [heard.words[i].text for i in heard.hesitations()]
    assert any(span.end - span.start > 1.2 for span in heard.pauses())
    again = [[heard.words[i].plain for i in span] for span in heard.restarts()]
    assert ["we"] in again


def test_other_languages_need_their_text_and_are_found_by_it(studio: Studio) -> None:
    read = studio.speaker.read("Mama may bring a boat.", "joe")
    sound = soxr.resample(read.samples, read.sample_rate, RATE).astype(np.float32)
    with pytest.raises(SpeechError, match="Only English"):
        hear_words(sound, RATE, studio.speaker.aligner, language="fi")
    found = hear_words(sound, RATE, studio.speaker.aligner, language="en", text="Mama may bring a boat.")
    assert [word.text for word in found.words] == ["Mama", "may", "bring", "a", "boat"]


def test_where_nobody_speaks_is_said(studio: Studio) -> None:
    with pytest.raises(SpeechError, match="Nobody is heard"):
        hear_words(np.zeros(RATE, np.float32), RATE, studio.speaker.aligner)


def test_lines_end_where_a_speaker_breathes() -> None:
    text = "so um the tide turns. Then the boats go out and"
    words, now = [], 0.0
    for word in text.split():
        words.append(ClipWord(word, now, now + 0.2, word == "um"))
        now += 0.7 if word.endswith(".") else 0.25
    lines = lines_of(Transcript("en", now, tuple(words)))
    assert [line.text for line in lines] == ["So um, the tide turns.", "Then the boats go out and."]
    assert lines[1].begins == words[5].start


def test_a_false_start_of_several_words_is_found() -> None:
    def said(text: str) -> Transcript:
        return Transcript("en", 9, tuple(ClipWord(w, n * 0.3, n * 0.3 + 0.25) for n, w in enumerate(text.split())))

    assert said("the keeper the keeper showed us").restarts() == [range(2)]
    assert said("the tide and the boat").restarts() == []
    assert said("that that is so").restarts() == [range(1)]


def test_what_is_kept_beside_a_clip_is_heard_once(studio: Studio, tmp_path: Path) -> None:
    assert studio.speaker.clips.known("c0123456789abcde") is None
    with pytest.raises(SpeechError, match="not on this machine"):
        studio.speaker.clips.transcript("c0123456789abcde")
