"""A match begins from the voice that is nearest to the person, where there is one."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, timedelta
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from dearhost.speech import VoiceRegistry
from dearhost.speech.aligning.english_model import PlacedWord
from dearhost.speech.engines.formant import FormantEngine
from dearhost.speech.kokoro import prepared
from dearhost.speech.matching import SENTENCES, Consent, NearVoice, SampleSentence, match_voice
from dearhost.speech.matching.nearest import nearest_of, said_by
from dearhost.speech.matching.spectra import Spectra, spectra_of
from dearhost.speech.matching.understood import words_lost
from dearhost.speech.plan import plan_words
from dearhost.speech.saying import speak_plan
from tests.conftest import speaker_at

CONSENT = Consent(
    "Ines Calder", "2026-01-05", "lessons of the museum", "I am Ines Calder. The museum may make a voice from this.",
    until=(date.today() + timedelta(days=400)).isoformat(), by="Tobias",
)  # fmt: skip
SHORT = (
    "The tide turns at six.", "Papa mends the old boat.", "Gulls sit on the wall.", "We walk along the pier.",
    "Rain fell all day long.",
)  # fmt: skip
MEN_AND_WOMEN = {"en-us": 110.0, "en-us+f2": 190.0, "en-us+m3": 95.0}
"""Formant voices, and about how high they speak."""


def said(name: str, count: int = 2) -> tuple[list[SampleSentence], list[Spectra]]:
    """Sentences in place of a person's, by a formant voice a little higher than it is."""
    sample = []
    for text in SENTENCES[:count]:
        reading = speak_plan(plan_words(text, "en-US"), FormantEngine(name))
        sample.append(SampleSentence(reading.samples, reading.sample_rate, text))
    return sample, [spectra_of(one.samples, one.rate) for one in sample]


def near(*names: str) -> dict[str, NearVoice]:
    return {name: NearVoice(MEN_AND_WOMEN[name], FormantEngine(name)) for name in names}


@pytest.mark.parametrize("person", MEN_AND_WOMEN)
def test_of_several_voices_it_is_the_one_that_says_it_alike(person: str) -> None:
    assert nearest_of(near(*MEN_AND_WOMEN), *said(person)) == person


def test_one_of_another_height_is_not_even_compared(monkeypatch: pytest.MonkeyPatch) -> None:
    heard: list[Any] = []
    monkeypatch.setattr("dearhost.speech.matching.nearest.said_by", lambda engine, text: heard.append(engine))
    monkeypatch.setattr("dearhost.speech.matching.nearest.spectral_distance", lambda a, b: 1.0)
    voices = {"low": NearVoice(110.0, FormantEngine("en-us")), "high": NearVoice(400.0, FormantEngine("en-us+f2"))}
    assert nearest_of(voices, *said("en-us", 1)) == "low" and heard == [voices["low"].engine]
    assert nearest_of({"high": voices["high"]}, *said("en-us", 1)) == "high", "better than none"


def test_nothing_is_chosen_by_what_cannot_be_compared() -> None:
    sample, spoken = said("en-us", 1)
    without_words = [replace(one, text="") for one in sample]
    assert nearest_of(near("en-us"), without_words, spoken) == ""
    assert nearest_of({}, sample, spoken) == ""
    silent = [replace(one, samples=np.zeros(32_000, np.float32)) for one in sample]
    assert nearest_of(near("en-us"), silent, [spectra_of(one.samples, one.rate) for one in silent]) == ""


@pytest.fixture(autouse=True)
def little_is_enough(monkeypatch: pytest.MonkeyPatch) -> None:
    """How long a sample must be is tested where it is asked for; what is compared takes its time by the second."""
    monkeypatch.setattr("dearhost.speech.matching.guide.LEAST_SECONDS", 4.0)


@pytest.fixture(scope="module")
def sample(tmp_path_factory: pytest.TempPathFactory) -> list[SampleSentence]:
    """The quick voice in place of a person, in a quiet room."""
    person = VoiceRegistry(tmp_path_factory.mktemp("voices")).engine("joe")
    chance = np.random.default_rng(2)
    made = []
    for text in SHORT:
        sound = said_by(person, text)
        padded = np.pad(sound.samples, 12_000)
        made.append(SampleSentence((padded + chance.normal(0, 1e-4, len(padded))).astype(np.float32), 24_000, text))
    return made


def test_where_another_comes_closer_it_is_left_out(sample: list[SampleSentence], tmp_path: Path) -> None:
    """The person is Joe here: from nobody else does one come so close."""
    registry = VoiceRegistry(tmp_path / "voices")
    owen = {"owen": NearVoice(115.0, FormantEngine("en-us"))}
    voice = match_voice("Ines", sample, CONSENT, {"neural": registry.engine("joe")}, near=owen)
    assert list(voice.models) == ["neural"]


@pytest.mark.parametrize(("lost_from_near", "chosen"), [(1, "near"), (2, "formant")])
def test_one_that_is_understood_less_is_left_out(
    sample: list[SampleSentence], tmp_path: Path, monkeypatch: pytest.MonkeyPatch, lost_from_near: int, chosen: str
) -> None:
    """The person is Joe, and so is what is near; only what is heard of it makes a difference: one word is lost of what
    is compared with it."""
    joe = VoiceRegistry(tmp_path / "voices").engine("joe")
    counts = iter([lost_from_near, 1])
    monkeypatch.setattr("dearhost.speech.matching.matcher.words_lost", lambda said, rate, draft: next(counts))
    near_one = {"near": NearVoice(115.0, joe)}
    bases = {"formant": FormantEngine("en-us")}
    voice = match_voice("Ines", sample, CONSENT, bases, draft=lambda samples, rate: [], near=near_one)
    assert next(iter(voice.models)) == chosen


def test_words_that_are_not_heard_as_they_are_written_are_lost() -> None:
    heard = {1: "The tide, turns at SIX.", 2: "The tied turns at six o'clock", 3: "", 4: "Well the tide turns at six"}

    def draft(samples: np.ndarray, rate: int) -> list[PlacedWord]:
        return [PlacedWord(word, 0.0, 0.1) for word in heard[len(samples)].split()]

    lost = [words_lost([("The tide turns at six.", np.zeros(n, np.float32))], 24_000, draft) for n in heard]
    assert lost == [0, 2, 5, 1]


def test_it_speaks_from_the_voice_it_was_fitted_to_where_that_is_there(
    sample: list[SampleSentence], tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    registry = VoiceRegistry(tmp_path / "voices")
    monkeypatch.setenv("DEAR_HOST_VOICES", "quick")
    assert not registry.near_voices(), "nobody waits for full voices who wants quick ones"
    monkeypatch.setenv("DEAR_HOST_VOICES", "full")
    voices = registry.near_voices()
    assert {"hannah", "owen", "simon"} < set(voices) and not {"tessa", "pilar", "joe"} & set(voices)
    joe, formant = registry.engine("joe"), FormantEngine("en-us")  # in place of full voices: they would take a minute
    few = {"hannah": NearVoice(voices["hannah"].pitch, formant), "owen": NearVoice(voices["owen"].pitch, joe)}
    voice = match_voice("Ines", sample, CONSENT, {"formant": formant}, near=few)
    assert list(voice.models) == ["owen", "formant"], "Joe is a man, as Owen is"
    assert voice.closeness.held_out == 2

    registry.matched.keep(voice)
    text = "The harbour is quiet tonight."
    spoken = speaker_at(registry, tmp_path / "with").read(text, voice.id)
    assert registry.engine(voice.id).version.endswith(registry.engine("owen").version)
    assert registry.begun_from(voice.id) == "owen"
    assert [word.text for word in spoken.words] == text[:-1].split()
    assert registry.voice(voice.id).language == "en-US" and registry.voice(voice.id).pace > 0

    monkeypatch.setattr(prepared, "is_prepared", lambda: False)
    without = VoiceRegistry(tmp_path / "voices")
    assert not without.near_voices()
    assert without.engine(voice.id).version.endswith(FormantEngine("en-us").version), "as it was before"
    assert without.voice(voice.id).pace == 0 and without.begun_from(voice.id) == "formant-en-us"
    assert speaker_at(without, tmp_path / "without").read(text, voice.id).words[-1].text == "tonight"
