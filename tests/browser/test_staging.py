"""Staging as its user does: pictures taken on words, marked by hand, a look set; and all of it in the film."""

from __future__ import annotations

import re

import numpy as np
import pytest
from playwright.sync_api import Page, expect

from tests.browser.book import begin, choose_in_sentence, give_voice, kept, leaf, pick, still_of, tab
from tests.browser.conftest import assert_accessible
from tests.browser.pictures import frames

pytestmark = pytest.mark.browser

SCRIPT = """# The harbour

Maren: Good day.

Maren: The boats leave the harbour.

Maren: That is all for now.
"""


def test_a_suggestion_is_taken_retimed_and_found_on_its_words_in_the_film(signed_in: Page, worker: None) -> None:
    page = signed_in
    begin(page, SCRIPT)
    give_voice(page, "Maren", "Dale")
    tab(page, "Set")
    assert_accessible(page)

    # a suggestion names the words it comes from; nothing is shown before it is taken
    leaf(page, "On words")
    prints = page.get_by_role("region", name="Pictures on words")
    suggestion = prints.get_by_role("listitem").filter(has_text="The boats leave the harbour.")
    expect(suggestion).to_contain_text("from boats")
    expect(page.locator(".flag", has_text="Boat")).to_have_count(0)
    suggestion.get_by_role("button", name="Take").click()
    expect(suggestion).to_have_count(0)
    flag = page.get_by_role("button", name=re.compile("^Boat, cue on"))
    expect(flag).to_be_visible()

    # retimed: it ends a word sooner
    flag.click()
    card = page.get_by_role("region", name=re.compile("^Cue Boat"))
    expect(card.get_by_role("group", name="Shows").get_by_label("boat", exact=True)).to_be_checked()
    card.get_by_label("Shows: look for a thing").fill("lighthouse")
    pick(card.get_by_role("group", name="Shows").get_by_label("lighthouse", exact=True))
    page.get_by_role("button", name="Done").click()  # the card is called by what is shown
    expect(page.get_by_role("button", name=re.compile("^Lighthouse, cue on"))).to_be_visible()

    # another layout, and a look that is set as one
    leaf(page, "The set")
    before = still_of(page)
    choose_in_sentence(page, "Layout", "at the right")
    leaf(page, "Looks")
    page.get_by_role("button", name="On stage").click()
    expect(page.get_by_role("button", name="On stage")).to_have_attribute("aria-pressed", "true")
    kept(page)
    expect(page.get_by_alt_text(re.compile("Picture"))).not_to_have_attribute("src", before, timeout=30_000)
    leaf(page, "The set")
    expect(page.get_by_role("button", name="Set: a stage with a curtain")).to_be_visible()
    page.keyboard.press("Escape")

    # in the film the picture is there while its words are said, at the left, since who speaks is at the right
    tab(page, "Deliver")
    page.get_by_role("button", name="Render").click()
    film = page.get_by_role("listitem", name="The harbour")
    expect(film).to_have_attribute("data-status", "done", timeout=120_000)
    page.get_by_role("button", name="Close").click()
    with page.expect_download() as taken:
        film.get_by_role("link", name="Download", exact=True).click()
    seen = frames(taken.value.path().read_bytes())
    first = seen[1][1]
    changed = [(at, np.abs(frame[10:60, 10:70] - first[10:60, 10:70]).mean()) for at, frame in seen]
    shown = [at for at, much in changed if much > 30]
    last = seen[-1][0]
    assert shown and shown[0] > 0.6 and shown[-1] < last - 0.5, "not from the beginning, and gone before the end"


def test_a_pattern_is_begun_with_and_its_places_are_open(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("button", name="a pattern").click()
    patterns = page.get_by_role("list", name="Patterns").get_by_role("listitem")
    expect(patterns.nth(9)).to_be_visible()
    patterns.filter(has_text="A notice").get_by_role("button").click()
    page.get_by_role("main", name="Script page").wait_for()
    expect(page.get_by_label("Title of the production")).to_have_value("A notice")
    expect(page.locator(".placeholder").first).to_contain_text("{date}")
    expect(page.get_by_role("button", name=re.compile("^List, cue on"))).to_be_visible()
    tab(page, "Set")
    expect(page.get_by_role("button", name="Set: an office")).to_be_visible()


def test_selected_words_are_shown_with_what_they_name(signed_in: Page) -> None:
    page = signed_in
    begin(page, SCRIPT)
    page.locator(".line-text", has_text="The boats").click()
    page.keyboard.press("Home")
    for _ in range(2):
        page.keyboard.press("Control+Shift+ArrowRight")
    page.get_by_role("toolbar", name="Selected words").get_by_role("button", name="Picture here").click()
    card = page.get_by_role("region", name=re.compile("^Cue Boat"))
    expect(card).to_be_visible()
    expect(card.get_by_role("group", name="Where").get_by_label("beside")).to_be_checked()
