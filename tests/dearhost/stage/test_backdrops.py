"""Backdrops: a set never changes, what changes is painted anew where it does, with hosts over it."""

from __future__ import annotations

import itertools
from pathlib import Path

import numpy as np
import pytest
import skia

from dearhost.assets.shelf import Shelf
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.paper import Paper
from dearhost.production import Resources, Studio
from dearhost.stage import Picture, Timeline
from dearhost.stage.backdrops import (
    DAYLIGHTS,
    DRAWN_SETS,
    PALETTES,
    UNLIT,
    WEATHERS,
    Backdrop,
    Nothing,
    Scenery,
    backdrop_for,
    draw_set,
    host_light,
)
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.scene_painters import ScenePainter
from dearhost.stage.painting.sheet import Sheet, Words
from dearhost.timebase import FrameRate

OPAQUE = 0xFF000000
NO_SHELF = Shelf(Path("none"))


def behind(scenery: Scenery, picture: Picture) -> Backdrop:
    """What is behind the hosts, without anything on the shelf."""
    return backdrop_for(scenery, picture, FrameRate.of(30), NO_SHELF)


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
    layers = SceneLayers(timeline.scenes[0], UNLIT, picture, timeline.frame_rate, resources)
    return ScenePainter(layers.layers, backdrop, picture)  # type: ignore[arg-type]  # a backdrop for tests


def test_a_set_is_the_same_pixels_at_every_frame(small: Picture) -> None:
    backdrop = behind(Scenery("pier"), small)
    first, moved = backdrop.frame(0)
    again, still = backdrop.frame(500)
    assert first is again and moved is None and still is None and (first >> 24 == 255).all()
    assert behind(Scenery("pier"), small) is backdrop and behind(Scenery("museum"), small) is not backdrop


def test_nothing_is_transparent(small: Picture) -> None:
    words, _ = behind(Scenery(""), small).frame(3)
    assert isinstance(behind(Scenery(""), small), Nothing) and not words.any()
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


def pixels(picture: Picture, **chosen: str) -> np.ndarray:
    """A set as it is drawn, shape (height, width, 4), BGRA."""
    sheet = Sheet(picture)
    draw_set(sheet.canvas, Scenery(**{"set_id": "pier", **chosen}), picture)
    return sheet.pixels.copy()


def mean(picture: Picture, **chosen: str) -> np.ndarray:
    """Mean blue, green and red of a set."""
    return pixels(picture, **chosen)[..., :3].mean((0, 1))


@pytest.mark.parametrize("set_id", [name for name in DRAWN_SETS if name != "green"])
def test_palettes_and_times_of_day_change_what_is_seen(set_id: str, small: Picture) -> None:
    for choice, values in (("palette", PALETTES), ("daylight", DAYLIGHTS)):
        drawn = [pixels(small, set_id=set_id, **{choice: value}) for value in values]
        assert all((a != b).any() for a, b in itertools.pairwise(drawn)), choice


@pytest.mark.parametrize("set_id", ["pier", "street", "garden", "quay", "beach", "hillside"])
def test_weather_is_seen_outdoors(set_id: str, small: Picture) -> None:
    drawn = {weather: pixels(small, set_id=set_id, weather=weather) for weather in WEATHERS}
    for weather in ("cloudy", "rain", "snow", "fog"):
        assert (drawn[weather] != drawn["clear"]).any(-1).mean() > 0.02, weather


def test_night_is_darker_and_bluer_and_morning_is_warmer_than_noon(small: Picture) -> None:
    noon, night, morning = (mean(small, daylight=time) for time in ("noon", "night", "morning"))
    assert night.sum() < 0.65 * noon.sum()
    assert night[0] / night[2] > noon[0] / noon[2]
    assert morning[2] / morning[0] > noon[2] / noon[0]


def test_green_is_one_colour_to_the_last_pixel(small: Picture) -> None:
    green = pixels(small, set_id="green", daylight="night", weather="snow", palette="plum")
    assert (green == green[0, 0]).all() and green[0, 0].tolist() == [0x40, 0xB1, 0x00, 255]


def test_a_host_is_in_the_light_of_the_set(timeline: Timeline, small: Picture, studio: Studio) -> None:
    host = timeline.scenes[0].shots[0].hosts[0]
    x, y = round(host.x * small.width), round((host.y + host.head * 1.6) * small.height)
    seen = {}
    for time in ("noon", "night"):
        layers = SceneLayers(timeline.scenes[0], host_light(time), small, timeline.frame_rate, studio.resources)
        sheet = Sheet(small)
        ScenePainter(layers.layers, Nothing(small), small).paint(9, sheet)
        seen[time] = sheet.pixels[y - 4 : y + 4, x - 4 : x + 4, :3].mean()
    # .42 of a gain of .60 to .86: hosts stay brighter than what is behind them
    assert 0.80 < seen["night"] / seen["noon"] < 0.96


@pytest.mark.parametrize("daylight", DAYLIGHTS)
def test_the_sun_stands_on_the_side_that_paper_is_lit_from(daylight: str) -> None:
    recorder = skia.Surface(100, 100)
    paper = Paper(recorder.getCanvas(), 1.0)
    paper.piece(cut_rect(20, 20, 60, 60, 0), "#808080", "#202020", crescent=(20, 20), ink=0, rim=False)
    across = recorder.toarray()[50, :, 0].astype(int)
    assert across[25] > across[75] + 50  # the shade lies at the right
    assert DAYLIGHTS[daylight].sun[0] < 0.45
