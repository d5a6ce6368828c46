"""Runs a delivery under a lease: claim, heartbeat, progress as the point to stop at, and a reaper."""

from __future__ import annotations

import os
import socket
import threading
import time
from collections.abc import Callable
from datetime import timedelta
from uuid import UUID

from django.db import connection, transaction
from django.db.models import F
from django.utils import timezone

from dearhost.errors import DearHostError, RenderStopped
from server.deliveries.models import Delivery

LEASE = timedelta(seconds=float(os.environ.get("DEAR_HOST_LEASE", "60")))
"""Native code can hold the interpreter for a while: a shorter lease would be taken away from the living."""
MAX_ATTEMPTS = 3
_WRITE_EVERY = 0.25

Status = Delivery.Status
Work = Callable[[Delivery, "Reporter"], None]


class LeaseLost(Exception):
    """Another worker has the delivery now."""


class Reporter:
    """Progress of one attempt; raises RenderStopped or LeaseLost when the work must end."""

    def __init__(self, delivery_id: UUID, attempt: int) -> None:
        self._mine = Delivery.objects.filter(pk=delivery_id, status=Status.RUNNING, attempts=attempt)
        self._last = 0.0

    def __call__(self, fraction: float, seconds_left: float | None) -> None:
        """Write at most four times a second."""
        now = time.monotonic()
        if fraction < 1 and now - self._last < _WRITE_EVERY:
            return
        self._last = now
        if not self._mine.update(progress=fraction, seconds_left=seconds_left):
            raise LeaseLost
        if self._mine.filter(stop_requested=True).exists():
            raise RenderStopped("Stopped. Finished parts are kept: rendering it again goes on from there.")


class _Heartbeat(threading.Thread):
    """Renews the lease while the work goes on."""

    def __init__(self, delivery_id: UUID, attempt: int) -> None:
        super().__init__(name="heartbeat", daemon=True)
        self._id, self._attempt, self.over = delivery_id, attempt, threading.Event()

    def run(self) -> None:
        try:
            while not self.over.wait(LEASE.total_seconds() / 4):
                Delivery.objects.filter(pk=self._id, status=Status.RUNNING, attempts=self._attempt).update(
                    lease_until=timezone.now() + LEASE
                )
        finally:
            connection.close()


def run_delivery(delivery_id: UUID, work: Work) -> None:
    """Claim a queued delivery and do ``work``; a second message for the same delivery does nothing."""
    claimed = Delivery.objects.filter(pk=delivery_id, status=Status.QUEUED, stop_requested=False).update(
        status=Status.RUNNING,
        attempts=F("attempts") + 1,
        worker=f"{socket.gethostname()}:{os.getpid()}",
        lease_until=timezone.now() + LEASE,
    )
    if not claimed:
        return
    delivery = Delivery.objects.get(pk=delivery_id)
    heartbeat = _Heartbeat(delivery_id, delivery.attempts)
    heartbeat.start()
    try:
        work(delivery, Reporter(delivery_id, delivery.attempts))
        _end(delivery, Status.DONE, "")
    except RenderStopped as stopped:
        _end(delivery, Status.STOPPED, str(stopped))
    except LeaseLost:
        pass
    except DearHostError as error:
        _end(delivery, Status.FAILED, str(error))
    except Exception as error:
        _end(delivery, Status.FAILED, f"Something unforeseen happened ({error}). Your script is safe. Render it again.")
        raise
    finally:
        heartbeat.over.set()
        heartbeat.join(2)


def _end(delivery: Delivery, status: str, message: str) -> None:
    mine = Delivery.objects.filter(pk=delivery.pk, status=Status.RUNNING, attempts=delivery.attempts)
    mine.update(
        status=status,
        message=message[:400],
        lease_until=None,
        seconds_left=None,
        seconds=delivery.seconds,
        size=delivery.size,
        finished_at=timezone.now(),
    )


def requeue_lost(enqueue: Callable[[Delivery], None]) -> int:
    """Put back what a worker that died has left; give up after three attempts. Returns how many went back."""
    requeued = 0
    for delivery in Delivery.objects.filter(status=Status.RUNNING, lease_until__lt=timezone.now()):
        with transaction.atomic():
            lost = Delivery.objects.filter(
                pk=delivery.pk, status=Status.RUNNING, attempts=delivery.attempts, lease_until__lt=timezone.now()
            )
            if delivery.attempts >= MAX_ATTEMPTS:
                lost.update(
                    status=Status.FAILED,
                    lease_until=None,
                    message="Rendering ended three times without a result. Finished parts are kept. Render it again.",
                )
            elif lost.update(status=Status.QUEUED, lease_until=None, worker=""):
                enqueue(delivery)
                requeued += 1
    return requeued
