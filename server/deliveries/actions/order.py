"""Order a render of a production as it stands."""

from __future__ import annotations

from django.db import transaction

from dearhost.errors import RenderError
from dearhost.films import ensure_form
from dearhost.production import ensure_speakable
from dearhost.stage import Picture
from server.deliveries.actions.put_away import forget_old
from server.deliveries.models import Delivery
from server.jobs.actions.start import start_job
from server.jobs.models import Job
from server.productions.documents import usable_production
from server.productions.models import Production
from server.shelf.using import rights_missing
from server.studio import studio

MOST_WAITING = 40


def order_delivery(
    production: Production, *, height: int, frames_per_second: int, captions: str, form: str = "mp4"
) -> Delivery:
    """Queue a delivery of the current revision.

    Raises RenderError, NothingToSay, UnfilledPlaceholder, UnknownVoice, UnknownHost, StageError before anything is
    queued; RenderError also where too many are waiting.
    """
    unfinished = (Job.Status.QUEUED, Job.Status.RUNNING)
    if Delivery.objects.filter(owner_id=production.owner_id, job__status__in=unfinished).count() >= MOST_WAITING:
        raise RenderError(f"{MOST_WAITING} films are waiting already. Wait for some or stop them, then order this one.")
    ensure_form(form, captions)
    staged = usable_production(production.document, production.title, production.owner_id)
    ensure_speakable(staged.script)
    staged.checked(studio())
    if missing := rights_missing(production.owner_id, staged):
        raise RenderError(f"{missing[0]} Say it on the Shelf, then order the film.")
    Picture.of(staged.choices.shape, height)
    forget_old()
    with transaction.atomic():
        return Delivery.objects.create(
            job=start_job(production.owner_id, "film", {}),
            owner=production.owner,
            production=production,
            title=production.title,
            document=production.document,
            height=height,
            frames_per_second=frames_per_second,
            captions=captions,
            form=form,
        )
