"""Directions that read like cues. What each means is common practice of stage directions, no source."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.production import CUE_KINDS, read_script
from dearhost.production.direction_cues import direction_cues, meant
from dearhost.script import Cue


@pytest.mark.parametrize(
    ("text", "kind", "settings"),
    [
        ("Maren points to the left", "point-left", {}),
        ("she waves with her left hand", "wave", {"side": "left"}),
        ("Skerry nods.", "nod", {}),
        ("shakes her head", "shake", {}),
        ("smiling", "happy", {}),
        ("Pause", "pause", {"seconds": 1.0}),
        ("beat, 2 s", "pause", {"seconds": 2.0}),
        ("Silence for 9 seconds", "pause", {"seconds": 5.0}),
        ("Tobias enters from the right", "walk-in", {"side": "right"}),
        ("leaves to the left", "walk-out", {"side": "left"}),
        ("walks to the middle", "walk-to", {"place": "middle"}),
        ("sits down", "sit", {}),
        ("looks at the camera", "eyes", {"to": "viewer"}),
        ("takes the map", "take", {"prop": "map"}),
        ("holds up a cup", "take", {"prop": "mug"}),
        ("puts it down", "put-down", {}),
        ("Picture: the lighthouse", "picture", {"shows": "lighthouse"}),
        ("Title: Before you walk out", "title", {"text": "Before you walk out"}),
        ("Close-up.", "close-up", {}),
        ("a bell", "sound", {"sound": "bell"}),
        ("whispering", "delivery", {"manner": "hushed"}),
    ],
)
def test_what_a_direction_means(text: str, kind: str, settings: dict[str, str | float]) -> None:
    assert meant(text) == (kind, settings)


@pytest.mark.parametrize(
    "text",
    [
        "Morning. The tide room, window open.",
        "Music: warm and slow",
        "",
        "Two weeks later",
        "The camera follows the long road down to the harbour where everybody waits and nobody waves at all today",
    ],
)
def test_what_is_not_understood_stays_a_direction(text: str) -> None:
    assert meant(text) is None


def test_it_goes_on_the_word_it_stands_before() -> None:
    script = read_script(
        "# One\n\n(Maren waves)\n\nSkerry: Good evening.\n\n"
        "Maren: Hello there. [points to the right] It is that way.\n\n(Pause)\n"
    )
    found = direction_cues(script)
    maren = script.scenes[0].lines[1]
    assert [(one.kind, maren.text[one.offset :].split()[0]) for one in found] == [
        ("wave", "Hello"),
        ("point-right", "It"),
    ]
    assert found[1].block == maren.id
    assert maren.text[found[1].start : found[1].end] == "[points to the right]"
    assert all(one.line == maren.id for one in found), "who is named does it, not whoever speaks next"


@given(st.text(max_size=80))
def test_any_direction_gives_a_cue_that_can_be_played_or_none(text: str) -> None:
    found = meant(text)
    if found:
        kind, settings = found
        assert CUE_KINDS.get(kind)
        assert not CUE_KINDS.problem(CUE_KINDS.resolved(Cue("a", kind, 0, settings))) or kind == "title"
