"""Recordings are kept once, and go when nobody holds them any more."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import numpy as np
import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone

from dearhost.production.uses import RECORDING, Use
from server.assets.models import Belonging
from server.assets.ownership import belongs_to
from server.assets.recordings import forget_unheld, held
from server.productions.actions.put_away import KEPT_FOR
from server.productions.models import Production, Take
from server.studio import studio
from server.voices.models import SampleSentence, VoiceMatch
from tests.server.conftest import Begin


@pytest.fixture
def recording(ines: User) -> str:
    """A sound of hers."""
    samples = np.random.default_rng(5).normal(0, 0.1, 4800).astype(np.float32)
    name = studio().speaker.recordings.add(samples)
    belongs_to(ines.pk, Use(RECORDING, name))
    return name


def is_there(recording: str) -> bool:
    return studio().speaker.recordings.path(recording).exists()


def sample(owner: User, recording: str) -> VoiceMatch:
    match = VoiceMatch.objects.create(owner=owner, person="Ines")
    SampleSentence.objects.create(match=match, number=0, text="Mama.", recording=recording, seconds=1, good=True)
    return match


def take(production: Production, recording: str) -> None:
    line = production.document["script"]["scenes"][0]["blocks"][0]["id"]
    Take.objects.create(production=production, line=line, number=1, text="Mama.", voice="fake", recording=recording)


def test_a_sample_goes_with_its_match(client: Client, ines: User, recording: str) -> None:
    match = sample(ines, recording)
    assert held([recording])
    assert client.delete(f"/api/voices/matches/{match.pk}").status_code == 204
    assert not is_there(recording) and not held([recording])
    assert not Belonging.objects.filter(kind=RECORDING, key=recording).exists()


def test_what_another_account_sent_too_stays_theirs(client: Client, ines: User, recording: str) -> None:
    other = User.objects.create_user("other")
    theirs = sample(other, recording)
    belongs_to(other.pk, Use(RECORDING, recording))
    client.delete(f"/api/voices/matches/{sample(ines, recording).pk}")
    assert is_there(recording) and theirs.sentences.count() == 1


def test_a_take_or_a_revision_holds_it(client: Client, ines: User, begin: Begin, recording: str) -> None:
    production = begin()
    take(production, recording)
    assert forget_unheld([recording]) == 0
    production.takes.all().delete()
    production.revisions.update(document={"kept": [{"recording": recording}]})
    assert forget_unheld([recording]) == 0, "an older revision can still be heard"
    production.revisions.all().delete()
    assert forget_unheld([recording, recording, ""]) == 1 and not is_there(recording)


def test_it_goes_with_the_production_that_was_deleted_long_ago(client: Client, begin: Begin, recording: str) -> None:
    old, new = begin(), begin()
    take(old, recording)
    Production.with_deleted.filter(pk=old.pk).update(deleted_at=timezone.now() - KEPT_FOR + timedelta(hours=1))
    client.delete(f"/api/productions/{new.pk}")
    assert is_there(recording), "it can still be brought back"
    Production.with_deleted.filter(pk=old.pk).update(deleted_at=timezone.now() - KEPT_FOR - timedelta(hours=1))
    client.delete(f"/api/productions/{begin().pk}")
    assert not is_there(recording)


def test_a_file_without_its_recordings_says_so_and_plays(
    client: Client, stranger: Client, begin: Begin, recording: str
) -> None:
    production = begin()
    cue = {"id": "c", "kind": "recording", "start": 0, "parameters": {"recording": recording}}
    production.document["script"]["scenes"][0]["blocks"][0]["cues"] = [cue]
    production.save()
    file = client.get(f"/api/productions/{production.pk}/file/production.dearhost").content

    def opened(by: Client) -> dict[str, Any]:
        answer = by.post("/api/productions/open", {"file": SimpleUploadedFile("pier.dearhost", file)})
        assert answer.status_code == 201
        return dict(answer.json())

    def cues(answer: dict[str, Any]) -> list[Any]:
        return list(answer["production"]["document"]["script"]["scenes"][0]["blocks"][0]["cues"])

    theirs, hers = opened(stranger), opened(client)
    assert cues(theirs)[0]["parameters"] == {} and any("Recordings stay" in note for note in theirs["notes"])
    assert cues(hers)[0]["parameters"] == {"recording": recording} and not hers["notes"]
    scene = theirs["production"]["document"]["script"]["scenes"][0]["id"]
    times = stranger.get(f"/api/productions/{theirs['production']['id']}/scenes/{scene}/times")
    assert times.status_code == 200
