"""Runs a job under a lease: claim, heartbeat, progress as the point to stop at, and a reaper."""

from __future__ import annotations

import os
import socket
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from datetime import timedelta
from typing import Any
from uuid import UUID

from django.conf import settings
from django.db import OperationalError, connection, transaction
from django.db.models import F
from django.utils import timezone
from django.utils.module_loading import import_string

from dearhost.errors import DearHostError, RenderStopped
from server import room
from server.jobs.models import Job

LEASE = timedelta(seconds=float(os.environ.get("DEAR_HOST_LEASE", "60")))
"""Native code can hold the interpreter for a while: a shorter lease would be taken away from the living."""
MAX_ATTEMPTS = 3
WAIT_FOR_ROOM, _ROOM_TO_GO_ON = 5.0, 300_000_000
"""Seconds between two looks, and bytes that must be free."""
_WRITE_EVERY = 0.25

Status = Job.Status
Work = Callable[[Job, "Reporter"], dict[str, Any]]
"""Does a job and returns its result, which must be JSON."""


class LeaseLost(Exception):
    """Another worker has the job now."""


class Reporter:
    """Progress of one attempt; raises RenderStopped or LeaseLost when the work must end."""

    def __init__(self, job_id: UUID, attempt: int) -> None:
        self._mine = Job.objects.filter(pk=job_id, status=Status.RUNNING, attempts=attempt)
        self._last = 0.0

    def __call__(self, fraction: float, seconds_left: float | None, doing: str = "") -> None:
        """Write at most four times a second."""
        now = time.monotonic()
        if fraction < 1 and now - self._last < _WRITE_EVERY:
            return
        self._last = now
        if not self._mine.update(
            progress=fraction, seconds_left=seconds_left, doing=doing[:120], changed_at=timezone.now()
        ):
            raise LeaseLost
        if self._mine.filter(stop_requested=True).exists():
            raise RenderStopped("Stopped. Finished parts are kept: asked for again, it goes on from there.")


class _Heartbeat(threading.Thread):
    """Renews the lease while the work goes on."""

    def __init__(self, job_id: UUID, attempt: int) -> None:
        super().__init__(name="heartbeat", daemon=True)
        self._id, self._attempt, self.over = job_id, attempt, threading.Event()

    def run(self) -> None:
        try:
            while not self.over.wait(LEASE.total_seconds() / 4):
                with suppress(OperationalError):  # a database that is busy or full now may not be so at the next beat
                    Job.objects.filter(pk=self._id, status=Status.RUNNING, attempts=self._attempt).update(
                        lease_until=timezone.now() + LEASE
                    )
        finally:
            connection.close()


def work_of(kind: str) -> Work:
    """What does jobs of a kind, by ``settings.JOB_WORK``. Raises KeyError."""
    work: Work = import_string(settings.JOB_WORK[kind])
    return work


def run_job(job_id: UUID, work: Work | None = None) -> None:
    """Claim a queued job and do its ``work``; a second message for the same job does nothing."""
    claimed = Job.objects.filter(pk=job_id, status=Status.QUEUED, stop_requested=False).update(
        status=Status.RUNNING,
        attempts=F("attempts") + 1,
        worker=f"{socket.gethostname()}:{os.getpid()}",
        lease_until=timezone.now() + LEASE,
        changed_at=timezone.now(),
    )
    if not claimed:
        return
    job = Job.objects.get(pk=job_id)
    heartbeat = _Heartbeat(job_id, job.attempts)
    heartbeat.start()
    try:
        job.result = _with_room(work or work_of(job.kind), job, Reporter(job_id, job.attempts))
        _end(job, Status.DONE, "")
    except RenderStopped as stopped:
        _end(job, Status.STOPPED, str(stopped))
    except LeaseLost:
        pass
    except DearHostError as error:
        _end(job, Status.FAILED, str(error))
    except Exception as error:
        _end(job, Status.FAILED, f"Something unforeseen happened ({error}). Nothing is lost. Try it again.")
        raise
    finally:
        heartbeat.over.set()
        heartbeat.join(2)


def _with_room(work: Work, job: Job, report: Reporter) -> dict[str, Any]:
    """What ``work`` gives; where the disk is full it waits for room and goes on from what is finished."""
    while True:
        try:
            return work(job, report)
        except Exception as error:
            if not room.is_full(error):
                raise
        room.release()
        while room.free_bytes() < _ROOM_TO_GO_ON:
            try:
                report(job.progress, None, "waiting for room on the disk")
            except OperationalError as error:  # there is no room to say so either
                if not room.is_full(error):
                    raise
            time.sleep(WAIT_FOR_ROOM)


def _end(job: Job, status: str, message: str) -> None:
    mine = Job.objects.filter(pk=job.pk, status=Status.RUNNING, attempts=job.attempts)
    done = {"progress": 1.0} if status == Status.DONE else {}
    mine.update(
        status=status,
        message=message[:400],
        lease_until=None,
        seconds_left=None,
        doing="",
        result=job.result,
        finished_at=timezone.now(),
        changed_at=timezone.now(),
        **done,
    )


def requeue_lost(enqueue: Callable[[Job], None]) -> int:
    """Put back what a worker that died has left; give up after three attempts. Returns how many went back."""
    requeued = 0
    for job in Job.objects.filter(status=Status.RUNNING, lease_until__lt=timezone.now()):
        with transaction.atomic():
            lost = Job.objects.filter(
                pk=job.pk, status=Status.RUNNING, attempts=job.attempts, lease_until__lt=timezone.now()
            )
            if job.attempts >= MAX_ATTEMPTS:
                lost.update(
                    status=Status.FAILED,
                    lease_until=None,
                    changed_at=timezone.now(),
                    message="This ended three times without a result. Finished parts are kept. Try it again.",
                )
            elif lost.update(status=Status.QUEUED, lease_until=None, worker="", changed_at=timezone.now()):
                enqueue(job)
                requeued += 1
    return requeued
