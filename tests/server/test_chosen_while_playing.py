"""What changes the sound is heard while it plays, before it is kept: exactly as it is heard afterwards."""

from __future__ import annotations

import io
import json
from dataclasses import replace
from typing import Any

import av
import numpy as np
import pytest
from django.test import Client
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import DearHostError
from dearhost.production import CHOICES, Production, read_script
from dearhost.production.choices import Scope, Touches, in_scene
from dearhost.production.trying import with_chosen
from server.productions.actions.save import save_production
from server.productions.models import Production as Kept
from tests.conftest import staging
from tests.server.conftest import Begin
from tests.server.test_deliveries import signed_in

pytestmark = pytest.mark.django_db(transaction=True)
SCRIPT = """# The pier

MAREN: Mama may bring a boat.

# The bell

SKERRY: Papa mends the map at noon, and mama may bring it to the bay by boat.
"""
SOUND = [name for name, choice in CHOICES.items() if choice.touches is Touches.SOUND]


def heard(address: str, client: Client, production: Kept, scene: int, **query: Any) -> np.ndarray:
    """The sound of a proof."""
    scene_id = production.document["script"]["scenes"][scene]["id"]
    wanted = {name: json.dumps(value) if isinstance(value, dict) else value for name, value in query.items()}
    with signed_in(client) as web:
        answer = web.get(f"{address}/pictures/{production.pk}/{scene_id}/proof-sound.mp4", params=wanted)
    assert answer.status_code == 200, answer.text
    with av.open(io.BytesIO(answer.content)) as proof:
        return np.concatenate([frame.to_ndarray() for frame in proof.decode(audio=0)], axis=1)


@pytest.mark.parametrize(
    ("everywhere", "own"),
    [({"loudness": "-23", "bed": "calm", "bed_style": "mallets", "bed_under": 8.0}, {"bed_pause": 4.0}),
     ({"bed": "calm"}, {"bed": "none"})],
)  # fmt: skip
def test_it_is_heard_as_it_is_once_it_is_kept(
    address: str, client: Client, begin: Begin, everywhere: dict[str, Any], own: dict[str, Any]
) -> None:
    production = begin(SCRIPT)
    before = heard(address, client, production, 1)
    now = heard(address, client, production, 1, chosen={"everywhere": everywhere, "own": own})
    document = json.loads(json.dumps(production.document)) | everywhere
    document["script"]["scenes"][1]["staging"] |= own
    kept = save_production(production, document, production.title, production.revision)
    assert np.array_equal(now, heard(address, client, kept, 1))
    assert np.array_equal(before, now) == (own == {"bed": "none"}), "nothing is heard of a bed this scene has not"


@pytest.mark.parametrize(
    "chosen", ["[]", "{", '{"everywhere": []}', '{"own": {"bed": "waltz"}}', '{"own": {"loudness": "-23"}}',
               '{"everywhere": {"sea": 1}}', '{"everywhere": {"bed_under": 1e999}}', '{"own": null}'],
)  # fmt: skip
def test_what_cannot_be_chosen_is_told(address: str, client: Client, begin: Begin, chosen: str) -> None:
    production = begin(SCRIPT)
    scene_id = production.document["script"]["scenes"][0]["id"]
    with signed_in(client) as web:
        answer = web.get(f"{address}/pictures/{production.pk}/{scene_id}/proof-sound.mp4", params={"chosen": chosen})
    assert answer.status_code == 422 and answer.json()["detail"].endswith(".")


VALUES = st.sampled_from(("calm", "none", "with", 12.0, 30.0, True, "-23", 3.0))


@given(
    st.dictionaries(st.sampled_from(SOUND), VALUES, max_size=4),
    st.dictionaries(st.sampled_from(SOUND), VALUES, max_size=3),
)
def test_what_a_scene_has_of_its_own_goes_before_what_holds_everywhere(
    everywhere: dict[str, Any], own: dict[str, Any]
) -> None:
    script = read_script(SCRIPT)
    had = staging(bed="proud", bed_under=33.0)
    scenes = tuple(replace(scene, staging=had) for scene in script.scenes)
    production = Production(replace(script, scenes=scenes))
    try:
        made = with_chosen(production, scenes[1].id, everywhere, own)
    except DearHostError as error:
        assert str(error)
        return
    assert made.script.scenes[0] == scenes[0]
    now = in_scene(made.choices, made.script.scenes[1])
    for name in SOUND:
        usual = everywhere.get(name, had.own.get(name, getattr(production.choices, name)))
        assert getattr(now, name) == CHOICES[name].read(own.get(name, usual))
        if CHOICES[name].scope is Scope.EVERYWHERE:
            assert name not in own
