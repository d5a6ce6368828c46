"""A scene as it would be with other choices: to be seen before they are made, or heard before they are kept."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

from dearhost.errors import StageError
from dearhost.production.choices import CHOICES, Scope, Value
from dearhost.production.production import Production, with_choices


def with_tried(production: Production, scene_id: str, tried: Mapping[str, Any]) -> Production:
    """``production`` with other choices for one scene; what can only be chosen everywhere, for all of it.

    ``tried`` are values by the names of the table of choices.
    Raises StageError for what is not in the table, ScriptError for a value of another type.
    """
    read = _read(tried)
    everywhere = {name: value for name, value in read.items() if CHOICES[name].scope is Scope.EVERYWHERE}
    own = {name: value for name, value in read.items() if name not in everywhere}
    return with_choices(_with_own(production, scene_id, own), **everywhere)


def with_chosen(
    production: Production, scene_id: str, everywhere: Mapping[str, Any], own: Mapping[str, Any]
) -> Production:
    """``production`` with choices made for all of it, and those one scene has of its own: by the names of either, no
    others. Raises as ``with_tried``; StageError for what cannot be chosen there.
    """
    for_all, for_one = _read(everywhere), _read(own)
    if wrong := [name for name in for_all if CHOICES[name].scope is Scope.SCENE]:
        raise StageError(f"'{wrong[0]}' is chosen scene by scene.")
    if wrong := [name for name in for_one if CHOICES[name].scope is Scope.EVERYWHERE]:
        raise StageError(f"'{wrong[0]}' is the same in all scenes.")
    return with_choices(_with_own(production, scene_id, for_one, instead_of=for_all), **for_all)


def _read(values: Mapping[str, Any]) -> dict[str, Value]:
    read: dict[str, Value] = {}
    for name, value in values.items():
        choice = CHOICES.get(name)
        if choice is None:
            raise StageError(f"There is nothing called '{name}' to choose.")
        read[name] = choice.read(value)
        if problem := choice.problem(read[name]):
            raise StageError(problem)
    return read


def _with_own(
    production: Production, scene_id: str, own: Mapping[str, Value], instead_of: Mapping[str, Value] | None = None
) -> Production:
    scenes = []
    for scene in production.script.scenes:
        if scene.id == scene_id:
            kept = {name: value for name, value in scene.staging.own.items() if name not in (instead_of or {})}
            scene = replace(scene, staging=replace(scene.staging, own={**kept, **own}))
        scenes.append(scene)
    return replace(production, script=replace(production.script, scenes=tuple(scenes)))
