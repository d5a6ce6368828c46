"""A production as the stage needs it: the script and every choice made for it."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from typing import Annotated, Any

from pydantic import BeforeValidator, Field, TypeAdapter

from dearhost.errors import ScriptError, StageError
from dearhost.hosts import CAST
from dearhost.languages import main_code
from dearhost.production.choices import (
    Choices,
    choices_from_json,
    choices_to_json,
    ensure_known,
    in_scene,
    own_choices_from_json,
)
from dearhost.production.fitting_hosts import host_for
from dearhost.production.fitting_voices import language_read_by
from dearhost.production.studio import Studio
from dearhost.script import Brief, Line, Scene, Script, from_json, to_json
from dearhost.sound.effects import EFFECTS
from dearhost.speech import SayAs, VoiceRegistry

EFFECT_CHOICES = {name.replace(" ", "-"): name for name in EFFECTS}
"""Effects by the names that stand in cues and casts."""

SLOWEST, QUICKEST = 0.85, 1.15
"""How much slower or quicker than of itself a voice still sounds natural (common practice, no source)."""


def _clamped(low: float, high: float) -> BeforeValidator:
    """Brings a number into ``low`` to ``high``; the middle for one that is not finite."""

    def clamp(value: Any) -> Any:
        number = float(value)
        return min(high, max(low, number)) if number - number == 0 else (low + high) / 2

    return BeforeValidator(clamp)


@dataclass(frozen=True, slots=True)
class CastEntry:
    """Who plays a speaker, with which voice, and which effect lies over it where a line has none of its own.

    ``eye_contact``: 0 seldom to 1 always at the viewer. ``blinks`` and ``head``: multiples of the usual, 0 to 2.
    ``pace``: how quickly all lines are said, 1 as the voice speaks of itself; recordings keep their own.
    """

    host: str
    voice: str
    effect: str = "none"
    eye_contact: Annotated[float, _clamped(0.0, 1.0), Field(ge=0, le=1)] = 0.5
    blinks: Annotated[float, _clamped(0.0, 2.0), Field(ge=0, le=2)] = 1.0
    head: Annotated[float, _clamped(0.0, 2.0), Field(ge=0, le=2)] = 1.0
    pace: Annotated[float, _clamped(SLOWEST, QUICKEST), Field(ge=SLOWEST, le=QUICKEST)] = 1.0


@dataclass(frozen=True, slots=True)
class Production:
    """``cast`` maps speakers (as in the script) to hosts and voices; whoever is missing gets the next free."""

    script: Script
    cast: Mapping[str, CastEntry] = field(default_factory=dict)
    choices: Choices = field(default_factory=Choices)
    brief: Brief = field(default_factory=Brief)
    say_as: tuple[SayAs, ...] = ()

    def checked(self, studio: Studio) -> Production:
        """The same with every speaker cast. Raises UnknownHost, UnknownVoice, StageError."""
        ensure_known(self.choices, self.script.scenes)
        cast = full_cast(self.script, self.cast, studio.voices)
        for entry in cast.values():
            studio.hosts.host(entry.host)
            studio.voices.voice(entry.voice)
            if entry.effect not in EFFECT_CHOICES:
                raise StageError(f"There is no effect '{entry.effect}'. Choose one of: {', '.join(EFFECT_CHOICES)}.")
        return replace(self, cast=cast)

    def choices_for(self, scene: Scene) -> Choices:
        """What holds for a scene of this production."""
        return in_scene(self.choices, scene)

    def dressed_for(self, scene: Scene, studio: Studio) -> Production:
        """The production with hosts as they are dressed in a scene."""
        if not scene.staging.looks:
            return self
        worn = {
            speaker: replace(entry, host=studio.hosts.in_look(entry.host, scene.staging.looks.get(speaker, "")))
            for speaker, entry in self.cast.items()
        }
        return replace(self, cast=worn)

    def speakers_in(self, lines: Iterable[Line]) -> tuple[str, ...]:
        """Who says ``lines``, in the order they first speak in the whole script: so they stand in every scene, and keep
        their sides whoever begins."""
        speaking = {line.speaker for line in lines}
        return tuple(speaker for speaker in self.script.speakers() if speaker in speaking)

    def entry(self, speaker: str) -> CastEntry:
        """Who plays ``speaker``. Call ``checked`` first."""
        return self.cast[speaker]


def with_choices(production: Production, **chosen: Any) -> Production:
    """The production with other choices for all of it."""
    return replace(production, choices=replace(production.choices, **chosen))


def with_captions(production: Production, burned: bool) -> Production:
    """The production with captions in the picture, except in scenes that have none, or in no scene."""
    if burned:
        return with_choices(production, captions=True)
    scenes = []
    for scene in production.script.scenes:
        own = {name: value for name, value in scene.staging.own.items() if name != "captions"}
        scenes.append(replace(scene, staging=replace(scene.staging, own=own)))
    bare = replace(production, script=replace(production.script, scenes=tuple(scenes)))
    return with_choices(bare, captions=False)


def full_cast(script: Script, cast: Mapping[str, CastEntry], voices: VoiceRegistry) -> dict[str, CastEntry]:
    """``cast`` with an entry for every speaker of ``script``: a host that fits the name, with a voice that fits the
    host and the language their lines are in."""
    full = {s: cast[s] for s in script.speakers() if s in cast}
    if full and len(full) == len(script.speakers()):
        return full  # at every key: nobody is new
    default, stock, heard_as = voices.default(), voices.stock(), voices.heard_as()
    among = frozenset(main_code(voice.language) for voice in stock)
    for speaker in script.speakers() or ("",):
        if speaker in full:
            continue
        language = language_read_by(speaker, script, among) or main_code(default.language)
        speaking = [v for v in stock if main_code(v.language) == language]
        spoken = [v.id for v in speaking if v.engine == default.engine] or [v.id for v in speaking] or [default.id]
        taken = {e.host for e in full.values()}
        host = host_for(speaker, taken, heard_as)
        used = {e.voice for e in full.values()}
        wanted = voices.usual(CAST[host].card.voice)
        free = [voice for voice in spoken if voice not in used] or spoken
        alike = [voice for voice in free if heard_as[voice] == heard_as[wanted]]
        voice = wanted if wanted in free else (alike or free)[0]
        full[speaker] = CastEntry(host, voice)
    return full


_CAST, _BRIEF, _SAY_AS = TypeAdapter(dict[str, CastEntry]), TypeAdapter(Brief), TypeAdapter(tuple[SayAs, ...])


def production_to_json(production: Production) -> dict[str, Any]:
    """As plain data; ``production_from_json`` reads it back."""
    return {
        "script": to_json(production.script),
        "cast": _CAST.dump_python(dict(production.cast)),
        **choices_to_json(production.choices),
        "brief": _BRIEF.dump_python(production.brief, mode="json"),
        "say_as": _SAY_AS.dump_python(production.say_as, mode="json"),
    }


def cast_from_json(data: Any) -> dict[str, CastEntry]:
    """Who plays whom, from ``production_to_json``'s cast. Raises ScriptError for another shape of data."""
    try:
        return _CAST.validate_python(data or {})
    except (TypeError, ValueError, OverflowError) as error:
        raise ScriptError(f"This is not a cast: {error!r}. Nothing was changed.") from error


def production_from_json(data: Mapping[str, Any]) -> Production:
    """The production in ``data``; what is missing has its usual value. Raises ScriptError for another shape of data."""
    try:
        return Production(
            from_json(data["script"], own_choices_from_json),
            _CAST.validate_python(data.get("cast") or {}),
            choices_from_json(data),
            _BRIEF.validate_python({n: v for n, v in (data.get("brief") or {}).items() if v is not None}),
            _SAY_AS.validate_python(data.get("say_as") or ()),
        )
    except (KeyError, TypeError, ValueError, AttributeError, OverflowError) as error:
        raise ScriptError(f"This is not a production: {error!r}. Nothing was changed.") from error
