"""Making a host and directing a scene with them, as their user does."""

from __future__ import annotations

import re

import numpy as np
import pytest
from playwright.sync_api import Page, expect

from dearhost.production import Studio, with_choices
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.timebase import FrameRate
from server.productions.documents import production_of
from server.productions.models import Production
from server.studio import studio as server_studio
from tests.browser.book import begin, kept, pick, tab
from tests.browser.conftest import assert_accessible

pytestmark = pytest.mark.browser

SCRIPT = """# The boat

Maren: [[cue: wave]]Hello from the pier. [[cue: shrug]]Nobody knows why the [[cue: big]]sea is late.

Maren: [[cue: happy]]Good. [[cue: point-left]]There it comes, and [[cue: nod]]yes, it is wet.
"""


def test_a_host_is_made_and_directed_and_the_film_shows_it(signed_in: Page, studio: Studio) -> None:
    page = signed_in
    page.get_by_role("link", name="Hosts").click()
    expect(page.get_by_role("list", name="Hosts").get_by_role("button")).to_have_count(20)
    age = page.locator(".choice", has_text=re.compile("^of")).locator("select")
    age.select_option("animal")
    expect(page.get_by_role("list", name="Hosts").get_by_role("button")).to_have_count(2)
    age.select_option("")
    page.get_by_label("Somebody like").fill("captain")
    expect(page.get_by_role("heading", name="Dov Hale")).to_be_visible()
    assert_accessible(page)

    # words, then parts, then undo, then saved
    page.get_by_role("link", name="Make a host").click()
    page.get_by_label("Describe somebody").fill("a retired sailor, grumbly, grey beard, yellow raincoat")
    page.get_by_role("button", name="Draw four").click()
    expect(page.get_by_text("Nothing was made of “grumbly”")).to_be_visible(timeout=20_000)
    page.get_by_role("button", name="Choose candidate 2").click()
    expect(page.get_by_role("img", name="The host, standing")).to_be_visible()
    clothes = page.get_by_role("radio", name="clothes")
    pick(clothes)
    if not clothes.is_checked():  # it moved under the pointer while the candidate's pictures came
        pick(clothes)
    expect(page.get_by_role("radio", name="slicker")).to_be_checked()
    pick(page.get_by_role("radio", name="hoodie"))
    pick(page.get_by_role("radio", name="Top plum"))
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("radio", name="slicker")).to_be_checked()
    pick(page.get_by_role("radio", name="Top vermilion"))
    assert_accessible(page)
    page.get_by_label("Name", exact=True).fill("Corrin Shore")
    page.get_by_role("button", name="Save the host").click()
    expect(page.get_by_text("Corrin Shore is saved.")).to_be_visible()

    # cast, and directed by six cues
    page.get_by_role("link", name="Desk", exact=True).click()
    begin(page, SCRIPT)
    tab(page, "Host")
    page.get_by_role("button", name="Another host for Maren").click()
    sheet = page.get_by_role("dialog", name="A host for Maren")
    sheet.get_by_label("Find by name, role, age, dress or mood").fill("corrin")
    sheet.get_by_role("button", name=re.compile("Corrin Shore")).click()
    expect(page.locator(".played-by")).to_contain_text("Corrin Shore")
    # at a desk, in a coat, with eyes for the viewer
    page.locator(".words", has_text="Hosts are behind").get_by_text("a desk", exact=True).click()
    page.get_by_label("Maren wears, scene 1").select_option(label="long coat")
    page.get_by_text("How Maren behaves").click()
    page.get_by_label("Looks at the viewer").fill("0.9")
    assert_accessible(page)
    kept(page)
    production = Production.objects.get()
    staged = production_of(production.document, production.title).checked(studio)
    played = staged.entry(staged.script.speakers()[0])
    assert played.host.startswith("own-")
    assert played.eye_contact == pytest.approx(0.9)

    # the cues are where their words are heard, in the drawn frames
    bare = with_choices(staged, titles=False, captions=False)
    timeline = compile_timeline(bare, server_studio(), FrameRate.of(30))
    painter = Painter(timeline, Picture.of("16:9", 360), server_studio().resources)
    (scene,) = timeline.scenes
    assert scene.shots[0].furniture
    assert scene.shots[0].hosts[0].host == f"{played.host}~coat"
    at = {cue: moment for line in scene.lines for cue, moment in line.cues.items()}
    kinds = {cue.id: cue.kind for _, _, line in staged.script.lines() for cue in line.cues}
    assert sorted(kinds.values()) == ["big", "happy", "nod", "point-left", "shrug", "wave"]

    def picture(moment: float) -> np.ndarray:
        painter.paint(round(moment * 30))
        return painter.pixels[..., :3].astype(int)

    rest = picture(scene.duration - 0.1)
    moved = {k: np.abs(picture(at[c] + 0.1) - rest).sum(axis=2) for c, k in kinds.items()}
    left, right = (moved["wave"][:, half].sum() for half in (slice(0, 320), slice(320, 640)))
    assert right > 1.3 * left, "the right hand is up"
    left, right = (moved["point-left"][:, half].sum() for half in (slice(0, 320), slice(320, 640)))
    assert left > 1.3 * right, "and now the left one is out"
    both = [moved["big"][:, half].sum() for half in (slice(0, 320), slice(320, 640))]
    assert 0.5 < both[0] / both[1] < 2, "both hands show how big"
    for own in server_studio().hosts.shelf.latest():
        server_studio().hosts.shelf.remove(own.id)
