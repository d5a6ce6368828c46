"""The whole job as its user does it: paste a script, look and listen, change a word, render, take the film home."""

from __future__ import annotations

import re
from pathlib import Path

import av
import pysubs2
import pytest
import webvtt
from playwright.sync_api import Page, Route, expect

from server.productions.models import Production
from tests.browser.book import begin, give_voice, kept, pick, still_of, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser

SCRIPT = """# The tide room

(Morning, the window is open.)

Maren: Mind the step. The wall was wet this morning.

Skerry: Dry feet, as ever. [waves]

# The bell

Maren: It rings when the sea is back.
"""


def test_from_a_pasted_script_to_a_film(signed_in: Page, worker: None, tmp_path: Path) -> None:
    page = signed_in
    assert_accessible(page)

    # 1. paste a script: scenes, speakers, the direction apart from what is said, words and time
    begin(page, SCRIPT)
    leaf = page.get_by_role("main", name="Script page")
    expect(leaf.locator("h2, .scene-heading")).to_have_text(["The tide room", "The bell"])
    expect(leaf.locator(".line-text")).to_have_count(3)
    expect(leaf.get_by_text("Morning, the window is open.")).to_be_visible()
    expect(leaf.locator(".unspoken")).to_have_text("[waves]")
    expect(leaf.locator(".folio")).to_contain_text("2 scenes · 20 words · about 0:0")

    # 2. who plays, which voice, what shape
    first = still_of(page)
    tab(page, "Host")
    page.get_by_role("button", name="Another host for Maren").click()
    page.get_by_role("dialog", name="A host for Maren").get_by_role("button", name="Imani Sedge").click()
    give_voice(page, "Skerry", "Pip")
    tab(page, "Set")
    page.get_by_role("tab", name="Frame").click()
    pick(page.get_by_role("group", name="Shape of the picture").get_by_label("1:1"))
    tab(page, "Titles")
    expect(page.get_by_label("Captions in the picture, scene 1")).to_be_checked()
    kept(page)
    expect(page.locator(".stage-box")).to_have_attribute("data-shape", "1:1")
    expect(page.get_by_alt_text(re.compile("Picture"))).not_to_have_attribute("src", first, timeout=30_000)

    # 3. listen and look: the word that is heard is lit in the script
    expect(page.locator(".ribbon-word").first).to_have_text("Mind", timeout=30_000)
    page.get_by_role("button", name="Play").click()
    lit = leaf.locator(".at-playhead")
    expect(lit).to_have_text(re.compile(r"\w"), timeout=30_000)  # any: a word is lit for less than the polling takes
    expect(page.get_by_label("The scene, playing")).to_be_visible()
    page.get_by_role("button", name="Stop").click()
    slider = page.get_by_role("slider", name="Time in the scene")
    slider.focus()
    page.keyboard.press("Home")
    at_start = still_of(page)
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    expect(lit).to_have_text("The")
    expect(page.get_by_alt_text(re.compile("Picture"))).not_to_have_attribute("src", at_start)
    assert_accessible(page)

    # 4. change a word: only that line is read again, and undo is there
    line = leaf.locator(".line-text", has_text="It rings when")
    line.click()
    page.keyboard.press("End")
    page.keyboard.press("Backspace")
    page.keyboard.type(", every day.")
    expect(line).to_have_text("It rings when the sea is back, every day.")
    kept(page)
    page.keyboard.press("Control+z")
    expect(line).not_to_have_text("It rings when the sea is back, every day.")
    page.keyboard.press("Control+Shift+z")
    expect(line).to_have_text("It rings when the sea is back, every day.")
    kept(page)

    # 5. render it, watch the progress, play it, take it home
    tab(page, "Deliver")
    page.get_by_label("Size").select_option("720")
    expect(page.get_by_text(re.compile(r"^about \d+ (s|min), about [\d.]+ MB$"))).to_be_visible()
    page.get_by_role("button", name="Render").click()
    film = page.get_by_role("listitem", name="The tide room")
    expect(film.get_by_role("progressbar")).to_be_visible()
    expect(film).to_have_attribute("data-status", "done", timeout=120_000)
    expect(page.get_by_text("The film “The tide room” is done.")).to_be_visible()
    page.get_by_role("button", name="Close").click()
    film.get_by_role("button", name="Play").click()
    shown = film.get_by_label("Film: The tide room")
    shown.evaluate("film => new Promise(done => { film.ontimeupdate = () => film.currentTime > 0.3 && done(); })")
    expect(shown).to_have_js_property("videoWidth", 720)
    saved = {}
    for name, label in (("mp4", "Download"), ("srt", "SRT"), ("vtt", "WebVTT")):
        with page.expect_download() as download:
            film.get_by_role("link", name=label, exact=True).click()
        assert download.value.suggested_filename == f"the-tide-room.{name}"
        saved[name] = tmp_path / f"film.{name}"
        download.value.save_as(saved[name])
    with av.open(str(saved["mp4"])) as opened:
        video = opened.streams.video[0]
        assert (video.width, video.height, video.average_rate) == (720, 720, 30)
        seconds = float(opened.duration or 0) / 1e6
    said = [" ".join(e.plaintext.split()) for e in pysubs2.load(str(saved["srt"]))]
    assert " ".join(said) == (
        "Mind the step. The wall was wet this morning. Dry feet, as ever. It rings when the sea is back, every day."
    )
    assert [" ".join(c.text.split()) for c in webvtt.read(str(saved["vtt"]))] == said
    assert pysubs2.load(str(saved["srt"]))[-1].end / 1000 <= seconds
    page.get_by_role("link", name="Deliveries").click()
    row = page.get_by_role("listitem", name="The tide room")
    expect(row).to_contain_text("today")
    row.locator("img").evaluate("picture => picture.decode()")  # it is there
    assert_accessible(page)
    row.get_by_role("button", name="Remove").click()
    expect(row).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    row.get_by_role("link", name="The tide room").click()
    expect(page.get_by_label("Title of the production")).to_have_value("The tide room")


def test_a_script_that_cannot_be_rendered_says_why_and_opens_when_it_is_filled_in(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# A greeting\n\nMaren: Dear [name], come and see.")
    tab(page, "Deliver")
    expect(page.get_by_text("'[name]' is still open at scene 1, line 1")).to_be_visible()
    expect(page.get_by_role("button", name="Render")).to_be_disabled()
    line = page.locator(".line-text")
    # a click takes the whole slot, and what is typed stands in its place, brackets and all
    line.locator(".placeholder").click()
    page.keyboard.type("visitor")
    expect(line).to_have_text("Dear visitor, come and see.")
    expect(page.get_by_text("Nothing is open")).to_be_visible(timeout=15_000)
    kept(page)
    expect(page.get_by_role("button", name="Render")).to_be_enabled()


def test_what_is_still_open_is_one_click_away(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# A greeting\n\nMaren: Come in.\n\n# The pier\n\nSkerry: The {company} pays.")
    tab(page, "Deliver")
    page.get_by_role("listitem").filter(has_text="'{company}' is still open").get_by_role(
        "button", name="Show it"
    ).click()
    page.keyboard.type("museum")
    expect(page.locator(".line-text").last).to_have_text("The museum pays.")


def test_a_part_of_a_line_is_left_unsaid(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# A greeting\n\nMaren: Come in. Mind the step. Sit down.")
    line = page.locator(".line-text")
    line.click()
    page.keyboard.press("End")
    for _ in "Sit down.":
        page.keyboard.press("Shift+ArrowLeft")
    page.get_by_role("toolbar", name="Selected words").get_by_role("button", name="Leave unsaid").click()
    expect(line).to_have_text("Come in. Mind the step. [[Sit down.]]")
    expect(line.locator(".unspoken")).to_have_text("[[Sit down.]]")
    page.keyboard.press("ControlOrMeta+z")
    expect(line).to_have_text("Come in. Mind the step. Sit down.")


def test_two_windows_and_a_lost_connection_lose_nothing(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# The pier\n\nMaren: Mama may.")
    kept(page)
    other = page.context.new_page()
    other.goto(page.url)
    other.locator(".line-text").click()
    other.keyboard.press("End")
    other.keyboard.type(" From the other window.")
    kept(other)

    page.locator(".line-text").click()
    page.keyboard.press("End")
    page.keyboard.type(" From this one.")
    choice = page.get_by_role("alertdialog", name="Two windows changed this production")
    expect(choice).to_contain_text("Mama may. From this one.")
    expect(choice).to_contain_text("Mama may. From the other window.")
    choice.get_by_role("button", name="Use this one").click()
    kept(page)
    page.get_by_test_id("keeping").click()
    expect(page.get_by_text("not taken")).to_be_visible()
    page.keyboard.press("Escape")

    page.context.set_offline(True)
    page.locator(".line-text").click()
    page.keyboard.press("End")
    page.keyboard.type(" And on.")
    expect(page.get_by_role("alert")).to_contain_text("Dear Host does not answer since")
    page.context.set_offline(False)
    page.get_by_role("button", name="Try now").click()
    kept(page)
    page.reload()
    expect(page.locator(".line-text")).to_have_text("Mama may. From this one. And on.")


def test_a_save_whose_answer_was_lost_is_known_again(signed_in: Page) -> None:
    page = signed_in
    begin(page, "MAREN: Mama may bring a boat.")
    kept(page)
    production = Production.objects.get()
    lost: list[str] = []

    def answer_is_lost(route: Route) -> None:
        if route.request.method != "PUT" or lost:
            route.continue_()
            return
        lost.append(route.request.url)
        route.fetch()
        route.abort()

    page.route(f"**/api/productions/{production.id}", answer_is_lost)
    page.locator(".line-text").click()
    page.keyboard.press("End")
    page.keyboard.type(" And on.")
    expect(page.get_by_role("alert")).to_contain_text("Dear Host does not answer since")
    page.keyboard.type(" And on again.")
    kept(page)
    expect(page.get_by_role("alertdialog")).to_have_count(0)
    production.refresh_from_db()
    assert production.document["script"]["scenes"][0]["blocks"][0]["text"].endswith("boat. And on. And on again.")


def write_away_and_close(page: Page, text: str) -> None:
    """Write at the end of the first line while the server cannot be reached, then close the window."""
    page.context.set_offline(True)
    page.locator(".line-text").first.click()
    page.keyboard.press("End")
    page.keyboard.type(text)
    expect(page.get_by_text("does not answer")).to_be_visible()
    page.close(run_before_unload=False)
    page.context.set_offline(False)


def test_what_was_written_while_away_is_compared_when_another_window_went_on(signed_in: Page) -> None:
    page = signed_in
    begin(page, "MAREN: Mama may bring a boat.")
    kept(page)
    address = page.url
    write_away_and_close(page, " Written away.")

    other = page.context.new_page()
    other.goto(address)
    expect(other.locator(".line-text")).to_contain_text("Written away.")  # the draft of the closed window
    kept(other)
    left = "Object.keys(localStorage).filter((key) => key.startsWith('dear-host-draft-')).length"
    assert other.evaluate(left) == 0  # kept, so nothing waits

    # and now somebody else saves in between
    write_away_and_close(other, " Once more.")
    third = page.context.new_page()
    third.goto(address.rsplit("/productions/", 1)[0])
    production = address.rsplit("/", 1)[1]
    third.evaluate(
        """async (id) => {
            const path = `/api/productions/${id}`;
            const now = await (await fetch(path)).json();
            now.document.script.scenes[0].blocks[0].text = "Somebody else wrote this.";
            const token = document.cookie.match(/csrftoken=([^;]+)/)[1];
            const headers = { "Content-Type": "application/json", "X-CSRFToken": token };
            const body = JSON.stringify({ revision: now.revision, title: now.title, document: now.document });
            await fetch(path, { method: "PUT", headers, body });
        }""",
        production,
    )
    third.goto(address)
    dialog = third.get_by_role("alertdialog", name="Two windows changed this production")
    expect(dialog).to_contain_text("Somebody else")
    dialog.get_by_role("button", name="Use this one").click()
    expect(third.locator(".line-text")).to_contain_text("Once more.")
    kept(third)
    third.reload()
    expect(third.locator(".line-text")).to_contain_text("Once more.")


@pytest.mark.parametrize(("width", "height"), [(390, 844), (640, 400)], ids=["phone", "zoom 200 %"])
def test_a_narrow_window_has_everything_one_below_the_other(signed_in: Page, width: int, height: int) -> None:
    page = signed_in
    page.set_viewport_size({"width": width, "height": height})
    begin(page, "# The pier\n\nMaren: Mama may bring a boat.\n\nSkerry: It rings.")
    kept(page)
    fits = "document.documentElement.scrollWidth <= window.innerWidth"
    assert page.evaluate(fits)
    for name in ("Brief", "Voice", "Host", "Set", "Titles", "Sound", "Deliver"):
        tab(page, name)
        expect(page.get_by_role("tabpanel", name=name)).to_be_visible()
        assert page.evaluate(fits), name
    render = page.get_by_role("button", name="Render")
    render.scroll_into_view_if_needed()
    expect(render).to_be_in_viewport()
    expect(render).to_be_enabled()
    still_of(page)
    assert_accessible(page)
    page.get_by_role("link", name="Dear Host, to the Desk").click()
    page.get_by_role("heading", name="Dear Ines,").wait_for()
    assert page.evaluate(fits)


def test_a_production_begins_with_its_brief(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("button", name="a brief").click()
    expect(page.get_by_role("tab", name="Brief")).to_have_attribute("aria-selected", "true")
    expect(page.get_by_label("About")).to_be_focused()
    page.keyboard.type("Why the sea comes back")
    page.get_by_label("Point 1").fill("keys")
    expect(page.get_by_text("Is one word: what about it?")).to_be_visible()
    page.get_by_label("Point 1").fill("Twice a day")
    expect(page.get_by_text("Is one word")).to_have_count(0)
    page.get_by_label("Length").fill("60 s")
    kept(page)
    page.reload()
    tab(page, "Brief")
    expect(page.get_by_label("About")).to_have_value("Why the sea comes back")
    expect(page.get_by_label("Point 1")).to_have_value("Twice a day")


def test_a_new_production_is_seen_at_once(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("button", name="a script").click()
    page.get_by_role("button", name=re.compile("^Begin")).click()
    picture = page.get_by_alt_text(re.compile("Picture at the playhead"))
    expect(picture).to_have_attribute("src", re.compile(r"opening\.jpg"))
    picture.evaluate("picture => picture.decode()")
    expect(page.get_by_text("Write a line, and it is said here.")).to_be_visible()
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(page.get_by_role("tab", name="Deliver")).to_have_text("Deliver")
    page.locator(".line-text").click()
    page.keyboard.type("Otto: So it is.")
    expect(page.locator(".line-text")).to_have_text("So it is.")
    kept(page)
    expect(page.get_by_text("Otto is played by")).to_be_visible()
    expect(page.locator(".played-by .voice-name")).to_have_text("Tobias Reed")
    page.get_by_role("button", name="Find").click()
    page.get_by_label("Find", exact=True).fill("so")
    expect(page.get_by_text("1 of 1")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Redo").click()
    expect(page.locator(".line-text")).to_have_text("So it is.")
