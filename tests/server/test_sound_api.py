"""Music and sounds to choose from, heard before they are taken."""

from __future__ import annotations

import io
import wave
import zipfile
from typing import Any

import numpy as np
import pytest
from django.contrib.auth.models import User
from django.test import Client

from dearhost.sound import STINGS
from server.jobs.models import Job
from server.jobs.running import run_job
from server.productions.painters import heard_timeline
from tests.server.conftest import Begin

pytestmark = pytest.mark.django_db(transaction=True)


def heard(answer: Any) -> np.ndarray:
    """The samples of an answered WAV file, shape (n, channels)."""
    with wave.open(io.BytesIO(answer.content)) as file:
        assert file.getframerate() == 48_000
        data = np.frombuffer(file.readframes(file.getnframes()), "<i2")
        return data.reshape(-1, file.getnchannels())


def test_three_beds_of_a_kind_are_told_by_name_tempo_and_key(client: Client) -> None:
    beds = client.get("/api/productions/beds", {"mood": "wistful", "style": "quartet", "first": 4}).json()
    assert [bed["seed"] for bed in beds] == [4, 5, 6] and len({bed["name"] for bed in beds}) == 3
    assert all(66 <= bed["tempo"] <= 80 and bed["key"].endswith("minor") for bed in beds)
    again = client.get("/api/productions/beds", {"mood": "wistful", "style": "quartet", "first": 5}).json()
    assert again[0] == beds[1]


@pytest.mark.parametrize("query", [{"mood": "angry"}, {"style": "kazoo"}])
def test_there_is_no_other_kind(client: Client, query: dict[str, str]) -> None:
    assert client.get("/api/productions/beds", query).status_code == 404


def test_a_bed_is_heard_under_a_line_before_it_is_chosen(client: Client, begin: Begin, ines: User) -> None:
    production = begin("Maren: Mama may bring a boat to the bay, and Papa mends the map of the bay.")
    scene = production.document["script"]["scenes"][0]["id"]
    address = f"/api/productions/{production.pk}/scenes/{scene}/bed.wav"
    plain, calm, tense = (
        heard(client.get(address, {"bed": bed, "style": "low-pulse", "seed": 2})) for bed in ("none", "calm", "tense")
    )
    assert plain.shape == calm.shape == tense.shape and calm.shape[1] == 2
    assert (calm != plain).mean() > 0.5 and (calm != tense).mean() > 0.5
    production.refresh_from_db()
    assert production.document["bed"] == "none", "hearing changes nothing"
    part = heard(client.get(address, {"bed": "calm", "style": "low-pulse", "at": 1.0}))
    assert len(part) < len(calm)
    assert client.get(address, {"bed": "angry"}).status_code == 404
    assert client.get(address, {"bed": "calm", "at": "nan"}).status_code == 422


def test_a_proof_has_the_music_of_the_film(begin: Begin) -> None:
    production = begin("# One\n\nMaren: Mama may bring a boat.\n\n# Two\n\nMaren: Papa mends the map.", bed="warm")
    scenes = [scene["id"] for scene in production.document["script"]["scenes"]]
    first, second = (heard_timeline(production, scene) for scene in scenes)
    assert first.beds[0].spec == second.beds[0].spec
    assert second.beds[0].begins == pytest.approx(first.duration, abs=0.01)


def test_sounds_are_heard_alone(client: Client) -> None:
    for name in ("bell", "applause", "rain"):
        assert len(heard(client.get(f"/api/productions/stings/{name}.wav"))) > 48_000
    assert client.get("/api/productions/stings/none.wav").status_code == 404
    assert client.get("/api/productions/stings/..%2fbell.wav").status_code == 404
    kinds = {kind["name"]: kind for kind in client.get("/api/productions/cues").json()}
    [sound] = [p for p in kinds["sound"]["parameters"] if p["name"] == "sound"]
    assert sound["choices"] == list(STINGS)


def test_captions_are_shown_in_each_style(client: Client) -> None:
    pictures = {client.get(f"/api/staging/captions/{style}.png").content for style in ("strips", "box", "outline")}
    assert len(pictures) == 3
    assert client.get("/api/staging/captions/none.png").status_code == 404


def test_the_parts_of_a_film_are_packed_with_their_cue_sheet(client: Client, stranger: Client, begin: Begin) -> None:
    text = "Maren: [[cue: sound bell]]Mama may bring a boat to the bay, and Papa mends the map of the bay."
    production = begin(text, bed="calm")
    address = f"/api/deliveries/stems/{production.pk}"
    assert stranger.post(address, "{}", "application/json").status_code == 404
    assert client.post(address, '{"kind": "mp3"}', "application/json").status_code == 422
    answer = client.post(address, '{"kind": "flac"}', "application/json")
    assert answer.status_code == 202
    job = Job.objects.get(pk=answer.json()["id"])
    run_job(job.pk)
    file = client.get(f"/api/jobs/{job.pk}/file")
    with zipfile.ZipFile(io.BytesIO(b"".join(file.streaming_content))) as packed:
        assert set(packed.namelist()) == {"voice.flac", "stings.flac", "bed.flac", "cue-sheet.csv"}
        assert b"made here" in packed.read("cue-sheet.csv")
