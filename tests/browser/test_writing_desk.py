"""The writing desk as a person uses it: from a topic to a kept draft, comments, a document, rework and back."""

from __future__ import annotations

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import Page, expect

from dearhost.writing.fake_model import FakeModelServer
from tests.browser.book import begin, kept, tab
from tests.browser.conftest import assert_accessible
from tests.dearhost.writing.briefs import LANTERN
from tests.dearhost.writing.test_key_points import ARTICLE

pytestmark = pytest.mark.browser


def _begin_with_brief(page: Page, points: tuple[str, ...] = LANTERN.points) -> None:
    page.get_by_role("button", name="a brief", exact=True).click()
    page.get_by_label("About").fill(LANTERN.topic)
    for number, point in enumerate(points, 1):
        page.get_by_label(f"Point {number}", exact=True).fill(point)
        if number < len(points):
            page.get_by_label(f"Point {number}", exact=True).press("Enter")
    page.get_by_label("Their words").fill(LANTERN.own_words)


def _leaf(page: Page, name: str) -> None:
    page.get_by_role("navigation", name="Leaves of the brief").get_by_role("button", name=name, exact=True).click()


def test_from_a_topic_to_a_kept_draft_in_eight_actions(signed_in: Page) -> None:
    page = signed_in
    actions = [
        lambda: page.get_by_role("button", name="a brief", exact=True).click(),
        lambda: page.get_by_label("About").fill("the harbour lantern"),
        lambda: _points(page, "shines for forty hours on one candle\nno plug and no charger\nweighs 600 grams"),
        lambda: _leaf(page, "Drafts"),
        lambda: page.get_by_label("Length of the drafts").fill("0:20"),
        lambda: page.get_by_label("Length of the drafts").press("Enter"),
        lambda: page.get_by_role("button", name="Keep all of A").click(),
        lambda: page.get_by_role("button", name="Make it the script").click(),
    ]
    for action in actions:
        action()
    expect(page.locator(".script .line").first).to_contain_text(re.compile("lantern|plug|forty"))
    assert len(actions) <= 8


def _points(page: Page, text: str) -> None:
    """Typed in one go, Enter between them."""
    for number, point in enumerate(text.split("\n"), 1):
        page.get_by_label(f"Point {number}", exact=True).fill(point)
        page.get_by_label(f"Point {number}", exact=True).press("Enter")


def test_parts_of_several_drafts_are_kept_compared_and_undone(signed_in: Page) -> None:
    page = signed_in
    _begin_with_brief(page)
    page.get_by_label("Script", exact=True).click()
    page.keyboard.type("An old line that is there already.")
    _leaf(page, "Drafts")
    galleys = page.locator(".galley")
    expect(galleys).to_have_count(3)
    assert_accessible(page)
    page.get_by_role("button", name=re.compile("^Keep: .* of A$")).first.click()
    page.get_by_role("button", name=re.compile("^Keep: .* of B$")).first.click()
    paste_up = page.get_by_role("region", name="What is kept")
    expect(paste_up).to_contain_text("B from B")
    expect(paste_up).not_to_contain_text("A from A")  # another opening takes its place
    page.get_by_role("button", name=re.compile("^Keep: .* of A$")).nth(2).click()
    expect(paste_up.get_by_text("Keep an", exact=False)).to_have_count(0)
    opening = paste_up.locator(".kept-line .serif").first.inner_text()
    page.get_by_role("button", name="Make it the script").click()
    sheet = page.get_by_role("dialog", name="Make it the script")
    expect(sheet).to_contain_text("An old line that is there already.")
    sheet.get_by_role("button", name="Make it the script").click()
    expect(page.locator(".script .line").first).to_contain_text(opening[:20])
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(".script")).to_contain_text("An old line that is there already.")


def test_what_is_held_back_says_why_and_another_length_mends_it(signed_in: Page) -> None:
    page = signed_in
    _begin_with_brief(page, LANTERN.points[:4])
    _leaf(page, "Drafts")
    page.get_by_label("Length of the drafts").fill("3:00")
    page.get_by_label("Length of the drafts").press("Enter")
    expect(page.get_by_text(re.compile(r"holds about 0:\d\d. For 3:00 add points")).first).to_be_visible()
    page.get_by_label("Length of the drafts").fill("0:25")
    page.get_by_label("Length of the drafts").press("Enter")
    expect(page.locator(".galley").first).to_be_visible()
    first = page.locator(".galley").first.inner_text()
    page.locator(".galley").first.get_by_role("button", name="Another like it").click()
    expect(page.locator(".galley").first).not_to_have_text(first)
    page.get_by_role("button", name="Ideas").click()
    page.get_by_role("button", name="how it began").click()
    expect(page.get_by_label("Point 5", exact=True)).to_have_value("{how it began}")


SCRIPT = """# The bell

Maren: In fact, the bell, which was cast in 1884, hangs beside the last post. It is worth knowing that it is very loud.

Skerry: It rang for two hours in order to warn the boats, and nobody slept at all that night.
"""


def _lines(page: Page) -> list[str]:
    return page.locator(".script .line").all_text_contents()


def test_a_rework_is_a_proof_taken_and_left_sentence_by_sentence(signed_in: Page) -> None:
    page = signed_in
    begin(page, SCRIPT)
    before = _lines(page)
    tab(page, "Brief")
    page.get_by_role("button", name=re.compile("^Rework")).click()
    proof = page.get_by_role("region", name="Proof of the rework")
    page.get_by_label("Length", exact=True).fill("0:12")
    page.get_by_label("Length", exact=True).press("Enter")
    expect(page.get_by_text(re.compile("with all"))).to_be_visible()
    assert_accessible(page)
    rows = proof.locator(".proof-row[tabindex]")
    expect(rows.first).to_be_visible()
    rows.first.click()
    rows.first.focus()
    page.keyboard.press("Enter")
    expect(proof.locator(".proof-row.taken")).to_have_count(1)
    page.keyboard.press("Delete")
    expect(proof.locator(".proof-row.left")).to_have_count(1)
    assert _lines(page) == before, "nothing is changed before it is put in"
    page.get_by_role("button", name=re.compile("^(Put in what is taken|Put 1 change in)$")).click()
    expect(page.locator(".script .line").first).not_to_contain_text("In fact")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(".script .line").first).to_contain_text("In fact, the bell, which was cast in 1884")


def test_a_tone_asks_for_what_it_cannot_make_up(signed_in: Page) -> None:
    page = signed_in
    begin(page, SCRIPT)
    tab(page, "Brief")
    page.get_by_role("button", name=re.compile("^Rework")).click()
    page.get_by_label("How", exact=True).select_option("tone")
    page.get_by_label("Tone", exact=True).select_option("sinister")
    expect(page.get_by_text("Mood words are yours to give.", exact=False)).to_be_visible()
    page.get_by_role("button", name="Leave the script as it is").click()
    expect(page.locator(".script .line").first).to_contain_text("In fact")


def test_a_tone_brings_its_delivery_when_it_is_wished(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Quay\n\nMaren: Come and see the bell.")
    tab(page, "Brief")
    page.get_by_role("button", name=re.compile("^Rework")).click()
    page.get_by_label("How", exact=True).select_option("tone")
    page.get_by_label("Tone", exact=True).select_option("calmer")
    expect(page.get_by_text("This tone changes nothing here.")).to_be_visible()
    page.get_by_label("Have it said so too: calm, slower").check()
    page.get_by_role("button", name="Put the delivery in").click()
    expect(page.get_by_role("button", name=re.compile("calm", re.I)).first).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name=re.compile("calm", re.I))).to_have_count(0)


def test_what_runs_over_is_said_quicker_and_back(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Quay\n\nMaren: The tide comes in twice a day. First the water reaches the steps, then the road.")
    tab(page, "Brief")
    read = re.compile(r"^0:0[1-9] now")  # read, no longer "about"
    expect(page.locator(".gauge-now")).to_contain_text(read, timeout=60_000)
    expect(page.get_by_label("Ways to come to it")).to_have_count(0)
    page.get_by_label("Length", exact=True).fill("0:06")
    page.get_by_label("Length", exact=True).press("Tab")
    ways = page.get_by_label("Ways to come to it")
    expect(ways).to_contain_text("to cut")
    assert_accessible(page)
    ways.get_by_role("button", name=re.compile("^(Speak|Do both)")).first.click()
    if page.get_by_role("button", name="Leave the script as it is").is_visible():
        page.get_by_role("button", name="Leave the script as it is").click()
    tab(page, "Voice")
    pace = page.get_by_label("Pace of Maren")
    expect(pace).not_to_have_value("1")
    page.get_by_role("button", name="Undo").click()
    expect(pace).to_have_value("1")
    tab(page, "Brief")
    expect(page.locator(".gauge-now")).to_contain_text(read, timeout=60_000)


def test_comments_are_sorted_and_go_to_the_brief_and_into_a_scene(signed_in: Page, worker: None) -> None:
    page = signed_in
    begin(page, SCRIPT)
    tab(page, "Brief")
    _leaf(page, "In their words")
    page.get_by_label("Comments, one a line").fill(
        "Why is the bell so loud?\nWhy is that bell so loud at night?\nI wish it rang on Sundays.\n"
        "@quill_fan Please ring it on Sundays!\nA lovely bell.\nCame by bus.\nA lovely bell."
    )
    page.get_by_role("button", name="Sort them").click()
    expect(page.get_by_text("6 comments, kept without names; left out: 1 said twice")).to_be_visible()
    expect(page.get_by_role("heading", name=re.compile("What they wish for in 2"))).to_be_visible()
    expect(page.locator(".unserved")).to_contain_text("Sundays")
    expect(page.locator(".their-words")).not_to_contain_text("quill_fan")
    assert_accessible(page)
    page.locator(".unserved").get_by_role("button", name="To the brief").click()
    page.get_by_role("button", name="Into scene 1").first.click()
    expect(page.locator(".script .direction")).to_contain_text("Asked: “")
    page.get_by_role("button", name="wish", exact=True).click()
    expect(page.get_by_role("heading", name=re.compile("What they wish for in 3"))).to_be_visible()
    rows = page.locator(".concern", has_text="What they wish for").locator(".theme:has(b)")
    before = rows.count()
    rows.last.locator(".theme-said").click()
    page.get_by_label(re.compile("is the same as")).select_option(index=1)
    expect(rows).to_have_count(before - 1)
    page.get_by_role("button", name="To the tone").click()
    page.reload()
    tab(page, "Brief")
    expect(page.get_by_label("Their words")).to_have_value(re.compile("Sundays"))
    expect(page.get_by_label(re.compile("^Tone"))).to_have_value(re.compile("lovely bell", re.I))
    _leaf(page, "In their words")
    expect(page.get_by_role("heading", name=re.compile("What they wish for in 3"))).to_be_visible()
    page.get_by_role("button", name="Put all away").click()
    expect(page.get_by_label("Comments, one a line")).to_be_visible()


def test_points_of_a_document_are_ticked_reworded_and_taken(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("button", name="a brief", exact=True).click()
    page.get_by_label("Document to take points from").set_input_files(
        {"name": "rope_walk.md", "mimeType": "text/markdown", "buffer": ARTICLE.encode()}
    )
    sheet = page.get_by_role("dialog", name="Points of a document")
    expect(sheet.get_by_role("button", name="Take 8 points")).to_be_visible()
    assert_accessible(page)
    sheet.get_by_label("Take point 1", exact=True).uncheck()
    sheet.get_by_label("Point 2", exact=True).fill("The shed is 180 metres long")
    sheet.get_by_label("Move point 2 up").click()
    expect(sheet.get_by_label("Point 1", exact=True)).to_have_value("The shed is 180 metres long")
    sheet.get_by_role("button", name=re.compile("^Take [78] points$")).click()
    expect(page.get_by_label("Point 1", exact=True)).to_have_value("The shed is 180 metres long")
    page.get_by_label("Document to take points from").set_input_files(
        {"name": "notes.rtf", "mimeType": "text/rtf", "buffer": b"{\\rtf1 hello}"}
    )
    expect(page.get_by_role("alert")).to_contain_text("Rich Text")


def test_open_places_are_filled_in_one_go_and_the_same_one_everywhere(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Hello\n\nMaren: Hello [name]. Come on {which day?}.\n\nMaren: See you, [name].\n")
    tab(page, "Brief")
    page.get_by_role("button", name="Fill them in").click()
    sheet = page.get_by_role("dialog", name="Open places")
    expect(sheet).to_contain_text("in 2 places")
    sheet.get_by_label(re.compile("^name")).fill("Ines")
    sheet.get_by_role("button", name="Fill 1 in").click()
    expect(page.locator(".script .line").first).to_contain_text("Hello Ines. Come on {which day?}.")
    expect(page.locator(".script .line").nth(1)).to_contain_text("See you, Ines.")
    expect(page.get_by_text("1 place is open in the script.")).to_be_visible()


def test_tab_goes_from_one_open_place_to_the_next_and_typing_fills_it(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Hello\n\nMaren: Come on {which day?} to {which door?}.\n")
    expect(page.locator(".script .placeholder")).to_have_count(2)
    page.locator(".script .placeholder").first.click()
    page.keyboard.press("Tab")
    page.keyboard.type("the blue door")
    expect(page.locator(".script .line").first).to_contain_text("Come on {which day?} to the blue door.")


def test_directions_that_read_like_cues_become_cues(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Hello\n\n(Maren waves)\n\nMaren: Good morning. [points to the left] The boats lie there.\n")
    tab(page, "Brief")
    page.get_by_role("button", name="See them").click()
    sheet = page.get_by_role("dialog", name="Directions as cues")
    expect(sheet).to_contain_text("Wave on “Good”")
    expect(sheet).to_contain_text("Point left on “The”")
    sheet.get_by_role("button", name="Put all 2 there").click()
    expect(page.locator(".script .direction")).to_have_count(0)
    expect(page.locator(".script .line").first).to_contain_text("Good morning. The boats lie there.")
    expect(page.get_by_role("button", name=re.compile("Wave"))).to_be_visible()
    kept(page)
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(".script .direction")).to_have_count(1)


@pytest.fixture
def fake_model() -> Iterator[FakeModelServer]:
    fake = FakeModelServer(
        lambda request: "# Body\n\nIt shines for forty hours on one candle. 5,000 sailors carry one."
    )
    yield fake
    fake.close()


def test_a_model_is_off_until_set_shows_what_it_is_sent_and_what_it_made_up(
    signed_in: Page, worker: None, fake_model: FakeModelServer
) -> None:
    page = signed_in
    _begin_with_brief(page)
    _leaf(page, "Drafts")
    page.get_by_role("button", name="A model of your own").click()
    sheet = page.get_by_role("dialog", name="A model of your own")
    expect(sheet.get_by_role("button", name="Have it write a draft")).to_be_disabled()
    sheet.get_by_label("Listens at").fill("http://models.example.org")
    sheet.get_by_role("button", name="Set").click()
    expect(sheet.get_by_role("alert")).to_contain_text("not this machine. Nothing was sent.")
    sheet.get_by_label("Listens at").fill(fake_model.address)
    sheet.get_by_role("button", name="Set").click()
    sheet.get_by_text("What will be sent, and nothing else").click()
    expect(sheet.locator("pre")).to_contain_text("shines for forty hours on one candle")
    assert fake_model.requests == []
    sheet.get_by_role("button", name="Have it write a draft").click()
    expect(sheet.get_by_text("Not in your brief: 5000")).to_be_visible()
    sheet.get_by_role("button", name="Close").click()
    for _ in range(3):
        following = page.get_by_role("button", name="Next", exact=True)
        if following.is_enabled():
            following.click()
    expect(page.get_by_role("article", name=re.compile("by the model"))).to_contain_text("which number?")
