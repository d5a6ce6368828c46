"""A production in one file comes back whole; a strange, later or damaged file is explained and does no harm."""

from __future__ import annotations

import io
import json
import zipfile
from dataclasses import replace
from pathlib import Path
from typing import Any

import numpy as np
import pytest
import skia
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf import KeySettings
from dearhost.json_data import keepable
from dearhost.production import (
    FRAMINGS,
    SETS,
    TRANSITIONS,
    CastEntry,
    Choices,
    Production,
    Studio,
    UnreadableProduction,
    pack,
    read_script,
)
from dearhost.production.project_file import unpack
from dearhost.production.uses import SHELF, Use
from dearhost.script import Brief, Cue, Line, Scene, Script, Spot, Staging, new_id
from dearhost.speech.clips import ClipWord, Transcript
from tests.clips import write_clip

SCRIPT = read_script("# The pier\n\nMAREN: Mind the [[cue: wave]]step.\n\n# The bell\n\nSKERRY: It rings.\n")


def production(**choices: Any) -> Production:
    cast = {"MAREN": CastEntry("maren", "fake"), "SKERRY": CastEntry("skerry", "fake")}
    return Production(SCRIPT, cast, Choices(**choices))


def zipped(text: str, name: str = "production.json") -> bytes:
    buffer = io.BytesIO()
    with zipfile.ZipFile(buffer, "w") as packed:
        packed.writestr(name, text)
    return buffer.getvalue()


spots = st.dictionaries(
    st.sampled_from(["MAREN", "SKERRY"]),
    st.builds(Spot, st.floats(0, 1), st.floats(0.8, 1.8), st.sampled_from([-1, 0, 1])),
)
own_choices = st.fixed_dictionaries(
    {},
    optional={
        "set": st.sampled_from(list(SETS)),
        "framing": st.sampled_from(list(FRAMINGS)),
        "transition": st.sampled_from(list(TRANSITIONS)),
        "captions": st.booleans(),
        "tail": st.floats(0, 60),
        "target": st.floats(0.1, 9000),
    },
)
stagings = st.builds(Staging, own=own_choices, blocking=spots)
texts = st.text().map(keepable)
briefs = st.builds(Brief, purpose=texts, points=st.lists(texts).map(tuple), target=st.floats(0, 9000))


@given(st.lists(stagings, min_size=2, max_size=2), briefs)
def test_every_choice_comes_back(studio: Studio, own: list[Staging], brief: Brief) -> None:
    scenes = tuple(replace(s, staging=staging) for s, staging in zip(SCRIPT.scenes, own, strict=True))
    before = replace(production(set="pier"), brief=brief, script=replace(SCRIPT, scenes=scenes))
    data = pack(before, studio)
    assert pack(before, studio) == data
    opened = unpack(data, "a.dearhost", studio)
    assert opened.production == before and opened.notes == ()


def test_what_a_file_does_not_say_is_as_usual(studio: Studio) -> None:
    content = {"script": {"scenes": [{"heading": "The pier", "blocks": [{"kind": "line", "text": "Hello."}]}]}}
    text = json.dumps({"form": "dear-host-production", "version": 1, "production": content})
    opened = unpack(zipped(text), "a.dearhost", studio).production
    assert (opened.brief, opened.script.scenes[0].staging) == (Brief(), Staging())


def test_hosts_voices_and_sets_of_another_machine_are_replaced_and_named(studio: Studio) -> None:
    cast = {"MAREN": CastEntry("nobody", "fake"), "SKERRY": CastEntry("skerry", "a-voice-match")}
    opened = unpack(pack(replace(production(set="moon"), cast=cast), studio), "a.dearhost", studio)
    assert [("host 'nobody'" in n, "voice 'a-voice-match'" in n, "set 'moon'" in n) for n in opened.notes] == [
        (True, False, False),
        (False, True, False),
        (False, False, True),
    ]
    assert set(opened.production.checked(studio).cast) == {"MAREN", "SKERRY"}


@pytest.mark.parametrize(
    ("data", "reason"),
    [
        (b"", "damaged"),
        (zipped("{}", "other.json"), "damaged"),
        (zipped("[1"), "damaged"),
        (zipped("[]"), "no production"),
        (zipped('{"form": "recipe", "version": 1}'), "no production"),
        (zipped('{"form": "dear-host-production", "version": 99, "production": {}}'), "later version"),
        (zipped('{"form": "dear-host-production", "version": 1, "production": {"script": 3}}'), "damaged"),
    ],
)
def test_any_other_file_is_explained(studio: Studio, data: bytes, reason: str) -> None:
    with pytest.raises(UnreadableProduction, match=reason):
        unpack(data, "a.dearhost", studio)


def test_a_file_that_is_cut_short_is_explained(studio: Studio) -> None:
    with pytest.raises(UnreadableProduction, match="damaged"):
        unpack(pack(production(), studio)[:-40], "a.dearhost", studio)


@pytest.mark.parametrize("part", ["hosts", "pictures", "beside", "shelf"])
@pytest.mark.parametrize("value", ["abc", [1], 7, ["ab"]], ids=repr)
def test_a_part_that_is_none_is_explained(studio: Studio, part: str, value: object) -> None:
    with zipfile.ZipFile(io.BytesIO(pack(production(), studio))) as packed:
        document = json.loads(packed.read("production.json"))
    try:
        opened = unpack(zipped(json.dumps({**document, part: value})), "a.dearhost", studio)
    except UnreadableProduction as error:
        assert "a.dearhost" in str(error)
    else:
        assert opened.production.script == production().script and not opened.brought


def test_what_is_kept_beside_a_production_comes_back_as_it_was(studio: Studio) -> None:
    beside = {"comments": {"texts": ["Why?"], "moved": {"0": "wish"}}, "later": [1, None]}
    data = pack(production(), studio, beside)
    assert unpack(data, "a.dearhost", studio).beside == beside
    assert data == pack(production(), studio, beside)
    assert unpack(pack(production(), studio), "a.dearhost", studio).beside == {}


# things of the shelf


def with_wall(studio: Studio, tmp_path: Path, grey: int) -> tuple[Production, str]:
    """A production before a picture of one's own, and the picture's id."""
    pixels = np.full((30, 50, 4), grey, np.uint8)
    pixels[..., 3] = 255
    path = tmp_path / f"wall-{grey}.png"
    path.write_bytes(bytes(skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType).encodeToData()))
    item = studio.shelf.take(path, path.name).id
    return production(set=item), item


def test_things_of_the_shelf_go_along_and_are_taken_in(studio: Studio, tmp_path: Path) -> None:
    made, item = with_wall(studio, tmp_path, 61)
    data = pack(made, studio)
    assert data == pack(made, studio), "the same production gives the same bytes"
    elsewhere = Studio(tmp_path / "elsewhere")
    opened = unpack(data, "a.dearhost", elsewhere)
    own = opened.production.choices.set
    assert opened.notes == () and elsewhere.shelf.item(own) is not None
    assert Use(SHELF, own) in opened.brought
    here, there = (s.shelf.image(i).toarray() for s, i in ((studio, item), (elsewhere, own)))
    assert here.shape == there.shape and np.abs(here.astype(int) - there).max() <= 3
    assert unpack(data, "a.dearhost", studio).production.choices.set == item, "where it is known it keeps its id"


def test_a_thing_that_is_damaged_or_missing_is_told_and_the_rest_opens(studio: Studio, tmp_path: Path) -> None:
    made, _ = with_wall(studio, tmp_path, 62)
    whole = zipfile.ZipFile(io.BytesIO(pack(made, studio)))
    for spoiled in (b"no picture at all", None):
        buffer = io.BytesIO()
        with zipfile.ZipFile(buffer, "w") as packed:
            for name in whole.namelist():
                data = spoiled if name.startswith("shelf/") else whole.read(name)
                if data is not None:
                    packed.writestr(name, data)
        opened = unpack(buffer.getvalue(), "a.dearhost", Studio(tmp_path / f"elsewhere-{spoiled is None}"))
        assert any("wall-62.png" in note for note in opened.notes)
        assert opened.production.choices.set == Choices().set and len(opened.production.script.scenes) == 2


def test_an_id_alone_gives_nobody_a_thing(studio: Studio, tmp_path: Path) -> None:
    """A file that names somebody's thing without holding it brings nothing along."""
    made, item = with_wall(studio, tmp_path, 63)
    whole = zipfile.ZipFile(io.BytesIO(pack(made, studio)))
    for held in ("", f"shelf/{item}.jpg"):
        document = json.loads(whole.read("production.json"))
        document["shelf"] = [{"id": item, "file": held, "name": "theirs.png"}]
        buffer = io.BytesIO()
        with zipfile.ZipFile(buffer, "w") as packed:
            packed.writestr("production.json", json.dumps(document))
            if held:
                other = np.full((9, 9, 4), 255, np.uint8)
                packed.writestr(held, bytes(skia.Image.fromarray(other).encodeToData()))
        brought = unpack(buffer.getvalue(), "a.dearhost", studio).brought
        assert Use(SHELF, item) not in brought


def test_clips_go_along_with_their_moments_sound_matte_and_words(studio: Studio, tmp_path: Path) -> None:
    green = np.full((96, 160, 3), (60, 190, 70), np.uint8)
    green[30:, 60:100] = (120, 60, 40)
    moments = [0, 1, 2, 3, 5, 8, 9, 10]
    path = write_clip(tmp_path / "keeper.mp4", [green] * 8, rate=25, moments=moments, sound=True)
    item = studio.shelf.key(studio.shelf.take(path, path.name).id, KeySettings(shadow=0)).id
    heard = Transcript("en", 0.4, (ClipWord("One", 0.05, 0.2), ClipWord("two.", 0.2, 0.35)))
    studio.speaker.clips.adopt(item, heard)
    line = Line(new_id(), "Maren", "One two.", (Cue(new_id(), "clip", 0, {"items": item}),))
    made = Production(Script(scenes=(Scene(new_id(), "", (line,)),)), {"Maren": CastEntry("maren", "fake")})
    data = pack(made, studio)
    assert data == pack(made, studio), "the same production gives the same bytes"

    elsewhere = Studio(tmp_path / "elsewhere")
    opened = unpack(data, "a.dearhost", elsewhere)
    (cue,) = opened.production.script.scenes[0].lines[0].cues
    own = cue.text("items")
    kept = elsewhere.shelf.item(own)
    assert opened.notes == () and kept is not None and kept.transparent and kept.sounds
    assert elsewhere.speaker.clips.known(own) == heard
    for lines in (96, 2000):
        footage, matte = elsewhere.shelf.footage(own, lines), elsewhere.shelf.matte(own, lines)
        before = studio.shelf.matte(item, lines)
        assert footage is not None and matte is not None and before is not None
        assert np.abs(footage.times - np.array(moments) / 25).max() < 0.002
        here, there = (one.frame(5).to_ndarray()[:96].astype(int) for one in (before, matte))
        assert np.abs(here - there).mean() < 4
    assert elsewhere.shelf.file(own, "sound") is not None
    again = unpack(data, "a.dearhost", studio).production.script.scenes[0].lines[0]
    assert again.cues[0].text("items") == item, "where it is known it keeps its id"
