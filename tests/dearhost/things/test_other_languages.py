"""Pictures proposed for words of other languages, and things found by them."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.hosts import thing_index
from dearhost.languages import LANGUAGES
from dearhost.production.picture_proposals import pictures_in
from dearhost.things import UNDERSTOOD, propose
from dearhost.things.finding import terms_of
from dearhost.things.proposing import _COUNTS, _RELATIONS
from dearhost.things.stems import stem, without_article

PHRASES = {
    "de": [
        ("Der Mond zieht das Meer zu sich.", "pull", ("moon", "wave")),
        ("Bringen Sie keine Hunde mit ins Museum.", "negation", ("dog", "school")),
        ("Nehmen Sie einen Schlüssel und öffnen Sie die Tür.", "pair", ("key", "door")),
        ("Drei Möwen sitzen auf der Mauer.", "many", ("gull",)),
    ],
    "es": [
        ("La luna atrae el mar hacia ella.", "pull", ("moon", "wave")),
        ("El faro guía a los barcos de noche.", "trio", ("lighthouse", "boat", "lantern")),
        ("Compre su entrada por teléfono.", "trio", ("basket", "ticket", "phone")),
    ],
    "fr": [
        ("La lune attire l'eau de la mer.", "pull", ("moon", "drop")),
        ("Trois mouettes attendent sur le quai.", "many", ("gull",)),
        ("Achetez votre billet par téléphone.", "trio", ("basket", "ticket", "phone")),
    ],
    "it": [
        ("Il faro guida le barche di notte.", "trio", ("lighthouse", "boat", "lantern")),
        ("Non portate cani nel museo.", "negation", ("dog", "school")),
    ],
    "pt": [
        ("O farol guia os barcos à noite.", "trio", ("lighthouse", "boat", "lantern")),
        ("Não tragam cães para o museu.", "negation", ("dog", "school")),
    ],
}


@pytest.mark.parametrize(
    ("language", "phrase", "template", "things"), [(code, *row) for code, rows in PHRASES.items() for row in rows]
)
def test_a_phrase_is_shown_by_its_words(language: str, phrase: str, template: str, things: tuple[str, ...]) -> None:
    proposal = propose(phrase, thing_index(), language)
    assert (proposal.template, proposal.things) == (template, things)
    for part in proposal.parts:
        for word in part.words:
            assert phrase[word.start : word.end] == word.text, "it names the words it comes from as they are written"


@pytest.mark.parametrize(
    ("language", "phrase", "thing"),
    [("de", "Er weist den Booten den Weg.", "boat"), ("es", "Los faros se encienden.", "lighthouse"),
     ("fr", "Les phares s'allument.", "lighthouse"), ("it", "Le lampade si accendono.", "lamp"),
     ("pt", "Os relógios param.", "clock")],
)  # fmt: skip
def test_other_forms_of_a_word_are_known_by_their_stem(language: str, phrase: str, thing: str) -> None:
    assert thing in propose(phrase, thing_index(), language).things


def test_how_often_is_not_how_many() -> None:
    for language, phrase in {
        "en": "Three times a day the boat leaves.", "es": "El barco sale tres veces al día.",
        "fr": "Le bateau part trois fois par jour.", "it": "La barca parte tre volte al giorno.",
        "pt": "O barco parte três vezes por dia.", "de": "Das Boot fährt drei Mal am Tag.",
    }.items():  # fmt: skip
        proposal = propose(phrase, thing_index(), language)
        assert "boat" in proposal.things and proposal.template != "many", language


def test_every_gloss_is_shown_or_says_how_things_stand() -> None:
    index = thing_index()
    relations = {word for relation in _RELATIONS for word in relation.words}
    for code in UNDERSTOOD - {"en"}:
        for word, english in LANGUAGES[code].glosses.items():
            known = english in _COUNTS or english == "times" or stem(english) in relations or english in relations
            assert known or index.rank(terms_of([english])), (code, word, english)


def test_a_line_of_each_language_is_read_in_its_own_and_polish_in_none() -> None:
    lines = [
        "The lighthouse leads the boats home through the night.",
        "El faro guía a los barcos de noche hasta el puerto.",
        "Morze wraca dwa razy dziennie do portu i nikt nie pyta dlaczego.",
    ]
    english, spanish, polish = pictures_in(lines)
    assert [part.proposal.things[0] for part in (*english, *spanish)] == ["lighthouse", "lighthouse"]
    assert polish == []
    assert lines[1][spanish[0].start : spanish[0].end] == spanish[0].words


@pytest.mark.parametrize(
    ("word", "thing"), [("Leuchtturm", "lighthouse"), ("gaviota", "gull"), ("parapluie", "umbrella"), ("chiave", "key"),
                        ("relógio", "clock"), ("lighthouse", "lighthouse")],
)  # fmt: skip
def test_things_are_found_by_words_of_other_languages(word: str, thing: str) -> None:
    assert thing_index().search(word)[0] == thing


@pytest.mark.parametrize(
    ("word", "bare"), [("l'eau", "eau"), ("L’orage", "orage"), ("dell'acqua", "acqua"), ("d'or", "or"),
                       ("s'ouvre", "s'ouvre"), ("doesn't", "doesn't"), ("o'clock", "o'clock"), ("l'", "l'")],
)  # fmt: skip
def test_an_article_that_is_run_in_is_left_out(word: str, bare: str) -> None:
    assert without_article(word) == bare


@given(st.text(max_size=120), st.sampled_from(sorted(UNDERSTOOD)))
def test_any_text_is_read_in_any_language(text: str, language: str) -> None:
    proposal = propose(text, thing_index(), language)
    for part in proposal.parts:
        assert all(text[word.start : word.end] == word.text for word in part.words)
