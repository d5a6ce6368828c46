"""Directing with cues as its user does: by keyboard at a word, in the margin, on the ribbon; nothing loses its word."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.book import begin, give_voice, kept, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser

SCRIPT = """# The tide room

Maren: Mama may bring a boat.

Skerry: Maybe I do not.

# The bell

Maren: Papa mends the map.
"""


def write_and_cast(page: Page) -> None:
    """The script, spoken by a quick voice."""
    begin(page, SCRIPT)
    for name in ("Maren", "Skerry"):
        give_voice(page, name, "Dale")
    tab(page, "Host")
    kept(page)


def caret_on(page: Page, line: str, word: str) -> None:
    """The caret inside a word, with the keys a writer has."""
    text = page.locator(".line-text", has_text=line)
    text.click()
    page.keyboard.press("Home")
    start = text.inner_text().index(word) + 1
    for _ in range(start):
        page.keyboard.press("ArrowRight")


def set_cue(page: Page, line: str, word: str, typed: str, name: str) -> None:
    caret_on(page, line, word)
    page.keyboard.press("Alt+q")
    expect(page.get_by_role("region", name=f"Cue on “{word}”")).to_be_visible()
    page.keyboard.type(typed)
    listed = page.get_by_role("listbox", name="Cues")
    expect(listed.get_by_role("option", selected=True)).to_contain_text(name)
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name=re.compile("^Cue on"))).to_have_count(0)


def flag(page: Page, name: str, word: str) -> Locator:
    return page.get_by_role("button", name=f"{name}, cue on “{word}”")


def test_cues_are_set_moved_kept_and_undone(signed_in: Page) -> None:
    page = signed_in
    write_and_cast(page)
    set_cue(page, "Mama may", "boat", "wav", "Wave")
    set_cue(page, "Mama may", "bring", "happ", "Happy")
    set_cue(page, "Papa mends", "map", "close", "Close-up")
    for name, word in (("Wave", "boat"), ("Happy", "bring"), ("Close-up", "map")):
        expect(flag(page, name, word)).to_be_visible()
    kept(page)
    assert_accessible(page)

    # words written in front of them, a line split and joined, a scene begun: each stays with its word
    caret_on(page, "Mama may", "Mama")
    page.keyboard.press("Home")
    page.keyboard.type("Every Sunday ")
    caret_on(page, "Mama may", "bring")
    page.keyboard.press("ArrowLeft")
    page.keyboard.press("Enter")
    expect(page.locator(".line-text")).to_have_text(
        ["Every Sunday Mama may ", "bring a boat.", "Maybe I do not.", "Papa mends the map."]
    )
    expect(flag(page, "Happy", "bring")).to_be_visible()
    expect(flag(page, "Wave", "boat")).to_be_visible()
    page.keyboard.press("Backspace")
    expect(page.locator(".line-text").first).to_have_text("Every Sunday Mama may bring a boat.")
    expect(flag(page, "Happy", "bring")).to_be_visible()

    # the word of a cue is deleted: the cue moves to the nearest and says so; undo brings both back
    page.locator(".line-text", has_text="Papa mends").get_by_text("map", exact=True).dblclick()
    page.keyboard.press("Delete")
    moved = page.get_by_role("button", name="Close-up, cue on “the”, moved: look at it")
    expect(moved).to_be_visible()
    page.keyboard.press("Control+z")
    expect(flag(page, "Close-up", "map")).to_be_visible()

    # by keys in the margin, and in its settings
    wave = page.get_by_role("button", name=re.compile("^Wave, cue"))
    wave.focus()
    page.keyboard.press("ArrowLeft")
    expect(flag(page, "Wave", "a")).to_be_visible()
    wave.click()
    settings = page.get_by_role("region", name="Cue Wave")
    settings.get_by_text("left", exact=True).click()
    settings.get_by_role("button", name="Word after").click()
    page.keyboard.press("Escape")
    expect(flag(page, "Wave, left", "boat")).to_be_visible()
    kept(page)

    # playing begins at the word of the caret
    caret_on(page, "Mama may", "boat")
    expect(page.locator(".ribbon-word").first).to_have_text("Every", timeout=30_000)
    wave_at = re.search(r"at ([\d.]+) seconds", str(page.locator(".pin", has_text="Wave").get_attribute("aria-label")))
    with page.expect_request(re.compile("proof-picture.mp4")) as asked:
        page.keyboard.press("Alt+Enter")
    begins = re.search(r"at=([\d.]+)", asked.value.url)
    assert wave_at and begins and abs(float(wave_at[1]) - float(begins[1])) < 0.5
    expect(page.get_by_label("The scene, playing")).to_be_visible(timeout=30_000)

    # it is all there after a reload, and on the ribbon; a pin dragged along takes another word
    page.reload()
    expect(flag(page, "Wave, left", "boat")).to_be_visible()
    page.locator(".line-text").first.click()
    pin = page.get_by_role("button", name=re.compile("^Happy, at"))
    expect(pin).to_be_visible(timeout=30_000)
    word = page.locator(".ribbon-word", has_text="Sunday")
    start, goal = pin.bounding_box(), word.bounding_box()
    assert start and goal
    page.mouse.move(start["x"] + 5, start["y"] + 8)
    page.mouse.down()
    page.mouse.move(goal["x"] + 8, start["y"] + 8, steps=5)
    page.mouse.up()
    expect(flag(page, "Happy", "Sunday")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Happy, cue on")).press("Delete")
    expect(page.get_by_role("button", name=re.compile("^Happy, cue on"))).to_have_count(0)
    kept(page)

    # what a host does by itself is a pale flag: left out, brought back, kept
    pale = page.get_by_role("button", name=re.compile("^Shrug, by itself"))
    expect(pale).to_be_visible(timeout=30_000)
    pale.press("Delete")
    expect(flag(page, "Nothing by itself", "Maybe")).to_be_visible()
    expect(pale).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(pale).to_be_visible(timeout=30_000)
    pale.press("Enter")
    expect(flag(page, "Shrug", "Maybe")).to_be_visible()
    kept(page)


def test_scenes_are_moved_doubled_joined_and_deleted_and_it_is_all_undone(signed_in: Page) -> None:
    page = signed_in
    write_and_cast(page)
    set_cue(page, "Papa mends", "map", "nod", "Nod")
    headings = page.locator("h2.scene-heading")
    texts = page.locator(".line-text")
    headings.nth(1).click()
    page.keyboard.press("Alt+Shift+ArrowUp")
    expect(headings).to_have_text(["The bell", "The tide room"])
    page.get_by_role("toolbar", name="Scene 1").get_by_role("button", name="Duplicate").click()
    expect(headings).to_have_text(["The bell", "The bell", "The tide room"])
    expect(page.get_by_role("button", name="Nod, cue on “map”")).to_have_count(2)
    page.get_by_role("toolbar", name="Scene 2").get_by_role("button", name="Join to 1").click()
    expect(headings).to_have_text(["The bell", "The tide room"])
    expect(texts).to_have_text(["Papa mends the map."] * 2 + ["Mama may bring a boat.", "Maybe I do not."])
    kept(page)
    headings.nth(1).click()
    page.get_by_role("button", name="Delete scene").click()
    expect(headings).to_have_text(["The bell"])
    for _ in range(4):
        page.keyboard.press("Control+z")
    expect(headings).to_have_text(["The tide room", "The bell"])
    for _ in range(4):
        page.keyboard.press("Control+Shift+z")
    expect(headings).to_have_text(["The bell"])
    headings.first.click()
    page.get_by_role("button", name="Delete scene").click()
    expect(texts).to_have_text([""])
    kept(page)
    page.get_by_role("button", name="Keys").click()
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
    assert_accessible(page)
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog", name="Keys")).to_have_count(0)
