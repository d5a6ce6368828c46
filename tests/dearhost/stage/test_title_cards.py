"""A heading on a card before its scene, titles on the accent, and transitions as they are tried."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st

from dearhost.drawing.colours import contrast, rgb
from dearhost.films import scene_time
from dearhost.production import TRANSITIONS, Studio, read_script
from dearhost.production.colours import on_slip, own_colours
from dearhost.production.shown_cues import GROUNDS, LETTERS
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.layout.shapes import LAYOUTS
from dearhost.stage.pacing import CARD
from dearhost.stage.samples import TRIES, transition_png
from dearhost.stage.timeline import HEADING, TITLE_CARD
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate(25)
SCRIPT = "# Two kinds of low water\n\nMAREN: There are two kinds."


def film(studio: Studio, script: str = SCRIPT, **chosen: object) -> Timeline:
    return compile_timeline(with_tones(read_script(script), **{"set": "plain", **chosen}), studio, RATE)


def test_the_card_comes_before_the_first_word_and_stands_for_the_title(studio: Studio) -> None:
    plain, carded = (film(studio, title_card=on).scenes[0] for on in (False, True))
    assert [shown.kind for shown in plain.shown] == [HEADING] and [shown.kind for shown in carded.shown] == [TITLE_CARD]
    assert carded.duration == pytest.approx(plain.duration + CARD)
    assert carded.lines[0].span.start == pytest.approx(plain.lines[0].span.start + CARD)
    assert carded.shown[0].span.end <= carded.lines[0].span.start


def test_no_heading_no_card(studio: Studio) -> None:
    scene = film(studio, "MAREN: There are two kinds.", title_card=True).scenes[0]
    assert scene.shown == () and scene.duration == film(studio, "MAREN: There are two kinds.").scenes[0].duration


def test_the_running_time_knows_of_the_card(studio: Studio) -> None:
    production = with_tones(read_script(SCRIPT), title_card=True)
    [scene] = compile_timeline(production, studio, RATE).scenes
    known = scene_time(production.script.scenes[0], production.checked(studio), studio)
    assert not known.estimated and known.seconds == pytest.approx(scene.duration, abs=0.02)


@pytest.mark.parametrize("shape", LAYOUTS)
@pytest.mark.parametrize("heading", ["Low", "Why the sea comes back twice a day, and what the moon has to do with it"])
def test_words_stay_in_what_is_safe_and_nobody_is_seen(studio: Studio, shape: str, heading: str) -> None:
    timeline = film(studio, f"# {heading}\n\nMAREN: There are two kinds.", title_card=True, shape=shape)
    picture = Picture.of(shape, 360 if shape != "9:16" else 640)
    painter = Painter(timeline, picture, studio.resources)
    painter.paint(RATE.frames_in(1.5))
    paper = np.array(rgb("#FFFDF4"))[::-1]
    rows, columns = np.nonzero(np.abs(painter.pixels[..., :3].astype(int) - paper).sum(-1) > 60)
    left, top, right, bottom = picture.pixels(LAYOUTS[shape].title_safe)
    assert len(rows) > 50
    assert left <= columns.min() and columns.max() <= right and top <= rows.min() and rows.max() <= bottom
    painter.paint(RATE.frames_in(CARD + 0.2))
    assert np.abs(painter.pixels[..., :3].astype(int) - paper).sum(-1).mean() > 60, "then the scene is there"


COLOUR = st.just("") | st.from_regex("#[0-9a-f]{6}", fullmatch=True)


@given(st.sampled_from(GROUNDS), COLOUR, COLOUR)
def test_a_slip_is_readable_on_every_ground(ground: str, paper: str, accent: str) -> None:
    """WCAG 2.2, 1.4.3: 4.5 to 1."""
    colours = on_slip(own_colours(paper, accent), ground)
    for written in (colours.ink, colours.quiet_ink, colours.accent_ink):
        assert contrast(rgb(written), rgb(colours.paper)) >= 4.5


def slip(studio: Studio, cue: str, **chosen: object) -> np.ndarray:
    text = f"MAREN: [[cue: {cue}]]There are two kinds of it."
    timeline = film(studio, text, captions=False, **chosen)
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    painter.paint(RATE.frames_in(1.6))
    return np.array(painter.pixels[..., :3], int)


@pytest.mark.parametrize("cue", ["title text='A house apart'", "lower-third name=Maren role='Keeper'"])
@pytest.mark.parametrize("ground", [ground for ground in GROUNDS if ground != "paper"])
def test_a_slip_is_on_what_it_is_asked_to_be(studio: Studio, cue: str, ground: str) -> None:
    usual, other = (slip(studio, f"{cue} ground={g}", accent="#14676b") for g in ("paper", ground))
    changed = (usual != other).any(-1)
    assert changed.sum() > 500
    wanted = on_slip(own_colours("", "#14676b"), ground).paper
    assert (np.abs(other[changed] - np.array(rgb(wanted))[::-1]).sum(-1) < 30).mean() > 0.3


def test_a_title_is_set_in_either_family(studio: Studio) -> None:
    headings, text = (slip(studio, f"title text='A house apart' letters={letters}") for letters in LETTERS)
    assert (headings != text).any(-1).sum() > 100
    assert (headings == slip(studio, "title text='A house apart'")).all()


def test_a_scene_shows_its_heading_or_not_by_itself(studio: Studio) -> None:
    production = with_tones(read_script(f"{SCRIPT}\n\n{SCRIPT}"), set="plain")
    first, second = production.script.scenes
    second = replace(second, staging=replace(second.staging, own={"titles": False}))
    without = replace(production, script=replace(production.script, scenes=(first, second)))
    kinds = [[item.kind for item in scene.shown] for scene in compile_timeline(without, studio, RATE).scenes]
    assert kinds == [[HEADING], []]


@pytest.mark.parametrize("kind", TRANSITIONS)
def test_a_try_begins_with_one_set_and_ends_with_the_other(kind: str) -> None:
    strip = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(transition_png(kind))).toarray()[..., :3].astype(int)
    frames = np.split(strip, TRIES, axis=1)
    first, last = frames[0], frames[-1]
    cut = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(transition_png("cut"))).toarray()[..., :3].astype(int)
    before, after = np.split(cut, TRIES, axis=1)[0], np.split(cut, TRIES, axis=1)[-1]
    assert np.abs(first - before).mean() < 1 and np.abs(last - after).mean() < 1
    middle = frames[TRIES // 2]
    if kind != "cut":
        assert np.abs(middle - before).mean() > 3 and np.abs(middle - after).mean() > 3
