"""Words that stand out, and words said in another way than they are written."""

from __future__ import annotations

import numpy as np
import pytest

from dearhost.films import running_time
from dearhost.production import Studio, read_script
from dearhost.speech import Manner, Reading, plan_words
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

VOICE = "formant-en-us"
LINE = "So where did the sea go, and why does it come back?"
SEA = 4


def over(reading: Reading, index: int) -> tuple[float, float]:
    """The median pitch in Hz and the loudest moment in dB of a word."""
    word, prosody = reading.words[index], reading.prosody
    part = slice(round(word.start * prosody.rate), round(word.end * prosody.rate))
    pitch = prosody.pitch[part]
    return float(np.median(pitch[pitch > 0])), float(prosody.loudness[part].max())


def test_a_word_in_focus_is_longer_higher_and_louder_and_no_other_word_is(studio: Studio) -> None:
    plain = studio.speaker.read(LINE, VOICE)
    raised = studio.speaker.read(LINE, VOICE, Manner(emphasis={SEA: 1.0}))
    lengths = [[w.end - w.start for w in reading.words] for reading in (plain, raised)]
    ratios = [after / before for before, after in zip(*lengths, strict=True)]
    assert ratios[SEA] == pytest.approx(1.24, abs=0.01)
    assert ratios[:SEA] + ratios[SEA + 1 :] == pytest.approx([1.0] * (len(ratios) - 1), abs=0.001)
    (hertz, level), (higher, louder) = over(plain, SEA), over(raised, SEA)
    assert 1.2 < 12 * np.log2(higher / hertz) < 3.0
    assert 1.0 < louder - level < 4.0
    assert len(raised.samples) / raised.sample_rate == pytest.approx(raised.duration)
    # what lies well before and after the word is the same sound
    before = round((plain.words[SEA].start - 0.1) * plain.sample_rate)
    assert np.array_equal(plain.samples[:before], raised.samples[:before])
    assert np.array_equal(plain.samples[-8000:], raised.samples[-8000:])
    assert float(np.abs(raised.samples).max()) <= 1.0


def test_emphasis_grows_with_its_strength(studio: Studio) -> None:
    readings = [studio.speaker.read(LINE, VOICE, Manner(emphasis={SEA: s})) for s in (0.3, 0.8, 1.3)]
    pitches, lengths = [over(r, SEA)[0] for r in readings], [r.duration for r in readings]
    assert pitches == sorted(pitches) and lengths == sorted(lengths) and len(set(lengths)) == 3


def test_a_word_said_as_it_sounds_keeps_its_written_place(studio: Studio) -> None:
    said = studio.speaker.read("Is Quay Street open?", VOICE, Manner(said_as={1: "key"}))
    like = studio.speaker.read("Is key Street open?", VOICE)
    assert [w.text for w in said.words] == ["Is", "Quay", "Street", "open"]
    assert [p.symbol for p in said.phones] == [p.symbol for p in like.phones]
    several = plan_words("Ask SKERRY now.", "en-US", {1: "the 2 birds"}).sentences[0].words
    assert [(w.text.lower(), w.written) for w in several] == [
        ("ask", 0), ("the", 1), ("two", 1), ("birds", 1), ("now", 2),
    ]  # fmt: skip


def test_cues_change_the_reading_and_its_measured_time(studio: Studio) -> None:
    text = 'MAREN: Mama may [[cue: emphasis]]bring a [[cue: say-as text="little boat"]]boat.\n'
    production = with_tones(read_script(text), VOICE)
    scene = compile_timeline(production, studio, FrameRate.of(30)).scenes[0]
    plain = compile_timeline(
        with_tones(read_script("MAREN: Mama may bring a boat.\n"), VOICE), studio, FrameRate.of(30)
    ).scenes[0]
    assert scene.fingerprint != plain.fingerprint and scene.duration > plain.duration + 0.2
    assert [w.text for w in scene.lines[0].reading.words] == ["Mama", "may", "bring", "a", "boat"]
    time = running_time(production.script, studio, production)
    assert not time.estimated and time.seconds == pytest.approx(scene.duration, abs=0.01)
