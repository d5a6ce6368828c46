"""Sounds proposed for words: those that are heard, few, on their words, and none where they are denied."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.languages import LANGUAGES
from dearhost.production.sound_proposals import _GO_ON, MOST, sounds_for
from dearhost.sound import STINGS
from dearhost.sound.stings import sting


def found(text: str) -> list[tuple[str, str]]:
    return [(one.sound, one.word) for one in sounds_for([("a", text)])]


def test_every_sound_that_is_proposed_is_there_and_what_goes_on_can() -> None:
    for language in LANGUAGES.values():
        assert set(language.heard) <= set(STINGS) and language.denials, language.name
    assert set(LANGUAGES["en"].heard) >= _GO_ON
    for name in _GO_ON:
        assert len(sting(name)) / 48_000 > 1.0, name


@pytest.mark.parametrize(
    ("text", "sounds"),
    [
        ("A bell rings at low water.", [("bell", "bell")]),
        ("Then the door closes behind us.", [("door", "door closes")]),
        ("It rained all night. Thunder rolled over the roofs.", [("rain", "rained"), ("thunder", "Thunder")]),
        ("The gulls cry, and gulls answer. More gulls.", [("gull", "gulls")]),
        ("There was no bell that night.", []),
        ("The telephone doesn't ring; the bell never rings.", []),
        ("The water comes back twice a day.", []),
        ("We turn the page.", [("page", "turn the page")]),
        ("The page is blank, and the door is blue.", []),
        ("{The bell rings here}. [A bell]", []),
        ("We walk to Gull Island, and I wind the clock.", []),
        ("All that day the wind blew from Gull Island.", [("wind", "the wind")]),
    ],
)
def test_what_is_heard_by_everybody_is_proposed(text: str, sounds: list[tuple[str, str]]) -> None:
    assert found(text) == sounds


@pytest.mark.parametrize(
    ("text", "denied", "sound", "word"),
    [
        ("In der Nacht fiel Regen auf das Dach des Museums.", "In der Nacht fiel kein Regen auf das Dach des Museums.",
         "rain", "Regen"),
        ("Por la noche suena una campana en el muelle del museo.",
         "Por la noche no suena ninguna campana en el muelle del museo.", "bell", "campana"),
        ("Cette nuit-là, l'orage arrive sur la côte et sur le port.",
         "Cette nuit-là, il n'y avait pas d'orage sur la côte ni sur le port.", "thunder", "l'orage"),
        ("E poi la porta si chiude dietro di noi nella sala delle maree.",
         "E poi la porta non si chiude mai dietro di noi nella sala delle maree.", "door", "porta si chiude"),
        ("Boven de haven roepen de meeuwen de hele ochtend.", "Boven de haven roepen geen meeuwen deze ochtend.",
         "gull", "meeuwen"),
        ("À noite ouvimos as ondas junto ao cais do museu.", "À noite não ouvimos as ondas junto ao cais do museu.",
         "sea", "ondas"),
        ("W nocy nad portem słychać burza i wiatr od morza.", "W nocy nad portem nie było słychać, że jest burza.",
         "thunder", "burza"),
        ("Ночью над гаванью кричат чайки и слышно море.", "Ночью над гаванью не кричат чайки.", "gull", "чайки"),
        ("På natten hörs vågorna utanför museet vid hamnen.", "På natten hörs inte vågorna utanför museet vid hamnen.",
         "sea", "vågorna"),
    ],
)  # fmt: skip
def test_other_languages_have_their_own_words(text: str, denied: str, sound: str, word: str) -> None:
    assert (sound, word) in found(text)
    assert found(denied) == []


def test_a_line_in_another_language_is_read_in_its_own() -> None:
    english = ("a", "The tide comes back twice a day, and a bell tells everybody on the pier of it.")
    spanish = ("b", "Y por la noche llueve mucho sobre el muelle del museo de las mareas.")
    assert [(one.line, one.sound) for one in sounds_for([english, spanish])] == [("a", "bell"), ("b", "rain")]


def test_names_are_not_heard_in_other_languages_either() -> None:
    assert found("Vivimos en la calle del Viento, cerca del museo de las mareas.") == []
    assert found("Wir regen uns auf, weil das Museum heute geschlossen ist.") == []  # a verb, not the rain


def test_one_that_goes_on_lies_under_its_clause() -> None:
    text = "We waited. All that night the rain fell on the roof, and nobody slept."
    [] = sounds_for([("a", text)])  # "nobody" denies nothing here, but the clause is left alone rather than misread
    [rain] = sounds_for([("a", "We waited. All that night the rain fell on the roof.")])
    assert rain.goes_on and rain.words == "All that night the rain fell on the roof"


@given(st.lists(st.text(max_size=80), max_size=6))
def test_any_text_gives_few_that_lie_on_its_words(texts: list[str]) -> None:
    lines = [(str(number), text + " A bell, rain and thunder.") for number, text in enumerate(texts)]
    proposed = sounds_for(lines)
    assert len(proposed) <= MOST and len({one.sound for one in proposed}) == len(proposed)
    for one in proposed:
        text = dict(lines)[one.line]
        assert text[one.start : one.end] == one.words and one.word in text


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("We turn the page and read.", "turn the page"),
        ("Then, late at night, the door closes behind us.", "door closes"),
        ("And a bell rings.", "bell"),
    ],
)
def test_one_that_is_short_lies_on_the_words_it_is_heard_in(text: str, words: str) -> None:
    [one] = sounds_for([("line", text)])
    assert (one.words, text[one.start : one.end], one.line) == (words, words, "line")
    assert not one.goes_on


def test_a_scene_gets_three_at_most_however_much_is_heard_in_it() -> None:
    text = "A bell rings. It thunders. The rain falls on the roof. A door closes. Gulls cry."
    assert len({one.sound for one in sounds_for([("line", text)])}) == 3
