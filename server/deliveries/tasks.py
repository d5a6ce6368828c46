"""The queue's message, and the work behind it."""

from __future__ import annotations

from pathlib import Path
from uuid import UUID

from django_tasks import task

from dearhost.films import FilmOrder, caption_text, make_film
from dearhost.stage import Picture, compile_timeline
from dearhost.storage import write_whole
from dearhost.timebase import FrameRate
from server.deliveries.jobs import Reporter, run_delivery
from server.deliveries.models import Delivery
from server.productions.documents import production_of
from server.studio import studio


@task()
def render_delivery(delivery_id: str) -> None:
    """Render one delivery."""
    run_delivery(UUID(delivery_id), _render)


def enqueue(delivery: Delivery) -> None:
    """Ask the workers; the message is in the same database and joins the transaction."""
    render_delivery.enqueue(str(delivery.pk))


def _render(delivery: Delivery, report: Reporter) -> None:
    production = production_of(delivery.document, delivery.title)
    rate = FrameRate.of(delivery.frames_per_second)
    order = FilmOrder(
        production, Picture.of(production.choices.shape, delivery.height), rate, delivery.captions, delivery.form
    )
    made, _ = make_film(order, delivery.film, studio(), progress=report)
    timeline = compile_timeline(production, studio(), rate)
    for kind in ("srt", "vtt"):
        _write(delivery, f"captions.{kind}", caption_text(timeline, kind))
    delivery.seconds = round(made.seconds, 3)
    delivery.size = delivery.film.stat().st_size


def _write(delivery: Delivery, name: str, text: str) -> None:
    def write(part: Path) -> None:
        part.write_text(text, encoding="utf-8")

    write_whole(delivery.folder / name, write)
