"""What the Set tab and the Desk ask for: things, proposals, small pictures, looks and patterns to begin with."""

from __future__ import annotations

import json

import numpy as np
import pytest
import skia
from django.test import Client

from dearhost.production import PATTERNS


def png(client: Client, address: str) -> np.ndarray:
    """A picture's pixels, shape (height, width, 4)."""
    answer = client.get(address)
    assert answer.status_code == 200 and answer["Content-Type"] == "image/png"
    return np.asarray(skia.Image.MakeFromEncoded(answer.content).toarray())


def test_things_are_found_by_words_that_are_not_finished(client: Client) -> None:
    assert client.get("/api/staging/things", {"words": "lighth"}).json()[0] == "lighthouse"
    assert len(client.get("/api/staging/things", {"words": "", "most": 500}).json()) == 60
    assert client.get("/api/staging/things", {"words": "zzzz"}).json() == []


def test_pictures_are_proposed_for_lines_that_need_not_be_saved(client: Client) -> None:
    body = {"lines": [{"id": "a", "text": "The Moon pulls the sea."}, {"id": "b", "text": "So it goes."}]}
    found = client.post("/api/staging/pictures", json.dumps(body), "application/json").json()
    assert [(one["line"], one["template"], [part["thing"] for part in one["parts"]]) for one in found] == [
        ("a", "pull", ["moon", "wave"])
    ]
    assert found[0]["parts"][0]["words"] == ["Moon"]


def test_pictures_and_sounds_are_proposed_for_lines_of_other_languages(client: Client) -> None:
    lines = [
        {"id": "a", "text": "Good morning, and welcome to the museum of the tides at the end of the pier."},
        {"id": "b", "text": "Por la noche llueve, y el faro guía a los barcos hasta el puerto."},
        {"id": "c", "text": "Nachts läutet eine Glocke, und der Leuchtturm weist den Booten den Weg in den Hafen."},
    ]
    body = json.dumps({"lines": lines})
    shown = client.post("/api/staging/pictures", body, "application/json").json()
    assert {"lighthouse", "boat"} <= {part["thing"] for one in shown if one["line"] == "b" for part in one["parts"]}
    assert {"lighthouse", "boat"} <= {part["thing"] for one in shown if one["line"] == "c" for part in one["parts"]}
    heard = client.post("/api/staging/sounds", body, "application/json").json()
    assert [(one["line"], one["sound"]) for one in heard] == [("b", "rain"), ("c", "bell")]


def test_small_pictures_show_what_is_asked_for(client: Client) -> None:
    day, night = (png(client, f"/api/staging/sets/pier.png?daylight={time}") for time in ("noon", "night"))
    assert day.shape == (108, 192, 4)
    assert day[..., :3].mean() > 1.5 * night[..., :3].mean()
    crab = png(client, "/api/staging/things/crab.png")
    assert (crab[..., 3].min(), crab[..., 3].max()) == (0, 255)
    assert png(client, "/api/staging/picture.png?things=moon,wave&how=pull").shape == (108, 192, 4)


@pytest.mark.parametrize(
    "what",
    ["sets/moon.png", "sets/pier.png?palette=gold", "sets/pier.png?weather=hail", "things/unicorn.png",
     "picture.png?things=unicorn", "picture.png?things=boat&how=upside-down"],
)  # fmt: skip
def test_what_is_not_there_is_not_found(client: Client, what: str) -> None:
    assert client.get(f"/api/staging/{what}").status_code == 404


def test_a_production_is_begun_with_a_pattern(client: Client) -> None:
    listed = client.get("/api/staging/patterns").json()
    assert {one["name"] for one in listed} == set(PATTERNS) and all(one["says"] for one in listed)
    made = client.post("/api/productions", json.dumps({"pattern": "notice"}), "application/json")
    assert made.status_code == 201
    document = client.get(f"/api/productions/{made.json()['id']}").json()["document"]
    assert document["set"] == "office" and document["type"] == "poster"
    refused = client.post("/api/productions", json.dumps({"pattern": "opera"}), "application/json")
    assert refused.status_code == 422 and "no pattern 'opera'" in refused.json()["detail"]


def test_looks_are_listed_with_what_they_choose(client: Client) -> None:
    looks = {one["name"]: one["choices"] for one in client.get("/api/staging/looks").json()}
    assert len(looks) >= 8 and looks["night-quay"]["daylight"] == "night"


def test_sounds_are_proposed_for_the_words_of_a_scene(client: Client) -> None:
    lines = [{"id": "a", "text": "A bell rings."}, {"id": "b", "text": "It rains on the quay."}]
    found = client.post("/api/staging/sounds", {"lines": lines}, content_type="application/json").json()
    assert [(one["line"], one["sound"], one["goes_on"]) for one in found] == [("a", "bell", False), ("b", "rain", True)]
