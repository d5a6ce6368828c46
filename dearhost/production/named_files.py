"""Pictures and clips that a script names by their files: taken onto the shelf, and named by their ids from then on."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from pathlib import Path

from dearhost.assets.shelf import kind_of
from dearhost.errors import HostError
from dearhost.production.choices import CHOICES, Value
from dearhost.production.production import Production, with_choices
from dearhost.production.studio import Studio
from dearhost.production.uses import IN_CHOICES, SHELF, named_by
from dearhost.script import Cue, Line, Scene


def with_named_files(production: Production, studio: Studio, folder: Path) -> tuple[Production, list[str]]:
    """The production with ids in place of names of files that lie in ``folder``, or on the shelf under that name; and
    what could not be taken, a sentence each. Names with spaces or folders in them are none."""
    notes: list[str] = []
    known: dict[str, str] = {}

    def id_of(name: str) -> str:
        if name not in known:
            known[name] = _taken(name, studio, folder, notes)
        return known[name]

    def cue_with_ids(cue: Cue) -> Cue:
        named = {
            name: " ".join(id_of(one) for one in cue.text(name).split())
            for name, kind in named_by(cue).items()
            if kind == SHELF and cue.text(name)
        }
        return replace(cue, parameters={**cue.parameters, **named}) if named else cue

    def scene_with_ids(scene: Scene) -> Scene:
        blocks = (
            replace(block, cues=tuple(map(cue_with_ids, block.cues))) if isinstance(block, Line) else block
            for block in scene.blocks
        )
        own = {name: _chosen(name, value, id_of) for name, value in scene.staging.own.items()}
        return replace(scene, blocks=tuple(blocks), staging=replace(scene.staging, own=own))

    script = replace(production.script, scenes=tuple(map(scene_with_ids, production.script.scenes)))
    chosen = {name: _chosen(name, getattr(production.choices, name), id_of) for name in IN_CHOICES}
    return with_choices(replace(production, script=script), **chosen), notes


def _chosen(name: str, value: Value, id_of: Callable[[str], str]) -> Value:
    """A choice with the id of the file it names; other values are as they are."""
    if name in IN_CHOICES and isinstance(value, str) and value not in CHOICES[name].values and "." in value:
        holder, colon, file = value.rpartition(":")  # "frame:photo.jpg"
        return holder + colon + id_of(file)
    return value


def _taken(name: str, studio: Studio, folder: Path, notes: list[str]) -> str:
    if kind_of(name):
        return name
    path = folder / name
    if path.name == name and path.is_file():
        try:
            return studio.shelf.take(path, name).id
        except HostError as error:
            notes.append(str(error))
            return name
    if found := studio.shelf.named(name):
        return found
    notes.append(f"There is no file '{name}' beside the script or on the shelf. Put it there.")
    return name
