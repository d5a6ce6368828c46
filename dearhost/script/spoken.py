"""Which characters of a line are spoken, and which slots are still open."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import Enum
from functools import lru_cache

from dearhost.script.document import Line, Scene, Word
from dearhost.script.pairs import BONEYARD, COMMENT, NOTE, pairs_in


class Unspoken(Enum):
    """Why a stretch of a line is not spoken."""

    NOTE = "note"
    BRACKET = "bracket"
    PARENTHETICAL = "parenthetical"
    PLACEHOLDER = "placeholder"


@dataclass(frozen=True, slots=True)
class UnspokenSpan:
    """``text[start:end]`` is not spoken."""

    kind: Unspoken
    start: int
    end: int


_SQUARE = re.compile(r"\[([^\[\]\n]*)\]")
_OPEN_SLOT = re.compile(r"\{\{?[^{}\n]{1,60}\}?\}|<[^<>\n]{1,80}>|_{3,}")
_ROUND = re.compile(r"\(([^()]*)\)")
_SLOT_WORDS = frozenset(
    """
    name names firstname lastname surname company client customer product brand date day month year time
    place city town country address email phone number price amount title role link url website topic
    sender recipient team department event venue school teacher student volunteer guest
    """.split()  # noqa: SIM905 - words read best as words
)
_SLOT_OPENERS = frozenset(
    """
    your my our the insert first last full their his her a an add enter fill
    """.split()  # noqa: SIM905 - words read best as words
)
_CUE_WORDS = frozenset(
    """
    applause beat bow bows breath breathes chuckle chuckles clap claps cough coughs cut fade frown frowns gasp gasps
    giggle giggles grin grins laugh laughs laughter music nod nods pause point points shrug shrugs sigh sighs silence
    smile smiles whisper whispers wave waves wink winks
    """.split()  # noqa: SIM905
)
"""Played, not filled in, wherever they stand."""
_TAG = re.compile(r"</?(?:b|i|u|em|strong|br|p|span|a|sub|sup|small)\b[^<>]*>", re.I)
_SENTENCE_END = ".!?…:;"


def _is_slot(text: str, match: re.Match[str]) -> bool:
    """Whether [..] is a slot to fill rather than a direction.

    A slot is a noun of the kind forms ask for, or capitals, or a name with underscores, or it sits
    inside a sentence where a word is missing: after a word and straight before a comma or full stop.
    """
    inner = match[1].strip()
    words = re.findall(r"[^\W\d_]+", inner.lower())
    if not inner or not words:
        return bool(inner) and set(inner) <= set("_-.… ?")
    rest = [w for w in words if w not in _SLOT_OPENERS]
    if len(words) <= 4 and rest and all(w in _SLOT_WORDS for w in rest):
        return True
    if words[0] in ("insert", "your", "enter", "fill"):
        return True
    if "_" in inner or (len(inner) > 2 and inner.isupper() and len(words) <= 3):
        return True
    if words[0] in _CUE_WORDS:
        return False
    before = _character_before(text, match.start())
    after = text[match.end() : match.end() + 1]
    return len(words) <= 2 and before.isalnum() and after in (",", ".", "!", "?", "'", "’")


def _character_before(text: str, index: int) -> str:
    """The last character before ``index`` that is no space; "" where there is none."""
    while index and text[index - 1].isspace():
        index -= 1
    return text[index - 1 : index]


def unspoken_spans(text: str) -> tuple[UnspokenSpan, ...]:
    """The stretches of ``text`` that are not spoken, in order, not overlapping.

    Notes, square brackets, parentheticals at the start of a line or between sentences, HTML tags and
    comments, and placeholders. A round bracket inside a sentence is part of the sentence.
    """
    found: list[UnspokenSpan] = []
    taken = bytearray(len(text))

    def take(kind: Unspoken, start: int, end: int) -> None:
        if not any(taken[start:end]):
            taken[start:end] = b"\1" * (end - start)
            found.append(UnspokenSpan(kind, start, end))

    for start, end in pairs_in(text, {**NOTE, **BONEYARD, **COMMENT}):
        take(Unspoken.NOTE, start, end)
    for match in _TAG.finditer(text):
        take(Unspoken.NOTE, *match.span())
    for match in _SQUARE.finditer(text):
        take(Unspoken.PLACEHOLDER if _is_slot(text, match) else Unspoken.BRACKET, *match.span())
    for match in _OPEN_SLOT.finditer(text):
        inner = match[0].strip("<>{} ")
        if match[0][0] == "<" and not re.match(r"[^\W\d_]", inner):
            continue
        take(Unspoken.PLACEHOLDER, *match.span())
    looked = 0
    before = ""  # the last character before the bracket that is neither space nor taken
    for match in _ROUND.finditer(text):
        for index in range(looked, match.start()):
            if not taken[index] and not text[index].isspace():
                before = text[index]
        looked = match.start()
        after = text[match.end() : match.end() + 1]
        between = before in _SENTENCE_END and (not after or after.isspace())
        if between and re.search(r"[^\W\d_]{2}", match[1]):
            take(Unspoken.PARENTHETICAL, *match.span())
    return tuple(sorted(found, key=lambda s: s.start))


def placeholders(text: str) -> tuple[UnspokenSpan, ...]:
    """The open slots of ``text``."""
    return tuple(s for s in unspoken_spans(text) if s.kind is Unspoken.PLACEHOLDER)


def blanked(text: str) -> str:
    """``text`` with every unspoken character replaced by a space: same length, same offsets."""
    characters = list(text)
    for span in unspoken_spans(text):
        for index in range(span.start, span.end):
            if not characters[index].isspace():
                characters[index] = " "
    return "".join(characters)


_SAID_SIGNS = frozenset("&=+<>%@#×÷°★≈½¼¾⅓⅔€$£¥")
_EDGES = "\"'“”‘’«»()[]{}*_,;:.!?…¿¡-–—"


def words_of(text: str) -> tuple[Word, ...]:
    """The written words that are spoken, with offsets into ``text``.

    Whitespace runs, split at long dashes, without the punctuation around them. A lone sign that is
    said, such as &, is a word; emoji and dashes are not.
    """
    return _words_of(text) if len(text) > _KEPT_LETTERS else _kept_words_of(text)


def _words_of(text: str) -> tuple[Word, ...]:
    words = []
    for match in re.finditer(r"(?:(?!--)[^\s—])+", blanked(text)):
        start, end = match.span()
        while start < end and text[start] in _EDGES and not _leads_number(text, start, end):
            start += 1
        while end > start and text[end - 1] in _EDGES:
            end -= 1
        core = text[start:end]
        if any(c.isalnum() for c in core) or (core and set(core) <= _SAID_SIGNS):
            words.append(Word(text[start:end], start, end))
    return tuple(words)


_KEPT_LETTERS = 2000
_kept_words_of = lru_cache(maxsize=1024)(_words_of)
"""A line's words are asked for at every cue of it, whenever its scene is staged."""


def _leads_number(text: str, start: int, end: int) -> bool:
    """Whether the edge character belongs to the word: -5, .5."""
    return text[start] in "-." and start + 1 < end and text[start + 1].isdigit()


def spoken_lines(scene: Scene) -> tuple[Line, ...]:
    """The scene's lines in which a word is spoken: a line that is still empty is no line yet."""
    return tuple(line for line in scene.lines if words_of(line.text))
