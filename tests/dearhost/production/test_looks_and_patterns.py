"""Looks are set as one; patterns can be begun with, rendered once their places are filled, and hold no fault."""

from __future__ import annotations

import re

import pytest

from dearhost.production import (
    CHOICES,
    CUE_KINDS,
    LOOKS,
    PATTERNS,
    Choices,
    begun_with,
    findings,
    read_script,
    with_look,
)
from dearhost.production.picture_proposals import pictures_for
from dearhost.script import Line, placeholders
from tests.conftest import staging


def test_there_are_as_many_as_were_promised() -> None:
    assert len(LOOKS) >= 8 and len(PATTERNS) >= 10


@pytest.mark.parametrize("look", LOOKS.values(), ids=lambda look: look.name)
def test_a_look_names_known_values_and_looks_like_no_other(look) -> None:
    assert all(value in CHOICES[name].values for name, value in look.choices.items())
    assert [other.name for other in LOOKS.values() if other.choices == look.choices] == [look.name]


def test_with_a_look_scenes_lose_what_it_names_and_keep_the_rest(short_script) -> None:
    scenes = tuple(
        type(scene)(scene.id, scene.heading, scene.blocks, staging(set="pier", framing="full"))
        for scene in short_script.scenes
    )
    script = type(short_script)(short_script.title, scenes)
    choices, after = with_look(Choices(framing="wide"), script, LOOKS["evening"])
    assert choices.set == "study" and choices.type == "classic" and choices.framing == "wide"
    assert all(dict(scene.staging.own) == {"framing": "full"} for scene in after.scenes)


@pytest.mark.parametrize("pattern", PATTERNS.values(), ids=lambda pattern: pattern.name)
def test_a_pattern_is_a_whole_script_with_places_to_fill(pattern) -> None:
    script, choices = begun_with(pattern)
    lines = [block for scene in script.scenes for block in scene.blocks if isinstance(block, Line)]
    cues = [cue for line in lines for cue in line.cues]
    assert script.title == pattern.words and choices.set == pattern.opening_set
    assert all(scene.heading for scene in script.scenes)
    assert not [CUE_KINDS.problem(cue) for cue in cues if CUE_KINDS.problem(cue)]
    assert any(CUE_KINDS.get(cue.kind).shown for cue in cues), "something is shown"
    assert sum(len(placeholders(line.text)) for line in lines) >= 3
    assert {finding.kind for finding in findings(script)} <= {"placeholder", "open-slot"}, (
        "nothing else is to be mended"
    )


@pytest.mark.parametrize("pattern", PATTERNS.values(), ids=lambda pattern: pattern.name)
def test_a_pattern_that_is_filled_in_has_nothing_open(pattern) -> None:
    filled = re.sub(r"\{([^}]+)\}", lambda match: "some " + match[1].split()[-1], pattern.text)
    assert findings(read_script(filled, "markdown")) == ()


def test_pictures_are_proposed_for_sentences_that_have_something_to_show() -> None:
    text = "[Maren looks up] The boats leave the harbour. So it goes. Bring an umbrella!"
    found = list(pictures_for(text))
    assert [one.words for one in found] == ["The boats leave the harbour.", "Bring an umbrella!"]
    assert [one.proposal.parts[0].thing for one in found] == ["boat", "umbrella"]
    assert all(text[one.start : one.end] == one.words for one in found)
    assert [one.proposal.template for one in pictures_for("So it goes.", every=True)] == ["words"]
