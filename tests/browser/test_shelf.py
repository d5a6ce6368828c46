"""The shelf as its user does: files dropped, one behind a host, one on words, and both in the film."""

from __future__ import annotations

import base64
import re
from pathlib import Path

import numpy as np
import pytest
import skia
from playwright.sync_api import Page, expect

from tests.browser.book import begin, give_voice, kept, leaf, tab
from tests.browser.conftest import assert_accessible
from tests.browser.pictures import frames
from tests.clips import write_clip

pytestmark = pytest.mark.browser

SCRIPT = "# The wall\n\nMaren: Good day. The water comes back to the wall. That is all for now."


def red_picture(blue_from: float = 1.0) -> bytes:
    """A red picture, blue from a part of its width on."""
    pixels = np.zeros((360, 640, 4), np.uint8)
    pixels[..., 3] = 255
    pixels[:, : round(640 * blue_from), 0] = pixels[:, round(640 * blue_from) :, 2] = 230
    return bytes(skia.Image.fromarray(pixels, colorType=skia.kRGBA_8888_ColorType).encodeToData())


def drop(page: Page, name: str, kind: str, data: bytes) -> None:
    """Drop a file on the page, as from the desktop."""
    transfer = page.evaluate_handle(
        """([name, kind, bytes]) => {
            const held = new DataTransfer();
            held.items.add(new File([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], name, { type: kind }));
            return held;
        }""",
        [name, kind, base64.b64encode(data).decode()],
    )
    page.locator(".shelf-spread").dispatch_event("drop", {"dataTransfer": transfer})


def test_own_files_are_brought_and_seen_in_the_film(signed_in: Page, worker: None, tmp_path: Path) -> None:
    page = signed_in
    page.get_by_role("link", name="Shelf").click()
    expect(page.get_by_text("Nothing is on the shelf yet.")).to_be_visible()
    lighter = [np.full((96, 160, 3), 20 + 2 * number, np.uint8) for number in range(100)]
    clip = write_clip(tmp_path / "moving-water.mp4", lighter, rate=25).read_bytes()
    drop(page, "red-wall.png", "image/png", red_picture())
    expect(page.get_by_role("button", name="Red wall")).to_be_visible(timeout=30_000)
    drop(page, "moving-water.mp4", "video/mp4", clip)
    expect(page.get_by_role("button", name="Moving water")).to_be_visible(timeout=30_000)
    drop(page, "notes.txt", "text/plain", b"no picture")
    expect(page.get_by_text("'notes.txt' is no picture, clip or sound")).to_be_visible(timeout=30_000)
    assert_accessible(page)
    # rights are asked for once for all that came
    whose = page.get_by_role("region", name="Whose they are")
    expect(whose).to_contain_text("Whose are these 2?")
    whose.get_by_label("Made by").fill("Ines")
    whose.get_by_role("button", name="Say it").click()
    expect(page.get_by_text("our own, Ines")).to_have_count(2)

    page.get_by_role("link", name="Desk", exact=True).click()
    begin(page, SCRIPT)
    give_voice(page, "Maren", "Dale")
    tab(page, "Set")
    page.get_by_role("group", name="Set").get_by_label("Moving water").click()
    expect(page.get_by_role("button", name="Set: Moving water")).to_be_visible()
    leaf(page, "Fit")
    page.get_by_label("as it is", exact=True).click()
    page.get_by_role("region", name="How it lies behind them").get_by_label(re.compile("^Ends at")).fill("1.6")
    kept(page)

    # on words: selected, a cue, the picture from the shelf
    page.locator(".line-text").click()
    page.keyboard.press("Home")
    for _ in range(2):
        page.keyboard.press("Control+ArrowRight")
    for _ in range(4):
        page.keyboard.press("Control+Shift+ArrowRight")
    page.get_by_role("toolbar", name="Selected words").get_by_role("button", name="Cue", exact=True).click()
    page.get_by_label("What happens on this word").fill("footage")
    page.keyboard.press("Enter")
    card = page.get_by_role("region", name=re.compile("^Cue"))
    card.get_by_role("button", name="Red wall").click()
    card.get_by_role("button", name="Done").click()
    kept(page)

    tab(page, "Deliver")
    expect(page.get_by_role("region", name="Credits")).to_contain_text("“Red wall” by Ines")
    page.get_by_role("button", name="Render").click()
    film = page.get_by_role("listitem", name="The wall").first
    expect(film).to_have_attribute("data-status", "done", timeout=120_000)
    page.get_by_role("button", name="Close").click()
    with page.expect_download() as taken:
        film.get_by_role("link", name="Download", exact=True).click()
    seen = frames(taken.value.path().read_bytes())
    corner = [frame[70:85, 4:14].mean() for _, frame in seen]
    assert corner[0] < 60 and max(corner) > corner[0] + 60, "what is behind moves"
    assert max(corner) < 120, "and ends where it is to: the last of it would be 220"
    red = [at for at, frame in seen if ((frame[10:60, 80:150, 0] - frame[10:60, 80:150, 2]) > 120).mean() > 0.4]
    assert red and red[0] > 0.4 and red[-1] < seen[-1][0] - 0.4, "the picture is there on its words alone"

    # it is told where it is used, and not put away
    page.get_by_role("link", name="Shelf").click()
    page.get_by_role("button", name="Red wall").click()
    expect(page.get_by_role("region", name="Red wall").get_by_role("link")).to_be_visible()
    expect(page.get_by_role("button", name="Put it away")).to_have_count(0)


def test_the_screen_is_recorded_with_ones_voice_straight_to_the_shelf(signed_in: Page, worker: None) -> None:
    page = signed_in
    page.get_by_role("link", name="Shelf").click()
    page.get_by_role("button", name="the screen", exact=True).click()
    sheet = page.get_by_role("dialog", name="Record: The screen")
    expect(sheet.get_by_label("With my voice")).to_be_checked()
    sheet.get_by_role("button", name="Record").click()
    expect(sheet.get_by_text("Recording")).to_be_visible(timeout=10_000)
    expect(sheet.get_by_label("What is recorded")).to_be_visible()
    expect(sheet.get_by_label("Level of the microphone")).to_be_visible()
    page.wait_for_timeout(1500)
    sheet.get_by_role("button", name="Stop").click()
    expect(sheet.get_by_text("It is not kept yet.")).to_be_visible()
    assert_accessible(page)
    sheet.get_by_role("button", name="Put it on the shelf").click()
    whose = page.get_by_role("region", name="Whose they are")
    expect(whose).to_contain_text("Whose is “The screen, ", timeout=30_000)
    things = page.evaluate("fetch('/api/shelf').then((answer) => answer.json())")
    thing = next(thing for thing in things if thing["title"].startswith("The screen"))
    assert thing["kind"] == "clip" and thing["sounds"] and thing["seconds"] > 1
