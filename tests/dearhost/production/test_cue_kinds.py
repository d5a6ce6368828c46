"""The table of cues holds together: every entry can be set, written, read back and shown from the entry alone."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import CUE_KINDS, playable
from dearhost.script import Cue, CueKind, Line, Parameter

KINDS = list(CUE_KINDS)
every_kind = pytest.mark.parametrize("kind", KINDS, ids=lambda kind: kind.name)


def values_of(parameter: Parameter) -> st.SearchStrategy[float | str]:
    if parameter.kind == "number":
        # notes write numbers with six digits
        return st.floats(parameter.low, parameter.high).map(lambda n: float(f"{n:g}"))
    if parameter.kind == "choice":
        return st.sampled_from(parameter.choices)
    words = st.text(st.characters(exclude_categories=("C", "Z")), min_size=1, max_size=20)
    return st.lists(words, min_size=1, max_size=4).map(" ".join)


@every_kind
def test_a_kind_is_complete(kind: CueKind) -> None:
    assert kind.label and kind.group and kind.family in ("host", "picture", "sound")
    assert re.fullmatch(r"[a-z]+(-[a-z]+)*", kind.name), "as it is written in a note"
    for parameter in kind.parameters:
        assert parameter.label
        if parameter.default != "":
            assert not parameter.problem(parameter.default), "the usual value can be set"
        if parameter.kind == "number":
            assert parameter.low < parameter.high


@every_kind
def test_a_flag_names_settings_that_there_are(kind: CueKind) -> None:
    for name in re.findall(r"\{([^}]*)\}", kind.flag):
        assert kind.parameter(name), name


def _text_for(parameter: Parameter) -> str:
    return "water.png" if parameter.asset else "Low water"


@every_kind
def test_a_new_cue_has_every_setting(kind: CueKind) -> None:
    texts = {p.name: _text_for(p) for p in kind.parameters if p.kind == "text" and p.required}
    cue = Cue("c", kind.name, 0, texts)
    assert CUE_KINDS.problem(cue) == ""
    assert set(CUE_KINDS.resolved(cue).parameters) == {p.name for p in kind.parameters}
    lasting = Cue("c", kind.name, 0, texts, end=5)
    assert bool(CUE_KINDS.problem(lasting)) != kind.stretch


@every_kind
def test_values_beyond_the_range_are_told(kind: CueKind) -> None:
    texts: dict[str, float | str] = {p.name: _text_for(p) for p in kind.parameters if p.kind == "text"}
    for parameter in kind.parameters:
        wrong: list[float | str] = []
        if parameter.kind == "number":
            wrong = [parameter.low - 0.01, parameter.high + 0.01, "many"]
        elif parameter.kind == "choice":
            wrong = ["", "somewhere else", parameter.choices[0].upper()]
        elif parameter.required:
            wrong = ["", "  "]
        if parameter.asset and not parameter.several:
            wrong.append("water.png walls.png")
        for value in wrong:
            told = CUE_KINDS.problem(Cue("c", kind.name, 0, {**texts, parameter.name: value}))
            assert f"'{parameter.name}'" in told, (parameter.name, value)


@given(st.data())
def test_a_note_says_what_its_cue_does(data: st.DataObject) -> None:
    kind = data.draw(st.sampled_from(KINDS))
    chosen = {p.name: data.draw(values_of(p), label=p.name) for p in kind.parameters if data.draw(st.booleans())}
    cue = Cue("c", kind.name, 0, chosen)
    note = CUE_KINDS.format_note(cue)
    assert note.startswith("[[cue: ") and note.endswith("]]") and note.count("]]") == 1
    name, read = CUE_KINDS.parse_note(note.removeprefix("[[cue: ").removesuffix("]]"))
    assert name == kind.name
    as_written = {n: v.replace("]]", "] ]") if isinstance(v, str) else v for n, v in chosen.items()}
    assert read == as_written


@pytest.mark.parametrize("text", ["1847", "1e3", "nan", "7.30"])
def test_words_that_look_like_a_number_stay_words(text: str) -> None:
    cue = Cue("c", "title", 0, {"text": text})
    _, read = CUE_KINDS.parse_note(CUE_KINDS.format_note(cue).removeprefix("[[cue: ").removesuffix("]]"))
    assert CUE_KINDS.resolved(Cue("c", "title", 0, read)).text("text") == text


def test_no_two_kinds_are_called_alike() -> None:
    labels = [(kind.label, kind.family) for kind in KINDS]
    assert len(set(labels)) == len(labels)


def test_only_cues_without_a_problem_that_stand_on_a_word_are_played() -> None:
    fine, wrong, unknown = Cue("a", "pause", 0), Cue("b", "pause", 0, {"seconds": 99.0}), Cue("c", "somersault", 0)
    assert [cue.id for cue in playable(Line("l", "MAREN", "Mind the mud.", (fine, wrong, unknown)))] == ["a"]
    assert playable(Line("l", "MAREN", "[looks up]", (fine,))) == ()
