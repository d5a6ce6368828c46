"""The text of a Word document (.docx): headings, paragraphs, and tables as directions; the rest is dropped."""

from __future__ import annotations

import io
import re
import zipfile
from collections.abc import Iterator
from typing import Any

import docx
from docx.opc.exceptions import PackageNotFoundError
from docx.table import Table, _Cell

from dearhost.errors import UnreadableScript
from dearhost.foreign import ForeignFailure, in_own_process
from dearhost.script.builder import label_of
from dearhost.script.inline_marks import escape_markdown

_LARGEST = 60_000_000
"""Bytes a document may unpack to; more is no script."""
_SPOKEN_COLUMNS = frozenset(
    ("audio", "voice", "voice-over", "voiceover", "vo", "narration", "narrator", "dialogue", "spoken")
)
_MOST_LETTERS = 4_000_000


def read_word_file(data: bytes, name: str) -> str:
    """The document as Markdown: its headings, and a paragraph each.

    Raises UnreadableScript when it is no Word document, is damaged, or is too big.
    """
    try:
        return "\n\n".join(in_own_process(_read, data, name))
    except ForeignFailure as error:
        raise UnreadableScript(
            f"'{name}' {error}. Save it again as .docx in a word processor, or as plain text, and open that."
        ) from error


def _read(data: bytes, name: str) -> list[str]:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            size = sum(entry.file_size for entry in packed.infolist())
        if size > _LARGEST:
            raise UnreadableScript(
                f"'{name}' unpacks to {size / 1e6:.0f} MB; a script is smaller. Save its text alone and open that."
            )
        document = docx.Document(io.BytesIO(data))
    except (zipfile.BadZipFile, PackageNotFoundError, KeyError, ValueError) as error:
        raise UnreadableScript(
            f"'{name}' is not a Word document that can be read ({type(error).__name__}). "
            "Save it again as .docx, or as plain text, and open that."
        ) from error
    rows: list[str] = []
    letters = 0
    for row in _rows(document.iter_inner_content()):
        rows.append(row)
        letters += len(row)
        if letters > _MOST_LETTERS:
            raise UnreadableScript(
                f"'{name}' holds more than {_MOST_LETTERS:,} letters; a script is shorter. Divide it and open a part."
            )
    return rows


def _rows(content: Any) -> Iterator[str]:
    for item in content:
        if isinstance(item, Table):
            yield from _table(item)
            continue
        text = escape_markdown(re.sub(r"[ \t]+", " ", item.text).strip())
        if not text:
            continue
        style = item.style.name if item.style is not None else ""
        if style == "Title":
            yield f"---\ntitle: {' '.join(text.split())}\n---\n"
        elif style.startswith("Heading"):
            yield f"## {' '.join(text.split())}"
        else:
            yield "\n\n".join(part.strip() for part in text.split("\n") if part.strip())


def _table(table: Table) -> Iterator[str]:
    """A row is a direction, but for cells that name who speaks, and the spoken column of a script in two columns."""
    spoken: set[int] = set()
    for number, row in enumerate(table._tbl.tr_lst):
        # cells as they are written: python-docx lists a merged one for every column it says it spans
        cells = [" ".join(_Cell(cell, table).text.split()) for cell in row.tc_lst]
        if not number:
            spoken = {index for index, cell in enumerate(cells) if cell.lower().strip(" :") in _SPOKEN_COLUMNS}
            if spoken:
                continue
        for index, cell in enumerate(cells):
            if index in spoken or label_of(cell):
                yield escape_markdown(cell)
                cells[index] = ""
        if any(cells):
            yield f"| {escape_markdown(' | '.join(filter(None, cells)))} |"
