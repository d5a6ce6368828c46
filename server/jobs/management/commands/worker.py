"""``manage.py worker``: takes jobs from the queue, and puts back what a dead worker left."""

from __future__ import annotations

import logging
import os
import threading
import time
from typing import Any

from django.db import connection
from django_tasks_db.management.commands.db_worker import Command as QueueWorker

from server.jobs.running import LEASE, requeue_lost
from server.jobs.tasks import enqueue

log = logging.getLogger(__name__)

_NICENESS = 10
"""Films wait for people: whoever writes, looks or listens meanwhile goes first (POSIX nice(2); children inherit it)."""


class Command(QueueWorker):
    """The queue's own worker with a reaper beside it."""

    help = "Do queued jobs: films, voice-overs, drafts, voice matches."

    def handle(self, *args: Any, **options: Any) -> None:
        """Run until stopped."""
        os.nice(_NICENESS)
        threading.Thread(target=_reap, name="reaper", daemon=True).start()
        super().handle(*args, **options)


def _reap() -> None:
    while True:
        try:
            requeue_lost(enqueue)
        except Exception:
            log.exception("Lost jobs could not be put back; trying again.")
        finally:
            connection.close()
        time.sleep(min(10.0, LEASE.total_seconds() / 4))
