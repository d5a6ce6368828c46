"""Sound to choose from: three beds at a time, each heard under one's own lines; short sounds, heard alone."""

from __future__ import annotations

import io
import wave
from dataclasses import replace
from uuid import UUID

import numpy as np
from django.http import Http404, HttpRequest, HttpResponse
from ninja import Field, Query, Router, Schema

from dearhost.production import with_choices
from dearhost.production.choices import BED_STYLES, BEDS
from dearhost.render import SAMPLE_RATE
from dearhost.render.soundtrack import mastered, tracks_of_scene
from dearhost.sound import STINGS, Placement, Stereo, Track, sting
from dearhost.sound.beds import MOODS, BedSpec, compose
from dearhost.sound.beds.naming import bed_name
from dearhost.stage import compile_scene
from server.productions.api import owned
from server.productions.documents import usable_production
from server.productions.painters import PREVIEW_RATE, other_scenes
from server.studio import studio

router = Router(tags=["sound"])
_HEARD = 12.0
"""Seconds of a bed that is tried."""
_AT_ONCE = 3
_KEYS = ("C", "D flat", "D", "E flat", "E", "F", "F sharp", "G", "A flat", "A", "B flat", "B")
_LARGEST_SEED = 9999


class BedOut(Schema):
    """A bed to choose: ``seed`` is which of them it is, ``tempo`` in beats a minute."""

    seed: int
    name: str
    tempo: int
    key: str


class BedQuery(Schema):
    """Three beds of a mood and a style, from the number ``first`` on."""

    mood: str = "calm"
    style: str = "felt-piano"
    first: int = Field(1, ge=0, le=_LARGEST_SEED)


class TriedBed(Schema):
    """A bed under a scene, heard from ``at`` seconds into it; ``bed`` may be a sound of the shelf."""

    bed: str = "none"
    style: str = "felt-piano"
    seed: int = Field(1, ge=0, le=_LARGEST_SEED)
    at: float = Field(0.0, ge=0, le=86_400)


@router.get("/beds", response=list[BedOut], operation_id="listBeds")
def beds(request: HttpRequest, query: Query[BedQuery]) -> list[BedOut]:
    """Three beds to try."""
    if query.mood not in MOODS or query.style not in BED_STYLES:
        raise Http404
    found = []
    for seed in range(query.first, query.first + _AT_ONCE):
        score = compose(BedSpec(query.mood, query.style, 60.0, seed % (_LARGEST_SEED + 1)))
        minor = " minor" if score.mode == "aeolian" else ""
        name = bed_name(query.mood, query.style, score.spec.seed)
        found.append(
            BedOut(seed=score.spec.seed, name=name, tempo=round(score.grid.tempo), key=_KEYS[score.key] + minor)
        )
    return found


@router.get("/stings/{name}.wav", operation_id="hearSting", include_in_schema=False)
def hear_sting(request: HttpRequest, name: str) -> HttpResponse:
    """A short sound alone."""
    if name not in STINGS:
        raise Http404
    sound = sting(name)
    track = Track("sting", (Placement(0.0, SAMPLE_RATE, sound),))
    return _wav(mastered([track], len(sound) / SAMPLE_RATE, "none"))


@router.get("/{uuid:production_id}/scenes/{scene_id}/bed.wav", operation_id="hearBed", include_in_schema=False)
def hear_bed(request: HttpRequest, production_id: UUID, scene_id: str, query: Query[TriedBed]) -> HttpResponse:
    """Twelve seconds of a scene with a bed under it that need not be chosen yet. Raises StageError, SpeechError."""
    production = owned(request, production_id)
    staged = usable_production(production.document, production.title, production.owner_id)
    if query.bed not in BEDS or query.style not in BED_STYLES:
        raise Http404
    bare = tuple(
        replace(
            scene, staging=replace(scene.staging, own={k: v for k, v in scene.staging.own.items() if k[:3] != "bed"})
        )
        for scene in staged.script.scenes
    )
    staged = replace(staged, script=replace(staged.script, scenes=bare))
    tried = with_choices(staged, bed=query.bed, bed_style=query.style, bed_seed=float(query.seed))
    timeline = compile_scene(
        tried, scene_id, studio(), PREVIEW_RATE, heard=True, others=other_scenes(production, tried)
    )
    scene = timeline.scenes[0]
    sound = mastered(tracks_of_scene(timeline, scene, studio().shelf), scene.duration, timeline.loudness)
    first = round(min(query.at, max(0.0, scene.duration - 3.0)) * SAMPLE_RATE)
    return _wav(sound.part(first, min(len(sound), first + round(_HEARD * SAMPLE_RATE))))


def _wav(sound: Stereo) -> HttpResponse:
    """A sound as a WAV file of two channels."""
    buffer = io.BytesIO()
    with wave.open(buffer, "wb") as file:
        file.setnchannels(2)
        file.setsampwidth(2)
        file.setframerate(SAMPLE_RATE)
        pair = np.stack([sound.left, sound.right], axis=1)
        file.writeframes((np.clip(pair, -1, 1) * 32767).astype("<i2").tobytes())
    return HttpResponse(buffer.getvalue(), content_type="audio/wav", headers={"Cache-Control": "private, max-age=600"})
