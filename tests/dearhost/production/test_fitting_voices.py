"""A script in another language gets voices that speak it, and says so where they do not."""

from __future__ import annotations

import json

import pytest
from django.test import Client
from hypothesis import given
from hypothesis import strategies as st

from dearhost.hosts import CAST
from dearhost.languages.detecting import language_of
from dearhost.languages.given_names import woman_or_man
from dearhost.production import (
    CastEntry,
    Studio,
    full_cast,
    language_findings,
    production_to_json,
    read_script,
    unlike_findings,
    voice_of,
)
from dearhost.production import Production as Staged
from dearhost.production.spoken_language import SPOKEN_LANGUAGES
from dearhost.speech.kokoro import prepared
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones
from tests.dearhost.speech.test_plan import SENTENCES

AMONG = frozenset(("en", "de", "fr", "es", "it", "nl", "pl", "sv", "pt", "ru", "ja"))
# Article 1 of the Universal Declaration of Human Rights in the United Nations' translations, from memory and cut short
ARTICLE_1 = {
    "en": "All human beings are born free and equal in dignity and rights. They are endowed with reason.",
    "de": "Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt.",
    "fr": "Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison.",
    "es": "Todos los seres humanos nacen libres e iguales en dignidad y derechos y dotados de razón y conciencia.",
    "it": "Tutti gli esseri umani nascono liberi ed eguali in dignità e diritti. Essi sono dotati di ragione.",
    "nl": "Alle mensen worden vrij en gelijk in waardigheid en rechten geboren. Zij zijn begiftigd met verstand.",
    "pl": "Wszyscy ludzie rodzą się wolni i równi pod względem swej godności i swych praw.",
    "sv": "Alla människor är födda fria och lika i värde och rättigheter. De är utrustade med förnuft och samvete.",
    "pt": "Todos os seres humanos nascem livres e iguais em dignidade e em direitos. Dotados de razão.",
    "ru": "Все люди рождаются свободными и равными в своём достоинстве и правах.",
    "ja": "すべての人間は、生まれながらにして自由であり、かつ、尊厳と権利とについて平等である。",
}


@pytest.mark.parametrize("language", sorted(AMONG))
def test_languages_are_told_apart(language: str) -> None:
    assert language_of(ARTICLE_1[language], AMONG) == language


@pytest.mark.parametrize("text", ["", "Guten Morgen!", "Skerry.", "12 345 6 7 8 9", "..., ... ... ... ... ...", "潮"])
def test_what_is_too_short_is_not_guessed(text: str) -> None:
    assert language_of(text, AMONG) == ""


@given(st.text(max_size=200))
def test_any_text_is_of_one_of_them_or_of_none(text: str) -> None:
    assert language_of(text, AMONG) in {*AMONG, ""}


@pytest.mark.parametrize("language", ["de", "fr", "ru", "es"])
def test_who_reads_another_language_gets_a_voice_that_speaks_it(studio: Studio, language: str) -> None:
    script = read_script(f"MAREN: {ARTICLE_1[language]}\n\nSKERRY: {ARTICLE_1['en']}")
    cast = full_cast(script, {}, studio.voices)
    spoken = {who: studio.voices.voice(entry.voice).language.split("-")[0] for who, entry in cast.items()}
    assert spoken == {"MAREN": language, "SKERRY": "en"}
    assert not language_findings(script, {who: entry.voice for who, entry in cast.items()}, studio.voices)


def test_a_voice_somebody_chose_stays_and_the_mismatch_is_said(studio: Studio) -> None:
    script = read_script(f"MAREN: {ARTICLE_1['de']}")
    english = studio.voices.default()
    cast = full_cast(script, {"MAREN": CastEntry("maren", english.id)}, studio.voices)
    assert cast["MAREN"].voice == english.id
    (found,) = language_findings(script, {"MAREN": english.id}, studio.voices)
    assert found.message.startswith("MAREN's lines read as German") and english.name in found.message
    assert not found.stops


def test_directions_say_nothing_about_the_language(studio: Studio) -> None:
    script = read_script(f"MAREN: {ARTICLE_1['en']} [[{ARTICLE_1['de'] * 4}]]")
    assert not language_findings(script, {"MAREN": studio.voices.default().id}, studio.voices)


@pytest.mark.django_db
def test_the_check_of_a_document_says_it(admin_client: Client, studio: Studio) -> None:
    staged = Staged(read_script(f"MAREN: {ARTICLE_1['de']}"), {"MAREN": CastEntry("maren", studio.voices.default().id)})
    body = json.dumps(production_to_json(staged))
    answer = admin_client.post("/api/productions/check", body, content_type="application/json")
    assert answer.status_code == 200
    assert any("read as German" in finding["message"] for finding in answer.json()["findings"])


# given names by the lists of national statistics offices, from memory
@pytest.mark.parametrize("name", ["Otto", "TOBIAS", "Luca", "Walter Quay", "Mr Finch", "Dr Ahmed", "Sven"])
def test_mens_names_are_known(name: str) -> None:
    assert woman_or_man(name) == "man"


@pytest.mark.parametrize("name", ["Miriam", "INES", "Giulia", "Fatima", "Mrs Walter", "Dr. Olga", "Zofia"])
def test_womens_names_are_known(name: str) -> None:
    assert woman_or_man(name) == "woman"


@pytest.mark.parametrize("name", ["", "Guide", "Skerry", "Speaker 2", "Kim", "…", "THE SEA"])
def test_of_others_nothing_is_guessed(name: str) -> None:
    assert woman_or_man(name) == ""


def test_hosts_and_voices_fit_the_names(studio: Studio) -> None:
    script = read_script("OTTO: I keep it.\n\nMIRIAM: I see.\n\nGIULIA: And I.\n\nHANNE: Here.\n\nSVEN: Good.")
    cast = full_cast(script, {}, studio.voices)
    heard = {who: studio.voices.heard_as()[entry.voice] for who, entry in cast.items()}
    assert heard == {"OTTO": "man", "MIRIAM": "woman", "GIULIA": "woman", "HANNE": "woman", "SVEN": "man"}
    looks = {who: studio.voices.heard_as()[CAST[entry.host].card.voice] for who, entry in cast.items()}
    assert looks == heard and cast["HANNE"].host == "hanne"
    assert len({e.host for e in cast.values()}) == len({e.voice for e in cast.values()}) == 5
    assert unlike_findings({w: (CAST[e.host], e.voice) for w, e in cast.items()}, studio.voices) == ()


@given(st.lists(st.sampled_from(["OTTO", "MIRIAM", "SKERRY", "GUIDE", "A", "LARK", "INES", "MAREN"]), unique=True))
def test_nobody_plays_two_while_others_are_free(speakers: list[str]) -> None:
    voices = Studio().voices
    cast = full_cast(read_script("\n\n".join(f"{who}: So it is." for who in speakers)), {}, voices)
    assert len({entry.host for entry in cast.values()}) == len(cast)


def test_a_voice_of_somebody_else_is_said_but_an_animal_may_have_any(studio: Studio) -> None:
    (found,) = unlike_findings({"OTTO": (CAST["maren"], "joe")}, studio.voices)
    assert "looks like a woman" in found.message and "Joe sounds like a man. Nell goes" in found.message
    assert not found.stops
    assert unlike_findings({"GULL": (CAST["skerry"], "amos"), "OTTO": (CAST["tobias"], "joe")}, studio.voices) == ()


@pytest.mark.django_db
def test_the_check_says_it_too(admin_client: Client) -> None:
    staged = Staged(read_script("OTTO: Good morning."), {"OTTO": CastEntry("imani", "hugo")})
    data = json.dumps(production_to_json(staged))
    found = admin_client.post("/api/productions/check", data, content_type="application/json").json()["findings"]
    assert [f["kind"] for f in found if f["kind"] == "voice"] == ["voice"]


@pytest.mark.django_db
def test_the_check_proposes_a_cast_for_new_speakers_alone(admin_client: Client) -> None:
    staged = Staged(read_script("OTTO: So it is.\n\nMIRIAM: I see."), {"OTTO": CastEntry("dulse", "pip")})
    data = json.dumps(production_to_json(staged))
    cast = admin_client.post("/api/productions/check", data, content_type="application/json").json()["cast"]
    assert list(cast) == ["MIRIAM"] and (cast["MIRIAM"]["host"], cast["MIRIAM"]["voice"]) == ("maren", "nell")
    empty = json.dumps(production_to_json(Staged(read_script(""))))
    assert admin_client.post("/api/productions/check", empty, content_type="application/json").json()["cast"] == {}


def test_a_line_is_spoken_in_the_language_its_cue_says(studio: Studio) -> None:
    text = "MAREN: Good morning.\n\nMAREN: [[cue: language Spanish]]Bienvenidos al muelle, y gracias por venir."
    production = with_tones(read_script(text), "nell").checked(studio)
    english, spanish = (line for _, _, line in production.script.lines())
    assert voice_of(production, english, studio.voices) == "nell"
    assert studio.voices.voice(voice_of(production, spanish, studio.voices)).language.startswith("es")
    timeline = compile_timeline(production, studio, FrameRate.of(30))
    assert [line.voice for scene in timeline.scenes for line in scene.lines] == [
        "nell",
        voice_of(production, spanish, studio.voices),
    ]


def test_a_line_that_reads_as_another_language_is_told(studio: Studio) -> None:
    lines = "MAREN: Good morning, and thank you for coming so early.\n\nMAREN: {}Bienvenidos al muelle, y gracias."
    (found,) = language_findings(read_script(lines.format("")), {"MAREN": "nell"}, studio.voices)
    assert "“Bienvenidos al muelle y…” reads as Spanish, and Nell speaks English" in found.message
    cued = read_script(lines.format("[[cue: language Spanish]]"))
    assert not language_findings(cued, {"MAREN": "nell"}, studio.voices)


def test_the_nearest_voice_of_a_language_speaks_for_another(studio: Studio) -> None:
    voices = studio.voices
    assert voices.speaking("nell", "en") == "nell"
    assert voices.speaking("nell", "xx") == "nell"  # nobody speaks it
    if prepared.is_prepared():
        assert [voices.speaking(id_, "es") for id_ in ("hannah", "owen")] == ["pilar", "andres"]
        assert [voices.speaking(id_, "it") for id_ in ("edith", "walter")] == ["chiara", "renzo"]
    assert voices.voice(voices.speaking("joe", "de")).engine == "formant"


def test_sixty_hard_sentences_are_taken_for_english_but_for_what_is_foreign() -> None:
    foreign = [line for line in SENTENCES if language_of(line, frozenset(SPOKEN_LANGUAGES.values())) not in ("", "en")]
    assert foreign == ["Naïve café owners love crème brûlée & jalapeños.", "¿Habla español? Sí, un poco."]
