"""Voice match over the API: sample, consent, fitting, withdrawal."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import replace
from datetime import date

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from dearhost.production import Studio
from dearhost.speech.matching import SENTENCES
from dearhost.wav import as_wav
from server.jobs.tasks import run
from server.studio import studio as server_studio
from tests.server.conftest import Begin

STATEMENT = "I am Ines Calder. The museum may make a voice from this reading."


def spoken(studio: Studio, text: str, *, room: float = 1e-4) -> bytes:
    reading = studio.speaker.read(text, "joe")
    padded = np.pad(reading.samples, round(0.5 * reading.sample_rate))
    noisy = padded + np.random.default_rng(1).normal(0, room, len(padded))
    return as_wav(replace(reading, samples=noisy.astype(np.float32), duration=len(padded) / reading.sample_rate))


def put(client: Client, path: str, data: object) -> dict:
    return client.put(path, json.dumps(data), content_type="application/json").json()


@pytest.fixture
def formant_only(monkeypatch: pytest.MonkeyPatch) -> Iterator[None]:
    """Fitting for one kind of base voice is enough here."""
    registry = server_studio().voices
    formant = {"formant": registry.bases()["formant"]}
    monkeypatch.setattr(registry, "bases", lambda: formant)
    yield
    for voice in registry.matched.all():
        registry.matched.path(voice.id).unlink()


def test_from_the_first_sentence_to_the_voice_and_its_withdrawal(
    client: Client, stranger: Client, begin: Begin, studio: Studio, formant_only: None,
) -> None:  # fmt: skip
    match = client.post("/api/voices/matches", {"person": "Ines Calder"}, content_type="application/json").json()
    base = f"/api/voices/matches/{match['id']}"
    assert [s["text"] for s in match["sentences"]] == list(SENTENCES)
    for number in range(5):
        sound = SimpleUploadedFile("s.webm", spoken(studio, SENTENCES[number]))
        match = client.post(f"{base}/sentences/{number}", {"file": sound}).json()
        assert match["sentences"][number]["good"], match["sentences"][number]
    noisy = SimpleUploadedFile("s.webm", spoken(studio, SENTENCES[6], room=0.05))
    match = client.post(f"{base}/sentences/6", {"file": noisy}).json()
    assert not match["sentences"][6]["good"] and "quieter" in match["sentences"][6]["faults"][0]
    refused = client.post(f"{base}/fit")
    assert refused.status_code == 422 and "consent" in refused.json()["detail"]
    unnamed = put(client, f"{base}/consent", {"purpose": "lessons", "statement": "Yes."})
    assert "name" in unnamed["detail"]
    match = put(client, f"{base}/consent", {"purpose": "lessons", "statement": STATEMENT, "until": "2090-06-30"})
    assert match["consented"] and not match["spoken"]
    wrong = SimpleUploadedFile("s.webm", spoken(studio, "Something quite different about gardens."))
    assert "does not say" in client.post(f"{base}/consent/spoken", {"file": wrong}).json()["detail"]
    said = SimpleUploadedFile("s.webm", spoken(studio, STATEMENT))
    assert client.post(f"{base}/consent/spoken", {"file": said}).json()["spoken"]
    fitting = client.post(f"{base}/fit").json()
    assert fitting["status"] == "queued"
    assert client.post(f"{base}/fit").json()["job"] == fitting["job"], "asked twice, fitted once"
    run.call(fitting["job"])
    match = client.get(base).json()
    assert match["status"] == "done", match["message"]
    voice = match["voice"]
    listed = {v["id"] for v in client.get("/api/voices").json()}
    assert voice in listed and f"{voice}:es" in listed
    assert voice not in {v["id"] for v in stranger.get("/api/voices").json()}
    matched = client.get("/api/voices/matched").json()[0]
    assert matched["held_out"] == 2 and matched["after"] < matched["before"]

    before, after = (client.get(f"{base}/compare/{which}.wav").content for which in ("before", "after"))
    assert before == as_wav(studio.speaker.read(SENTENCES[0], "formant-en-us")), "what it was made from"
    assert before != after == as_wav(studio.speaker.read(SENTENCES[0], voice))
    assert stranger.get(f"{base}/compare/after.wav").status_code == 404
    assert client.get(f"{base}/compare/else.wav").status_code == 404

    production = begin("MAREN: The tide is in.\n\nSKERRY: So it is.")
    production.document["cast"]["MAREN"]["voice"] = voice
    production.save()
    scene = production.document["script"]["scenes"][0]["id"]
    assert client.get(f"/api/productions/{production.pk}/scenes/{scene}/times").status_code == 200
    uses = client.get(f"/api/productions/using/{voice}").json()
    assert [u["speakers"] for u in uses] == [["MAREN"]]
    assert (
        stranger.post(f"/api/voices/matched/{voice}/withdraw", "{}", content_type="application/json").status_code == 404
    )
    put(client, f"{base}/consent", {"purpose": "notices", "statement": STATEMENT, "until": "2091-01-01"})
    changed = client.get("/api/voices/matched").json()[0]
    assert (changed["purpose"], changed["until"]) == ("notices", "2091-01-01"), "the consent of the voice itself"
    packed = client.get(f"/api/voices/matched/{voice}/voice.dhvoice").content

    def take_in(who: Client, content: bytes) -> tuple[int, dict]:
        answer = who.post("/api/voices/matched/import", {"file": SimpleUploadedFile("ines.dhvoice", content)})
        return answer.status_code, answer.json()

    assert "somebody else" in take_in(stranger, packed)[1]["detail"]
    assert take_in(client, b"PK no voice")[0] == 422
    server_studio().voices.matched.path(voice).unlink()  # as on another machine
    status, taken = take_in(client, packed)
    assert (status, taken["person"], taken["purpose"]) == (201, "Ines Calder", "notices")
    client.post(f"/api/voices/matched/{voice}/withdraw", '{"remove": true}', content_type="application/json")
    assert take_in(client, packed)[0] == 422, "what was withdrawn does not come back by an older file"
    silent = client.get(f"/api/productions/{production.pk}/scenes/{scene}/times")
    assert silent.status_code == 422 and "removed" in silent.json()["detail"]
    assert client.get("/api/productions").status_code == 200  # the desk still opens
    assert voice not in {v["id"] for v in client.get("/api/voices").json()}
    record = client.get(f"/api/voices/matched/{voice}/consent.txt").content.decode()
    assert STATEMENT in record and f"Withdrawn on  {date.today().isoformat()}" in record
    assert client.get(f"/api/voices/matched/{voice}/voice.dhvoice").status_code == 422
    assert client.get(f"{base}/sentences/0/sound.wav").status_code == 404


def test_favourites_and_melodies(client: Client, stranger: Client) -> None:
    assert (
        client.put(
            "/api/voices/formant-es/favourite", '{"favourite": true}', content_type="application/json"
        ).status_code
        == 204
    )
    marked = {v["id"] for v in client.get("/api/voices").json() if v["favourite"]}
    assert marked == {"formant-es"}
    assert not any(v["favourite"] for v in stranger.get("/api/voices").json())
    melody = client.get("/api/voices/formant-es/melody", {"text": "El mar vuelve."}).json()
    assert [w["text"] for w in melody["words"]] == ["El", "mar", "vuelve"]
    assert max(melody["pitch"]) > 60 and len(melody["pitch"]) == pytest.approx(
        melody["seconds"] * melody["rate"], abs=2
    )
