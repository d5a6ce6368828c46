"""What a scene chooses for itself, in a text: a cue on its first word, as ``[[cue: staging set=pier layout=left]]``."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from dearhost.errors import ScriptError
from dearhost.production.choices import CHOICES, Scope, Value
from dearhost.script import Cue, Line, Scene, Script, new_id, words_of

KIND = "staging"
_ON, _OFF = ("yes", "on", "true"), ("no", "off", "false")


def staged(script: Script) -> Script:
    """The script with its staging cues turned into choices of their scenes. What is no choice of a scene stays a cue,
    and the findings tell of it."""
    return replace(script, scenes=tuple(map(_staged, script.scenes)))


def _staged(scene: Scene) -> Scene:
    own = dict(scene.staging.own)
    blocks = []
    for block in scene.blocks:
        if isinstance(block, Line) and any(cue.kind == KIND for cue in block.cues):
            cues = []
            for cue in block.cues:
                left = _taken(cue.parameters, own) if cue.kind == KIND else cue.parameters
                if cue.kind != KIND or left:
                    cues.append(replace(cue, parameters=left))
            block = replace(block, cues=tuple(cues))
        blocks.append(block)
    if own == scene.staging.own:
        return scene
    return replace(scene, blocks=tuple(blocks), staging=replace(scene.staging, own=own))


def _taken(parameters: Mapping[str, Value], own: dict[str, Value]) -> dict[str, Value]:
    """Put what is a choice of a scene into ``own``; returns what is none."""
    left: dict[str, Value] = {}
    for name, value in parameters.items():
        choice = CHOICES.get(name)
        if choice is None or choice.scope is Scope.EVERYWHERE:
            left[name] = value
            continue
        try:
            read = choice.read(_of_kind(choice.kind, value))
        except ScriptError:
            left[name] = value
            continue
        if choice.problem(read) and not choice.assets:
            left[name] = value
        else:
            own[name] = read
    return left


def _of_kind(kind: str, value: Value) -> Value:
    word = str(value).strip().lower()
    if kind == "switch" and word in (*_ON, *_OFF):
        return word in _ON
    if kind == "choice" and isinstance(value, float):
        return f"{value:g}"
    return value


def with_staging_cues(script: Script) -> Script:
    """The script with what its scenes choose for themselves as cues, to be written as text."""

    def noted(scene: Scene) -> Scene:
        first = next((index for index, block in enumerate(scene.blocks) if isinstance(block, Line)), None)
        if not scene.staging.own or first is None:
            return scene
        line = scene.blocks[first]
        assert isinstance(line, Line)
        words = words_of(line.text)
        if not words:
            return scene
        said: dict[str, str | float] = {
            name: ("yes" if value else "no") if isinstance(value, bool) else value
            for name, value in scene.staging.own.items()
        }
        line = replace(line, cues=(Cue(new_id(), KIND, words[0].start, said), *line.cues))
        return replace(scene, blocks=(*scene.blocks[:first], line, *scene.blocks[first + 1 :]))

    return replace(script, scenes=tuple(map(noted, script.scenes)))
