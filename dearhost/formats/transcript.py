"""Captions as text to be read: who says what, and when each begins, as plain text, a page or a Word document; and as
Advanced SubStation Alpha."""

from __future__ import annotations

import html
import io
from collections.abc import Iterable
from datetime import datetime

import docx
import pysubs2

from dearhost.formats.timed_text import TimedText

_NO_TIME = datetime(1980, 1, 1)
"""Of every document, so that the same captions give the same file: the earliest that zip files know."""
_PAUSE = 1.5
"""Seconds of silence after which a new paragraph begins."""


def _turns(captions: Iterable[TimedText]) -> list[tuple[float, str, str]]:
    """(when, who, what): captions that follow each other, of one speaker, together."""
    turns: list[tuple[float, str, str]] = []
    last = -_PAUSE
    for caption in captions:
        said = " ".join(caption.lines)
        if turns and turns[-1][1] == caption.speaker and caption.start - last < _PAUSE:
            at, who, before = turns[-1]
            turns[-1] = at, who, f"{before} {said}"
        else:
            turns.append((caption.start, caption.speaker, said))
        last = caption.end
    return turns


def _stamp(seconds: float) -> str:
    minutes, rest = divmod(int(seconds), 60)
    hours, minutes = divmod(minutes, 60)
    return f"{hours}:{minutes:02d}:{rest:02d}" if hours else f"{minutes}:{rest:02d}"


def to_transcript(captions: Iterable[TimedText]) -> str:
    """Plain text, a paragraph a turn."""
    rows = (f"[{_stamp(at)}] {f'{who}: ' if who else ''}{said}" for at, who, said in _turns(captions))
    return "\n\n".join(rows) + "\n"


def to_html_transcript(captions: Iterable[TimedText], *, title: str, language: str) -> str:
    """A page, a paragraph a turn."""
    rows = "\n".join(
        f'<p><time datetime="PT{at:.1f}S">{_stamp(at)}</time> '
        f"{f'<b>{html.escape(who)}</b> ' if who else ''}{html.escape(said)}</p>"
        for at, who, said in _turns(captions)
    )
    return (
        f'<!doctype html>\n<html lang="{html.escape(language)}">\n<head>\n<meta charset="utf-8">\n'
        f"<title>{html.escape(title)}</title>\n</head>\n<body>\n<h1>{html.escape(title)}</h1>\n{rows}\n</body>\n</html>\n"
    )


def to_word_transcript(captions: Iterable[TimedText], *, title: str, language: str) -> bytes:
    """A Word document (ECMA-376), a paragraph a turn; the same captions give the same file."""
    document = docx.Document()
    about = document.core_properties
    about.title, about.language, about.author, about.comments = _plain(title), language, "", ""
    about.created = about.modified = _NO_TIME
    document.add_heading(_plain(title), level=1)
    for at, who, said in _turns(captions):
        paragraph = document.add_paragraph()
        paragraph.add_run(f"{_stamp(at)}  ").italic = True
        if who:
            paragraph.add_run(f"{_plain(who)}: ").bold = True
        paragraph.add_run(_plain(said))
    written = io.BytesIO()
    document.save(written)
    return written.getvalue()


def _plain(text: str) -> str:
    """Without what XML 1.0 has no place for."""
    return "".join(c for c in text if c in "\t\n" or c >= " ")


def to_ass(captions: Iterable[TimedText]) -> str:
    """Advanced SubStation Alpha, the speakers as names."""
    file = pysubs2.SSAFile()
    for caption in captions:
        said = r"\N".join(line.replace("{", "(").replace("}", ")") for line in caption.lines)
        said = rf"{{\an8}}{said}" if caption.top else said
        file.append(
            pysubs2.SSAEvent(
                start=round(caption.start * 1000), end=round(caption.end * 1000), text=said, name=caption.speaker
            )
        )
    return str(file.to_string("ass"))
