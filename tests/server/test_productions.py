"""Productions over the API: nothing is overwritten, nothing is lost, nobody else sees them."""

from __future__ import annotations

import io
import json
import wave
from datetime import timedelta
from typing import Any

import numpy as np
import pyloudnorm
import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone

from dearhost.production import read_script
from server.productions import caption_api
from server.productions.actions.create import create_production
from server.productions.actions.put_away import KEPT_FOR
from server.productions.models import Production, Revision, Take
from tests.server.conftest import Begin


def put(client: Client, path: str, data: Any) -> Any:
    return client.put(path, json.dumps(data), content_type="application/json")


def post(client: Client, path: str, data: Any) -> Any:
    return client.post(path, json.dumps(data), content_type="application/json")


def test_signing_in_and_out(client: Client, ines: object) -> None:
    guest = Client()
    assert guest.get("/api/session").json()["signed_in"] is False
    for path in ("/api/productions", "/api/voices", "/api/hosts", "/api/deliveries", "/events/deliveries"):
        assert guest.get(path).status_code == 401, path
    wrong = post(guest, "/api/session", {"username": "ines", "password": "high-water"})
    assert wrong.status_code == 401 and "capital letters count" in wrong.json()["detail"]
    assert post(guest, "/api/session", {"username": "ines", "password": "low-water"}).json()["name"] == "Ines"
    assert guest.get("/api/productions").status_code == 200
    guest.delete("/api/session")
    assert guest.get("/api/productions").status_code == 401


def test_a_save_on_an_old_revision_is_refused_and_both_are_kept(client: Client, begin: Begin) -> None:
    production = begin()
    path = f"/api/productions/{production.pk}"
    mine = client.get(path).json()
    other = json.loads(json.dumps(mine))
    mine["document"]["script"]["scenes"][0]["blocks"][0]["text"] = "Mama may sing."
    other["document"]["script"]["scenes"][0]["blocks"][0]["text"] = "Papa may sing."
    assert put(client, path, {**mine, "title": "One"}).json()["revision"] == 2
    late = put(client, path, {**other, "title": "Two"})
    assert late.status_code == 409
    assert "Your text is safe" in late.json()["detail"] and late.json()["current"]["revision"] == 2
    assert client.get(path).json()["title"] == "One"
    kept = client.get(f"{path}/revisions").json()
    assert [(r["title"], r["refused"]) for r in kept] == [("Two", True), ("One", False), ("The pier", False)]
    again = put(client, path, {**other, "title": "One", "document": mine["document"]})
    assert again.status_code == 200 and again.json()["revision"] == 2  # the same text, sent twice
    back = post(client, f"{path}/restore", {"revision_id": kept[0]["id"], "current": 2}).json()
    assert back["revision"] == 3
    assert back["document"]["script"]["scenes"][0]["blocks"][0]["text"] == "Papa may sing."


def test_a_stranger_finds_nothing(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin()
    path = f"/api/productions/{production.pk}"
    body = client.get(path).json()
    scene = body["document"]["script"]["scenes"][0]["id"]
    assert stranger.get("/api/productions").json() == []
    for answer in (
        stranger.get(path),
        put(stranger, path, body),
        stranger.delete(path),
        stranger.get(f"{path}/revisions"),
        stranger.get(f"{path}/scenes/{scene}/times"),
        stranger.get(f"/pictures/{production.pk}/{scene}/still.jpg"),
        post(stranger, "/api/deliveries", {"production_id": str(production.pk)}),
    ):
        assert answer.status_code == 404
    assert client.get("/api/productions/not-an-id").status_code == 404


def test_scripts_open_from_files_and_bad_ones_are_explained(client: Client) -> None:
    def open_file(name: str, data: bytes) -> Any:
        return client.post("/api/productions/open", {"file": SimpleUploadedFile(name, data)})

    text = "Title: The map\n\nINT. TIDE ROOM - DAY\n\nMAREN\n(smiling)\nCome in.\n"
    made = open_file("the-map.fountain", text.encode("utf-16"))
    opened = made.json()["production"]
    assert made.status_code == 201 and opened["title"] == "The map"
    assert [b["kind"] for s in opened["document"]["script"]["scenes"] for b in s["blocks"]] == [
        "direction",
        "line",
    ]
    assert open_file("a-day.txt", b"Hello there.").json()["production"]["title"] == "A day"
    for name, data, reason in (
        ("empty.txt", b"\xef\xbb\xbf \n\n", "is empty"),
        ("lines.txt", b"A: b\n\n" * 30_000, "30,000 lines"),
        ("film.mp4", b"\0\0\0\x18ftypmp42", "NUL"),
        ("long.txt", b"word " * 3_000_000, "15.0 MB"),
        ("letter.docx", b"PK\x03\x04 torn", "not a Word document"),
        ("lesson.dearhost", b"PK\x03\x04 torn", "damaged"),
    ):
        refused = open_file(name, data)
        assert refused.status_code in (413, 422) and reason in refused.json()["detail"], refused.content
    assert Production.objects.count() == 2


@pytest.mark.parametrize(
    ("place", "value", "reason"),
    [
        (("shape",), "4:3", "shape"),
        (("script", "scenes"), "none", "scenes"),
        (("script", "scenes", 0, "blocks", 0, "kind"), "song", "kind"),
        (("revision",), "many", "revision"),
    ],
)
def test_a_broken_document_is_refused_and_changes_nothing(
    client: Client, begin: Begin, place: tuple[Any, ...], value: Any, reason: str
) -> None:
    path = f"/api/productions/{begin().pk}"
    body = client.get(path).json()
    inner = body if place == ("revision",) else body["document"]
    for key in place[:-1]:
        inner = inner[key]
    inner[place[-1]] = value
    refused = put(client, path, body)
    assert refused.status_code == 422 and reason in refused.json()["detail"], refused.content
    assert client.get(path).json()["revision"] == 1 and Revision.objects.count() == 1


def test_unknown_choices_keep_the_text_and_are_explained(client: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    good = client.get(path).json()["document"]
    for key, value, reason in (
        ("set", "moon", "museum, classroom, office"),
        ("cast", {"MAREN": {"host": "nobody", "voice": "fake"}}, "maren, tobias, imani"),
    ):
        body = client.get(path).json()
        body["document"] = {**good, key: value}
        assert put(client, path, body).status_code == 200
        refused = post(client, "/api/productions/check", body["document"])
        assert refused.status_code == 422 and reason in refused.json()["detail"], refused.content


def test_a_voice_that_is_gone_leaves_the_counts_and_is_named_on_the_stage(client: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    body = client.get(path).json()
    body["document"]["cast"] = {"MAREN": {"host": "maren", "voice": "nobody"}}
    assert put(client, path, body).status_code == 200
    counted = post(client, "/api/productions/check", body["document"]).json()
    assert counted["words"] == 13 and counted["estimated"]
    scene = body["document"]["script"]["scenes"][0]["id"]
    silent = client.get(f"{path}/scenes/{scene}/times")
    assert silent.status_code == 422 and "no voice 'nobody'" in silent.json()["detail"]


def test_check_and_times_of_a_document(client: Client, begin: Begin) -> None:
    production = begin("# The pier\n\nMAREN: Mama may [wave]. It is $5.99.\n\nSKERRY: (soft) Hello [name].\n")
    document = client.get(f"/api/productions/{production.pk}").json()["document"]
    found = post(client, "/api/productions/check", document).json()
    assert found["words"] == 6 and found["estimated"] is True  # "$5.99" is one written word
    assert [f["kind"] for f in found["findings"] if f["stops"]] == ["placeholder"]
    scene = document["script"]["scenes"][0]
    times = client.get(f"/api/productions/{production.pk}/scenes/{scene['id']}/times").json()
    texts = {b["id"]: b["text"] for b in scene["blocks"]}
    for line in times["lines"]:
        starts = [w["start"] for w in line["words"]]
        assert starts == sorted(starts) and line["start"] <= starts[0] < line["end"] <= times["duration"]
        for word in line["words"]:
            assert texts[line["id"]][word["offset"] : word["to"]] == word["text"]
    assert any(m["closed"] for m in times["mouths"])  # the m of "Mama"
    assert post(client, "/api/productions/check", document).json()["estimated"] is False
    assert client.get(f"/api/productions/{production.pk}/scenes/none/times").status_code == 422


def test_stills_show_the_moment(client: Client, begin: Begin) -> None:
    production = begin()
    scene = production.document["script"]["scenes"][0]["id"]
    path = f"/pictures/{production.pk}/{scene}/still.jpg"
    first, later = client.get(f"{path}?at=0"), client.get(f"{path}?at=1.4")
    assert first.status_code == 200 and first["Content-Type"] == "image/jpeg" and first.content != later.content
    assert client.get(f"{path}?at=nonsense").content == first.content
    missing = client.get(f"/pictures/{production.pk}/none/still.jpg")
    assert missing.status_code == 422 and "scene" in missing.json()["detail"]


def test_a_scene_is_seen_before_anything_is_read_or_written(
    client: Client, stranger: Client, ines: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    def no_voice(*_: Any) -> None:
        raise AssertionError("nothing may be read for it")

    monkeypatch.setattr("dearhost.speech.engines.neural.NeuralEngine.synthesize", no_voice)
    pictures = []
    for text in ("", "# Alone\n\nOTTO: So it is.", "# Two\n\nOTTO: So it is.\n\nMIRIAM: And so."):
        production = create_production(ines, read_script(text))
        path = f"/pictures/{production.pk}/{production.document['script']['scenes'][0]['id']}/opening.jpg"
        answer = client.get(path)
        assert answer.status_code == 200 and answer["Content-Type"] == "image/jpeg"
        assert stranger.get(path).status_code == 404
        pictures.append(answer.content)
    assert len(set(pictures)) == 3  # whoever is in the script stands there
    assert client.get(f"/pictures/{production.pk}/none/opening.jpg").status_code == 422


def test_the_desk_lists_and_deletes(client: Client, begin: Begin) -> None:
    production = begin()
    row = client.get("/api/productions").json()[0]
    assert (row["title"], row["scenes"], row["words"], row["hosts"]) == ("The pier", 2, 13, ["Maren", "Skerry"])
    assert client.delete(f"/api/productions/{production.pk}").status_code == 204
    assert client.get("/api/productions").json() == []


def test_what_was_deleted_comes_back_with_all_it_had(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin()
    line = production.document["script"]["scenes"][0]["blocks"][0]["id"]
    Take.objects.create(production=production, line=line, number=1, text="Mama.", voice="fake", seconds=1)
    path = f"/api/productions/{production.pk}"
    before = client.get(path).json()
    client.delete(path)
    assert client.get(path).status_code == 404 and client.delete(path).status_code == 404
    assert client.get(f"{path}/revisions").status_code == 404
    assert stranger.post(f"{path}/bring-back").status_code == 404
    assert client.post(f"{path}/bring-back").json()["title"] == "The pier"
    assert client.get(path).json() == before
    assert len(client.get(f"{path}/takes").json()) == 1
    assert len(client.get(f"{path}/revisions").json()) == 1


def test_what_was_deleted_long_ago_goes_for_good_and_nothing_else(client: Client, begin: Begin) -> None:
    long_ago, lately, kept, last = (begin() for _ in range(4))
    for production, age in ((long_ago, KEPT_FOR + timedelta(days=1)), (lately, KEPT_FOR - timedelta(days=1))):
        Production.with_deleted.filter(pk=production.pk).update(deleted_at=timezone.now() - age)
    client.delete(f"/api/productions/{last.pk}")
    left = set(Production.with_deleted.values_list("pk", flat=True))
    assert left == {lately.pk, kept.pk, last.pk}


def test_a_copy_is_its_own_production(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin()
    line = production.document["script"]["scenes"][0]["blocks"][0]["id"]
    Take.objects.create(production=production, line=line, number=1, text="Mama.", voice="fake", seconds=1)
    path = f"/api/productions/{production.pk}"
    assert stranger.post(f"{path}/duplicate").status_code == 404
    titles = [client.post(f"{path}/duplicate").json()["title"] for _ in range(2)]
    assert titles == ["The pier, copy", "The pier, copy 2"]
    copy = Production.objects.get(title="The pier, copy")
    assert copy.document == production.document and copy.revision == 1
    assert len(client.get(f"/api/productions/{copy.pk}/takes").json()) == 1
    client.delete(f"/api/productions/{copy.pk}")
    assert Take.objects.filter(production=production).count() == 1


def test_a_new_title_is_a_revision(client: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    renamed = client.post(f"{path}/title", json.dumps({"title": " The quay "}), content_type="application/json").json()
    assert (renamed["title"], renamed["revision"]) == ("The quay", 2)
    assert [r["number"] for r in client.get(f"{path}/revisions").json()] == [2, 1]
    assert client.post(f"{path}/title", '{"title": ""}', content_type="application/json").status_code == 422


def test_cues_are_kept_timed_and_saved_as_fountain(client: Client, stranger: Client, begin: Begin) -> None:
    production = begin("MAREN: Mama may [[cue: wave left]]bring a boat.\n")
    path = f"/api/productions/{production.pk}"
    kinds = {k["name"]: k for k in client.get("/api/productions/cues").json()}
    assert kinds["wave"]["family"] == "host" and kinds["close-up"]["group"] == "Framing"
    assert [p["choices"] for p in kinds["wave"]["parameters"]] == [["left", "right"], [], []]
    mine = client.get(path).json()
    (block,) = mine["document"]["script"]["scenes"][0]["blocks"]
    (cue,) = block["cues"]
    assert (cue["kind"], cue["start"], cue["parameters"]) == ("wave", 9, {"side": "left"})
    block["cues"].append({"id": "p", "kind": "pause", "start": 17, "parameters": {"seconds": 2}})
    block["cues"].append({"id": "x", "kind": "somersault", "start": 0, "parameters": {}})
    scene = mine["document"]["script"]["scenes"][0]["id"]
    before = client.get(f"{path}/scenes/{scene}/times").json()
    assert put(client, path, mine).json()["revision"] == 2
    after = client.get(f"{path}/scenes/{scene}/times?revision=2").json()
    assert after["duration"] == pytest.approx(before["duration"] + 2, abs=0.001)
    times = {c["id"]: c["at"] for c in after["lines"][0]["cues"]}
    words = {w["text"]: w["start"] for w in after["lines"][0]["words"]}
    assert times["p"] == pytest.approx(words["boat"]) and set(times) == {cue["id"], "p"}
    found = post(client, "/api/productions/check", mine["document"]).json()
    assert not found["estimated"] and found["seconds"] == pytest.approx(after["duration"], abs=0.01)
    assert [f["kind"] for f in found["findings"]] == ["cue"]
    file = client.get(f"{path}/file/script.fountain")
    assert 'filename="the-pier.fountain"' in file.headers["Content-Disposition"]
    assert "@MAREN\n[[cue: somersault]]Mama may [[cue: wave left]]bring a [[cue: pause seconds=2]]boat." in (
        file.content.decode()
    )
    assert stranger.get(f"{path}/file/script.fountain").status_code == 404


def test_cues_of_the_host_can_be_seen(client: Client, ines: object) -> None:
    for kind in ("wave", "sad"):
        picture = client.get(f"/api/hosts/skerry/cues/{kind}.png")
        assert picture.content[:8] == b"\x89PNG\r\n\x1a\n"
    assert client.get("/api/hosts/maren/cues/pause.png").status_code == 404


def test_a_whole_production_goes_to_another_desk(client: Client, stranger: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    mine = client.get(path).json()
    mine["document"]["brief"] |= {"points": ["Twice a day"], "target": 90}
    mine["document"]["script"]["scenes"][0]["staging"] |= {"set": "pier", "tail": 3, "captions": False}
    assert put(client, path, mine).status_code == 200
    file = client.get(f"{path}/file/production.dearhost")
    assert 'filename="the-pier.dearhost"' in file.headers["Content-Disposition"]
    upload = SimpleUploadedFile("the-pier.dearhost", file.content)
    theirs = stranger.post("/api/productions/open", {"file": upload}).json()
    assert theirs["notes"] == [] and theirs["production"]["id"] != mine["id"]
    assert theirs["production"]["document"] == mine["document"]
    assert client.get(f"{path}/file/production.zip").status_code == 404


def test_a_paste_is_read_as_a_script_and_a_long_one_says_where_it_could_be_cut(client: Client, ines: object) -> None:
    def paste(text: str) -> Any:
        return post(client, "/api/productions/paste", {"text": text}).json()

    headed = paste("# The pier\n\nMaren: Mind the step.\n\n# The bell\n\n(It rings.)\n")
    assert [s["heading"] for s in headed["scenes"]] == ["The pier", "The bell"] and headed["pieces"] == []
    long = paste("The tide comes in. It goes out again, as it always does.\n\n" * 9)
    assert long["by_paragraph"] == list(range(2, 18, 2)) and len(long["by_length"]) == 1
    assert paste("")["scenes"] == []


def test_revisions_are_compared_and_their_documents_can_be_had(client: Client, stranger: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    mine = client.get(path).json()
    before = json.loads(json.dumps(mine["document"]))
    mine["document"]["script"]["scenes"][0]["blocks"][0]["text"] = "Mama may bring a ship. Papa mends the map."
    mine["document"]["script"]["scenes"][1]["staging"]["framing"] = "wide"
    mine["document"]["set"] = "pier"
    assert put(client, path, mine).status_code == 200
    first = client.get(f"{path}/revisions").json()[-1]
    assert client.get(f"{path}/revisions/{first['id']}").json() == before
    assert stranger.get(f"{path}/revisions/{first['id']}").status_code == 404
    told = post(client, "/api/productions/compare", {"before": before, "after": mine["document"]}).json()
    (line,) = told["lines"]
    assert (line["kind"], line["scene"], line["speaker"]) == ("changed", 1, "MAREN")
    assert [r["text"] for r in line["before"] if r["differs"]] == ["boat"]
    assert [r["text"] for r in line["after"] if r["differs"]] == ["ship"]
    assert told["choices"] == ["the set", "the staging of scene 2"]


def test_the_brief_is_kept_and_advised_on(client: Client, begin: Begin) -> None:
    path = f"/api/productions/{begin().pk}"
    mine = client.get(path).json()
    mine["document"]["brief"] |= {"points": ["Papa is mending the map", "Gulls eat chips"], "target": 4}
    assert put(client, path, mine).json()["document"]["brief"]["target"] == 4
    found = post(client, "/api/productions/check", mine["document"]).json()
    said, unsaid = found["advice"][:2]
    assert said["settled"] and said["at"]["line"] == 1 and not unsaid["settled"] and unsaid["at"] is None
    assert found["readability"]["ease"] > 80
    mine["document"]["brief"]["target"] = -3
    refused = put(client, path, {**mine, "revision": 2})
    assert refused.status_code == 422 and "target" in refused.json()["detail"]


def test_a_scene_tells_where_its_hosts_stand(client: Client, begin: Begin) -> None:
    production = begin()
    path = f"/api/productions/{production.pk}"
    mine = client.get(path).json()
    scene = mine["document"]["script"]["scenes"][0]
    usual = client.get(f"{path}/scenes/{scene['id']}/times").json()
    assert usual["blocking"] == {"MAREN": {"x": 0.5, "distance": 1.0, "facing": 0}}
    scene["staging"] |= {"blocking": {"MAREN": {"x": 0.25, "distance": 9}}, "tail": 2}
    assert put(client, path, mine).status_code == 200
    moved = client.get(f"{path}/scenes/{scene['id']}/times?revision=2").json()
    assert moved["blocking"] == {"MAREN": {"x": 0.25, "distance": 1.8, "facing": 0}}  # as far as the stage goes
    assert moved["duration"] == pytest.approx(usual["duration"] + 2 - 0.85, abs=0.001)
    assert set(moved["lines"][0]["pitch"]["values"]) - {99.0}


def test_a_voice_is_auditioned_as_loud_as_any_other(client: Client, ines: object) -> None:
    def heard(voice: str, text: str = "Twice a day the harbour empties, and the boats sit down in the mud.") -> Any:
        return client.get(f"/api/voices/{voice}/audition.wav", {"text": text})

    levels = []
    for voice in ("formant-en-us", "formant-eu", "fake"):
        with wave.open(io.BytesIO(heard(voice).content)) as file:
            assert (file.getnchannels(), file.getsampwidth(), file.getframerate()) == (1, 2, 48_000)
            samples = np.frombuffer(file.readframes(file.getnframes()), "<i2") / 32768
        levels.append(pyloudnorm.Meter(48_000).integrated_loudness(samples))
    assert max(levels) - min(levels) < 0.5  # LU, ITU-R BS.1770-4
    assert "There is no voice" in heard("nobody").json()["detail"]
    assert heard("formant-en-us", "").status_code == 422 and heard("formant-en-us", "x" * 999).status_code == 422


def _srt_time(seconds: float) -> str:
    return f"00:00:{int(seconds):02},{round(seconds % 1 * 1000):03}"


def test_captions_written_elsewhere_are_read_against_the_script(
    client: Client, stranger: Client, begin: Begin, monkeypatch: pytest.MonkeyPatch
) -> None:
    production = begin("MAREN: The tide comes in twice a day.\n")
    address = f"/api/productions/{production.pk}/captions"

    def read(who: Client, text: bytes, name: str = "captions.srt") -> Any:
        return who.post(address, {"file": SimpleUploadedFile(name, text)})

    srt = b"1\n00:00:01,000 --> 00:00:03,000\nThe tide comes in\n\n2\n00:00:03,000 --> 00:00:05,000\n2x a day.\n"
    answer = read(client, srt)
    assert answer.status_code == 200, answer.content
    assert answer.json()["unread"] is False
    cues = {cue["kind"]: cue for cue in answer.json()["cues"]}
    assert cues["caption"]["parameters"] == {"text": "2x"} and cues["caption"]["start"] == len("The tide comes in ")
    assert cues["caption-cut"]["start"] == cues["caption"]["start"] and answer.json()["left"] == []
    assert read(stranger, srt).status_code == 404
    later = srt.replace(b"00:00:0", b"00:09:0")
    assert read(client, later).json()["other_times"] is True, "of another recording"
    monkeypatch.setattr(caption_api, "_LONGEST_UNREAD", -1.0)
    long = read(client, srt).json()
    assert (long["unread"], long["other_times"]) == (True, False) and {c["kind"] for c in long["cues"]} == set(cues)
    monkeypatch.undo()
    scene = production.document["script"]["scenes"][0]["id"]
    [row] = client.get(f"/api/productions/{production.pk}/scenes/{scene}/times").json()["captions"]
    ours = f"1\n{_srt_time(row['start'])} --> {_srt_time(row['end'] - 0.4)}\nThe tide comes in twice a day.\n"
    nudged = read(client, ours.encode()).json()
    assert nudged["other_times"] is False
    assert [cue["parameters"] for cue in nudged["cues"]] == [{"cut": "where-it-fits", "ends": -0.4}]
    for wrong in (b"\xff\xfe\x00", b"no captions", b"", b"WEBVTT\n\n00:00.000 --> 00:01.000\nSomething else\n"):
        refused = read(client, wrong, "captions.vtt")
        assert refused.status_code == 422 and refused.json()["detail"], wrong
