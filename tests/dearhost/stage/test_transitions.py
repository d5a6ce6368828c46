"""Transitions: each begins with the old scene, ends with the new one, and is another picture between."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
import skia

from dearhost.production import Studio
from dearhost.stage import Painter, Picture, Timeline, first_frame, transition_seconds
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.painting.transitions import KINDS, Frame

DRAWN = [name for name, kind in KINDS.items() if kind.draw]


def between(kind: str, picture: Picture, part: float) -> np.ndarray:
    """The blue channel of a transition from a grey of 60 to one of 200."""
    images = []
    for grey in (60, 200):
        surface = skia.Surface(picture.width, picture.height)
        surface.getCanvas().clear(skia.Color(grey, grey, grey))
        images.append(surface.makeImageSnapshot())
    sheet = Sheet(picture)
    middle = complex(picture.width / 2, picture.height / 3)
    draw = KINDS[kind].draw
    assert draw
    draw(Frame(sheet.canvas, images[0], images[1], part, picture, (middle, middle)))
    return sheet.pixels[..., 0].astype(int)


@pytest.mark.parametrize("kind", DRAWN)
@pytest.mark.parametrize("shape", ["16:9", "1:1", "9:16"])
def test_it_begins_with_the_old_and_ends_with_the_new(kind: str, shape: str) -> None:
    picture = Picture.of(shape, 360)
    assert np.mean(between(kind, picture, 0.0) == 60) > 0.97
    assert np.mean(between(kind, picture, 0.9999) == 200) > 0.97


@pytest.mark.parametrize("kind", [kind for kind in DRAWN if kind != "iris"])
def test_more_of_the_new_is_seen_from_step_to_step(kind: str) -> None:
    picture = Picture.of("16:9", 360)
    seen = [np.mean(between(kind, picture, part) == 200) for part in (0.1, 0.3, 0.5, 0.7, 0.9)]
    assert seen == sorted(seen) and seen[-1] > 0.85


def test_an_iris_closes_before_it_opens() -> None:
    picture = Picture.of("16:9", 360)
    shut = between("iris", picture, 0.5)
    assert not (shut == 60).any() and not (shut == 200).any()
    assert (between("iris", picture, 0.3) == 60).any() and (between("iris", picture, 0.7) == 200).any()


@pytest.mark.parametrize("kind", ["page-turn", "ink-wipe", "slide-left"])
def test_a_film_shows_it_whatever_frame_was_painted_before(
    kind: str, timeline: Timeline, small: Picture, studio: Studio
) -> None:
    first, second = timeline.scenes[:2]
    choices = replace(second.choices, transition=kind)
    other = replace(timeline, scenes=(first, replace(second, choices=choices), *timeline.scenes[2:]))
    start = first_frame(other, other.scenes[1])
    going, fresh = Painter(other, small, studio.resources), Painter(other, small, studio.resources)
    for frame in (start - 1, start, start + 4, start + 8):
        going.paint(frame)
    fresh.paint(start + 8)
    assert np.array_equal(going.pixels, fresh.pixels)
    cut = Painter(replace(timeline, scenes=(first, replace(second, choices=replace(choices, transition="cut")))), small,
                  studio.resources)  # fmt: skip
    cut.paint(start + 8)
    assert (cut.pixels != fresh.pixels).any()
    after = start + int(transition_seconds(kind) * float(timeline.frame_rate.value)) + 1
    fresh.paint(after)
    cut.paint(after)
    assert np.array_equal(cut.pixels, fresh.pixels), "once it is over nothing is left of it"
