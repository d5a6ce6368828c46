"""The writing desk through the API: drafts, rework, documents, comments, and an account's own model."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any
from uuid import UUID

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from dearhost.script import Brief
from dearhost.writing.fake_model import FakeModelServer
from dearhost.writing.pace import Pace
from dearhost.writing.structures import STRUCTURES
from server.jobs.models import Job
from server.jobs.running import run_job
from server.productions.document_schemas import BriefSchema
from server.writing.models import ProductionComments
from server.writing.reading import voice_pace
from server.writing.schemas import WriterIn
from tests.dearhost.writing.briefs import LANTERN, SPEAKERS, STEPS
from tests.server.conftest import Begin

SPOKEN = "formant-en-us"


def _writer(brief: Brief = LANTERN, **more: Any) -> dict[str, Any]:
    return {"brief": {**asdict(brief), "points": list(brief.points)}, "speakers": list(SPEAKERS), "voice": "", **more}


def _post(client: Client, path: str, data: Any, status: int = 200) -> Any:
    answer = client.post(f"/api{path}", data, content_type="application/json")
    assert answer.status_code == status, answer.content
    return answer.json() if answer.content else None


def test_drafts_are_scenes_that_can_be_kept(client: Client) -> None:
    made = _post(client, "/writing/drafts", _writer(target=60, seed=1))
    assert made["points"] == len(LANTERN.points)
    assert len(made["drafts"]) >= 6
    assert {held["name"] for held in made["held_back"]} <= {structure.name for structure in STRUCTURES.values()}
    for draft in made["drafts"]:
        places = [part["place"] for part in draft["parts"]]
        assert places[0] == "opening"
        assert places[-1] == "ending"
        assert set(places[1:-1]) <= {"middle"}
        assert sum(part["seconds"] for part in draft["parts"]) == pytest.approx(draft["seconds"], abs=0.1)
        assert sum(part["open_seconds"] for part in draft["parts"]) == pytest.approx(draft["open_seconds"], abs=0.1)
        assert sorted({p for part in draft["parts"] for p in part["points"]}) == draft["points"]
        assert all(part["scene"]["blocks"] for part in draft["parts"])


def test_one_structure_again_with_another_seed(client: Client) -> None:
    texts = set()
    for seed in range(4):
        made = _post(client, "/writing/drafts", _writer(target=45, seed=seed, structures=["hook"]))
        assert [draft["structure"] for draft in made["drafts"]] == ["hook"]
        texts.add(str([block["text"] for part in made["drafts"][0]["parts"] for block in part["scene"]["blocks"]]))
    assert len(texts) > 1


def test_a_brief_in_another_language_is_told(client: Client) -> None:
    brief = Brief(topic="die Laterne", points=("Die Laterne leuchtet vierzig Stunden lang", "Sie braucht keinen Strom"))
    answer = _post(client, "/writing/drafts", _writer(brief, target=30), 422)
    assert "reads like German" in answer["detail"]


@pytest.mark.parametrize("target", [0, 2, 4000, None, "x"])
def test_a_length_that_is_none_is_told(client: Client, target: Any) -> None:
    assert "does not fit" in _post(client, "/writing/drafts", _writer(target=target), 422)["detail"]


def test_ideas(client: Client) -> None:
    found = _post(client, "/writing/ideas", _writer(STEPS))
    assert len(found) == 10
    assert found[0]["structure"]
    assert [idea["kind"] for idea in found if not idea["structure"]]


def test_the_pace_is_the_voices_own() -> None:
    def pace(voice: str, times: float = 1.0) -> Pace:
        return voice_pace(WriterIn(brief=BriefSchema(), voice=voice, pace=times))

    usual, formant = pace(""), pace(SPOKEN)
    assert formant.syllable != usual.syllable
    assert pace("nobody") == usual
    assert pace(SPOKEN, 1.1).syllable == pytest.approx(formant.syllable / 1.1)


def test_what_runs_over_is_told_its_ways(client: Client, begin: Begin) -> None:
    document = begin(LONG).document | {"brief": asdict(Brief(target=15.0))}
    checked = _post(client, "/productions/check", document)
    assert checked["estimated"]
    assert {way["way"] for way in checked["ways"]} >= {"shorter", "both"}
    assert all(way["seconds"] == 15 for way in checked["ways"])
    assert _post(client, "/productions/check", document | {"brief": asdict(Brief(target=200.0))})["ways"] == []


def _script(begin: Begin, text: str) -> dict[str, Any]:
    production = begin(text)
    script: dict[str, Any] = production.document["script"]
    return script


LONG = (
    "# The lantern\n\nMaren: In fact, the lantern, which is made of copper, shines for forty hours on one candle. "
    "It is worth knowing that it weighs 600 grams. It was really very dark, and nobody saw the boat.\n\n"
    "Skerry: In order to find the boat, hang it on the rail with the copper hook.\n"
)


def test_shorter_sentence_by_sentence(client: Client, begin: Begin) -> None:
    script = _script(begin, LONG)
    made = _post(client, "/writing/rework", _writer(script=script, kind="shorter", seconds=16))
    assert made["after"] < made["before"]
    assert abs(made["after"] - 16) <= 1.6
    lines = {block["id"]: block["text"] for scene in script["scenes"] for block in scene["blocks"]}
    for sentence in made["sentences"]:
        text = lines[sentence["line"]]
        assert text[sentence["start"] : sentence["end"]] == sentence["before"]
        assert bool(sentence["rules"]) is (sentence["after"] != sentence["before"])
    changed = [sentence for sentence in made["sentences"] if sentence["edits"]]
    assert changed
    assert all(sentence["seconds"] > 0 for sentence in changed)


@pytest.mark.parametrize("kind", ["tone", "breathing", "opening", "closing", "longer"])
def test_other_reworks(client: Client, begin: Begin, kind: str) -> None:
    script = _script(begin, LONG)
    made = _post(client, "/writing/rework", _writer(script=script, kind=kind, tone="sinister", longest=8, seconds=4))
    assert [sentence["before"] for sentence in made["sentences"]]
    assert any(sentence["edits"] for sentence in made["sentences"])
    if kind == "tone":
        assert made["delivery"] == "hushed"
        assert made["asks"]
    if kind == "longer":
        assert made["after"] > made["before"]
        added = " ".join(s["after"][len(s["before"]) :] for s in made["sentences"])
        assert "No plug. No charger." in added


def test_a_script_of_hours_is_reworked_scene_by_scene(client: Client, begin: Begin) -> None:
    long = "# A\n\n" + "\n\n".join(f"Maren: It is {number} o'clock. The bell rings." for number in range(450))
    answer = _post(client, "/writing/rework", _writer(script=_script(begin, long), kind="shorter", seconds=60), 422)
    assert "scene by scene" in answer["detail"]


def test_answers_are_cut_and_a_text_of_ones_own_is_followed(client: Client, begin: Begin) -> None:
    asked = (
        "# Q\n\nSkerry: How big is it?\n\nMaren: It is 62 millimetres across. "
        + "It fits in a pocket of any coat. " * 6
    )
    made = _post(client, "/writing/rework", _writer(script=_script(begin, asked), kind="answers"))
    kept = [sentence["after"] for sentence in made["sentences"]]
    assert kept[:2] == ["How big is it?", "It is 62 millimetres across."]
    assert kept[-1] == ""
    script = _script(begin, LONG)
    answer = _post(client, "/writing/rework", _writer(script=script, kind="sample"), 422)
    assert "Sounds like" in answer["detail"]
    own = {"sample": "It's dark. You can't see it. Don't run. It's near. You'll hear it. We don't stop."}
    data = _writer(script=script, kind="sample")
    made = _post(client, "/writing/rework", {**data, "brief": {**data["brief"], **own}})
    assert any("cut to the length of your sentences" in s["rules"] for s in made["sentences"])
    assert made["asks"].startswith("Your text has sentences of about 3 words")


def test_only_some_lines(client: Client, begin: Begin) -> None:
    script = _script(begin, LONG)
    line = script["scenes"][0]["blocks"][1]["id"]
    made = _post(client, "/writing/rework", _writer(script=script, kind="tone", tone="formal", lines=[line]))
    assert {sentence["line"] for sentence in made["sentences"]} == {line}


@pytest.mark.parametrize(
    ("text", "more", "why"),
    [
        ("# A\n\n(nothing)\n", {"kind": "shorter", "seconds": 10}, "nothing to rework"),
        (LONG, {"kind": "shorter"}, "Give a length"),
        (LONG, {"kind": "tone", "tone": "loud"}, "no tone “loud”"),
    ],
)
def test_a_rework_that_cannot_be_is_told(
    client: Client, begin: Begin, text: str, more: dict[str, Any], why: str
) -> None:
    answer = _post(client, "/writing/rework", _writer(script=_script(begin, text), **more), 422)
    assert why in answer["detail"]


def _upload(client: Client, path: str, name: str, data: bytes, status: int = 200, **more: str) -> Any:
    answer = client.post(f"/api{path}", {"file": SimpleUploadedFile(name, data), **more})
    assert answer.status_code == status, answer.content
    return answer.json()


def test_points_of_a_document(client: Client) -> None:
    page = b"<html><body><p>The walk is 180 metres long. Never touch the wheel while it turns.</p></body></html>"
    found = _upload(client, "/writing/points", "rope_walk.html", page)
    assert found["title"] == "rope walk"
    assert {"Never touch the wheel while it turns"} <= {point["text"] for point in found["points"]}
    assert all(point["source"].endswith(".") for point in found["points"])
    assert "no whole sentence" in _upload(client, "/writing/points", "a.txt", b"one\ntwo", 422)["detail"]
    assert "Rich Text" in _upload(client, "/writing/points", "a.rtf", b"{\\rtf1 hello}", 422)["detail"]


COMMENTS = (
    "I wish it opened on Mondays.\nWhy is it so dark?\nLovely evening!\n@quill Lovely evening!\nhttps://spam.example\n"
)


def test_comments_are_kept_without_names_sorted_and_put_away(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin(
        "# Hours\n\nMaren: We are closed on Mondays.\n\nMaren: Sorry for that. It is dark because the lamp is out.\n"
    )
    path = f"/productions/{production.pk}/comments"
    assert _post(client, f"{path}/sorted", {}, 422)["detail"].startswith("There are no comments yet")
    kept = _post(client, path, {"text": COMMENTS})
    assert (kept["count"], kept["doubles"], kept["junk"]) == (3, 1, 1)
    assert client.get(f"/api{path}").json()["count"] == 3
    job = _post(client, f"{path}/sorted", {}, 202)
    run_job(UUID(job["id"]))
    result = client.get(f"/api/jobs/{job['id']}").json()["result"]
    assert result["concerns"] == ["wish", "puzzle", "praise"]
    assert result["comments"][0] == "I wish it opened on Mondays."
    dark = next(theme for theme in result["themes"] if theme["concern"] == "puzzle")
    line = production.document["script"]["scenes"][0]["blocks"][1]
    assert dark["answered"]["line"] == line["id"]
    said = line["text"][dark["answered"]["start"] : dark["answered"]["end"]]
    assert said == "It is dark because the lamp is out."
    assert _post(client, f"{path}/move", {"comment": 2, "concern": "wish"}, 204) is None
    again = _post(client, f"{path}/sorted", {}, 202)
    run_job(UUID(again["id"]))
    assert client.get(f"/api/jobs/{again['id']}").json()["result"]["concerns"][2] == "wish"
    assert "not here any more" in _post(client, f"{path}/move", {"comment": 9, "concern": "wish"}, 422)["detail"]
    assert stranger.get(f"/api{path}").status_code == 404
    assert client.delete(f"/api{path}").status_code == 204
    assert not ProductionComments.objects.exists()


def test_themes_are_joined_and_taken_apart_by_hand(client: Client, stranger: Client, begin: Begin) -> None:
    path = f"/productions/{begin().pk}/comments"
    _post(client, path, {"text": "I wish for a lift.\nPlease build a ramp.\nI wish it opened earlier."})

    def wishes() -> list[list[int]]:
        job = _post(client, f"{path}/sorted", {}, 202)
        run_job(UUID(job["id"]))
        themes = client.get(f"/api/jobs/{job['id']}").json()["result"]["themes"]
        return sorted(theme["comments"] for theme in themes)

    assert wishes() == [[0], [1], [2]]
    assert _post(client, f"{path}/join", {"one": 0, "other": 1}, 204) is None
    assert wishes() == [[0, 1], [2]]
    assert _post(client, f"{path}/part", {"comments": [1, 2]}, 204) is None
    assert wishes() == [[0, 1], [2]], "only what lies in one theme is taken apart"
    assert _post(client, f"{path}/part", {"comments": [0, 1]}, 204) is None
    assert wishes() == [[0], [1], [2]]
    assert "not here any more" in _post(client, f"{path}/join", {"one": 0, "other": 7}, 422)["detail"]
    assert _post(stranger, f"{path}/join", {"one": 0, "other": 1}, 404)


def test_a_table_of_comments(client: Client, begin: Begin) -> None:
    path = f"/productions/{begin().pk}/comments/file"
    table = b"id;who;text\n1;anna;The stairs are too steep.\n2;ben;I wish for a lift.\n"
    kept = _upload(client, path, "survey.csv", table)
    assert (kept["count"], kept["column"], kept["columns"]) == (2, "text", ["id", "who", "text"])
    assert "no column “stars”" in _upload(client, path, "survey.csv", table, 422, column="stars")["detail"]
    assert "no comments" in _upload(client, path, "empty.csv", b",\n,\n", 422)["detail"]


def test_a_model_is_off_until_an_address_of_this_machine_is_set(client: Client, stranger: Client) -> None:
    assert client.get("/api/writing/model").json() == {"address": "", "model": "local"}
    assert "No model server is set" in _post(client, "/writing/model/drafts", _writer(target=60), 422)["detail"]
    answer = client.put("/api/writing/model", {"address": "http://10.0.0.1:8080"}, content_type="application/json")
    assert answer.status_code == 422
    assert "not this machine" in answer.json()["detail"]
    put = client.put("/api/writing/model", {"address": "127.0.0.1:8080"}, content_type="application/json").json()
    assert put["address"] == "http://127.0.0.1:8080/v1/chat/completions"
    seen = _post(client, "/writing/model/preview", _writer(target=60, structures=["hook"]))
    assert all(point in seen["sent"] for point in LANTERN.points)
    assert stranger.get("/api/writing/model").json()["address"] == ""
    assert client.put("/api/writing/model", {"address": ""}, content_type="application/json").json()["address"] == ""


def test_a_draft_by_a_model_is_a_draft_with_slots_for_what_it_made_up(client: Client) -> None:
    fake = FakeModelServer(
        lambda request: (
            "# Hello\n\nMAREN: It shines for forty hours on one candle.\n\n# End\n\nMAREN: 5,000 sailors love it."
        )
    )
    try:
        client.put("/api/writing/model", {"address": fake.address}, content_type="application/json")
        job = _post(client, "/writing/model/drafts", _writer(target=60, structures=["hook"]), 202)
        run_job(UUID(job["id"]))
    finally:
        fake.close()
    done = Job.objects.get(pk=job["id"])
    assert done.status == "done", done.message
    assert [part["scene"]["heading"] for part in done.result["parts"]] == ["Hello", "End"]
    assert done.result["parts"][1]["open"] == ["{which number?}"]
    assert done.result["invented"][0]["message"] == "Not in your brief: 5000"


def test_a_model_that_is_not_there_is_told(client: Client) -> None:
    client.put("/api/writing/model", {"address": "127.0.0.1:9"}, content_type="application/json")
    job = _post(client, "/writing/model/drafts", _writer(target=60), 202)
    run_job(UUID(job["id"]))
    done = Job.objects.get(pk=job["id"])
    assert (done.status, "Is it started" in done.message) == ("failed", True)
