"""Zooms for recordings of screens, over the API: looked at by a job, then proposed for a scene."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from django.contrib.auth.models import User
from django.test import Client

from server.jobs.models import Job
from server.jobs.running import run_job
from server.productions.models import Production
from server.shelf.actions.enter import enter
from server.studio import studio
from tests.clips import write_clip
from tests.server.conftest import Begin

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def screen(ines: User, tmp_path: Path) -> str:
    """Four seconds of a screen; a second after it begins something is written at the lower right, and stays."""
    frames = []
    for number in range(40):
        frame = np.full((1080, 1920, 3), 245, np.uint8)
        frame[900:916, 1500 : 1500 + 12 * min(20, max(0, number - 10))] = 30
        frames.append(frame)
    path = write_clip(tmp_path / "bookings.mp4", frames, rate=10, size=(1920, 1080))
    item = studio().shelf.take(path, path.name)
    enter(ines.pk, item)
    (studio().shelf.path(item.id) / "happening.json").unlink(missing_ok=True)  # looked at by an earlier test
    return item.id


def address(production: Production) -> str:
    return f"/api/productions/{production.pk}/scenes/{production.document['script']['scenes'][0]['id']}/zooms"


def test_a_recording_is_looked_at_by_a_job_and_zooms_are_proposed(client: Client, begin: Begin, screen: str) -> None:
    production = begin(f"MAREN: [[cue: own {screen} whole]]Mama may bring a boat and Papa mends the map.[[/cue]]\n")
    before = client.get(address(production)).json()
    assert before == {"zooms": [], "clips": 1, "unseen": 1}
    started = client.post(address(production))
    assert started.status_code == 201 and started.json()["kind"] == "screen"
    run_job(started.json()["id"])
    assert Job.objects.get(pk=started.json()["id"]).status == Job.Status.DONE
    found = client.get(address(production)).json()
    assert (found["clips"], found["unseen"]) == (1, 0)
    zoom = found["zooms"][0]
    line = production.document["script"]["scenes"][0]["blocks"][0]
    assert zoom["line"] == line["id"] and line["text"][zoom["offset"] :].startswith(zoom["word"])
    assert zoom["item"] == screen and zoom["near"] > 1.3 and zoom["x"] > 0.6 and zoom["y"] > 0.6


def test_a_scene_without_clips_has_nothing_to_go_to(client: Client, begin: Begin) -> None:
    production = begin("MAREN: Mama may bring a boat.\n")
    assert client.get(address(production)).json() == {"zooms": [], "clips": 0, "unseen": 0}


def test_clips_of_others_are_not_looked_at(stranger: Client, client: Client, begin: Begin, screen: str) -> None:
    production = begin(f"MAREN: [[cue: own {screen} whole]]Mama may bring a boat.[[/cue]]\n")
    assert stranger.get(address(production)).status_code == 404
    assert stranger.post(address(production)).status_code == 404
    assert client.get(f"/api/productions/{production.pk}/scenes/nowhere/zooms").status_code == 422
