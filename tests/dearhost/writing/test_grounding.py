"""Grounding: planted inventions are caught, honest paraphrases pass. The sentences are made up for this test."""

from __future__ import annotations

import pytest

from dearhost.script import placeholders
from dearhost.writing.grounding import ungrounded, with_slots
from tests.dearhost.writing.briefs import GUIDES, LANTERN, LIMPET, SPEAKERS, STEPS

INVENTED = [
    (LANTERN, "More than 9,000 sailors carry one."),
    (LANTERN, "It floats, and it survives a storm at sea."),
    (LANTERN, "As Captain Holloway says, it saved his ship."),
    (LANTERN, "“The finest lamp I ever owned,” writes a customer."),
    (LANTERN, "It is the best lantern on the coast."),
    (LANTERN, "It comes with a lifetime guarantee."),
    (LANTERN, "Now half price until midnight."),
    (STEPS, "Two swimmers drowned here in 1987."),
    (STEPS, "Lifeguards patrol the beach every morning."),
    (STEPS, "A fine of 80 pounds is due for diving."),
    (STEPS, "Jellyfish sting between June and August."),
    (LIMPET, "Scientists at Northbridge proved it last year."),
    (LIMPET, "Its teeth contain goethite fibres."),
    (GUIDES, "Uniforms and lunch vouchers are provided."),
]
HONEST = [
    (LANTERN, "Tired of looking for your boat in the dark?"),
    (LANTERN, "One candle, and it shines for forty hours."),
    (LANTERN, "You do not need a plug, and you do not need a charger."),
    (LANTERN, "Edda makes it with her sister."),
    (LANTERN, "At 600 grams it is easy to hang on the rail."),
    (LANTERN, "It costs 29 pounds, and you order it at the museum desk."),
    (LANTERN, "“My torch is always flat when I need it,” one of you told us."),
    (STEPS, "Keep a hand on the rail, and never dive."),
    (STEPS, "Three bathers broke a wrist here last summer."),
    (STEPS, "You will find the warden at the hut between ten and six."),
    (LIMPET, "Think of a snail under a little hat."),
    (LIMPET, "It can live for fifteen years."),
    (LIMPET, "So why does it come home before the tide goes out?"),
    (GUIDES, "You walk behind Maren, and you say nothing."),
    (GUIDES, "There is tea in the boathouse, and Skerry steals the biscuits."),
]


def test_at_least_twelve_of_fourteen_inventions_are_caught() -> None:
    caught = [sentence for brief, sentence in INVENTED if ungrounded(sentence, brief, SPEAKERS)]
    assert len(caught) >= 12, [sentence for _, sentence in INVENTED if sentence not in caught]


def test_at_most_one_of_fifteen_honest_sentences_is_flagged() -> None:
    flagged = [(sentence, ungrounded(sentence, brief, SPEAKERS)) for brief, sentence in HONEST]
    assert sum(bool(found) for _, found in flagged) <= 1, [pair for pair in flagged if pair[1]]


@pytest.mark.parametrize(
    ("sentence", "what"),
    [
        ("It weighs 750 grams.", "number"),
        ("It was made by Gunnar.", "name"),
        ("It is guaranteed.", "claim"),
        ("“Nothing like it anywhere,” said a friend.", "quotation"),
        ("Dolphins adore bagpipes.", "words"),
    ],
)
def test_what_was_invented_is_named(sentence: str, what: str) -> None:
    found = ungrounded(sentence, LANTERN, SPEAKERS)
    assert [fault.what for fault in found] == [what]
    assert found[0].message.startswith("Not in your brief: ")


def test_an_invention_becomes_a_slot_and_the_rest_stays() -> None:
    text = "It weighs 750 grams. It shines for forty hours on one candle. Dolphins adore bagpipes."
    opened = with_slots(text, ungrounded(text, LANTERN, SPEAKERS))
    assert "It weighs {which number?} grams." in opened
    assert "It shines for forty hours on one candle." in opened
    assert len(placeholders(opened)) == 2
    assert ungrounded(opened, LANTERN, SPEAKERS) == []
