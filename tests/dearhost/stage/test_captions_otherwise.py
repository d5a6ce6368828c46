"""Captions chosen otherwise over a stretch of words: those and no others, wherever they are drawn or told."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.production import CHOICES, Production, Scope, Studio, findings, read_script, write_fountain
from dearhost.production.caption_choices import AS_ELSEWHERE, CAPTIONS_OTHERWISE
from dearhost.render import captions_of
from dearhost.script import Cue
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.caption_check import caption_rows
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(10)
SAID = "The boats go out at noon, and they come back with the water in the evening."


def staged(text: str, studio: Studio, **choices: Any) -> Timeline:
    production = with_tones(read_script(text))
    return compile_timeline(replace(production, choices=replace(production.choices, **choices)), studio, RATE)


def test_a_stretch_has_captions_of_its_own_and_they_end_with_it(studio: Studio) -> None:
    text = "MAREN: The boats [[cue: captions one-word top]]go out at noon,[[/cue]] and they come back."
    scene = staged(text, studio).scenes[0]
    assert [(" ".join(c.texts()), dict(c.own)) for c in scene.captions] == [
        ("The boats", {}),
        ("go out at noon,", {"caption_style": "one-word", "caption_place": "top"}),
        ("and they come back.", {}),
    ]
    assert [caption.top for caption in captions_of(staged(text, studio))] == [False, True, False]
    assert [row.texts[0] for row in caption_rows(scene)] == ["The boats", "go out at noon,", "and they come back."]


def test_only_its_frames_are_drawn_otherwise(studio: Studio, small: Picture) -> None:
    plain = staged(f"MAREN: {SAID}", studio)
    begins, ends = SAID.index("and"), SAID.index("with")
    for settings_, own in (("marked top", "seen"), ("hidden", "hidden")):
        said = f"{SAID[:begins]}[[cue: captions {settings_}]]{SAID[begins:ends].rstrip()}[[/cue]] {SAID[ends:]}"
        otherwise = staged(f"MAREN: {said}", studio)
        own_captions = [c for c in otherwise.scenes[0].captions if c.own]
        assert [" ".join(c.texts()) for c in own_captions] == ["and they come back"]
        both = [Painter(each, small, studio.resources) for each in (plain, otherwise)]
        without = Painter(staged(f"MAREN: {SAID}", studio, captions=False), small, studio.resources)

        def pixels(painter: Painter, moment: float) -> np.ndarray:
            painter.paint(round(moment * 10))
            return painter.pixels.copy()

        inside = (own_captions[0].start + own_captions[0].end) / 2
        [usual, changed] = [pixels(painter, inside) for painter in both]
        assert (usual != changed).any()
        assert np.array_equal(changed, pixels(without, inside)) == (own == "hidden")
        last = otherwise.scenes[0].captions[-1]
        [usual, changed] = [pixels(painter, last.words[-1].end - 0.05) for painter in both]
        foot = slice(round(small.height * 0.5), None)
        assert (pixels(without, last.words[-1].end - 0.05)[foot] != changed[foot]).any(), "what follows is seen again"


STRETCHES = st.lists(
    st.tuples(
        st.integers(0, 14),
        st.integers(0, 14),
        st.dictionaries(
            st.sampled_from([p.name for p in CAPTIONS_OTHERWISE.parameters]), st.integers(0, 20), max_size=3
        ),
    ),
    max_size=4,
)


@settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(STRETCHES)
def test_any_stretches_leave_every_word_in_one_caption_in_order(
    studio: Studio, stretches: list[tuple[int, int, dict[str, int]]]
) -> None:
    production = with_tones(read_script(f"MAREN: {SAID}"))
    starts = [0] + [n + 1 for n, letter in enumerate(SAID) if letter == " "]
    cues = []
    for number, (first, last, picked) in enumerate(stretches):
        begin, end = sorted((first % len(starts), last % len(starts)))
        parameters = {}
        for name, index in picked.items():
            parameter = CAPTIONS_OTHERWISE.parameter(name)
            assert parameter
            parameters[name] = parameter.choices[index % len(parameter.choices)]
        cues.append(Cue(str(number), "captions", starts[begin], parameters, end=starts[end] if end > begin else None))
    scene = compile_timeline(_cued(production, cues), studio, RATE).scenes[0]
    assert " ".join(" ".join(c.texts()) for c in scene.captions) == SAID
    assert all(a.end <= b.start + 1e-9 for a, b in pairwise(scene.captions))
    assert all(c.end > c.start for c in scene.captions)
    chosen = {name for cue in cues for name, value in cue.parameters.items() if value != AS_ELSEWHERE}
    assert bool(chosen) >= any(c.own for c in scene.captions)


def _cued(production: Production, cues: list[Cue]) -> Production:
    scene = production.script.scenes[0]
    blocks = tuple(replace(block, cues=tuple(cues)) if hasattr(block, "cues") else block for block in scene.blocks)
    return replace(production, script=replace(production.script, scenes=(replace(scene, blocks=blocks),)))


def test_each_choice_a_scene_has_of_its_captions_can_be_made_for_a_stretch() -> None:
    of_scene = {name for name, choice in CHOICES.items() if name.startswith("caption_") and choice.scope is Scope.BOTH}
    settings_ = {f"caption_{p.name}": p for p in CAPTIONS_OTHERWISE.parameters if p.name != "seen"}
    assert set(settings_) == of_scene
    for name, parameter in settings_.items():
        assert parameter.choices == (AS_ELSEWHERE, *CHOICES[name].values)
        assert parameter.problem("#14676b") == CHOICES[name].problem("#14676b") or not parameter.colour
        assert parameter.colour == (CHOICES[name].form is not None)


@pytest.mark.parametrize(
    ("note", "told"),
    [("captions colour=#14676", "or a colour such as #14676b"), ("captions place=#14676b", "'place' must be one of"),
     ("captions style=huge", "'style' must be one of as-elsewhere, strips"), ("captions sideways", "no 'sideways'"),
     ("captions size=3", "'size' must be one of as-elsewhere, small, usual, large")],
)  # fmt: skip
def test_what_captions_cannot_be_is_told(note: str, told: str) -> None:
    [found] = findings(read_script(f"MAREN: The [[cue: {note}]]boats[[/cue]] go out."))
    assert told in found.message and "line 1" in found.message


@pytest.mark.parametrize("written", ["colour=#7b2d8b", "#7b2d8b", "colour=#7B2D8B"])
def test_a_stretch_has_a_colour_of_its_own(written: str, studio: Studio, small: Picture) -> None:
    production = read_script(f"MAREN: The boats [[cue: captions box {written}]]go out at noon,[[/cue]] and come back.")
    assert not findings(production)
    again = read_script(write_fountain(production))
    settings_ = dict(again.scenes[0].lines[0].cues[0].parameters)
    assert str(settings_["colour"]).lower() == "#7b2d8b" and settings_["style"] == "box"
    timeline = compile_timeline(with_tones(again), studio, RATE)
    painter = Painter(timeline, small, studio.resources)
    for caption in timeline.scenes[0].captions:
        painter.paint(round((caption.start + caption.end) / 2 * 10))
        blue, green, red = (painter.pixels[..., one].astype(int) for one in range(3))
        of_its_own = ((abs(red - 0x7B) < 6) & (abs(green - 0x2D) < 6) & (abs(blue - 0x8B) < 6)).mean()
        assert (of_its_own > 0.004) == bool(caption.own), "its paper, and nowhere else"


def test_they_go_into_a_screenplay_and_come_back() -> None:
    production = read_script("MAREN: The [[cue: captions growing large]]boats go[[/cue]] out.")
    written = write_fountain(production)
    assert "captions growing large" in written.replace("style=", "").replace("size=", "")
    again = read_script(written)
    [line] = again.scenes[0].lines
    assert dict(line.cues[0].parameters)["style"] == "growing" and line.cues[0].end is not None
