"""Own pictures and clips on the tablet that a host holds."""

from __future__ import annotations

from itertools import pairwise
from pathlib import Path

import numpy as np
import pytest
import skia

from dearhost.drawing.paper import Paper
from dearhost.hosts import PROPS, TABLET, Contents, Performance
from dearhost.production import CUE_KINDS, CastEntry, Production, Studio, read_script, with_named_files
from dearhost.production.uses import SHELF, Use, uses_of
from dearhost.script import Cue
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.painting.held_screens import HeldScreens
from dearhost.timebase import FrameRate
from tests.clips import write_clip

RATE = FrameRate.of(30)
GONE = "i" + "f" * 15


@pytest.fixture(scope="module")
def halves(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Red at the left, blue at the right, 200 by 100."""
    pixels = np.zeros((100, 200, 4), np.uint8)
    pixels[..., 3], pixels[:, :100, 0], pixels[:, 100:, 2] = 255, 220, 220
    path = tmp_path_factory.mktemp("files") / "halves.png"
    path.write_bytes(bytes(skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType).encodeToData()))
    return studio.shelf.take(path, path.name).id


@pytest.fixture(scope="module")
def clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Two seconds, 25 frames a second: red, then green."""
    frames = [np.full((96, 160, 3), (225, 0, 0) if number < 25 else (0, 200, 0), np.uint8) for number in range(50)]
    path = write_clip(tmp_path_factory.mktemp("files") / "red-and-green.mp4", frames, rate=25)
    return studio.shelf.take(path, path.name).id


def held_by(studio: Studio, host: str, note: str) -> Timeline:
    script = read_script(f"WALTER: [[cue: take tablet{note}]]Here it comes, and you can see it for a while as I speak.")
    return compile_timeline(Production(script, {"WALTER": CastEntry(host, "fake")}), studio, RATE)


def painted(studio: Studio, timeline: Timeline, picture: Picture, moment: float) -> np.ndarray:
    painter = Painter(timeline, picture, studio.resources)
    painter.paint(round(moment * 30))
    return painter.pixels.astype(int)


def reds(pixels: np.ndarray) -> int:
    """How many pixels are as red as the picture's left half."""
    blue, green, red = pixels[..., 0], pixels[..., 1], pixels[..., 2]
    return int(((red > 190) & (green < 30) & (blue < 30)).sum())


def test_a_clip_goes_round_from_when_it_is_taken(studio: Studio, clip: str, halves: str) -> None:
    screens = HeldScreens(studio.shelf, 720)
    assert [screens.frame(clip, since) for since in (0.0, 0.99, 1.0)] == [0, 24, 25]
    assert [screens.frame(clip, since) for since in (1.99, 2.01, 4.5)] == [49, 0, 12]
    assert {screens.frame(item, 1.5) for item in (halves, GONE)} == {0}


def test_what_is_on_a_screen_is_seen_whole_in_its_middle(studio: Studio, halves: str) -> None:
    surface = skia.Surface(84, 60)
    paper, screens = Paper(surface.getCanvas(), 1.0), HeldScreens(studio.shelf, 720)
    screens.draw(paper, halves, 0, (0.0, 0.0, 84.0, 60.0))
    pixels = surface.toarray()[..., :3].astype(int)  # BGR
    assert pixels[30, 4].tolist() == [0, 0, 220] and pixels[30, 80].tolist() == [220, 0, 0]
    assert pixels[4].max() < 60 and pixels[56].max() < 60, "dark above and below, where it is of another shape"
    screens.draw(paper, GONE, 0, (0.0, 0.0, 84.0, 60.0))
    assert surface.toarray()[30, :, :3].max() < 60, "what is gone leaves the screen dark"


@pytest.mark.parametrize("host", ["maren", "skerry"])
def test_a_picture_is_on_the_tablet_in_the_hands(studio: Studio, halves: str, small: Picture, host: str) -> None:
    """Of a person and of a gull."""
    with_it, without = held_by(studio, host, f" screen={halves}"), held_by(studio, host, "")
    assert reds(painted(studio, with_it, small, 2.0)) > reds(painted(studio, without, small, 2.0)) + 40


def test_a_clip_plays_on_it(studio: Studio, clip: str, small: Picture) -> None:
    timeline = held_by(studio, "maren", f" screen={clip}")
    screens = HeldScreens(studio.shelf, small.height)
    contents = Contents(lambda *_: None, studio.pictures.open, screens.frame, screens.draw)
    performance = Performance(timeline.scenes[0].roles["maren"], RATE, contents)
    moments = [1.5 + 0.1 * step for step in range(12)]
    frames = [held.frame for moment in moments if (held := performance.pose(moment).left.held)]
    assert len(frames) == 12
    assert all((b - a) % 50 in (2, 3) for a, b in pairwise(frames)), "25 frames a second, round and round"
    red, green = (moments[[n < 25 for n in frames].index(first)] for first in (True, False))
    assert (
        reds(painted(studio, timeline, small, red + 0.05))
        > 200
        > 20
        > reds(painted(studio, timeline, small, green + 0.05))
    )


def test_no_other_prop_plays_anything(studio: Studio) -> None:
    assert [name for name, prop in PROPS.items() if prop.screen] == [TABLET]
    assert [name for name, prop in PROPS.items() if prop.content == "screen"] == [TABLET]


def test_what_is_on_it_belongs_to_the_production(studio: Studio, halves: str, tmp_path: Path) -> None:
    script = read_script("MAREN: [[cue: take tablet halves.png]]Look.")
    named, notes = with_named_files(Production(script), studio, tmp_path)
    assert not notes and Use(SHELF, halves) in uses_of(named)


def test_it_shows_one_thing_at_a_time(halves: str, clip: str) -> None:
    both = Cue("a", "take", 0, {"prop": TABLET, "screen": f"{halves} {clip}"})
    assert CUE_KINDS.problem(both) == "'screen' must name one thing, not several"
    assert not CUE_KINDS.problem(Cue("a", "own", 0, {"items": f"{halves} {clip}"}))
