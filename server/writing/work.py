"""The work of jobs about writing: comments sorted, drafts by a model."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any
from uuid import UUID

from dearhost.production import read_script
from dearhost.script import placeholders, spoken_lines, to_json
from dearhost.writing.audience import Concern, read_audience
from dearhost.writing.model_writer import write_draft
from dearhost.writing.reworking.script_rework import sentences_of
from dearhost.writing.structures import STRUCTURES
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.productions.documents import production_of
from server.productions.models import Production
from server.writing.model_api import own_server
from server.writing.models import ProductionComments
from server.writing.reading import audience_data, brief_of
from server.writing.schemas import DraftsIn


def sort_comments(job: Job, report: Reporter) -> dict[str, Any]:
    """What puzzles the audience of a production, what they wish for and praise."""
    production = Production.objects.get(pk=UUID(job.order["production"]), owner_id=job.owner_id)
    kept = ProductionComments.objects.get(production=production)
    staged = production_of(production.document, production.title)
    said = sentences_of([line for scene in staged.script.scenes for line in spoken_lines(scene)])
    answers = [*staged.brief.points, *[sentence.text for sentence in said]]
    moved = {int(index): Concern(concern) for index, concern in kept.moved.items()}
    joined = [(int(one), int(other)) for one, other in kept.joined]
    audience = read_audience(
        kept.texts, answers, moved, joined=joined, step=lambda fraction: report(fraction, None, "sorting")
    )
    return audience_data(audience, said)


def write_with_model(job: Job, report: Reporter) -> dict[str, Any]:
    """A draft by the account's model; what it made up is an open slot in it."""
    order = DraftsIn(**job.order)
    read = brief_of(order)
    structure = STRUCTURES[order.structures[0] if order.structures else "hook"]
    server = own_server(job.owner_id)
    written = write_draft(
        server, read, structure, order.target, order.seed, lambda: report(0.1, None, "the model writes")
    )
    script = read_script(written.text, "markdown")
    last = len(script.scenes) - 1
    parts = [
        {
            "place": "opening" if index == 0 else "ending" if index == last else "middle",
            "seconds": sum(read.pace.seconds(line.text) for line in spoken_lines(scene)),
            "open_seconds": 0.0,
            "points": [],
            "open": [line.text[slot.start : slot.end] for line in scene.lines for slot in placeholders(line.text)],
            "scene": data,
        }
        for index, (scene, data) in enumerate(zip(script.scenes, to_json(script)["scenes"], strict=True))
    ]
    return {
        "structure": structure.id,
        "name": structure.name,
        "seconds": written.seconds,
        "open_seconds": 0.0,
        "points": [],
        "parts": parts,
        "invented": [{**asdict(fault), "message": fault.message} for fault in written.invented],
    }
