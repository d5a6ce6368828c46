"""The table of choices: every entry is read, written, checked, resolved and told apart by the pictures it touches."""

from __future__ import annotations

import json
import math
from dataclasses import fields, replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.drawing.fonts import PAIRS
from dearhost.errors import ScriptError, StageError
from dearhost.production import (
    CHOICES,
    Choice,
    Choices,
    Production,
    Scope,
    Studio,
    Touches,
    own_choices_from_json,
    production_from_json,
    production_to_json,
    read_script,
    with_choices,
)
from dearhost.production.choices import choices_from_json, choices_to_json, ensure_known, in_scene
from dearhost.render.soundtrack import scene_tracks
from dearhost.script import Scene, Script, Staging
from dearhost.sound import mix
from dearhost.stage import SceneTimeline, compile_timeline
from dearhost.stage.backdrops import DAYLIGHTS, DRAWN_SETS, PALETTES, WEATHERS
from dearhost.stage.layout.furniture import HEIGHTS
from dearhost.stage.layout.shapes import DEFAULT_HEIGHTS, LAYOUTS, RATIOS
from dearhost.stage.painting.transitions import KINDS
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(30)
EVERYWHERE = [c for c in CHOICES.values() if c.scope is not Scope.SCENE]
IN_SCENES = [c for c in CHOICES.values() if c.scope is not Scope.EVERYWHERE]
named = pytest.mark.parametrize("choice", CHOICES.values(), ids=list(CHOICES))
in_scenes = pytest.mark.parametrize("choice", IN_SCENES, ids=lambda c: c.name)
everywhere = pytest.mark.parametrize("choice", EVERYWHERE, ids=lambda c: c.name)


def values_of(choice: Choice) -> st.SearchStrategy[Any]:
    """Any value that fits an entry."""
    if choice.kind == "switch":
        return st.booleans()
    if choice.kind == "choice":
        return st.sampled_from(list(choice.values))
    if choice.kind == "colour":
        return st.just("") | st.integers(0, 0xFFFFFF).map(lambda value: f"#{value:06x}")
    return st.floats(choice.low, choice.high)


def another(choice: Choice) -> Any:
    """A value that is not the default."""
    if choice.kind == "switch":
        return not choice.default
    if choice.kind == "choice":
        of_a_form = "9:16 0.3 0.5 1.4" if choice.form else "i0123456789abcde"
        return next((value for value in choice.values if value != choice.default), of_a_form)
    if choice.kind == "colour":
        return "#14406e"
    return 7.5


def test_every_field_is_an_entry_with_words() -> None:
    assert list(CHOICES) == [entry.name for entry in fields(Choices)]
    for choice in CHOICES.values():
        assert choice.label and choice.kind in ("choice", "colour", "switch", "number"), choice.name
        assert (choice.kind == "choice") == bool(choice.values), choice.name
        assert all(words.strip() for words in choice.values.values()), choice.name
        if choice.kind == "number":
            assert math.isfinite(choice.low) and choice.low < choice.high, choice.name
        elif choice.kind == "choice":
            assert choice.default in choice.values, choice.name


everything = st.fixed_dictionaries({c.name: values_of(c) for c in EVERYWHERE})
own = st.fixed_dictionaries({}, optional={c.name: values_of(c) for c in IN_SCENES})


@given(everything, own)
def test_what_is_chosen_comes_back_from_json(chosen: dict[str, Any], staged: dict[str, Any]) -> None:
    text = json.dumps(choices_to_json(Choices(**chosen)))
    assert choices_from_json(json.loads(text)) == Choices(**chosen)
    assert own_choices_from_json(json.loads(json.dumps(staged))) == staged


@given(everything, own)
def test_a_scenes_own_choice_goes_before_that_of_all_and_nothing_else_changes(
    chosen: dict[str, Any], staged: dict[str, Any]
) -> None:
    held = in_scene(Choices(**chosen), Scene("s", "", (), Staging(staged)))
    for choice in CHOICES.values():
        wanted = staged.get(choice.name, chosen.get(choice.name, choice.default))
        assert getattr(held, choice.name) == wanted, choice.name


def test_what_is_missing_has_its_default() -> None:
    assert choices_from_json({}) == Choices()
    assert own_choices_from_json({}) == {}


@in_scenes
@pytest.mark.parametrize("nothing", [None, ""])
def test_null_and_an_empty_text_are_as_everywhere(choice: Choice, nothing: Any) -> None:
    assert own_choices_from_json({choice.name: nothing}) == {}


@everywhere
def test_a_choice_of_the_production_alone_is_not_taken_from_a_scene(choice: Choice) -> None:
    if choice.scope is Scope.EVERYWHERE:
        assert own_choices_from_json({choice.name: another(choice)}) == {}


@named
@pytest.mark.parametrize("bad", [[], {}, {"a": 1}, b"x"])
def test_a_value_of_another_type_is_refused_by_name(choice: Choice, bad: Any) -> None:
    with pytest.raises(ScriptError, match=f"'{choice.name}' must be"):
        choice.read(bad)


@named
def test_numbers_switches_and_texts_are_not_taken_for_each_other(choice: Choice) -> None:
    others = {"switch": ["true", 1, 0.0], "choice": [True, 3, 0.5], "number": [True, "3", "NaN"],
              "colour": [True, 3, "red", "#14406"]}[choice.kind]  # fmt: skip
    for other in others:
        with pytest.raises(ScriptError):
            choice.read(other)


@pytest.mark.parametrize("choice", [c for c in CHOICES.values() if c.kind == "number"], ids=lambda c: c.name)
def test_numbers_are_finite_and_held_in_their_range(choice: Choice) -> None:
    for bad in (math.nan, math.inf, -math.inf, 10**400):
        with pytest.raises(ScriptError, match="finite"):
            choice.read(bad)
    assert choice.read(-1e300) == choice.low and choice.read(1e300) == choice.high
    middle = (choice.low + choice.high) / 2
    assert choice.read(middle) == middle
    whole = round(choice.high)
    assert choice.read(whole) == max(choice.low, min(choice.high, whole))


@pytest.mark.parametrize("choice", [c for c in CHOICES.values() if c.kind == "choice"], ids=lambda c: c.name)
def test_an_unknown_value_is_explained_with_what_there_is(choice: Choice) -> None:
    for value in choice.values:
        ensure_known(replace(Choices(), **{choice.name: value}))
        with pytest.raises(StageError, match="Choose one of: .*" + value.replace("-", "[-]")):
            ensure_known(replace(Choices(), **{choice.name: "moon"}))
    if choice.scope is not Scope.EVERYWHERE:
        with pytest.raises(StageError, match=r"'moon' \(scene 2\)\. Choose"):
            ensure_known(Choices(), (Scene("a", ""), Scene("b", "", (), Staging({choice.name: "moon"}))))


@given(everything, st.lists(own, min_size=2, max_size=2))
def test_a_whole_production_comes_back(
    short_script: Script, chosen: dict[str, Any], staged: list[dict[str, Any]]
) -> None:
    scenes = tuple(replace(s, staging=Staging(o)) for s, o in zip(short_script.scenes, staged, strict=True))
    before = with_choices(with_tones(replace(short_script, scenes=scenes)), **chosen)
    assert production_from_json(json.loads(json.dumps(production_to_json(before)))) == before


def scene_with(studio: Studio, script: Script, choice: Choice, value: Any) -> SceneTimeline:
    """The second scene of two people talking, with one choice of its own or of the production."""
    first, second = script.scenes
    if choice.scope is Scope.EVERYWHERE:
        production = with_choices(with_tones(script), **{choice.name: value})
    else:
        staged = replace(second, staging=Staging({choice.name: value}))
        production = with_tones(replace(script, scenes=(first, staged)))
    return compile_timeline(production, studio, RATE).scenes[1]


TALK = """# The pier

MAREN: Good morning. Mama may bring a boat.

# The tide room

MAREN: Hello, you and you. Papa mends a huge map, and nobody helps.

SKERRY: Maybe I do not. Is that so?

MAREN: No, never. It was all too large for anybody to see.
"""


@named
def test_a_choice_touches_what_it_says(studio: Studio, choice: Choice) -> None:
    """The name under which pictures are kept changes where pixels do, and only there; sound likewise."""
    script = read_script(TALK)
    wanted = another(choice)
    before = scene_with(studio, script, choice, choice.default if choice.default is not None else 0.85)
    after = scene_with(studio, script, choice, wanted)
    seen = choice.touches in (Touches.PICTURE, Touches.TIME)
    if choice.name == "shape":  # the picture's own size is in the name of a chunk; layout follows it
        assert before.shots != after.shots
    assert (before.fingerprint != after.fingerprint) == seen, choice.name
    quiet = [mix(scene_tracks(s), s.duration, 8000).left for s in (before, after)]
    same = len(quiet[0]) == len(quiet[1]) and bool((quiet[0] == quiet[1]).all())
    assert same == (choice.touches is not Touches.TIME), choice.name


def test_the_transition_is_in_the_timeline_though_not_in_the_scenes_own_pictures(studio: Studio) -> None:
    script = read_script(TALK)
    scenes = [scene_with(studio, script, CHOICES["transition"], value) for value in ("cut", "dissolve")]
    assert [s.choices.transition for s in scenes] == ["cut", "dissolve"]


def test_the_stage_draws_every_value_there_is() -> None:
    """A value of the table without its drawing would only be found by whoever chooses it."""
    assert set(DRAWN_SETS) == set(CHOICES["set"].values)
    assert {"own", *PALETTES} == set(CHOICES["palette"].values)
    assert {"own", *DAYLIGHTS} == set(CHOICES["daylight"].values)
    assert set(WEATHERS) == set(CHOICES["weather"].values)
    assert set(PAIRS) == set(CHOICES["type"].values)
    assert {"cut", *KINDS} == set(CHOICES["transition"].values)
    assert set(LAYOUTS) == set(RATIOS) == set(DEFAULT_HEIGHTS) == set(CHOICES["shape"].values)
    assert {"none", *HEIGHTS} == set(CHOICES["furniture"].values)


def test_checking_a_production_checks_its_choices(studio: Studio, short_script: Script) -> None:
    with pytest.raises(StageError, match="no liveliness 'wild'"):
        Production(short_script, choices=Choices(liveliness="wild")).checked(studio)
