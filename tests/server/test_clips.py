"""Clips in which somebody speaks, over the API: heard by a job, told as lines, cut by a document's words."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import soxr
from django.contrib.auth.models import User
from django.test import Client

from dearhost.speech import ClipTaken
from dearhost.speech.clips import ClipWord, Transcript
from dearhost.speech.clips.transcript import TRANSCRIPT
from server.jobs.models import Job
from server.jobs.running import run_job
from server.productions.models import Production
from server.shelf.actions.enter import enter
from server.shelf.models import ShelfEntry
from server.studio import studio
from tests.clips import counted, write_clip
from tests.server.conftest import Begin

pytestmark = pytest.mark.django_db(transaction=True)
SAID = "Mama may bring a boat, and Papa mends the map."


@pytest.fixture
def clip(ines: User, tmp_path: Path) -> str:
    """A clip on her shelf in which a made voice says ``SAID``."""
    read = studio().speaker.read(SAID, "joe")
    sound = soxr.resample(read.samples, read.sample_rate, 48_000)
    path = write_clip(tmp_path / "visitor.mp4", counted(round(len(sound) / 1920)), rate=25, sound=sound)
    item = studio().shelf.take(path, path.name)
    enter(ines.pk, item)
    (studio().shelf.path(item.id) / "words.json").unlink(missing_ok=True)  # heard by an earlier test
    return item.id


def hear(client: Client, item: str, **order: Any) -> Any:
    return client.post(f"/api/shelf/{item}/words", json.dumps(order), "application/json")


def give_words(item: str, text: str) -> None:
    """Words a third of a second apart, without hearing them; before the fourth a long pause."""
    starts = [0.1 + n * 0.3 + (1.5 if n >= 3 else 0) for n in range(len(text.split()))]
    words = (ClipWord(word, at, at + 0.2) for word, at in zip(text.split(), starts, strict=True))
    heard = Transcript("en", 9.0, tuple(words))
    (studio().shelf.path(item) / "words.json").write_bytes(TRANSCRIPT.dump_json(heard))


def line_in(begin: Begin, item: str, text: str) -> Production:
    """A production with one line that is said in a clip."""
    return begin(f"ADA: [[cue: clip {item}]]{text}\n")


def test_a_clip_is_heard_by_a_job_and_told_as_lines(client: Client, clip: str) -> None:
    assert client.get(f"/api/shelf/{clip}/words").json() == {
        "heard": False,
        "language": "",
        "lines": [],
        "words": [],
    }
    answer = hear(client, clip)
    assert answer.status_code == 201, answer.content
    job = Job.objects.get(pk=answer.json()["id"])
    run_job(job.pk)
    job.refresh_from_db()
    assert (job.status, job.message) == ("done", "")
    told = client.get(f"/api/shelf/{clip}/words").json()
    assert told["heard"] and told["language"] == "en"
    words = " ".join(line["text"] for line in told["lines"]).lower()
    assert "mama may bring" in words
    assert " ".join(word["text"] for word in told["words"]).lower() == words
    times = [time for word in told["words"] for time in (word["start"], word["end"])]
    assert times == sorted(times) and times[0] == pytest.approx(told["lines"][0]["begins"], abs=0.01)


def test_another_language_needs_its_text(client: Client, clip: str) -> None:
    job = Job.objects.get(pk=hear(client, clip, language="fi").json()["id"])
    run_job(job.pk)
    job.refresh_from_db()
    assert job.status == "failed" and "Only English is heard by itself" in job.message


@pytest.mark.parametrize("order", [{"language": "../x"}, {"language": ""}, {"text": "a" * 60_001}, {"language": 3}])
def test_what_is_no_order_is_refused(client: Client, clip: str, order: dict[str, Any]) -> None:
    assert hear(client, clip, **order).status_code == 422


def test_clips_are_heard_by_who_may_use_them(client: Client, stranger: Client, clip: str) -> None:
    assert stranger.get(f"/api/shelf/{clip}/words").status_code == 404
    assert hear(stranger, clip).status_code == 404
    assert hear(client, "c0123456789abcde").status_code == 404
    assert not Job.objects.exists()


def test_a_clip_without_sound_is_refused_in_words(client: Client, ines: User, tmp_path: Path) -> None:
    path = write_clip(tmp_path / "silent.mp4", counted(10), rate=25)
    item = studio().shelf.take(path, path.name)
    enter(ines.pk, item)
    answer = hear(client, item.id)
    assert answer.status_code == 422 and "no sound" in answer.json()["detail"]


def test_what_could_be_cut_is_told_with_its_place(client: Client, stranger: Client, clip: str, begin: Begin) -> None:
    give_words(clip, "Um, we we saw the slipway and then the the boat.")
    text = "Um, we we saw the slipway and then the the boat."
    production = line_in(begin, clip, text)
    body = json.dumps(production.document)
    found = client.post("/api/productions/check", body, "application/json").json()["tidying"]
    assert [(one["kind"], one["text"]) for one in found] == [
        ("hesitation", "Um, "),
        ("restart", "we "),
        ("pause", ""),
        ("restart", "the "),
    ]
    assert found[2]["start"] == text.index("saw") and found[2]["seconds"] == pytest.approx(1.6, abs=0.01)
    # to others the clip is as if it were not there
    assert stranger.post("/api/productions/check", body, "application/json").json()["tidying"] == []


def test_the_times_of_a_line_are_those_of_its_clip(client: Client, clip: str, begin: Begin) -> None:
    give_words(clip, "One two three four five six.")
    production = line_in(begin, clip, "One six.")
    scene = production.document["script"]["scenes"][0]["id"]
    times = client.get(f"/api/productions/{production.pk}/scenes/{scene}/times?revision=1").json()
    first, last = times["lines"][0]["words"]
    assert last["start"] - first["start"] == pytest.approx(0.3, abs=0.12), "what lies between them is cut"


def test_a_line_with_none_of_its_clips_words_says_so(client: Client, clip: str, begin: Begin) -> None:
    give_words(clip, "One two three.")
    production = line_in(begin, clip, "Nobody sang.")
    scene = production.document["script"]["scenes"][0]["id"]
    answer = client.get(f"/api/productions/{production.pk}/scenes/{scene}/times?revision=1")
    assert answer.status_code == 422 and "None of the words of this line" in answer.json()["detail"]


def test_speech_that_is_cut_is_the_clips_own(client: Client, clip: str, begin: Begin) -> None:
    give_words(clip, "One two three.")
    read = studio().speaker.clips.read("One two three.", "en-US", ClipTaken(clip))
    speech = studio().speaker.clips._speech(clip)[:]
    part = speech[round(read.pieces[0].source * 48_000) :][: len(read.samples)]
    middle = slice(2000, len(part) - 2000)
    assert np.abs(read.samples[: len(part)][middle] - part[middle]).max() < 1e-3


def test_a_figure_is_looked_at_and_cut_out_by_a_job(
    client: Client, stranger: Client, ines: User, tmp_path: Path
) -> None:
    frame = np.full((96, 160, 3), (60, 190, 70), np.uint8)
    frame[30:, 60:100] = (120, 60, 40)
    item = studio().shelf.take(write_clip(tmp_path / "keeper.mp4", [frame] * 5, rate=25), "keeper.mp4")
    entry = enter(ines.pk, item)
    ShelfEntry.objects.filter(pk=entry.pk).update(title="The keeper", licence="own", author="Ines")
    look = f"/api/shelf/{item.id}/key.png"
    still = client.get(f"{look}?strength=0.5&moment=0.1")
    assert still.status_code == 200 and still.content[:4] == b"\x89PNG"
    for wrong in ("strength=2", "softness=nan", "ground=green", "moment=-1"):
        assert client.get(f"{look}?{wrong}").status_code == 422, wrong
    order = json.dumps({"strength": 0.5, "shadow": 0.0})
    assert stranger.get(look).status_code == 404
    assert stranger.post(f"/api/shelf/{item.id}/key", order, "application/json").status_code == 404
    answer = client.post(f"/api/shelf/{item.id}/key", order, "application/json")
    assert answer.status_code == 201, answer.content
    run_job(Job.objects.get(pk=answer.json()["id"]).pk)
    made = next(thing for thing in client.get("/api/shelf").json() if thing["transparent"])
    assert (made["title"], made["licence"], made["author"]) == ("The keeper, cut out", "own", "Ines")


def test_what_has_no_even_ground_is_refused_at_once(client: Client, clip: str) -> None:
    answer = client.post(f"/api/shelf/{clip}/key", "{}", "application/json")
    assert answer.status_code == 422 and "No ground of one colour" in answer.json()["detail"]
    assert not Job.objects.exists()
