"""How quickly a voice speaks is known before it has read anything, and agrees with what it then reads."""

from __future__ import annotations

import pytest

from dearhost.errors import UnknownVoice
from dearhost.production import Studio
from dearhost.production.voice_pace import PACE_SAMPLE, pace_of
from dearhost.speech.voices import BASE_VOICE, DERIVED_VOICES
from dearhost.writing.pace import Pace


def test_nobody_waits_for_a_neural_voice_to_read() -> None:
    studio = Studio()
    vera = DERIVED_VOICES["vera"][0]
    assert pace_of(studio.speaker, vera.id).syllable == pytest.approx(Pace().syllable / vera.pace)
    assert studio.speaker.known(PACE_SAMPLE, vera.id) is None


@pytest.mark.parametrize("voice", [BASE_VOICE.id, *DERIVED_VOICES])
def test_the_measured_pace_agrees_with_a_reading(studio: Studio, voice: str) -> None:
    told = studio.speaker.registry.voice(voice).pace
    read = Pace().seconds(PACE_SAMPLE) / studio.speaker.read(PACE_SAMPLE, voice).duration
    assert told == pytest.approx(read, rel=0.03)


def test_a_voice_of_unknown_pace_reads_once(studio: Studio) -> None:
    pace = pace_of(studio.speaker, "formant-de")
    known = studio.speaker.known_seconds(PACE_SAMPLE, "formant-de")
    assert known is not None
    assert pace.syllable == pytest.approx(Pace().syllable * known / Pace().seconds(PACE_SAMPLE))


def test_a_voice_that_is_not_there_is_told(studio: Studio) -> None:
    with pytest.raises(UnknownVoice, match="no voice 'nobody'"):
        pace_of(studio.speaker, "nobody")
