"""Figures without their ground, against mattes that are known: laid over uneven green, encoded, and taken out."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st
from scipy import ndimage

from dearhost.assets.shelf import KeySettings, Shelf
from dearhost.assets.shelf.keying.ground import ground_of
from dearhost.assets.shelf.keying.key import keyed, near_ground, without_dust
from dearhost.assets.shelf.keying.taking import premultiplied
from dearhost.assets.shelf.keying.writing import write_clear
from dearhost.errors import HostError
from dearhost.production import Studio, read_script, with_choices
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.stage.painting.figures import FigureDrawing
from dearhost.timebase import FrameRate
from tests.clips import write_clip
from tests.conftest import with_tones

WIDE, HIGH = 640, 360
GREEN, DULL, BLUE = (60, 190, 70), (80, 135, 85), (40, 90, 200)


def figure(jacket: tuple[int, int, int] = (40, 60, 120)) -> tuple[np.ndarray, np.ndarray]:
    """A head with hair a pixel wide, a body, a hand out of focus: its colours and its alpha."""
    surface = skia.Surface(WIDE, HIGH)
    canvas = surface.getCanvas()
    canvas.clear(0)
    dice = np.random.default_rng(0)
    hair = skia.Paint(AntiAlias=True, Style=skia.Paint.kStroke_Style, Color=skia.Color(60, 36, 28))
    for _ in range(60):
        hair.setStrokeWidth(float(dice.uniform(0.6, 1.6)))
        angle = dice.uniform(-2.9, -0.2)
        reach = dice.uniform(1.1, 1.5)
        x, y = 310 + 38 * np.cos(angle), 102 + 45 * np.sin(angle)
        canvas.drawLine(x, y, 310 + 38 * reach * np.cos(angle), 102 + 45 * reach * np.sin(angle), hair)
    canvas.drawOval(skia.Rect.MakeXYWH(270, 55, 80, 95), skia.Paint(AntiAlias=True, Color=skia.Color(232, 190, 160)))
    body = skia.Rect.MakeXYWH(215, 160, 190, 210)
    canvas.drawRoundRect(body, 45, 45, skia.Paint(AntiAlias=True, Color=skia.Color(*jacket)))
    soft = skia.MaskFilter.MakeBlur(skia.kNormal_BlurStyle, 5)
    canvas.drawCircle(165, 150, 17, skia.Paint(AntiAlias=True, Color=skia.Color(230, 190, 150), MaskFilter=soft))
    pixels = surface.toarray(colorType=skia.kRGBA_8888_ColorType).astype(np.float32)
    return pixels[..., :3], pixels[..., 3] / 255


def shot(ground: tuple[int, int, int], jacket: tuple[int, int, int] = (40, 60, 120)) -> tuple[np.ndarray, np.ndarray]:
    """The figure before an unevenly lit ground whose light spills on it, with noise: RGB, and the true alpha."""
    colours, alpha = figure(jacket)
    y, x = np.mgrid[:HIGH, :WIDE]
    lit = 0.72 + 0.38 * np.exp(-(((x - 200) / 300) ** 2 + ((y - 100) / 210) ** 2))
    spill = ndimage.gaussian_filter(1 - alpha, 7)[..., None]
    own = colours * (1 - 0.16 * spill) + np.array(ground) * 0.13 * spill
    mixed = own * alpha[..., None] + np.array(ground) * lit[..., None] * (1 - alpha[..., None])
    noise = np.random.default_rng(3).normal(0, 2.5, mixed.shape)
    return np.clip(mixed + noise, 0, 255).astype(np.uint8), alpha


def encoded(rgb: np.ndarray, quality: str) -> Any:
    """A frame after H.264 at 4:2:0."""
    frame = av.VideoFrame.from_ndarray(rgb, format="rgb24").reformat(format="yuv420p", dst_colorspace=1)
    coder: Any = av.CodecContext.create("libx264", "w")
    coder.width, coder.height, coder.pix_fmt, coder.time_base = WIDE, HIGH, "yuv420p", Fraction(1, 25)
    coder.options = {"crf": quality, "preset": "superfast"}
    packets = []
    for number in range(2):
        frame.pts = number
        packets += coder.encode(frame)
    packets += coder.encode(None)
    decoder: Any = av.CodecContext.create("h264", "r")
    frames = [found for packet in packets for found in decoder.decode(packet)] + decoder.decode(None)
    return frames[1]


@pytest.mark.parametrize(("ground", "quality", "most"), [(GREEN, "18", 2e-3), (GREEN, "28", 4e-3), (DULL, "18", 4e-3)])
def test_mattes_come_near_the_true_ones(ground: tuple[int, int, int], quality: str, most: float) -> None:
    rgb, alpha = shot(ground)
    frame = encoded(rgb, quality)
    found = ground_of(frame)
    assert found is not None
    own = keyed(frame, found, KeySettings(shadow=0))
    assert ((own.alpha - alpha) ** 2).mean() <= most
    assert near_ground(own) < 0.06


def test_spill_is_held_down(studio: Studio) -> None:
    rgb, alpha = shot(GREEN)
    frame = encoded(rgb, "18")
    ground = ground_of(frame)
    assert ground is not None
    inside = alpha > 0.995

    def greener(spill: float) -> float:
        pixels = premultiplied(keyed(frame, ground, KeySettings(spill=spill, shadow=0)))[inside].astype(int)
        return float(np.maximum(0, pixels[:, 1] - pixels[:, [0, 2]].max(1)).mean())

    assert greener(1.0) <= greener(0.0)
    edges = (alpha > 0.1) & (alpha < 0.9)
    pixels = premultiplied(keyed(frame, ground, KeySettings(shadow=0)))[edges].astype(int)
    assert (pixels[:, 1] > pixels[:, [0, 2]].max(1) + 12).mean() < 0.03, "no green fringe"


def test_a_jacket_of_the_grounds_hue_is_warned_of() -> None:
    rgb, _ = shot(BLUE, jacket=(45, 70, 130))
    frame = encoded(rgb, "18")
    ground = ground_of(frame)
    assert ground is not None and near_ground(keyed(frame, ground, KeySettings())) > 0.06


def test_a_shadow_on_the_ground_stays_as_much_as_asked_for() -> None:
    rgb, alpha = shot(GREEN)
    dark = rgb.copy()
    dark[300:340, 450:560] = dark[300:340, 450:560] * 0.6
    frame = encoded(dark, "18")
    ground = ground_of(frame)
    assert ground is not None and alpha[300:340, 450:560].max() == 0
    left = [keyed(frame, ground, KeySettings(shadow=part)).alpha[305:335, 460:550].mean() for part in (0.0, 0.5, 1.0)]
    assert left[0] < 0.4 and left[1] > left[0] + 0.05 and left[2] > left[1] + 0.05
    bare = keyed(frame, ground, KeySettings(shadow=0, strength=1)).alpha[305:335, 460:550].mean()
    assert bare < 0.1, "taken away harder, nothing of it stays"


def test_a_sampled_colour_is_taken_where_it_is_not_the_commonest() -> None:
    rgb, alpha = shot(GREEN)
    rgb[:100], rgb[:, :110], rgb[:, -110:] = 30, 30, 30  # the edges are black
    frame = encoded(rgb, "18")
    assert ground_of(frame) is None
    found = ground_of(frame, GREEN)
    assert found is not None
    own = keyed(frame, found, KeySettings(shadow=0))
    middle = slice(110, 350), slice(120, 520)
    assert ((own.alpha[middle] - alpha[middle]) ** 2).mean() < 8e-3


@given(st.integers(2, 40), st.integers(2, 40))
def test_dust_goes_and_the_figure_stays(row: int, column: int) -> None:
    alpha = np.zeros((120, 160), np.float32)
    alpha[50:120, 60:120] = 1
    alpha[row : row + 2, column : column + 2] = 1
    clean = without_dust(alpha)
    assert clean[50:120, 60:120].min() == 1 and clean[:44].max() == 0


@pytest.fixture
def shelf(tmp_path: Path) -> Shelf:
    return Shelf(tmp_path / "shelf")


def taken(shelf: Shelf, folder: Path, frames: int = 3) -> str:
    """A clip of the figure before green."""
    rgb, _ = shot(GREEN)
    return shelf.take(write_clip(folder / "keeper.mp4", [rgb] * frames, rate=25, size=(WIDE, HIGH)), "keeper.mp4").id


def test_a_clip_becomes_a_thing_of_its_own_with_its_matte(shelf: Shelf, tmp_path: Path) -> None:
    item = taken(shelf, tmp_path)
    heard: list[float] = []
    made = shelf.key(item, KeySettings(shadow=0), heard.append)
    assert made.transparent and made.id != item and (made.width, made.height) == (WIDE, HIGH) and heard
    assert shelf.key(item, KeySettings(shadow=0)).id == made.id
    assert shelf.key(item, KeySettings(shadow=0, strength=0.8)).id != made.id
    matte = shelf.matte(made.id, HIGH)
    assert matte is not None and shelf.matte(item, HIGH) is None
    alpha = (matte.frame(2).to_ndarray()[:HIGH].astype(float) - 16) / 219
    assert ((alpha - figure()[1]) ** 2).mean() <= 2e-3
    # a clip behind the hosts has no matte: nothing of the green is left away from the figure
    colours = shelf.footage(made.id, HIGH).frame(2).to_ndarray(format="rgb24").astype(int)  # type: ignore[union-attr] - it was just made
    assert colours[10:60, 10:60].min() > 235 and np.ptp(colours[10:60, 10:60], axis=-1).max() < 12
    with pytest.raises(HostError, match="has no ground any more"):
        shelf.key(made.id, KeySettings())
    assert not list(shelf.folder.glob(".part-*"))


def test_it_is_written_with_clear_parts(shelf: Shelf, tmp_path: Path) -> None:
    made = shelf.key(taken(shelf, tmp_path), KeySettings(shadow=0))
    with pytest.raises(HostError, match=r"written as \.mov"):
        write_clear(shelf, made, tmp_path / "cut.mp4")
    write_clear(shelf, made, tmp_path / "cut.mov")
    with av.open(str(tmp_path / "cut.mov")) as film:
        frames = [frame.to_ndarray(format="rgba") for frame in film.decode(video=0)]
    assert len(frames) == 3 and ((frames[1][..., 3] / 255 - figure()[1]) ** 2).mean() <= 2e-3


def test_a_picture_becomes_a_picture_with_clear_parts(shelf: Shelf, tmp_path: Path) -> None:
    rgb, alpha = shot(GREEN)
    pixels = np.dstack([rgb, np.full(rgb.shape[:2], 255, np.uint8)])
    image = skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kRGBA_8888_ColorType)
    (tmp_path / "keeper.png").write_bytes(bytes(image.encodeToData()))
    made = shelf.key(shelf.take(tmp_path / "keeper.png", "keeper.png").id, KeySettings(shadow=0))
    own = shelf.image(made.id).toarray()[..., 3] / 255
    assert ((own - alpha) ** 2).mean() <= 4e-3


def test_where_there_is_no_ground_it_is_said(shelf: Shelf, tmp_path: Path) -> None:
    grey = np.full((HIGH, WIDE, 3), 120, np.uint8)
    item = shelf.take(write_clip(tmp_path / "a.mp4", [grey] * 2, rate=25, size=(WIDE, HIGH)), "a.mp4").id
    with pytest.raises(HostError, match="No ground of one colour"):
        shelf.key(item, KeySettings())
    with pytest.raises(HostError, match="no such picture or clip"):
        shelf.key("c0123456789abcde", KeySettings())


def test_a_figure_put_by_hand_stands_there_and_hosts_make_room(studio: Studio, tmp_path: Path) -> None:
    item = studio.shelf.key(taken(studio.shelf, tmp_path, frames=40), KeySettings(shadow=0)).id
    middles = []
    for x, side in ((0.2, "left"), (0.5, "middle"), (0.8, "right")):
        cue = f"figure {item} stands=by-hand x={x} y=0.9 size=0.6 comes=fades"
        production = with_tones(read_script(f"MAREN: [[cue: {cue}]]Mama may bring a boat.[[/cue]]"))
        timeline = compile_timeline(with_choices(production, captions=False, titles=False), studio, FrameRate.of(25))
        shown = timeline.scenes[0].shown[0]
        assert shown.region == f"before-{side}"
        place = FigureDrawing(shown, Picture.of("16:9", 360), studio.shelf)._places[item]
        middles.append((place[0] + place[2]) / 2)
        assert place[3] == pytest.approx(0.9 * 360) and place[3] - place[1] == pytest.approx(0.6 * 360)
    assert middles == pytest.approx([0.2 * 640, 0.5 * 640, 0.8 * 640])


def test_a_figure_stands_on_the_stage_before_or_behind_the_host(studio: Studio, tmp_path: Path) -> None:
    item = studio.shelf.key(taken(studio.shelf, tmp_path, frames=40), KeySettings(shadow=0)).id
    scenes = {}
    for depth in ("before", "behind"):
        cue = f"figure {item} stands=middle size=1 depth={depth} comes=fades"
        production = with_tones(read_script(f"MAREN: [[cue: {cue}]]Mama may bring a boat.[[/cue]]"))
        production = with_choices(production, captions=False, titles=False)
        timeline = compile_timeline(production, studio, FrameRate.of(25))
        painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
        span = timeline.scenes[0].shown[0].span
        painter.paint(round((span.start + span.end) / 2 * 25))
        scenes[depth] = painter.pixels.astype(int)
        painter.paint(0)
        scenes["alone"] = painter.pixels.astype(int)
    jacket = [np.abs(scenes[name][330, 320, :3] - (120, 60, 40)).max() for name in ("before", "behind", "alone")]
    assert jacket[0] < 30 and jacket[1] > 30 and jacket[2] > 30
    beside = np.abs(scenes["behind"] - scenes["alone"])[:200, 280:360].max()
    assert beside > 40, "its hair is seen above the host"
