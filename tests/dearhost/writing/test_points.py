"""Points of a brief: their kinds, what each needs, and the ways to say them."""

from __future__ import annotations

import re

import pytest

from dearhost.script import Brief
from dearhost.writing.brief_reading import read_brief
from dearhost.writing.english.clauses import Form
from dearhost.writing.matter import Matter, matter_of
from dearhost.writing.points import Kind, names_in, read_points
from dearhost.writing.remarks import RemarkKind, read_remark
from dearhost.writing.sayings import (
    TOPIC,
    Subject,
    asked,
    echoed,
    fragments,
    said_of_oneself,
    said_to_you,
    ways_of_saying,
)
from tests.dearhost.writing.briefs import ALL, SPEAKERS


def _point(text: str):  # type: ignore[no-untyped-def]
    return read_points([text])[0]


@pytest.mark.parametrize(
    ("text", "kinds"),
    [
        ("Never dive from the steps", {Kind.RULE, Kind.STEP}),
        ("29 pounds at the desk", {Kind.OFFER, Kind.NUMBER}),
        ("You can see your own boat", {Kind.BENEFIT}),
        ("The rock is wet, so the steps are slippery", {Kind.CAUSE}),
        ("Last summer three bathers broke a wrist", {Kind.EVENT}),
        ("It is like standing on ice", {Kind.LIKENESS}),
        ("Not a race, but a walk", {Kind.CONTRAST, Kind.NEGATIVE}),
        ("Nobody heard him, and he was afraid", {Kind.PAIN}),
    ],
)
def test_what_a_point_says(text: str, kinds: set[Kind]) -> None:
    assert kinds <= _point(text).kinds


def test_list_marks_and_full_stops_are_taken_off() -> None:
    assert _point("- It's wet.").text == "It is wet"
    assert _point("3) Hang it up").text == "Hang it up"
    assert _point("no plug needed").text == "no plug"


def test_a_point_needs_the_one_that_brought_its_things_in() -> None:
    points = read_points(
        [
            "The sea is stretched into two low hills",
            "The hills stay almost still",
            "So the sea comes in twice a day",
            "The Sun pulls too",
        ]
    )
    assert points[1].needs == {0}
    assert points[2].leans
    assert 1 in points[2].needs
    assert points[3].needs == frozenset()


def test_what_the_topic_names_needs_no_introduction() -> None:
    points = read_points(["There are two low hills", "The hills stay"], "two hills")
    assert points[1].needs == frozenset()


def test_an_empty_point_is_left_out_and_the_others_keep_their_numbers() -> None:
    assert [point.number for point in read_points(["one thing is so", "", "—", "and so is another"])] == [0, 3]


def test_names_are_capital_words_no_dictionary_has() -> None:
    found = names_in(["Aldous Finch kept the lamp", "If it rains, ring Skerry"], ["Maren"])
    assert {"Maren", "Skerry", "Finch"} <= found
    assert "If" not in found


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("shows the way home", "{T} shows the way home."),
        ("no plug and no charger", "No plug. No charger."),
        ("made by Edda", "{T} is made by Edda."),
        ("29 pounds at the desk", "{T} costs 29 pounds at the desk."),
        ("Hang it on the rail", "Hang it on the rail."),
        ("The lamp was out, but the bell rang", "The lamp was out. But the bell rang."),
        ("three spare wicks", "There are three spare wicks."),
    ],
)
def test_the_first_way_to_say_a_point(text: str, said: str) -> None:
    ways = ways_of_saying(_point(text), Subject(is_thing=True))
    assert ways[0].text == said
    assert len({way.text for way in ways}) == len(ways)


def test_several_things_are_they() -> None:
    assert ways_of_saying(_point("shows the way"), Subject(True, plural=True))[0].text == f"{TOPIC} show the way."


@pytest.mark.parametrize("brief", ALL.values(), ids=ALL.keys())
def test_no_way_of_saying_adds_a_word_that_says_something(brief: Brief) -> None:
    added = {"there", "because", "why", "has", "needs", "need", "costs", "cost", "no", "not", "t"}
    for point in read_brief(brief, SPEAKERS).points:
        for way in ways_of_saying(point, Subject(True)):
            new = _words(way.text) - _words(point.text)
            assert new <= added | {"is", "are", "does", "do", "did", "and", "so", "but", "you", "your", "it", "yet"} | {
                word for word in new if any(word[:3] == own[:3] for own in _words(point.text))
            }, (point.text, way.text)


def _words(text: str) -> set[str]:
    return set(re.findall(r"[a-z]+", text.lower().replace(TOPIC.lower(), "")))


def test_the_audience_is_spoken_to_and_the_host_of_themselves() -> None:
    assert said_to_you("Visitors leave their bags at the desk") == "you leave your bags at the desk"
    assert said_to_you("Most visitors leave early") == "Most visitors leave early"
    assert said_of_oneself("Tobias keeps the keys", "Tobias") == "I keep the keys"
    assert said_of_oneself("Maren keeps the keys", "Tobias") == "Maren keeps the keys"
    assert said_of_oneself("Tobias keeps his keys", "Tobias") == "Tobias keeps his keys"


@pytest.mark.parametrize(
    ("text", "question", "answer"),
    [
        ("no plug and no charger", "Does it need a plug or a charger?", "No plug. No charger."),
        ("29 pounds at the desk", "And what does it cost?", "29 pounds at the desk."),
        ("The warden is at the hut", "Where is the warden?", "At the hut."),
        ("Tobias keeps the keys", "Who keeps the keys?", "Tobias does."),
    ],
)
def test_questions_that_a_point_answers(text: str, question: str, answer: str) -> None:
    found = asked(_point(text), names={"Tobias"})
    assert found is not None
    assert (found.question, found.answer) == (question, answer)


def test_an_echo_asks_the_number_back() -> None:
    found = echoed(_point("He rang the bell for two hours"))
    assert found is not None
    assert found.question == "Two hours?"
    assert echoed(_point("The gate is green")) is None


def test_fragments_stand_for_a_feature() -> None:
    assert fragments(_point("no plug and no charger")) == ["No plug.", "No charger."]
    assert fragments(_point("fits a pocket: 62 mm across")) == ["62 millimetres across."]
    assert fragments(_point("The glass is blown in Quillhaven")) == []


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("Why doesn't it stay put?", RemarkKind.QUESTION),
        ("I thought they were glued on.", RemarkKind.BELIEF),
        ("I just want to find my way back.", RemarkKind.WISH),
        ("My torch is always flat and I hate it.", RemarkKind.PAIN),
        ("What a lovely evening, we loved it!", RemarkKind.PRAISE),
    ],
)
def test_remarks(text: str, kind: RemarkKind) -> None:
    remark = read_remark(text)
    assert remark.kind is kind
    assert remark.text.rstrip("?.") == text.rstrip("?.!"), "a remark keeps its words exactly"


@pytest.mark.parametrize(
    ("name", "matter"),
    [
        ("lantern", Matter.PRODUCT),
        ("limpet", Matter.LESSON),
        ("steps", Matter.NOTICE),
        ("keeper", Matter.STORY),
        ("guides", Matter.GREETING),
        ("lanterns", Matter.EVENT),
    ],
)
def test_what_a_brief_is_about(name: str, matter: Matter) -> None:
    brief = ALL[name]
    assert matter_of(brief, read_points(brief.points)) is matter


def test_points_keep_their_form_whatever_their_case() -> None:
    assert _point("Hang it on the rail").form is Form.IMPERATIVE
    assert _point("hang it on the rail").form is Form.IMPERATIVE
