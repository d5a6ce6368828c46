"""What dresses sets: by hand, by chance, with pictures of one's own; nothing unknown is taken."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import StageError
from dearhost.production import SHAPES, Studio, read_script
from dearhost.production.choices import CHOICES, SETS, Choices, ensure_known
from dearhost.production.dressing import FLOOR_PROPS, WALL_PROPS, another, hangs, stands
from dearhost.production.uses import SHELF, Use, uses_of, without
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.stage.backdrops import DRAWN_SETS, Scenery, draw_set
from dearhost.stage.backdrops.dressing import FLOOR, SLOTS, WALL
from dearhost.stage.layout.shapes import LAYOUTS, panel_box
from dearhost.stage.painting.sheet import Sheet
from dearhost.timebase import FrameRate
from tests.conftest import with_tones
from tests.dearhost.assets.test_shelf import encoded, halves, taken

SMALL = Picture.of("16:9", 360)
RATE = FrameRate(25)


def drawn(set_id: str, picture: Picture = SMALL, **dressing: str) -> np.ndarray:
    sheet = Sheet(picture)
    draw_set(sheet.canvas, Scenery(set_id, dressing=tuple(dressing.get(slot, "own") for slot in SLOTS)), picture)
    return sheet.words.copy()


def red_picture(studio: Studio, folder: Path) -> str:
    """The id of a red picture on the shelf."""
    return taken(studio.shelf, folder, "red.png", encoded(halves((220, 20, 20), (220, 20, 20)))).id


def where(before: np.ndarray, after: np.ndarray) -> tuple[float, float]:
    """The middle of what changed, in fractions of width and height."""
    rows, columns = np.nonzero(before != after)
    return float(columns.mean()) / before.shape[1], float(rows.mean()) / before.shape[0]


def test_what_can_be_chosen_can_be_drawn() -> None:
    assert set(WALL) == set(WALL_PROPS) and set(FLOOR) == set(FLOOR_PROPS)
    assert set(SLOTS) < set(CHOICES)


@pytest.mark.parametrize("slot", SLOTS)
@pytest.mark.parametrize("shape", SHAPES)
def test_a_prop_is_where_its_slot_is(slot: str, shape: str) -> None:
    picture = Picture.of(shape, 360 if shape != "9:16" else 640)
    prop = "frame:boat" if slot.startswith("wall") else "plinth:anchor"
    x, y = where(drawn("museum", picture, **{slot: "none"}), drawn("museum", picture, **{slot: prop}))
    slot_x, slot_y, _ = LAYOUTS[shape].slots[slot]
    assert abs(x - slot_x) < 0.04
    assert (abs(y - slot_y) < 0.05) if slot.startswith("wall") else (slot_y - 0.25 < y < slot_y + 0.01)


@pytest.mark.parametrize("set_id", SETS)
def test_every_set_is_dressed_by_chance_always_the_same_way(set_id: str) -> None:
    slots = DRAWN_SETS[set_id].slots
    found = another(set_id, slots, 3)
    assert found == another(set_id, slots, 3) and set(found) == set(slots)
    assert any(another(set_id, slots, seed) != found for seed in range(4, 9))
    ensure_known(replace(Choices(), set=set_id, **found))
    assert (drawn(set_id, **found) != drawn(set_id)).any()


@given(st.integers(0, 10**6), st.sampled_from(sorted(SETS)))
def test_chance_hangs_nothing_twice_and_never_what_is_there(seed: int, set_id: str) -> None:
    slots = DRAWN_SETS[set_id].slots
    found = another(set_id, slots, seed)
    chosen = [prop for prop in found.values() if prop != "none"]
    assert len(set(chosen)) == len(chosen)
    assert all(found[slot] != usual for slot, usual in slots.items())
    assert all((hangs if slot.startswith("wall") else stands)(prop) or prop == "none" for slot, prop in found.items())


@pytest.mark.parametrize(
    ("value", "hang", "stand"),
    [("frame:fish", True, False), ("plinth", False, True), ("shelf:cup+leaf", True, True),
     ("frame:no-such", False, False), ("shelf:cup+leaf+book+boat", False, False), ("plant:boat", False, False),
     ("", False, False), ("frame:i" + "0" * 15, True, False), ("plinth:i" + "0" * 15, False, False),
     ("frame:c" + "0" * 15, False, False)],
)  # fmt: skip
def test_what_a_prop_may_hold(value: str, hang: bool, stand: bool) -> None:
    assert (hangs(value), stands(value)) == (hang, stand)


def test_a_wrong_prop_is_named() -> None:
    with pytest.raises(StageError, match="no on the wall, left 'frame:no-such'"):
        ensure_known(Choices(wall_left="frame:no-such"))


def test_an_own_picture_in_a_frame_is_seen_used_and_kept(studio: Studio, tmp_path: Path) -> None:
    item = red_picture(studio, tmp_path)
    production = with_tones(read_script("MAREN: Here it hangs."), set="museum", wall_left=f"frame:{item}", titles=False)
    assert Use(SHELF, item) in uses_of(production)
    timeline = compile_timeline(production, studio, RATE)
    painter = Painter(timeline, SMALL, studio.resources)
    painter.paint(5)
    x, y, _ = LAYOUTS["16:9"].slots["wall_left"]
    blue, green, reds = painter.pixels[int(y * 360), int(x * 640), :3].astype(int)
    assert reds > 150 and green < 90 and blue < 90
    assert without(production, lambda use: use.id == item).choices.wall_left == "own"


@pytest.mark.parametrize("shape", SHAPES)
def test_what_is_shown_on_the_wall_hangs_where_frames_do(studio: Studio, tmp_path: Path, shape: str) -> None:
    item = red_picture(studio, tmp_path)
    text = f"MAREN: [[cue: own items={item} place=wall-left mount=framed]]This hung here once.[[/cue]] It did."
    scene = compile_timeline(with_tones(read_script(text), shape=shape, titles=False), studio, RATE).scenes[0]
    [shown] = scene.shown
    assert shown.region == "wall-left" and len(scene.shots) == 1, "nobody steps aside for it"
    left, top, right, bottom = panel_box(shape, "wall-left")
    slot_x, slot_y, _ = LAYOUTS[shape].slots["wall_left"]
    assert (left + right) / 2 == pytest.approx(slot_x) and (top + bottom) / 2 == pytest.approx(slot_y)
    assert left > 0 and top > 0
