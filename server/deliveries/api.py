"""Deliveries: order, look, stop, remove."""

from __future__ import annotations

import shutil
from datetime import datetime
from typing import Any, Literal
from uuid import UUID

from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status

from server.deliveries.actions.order import order_delivery
from server.deliveries.actions.stop import stop_delivery
from server.deliveries.models import Delivery
from server.productions.api import owned

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


def delivery_data(delivery: Delivery) -> dict[str, Any]:
    """A delivery as it goes over the wire."""
    names = (
        "id", "production_id", "title", "status", "progress", "seconds_left", "message", "stop_requested", "height",
        "frames_per_second", "captions", "form", "seconds", "size", "created_at",
    )  # fmt: skip
    return {name: getattr(delivery, name) for name in names} | {"shape": delivery.document["shape"]}


def _owned(request: HttpRequest, delivery_id: UUID) -> Delivery:
    return get_object_or_404(Delivery, pk=delivery_id, owner_id=request.user.pk)


@router.get("", response=list[DeliveryOut], operation_id="listDeliveries")
def list_deliveries(request: HttpRequest) -> list[dict[str, Any]]:
    """The account's deliveries, newest first."""
    return [delivery_data(d) for d in Delivery.objects.filter(owner_id=request.user.pk)[:100]]


@router.post("", response={201: DeliveryOut}, operation_id="orderDelivery")
def order(request: HttpRequest, data: OrderDelivery) -> Status[dict[str, Any]]:
    """Queue a render."""
    production = owned(request, data.production_id)
    choices = data.model_dump(exclude={"production_id"})
    delivery = order_delivery(production, **choices)
    return Status(201, delivery_data(delivery))


@router.post("/{uuid:delivery_id}/stop", response=DeliveryOut, operation_id="stopDelivery")
def stop(request: HttpRequest, delivery_id: UUID) -> dict[str, Any]:
    """Stop a render."""
    return delivery_data(stop_delivery(_owned(request, delivery_id)))


@router.delete("/{uuid:delivery_id}", response={204: None}, operation_id="removeDelivery")
def remove(request: HttpRequest, delivery_id: UUID) -> Status[None]:
    """Stop it if need be and remove it with its files."""
    delivery = stop_delivery(_owned(request, delivery_id))
    shutil.rmtree(delivery.folder, ignore_errors=True)
    delivery.delete()
    return Status(204, None)
