"""What a production uses that may be somebody's own."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from dearhost.production.choices import CHOICES
from dearhost.production.production import Production, with_choices
from dearhost.script import Cue, Line, Scene

VOICE, HOST, PICTURE, RECORDING, SHELF = KINDS = ("voice", "host", "picture", "recording", "shelf")
_IN_CUES = {
    "take": {"picture": PICTURE, "screen": SHELF}, "recording": {"recording": RECORDING},
    "own": {"items": SHELF}, "figure": {"items": SHELF}, "own-sound": {"items": SHELF}, "clip": {"items": SHELF},
}  # fmt: skip
"""The parameters of cues that name assets, apart by spaces, by the kind of cue: the kind of what they name."""
IN_CHOICES = tuple(name for name, choice in CHOICES.items() if choice.assets)
"""Choices that may name a thing of the shelf."""


@dataclass(frozen=True, slots=True)
class Use:
    """An asset by its ``kind``, one of ``KINDS``, and its id there."""

    kind: str
    id: str


def uses_of(production: Production) -> frozenset[Use]:
    """Every voice, host, picture, recording and thing of the shelf that a production names."""
    found = {Use(VOICE, entry.voice) for entry in production.cast.values()}
    found |= {Use(HOST, entry.host) for entry in production.cast.values()}
    for _, _, line in production.script.lines():
        for cue in line.cues:
            found |= {Use(kind, one) for name, kind in named_by(cue).items() for one in cue.text(name).split()}
    named = [(name, getattr(production.choices, name)) for name in IN_CHOICES]
    named += [(name, scene.staging.own.get(name)) for scene in production.script.scenes for name in IN_CHOICES]
    found |= {Use(SHELF, item) for name, value in named if (item := CHOICES[name].asset_in(value))}
    return frozenset(found)


def named_by(cue: Cue) -> dict[str, str]:
    """The parameters of a cue that name assets, and the kind of what they name."""
    return dict(_IN_CUES.get(cue.kind, {}))


def without(production: Production, unwanted: Callable[[Use], bool]) -> Production:
    """The production with the pictures, recordings and things of the shelf left out that are ``unwanted``."""

    def kept(kind: str, text: str) -> str:
        return " ".join(one for one in text.split() if not unwanted(Use(kind, one)))

    def cleaned(cue: Cue) -> Cue:
        named = {name: kept(kind, cue.text(name)) for name, kind in named_by(cue).items() if cue.text(name)}
        gone = {name for name, text in named.items() if not text}
        if all(text == cue.text(name) for name, text in named.items()):
            return cue
        parameters = {n: named.get(n, v) for n, v in cue.parameters.items() if n not in gone}
        return replace(cue, parameters=parameters)

    def foreign(name: str, value: object) -> bool:
        item = CHOICES[name].asset_in(value)
        return bool(item) and unwanted(Use(SHELF, item))

    def rewritten(scene: Scene) -> Scene:
        blocks = (
            replace(block, cues=tuple(map(cleaned, block.cues))) if isinstance(block, Line) else block
            for block in scene.blocks
        )
        own = {name: v for name, v in scene.staging.own.items() if not (name in IN_CHOICES and foreign(name, v))}
        return replace(scene, blocks=tuple(blocks), staging=replace(scene.staging, own=own))

    scenes = tuple(map(rewritten, production.script.scenes))
    usual = {n: CHOICES[n].default for n in IN_CHOICES if foreign(n, getattr(production.choices, n))}
    return with_choices(replace(production, script=replace(production.script, scenes=scenes)), **usual)
