"""Badges and looks: any picture, small in the sheet, nothing that could do harm; clothes for a scene."""

from __future__ import annotations

import base64
from dataclasses import replace
from pathlib import Path

import pytest
import skia

from dearhost.drawing.paper import Paper
from dearhost.errors import HostError
from dearhost.hosts import CAST, OWN_PICTURE, HostLibrary, HostShelf, Pose
from dearhost.hosts.people.badge import badge_from, is_badge
from dearhost.hosts.people.model_sheet import OUTFITS
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.sheet_file import host_from_json, host_to_json
from dearhost.hosts.props import Contents, draw_prop
from dearhost.production import CastEntry, Production, Studio, pack, read_script
from dearhost.production.project_file import unpack


def picture(width: int, height: int, colour: int = skia.ColorRED, form: object = skia.kPNG) -> bytes:
    surface = skia.Surface(width, height)
    surface.getCanvas().clear(colour)
    return bytes(surface.makeImageSnapshot().encodeToData(form, 90))


def drawn(person: Person) -> bytes:
    surface = skia.Surface(240, 240)
    canvas = surface.getCanvas()
    canvas.clear(skia.ColorWHITE)
    canvas.translate(120, 60)
    canvas.scale(0.6, 0.6)
    canvas.translate(0, -person.head_centre.imag)
    person.draw(canvas, Pose())
    return bytes(surface.makeImageSnapshot().tobytes())


@pytest.mark.parametrize("form", [skia.kPNG, skia.kJPEG, skia.kWEBP])
@pytest.mark.parametrize("name", ["maren", "imani"])  # on the chest, and on the lanyard
def test_a_picture_becomes_a_badge_that_travels_with_the_host(form: object, name: str) -> None:
    badge = badge_from(picture(900, 600, form=form))
    assert is_badge(badge)
    image = skia.Image.MakeFromEncoded(base64.b64decode(badge))
    assert (image.width(), image.height()) == (128, 85)
    plain = CAST[name]
    assert isinstance(plain, Person)
    person = Person("own", "Own", plain.card, replace(plain.sheet, badge=badge))
    assert drawn(person) != drawn(plain)
    _, _, sheet, notes = host_from_json(host_to_json("Own", plain.card, person.sheet))
    assert sheet.badge == badge and not notes


def test_what_is_no_picture_or_too_large_is_refused_in_words() -> None:
    script = b"<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"
    with pytest.raises(HostError, match="SVG as PNG"):
        badge_from(script)
    with pytest.raises(HostError, match="unsupported"):
        badge_from(picture(40, 40)[:40])
    with pytest.raises(HostError, match="100 megapixels"):
        badge_from(picture(10_000, 10_000))


@pytest.mark.parametrize("bad", ["###", "AAAA", base64.b64encode(picture(600, 600)).decode(), "A" * 200_000])
def test_a_sheet_from_elsewhere_with_a_bad_badge_is_mended_and_told(bad: str) -> None:
    plain = CAST["maren"]
    assert isinstance(plain, Person)
    data = host_to_json("Own", plain.card, replace(plain.sheet, badge=bad))
    _, _, sheet, notes = host_from_json(data)
    assert sheet.badge == ""
    assert any("badge" in note for note in notes)


def test_a_picture_of_ones_own_is_held_and_travels_with_the_production(tmp_path: Path) -> None:
    """On a mount; a cut-out by itself. A file that claims to be another picture is not taken in."""
    shapes = [picture(900, 600), picture(500, 500, skia.ColorTRANSPARENT)]
    here, there = Studio(tmp_path / "here"), Studio(tmp_path / "there")
    opaque, clear = (here.pictures.keep(data) for data in shapes)

    def corner(name: str) -> int:
        surface = skia.Surface(200, 200)
        surface.getCanvas().translate(100, 100)
        contents = Contents(lambda *_: None, here.pictures.open, lambda *_: 0, lambda *_: None)
        draw_prop(Paper(surface.getCanvas(), 1), OWN_PICTURE, 1, name, contents)
        return int((surface.toarray()[..., 3] > 0).sum())

    assert corner(opaque) > 5000 > 10 > corner(clear)
    text = f"MAREN: This [[cue: take own-picture picture={opaque}]]one."
    packed = pack(Production(read_script(text), {"MAREN": CastEntry("maren", "fake")}), here)
    assert there.pictures.bytes_of(opaque) is None
    unpack(packed, "a.dearhost", there)
    assert there.pictures.bytes_of(opaque) == here.pictures.bytes_of(opaque)
    there.pictures.adopt(clear, base64.b64encode(shapes[0]).decode())
    assert there.pictures.bytes_of(clear) is None
    assert there.pictures.bytes_of("../secret") is None


def test_a_look_is_kept_with_the_host_and_worn_by_its_name(tmp_path: Path) -> None:
    plain = CAST["maren"]
    assert isinstance(plain, Person)
    rain = replace(OUTFITS["slicker"], top="sea")
    data = host_to_json("Own", plain.card, replace(plain.sheet, looks=(("in the rain", rain),)))
    data["sheet"]["looks"] += [{"name": "slicker", "outfit": {}}, {"name": "", "outfit": {}}, 7]
    name, card, sheet, notes = host_from_json(data)
    assert sheet.looks == (("in the rain", rain),)
    assert len(notes) == 3
    shelf = HostShelf(tmp_path)
    hosts = HostLibrary(shelf)
    kept = shelf.keep(name, card, sheet, "")
    assert hosts.looks_of(kept.id)[0] == "in the rain"
    dressed = hosts.host(f"{kept.id}~in the rain")
    assert isinstance(dressed, Person) and dressed.sheet.outfit == rain
    assert drawn(dressed) != drawn(kept)
    assert hosts.host("maren~slicker").name == plain.name
    assert hosts.looks_of("skerry") == ()
