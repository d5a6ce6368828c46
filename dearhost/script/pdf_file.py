"""The text of a PDF: paragraphs out of printed rows, without what stands on every page."""

from __future__ import annotations

import io
import re
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence

from dearhost.errors import UnreadableScript
from dearhost.foreign import ForeignFailure, in_own_process

_MOST_PAGES = 400
_LEAST_LETTERS = 20
_DIVIDED = re.compile(r"[^\W\d_]-$")
_SENTENCE_END = re.compile(r"[.!?…:][\"'”’)]*$")


def text_of_pdf(data: bytes, name: str) -> str:
    """What is written in a PDF, a paragraph each. Raises UnreadableScript where nothing is, or it is locked."""
    try:
        pages: list[list[str]] = in_own_process(_pages, data)
    except ForeignFailure as error:
        raise UnreadableScript(f"'{name}' {error}. Copy its text, and paste that.") from error
    text = "\n\n".join(paragraphs(pages))
    if sum(character.isalpha() for character in text) < _LEAST_LETTERS:
        raise UnreadableScript(
            f"'{name}' shows pictures of pages and holds no text. Open the document it was made from, "
            "or have its text recognised first."
        )
    return text


def _pages(data: bytes) -> list[list[str]]:
    from pypdf import PdfReader  # noqa: PLC0415 - only in a process of its own
    from pypdf.errors import PyPdfError  # noqa: PLC0415 - see above

    try:
        reader = PdfReader(io.BytesIO(data))
        if reader.is_encrypted and not reader.decrypt(""):
            raise UnreadableScript("This PDF asks for a password. Save it without one, and open that.")
        if len(reader.pages) > _MOST_PAGES:
            raise UnreadableScript(f"This PDF has {len(reader.pages)} pages; up to {_MOST_PAGES} are read. Split it.")
        return [page.extract_text().split("\n") for page in reader.pages]
    except PyPdfError as error:
        raise UnreadableScript(
            "This is no PDF that can be read. Save it again, or copy its text and paste that."
        ) from error


def paragraphs(pages: Sequence[Sequence[str]]) -> Iterator[str]:
    """Paragraphs out of the rows of pages. A row that ends a sentence well before the margin ends its paragraph; a word
    that is divided at the margin is joined; rows that come on most pages (running heads, page numbers) are left out."""
    rows = [row.strip() for row in _without_heads(pages)]
    width = max((len(row) for row in rows), default=0)
    said: list[str] = []
    for row in rows:
        if not row:
            if said and _SENTENCE_END.search(said[-1]):
                yield " ".join(said)
                said = []
            continue
        if said and _DIVIDED.search(said[-1]) and row[0].islower():
            said[-1] = said[-1][:-1] + row
        else:
            said.append(row)
        if _SENTENCE_END.search(row) and len(row) < 0.75 * width:
            yield " ".join(said)
            said = []
    if said:
        yield " ".join(said)


def _without_heads(pages: Sequence[Sequence[str]]) -> Iterable[str]:
    def shape(row: str) -> str:
        return re.sub(r"\d+", "0", row.strip())

    edges = Counter(shape(row) for page in pages for row in {*page[:2], *page[-2:]} if row.strip())
    often = {row for row, pages_with in edges.items() if len(pages) > 2 and pages_with > len(pages) / 2}
    for page in pages:
        last = len(page) - 1
        for index, row in enumerate(page):
            at_edge = index < 2 or index > last - 2
            if not (at_edge and (shape(row) in often or row.strip().isdigit())):
                yield row
