"""What is put by hand: where it was put, within the picture, beside whatever else is shown."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.drawing.fonts import Fonts
from dearhost.production import CUE_KINDS, SHAPES, Studio, read_script
from dearhost.production.shown_cues import BY_HAND, SHOWN_CUES
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.layout.shapes import RATIOS, hand_box
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.painting.shown import SHOWN, Supplies
from dearhost.stage.timeline import Shown
from dearhost.timebase import FrameRate, Span
from tests.conftest import with_tones

RATE = FrameRate.of(25)
PLACES = st.floats(0, 1)
SIZES = st.floats(0.15, 1)
KINDS = [kind.name for kind in SHOWN_CUES if BY_HAND in getattr(kind.parameter("place"), "choices", ())]


def film(studio: Studio, text: str, **chosen: object) -> Timeline:
    script = read_script(f"MAREN: {text}")
    return compile_timeline(with_tones(script, **{"titles": False, "set": "plain", **chosen}), studio, RATE)


def changed(studio: Studio, timeline: Timeline, picture: Picture, moment: float) -> np.ndarray:
    """Rows and columns of the pixels in which what is shown is seen, in parts of the picture."""
    scene = timeline.scenes[0]
    painter = Painter(timeline, picture, studio.resources)
    bare = Painter(replace(timeline, scenes=(replace(scene, shown=()),)), picture, studio.resources)
    for each in (painter, bare):
        each.paint(RATE.frames_in(moment))
    return np.argwhere((painter.pixels != bare.pixels).any(-1)) / (picture.height, picture.width)


def test_pictures_lists_numbers_words_and_things_of_ones_own_can_be_put_by_hand() -> None:
    assert {"picture", "own", "list", "number", "quotation", "words"} <= set(KINDS)
    for name in KINDS:
        kind = CUE_KINDS.get(name)
        assert kind
        for setting in ("x", "y", "size"):
            parameter = kind.parameter(setting)
            assert parameter and parameter.only_for == ("place", BY_HAND)
            assert not parameter.counts_in({"place": "beside"}) and parameter.counts_in({"place": BY_HAND})


@given(st.sampled_from(list(SHAPES)), PLACES, PLACES, SIZES)
def test_any_place_is_within_the_picture_and_as_near_as_can_be_to_where_it_was_put(
    shape: str, x: float, y: float, size: float
) -> None:
    left, top, right, bottom = hand_box(shape, x, y, size)
    assert -1e-9 <= left < right <= 1 + 1e-9 and -1e-9 <= top < bottom <= 1 + 1e-9
    assert right - left == pytest.approx(size)
    across, down = RATIOS[shape]
    assert (bottom - top) * down / across <= size * 0.8 + 1e-9
    for middle, put, half in (((left + right) / 2, x, size / 2), ((top + bottom) / 2, y, (bottom - top) / 2)):
        assert middle == pytest.approx(min(max(put, half), 1 - half), abs=1e-6)


@settings(max_examples=40, deadline=None)
@given(kind=st.sampled_from([kind for kind in KINDS if kind != "own"]), shape=st.sampled_from(list(SHAPES)),
       x=PLACES, y=PLACES, size=SIZES, text=st.text(min_size=1, max_size=120))  # fmt: skip
def test_whatever_it_says_is_drawn_where_it_was_put(
    studio: Studio, kind: str, shape: str, x: float, y: float, size: float, text: str
) -> None:
    picture = Picture.of(shape, 360)
    said = {"text": text, "number": text[:12], "unit": text[:20], "who": text[:30], "title": text[:30], "code": "no"}
    put = {"place": BY_HAND, "x": x, "y": y, "size": size}
    parameters = {"shows": "boat", "how": "solo", "comes": "pops", **said, **put}
    drawing = SHOWN[kind].drawing(
        Shown(kind, Span(0, 10), parameters, "", (), region=BY_HAND), picture,
        Supplies(Fonts.at(studio.resources.fonts), studio.shelf),
    )  # fmt: skip
    sheet = Sheet(picture, transparent=True)
    drawing.draw(sheet.canvas, 5.0)
    rows, columns = np.nonzero(sheet.pixels[..., 3])
    left, top, right, bottom = picture.pixels(hand_box(shape, x, y, size))
    edge = 0.04 * picture.height  # of paper and shadow
    assert len(rows) and columns.min() >= left - edge and columns.max() <= right + edge
    assert rows.min() >= top - edge and rows.max() <= bottom + edge


@pytest.mark.parametrize("shape", SHAPES)
def test_it_is_seen_there_while_its_words_are_said_and_the_host_stays(studio: Studio, shape: str) -> None:
    put = "[[cue: picture boat by-hand x=.2 y=.3 size=.3]]The boats go out at dawn.[[/cue]] And that is all of it."
    timeline = film(studio, put, shape=shape)
    scene = timeline.scenes[0]
    [shown] = scene.shown
    picture = Picture.of(shape, 360)
    seen = changed(studio, timeline, picture, (shown.span.start + shown.span.end) / 2)
    left, top, right, bottom = hand_box(shape, 0.2, 0.3, 0.3)
    assert (seen.min(0) > (top - 0.06, left - 0.06)).all() and (seen.max(0) < (bottom + 0.06, right + 0.06)).all()
    assert not len(changed(studio, timeline, picture, shown.span.end + 0.1))
    assert len({shot.hosts[0].x for shot in scene.shots}) == 1


def test_it_is_seen_beside_what_has_its_usual_place(studio: Studio) -> None:
    listed, put = '[[cue: list rows="One | Two"]]', "[[cue: picture boat by-hand x=.12 y=.2 size=.2]]"
    text = f"{listed}{put}Mama may bring a boat.[[/cue]][[/cue]]"
    timeline = film(studio, text)
    first, second = timeline.scenes[0].shown
    assert {first.region, second.region} == {"right", BY_HAND}
    assert first.span.end == pytest.approx(second.span.end, abs=0.05), "neither gives way to the other"
    seen = changed(studio, timeline, Picture.of("16:9", 360), second.span.end - 0.6)
    assert ((seen[:, 1] < 0.25) & (seen[:, 0] < 0.4)).sum() > 100 and (seen[:, 1] > 0.6).sum() > 1000


@pytest.mark.parametrize(
    ("place", "shape", "both"),
    [
        ("x=.74 y=.36 size=.3", "16:9", False),
        ("x=.25 y=.36 size=.3", "16:9", True),
        ("x=.6 y=.5 size=.3", "16:9", False),  # their corners lie over each other
        ("x=.6 y=.5 size=.3", "9:16", True),  # an upright picture is lower than it is broad
    ],
)  # fmt: skip
def test_what_is_put_by_hand_gives_way_where_it_would_be_covered(
    studio: Studio, place: str, shape: str, both: bool
) -> None:
    text = (
        "[[cue: picture boat by-hand x=.74 y=.3 size=.3 seconds=9]]Mama may bring a boat, and "
        f"[[cue: picture bell by-hand {place} seconds=9]]Papa mends the map of the bay."
    )
    timeline = film(studio, text, shape=shape)
    first, second = timeline.scenes[0].shown
    assert (first.span.end > second.span.start) == both
    if both:
        seen = changed(studio, timeline, Picture.of(shape, 360), second.span.start + 0.8)
        for item in (first, second):
            left, top, right, bottom = item.box_in(shape)
            inside = (seen > (top, left)).all(1) & (seen < (bottom, right)).all(1)
            assert inside.sum() > 500
