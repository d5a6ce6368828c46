"""Deliveries: ordered, rendered, stopped, taken over, fetched; over the real server where they stream."""

from __future__ import annotations

import io
import json
from datetime import timedelta
from typing import Any

import av
import httpx
import numpy as np
import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from server.deliveries.actions import order
from server.deliveries.actions.put_away import KEPT_FOR
from server.deliveries.models import Delivery
from server.jobs.models import Job
from server.jobs.running import MAX_ATTEMPTS, Reporter, requeue_lost, run_job
from server.jobs.tasks import enqueue, run
from tests.server.conftest import Begin

pytestmark = pytest.mark.django_db(transaction=True)
Status = Job.Status


def ordered(client: Client, production: Any, **choices: Any) -> Any:
    body = {"production_id": str(production.pk), "height": 360, "captions": "file", **choices}
    return client.post("/api/deliveries", json.dumps(body), content_type="application/json")


def rendered(client: Client, production: Any, **choices: Any) -> Delivery:
    delivery = Delivery.objects.get(pk=ordered(client, production, **choices).json()["id"])
    run.func(str(delivery.job_id))
    return Delivery.objects.get(pk=delivery.pk)


def test_an_order_waits_in_the_queue_and_becomes_a_film(client: Client, begin: Begin) -> None:
    answer = ordered(client, begin())
    assert answer.status_code == 201 and answer.json()["status"] == "queued"
    assert DBTaskResult.objects.count() == 1
    delivery = Delivery.objects.get()
    run.func(str(delivery.job_id))
    made = client.get("/api/deliveries").json()[0]
    assert (made["status"], made["progress"], made["message"]) == ("done", 1.0, "")
    with av.open(str(delivery.folder / "film.mp4")) as film:
        assert film.streams.video[0].height == 360
        assert float(film.duration or 0) / 1e6 == pytest.approx(made["seconds"], abs=0.1)
    assert made["size"] == (delivery.folder / "film.mp4").stat().st_size
    run.func(str(delivery.job_id))  # a second message for the same delivery
    assert Job.objects.get().attempts == 1
    assert client.delete(f"/api/deliveries/{delivery.pk}").json() == {"kept": True}


def test_what_cannot_be_rendered_is_told_before_it_is_queued(client: Client, begin: Begin) -> None:
    for text, choices, reason in (
        ("MAREN: Hello [name].", {}, "still open"),
        ("# Only a heading", {}, "spoken"),
        ("MAREN: Hello.", {"height": 100}, "360 to 2160"),
        ("MAREN: Hello.", {"frames_per_second": 31}, "frames_per_second"),
        ("MAREN: Hello.", {"form": "webm", "captions": "soft"}, "captions to switch on"),
    ):
        refused = ordered(client, begin(text), **choices)
        assert refused.status_code == 422 and reason in refused.json()["detail"], refused.content
    assert Delivery.objects.count() == Job.objects.count() == 0 and DBTaskResult.objects.count() == 0


def test_a_render_stops_when_asked_and_goes_on_when_ordered_again(client: Client, begin: Begin) -> None:
    production = begin()
    waiting = ordered(client, production).json()["id"]
    stopped = client.post(f"/api/deliveries/{waiting}/stop").json()
    assert (stopped["status"], stopped["message"]) == ("stopped", "Stopped before it began.")
    run.func(str(Delivery.objects.get(pk=waiting).job_id))
    assert Delivery.objects.get(pk=waiting).job.status == Status.STOPPED

    running = Delivery.objects.get(pk=ordered(client, production).json()["id"])

    def work(_: Job, report: Reporter) -> dict[str, Any]:
        client.post(f"/api/deliveries/{running.pk}/stop")
        report(1.0, 0.0)
        return {}

    run_job(running.job_id, work)
    job = Job.objects.get(pk=running.job_id)
    assert job.status == Status.STOPPED and "Finished parts are kept" in job.message


def test_what_fails_says_so(client: Client, begin: Begin) -> None:
    delivery = Delivery.objects.get(pk=ordered(client, begin()).json()["id"])

    def work(_: Job, __: Reporter) -> dict[str, Any]:
        raise RuntimeError("out of paper")

    with pytest.raises(RuntimeError):
        run_job(delivery.job_id, work)
    job = Job.objects.get(pk=delivery.job_id)
    assert job.status == Status.FAILED and "out of paper" in job.message and "Nothing is lost" in job.message


def test_a_lost_worker_is_replaced_and_writes_no_more(client: Client, begin: Begin) -> None:
    delivery = Delivery.objects.get(pk=ordered(client, begin()).json()["id"])
    taken: list[int] = []

    def dies(mine: Job, report: Reporter) -> dict[str, Any]:
        Job.objects.filter(pk=mine.pk).update(lease_until=timezone.now() - timedelta(seconds=1))
        taken.append(requeue_lost(enqueue))
        run_job(mine.pk, lambda *_: {})  # the other worker
        report(1.0, 0.0)  # the lost one comes back: raises LeaseLost inside
        raise AssertionError("a worker without its lease went on")

    run_job(delivery.job_id, dies)
    job = Job.objects.get(pk=delivery.job_id)
    assert taken == [1] and job.attempts == 2 and job.status == Status.DONE
    Job.objects.filter(pk=job.pk).update(
        status=Status.RUNNING, attempts=MAX_ATTEMPTS, lease_until=timezone.now() - timedelta(seconds=1)
    )
    assert requeue_lost(enqueue) == 0
    job.refresh_from_db()
    assert job.status == Status.FAILED and "three times" in job.message


def test_films_are_served_in_ranges(address: str, client: Client, begin: Begin, ines: User) -> None:
    delivery = rendered(client, begin())
    whole = (delivery.folder / "film.mp4").read_bytes()
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    url = f"{address}/files/deliveries/{delivery.pk}/film.mp4"
    with httpx.Client(cookies=cookies, trust_env=False) as web:
        # RFC 9110, section 14: byte ranges
        assert web.get(url).content == whole
        part = web.get(url, headers={"Range": "bytes=100-199"})
        assert (part.status_code, part.content) == (206, whole[100:200])
        assert part.headers["Content-Range"] == f"bytes 100-199/{len(whole)}"
        assert web.get(url, headers={"Range": "bytes=-50"}).content == whole[-50:]
        assert web.get(url, headers={"Range": f"bytes={len(whole) - 9}-"}).content == whole[-9:]
        beyond = web.get(url, headers={"Range": f"bytes={len(whole)}-"})
        assert (beyond.status_code, beyond.headers["Content-Range"]) == (416, f"bytes */{len(whole)}")
        head = web.head(url)
        assert head.content == b"" and head.headers["Content-Length"] == str(len(whole))
        assert web.get(url, headers={"If-None-Match": head.headers["ETag"]}).status_code == 304
        changed = web.get(url, headers={"Range": "bytes=0-9", "If-Range": '"another"'})
        assert changed.status_code == 200 and len(changed.content) == len(whole)
        saved = web.get(f"{address}/files/deliveries/{delivery.pk}/captions.srt?download")
        assert saved.headers["Content-Disposition"].endswith("the-pier.srt") and " --> " in saved.text
        word = web.get(f"{address}/files/deliveries/{delivery.pk}/captions.docx?download")
        assert word.headers["Content-Disposition"].endswith("the-pier.docx") and word.content[:2] == b"PK"
        assert "<tt " in web.get(f"{address}/files/deliveries/{delivery.pk}/captions.ttml").text
        assert web.get(f"{address}/files/deliveries/{delivery.pk}/captions.exe").status_code == 404
        assert web.get(f"{address}/files/deliveries/{delivery.pk}/secret_key").status_code == 404
    assert httpx.get(url, trust_env=False).status_code == 404


def test_progress_arrives_as_it_is_made(address: str, client: Client, begin: Begin) -> None:
    delivery = Delivery.objects.get(pk=ordered(client, begin()).json()["id"])
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    seen = []
    with (
        httpx.Client(cookies=cookies, trust_env=False, timeout=20) as web,
        web.stream("GET", f"{address}/events/deliveries") as events,
    ):
        for row in events.iter_lines():
            if not row.startswith("data: "):
                continue
            seen.append(json.loads(row[6:]))
            if len(seen) == 1:
                now = timezone.now()
                Job.objects.filter(pk=delivery.job_id).update(
                    status=Status.RUNNING, progress=0.5, seconds_left=3, changed_at=now
                )
            if len(seen) == 2:
                break
    assert [(s["status"], s["progress"], s["seconds_left"]) for s in seen] == [
        ("queued", 0.0, None),
        ("running", 0.5, 3.0),
    ]


def test_events_end_with_the_session(address: str, client: Client, begin: Begin) -> None:
    ordered(client, begin())
    with signed_in(client) as web, web.stream("GET", f"{address}/events/deliveries") as events:
        rows = events.iter_lines()
        assert next(row for row in rows if row.startswith("data: "))
        client.logout()
        assert not [row for row in rows if row.startswith("data: ")], "the stream ends, and tells nothing more"


def test_only_so_many_films_wait(client: Client, begin: Begin, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(order, "MOST_WAITING", 2)
    production = begin()
    assert [ordered(client, production).status_code for _ in range(3)] == [201, 201, 422]
    assert "waiting already" in ordered(client, production).json()["detail"]
    Job.objects.filter(kind="film").update(status=Status.DONE)
    assert ordered(client, production).status_code == 201


def signed_in(client: Client) -> httpx.Client:
    """The same person's window on the real server."""
    cookies = {settings.SESSION_COOKIE_NAME: client.cookies[settings.SESSION_COOKIE_NAME].value}
    return httpx.Client(cookies=cookies, trust_env=False, timeout=60)


def test_transparent_films_are_ordered_and_taken_home(address: str, client: Client, begin: Begin) -> None:
    for form, kind in (("webm", "video/webm"), ("mov", "video/quicktime")):
        delivery = rendered(client, begin("MAREN: Mama may come."), form=form)
        assert (delivery.job.status, delivery.film.suffix) == (Status.DONE, f".{form}")
        with signed_in(client) as web:
            saved = web.get(f"{address}/files/deliveries/{delivery.pk}/film.{form}?download")
        assert saved.headers["Content-Type"] == kind and len(saved.content) == delivery.size
        assert saved.headers["Content-Disposition"].endswith(f"the-pier.{form}")


def test_a_proof_streams_as_playable_picture_and_sound(address: str, client: Client, begin: Begin) -> None:
    production = begin()
    path = f"{address}/pictures/{production.pk}/{production.document['script']['scenes'][1]['id']}"
    with signed_in(client) as web:
        picture, sound = (web.get(f"{path}/proof-{part}.mp4?at=0.2") for part in ("picture", "sound"))
        for answer in (picture, sound):
            assert answer.status_code == 200 and answer.headers["Content-Type"] == "video/mp4"
        with av.open(io.BytesIO(picture.content)) as proof:
            assert proof.streams.video[0].height == 360 and not proof.streams.audio
            shown = sum(1 for _ in proof.decode(video=0)) / 30
            assert shown > 20 / 30
        with av.open(io.BytesIO(sound.content)) as proof:
            heard = sum(frame.samples for frame in proof.decode(audio=0)) / 48_000
            assert not proof.streams.video and 0 <= shown - heard <= 1 / 30
        for part in ("picture", "sound"):
            assert web.get(f"{path.rpartition('/')[0]}/none/proof-{part}.mp4").status_code == 422
            assert web.post(f"{path}/proof-{part}.mp4").status_code in (403, 405)


def test_pages_carry_a_policy_that_lets_nothing_out(address: str) -> None:
    page = httpx.get(f"{address}/productions/any", trust_env=False)
    assert page.status_code == 200 and "default-src 'self'" in page.headers["Content-Security-Policy"]
    assert httpx.get(f"{address}/health", trust_env=False).status_code == 200
    assert httpx.get(f"{address}/api/none", trust_env=False).status_code == 404


def test_a_cue_is_tried_without_being_set(address: str, client: Client, begin: Begin, tmp_path: Any) -> None:
    production = begin()
    scene = production.document["script"]["scenes"][0]
    line = scene["blocks"][0]["id"]
    path = f"{address}/pictures/{production.pk}/{scene['id']}/proof-picture.mp4?at=0.6&until=2.1"

    def frames(query: str) -> list[Any]:
        with signed_in(client) as web:
            (tmp_path / "try.mp4").write_bytes(web.get(path + query).content)
        with av.open(str(tmp_path / "try.mp4")) as proof:
            return [frame.to_ndarray(format="gray") for frame in proof.decode(video=0)]

    plain, tried = frames(""), frames(f"&cue=wave&line={line}&offset=9")
    assert len(plain) == len(tried) == 45  # a second and a half, no more
    assert max(float(np.abs(a.astype(int) - b).mean()) for a, b in zip(plain, tried, strict=True)) > 1.0
    unknown = frames(f"&cue=somersault&line={line}&offset=9")
    assert all(np.array_equal(a, b) for a, b in zip(plain, unknown, strict=True))
    production.refresh_from_db()
    assert production.revision == 1 and production.document["script"]["scenes"][0]["blocks"][0]["cues"] == []


def test_a_proof_begins_as_its_scene_does_in_the_film(
    address: str, client: Client, begin: Begin, tmp_path: Any
) -> None:
    production = begin(transition="dissolve")
    first, second = (scene["id"] for scene in production.document["script"]["scenes"])
    path = f"{address}/pictures/{production.pk}/{second}/proof-picture.mp4?at=0&until=1"

    def frames(query: str) -> list[Any]:
        with signed_in(client) as web:
            (tmp_path / "part.mp4").write_bytes(web.get(path + query).content)
        with av.open(str(tmp_path / "part.mp4")) as proof:
            return [frame.to_ndarray(format="gray").astype(int) for frame in proof.decode(video=0)]

    alone, after = frames(""), frames(f"&before={first}")
    assert len(alone) == len(after) == 30
    apart = [float(np.abs(a - b).mean()) for a, b in zip(alone, after, strict=True)]
    assert (
        5 < apart[0] > apart[6] > apart[11] > apart[14] and max(apart[14:]) < 2
    )  # then the scene itself, but for the coding


def test_a_removed_film_comes_back_until_it_is_forgotten(
    address: str, client: Client, stranger: Client, begin: Begin, monkeypatch: pytest.MonkeyPatch
) -> None:
    delivery = rendered(client, begin("MAREN: Mama may come."))
    path = f"/api/deliveries/{delivery.pk}"
    assert stranger.delete(path).status_code == 404
    assert client.delete(path).json() == {"kept": True}
    assert client.get("/api/deliveries").json() == [] and delivery.film.is_file()
    with signed_in(client) as web:
        assert web.get(f"{address}/files/deliveries/{delivery.pk}/film.mp4").status_code == 404
    assert stranger.post(f"{path}/bring-back").status_code == 404
    assert client.post(f"{path}/bring-back").json()["status"] == "done"
    assert [row["id"] for row in client.get("/api/deliveries").json()] == [str(delivery.pk)]

    client.delete(path)
    Delivery.with_deleted.update(deleted_at=timezone.now() - KEPT_FOR * 2)
    client.delete(f"/api/deliveries/{rendered(client, begin('MAREN: Mama may.')).pk}")
    assert not delivery.folder.exists() and client.post(f"{path}/bring-back").status_code == 404

    last = rendered(client, begin("MAREN: Mama may."))
    monkeypatch.setattr("server.room.free_bytes", lambda: 1_000_000)  # short of room: it goes at once
    assert client.delete(f"/api/deliveries/{last.pk}").json() == {"kept": False}
    assert Delivery.with_deleted.count() == 0 and not last.folder.exists()


def test_a_film_has_a_picture_of_its_middle(address: str, client: Client, stranger: Client, begin: Begin) -> None:
    for form, shape in (("mp4", "9:16"), ("webm", "1:1"), ("mov", "16:9")):
        delivery = rendered(client, begin("MAREN: Mama may come.", shape=shape), form=form)
        path = f"{address}/files/deliveries/{delivery.pk}/picture.jpg"
        with signed_in(client) as web, signed_in(stranger) as other:
            answer = web.get(path)
            assert other.get(path).status_code == 404
        assert answer.headers["Content-Type"] == "image/jpeg"
        with av.open(io.BytesIO(answer.content)) as picture:
            frame = next(picture.decode(video=0))
        across, down = map(int, shape.split(":"))
        assert (
            frame.height == 180
            and abs(frame.width / 180 - across / down) < 0.01
            and frame.to_ndarray(format="gray").std() > 10
        )


def test_an_estimate_follows_the_films_that_were_made(client: Client, begin: Begin) -> None:
    production = begin()

    def estimated(**choices: Any) -> dict[str, Any]:
        body = {"production_id": str(production.pk), "height": 360, **choices}
        return dict(client.post("/api/deliveries/estimate", body, content_type="application/json").json())

    first = estimated()
    assert not first["known"] and first["seconds"] > 0 and first["size"] > 0
    delivery = rendered(client, production)
    delivery.job.result = {"took": 12.0}
    delivery.job.save()
    again = estimated()
    assert again["known"] and again["seconds"] == pytest.approx(12, rel=0.1)
    assert again["size"] == pytest.approx(delivery.size, rel=0.1)
    # four times the pixels and twice as many frames
    larger = estimated(height=720, frames_per_second=60)
    assert larger["seconds"] == pytest.approx(again["seconds"] * 8, rel=0.02)
    assert not estimated(form="mov")["known"]
