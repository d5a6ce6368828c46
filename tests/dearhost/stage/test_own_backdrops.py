"""Own pictures and clips behind hosts and on words: placed, toned, in time, and the same pixels every way."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st
from hypothesis.extra.numpy import arrays
from scipy import ndimage

from dearhost.assets.shelf import Light
from dearhost.production import Choices, Production, Studio, read_script, with_choices, with_named_files
from dearhost.production.uses import SHELF, Use, uses_of
from dearhost.render.soundtrack import FOOTAGE, STINGS, film_tracks
from dearhost.sound import mix
from dearhost.stage import Painter, Picture, SceneTimeline, Timeline, compile_timeline
from dearhost.stage.backdrops import UNLIT, Scenery, backdrop_for
from dearhost.stage.backdrops.placing import DRAWN_LEVEL, Placing, light_behind, seen_part
from dearhost.stage.backdrops.toning import fade, grain_tile, no_grain, tone_of, tone_words, whole_tone
from dearhost.stage.backdrops.toning_loops import fade as compiled_fade
from dearhost.stage.backdrops.toning_loops import tone_words as compiled
from dearhost.stage.clip_time import ClipTime
from dearhost.stage.painting.panels.own_pictures import MOUNTED
from dearhost.timebase import FrameRate
from tests.clips import counted, write_clip, write_sound_file
from tests.conftest import with_tones

RATE = FrameRate.of(30)


@pytest.fixture(scope="module")
def picture_id(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Red at the left, blue at the right, 200 by 100."""
    pixels = np.zeros((100, 200, 4), np.uint8)
    pixels[..., 3], pixels[:, :100, 0], pixels[:, 100:, 2] = 255, 220, 220
    image = skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType)
    path = tmp_path_factory.mktemp("files") / "halves.png"
    path.write_bytes(bytes(image.encodeToData()))
    return studio.shelf.take(path, path.name).id


@pytest.fixture(scope="module")
def clip_id(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Sixty frames at 30 a second that get lighter."""
    frames = [np.full((96, 160, 3), 20 + 3 * number, np.uint8) for number in range(60)]
    path = write_clip(tmp_path_factory.mktemp("files") / "lighter.mp4", frames, rate=30)
    return studio.shelf.take(path, path.name).id


def pixels_of(studio: Studio, picture: Picture, own: Placing, frame: int = 0) -> np.ndarray:
    """The backdrop's pixels, BGRA."""
    backdrop = backdrop_for(Scenery(own.item, own=own), picture, RATE, studio.shelf)
    words, _ = backdrop.frame(frame)
    return words.copy().view(np.uint8).reshape(picture.height, picture.width, 4)


def is_red(pixel: np.ndarray) -> bool:
    return int(pixel[2]) > int(pixel[0]) + 60


# placing


@pytest.mark.parametrize("shape", ["16:9", "1:1", "9:16"])
@given(
    x=st.floats(0, 1), y=st.floats(0, 1), zoom=st.floats(1, 2.5), width=st.integers(20, 4000),
    height=st.integers(20, 4000), mirrored=st.booleans(),
)  # fmt: skip
def test_what_is_seen_fills_the_picture_and_lies_inside_the_own_one(
    shape: str, x: float, y: float, zoom: float, width: int, height: int, mirrored: bool
) -> None:
    picture = Picture.of(shape, 720)
    placing = Placing("i" + "0" * 15, x=x, y=y, zoom=zoom, mirrored=mirrored)
    left, top, wide, high = seen_part(placing, (width, height), picture)
    assert left >= -1e-6 and top >= -1e-6 and left + wide <= width + 1e-6 and top + high <= height + 1e-6
    assert wide / high == pytest.approx(picture.width / picture.height, rel=1e-6)
    assert wide == pytest.approx(width / zoom) or high == pytest.approx(height / zoom)


def test_the_middle_that_is_chosen_is_seen(studio: Studio, picture_id: str) -> None:
    upright = Picture.of("9:16", 640)
    middle = upright.height // 2, upright.width // 2
    sides = {x: pixels_of(studio, upright, Placing(picture_id, x=x))[middle] for x in (0.0, 1.0)}
    assert is_red(sides[0.0]) and not is_red(sides[1.0])
    turned = pixels_of(studio, upright, Placing(picture_id, x=0.0, mirrored=True))[middle]
    assert not is_red(turned), "turned over, its left side is the other one"


def test_a_picture_shown_whole_is_all_there(studio: Studio, picture_id: str) -> None:
    square = Picture.of("1:1", 400)
    pixels = pixels_of(studio, square, Placing(picture_id, fit="whole"))
    row = pixels[200]
    assert is_red(row[20]) and not is_red(row[380])
    assert pixels[10].astype(int).sum() < pixels[200].astype(int).sum(), "behind it is itself, dimmer"


@pytest.mark.parametrize("choice", [{"blur": 8.0}, {"dim": 0.5}, {"tone": "own"}, {"zoom": 2.0, "x": 0.0}])
def test_every_choice_changes_what_is_seen(studio: Studio, picture_id: str, small: Picture, choice: Any) -> None:
    plain = pixels_of(studio, small, Placing(picture_id))
    assert (pixels_of(studio, small, replace(Placing(picture_id), **choice)) != plain).any()


def test_as_it_is_it_is_not_touched(studio: Studio, picture_id: str, small: Picture) -> None:
    pixels = pixels_of(studio, small, Placing(picture_id, tone="own"))
    assert np.abs(pixels[180, 40, :3].astype(int) - (0, 0, 220)).max() <= 2
    toned = pixels_of(studio, small, Placing(picture_id))
    assert toned[180, 40, 0] > 8, "black goes towards ink"


def test_one_that_is_gone_is_stood_in_for(studio: Studio, small: Picture) -> None:
    gone = pixels_of(studio, small, Placing("i" + "f" * 15))
    assert gone[..., 3].min() == 255 and gone[..., :3].std() > 10


# toning


@given(arrays(np.uint32, (9, 14), elements=st.integers(0, 2**32 - 1)), st.booleans(), st.floats(0, 0.8), st.booleans())
def test_compiled_toning_gives_the_same_pixels(source: Any, paper: bool, dim: float, grained: bool) -> None:
    tone, grain = whole_tone(paper, dim), grain_tile() if grained else no_grain()
    plain, quick = np.zeros_like(source), np.zeros_like(source)
    tone_words(source, plain, tone, grain)
    compiled(source, quick, tone, grain)
    assert (plain == quick).all() and (plain >> 24 == 255).all()


@given(st.integers(0, 2**32 - 1), st.integers(1, 700), st.integers(1, 300))
def test_compiled_toning_gives_the_same_grain_over_all_of_a_picture(seed: int, width: int, height: int) -> None:
    """Wider and higher than the tile of grain, and turned over."""
    source = np.random.default_rng(seed).integers(0, 2**32, (height, width), np.uint32)
    plain, quick = np.zeros_like(source), np.zeros_like(source)
    tone_words(source[:, ::-1], plain, whole_tone(True, 0.2), grain_tile())
    compiled(np.ascontiguousarray(source[:, ::-1]), quick, whole_tone(True, 0.2), grain_tile())
    assert (plain == quick).all()


@given(arrays(np.uint8, (2, 5, 37, 4)), st.integers(0, 256))
def test_compiled_fading_gives_the_same_pixels(pictures: Any, weight: int) -> None:
    before, plain = pictures
    quick = plain.copy()
    fade(before, plain, weight)
    compiled_fade(before.reshape(5, -1), quick.reshape(5, -1), weight)
    assert (plain == quick).all()
    assert weight != 256 or (plain == pictures[1]).all()


def test_nothing_is_toned_where_all_stays_as_it_is() -> None:
    assert tone_of(False, 0.0) is None
    source = np.arange(0, 0xFFFFFF, 977, dtype=np.uint32).reshape(1, -1) | 0xFF000000
    target = np.zeros_like(source)
    tone_words(source, target, whole_tone(False, 0.0), no_grain())
    assert (target == source).all()


def test_white_becomes_cream_and_black_stays_dark_and_cool() -> None:
    rows = tone_of(True, 0.0)
    assert rows is not None
    white = [sum(row[:3]) * 255 + row[3] for row in rows]
    black = [row[3] for row in rows]
    assert white == pytest.approx([250, 246, 236], abs=0.5)
    assert max(black) < 20 and black[2] > black[0]


# clips in time


@pytest.mark.parametrize(("ends", "last"), [("holds", True), ("loops", False)])
def test_a_clip_at_its_end_holds_or_goes_round(
    studio: Studio, clip_id: str, small: Picture, ends: str, last: bool
) -> None:
    own = Placing(clip_id, time=ClipTime(loops=ends == "loops"), tone="own")
    backdrop = backdrop_for(Scenery(clip_id, own=own), small, RATE, studio.shelf)
    light = [int(backdrop.frame(frame)[0].view(np.uint8)[200, 200]) for frame in (0, 20, 44, 59, 75, 90)]
    assert light[0] < light[1] < light[2]
    assert (light[2] < light[3] == light[4] == light[5]) is last


def test_frames_of_a_clip_are_those_of_their_moment_whatever_came_before(
    studio: Studio, clip_id: str, small: Picture
) -> None:
    own = Placing(clip_id, time=ClipTime(0.5, loops=True))
    straight = backdrop_for(Scenery(clip_id, own=own), small, RATE, studio.shelf)
    jumping = backdrop_for(Scenery(clip_id, own=own), small, RATE, studio.shelf)
    assert straight is not jumping, "two painters do not share a moving backdrop"
    kept = {frame: straight.frame(frame)[0].copy() for frame in range(0, 30, 3)}
    for frame in (27, 3, 12, 0, 27):
        assert (jumping.frame(frame)[0] == kept[frame]).all()
    assert jumping.frame(27)[1] is None, "nothing changed since"


# in a scene


SCRIPT = "Maren: The water comes back to the wall, and it goes again."


def staged(studio: Studio, **choices: Any) -> Timeline:
    return compile_timeline(with_tones(read_script(SCRIPT), **choices), studio, RATE)


def test_a_host_stands_before_moving_water(studio: Studio, clip_id: str, small: Picture) -> None:
    painter = Painter(staged(studio, set=clip_id, own_tone="own"), small, studio.resources)
    painter.paint(0)
    corner = int(painter.pixels[300, 20, 0])
    areas = painter.paint(20)
    assert int(painter.pixels[300, 20, 0]) > corner + 30 and areas[0].box == (0, 0, small.width, small.height)
    middle = painter.pixels[150, 320, :3].astype(int)
    assert np.abs(middle - painter.pixels[300, 20, :3]).max() > 10, "somebody is before it"


def scene_of(studio: Studio, items: str, **parameters: str) -> tuple[SceneTimeline, Timeline]:
    settings = "".join(f" {name}={value}" for name, value in parameters.items())
    text = f'Maren: The [[cue: own items="{items}"{settings}]]water comes back to the wall[[/cue]], and it goes again.'
    timeline = compile_timeline(with_tones(read_script(text)), studio, RATE)
    return timeline.scenes[0], timeline


@pytest.mark.parametrize("mount", MOUNTED)
def test_an_own_picture_is_shown_on_its_words(studio: Studio, picture_id: str, small: Picture, mount: str) -> None:
    scene, timeline = scene_of(studio, picture_id, mount=mount)
    [shown] = scene.shown
    painter = Painter(timeline, small, studio.resources)

    def reds(at: float) -> float:
        painter.paint(RATE.frames_in(at))
        panel = painter.pixels[30:260, 280:600].astype(int)
        return float(((panel[..., 2] - panel[..., 0]) > 120).mean())

    assert reds(shown.span.start + 1.2) > 0.15 > 0.05 > reds(max(0.0, shown.span.start - 0.1))


def test_several_come_one_after_another(studio: Studio, picture_id: str, clip_id: str, small: Picture) -> None:
    scene, timeline = scene_of(studio, f"{clip_id} {picture_id}", comes="fades")
    span = scene.shown[0].span
    painter = Painter(timeline, small, studio.resources)
    reds = []
    for part in (0.3, 0.8):
        painter.paint(RATE.frames_in(span.start + part * (span.end - span.start)))
        panel = painter.pixels[30:260, 280:600].astype(int)
        reds.append(float(((panel[..., 2] - panel[..., 0]) > 120).mean()))
    assert reds[0] < 0.02 < 0.15 < reds[1]


def test_the_name_of_a_scenes_pictures_tells_what_is_behind(studio: Studio, clip_id: str, picture_id: str) -> None:
    names = {
        staged(studio, **chosen).scenes[0].fingerprint
        for chosen in ({}, {"set": clip_id}, {"set": picture_id}, {"set": picture_id, "own_blur": 4.0},
                       {"set": picture_id, "own_x": 0.2})
    }  # fmt: skip
    assert len(names) == 5


# light


def test_hosts_stand_in_the_light_behind_them() -> None:
    placing = Placing("i" + "0" * 15)

    def tint(light: Light) -> tuple[int, int, int] | None:
        fill = light_behind(light, placing).fill
        if fill is None:
            return None
        colour = fill.getColor()
        return skia.ColorGetR(colour), skia.ColorGetG(colour), skia.ColorGetB(colour)

    assert tint(Light((1, 1, 1), 0.8, 0, 0)) is None
    warm, dark = tint(Light((1.25, 0.98, 0.6), 0.5)), tint(Light((1, 1, 1), -2.0))
    assert warm is not None and warm[0] > warm[2] + 25
    assert dark is not None and 80 < dark[0] == dark[1] == dark[2] < 160
    assert light_behind(Light((1, 1, 1), -2.0), replace(placing, light=False)) == UNLIT


@pytest.mark.parametrize(
    ("right", "placed", "shade_side"),
    [
        (0.6, {}, -1), (0.6, {"mirrored": True}, 1), (0.6, {"light": False}, 1), (-0.6, {}, 1),
        (-0.6, {"mirrored": True}, -1), (0.05, {}, 1), (0.05, {"mirrored": True}, 1),
    ],
)  # fmt: skip
def test_hosts_are_in_shade_where_the_light_behind_them_does_not_come_from(
    right: float, placed: dict[str, bool], shade_side: int
) -> None:
    light = Light((1, 1, 1), DRAWN_LEVEL, right)
    assert light_behind(light, Placing("i" + "0" * 15, **placed)).shade_side == shade_side


def test_the_light_behind_is_seen_on_hosts(studio: Studio, tmp_path: Path) -> None:
    """A head in front of a picture that is lit from the right, and of the same turned over; where it is is found in a
    frame that has no backdrop."""
    pixels = np.full((90, 160, 4), 255, np.uint8)
    pixels[..., :3] = np.linspace(60, 220, 160).astype(np.uint8)[None, :, None]
    path = tmp_path / "lit.png"
    path.write_bytes(bytes(skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType).encodeToData()))
    item = studio.shelf.take(path, path.name)
    assert item.light.side() == "right"
    picture = Picture.of("16:9", 360)

    def frame(*, transparent: bool = False, **chosen: Any) -> np.ndarray:
        script = compile_timeline(
            with_choices(Production(read_script("Dayo: The tide.")), set=item.id, **chosen), studio, RATE
        )
        painter = Painter(script, picture, studio.resources, transparent=transparent)
        painter.paint(4)
        return painter.pixels.astype(int)

    standing = ndimage.binary_erosion(frame(transparent=True)[..., 3] == 255, iterations=3)  # outlines move a little
    standing[np.argmax(standing.any(axis=1)) + 80 :] = False
    brighter = np.where(standing, (frame() - frame(own_mirrored=True))[..., :3].sum(axis=2), 0)
    left, right = np.array_split(np.nonzero(standing.any(axis=0))[0], 2)
    assert brighter[:, left].sum() < 0 < brighter[:, right].sum()


def test_choices_reach_the_backdrop() -> None:
    choices = Choices(set="c" + "0" * 15, own_x=0.2, own_zoom=2.0, own_dim=0.3, own_ends="holds", own_begins=4.0)
    own = Scenery.of(choices).own
    assert own == Placing("c" + "0" * 15, x=0.2, zoom=2.0, dim=0.3, time=ClipTime(4.0))
    assert Scenery.of(replace(choices, set="pier")).own is None


def test_a_file_beside_a_script_is_named_in_it(studio: Studio, tmp_path: Path) -> None:
    write_clip(tmp_path / "water.mp4", counted(30), rate=30)
    script = read_script("Maren: [[cue: own water.mp4]]The water[[/cue]] comes, [[cue: own none.png]]and[[/cue]] goes.")
    production, notes = with_named_files(with_choices(Production(script), set="water.mp4"), studio, tmp_path)
    cues = [cue.text("items") for _, _, line in production.script.lines() for cue in line.cues]
    assert production.choices.set == cues[0] and studio.shelf.item(cues[0])
    assert cues[1] == "none.png" and len(notes) == 1 and "none.png" in notes[0]


# what is heard of clips


@pytest.fixture(scope="module")
def loud_clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Two seconds with a tone of 440 Hz."""
    path = write_clip(tmp_path_factory.mktemp("files") / "tone.mp4", counted(50), rate=25, sound=True)
    return studio.shelf.take(path, path.name).id


def heard_at(timeline: Timeline, studio: Studio, begin: float, end: float) -> float:
    """How strongly 440 Hz is heard of clips between two seconds."""
    [track] = [t for t in film_tracks(timeline, studio.shelf) if t.name == FOOTAGE]
    sound = mix([track], timeline.duration, 48_000).left[round(begin * 48_000) : round(end * 48_000)]
    time = np.arange(len(sound)) / 48_000
    return float(abs((sound * np.exp(-2j * np.pi * 440 * time)).mean()))


def test_a_clip_behind_is_heard_under_the_voice_or_not(studio: Studio, loud_clip: str) -> None:
    silent, heard = (staged(studio, set=loud_clip, own_sound=sound) for sound in ("off", "under"))
    assert FOOTAGE not in {track.name for track in film_tracks(silent, studio.shelf)}
    assert heard_at(heard, studio, 0.5, heard.duration - 0.5) > 1e-3
    assert silent.scenes[0].fingerprint == heard.scenes[0].fingerprint, "what is heard renders no picture"


def test_a_clip_on_words_is_heard_on_them_alone(studio: Studio, loud_clip: str) -> None:
    scene, timeline = scene_of(studio, loud_clip, sound="under")
    span = scene.shown[0].span
    assert heard_at(timeline, studio, span.start + 0.4, span.end - 0.4) > 1e-3
    assert heard_at(timeline, studio, 0.0, span.start - 0.05) < 1e-6


def test_a_sound_of_ones_own_is_heard_on_its_word_whole_or_over_a_stretch(studio: Studio, tmp_path: Path) -> None:
    time = np.arange(24_000) / 48_000
    path = write_sound_file(tmp_path / "horn.flac", 0.4 * np.sin(2 * np.pi * 440 * time))
    item = studio.shelf.take(path, path.name).id
    whole, lasting = (
        compile_timeline(with_tones(read_script(text)), studio, RATE)
        for text in (
            f"MAREN: Mama may [[cue: own-sound {item}]]bring a boat to the wall today.",
            f"MAREN: Mama may [[cue: own-sound {item}]]bring a boat to the wall[[/cue]] today.",
        )
    )
    begins = whole.scenes[0].footage[0].at
    for timeline, seconds in ((whole, 0.5), (lasting, lasting.scenes[0].footage[0].seconds)):
        [track] = [t for t in film_tracks(timeline, studio.shelf) if t.name == STINGS]
        heard = np.abs(mix([track], timeline.duration, 48_000).left) > 1e-3
        first, last = np.flatnonzero(heard)[[0, -1]] / 48_000
        assert first == pytest.approx(begins, abs=0.02) and last == pytest.approx(begins + seconds, abs=0.03)
    assert lasting.scenes[0].footage[0].seconds > 0.6
    assert Use(SHELF, item) in uses_of(with_tones(read_script(f"MAREN: [[cue: own-sound {item}]]Mama.")))
