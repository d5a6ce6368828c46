"""Voice match: what it reaches, what it refuses, and that nobody speaks without consent."""

from __future__ import annotations

import zipfile
from dataclasses import replace
from datetime import date, timedelta
from pathlib import Path

import numpy as np
import pytest

from dearhost.errors import ConsentError, SpeechError, UnfitSample
from dearhost.speech import VoiceRegistry, plan_words
from dearhost.speech.aligning import Aligner
from dearhost.speech.aligning.english_model import PlacedWord
from dearhost.speech.engines.formant import FormantEngine
from dearhost.speech.matching import (
    SENTENCES,
    Consent,
    MatchedVoice,
    SampleSentence,
    consent_from_json,
    judge_sentence,
    load_voice,
    match_voice,
)
from dearhost.speech.matching.converting import converted
from dearhost.speech.matching.phone_shifts import phone_of_frames, shifts_along, shifts_of
from dearhost.speech.matching.sample import pieces_of
from dearhost.speech.matching.spectra import said_in, spectra_of
from dearhost.speech.matching.voice_file import save_voice
from dearhost.speech.saying import speak_plan
from tests.conftest import speaker_at

CONSENT = Consent(
    "Ines Calder", "2026-01-05", "lessons of the museum", "I am Ines Calder. The museum may make a voice from this.",
    until=(date.today() + timedelta(days=400)).isoformat(), by="Tobias",
)  # fmt: skip


@pytest.fixture(scope="module")
def sample(tmp_path_factory: pytest.TempPathFactory) -> list[SampleSentence]:
    """The neural voice in place of a person, in a quiet room."""
    registry = VoiceRegistry(tmp_path_factory.mktemp("voices"))
    person = registry.engine("joe")
    chance = np.random.default_rng(2)
    made = []
    for text in SENTENCES[:6]:
        reading = speak_plan(plan_words(text, "en-US"), person)
        padded = np.pad(reading.samples, round(0.4 * reading.sample_rate))
        room = chance.normal(0, 1e-4, len(padded))
        made.append(SampleSentence((padded + room).astype(np.float32), reading.sample_rate, text))
    return made


@pytest.fixture(scope="module")
def matched(sample: list[SampleSentence]) -> MatchedVoice:
    return match_voice("Ines", sample, CONSENT, {"formant": FormantEngine("en-us")})


def test_a_match_comes_closer_on_sentences_it_was_not_fitted_to(matched: MatchedVoice) -> None:
    close = matched.closeness
    assert close.held_out == 2
    assert close.after < 0.75 * close.before
    assert close.closed > 0.4
    assert close.pitch == pytest.approx(close.pitch_wanted, rel=0.1)


def test_it_speaks_as_any_voice_and_is_the_same_after_its_file(matched: MatchedVoice, tmp_path: Path) -> None:
    registry = VoiceRegistry(tmp_path / "voices")
    registry.matched.keep(matched)
    speaker = speaker_at(registry, tmp_path)
    text = "The harbour is quiet tonight."
    reading = speaker.read(text, matched.id)
    assert [w.text for w in reading.words] == ["The", "harbour", "is", "quiet", "tonight"]
    assert 0.05 < np.abs(reading.samples).max() <= 1
    kept = load_voice(registry.matched.path(matched.id)).models["formant"]
    sound = spectra_of(reading.samples, reading.sample_rate, said_in(reading.phones))
    assert np.array_equal(converted(sound, kept), converted(sound, matched.models["formant"]))
    spanish = speaker.read("El mar vuelve.", f"{matched.id}:es")
    assert len(spanish.words) == 3


def test_what_the_mixture_misses_of_a_phone_is_added_where_it_is_said(matched: MatchedVoice) -> None:
    phones = (("a", 0.0, 0.5), ("s", 0.5, 0.6), ("a", 0.6, 1.0))
    frames = phone_of_frames(phones, 220)
    assert [frames[0], frames[99], frames[100], frames[119], frames[120], frames[200]] == ["a", "a", "s", "s", "a", ""]
    missed = np.where(frames == "a", 2.0, np.where(frames == "s", -1.0, 7.0))[:, None]
    found = shifts_of(frames, missed)
    assert set(found) == {"a", "s"}
    assert 0 < -found["s"][0] < 1 and 1.5 < found["a"][0] < 2  # of what was heard seldom less is believed
    along = shifts_along(found, [("s", 0.0, 0.2), ("ʘ", 0.2, 0.6), ("a", 0.6, 0.8)], (200, 1))[:, 0]
    assert along[10] == pytest.approx(found["s"][0], rel=0.01) and along[140] == pytest.approx(found["a"][0], rel=0.01)
    assert np.abs(along[70:100]).max() < 1e-6 and np.abs(np.diff(along)).max() < 0.4  # nothing jumps
    said = {symbol for symbol in matched.models["formant"].shifts if symbol in "iːuːæə"}
    assert len(said) >= 2


def test_a_recording_nobody_wrote_down_is_cut_at_its_pauses_with_a_draft_of_its_words() -> None:
    def draft(samples: np.ndarray, rate: int) -> list[PlacedWord]:
        return [PlacedWord(word, start, start + 0.4) for word, start in zip("abcdefgh", starts, strict=True)]

    starts = [0.5, 1.0, 1.8, 2.3, 2.8, 3.8, 4.3, 4.8]  # pauses of .4 s, too early, and of .6 s
    sound = np.arange(6000, dtype=np.float32)
    free, read = SampleSentence(sound, 1000), SampleSentence(sound, 1000, "As  it\nstands.")
    pieces = pieces_of([read, free], draft)
    assert [(p.text, p.drafted) for p in pieces] == [
        ("As it stands.", False), ("A b c d e.", True), ("F g h.", True)
    ]  # fmt: skip
    assert (pieces[1].samples[0], pieces[1].samples[-1]) == (350, 3349) and pieces[2].samples[0] == 3650
    loud = np.random.default_rng(1).normal(0, 0.1, 190_000).astype(np.float32) * (np.arange(190_000) % 900 > 200)
    three = [PlacedWord("ha", start, start + 0.4) for start in (9.0, 50.0, 120.0)]
    for nothing in (None, lambda samples, rate: [], lambda samples, rate: three):
        pieces = pieces_of([SampleSentence(loud, 1000)], nothing)
        assert {p.text for p in pieces} == {""} and max(len(p.samples) for p in pieces) == 8000
        assert 170_000 < sum(len(p.samples) for p in pieces) < 190_000


def test_a_draft_is_used_only_where_it_says_what_is_heard(sample: list[SampleSentence]) -> None:
    texts = [sentence.text for sentence in sample[:4]]
    for said, used in ((texts, True), (texts[1:] + texts[:1], False)):

        def draft(samples: np.ndarray, rate: int, lines: list[str] = said) -> list[PlacedWord]:
            number = next(i for i, own in enumerate(sample) if np.array_equal(own.samples, samples))
            words = lines[number].lower().split()
            borders = np.linspace(0.4, len(samples) / rate - 0.4, len(words) + 1)
            return [PlacedWord(*said) for said in zip(words, borders, borders[1:], strict=False)]

        free = [replace(sentence, text="") for sentence in sample[:4]]
        voice = match_voice("Ines", free, CONSENT, {"formant": FormantEngine("en-us")}, draft=draft)
        assert bool(voice.models["formant"].shifts) is used


def test_a_voice_file_of_the_first_version_still_speaks(matched: MatchedVoice, tmp_path: Path) -> None:
    new, old = tmp_path / "new.dhvoice", tmp_path / "old.dhvoice"
    save_voice(new, matched)
    with zipfile.ZipFile(new) as archive, zipfile.ZipFile(old, "w") as first:
        for name in archive.namelist():
            if not name.endswith("shifts.npy"):
                first.writestr(name, archive.read(name).replace(b'"version": 2', b'"version": 1').replace(
                    b'"phones"', b'"unread"'))  # fmt: skip
    read = load_voice(old)
    assert not read.models["formant"].shifts
    assert read.models["formant"].warp == matched.models["formant"].warp
    said = speak_plan(plan_words("The tide is in.", "en-US"), FormantEngine("en-us"))
    sound = spectra_of(said.samples, said.sample_rate, said_in(said.phones))
    assert 0.05 < np.abs(converted(sound, read.models["formant"])).max() <= 1


def test_consent_withdrawn_silences_the_voice_everywhere_at_once(matched: MatchedVoice, tmp_path: Path) -> None:
    registry = VoiceRegistry(tmp_path / "voices")
    registry.matched.keep(matched)
    speaker = speaker_at(registry, tmp_path)
    speaker.read("Good morning.", matched.id)
    VoiceRegistry(tmp_path / "voices").matched.withdraw(matched.id, date.today(), remove=False)  # another process
    for text in ("Good morning.", "Good evening."):  # one of them is in the cache
        with pytest.raises(ConsentError, match="withdrew"):
            speaker.read(text, matched.id)
    assert matched.id not in {v.id.split(":")[0] for v in registry.voices()}
    gone = registry.matched.withdraw(matched.id, date.today(), remove=True)
    assert not gone.models
    with zipfile.ZipFile(registry.matched.path(matched.id)) as archive:
        assert archive.namelist() == ["voice.json"]
    assert "Withdrawn on" in gone.consent.record() and date.today().isoformat() in gone.consent.record()


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"statement": ""}, "words of the consent"),
        ({"statement": "Somebody may make a voice."}, "name"),
        ({"purpose": " "}, "may be used for"),
        ({"given_on": "yesterday"}, "2028-06-30"),
        ({"until": "2020-01-01"}, "ends before"),
    ],
)
def test_there_is_no_voice_without_a_whole_consent(change: dict[str, str], says: str) -> None:
    with pytest.raises(ConsentError, match=says):
        match_voice("Ines", [], replace(CONSENT, **change), {})
    with pytest.raises(ConsentError):
        consent_from_json({**CONSENT.to_json(), **change})


def test_a_consent_that_ran_out_or_has_not_begun_is_no_consent() -> None:
    today = date.today()
    assert "ran out" in replace(CONSENT, until="2026-02-01").problem(today)
    assert "begins" in replace(CONSENT, given_on=(today + timedelta(1)).isoformat()).problem(today)
    assert CONSENT.problem(today) == ""


def test_a_poor_sample_is_refused_in_words(sample: list[SampleSentence]) -> None:
    engines = {"formant": FormantEngine("en-us")}
    with pytest.raises(UnfitSample, match="no recording"):
        match_voice("Ines", [], CONSENT, engines)
    with pytest.raises(UnfitSample, match="needs 10 s"):
        match_voice("Ines", sample[:2], CONSENT, engines)
    noise = np.random.default_rng(1)
    noisy = [replace(s, samples=(s.samples + noise.normal(0, 0.05, len(s.samples))).astype("f4")) for s in sample]
    with pytest.raises(UnfitSample, match="quieter place"):
        match_voice("Ines", noisy, CONSENT, engines)
    clipped = [replace(s, samples=np.clip(s.samples * 20, -1, 1)) for s in sample]
    with pytest.raises(UnfitSample, match="peaks"):
        match_voice("Ines", clipped, CONSENT, engines)


def test_a_sentence_is_judged_while_it_is_read(sample: list[SampleSentence], tmp_path: Path) -> None:
    aligner = Aligner(VoiceRegistry(tmp_path).references)
    good = judge_sentence(sample[1].samples, sample[1].rate, SENTENCES[1], aligner)
    assert good.good and not good.skipped
    other = judge_sentence(sample[1].samples, sample[1].rate, SENTENCES[3], aligner)
    assert not other.good and any(f.name == "words" for f in other.faults)
    assert not judge_sentence(np.zeros(48000, np.float32), 48000, SENTENCES[0], aligner).good


def test_what_is_no_voice_file_is_said(matched: MatchedVoice, tmp_path: Path) -> None:
    path = tmp_path / "a.dhvoice"
    for content in (b"", b"PK\x03\x04 broken"):
        path.write_bytes(content)
        with pytest.raises(SpeechError, match="damaged"):
            load_voice(path)
    registry = VoiceRegistry(tmp_path / "voices")
    registry.matched.keep(matched)
    whole = registry.matched.path(matched.id)
    with zipfile.ZipFile(whole) as archive, zipfile.ZipFile(path, "w") as cut:
        for entry in archive.infolist():
            content = archive.read(entry)
            cut.writestr(
                entry.filename, content.replace(b"Ines Calder", b"") if entry.filename == "voice.json" else content
            )
    with pytest.raises(ConsentError):  # a voice whose consent was cut out
        load_voice(path)
