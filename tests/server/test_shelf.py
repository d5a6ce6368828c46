"""The shelf over the API: brought by a job, whose it is, where it is used, put away, replaced, shared."""

from __future__ import annotations

import json
import os
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import skia
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from dearhost.errors import RenderError, StorageFull
from server.deliveries.actions.order import order_delivery
from server.jobs.models import Job
from server.jobs.running import run_job
from server.productions.documents import opened, usable_production
from server.productions.models import Production
from server.shelf.actions.put_away import KEPT_FOR, put_away
from server.shelf.models import ShelfEntry
from server.shelf.work import upload_path
from server.studio import studio
from tests.clips import counted, write_clip
from tests.dearhost.assets.test_telephone_files import heic
from tests.server.conftest import Begin

pytestmark = pytest.mark.django_db(transaction=True)


def png(grey: int) -> bytes:
    pixels = np.full((30, 50, 4), grey, np.uint8)
    pixels[..., 3] = 255
    return bytes(skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType).encodeToData())


def bring(client: Client, name: str, data: bytes) -> Job:
    """Send a file and let its job run."""
    answer = client.post("/api/shelf", {"file": SimpleUploadedFile(name, data)})
    assert answer.status_code == 201, answer.content
    job = Job.objects.get(pk=answer.json()["id"])
    run_job(job.pk)
    job.refresh_from_db()
    assert not upload_path(job.order["upload"]).exists(), "what was sent is not kept"
    return job


def shelf_of(client: Client) -> list[dict[str, Any]]:
    listed: list[dict[str, Any]] = client.get("/api/shelf").json()
    return listed


def change(client: Client, item: str, **part: Any) -> Any:
    return client.patch(f"/api/shelf/{item}", json.dumps(part), "application/json")


@pytest.fixture
def wall(client: Client) -> str:
    """A picture on her shelf, its rights said."""
    item = str(bring(client, "harbour-wall_2.png", png(90)).result["item"])
    assert change(client, item, licence="own").status_code == 200
    return item


def test_what_is_brought_is_entered_with_a_number_and_a_title(client: Client) -> None:
    assert shelf_of(client) == []
    first, second = bring(client, "harbour-wall_2.png", png(90)), bring(client, "b.png", png(120))
    assert (first.status, first.result["number"], second.result["number"]) == ("done", 1, 2)
    latest, earlier = shelf_of(client)
    assert (latest["number"], earlier["title"], earlier["file"]) == (2, "Harbour wall 2", "harbour-wall_2.png")
    assert (earlier["kind"], earlier["width"], earlier["height"], earlier["used_in"]) == ("picture", 50, 30, [])
    assert earlier["problem"] == "no licence said" and earlier["mine"]


def test_a_telephones_picture_is_brought_with_what_it_says_of_its_author(client: Client) -> None:
    job = bring(client, "IMG_0412.HEIC", heic(author="Ina Pell", rights="CC BY 4.0"))
    assert job.status == "done", job.message
    (thing,) = shelf_of(client)
    assert (thing["kind"], thing["width"], thing["height"]) == ("picture", 80, 40)
    assert (thing["author"], thing["licence"]) == ("Ina Pell", "CC BY 4.0")
    spoiled = bring(client, "IMG_0413.HEIC", heic()[:200])
    assert spoiled.status == "failed" and "damaged" in spoiled.message
    assert len(shelf_of(client)) == 1


def test_the_same_file_again_is_the_same_entry(client: Client) -> None:
    once, again = bring(client, "a.png", png(33)), bring(client, "a copy.png", png(33))
    assert once.result == again.result and len(shelf_of(client)) == 1


def test_what_cannot_be_read_is_told_and_leaves_nothing(client: Client) -> None:
    job = bring(client, "words.mp4", b"The sea comes back.")
    assert job.status == "failed" and "words.mp4" in job.message
    assert shelf_of(client) == []


def test_a_clip_comes_with_what_can_be_told_of_it(client: Client, tmp_path: Path) -> None:
    data = write_clip(tmp_path / "a.mp4", counted(60), rate=25, sound=True).read_bytes()
    item = bring(client, "water.mp4", data).result["item"]
    [clip] = shelf_of(client)
    assert clip["kind"] == "clip" and clip["sounds"] and abs(clip["seconds"] - 2.4) < 0.1
    for name, kind in (("thumbnail.jpg", "image/jpeg"), ("film.mp4", "video/mp4"), ("sound.flac", "audio/flac")):
        answer = client.get(f"/files/shelf/{item}/{name}")
        assert answer.status_code == 200 and answer["Content-Type"] == kind
    part = client.get(f"/files/shelf/{item}/film.mp4", headers={"Range": "bytes=0-99"})
    assert part.status_code == 206 and part["Content-Length"] == "100"
    assert client.get(f"/files/shelf/{item}/picture").status_code == 404


def test_files_are_for_their_account_alone(client: Client, stranger: Client, wall: str) -> None:
    assert client.get(f"/files/shelf/{wall}/picture").status_code == 200
    for who in (stranger, Client()):
        assert who.get(f"/files/shelf/{wall}/picture").status_code == 404
    assert shelf_of(stranger) == []
    for answer in (
        change(stranger, wall, title="Mine"),
        stranger.delete(f"/api/shelf/{wall}"),
        stranger.post(f"/api/shelf/{wall}/bring-back"),
        stranger.post(f"/api/shelf/{wall}/replace/{wall}"),
    ):
        assert answer.status_code == 404


def test_what_is_shared_others_may_use_and_not_change(client: Client, stranger: Client, wall: str) -> None:
    assert change(client, wall, shared=True).json()["shared"]
    [theirs] = shelf_of(stranger)
    assert theirs["item"] == wall and not theirs["mine"]
    assert stranger.get(f"/files/shelf/{wall}/picture").status_code == 200
    assert change(stranger, wall, title="Mine").status_code == 404
    change(client, wall, shared=False)
    assert shelf_of(stranger) == [] and stranger.get(f"/files/shelf/{wall}/picture").status_code == 404


@pytest.mark.parametrize("part", [{"licence": "made up"}, {"title": ""}, {"title": "x" * 121}, {"author": "x" * 201}])
def test_what_does_not_fit_changes_nothing(client: Client, wall: str, part: dict[str, str]) -> None:
    before = shelf_of(client)
    assert change(client, wall, **part).status_code == 422
    assert shelf_of(client) == before


def test_rights_are_said_once_for_several(client: Client, wall: str) -> None:
    other = bring(client, "b.png", png(120)).result["item"]
    body = {"items": [wall, other, "i" + "f" * 15], "licence": "CC BY 4.0", "author": " N. Tarn "}
    answer = client.post("/api/shelf/rights", json.dumps(body), "application/json").json()
    assert {(one["item"], one["author"], one["problem"]) for one in answer} == {
        (wall, "N. Tarn", ""), (other, "N. Tarn", "")
    }  # fmt: skip


def used(begin: Begin, item: str) -> Production:
    return begin(f"Maren: [[cue: own {item}]]Mama may bring[[/cue]] a boat.", set=item)


def test_what_is_used_is_told_and_cannot_be_put_away(client: Client, begin: Begin, wall: str) -> None:
    production = used(begin, wall)
    [entry] = shelf_of(client)
    assert entry["used_in"] == [{"id": str(production.pk), "title": "The pier"}]
    refused = client.delete(f"/api/shelf/{wall}")
    assert refused.status_code == 422 and "The pier" in refused.json()["detail"]
    assert len(shelf_of(client)) == 1


def test_another_stands_in_everywhere_as_a_step_of_its_own(client: Client, begin: Begin, wall: str) -> None:
    production = used(begin, wall)
    other = bring(client, "b.png", png(120)).result["item"]
    answer = client.post(f"/api/shelf/{wall}/replace/{other}")
    assert answer.json() == {"productions": 1}
    production.refresh_from_db()
    text = json.dumps(production.document)
    assert production.revision == 2 and wall not in text and text.count(other) == 2
    assert client.delete(f"/api/shelf/{wall}").status_code == 204, "it is free now"


def test_what_is_put_away_comes_back_or_goes_for_good(client: Client, ines: User, wall: str) -> None:
    assert client.delete(f"/api/shelf/{wall}").status_code == 204
    assert shelf_of(client) == []
    assert client.post(f"/api/shelf/{wall}/bring-back").json()["licence"] == "own"
    client.delete(f"/api/shelf/{wall}")
    entry = ShelfEntry.with_deleted.get(item=wall)
    ShelfEntry.with_deleted.filter(pk=entry.pk).update(deleted_at=entry.deleted_at - 2 * KEPT_FOR)
    other = bring(client, "b.png", png(120)).result["item"]
    put_away(ShelfEntry.objects.get(item=other))
    assert studio().shelf.item(wall) is None and studio().shelf.item(other) is not None


def test_files_stay_while_anybody_else_has_them(client: Client, stranger: Client, wall: str) -> None:
    bring(stranger, "mine too.png", png(90))
    client.delete(f"/api/shelf/{wall}")
    ShelfEntry.with_deleted.filter(deleted_at__isnull=False).update(deleted_at="2000-01-01T00:00:00Z")
    put_away(ShelfEntry.objects.get(item=bring(client, "b.png", png(120)).result["item"]))
    assert studio().shelf.item(wall) is not None and len(shelf_of(stranger)) == 1


def test_no_film_is_rendered_before_its_rights_are_said(client: Client, begin: Begin, wall: str) -> None:
    production = used(begin, wall)
    change(client, wall, licence="CC BY 4.0", author="")
    with pytest.raises(RenderError, match="author"):
        order_delivery(production, height=360, frames_per_second=24, captions="none")
    owed = client.get(f"/api/shelf/credits/{production.pk}").json()
    assert len(owed["missing"]) == 1 and "Harbour wall 2" in owed["missing"][0]
    change(client, wall, author="N. Tarn")
    assert order_delivery(production, height=360, frames_per_second=24, captions="none").pk
    owed = client.get(f"/api/shelf/credits/{production.pk}").json()
    assert owed == {"lines": ["Pictures: “Harbour wall 2” by N. Tarn (CC BY 4.0)."], "missing": []}


def test_a_stranger_who_names_it_does_not_see_it(client: Client, stranger: Client, wall: str) -> None:
    body = {"title": "Theirs", "script": f"[[cue: own {wall}]]Mama may[[/cue]] bring a boat."}
    made = stranger.post("/api/productions", json.dumps(body), "application/json").json()
    document = stranger.get(f"/api/productions/{made['id']}").json()
    owner = Production.objects.get(pk=made["id"]).owner_id
    assert wall not in str(usable_production(document["document"], "Theirs", owner))
    told = opened(Production.objects.get(pk=made["id"]).document, "Theirs", owner)
    assert wall not in str(told.production)


def test_a_stopped_job_leaves_nothing(client: Client) -> None:
    answer = client.post("/api/shelf", {"file": SimpleUploadedFile("a.png", png(7))})
    job = Job.objects.get(pk=answer.json()["id"])
    client.post(f"/api/jobs/{job.pk}/stop")
    run_job(job.pk)
    job.refresh_from_db()
    assert job.status == "stopped" and shelf_of(client) == []
    left = upload_path(job.order["upload"])
    waiting = client.post("/api/shelf", {"file": SimpleUploadedFile("b.png", png(8))}).json()["id"]
    assert left.exists(), "it may be one that is being sent"
    for path in left.parent.iterdir():
        os.utime(path, (0, 0))
    bring(client, "c.png", png(9))
    kept = {path.name for path in left.parent.iterdir()}
    assert left.name not in kept and Job.objects.get(pk=waiting).order["upload"] in kept


def test_a_file_waits_for_room_on_the_disk(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    take, tries = studio().shelf.take, []

    def full_at_first(*given: Any) -> Any:
        tries.append(given)
        if len(tries) == 1:
            raise StorageFull("The disk is full.")
        return take(*given)

    monkeypatch.setattr(studio().shelf, "take", full_at_first)
    monkeypatch.setattr("server.jobs.running.WAIT_FOR_ROOM", 0.01)
    job = bring(client, "a.png", png(71))
    assert job.status == "done" and len(tries) == 2


def test_the_light_behind_is_scored_for_its_owner_only(client: Client, stranger: Client, wall: str) -> None:
    fit = client.get(f"/api/shelf/{wall}/light").json()
    dimmed = client.get(f"/api/shelf/{wall}/light?dim=0.5").json()
    assert 0 <= fit["score"] <= 100 and fit["sentence"] and fit["score"] != dimmed["score"]
    assert stranger.get(f"/api/shelf/{wall}/light").status_code == 404
    assert client.get(f"/api/shelf/{wall}/light?dim=nan").status_code == 422
