"""Patterns of one's own: kept apart from the productions, begun with, forgotten and brought back."""

from __future__ import annotations

from typing import Any

from django.contrib.auth.models import User
from django.test import Client

from dearhost.production import read_script
from server.productions.actions.create import create_production

JSON = "application/json"


def kept(client: Client, ines: User, title: str = "A weekly lesson") -> tuple[str, dict[str, Any]]:
    """The id of a production, and the pattern kept of it."""
    script = read_script("MAREN: [[cue: picture boat]]The boats go out[[/cue]] at dawn.")
    production = create_production(ines, script, "Boats")
    answer = client.post(f"/api/productions/{production.pk}/pattern", {"title": title}, JSON)
    assert answer.status_code == 201
    return str(production.pk), answer.json()


def titles(client: Client, path: str) -> list[str]:
    return [row["title"] for row in client.get(path).json()]


def test_a_pattern_lies_apart_and_begins_productions_that_are_its_copies(client: Client, ines: User) -> None:
    original, pattern = kept(client, ines)
    assert titles(client, "/api/productions") == ["Boats"]
    assert titles(client, "/api/productions/patterns") == ["A weekly lesson"]
    begun = client.post(f"/api/productions/{pattern['id']}/begin").json()
    assert sorted(titles(client, "/api/productions")) == ["A weekly lesson", "Boats"]
    first, second = (client.get(f"/api/productions/{one}").json()["document"] for one in (original, begun["id"]))
    assert first["script"]["scenes"] == second["script"]["scenes"]
    assert titles(client, "/api/productions/patterns") == ["A weekly lesson"], "it can be begun with again"


def test_one_of_the_same_name_gives_way(client: Client, ines: User) -> None:
    kept(client, ines)
    kept(client, ines)
    assert titles(client, "/api/productions/patterns") == ["A weekly lesson"]


def test_it_outlives_its_production_and_is_forgotten_with_a_way_back(client: Client, ines: User) -> None:
    original, pattern = kept(client, ines)
    client.delete(f"/api/productions/{original}")
    assert titles(client, "/api/productions/patterns") == ["A weekly lesson"]
    client.delete(f"/api/productions/{pattern['id']}")
    assert titles(client, "/api/productions/patterns") == []
    client.post(f"/api/productions/{pattern['id']}/bring-back")
    assert titles(client, "/api/productions/patterns") == ["A weekly lesson"]


def test_only_a_pattern_is_begun_with_and_only_ones_own(client: Client, stranger: Client, ines: User) -> None:
    original, pattern = kept(client, ines)
    assert client.post(f"/api/productions/{original}/begin").status_code == 404
    assert stranger.post(f"/api/productions/{pattern['id']}/begin").status_code == 404
    assert stranger.post(f"/api/productions/{original}/pattern", {"title": "Mine"}, JSON).status_code == 404
    assert titles(stranger, "/api/productions/patterns") == []


def test_a_pattern_needs_a_name(client: Client, ines: User) -> None:
    original, _ = kept(client, ines)
    assert client.post(f"/api/productions/{original}/pattern", {"title": ""}, JSON).status_code == 422
