"""Captions as text to be read, and as IMSC text: in order, who says what, nothing twice."""

from __future__ import annotations

import html
import io
import re

import docx
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree

from dearhost.formats import to_html_transcript, to_imsc, to_transcript, to_word_transcript
from dearhost.formats.timed_text import TimedText

TT = "{http://www.w3.org/ns/ttml}"
CAPTIONS = [
    TimedText(0.0, 1.5, ("Hello from", "the tide room."), "Maren"),
    TimedText(1.5, 3.0, ("The sea is out.",), "Maren"),
    TimedText(3.1, 4.0, ("Gulls love that.",), "Skerry"),
    TimedText(4.1, 5.0, ("So do we.",), "Maren"),
    TimedText(6.4, 7.0, ("Look.",), "Maren"),
    TimedText(8.6, 9.0, ("It comes back.",), "Maren"),
    TimedText(3661.0, 3662.0, ("Good night.",), ""),
]
TOLD = [
    ("0:00", "Maren", "Hello from the tide room. The sea is out."),
    ("0:03", "Skerry", "Gulls love that."),
    ("0:04", "Maren", "So do we. Look."),
    ("0:08", "Maren", "It comes back."),
    ("1:01:01", "", "Good night."),
]


def test_captions_that_follow_each_other_are_one_turn() -> None:
    """A pause of a second and a half, or another speaker, begins a new one; its time is that of its first word."""
    written = [f"[{at}] {who}{': ' if who else ''}{said}" for at, who, said in TOLD]
    assert to_transcript(CAPTIONS) == "\n\n".join(written) + "\n"


def test_the_page_and_the_document_tell_the_same() -> None:
    page = to_html_transcript(CAPTIONS, title="Tides & more", language="en")
    rows = re.findall(r"<p><time datetime=\"PT[\d.]+S\">([\d:]+)</time> (?:<b>(.*?)</b> )?(.*?)</p>", page)
    assert [(at, who, html.unescape(said)) for at, who, said in rows] == TOLD
    assert "<title>Tides &amp; more</title>" in page and 'lang="en"' in page
    document = docx.Document(io.BytesIO(to_word_transcript(CAPTIONS, title="Tides & more", language="en")))
    told = "\n".join(paragraph.text for paragraph in document.paragraphs)
    places = [told.index(said) for _, _, said in TOLD]
    assert places == sorted(places) and told.startswith("Tides & more")


ROWS = st.lists(st.text(st.characters(categories=["L", "N"]), min_size=1, max_size=9), min_size=1, max_size=3)


@given(st.lists(ROWS, min_size=1, max_size=5))
def test_rows_of_imsc_come_in_their_order(all_rows: list[list[str]]) -> None:
    """Text, then one br a row: the content of p in TTML (W3C IMSC 1.1, text profile)."""
    captions = [TimedText(n, n + 0.9, tuple(rows), "") for n, rows in enumerate(all_rows)]
    root = etree.fromstring(to_imsc(captions, language="en").encode())
    read = []
    for paragraph in root.iter(f"{TT}p"):
        read.append([paragraph.text or "", *(br.tail or "" for br in paragraph.findall(f"{TT}br"))])
    assert read == all_rows
