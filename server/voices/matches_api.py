"""Voice match: sample, consent, fitting, and what becomes of the voice."""

from __future__ import annotations

from dataclasses import replace
from datetime import date
from typing import Any
from uuid import UUID

from django.db import transaction
from django.http import FileResponse, Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Field, File, Router, Schema, Status, UploadedFile

from dearhost.errors import ConsentError, UnfitSample
from dearhost.speech.matching import GOOD_SECONDS, LEAST_SECONDS, SENTENCES, Consent, consent_from_json
from dearhost.wav import as_wav
from server.accounts.account import account, account_id
from server.assets.recordings import forget_unheld
from server.assets.uploads import sound_of
from server.jobs.actions.start import start_job
from server.studio import studio
from server.voices.actions.sample import add_free_recording, add_sentence
from server.voices.models import SampleSentence, VoiceMatch

router = Router(tags=["voice match"])


class ConsentIn(Schema):
    """What the person agrees to; days are ISO 8601."""

    purpose: str = Field(max_length=300)
    statement: str = Field(max_length=1000)
    until: str = ""


class NewMatch(Schema):
    """Whose voice it will be."""

    person: str = Field(min_length=1, max_length=120)


class SentenceOut(Schema):
    """A sentence of the sample, recorded or not yet."""

    number: int
    text: str
    recorded: bool
    good: bool
    seconds: float
    level: float
    over_noise: float
    faults: list[str]
    note: str


class MatchOut(Schema):
    """A match and where it stands."""

    id: UUID
    person: str
    status: str
    progress: float
    doing: str
    message: str
    job: UUID | None
    voice: str
    purpose: str
    statement: str
    until: str
    spoken: bool
    consented: bool
    sentences: list[SentenceOut]
    seconds: float
    least_seconds: float
    good_seconds: float


def _mine(request: HttpRequest, match_id: UUID) -> VoiceMatch:
    return get_object_or_404(VoiceMatch, pk=match_id, owner_id=account_id(request))


def _data(match: VoiceMatch) -> dict[str, Any]:
    recorded = {s.number: s for s in match.sentences.all()}
    numbers = [*range(len(SENTENCES)), *sorted(n for n in recorded if n >= len(SENTENCES))]
    rows = [_sentence(n, SENTENCES[n] if n < len(SENTENCES) else "", recorded.get(n)) for n in numbers]
    consent = match.consent
    job = match.job
    return {
        "id": match.pk,
        "person": match.person,
        "status": match.status,
        "progress": job.progress if job else float(bool(match.voice)),
        "doing": job.doing if job else "",
        "message": job.message if job else "",
        "job": job.pk if job else None,
        "voice": match.voice,
        "purpose": consent.get("purpose", ""),
        "statement": consent.get("statement", ""),
        "until": consent.get("until", ""),
        "spoken": bool(consent.get("spoken")),
        "consented": bool(consent),
        "sentences": rows,
        "seconds": round(sum(s.seconds for s in recorded.values() if s.good), 1),
        "least_seconds": LEAST_SECONDS,
        "good_seconds": GOOD_SECONDS,
    }


def _sentence(number: int, text: str, kept: SampleSentence | None) -> dict[str, Any]:
    report = kept.report if kept else {}
    quality = report.get("quality", {})
    return {
        "number": number,
        "text": text,
        "recorded": kept is not None,
        "good": bool(kept and kept.good),
        "seconds": kept.seconds if kept else 0.0,
        "level": quality.get("level", 0.0),
        "over_noise": quality.get("over_noise", 0.0),
        "faults": report.get("faults", []),
        "note": report.get("note", ""),
    }


@router.get("", response=list[MatchOut], operation_id="listMatches")
def list_matches(request: HttpRequest) -> list[dict[str, Any]]:
    """The account's matches, newest first."""
    return [_data(m) for m in VoiceMatch.objects.filter(owner_id=account_id(request)).select_related("job")]


@router.post("", response={201: MatchOut}, operation_id="beginMatch")
def begin(request: HttpRequest, data: NewMatch) -> Status[dict[str, Any]]:
    """Begin a match of a person."""
    person = " ".join(data.person.split())
    if not person:
        raise UnfitSample("Whose voice is it? Write the person's name.")
    return Status(201, _data(VoiceMatch.objects.create(owner_id=account_id(request), person=person)))


@router.get("/{uuid:match_id}", response=MatchOut, operation_id="getMatch")
def get(request: HttpRequest, match_id: UUID) -> dict[str, Any]:
    """One match."""
    return _data(_mine(request, match_id))


@router.delete("/{uuid:match_id}", response={204: None}, operation_id="deleteMatch")
def delete(request: HttpRequest, match_id: UUID) -> Status[None]:
    """Give a match up, with its sample. A voice that was made of it stays, under its consent."""
    match = _mine(request, match_id)
    forget_sample(match)
    match.delete()
    return Status(204, None)


def forget_sample(match: VoiceMatch) -> None:
    """Remove a sample, and those of its recordings for good that nobody else holds."""
    recordings = list(match.sentences.values_list("recording", flat=True))
    match.sentences.all().delete()
    forget_unheld(recordings)


@router.post("/{uuid:match_id}/sentences/{int:number}", response=MatchOut, operation_id="recordSentence")
def record(request: HttpRequest, match_id: UUID, number: int, file: File[UploadedFile]) -> dict[str, Any]:
    """A recording of one guided sentence, judged at once."""
    match = _mine(request, match_id)
    add_sentence(match, number, sound_of(file))
    return _data(match)


@router.post("/{uuid:match_id}/recordings", response=MatchOut, operation_id="addRecording")
def add_recording(request: HttpRequest, match_id: UUID, file: File[UploadedFile]) -> dict[str, Any]:
    """A recording of any words of the person."""
    match = _mine(request, match_id)
    add_free_recording(match, sound_of(file))
    return _data(match)


@router.get("/{uuid:match_id}/sentences/{int:number}/sound.wav", operation_id="sentenceSound", include_in_schema=False)
def sentence_sound(request: HttpRequest, match_id: UUID, number: int) -> FileResponse:
    """A recorded sentence as it was kept."""
    kept = get_object_or_404(SampleSentence, match=_mine(request, match_id), number=number)
    return FileResponse(studio().speaker.recordings.path(kept.recording).open("rb"), content_type="audio/flac")


@router.put("/{uuid:match_id}/consent", response=MatchOut, operation_id="giveConsent")
def give_consent(request: HttpRequest, match_id: UUID, data: ConsentIn) -> dict[str, Any]:
    """The person's consent in writing."""
    match = _mine(request, match_id)
    consent = Consent(
        person=match.person,
        given_on=date.today().isoformat(),
        purpose=data.purpose.strip(),
        statement=data.statement.strip(),
        until=data.until.strip(),
        spoken=match.consent.get("spoken", ""),
        by=account(request).get_full_name() or account(request).get_username(),
    ).checked()
    problem = consent.problem(date.today())
    if problem:
        raise ConsentError(problem)
    _keep_consent(match, consent)
    return _data(match)


def _keep_consent(match: VoiceMatch, consent: Consent) -> None:
    """With the match, and with the voice that was made of it, unless that was withdrawn."""
    match.consent = consent.to_json()
    match.save(update_fields=["consent", "updated_at"])
    if match.voice:
        kept = studio().voices.matched
        voice = kept.find(match.voice)
        if not voice.consent.withdrawn_on:
            kept.keep(replace(voice, consent=consent))


@router.post("/{uuid:match_id}/consent/spoken", response=MatchOut, operation_id="sayConsent")
def say_consent(request: HttpRequest, match_id: UUID, file: File[UploadedFile]) -> dict[str, Any]:
    """The statement of the consent said aloud, kept with it. The consent must have been written down before."""
    match = _mine(request, match_id)
    if not match.consent:
        raise ConsentError("Write down what the person agrees to first; then record them saying it.")
    sound = sound_of(file)
    speaker = studio().speaker
    heard = speaker.aligner.align(sound.samples, sound.rate, match.consent["statement"], "en-US")
    if heard.unlike or len(heard.skipped) > 0.4 * len(heard.words):
        raise ConsentError("The recording does not say the statement. Read it aloud as it is written.")
    _keep_consent(match, consent_from_json({**match.consent, "spoken": speaker.recordings.add(sound.samples)}))
    return _data(match)


@router.post("/{uuid:match_id}/fit", response=MatchOut, operation_id="fitMatch")
def fit(request: HttpRequest, match_id: UUID) -> dict[str, Any]:
    """Fit the voice. Raises ConsentError without consent, UnfitSample with too little of a sample."""
    match = _mine(request, match_id)
    if not match.consent:
        raise ConsentError(f"{match.person} has not given consent yet. A voice is matched only with it.")
    problem = consent_from_json(match.consent).problem(date.today())
    if problem:
        raise ConsentError(problem)
    seconds = sum(s.seconds for s in match.sentences.all() if s.good)
    if seconds < LEAST_SECONDS:
        raise UnfitSample(f"The sample holds {seconds:.0f} s that can be used; {LEAST_SECONDS:.0f} s are needed.")
    if match.job is None or not match.job.waiting:
        with transaction.atomic():
            match.job = start_job(match.owner_id, "voice-match", {"match": str(match.pk)})
            match.save(update_fields=["job", "updated_at"])
    return _data(match)


@router.get("/{uuid:match_id}/compare/{which}.wav", operation_id="compareMatch", include_in_schema=False)
def compare(request: HttpRequest, match_id: UUID, which: str, number: int = 0) -> HttpResponse:
    """One guided sentence by the base voice ('before') or by the match ('after')."""
    match = _mine(request, match_id)
    if not match.voice or which not in ("before", "after") or not 0 <= number < len(SENTENCES):
        raise Http404
    voice = match.voice if which == "after" else studio().voices.begun_from(match.voice)
    return HttpResponse(as_wav(studio().speaker.read(SENTENCES[number], voice)), content_type="audio/wav")
