"""A database of the version before jobs and belongings goes on without loss."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.utils import timezone

BEFORE = [
    ("deliveries", "0002_form"), ("hosts", "0001_hosts"), ("voices", "0003_made_voices"), ("productions", "0002_takes"),
    ("jobs", None), ("assets", None),
]  # fmt: skip

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def before() -> Iterator[Any]:
    """The models of that version; every migration is done again at the end."""
    executor = MigrationExecutor(connection)
    executor.migrate(BEFORE)
    yield executor.loader.project_state([node for node in BEFORE if node[1]]).apps
    executor = MigrationExecutor(connection)
    executor.migrate(executor.loader.graph.leaf_nodes())


def forward() -> Any:
    executor = MigrationExecutor(connection)
    executor.migrate(executor.loader.graph.leaf_nodes())
    return executor.loader.project_state(executor.loader.graph.leaf_nodes()).apps


def document(picture: str, recording: str) -> dict[str, Any]:
    cues = [
        {"kind": "take", "start": 0, "parameters": {"prop": "own-picture", "picture": picture}},
        {"kind": "recording", "start": 0, "parameters": {"recording": recording}},
        {"kind": "wave", "start": 0},
    ]
    return {
        "script": {"scenes": [{"blocks": [{"kind": "line", "text": "Mama.", "cues": cues}, {"kind": "direction"}]}]}
    }


def test_deliveries_get_jobs_and_things_their_owners(before: Any) -> None:
    ines, other = (User.objects.create_user(name) for name in ("ines", "other"))
    production = before.get_model("productions", "Production").objects.create(
        owner_id=ines.pk, title="The pier", document=document("p1", "r1")
    )
    before.get_model("productions", "Revision").objects.create(
        production=production, number=1, title="The pier", document=document("p0", "r0")
    )
    before.get_model("productions", "Take").objects.create(
        production=production, line="l", number=1, text="Mama.", voice="fake", recording="r2"
    )
    deliveries = before.get_model("deliveries", "Delivery").objects
    made: dict[str, Any] = {}
    for status, values in {
        "done": {"progress": 1.0, "seconds": 12.5, "size": 1000},
        "failed": {"message": "The disk was full.", "progress": 0.4},
        "stopped": {"message": "Stopped.", "stop_requested": True},
        "queued": {},
        "running": {"attempts": 2, "lease_until": timezone.now() + timedelta(hours=1), "worker": "w"},
    }.items():
        made[status] = deliveries.create(
            owner_id=ines.pk, production=production, title="The pier", document={"shape": "9:16"}, height=360,
            frames_per_second=30, captions="burn", status=status, **values,
        )  # fmt: skip
    before.get_model("hosts", "OwnHost").objects.create(owner_id=ines.pk, base="own-1")
    before.get_model("voices", "MadeVoice").objects.create(owner_id=other.pk, voice="made-1")
    matches = before.get_model("voices", "VoiceMatch").objects
    fitted = matches.create(owner_id=ines.pk, person="Ines", voice="matched-1", status="done", progress=1)
    before.get_model("voices", "SampleSentence").objects.create(
        match=fitted, number=0, recording="r3", seconds=3, good=True
    )
    matches.create(owner_id=other.pk, person="Somebody", status="running", progress=0.5)

    after = forward()
    rows = {d.pk: d for d in after.get_model("deliveries", "Delivery").objects.select_related("job")}
    jobs = {status: rows[delivery.pk].job for status, delivery in made.items()}
    assert {s: jobs[s].status for s in ("done", "failed", "stopped")} == {s: s for s in ("done", "failed", "stopped")}
    assert (jobs["failed"].message, jobs["failed"].progress) == ("The disk was full.", 0.4)
    assert all(job.kind == "film" and job.owner_id == ines.pk for job in jobs.values())
    assert rows[made["done"].pk].seconds == 12.5 and rows[made["done"].pk].size == 1000
    for status in ("queued", "running"):  # the reaper puts them back: their lease is over
        assert jobs[status].status == "running" and jobs[status].lease_until <= timezone.now()
        assert jobs[status].attempts == 0
    belongings = set(after.get_model("assets", "Belonging").objects.values_list("owner_id", "kind", "key"))
    assert belongings == {
        (ines.pk, "host", "own-1"), (other.pk, "voice", "made-1"), (ines.pk, "voice", "matched-1"),
        (ines.pk, "picture", "p1"), (ines.pk, "picture", "p0"),
        *((ines.pk, "recording", f"r{n}") for n in range(4)),
    }  # fmt: skip
    assert {m.person: (m.voice, m.job_id) for m in after.get_model("voices", "VoiceMatch").objects.all()} == {
        "Ines": ("matched-1", None), "Somebody": ("", None),
    }  # fmt: skip


def test_an_empty_database_goes_forward(before: Any) -> None:
    after = forward()
    assert not after.get_model("jobs", "Job").objects.exists()
