"""The library of voices over the API: made, used, kept to whom they belong, with an effect for a whole voice."""

from __future__ import annotations

import json
from typing import Any

import numpy as np
from django.test import Client

from dearhost.production import Studio, manner_in, production_from_json
from tests.server.conftest import Begin


def send(client: Client, method: str, path: str, data: object) -> Any:
    return getattr(client, method)(path, json.dumps(data), content_type="application/json")


def test_a_voice_is_made_from_words_tuned_and_deleted_by_its_owner_alone(
    client: Client, stranger: Client, begin: Begin
) -> None:
    made = send(client, "post", "/api/voices/made", {"description": "a kind old woman, slow"}).json()
    assert [u["words"] for u in made["understood"]] == ["kind", "old", "woman", "slow"]
    ids = [{v["id"] for v in who.get("/api/voices").json()} for who in (client, stranger)]
    assert made["id"] in ids[0] and made["id"] not in ids[1]
    assert stranger.get(f"/api/voices/made/{made['id']}").status_code == 404
    tuned = {"name": "Gran", "shape": {**made["shape"], "pace": 9.0}}
    assert send(stranger, "put", f"/api/voices/made/{made['id']}", tuned).status_code == 404
    kept = send(client, "put", f"/api/voices/made/{made['id']}", tuned).json()
    assert kept["name"] == "Gran" and kept["shape"]["pace"] == 1.4, "held at the limit"
    assert client.get(f"/api/voices/{made['id']}/melody", {"text": "Mind the mud."}).status_code == 200
    for path in ("melody", "audition.wav"):
        assert stranger.get(f"/api/voices/{made['id']}/{path}", {"text": "Mind the mud."}).status_code == 404
    assert send(stranger, "put", f"/api/voices/{made['id']}/favourite", {"favourite": True}).status_code == 404
    production = begin("MAREN: Mind the mud.")
    production.document["cast"]["MAREN"]["voice"] = made["id"]
    save = {"document": production.document, "title": "Mud", "revision": 1}
    assert send(client, "put", f"/api/productions/{production.pk}", save).status_code == 200
    hers = send(stranger, "post", "/api/productions", {"text": "Mind the mud."}).json()
    path = f"/api/productions/{hers['id']}"
    assert send(stranger, "put", path, {**save, "revision": hers["revision"]}).status_code == 200, "nothing is lost"
    scene = production.document["script"]["scenes"][0]["id"]
    for address in (f"{path}/scenes/{scene}/times", f"/pictures/{hers['id']}/{scene}/still.jpg"):
        refused = stranger.get(address)
        assert refused.status_code == 422 and "not on this machine any more" in refused.json()["detail"]
    asked = (made["id"], "made-000000000000")
    told = [stranger.get(f"/api/voices/{v}/melody", {"text": "Mud."}) for v in asked]
    assert [t.json()["detail"].replace(made["id"], "made-000000000000") for t in told] == [told[1].json()["detail"]] * 2
    refused = send(client, "post", "/api/voices/made", {"description": "zzz qqq"})
    assert refused.status_code == 422 and "an old man" in refused.json()["detail"]
    assert client.delete(f"/api/voices/made/{made['id']}").status_code == 204
    assert made["id"] not in {v["id"] for v in client.get("/api/voices").json()}


def test_how_often_voices_are_used_and_what_they_cost(client: Client, stranger: Client, begin: Begin) -> None:
    begin("MAREN: Papa mends the map.")
    used = {row["voice"]: row["productions"] for row in client.get("/api/productions/voices-used").json()}
    assert used == {"fake": 1} and stranger.get("/api/productions/voices-used").json() == []
    costly = {v["id"]: v["quota"] for v in client.get("/api/voices").json() if v["quota"]}
    assert set(costly) == {"service-sunniva", "service-leopold"}
    assert all(0 < q["left"] <= q["limit"] for q in costly.values())


def test_an_effect_lies_over_a_whole_voice_unless_a_line_has_its_own(begin: Begin, studio: Studio) -> None:
    production = begin("MAREN: Papa mends the map.\n\nMAREN: [[cue: delivery radio]]Mama may come.")
    document = production.document
    document["cast"]["MAREN"]["effect"] = "telephone"
    staged = production_from_json(document).checked(studio)
    first, second = [line for _, _, line in staged.script.lines()]
    assert manner_in(staged, first).delivery.effect == "telephone"
    assert manner_in(staged, second).delivery.effect == "radio"
    plain = studio.speaker.read(first.text, "joe")
    heard = studio.speaker.read(first.text, "joe", manner_in(staged, first))
    power = [np.abs(np.fft.rfft(r.samples)) ** 2 for r in (plain, heard)]
    hertz = np.fft.rfftfreq(len(plain.samples), 1 / plain.sample_rate)
    below = [float(p[hertz < 200].sum() / p.sum()) for p in power]
    assert below[1] < 0.1 * below[0], "a telephone (ITU-T G.712) has nothing below 300 Hz"
