"""Choices are seen on the stage before they are made: exactly as they would be, and by nobody who may not."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import DearHostError
from dearhost.production import CHOICES, Production, read_script
from dearhost.production.choices import Scope, in_scene
from dearhost.production.trying import with_tried
from dearhost.production.uses import SHELF, Use
from server.assets.ownership import belongs_to
from server.productions.actions.save import save_production
from server.productions.models import Production as Kept
from server.studio import studio
from tests.dearhost.production.test_project_file import with_wall
from tests.server.conftest import Begin

SCRIPT = read_script("# The pier\n\nMAREN: Mind the step.\n\n# The bell\n\nSKERRY: It rings.\n")
HOSTILE = ("", "x" * 200, None, 3, True, [], {}, "\x00", -1, 1e9)


def _scene(production: Kept, index: int = 0) -> str:
    return str(production.document["script"]["scenes"][index]["id"])


def _still(client: Client, production: Kept, *, name: str = "still", at: float = 0.4, **tried: Any) -> Any:
    query = {"at": at, "r": production.revision} | ({"tried": json.dumps(tried)} if tried else {})
    return client.get(f"/pictures/{production.pk}/{_scene(production)}/{name}.jpg", query)


@pytest.mark.parametrize("tried", [{"set": "quay"}, {"framing": "close-up", "daylight": "dusk"}, {"shape": "9:16"}])
def test_what_is_tried_looks_as_it_does_once_it_is_chosen(client: Client, begin: Begin, tried: dict[str, Any]) -> None:
    production = begin()
    before, seen = _still(client, production), _still(client, production, **tried)
    assert seen.status_code == 200 and seen.content != before.content
    assert _still(client, production).content == before.content, "nothing was chosen by it"
    document = json.loads(json.dumps(production.document))
    for name, value in tried.items():
        if CHOICES[name].scope is Scope.EVERYWHERE:
            document[name] = value
        else:
            document["script"]["scenes"][0]["staging"][name] = value
    chosen = save_production(production, document, production.title, production.revision)
    assert _still(client, chosen).content == seen.content


def test_it_is_tried_before_anything_is_read(client: Client, begin: Begin) -> None:
    production = begin()
    resting, tried = _still(client, production, name="opening"), _still(client, production, name="opening", set="quay")
    assert tried.status_code == 200 and tried.content != resting.content


def test_somebody_elses_picture_is_tried_by_nobody(
    client: Client, stranger: Client, ines: User, begin: Begin, tmp_path: Any
) -> None:
    production = begin()
    _, item = with_wall(studio(), tmp_path, 200)
    nobodys = item[:-4] + ("0000" if item[-4:] != "0000" else "1111")
    assert _still(client, production, set=item).content == _still(client, production, set=nobodys).content
    belongs_to(ines.pk, Use(SHELF, item))
    later = save_production(production, production.document, production.title + "!", production.revision)
    hers = _still(client, later, set=item)
    assert hers.status_code == 200 and hers.content != _still(client, later, set=nobodys).content
    assert _still(stranger, later, set="quay").status_code == 404


@pytest.mark.parametrize("tried", ['{"set": "nowhere"}', '{"colour of the sea": 1}', "[]", "{", '"quay"', '{"set": 3}',
                                   '{"set": NaN}', '{"tail": 1e999}', "{" * 3000, "x" * 9000])  # fmt: skip
def test_what_cannot_be_tried_is_told(client: Client, begin: Begin, tried: str) -> None:
    production = begin()
    path = f"/pictures/{production.pk}/{_scene(production)}/still.jpg"
    answer = client.get(path, {"tried": tried})
    assert answer.status_code == 422 and answer.json()["detail"].endswith(".")


@given(st.dictionaries(st.sampled_from([*CHOICES, "nothing"]), st.sampled_from(HOSTILE), max_size=3))
def test_only_what_is_in_the_table_is_tried_and_only_in_that_scene(tried: dict[str, Any]) -> None:
    production = Production(SCRIPT)
    scenes = production.script.scenes
    try:
        made = with_tried(production, scenes[0].id, tried)
    except DearHostError as error:
        assert str(error)
        return
    assert made.script.scenes[1] == scenes[1]
    now = in_scene(made.choices, made.script.scenes[0])
    for name, value in tried.items():
        assert getattr(now, name) == CHOICES[name].read(value)
    untouched = [name for name in CHOICES if name not in tried and CHOICES[name].scope is not Scope.SCENE]
    assert all(getattr(now, name) == getattr(production.choices, name) for name in untouched)
