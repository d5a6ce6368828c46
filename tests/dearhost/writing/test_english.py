"""English as writing needs it: forms, clauses, numbers, stems. Labels by hand, from school grammar."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from num2words import num2words

from dearhost.writing.english.clauses import (
    Form,
    as_sentence,
    cause_and_effect,
    clause_of,
    contracted,
    form_of,
    inverted,
    joined,
    lower_first,
    speakable_parts,
    upper_first,
    why_question,
    without_ending,
)
from dearhost.writing.english.numbers import figures, number_phrases, units_spoken
from dearhost.writing.english.stems import covers, sentence_spans, sentences, stems
from dearhost.writing.english.tagging import expanded, finite_verbs, tagged
from dearhost.writing.english.verbs import base_form, is_noun_or_verb, is_verb, plural_form


@pytest.mark.parametrize(
    ("text", "form"),
    [
        ("shows the way home", Form.VERB_PHRASE),
        ("weighs 600 grams", Form.VERB_PHRASE),
        ("has three spare wicks", Form.VERB_PHRASE),
        ("can be folded", Form.VERB_PHRASE),
        ("Hang it on the rail", Form.IMPERATIVE),
        ("Never dive from the steps", Form.IMPERATIVE),
        ("Do not lean on the glass", Form.IMPERATIVE),
        ("Please hold the rail", Form.IMPERATIVE),
        ("Then read the height in metres", Form.IMPERATIVE),
        ("Stop and listen", Form.IMPERATIVE),
        ("no plug and no charger", Form.NOUN_PHRASE),
        ("29 pounds at the desk", Form.NOUN_PHRASE),
        ("a small brass lamp", Form.NOUN_PHRASE),
        ("made by Edda and her sister", Form.PARTICIPLE),
        ("on the pier from noon", Form.PREPOSITIONAL),
        ("The glass is blown in Quillhaven", Form.SENTENCE),
        ("You can see your own boat", Form.SENTENCE),
        ("He rang the bell for two hours", Form.SENTENCE),
        ("There is a ring beside the hut", Form.SENTENCE),
        ("shines for forty hours", Form.VERB_PHRASE),
        ("tickets for children", Form.NOUN_PHRASE),
        ("Bring shoes that may get wet", Form.IMPERATIVE),
        ("led by Tobias, who knows the harbour", Form.PARTICIPLE),
    ],
)
def test_the_form_of_a_phrase(text: str, form: Form) -> None:
    assert form_of(text) is form


def test_a_clause_in_its_parts() -> None:
    clause = clause_of("In the morning, a boat lay under the point")
    assert clause is not None
    assert (clause.opening, clause.subject, clause.verb) == ("In the morning,", "a boat", "lay")
    clause = clause_of("The tide always comes back")
    assert clause is not None
    assert (clause.subject, clause.adverb, clause.verb, clause.rest) == ("The tide", "always", "comes", "back")
    assert clause_of("no plug and no charger") is None


@pytest.mark.parametrize(
    "text",
    ["The tide always comes back", "The glass is blown in Quillhaven", "You can see your own boat"],
)
def test_a_clause_put_together_again_is_the_clause(text: str) -> None:
    clause = clause_of(text)
    assert clause is not None
    assert joined(clause.opening, clause.subject, clause.adverb, clause.verb, clause.rest) == text


@pytest.mark.parametrize(
    ("text", "asked"),
    [
        ("each tide comes later than the last", "does each tide come later than the last"),
        ("the hills stay almost still", "do the hills stay almost still"),
        ("the lamp went out", "did the lamp go out"),
        ("the gate is locked at six", "is the gate locked at six"),
        ("the boat has gone", "has the boat gone"),
        ("he never came back", None),
        ("it cannot swim", None),
    ],
)
def test_a_statement_as_a_question(text: str, asked: str | None) -> None:
    assert inverted(text) == asked


def test_cause_and_effect() -> None:
    assert cause_and_effect("Weed grows there, so they are slippery") == ("Weed grows there", "they are slippery")
    assert cause_and_effect("The ring keeps water in because the edge leaves no gap") == (
        "the edge leaves no gap",
        "The ring keeps water in",
    )
    assert cause_and_effect("That is why the sea comes back") == ("", "the sea comes back")
    assert cause_and_effect("The sea comes back") is None
    assert cause_and_effect("It holds so hard that nobody can pull it off") is None
    assert why_question("The rock is wet, so the steps are slippery") == "Why are the steps slippery?"
    assert why_question("It rains, so it is wet") is None, "nobody knows what 'it' is before it was said"


@pytest.mark.parametrize(
    ("text", "parts"),
    [
        ("The lamp was out, and he could not find it", ["The lamp was out", "he could not find it"]),
        ("fits in a pocket: 62 mm across", ["fits in a pocket", "62 mm across"]),
        ("Keep left; do not run", ["Keep left", "do not run"]),
        ("bread, butter and jam", ["bread, butter and jam"]),
        ("If the flag is up, do not go in", ["If the flag is up, do not go in"]),
    ],
)
def test_parts_a_voice_can_read(text: str, parts: list[str]) -> None:
    assert speakable_parts(text) == parts


def test_a_phrase_after_the_only_comma_can_go() -> None:
    assert without_ending("Bring a warm coat, even in June") == "Bring a warm coat"
    assert without_ending("Bring bread, butter, and jam") is None
    assert without_ending("If it rains, stay in") is None


@pytest.mark.parametrize(
    ("long", "short"),
    [
        ("it is here", "it's here"),
        ("that is how it is", "that's how it is"),
        ("you are late", "you're late"),
        ("I cannot see", "I can't see"),
        ("do not run", "don't run"),
        ("Is it? Yes, it is.", "Is it? Yes, it is."),
        ("let us go", "let's go"),
    ],
)
def test_contractions_never_before_a_mark(long: str, short: str) -> None:
    assert contracted(long) == short


@given(st.sampled_from(["it is wet", "you are here", "I will go", "they cannot swim", "we do not know", "I am late"]))
def test_what_was_contracted_can_be_written_out(text: str) -> None:
    assert expanded(contracted(text)) == text


def test_capitals() -> None:
    assert lower_first("The tide turns") == "the tide turns"
    assert lower_first("I know") == "I know"
    assert lower_first("Skerry knows", {"Skerry"}) == "Skerry knows"
    assert lower_first("NASA knows") == "NASA knows"
    assert upper_first("“the tide”") == "“The tide”"
    assert as_sentence("62 mm across,") == "62 millimetres across."
    assert as_sentence("is it so", "?") == "Is it so?"


@pytest.mark.parametrize(
    ("text", "found"),
    [
        ("twelve hours and twenty-five minutes", {"12", "25"}),
        ("three hundred and forty members", {"340"}),
        ("two thousand five hundred", {"2500"}),
        ("1,000 lanterns at £4.50", {"1000", "4.50"}),
        ("twice a day", {"2"}),
        ("one lantern", set()),
        ("no number here", set()),
    ],
)
def test_numbers_as_figures(text: str, found: set[str]) -> None:
    assert figures(text) == found


@given(st.integers(2, 999_999))
def test_a_spelled_number_is_the_number(number: int) -> None:
    assert figures(num2words(number).replace(",", "")) == {str(number)}


def test_number_phrases_say_something_alone() -> None:
    assert number_phrases("It comes about fifty minutes later than before") == ("about fifty minutes later",)
    assert number_phrases("It happens twice a day") == ("twice a day",)
    assert number_phrases("Two of them knew") == ()
    assert units_spoken("4 km and 5 %") == "4 kilometres and 5 per cent"


def test_sentences_of_a_text() -> None:
    text = "Dr. Finch rang 4.8 times. “Who is there?” Nobody!"
    assert sentences(text) == ["Dr. Finch rang 4.8 times.", "“Who is there?”", "Nobody!"]


@given(st.text(max_size=300))
def test_sentences_lie_in_their_text_in_order_and_lose_no_word(text: str) -> None:
    spans = sentence_spans(text)
    assert all(start < end for start, end in spans)
    assert all(one[1] <= other[0] for one, other in pairwise(spans))
    kept = "".join(text[start:end] for start, end in spans)
    assert [c for c in kept if c.isalnum()] == [c for c in text if c.isalnum()]


@given(st.text(max_size=200))
def test_any_text_can_be_tagged(text: str) -> None:
    tokens = tagged(text)
    assert all(token.tag and token.text in text for token in tokens)
    assert set(finite_verbs(tokens)) <= set(range(len(tokens)))


def test_verbs_and_stems() -> None:
    assert (base_form("went"), base_form("flies"), plural_form("has"), plural_form("shows")) == (
        "go",
        "fly",
        "have",
        "show",
    )
    assert is_verb("ring")
    assert not is_verb("slippery")
    assert is_noun_or_verb("harbour")
    assert not is_noun_or_verb("slippery")
    assert stems("The tides were rising") == ["tide", "rise"]
    assert covers("the water reaches the middle", "Water first reaches its middle.") == 1.0
    assert covers("red lamp", "a yellow flag") == 0.0
