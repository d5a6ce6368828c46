"""Fitting a voice, by the workers."""

from __future__ import annotations

from django_tasks import task

from dearhost.errors import DearHostError
from dearhost.sound.files import RATE
from dearhost.speech.matching import SampleSentence as Sentence
from dearhost.speech.matching import consent_from_json, match_voice
from server.studio import studio
from server.voices.models import VoiceMatch

Status = VoiceMatch.Status


@task()
def fit_match(match_id: str) -> None:
    """Fit one queued match; a second message for it does nothing."""
    mine = VoiceMatch.objects.filter(pk=match_id)
    if not mine.filter(status=Status.QUEUED).update(status=Status.RUNNING, progress=0, message=""):
        return
    match = mine.get()

    def progress(part: float, doing: str) -> None:
        match.progress, match.doing = part, doing
        match.save(update_fields=["progress", "doing", "updated_at"])

    try:
        recordings, registry = studio().speaker.recordings, studio().voices
        sample = [
            Sentence(recordings.samples(sentence.recording), RATE, sentence.text)
            for sentence in match.sentences.filter(good=True)
        ]
        consent = consent_from_json(match.consent)
        draft = studio().speaker.aligner.draft
        voice = match_voice(match.person, sample, consent, registry.bases(), progress, draft)
        registry.matched.keep(voice)
        mine.update(status=Status.DONE, voice=voice.id, progress=1.0, doing="", message="")
    except DearHostError as error:
        mine.update(status=Status.FAILED, message=str(error)[:400])
    except Exception as error:
        mine.update(status=Status.FAILED, message=f"Something unforeseen happened ({error})."[:400])
        raise
