"""What a scene chooses for itself, written in a text and read back."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import findings, read_script, write_fountain, write_markdown
from dearhost.production.choices import CHOICES, Choice, Scope
from dearhost.script import Script

TEXT = "# The pier\n\nMaren: {}The boats leave the harbour.\n\n# Later\n\nMaren: That is all."


def own_of(script: Script) -> list[dict[str, Any]]:
    return [dict(scene.staging.own) for scene in script.scenes]


def test_a_cue_on_its_first_word_stages_a_scene() -> None:
    cues = "[[cue: staging set=pier layout=left transition=iris captions=no tail=2.5]][[cue: wave]]"
    script = read_script(TEXT.format(cues))
    assert own_of(script) == [
        {"set": "pier", "layout": "left", "transition": "iris", "captions": False, "tail": 2.5}, {}
    ]  # fmt: skip
    assert [cue.kind for _, _, line in script.lines() for cue in line.cues] == ["wave"]
    assert "[[" not in next(line.text for _, _, line in script.lines())


@pytest.mark.parametrize("wrong", ["set=moon", "shape=1:1", "nothing=here", "tail=soon", "captions=perhaps"])
def test_what_is_no_choice_of_a_scene_is_told_and_nothing_is_lost(wrong: str) -> None:
    script = read_script(TEXT.format(f"[[cue: staging layout=left {wrong}]]"))
    kept = own_of(script)[0]
    assert kept["layout"] == "left" and wrong.partition("=")[0] not in {n for n in kept if n != "set"}
    if wrong != "set=moon":
        assert any("staging" in finding.message for finding in findings(script))


def values(choice: Choice) -> st.SearchStrategy[Any]:
    if choice.kind == "switch":
        return st.booleans()
    if choice.kind == "choice":
        return st.sampled_from(list(choice.values))
    return st.floats(choice.low, choice.high, allow_nan=False).map(lambda value: float(f"{value:g}"))


SCENES_OWN = {name: choice for name, choice in CHOICES.items() if choice.scope is not Scope.EVERYWHERE}


@given(st.fixed_dictionaries({}, optional={name: values(choice) for name, choice in SCENES_OWN.items()}))
@pytest.mark.parametrize("kind", ["fountain", "markdown"])
def test_every_choice_of_a_scene_comes_back_out_of_a_text(kind: str, own: dict[str, Any]) -> None:
    script = read_script(TEXT.format(""))
    first = replace(script.scenes[0], staging=replace(script.scenes[0].staging, own=own))
    script = replace(script, scenes=(first, *script.scenes[1:]))
    written = write_fountain(script) if kind == "fountain" else write_markdown(script)
    back = read_script(written, kind)
    assert own_of(back) == [own, {}]
    assert [line.text for _, _, line in back.lines()] == [line.text for _, _, line in script.lines()]
