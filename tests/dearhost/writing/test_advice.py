"""Advice leads to the words it is about, and falls silent once they are mended."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import read_script
from dearhost.script import Brief, Script
from dearhost.writing.advice import Advice, advise

LESSON = """# The wet line

MAREN: Good morning. You may have seen a line on the wall. It is dark and wet, and so high as your shoulder when you
stand beside it, all along the harbour. So where did the sea go?

# Two hills

SKERRY: High water comes twice every day. The Moon pulls the sea.
MAREN: Come back tomorrow.
"""


def script(text: str) -> Script:
    return read_script(text, "markdown")


def of_kind(text: str, kind: str, brief: Brief | None = None) -> list[Advice]:
    return [a for a in advise(script(text), brief or Brief(), "en").advice if a.kind == kind]


def words_at(text: str, advice: Advice) -> str:
    assert advice.at
    scene = script(text).scenes[advice.at.scene - 1]
    return scene.lines[advice.at.line - 1].text[advice.at.start : advice.at.end]


def test_points_of_the_brief_are_found_in_other_forms_of_their_words() -> None:
    brief = Brief(points=("The moon is pulling at the sea", "Daily, high water twice", "Gulls eat chips"))
    pulled, twice, gulls = of_kind(LESSON, "point", brief)
    assert pulled.settled and words_at(LESSON, pulled) == "The Moon pulls the sea"
    assert twice.settled and "twice every day" in words_at(LESSON, twice)
    assert not gulls.settled and gulls.at is None and "not said" in gulls.title


def test_a_half_said_point_names_what_is_missing() -> None:
    (half,) = of_kind(LESSON, "point", Brief(points=("High water drowns sleepy crabs",)))
    assert not half.settled and "“drowns”" in half.detail and "“water”" not in half.detail


def test_a_call_to_action_belongs_near_the_end() -> None:
    brief = Brief(call_to_action="Come back tomorrow")
    assert of_kind(LESSON, "call-to-action", brief)[0].settled
    early = "Come back tomorrow. " + "The tide goes out and the tide comes in. " * 12
    (advice,) = of_kind(early, "call-to-action", brief)
    assert not advice.settled and words_at(early, advice) == "Come back tomorrow"
    assert "missing" in of_kind("Mind the gulls.", "call-to-action", brief)[0].title


def test_a_question_after_ten_seconds_is_late_and_before_them_opens_well() -> None:
    (late,) = of_kind(LESSON, "opening")
    assert not late.settled and words_at(LESSON, late) == "So where did the sea go"
    asked_first = "Where did the sea go? " + "It is dark and wet along the harbour. " * 6
    (held,) = of_kind(asked_first, "opening")
    assert held.settled and "a question" in held.title
    plain = "Good morning and welcome to our hall. " * 8
    assert not of_kind(plain, "opening")[0].settled


def test_a_stretch_without_a_mark_is_too_long_for_a_breath_until_it_has_a_comma() -> None:
    words = ["when the water rises over the lower steps of the old pier and the gulls"] * 2
    joined, parted = " ".join(words) + ".", ", ".join(words) + "."
    (advice,) = of_kind(joined, "breath")
    assert words_at(joined, advice).split()[0] == "when"
    assert not of_kind(parted, "breath")


def test_words_that_trip_the_tongue() -> None:
    text = "Six sixths of an unpopularity. This ship is slow, and the sea is calm."
    found = {words_at(text, a) for a in of_kind(text, "hard-word")}
    assert found == {"sixths", "unpopularity", "This ship"}


def test_repeats_are_told_unless_they_are_the_topic() -> None:
    text = "Lovely gulls. Lovely crabs. The lovely lovely pier of lovely shells."
    titles = [a.title for a in of_kind(text, "repeat")]
    assert titles == ["“lovely” twice in a row.", "“lovely” again and again."]
    about = "# Lovely\n\nLovely gulls. Lovely crabs. The lovely pier of lovely shells."
    assert not of_kind(about, "repeat")


def test_no_formula_is_used_on_a_language_it_was_not_made_for() -> None:
    report = advise(script("Das Meer kommt zweimal am Tag."), Brief(points=("zweimal am Tage",)), "de")
    assert report.readability is None
    assert report.advice[0].settled


@given(st.lists(st.text(max_size=60), max_size=4), st.lists(st.text(max_size=30), max_size=3))
def test_every_place_lies_in_its_line(lines: list[str], points: list[str]) -> None:
    read = read_script("\n\n".join(lines), "plain")
    for advice in advise(read, Brief(points=tuple(points), call_to_action=" ".join(points)), "en").advice:
        if advice.at:
            text = read.scenes[advice.at.scene - 1].lines[advice.at.line - 1].text
            assert 0 <= advice.at.start < advice.at.end <= len(text)


def test_a_comment_that_is_spoken_needs_leave_until_the_brief_says_so() -> None:
    script = read_script("# One\n\nMaren: Look.\n\nMaren: “I never know when to turn back,” one of you wrote.\n")
    words = "I never know when to turn back.\nToo short."
    open_ = [a for a in advise(script, Brief(own_words=words), "en").advice if a.kind == "quotation"]
    assert [(a.settled, a.at.line if a.at else 0) for a in open_] == [(False, 2)]
    line = script.scenes[0].lines[1].text
    assert open_[0].at and line[open_[0].at.start : open_[0].at.end] == "I never know when to turn back"
    allowed = advise(script, Brief(own_words=words, may_quote=True), "en").advice
    assert [a.settled for a in allowed if a.kind == "quotation"] == [True]
    assert not [a for a in advise(read_script("# One\n\nA: I turn back."), Brief(own_words=words), "en").advice
                if a.kind == "quotation"]  # fmt: skip
