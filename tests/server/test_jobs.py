"""Jobs: one row for all long work, done once, stopped, taken over, and told to nobody else."""

from __future__ import annotations

import threading
from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.db import OperationalError, connection
from django.test import Client
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from dearhost.errors import RenderError, RenderStopped
from server.jobs import running
from server.jobs.actions.start import start_job
from server.jobs.actions.stop import stop_job
from server.jobs.models import Job
from server.jobs.running import MAX_ATTEMPTS, Reporter, requeue_lost, run_job, work_of
from server.jobs.tasks import enqueue, run

pytestmark = pytest.mark.django_db(transaction=True)
Status = Job.Status


@pytest.fixture
def job(ines: User) -> Job:
    """A job that waits."""
    return start_job(ines.pk, "draft", {"recording": "none", "title": "A title"})


def state(job: Job) -> tuple[str, float, str]:
    job.refresh_from_db()
    return job.status, job.progress, job.message


def test_every_kind_of_work_is_there() -> None:
    assert set(settings.JOB_WORK) == {
        "film",
        "voice-over",
        "draft",
        "clip",
        "key",
        "screen",
        "voice-match",
        "comments",
        "model-draft",
        "shelf",
        "stems",
    }
    assert all(callable(work_of(kind)) for kind in settings.JOB_WORK)


def test_an_unknown_kind_is_never_queued(ines: User) -> None:
    with pytest.raises(KeyError):
        start_job(ines.pk, "dance", {})
    assert not Job.objects.exists() and not DBTaskResult.objects.exists()


def test_a_job_is_queued_with_its_message_or_not_at_all(ines: User, monkeypatch: pytest.MonkeyPatch) -> None:
    def broken(job: Job) -> None:
        raise OSError("the queue is gone")

    monkeypatch.setattr("server.jobs.actions.start.enqueue", broken)
    with pytest.raises(OSError, match="queue"):
        start_job(ines.pk, "draft", {})
    assert not Job.objects.exists()


def test_work_is_done_once_and_its_result_kept(job: Job) -> None:
    done: list[int] = []

    def work(mine: Job, report: Reporter) -> dict[str, Any]:
        report(0.5, 3.0, "half way")
        row = Job.objects.get(pk=mine.pk)
        assert (row.status, row.progress, row.seconds_left, row.doing) == (Status.RUNNING, 0.5, 3.0, "half way")
        done.append(mine.attempts)
        return {"production": "p"}

    run_job(job.pk, work)
    run_job(job.pk, work)  # a second message for the same job
    assert done == [1] and state(job) == (Status.DONE, 1.0, "")
    assert job.result == {"production": "p"} and job.seconds_left is None and job.lease_until is None
    assert job.finished_at is not None and job.doing == ""


@pytest.mark.parametrize(
    ("error", "status", "told"),
    [
        (RenderError("The disk is full."), Status.FAILED, "The disk is full."),
        (RenderStopped("Stopped."), Status.STOPPED, "Stopped."),
    ],
)
def test_how_work_ends_is_told(job: Job, error: Exception, status: str, told: str) -> None:
    def work(_: Job, __: Reporter) -> dict[str, Any]:
        raise error

    run_job(job.pk, work)
    assert state(job) == (status, 0.0, told)


def test_what_nobody_foresaw_is_told_and_raised(job: Job) -> None:
    def work(_: Job, __: Reporter) -> dict[str, Any]:
        raise ZeroDivisionError("by nought " * 90)

    with pytest.raises(ZeroDivisionError):
        run_job(job.pk, work)
    assert job.pk and state(job)[0] == Status.FAILED and "by nought" in job.message and len(job.message) <= 400


def test_a_waiting_job_stops_at_once_and_a_running_one_at_its_next_report(job: Job) -> None:
    assert stop_job(job).status == Status.STOPPED
    run_job(job.pk, lambda *_: pytest.fail("a stopped job was done"))
    assert state(job)[2] == "Stopped before it began."
    Job.objects.filter(pk=job.pk).update(status=Status.QUEUED, stop_requested=False)

    def work(mine: Job, report: Reporter) -> dict[str, Any]:
        assert stop_job(Job.objects.get(pk=mine.pk)).status == Status.RUNNING
        report(1.0, None)
        pytest.fail("it went on after it was stopped")

    run_job(job.pk, work)
    assert state(job)[0] == Status.STOPPED
    assert stop_job(job).status == Status.STOPPED, "asking again changes nothing"


def test_a_finished_job_is_not_stopped(job: Job) -> None:
    run_job(job.pk, lambda *_: {})
    assert stop_job(job).status == Status.DONE and not job.stop_requested


# a worker may be killed at any step: before it claims, at work, between two reports, after its last one
STEPS = ("claimed", "reported", "finished the work")


@pytest.mark.parametrize("step", STEPS)
def test_a_worker_killed_at_any_step_is_replaced(job: Job, step: str) -> None:
    class Killed(BaseException):
        """As by the machine: nothing is caught, nothing is written after."""

    def dies(mine: Job, report: Reporter) -> dict[str, Any]:
        if step == "reported":
            report(0.4, 9.0)
        if step == "finished the work":
            report(1.0, 0.0)
        raise Killed

    with pytest.raises(Killed):
        run_job(job.pk, dies)
    job.refresh_from_db()
    assert job.status == Status.RUNNING, "it looks as if it were being done"
    assert requeue_lost(enqueue) == 0, "as long as its lease holds it is nobody else's"
    Job.objects.filter(pk=job.pk).update(lease_until=timezone.now() - timedelta(seconds=1))
    before = DBTaskResult.objects.count()
    assert requeue_lost(enqueue) == 1 and DBTaskResult.objects.count() == before + 1
    run_job(job.pk, lambda *_: {"ok": 1})
    assert state(job)[0] == Status.DONE and job.attempts == 2 and job.result == {"ok": 1}


def test_what_kills_every_worker_is_given_up(job: Job) -> None:
    class Killed(BaseException):
        pass

    def dies(*_: object) -> dict[str, Any]:
        raise Killed

    for attempt in range(1, MAX_ATTEMPTS + 1):
        with pytest.raises(Killed):
            run_job(job.pk, dies)
        Job.objects.filter(pk=job.pk).update(lease_until=timezone.now() - timedelta(seconds=1))
        assert requeue_lost(enqueue) == (1 if attempt < MAX_ATTEMPTS else 0)
    assert state(job)[0] == Status.FAILED and "three times" in job.message


def test_a_worker_that_lost_its_lease_writes_nothing_more(job: Job) -> None:
    def slow(mine: Job, report: Reporter) -> dict[str, Any]:
        Job.objects.filter(pk=mine.pk).update(lease_until=timezone.now() - timedelta(seconds=1))
        requeue_lost(enqueue)
        run_job(mine.pk, lambda *_: {"by": "the other"})
        report(1.0, 0.0)
        pytest.fail("it went on without its lease")

    run_job(job.pk, slow)
    assert state(job)[0] == Status.DONE and job.result == {"by": "the other"}


def test_of_two_workers_one_does_the_job(job: Job) -> None:
    gate, done = threading.Barrier(2), []

    def worker() -> None:
        gate.wait()
        run_job(job.pk, lambda *_: done.append(1) or {})
        connection.close()

    threads = [threading.Thread(target=worker) for _ in range(2)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert done == [1] and state(job)[0] == Status.DONE


def test_a_lease_is_renewed_while_native_code_works(job: Job, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(running, "LEASE", timedelta(seconds=0.4))
    renewed = threading.Event()

    def work(mine: Job, _: Reporter) -> dict[str, Any]:
        first = Job.objects.get(pk=mine.pk).lease_until
        for _ in range(40):
            if Job.objects.get(pk=mine.pk).lease_until != first:
                renewed.set()
                break
            threading.Event().wait(0.05)
        return {}

    run_job(job.pk, work)
    assert renewed.is_set()


def test_reports_are_written_four_times_a_second_at_most(job: Job) -> None:
    written: list[float] = []

    def work(mine: Job, report: Reporter) -> dict[str, Any]:
        for step in range(1, 60):
            report(step / 100, None)
            written.append(Job.objects.get(pk=mine.pk).progress)
        return {}

    run_job(job.pk, work)
    assert len(set(written)) < 10


def test_jobs_are_seen_stopped_and_fetched_by_their_owner_alone(client: Client, stranger: Client, job: Job) -> None:
    path = f"/api/jobs/{job.pk}"
    seen = client.get(path).json()
    assert (seen["kind"], seen["status"], seen["result"]) == ("draft", "queued", {})
    asked: list[Callable[[Client], Any]] = [
        lambda who: who.get(path), lambda who: who.post(f"{path}/stop"), lambda who: who.get(f"{path}/file"),
    ]  # fmt: skip
    assert [ask(stranger).status_code for ask in asked] == [404] * 3
    assert [ask(Client()).status_code for ask in asked] == [401] * 3
    assert client.post(f"{path}/stop").json()["status"] == "stopped"
    assert client.get(f"{path}/file").status_code == 404


@pytest.mark.parametrize("name", ["../../secret_key", "/etc/passwd", "", "none.zip", "a/b.zip"])
def test_a_result_names_only_files_of_its_own_folder(client: Client, job: Job, name: str) -> None:
    job.folder.mkdir(parents=True, exist_ok=True)
    Job.objects.filter(pk=job.pk).update(result={"file": name})
    assert client.get(f"/api/jobs/{job.pk}/file").status_code == 404


def test_a_message_of_the_queue_runs_the_work_of_its_kind(ines: User) -> None:
    job = start_job(ines.pk, "draft", {"recording": "0" * 24, "title": "Nothing"})
    run.func(str(job.pk))
    assert state(job)[0] == Status.FAILED and "recording" in job.message


def test_a_heartbeat_goes_on_after_the_database_was_busy(job: Job, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(running, "LEASE", timedelta(seconds=0.2))
    beats = 0
    renewed = threading.Event()

    class BusyAtFirst:
        @staticmethod
        def filter(**_: Any) -> Any:
            nonlocal beats
            beats += 1
            if beats == 1:
                raise OperationalError("database is locked")
            renewed.set()
            return Job.objects.none()

    heartbeat = running._Heartbeat(job.pk, 1)
    monkeypatch.setattr(running, "Job", type("Jobs", (), {"objects": BusyAtFirst}))
    heartbeat.start()
    assert renewed.wait(20)
    heartbeat.over.set()
    heartbeat.join(20)
    assert not heartbeat.is_alive()
