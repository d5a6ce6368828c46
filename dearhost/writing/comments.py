"""What an audience wrote, from a paste or a table of comments: cleaned of names, junk and doubles."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from dearhost.errors import CommentsError

MOST_COMMENTS = 20_000
LONGEST_COMMENT = 2_000
"""Letters; what follows is left out."""
MOST_COLUMNS = 100
_WIDEST_ROW = 200_000
"""Letters of a row of a table; csv refuses longer cells of its own accord."""
_JUNK = re.compile(r"https?:|www\.|\b(check out my|click here|promo code|follow me|cheap \w+!|buy now)\b", re.I)
_NAMES = (
    re.compile(r"[\w.+-]+@[\w-]+\.[\w.]+"),
    re.compile(r"(?<!\w)[@#][\w.]{2,}"),
    re.compile(r"^(?:[A-Z][\w'’.-]{1,20} ?){1,3}(?:\([^)]{1,30}\) ?)?[:|]\s+(?=\S)"),
    re.compile(r"(?<=[.!?”\"])\s*[-–—]\s*[A-Z][\w'’.-]{1,20}(?: [A-Z][\w'’.-]{0,20}){0,2}\.?\s*$"),
)
"""E-mail addresses, handles, a name before the words, a signature behind them."""


@dataclass(frozen=True, slots=True)
class Comments:
    """Comments without names, and what was left out."""

    texts: tuple[str, ...]
    doubles: int = 0
    junk: int = 0
    beyond: int = 0
    """More than ``MOST_COMMENTS``."""


@dataclass(frozen=True, slots=True)
class Table:
    """A table of comments: its columns, its rows, and the column that looks most like comments."""

    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    likeliest: int

    def column(self, name: str = "") -> list[str]:
        """The cells of a column, the likeliest by default. Raises CommentsError for one that is not there."""
        index = self.likeliest
        if name:
            fitting = [i for i, column in enumerate(self.columns) if column.strip().lower() == name.strip().lower()]
            if not fitting:
                raise CommentsError(f"There is no column “{name}”. There are: {', '.join(self.columns[:12])}.")
            index = fitting[0]
        return [row[index] for row in self.rows if index < len(row)]


def read_table(data: str) -> Table:
    """A CSV, whatever divides its cells; without a row of headings its columns are numbered.

    Cells are text: a formula is never worked out. Raises CommentsError.
    """
    lines = data.lstrip("﻿").splitlines()
    if not any(line.strip() for line in lines):
        raise CommentsError("There are no comments in this file.")
    try:
        rows = [tuple(row[:MOST_COLUMNS]) for row in _rows(lines)]
    except csv.Error as error:
        raise CommentsError(
            f"This table cannot be read ({error}). Save it as CSV with quotation marks around texts."
        ) from error
    rows = [row for row in rows if any(cell.strip() for cell in row)]
    if not rows:
        raise CommentsError("There are no comments in this file.")
    width = max(len(row) for row in rows)
    headed = width > 1 and len(rows) > 1 and all(cell.strip() and len(cell) <= 40 for cell in rows[0])
    columns = rows[0] if headed else tuple(f"Column {number}" for number in range(1, width + 1))
    body = rows[1:] if headed else rows
    return Table(columns, tuple(body), _likeliest(body, width))


def _rows(lines: Sequence[str]) -> Iterable[list[str]]:
    sample = "\n".join(line[:2000] for line in lines[:40])
    try:
        divider = csv.Sniffer().sniff(sample, delimiters=",;\t|").delimiter
    except csv.Error:
        divider = ","
    if not any(divider in line for line in lines[:40]):
        return [[line] for line in lines]
    if any(len(line) > _WIDEST_ROW for line in lines):
        raise CommentsError("A row of this table is longer than 200,000 letters. Is it a table of comments?")
    return csv.reader(io.StringIO("\n".join(lines)), delimiter=divider)


def _likeliest(rows: Sequence[tuple[str, ...]], width: int) -> int:
    """The column with most words, of those with different cells."""
    sample = rows[:400]

    def words(index: int) -> float:
        cells = [row[index] for row in sample if index < len(row)]
        different = len(set(cells)) / max(1, len(cells))
        return different * sum(len(re.findall(r"[^\W\d_]{2,}", cell)) for cell in cells)

    return max(range(width), key=words)


def pasted(text: str) -> list[str]:
    """The comments of a paste: one a line, or paragraphs where lines are divided by empty ones."""
    blocks = re.split(r"\n\s*\n", text.strip())
    if len(blocks) > 2 and len(blocks) >= 0.4 * len([line for line in text.splitlines() if line.strip()]):
        return [" ".join(block.split()) for block in blocks]
    return [line.strip() for line in text.splitlines()]


def cleaned_comments(texts: Iterable[str]) -> Comments:
    """Comments without names and handles; junk and doubles are counted apart. Raises CommentsError for none."""
    kept: dict[str, str] = {}
    doubles = junk = beyond = 0
    for raw in texts:
        text = without_names(re.sub(r"^\s*(?:[-*•–]|\d+[.)])\s+", "", raw[:LONGEST_COMMENT]))
        if not re.search(r"\w", text):
            continue
        if _JUNK.search(raw):
            junk += 1
            continue
        key = re.sub(r"\W+", " ", text.casefold()).strip()
        if key in kept:
            doubles += 1
        elif len(kept) == MOST_COMMENTS:
            beyond += 1
        else:
            kept[key] = text
    if not kept:
        raise CommentsError("There are no comments in this text: paste one a line, or a CSV.")
    return Comments(tuple(kept.values()), doubles, junk, beyond)


def without_names(text: str) -> str:
    """A comment without e-mail addresses, handles, the name before it and the signature behind it."""
    text = " ".join("".join(c if c.isprintable() else " " for c in text).split())
    for pattern in _NAMES:
        text = pattern.sub(" ", text)
    return " ".join(text.split()).strip()
