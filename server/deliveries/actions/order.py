"""Order a render of a production as it stands."""

from __future__ import annotations

from django.db import transaction

from dearhost.films import ensure_form
from dearhost.production import ensure_speakable
from dearhost.stage import Picture
from server.deliveries.models import Delivery
from server.deliveries.tasks import enqueue
from server.productions.documents import production_of
from server.productions.models import Production
from server.studio import studio


def order_delivery(
    production: Production, *, height: int, frames_per_second: int, captions: str, form: str = "mp4"
) -> Delivery:
    """Queue a delivery of the current revision.

    Raises RenderError, NothingToSay, UnfilledPlaceholder, UnknownVoice, UnknownHost, StageError before anything is
    queued.
    """
    ensure_form(form, captions)
    staged = production_of(production.document, production.title)
    ensure_speakable(staged.script)
    staged.checked(studio())
    Picture.of(staged.choices.shape, height)
    with transaction.atomic():
        delivery = Delivery.objects.create(
            owner=production.owner,
            production=production,
            title=production.title,
            document=production.document,
            height=height,
            frames_per_second=frames_per_second,
            captions=captions,
            form=form,
        )
        enqueue(delivery)
    return delivery
