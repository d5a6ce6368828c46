"""What a render will cost, by what renders on this machine have cost."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from statistics import median

from django.db.models.fields.json import KT

from dearhost.films import running_time
from dearhost.stage import Picture
from server.deliveries.models import Delivery
from server.jobs.models import Job
from server.productions.documents import usable_production
from server.productions.models import Production
from server.studio import studio

_LOOKED_AT = 12
_USUAL_COST, _USUAL_BYTES = 0.019, 0.0052
"""Seconds and megabytes a million pixels drawn: a demo film on two cores; they hold until a film was made here."""


@dataclass(frozen=True, slots=True)
class Estimate:
    """Seconds the render will take, bytes the film will have, and whether that is known from films made here."""

    seconds: float
    size: int
    known: bool


def estimate(production: Production, *, height: int, frames_per_second: int, form: str) -> Estimate:
    """For a render of the current revision with nobody before it in the queue. Raises StageError."""
    staged = usable_production(production.document, production.title, production.owner_id)
    picture = Picture.of(staged.choices.shape, height)
    seconds = running_time(staged.script, studio(), staged).seconds
    drawn = picture.width * picture.height * frames_per_second * seconds / 1e6
    done = Delivery.with_deleted.filter(job__status=Job.Status.DONE, form=form, seconds__gt=0)
    made = done.annotate(shape=KT("document__shape")).select_related("job").defer("document")
    earlier = [_drawn_and_cost(delivery, delivery.shape) for delivery in made.order_by("-created_at")[:_LOOKED_AT]]
    cost = _middle((took / million for million, took, _ in earlier if took), _USUAL_COST)
    size = _middle((size / 1e6 / million for million, _, size in earlier), _USUAL_BYTES)
    return Estimate(drawn * cost, round(drawn * size * 1e6), bool(earlier))


def _drawn_and_cost(delivery: Delivery, shape: str) -> tuple[float, float, int]:
    """Million pixels drawn, the seconds it took (0 where that is not known) and bytes."""
    picture = Picture.of(shape, delivery.height)
    million = picture.width * picture.height * delivery.frames_per_second * delivery.seconds / 1e6
    return million, float(delivery.job.result.get("took", 0)), delivery.size


def _middle(found: Iterable[float], usual: float) -> float:
    values = list(found)
    return median(values) if values else usual
