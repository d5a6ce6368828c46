"""Faults of a brief are named at their answers, and a good one has none."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
from django.test import Client
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import Production, production_to_json, read_script
from dearhost.script import Brief
from dearhost.writing.brief_check import brief_notes
from tests.data_folder import ROOT

GOOD = "The clock shows the next high water"


@pytest.mark.parametrize(
    ("brief", "field", "said"),
    [
        (Brief(points=("keys",)), "points", "Is one word"),
        (Brief(points=(GOOD, "THE WALL IS WET UP HERE")), "points", "Is in capitals"),
        (Brief(points=(" ".join(["and so on"] * 24),)), "points", "Has 72 words"),
        (Brief(points=("Why does the sea come back?",)), "points", "Is a question"),
        (Brief(points=(GOOD, "It needs no battery", f"{GOOD}.")), "points", "Says the same as point 1"),
        (Brief(points=("It costs [price] at the door",)), "points", "“[price]” is still open"),
        (Brief(topic="<p>The tide</p>"), "topic", "Holds code (<p>)"),
        (Brief(call_to_action="Come &amp; see"), "call_to_action", "Holds code (&amp;)"),
        (Brief(purpose="ORDER THE CLOCK NOW"), "purpose", "Is in capitals"),
        (Brief(points=(GOOD,) * 1, target=2), "target", "takes about 0:03 alone"),
    ],
)
def test_a_fault_is_named_where_it_is(brief: Brief, field: str, said: str) -> None:
    (note,) = brief_notes(brief)
    assert note.field == field and said in note.message
    assert note.index == (len(brief.points) - 1 if field == "points" else 0)


@pytest.mark.parametrize(
    "point", ["NASA sent it", "5 < 6 and 8 > 7", "Open from 9 to 5", "A well-kept wall", "It’s free", "R&D pays for it"]
)
def test_what_is_right_is_left_alone(point: str) -> None:
    assert brief_notes(Brief(points=(point,))) == ()


def test_the_briefs_of_the_demo_have_no_fault_but_their_length() -> None:
    for entry in json.loads((Path(ROOT) / "demo" / "productions.json").read_text(encoding="utf-8")):
        brief = Brief(**{**entry["brief"], "points": tuple(entry["brief"].get("points", ()))})
        assert [note for note in brief_notes(brief) if note.field != "target"] == []


@given(st.lists(st.text(max_size=80), max_size=6), st.text(max_size=80), st.floats(0, 600))
def test_any_brief_is_checked_and_an_empty_answer_has_no_fault(points: list[str], topic: str, target: float) -> None:
    notes = brief_notes(Brief(topic=topic, points=tuple(points), target=target))
    assert all(note.message and (note.field != "points" or points[note.index].strip()) for note in notes)
    assert brief_notes(Brief(points=tuple(" " * len(p) for p in points))) == ()


@pytest.mark.django_db
def test_the_check_of_a_document_names_them(admin_client: Client) -> None:
    staged = Production(read_script("MAREN: Mama may."), brief=Brief(points=("keys", GOOD)))
    body = json.dumps(production_to_json(staged))
    answer = admin_client.post("/api/productions/check", body, content_type="application/json").json()
    assert answer["brief"] == [{"field": "points", "index": 0, "message": "Is one word: what about it?"}]


@pytest.mark.parametrize(
    ("one", "other", "told"),
    [
        ("The evening is free", "The evening costs 5 pounds", True),
        ("It runs for 40 hours on a candle", "It runs for 60 hours on a candle", True),
        ("It runs for 40 hours on a candle", "It weighs 600 grams", False),
        ("Children go free", "Boats cost 5 pounds", False),
        ("It runs for 40 hours", "It runs for 40 hours at night", False),
    ],
)
def test_points_that_contradict_each_other_are_told(one: str, other: str, told: bool) -> None:
    notes = [note for note in brief_notes(Brief(points=(one, other))) if "otherwise" in note.message]
    assert [(note.field, note.index) for note in notes] == ([("points", 1)] if told else [])
