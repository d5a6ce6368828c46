"""An interview as its user tidies it: brought in as a clip, its words in the script, some cut, all that in the film."""

from __future__ import annotations

import re
from pathlib import Path

import numpy as np
import pytest
import soxr
from playwright.sync_api import Page, expect

from dearhost.production import Studio
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.timebase import FrameRate
from server.productions.documents import usable_production
from server.productions.models import Production
from tests.browser.book import begin, kept, tab
from tests.browser.conftest import assert_accessible
from tests.clips import counted, write_clip

pytestmark = pytest.mark.browser

SAID = "The water was so low that I saw the old slipway. We walked out to the wall."


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
"""Selects a word of a line."""


def numbered(studio: Studio, path: Path) -> Path:
    """A clip of numbered frames in which a made voice hesitates between two sentences."""
    parts = [studio.speaker.read(text, "joe") for text in (SAID.split(". ")[0] + ".", "um", SAID.split(". ")[1])]
    quiet = np.zeros(24_000, np.float32)
    sound = np.concatenate([np.append(soxr.resample(p.samples, p.sample_rate, 48_000), quiet) for p in parts])
    sound = sound + np.random.default_rng(2).normal(0, 5e-4, len(sound))
    return write_clip(path, counted(min(255, len(sound) // 1920)), rate=25, sound=sound)


def numbers_seen(production: Production, studio: Studio) -> list[int]:
    """The numbers of the clip's frames in the film, by the production as it is kept."""
    staged = usable_production(production.document, production.title, production.owner_id)
    timeline = compile_timeline(staged, studio, FrameRate.of(25))
    painter = Painter(timeline, Picture.of("16:9", 360), studio.resources)
    scene = timeline.scenes[-1]
    found = []
    for frame in range(timeline.frame_rate.frames_in(scene.start) + 3, timeline.frames - 2):
        painter.paint(frame)
        row = painter.pixels[10, :, 1]  # above titles and captions
        found.append(sum(int(row[int((bit + 0.5) * len(row) / 8)] > 128) << bit for bit in range(8)))
    return found


def test_an_interview_is_tidied_by_its_words(signed_in: Page, worker: None, studio: Studio, tmp_path: Path) -> None:
    page = signed_in
    begin(page, "# The visitors\n\nMaren: What did you see?")
    tab(page, "Voice")
    page.get_by_role("button", name="A clip as a scene").click()
    page.get_by_label("Which clip: bring a file in").set_input_files(numbered(studio, tmp_path / "visitor.mp4"))
    page.get_by_role("button", name="Put its words into the script").click()
    line = page.locator(".line-text", has_text="slipway")
    expect(line).to_be_visible(timeout=90_000)
    assert_accessible(page)
    kept(page)
    production = Production.objects.get()
    before = numbers_seen(production, studio)

    page.get_by_role("button", name=re.compile(r"^Cut \d hesitation")).click()
    expect(page.locator(".line-text", has_text="um")).to_have_count(0)
    line.click()
    expect(page.get_by_role("region", name="This line")).to_contain_text("Said in the clip Visitor")
    line.evaluate(SELECT, "slipway")
    page.keyboard.press("Backspace")
    expect(page.locator(".line-text", has_text="slipway")).to_have_count(0)
    kept(page)
    production.refresh_from_db()
    after = numbers_seen(production, studio)
    gone, left = set(before) - set(after), set(after)
    slipway = studio.speaker.read(SAID.split(". ")[0] + ".", "joe").words[-1]
    assert round((slipway.start + slipway.end) / 2 * 25) in gone
    assert {20, 40, 60} <= left
    assert len(before) - len(after) > 20, "a word and a hesitation of about half a second each"
