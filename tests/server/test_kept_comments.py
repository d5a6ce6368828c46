"""Comments go along where their production goes: into its file, into its copies, and never with a name."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Callable
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from server.productions.actions.duplicate import duplicate
from server.productions.models import Production
from server.writing.actions.comments import join_comments, keep_comments, move_comment
from server.writing.models import ProductionComments
from tests.server.conftest import Begin

WISHES = ("I wish it opened on Mondays.", "Why is it so dark?", "Please build a ramp.")
Change = Callable[[dict[str, Any]], object]


@pytest.fixture
def sorted_by_hand(begin: Begin) -> Production:
    production = begin("# Hours\n\nMaren: We are closed on Mondays.\n")
    keep_comments(production, [*WISHES, WISHES[0]])
    move_comment(production, 1, "wish")
    join_comments(production, 0, 2)
    return production


def _file(client: Client, production: Production) -> bytes:
    return client.get(f"/api/productions/{production.pk}/file/production.dearhost").content


def _changed(data: bytes, change: Change) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(out, "w") as new:
        for name in old.namelist():
            content = old.read(name)
            if name == "production.json":
                document = json.loads(content)
                document["beside"]["comments"] = change(document["beside"]["comments"])
                content = json.dumps(document).encode()
            new.writestr(name, content)
    return out.getvalue()


def _opened(client: Client, data: bytes) -> tuple[Production, list[str]]:
    answer = client.post("/api/productions/open", {"file": SimpleUploadedFile("hours.dearhost", data)})
    assert answer.status_code == 201, answer.content
    body = answer.json()
    return Production.objects.get(pk=body["production"]["id"]), body["notes"]


def _kept(production: Production) -> dict[str, Any]:
    kept = ProductionComments.objects.get(production=production)
    return {name: getattr(kept, name) for name in ("texts", "moved", "joined", "doubles", "junk", "beyond")}


def test_in_the_file_and_out_again_on_another_account(
    client: Client, stranger: Client, sorted_by_hand: Production
) -> None:
    data = _file(client, sorted_by_hand)
    assert data == _file(client, sorted_by_hand), "the same production gives the same bytes"
    opened, notes = _opened(stranger, data)
    assert notes == [] and opened.owner != sorted_by_hand.owner
    assert _kept(opened) == _kept(sorted_by_hand)
    assert _kept(opened)["moved"] == {"1": "wish"} and _kept(opened)["joined"] == [[0, 2]]


def test_a_copy_has_them_too_and_each_its_own(sorted_by_hand: Production) -> None:
    copy = duplicate(sorted_by_hand)
    before = _kept(sorted_by_hand)
    assert _kept(copy) == before
    move_comment(copy, 0, "praise")
    assert _kept(sorted_by_hand) == before


def test_without_comments_nothing_lies_in_the_file(client: Client, begin: Begin) -> None:
    with zipfile.ZipFile(io.BytesIO(_file(client, begin()))) as packed:
        assert "beside" not in json.loads(packed.read("production.json"))


def test_names_put_into_a_file_by_hand_are_dropped_and_what_was_sorted_by_number_with_them(
    client: Client, sorted_by_hand: Production
) -> None:
    named = ["@ottilie Please build a ramp.", *WISHES]
    data = _changed(_file(client, sorted_by_hand), lambda comments: {**comments, "texts": named})
    kept = _kept(_opened(client, data)[0])
    assert kept["texts"] == ["Please build a ramp.", *WISHES[:2]]
    assert kept["moved"] == {} and kept["joined"] == []


@pytest.mark.parametrize(
    "broken",
    [None, 3, [], {}, {"texts": "one"}, {"texts": [1, 2]}, {"texts": []}, {"texts": ["@only"]}],
    ids=repr,
)
def test_comments_that_are_none_are_left_out_and_told(
    client: Client, sorted_by_hand: Production, broken: object
) -> None:
    opened, notes = _opened(client, _changed(_file(client, sorted_by_hand), lambda comments: broken))
    assert len(notes) == 1 and "comments" in notes[0]
    assert not ProductionComments.objects.filter(production=opened).exists()
    assert client.get(f"/api/productions/{opened.pk}").status_code == 200


@pytest.mark.parametrize(
    ("part", "value", "held"),
    [
        ("moved", {"0": "wish", "9": "wish", "x": "wish", "2": "nonsense", "1": ["wish"]}, {"0": "wish"}),
        ("moved", ["wish"], {}),
        ("joined", [[0, 1], [0, 9], [True, 1], [0], "01", [0, 1.5]], [[0, 1]]),
        ("joined", {"0": 1}, []),
        ("doubles", -1, 0),
        ("junk", 10**12, 0),
        ("beyond", True, 0),
    ],
)
def test_hostile_sorting_does_no_harm(
    client: Client, sorted_by_hand: Production, part: str, value: object, held: object
) -> None:
    data = _changed(_file(client, sorted_by_hand), lambda comments: {**comments, part: value})
    opened, notes = _opened(client, data)
    assert notes == [] and _kept(opened)[part] == held
    job = client.post(f"/api/productions/{opened.pk}/comments/sorted")
    assert job.status_code == 202
