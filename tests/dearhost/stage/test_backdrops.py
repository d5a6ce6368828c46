"""Backdrops: a set never changes, what changes is painted anew where it does, with hosts over it."""

from __future__ import annotations

import numpy as np
import pytest

from dearhost.production import Resources, Studio
from dearhost.stage import Picture, Timeline
from dearhost.stage.backdrops import Nothing, backdrop_for
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.scene_painters import ScenePainter
from dearhost.stage.painting.sheet import Sheet, Words

OPAQUE = 0xFF000000


class Curtain:
    """A backdrop for tests: a bar that goes one row down a frame, over a grey ground."""

    def __init__(self, picture: Picture) -> None:
        self._words = np.full((picture.height, picture.width), OPAQUE | 0x808080, np.uint32)
        self._last = -1

    def frame(self, number: int) -> tuple[Words, Area | None]:
        """The bar at row ``number``."""
        before, self._last = self._last, number
        if before == number:
            return self._words, None
        self._words[:] = OPAQUE | 0x808080
        self._words[number % len(self._words)] = OPAQUE | 0x2040F0
        top, bottom = sorted((max(0, before) % len(self._words), number % len(self._words)))
        box = (0, top // 2 * 2, self._words.shape[1], bottom // 2 * 2 + 2)
        return self._words, Area(box, len(self._words)).fill(box)


def painter(timeline: Timeline, backdrop: object, picture: Picture, resources: Resources) -> ScenePainter:
    layers = SceneLayers(timeline.scenes[0], picture, timeline.frame_rate, resources)
    return ScenePainter(layers.layers, backdrop, picture)  # type: ignore[arg-type]  # a backdrop for tests


def test_a_set_is_the_same_pixels_at_every_frame(small: Picture) -> None:
    backdrop = backdrop_for("pier", small)
    first, moved = backdrop.frame(0)
    again, still = backdrop.frame(500)
    assert first is again and moved is None and still is None and (first >> 24 == 255).all()
    assert backdrop_for("pier", small) is backdrop and backdrop_for("museum", small) is not backdrop


def test_nothing_is_transparent(small: Picture) -> None:
    words, _ = backdrop_for("", small).frame(3)
    assert isinstance(backdrop_for("", small), Nothing) and not words.any()
    assert words.shape == (small.height, small.width)


@pytest.mark.parametrize("frames", [[10, 11, 12, 13], [40, 12, 13, 200], [5, 5, 6]])
def test_what_moves_behind_hosts_is_painted_as_a_fresh_painter_would(
    timeline: Timeline, small: Picture, studio: Studio, frames: list[int]
) -> None:
    """Whatever was painted before, also at rest, a frame is the same to the last bit."""
    going = painter(timeline, Curtain(small), small, studio.resources)
    sheet = Sheet(small)
    for frame in frames:
        going.paint(frame, sheet)
        alone, fresh = painter(timeline, Curtain(small), small, studio.resources), Sheet(small)
        alone.paint(frame, fresh)
        assert np.array_equal(sheet.words, fresh.words), frame


def test_the_changed_area_holds_all_that_changed(timeline: Timeline, small: Picture, studio: Studio) -> None:
    going, sheet = painter(timeline, Curtain(small), small, studio.resources), Sheet(small)
    going.paint(20, sheet)
    for frame in (21, 22, 23):
        before = sheet.words.copy()
        areas = going.paint(frame, sheet)
        changed = before != sheet.words
        for area in areas:
            left, top, right, bottom = area.box
            changed[top:bottom, left:right] = False
        assert not changed.any(), frame


def test_a_host_stands_before_what_moves(timeline: Timeline, small: Picture, studio: Studio) -> None:
    host = timeline.scenes[0].shots[0].hosts[0]
    x, y = round(host.x * small.width), round(host.y * small.height)
    sheet = Sheet(small)
    painter(timeline, Curtain(small), small, studio.resources).paint(y, sheet)
    assert sheet.words[y, 3] == OPAQUE | 0x2040F0, "the bar is there beside the host"
    assert sheet.words[y, x] != OPAQUE | 0x2040F0, "and behind the face"
