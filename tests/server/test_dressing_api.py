"""What sets can be dressed with, over the API, and that dressed scenes are kept."""

from __future__ import annotations

import pytest
from django.test import Client

from dearhost.production.choices import CHOICES


def test_a_set_says_what_it_has_and_what_there_is(client: Client) -> None:
    found = client.get("/api/staging/sets/museum/dressing").json()
    assert found["own"]["wall_left"] == "frame:fish" and found["own"]["floor_right"] == "plinth:shell"
    assert {"name": "frame", "words": "a framed picture", "takes": 1, "pictures": True} in found["wall"]
    assert set(client.get("/api/staging/sets/pier/dressing").json()["own"]) == {"floor_left", "floor_right"}


@pytest.mark.parametrize("path", ["dressing", "dressing/another?seed=1"])
def test_a_set_that_is_not_there_is_not_found(client: Client, path: str) -> None:
    assert client.get(f"/api/staging/sets/no-such/{path}").status_code == 404


def test_another_way_is_one_that_can_be_chosen(client: Client) -> None:
    found = client.get("/api/staging/sets/study/dressing/another?seed=7").json()
    assert all(CHOICES[slot].problem(prop) == "" for slot, prop in found.items())
    assert client.get("/api/staging/sets/study/dressing/another?seed=-1").status_code == 422
