"""A scene as it would look with other choices: to be seen before they are made."""

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
    everywhere: dict[str, Value] = {}
    own: dict[str, Value] = {}
    for name, value in tried.items():
        choice = CHOICES.get(name)
        if choice is None:
            raise StageError(f"There is nothing called '{name}' to choose.")
        read = choice.read(value)
        if problem := choice.problem(read):
            raise StageError(problem)
        (everywhere if choice.scope is Scope.EVERYWHERE else own)[name] = read
    scenes = tuple(
        replace(scene, staging=replace(scene.staging, own={**scene.staging.own, **own}))
        if scene.id == scene_id
        else scene
        for scene in production.script.scenes
    )
    return with_choices(replace(production, script=replace(production.script, scenes=scenes)), **everywhere)
