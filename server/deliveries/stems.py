"""The work of jobs that write a film's sound in its parts, with whose it is."""

from __future__ import annotations

import tempfile
import zipfile
from pathlib import Path
from typing import Any
from uuid import UUID

from django.utils.text import slugify

from dearhost.assets.shelf.licences import LICENCES
from dearhost.render.stems import write_stems
from dearhost.stage import compile_timeline
from dearhost.storage import write_whole
from dearhost.timebase import FrameRate
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.productions.documents import usable_production
from server.productions.models import Production
from server.shelf.using import entries_used
from server.studio import studio

_RATE = FrameRate.of(30)


def make_stems(job: Job, report: Reporter) -> dict[str, Any]:
    """The sound of a production's film in its parts, with a cue sheet, in one zip."""
    production = Production.objects.get(pk=UUID(job.order["production"]), owner_id=job.owner_id)
    staged = usable_production(production.document, production.title, job.owner_id)

    def reading(done: int, total: int) -> None:
        report(0.7 * done / max(1, total), None, "reading")

    timeline = compile_timeline(staged, studio(), _RATE, reading)
    report(0.75, None, "mixing")
    rights = {
        e.item: (e.title, e.author, LICENCES.get(e.licence, "not said")) for e in entries_used(job.owner_id, staged)
    }
    name = f"{slugify(production.title) or 'production'}-sound.zip"

    def pack(part: Path) -> None:
        with tempfile.TemporaryDirectory() as folder, zipfile.ZipFile(part, "w", zipfile.ZIP_STORED) as archive:
            for path in write_stems(timeline, studio().shelf, Path(folder), job.order["kind"], rights):
                archive.write(path, path.name)

    write_whole(job.folder / name, pack)
    return {"file": name}
