"""Marks inside a paragraph, taken off: Markdown's and Fountain's emphasis, links, code, escapes."""

from __future__ import annotations

import re
from functools import partial

from markdown_it import MarkdownIt
from markdown_it.rules_inline import StateInline

from dearhost.script.pairs import NOTE, pairs_in

_PIECE = re.compile(r"(?s).{1,20000}(?:(?<=\s)|$)|.{1,20000}")
"""What is parsed at once: a paragraph, unless somebody wrote a book in one."""
_ANY_MARK = re.compile(r"[\\`*_<&~!\[]")
_LAST_CLOSE = "last closing mark of a note"


def _note(state: StateInline, silent: bool) -> bool:
    """A cue's note stays as it is written: marks in it are its own."""
    if not state.src.startswith("[[", state.pos):
        return False
    if _LAST_CLOSE not in state.env:
        state.env[_LAST_CLOSE] = state.src.rfind("]]")
    if state.env[_LAST_CLOSE] < state.pos + 2:
        return False
    end = state.src.index("]]", state.pos + 2) + 2
    if not silent:
        state.push("text", "", 0).content = state.src[state.pos : end]
    state.pos = end
    return True


def _fountain_escape(state: StateInline, silent: bool) -> bool:
    """Fountain escapes nothing but its marks of emphasis."""
    mark = state.src[state.pos + 1 : state.pos + 2]
    if state.src[state.pos] != "\\" or mark not in ("*", "_"):
        return False
    if not silent:
        state.push("text_special", "", 0).content = mark
    state.pos += 2
    return True


def _parser(rules: list[str], *, fountain: bool) -> MarkdownIt:
    parser = MarkdownIt("zero", {"html": True}).enable(rules)
    parser.inline.ruler.after("text", "note", _note)
    if fountain:
        parser.inline.ruler.after("text", "fountain_escape", _fountain_escape)
    return parser


_EVERYWHERE = ["escape", "backticks", "strikethrough", "emphasis", "autolink", "html_inline", "entity"]
_MARKDOWN = _parser([*_EVERYWHERE, "link", "image"], fountain=False)
_MARKDOWN_WITHOUT_LINKS = _parser(_EVERYWHERE, fountain=False)
_FOUNTAIN = _parser(["emphasis"], fountain=True)


def strip_markdown(text: str) -> str:
    """The words of a paragraph of Markdown (CommonMark and ~~struck~~): of a link its text, of an image its
    description, HTML tags left out. Notes in double brackets stay whole."""
    # looking for the end of a link costs more than all the rest, and most texts have none
    return _words(_MARKDOWN if "](" in text else _MARKDOWN_WITHOUT_LINKS, text)


def strip_fountain(text: str) -> str:
    """The words of a paragraph of Fountain, without its emphasis; an escaped mark stays as itself, notes whole."""
    return _words(_FOUNTAIN, text)


def _words(parser: MarkdownIt, text: str) -> str:
    if not _ANY_MARK.search(text):
        return text
    return "".join(_words_of_piece(parser, piece) for piece in _PIECE.findall(text))


def _words_of_piece(parser: MarkdownIt, text: str) -> str:
    tokens = parser.parseInline(text, {})[0].children or []
    return "".join(token.content for token in tokens if token.type != "html_inline")


_MARKDOWN_MARKS = re.compile(r"[\\`*_<&~]|(?<=\])\(|(?<=^\[)\^")
_FOUNTAIN_MARKS = re.compile(r"[*_]")


def _escaped(marks: re.Pattern[str], text: str) -> str:
    parts: list[str] = []
    last = 0
    for start, end in [*pairs_in(text, NOTE), (len(text), len(text))]:
        parts += [marks.sub(r"\\\g<0>", text[last:start]), text[start:end]]
        last = end
    return "".join(parts)


escape_markdown = partial(_escaped, _MARKDOWN_MARKS)
"""``strip_markdown`` gives back what was escaped."""
escape_fountain = partial(_escaped, _FOUNTAIN_MARKS)
"""``strip_fountain`` gives back what was escaped."""
