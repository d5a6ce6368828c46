"""What a production uses that may be somebody's own."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from dearhost.production.production import Production
from dearhost.script import Cue, Line, Scene

VOICE, HOST, PICTURE, RECORDING = KINDS = ("voice", "host", "picture", "recording")
_IN_CUES = {"picture": ("take", PICTURE), "recording": ("recording", RECORDING)}
"""The parameters of cues that name an asset: the kind of cue, and the kind of what it names."""


@dataclass(frozen=True, slots=True)
class Use:
    """An asset by its ``kind``, one of ``KINDS``, and its id there."""

    kind: str
    id: str


def uses_of(production: Production) -> frozenset[Use]:
    """Every voice, host, picture and recording that a production names."""
    found = {Use(VOICE, entry.voice) for entry in production.cast.values()}
    found |= {Use(HOST, entry.host) for entry in production.cast.values()}
    for _, _, line in production.script.lines():
        for cue in line.cues:
            found |= {Use(kind, cue.text(name)) for name, kind in _named_by(cue).items() if cue.text(name)}
    return frozenset(found)


def _named_by(cue: Cue) -> dict[str, str]:
    return {name: kind for name, (of, kind) in _IN_CUES.items() if cue.kind == of}


def without(production: Production, unwanted: Callable[[Use], bool]) -> Production:
    """The production with the pictures and recordings left out of its cues that are ``unwanted``."""

    def cleaned(cue: Cue) -> Cue:
        named = _named_by(cue)
        gone = {name for name, kind in named.items() if cue.text(name) and unwanted(Use(kind, cue.text(name)))}
        return replace(cue, parameters={n: v for n, v in cue.parameters.items() if n not in gone}) if gone else cue

    def rewritten(scene: Scene) -> Scene:
        blocks = (
            replace(block, cues=tuple(map(cleaned, block.cues))) if isinstance(block, Line) else block
            for block in scene.blocks
        )
        return replace(scene, blocks=tuple(blocks))

    scenes = tuple(map(rewritten, production.script.scenes))
    return replace(production, script=replace(production.script, scenes=scenes))
