"""The work of jobs about productions: voice-overs, and drafts of recordings."""

from __future__ import annotations

import tempfile
import zipfile
from pathlib import Path
from typing import Any
from uuid import UUID

from django.contrib.auth.models import User
from django.utils.text import slugify

from dearhost.render.voice_over import VoiceOverOrder, write_voice_over
from dearhost.sound.files import RATE, Sound
from dearhost.stage import compile_timeline
from dearhost.storage import write_whole
from dearhost.timebase import FrameRate
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.productions.actions.draft import production_from_recording
from server.productions.documents import usable_production
from server.productions.models import Production
from server.studio import studio

VOICE_RATE = FrameRate.of(30)


def make_voice_over(job: Job, report: Reporter) -> dict[str, Any]:
    """The voice alone as sound files, with word times, captions and a cue sheet, in one zip."""
    production = Production.objects.get(pk=UUID(job.order["production"]), owner_id=job.owner_id)
    order = VoiceOverOrder(**job.order["voice_over"]).checked()
    staged = usable_production(production.document, production.title, job.owner_id)

    def reading(done: int, total: int) -> None:
        report(0.9 * done / max(1, total), None, "reading")

    timeline = compile_timeline(staged, studio(), VOICE_RATE, reading)
    report(0.9, None, "packing")
    name = f"{slugify(production.title) or 'production'}-voice.zip"

    def pack(part: Path) -> None:
        with tempfile.TemporaryDirectory() as folder, zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED) as archive:
            for path in write_voice_over(timeline, Path(folder), order):
                archive.write(path, path.name)

    write_whole(job.folder / name, pack)
    return {"file": name}


def draft_from_recording(job: Job, report: Reporter) -> dict[str, Any]:
    """A production whose lines are a draft of what a recording says."""
    report(0.05, None, "listening")
    owner = User.objects.get(pk=job.owner_id)
    samples = studio().speaker.recordings.samples(job.order["recording"])
    production = production_from_recording(owner, Sound(samples, RATE, RATE), job.order["title"])
    return {"production": str(production.pk)}
