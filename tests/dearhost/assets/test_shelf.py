"""Files of strangers become our own: upright, in right colours, whole, and nothing active is left in them."""

from __future__ import annotations

import errno
import random
import zlib
from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np
import pytest
import skia
from av.video.reformatter import ColorRange, Colorspace
from lxml import etree

from dearhost.assets.shelf import CLIP, PICTURE, SOUND, Footage, Shelf, ShelfItem, kind_of
from dearhost.assets.shelf.licences import LICENCES, Credit, credit_lines, rights_problem
from dearhost.assets.shelf.measuring import light_of, loop_of
from dearhost.assets.shelf.rights import licence_named, rights_of_picture
from dearhost.assets.shelf.svg import safe_svg
from dearhost.assets.shelf.taking import take_file
from dearhost.errors import HostError, StorageFull
from tests.clips import BARS, bars, counted, write_clip, write_sound_file


@pytest.fixture
def shelf(tmp_path: Path) -> Shelf:
    return Shelf(tmp_path / "shelf")


def taken(shelf: Shelf, tmp_path: Path, name: str, data: bytes) -> ShelfItem:
    path = tmp_path / name
    path.write_bytes(data)
    return shelf.take(path, name)


def encoded(pixels: np.ndarray, kind: Any = skia.kPNG) -> bytes:
    image = skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kRGBA_8888_ColorType)
    return bytes(image.encodeToData(kind, 95))


def halves(left: tuple[int, int, int], right: tuple[int, int, int], alpha: int = 255) -> np.ndarray:
    pixels = np.full((40, 80, 4), alpha, np.uint8)
    pixels[:, :40, :3], pixels[:, 40:, :3] = left, right
    return pixels


def with_orientation(jpeg: bytes, value: int) -> bytes:
    """The JPEG with an EXIF orientation (EXIF 2.32, tag 0x0112)."""
    tiff = b"II*\0\x08\0\0\0" + b"\x01\0" + b"\x12\x01\x03\0\x01\0\0\0" + bytes([value, 0, 0, 0]) + b"\0\0\0\0"
    block = b"Exif\0\0" + tiff
    return jpeg[:2] + b"\xff\xe1" + (len(block) + 2).to_bytes(2, "big") + block + jpeg[2:]


# pictures


@pytest.mark.parametrize(("value", "size", "red"), [(1, (80, 40), (10, 20)), (3, (80, 40), (70, 20)),
                                                    (6, (40, 80), (20, 10)), (8, (40, 80), (20, 70))])  # fmt: skip
def test_pictures_are_upright_as_exif_says(shelf: Shelf, tmp_path: Path, value: int, size: Any, red: Any) -> None:
    jpeg = with_orientation(encoded(halves((200, 20, 20), (20, 20, 200)), skia.kJPEG), value)
    item = taken(shelf, tmp_path, "a.jpg", jpeg)
    assert (item.kind, (item.width, item.height)) == (PICTURE, size)
    pixels = shelf.image(item.id).toarray(colorType=skia.kRGBA_8888_ColorType)
    assert pixels[red[1], red[0], 0] > 150 and pixels[red[1], red[0], 2] < 80


def test_a_picture_with_clear_parts_stays_clear(shelf: Shelf, tmp_path: Path) -> None:
    item = taken(shelf, tmp_path, "logo.png", encoded(halves((200, 20, 20), (20, 20, 200), 0)))
    assert item.transparent and shelf.file(item.id, "picture") is not None
    assert not taken(shelf, tmp_path, "photo.png", encoded(halves((200, 20, 20), (0, 0, 0)))).transparent


def test_the_same_file_is_kept_once_under_one_id(shelf: Shelf, tmp_path: Path) -> None:
    data = encoded(halves((1, 2, 3), (4, 5, 6)))
    assert taken(shelf, tmp_path, "a.png", data).id == taken(shelf, tmp_path, "b.png", data).id
    assert len([folder for folder in shelf.folder.iterdir() if not folder.name.startswith(".")]) == 1
    assert shelf.named("a.png") and not shelf.named("b.png"), "it is known by the name it first had"


def test_pictures_are_no_larger_than_films_need(shelf: Shelf, tmp_path: Path) -> None:
    item = taken(shelf, tmp_path, "wide.png", encoded(np.full((100, 6000, 4), 200, np.uint8)))
    assert (item.width, item.height) == (2880, 48)


SVG = (
    '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="20">{}</svg>'
)


@pytest.mark.parametrize(
    "inside",
    [
        "<script>alert(1)</script>",
        '<rect onload="alert(1)" width="5" height="5"/>',
        '<image href="file:///etc/passwd" width="5" height="5"/>',
        '<image xlink:href="http://example.org/a.png" width="5" height="5"/>',
        '<rect width="5" height="5" style="fill:url(http://example.org/a)"/>',
        "<style>@import url(http://example.org/a.css);</style>",
        '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml">x</body></foreignObject>',
        '<a href="javascript:alert(1)"><rect width="5" height="5"/></a>',
    ],
)
def test_drawings_reach_nothing_outside(inside: str) -> None:
    cleaned = safe_svg(SVG.format(inside).encode())
    assert not any(word in cleaned for word in (b"script", b"alert", b"example.org", b"passwd", b"body"))
    assert etree.fromstring(cleaned).tag.endswith("svg")


def test_entities_of_a_drawing_are_not_read() -> None:
    bomb = '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]>' + SVG.format("<text>&b;</text>")
    assert b"aaaa" not in safe_svg(bomb.encode())


def test_a_drawing_that_asks_for_too_much_is_refused() -> None:
    rows = ['<g id="a0"><rect width="1" height="1"/></g>']
    rows += [f'<g id="a{n}">' + f'<use xlink:href="#a{n - 1}"/>' * 20 + "</g>" for n in range(1, 6)]
    with pytest.raises(HostError, match="pieces"):
        safe_svg(SVG.format("".join(rows)).encode())
    with pytest.raises(HostError, match="pieces"):
        safe_svg(SVG.format('<g id="a"><use xlink:href="#a"/></g>').encode())


def test_a_drawing_is_drawn(shelf: Shelf, tmp_path: Path) -> None:
    item = taken(shelf, tmp_path, "a.svg", SVG.format('<rect width="20" height="20" fill="#c80000"/>').encode())
    pixels = shelf.image(item.id).toarray(colorType=skia.kRGBA_8888_ColorType)
    assert item.transparent and item.width == 2 * item.height
    assert pixels[item.height // 2, item.width // 4].tolist() == [200, 0, 0, 255]
    assert pixels[item.height // 2, item.width * 3 // 4, 3] == 0


# whose it is


def test_author_and_licence_are_read_out_of_the_file() -> None:
    xmp = (
        b'<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">'
        b'<rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:cc="http://creativecommons.org/ns#">'
        b"<dc:creator>N. Tarn</dc:creator>"
        b'<cc:license rdf:resource="http://creativecommons.org/licenses/by-sa/4.0/"/>'
        b"</rdf:Description></rdf:RDF></x:xmpmeta>"
    )
    block = b"http://ns.adobe.com/xap/1.0/\0" + xmp
    jpeg = encoded(halves((1, 2, 3), (4, 5, 6)), skia.kJPEG)
    data = jpeg[:2] + b"\xff\xe1" + (len(block) + 2).to_bytes(2, "big") + block + jpeg[2:]
    rights = rights_of_picture(data)
    assert (rights.author, rights.licence) == ("N. Tarn", "CC BY-SA 4.0")


@pytest.mark.parametrize(
    ("said", "licence"),
    [("Licensed under CC BY 4.0", "CC BY 4.0"), ("https://creativecommons.org/publicdomain/zero/1.0/", "CC0"),
     ("https://creativecommons.org/licenses/by-nc-nd/3.0/", "CC BY-NC-ND 3.0"), ("All rights reserved", ""), ("", "")],
)  # fmt: skip
def test_licences_are_known_by_their_names_and_addresses(said: str, licence: str) -> None:
    assert licence_named(said) == licence


def test_nothing_is_shown_before_its_rights_are_said() -> None:
    assert rights_problem("", "somebody") and rights_problem("made up", "somebody")
    assert rights_problem("CC BY 4.0", " ") and not rights_problem("CC BY 4.0", "N. Tarn")
    assert not rights_problem("own", "") and set(LICENCES) >= {"own", "CC0", "CC BY 4.0"}


def test_credits_name_title_author_and_licence_once() -> None:
    lines = credit_lines(
        [
            Credit(PICTURE, "The wall", "R. Sand", "own"),
            Credit(PICTURE, "The shell", "N. Tarn", "CC BY 4.0"),
            Credit(PICTURE, "The crab", "N. Tarn", "CC BY 4.0"),
            Credit(CLIP, "Water", "", "CC0"),
        ]
    )
    assert lines == ["Pictures: “The crab”, “The shell” by N. Tarn (CC BY 4.0); “The wall” by R. Sand."]


# clips


def mean_of(frame: Any) -> np.ndarray:
    return frame.to_ndarray(format="rgb24").reshape(-1, 3).mean(0)


def number_in(frame: Any) -> int:
    """The number that ``counted`` drew into a frame."""
    grey = frame.to_ndarray(format="gray")
    height, width = grey.shape
    bits = [int(grey[height // 2, int((index + 0.5) * width / 8)] > 128) for index in range(8)]
    return sum(bit << index for index, bit in enumerate(bits))


@pytest.mark.parametrize("rate", [Fraction(24000, 1001), 25, 60])
@pytest.mark.parametrize(("ending", "codec"), [("mp4", "libx264"), ("webm", "libvpx-vp9"), ("mkv", "libx265")])
def test_every_frame_is_found_at_its_moment_in_any_order(
    shelf: Shelf, tmp_path: Path, rate: Any, ending: str, codec: str
) -> None:
    path = write_clip(tmp_path / f"a.{ending}", counted(30), rate=rate, codec=codec)
    item = shelf.take(path, path.name)
    assert (item.kind, item.width, item.height) == (CLIP, 160, 96)
    assert item.seconds == pytest.approx(30 / float(rate), abs=0.05)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None and len(footage.times) == 30
    in_order = [number_in(footage.frame(number)) for number in range(30)]
    assert in_order == list(range(30))
    order = random.Random(1).sample(range(30), 30)
    assert [number_in(footage.frame(number)) for number in order] == order
    for number in (0, 7, 29):
        middle = float(footage.times[number]) + 0.4 / float(rate)
        assert footage.number_at(middle) == number
    footage.close()


def test_a_clip_of_varying_rate_keeps_its_moments(shelf: Shelf, tmp_path: Path) -> None:
    steps = [0, 1, 2, 10, 11, 30, 31]
    path = write_clip(tmp_path / "a.mp4", counted(len(steps)), rate=25, moments=steps)
    item = shelf.take(path, path.name)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None
    assert np.allclose(footage.times, np.array(steps) / 25, atol=1e-3)
    assert [footage.number_at(at / 25 + 0.01) for at in (2, 9, 10, 29, 30)] == [2, 2, 3, 4, 5]


@pytest.mark.parametrize(
    ("matrix", "height"), [(Colorspace.ITU601, 96), (Colorspace.ITU709, 96), (Colorspace.ITU709, 720), (None, 720),
                           (None, 96)],
)  # fmt: skip
@pytest.mark.parametrize("full", [False, True])
def test_colours_come_out_right_whatever_they_were_written_in(
    shelf: Shelf, tmp_path: Path, matrix: Any, height: int, full: bool
) -> None:
    """Bars in BT.601 and BT.709, in full and limited range; untagged ones as is usual by their size."""
    written = matrix or (Colorspace.ITU709 if height >= 720 else Colorspace.ITU601)
    path = write_clip(
        tmp_path / "a.mp4", [bars(height)] * 3, rate=25, size=(160, height), matrix=written, tagged=matrix is not None,
        colour_range=ColorRange.JPEG if full else ColorRange.MPEG,
    )  # fmt: skip
    item = shelf.take(path, path.name)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None
    seen = footage.frame(1).to_ndarray(format="rgb24")
    for index, colour in enumerate(BARS):
        middle = seen[height // 2, int((index + 0.5) * 160 / len(BARS))].astype(int)
        assert np.abs(middle - colour).max() <= 8, (colour, middle)


def test_a_turned_clip_stands_upright(shelf: Shelf, tmp_path: Path) -> None:
    path = write_clip(tmp_path / "a.mp4", [bars(96)] * 3, rate=25, size=(160, 96), rotation=90)
    item = shelf.take(path, path.name)
    assert (item.width, item.height) == (96, 160)
    with av.open(str(path)) as container:  # FFmpeg's own turning is the measure
        frame = next(container.decode(video=0))
        upright = np.rot90(frame.to_ndarray(format="rgb24"), round(frame.rotation / 90)).astype(int)
    footage = shelf.footage(item.id, lines=1080)
    assert footage is not None
    assert np.abs(footage.frame(0).to_ndarray(format="rgb24").astype(int) - upright).mean() < 6


def test_sound_comes_along_in_two_channels(shelf: Shelf, tmp_path: Path) -> None:
    item = shelf.take(write_clip(tmp_path / "a.mp4", counted(25), rate=25, sound=True), "a.mp4")
    path = shelf.file(item.id, "sound")
    assert item.sounds and path is not None
    with av.open(str(path)) as container:
        stream = container.streams.audio[0]
        assert (stream.codec_context.channels, stream.rate) == (2, 48000)
    silent = shelf.take(write_clip(tmp_path / "b.mp4", counted(25), rate=24), "b.mp4")
    assert not silent.sounds


def test_pictures_that_move_are_clips(shelf: Shelf, tmp_path: Path) -> None:
    path = write_clip(tmp_path / "a.gif", counted(6), rate=10, codec="gif", pixels="rgb8")
    item = shelf.take(path, path.name)
    assert item.kind == CLIP and item.seconds == pytest.approx(0.6, abs=0.11)


def test_music_is_a_sound_and_silence_is_refused(shelf: Shelf, tmp_path: Path) -> None:
    tone = 0.3 * np.sin(2 * np.pi * 220 * np.arange(48000) / 48000)
    item = shelf.take(write_sound_file(tmp_path / "a.flac", tone), "a.flac")
    assert item.kind == SOUND and item.seconds == pytest.approx(1.0, abs=0.01)
    with pytest.raises(HostError, match="silent"):
        shelf.take(write_sound_file(tmp_path / "b.flac", np.zeros(48000)), "b.flac")


# what is wrong with files


@pytest.mark.parametrize("name", ["empty.png", "words.mp4", "playlist.m3u8", "bytes.jpg"])
def test_what_is_none_of_these_is_refused_in_words(shelf: Shelf, tmp_path: Path, name: str) -> None:
    data = {"empty.png": b"", "words.mp4": b"The sea comes back.", "bytes.jpg": bytes(range(256)) * 40,
            "playlist.m3u8": b"#EXTM3U\n#EXTINF:1,\nfile:///etc/passwd\n"}[name]  # fmt: skip
    with pytest.raises(HostError, match="file|clip|be read|empty"):
        taken(shelf, tmp_path, name, data)
    assert list(shelf.folder.iterdir()) == [], "nothing is left behind"


@pytest.mark.parametrize("name", ["a.ffconcat", "a.mp4"])
def test_a_list_reads_no_other_file_of_the_machine(shelf: Shelf, tmp_path: Path, name: str) -> None:
    other = write_clip(tmp_path / "secret.mp4", counted(12), rate=25, sound=True)
    for listed in (other.name, str(other)):
        with pytest.raises(HostError):
            taken(shelf, tmp_path, name, f"ffconcat version 1.0\nfile '{listed}'\n".encode())
    assert list(shelf.folder.iterdir()) == []


def test_damaged_files_are_taken_or_refused_and_nothing_is_left_behind(shelf: Shelf, tmp_path: Path) -> None:
    """Files with bytes changed, cut off or doubled, with fixed dice: none ends the process or leaves a part."""
    originals = {
        "a.png": encoded(halves((200, 20, 20), (20, 20, 200))),
        "a.jpg": encoded(halves((200, 20, 20), (20, 20, 200)), skia.kJPEG),
        "a.svg": SVG.format('<rect width="20" height="20"/>').encode(),
        "a.mp4": write_clip(tmp_path / "o.mp4", counted(12), rate=25).read_bytes(),
    }
    dice = random.Random(11)
    outcomes = {"taken": 0, "refused": 0}
    for name, data in originals.items():
        for _ in range(6):
            damaged = bytearray(data)
            for _ in range(dice.choice((1, 8, 40))):
                damaged[dice.randrange(len(damaged))] = dice.randrange(256)
            if dice.random() < 0.4:
                damaged = damaged[: dice.randrange(1, len(damaged))]
            try:
                taken(shelf, tmp_path, name, bytes(damaged))
                outcomes["taken"] += 1
            except HostError as error:
                assert str(error)
                outcomes["refused"] += 1
    assert outcomes["taken"] and outcomes["refused"]
    assert all((folder / "item.json").exists() for folder in shelf.folder.iterdir())


@pytest.mark.parametrize("kind", ["clip", "sound", "picture"])
def test_a_disk_that_fills_is_told_and_is_no_fault_of_the_file(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, kind: str
) -> None:
    def full(*_: Any) -> None:
        raise OSError(errno.ENOSPC, "no space left")

    folder = tmp_path / "part"
    folder.mkdir()
    if kind == "picture":
        path = tmp_path / "a.png"
        path.write_bytes(encoded(halves((1, 2, 3), (4, 5, 6))))
        monkeypatch.setattr(Path, "write_bytes", full)
    elif kind == "clip":
        path = write_clip(tmp_path / "a.mp4", counted(12), rate=25)
        monkeypatch.setattr("dearhost.assets.shelf.own_film.OwnFilm.add", full)
    else:
        path = write_sound_file(tmp_path / "a.flac", 0.3 * np.sin(np.arange(48000) / 20))
        monkeypatch.setattr("dearhost.assets.shelf.sounds.TakenSound.add", full)
    with pytest.raises(StorageFull, match="full"):
        take_file(path, path.name, folder, lambda part: None)


def test_a_picture_of_too_many_pixels_is_not_decoded(shelf: Shelf, tmp_path: Path) -> None:
    header = bytearray(encoded(np.zeros((8, 8, 4), np.uint8)))
    header[16:24] = (20_000).to_bytes(4, "big") + (20_000).to_bytes(4, "big")  # PNG (W3C), 11.2.1: IHDR
    header[29:33] = zlib.crc32(header[12:29]).to_bytes(4, "big")
    with pytest.raises(HostError, match="megapixels"):
        taken(shelf, tmp_path, "huge.png", bytes(header))


def test_ids_are_of_one_form_and_lead_nowhere_else(shelf: Shelf) -> None:
    assert kind_of("i0123456789abcde") == PICTURE and kind_of("c0123456789abcde") == CLIP
    for wrong in ("", "../../etc", "x0123456789abcde", "i0123456789abcdeF", "i0123456789abcd", "museum"):
        assert kind_of(wrong) == "" and shelf.item(wrong) is None and shelf.file(wrong, "picture") is None
        with pytest.raises(HostError):
            shelf.path(wrong)


# what is measured


def test_the_light_of_a_picture_is_told(shelf: Shelf) -> None:
    grey = np.full((64, 64, 3), 120, np.uint8)
    even = light_of(grey)
    assert abs(even.right) < 0.05 and abs(even.level) < 0.6
    assert max(even.gain) - min(even.gain) < 0.02
    warm = light_of((grey * np.array([0.7, 0.95, 1.1])).clip(0, 255).astype(np.uint8))
    assert warm.gain[0] > 1.05 > 0.85 > warm.gain[2] and "warm" in warm.words
    dark = light_of(grey // 6)
    assert dark.level < even.level - 3 and "dark" in dark.words
    sided = grey.copy()
    sided[:, 48:] = 250
    assert light_of(sided).right > 0.2 and light_of(sided[:, ::-1]).right == pytest.approx(
        -light_of(sided).right, abs=0.02
    )


def test_a_clip_that_comes_back_to_its_beginning_loops_there() -> None:
    """A picture that turns once every 50 frames goes round where it is whole turns later."""
    across = np.linspace(0, 2 * np.pi, 64, endpoint=False)
    turning = [np.tile(127 + 100 * np.sin(across + 2 * np.pi * n / 50), (32, 1)).astype(np.uint8) for n in range(160)]
    loop = loop_of(np.array(turning), 25.0)
    assert loop is not None
    turns = (loop.end - loop.start) * 25 / 50
    assert turns == pytest.approx(round(turns), abs=0.03) and turns >= 1 and loop.seam < 1.2


def test_a_clip_that_is_too_short_does_not_loop() -> None:
    assert loop_of(np.zeros((20, 32, 64), np.uint8), 25.0) is None


def test_footage_that_is_gone_is_told(shelf: Shelf, tmp_path: Path) -> None:
    item = shelf.take(write_clip(tmp_path / "a.mp4", counted(6), rate=25), "a.mp4")
    footage = shelf.footage(item.id, lines=360)
    assert isinstance(footage, Footage)
    shelf.remove(item.id)
    with pytest.raises(HostError, match="Bring its file in again"):
        footage.frame(3)
    assert shelf.item(item.id) is None and shelf.footage(item.id, lines=360) is None
