"""What telephones take: HEIC, wide colours, high dynamic range. All of it comes out in a screen's colours."""

from __future__ import annotations

import io
import random
from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np
import pillow_heif
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from dearhost.assets.shelf import CLIP, PICTURE, Shelf
from dearhost.assets.shelf.heif import looks_like_heif, read_heif
from dearhost.assets.shelf.rights import Rights, rights_of_picture
from dearhost.assets.shelf.screen_colours import (
    BT709,
    BT2020,
    HLG,
    P3,
    PQ,
    WHITE,
    hlg_light,
    on_screen,
    pq_light,
    pq_signal,
    rolled_off,
)
from dearhost.errors import HostError

RED, BLUE = (200, 20, 20), (20, 20, 200)


@pytest.fixture
def shelf(tmp_path: Path) -> Shelf:
    return Shelf(tmp_path / "shelf")


def heic(orientation: int = 1, mode: str = "RGB", size: tuple[int, int] = (80, 40), **told: Any) -> bytes:
    """Red at the left and blue at the right, before it is turned as ``orientation`` says (EXIF 2.32, 0x0112)."""
    pillow_heif.register_heif_opener()
    image = Image.new(mode, size, RED)
    image.paste(BLUE, (size[0] // 2, 0, *size))
    if mode == "RGBA":
        image.putalpha(Image.new("L", size, 120))
    exif = Image.Exif()
    exif[0x0112] = orientation
    for tag, text in ((0x013B, told.pop("author", "")), (0x8298, told.pop("rights", ""))):
        if text:
            exif[tag] = text
    file = io.BytesIO()
    image.save(file, "HEIF", exif=exif.tobytes(), quality=95, **told)
    return file.getvalue()


# pictures


@pytest.mark.parametrize(("value", "size", "red"), [(1, (80, 40), (10, 20)), (3, (80, 40), (70, 20)),
                                                    (6, (40, 80), (20, 10)), (8, (40, 80), (20, 70))])  # fmt: skip
def test_a_heic_picture_is_upright(shelf: Shelf, tmp_path: Path, value: int, size: Any, red: Any) -> None:
    path = tmp_path / "a.heic"
    path.write_bytes(heic(value))
    item = shelf.take(path, path.name)
    assert (item.kind, (item.width, item.height)) == (PICTURE, size)
    pixel = shelf.image(item.id).toarray(colorType=skia.kRGBA_8888_ColorType)[red[1], red[0]]
    assert np.abs(pixel[:3].astype(int) - RED).max() < 30


def test_a_heic_picture_says_whose_it_is() -> None:
    read = read_heif(heic(author="Ina Pell", rights="CC BY 4.0"), 10**6)
    assert read is not None
    assert rights_of_picture(b"", read[1]) == Rights("Ina Pell", "CC BY 4.0")


def test_a_heic_picture_with_clear_parts_stays_clear() -> None:
    read = read_heif(heic(mode="RGBA"), 10**6)
    assert read is not None
    assert np.abs(read[0][..., 3].astype(int) - 120).max() < 4


@pytest.mark.parametrize("mode", ["RGB", "RGBA"])
def test_a_heic_picture_in_wider_colours_is_brought_to_a_screens(mode: str) -> None:
    """As telephones write them: with the profile of Display P3. The reddest red of a screen, as below."""
    with Image.open(io.BytesIO(in_display_p3((234, 51, 35)))) as shown:
        profile = shown.info["icc_profile"]
    file = io.BytesIO()
    Image.new(mode, (64, 64), (234, 51, 35, 120)[: len(mode)]).save(file, "HEIF", quality=100, icc_profile=profile)
    read = read_heif(file.getvalue(), 10**6)
    assert read is not None
    assert np.abs(read[0][32, 32].astype(int) - (255, 0, 0, 255 if mode == "RGB" else 120)).max() <= 8


def in_display_p3(colour: tuple[int, int, int]) -> bytes:
    """A PNG of one colour whose profile says Display P3."""
    wide = skia.ColorSpace.MakeRGB(skia.cms.NamedTransferFn.kSRGB, skia.cms.NamedGamut.kDisplayP3)
    pixels = np.full((8, 8, 4), 255, np.uint8)
    pixels[..., :3] = colour
    image = skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType, colorSpace=wide)
    return bytes(image.encodeToData(skia.kPNG, 100))


def test_a_heic_picture_of_too_many_pixels_is_refused_with_its_limit() -> None:
    with pytest.raises(HostError, match="more than 0 megapixels"):
        read_heif(heic(), 80 * 40 - 1)
    assert read_heif(heic(), 80 * 40) is not None


def test_damaged_heic_pictures_are_read_or_refused() -> None:
    whole, dice = heic(), random.Random(5)
    outcomes = set()
    for _ in range(60):
        damaged = bytearray(whole)
        for _ in range(dice.choice((1, 8, 40))):
            damaged[dice.randrange(12, len(damaged))] = dice.randrange(256)
        read = read_heif(bytes(damaged[: dice.choice((len(damaged), dice.randrange(13, len(damaged))))]), 10**6)
        outcomes.add(read is None)
    assert outcomes == {True, False}


def test_other_files_are_not_taken_for_heic() -> None:
    assert looks_like_heif(heic())
    assert not looks_like_heif(b"\0\0\0\x1cftypisom") and not looks_like_heif(b"") and not looks_like_heif(b"GIF89a")


def test_a_picture_in_wider_colours_is_brought_to_a_screens(shelf: Shelf, tmp_path: Path) -> None:
    """The reddest red of a screen is (234, 51, 35) in Display P3 (CSS Color 4, its sample conversions)."""
    path = tmp_path / "wide.png"
    path.write_bytes(in_display_p3((234, 51, 35)))
    seen = shelf.image(shelf.take(path, path.name).id).toarray(colorType=skia.kRGBA_8888_ColorType)[4, 4, :3]
    assert np.abs(seen.astype(int) - (255, 0, 0)).max() <= 3


# light


def test_signals_are_the_light_the_standard_says() -> None:
    """ITU-R BT.2408-7, table 1: reference white is 203 cd/m2, at 58 % PQ and 75 % HLG; a grey card 26 at 38 % of both.
    ITU-R BT.2100-2: PQ ends at 10,000, HLG on its display at 1000."""
    for signal, light in ((0.58, 203), (0.38, 26), (1.0, 10_000), (0.0, 0)):
        assert float(pq_light(np.array(signal))) == pytest.approx(light, rel=0.03, abs=0.01)
    for signal, light in ((0.75, 203), (0.38, 26), (1.0, 1000), (0.0, 0)):
        assert hlg_light(np.full(3, signal))[1] == pytest.approx(light, rel=0.03, abs=0.01)


@given(st.floats(0, 1))
def test_pq_goes_there_and_back(signal: float) -> None:
    assert float(pq_signal(pq_light(np.array(signal)))) == pytest.approx(signal, abs=1e-6)


def test_lights_are_pressed_together_and_dark_tones_stay() -> None:
    light = np.geomspace(0.01, 1000, 400)
    pressed = rolled_off(light)
    assert np.all(np.diff(pressed) > 0)
    assert np.allclose(pressed[light < 60], light[light < 60], rtol=1e-6)
    assert pressed[-1] == pytest.approx(WHITE, rel=1e-3)
    assert 0.7 < float(rolled_off(np.array(WHITE))) / WHITE < 0.9  # white paper stays lighter than what it lies beside


@settings(max_examples=200)
@given(st.sampled_from([(PQ, BT2020), (HLG, BT2020), (1, BT2020), (1, P3), (1, BT709)]), st.floats(0, 1))
def test_grey_stays_grey_and_colours_inside_the_screen(kind: tuple[int, int], level: float) -> None:
    grey = on_screen(np.full(3, level), *kind)
    assert np.ptp(grey) < 2e-3 and 0 <= grey.min() <= grey.max() <= 1
    assert np.all(on_screen(np.array((level, 1.0, 0.0)), *kind) <= 1)
    if kind == (1, BT709):
        assert np.allclose(grey, level, atol=1e-9)


# clips

_KR, _KB = 0.2627, 0.0593  # ITU-R BT.2020-2, table 4


def bt2020_planes(signal: np.ndarray) -> tuple[np.ndarray, ...]:
    """Y, Cb and Cr at ten bits, limited range (ITU-R BT.2020-2, tables 4 and 5), of colours of shape (h, w, 3)."""
    luma = signal @ np.array((_KR, 1 - _KR - _KB, _KB))
    blue, red = (signal[..., 2] - luma) / 1.8814, (signal[..., 0] - luma) / 1.4746
    chroma = [np.rint((plane * 224 + 128) * 4)[::2, ::2] for plane in (blue, red)]
    return tuple(plane.astype(np.uint16) for plane in (np.rint((luma * 219 + 16) * 4), *chroma))


def write_wide_clip(path: Path, signal: np.ndarray, transfer: int, primaries: int = BT2020) -> Path:
    height, width = signal.shape[:2]
    with av.open(str(path), "w") as container:
        stream: Any = container.add_stream("libx265", rate=Fraction(25))
        stream.width, stream.height, stream.pix_fmt = width, height, "yuv420p10le"
        stream.options = {"crf": "4", "x265-params": "log-level=0"}
        context = stream.codec_context
        context.colorspace, context.color_trc, context.color_primaries, context.color_range = 9, transfer, primaries, 1
        for number in range(3):
            frame = av.VideoFrame(width, height, "yuv420p10le")
            for plane, values in zip(frame.planes, bt2020_planes(signal), strict=True):
                rows = np.zeros((plane.height, plane.line_size // 2), np.uint16)
                rows[:, : values.shape[1]] = values
                plane.update(rows)
            frame.pts = number
            container.mux(stream.encode(frame))
        container.mux(stream.encode())
    return path


@pytest.mark.parametrize("transfer", [HLG, PQ])
def test_a_clip_of_high_dynamic_range_is_shown_as_a_screen_can(shelf: Shelf, tmp_path: Path, transfer: int) -> None:
    patches = np.array([(0.38,) * 3, (0.58,) * 3, (0.75,) * 3, (0.46, 0.4, 0.4), (0.4, 0.45, 0.4), (0.4, 0.4, 0.5)])
    signal = np.repeat(np.tile(patches, (96, 1, 1)), 32, axis=1)
    path = write_wide_clip(tmp_path / "a.mp4", signal, transfer)
    item = shelf.take(path, path.name)
    assert item.kind == CLIP and any("high dynamic range" in note for note in item.notes)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None
    seen = footage.frame(1).to_ndarray(format="rgb24")[48, 16::32].astype(float)
    assert np.abs(seen - 255 * on_screen(patches, transfer, BT2020)).max() <= 5
    assert not list((shelf.folder / item.id).glob("*.cube"))


def test_a_clip_in_wide_colours_alone_keeps_its_light(shelf: Shelf, tmp_path: Path) -> None:
    patches = np.array([(0.2,) * 3, (0.9,) * 3, (0.6, 0.5, 0.4)])
    path = write_wide_clip(tmp_path / "a.mp4", np.repeat(np.tile(patches, (96, 1, 1)), 32, axis=1), transfer=14)
    item = shelf.take(path, path.name)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None and not item.notes
    seen = footage.frame(1).to_ndarray(format="rgb24")[48, 16::32] / 255
    assert np.abs(seen[:2] - patches[:2]).max() < 0.03  # grey is grey in any primaries
    assert seen[2, 0] - seen[2, 2] > 0.21  # the same numbers are more colourful in BT.2020
