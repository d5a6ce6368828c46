"""The article in a web page: its headings and paragraphs, without menus, scripts and footers."""

from __future__ import annotations

import re

from dearhost.errors import UnreadableScript
from dearhost.foreign import ForeignFailure, in_own_process
from dearhost.script.pairs import COMMENT, without_pairs

_PAGE = re.compile(r"\s*(?:<\?xml[^<>]*>\s*)?<(?:!doctype\s+html|html)\b", re.I)
_LOOKED_AT = 4000


def is_web_page(text: str) -> bool:
    """Whether ``text`` is the source of a whole web page; comments may stand before it."""
    return _PAGE.match(without_pairs(text[:_LOOKED_AT], COMMENT)) is not None


def text_of_page(source: bytes, name: str) -> str:
    """The page's article as Markdown. Raises UnreadableScript where there is none."""
    try:
        text: str = in_own_process(_extracted, source)
    except ForeignFailure as error:
        raise UnreadableScript(f"'{name}' {error}. Copy the article's text from the page, and paste that.") from error
    if not text.strip():
        raise UnreadableScript(f"Nothing to read was found in '{name}'. Copy the text from the page, and paste that.")
    return text


def _extracted(source: bytes) -> str:
    # only read out of what is given: nothing of it that would fetch is imported
    from lxml import html  # noqa: PLC0415 - only in a process of its own
    from trafilatura.core import extract  # noqa: PLC0415 - expensive, and only in a process of its own

    found = extract(
        source, output_format="markdown", include_comments=False, include_tables=False, include_links=False,
        include_images=False, include_formatting=True, deduplicate=False,
    )  # fmt: skip
    if found:
        return str(found)
    page = html.document_fromstring(source or b"<p></p>")  # no article: then all that a reader would see
    for unseen in page.xpath("//script|//style|//head|//template|//noscript"):
        unseen.drop_tree()
    return "\n\n".join(" ".join(text.split()) for text in page.xpath("//text()") if text.strip())
