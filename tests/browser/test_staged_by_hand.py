"""Choices are seen before they are made; sets are dressed, boards drawn on, and what is one's own is put by hand."""

from __future__ import annotations

import re

import numpy as np
import pytest
from playwright.sync_api import Locator, Page, expect

from server.productions.models import Production
from tests.browser.book import begin, choose_in_sentence, give_voice, kept, leaf, pick, tab
from tests.browser.conftest import assert_accessible
from tests.browser.pictures import differs, seen, still_pixels
from tests.browser.test_shelf import drop, red_picture

pytestmark = pytest.mark.browser

SCRIPT = """# The harbour

Maren: Good day. The bell rings on the quay.

Maren: The boats leave the harbour.

# The wall

Maren: Mind the lantern on the wall.
"""


def begun(page: Page, script: str = SCRIPT) -> np.ndarray:
    """A production at its Set tab, and what is on its stage."""
    begin(page, script)
    give_voice(page, "Maren", "Dale")
    kept(page)
    tab(page, "Set")
    picture = page.get_by_alt_text(re.compile("Picture at the playhead"))
    expect(picture).to_have_attribute("src", re.compile(r"still\.jpg.*f="), timeout=30_000)  # its lines are read
    return still_pixels(page)


def undo(page: Page) -> Locator:
    return page.get_by_role("button", name="Undo", exact=True)


def away(page: Page) -> None:
    """The pointer off what it was on."""
    page.get_by_role("heading", name="The harbour").hover()


def test_nothing_moves_from_under_the_pointer_while_it_is_tried(signed_in: Page) -> None:
    """Where the stage is small, what it says of what is tried is as high as what it said before."""
    page = signed_in
    begun(page)
    tab(page, "Titles")
    page.get_by_role("button", name=re.compile("^Colour of captions")).click()
    option = page.locator("label", has_text="in mustard")
    at = option.bounding_box()
    option.hover()
    told = page.get_by_text("Only tried.")
    for _ in range(8):
        page.wait_for_timeout(150)
        expect(told).to_contain_text("Colour of captions: in mustard")
        assert option.bounding_box() == at
    option.click()
    away(page)
    expect(page.get_by_role("button", name="Colour of captions: in mustard")).to_be_visible()


def test_captions_take_a_colour_of_ones_own_for_a_scene_or_everywhere(signed_in: Page) -> None:
    page = signed_in
    begun(page)
    tab(page, "Titles")
    sentence = page.get_by_role("button", name=re.compile("^Colour of captions"))
    page.get_by_label("A colour of their own, scene 1").fill("#7a2e8c")
    expect(sentence).to_have_text("in a colour of their own")
    undo(page).click()
    expect(sentence).to_have_text("in usual colours")
    expect(page.get_by_role("button", name="the usual one")).to_be_hidden()
    page.get_by_role("button", name="Redo", exact=True).click()
    expect(sentence).to_have_text("in a colour of their own")
    expect(page.get_by_text(re.compile(r"Kept \d"))).to_be_visible()
    page.reload()
    tab(page, "Titles")
    expect(sentence).to_have_text("in a colour of their own")
    expect(page.get_by_label("A colour of their own, scene 1")).to_have_value("#7a2e8c")
    page.get_by_role("button", name="the usual one").click()
    expect(sentence).to_have_text("in usual colours")


def test_choices_are_tried_where_they_are_pointed_at(signed_in: Page) -> None:
    page = signed_in
    before = begun(page)
    steps = undo(page).is_enabled()
    told = page.get_by_text("Only tried.")
    page.get_by_role("group", name="Set").locator("label", has_text="the pier").hover()
    expect(told).to_contain_text("Set: the pier")
    tried = seen(page, differs(before, 10))
    away(page)
    expect(told).to_be_hidden()
    expect(page.get_by_role("button", name="Set: the tide room")).to_be_visible()
    seen(page, lambda now: bool((now == before).all()))
    assert undo(page).is_enabled() == steps, "nothing was done"

    # it is exactly what is there once it is chosen
    choose_in_sentence(page, "Set", "the pier")
    kept(page)
    away(page)
    expect(told).to_be_hidden()
    seen(page, lambda now: bool((now == tried).all()))

    # a look is tried by the keyboard too, and is one step to undo
    leaf(page, "Looks")
    on_stage = page.get_by_role("button", name="On stage")
    page.get_by_role("button", name=re.compile("^The quay at night")).focus()
    page.keyboard.press("Tab")
    expect(told).to_contain_text("On stage")
    seen(page, differs(tried, 10))
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("^Make .* change"))).to_be_visible()
    expect(told).to_be_hidden()
    page.get_by_role("button", name=re.compile("^Make .* change")).click()
    leaf(page, "Looks")
    expect(on_stage).to_have_attribute("aria-pressed", "true")
    undo(page).click()
    expect(on_stage).to_have_attribute("aria-pressed", "false")


def test_a_set_is_dressed_and_a_board_is_drawn_on(signed_in: Page) -> None:
    page = signed_in
    before = begun(page)
    leaf(page, "Dressing")
    wall = page.get_by_label("On the wall, left", exact=True)
    wall.select_option(label="nothing")
    bare = seen(page, differs(before, 0.4))
    away(page)
    page.get_by_role("button", name="Dress it otherwise").click()
    seen(page, differs(bare, 0.4))
    expect(page.get_by_role("button", name="All as the set has it")).to_be_visible()
    undo(page).click()
    seen(page, lambda now: bool((now == bare).all()))
    expect(wall).to_have_value("none")
    assert_accessible(page)

    # what is taken for the whole script is drawn on a white board, from its word on
    leaf(page, "On words")
    pictures = page.get_by_role("region", name="Pictures on words")
    expect(pictures.get_by_text("scene 2, from", exact=False)).to_have_count(0)
    page.locator(".scope-words label", has_text="everywhere").click()
    expect(pictures.get_by_text("scene 2, from", exact=False).first).to_be_visible()
    boats = pictures.get_by_role("listitem").filter(has_text="The boats leave the harbour.")
    boats.get_by_role("button", name="Take").click()
    page.get_by_role("button", name=re.compile("^What is shown on words: ")).click()
    page.get_by_label("drawn on a white board", exact=True).locator("xpath=ancestor::label").click()
    make = page.get_by_role("button", name=re.compile("^Make .* change"))
    expect(make).to_be_visible()
    make.click()
    page.get_by_role("button", name=re.compile("^Boat.*, cue on")).click()
    seen(page, lambda now: float((now.min(-1) > 235).mean()) > 0.2, 60)
    expect(page.get_by_role("region", name=re.compile("^Cue Boat"))).to_be_visible()
    page.keyboard.press("Escape")


def test_an_own_picture_is_dragged_on_the_stage_and_lies_otherwise_in_one_shape(signed_in: Page, worker: None) -> None:
    page = signed_in
    page.get_by_role("link", name="Shelf").click()
    drop(page, "red-wall.png", "image/png", half_red())
    expect(page.get_by_role("button", name="Red wall")).to_be_visible(timeout=30_000)
    page.get_by_role("link", name="Desk", exact=True).click()
    begun(page)
    page.get_by_role("group", name="Set").get_by_label("Red wall").click()
    away(page)
    leaf(page, "Fit")
    pick(page.get_by_label("as it is", exact=True))

    def red(pixels: np.ndarray) -> float:
        """How much of its upper part is red."""
        part = pixels[: len(pixels) // 5].astype(int)
        return float(((part[..., 0] > 150) & (part[..., 1] < 90)).mean())

    seen(page, lambda now: 0.4 < red(now) < 0.6)
    grip = page.get_by_role("button", name=re.compile("^The picture behind them: drag it"))
    near = page.get_by_role("slider", name="Near")
    grip.hover(position={"x": 40, "y": 40})
    page.mouse.wheel(0, -2000)
    expect(near).to_have_value("2.5")
    seen(page, lambda now: 0.4 < red(now) < 0.6)
    box = grip.bounding_box()
    assert box
    page.mouse.down()
    page.mouse.move(box["x"] + 240, box["y"] + 40, steps=5)
    expect(page.get_by_text("Only tried. Where the picture lies.")).to_be_visible()
    seen(page, lambda now: red(now) > 0.7)
    page.mouse.up()
    expect(page.get_by_text("Only tried.")).to_be_hidden()
    kept(page)
    moved = seen(page, lambda now: red(now) > 0.7)

    # otherwise in this shape, and not in another
    across = page.get_by_role("slider", name="Across")
    was = across.input_value()
    page.get_by_label("Lies otherwise in 16:9").check()
    grip.focus()
    for _ in range(12):
        page.keyboard.press("Shift+ArrowLeft")
    seen(page, lambda now: red(now) < red(moved) - 0.2)
    assert across.input_value() != was
    leaf(page, "Frame")
    pick(page.get_by_label("9:16", exact=True))
    leaf(page, "Fit")
    expect(page.get_by_label("Lies otherwise in 9:16")).not_to_be_checked()
    expect(across).to_have_value(was)
    assert_accessible(page)


def test_a_picture_on_words_is_put_by_hand_where_it_is_seen(signed_in: Page) -> None:
    page = signed_in
    begun(page, SCRIPT.replace("# The harbour", ""))  # a heading would give way to what is put by hand
    bare = seen(page, lambda now: bool(now.any()))

    def covered(now: np.ndarray) -> list[float]:
        """How much of the left and of the right is otherwise than before."""
        return [float((np.abs(now[:130, part] - bare[:130, part]).max(-1) > 30).mean()) for part in LEFT_AND_RIGHT]

    leaf(page, "On words")
    bell = (
        page.get_by_role("region", name="Pictures on words").get_by_role("listitem").filter(has_text="The bell rings")
    )
    bell.get_by_role("button", name="Take").click()
    kept(page)
    page.get_by_role("button", name=re.compile("^Bell.*, cue on")).click()
    card = page.get_by_role("region", name=re.compile("^Cue Bell"))
    pick(card.get_by_label("by hand", exact=True))
    grip = page.get_by_role("button", name=re.compile("^What stands there: drag it"))
    expect(grip).to_be_visible()
    seen(page, lambda now: covered(now)[0] < 0.1 and covered(now)[1] > 0.2)

    box = grip.bounding_box()
    assert box
    at = box["x"] + 0.74 * box["width"], box["y"] + 0.36 * box["height"]
    page.mouse.move(*at)
    page.mouse.down()
    page.mouse.move(at[0] - 0.5 * box["width"], at[1] - 0.02 * box["height"], steps=6)
    page.mouse.up()
    seen(page, lambda now: covered(now)[0] > 0.2 and covered(now)[1] < 0.1, 60)
    kept(page)
    [cue] = Production.objects.get().document["script"]["scenes"][0]["blocks"][0]["cues"]
    assert cue["parameters"]["place"] == "by-hand" and abs(cue["parameters"]["x"] - 0.24) < 0.02
    assert_accessible(page)
    # and comes back with one step
    undo(page).click()
    expect(card.get_by_role("slider", name="Across")).to_have_value("0.74")


LEFT_AND_RIGHT = slice(40, 260), slice(380, 600)
"""Columns of a still 640 wide."""


def half_red() -> bytes:
    """A picture whose left half is red, and whose right half is blue."""
    return red_picture(blue_from=0.5)
