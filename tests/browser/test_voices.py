"""Directing a line, recording one's own voice and matching a voice, as their user does."""

from __future__ import annotations

import re
from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest
from playwright.sync_api import Page, expect

from dearhost.production import Studio
from dearhost.speech.matching import SENTENCES
from dearhost.wav import as_wav
from server.productions.models import Production, Take
from server.studio import studio as server_studio
from tests.browser.book import begin, give_voice, kept, pick
from tests.browser.conftest import SAID, assert_accessible

pytestmark = pytest.mark.browser
_TRIES = 3
"""On a machine that has other work the browser's own microphone drops samples; a person records once more."""


def line_in_voice_tab(page: Page) -> None:
    """A production of one line by a quick voice, the caret in it, the Voice tab open."""
    begin(page, f"# The boat\n\nMaren: {SAID}\n")
    give_voice(page, "Maren", "Dale")
    kept(page)
    page.locator(".line-text", has_text="Mama").click()
    expect(page.get_by_role("figure", name=re.compile("tune of the line"))).to_be_visible(timeout=20_000)


def test_readings_become_takes_and_one_of_them_is_the_lines(signed_in: Page) -> None:
    page = signed_in
    line_in_voice_tab(page)
    takes = page.get_by_role("complementary", name="Takes of this line")
    takes.get_by_role("button", name="Keep this").click()
    expect(takes.get_by_role("button", name=re.compile("^as it comes"))).to_have_attribute("aria-pressed", "true")
    takes.get_by_role("button", name="Three more").click()
    expect(takes.locator("li")).to_have_count(4, timeout=20_000)
    takes.locator("li").nth(2).locator(".take-name").click()
    expect(page.get_by_role("button", name="Another reading, cue on “Mama”")).to_be_visible()
    kept(page)
    pick(page.get_by_role("radio", name="urgent"))
    expect(page.get_by_role("button", name="Urgent, cue on “Mama”")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Another reading, cue on “Mama”")).to_be_visible()
    takes.get_by_role("button", name="Hear take 3").click()
    expect(takes.get_by_role("button", name="Stop")).to_be_visible()
    page.keyboard.press("2")  # a key for each take
    expect(takes.locator("li").nth(1).get_by_role("button", name="Stop")).to_be_visible()
    takes.get_by_role("button", name=re.compile("^Take 3")).click()
    sheet = page.get_by_role("dialog", name="Take 3")
    sheet.get_by_label("Name").fill("the quiet one")
    sheet.get_by_role("button", name="Close").click()
    expect(takes.get_by_text("the quiet one")).to_be_visible()
    # rewriting the line leaves the takes, and says that they have older words
    page.locator(".line-text", has_text="Mama").click()
    page.keyboard.press("End")
    page.keyboard.type(" Soon.")
    kept(page)
    expect(takes.get_by_text("older words")).to_have_count(4)
    assert_accessible(page)


def test_a_pause_is_typed_between_two_words_and_dragged(signed_in: Page) -> None:
    page = signed_in
    line_in_voice_tab(page)
    gap = page.get_by_role("button", name=re.compile("^Pause before and"))
    box = gap.bounding_box()
    assert box
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 10)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 40, box["y"] + 10, steps=4)
    page.mouse.up()
    expect(page.get_by_role("button", name=re.compile("^Pause 0.. s, cue on “and”"))).to_be_visible()
    kept(page)
    field = page.get_by_label("Seconds of pause before and")
    expect(field).to_have_value(re.compile(r"\d\.\d\d"), timeout=15_000)
    field.fill("1.5")
    field.press("Enter")
    kept(page)
    expect(field).to_have_value(re.compile(r"1\.(49|50|51)"), timeout=15_000)


def test_a_line_is_recorded_and_the_lips_follow_it(signed_in: Page, studio: Studio) -> None:
    page = signed_in
    line_in_voice_tab(page)
    page.get_by_role("complementary", name="Takes of this line").get_by_role("button", name="Record").click()
    sheet = page.get_by_role("dialog", name=re.compile("^Record"))
    begin_recording = sheet.get_by_role("button", name="Record", exact=True)
    whole = sheet.get_by_text("Every word is in it.")
    for _ in range(_TRIES):
        begin_recording.click()
        expect(sheet.get_by_text(re.compile(r"^Recording [6-9]\.\d s"))).to_be_visible(timeout=20_000)
        sheet.get_by_role("button", name="Stop").click()
        expect(sheet.get_by_role("status")).to_contain_text(re.compile("Every word|Look at this"), timeout=30_000)
        if whole.is_visible():
            break
        begin_recording = sheet.get_by_role("button", name="Once more")
    expect(whole).to_be_visible()
    sheet.get_by_role("button", name="Put it in the film").click()
    expect(page.get_by_role("button", name="Recording, cue on “Mama”")).to_be_visible()
    kept(page)
    production = Production.objects.get()
    scene = production.document["script"]["scenes"][0]["id"]
    times = page.request.get(
        f"{page.url.split('/productions')[0]}/api/productions/{production.pk}/scenes/{scene}/times"
    ).json()
    said = studio.speaker.read(SAID, "joe")
    words = times["lines"][0]["words"]
    shift = float(np.median([w["start"] - s.start for w, s in zip(words, said.words, strict=True)]))
    assert [w["text"] for w in words] == [w.text for w in said.words]
    errors = [abs(w["start"] - shift - s.start) for w, s in zip(words, said.words, strict=True)]
    assert np.mean(errors) < 0.04 and max(errors) < 0.15, errors
    closures = [p.start + shift for p in said.phones if p.symbol in ("m", "b", "p")]
    closed = np.array([m["at"] for m in times["mouths"] if m["closed"]])
    near = [np.abs(closed - (at + 0.04)).min() < 0.1 for at in closures]
    assert np.mean(near) > 0.85, (closures, closed)
    take = Take.objects.order_by("number").last()
    assert take and take.notes == [] and take.recording


def test_a_line_is_heard_at_once_while_it_is_written(signed_in: Page, studio: Studio) -> None:
    page = signed_in
    begin(page, f"# The boat\n\nMaren: {SAID}\n")
    give_voice(page, "Maren", "Hannah")
    page.get_by_text("at once, by a quick voice").click()
    kept(page)
    page.locator(".line-text", has_text="Mama").click()
    told = page.get_by_text("Heard at once, spoken by Joe. When it plays and in the film Hannah speaks.")
    expect(told).to_be_visible(timeout=30_000)
    page.keyboard.press("Control+End")
    page.keyboard.type(" Now.")
    with page.expect_response(re.compile(r"/lines/\w+/sound\.wav$")) as heard:
        page.get_by_role("button", name="Hear the line").click()  # at once: what was typed is heard all the same
    wav = as_wav(studio.speaker.read(f"{SAID} Now.", "joe"))
    assert heard.value.headers["content-length"] == str(len(wav))
    assert page.request.get(heard.value.url).body() == wav
    expect(page.get_by_role("button", name="Hear the line")).to_be_visible(timeout=20_000)  # it has ended


def test_a_line_of_several_sentences_is_heard_while_it_is_read(signed_in: Page) -> None:
    page = signed_in
    begin(page, f"# The boat\n\nMaren: {SAID}\n")
    give_voice(page, "Maren", "Hannah")
    kept(page)
    page.locator(".line-text", has_text="Mama").click()
    expect(page.get_by_text(re.compile("spoken by Hannah"))).to_be_visible(timeout=30_000)
    page.keyboard.press("Control+End")
    page.keyboard.type(" The harbour empties. Forty boats sit down in the mud, and nobody minds. Then it comes back.")
    with page.expect_response(re.compile(r"/lines/\w+/sound\.wav$")) as heard:
        page.get_by_role("button", name="Hear the line").click()
    assert "content-length" not in heard.value.headers, "it is not read to its end yet"
    expect(page.get_by_role("button", name="Stop").first).to_be_visible(timeout=10_000)
    expect(page.get_by_role("button", name="Hear the line")).to_be_visible(timeout=40_000)  # it has ended
    expect(page.get_by_role("alert")).to_have_count(0)


def test_a_name_is_said_as_it_is_respelled(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# The town\n\nMaren: Quillhaven wakes. Quillhaven’s bell rings.\n")
    give_voice(page, "Maren", "Dale")
    kept(page)
    page.get_by_role("button", name="Say-as list").click()
    sheet = page.get_by_role("dialog", name="Say-as list")
    expect(sheet.get_by_role("button", name="Put Quillhaven on the list")).to_be_visible()
    page.keyboard.press("Escape")
    page.locator(".line-text", has_text="wakes").dblclick(position={"x": 20, "y": 12})
    page.get_by_role("button", name="Say as…").click()
    expect(sheet.get_by_label("Quillhaven respelled")).to_be_focused()
    expect(sheet.get_by_text("2 times")).to_be_visible()
    sheet.get_by_label("Quillhaven respelled").fill("KWIL hay vun")
    sheet.get_by_role("button", name="Hear Quillhaven").click()
    expect(sheet.get_by_role("button", name="Hear Quillhaven")).to_have_text("Stop")
    sheet.get_by_role("button", name="Share these").click()
    expect(sheet.get_by_text("Shared: 1 word for every production.")).to_be_visible()
    with page.expect_download() as saved:
        sheet.get_by_role("link", name="Save as PLS").click()
    lexicon = Path(saved.value.path()).read_text()
    assert "<grapheme>Quillhaven</grapheme>" in lexicon and "<alias>KWIL hay vun</alias>" in lexicon
    sheet.get_by_label("A pronunciation list").set_input_files(
        {"name": "a.pls", "mimeType": "text/xml", "buffer": lexicon.replace("KWIL hay vun", "kwill").encode()}
    )
    expect(sheet.get_by_label("Quillhaven respelled")).to_have_value("kwill")
    sheet.get_by_label("A pronunciation list").set_input_files(
        {"name": "a.pls", "mimeType": "text/xml", "buffer": b"<html/>"}
    )
    expect(sheet.get_by_role("alert")).to_contain_text("no pronunciation list")
    expect(sheet.get_by_label("Quillhaven respelled")).to_have_value("kwill")
    sheet.get_by_role("button", name="Close", exact=True).click()
    kept(page)
    assert Production.objects.get().document["say_as"] == [{"word": "Quillhaven", "alias": "kwill", "ipa": ""}]
    page.get_by_role("button", name="Undo").click()
    kept(page)
    assert Production.objects.get().document["say_as"][0]["alias"] == "KWIL hay vun"


def test_voices_are_found_heard_side_by_side_and_marked(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("link", name="Voices").click()
    page.get_by_label("They all say").fill("The tide is in.")
    page.get_by_label("Voices that sound").fill("spanish formant")
    rows = page.get_by_role("list", name="Voices").get_by_role("listitem")
    expect(rows).to_have_count(2)
    rows.first.get_by_role("button", name=re.compile("side by side")).click()
    beside = page.get_by_role("region", name="Side by side")
    expect(beside.get_by_text("3 Inés")).to_be_visible()
    rows.first.get_by_role("button", name=re.compile("^Mark")).click()
    expect(rows.first.get_by_role("button", name=re.compile("^Mark"))).to_have_attribute("aria-pressed", "true")
    rows.first.get_by_role("button", name=re.compile("^Hear")).click()
    expect(rows.first.get_by_role("button", name="Stop")).to_be_visible()
    page.get_by_role("heading", name="Voices").click()
    page.keyboard.press("3")
    expect(beside.get_by_role("button", name=re.compile("Hear .* side by side")).nth(2)).to_have_text("Stop")
    page.reload()
    expect(rows.first).to_be_visible()
    page.get_by_label("Marked only").click()
    expect(rows).to_have_count(1)
    page.get_by_label("Voices that sound").fill("nobody like this")
    expect(page.get_by_text("No voice is like that")).to_be_visible()
    assert_accessible(page)


def test_a_voice_is_matched_with_consent_and_withdrawn(
    signed_in: Page, worker: None, studio: Studio, monkeypatch: pytest.MonkeyPatch
) -> None:
    registry = server_studio().voices
    formant = {"formant": registry.bases()["formant"]}
    monkeypatch.setattr(registry, "bases", lambda: formant)  # one kind of base voice is enough here
    page = signed_in
    page.get_by_role("link", name="Voices").click()
    page.get_by_role("link", name="Match a voice").click()
    page.get_by_label("Name of the person").fill("Ines Calder")
    page.get_by_role("button", name="Begin").click()
    expect(page.get_by_role("heading", name="The voice of Ines Calder")).to_be_visible()
    fit = page.get_by_role("button", name="Fit the voice")
    expect(fit).to_be_disabled()
    upload = page.get_by_label("A recording of the person")
    upload.set_input_files({"name": "a.wav", "mimeType": "audio/wav", "buffer": b"no sound at all"})
    expect(page.get_by_role("alert")).to_contain_text("damaged, or no sound file")
    upload.set_input_files({"name": "a.wav", "mimeType": "audio/wav", "buffer": sample_of(studio)})
    expect(page.get_by_text(re.compile("^A recording, 2. s"))).to_be_visible(timeout=20_000)
    expect(fit).to_be_disabled()  # nobody agreed yet
    page.get_by_role("button", name="Ines Calder agrees").click()
    expect(page.get_by_text("Consent, in writing")).to_be_visible()
    assert_accessible(page)
    fit.click()
    expect(page.get_by_text(re.compile(r"\d+ % of the way"))).to_be_visible(timeout=90_000)
    expect(page.get_by_text("measured on 2 sentences it was not fitted to")).to_be_visible()  # by drafted words
    for which in ("Ines Calder", "The base voice", "The match"):
        with page.expect_response(re.compile(r"(sound|before|after)\.wav")) as answer:
            page.get_by_role("button", name=f"Hear: {which}").click()
        assert answer.value.ok
    page.get_by_role("link", name="To the voices").click()
    matched = page.get_by_role("region", name="Matched voices")
    expect(matched.get_by_text("Ines Calder", exact=True)).to_be_visible()
    page.get_by_label("Voices that sound").fill("Ines spanish")
    expect(page.get_by_role("list", name="Voices").get_by_role("listitem")).to_have_count(2)
    matched.get_by_role("button", name="Withdraw").click()
    page.get_by_role("dialog").get_by_text("No production uses it.").wait_for()
    page.get_by_role("button", name="Withdraw it").click()
    expect(matched.get_by_text(re.compile("withdrew consent"))).to_be_visible()
    expect(page.get_by_role("list", name="Voices").get_by_role("listitem")).to_have_count(0)
    for voice in registry.matched.all():
        registry.matched.path(voice.id).unlink()


def sample_of(studio: Studio) -> bytes:
    """Some sentences of the neural voice in a quiet room, in place of a person's recording."""
    readings = [studio.speaker.read(text, "joe") for text in SENTENCES[:5]]
    silence = np.zeros(round(0.4 * readings[0].sample_rate), np.float32)
    samples = np.concatenate([part for r in readings for part in (silence, r.samples)])
    samples = (samples + np.random.default_rng(1).normal(0, 1e-4, len(samples))).astype(np.float32)
    return as_wav(replace(readings[0], samples=samples, duration=len(samples) / readings[0].sample_rate))


def test_a_voice_is_made_from_words_and_speaks_for_everybody(signed_in: Page) -> None:
    page = signed_in
    begin(page, "# The town\n\nMaren: The tide is in.\n\nSkerry: So it is.\n")
    kept(page)
    book = page.url
    page.get_by_role("link", name="Voices").click()
    page.get_by_label("Say who speaks, and how").fill("zzz")
    page.get_by_role("button", name="Make it").click()
    expect(page.get_by_role("alert")).to_contain_text("an old man, deep and slow")
    page.get_by_label("Say who speaks, and how").fill("a salty old man, deep and slow")
    page.get_by_role("button", name="Make it").click()
    sheet = page.get_by_role("dialog", name="Tune a made voice")
    expect(sheet.get_by_text("Nothing was made of “salty”")).to_be_visible()
    sheet.get_by_label("Name of the voice").fill("Old Corrin")
    sheet.get_by_label("Pace").fill("0.9")
    sheet.get_by_role("button", name="Hear it").click()
    expect(sheet.get_by_role("button", name="Stop")).to_be_visible(timeout=20_000)
    assert_accessible(page)
    sheet.get_by_role("button", name="Close").click()
    expect(page.get_by_role("button", name="Hear Old Corrin", exact=True)).to_be_visible()
    page.goto(book)
    page.get_by_role("tab", name="Voice").click()
    page.get_by_role("button", name="One voice for everybody").click()
    voices = page.get_by_role("dialog", name="A voice for everybody")
    voices.get_by_label("Find by name, language or character").fill("corrin")
    voices.get_by_role("button", name="Choose Old Corrin").click()
    page.get_by_label("Effect on the voice of Maren").select_option("radio")
    kept(page)
    cast = {name.upper(): entry for name, entry in Production.objects.get().document["cast"].items()}
    (made,) = (voice for voice in server_studio().voices.made.all() if voice.name == "Old Corrin")
    assert {entry["voice"] for entry in cast.values()} == {made.id}
    assert made.shape.pace == 0.9
    assert (cast["MAREN"]["effect"], cast["SKERRY"]["effect"]) == ("radio", "none")
    server_studio().voices.made.remove(made.id)
