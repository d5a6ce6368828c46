"""Every page in windows of four sizes: nothing is squeezed, cut off, or under something else."""

from __future__ import annotations

from urllib.parse import urljoin

import pytest
from playwright.sync_api import Page, expect

from tests.browser.book import begin, kept, tab

pytestmark = pytest.mark.browser

SIZES = [(1280, 800), (1024, 700), (640, 400), (390, 844)]
PAGES = {
    "": "Begin with",
    "hosts": "Maren Oake",
    "hosts/workshop": "Somebody by chance",
    "voices": "Side by side",
    "voices/match": "Whose voice will it be?",
    "shelf": "Nothing is on the shelf yet",
    "deliveries": "Nothing has been rendered yet",
    "about": "Kokoro-82M",
}
"""A page's path, and words that are there once it is."""
WRONG = """() => {
    const wrong = [];
    const named = (e) => `${e.tagName} ${e.getAttribute('aria-label') || e.textContent.trim().slice(0, 40)}`;
    const canvas = document.createElement('canvas').getContext('2d');
    const cut = (select) => {
        const style = getComputedStyle(select);
        canvas.font = style.font;
        const room = select.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
        return canvas.measureText(select.selectedOptions[0]?.text ?? '').width > room + 2;
    };
    if (document.documentElement.scrollWidth > innerWidth) wrong.push('the page is wider than the window');
    for (const heading of document.querySelectorAll('h1, h2, h3')) {
        const line = parseFloat(getComputedStyle(heading).lineHeight);
        if (heading.checkVisibility() && heading.clientHeight > 3.5 * line) wrong.push('squeezed: ' + named(heading));
    }
    const controls = 'a[href], button, input:not([type=file], [type=checkbox], [type=radio]), select, textarea';
    for (const control of document.querySelectorAll(controls)) {
        if (!control.checkVisibility({visibilityProperty: true, opacityProperty: true})) continue;
        // flags of cues that begin at one moment lie over each other on the ribbon; all stand beside the script
        if (control.disabled || control.closest('[aria-hidden=true], .ribbon')) continue;
        control.scrollIntoView({block: 'center', inline: 'nearest'});
        const [box] = control.getClientRects();
        if (!box || box.width < 2) continue;
        if (box.left < -1 || box.right > innerWidth + 1) wrong.push('outside: ' + named(control));
        if (control.tagName === 'SELECT' && cut(control)) wrong.push('cut off: ' + named(control));
        const top = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
        const itself = top && (control.contains(top) || top.closest('label')?.contains(control));
        if (!itself) wrong.push(`under ${top?.tagName} ${top?.className}: ${named(control)}`);
    }
    return wrong;
}"""


@pytest.mark.parametrize(("width", "height"), SIZES)
def test_every_page_can_be_used_in_a_window_of_this_size(signed_in: Page, width: int, height: int) -> None:
    page = signed_in
    page.set_viewport_size({"width": width, "height": height})
    for path, words in PAGES.items():
        page.goto(urljoin(page.url, f"/{path}"))
        expect(page.get_by_text(words).first).to_be_visible(timeout=20_000)
        assert page.evaluate(WRONG) == [], path


@pytest.mark.parametrize(("width", "height"), SIZES)
def test_every_tab_of_the_prompt_book_can_be_used_in_a_window_of_this_size(
    signed_in: Page, width: int, height: int
) -> None:
    page = signed_in
    page.set_viewport_size({"width": width, "height": height})
    begin(page, "# The wall\n\nMaren: The sea comes back twice a day.\n\nSkerry: It does. I sat on it.\n")
    kept(page)
    for name in ("Brief", "Voice", "Host", "Set", "Titles", "Sound", "Deliver"):
        tab(page, name)
        expect(page.get_by_role("tabpanel")).to_be_visible()
        page.wait_for_timeout(300)  # what a tab asks for comes and may move what is there
        assert page.evaluate(WRONG) == [], name
