"""The article in a web page: its headings and paragraphs, without menus, scripts and footers."""

from __future__ import annotations

import re

from dearhost.errors import UnreadableScript
from dearhost.foreign import ForeignFailure, in_own_process

_PAGE = re.compile(r"\s*(?:<\?xml[^>]*>\s*)?(?:<!--.{0,2000}?-->\s*)*<(?:!doctype\s+html|html)\b", re.I | re.S)


def is_web_page(text: str) -> bool:
    """Whether ``text`` is the source of a whole web page."""
    return _PAGE.match(text[:4000]) is not None


def text_of_page(source: bytes, name: str) -> str:
    """The page's article as Markdown. Raises UnreadableScript where there is none."""
    try:
        text: str = in_own_process(_extracted, source)
    except ForeignFailure as error:
        raise UnreadableScript(f"'{name}' {error}. Copy the article's text from the page, and paste that.") from error
    if not text.strip():
        raise UnreadableScript(f"No article was found in '{name}'. Copy the text from the page, and paste that.")
    return text


def _extracted(source: bytes) -> str:
    # only read out of what is given: nothing of it that would fetch is imported
    from trafilatura.core import extract  # noqa: PLC0415 - expensive, and only in a process of its own

    found = extract(
        source, output_format="markdown", include_comments=False, include_tables=False, include_links=False,
        include_images=False, include_formatting=True, deduplicate=False,
    )  # fmt: skip
    return str(found or "")
