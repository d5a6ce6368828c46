"""The text of a Word document (.docx): headings and paragraphs, the rest is dropped."""

from __future__ import annotations

import io
import re
import zipfile
from collections.abc import Iterator
from typing import Any

import docx
from docx.opc.exceptions import PackageNotFoundError
from docx.table import Table

from dearhost.errors import UnreadableScript

_LARGEST = 60_000_000
"""Bytes a document may unpack to; more is no script."""


def read_word_file(data: bytes, name: str) -> str:
    """The document as Markdown: its headings, and a paragraph each.

    Raises UnreadableScript when it is no Word document, is damaged, or is too big.
    """
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            size = sum(entry.file_size for entry in packed.infolist())
        if size > _LARGEST:
            raise UnreadableScript(
                f"'{name}' unpacks to {size / 1e6:.0f} MB; a script is smaller. Save its text alone and open that."
            )
        rows = list(_rows(docx.Document(io.BytesIO(data)).iter_inner_content()))
    except (zipfile.BadZipFile, PackageNotFoundError, KeyError, ValueError, EOFError, OSError) as error:
        raise UnreadableScript(
            f"'{name}' is not a Word document that can be read ({type(error).__name__}). "
            "Save it again as .docx, or as plain text, and open that."
        ) from error
    return "\n\n".join(rows)


def _rows(content: Any) -> Iterator[str]:
    for item in content:
        if isinstance(item, Table):
            for row in item.rows:
                seen: set[int] = set()
                for cell in row.cells:
                    if id(cell._tc) not in seen:  # a merged cell is listed once for every column
                        seen.add(id(cell._tc))
                        yield from _rows(cell.iter_inner_content())
            continue
        text = re.sub(r"[ \t]+", " ", item.text).strip()
        if not text:
            continue
        style = item.style.name if item.style is not None else ""
        if style == "Title":
            yield f"---\ntitle: {' '.join(text.split())}\n---\n"
        elif style.startswith("Heading"):
            yield f"## {' '.join(text.split())}"
        else:
            yield "\n\n".join(part.strip() for part in text.split("\n") if part.strip())
