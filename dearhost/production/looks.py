"""Looks: choices of a production that go together, set as one. To add one, add its entry."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from dearhost.errors import StageError
from dearhost.production.choices import CHOICES, Choices, Value
from dearhost.script import Script


@dataclass(frozen=True, slots=True)
class Look:
    """``choices`` by their names in the table; what a look does not name stays as it is."""

    name: str
    words: str
    choices: Mapping[str, str]


def _look(name: str, words: str, **choices: str) -> Look:
    assert all(value in CHOICES[key].values for key, value in choices.items())
    return Look(name, words, choices)


LOOKS: Mapping[str, Look] = {
    look.name: look
    for look in (
        _look("tide-room", "The tide room", set="museum", palette="own", daylight="own", weather="clear", type="house",
              transition="dissolve", caption_style="strips"),
        _look("classroom", "A lesson", set="classroom", palette="chalk", daylight="morning", weather="clear",
              type="round", transition="page-turn", caption_style="strips"),
        _look("office", "The office", set="office", palette="slate", daylight="noon", weather="clear", type="poster",
              transition="slide-left", caption_style="box"),
        _look("market", "Market day", set="street", palette="brick", daylight="morning", weather="clear", type="slab",
              transition="slide-up", caption_style="marked"),
        _look("evening", "An evening in", set="study", palette="plum", daylight="dusk", weather="clear", type="classic",
              transition="dissolve", caption_style="quiet"),
        _look("meadow", "In the meadow", set="garden", palette="moss", daylight="morning", weather="clear", type="hand",
              transition="iris", caption_style="strips"),
        _look("poster", "Poster", set="shapes", palette="harbour", daylight="noon", weather="clear", type="poster",
              transition="ink-wipe", caption_style="one-word"),
        _look("briefing", "Briefing", set="charts", palette="slate", daylight="noon", weather="clear", type="slab",
              transition="cut", caption_style="box"),
        _look("seaside", "Seaside", set="beach", palette="harbour", daylight="noon", weather="clear", type="round",
              transition="slide-right", caption_style="outline"),
        _look("night-quay", "The quay at night", set="quay", palette="slate", daylight="night", weather="clear",
              type="classic", transition="iris", caption_style="shadow"),
        _look("stage", "On stage", set="curtain", palette="harbour", daylight="noon", weather="clear", type="classic",
              transition="page-turn", caption_style="growing"),
        _look("plain", "Plain paper", set="pattern", palette="chalk", daylight="noon", weather="clear", type="house",
              transition="dissolve", caption_style="quiet"),
    )
}  # fmt: skip


LOOK_CHOICES = (
    "set", "palette", "daylight", "weather", "wall_left", "wall_right", "floor_left", "floor_right",
    "type", "transition", "caption_style", "caption_place", "caption_size", "caption_type",
    "caption_case", "caption_colour", "caption_lines", "paper", "accent", "logo", "logo_place", "logo_ground",
    "logo_size",
)  # fmt: skip
"""What a look of one's own keeps of a production."""


def own_look(choices: Mapping[str, Any]) -> dict[str, Value]:
    """What a look of one's own keeps of choices by their names. Raises ScriptError for a value of another type, and
    StageError for one that is not in the table."""
    kept = {name: CHOICES[name].read(choices[name]) for name in LOOK_CHOICES if name in choices}
    for name, value in kept.items():
        if problem := CHOICES[name].problem(value):
            raise StageError(problem)
    return kept


def with_look(choices: Choices, script: Script, look: Look) -> tuple[Choices, Script]:
    """Everything as the look has it: scenes lose what they chose otherwise of what it names."""
    scenes = tuple(
        replace(
            scene,
            staging=replace(scene.staging, own={k: v for k, v in scene.staging.own.items() if k not in look.choices}),
        )
        for scene in script.scenes
    )
    return replace(choices, **look.choices), replace(script, scenes=scenes)  # type: ignore[arg-type]  # by name
