"""Bytes or text of any supported kind into a script."""

from __future__ import annotations

import codecs
import re
from collections.abc import Callable, Mapping
from pathlib import Path

from dearhost.errors import UnreadableScript
from dearhost.script.cues import CueKinds
from dearhost.script.document import Script
from dearhost.script.fountain import read_fountain
from dearhost.script.pdf_file import text_of_pdf
from dearhost.script.plain_text import read_markdown, read_plain_text
from dearhost.script.subtitle_file import text_of_subtitles
from dearhost.script.web_page import is_web_page, text_of_page
from dearhost.script.word_file import read_word_file

MAX_BYTES = 1_500_000
MAX_LINES = 20_000
"""Far more than can be rendered (``MAX_WORDS``), and no more than an editor and a save can carry."""
_KINDS = {".txt": "plain", ".text": "plain", ".md": "markdown", ".markdown": "markdown", ".fountain": "fountain"}
_DOCUMENTS: Mapping[str, tuple[Callable[[bytes, str], str], str]] = {
    ".docx": (read_word_file, "markdown"),
    ".html": (text_of_page, "markdown"),
    ".htm": (text_of_page, "markdown"),
    ".xhtml": (text_of_page, "markdown"),
    ".pdf": (text_of_pdf, "plain"),
    ".srt": (lambda data, name: text_of_subtitles(decode(data, name), name), "plain"),
    ".vtt": (lambda data, name: text_of_subtitles(decode(data, name), name), "plain"),
}
"""What is no script yet, by the ending of its name: how its text is taken out, and as what that is read."""
_REFUSED = (
    (b"{\\rtf", "a Rich Text file"),
    (b"\xd0\xcf\x11\xe0", "a Word file of the old kind (.doc)"),
)
"""What begins so, and what to call it."""
_MARKS = ((codecs.BOM_UTF8, "utf-8-sig"), (codecs.BOM_UTF16_LE, "utf-16"), (codecs.BOM_UTF16_BE, "utf-16"))


def decode(data: bytes, name: str) -> str:
    """The text in ``data``: UTF-8, or UTF-16 with a byte-order mark.

    Raises UnreadableScript for anything else, naming the file and what to do.
    """
    if len(data) > MAX_BYTES:
        raise UnreadableScript(
            f"'{name}' has {len(data) / 1e6:.1f} MB; a script may have {MAX_BYTES / 1e6:.1f}. Is it the right file?"
        )
    encoding = next((e for mark, e in _MARKS if data.startswith(mark)), "utf-8")
    if encoding == "utf-8" and b"\0" in data:
        raise UnreadableScript(
            f"'{name}' is not text: it holds NUL bytes. Save the script as plain text in UTF-8 and open that."
        )
    try:
        text = data.decode(encoding)
    except UnicodeDecodeError as error:
        row = data[: error.start].count(b"\n") + 1
        raise UnreadableScript(
            f"'{name}' is not UTF-8 text (row {row}). Save it again as UTF-8; nothing was changed."
        ) from error
    return text


def normalise(text: str) -> str:
    """One kind of line end; no control characters but tab and line end; no byte-order mark, and none of the
    characters that Unicode keeps for the inside of programs (U+FDD0 to U+FDEF)."""
    text = text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0c", "\n")
    return re.sub(r"[\x00-\x08\x0b\x0e-\x1f\x7f\ufeff\ufdd0-\ufdef]", "", text)


def ensure_workable(script: Script) -> None:
    """Raises UnreadableScript for a script that is too long to be worked on."""
    lines = sum(1 for _ in script.lines())
    characters = sum(len(line.text) for _, _, line in script.lines())
    if lines > MAX_LINES or characters > MAX_BYTES:
        raise UnreadableScript(
            f"The script has {lines:,} lines and {characters:,} characters; up to {MAX_LINES:,} and {MAX_BYTES:,} can "
            "be worked on. Split it into several productions."
        )


def guess_kind(text: str) -> str:
    """'fountain', 'markdown' or 'plain', by what the text looks like."""
    rows = text.strip().split("\n")
    if rows and re.match(r"(title|credit|author|source|draft date):", rows[0], re.I):
        return "fountain"
    slugs = sum(bool(re.match(r"(?:INT|EXT)[./ ]", r)) for r in rows)
    capitals = sum(
        bool(re.fullmatch(r"[A-Z][A-Z .'-]+(?:\([^)]*\))?", r)) and i + 1 < len(rows) and bool(rows[i + 1].strip())
        for i, r in enumerate(rows)
        if i == 0 or not rows[i - 1].strip()
    )
    if slugs and capitals:
        return "fountain"
    marks = sum(bool(re.match(r"#{1,6} |\s*[-*] |> |```|!\[", r)) or _has_strong(r) for r in rows)
    return "markdown" if marks or re.search(r"\]\(https?:", text) else "plain"


def _has_strong(row: str) -> bool:
    opening = re.search(r"\*\*\S", row)
    return opening is not None and re.search(r"\S\*\*", row[opening.end() :]) is not None


def read_script(text: str, kind: str = "", *, kinds: CueKinds) -> Script:
    """``text`` as a script. ``kind`` is 'plain', 'markdown', 'fountain', or "" to guess.

    Raises ValueError for another kind, UnreadableScript for a web page with nothing to read. Never fails on other text.
    """
    readers = {"plain": read_plain_text, "markdown": read_markdown, "fountain": read_fountain}
    text = normalise(text)
    if is_web_page(text):  # pasted with its code, or under another name: its words are said, never its code
        text, kind = normalise(text_of_page(text.encode(), "The page")), "markdown"
    chosen = kind or guess_kind(text)
    if chosen not in readers:
        raise ValueError(f"'kind' must be one of {', '.join(readers)} (got {kind!r})")
    return readers[chosen](text, kinds)


def read_file(data: bytes, name: str, kinds: CueKinds) -> Script:
    """The script in the bytes of a file called ``name``: a script as text, or one of ``_DOCUMENTS``.

    Raises UnreadableScript when it is none of these, or empty.
    """
    text, kind = _text_and_kind(data, name)
    return read_script(text, kind, kinds=kinds)


def text_of_file(data: bytes, name: str) -> str:
    """The text of a file called ``name``, of whatever kind ``read_file`` knows, a web page's without its code.

    Raises UnreadableScript.
    """
    text = normalise(_text_and_kind(data, name)[0])
    return normalise(text_of_page(text.encode(), name)) if is_web_page(text) else text


def _text_and_kind(data: bytes, name: str) -> tuple[str, str]:
    suffix = Path(name).suffix.lower()
    for beginning, what in _REFUSED:
        if data.startswith(beginning):
            raise UnreadableScript(f"'{name}' is {what}. Save it again as .docx or as plain text, and open that.")
    if suffix in _DOCUMENTS:
        text_of, kind = _DOCUMENTS[suffix]
        text = text_of(data, name)
    else:
        text, kind = decode(data, name), _KINDS.get(suffix, "")
    if not normalise(text).strip():
        raise UnreadableScript(f"'{name}' is empty. Choose another file, or write the script here.")
    return text, kind


def open_script(path: Path, kinds: CueKinds) -> Script:
    """The script in a file, as ``read_file`` reads it.

    Raises UnreadableScript when the file cannot be read.
    """
    return read_file(bytes_of(path), path.name, kinds)


def bytes_of(path: Path) -> bytes:
    """What a script's file holds. Raises UnreadableScript when it cannot be read."""
    try:
        return path.read_bytes()
    except OSError as error:
        reason = "there is no such file" if isinstance(error, FileNotFoundError) else (error.strerror or str(error))
        raise UnreadableScript(f"'{path.name}' cannot be opened: {reason}.") from error
