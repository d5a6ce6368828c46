"""What a user does in the prompt book, again and again."""

from __future__ import annotations

import re

from playwright.sync_api import Locator, Page, expect


def begin(page: Page, text: str) -> None:
    """Begin a production with a script."""
    expect(page.get_by_text("Laying out the productions…")).to_be_hidden()  # what lies there moves the buttons
    page.get_by_role("button", name="a script").click()
    page.get_by_label("Script", exact=True).fill(text)
    page.get_by_role("button", name=re.compile("^Begin with")).click()
    page.get_by_role("main", name="Script page").wait_for()


def kept(page: Page) -> None:
    """Wait until everything written is kept."""
    expect(page.get_by_test_id("keeping")).to_have_text(re.compile("^Kept"), timeout=15_000)


def tab(page: Page, name: str) -> None:
    """Open an index tab."""
    page.get_by_role("tab", name=re.compile(f"^{name}")).click()


def pick(choice: Locator) -> None:
    """Choose one of several words or colours as with the mouse: by its label, once it stands still."""
    choice.locator("xpath=ancestor::label").click()


def give_voice(page: Page, speaker: str, voice: str) -> None:
    """Choose a voice for a speaker by name, and make the changes that are listed where several scenes are hit."""
    tab(page, "Voice")
    page.get_by_role("button", name=f"Another voice for {speaker}").click()
    sheet = page.get_by_role("dialog", name=f"A voice for {speaker}")
    sheet.get_by_label("Find by name, language or character").fill(voice)
    choose = sheet.get_by_role("button", name=f"Choose {voice}", exact=True)
    expect(choose).to_be_visible()
    if choose.is_disabled():  # it is the one already
        sheet.get_by_role("button", name="Close").click()
        return
    choose.click()
    row = page.locator(".voice-row", has_text=f"{speaker} speaks with")
    make = page.get_by_role("button", name=re.compile("^Make .* change"))
    expect(row.or_(make).first).to_be_visible()
    if make.is_visible():
        make.click()
    expect(row.locator(".voice-name")).to_have_text(voice)


def still_of(page: Page) -> str:
    """The address of the still on the stage."""
    picture = page.get_by_alt_text(re.compile("Picture at the playhead"))
    expect(picture).to_be_visible(timeout=30_000)
    return str(picture.get_attribute("src"))


def leaf(page: Page, name: str) -> None:
    """Open a leaf of the Set tab."""
    page.get_by_role("tablist", name="Leaves of the set").get_by_role("tab", name=name).click()


def choose_in_sentence(page: Page, label: str, option: str) -> None:
    """Open a word of the sentence of choices, and choose what it shall say."""
    page.get_by_role("button", name=re.compile(f"^{label}: ")).click()
    pick(page.get_by_role("group", name=label).get_by_label(option, exact=True))
    expect(page.get_by_role("button", name=f"{label}: {option}")).to_be_visible()
