"""A logo is seen in its corner, inside what is safe, and gives way to what is shown there."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
import skia

from dearhost.production import Studio, read_script
from dearhost.production.colours import USUAL, own_colours
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.stage.painting.logos import LogoDrawing
from dearhost.stage.timeline import LOGO, SceneTimeline, Shown
from dearhost.timebase import FrameRate, Span
from tests.conftest import with_tones

RATE = FrameRate.of(25)
SCRIPT = "MAREN: Mama may bring a boat. [[cue: list rows='One|Two']]One and two[[/cue]] and Papa mends the map."


_taken: dict[tuple[object, ...], str] = {}


def logo(studio: Studio, folder: Path, colour: tuple[int, int, int], size: tuple[int, int] = (200, 100)) -> str:
    if (known := _taken.get((colour, size))) and studio.shelf.item(known):
        return known
    surface = skia.Surface(*size)
    surface.getCanvas().clear(0)
    surface.getCanvas().drawRect(skia.Rect.MakeWH(*size), skia.Paint(Color=skia.Color(*colour)))
    path = folder / f"logo-{colour[0]}-{size[0]}.png"
    surface.makeImageSnapshot().save(str(path), skia.kPNG)
    _taken[colour, size] = studio.shelf.take(path, path.name).id
    return _taken[colour, size]


def scene(studio: Studio, item: str, text: str = SCRIPT, **choices: object) -> SceneTimeline:
    return compile_timeline(with_tones(read_script(text), logo=item, **choices), studio, RATE).scenes[0]


def logos(shown: SceneTimeline) -> list[Shown]:
    return [item for item in shown.shown if item.kind == LOGO]


def test_it_gives_way_to_what_is_shown_in_its_corner_and_comes_back(studio: Studio, tmp_path: Path) -> None:
    item = logo(studio, tmp_path, (20, 60, 110))
    found = scene(studio, item)
    beside = next(one for one in found.shown if one.kind == "list")
    assert beside.region == "right"
    before, after = (one.span for one in logos(found))
    assert (before.start, before.end) == (0.0, beside.span.start)
    assert (after.start, after.end) == (beside.span.end, found.duration)
    # at the other side it stays, unless the picture is too narrow for two sides
    assert len(logos(scene(studio, item, logo_place="top-left"))) == 1
    assert len(logos(scene(studio, item, logo_place="top-left", shape="9:16"))) == 2
    # a host in the round corner keeps it
    (aside,) = logos(scene(studio, item, "MAREN: Mama may bring a boat.", framing="bubble"))
    assert aside.text("place") == "top-left"
    assert logos(scene(studio, "none")) == []


@pytest.mark.parametrize("shape", ["16:9", "1:1", "9:16"])
@pytest.mark.parametrize("place", ["top-right", "top-left", "foot-right", "foot-left"])
@pytest.mark.parametrize("size", [(200, 100), (900, 60), (60, 300)])
def test_it_lies_in_what_is_safe_and_clear_of_captions(
    studio: Studio, tmp_path: Path, shape: str, place: str, size: tuple[int, int]
) -> None:
    picture = Picture.of(shape, 960 if shape == "9:16" else 540)
    item = logo(studio, tmp_path, (20, 60, 110), size)
    parameters = {"items": item, "place": place, "size": 0.2, "ground": "none"}
    drawing = LogoDrawing(Shown(LOGO, Span(0, 1), parameters), picture, studio.shelf)
    left, top, right, bottom = drawing._place
    safe = picture.pixels(picture.layout.title_safe)
    assert safe[0] - 1 <= left < right <= safe[2] + 1 and safe[1] - 1 <= top < bottom <= safe[3] + 1
    assert (right - left) / (bottom - top) == pytest.approx(size[0] / size[1], rel=0.02)
    if place.startswith("foot"):
        box = picture.pixels(picture.layout.captions)
        assert right <= box[0] + 1 or left >= box[2] - 1 or bottom <= box[1] + 1


def test_it_is_seen_in_the_film_on_a_paper_that_shows_it(studio: Studio, tmp_path: Path) -> None:
    item = logo(studio, tmp_path, (20, 64, 110))
    script = read_script("MAREN: Mama may bring a boat.")
    for paper, ground in (("", USUAL.paper), ("#14406e", USUAL.paper), ("#ffe9a0", "#ffe9a0")):
        plain = with_tones(script, logo=item, paper=paper, logo_size=0.2, captions=False, titles=False)
        timeline = compile_timeline(plain, studio, RATE)
        painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
        painter.paint(30)
        pixels = painter.pixels[..., 2::-1].astype(int)
        own = np.argwhere(np.abs(pixels - (20, 64, 110)).max(-1) < 12)
        assert len(own) > 0.5 * (0.2 * 360) ** 2 * 2
        (top, _), (bottom, right) = own.min(0), own.max(0)
        beside = pixels[(top + bottom) // 2, right + 6]
        wanted = [int(ground[at : at + 2], 16) for at in (1, 3, 5)]
        assert np.abs(beside - wanted).max() < 14, (paper, beside)


def test_titles_and_captions_are_in_the_colours_of_the_production(studio: Studio) -> None:
    text = 'MAREN: [[cue: title text="Low water" seconds=6]]Mama may bring a boat.'
    timeline = compile_timeline(with_tones(read_script(text), paper="#14406e", accent="#e6781e"), studio, RATE)
    title = next(item for item in timeline.scenes[0].shown if item.kind == "title")
    assert title.colours == own_colours("#14406e", "#e6781e")
    painter = Painter(timeline, Picture.of("16:9", 540), studio.resources)
    painter.paint(round((title.span.start + 1.2) * 25))
    pixels = painter.pixels[..., 2::-1].astype(int)
    slip = np.abs(pixels - (0x14, 0x40, 0x6E)).max(-1) < 14
    low = slip[int(0.5 * 540) : int(0.75 * 540)]
    captions = slip[int(0.79 * 540) :]
    assert low.sum() > 3000 and captions.sum() > 3000
    assert (np.abs(pixels[int(0.79 * 540) :] - (0xE6, 0x78, 0x1E)).max(-1) < 14).sum() > 150
