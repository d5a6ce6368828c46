"""Captions hide nothing that is held where it can be held elsewhere; titles and names lie where they hide least."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.hosts import PROPS, Performance
from dearhost.hosts.props import draw_prop
from dearhost.production import SHAPES, Studio, read_script
from dearhost.stage import Picture, SceneTimeline, Timeline, compile_timeline
from dearhost.stage.backdrops import UNLIT
from dearhost.stage.layout.caption_room import free_above_captions
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.titles import NameDrawing, Slip, TitleDrawing, covered
from dearhost.stage.timeline import HEADING, Shown
from dearhost.timebase import FrameRate, Span
from tests.conftest import with_tones
from tests.dearhost.stage.test_logos import logo

RATE = FrameRate(25)
ARM, CHIN = 186.0, -42.0
"""Units: an arm's length, and from the shoulders up to the chin."""
HELD = "MAREN: [[cue: take {prop}]]Here it is, and I go on holding it for a good while, so that everybody sees it well."


def film(studio: Studio, text: str, **chosen: object) -> Timeline:
    return compile_timeline(with_tones(read_script(text), **{"titles": False, "set": "plain", **chosen}), studio, RATE)


def held_height(scene: SceneTimeline, moment: float) -> float:
    """How far below the shoulder the right hand is, in arm lengths."""
    return Performance(scene.roles["maren"], RATE).pose(moment).right.y


@pytest.mark.parametrize("name", PROPS)
def test_a_prop_reaches_as_far_as_is_said(name: str) -> None:
    """Measured on what is drawn, but for the stick under a board."""
    surface = skia.Surface(400, 400)
    paper = Paper(surface.getCanvas(), 1.0)
    with paper.placed(200, 200):
        draw_prop(paper, name, 1)
    rows = np.flatnonzero((surface.toarray()[..., 3] > 200).any(1)) - 200
    if not rows.size:  # a picture of one's own, with none chosen
        return
    above, below = PROPS[name].extent
    assert -rows.min() <= above + 8 or name == "pointer", "a stick, which hides no face"
    assert PROPS[name].board or rows.max() <= below + 8


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("prop", PROPS)
def test_captions_lie_over_nothing_that_is_held(studio: Studio, prop: str, shape: str) -> None:
    scene = film(studio, HELD.format(prop=prop), shape=shape).scenes[0]
    picture = Picture.of(shape, 640 if shape == "9:16" else 360)
    [take], [placed], host = scene.roles["maren"].handling, scene.shots[0].hosts, studio.hosts.host("maren")
    moment = take.at + 0.6
    lettering = SceneLayers(scene, UNLIT, picture, RATE, studio.resources).lettering
    shown = next(caption for caption in scene.captions if caption.end > moment)
    top = lettering.caption_drawing(shown).strips[0][1]
    assert top >= free_above_captions(shape, scene.choices) * picture.height - 1
    pose = Performance(scene.roles["maren"], RATE).pose(moment)
    scale = placed.head * picture.height / 100
    foot = placed.y * picture.height - host.head_centre.imag * scale
    bottom = foot + (host.palm(pose, 1).imag + PROPS[prop].extent[1] * host.prop_size) * scale
    under_the_chin = held_height(scene, moment) * ARM - PROPS[prop].extent[0] < CHIN + 6
    assert bottom <= top + 0.03 * picture.height or (under_the_chin and prop in ("map", "own-picture"))


@pytest.mark.parametrize("prop", PROPS)
def test_what_is_held_is_raised_for_captions_alone_and_leaves_the_face_free(studio: Studio, prop: str) -> None:
    def height(**chosen: object) -> float:
        scene = film(studio, HELD.format(prop=prop), **chosen).scenes[0]
        return held_height(scene, scene.roles["maren"].handling[0].at + 0.6)

    usual, raised = height(captions=False), height()
    assert raised <= usual + 0.01
    assert height(caption_place="top") == pytest.approx(usual, abs=0.005)
    assert height(caption_size="large", caption_style="outline") <= raised + 0.005
    assert raised > -0.17, "no hand far above the shoulder"
    assert raised == pytest.approx(usual, abs=0.02) or raised * ARM - PROPS[prop].extent[0] > CHIN - 4


def slip_of(studio: Studio, scene: SceneTimeline, kind: str, picture: Picture) -> Slip:
    [item] = (item for item in scene.shown if item.kind == kind)
    drawing = SceneLayers(scene, UNLIT, picture, RATE, studio.resources).lettering.shown.drawing(item)
    assert isinstance(drawing, TitleDrawing | NameDrawing)
    return drawing


WIDE = Picture.of("16:9", 360)
OFFER = "MAREN: [[cue: title text='{title}' {where}seconds=3]][[cue: explain]]Look [[cue: explain]]here, both of you."


@pytest.mark.parametrize(("where", "high"), [("", True), ("where=low ", False), ("where=high ", True)])
def test_a_title_goes_where_no_hand_is_unless_somebody_says_where(studio: Studio, where: str, high: bool) -> None:
    text = OFFER.format(title="A title as long as half of the picture", where=where).replace("'", '"')
    scene = film(studio, text).scenes[0]
    assert (slip_of(studio, scene, "title", WIDE).paper_box[1] < 60) is high


def test_a_title_that_is_in_nobodys_way_lies_low(studio: Studio) -> None:
    scene = film(studio, 'MAREN: [[cue: title text="Low"]]I stand here and say only this.', directed=False).scenes[0]
    assert slip_of(studio, scene, "title", WIDE).paper_box[1] > 180


def test_it_is_not_laid_over_captions_or_a_logo_at_the_top(studio: Studio, tmp_path: Path) -> None:
    text = OFFER.format(title="A title as long as half of the picture", where="").replace("'", '"')
    under = slip_of(studio, film(studio, text, caption_place="top").scenes[0], "title", WIDE)
    assert under.paper_box[1] > 180
    sign = logo(studio, tmp_path, (20, 60, 110))
    beside = slip_of(studio, film(studio, text, logo=sign, logo_place="top-left").scenes[0], "title", WIDE)
    assert beside.paper_box[0] > 150 and beside.paper_box[1] < 60


def test_a_name_gives_way_to_the_hand_at_its_side(studio: Studio) -> None:
    text = "MAREN: [[cue: lower-third role='Keeper of everything that floats and sinks']]{0}Here we are, you and I."
    quiet = film(studio, text.format("").replace("'", '"'), directed=False, liveliness="still").scenes[0]
    assert slip_of(studio, quiet, "lower-third", WIDE).paper_box[0] < 40
    holding = film(studio, text.format("[[cue: take lantern left]]").replace("'", '"'), directed=False).scenes[0]
    box = slip_of(studio, holding, "lower-third", WIDE).paper_box
    assert box[0] > 200 or box[1] < 60


@settings(max_examples=40, deadline=None)
@given(
    st.text("abc défghi日本 ", min_size=1, max_size=200),
    st.sampled_from(sorted(SHAPES)),
    st.sampled_from(["left", "right", "both", "none"]),
)
def test_of_its_places_it_takes_the_one_that_covers_least(studio: Studio, text: str, shape: str, taken_at: str) -> None:
    picture = Picture.of(shape, 640 if shape == "9:16" else 360)
    wide, high = picture.width, picture.height
    sides = {"left": [(0, 0.5)], "right": [(0.5, 1)], "both": [(0, 1)], "none": []}[taken_at]
    taken = [(a * wide, high * 0.5, b * wide, high * 0.8) for a, b in sides]
    shown = Shown(HEADING, Span(0, 3), {"number": 1, "text": text})
    slip = TitleDrawing(shown, picture, Fonts.at(studio.fonts), lambda: taken)
    least = min(covered(place, taken) for place in slip.places())
    assert covered(slip.paper_box, taken) == least
    left, top, right, bottom = picture.pixels(picture.layout.title_safe)
    for place in slip.places():
        assert left - 1 <= place[0] and place[2] <= right + 1 and top - 1 <= place[1] and place[3] <= bottom + 1
        assert place[3] < picture.layout.captions[1] * high


def test_a_title_leaves_a_body_free_where_it_can_and_a_name_lies_over_it(studio: Studio) -> None:
    text = 'MAREN: [[cue: {kind} {says}="Tides of our old harbour"]]I stand here.'
    high = {
        kind: slip_of(
            studio, film(studio, text.format(kind=kind, says=says), directed=False).scenes[0], kind, WIDE
        ).paper_box[1]
        < 60
        for kind, says in (("title", "text"), ("lower-third", "role"))
    }
    assert high == {"title": True, "lower-third": False}


def test_what_stands_on_a_desk_is_not_covered(studio: Studio) -> None:
    text = 'MAREN: [[cue: lower-third role="Keeper of all that floats or sinks"]]Here it stands. {0}Look.'
    boxes = [
        slip_of(
            studio, film(studio, text.format(take), furniture="desk", directed=False).scenes[0], "lower-third", WIDE
        ).paper_box
        for take in ("", "[[cue: take lantern left]]")
    ]
    assert boxes[0][0] < 40 and boxes[1] != boxes[0]
