"""Stop a delivery."""

from __future__ import annotations

from server.deliveries.models import Delivery


def stop_delivery(delivery: Delivery) -> Delivery:
    """A queued delivery stops at once, a running one at its next progress report; a finished one stays."""
    waiting = Delivery.objects.filter(pk=delivery.pk, status=Delivery.Status.QUEUED)
    if not waiting.update(status=Delivery.Status.STOPPED, stop_requested=True, message="Stopped before it began."):
        Delivery.objects.filter(pk=delivery.pk, status=Delivery.Status.RUNNING).update(stop_requested=True)
    delivery.refresh_from_db()
    return delivery
