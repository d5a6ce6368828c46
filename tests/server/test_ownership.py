"""Who may use a voice, host, picture or recording: asked on every use; to others it is as if it were not there."""

from __future__ import annotations

import base64
import io
import json
import zipfile
from typing import Any

import numpy as np
import pytest
import skia
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from dearhost.errors import ConsentError
from dearhost.hosts import CAST
from dearhost.production import production_from_json
from dearhost.production.uses import HOST, PICTURE, RECORDING, VOICE, Use, uses_of, without
from server.assets.models import Belonging
from server.assets.ownership import belongs_to, disown, for_account, key_of, keys_of, may_use, usable
from server.productions.models import Production
from server.studio import studio
from tests.server.conftest import Begin


@pytest.fixture
def other(stranger: Client) -> User:
    """The stranger's account."""
    return User.objects.get(username="other")


def send(client: Client, method: str, path: str, data: object) -> Any:
    return getattr(client, method)(path, json.dumps(data), content_type="application/json")


def png(colour: int = 0x14) -> bytes:
    surface = skia.Surface(40, 30)
    surface.getCanvas().clear(skia.ColorSetARGB(255, colour, 103, 107))
    return bytes(surface.makeImageSnapshot().encodeToData(skia.kPNG, 100))


def picture_of(client: Client, colour: int = 0x14) -> str:
    file = SimpleUploadedFile("a.png", png(colour))
    return str(client.post("/api/hosts/pictures", {"file": file}).json()["picture"])


def host_of(client: Client) -> str:
    start = client.get("/api/workshop/hosts/tobias").json()
    data = {"name": "Corrin", "card": {}, "sheet": start["sheet"]}
    return str(send(client, "post", "/api/workshop/hosts", data).json()["id"])


def production_with(client: Client, text: str, **cast: str) -> dict[str, Any]:
    made = send(client, "post", "/api/productions", {"text": text}).json()
    for entry in made["document"]["cast"].values():
        entry.update({"voice": "fake"} | cast)
    body = {"document": made["document"], "title": made["title"], "revision": made["revision"]}
    return dict(send(client, "put", f"/api/productions/{made['id']}", body).json())


def times_of(client: Client, production: dict[str, Any]) -> Any:
    scene = production["document"]["script"]["scenes"][0]["id"]
    return client.get(f"/api/productions/{production['id']}/scenes/{scene}/times")


def still_of(client: Client, production: dict[str, Any]) -> Any:
    scene = production["document"]["script"]["scenes"][0]["id"]
    return client.get(f"/pictures/{production['id']}/{scene}/still.jpg", {"at": 1.4})


def test_keys_are_of_the_thing_whatever_its_version_look_or_language() -> None:
    assert key_of(Use(HOST, "own-0123456789-v3~slicker")) == key_of(Use(HOST, "own-0123456789-v1")) == "own-0123456789"
    assert key_of(Use(VOICE, "matched-a:es")) == "matched-a" and key_of(Use(PICTURE, "p1")) == "p1"


def test_what_comes_with_the_application_is_everybodys(ines: User, other: User) -> None:
    stock = {Use(HOST, host) for host in CAST} | {Use(HOST, "maren~slicker"), Use(VOICE, "fake"), Use(VOICE, "nell")}
    assert usable(ines.pk, stock) == usable(other.pk, stock) == usable(None, stock) == stock


@pytest.mark.parametrize("kind", [HOST, PICTURE, RECORDING])
def test_what_somebody_brought_is_theirs_until_it_is_gone(ines: User, other: User, kind: str) -> None:
    use = Use(kind, "own-0123456789-v1" if kind == HOST else "p0123")
    assert not may_use(ines.pk, use)
    belongs_to(ines.pk, use)
    belongs_to(ines.pk, use)
    assert Belonging.objects.count() == 1
    assert may_use(ines.pk, use) and not may_use(other.pk, use) and not may_use(None, use)
    belongs_to(other.pk, use)
    assert may_use(other.pk, use), "two accounts may have brought the same"
    disown(use)
    assert not may_use(ines.pk, use) and not may_use(other.pk, use) and not keys_of(ines.pk, kind)


def test_uses_are_all_that_a_production_names() -> None:
    cues = [
        {"id": "a", "kind": "take", "start": 0, "parameters": {"prop": "own-picture", "picture": "p1"}},
        {"id": "b", "kind": "recording", "start": 0, "parameters": {"recording": "r1"}},
        {"id": "c", "kind": "picture", "start": 0, "parameters": {"shows": "boat"}},
        {"id": "d", "kind": "take", "start": 0, "parameters": {"prop": "map"}},
    ]
    block = {"id": "l", "kind": "line", "speaker": "MAREN", "text": "Mama may.", "cues": cues}
    data = {"script": {"scenes": [{"blocks": [block]}]}, "cast": {"MAREN": {"host": "own-1", "voice": "made-1"}}}
    production = production_from_json(data)
    assert uses_of(production) == {Use(HOST, "own-1"), Use(VOICE, "made-1"), Use(PICTURE, "p1"), Use(RECORDING, "r1")}
    bare = without(production, lambda use: use.kind == PICTURE)
    assert Use(PICTURE, "p1") not in uses_of(bare) and len(uses_of(bare)) == 3
    assert bare.script.scenes[0].lines[0].cues[0].text("prop") == "own-picture"


def test_a_picture_is_shown_to_its_owner_alone_and_held_by_nobody_elses_host(client: Client, stranger: Client) -> None:
    picture = picture_of(client)
    assert client.get(f"/api/hosts/pictures/{picture}.png").status_code == 200
    missing = stranger.get("/api/hosts/pictures/p000000000000000.png")
    theirs = stranger.get(f"/api/hosts/pictures/{picture}.png")
    assert theirs.status_code == missing.status_code == 404 and theirs.content == missing.content
    text = f"MAREN: [[cue: take own-picture picture={picture}]]Papa mends the map and may bring it all."
    mount = text.replace(picture, "p000000000000000")
    hers = [still_of(client, production_with(client, t)).content for t in (text, mount)]
    his = [still_of(stranger, production_with(stranger, t)).content for t in (text, mount)]
    assert hers[0] != hers[1], "she sees her picture"
    assert his[0] == his[1], "he sees an empty mount, as for a picture there is not"
    assert picture_of(stranger) == picture, "who has the picture itself may keep it too"
    assert still_of(stranger, production_with(stranger, text)).content == hers[0]


def test_a_host_is_played_by_its_owner_alone(client: Client, stranger: Client) -> None:
    host = host_of(client)
    assert times_of(client, production_with(client, "Mama may come.", host=host)).status_code == 200
    told = [
        times_of(stranger, production_with(stranger, "Mama may come.", host=h)).json()["detail"].replace(h, "x")
        for h in (host, "own-0000000000-v1")
    ]
    assert told[0] == told[1] and "There is no host" in told[0]
    for path in ("portrait.png", "figure.png", "sheet.png"):
        assert stranger.get(f"/api/hosts/{host}/{path}").status_code == 404


def test_a_recording_is_heard_in_its_owners_productions_alone(client: Client, stranger: Client, ines: User) -> None:
    name = studio().speaker.recordings.add(np.sin(np.arange(96_000) / 20).astype(np.float32) * 0.3)
    text = f"MAREN: [[cue: recording recording={name}]]Mama may come."
    refused = times_of(stranger, production_with(stranger, text))
    gone = times_of(stranger, production_with(stranger, text.replace(name, "0" * 24)))
    assert refused.status_code == gone.status_code == 422
    assert refused.json()["detail"] == gone.json()["detail"] and "not on this machine" in gone.json()["detail"]
    belongs_to(ines.pk, Use(RECORDING, name))
    heard = times_of(client, production_with(client, text))
    assert heard.status_code == 200 or "not on this machine" not in heard.json()["detail"]


def test_a_made_voice_says_words_for_its_owner_alone(client: Client, stranger: Client) -> None:
    made = send(client, "post", "/api/voices/made", {"description": "an old man, deep"}).json()["id"]
    for path in (f"suggestions?voice={made}&word=Oake", f"word.wav?voice={made}&word=Oake"):
        assert client.get(f"/api/productions/say-as/{path}").status_code == 200
        assert stranger.get(f"/api/productions/say-as/{path}").status_code == 404
    client.delete(f"/api/voices/made/{made}")
    assert made not in keys_of(User.objects.get(username="ines").pk, VOICE)


@pytest.mark.parametrize("kind", ["made", "match"])
def test_of_voices_of_others_nothing_is_told(
    client: Client, stranger: Client, ines: User, monkeypatch: pytest.MonkeyPatch, kind: str
) -> None:
    """A voice of somebody else, one of nobody, and one whose person took back their word: all in the same words."""
    made = send(client, "post", "/api/voices/made", {"description": "an old man, deep"}).json()["id"]
    withdrawn = "match-00000000abcd"
    belongs_to(ines.pk, Use(VOICE, withdrawn))
    refusing = type(studio().voices.matched)

    def ensure_usable(self: object, voice_id: str) -> None:
        if voice_id == withdrawn:
            raise ConsentError("Tobias Reed took back his consent.")

    monkeypatch.setattr(refusing, "ensure_usable", ensure_usable)
    theirs, nobodys = (made, "made-0123456789ab") if kind == "made" else (withdrawn, "match-0123456789ab")
    told = [times_of(stranger, production_with(stranger, "Mama may come.", voice=v)) for v in (theirs, nobodys)]
    assert [t.status_code for t in told] == [422, 422]
    assert told[0].json() == told[1].json() and "not on this machine" in told[0].json()["detail"]
    asked = [stranger.get(f"/api/productions/say-as/suggestions?voice={v}&word=Oake") for v in (theirs, nobodys)]
    assert [a.status_code for a in asked] == [404, 404]
    assert asked[0].json()["detail"].replace(theirs, nobodys) == asked[1].json()["detail"]
    unknown = times_of(stranger, production_with(stranger, "Mama may come.", voice="nobody")).json()["detail"]
    assert "There is no voice 'nobody'" in unknown and made not in unknown and withdrawn not in unknown
    if kind == "match":
        hers = times_of(client, production_with(client, "Mama may come.", voice=withdrawn)).json()["detail"]
        assert "took back" in hers, "its owner is told why"


def packed(document: dict[str, Any], **more: Any) -> SimpleUploadedFile:
    content = {"form": "dear-host-production", "version": 1, "production": document, **more}
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w") as file:
        file.writestr("production.json", json.dumps(content))
    return SimpleUploadedFile("a.dearhost", buffer.getvalue())


def document_with(host: str, picture: str = "") -> dict[str, Any]:
    cues = [{"id": "c", "kind": "take", "start": 0, "parameters": {"prop": "own-picture", "picture": picture}}]
    block = {"id": "l", "kind": "line", "speaker": "A", "text": "Mama may come.", "cues": cues if picture else []}
    return {"script": {"scenes": [{"blocks": [block]}]}, "cast": {"A": {"host": host, "voice": "fake"}}}


def test_a_file_that_only_names_what_is_somebodys_gives_nothing_of_it(
    client: Client, stranger: Client, other: User
) -> None:
    host, picture = host_of(client), picture_of(client, 0x55)
    forged = {host: {"form": "dear-host-host", "version": 1, "name": "Forged"}}
    for file in (packed(document_with(host, picture)), packed(document_with(host), hosts=forged)):
        opened = stranger.post("/api/productions/open", {"file": file}).json()
        unknown = packed(document_with("own-0000000000-v1"))
        nobodys = stranger.post("/api/productions/open", {"file": unknown}).json()
        assert [n.replace(host, "x") for n in opened["notes"]] == [
            n.replace("own-0000000000-v1", "x") for n in nobodys["notes"]
        ]
        assert opened["production"]["document"]["cast"]["A"]["host"] in CAST
    wrong = packed(document_with("maren", picture), pictures={picture: base64.b64encode(png(0x99)).decode()})
    assert stranger.post("/api/productions/open", {"file": wrong}).status_code == 201
    assert not Belonging.objects.filter(owner=other).exists()


def test_a_file_that_brings_a_host_and_a_picture_gives_them(client: Client, stranger: Client, other: User) -> None:
    host, picture = host_of(client), picture_of(client, 0x77)
    hers = production_with(client, f"MAREN: [[cue: take own-picture picture={picture}]]Mama may come.", host=host)
    file = client.get(f"/api/productions/{hers['id']}/file/production.dearhost").content
    opened = stranger.post("/api/productions/open", {"file": SimpleUploadedFile("a.dearhost", file)}).json()
    assert opened["notes"] == []
    assert keys_of(other.pk, HOST) == {host.rsplit("-v", 1)[0]} and keys_of(other.pk, PICTURE) == {picture}
    assert times_of(stranger, opened["production"]).status_code == 200
    assert client.delete(f"/api/workshop/hosts/{host}").status_code == 204
    assert times_of(stranger, opened["production"]).status_code == 200, "it is his too, and stays"
    assert client.get(f"/api/hosts/{host}/portrait.png").status_code == 404, "and no more hers"


def test_what_is_packed_is_only_ones_own(client: Client, stranger: Client) -> None:
    picture = picture_of(client, 0x33)
    his = production_with(stranger, f"MAREN: [[cue: take own-picture picture={picture}]]Mama may come.")
    file = stranger.get(f"/api/productions/{his['id']}/file/production.dearhost").content
    with zipfile.ZipFile(io.BytesIO(file)) as archive:
        assert picture not in archive.read("production.json").decode()


def test_a_delivery_plays_as_its_account_may(client: Client, stranger: Client, begin: Begin, ines: User) -> None:
    host = host_of(stranger)
    production = begin("Mama may come.")
    for entry in production.document["cast"].values():
        entry["host"] = host
    production.save()
    refused = send(client, "post", "/api/deliveries", {"production_id": str(production.pk), "height": 360})
    assert refused.status_code == 422 and "There is no host" in refused.json()["detail"]
    staged = production_from_json(production.document)
    with pytest.raises(Exception, match="There is no host"):
        for_account(ines.pk, staged)


def test_one_row_that_cannot_be_read_harms_no_other(client: Client, begin: Begin) -> None:
    good, bad, strange = begin(), begin("MAREN: Papa."), begin("MAREN: Mama.")
    Production.objects.filter(pk=bad.pk).update(document={"script": 3})
    strange.document["set"] = "moon"
    strange.document["cast"]["MAREN"]["host"] = "own-0000000000-v1"
    strange.save()
    rows = {row["id"]: row for row in client.get("/api/productions").json()}
    assert rows[str(good.pk)]["problem"] == "" and rows[str(good.pk)]["words"] > 5
    assert "not a production" in rows[str(bad.pk)]["problem"] and rows[str(bad.pk)]["title"] == "The pier"
    assert rows[str(strange.pk)]["problem"] == "", "what is not here is replaced"
    opened = client.get(f"/api/productions/{strange.pk}").json()
    assert any("moon" in note for note in opened["notes"]) and opened["document"]["set"] == "museum"
    assert any("own-0000000000-v1" in note for note in opened["notes"])
    body = {"document": opened["document"], "title": "Mama", "revision": 1}
    assert send(client, "put", f"/api/productions/{strange.pk}", body).status_code == 200
    assert times_of(client, {"id": str(strange.pk), "document": opened["document"]}).status_code == 200
    broken = client.get(f"/api/productions/{bad.pk}")
    assert broken.status_code == 422 and "Nothing was changed" in broken.json()["detail"]


@pytest.mark.parametrize("document", [{"script": 3}, [], {"cast": {"MAREN": 7}}, {"cast": [1]}, {"cast": {"M": {}}}])
def test_who_speaks_and_plays_where_is_told_beside_a_row_that_cannot_be_read(
    client: Client, begin: Begin, document: object
) -> None:
    good, bad = begin(), begin("MAREN: Papa.")
    Production.objects.filter(pk=bad.pk).update(document=document)
    cast = good.document["cast"]["MAREN"]
    assert client.get("/api/productions/voices-used").json() == [{"voice": cast["voice"], "productions": 1}]
    for path in (f"using/{cast['voice'].split(':')[0]}", f"playing/{cast['host']}"):
        assert [row["id"] for row in client.get(f"/api/productions/{path}").json()] == [str(good.pk)], path
    moved = send(client, "post", "/api/productions/recast", {"host": cast["host"], "productions": [str(bad.pk)]})
    bad.refresh_from_db()
    assert moved.status_code == 204 and (bad.document, bad.revision) == (document, 1), "nothing was lost"
