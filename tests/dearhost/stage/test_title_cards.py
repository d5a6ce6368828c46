"""A heading on a card before its scene, titles on the accent, and transitions as they are tried."""

from __future__ import annotations

import numpy as np
import pytest
import skia

from dearhost.drawing.colours import contrast, rgb
from dearhost.films import scene_time
from dearhost.production import TRANSITIONS, Studio, read_script
from dearhost.production.colours import accented, own_colours
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


@pytest.mark.parametrize("accent", ["", "#ffe14a", "#101010", "#14676b", "#e24a2e"])
def test_a_title_on_the_accent_is_readable(accent: str) -> None:
    """WCAG 2.2, 1.4.3: 4.5 to 1."""
    colours = accented(own_colours("", accent))
    assert contrast(rgb(colours.ink), rgb(colours.paper)) >= 4.5


def test_a_title_is_on_the_accent_where_it_is_asked_for(studio: Studio) -> None:
    def pixels(ground: str) -> np.ndarray:
        text = f"MAREN: [[cue: title text='A house apart' ground={ground}]]There are two kinds of it."
        timeline = film(studio, text, accent="#14676b", captions=False)
        painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
        painter.paint(RATE.frames_in(1.6))
        return painter.pixels[..., :3].astype(int)

    changed = (pixels("paper") != pixels("accent")).any(-1)
    assert changed.sum() > 500
    on_it = pixels("accent")[changed]
    teal = np.abs(on_it - np.array(rgb("#14676b"))[::-1]).sum(-1) < 30
    assert teal.mean() > 0.3


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
