"""Directions that read like cues. What each means is common practice of stage directions, no source."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.languages import LANGUAGES
from dearhost.production import CUE_KINDS, read_script
from dearhost.production.direction_cues import cue_meant, direction_cues, meant
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


@pytest.mark.parametrize(
    ("language", "text", "kind", "settings"),
    [
        ("de", "Maren zeigt nach links", "point-left", {}),
        ("de", "winkt mit der linken Hand", "wave", {"side": "left"}),
        ("de", "Pause, 1,5 Sekunden", "pause", {"seconds": 1.5}),
        ("de", "Titel: „Vor Ebbe“", "title", {"text": "Vor Ebbe"}),
        ("de", "flüsternd", "delivery", {"manner": "hushed"}),
        ("fr", "Maren hoche la tête", "nod", {}),
        ("fr", "un temps", "pause", {"seconds": 1.0}),
        ("fr", "regarde la caméra", "eyes", {"to": "viewer"}),
        ("es", "señala hacia la derecha", "point-right", {}),
        ("es", "va hacia el centro", "walk-to", {"place": "middle"}),
        ("it", "si siede", "sit", {}),
        ("it", "saluta con la destra", "wave", {"side": "right"}),
        ("nl", "haalt de schouders op", "shrug", {}),
        ("pt", "sorri", "happy", {}),
        ("de", "nods", "nod", {}),
        ("ru", "Pause", "pause", {"seconds": 1.0}),
    ],
)
def test_what_a_direction_means_in_other_languages(
    language: str, text: str, kind: str, settings: dict[str, str | float]
) -> None:
    assert meant(text, language) == (kind, settings)


@pytest.mark.parametrize("code", [code for code, language in LANGUAGES.items() if language.directions])
def test_every_meaning_of_every_language_is_a_cue_that_can_be_played(code: str) -> None:
    table = LANGUAGES[code].directions
    assert set(table) >= {"title", "pause", "seconds", "left", "right"}
    for meaning, pattern in table.items():
        re.compile(pattern)
        if meaning in ("title", "pause", "seconds", "left", "right"):
            continue
        kind, settings = cue_meant(meaning)
        assert not CUE_KINDS.problem(CUE_KINDS.resolved(Cue("a", kind, 0, settings))), (code, meaning)


def test_a_script_is_read_in_its_own_language() -> None:
    script = read_script(
        "# Hafen\n\nMaren: Das Wasser kommt zweimal am Tag, und jedes Mal überrascht es jemanden. [zeigt nach rechts] "
        "Dort drüben steht die Marke.\n"
    )
    (found,) = direction_cues(script)
    assert (found.kind, script.scenes[0].lines[0].text[found.offset :].split()[0]) == ("point-right", "Dort")


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


def test_a_direction_of_its_own_goes_on_the_first_word_after_it() -> None:
    (found,) = direction_cues(read_script("# One\n\n(waves with her left hand)\n\nMaren: Good evening.\n"))
    assert (found.kind, found.parameters, found.text) == ("wave", {"side": "left"}, "waves with her left hand")
    assert (found.offset, found.start, found.end) == (0, 0, 0), "the whole direction, and no part of a line"


def test_a_bracket_after_the_last_word_goes_on_it() -> None:
    script = read_script("# One\n\nMaren: Good evening to you all [waves]\n")
    (found,) = direction_cues(script)
    assert script.scenes[0].lines[0].text[found.offset :].split()[0] == "all"
    assert found.text == "waves"


def test_a_direction_before_nothing_that_is_said_is_no_cue() -> None:
    assert direction_cues(read_script("# One\n\nMaren: Good evening.\n\n(Maren waves)\n")) == []
