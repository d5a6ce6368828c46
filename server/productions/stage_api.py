"""What the script holds and when each word is heard."""

from __future__ import annotations

from typing import Any
from uuid import UUID

import numpy as np
from django.http import HttpRequest
from ninja import Router

from dearhost.films import running_time
from dearhost.hosts.rhythm import PlacedReading, Rhythm
from dearhost.lips import PARAMETERS
from dearhost.script import Script, estimated_seconds, findings, words_of
from dearhost.speech import Speaker
from dearhost.stage import Production as StagedProduction
from dearhost.stage import SceneTimeline, compile_scene, production_from_json, scene_times
from dearhost.stage.pacing import place_lines
from dearhost.timebase import FrameRate
from server.productions.api import owned
from server.productions.documents import production_of
from server.productions.schemas import CheckOut, DocumentSchema, SceneTimes
from server.voices.studio import studio

router = Router(tags=["stage"])
_RATE = FrameRate.of(30)


@router.post("/check", response=CheckOut, operation_id="checkDocument")
def check(request: HttpRequest, document: DocumentSchema) -> dict[str, Any]:
    """Words, running times and findings of a document that need not be saved."""
    production = production_from_json(document.dict()).checked(studio().voices)
    time = running_time(production.script, studio(), production)
    return {
        "words": time.words,
        "seconds": time.seconds,
        "estimated": time.estimated,
        "scenes": [_scene_time(production, index, studio().speaker) for index in range(len(production.script.scenes))],
        "findings": [_finding(f.to_json()) for f in findings(production.script)],
    }


def _finding(data: dict[str, Any]) -> dict[str, Any]:
    place = data["at"]
    if place:
        data["at"] = {"scene": place["scene"], "line": place["line"], "start": place["from"], "end": place["to"]}
    return data


def _scene_time(production: StagedProduction, index: int, speaker: Speaker) -> dict[str, Any]:
    scene = production.script.scenes[index]
    words = sum(len(words_of(line.text)) for line in scene.lines)
    readings = [speaker.known(line.text, production.entry(line.speaker).voice) for line in scene.lines]
    known = [r for r in readings if r is not None]
    if readings and len(known) == len(readings):
        seconds = place_lines([r.duration for r in known], [line.speaker for line in scene.lines])[1]
        return {"id": scene.id, "words": words, "seconds": round(seconds, 2), "estimated": False}
    return {
        "id": scene.id,
        "words": words,
        "seconds": round(estimated_seconds(Script(scenes=(scene,))), 1),
        "estimated": True,
    }


@router.get("/{uuid:production_id}/scenes/{scene_id}/times", response=SceneTimes, operation_id="getSceneTimes")
def times(request: HttpRequest, production_id: UUID, scene_id: str, revision: int = 0) -> dict[str, Any]:
    """When each word of a scene is heard. Lines not read yet are read now.

    ``revision`` only keeps answers for different revisions apart.
    """
    production = owned(request, production_id)
    staged = production_of(production.document, production.title)
    timeline = compile_scene(staged, scene_id, studio().speaker, _RATE)
    scene = timeline.scenes[0]
    data = scene_times(scene)
    for line in data["lines"]:
        line["words"] = [{**w, "offset": w["from"]} for w in line["words"]]
    return {**data, "mouths": _mouths(scene)}


def _mouths(scene: SceneTimeline) -> list[dict[str, Any]]:
    """One shape a viseme, whoever speaks."""
    lines = tuple(PlacedReading(line.span.start, line.reading) for line in scene.lines)
    rhythm = Rhythm(lines, scene.duration, _RATE)
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
