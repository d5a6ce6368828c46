"""Writing and directing a production as its user does, without leaving the prompt book."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.book import begin, choose_in_sentence, give_voice, kept, leaf, pick, still_of, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser

TWO = """# The tide room

Maren: Mama may bring a boat. The boat is old.

Skerry: Maybe I do not.

# The bell

Maren: Papa mends the boat, and rings the bell.
"""
LONG = (
    "The tide room is the oldest part of the museum. It was a boathouse once, and it still smells of tar. "
    "Every morning at six somebody opens the window and lets the sea in.\n\n"
    "Visitors ask why the wall is wet. We tell them that the sea was here, and that it will be back. "
    "Some of them wait. Most of them come again on another day.\n\n"
    "There is a bell above the door. It rings when the water reaches the lowest step. Nobody rings it."
)


def texts(page: Page) -> list[str]:
    return page.locator(".script .line-text, .script .direction").all_inner_texts()


def headings(page: Page) -> Locator:
    return page.locator(".scene-heading")


def paste(page: Page, text: str, html: str = "") -> None:
    page.evaluate(
        """([text, html]) => {
            const data = new DataTransfer();
            data.setData('text/plain', text);
            if (html) data.setData('text/html', html);
            document.querySelector('.script').dispatchEvent(
                new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true}));
        }""",
        [text, html],
    )


def test_a_two_speaker_scene_is_written_reordered_and_undone_by_keyboard_alone(signed_in: Page) -> None:
    page = signed_in
    begin(page, "")
    page.locator(".script").focus()
    page.keyboard.press("Control+Home")
    for key in (
        "The pier", "Enter", "Maren: Mind the step.", "Enter", "Skerry: Dry feet.", "Enter", "She looks up.",
    ):  # fmt: skip
        page.keyboard.press(key) if key == "Enter" else page.keyboard.type(key)
    page.keyboard.press("Alt+u")
    page.keyboard.press("Enter")
    page.keyboard.type("Maren: It rings. Twice.")
    for _ in " Twice.":
        page.keyboard.press("ArrowLeft")
    page.keyboard.press("Control+Enter")  # in the middle of a line
    expect(headings(page)).to_have_count(2)
    page.keyboard.type("The bell")
    expect(headings(page)).to_have_text(["The pier", "The bell"])
    expect(page.locator(".direction")).to_have_text("She looks up.")
    assert page.locator(".script .line").evaluate_all("lines => lines.map(l => l.dataset.speaker)") == [
        "Maren",
        "Skerry",
        "Maren",
        "Maren",
    ]
    assert texts(page)[-2:] == ["It rings.", "Twice."]
    page.keyboard.press("Alt+Shift+ArrowUp")
    expect(headings(page)).to_have_text(["The bell", "The pier"])
    page.keyboard.press("Alt+Shift+d")
    expect(headings(page)).to_have_text(["The bell", "The bell", "The pier"])
    page.get_by_label("Title of the production").fill("The pier bell")
    kept(page)  # saved in between: undo goes on across it
    written = texts(page)
    page.keyboard.press("Control+z")
    expect(page.get_by_label("Title of the production")).to_have_value("Untitled")
    page.keyboard.press("Control+Shift+z")
    expect(page.get_by_label("Title of the production")).to_have_value("The pier bell")
    page.locator(".script").focus()

    # back to the empty page, step by step, and forth again
    for _ in range(60):
        page.keyboard.press("Control+z")
    expect(headings(page)).to_have_count(1)
    assert "".join(texts(page)).strip() == ""
    for _ in range(60):
        page.keyboard.press("Control+Shift+z")
    expect(headings(page)).to_have_text(["The bell", "The bell", "The pier"])
    assert texts(page) == written


def test_scenes_are_dragged_by_their_numbers(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# One\n\nMaren: Mama.\n\n# Two\n\nMaren: Papa.\n\n# Three\n\nMaren: Map.\n")
    first, third = headings(page).nth(0).bounding_box(), headings(page).nth(2).bounding_box()
    assert first and third
    page.mouse.move(third["x"] + 10, third["y"] + 16)
    page.mouse.down()
    page.mouse.move(first["x"] + 10, first["y"] + 40, steps=6)
    expect(page.locator(".scene-drop")).to_be_visible()
    page.mouse.move(first["x"] + 10, first["y"] - 5, steps=3)
    page.mouse.up()
    expect(headings(page)).to_have_text(["Three", "One", "Two"])
    page.keyboard.press("Control+z")
    expect(headings(page)).to_have_text(["One", "Two", "Three"])


def test_what_is_chosen_holds_for_the_scene_and_is_listed_before_it_holds_for_all(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    for name in ("Maren", "Skerry"):
        give_voice(page, name, "Dale")
    tab(page, "Set")
    choose_in_sentence(page, "Set", "the pier")
    pick(page.get_by_role("group", name="For which scenes").get_by_label("everywhere"))
    pick(page.get_by_role("group", name="Set").get_by_label("the quay"))
    changes = page.get_by_role("region", name="What will change")
    expect(changes).to_contain_text("Set: “the quay” in scenes 1 and 2. Nothing else changes.")
    expect(changes.get_by_role("listitem").nth(1)).to_have_text(re.compile("2.*The bell.*now the tide room"))
    page.get_by_role("button", name="Leave it").click()
    expect(page.get_by_role("button", name="Set: the pier")).to_be_visible()
    pick(page.get_by_role("group", name="For which scenes").get_by_label("everywhere"))
    pick(page.get_by_role("group", name="Set").get_by_label("the quay"))
    page.get_by_role("button", name="Make 2 changes").click()
    expect(page.get_by_role("button", name="Set: the quay")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Set: the pier")).to_be_visible()

    # where they stand, by keys on the floor plan; the picture follows; one step to undo
    tab(page, "Host")
    kept(page)
    before = still_of(page)
    maren = page.get_by_role("slider", name="Maren: arrow keys move")
    expect(maren).to_have_attribute("aria-valuetext", "centre left")
    maren.focus()
    for _ in range(4):
        page.keyboard.press("ArrowLeft")
    for _ in range(4):
        page.keyboard.press("ArrowUp")
    expect(maren).to_have_attribute("aria-valuetext", "left, far")
    expect(page.get_by_alt_text(re.compile("Picture"))).not_to_have_attribute("src", before, timeout=30_000)
    assert_accessible(page)
    page.keyboard.press("Control+z")
    expect(maren).to_have_attribute("aria-valuetext", "centre left")

    # the end of the scene: by the handle on the ribbon or as a number
    page.get_by_role("button", name="scene", exact=True).click()
    end = page.get_by_role("button", name=re.compile("^End of scene 1: holds 0.8 seconds|^End of scene 1: holds 0.9"))
    end.focus()
    for _ in range(6):
        page.keyboard.press("ArrowRight")
    tab(page, "Set")
    leaf(page, "Frame")
    expect(page.get_by_label("Scene 1 holds after its last word")).to_have_value(re.compile(r"^1\.[34]"))


def test_find_replace_fold_and_the_length_of_what_is_selected(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    page.keyboard.press("Control+f")
    page.get_by_label("Find").fill("boat")
    status = page.locator(".find-slip [role=status]")
    expect(status).to_have_text("1 of 3")
    page.keyboard.press("Enter")
    expect(status).to_have_text("2 of 3")
    page.get_by_label("Replace", exact=True).first.fill("ship")
    page.get_by_role("button", name="Replace", exact=True).click()
    expect(status).to_have_text("2 of 2")
    page.get_by_role("button", name="Replace all 2").click()
    expect(status).to_have_text("nowhere")
    assert " ".join(texts(page)).count("ship") == 3
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    assert " ".join(texts(page)).count("boat") == 2
    page.get_by_text("Maybe I do not.").dblclick(position={"x": 20, "y": 14})
    expect(page.locator(".folio")).to_contain_text("selected: 1 word, ")
    page.keyboard.press("Alt+Shift+ArrowLeft")
    expect(page.locator(".scene").first).to_have_class(re.compile("folded"))
    expect(page.get_by_text("Maybe I do not.")).to_be_hidden()
    page.keyboard.press("Alt+Shift+ArrowRight")
    expect(page.get_by_text("Maybe I do not.")).to_be_visible()


def test_a_long_paste_is_cut_into_scenes_where_its_writer_wants(signed_in: Page) -> None:
    page = signed_in
    begin(page, "Maren: Hello.")
    page.get_by_text("Hello.").click()
    page.keyboard.press("End")
    page.keyboard.press("Enter")
    paste(page, LONG)
    card = page.get_by_role("region", name="Cut the pasted text into scenes")
    expect(card.locator(".cut-scene")).to_have_count(3)
    card.get_by_role("button", name="Cut: scene 2 begins here").focus()
    page.keyboard.press("ArrowRight")  # one sentence later
    card.get_by_role("button", name="Cut: scene 3 begins here").click()  # and no third scene
    card.get_by_role("button", name="Make 2 scenes").click()
    expect(headings(page)).to_have_count(2)
    written = texts(page)
    assert written[0] == "Hello." and written[2].endswith("Visitors ask why the wall is wet.")
    assert " ".join(written).replace("Hello. ", "") == LONG.replace("\n\n", " ")
    page.get_by_role("button", name="Undo").click()
    expect(headings(page)).to_have_count(1)

    # a page with headings comes with them, and without its dress
    page.locator(".line-text").last.click()
    paste(page, "x", "<style>p{}</style><h1>Tar</h1><p>It <b>smells</b>.</p><h2>Rope</h2><p>Skerry: And rope.</p>")
    expect(headings(page)).to_have_text(["", "Tar", "Rope"])
    assert texts(page)[1:] == ["It smells.", "And rope."]


def test_the_brief_leads_to_what_it_misses(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    tab(page, "Brief")
    page.get_by_label("Point 1").fill("Papa rings the bell")
    page.keyboard.press("Enter")
    page.keyboard.type("Gulls eat chips")
    page.get_by_label("Length").fill("4 s")
    expect(page.locator(".findings li", has_text="“Papa rings the bell” is said")).to_have_class("settled")
    missing = page.locator(".findings li", has_text="“Gulls eat chips” is not said yet")
    expect(missing).not_to_have_class("settled")
    expect(page.locator(".folio .over")).to_contain_text("over")
    page.get_by_role("button", name="Show the line: “Papa rings the bell” is said.").click()
    expect(page.locator(".folio")).to_contain_text("selected: 8 words")
    page.get_by_label("Scene 2", exact=True).fill("0:02")  # the one whose line was shown
    expect(headings(page).last).to_have_attribute("data-time", re.compile("0:0[0-9] of 0:02"))
    expect(headings(page).last).to_have_attribute("data-over", "")
    page.get_by_label("Length").fill("soon")
    expect(page.get_by_text("Write minutes and seconds, as 3:00")).to_be_visible()
    page.get_by_label("Point 1").focus()
    page.keyboard.press("Control+z")
    expect(page.get_by_label("Scene 2", exact=True)).to_have_value("")
    page.keyboard.press("Control+z")
    expect(page.get_by_label("Length")).to_have_value("")
    assert_accessible(page)


def test_a_reload_in_the_middle_of_typing_loses_nothing_older_than_a_second(signed_in: Page) -> None:
    page = signed_in
    begin(page, "Maren: Mama may.")
    page.get_by_text("Mama may.").click()
    page.keyboard.press("End")
    page.keyboard.type(" One two three four.", delay=20)
    page.wait_for_timeout(1000)
    page.keyboard.type(" Five", delay=20)
    page.on("dialog", lambda dialog: dialog.accept())
    page.reload()
    expect(page.locator(".line-text")).to_have_text(re.compile("^Mama may. One two three four."))


def test_playing_goes_through_scenes_and_repeats_what_is_selected(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    for name in ("Maren", "Skerry"):
        give_voice(page, name, "Dale")
    kept(page)
    expect(page.locator(".ribbon-word").first).to_be_visible(timeout=30_000)
    page.get_by_label("Speed of playing").select_option("2")
    page.get_by_role("button", name="Play").click()
    second = page.locator("nav[aria-label=Scenes] button", has_text="The bell")
    expect(second).to_have_attribute("aria-current", "true", timeout=30_000)
    expect(page.locator(".at-playhead")).to_have_text(re.compile("Papa|mends|the|boat|and|rings|bell"), timeout=10_000)
    expect(page.get_by_role("button", name="Play")).to_be_visible(timeout=30_000)  # at the end it stops by itself

    page.get_by_text("Maybe I do not.").dblclick(position={"x": 20, "y": 14})
    page.get_by_role("button", name="Repeat").click()
    page.get_by_role("button", name="Play").click()
    word = page.locator(".at-playhead")
    expect(word).to_be_visible(timeout=30_000)
    page.wait_for_timeout(2500)  # long enough to have gone on, were it not repeated
    expect(page.get_by_role("button", name="Stop")).to_be_visible()
    page.get_by_role("button", name="Stop").click()


@pytest.mark.parametrize("width", [1024, 1280])
def test_every_tab_fits_and_is_accessible(signed_in: Page, width: int) -> None:
    page = signed_in
    page.set_viewport_size({"width": width, "height": 800})
    begin(page, TWO)
    for name in ("Brief", "Voice", "Host", "Set", "Deliver"):
        tab(page, name)
        assert page.evaluate("document.documentElement.scrollWidth") <= width
        assert_accessible(page)


def test_who_comes_back_to_a_window_is_told_that_another_went_on(signed_in: Page) -> None:
    page = signed_in
    begin(page, "Maren: Mama may.")
    other = page.context.new_page()
    other.goto(page.url)
    other.get_by_text("Mama may.").click(position={"x": 5, "y": 12})
    other.keyboard.press("End")
    other.keyboard.type(" And sings.")
    expect(other.locator(".line-text")).to_have_text("Mama may. And sings.")
    kept(other)
    other.close()
    page.evaluate("window.dispatchEvent(new Event('focus'))")
    told = page.get_by_role("alertdialog", name="Two windows changed this production")
    expect(told.locator("mark")).to_have_text(re.compile("And sings"))
    told.get_by_role("button", name="Use that one").click()
    expect(page.locator(".line-text")).to_have_text("Mama may. And sings.")
    page.get_by_role("button", name="Undo").click()  # even this can be taken back
    expect(page.locator(".line-text")).to_have_text("Mama may.")


def test_a_line_is_said_in_another_manner_and_no_other_is(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    for name in ("Maren", "Skerry"):
        give_voice(page, name, "Dale")
    page.get_by_text("Maybe I do not.").click(position={"x": 20, "y": 12})
    said = page.locator(".line-delivery")
    expect(said.locator(".panel-title")).to_contain_text("Skerry, scene 1, line 2")
    pick(said.get_by_role("group", name="How the line is said").get_by_label("calm"))
    flags = page.locator(".flag:not(.pale)")
    expect(flags).to_have_text(["Calm"])
    said.get_by_label(re.compile("^Pace")).focus()
    for _ in range(3):
        page.keyboard.press("ArrowRight")
    expect(flags).to_have_text(["Calm, quicker"])
    page.keyboard.press("Control+z")  # the three keys are one step
    expect(flags).to_have_text(["Calm"])
    page.keyboard.press("Control+Shift+z")
    kept(page)
    said.get_by_role("button", name="Hear the line").click()
    expect(page.locator(".at-playhead")).to_have_text(re.compile("Maybe|I|do|not"), timeout=30_000)
    said.get_by_role("button", name="As it comes").click()
    expect(flags).to_have_count(0)
    assert_accessible(page)


def test_voices_are_found_by_character_and_heard_on_the_speakers_own_sentence(signed_in: Page) -> None:
    page = signed_in
    begin(page, "Maren: Mama may bring a boat. Papa may not.")
    tab(page, "Voice")
    page.get_by_role("button", name="Another voice for Maren").click()
    sheet = page.get_by_role("dialog", name="A voice for Maren")
    expect(sheet.get_by_label("They all say")).to_have_value("Mama may bring a boat.")
    find = sheet.get_by_label("Find by name, language or character")
    find.fill("woman calm")
    expect(sheet.locator(".voice-list b")).to_have_text(["Vera"])
    find.fill("basque")
    with page.expect_response(lambda answer: "audition.wav" in answer.url) as heard:
        sheet.get_by_role("button", name="Hear Basque").click()
    assert heard.value.ok and heard.value.headers["content-type"] == "audio/wav"
    assert "Mama%20may%20bring" in heard.value.url
    sheet.get_by_label("They all say").fill("წყალი")  # letters this voice cannot read
    expect(sheet.get_by_role("button", name="Hear Basque")).to_have_text("Hear", timeout=15_000)
    sheet.get_by_role("button", name="Hear Basque").click()
    expect(sheet.get_by_role("alert")).to_contain_text("Choose a voice of that language")
    find.fill("nobody like that")
    expect(sheet.get_by_text("No voice is like that.")).to_be_visible()
    assert_accessible(page)
