"""What the script holds and when each word is heard."""

from __future__ import annotations

from dataclasses import asdict, replace
from typing import Any
from uuid import UUID

import numpy as np
from django.http import HttpRequest
from ninja import Router

from dearhost.errors import ConsentError, SpeechError
from dearhost.films import scene_times_of, total_time
from dearhost.hosts import CAST
from dearhost.hosts.motion.rhythm import PlacedReading, Rhythm
from dearhost.lips import PARAMETERS
from dearhost.production import (
    CHOICES,
    CUE_KINDS,
    Choice,
    Production,
    findings,
    full_cast,
    language_findings,
    production_from_json,
    unlike_findings,
)
from dearhost.production.direction_cues import direction_cues
from dearhost.production.length_ways import length_ways
from dearhost.production.uses import HOST, Use
from dearhost.script import CueKind, Finding
from dearhost.stage import SceneTimeline, scene_times, standing
from dearhost.stage.caption_check import caption_rows
from dearhost.stage.music_level import music_level
from dearhost.writing.advice import advise
from dearhost.writing.brief_check import brief_notes
from server.accounts.account import account_id
from server.assets.ownership import key_of
from server.productions.api import owned
from server.productions.check_schemas import CheckOut
from server.productions.clip_words import tidying_in
from server.productions.document_schemas import DocumentSchema
from server.productions.documents import usable_production
from server.productions.painters import PREVIEW_RATE, scene_timeline
from server.productions.reading_ahead import ahead
from server.productions.stage_schemas import CueKindOut, ProductionChoiceOut, SceneTimes
from server.studio import studio

router = Router(tags=["stage"])


@router.post("/check", response=CheckOut, operation_id="checkDocument")
def check(request: HttpRequest, document: DocumentSchema) -> dict[str, Any]:
    """Words, running times and findings of a document that need not be saved."""
    written = production_from_json(document.dict())
    production = replace(written, cast=full_cast(written.script, written.cast, studio().voices))
    scenes = production.script.scenes
    times = scene_times_of(production, studio())
    total = total_time(times)
    language = _language(production)
    report = advise(production.script, production.brief, language, total.seconds)
    return {
        **asdict(total),
        "cast": {s: production.entry(s) for s in written.script.speakers() if s not in written.cast},
        "ways": length_ways(production.brief.target, total.seconds, total.spoken, production.cast.values()),
        "scenes": [{"id": scene.id, **asdict(time)} for scene, time in zip(scenes, times, strict=True)],
        "findings": [_finding(f.to_json()) for f in (*findings(production.script), *_cast_findings(production))],
        "advice": report.advice,
        "brief": brief_notes(production.brief),
        "tidying": tidying_in(account_id(request), production),
        "directions": [asdict(found) for found in direction_cues(production.script)],
        "readability": report.readability,
    }


def _cast_findings(production: Production) -> tuple[Finding, ...]:
    """Voices that do not fit their lines, or the hosts that come with the application."""
    voices = studio().voices
    chosen = {speaker: entry.voice for speaker, entry in production.cast.items()}
    with_hosts = {
        speaker: (CAST[key], entry.voice)
        for speaker, entry in production.cast.items()
        if (key := key_of(Use(HOST, entry.host))) in CAST
    }
    return language_findings(production.script, chosen, voices) + unlike_findings(with_hosts, voices)


def _language(production: Production) -> str:
    """What the first speaker's voice speaks; English while it cannot speak."""
    try:
        return studio().voices.voice(next(iter(production.cast.values())).voice).language
    except (SpeechError, ConsentError):
        return "en"


@router.get("/cues", response=list[CueKindOut], operation_id="listCueKinds")
def cue_kinds(request: HttpRequest) -> list[CueKind]:
    """Everything that can happen on a word, in the order it is offered."""
    return list(CUE_KINDS)


@router.get("/choices", response=list[ProductionChoiceOut], operation_id="listChoices")
def choices(request: HttpRequest) -> list[dict[str, Any]]:
    """Everything that can be chosen for a production or a scene."""
    return [_choice(choice) for choice in CHOICES.values()]


def _choice(choice: Choice) -> dict[str, Any]:
    values = [{"value": value, "words": words} for value, words in choice.values.items()]
    kept = ("name", "kind", "label", "default", "unit")
    asks = choice.asks or choice.label
    return {name: getattr(choice, name) for name in kept} | {
        "asks": asks,
        "scope": choice.scope.value,
        "touches": choice.touches.value,
        "values": values,
    }


def _finding(data: dict[str, Any]) -> dict[str, Any]:
    place = data["at"]
    if place:
        data["at"] = {"scene": place["scene"], "line": place["line"], "start": place["from"], "end": place["to"]}
    return data


@router.get("/{uuid:production_id}/scenes/{scene_id}/times", response=SceneTimes, operation_id="getSceneTimes")
def times(request: HttpRequest, production_id: UUID, scene_id: str, revision: int = 0) -> dict[str, Any]:
    """When each word of a scene is heard. Lines not read yet are read, or foreseen now and read ahead.

    ``revision`` only keeps answers for different revisions apart.
    """
    production = owned(request, production_id)
    scene = scene_timeline(production, scene_id).scenes[0]
    data = scene_times(scene)
    for line in data["lines"]:
        line["words"] = [{**w, "offset": w["from"]} for w in line["words"]]
    staged = usable_production(production.document, production.title, production.owner_id).checked(studio())
    written = next(s for s in staged.script.scenes if s.id == scene_id)
    if staged.choices.hearing == "full":
        ahead.scene(str(production_id), staged, scene_id)
    return {
        **data,
        "mouths": _mouths(scene),
        "captions": [{**asdict(row), "rows": row.texts} for row in caption_rows(scene)],
        "water": [{"at": at, "level": level} for at, level in music_level(scene)],
        "blocking": standing(staged, written, studio()),
    }


def _mouths(scene: SceneTimeline) -> list[dict[str, Any]]:
    """One shape a viseme, whoever speaks."""
    lines = tuple(PlacedReading(line.span.start, line.reading) for line in scene.lines)
    rhythm = Rhythm(lines, scene.duration, PREVIEW_RATE)
    segments = [s for s in rhythm.mouth.segments if s.viseme and s.end - s.start > 0.02]
    rows = rhythm.mouth.at(np.array([(s.start + s.end) / 2 for s in segments])) if segments else np.zeros((0, 9))
    names = {name: PARAMETERS.index(name) for name in ("open", "wide", "round")}
    return [
        {
            "at": round((segment.start + segment.end) / 2, 3),
            "closed": segment.viseme == 1,
            **{name: round(float(row[i]), 3) for name, i in names.items()},
        }
        for segment, row in zip(segments, rows, strict=True)
    ]
