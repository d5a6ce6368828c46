"""What a writer feels in the prompt book: keys in a long production beside an empty one, and scrubbing."""

from __future__ import annotations

import contextlib
import os
import statistics
import time
from collections.abc import Iterator
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from benchmarks.material import LINE
from benchmarks.serving import serving

LONG_SCENES = 120
_LONG = "\n\n".join(
    f"# Part {n + 1}\n\nMaren: {LINE.format(follows='follows')}\n\nSkerry: I sat above it all the morning, part {n}."
    for n in range(LONG_SCENES)
)
_MEASURE_KEYS = """() => {
    window.waits = [];
    document.querySelector('.script').addEventListener('keydown', (event) => {
        const pressed = event.timeStamp;
        requestAnimationFrame(() => setTimeout(() => window.waits.push(performance.now() - pressed)));
    }, true);
}"""


@contextlib.contextmanager
def _prompt_book(folder: Path) -> Iterator[Page]:
    """A signed-in window on a server of its own."""
    with serving(folder) as address, sync_playwright() as playwright:
        chromium = os.environ.get("CHROMIUM", "/usr/bin/chromium")
        window = playwright.chromium.launch(executable_path=chromium, args=["--no-sandbox", "--disable-gpu"])
        page = window.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.get_by_label("Name").fill("ines")
        page.get_by_label("Password").fill("low-water")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("heading", name="Dear Ines,").wait_for()
        yield page
        window.close()


def _begin(page: Page, text: str) -> None:
    page.goto("/".join(page.url.split("/")[:3]) + "/")
    page.get_by_role("button", name="a script").click()
    page.get_by_label("Script", exact=True).fill(text)
    page.get_by_role("button", name="Begin with").click()
    page.locator(".ribbon-word").first.wait_for(timeout=120_000)


def _keys(page: Page, line: int) -> list[float]:
    page.locator(".line-text").nth(line).click()
    page.evaluate(_MEASURE_KEYS)
    for number in range(60):
        page.keyboard.type("abcde "[number % 6])
        page.wait_for_timeout(60)
    page.wait_for_timeout(500)
    return [float(wait) for wait in page.evaluate("window.waits")]


def prompt_book(folder: Path) -> Iterator[str]:
    """Opening, keystroke to paint, and stills while scrubbing."""
    with _prompt_book(folder) as page:
        _begin(page, "Maren: Mama may bring a boat.")
        short = _keys(page, 0)
        _begin(page, _LONG)
        started = time.monotonic()
        page.reload()
        page.locator(".script .line").first.wait_for()
        opened = time.monotonic() - started
        page.locator(".ribbon-word").first.wait_for(timeout=120_000)
        page.wait_for_timeout(2000)
        long = _keys(page, LONG_SCENES)
        ratio = statistics.median(long) / statistics.median(short)
        yield f"{page.locator('.folio').inner_text()}: opened in {opened:.2f} s (aim 2)"
        yield (
            f"key to paint {statistics.median(long):.0f} ms, in an empty production {statistics.median(short):.0f} ms: "
            f"{ratio:.2f} times as long (aim 2)"
        )
        page.wait_for_timeout(3000)
        yield f"scrubbing: {_scrub(page):.1f} stills a second"


def _scrub(page: Page, seconds: float = 6.0) -> float:
    """Different pictures a second while the playhead is dragged to and fro over a scene that has been read."""
    page.locator(".scene-heading").first.click()
    page.wait_for_timeout(4000)
    shore = page.locator(".shore").bounding_box()
    assert shore
    page.evaluate("""() => {
        window.pictures = new Set();
        const image = () => document.querySelector('.stage-box img');
        new MutationObserver(() => image() && window.pictures.add(image().src))
            .observe(document.querySelector('.stage-box'), {subtree: true, childList: true, attributes: true});
    }""")
    middle = shore["y"] + 70
    page.mouse.move(shore["x"] + 150, middle)
    page.mouse.down()
    started = time.monotonic()
    step = 0
    while time.monotonic() - started < seconds:
        step += 1
        page.mouse.move(shore["x"] + 150 + abs((step * 7) % 1200 - 600), middle)
        page.wait_for_timeout(12)
    page.mouse.up()
    return float(page.evaluate("window.pictures.size")) / (time.monotonic() - started)
