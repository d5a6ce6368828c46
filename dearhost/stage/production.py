"""A production as the stage needs it: the script and every choice made for it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, field, replace
from typing import Any

from dearhost.errors import ScriptError, StageError
from dearhost.hosts import CAST, LIVELINESS, host_by_id, in_look
from dearhost.script import Brief, Scene, Script, brief_from_json, brief_to_json, from_json, to_json
from dearhost.sound.effects import EFFECTS
from dearhost.speech import SayAs, VoiceRegistry
from dearhost.stage.camera import CAMERA_MOVES
from dearhost.stage.furniture import FURNITURE
from dearhost.stage.sets import set_by_id
from dearhost.stage.shapes import SHAPES

FRAMINGS = ("wide", "full", "medium", "close-up", "bubble", "square-bubble")
TRANSITIONS = ("cut", "dissolve")
CUTTING = ("together", "speakers")
"""Everybody in the picture, or one after another as they speak."""
EFFECT_CHOICES = {name.replace(" ", "-"): name for name in EFFECTS}
"""Effects by the names that stand in cues and casts."""


@dataclass(frozen=True, slots=True)
class CastEntry:
    """Who plays a speaker, with which voice, and which effect lies over it where a line has none of its own."""

    host: str
    voice: str
    effect: str = "none"
    eye_contact: float = 0.5
    """0 seldom to 1 always at the viewer."""
    blinks: float = 1.0
    head: float = 1.0
    """Multiples of the usual, 0 to 2."""


@dataclass(frozen=True, slots=True)
class SceneChoices:
    """What holds for one scene: its own choices, else those of the whole production."""

    set: str
    framing: str
    transition: str
    captions: bool
    furniture: str
    cutting: str
    camera: str


@dataclass(frozen=True, slots=True)
class Production:
    """``cast`` maps speakers (as in the script) to hosts and voices; whoever is missing gets the next free."""

    script: Script
    cast: Mapping[str, CastEntry] = field(default_factory=dict)
    shape: str = "16:9"
    captions: bool = True
    set: str = "museum"
    framing: str = "medium"
    transition: str = "dissolve"
    liveliness: str = "normal"
    titles: bool = True
    caption_names: bool = False
    brief: Brief = field(default_factory=Brief)
    say_as: tuple[SayAs, ...] = ()
    furniture: str = "none"
    cutting: str = "together"
    camera: str = "still"
    directed: bool = True
    """Whether hosts gesture by themselves where the words ask for it."""

    def checked(self, voices: VoiceRegistry) -> Production:
        """The same with every speaker cast. Raises UnknownHost, UnknownVoice, StageError."""
        for name, value, known in (
            ("shape", self.shape, SHAPES),
            ("framing", self.framing, FRAMINGS),
            ("transition", self.transition, TRANSITIONS),
            ("furniture", self.furniture, FURNITURE),
            ("cutting", self.cutting, CUTTING),
            ("camera move", self.camera, CAMERA_MOVES),
            ("liveliness", self.liveliness, tuple(LIVELINESS)),
        ):
            if value not in known:
                raise StageError(f"There is no {name} '{value}'. Choose one of: {', '.join(known)}.")
        set_by_id(self.set)
        for number, scene in enumerate(self.script.scenes, 1):
            _check_scene(scene, number)
        cast = full_cast(self.script, self.cast, voices)
        for entry in cast.values():
            host_by_id(entry.host)
            voices.voice(entry.voice)
            if entry.effect not in EFFECT_CHOICES:
                raise StageError(f"There is no effect '{entry.effect}'. Choose one of: {', '.join(EFFECT_CHOICES)}.")
        return replace(self, cast=cast)

    def choices_for(self, scene: Scene) -> SceneChoices:
        """What holds for a scene of this production."""
        own = scene.staging
        return SceneChoices(
            own.set or self.set,
            own.framing or self.framing,
            own.transition or self.transition,
            self.captions if own.captions is None else own.captions,
            own.furniture or self.furniture,
            own.cutting or self.cutting,
            own.camera or self.camera,
        )

    def dressed_for(self, scene: Scene) -> Production:
        """The production with hosts as they are dressed in a scene."""
        if not scene.staging.looks:
            return self
        worn = {
            speaker: replace(entry, host=in_look(entry.host, scene.staging.looks.get(speaker, "")))
            for speaker, entry in self.cast.items()
        }
        return replace(self, cast=worn)

    def entry(self, speaker: str) -> CastEntry:
        """Who plays ``speaker``. Call ``checked`` first."""
        return self.cast[speaker]


def _check_scene(scene: Scene, number: int) -> None:
    own = scene.staging
    for name, value, known in (
        ("framing", own.framing, FRAMINGS),
        ("transition", own.transition, TRANSITIONS),
        ("furniture", own.furniture, FURNITURE),
        ("cutting", own.cutting, CUTTING),
        ("camera move", own.camera, CAMERA_MOVES),
    ):
        if value and value not in known:
            raise StageError(f"There is no {name} '{value}' (scene {number}). Choose one of: {', '.join(known)}.")
    if own.set:
        set_by_id(own.set)


def with_captions(production: Production, burned: bool) -> Production:
    """The production with captions in the picture, except in scenes that have none, or in no scene."""
    if burned:
        return replace(production, captions=True)
    scenes = tuple(replace(s, staging=replace(s.staging, captions=None)) for s in production.script.scenes)
    return replace(production, captions=False, script=replace(production.script, scenes=scenes))


def full_cast(script: Script, cast: Mapping[str, CastEntry], voices: VoiceRegistry) -> dict[str, CastEntry]:
    """``cast`` with an entry for every speaker of ``script``: a host of the same name, else the next free."""
    full = {s: cast[s] for s in script.speakers() if s in cast}
    default = voices.default()
    language = default.language.split("-")[0]
    spoken = [v.id for v in voices.voices() if v.language.split("-")[0] == language and v.engine == default.engine]
    for speaker in script.speakers() or ("",):
        if speaker in full:
            continue
        taken = {e.host for e in full.values()}
        named = next(
            (h.id for h in CAST.values() if h.name.split()[0].casefold() == speaker.split(" ")[0].casefold()), ""
        )
        free = [h for h in CAST if h not in taken] or list(CAST)
        host = named if named and named not in taken else free[0]
        used = {e.voice for e in full.values()}
        wanted = CAST[host].card.voice
        voice = (
            wanted
            if wanted in spoken and wanted not in used
            else next((v for v in spoken if v not in used), default.id)
        )
        full[speaker] = CastEntry(host, voice)
    return full


def production_to_json(production: Production) -> dict[str, Any]:
    """As plain data; ``production_from_json`` reads it back."""
    return {
        "script": to_json(production.script),
        "cast": {s: asdict(e) for s, e in production.cast.items()},
        "shape": production.shape,
        "captions": production.captions,
        "set": production.set,
        "framing": production.framing,
        "transition": production.transition,
        "liveliness": production.liveliness,
        "furniture": production.furniture,
        "cutting": production.cutting,
        "camera": production.camera,
        "titles": production.titles,
        "caption_names": production.caption_names,
        "brief": brief_to_json(production.brief),
        "directed": production.directed,
        "say_as": [{"word": e.word, "alias": e.alias, "ipa": e.ipa} for e in production.say_as],
    }


def production_from_json(data: Mapping[str, Any]) -> Production:
    """The production in ``data``. Raises ScriptError for another shape of data."""
    try:
        script = from_json(data["script"])
        cast = {
            str(s): CastEntry(
                str(e["host"]),
                str(e["voice"]),
                str(e.get("effect", "none")),
                _within(e.get("eye_contact", 0.5), 1.0),
                _within(e.get("blinks", 1.0), 2.0),
                _within(e.get("head", 1.0), 2.0),
            )
            for s, e in data.get("cast", {}).items()
        }
        return Production(
            script,
            cast,
            shape=str(data.get("shape", "16:9")),
            captions=bool(data.get("captions", True)),
            set=str(data.get("set", "museum")),
            framing=str(data.get("framing", "medium")),
            transition=str(data.get("transition", "dissolve")),
            liveliness=str(data.get("liveliness", "normal")),
            furniture=str(data.get("furniture", "none")),
            cutting=str(data.get("cutting", "together")),
            camera=str(data.get("camera", "still")),
            titles=bool(data.get("titles", True)),
            caption_names=bool(data.get("caption_names", False)),
            brief=brief_from_json(data.get("brief")),
            directed=bool(data.get("directed", True)),
            say_as=tuple(
                SayAs(str(e["word"]), str(e.get("alias", "")), str(e.get("ipa", ""))) for e in data.get("say_as", ())
            ),
        )
    except (KeyError, TypeError, ValueError, AttributeError) as error:
        raise ScriptError(f"This is not a production: {error!r}. Nothing was changed.") from error


def _within(value: Any, high: float) -> float:
    number = float(value)
    return min(high, max(0.0, number)) if number == number else high / 2
