"""The shelf as its user does: files dropped, one behind a host, one on words, an interview cut by its words, and all
that in the film."""

from __future__ import annotations

import base64
import re
from pathlib import Path

import numpy as np
import pytest
import skia
import soxr
from playwright.sync_api import Locator, Page, expect

from dearhost.production import Studio
from tests.browser.book import begin, give_voice, kept, leaf, tab
from tests.browser.conftest import assert_accessible
from tests.browser.pictures import frames
from tests.clips import counted, write_clip

pytestmark = pytest.mark.browser

SAID = ("The water was so low that I saw the old slipway.", "um", "We walked out to the wall.")
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


def numbered(studio: Studio, path: Path) -> Path:
    """A clip of numbered frames in which a made voice hesitates between two sentences."""
    parts = [studio.speaker.read(text, "joe") for text in SAID]
    quiet = np.zeros(24_000, np.float32)
    sound = np.concatenate([np.append(soxr.resample(p.samples, p.sample_rate, 48_000), quiet) for p in parts])
    sound = sound + np.random.default_rng(2).normal(0, 5e-4, len(sound))
    return write_clip(path, counted(min(255, len(sound) // 1920)), rate=25, sound=sound)


def number_in(frame: np.ndarray) -> int:
    """The number of the clip's frame that is seen, above titles and captions."""
    row = frame[3, :, 1]
    return sum(int(row[int((bit + 0.5) * len(row) / 8)] > 128) << bit for bit in range(8))


SELECT = """(line, word) => {
    const pieces = document.createTreeWalker(line, NodeFilter.SHOW_TEXT);
    while (pieces.nextNode()) {
        const at = pieces.currentNode.data.indexOf(word);
        if (at < 0) continue;
        const range = document.createRange();
        range.setStart(pieces.currentNode, at);
        range.setEnd(pieces.currentNode, at + word.length);
        getSelection().removeAllRanges();
        getSelection().addRange(range);
    }
}"""
"""Selects words of a line."""


def select(line: Locator, words: str) -> None:
    line.click()
    line.evaluate(SELECT, words)


def tidy_interview(page: Page) -> None:
    """Take an interview as a scene, and cut its hesitation and a word."""
    tab(page, "Voice")
    page.get_by_role("button", name="A clip as a scene").click()
    page.get_by_role("group", name="Which clip").get_by_role("button", name="Visitor").click()
    page.get_by_role("button", name="Put its words into the script").click()
    line = page.locator(".line-text", has_text="slipway")
    expect(line).to_be_visible(timeout=90_000)
    assert_accessible(page)
    page.get_by_role("button", name=re.compile(r"^Cut \d hesitation")).click()
    expect(page.locator(".line-text", has_text="um")).to_have_count(0)
    line.click()
    expect(page.get_by_role("region", name="This line")).to_contain_text("Said in the clip Visitor")
    select(line, "slipway")
    page.keyboard.press("Backspace")
    expect(page.locator(".line-text", has_text="slipway")).to_have_count(0)
    kept(page)


def test_own_files_are_brought_and_seen_in_the_film(
    signed_in: Page, worker: None, studio: Studio, tmp_path: Path
) -> None:
    page = signed_in
    page.get_by_role("link", name="Shelf").click()
    expect(page.get_by_text("Nothing is on the shelf yet.")).to_be_visible()
    lighter = [np.full((96, 160, 3), 20 + 2 * number, np.uint8) for number in range(100)]
    clip = write_clip(tmp_path / "moving-water.mp4", lighter, rate=25).read_bytes()
    drop(page, "red-wall.png", "image/png", red_picture())
    expect(page.get_by_role("button", name="Red wall")).to_be_visible(timeout=30_000)
    drop(page, "moving-water.mp4", "video/mp4", clip)
    expect(page.get_by_role("button", name="Moving water")).to_be_visible(timeout=30_000)
    drop(page, "visitor.mp4", "video/mp4", numbered(studio, tmp_path / "visitor.mp4").read_bytes())
    expect(page.get_by_role("button", name="Visitor")).to_be_visible(timeout=30_000)
    drop(page, "notes.txt", "text/plain", b"no picture")
    expect(page.get_by_text("'notes.txt' is no picture, clip or sound")).to_be_visible(timeout=30_000)
    assert_accessible(page)
    # rights are asked for once for all that came
    whose = page.get_by_role("region", name="Whose they are")
    expect(whose).to_contain_text("Whose are these 3?")
    whose.get_by_label("Made by").fill("Ines")
    whose.get_by_role("button", name="Say it").click()
    expect(page.get_by_text("our own, Ines")).to_have_count(3)

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
    select(page.locator(".line-text"), "The water comes back")
    page.get_by_role("toolbar", name="Selected words").get_by_role("button", name="Cue", exact=True).click()
    page.get_by_label("What happens on this word").fill("footage")
    page.keyboard.press("Enter")
    card = page.get_by_role("region", name=re.compile("^Cue"))
    card.get_by_role("button", name="Red wall").click()
    card.get_by_role("button", name="Done").click()
    kept(page)
    tidy_interview(page)

    tab(page, "Deliver")
    expect(page.get_by_role("region", name="Credits")).to_contain_text("“Red wall” by Ines")
    page.get_by_role("button", name="Render").click()
    film = page.get_by_role("listitem", name="The wall").first
    expect(film).to_have_attribute("data-status", "done", timeout=180_000)
    page.get_by_role("button", name="Close").click()
    with page.expect_download() as taken:
        film.get_by_role("link", name="Download", exact=True).click()
    pictures = frames(taken.value.path().read_bytes(), step=1)
    interview = next(i for i, (_, frame) in enumerate(pictures) if number_in(frame) == 5)
    seen = pictures[: interview - 20 : 5]
    corner = [frame[70:85, 4:14].mean() for _, frame in seen]
    assert corner[0] < 60 and max(corner) > corner[0] + 45, "what is behind moves"
    assert max(corner) < 120, "and ends where it is to: the last of it would be 220"
    red = [at for at, frame in seen if ((frame[10:60, 80:150, 0] - frame[10:60, 80:150, 2]) > 120).mean() > 0.4]
    assert red and red[0] > 0.4 and red[-1] < seen[-1][0] - 0.4, "the picture is there on its words alone"
    left = {number_in(frame) for _, frame in pictures[interview:]}
    first, um, _ = (studio.speaker.read(text, "joe") for text in SAID)
    slipway = first.words[-1]
    assert not left & {
        round((slipway.start + slipway.end) / 2 * 25),
        round((first.duration + 0.5 + um.words[0].end) * 25),
    }
    assert {20, 40, 60} <= left

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
