"""Looks of one's own over the API: kept, replaced under their name, forgotten, nobody else's."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.test import Client

pytestmark = pytest.mark.django_db(transaction=True)
ADDRESS = "/api/staging/own-looks"


def keep(client: Client, name: str, **choices: Any) -> Any:
    return client.post(ADDRESS, json.dumps({"name": name, "choices": choices}), "application/json")


def test_a_look_is_kept_replaced_and_forgotten(client: Client) -> None:
    made = keep(client, " Winter ", set="quay", accent="#14406E", bed="calm", captions=True, logo_size=0.1)
    assert made.status_code == 201
    assert made.json()["choices"] == {"set": "quay", "accent": "#14406e", "logo_size": 0.1}
    keep(client, "Winter", set="pier")
    (only,) = client.get(ADDRESS).json()
    assert (only["name"], only["choices"]) == ("Winter", {"set": "pier"})
    assert client.delete(f"{ADDRESS}/{only['id']}").status_code == 204
    assert client.get(ADDRESS).json() == []


def test_looks_of_others_are_not_there(client: Client, stranger: Client) -> None:
    own = keep(client, "Winter", set="quay").json()["id"]
    assert stranger.get(ADDRESS).json() == []
    assert stranger.delete(f"{ADDRESS}/{own}").status_code == 404
    assert keep(stranger, "Winter", set="pier").status_code == 201
    assert client.get(ADDRESS).json()[0]["choices"] == {"set": "quay"}


@pytest.mark.parametrize(
    ("name", "choices", "says"),
    [
        ("Winter", {"set": "moon"}, "There is no set 'moon'"),
        ("Winter", {"accent": "blue"}, "must be a colour"),
        ("   ", {"set": "quay"}, "needs a name"),
    ],
)
def test_what_is_no_look_is_refused(client: Client, name: str, choices: dict[str, str], says: str) -> None:
    refused = keep(client, name, **choices)
    assert refused.status_code == 422 and says in refused.json()["detail"]
    assert client.get(ADDRESS).json() == []
