"""Scripts and productions as files: taken away, brought back on another desk, refused when they are damaged."""

from __future__ import annotations

import io
import re
from pathlib import Path

import docx
import pytest
from playwright.sync_api import Page, expect

from tests.browser.book import begin, choose_in_sentence, give_voice, kept, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser


def open_file(page: Page, name: str, data: bytes) -> None:
    page.get_by_label("Script file").set_input_files({"name": name, "mimeType": "", "buffer": data})


def test_a_production_is_taken_away_as_one_file_and_opened_again(signed_in: Page, tmp_path: Path) -> None:
    page = signed_in
    begin(page, "# The pier\n\nMaren: Mama may [[cue: wave left]]bring a boat.\n\n# The bell\n\nSkerry: It rings.\n")
    give_voice(page, "Maren", "Dale")
    tab(page, "Set")
    choose_in_sentence(page, "Set", "the pier")
    tab(page, "Brief")
    page.get_by_label("Point 1").fill("The bell rings")
    kept(page)
    tab(page, "Deliver")
    with page.expect_download() as taken:
        page.get_by_role("link", name="one file").click()
    assert taken.value.suggested_filename == "the-pier.dearhost"
    taken.value.save_as(tmp_path / "pier.dearhost")
    with page.expect_download() as script:
        page.get_by_role("link", name="Markdown").click()
    written = Path(script.value.path()).read_text()
    assert "Maren: [[cue: staging set=pier]]Mama may [[cue: wave left]]bring a boat." in written

    page.get_by_role("link", name="Dear Host, to the Desk").click()
    page.get_by_role("button", name="Delete The pier").click()
    expect(page.get_by_text("Your desk is empty.")).to_be_visible()
    open_file(page, "pier.dearhost", (tmp_path / "pier.dearhost").read_bytes())
    expect(page.get_by_label("Title of the production")).to_have_value("The pier")
    expect(page.get_by_role("button", name="Wave, left, cue on “bring”")).to_be_visible()
    tab(page, "Set")
    expect(page.get_by_role("button", name="Set: the pier")).to_be_visible()
    tab(page, "Voice")
    expect(page.locator(".voice-name").first).to_have_text("Dale")
    tab(page, "Brief")
    expect(page.get_by_label("Point 1")).to_have_value("The bell rings")


def test_a_word_file_is_opened_and_a_damaged_one_explained(signed_in: Page) -> None:
    page = signed_in
    document = docx.Document()
    document.add_heading("The wet line", 1)
    document.add_paragraph("MAREN: Good morning.")
    buffer = io.BytesIO()
    document.save(buffer)
    page.wait_for_selector(".ways")
    for name, data, reason in (
        ("lesson.docx", buffer.getvalue()[:700], "is not a Word document that can be read"),
        ("lesson.dearhost", b"PK torn", "is no production file, or it is damaged"),
        ("film.mp4", b"\0\0\0\x18ftyp", "is not text"),
    ):
        open_file(page, name, data)
        expect(page.get_by_role("alert")).to_contain_text(reason)
    open_file(page, "lesson.docx", buffer.getvalue())
    expect(page.locator(".scene-heading")).to_have_text("The wet line")
    expect(page.locator(".line-text")).to_have_text("Good morning.")


def test_productions_are_found_renamed_doubled_and_deleted_without_fear(signed_in: Page) -> None:
    page = signed_in
    for title in ("The pier", "The quay", "Low water", "High water", "Neap tide"):
        open_file(page, f"{title}.txt", f"# {title}\n\nMAREN: Mind the {title}.".encode())
        expect(page.get_by_label("Title of the production")).to_have_value(re.compile(title, re.I))
        page.get_by_role("link", name="Dear Host, to the Desk").click()
    page.get_by_role("searchbox", name="Find a production").fill("water")
    shelf = page.get_by_role("region", name="Productions")
    expect(shelf.get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="Duplicate Low water").click()
    expect(shelf.get_by_role("listitem")).to_have_count(3)
    page.get_by_role("button", name="Rename Low water, copy").click()
    field = page.get_by_label("New title of Low water, copy")
    expect(field).to_be_focused()
    field.fill("Spring water")
    field.press("Enter")
    expect(shelf.get_by_role("link", name=re.compile("^Spring water"))).to_be_visible()
    page.get_by_role("button", name="Delete High water").click()
    expect(shelf.get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="Undo").click()
    expect(shelf.get_by_role("listitem")).to_have_count(3)
    page.get_by_role("searchbox").fill("nothing of the kind")
    expect(shelf.get_by_text("Nothing is called so.")).to_be_visible()

    # several at once: one undo brings all of them back
    page.get_by_role("searchbox").fill("water")
    page.get_by_role("button", name="Select several").click()
    bar = page.get_by_role("toolbar", name="Selected productions")
    expect(bar.get_by_role("button", name="Delete")).to_be_disabled()
    page.get_by_role("checkbox", name="Low water").check()
    page.get_by_role("checkbox", name="Spring water").check()
    expect(bar).to_contain_text("2 selected")
    assert_accessible(page)
    bar.get_by_role("button", name="Delete").click()
    expect(shelf.get_by_text("2 productions are deleted.")).to_be_visible()
    expect(shelf.get_by_role("listitem")).to_have_count(1)
    page.get_by_role("button", name="Undo").click()
    expect(shelf.get_by_role("listitem")).to_have_count(3)
    page.get_by_role("button", name="Select several").click()
    bar.get_by_role("button", name="All of them").click()
    bar.get_by_role("button", name="Duplicate").click()
    expect(shelf.get_by_role("listitem")).to_have_count(6)
    expect(bar).to_be_hidden()

    # in a menu where the pointer is, and by keys
    spring = page.get_by_role("link", name=re.compile("^Spring water(?!,)"))
    spring.click(button="right")
    menu = page.get_by_role("menu")
    expect(menu.get_by_role("menuitem")).to_have_text(["Open", "Rename", "Duplicate", "Keep as a pattern", "Delete"])
    menu.get_by_role("menuitem", name="Rename").click()
    expect(menu).to_be_hidden()
    field = page.get_by_label("New title of Spring water", exact=True)
    expect(field).to_be_focused()
    field.fill("Flood")
    field.press("Enter")
    flood = page.get_by_role("link", name=re.compile("^Flood"))
    page.get_by_role("searchbox").fill("")
    flood.first.focus()
    page.keyboard.press("F2")
    expect(page.get_by_label("New title of Flood", exact=True)).to_be_focused()
    page.keyboard.press("Escape")
    page.get_by_role("searchbox").fill("water")
    expect(shelf.get_by_role("listitem")).to_have_count(5)
    page.get_by_role("link", name=re.compile("^Spring water, copy")).focus()
    page.keyboard.press("Delete")
    expect(shelf.get_by_text("“Spring water, copy” is deleted.")).to_be_visible()
    expect(shelf.get_by_role("listitem")).to_have_count(4)


def test_a_production_is_kept_as_a_pattern_begun_with_and_forgotten_with_undo(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# Hours\n\nMaren: We are open from nine to five.")
    kept(page)
    desk = page.get_by_role("link", name="Dear Host, to the Desk")
    desk.click()
    page.get_by_role("button", name=re.compile("^Keep as a pattern")).click()
    field = page.get_by_label("Name of the pattern")
    field.fill("Opening hours")
    field.press("Enter")
    expect(page.get_by_text("“Opening hours” is a pattern now")).to_be_visible()
    page.get_by_role("button", name="a pattern", exact=True).click()
    patterns = page.get_by_role("list", name="Patterns")
    own = patterns.get_by_role("button", name=re.compile("^Opening hours"))
    expect(own).to_be_visible()
    page.get_by_role("button", name="Forget Opening hours").click()
    expect(own).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(own).to_be_visible()
    assert_accessible(page)
    own.click()
    page.get_by_role("main", name="Script page").wait_for()
    expect(page.get_by_label("Title of the production")).to_have_value("Opening hours")
    expect(page.locator(".line-text")).to_have_text("We are open from nine to five.")
    desk.click()
    expect(page.get_by_role("region", name="Productions").get_by_role("link", name="Go on")).to_be_visible()
