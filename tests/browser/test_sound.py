"""Music and captions as their user does: chosen in a few steps, and found in the finished film."""

from __future__ import annotations

import io
import re

import av
import numpy as np
import pytest
from playwright.sync_api import Page, expect

from dearhost.films import caption_text
from dearhost.production import Studio
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from server.productions.documents import usable_production
from server.productions.models import Production
from tests.browser.book import begin, choose_in_sentence, give_voice, kept, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser

SCRIPT = "# The quay\n\nMaren: Good day to you all. The water comes back to the wall every day."


def film_of(page: Page) -> bytes:
    """Render the production, and fetch its film."""
    tab(page, "Deliver")
    page.get_by_role("button", name="Render").click()
    film = page.get_by_role("listitem", name="The quay").first
    expect(film).to_have_attribute("data-status", "done", timeout=120_000)
    page.get_by_role("button", name="Close").click()
    with page.expect_download() as taken:
        film.get_by_role("link", name="Download", exact=True).click()
    return taken.value.path().read_bytes()


def sound_of(data: bytes) -> np.ndarray:
    """The film's sound, shape (2, n), at 48 kHz."""
    with av.open(io.BytesIO(data)) as film:
        resampler = av.AudioResampler("fltp", "stereo", 48_000)
        blocks = [made.to_ndarray() for frame in film.decode(audio=0) for made in resampler.resample(frame)]
    return np.concatenate(blocks, axis=1)


def test_music_is_found_in_four_steps_and_heard_in_the_film(signed_in: Page, worker: None, studio: Studio) -> None:
    page = signed_in
    begin(page, SCRIPT)
    give_voice(page, "Maren", "Dale")
    tab(page, "Sound")  # the first step
    choose_in_sentence(page, "Music", "tense")  # the second
    choose_in_sentence(page, "Played by", "a low pulse")  # the third
    three = page.get_by_role("region", name="Three, heard under your line")
    expect(three.get_by_role("listitem")).to_have_count(3)
    kept(page)
    hear = three.get_by_role("button", name=re.compile("^Hear")).nth(1)
    hear.click()
    expect(three.get_by_role("button", name=re.compile("^Stop"))).to_be_visible(timeout=30_000)
    three.get_by_role("listitem").nth(1).get_by_role("button", name=re.compile("a minute")).click()  # the fourth
    expect(three.get_by_role("listitem").nth(1).get_by_role("button", name=re.compile("a minute"))).to_have_attribute(
        "aria-pressed", "true"
    )
    levels = page.get_by_role("region", name="Level of the music")
    levels.get_by_role("slider", name="Under words").fill("10")
    expect(levels).to_contain_text("Words begin to blur")
    levels.get_by_role("slider", name="Under words").fill("20")
    assert_accessible(page)
    kept(page)

    # captions in two more
    tab(page, "Titles")
    choose_in_sentence(page, "Captions are", "a dark box")
    # and one corrected in two: the caret in its words, what is to be read
    page.locator(".line-text").click(position={"x": 20, "y": 10})
    reads = page.get_by_label("What the caption shows")
    expect(reads).to_have_value(re.compile("^Good day"))
    reads.fill(reads.input_value().replace("Good day", "Good morning"))
    reads.press("Enter")
    corrected = page.get_by_role("region", name="Corrected captions").get_by_role("listitem")
    expect(corrected).to_have_text(re.compile("morning.*said: “day”"))
    expect(page.locator(".line-text")).to_contain_text("Good day to you all.")
    assert_accessible(page)
    # and in another style: at the top, for itself
    page.get_by_role("button", name="Another style for it").click()
    card = page.get_by_role("group", name="Where")
    card.get_by_text("top", exact=True).click()
    page.keyboard.press("Escape")
    expect(page.get_by_role("button", name="Its own style")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Captions otherwise, cue on"))).to_be_visible()
    kept(page)
    production = Production.objects.get()
    staged = usable_production(production.document, production.title, production.owner_id)
    written = caption_text(compile_timeline(staged, studio, FrameRate.of(30)), "srt")
    assert "Good morning to you all." in written and "day" in written
    data = film_of(page)
    sound = sound_of(data)
    before = sound[:, : int(0.4 * 48_000)]
    assert np.sqrt((before**2).mean()) > 1e-4, "there is music before anybody speaks"
    assert np.abs(sound[0] - sound[1]).max() > 1e-3, "and it is in two channels"
    with av.open(io.BytesIO(data)) as film:
        frames = [frame.to_ndarray(format="rgb24", width=320, height=180) for frame in film.decode(video=0)]
    assert boxed(frames[len(frames) // 2][140:170]), "the box is dark"
    first = [frame for frame in frames if boxed(frame[8:40])]
    assert 5 < len(first) < len(frames) - 5, "and one caption at the top"
    assert not any(boxed(frame[140:170]) for frame in first[2:-2]), "instead of at the foot"


def boxed(part: np.ndarray) -> bool:
    """Whether a dark box covers much of a part of a frame, 320 wide."""
    middle = part[:, 60:260].astype(int)
    return bool(((middle.max(-1) < 70) & (middle[..., 2] >= middle[..., 0])).mean() > 0.1)


TWO = "# The quay\n\nMaren: The bell rings on the quay.\n\n# Gull Island\n\nMaren: We never ring a bell here."


def test_sounds_are_offered_for_words_and_music_lies_otherwise_in_one_scene(signed_in: Page) -> None:
    page = signed_in
    begin(page, TWO)
    give_voice(page, "Maren", "Dale")
    tab(page, "Sound")
    expect(page.get_by_role("region", name="Level of the music")).to_have_count(0)
    offered = page.get_by_role("region", name="Sounds on the words of this scene")
    bell = offered.get_by_role("listitem").filter(has_text="on “bell”")
    expect(bell).to_have_count(1)
    expect(page.locator(".flag", has_text="Bell")).to_have_count(0)
    bell.get_by_role("button", name="Take").click()
    flag = page.get_by_role("button", name=re.compile("^Bell, cue on"))
    expect(flag).to_be_visible()
    expect(bell).to_have_count(0)
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(flag).to_have_count(0)
    expect(bell).to_be_visible()
    bell.get_by_role("button", name="Leave out").click()
    expect(bell).to_have_count(0)

    # one bed under both scenes, softer in the second by itself
    page.locator(".scope-words label", has_text="everywhere").click()
    page.get_by_role("button", name=re.compile("^Music: ")).click()
    page.get_by_role("group", name="Music").get_by_label("calm", exact=True).locator("xpath=ancestor::label").click()
    page.get_by_role("button", name=re.compile("^Make .* change")).click()
    levels = page.get_by_role("region", name="Level of the music")
    expect(levels).to_contain_text("20 LU below the words")
    page.locator(".line-text", has_text="We never").click()
    levels.get_by_label("Otherwise in scene 2").check()
    levels.get_by_role("slider", name="Under words").fill("30")
    expect(levels.get_by_role("heading")).to_have_text("Level, scene 2")
    expect(levels).to_contain_text("30 LU below the words")
    # nothing is offered where it is denied
    expect(offered).to_have_count(0)
    assert_accessible(page)
    page.locator(".line-text", has_text="The bell").click()
    expect(levels).to_contain_text("20 LU below the words")
    kept(page)
    staging = [scene["staging"] for scene in Production.objects.get().document["script"]["scenes"]]
    assert [scene.get("bed_under") for scene in staging] == [None, 30.0]
    levels.get_by_role("slider", name="Under words").fill("24")
    kept(page)
    document = Production.objects.get().document
    assert document["bed_under"] == 24 and document["script"]["scenes"][1]["staging"]["bed_under"] == 30


LONG = "# The quay\n\nMaren: " + "The water comes back to the wall every day, and the boats come with it. " * 3


def until(page: Page, moment: str) -> None:
    """Wait until an expression of the page is true: its policy lets nothing be evaluated inside."""
    for _ in range(300):
        if page.evaluate(moment):
            return
        page.wait_for_timeout(100)
    raise AssertionError(f"never: {moment}")


def test_a_level_that_is_changed_while_it_plays_is_heard_without_a_pause(signed_in: Page) -> None:
    page = signed_in
    begin(page, LONG)
    give_voice(page, "Maren", "Dale")
    tab(page, "Sound")
    choose_in_sentence(page, "Music", "calm")
    kept(page)
    page.evaluate(
        """() => {
            window.laid = [];
            const [append, add] = [SourceBuffer.prototype.appendBuffer, MediaSource.prototype.addSourceBuffer];
            MediaSource.prototype.addSourceBuffer = function (mime) {
                const made = add.call(this, mime);
                made.heard = mime.startsWith('audio');
                return made;
            };
            SourceBuffer.prototype.appendBuffer = function (piece) {
                window.laid.push({heard: this.heard, at: this.timestampOffset});
                return append.call(this, piece);
            };
        }"""
    )
    ribbon = page.get_by_role("region", name="Ribbon")
    ribbon.get_by_role("button", name="Play", exact=True).click()
    until(page, "document.querySelector('video').currentTime > 0.8")
    with page.expect_response(re.compile("proof-sound.mp4.*chosen=")) as answered:
        page.get_by_role("region", name="Level of the music").get_by_role("slider", name="Under words").fill("8")
    assert '"bed_under":8' in re.sub(r"%22", '"', answered.value.url).replace("%3A", ":") and answered.value.ok
    until(page, "window.laid.some(({heard, at}) => heard && at > 0.8)")  # laid over what was there
    assert page.evaluate("window.laid.every(({heard, at}) => heard || at === 0)")  # the picture stays
    at = page.evaluate("document.querySelector('video').currentTime")
    until(page, f"document.querySelector('video').currentTime > {at + 1}")
    expect(ribbon.get_by_role("button", name="Stop", exact=True)).to_be_visible()  # it has gone on all the while
    kept(page)

    # other words are another film: it stops
    page.locator(".line-text").click()
    page.keyboard.type("Listen. ")
    expect(ribbon.get_by_role("button", name="Play", exact=True)).to_be_visible()
