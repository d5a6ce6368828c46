"""Places of what is shown that are gone to: where they are seen, when, and on which pixels."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf.screens.happening import HAPPENING, Happening
from dearhost.production import CastEntry, Production, Studio, read_script
from dearhost.speech.clips import ClipWord, Transcript
from dearhost.speech.clips.transcript import TRANSCRIPT
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.backdrops import parts
from dearhost.stage.nearing import GOING, Nearing, middle_of, part_of, pushed, seen_at
from dearhost.stage.zooms import clips_in, proposed_zooms
from dearhost.timebase import FrameRate, Span
from tests.clips import write_clip

RATE = FrameRate.of(25)
SMALL = Picture.of("16:9", 360)
COLOURS = ((200, 40, 40), (40, 170, 60), (40, 60, 200), (230, 200, 40))
"""Of the quarters of the clip: above at the left and right, below at the left and right; red, green, blue."""
SAID = "One two three. Four five six. Seven eight nine."


def quarters() -> np.ndarray:
    frame = np.zeros((1080, 1920, 3), np.uint8)
    for number, colour in enumerate(COLOURS):
        row, column = divmod(number, 2)
        frame[row * 540 : row * 540 + 540, column * 960 : column * 960 + 960] = colour
    return frame


@pytest.fixture(scope="module")
def clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Eight seconds of four colours; its words are known, and so is its pointer: in the middle of the last quarter."""
    path = write_clip(
        tmp_path_factory.mktemp("clips") / "quarters.mp4", [quarters()] * 40, rate=5, size=(1920, 1080), sound=True
    )
    item = studio.shelf.take(path, path.name).id
    words = tuple(ClipWord(word, 0.5 + n * 0.75, 0.9 + n * 0.75) for n, word in enumerate(SAID.split()))
    folder = studio.shelf.path(item)
    (folder / "words.json").write_bytes(TRANSCRIPT.dump_json(Transcript("en", 8.0, words)))
    boxes = [None] * 80
    happening = Happening((*boxes[:30], (0.6, 0.1, 0.9, 0.3), *boxes[31:]), ((0.75, 0.75),) * 80)
    (folder / "happening.json").write_bytes(HAPPENING.dump_json(happening))
    return item


def staged(studio: Studio, text: str, **choices: object) -> Timeline:
    script = read_script(text)
    plain = Production(script, {name: CastEntry("maren", "fake") for name in script.speakers()})
    plain = replace(plain, choices=replace(plain.choices, captions=False, titles=False, **choices))  # type: ignore[arg-type] - by name
    return compile_timeline(plain, studio, RATE)


def colour_near(pixels: np.ndarray, across: float, down: float) -> int:
    """Which of the colours is seen at a place of the picture, in parts of it; -1 for none."""
    height, width = pixels.shape[:2]
    blue, green, red = (int(value) for value in pixels[int(down * height), int(across * width), :3])
    off = [abs(red - r) + abs(green - g) + abs(blue - b) for r, g, b in COLOURS]
    return int(np.argmin(off)) if min(off) < 60 else -1


CORNERS = ((0.05, 0.08), (0.95, 0.08), (0.05, 0.92), (0.95, 0.92))


def seen_in_corners(painter: Painter, seconds: float) -> list[int]:
    painter.paint(round(seconds * 25))
    return [colour_near(painter.pixels, *corner) for corner in CORNERS]


def test_a_clip_in_which_somebody_speaks_is_gone_to_on_words(studio: Studio, clip: str) -> None:
    text = (
        f"ADA: [[cue: clip {clip}]]One two [[cue: zoom near=2 x=0.75 y=0.25]]three. Four five [[cue: zoom near=1]]six."
    )
    timeline = staged(studio, text)
    line = timeline.scenes[0].lines[0]
    begins = {word.text: line.span.start + word.start for word in line.reading.words}
    painter = Painter(timeline, SMALL, studio.resources)
    assert seen_in_corners(painter, begins["two"]) == [0, 1, 2, 3]
    assert seen_in_corners(painter, begins["three"] + GOING + 0.1) == [1, 1, 1, 1]
    assert seen_in_corners(painter, begins["six"] + GOING + 0.1) == [0, 1, 2, 3]
    # a line that follows in the same clip goes on where the line before left it
    first = f"ADA: [[cue: clip {clip}]]One [[cue: zoom near=2 x=0.25 y=0.75]]two three."
    timeline = staged(studio, f"{first}\n\nADA: [[cue: clip {clip}]]Four five.")
    later = timeline.scenes[0].lines[1].span.start
    assert seen_in_corners(Painter(timeline, SMALL, studio.resources), later + 0.4) == [2, 2, 2, 2]


@pytest.mark.parametrize("shape", ["16:9", "1:1", "9:16"])
def test_own_pictures_are_gone_to_for_a_stretch_and_left_again(studio: Studio, clip: str, shape: str) -> None:
    text = (
        f"MAREN: [[cue: own {clip} whole comes=fades]]Mama may [[cue: zoom near=3 x=0.2 y=0.2]]bring a boat"
        "[[/cue: zoom]] and Papa mends the map for all of them.[[/cue: own]]"
    )
    timeline = staged(studio, text, shape=shape)
    own = next(item for item in timeline.scenes[0].shown if item.kind == "own")
    go, leave = own.nearings
    assert (go.near, go.x, go.y, leave.near) == (3, 0.2, 0.2, 1.0) and go.at < leave.at
    painter = Painter(timeline, Picture.of(shape, 640 if shape == "9:16" else 360), studio.resources)
    assert seen_in_corners(painter, go.at + GOING + 0.08) == [0, 0, 0, 0]
    assert set(seen_in_corners(painter, own.span.end - 0.6)) == ({0, 1, 2, 3})


def test_a_pointer_is_ringed_where_it_is_seen(studio: Studio, clip: str) -> None:
    seen = "whole {} comes=fades"
    for spoken in (
        f"[[cue: clip {clip} {{}}]]One two three.",
        f"[[cue: own {clip} {seen}]]Mama may bring a boat.[[/cue]]",
    ):
        painted = []
        for pointer in ("as-it-is", "ringed"):
            painter = Painter(staged(studio, f"ADA: {spoken.format(pointer)}"), SMALL, studio.resources)
            painter.paint(40)
            painted.append(painter.pixels.astype(int))
        changed = np.argwhere(np.abs(painted[0] - painted[1]).max(-1) > 40)
        middle = (changed.min(0) + changed.max(0)) / 2
        assert middle == pytest.approx((0.75 * 360, 0.75 * 640), abs=6)
        assert 14 < np.ptp(changed, axis=0).max() < 40
        # it is a ring: what is under the pointer stays as it is
        assert not np.any(np.abs(changed - middle).max(-1) < 4)


def test_zooms_are_proposed_on_the_word_said_before_something_happens(studio: Studio, clip: str) -> None:
    timeline = staged(studio, f"ADA: [[cue: clip {clip}]]One two three. Four five six.")
    scene = timeline.scenes[0]
    assert clips_in(scene) == [clip]
    (zoom,) = proposed_zooms(scene, studio.shelf, studio.shelf.known_happening)
    said = {word.text: word for word in scene.lines[0].reading.words}
    # it happens three seconds into the clip: "four" begins at 2.75 s of it, "three" at 2
    assert (zoom.line, zoom.word, zoom.offset) == (scene.lines[0].id, "three", said["three"].from_)
    assert zoom.near == pytest.approx(22 / 14, abs=0.05) and zoom.x > 0.6 and zoom.y < 0.4
    # at twice the speed it happens in half the time, and not at all where the clip begins later
    own = "ADA: [[cue: own {} whole {}]]Mama may bring a boat to the bay, and Papa mends the map.[[/cue]]"
    quick, usual, late = (staged(studio, own.format(clip, how)).scenes[0] for how in ("speed=2", "", "begins=3.2"))
    [soon], [later] = (proposed_zooms(one, studio.shelf, studio.shelf.known_happening) for one in (quick, usual))
    began = usual.shown[0].span.start
    assert began + 1.5 - 0.7 < soon.at <= began + 1.5 < later.at <= began + 3.0
    assert proposed_zooms(late, studio.shelf, studio.shelf.known_happening) == []
    # where it is cut out nothing is proposed
    cut = staged(studio, f"ADA: [[cue: clip {clip}]]One two. Seven eight nine.").scenes[0]
    assert proposed_zooms(cut, studio.shelf, studio.shelf.known_happening) == []
    assert proposed_zooms(scene, studio.shelf, {}.get) == []


places = st.floats(0, 1)
nearings = st.lists(st.builds(Nearing, st.floats(0, 10), places, places, st.floats(1, 4)), max_size=6).map(
    lambda found: sorted(found, key=lambda one: one.at)
)


@given(nearings, st.floats(0, 12), st.sampled_from([(1920, 1080), (800, 1400), (500, 500)]))
def test_what_is_seen_stays_in_the_picture_and_moves_without_a_jump(
    asked: list[Nearing], moment: float, size: tuple[int, int]
) -> None:
    base = (0.0, 0.0, float(size[0]), float(size[1]))
    rest = middle_of(base, size)
    here, there = (part_of(base, size, seen_at(asked, at, rest)) for at in (moment, moment + 0.001))
    assert here[0] >= -1e-6 and here[1] >= -1e-6 and here[2] <= size[0] + 1e-6 and here[3] <= size[1] + 1e-6
    assert (here[2] - here[0]) / (here[3] - here[1]) == pytest.approx(size[0] / size[1])
    # the steepest part of the way is half as steep again as the mean
    assert max(abs(a - b) for a, b in zip(here, there, strict=True)) <= max(size) * 1.5 * 0.001 / GOING * 4


def test_slow_moves_come_nearer_or_go_away_through_their_span() -> None:
    span = Span(2.0, 6.0)
    assert [round(pushed("nearer", span, at), 3) for at in (0, 2, 4, 6, 9)] == [1.0, 1.0, 1.058, 1.12, 1.12]
    assert [round(pushed("away", span, at), 3) for at in (2, 6)] == [1.12, 1.0]
    assert pushed("still", span, 4.0) == 1.0


def test_a_part_is_scaled_as_the_canvas_does_it_and_alike_in_machine_code() -> None:
    """Checked against Skia's own bilinear scaling, which counts in sixteenths of a pixel."""
    dice = np.random.default_rng(1)
    source = dice.integers(0, 255, (60, 80, 4), np.uint8).astype(np.uint8)
    source[..., 3] = 255
    words = source.view(np.uint32)[..., 0]
    box = (10.25, 7.5, 40.5, 30.75)
    target = np.empty((90, 120), np.uint32)
    parts.scale_part(words, target, *box)
    image = skia.Image.fromarray(source, colorType=skia.kBGRA_8888_ColorType)
    surface = skia.Surface(120, 90)
    surface.getCanvas().drawImageRect(
        image, skia.Rect.MakeXYWH(*box), skia.Rect.MakeWH(120, 90), skia.SamplingOptions(skia.FilterMode.kLinear),
        constraint=skia.Canvas.kFast_SrcRectConstraint,
    )  # fmt: skip
    canvas = surface.toarray(colorType=skia.kBGRA_8888_ColorType).astype(int)
    off = np.abs(target.view(np.uint8).reshape(90, 120, 4).astype(int) - canvas)
    assert off.max() <= 20 and off.mean() < 3
    from dearhost.stage.backdrops import part_loops  # noqa: PLC0415 - compiled only here

    compiled = np.empty_like(target)
    part_loops.scale_part(words, compiled, *box)
    assert np.array_equal(compiled, target)


def test_the_clip_of_the_test_is_looked_at_where_nothing_is_known(studio: Studio, tmp_path: Path) -> None:
    moving = [np.full((96, 160, 3), 30, np.uint8) for _ in range(30)]
    for number, frame in enumerate(moving):
        frame[40:52, 10 + 4 * number : 22 + 4 * number] = 220
    item = studio.shelf.take(write_clip(tmp_path / "pointer.mp4", moving, rate=10), "pointer.mp4").id
    assert studio.shelf.known_happening(item) is None
    heard: list[float] = []
    found = studio.shelf.happening(item, heard.append)
    assert found is not None and found == studio.shelf.known_happening(item) and heard[0] == 0.0
    known = [point for point in found.pointers if point]
    assert len(known) > 20 and known[-1][0] > 0.7
    assert studio.shelf.happening("i000000000000000") is None
