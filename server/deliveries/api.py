"""Deliveries: order, look, stop, remove."""

from __future__ import annotations

from datetime import datetime
from typing import Any, Literal
from uuid import UUID

from django.db.models import QuerySet
from django.db.models.fields.json import KT
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status

from server.accounts.account import account_id
from server.deliveries.actions.estimate import Estimate, estimate
from server.deliveries.actions.order import order_delivery
from server.deliveries.actions.put_away import bring_back, put_away
from server.deliveries.models import Delivery
from server.jobs.actions.start import start_job
from server.jobs.actions.stop import stop_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.productions.api import owned
from server.productions.documents import usable_production
from server.studio import studio

router = Router(tags=["deliveries"])


class OrderDelivery(Schema):
    """What to make."""

    production_id: UUID
    height: int = 1080
    frames_per_second: Literal[24, 25, 30, 50, 60] = 30
    captions: Literal["burn", "soft", "file", "none"] = "burn"
    form: Literal["mp4", "webm", "mov"] = "mp4"
    """MP4 with the sets; WebM or MOV without them, transparent."""


class DeliveryOut(Schema):
    """A delivery and where it stands."""

    id: UUID
    production_id: UUID | None
    title: str
    status: Literal["queued", "running", "done", "failed", "stopped"]
    progress: float
    seconds_left: float | None
    message: str
    stop_requested: bool
    shape: str
    height: int
    frames_per_second: int
    captions: str
    form: str
    seconds: float
    size: int
    created_at: datetime


class RemovedOut(Schema):
    """``kept``: it can be brought back for a while."""

    kept: bool


class EstimateOut(Schema):
    """Seconds a render will take, about, and bytes the film will have; ``known`` from films made on this machine."""

    seconds: float
    size: int
    known: bool


def delivery_data(delivery: Delivery) -> dict[str, Any]:
    """A delivery as it goes over the wire."""
    own = ("id", "production_id", "title", "height", "frames_per_second", "captions", "form", "seconds", "size",
           "created_at", "shape")  # fmt: skip
    of_job = ("status", "progress", "seconds_left", "message", "stop_requested")
    return {name: getattr(delivery, name) for name in own} | {name: getattr(delivery.job, name) for name in of_job}


def listed(owner_id: int) -> QuerySet[Delivery]:
    """An account's latest deliveries with their jobs, newest first, without the documents they were made from."""
    found = Delivery.objects.filter(owner_id=owner_id).select_related("job").defer("document")
    return found.annotate(shape=KT("document__shape"))[:100]


def _owned(request: HttpRequest, delivery_id: UUID) -> Delivery:
    found = Delivery.objects.select_related("job").annotate(shape=KT("document__shape"))
    return get_object_or_404(found, pk=delivery_id, owner_id=account_id(request))


@router.get("", response=list[DeliveryOut], operation_id="listDeliveries")
def list_deliveries(request: HttpRequest) -> list[dict[str, Any]]:
    """The account's deliveries, newest first."""
    return [delivery_data(d) for d in listed(account_id(request))]


@router.post("", response={201: DeliveryOut}, operation_id="orderDelivery")
def order(request: HttpRequest, data: OrderDelivery) -> Status[dict[str, Any]]:
    """Queue a render."""
    production = owned(request, data.production_id)
    choices = data.model_dump(exclude={"production_id"})
    delivery = order_delivery(production, **choices)
    return Status(201, delivery_data(_owned(request, delivery.pk)))


@router.post("/estimate", response=EstimateOut, operation_id="estimateDelivery")
def estimated(request: HttpRequest, data: OrderDelivery) -> Estimate:
    """What a render would take and give."""
    production = owned(request, data.production_id)
    return estimate(production, **data.model_dump(exclude={"production_id", "captions"}))


@router.post("/{uuid:delivery_id}/stop", response=DeliveryOut, operation_id="stopDelivery")
def stop(request: HttpRequest, delivery_id: UUID) -> dict[str, Any]:
    """Stop a render."""
    stop_job(_owned(request, delivery_id).job)
    return delivery_data(_owned(request, delivery_id))


@router.delete("/{uuid:delivery_id}", response=RemovedOut, operation_id="removeDelivery")
def remove(request: HttpRequest, delivery_id: UUID) -> dict[str, bool]:
    """Stop it if need be and take it off the list; a film can be brought back for a while."""
    return {"kept": put_away(_owned(request, delivery_id))}


@router.post("/{uuid:delivery_id}/bring-back", response=DeliveryOut, operation_id="bringBackDelivery")
def undo_remove(request: HttpRequest, delivery_id: UUID) -> dict[str, Any]:
    """Put a film that was removed on the list again; 404 when it is gone for good."""
    bring_back(get_object_or_404(Delivery.with_deleted, pk=delivery_id, owner_id=account_id(request)))
    return delivery_data(_owned(request, delivery_id))


class StemsIn(Schema):
    """The kind of file of each part."""

    kind: Literal["wav", "flac"] = "wav"


@router.post("/stems/{uuid:production_id}", response={202: JobOut}, operation_id="makeStems")
def stems(request: HttpRequest, production_id: UUID, data: StemsIn) -> Status[Job]:
    """Have the sound of a production's film made in its parts, in one zip."""
    production = owned(request, production_id)
    usable_production(production.document, production.title, production.owner_id).checked(studio())
    order = {"production": str(production.pk), "kind": data.kind}
    return Status(202, start_job(production.owner_id, "stems", order))
