"""Hosts over the API: marked, made, versions kept apart, handed on, to their owner alone."""

from __future__ import annotations

import io
import json
from typing import Any

import av
import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from server.studio import studio
from tests.server.conftest import Begin


def send(client: Client, method: str, path: str, data: object) -> Any:
    return getattr(client, method)(path, json.dumps(data), content_type="application/json")


def made_host(client: Client, changes: str = "", **sheet: Any) -> dict[str, Any]:
    start = client.get("/api/workshop/hosts/tobias").json()
    data = {"name": "Corrin", "card": {"role": "sailor"}, "sheet": {**start["sheet"], **sheet}, "changes": changes}
    answer = send(client, "post", "/api/workshop/hosts", data)
    assert answer.status_code == 201, answer.content
    return dict(answer.json())


def test_a_sheet_turns_and_talks(client: Client) -> None:
    """The face goes to one side and to the other, and there is sound."""
    sheet = client.get("/api/workshop/hosts/maren").json()["sheet"]
    answer = send(client, "post", "/api/workshop/talking.mp4", {"sheet": sheet, "voice": "somebody else's"})
    assert answer.headers["Content-Type"] == "video/mp4"
    with av.open(io.BytesIO(answer.content)) as film:
        frames = [f.to_ndarray(format="rgb24").astype(int) for f in film.decode(film.streams.video[0])]
    lips = [np.abs(f[172:248, 105:255] - np.array([168, 74, 70])).sum(axis=2) < 90 for f in frames[::6]]
    middles = [float(np.nonzero(seen)[1].mean()) for seen in lips if seen.any()]
    assert len(middles) > 8 and max(middles) - min(middles) > 11
    with av.open(io.BytesIO(answer.content)) as film:
        heard = np.concatenate([f.to_ndarray()[0] for f in film.decode(film.streams.audio[0])])
    assert np.abs(heard).max() > 0.1


def test_a_host_is_made_changed_and_brought_to_productions(client: Client, stranger: Client, begin: Begin) -> None:
    first = made_host(client)
    production = begin("MAREN: Papa mends the map.")
    production.document["cast"]["MAREN"]["host"] = first["id"]
    production.save()
    scene = production.document["script"]["scenes"][0]["id"]
    still = f"/pictures/{production.pk}/{scene}/still.jpg"
    before = client.get(still, {"at": 1}).content
    second = made_host(client, first["id"], hair="bun", hair_colour="white")
    assert client.get(still, {"at": 1}).content == before, "a production keeps the version it has"
    plays = client.get(f"/api/productions/playing/{second['id']}").json()
    assert [p["host"] for p in plays] == [first["id"]]
    body = {"host": second["id"], "productions": [p["id"] for p in plays]}
    assert send(client, "post", "/api/productions/recast", body).status_code == 204
    production.refresh_from_db()
    assert (production.document["cast"]["MAREN"]["host"], production.revision) == (second["id"], 2)
    assert client.get(still, {"at": 1, "revision": 2}).content != before
    listed = [h for h in client.get("/api/hosts").json() if h["own"]]
    assert [h["id"] for h in listed] == [second["id"]]
    assert not [h for h in stranger.get("/api/hosts").json() if h["own"]]
    for path in (f"/api/hosts/{second['id']}/portrait.png", f"/api/workshop/hosts/{second['id']}"):
        assert client.get(path).status_code == 200 and stranger.get(path).status_code == 404
    assert stranger.delete(f"/api/workshop/hosts/{second['id']}").status_code == 404
    assert client.delete(f"/api/workshop/hosts/{second['id']}").status_code == 204
    gone = client.get(f"/api/productions/{production.pk}/scenes/{scene}/times")
    assert gone.status_code == 422 and "no host" in gone.json()["detail"]


def test_another_host_plays_instead_of_one_that_is_deleted(client: Client, begin: Begin) -> None:
    made = made_host(client)
    production = begin("MAREN: Papa mends the map.\n\nSKERRY: Maybe.")
    production.document["cast"]["MAREN"]["host"] = made["id"]
    production.save()
    body = {"host": "nobody", "instead_of": made["id"], "productions": [str(production.pk)]}
    assert send(client, "post", "/api/productions/recast", body).status_code == 404
    assert send(client, "post", "/api/productions/recast", {**body, "host": "imani"}).status_code == 204
    assert client.delete(f"/api/workshop/hosts/{made['id']}").status_code == 204
    opened = client.get(f"/api/productions/{production.pk}").json()
    assert {entry["host"] for entry in opened["document"]["cast"].values()} == {"imani", "skerry"}
    assert opened["notes"] == []


def test_a_host_is_handed_on_as_a_file(client: Client, stranger: Client) -> None:
    made = made_host(client, beard="moustache")
    content = client.get(f"/api/workshop/hosts/{made['id']}/host.json").content

    def take(data: bytes) -> Any:
        return stranger.post("/api/workshop/import", {"file": SimpleUploadedFile("h.json", data)})

    taken = take(content).json()
    assert taken["sheet"] == made["sheet"] and taken["id"] != made["id"] and not taken["notes"]
    mended = take(content.replace(b'"moustache"', b'"seaweed"')).json()
    assert "seaweed" in mended["notes"][0]
    for data, told in ((b"\xff\xfe", "no JSON"), (b"{}", "no host"), (b" " * 500_000, "too big")):
        assert told in take(data).json()["detail"]
    for own in studio().hosts.shelf.latest():
        studio().hosts.shelf.remove(own.id)


def test_marks_pictures_and_the_workshop(client: Client, stranger: Client) -> None:
    assert send(client, "put", "/api/hosts/edda/favourite", {"favourite": True}).status_code == 204
    assert [h["id"] for h in client.get("/api/hosts").json() if h["favourite"]] == ["edda"]
    assert not [h for h in stranger.get("/api/hosts").json() if h["favourite"]]
    for name in ("figure.png", "sheet.png", "sheet.svg"):
        assert client.get(f"/api/hosts/dulse/{name}").status_code == 200
    assert "drawn by hand" in client.get("/api/workshop/hosts/dulse").json()["detail"]
    found = send(client, "post", "/api/workshop/described", {"text": "an old woman with white hair"}).json()
    assert len(found["sheets"]) == 4 and all(s["hair_colour"] == "white" for s in found["sheets"])
    refused = send(client, "post", "/api/workshop/described", {"text": "zzz"})
    assert refused.status_code == 422 and "grey beard" in refused.json()["detail"]
    more = send(
        client, "post", "/api/workshop/by-chance", {"sheet": found["sheets"][0], "groups": ["outfit"], "seed": 5}
    )
    assert {s["hair"] for s in more.json()["sheets"]} == {found["sheets"][0]["hair"]}
    picture = send(client, "post", "/api/workshop/picture.png", {"sheet": {"skin": "x"}, "view": "speaking"})
    assert picture.status_code == 200 and picture.content.startswith(b"\x89PNG")
    parts = client.get("/api/workshop/parts").json()
    assert {c["path"] for c in parts["choices"]} >= {"hair", "outfit.cut", "headwear.kind"}
