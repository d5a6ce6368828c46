"""What the application is built on can be read from the Desk."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from tests.browser.conftest import assert_accessible


def test_parts_and_their_licences_are_read_from_the_desk(signed_in: Page) -> None:
    page = signed_in
    page.get_by_role("link", name="About", exact=True).click()
    expect(page.get_by_role("heading", name="About Dear Host")).to_be_visible()
    row = page.get_by_role("listitem").filter(has_text="piper")
    expect(row).to_contain_text("GPL-3.0-or-later")
    assert_accessible(page)
    with page.expect_popup() as opened:
        row.get_by_role("link").click()
    expect(opened.value.locator("body")).to_contain_text("GNU GENERAL PUBLIC LICENSE")
