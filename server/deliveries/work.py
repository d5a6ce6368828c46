"""Rendering a delivery: the work of a job of kind "film"."""

from __future__ import annotations

import time
from typing import Any

from dearhost.films import FilmOrder, make_film
from dearhost.stage import Picture
from dearhost.timebase import FrameRate
from server.deliveries.captions import write_captions
from server.deliveries.models import Delivery
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.productions.documents import usable_production
from server.studio import studio


def render_film(job: Job, report: Reporter) -> dict[str, Any]:
    """Render a delivery's film and its captions."""
    delivery = Delivery.with_deleted.get(job=job)
    started = time.monotonic()
    production = usable_production(delivery.document, delivery.title, delivery.owner_id)
    rate = FrameRate.of(delivery.frames_per_second)
    picture = Picture.of(production.choices.shape, delivery.height)
    order = FilmOrder(production, picture, rate, delivery.captions, delivery.form)
    made, _ = make_film(order, delivery.film, studio(), progress=report)
    write_captions(delivery, "srt", "vtt")
    delivery.seconds = round(made.seconds, 3)
    delivery.size = delivery.film.stat().st_size
    delivery.save(update_fields=["seconds", "size"])
    return {"took": round(time.monotonic() - started, 3)}
