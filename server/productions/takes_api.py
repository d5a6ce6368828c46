"""How lines are heard, and their takes: kept readings and recordings."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from itertools import chain
from typing import Any
from uuid import UUID

import numpy as np
from django.http import HttpRequest, HttpResponse, StreamingHttpResponse
from django.shortcuts import get_object_or_404
from ninja import Field, File, Router, Schema, Status, UploadedFile

from dearhost.errors import StageError
from dearhost.production import manner_of
from dearhost.script import Line, spoken_lines
from dearhost.sound.files import RATE, Sound
from dearhost.speech import Reading, Taken, spoken_otherwise, take_in, take_in_lines, tidied
from dearhost.wav import as_wav, wav_as_read
from server.assets.uploads import sound_of
from server.productions.actions.takes import (
    HeardLine,
    keep_readings,
    keep_recording,
    line_of,
    with_settings,
)
from server.productions.api import owned
from server.productions.documents import usable_production
from server.productions.models import Production, Take
from server.streaming import asynchronous
from server.studio import studio

router = Router(tags=["takes"])
_AS_NOW = {"Cache-Control": "private, no-cache"}
_MELODY_RATE = 50.0
_MOST_AT_ONCE = 6


class TakeOut(Schema):
    """A take of a line. ``delivery`` and ``recording`` are what its line's cues hold when it is the line's take."""

    id: UUID
    line: str
    number: int
    name: str
    text: str
    voice: str
    delivery: dict[str, str | float]
    recording: str
    notes: list[str]
    seconds: float
    created_at: datetime


class HeardWord(Schema):
    """A word as it is heard; ``confidence`` tells how sure its place in a recording is."""

    text: str
    start: float
    end: float
    offset: int
    confidence: float
    said: bool
    spoken: str = Field("", description="what is said for it, where that is not what is written")


class HeardOut(Schema):
    """A line as it is heard: its words, and ``rate`` values a second of pitch (Hz, 0 unvoiced) and level (dB).

    ``plain`` is the pitch as the voice reads it by itself, stretched to the same length.
    """

    seconds: float
    rate: float
    pitch: list[float]
    level: list[float]
    plain: list[float]
    words: list[HeardWord]
    pace: float = Field(description="words a minute")
    voice: str = Field(description="the voice that says it: the speaker's, or the nearest that has its language")
    stand_in: str = Field(description="the quick voice it is heard in while it is written, or nothing")


class KeepTakes(Schema):
    """Deliveries to read a line with, each as the settings of a delivery cue; {} is the voice by itself."""

    deliveries: list[dict[str, str | float]] = Field(min_length=1, max_length=_MOST_AT_ONCE)


class NameTake(Schema):
    """A name of its own, or "" for none."""

    name: str = Field(max_length=80)


class TidyTake(Schema):
    """What to do to a recording. ``longest_silence`` in seconds, 0 to leave them."""

    noise: bool = False
    longest_silence: float = Field(0.0, ge=0.0, le=3.0)


@router.get("/{uuid:production_id}/takes", response=list[TakeOut], operation_id="listTakes")
def list_takes(request: HttpRequest, production_id: UUID) -> list[Take]:
    """All takes of a production, by line and number."""
    return list(owned(request, production_id).takes.all())


@router.get("/{uuid:production_id}/lines/{line_id}/heard", response=HeardOut, operation_id="getLineHeard")
def heard(request: HttpRequest, production_id: UUID, line_id: str, revision: int = 0) -> dict[str, Any]:
    """A line of the current revision as it is heard in the film; read now if need be, or only foreseen where it is
    heard in a quick voice while somebody writes."""
    heard_line = line_of(owned(request, production_id), line_id)
    line, voice = heard_line.line, heard_line.voice
    read = HeardLine.foreseen if heard_line.stand_in else HeardLine.reading
    reading = read(heard_line)
    recording = manner_of(line).recording
    sure = [(1.0, True)] * len(reading.words)
    if recording:
        placed = studio().speaker.alignment(line.text, voice, recording)
        sure = [(word.confidence, word.said) for word in placed.words]
    plain = reading if recording else read(heard_line.having(Line(line.id, line.speaker, line.text)))
    spoken = {} if recording else spoken_otherwise(line.text, language_of(voice), heard_line.manner)
    count = max(2, int(reading.duration * _MELODY_RATE))
    minutes = max(0.02, reading.words[-1].end - reading.words[0].start) / 60
    return {
        "seconds": round(reading.duration, 3),
        "rate": _MELODY_RATE,
        "pitch": _sampled(reading, count, "pitch"),
        "level": _sampled(reading, count, "loudness"),
        "plain": _sampled(plain, count, "pitch"),
        "words": [
            {"text": w.text, "start": round(w.start, 3), "end": round(w.end, 3), "offset": w.from_,
             "confidence": round(c, 2), "said": said, "spoken": spoken.get(i, "")}
            for i, (w, (c, said)) in enumerate(zip(reading.words, sure, strict=True))
        ],
        "pace": round(len(reading.words) / minutes),
        "voice": voice,
        "stand_in": heard_line.stand_in,
    }  # fmt: skip


def language_of(voice: str) -> str:
    """The language a voice speaks."""
    return studio().voices.voice(voice).language


def _sampled(reading: Reading, count: int, curve: str) -> list[float]:
    values: np.ndarray = getattr(reading.prosody, curve)
    index = np.clip((np.arange(count) / count * len(values)).astype(int), 0, len(values) - 1)
    return [round(float(v), 1) for v in values[index]]


@router.get("/{uuid:production_id}/lines/{line_id}/sound.wav", operation_id="lineSound", include_in_schema=False)
def line_sound(request: HttpRequest, production_id: UUID, line_id: str) -> HttpResponse | StreamingHttpResponse:
    """A line of the current revision by itself, at the loudness of a film: in a quick voice where the production is
    written so. One that is not read yet is heard while it is read, sentence by sentence."""
    heard_line = line_of(owned(request, production_id), line_id).as_draft()
    parts = heard_line.as_read()
    first = next(parts)  # what is wrong with the line is told before anything is sent
    if heard_line.is_read:
        return _wav(heard_line.reading())
    sound = wav_as_read(chain([first], parts))
    return StreamingHttpResponse(asynchronous(sound), content_type="audio/wav", headers=_AS_NOW)


def _wav(reading: Reading) -> HttpResponse:
    return HttpResponse(as_wav(reading), content_type="audio/wav", headers=_AS_NOW)


@router.post("/{uuid:production_id}/lines/{line_id}/takes", response={201: list[TakeOut]}, operation_id="keepTakes")
def keep(request: HttpRequest, production_id: UUID, line_id: str, data: KeepTakes) -> Status[list[Take]]:
    """Read a line with each delivery and keep the readings as takes."""
    return Status(201, keep_readings(owned(request, production_id), line_id, data.deliveries))


@router.post("/{uuid:production_id}/lines/{line_id}/recording", response={201: TakeOut}, operation_id="recordLine")
def record(request: HttpRequest, production_id: UUID, line_id: str, file: File[UploadedFile]) -> Status[Take]:
    """A person's recording of a line, from the microphone or a file, as a take."""
    production = owned(request, production_id)
    heard_line = line_of(production, line_id)
    speaker = studio().speaker
    language = language_of(heard_line.voice)
    taken = take_in(sound_of(file), heard_line.line.text, language, speaker.recordings, speaker.aligner)
    return Status(201, keep_recording(production, line_id, taken))


@router.post("/{uuid:production_id}/recording", response={201: list[TakeOut]}, operation_id="recordLines")
def record_lines(
    request: HttpRequest, production_id: UUID, file: File[UploadedFile], scene: str = ""
) -> Status[list[Take]]:
    """One recording of a whole scene, or of the whole script, cut to a take for each line."""
    production = owned(request, production_id)
    staged = usable_production(production.document, production.title, production.owner_id).checked(studio())
    lines = [line for s in staged.script.scenes if scene in ("", s.id) for line in spoken_lines(s)]
    if not lines:
        raise StageError("Nothing is spoken here yet. Write the lines, then add their recording.")
    speaker = studio().speaker
    language = studio().voices.voice(staged.entry(lines[0].speaker).voice).language
    sound = sound_of(file)
    taken = take_in_lines(sound, [line.text for line in lines], language, speaker.recordings, speaker.aligner)
    return Status(201, [keep_recording(production, line.id, t) for line, t in zip(lines, taken, strict=True)])


def _take(request: HttpRequest, production_id: UUID, take_id: UUID) -> tuple[Production, Take]:
    production = owned(request, production_id)
    return production, get_object_or_404(Take, pk=take_id, production=production)


@router.post("/{uuid:production_id}/takes/{uuid:take_id}/tidy", response={201: TakeOut}, operation_id="tidyTake")
def tidy(request: HttpRequest, production_id: UUID, take_id: UUID, data: TidyTake) -> Status[Take]:
    """A tidier copy of a recorded take, beside it."""
    production, take = _take(request, production_id, take_id)
    if not take.recording:
        raise StageError("Only a recording can be tidied. This take is read by a voice.")
    speaker = studio().speaker
    samples = tidied(speaker.recordings.samples(take.recording), noise=data.noise,
                     longest_silence=data.longest_silence)  # fmt: skip
    made = keep_recording(production, take.line, _retaken(samples, take))
    done = [w for w, on in (("less room noise", data.noise), ("shorter silences", data.longest_silence > 0)) if on]
    made.name = f"take {take.number} with {' and '.join(done)}" if done else ""
    made.save(update_fields=["name"])
    return Status(201, made)


def _retaken(samples: np.ndarray, take: Take) -> Taken:
    speaker = studio().speaker
    language = language_of(take.voice)
    return take_in(Sound(samples, RATE, RATE), take.text, language, speaker.recordings, speaker.aligner)


@router.get("/{uuid:production_id}/takes/{uuid:take_id}/sound.wav", operation_id="takeSound", include_in_schema=False)
def take_sound(request: HttpRequest, production_id: UUID, take_id: UUID) -> HttpResponse:
    """A take by itself, at the loudness of a film: said as it was kept, whatever became of its line."""
    production, take = _take(request, production_id, take_id)
    kept = HeardLine(Line(take.line, "", take.text), take.voice)
    try:
        now = line_of(production, take.line)
        kept = replace(now, line=now.line if now.line.text == take.text else kept.line, voice=take.voice)
    except StageError:
        pass
    return _wav(kept.having(with_settings(kept.line, take.delivery, take.recording)).reading())


@router.patch("/{uuid:production_id}/takes/{uuid:take_id}", response=TakeOut, operation_id="nameTake")
def name(request: HttpRequest, production_id: UUID, take_id: UUID, data: NameTake) -> Take:
    """Give a take a name."""
    _, take = _take(request, production_id, take_id)
    take.name = data.name.strip()
    take.save(update_fields=["name"])
    return take


@router.delete("/{uuid:production_id}/takes/{uuid:take_id}", response={204: None}, operation_id="deleteTake")
def delete(request: HttpRequest, production_id: UUID, take_id: UUID) -> Status[None]:
    """Delete a take from the list; its recording stays, so that an older revision can still be heard."""
    _, take = _take(request, production_id, take_id)
    take.delete()
    return Status(204, None)
