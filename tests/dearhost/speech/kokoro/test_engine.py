"""The full voices: every word timed, where it is heard; directed inside the model; and what stands in for them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from dearhost.production import CastEntry, Studio, full_cast, read_script
from dearhost.speech import VoiceRegistry
from dearhost.speech.delivery import Delivery
from dearhost.speech.describing import describe
from dearhost.speech.directing import speak_directed
from dearhost.speech.engine import DirectedEngine, Direction
from dearhost.speech.full_voices import FULL_VOICES
from dearhost.speech.kokoro import prepared
from dearhost.speech.kokoro.mixing import mixed
from dearhost.speech.kokoro.tokens import tokens_of
from dearhost.speech.made_voices import MadeVoice
from dearhost.speech.manner import PLAIN, Manner
from dearhost.speech.phone_symbols import split_points
from dearhost.speech.plan import plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading
from tests.dearhost.speech.test_plan import SENTENCES

# what the packages hold may be out of reach: then the quick voices speak, and there is nothing to test here
pytestmark = pytest.mark.skipif(not prepared.is_prepared(), reason="the full voices are not on this machine")

LINE = "Twice a day the harbour empties, and the boats sit down in the mud."


def _engine(studio: Studio, voice: str) -> DirectedEngine:
    engine = studio.voices.engine(voice)
    assert isinstance(engine, DirectedEngine)
    return engine


def _hummed(studio: Studio, text: str, voice: str, manner: Manner = PLAIN) -> Reading:
    language = studio.voices.voice(voice).language
    return speak_directed(plan_words(text, language), _engine(studio, voice), manner, hummed=True)


@pytest.mark.parametrize(("voice", "sentences"), [("hannah", SENTENCES[::2]), ("simon", SENTENCES[1::2])])
def test_every_written_word_of_sixty_sentences_gets_its_time(
    studio: Studio, voice: str, sentences: Sequence[str]
) -> None:
    for sentence in sentences:
        plan = plan_words(sentence, "en-US")
        reading = _hummed(studio, sentence, voice)
        assert [w.text for w in reading.words] == [w.text for w in plan.written], sentence
        assert all(w.start < w.end for w in reading.words), sentence
        assert all(a.end <= b.start + 1e-6 for a, b in pairwise(reading.words)), sentence
        assert {p.word for p in reading.phones} == set(range(len(reading.words))), sentence


@pytest.mark.parametrize(
    ("voice", "text"),
    [
        ("pilar", "El pingüino llegó a la montaña a las 9:30, con 15 niños y una guitarra."),
        ("helene", "La fille mange un œuf à 9 h 30, et l'oiseau aime le brouillard d'aujourd'hui."),
        ("chiara", "Gli gnocchi della famiglia costano 12 euro, e lo zaino è già qui."),
    ],
)
def test_every_word_of_other_languages_gets_its_time(studio: Studio, voice: str, text: str) -> None:
    reading = _hummed(studio, text, voice)
    plan = plan_words(text, studio.voices.voice(voice).language)
    assert [w.text for w in reading.words] == [w.text for w in plan.written]
    assert all(a.end <= b.start + 1e-6 for a, b in pairwise(reading.words))


@pytest.mark.parametrize(
    ("voice", "text"),
    [
        ("gareth", "Very well."),
        ("walter", "Let us go."),
        ("ruth", "Look up."),
        ("theo", "Nobody knows."),
        ("tessa", "Mind the mud."),
        ("helene", "Devant la porte."),
        ("renzo", "Nessuno dorme."),
    ],
)
def test_nothing_of_the_first_sound_is_cut_away(studio: Studio, voice: str, text: str) -> None:
    """Labels come after what is heard by up to .16 s, in each voice by something else. What is cut leaves a moment of
    silence, and no more than a breath of it."""
    sentence = plan_words(text, studio.voices.voice(voice).language).sentences[0]
    made = _engine(studio, voice).synthesize(sentence)
    hop = made.sample_rate // 100
    rows = made.samples[: len(made.samples) // hop * hop].reshape(-1, hop)
    levels = 20 * np.log10(np.sqrt((rows**2).mean(axis=1)) / made.samples.std() + 1e-9)
    silent = int(np.argmax(levels > -35)) / 100
    assert 0.02 <= silent <= 0.16, levels[:20].round()


def test_words_are_where_they_are_heard(studio: Studio) -> None:
    # against the aligner, which knows nothing of the model's lengths; its own error is part of this
    errors: list[float] = []
    for voice in ("hannah", "owen"):
        for sentence in ("The pilot told them that the harbour was closed.", LINE):
            reading = studio.speaker.read(sentence, voice)
            found = studio.speaker.aligner.align(reading.samples, reading.sample_rate, sentence, "en-US")
            errors += [abs(a.start - b.start) for a, b in zip(found.words, reading.words, strict=True)]
    assert np.mean(errors) <= 0.025, errors
    assert np.mean(np.array(errors) <= 0.040) >= 0.85, errors


def test_the_same_sentence_is_the_same_sound_and_times_are_known_before_it(studio: Studio, tmp_path: Path) -> None:
    plan = plan_words(LINE, "en-US")
    sentence = plan.sentences[0]
    first = VoiceRegistry(tmp_path).engine("hannah").synthesize(sentence)
    again = VoiceRegistry(tmp_path).engine("hannah").synthesize(sentence)
    assert np.array_equal(first.samples, again.samples)
    hummed = _engine(studio, "hannah").hummed(sentence, Direction())
    assert len(hummed.samples) == len(first.samples)
    early = [abs(a.start - b.start) for a, b in zip(hummed.phones, first.phones, strict=True)]
    assert max(early) < 0.08 and np.mean(early) < 0.01  # onsets after a pause alone wait for the sound


@pytest.mark.parametrize("manner", [PLAIN, Manner(delivery=Delivery("calm", ending="rising"), emphasis={2: 1.0})])
def test_a_reading_lasts_as_long_as_was_foreseen(studio: Studio, manner: Manner) -> None:
    text = "Really? The ferry, which was full, has gone. Ask anyone!"
    foreseen = studio.speaker.foreseen(text, "gareth", manner)
    assert studio.speaker.known(text, "gareth", manner) is None
    assert studio.speaker.known_seconds(text, "gareth", manner) == foreseen.duration
    read = studio.speaker.read(text, "gareth", manner)
    assert read.duration == pytest.approx(foreseen.duration, abs=1e-3)
    assert [w.end for w in read.words] == pytest.approx([w.end for w in foreseen.words], abs=0.06)
    assert [w.start for w in read.words] == pytest.approx([w.start for w in foreseen.words], abs=0.06)
    assert studio.speaker.foreseen(text, "gareth", manner).samples is not foreseen.samples  # the sound itself by now


def test_lips_close_where_the_model_says_p_b_or_m(studio: Studio) -> None:
    text = "Mama may bring a big blue boat."
    wanted = sum(letter in "mb" for letter in text.lower())
    phones = [p for p in _hummed(studio, text, "joan").phones if p.symbol in ("m", "b", "p")]
    assert len(phones) == wanted


def test_a_word_that_stands_out_is_longer_and_higher(studio: Studio) -> None:
    plain = _hummed(studio, LINE, "simon")
    raised = _hummed(studio, LINE, "simon", Manner(emphasis={4: 1.0}))
    lengths = [b.end - b.start - (a.end - a.start) for a, b in zip(plain.words, raised.words, strict=True)]
    assert lengths[4] > 0.04
    assert abs(sum(lengths) - lengths[4]) < 0.08

    def pitch(reading: Reading, index: int) -> float:
        word, rate = reading.words[index], reading.prosody.rate
        within = reading.prosody.pitch[round(word.start * rate) : round(word.end * rate)]
        return float(np.median(within[within > 0]))

    assert 12 * np.log2(pitch(raised, 4) / pitch(plain, 4)) > 1.2
    assert abs(12 * np.log2(pitch(raised, 1) / pitch(plain, 1))) < 0.3


@pytest.mark.parametrize(
    ("manner", "pace", "raised"), [("calm", 0.92, 0.95), ("urgent", 1.20, 1.10), ("sombre", 0.84, 0.87)]
)
def test_a_manner_changes_pace_and_pitch_as_its_table_says(
    studio: Studio, manner: str, pace: float, raised: float
) -> None:
    plain = _hummed(studio, LINE, "hannah")
    made = _hummed(studio, LINE, "hannah", Manner(delivery=Delivery(manner)))
    assert plain.duration / made.duration == pytest.approx(pace, rel=0.05)
    pitches = [r.prosody.pitch[r.prosody.pitch > 0] for r in (plain, made)]
    medians = [float(np.exp(np.log(p).mean())) for p in pitches]
    assert medians[1] / medians[0] == pytest.approx(raised, rel=0.03)


def test_a_question_ends_higher_than_a_statement(studio: Studio) -> None:
    def last(ending: str) -> float:
        made = _hummed(studio, LINE, "owen", Manner(delivery=Delivery(ending=ending)))
        voiced = made.prosody.pitch[made.prosody.pitch > 0]
        return float(np.median(voiced[-12:]))

    assert 12 * np.log2(last("rising") / last("written")) > 2
    assert 12 * np.log2(last("falling") / last("written")) < -1.5


def test_hushed_is_softer_and_its_words_stay(studio: Studio) -> None:
    plain = studio.speaker.read(LINE, "hannah")
    hushed = studio.speaker.read(LINE, "hannah", Manner(delivery=Delivery("hushed")))
    assert [w.text for w in hushed.words] == [w.text for w in plain.words]

    def harmonic(reading: Reading) -> float:
        """Part of the frames that are voiced."""
        return float((reading.prosody.pitch > 0).mean())

    assert harmonic(hushed) < harmonic(plain)
    assert float(np.abs(hushed.samples).max()) <= 1.0


def test_a_length_that_is_asked_for_is_kept_to_the_frame(studio: Studio) -> None:
    sentence = plan_words(LINE, "en-US").sentences[0]
    engine = _engine(studio, "ruth")
    plain = len(engine.hummed(sentence, Direction()).samples) / 24_000
    made = [len(engine.hummed(sentence, Direction(seconds=s)).samples) / 24_000 for s in (2.5, 3.5, 6.0)]
    assert np.diff(made).tolist() == pytest.approx([1.0, 2.5], abs=1e-9)
    assert 2.5 < made[0] < plain < made[2]


@pytest.mark.parametrize("text", ["Yes.", "Welcome!", "Really?", "Siobhan.", "1999."])
def test_a_line_of_one_word_is_said(studio: Studio, text: str) -> None:
    reading = studio.speaker.read(text, "theo")
    assert len(reading.words) == 1
    assert 0.2 < reading.duration < 3
    assert 0.05 < float(np.abs(reading.samples).max()) <= 1.0
    assert np.abs(reading.samples[-48:]).max() < 0.02 and np.abs(reading.samples[:48]).max() < 0.02  # no click


def test_phones_somebody_gave_are_said_instead(studio: Studio) -> None:
    given = plan_words("The boat.", "en-US", None, {1: "ˈbiːt"})
    made = speak_directed(given, _engine(studio, "hannah"), PLAIN, hummed=True)
    assert [p.symbol for p in made.phones if p.word == 1] == ["b", "iː", "t"]


def test_no_phone_of_a_kept_language_is_left_to_a_makeshift() -> None:
    known = prepared.signs()
    for accent, said in {
        "en-us": "ðə tʃˈɜːtʃ ɪz kwˈaɪət ᵻn ðə mˈɔːnɪŋ aʊt dʒɔɪ ʒ θ ŋ ɚ ɾ",
        "en": "tʃˈɜːtʃ əʊ eə ɪə ʊə ɒ ɑː ɐ",
        "es": "ɲ ʎ ʝ β ð ɣ θ x r ɾ tʃ",
        "fr": "ɛ̃ ɑ̃ ɔ̃ œ̃ œ ø y ɥ ʁ ɲ ʒ ʃ",
        "it": "ʎ ɲ tʃ dʒ tː sː ɛ ɔ r",
    }.items():
        tokens = tokens_of(split_points(said), accent)
        owners = {owner for owner in tokens.owners if owner >= 0}
        assert owners == set(range(len(tokens.phones))), accent
        for phone in tokens.phones:
            vowel = phone.symbol[0] in "əɐɚ"
            mine = [n for n, owner in zip(tokens.numbers, tokens.owners, strict=True)
                    if tokens.phones[owner] is phone and owner >= 0]  # fmt: skip
            assert vowel or mine != [known["ə"]], (accent, phone.symbol)


def test_voices_are_called_what_they_are(studio: Studio) -> None:
    for id_ in ("hannah", "walter", "ned", "chiara"):
        told = studio.voices.voice(id_)
        pitch = _hummed(studio, LINE, id_).prosody.pitch
        mean = float(np.exp(np.log(pitch[pitch > 0]).mean()))
        assert abs(12 * np.log2(mean / told.pitch)) < 1.5, (id_, mean)


def test_a_voice_made_from_words_is_a_mixture() -> None:
    man, woman = (mixed(describe(words, {}).shape) for words in ("a calm man, deep", "a young woman, bright and quick"))
    assert {name[1] for name in man.mixture} == {"m"}
    assert {name[1] for name in woman.mixture} == {"f"}
    assert min(*man.mixture.values(), *woman.mixture.values()) > 0
    assert woman.pace > man.pace
    nothing = mixed(replace(describe("a man", {}).shape, breath=0.3)).rest
    assert nothing.breath == 0.3


def test_where_the_model_is_not_there_other_voices_speak(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    script = read_script("MAREN: Mama may bring a boat.\n\nDAYO: Papa mends the map.")

    def cast() -> dict[str, CastEntry]:
        return full_cast(script, {}, VoiceRegistry(tmp_path))

    monkeypatch.delenv("DEAR_HOST_VOICES")
    registry = VoiceRegistry(tmp_path)
    assert registry.default().id == "hannah"
    full = cast()
    assert {entry.voice for entry in full.values()} <= set(FULL_VOICES)
    monkeypatch.setattr("dearhost.speech.kokoro.prepared.is_prepared", lambda: False)
    assert registry.default().id == "joe"
    stand_ins = {name: FULL_VOICES[entry.voice].stand_in for name, entry in full.items()}
    assert {name: entry.voice for name, entry in cast().items()} == stand_ins
    with pytest.raises(Exception, match="make setup"):
        registry.voice("hannah")
    monkeypatch.setattr("dearhost.speech.registry.neural_model_present", lambda: False)
    assert registry.default().engine == "formant"


def test_every_stand_in_is_a_voice_that_needs_no_full_model(studio: Studio) -> None:
    known: dict[str, Any] = {voice.id: voice for voice in studio.voices.voices()}
    for full in FULL_VOICES.values():
        stand_in = known[full.stand_in]
        assert stand_in.engine in ("neural", "formant")
        assert stand_in.language.split("-")[0] == full.voice.language.split("-")[0]


def test_a_made_voice_speaks_by_its_recipe_with_and_without_the_model(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    registry = VoiceRegistry(tmp_path)
    found = describe("an old man, deep, slow", {})
    made = registry.made.keep(MadeVoice("made-00000000000b", "Bors", "an old man", "hannah", found.shape, found.age))
    assert registry.voice(made.id).description == "an old man; a mixture"
    sentence = plan_words(LINE, "en-US").sentences[0]
    engine = registry.engine(made.id)
    assert isinstance(engine, DirectedEngine)
    pitches = measure_prosody(engine.hummed(sentence, Direction()).samples, 24_000).pitch
    assert float(np.median(pitches[pitches > 0])) == pytest.approx(found.shape.mean, rel=0.12)
    monkeypatch.setattr("dearhost.speech.kokoro.prepared.is_prepared", lambda: False)
    registry = VoiceRegistry(tmp_path)
    assert registry.voice(made.id).description == "an old man; made from Joe"
    assert registry.engine(made.id).version.startswith("made-1")


def test_a_line_lasts_as_long_as_it_is_to_and_its_times_are_known_before_its_sound(studio: Studio) -> None:
    plain = studio.speaker.read(LINE, "hannah")
    wanted = round(plain.duration * 0.8, 2)
    manner = Manner(delivery=Delivery(lasts=wanted))
    foreseen = studio.speaker.foreseen(LINE, "hannah", manner)
    made = studio.speaker.read(LINE, "hannah", manner)
    assert abs(len(made.samples) / made.sample_rate - wanted) <= 1 / made.sample_rate
    assert wanted - made.words[-1].end < 0.3, "its words fill the time"
    assert foreseen.duration == pytest.approx(made.duration, abs=1e-3)
    assert max(abs(a.start - b.start) for a, b in zip(foreseen.words, made.words, strict=True)) < 0.08
