"""Pictures of one's own: any common kind comes in small, and only under the name of its own bytes."""

from __future__ import annotations

import base64
from pathlib import Path

import pytest
import skia

from dearhost.assets import PictureFolder, small_png
from dearhost.errors import HostError

FORMS = [skia.kPNG, skia.kJPEG, skia.kWEBP]


def picture(width: int, height: int, form: object = skia.kPNG, corner: int = skia.ColorGREEN) -> bytes:
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    canvas.clear(corner)
    canvas.drawRect(
        skia.Rect.MakeXYWH(width * 0.25, height * 0.25, width * 0.5, height * 0.5), skia.Paint(Color=0xFFCC2200)
    )
    return bytes(surface.makeImageSnapshot().encodeToData(form, 95))


@pytest.mark.parametrize("form", FORMS, ids=["PNG", "JPEG", "WebP"])
@pytest.mark.parametrize(("width", "height"), [(1200, 300), (300, 1200), (20, 20), (900, 1)])
def test_a_picture_becomes_a_png_of_the_size_asked_for_in_its_own_proportions(
    form: object, width: int, height: int
) -> None:
    png = small_png(picture(width, height, form), 240)
    assert png.startswith(b"\x89PNG\r\n\x1a\n")  # PNG, third edition (W3C 2025), 5.2
    image = skia.Image.MakeFromEncoded(png)
    assert max(image.width(), image.height()) == 240
    assert image.width() / image.height() == pytest.approx(width / height, rel=0.02) or min(width, height) == 1


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "unsupported kind"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'/>", "SVG as PNG"),
        (picture(64, 64)[:20], "unsupported kind"),
        (b"x" * 20_000_001, "larger than 20 MB"),
    ],
    ids=["empty", "SVG", "cut off", "too big"],
)
def test_what_is_no_picture_is_refused_in_words_and_leaves_nothing(data: bytes, words: str, tmp_path: Path) -> None:
    folder = PictureFolder(tmp_path / "pictures")
    with pytest.raises(HostError, match=words):
        folder.keep(data)
    assert not list(tmp_path.rglob("*.png"))


def test_the_same_picture_is_kept_once_and_a_cut_out_is_told_from_a_mounted_one(tmp_path: Path) -> None:
    folder = PictureFolder(tmp_path)
    mounted, cut_out = picture(90, 60), picture(90, 60, corner=skia.ColorTRANSPARENT)
    names = [folder.keep(mounted), folder.keep(mounted), folder.keep(cut_out)]
    assert names[0] == names[1] != names[2] and len(list(tmp_path.glob("*.png"))) == 2
    opened = [folder.open(name) for name in names]
    assert [found.cut_out for found in opened if found] == [False, False, True]
    assert opened[0] is opened[1], "decoded once"


def test_a_picture_that_comes_in_later_is_seen_from_then_on(tmp_path: Path) -> None:
    here, there = PictureFolder(tmp_path / "here"), PictureFolder(tmp_path / "there")
    name = here.keep(picture(90, 60))
    assert there.open(name) is None
    png = here.bytes_of(name)
    assert png is not None and there.adopt(name, base64.b64encode(png).decode())
    assert there.open(name) is not None and there.bytes_of(name) == png


@pytest.mark.parametrize("text", [None, 7, "not base64!", "", base64.b64encode(b"no picture").decode()])
def test_a_picture_that_is_not_what_its_name_says_is_not_adopted(text: object, tmp_path: Path) -> None:
    name = PictureFolder(tmp_path / "here").keep(picture(90, 60))
    there = PictureFolder(tmp_path / "there")
    assert not there.adopt(name, text) and there.open(name) is None
    other = base64.b64encode(picture(50, 50)).decode()
    assert not there.adopt(name, other), "another picture under this name"


@pytest.mark.parametrize("name", ["", "../secret", "p0123", "P0123456789abcdef", "p0123456789abcde/../x"])
def test_names_lead_nowhere_but_into_the_folder(name: str, tmp_path: Path) -> None:
    (tmp_path / "secret.png").write_bytes(picture(9, 9))
    folder = PictureFolder(tmp_path / "pictures")
    assert folder.bytes_of(name) is None and folder.open(name) is None


def test_without_a_folder_nothing_is_kept() -> None:
    with pytest.raises(HostError, match="no folder"):
        PictureFolder(None).keep(picture(9, 9))
