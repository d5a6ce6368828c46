"""Fitting a voice: the work of a job of kind "voice-match"."""

from __future__ import annotations

from typing import Any

from dearhost.production.uses import VOICE, Use
from dearhost.sound.files import RATE
from dearhost.speech.matching import SampleSentence as Sentence
from dearhost.speech.matching import consent_from_json, match_voice
from server.assets.ownership import belongs_to
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.studio import studio
from server.voices.models import VoiceMatch


def fit_voice(job: Job, report: Reporter) -> dict[str, Any]:
    """Fit the voice of a match to its sample."""
    match = VoiceMatch.objects.get(pk=job.order["match"], owner_id=job.owner_id)
    recordings, registry = studio().speaker.recordings, studio().voices
    sample = [
        Sentence(recordings.samples(sentence.recording), RATE, sentence.text)
        for sentence in match.sentences.filter(good=True)
    ]
    consent = consent_from_json(match.consent)
    draft = studio().speaker.aligner.draft
    voice = match_voice(
        match.person, sample, consent, registry.bases(), lambda p, doing: report(p, None, doing), draft,
        registry.near_voices(),
    )  # fmt: skip
    registry.matched.keep(voice)
    belongs_to(job.owner_id, Use(VOICE, voice.id))
    VoiceMatch.objects.filter(pk=match.pk).update(voice=voice.id)
    return {"voice": voice.id}
