"""Takes of lines: kept readings and recordings, as the interface asks for them."""

from __future__ import annotations

import io
import json
import wave
import zipfile
from dataclasses import replace
from typing import Any

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from dearhost.production import Studio
from dearhost.script import Cue, put_cue
from dearhost.sound.files import RATE
from dearhost.wav import as_wav
from server.jobs.tasks import run
from server.productions.documents import production_of
from server.productions.models import Production
from tests.server.conftest import Begin

TEXT = "The Earth turns, and carries us through one hill."


def upload(content: bytes, name: str = "line.webm") -> dict[str, SimpleUploadedFile]:
    return {"file": SimpleUploadedFile(name, content, "application/octet-stream")}


def lines_of(production: Production) -> list[str]:
    document = production_of(production.document, production.title)
    return [line.id for _, _, line in document.script.lines()]


@pytest.fixture(scope="module")
def spoken(studio: Studio) -> bytes:
    """The line as somebody recorded it: another voice, with silence round it."""
    reading = studio.speaker.read(TEXT, "joe")
    silence = np.zeros(reading.sample_rate, np.float32)
    samples = np.concatenate([silence, reading.samples, silence])
    return as_wav(replace(reading, samples=samples, duration=len(samples) / reading.sample_rate))


def english(begin: Begin, text: str) -> Production:
    production = begin(text)
    for entry in production.document["cast"].values():
        entry["voice"] = "formant-en-us"
    production.save()
    return production


def test_readings_are_kept_heard_named_and_deleted(client: Client, begin: Begin) -> None:
    production = english(begin, f"MAREN: {TEXT}")
    line = lines_of(production)[0]
    base = f"/api/productions/{production.pk}"
    kept = client.post(
        f"{base}/lines/{line}/takes",
        {"deliveries": [{}, {"manner": "urgent", "strength": 1.0}, {"variation": 3.0}]},
        content_type="application/json",
    ).json()
    assert [t["number"] for t in kept] == [1, 2, 3]
    assert kept[1]["seconds"] < 0.95 * kept[0]["seconds"]
    sounds = [client.get(f"{base}/takes/{t['id']}/sound.wav").content for t in kept]
    with wave.open(io.BytesIO(sounds[1])) as file:
        assert file.getnframes() / file.getframerate() == pytest.approx(kept[1]["seconds"], abs=0.1)
    assert len(set(sounds)) == 3
    named = client.patch(f"{base}/takes/{kept[1]['id']}", {"name": " quick "}, content_type="application/json")
    assert named.json()["name"] == "quick"
    assert client.delete(f"{base}/takes/{kept[0]['id']}").status_code == 204
    assert [t["number"] for t in client.get(f"{base}/takes").json()] == [2, 3]
    wrong = client.post(
        f"{base}/lines/{line}/takes", {"deliveries": [{"manner": "angry"}]}, content_type="application/json"
    )
    assert wrong.status_code == 422 and "must be one of" in wrong.json()["detail"]


def test_a_line_is_heard_at_the_pace_of_the_film(client: Client, begin: Begin, studio: Studio) -> None:
    production = english(begin, f"MAREN: {TEXT}")
    line = lines_of(production)[0]
    base = f"/api/productions/{production.pk}"
    own = client.get(f"{base}/lines/{line}/heard").json()["seconds"]
    production.document["cast"]["MAREN"]["pace"] = 1.15
    production.save()
    heard = client.get(f"{base}/lines/{line}/heard").json()["seconds"]
    assert heard == pytest.approx(own / 1.15, rel=0.02)
    scene = production.document["script"]["scenes"][0]["id"]
    (times,) = client.get(f"{base}/scenes/{scene}/times").json()["lines"]
    assert times["words"][-1]["end"] - times["words"][0]["start"] == pytest.approx(heard, abs=0.2)
    (kept,) = client.post(f"{base}/lines/{line}/takes", {"deliveries": [{}]}, content_type="application/json").json()
    assert kept["seconds"] == pytest.approx(heard, abs=0.01)


def test_a_line_in_another_language_says_whose_voice_it_is_heard_in(
    client: Client, begin: Begin, studio: Studio
) -> None:
    production = english(begin, f"MAREN: {TEXT}\nMAREN: [[cue: language Spanish]]Bienvenidos al muelle.")
    own, other = lines_of(production)
    base = f"/api/productions/{production.pk}/lines"
    speakers = production.document["cast"]["MAREN"]["voice"]
    assert client.get(f"{base}/{own}/heard").json()["voice"] == speakers
    heard = client.get(f"{base}/{other}/heard").json()["voice"]
    assert heard != speakers and studio.voices.voice(heard).language.startswith("es")


def test_a_recorded_line_is_heard_with_its_own_word_times(client: Client, begin: Begin, spoken: bytes) -> None:
    production = english(begin, f"MAREN: {TEXT}")
    line = lines_of(production)[0]
    base = f"/api/productions/{production.pk}"
    take = client.post(f"{base}/lines/{line}/recording", upload(spoken)).json()
    assert take["notes"] == [] and take["recording"]
    staged = production_of(production.document, production.title)
    written = staged.script.scenes[0].lines[0]
    cued = put_cue(written, Cue("r", "recording", 0, {"recording": take["recording"]}))
    document = production.document
    document["script"]["scenes"][0]["blocks"][0]["cues"] = [
        {"id": c.id, "kind": c.kind, "start": c.start, "parameters": dict(c.parameters)} for c in cued.cues
    ]
    production.document, production.revision = document, production.revision + 1
    production.save()
    heard = client.get(f"{base}/lines/{line}/heard").json()
    assert [w["text"] for w in heard["words"]] == TEXT.replace(",", "").replace(".", "").split()
    joe = Studio().speaker.read(TEXT, "joe")
    shift = heard["words"][0]["start"] - joe.words[0].start
    for word, told in zip(joe.words, heard["words"], strict=True):
        assert told["start"] == pytest.approx(word.start + shift, abs=0.08)
        assert told["said"]
    times = client.get(f"{base}/scenes/{staged.script.scenes[0].id}/times").json()
    assert times["lines"][0]["words"][2]["start"] == pytest.approx(
        heard["words"][2]["start"] + times["lines"][0]["start"], abs=0.01
    )
    tidy = client.post(f"{base}/takes/{take['id']}/tidy", {"noise": True}, content_type="application/json").json()
    assert tidy["name"] == "take 1 with less room noise" and tidy["recording"] != take["recording"]


def test_one_recording_is_cut_to_the_lines_of_the_script(client: Client, begin: Begin, studio: Studio) -> None:
    texts = ["Good morning, and welcome.", "The harbour wall is older than the town.", "Please mind the step."]
    production = english(
        begin, "# One\n\n" + "\n\n".join(f"MAREN: {t}" for t in texts[:2]) + f"\n\n# Two\n\nMAREN: {texts[2]}"
    )
    readings = [studio.speaker.read(t, "joe") for t in texts]
    silence = np.zeros(round(0.8 * readings[0].sample_rate), np.float32)
    samples = np.concatenate([part for r in readings for part in (silence, r.samples)] + [silence])
    sound = as_wav(replace(readings[0], samples=samples, duration=len(samples) / readings[0].sample_rate))
    made = client.post(f"/api/productions/{production.pk}/recording", upload(sound)).json()
    assert [t["line"] for t in made] == lines_of(production)
    for take, reading in zip(made, readings, strict=True):
        assert take["seconds"] == pytest.approx(reading.duration, abs=0.35)
        assert take["notes"] == []


def test_a_poor_recording_is_kept_with_its_faults_and_an_empty_one_refused(
    client: Client, begin: Begin, spoken: bytes
) -> None:
    production = english(begin, "MAREN: Something quite different about umbrellas and gardens.")
    line = lines_of(production)[0]
    where = f"/api/productions/{production.pk}/lines/{line}/recording"
    other = client.post(where, upload(spoken)).json()
    assert any("Other words" in note for note in other["notes"])
    buffer = io.BytesIO()
    with wave.open(buffer, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        file.writeframes(bytes(2 * RATE))
    for content, says in ((buffer.getvalue(), "microphone"), (b"not a sound", "damaged")):
        refused = client.post(where, upload(content))
        assert refused.status_code == 422 and says in refused.json()["detail"]
    assert client.get(f"/api/productions/{production.pk}/takes").json()[0]["id"] == other["id"]


def test_takes_are_their_owners(client: Client, stranger: Client, begin: Begin) -> None:
    production = english(begin, f"MAREN: {TEXT}")
    line = lines_of(production)[0]
    for path in ("takes", f"lines/{line}/heard", f"lines/{line}/sound.wav"):
        assert stranger.get(f"/api/productions/{production.pk}/{path}").status_code == 404


def test_a_production_begins_with_a_draft_of_a_recording(client: Client, studio: Studio) -> None:
    texts = ("The museum opens at nine in the morning.", "Please wipe your boots before you come in.")
    readings = [studio.speaker.read(t, "joe") for t in texts]
    silence = np.zeros(round(1.2 * readings[0].sample_rate), np.float32)
    samples = np.concatenate([part for r in readings for part in (silence, r.samples)] + [silence])
    sound = as_wav(replace(readings[0], samples=samples, duration=len(samples) / readings[0].sample_rate))
    job = client.post("/api/productions/from-recording", upload(sound, "opening_hours.m4a")).json()
    assert job["status"] == "queued"
    run.func(job["id"])
    done = client.get(f"/api/jobs/{job['id']}").json()
    assert (done["status"], done["progress"]) == ("done", 1.0), done["message"]
    made = client.get(f"/api/productions/{done['result']['production']}").json()
    assert made["title"] == "Opening hours"
    blocks = made["document"]["script"]["scenes"][0]["blocks"]
    lines = [b for b in blocks if b["kind"] == "line"]
    assert blocks[0]["kind"] == "direction" and "draft" in blocks[0]["text"].lower()
    assert len(lines) == 2
    heard, said = (
        {word for text in part for word in text.lower().strip(".").split()}
        for part in ([b["text"] for b in lines], texts)
    )
    assert len(heard & said) >= 0.6 * len(said), heard  # a draft: one word in four to ten is wrong
    takes = {t["line"]: t for t in client.get(f"/api/productions/{made['id']}/takes").json()}
    assert {b["id"]: b["cues"][0]["parameters"]["recording"] for b in lines} == {
        line: take["recording"] for line, take in takes.items()
    }
    empty = client.post("/api/productions/from-recording", upload(b"no sound")).json()
    assert "damaged" in empty["detail"]


def test_the_voice_alone_comes_as_one_zip(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin()
    where = f"/api/productions/{production.pk}/voice-over"

    def ask(**order: object) -> Any:
        return client.post(where, json.dumps(order), content_type="application/json")

    job = ask(scope="speaker", kind="flac", loudness=-19).json()
    assert stranger.get(f"/api/jobs/{job['id']}").status_code == 404
    assert client.get(f"/api/jobs/{job['id']}/file").status_code == 404, "not made yet"
    run.func(job["id"])
    answer = client.get(f"/api/jobs/{job['id']}/file")
    assert 'filename="the-pier-voice.zip"' in answer["Content-Disposition"]
    assert stranger.get(f"/api/jobs/{job['id']}/file").status_code == 404
    with zipfile.ZipFile(io.BytesIO(b"".join(answer.streaming_content))) as archive:
        assert sorted(n.rsplit(".", 1)[1] for n in archive.namelist()) == ["csv", "flac", "flac", "json", "srt", "srt"]
    refused = ask(kind="aiff")
    assert refused.status_code == 422 and "wav, flac" in refused.json()["detail"]


def test_numbers_and_listed_words_tell_how_they_are_spoken(client: Client, begin: Begin) -> None:
    production = english(begin, "MAREN: It costs $5.99 in Quillhaven.")
    production.document["say_as"] = [{"word": "Quillhaven", "alias": "kwill hay", "ipa": ""}]
    production.save()
    line = lines_of(production)[0]
    words = client.get(f"/api/productions/{production.pk}/lines/{line}/heard").json()["words"]
    assert [w["spoken"] for w in words] == ["", "", "five dollars ninety nine", "", "kwill hay"]
