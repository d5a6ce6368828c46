"""One painter: any frame, any order, the same pixels; shapes laid out anew."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.drawing.fonts import Fonts
from dearhost.errors import StageError, UnknownHost
from dearhost.production import SHAPES, CastEntry, Choices, Production, Studio, read_script
from dearhost.stage import Painter, Picture, Timeline, compile_timeline, first_frame
from dearhost.stage.backdrops import DRAWN_SETS, UNLIT, Scenery, draw_set
from dearhost.stage.painting import layer_cache
from dearhost.stage.painting.layers import LetteringLayers, SceneLayers
from dearhost.stage.painting.scene_painters import Sheet
from dearhost.stage.painting.titles import TitleDrawing
from dearhost.timebase import FrameRate
from tests.conftest import with_tones


@pytest.mark.parametrize("set_id", DRAWN_SETS)
def test_a_set_leaves_no_hole(set_id: str) -> None:
    for shape in SHAPES:
        picture = Picture.of(shape, 360)
        sheet = Sheet(picture, transparent=True)
        draw_set(sheet.canvas, Scenery(set_id), picture)
        assert sheet.pixels[..., 3].min() == 255, shape


def test_frames_do_not_depend_on_the_order_they_are_painted_in(
    timeline: Timeline, small: Picture, studio: Studio
) -> None:
    second = first_frame(timeline, timeline.scenes[1])
    frames = [0, 1, 2, 37, 38, 39, second - 1, second, second + 3, second + 30, timeline.frames - 1]
    forward, backward = (Painter(timeline, small, studio.resources) for _ in range(2))
    seen = {}
    for frame in frames:
        forward.paint(frame)
        seen[frame] = forward.pixels.copy()
    for frame in reversed(frames):
        backward.paint(frame)
        assert np.array_equal(backward.pixels, seen[frame]), frame


@pytest.mark.parametrize("daylight", ["own", "night"])
def test_compiled_loops_paint_the_same_pixels(
    timeline: Timeline, small: Picture, studio: Studio, monkeypatch: pytest.MonkeyPatch, daylight: str
) -> None:
    lit = [replace(scene, choices=replace(scene.choices, daylight=daylight)) for scene in timeline.scenes]
    timeline = replace(timeline, scenes=tuple(lit))
    second = first_frame(timeline, timeline.scenes[1])
    frames = [*range(30, 60), second + 4, second + 5, second + 40]  # a dissolve among them
    monkeypatch.setattr(layer_cache, "_machine_code", [])
    pictures = {}
    for transparent in (False, True):
        plain = Painter(timeline, small, studio.resources, transparent=transparent)
        for frame in frames:
            plain.paint(frame)
            pictures[frame, transparent] = plain.pixels.copy()
    begun = Painter(timeline, small, studio.resources)
    begun.paint(frames[0])
    layer_cache.to_machine_code()
    for frame in frames[1:]:  # compiled while somebody paints
        begun.paint(frame)
        assert np.array_equal(begun.pixels, pictures[frame, False]), frame
    for transparent in (False, True):
        compiled, changed = Painter(timeline, small, studio.resources, transparent=transparent), 0
        for frame in frames:
            changed += len(compiled.paint(frame))
            assert np.array_equal(compiled.pixels, pictures[frame, transparent]), (frame, transparent)
        assert changed > len(frames)


@settings(max_examples=60, deadline=None)
@given(st.tuples(*[st.integers(0, 255)] * 3), st.integers(0, 2**32 - 1))
def test_light_falls_as_the_canvas_has_it(colour: tuple[int, int, int], seed: int) -> None:
    """To the bit: what is drawn in light is the same in a still and in a film."""
    from dearhost.stage.painting import compositing  # noqa: PLC0415 - its compiler is slow to load

    dice = np.random.default_rng(seed)
    drawn = np.zeros((6, 64), np.uint32)
    alpha = dice.integers(0, 256, (6, 40, 1))
    drawn[:, 10:50] = (
        np.concatenate([dice.integers(0, alpha + 1, (6, 40, 3)), alpha], 2).astype(np.uint8).view("<u4")[..., 0]
    )
    lit = drawn.copy()
    rows = np.empty((6, 2), np.int64)
    compositing.find_rows(lit.view(np.uint64), rows)
    compositing.light(lit, rows, skia.Color(*colour))
    info = skia.ImageInfo.Make(64, 6, skia.kBGRA_8888_ColorType, skia.kPremul_AlphaType)
    canvas = skia.Surface.MakeRasterDirect(info, drawn.view(np.uint8).reshape(6, 64, 4)).getCanvas()
    canvas.drawPaint(skia.Paint(Color=skia.Color(*colour), BlendMode=skia.BlendMode.kModulate))
    assert np.array_equal(lit, drawn)


@pytest.mark.parametrize("compiled", [False, True])
def test_only_what_changed_is_painted_and_all_of_it(
    timeline: Timeline, small: Picture, studio: Studio, monkeypatch: pytest.MonkeyPatch, compiled: bool
) -> None:
    monkeypatch.setattr(layer_cache, "_machine_code", [])
    if compiled:
        layer_cache.to_machine_code()
    step, whole = (Painter(timeline, small, studio.resources) for _ in range(2))
    step.paint(40)
    for frame in range(41, 75):
        before = step.pixels.copy()
        areas = step.paint(frame)
        changed = (before != step.pixels).any(axis=2)
        for area in areas:
            left, top, right, bottom = area.box
            for y in range(top, bottom):
                first, last = area.rows[y]
                assert first >= last or left <= first < last <= right
                changed[y, first:last] = False
        assert not changed.any(), frame
        whole.paint(0)
        whole.paint(frame)
        assert np.array_equal(step.pixels, whole.pixels), frame


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("framing", ["wide", "medium", "close-up"])
def test_captions_and_titles_stay_in_the_safe_area_of_every_shape(studio: Studio, shape: str, framing: str) -> None:
    script = read_script(
        "# A long heading about the tide room of the museum\n\nMAREN: " + "Antidisestablishment water. " * 12
    )
    timeline = compile_timeline(with_tones(script, shape=shape, framing=framing), studio, FrameRate.of(30))
    picture = Picture.of(shape, 720)
    scene = timeline.scenes[0]
    layers = SceneLayers(scene, UNLIT, picture, timeline.frame_rate, studio.resources).lettering
    assert len(scene.captions) > 2
    # EBU R 95 (2017): graphics safe area, 90 % of width and height
    left, right = picture.width * 0.05, picture.width * 0.95
    top, bottom = picture.height * 0.05, picture.height * 0.95
    for caption in scene.captions:
        for strip in layers.caption_drawing(caption).strips:
            assert strip[0] >= left and strip[1] >= top and strip[2] <= right and strip[3] <= bottom
    title = layers.shown.drawing(scene.shown[0])
    assert isinstance(title, TitleDrawing)
    assert title.paper_box[2] <= right and title.paper_box[3] <= scene_caption_top(layers)


def scene_caption_top(layers: LetteringLayers) -> float:
    return min(s[1] for c in layers.scene.captions for s in layers.caption_drawing(c).strips)


TEXTS = ["مرحبا بكم في المتحف", "समुद्र लौटता है", "Η θάλασσα", "Море вернётся", "潮が満ちる", "Waves 🌊 and 👍🏽"]


@pytest.mark.parametrize("text", TEXTS, ids=["Arabic", "Hindi", "Greek", "Russian", "Japanese", "emoji"])
def test_text_in_many_scripts_has_its_glyphs(studio: Studio, text: str) -> None:
    fonts = Fonts.at(studio.fonts)
    assert fonts.missing(text) == []
    assert fonts.word(text, 40).width > 40


def test_missing_glyphs_and_fonts_are_named(studio: Studio, tmp_path: object) -> None:
    assert Fonts.at(studio.fonts).missing("a\u1401b") == ["\u1401"]
    with pytest.raises(StageError, match="make setup"):
        Fonts(tmp_path)  # type: ignore[arg-type]


def test_wrong_choices_say_what_there_is(studio: Studio) -> None:
    script = read_script("MAREN: Hello.")
    with pytest.raises(UnknownHost, match="maren, tobias, imani"):
        Production(script, {"MAREN": CastEntry("nobody", "fake")}).checked(studio)
    with pytest.raises(StageError, match=r"no set 'moon'. Choose one of: museum, classroom, "):
        Production(script, choices=Choices(set="moon")).checked(studio)
    with pytest.raises(StageError, match="from 360 to 2160"):
        Picture.of("16:9", 120)


def test_changing_one_scene_changes_no_other(studio: Studio) -> None:
    text = "# One\n\nMAREN: Mama may.\n\n# Two\n\nMAREN: Papa mends {}.\n"
    first, second = (
        compile_timeline(with_tones(read_script(text.format(w))), studio, FrameRate.of(30)) for w in ("maps", "a boat")
    )
    assert first.scenes[0].fingerprint == second.scenes[0].fingerprint
    assert first.scenes[1].fingerprint != second.scenes[1].fingerprint
