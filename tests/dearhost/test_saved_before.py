"""What was saved by the version before the table of choices opens as it was, and says so in the same words.

The files in ``tests/saved`` were written by that version: a production with every choice, three of the demo, a made
host.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from dearhost.production import (
    CHOICES,
    Scope,
    Studio,
    fitted,
    open_production,
    pack,
    production_from_json,
    production_to_json,
)
from dearhost.script import Spot
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from tests.data_folder import ROOT

SAVED = ROOT / "tests" / "saved"
FILES = sorted(SAVED.glob("*.dearhost"))


@pytest.fixture
def elsewhere(tmp_path: Path) -> Studio:
    """Another machine, with the fonts of this one."""
    (tmp_path / "fonts").symlink_to(Studio().fonts)
    (tmp_path / "voices").mkdir()
    (tmp_path / "voices" / "engine").symlink_to(Studio().folder / "voices" / "engine")
    return Studio(tmp_path)


def document() -> dict[str, Any]:
    data: dict[str, Any] = json.loads((SAVED / "everything-at-once.json").read_text())
    return data


def test_every_choice_of_a_kept_document_is_read(studio: Studio) -> None:
    production = production_from_json(document())
    chosen = production.choices
    assert (chosen.shape, chosen.set, chosen.framing, chosen.transition) == ("9:16", "pier", "full", "cut")
    assert (chosen.captions, chosen.titles, chosen.caption_names, chosen.directed) == (False, False, True, False)
    assert (chosen.liveliness, chosen.furniture, chosen.cutting, chosen.camera) == (
        "lively",
        "desk",
        "speakers",
        "push",
    )
    first, second, third, _ = production.script.scenes
    assert first.staging.own == {
        "set": "plain", "framing": "close-up", "transition": "dissolve", "captions": True, "furniture": "none",
        "cutting": "together", "camera": "still", "tail": 0.0, "target": 12.5,
    }  # fmt: skip
    assert first.staging.blocking == {"MAREN": Spot(0.25, 1.4, -1)} and first.staging.looks == {"MAREN": "slicker"}
    assert second.staging.own == {"captions": False, "tail": 3.25} and not third.staging.own
    maren = production.cast["MAREN"]
    assert (maren.eye_contact, maren.blinks, maren.head, maren.effect) == (0.2, 1.5, 0.5, "none")
    assert production.cast["SKERRY"].effect == "telephone"
    assert production.brief.points == ("one", "two") and production.brief.target == 90
    assert [(e.word, e.alias, e.ipa) for e in production.say_as] == [("Skerry", "sker-ree", ""), ("Oake", "", "oʊk")]


def test_a_kept_document_is_written_as_it_was() -> None:
    """Nothing is lost or renamed: an earlier version could read it again."""
    before = document()
    after = production_to_json(production_from_json(before))
    for name, unasked in (("topic", ""), ("sample", ""), ("may_quote", False)):
        assert after["brief"].pop(name) == unasked  # asked since; an earlier version passes over it
    for name in set(after) - set(before):  # chosen since; an earlier version passes over it
        assert after.pop(name) == CHOICES[name].default
    assert {entry.pop("pace") for entry in after["cast"].values()} == {1.0}  # the same
    assert after == before


def test_what_a_kept_document_leaves_out_has_its_default() -> None:
    bare = {name: value for name, value in document().items() if name in ("script", "cast")}
    production = production_from_json(bare)
    for choice in CHOICES.values():
        if choice.scope is not Scope.SCENE:
            assert getattr(production.choices, choice.name) == choice.default


@pytest.mark.parametrize("path", FILES, ids=lambda p: p.stem)
def test_files_open_without_a_note_and_are_packed_again(path: Path, elsewhere: Studio) -> None:
    opened = open_production(path.read_bytes(), path.name, elsewhere)
    assert opened.notes == ()
    again = open_production(pack(opened.production, elsewhere), path.name, elsewhere)
    assert again.production == opened.production


def test_hosts_and_pictures_come_along_and_belong_to_who_brings_them(elsewhere: Studio) -> None:
    opened = open_production((SAVED / "everything-at-once.dearhost").read_bytes(), "a.dearhost", elsewhere)
    (host,) = {e.host for e in opened.production.cast.values()} - {"maren", "skerry"}
    assert elsewhere.hosts.host(host).name == "Wren Tidey"
    assert {use.kind for use in opened.brought} == {"host", "picture"} and len(opened.brought) == 2
    (picture,) = (use.id for use in opened.brought if use.kind == "picture")
    own = elsewhere.pictures.open(picture)
    assert own is not None and (own.image.width(), own.image.height()) == (480, 320)


def test_a_kept_host_is_drawn(elsewhere: Studio) -> None:
    (path,) = SAVED.glob("own-*.json")
    assert elsewhere.hosts.adopt(path.stem, json.loads(path.read_text()))
    assert elsewhere.hosts.made(path.stem) == json.loads(path.read_text())


def test_a_kept_production_is_staged_as_it_was(elsewhere: Studio) -> None:
    """With the tones that need no model: places, times and cues follow from the document alone."""
    opened = open_production((SAVED / "everything-at-once.dearhost").read_bytes(), "a.dearhost", elsewhere)
    production = opened.production
    for entry in production.cast.values():
        object.__setattr__(entry, "voice", "fake")
    first, second, third, fourth = compile_timeline(production, elsewhere, FrameRate.of(30)).scenes
    assert [s.choices.set for s in (first, second, third, fourth)] == ["plain", "pier", "pier", "pier"]
    assert [s.choices.captions for s in (first, second, third, fourth)] == [True, False, False, False]
    assert first.lines[0].cues and first.stings[0].name == "bell" and first.stings[0].strength == pytest.approx(1.4)
    card = next(item for item in first.shown if item.kind == "picture")
    assert card.text("shows") == "boat" and card.span.end - card.span.start <= 3.0
    assert second.duration > second.lines[-1].span.end + 3.2
    assert {h.host for h in first.shots[0].hosts} == {"maren~slicker", "skerry"}
    assert fourth.roles and [t.text("text") for t in first.shown if t.kind == "title"] == ["A map"]


def test_what_a_machine_lacks_is_replaced_and_named(studio: Studio) -> None:
    data = document()
    data["set"], data["framing"] = "moon", "fisheye"
    data["script"]["scenes"][1]["staging"]["camera"] = "orbit"
    data["cast"]["SKERRY"]["effect"] = "underwater"
    opened = fitted(production_from_json(data), studio)
    assert [any(word in note for note in opened.notes) for word in ("moon", "fisheye", "orbit", "underwater")] == [
        True
    ] * 4
    opened.production.checked(studio)
    assert opened.production.choices.set == "museum" and opened.production.script.scenes[1].staging.own["tail"] == 3.25
