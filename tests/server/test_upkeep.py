"""What keeps a server safe for years: room on the disk, sign-in, revisions, sessions."""

from __future__ import annotations

import errno
import json
import os
import subprocess
import sys
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.cache import cache
from django.db import OperationalError
from django.test import Client
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import StorageFull
from server import room
from server.accounts import failed_sign_ins
from server.jobs import running
from server.jobs.actions.start import start_job
from server.jobs.models import Job
from server.productions.actions.save import StaleSave, save_production
from server.productions.models import Production, Revision
from server.productions.revisions import KEPT_REFUSED, superfluous
from tests.data_folder import ROOT
from tests.server.conftest import Begin

FULL_ERRORS = (
    OSError(errno.ENOSPC, "No space left on device"),
    OperationalError("database or disk is full"),
    StorageFull("The disk is full: 'a' could not be written."),
)


def sign_in(client: Client, password: str, **extra: Any) -> Any:
    body = json.dumps({"username": "ines", "password": password})
    return client.post("/api/session", body, content_type="application/json", **extra)


# room


@pytest.mark.parametrize("error", FULL_ERRORS, ids=lambda e: type(e).__name__)
@pytest.mark.parametrize("path", ["/api/productions", "/api/voices", "/api/deliveries"])
def test_a_full_disk_is_said_on_reading_routes_too(
    client: Client, monkeypatch: pytest.MonkeyPatch, error: Exception, path: str
) -> None:
    def fail(*_: object) -> None:
        raise error

    monkeypatch.setattr("django.contrib.sessions.backends.base.SessionBase.get", fail)
    client.raise_request_exception = False
    answer = client.get(path)
    assert answer.status_code == 507
    assert "disk is full" in answer.json()["detail"]


def test_any_other_failure_is_no_bare_page(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    def fail(*_: object) -> None:
        raise ZeroDivisionError

    monkeypatch.setattr("django.contrib.sessions.backends.base.SessionBase.get", fail)
    client.raise_request_exception = False
    answer = client.get("/api/voices")
    assert answer.status_code == 500 and "is safe" in answer.json()["detail"]


def test_room_kept_aside_is_given_up_when_it_is_needed(
    settings: Any, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    settings.DATA_DIR = tmp_path
    monkeypatch.setattr(room, "ASIDE", 2_000_000)
    room.keep_aside()
    (aside,) = tmp_path.iterdir()
    assert aside.stat().st_blocks * 512 >= 2_000_000
    room.release()
    room.release()
    assert not list(tmp_path.iterdir())
    monkeypatch.setattr(room, "free_bytes", lambda: room.LOW - 1)
    room.keep_aside()
    assert not list(tmp_path.iterdir()), "what little is left is not taken away"


def test_little_room_is_said_before_it_runs_out(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(room, "free_bytes", lambda: 10 * room.LOW)
    assert client.get("/api/session").json()["room"] == ""
    monkeypatch.setattr(room, "free_bytes", lambda: 400_000_000)
    assert "400 MB" in client.get("/api/session").json()["room"]


@pytest.mark.parametrize("error", FULL_ERRORS, ids=lambda e: type(e).__name__)
def test_work_waits_for_room_and_goes_on(ines: User, monkeypatch: pytest.MonkeyPatch, error: Exception) -> None:
    job = start_job(ines.pk, "draft", {})
    free = iter([0, 0, 10**12])
    seen: list[str] = []
    monkeypatch.setattr(running, "WAIT_FOR_ROOM", 0.0)

    def free_bytes() -> int:
        seen.append(Job.objects.get(pk=job.pk).doing)
        return next(free)

    monkeypatch.setattr(room, "free_bytes", free_bytes)
    tries = iter([error, None])

    def work(job: Job, report: running.Reporter) -> dict[str, Any]:
        failed = next(tries)
        if failed:
            raise failed
        return {"made": 1}

    running.run_job(job.pk, work)
    job.refresh_from_db()
    assert (job.status, job.result) == (Job.Status.DONE, {"made": 1})
    assert "waiting for room on the disk" in seen


def test_who_waits_for_room_can_be_stopped(ines: User, monkeypatch: pytest.MonkeyPatch) -> None:
    job = start_job(ines.pk, "draft", {})
    monkeypatch.setattr(running, "WAIT_FOR_ROOM", 0.3)
    monkeypatch.setattr(room, "free_bytes", lambda: 0)

    def work(job: Job, report: running.Reporter) -> dict[str, Any]:
        Job.objects.filter(pk=job.pk).update(stop_requested=True)
        raise FULL_ERRORS[0]

    running.run_job(job.pk, work)
    job.refresh_from_db()
    assert job.status == Job.Status.STOPPED


# keys and files


@pytest.mark.parametrize("kept", [None, "", "half"])
def test_a_key_is_whole_and_everything_its_owners_alone(tmp_path: Path, kept: str | None) -> None:
    data = tmp_path / "data"
    if kept is not None:
        data.mkdir(mode=0o755)
        (data / "secret_key").write_text(kept)
    code = "from server.config import settings; print(settings.SECRET_KEY)"
    keys = {
        subprocess.run(
            [sys.executable, "-c", code], cwd=ROOT, env={**os.environ, "DEAR_HOST_DATA": str(data)}, check=True,
            capture_output=True, text=True,
        ).stdout.strip()
        for _ in range(2)
    }  # fmt: skip
    assert len(keys) == 1 and len(keys.pop()) >= 50
    assert (data / "secret_key").stat().st_mode & 0o077 == 0
    assert data.stat().st_mode & 0o077 == 0


# signing in


@pytest.fixture
def _no_failures_yet() -> None:
    cache.clear()


@pytest.mark.usefixtures("_no_failures_yet")
def test_wrong_passwords_make_one_wait(ines: User, monkeypatch: pytest.MonkeyPatch) -> None:
    now = [1000.0]
    monkeypatch.setattr(failed_sign_ins.time, "time", lambda: now[0])
    client = Client()
    assert [sign_in(client, "wrong").status_code for _ in range(failed_sign_ins.FREE)] == [401] * failed_sign_ins.FREE
    held = sign_in(client, "low-water")
    assert held.status_code == 429 and "Wait 2 s" in held.json()["detail"], "the right one waits too"
    now[0] += 2.1
    assert sign_in(client, "wrong").status_code == 401
    assert "Wait 4 s" in sign_in(client, "wrong").json()["detail"], "and each time longer"
    now[0] += 4.1
    assert sign_in(client, "low-water").status_code == 200
    client.delete("/api/session")
    assert sign_in(client, "wrong").status_code == 401, "the right one wipes the slate"
    now[0] += 10
    for _ in range(30):
        sign_in(client, "wrong")
        now[0] += failed_sign_ins.LONGEST + 1
    assert sign_in(client, "low-water").status_code == 200, "nobody is locked out for good"


@pytest.mark.usefixtures("_no_failures_yet")
def test_the_demos_password_opens_on_this_machine_only(ines: User) -> None:
    assert sign_in(Client(), "low-water", REMOTE_ADDR="203.0.113.9").status_code == 403
    assert sign_in(Client(), "low-water", REMOTE_ADDR="::1").status_code == 200
    ines.set_password("another one")
    ines.save()
    assert sign_in(Client(), "another one", REMOTE_ADDR="203.0.113.9").status_code == 200


@pytest.mark.parametrize("kind", ["text/plain", "application/x-www-form-urlencoded", "multipart/form-data; boundary=x"])
def test_a_form_of_another_page_cannot_sign_one_in(ines: User, kind: str) -> None:
    body = json.dumps({"username": "ines", "password": "low-water"})
    answer = Client().post("/api/session", body, content_type=kind)
    assert answer.status_code in (400, 415, 422) and "sessionid" not in answer.cookies


# revisions

NOW = datetime(2026, 6, 1, 12, tzinfo=UTC)


@given(st.lists(st.integers(0, 400 * 86400), max_size=400))
def test_revisions_are_thinned_by_time(ages: list[int]) -> None:
    saved = [(number, NOW - timedelta(seconds=age)) for number, age in enumerate(ages)]
    gone = set(superfluous(saved, NOW))
    kept = [at for number, at in saved if number not in gone]
    for number, at in saved:
        if NOW - at < timedelta(hours=2):
            assert number not in gone, "all of the last hours"
        if number in gone:
            limit = timedelta(minutes=1) if NOW - at < timedelta(days=1) else timedelta(days=1)
            assert any(timedelta(0) <= other - at < limit for other in kept), "a later one of its stretch stays"
    if saved:
        assert min(at for _, at in saved) in kept, "the first stays"
    assert superfluous([item for item in saved if item[0] not in gone], NOW) == [], "once is enough"


def test_a_day_of_typing_is_thinned_to_what_one_looks_for() -> None:
    saved = [(number, NOW - timedelta(seconds=5 * number)) for number in range(8 * 720)]
    kept = len(saved) - len(superfluous(saved, NOW))
    assert 1440 < kept <= 1440 + 6 * 60 + 2


def test_refused_saves_push_no_accepted_revision_out(begin: Begin) -> None:
    production = begin()
    for number in range(1, 4):
        save_production(production, production.document, f"Title {number}", number)
    for number in range(KEPT_REFUSED + 20):
        with pytest.raises(StaleSave):
            save_production(production, production.document, f"Late {number}", 1)
    accepted = Revision.objects.filter(production=production, refused=False)
    assert sorted(accepted.values_list("number", flat=True)) == [1, 2, 3, 4]
    refused = Revision.objects.filter(production=production, refused=True)
    kept = [f"Late {number}" for number in range(20, KEPT_REFUSED + 20)]
    assert sorted(refused.values_list("title", flat=True)) == sorted(kept)
    assert Production.objects.get(pk=production.pk).title == "Title 3"
