"""Cues out of a text that holds them as notes, and back into one."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from dearhost.script.anchors import nearest, word_at, words_under
from dearhost.script.cues import Cue, CueKinds
from dearhost.script.document import Line, new_id
from dearhost.script.spoken import words_of


@dataclass(frozen=True, slots=True)
class CueNote:
    """A note at ``text[start:end]`` that opens the cue its ``words`` say, or ``closes`` the one they name."""

    start: int
    end: int
    words: str
    closes: bool = False


def cue_notes(text: str) -> Iterator[CueNote]:
    """The notes of ``text`` that open or close cues, in order. Takes time in proportion to the text."""
    at = text.find("[[")
    while at >= 0:
        close = text.find("]]", at + 2)
        if close < 0:
            return
        head, colon, words = text[at + 2 : close].partition(":")
        name = "".join(head.split()).lower()
        if name in ("cue", "cues") and colon:
            yield CueNote(at, close + 2, words.strip())
        elif name == "/cue":
            yield CueNote(at, close + 2, words.strip().lower(), closes=True)
        else:
            at = text.find("[[", at + 2)
            continue
        at = text.find("[[", close + 2)


def take_cues(text: str, kinds: CueKinds) -> tuple[str, tuple[Cue, ...]]:
    """``text`` without its cue notes, and the cues on the words they stood in front of."""
    clean, placed = _without_notes(text)
    words = words_of(clean)
    if not words:
        return clean, ()
    cues: list[Cue] = []
    opened: list[int] = []
    for position, note in placed:
        if note.closes:
            index = _closed_by(note.words, opened, cues)
            before = [w for w in words if index is not None and cues[index].start <= w.start < position]
            if index is not None and before:
                cues[index] = replace(cues[index], end=before[-1].start)
                opened.remove(index)
            continue
        kind, parameters = kinds.parse_note(note.words)
        word = nearest(words, position) if position >= words[-1].end else word_at(words, position)
        if kind and word:
            if _may_last(kind, kinds):
                opened.append(len(cues))
            cues.append(Cue(new_id(), kind, word.start, parameters, look=position >= words[-1].end))
    return clean, tuple(sorted(cues, key=lambda c: c.start))


def _may_last(kind: str, kinds: CueKinds) -> bool:
    known = kinds.get(kind)
    return known is None or known.stretch


def _closed_by(words: str, opened: Sequence[int], cues: Sequence[Cue]) -> int | None:
    """The index of the cue that a closing note ends: the last that is open, or the n-th last of its kind."""
    kind, _, number = words.partition(" ")
    fitting = [index for index in opened if not kind or cues[index].kind == kind]
    steps = int(number) if number.isascii() and number.isdigit() and len(number) < 4 else 1
    return fitting[-steps] if 1 <= steps <= len(fitting) else None


def _without_notes(text: str) -> tuple[str, list[tuple[int, CueNote]]]:
    """The text without notes, and each note with its place there; spaces that only set a note off go with it."""
    placed: list[tuple[int, CueNote]] = []
    parts: list[str] = []
    last = length = 0
    ends_in_space = True
    for note in cue_notes(text):
        before = text[last : note.start]
        last = note.end
        following = text[last : last + 1]
        if note.closes and before[-1:] == " " and not (following.isalnum() or following.isspace()):
            before = before[:-1]
        parts.append(before)
        length += len(before)
        if before:
            ends_in_space = before[-1].isspace()
        if ends_in_space and following == " ":
            last += 1
        placed.append((length, note))
    parts.append(text[last:])
    return "".join(parts), placed


def text_with_cues(line: Line, kinds: CueKinds) -> str:
    """The line's text with its cues as notes: what ``take_cues`` reads back."""
    words = words_of(line.text)
    cues = sorted(line.cues, key=lambda c: c.start)
    starts = [(cue.start, True, index) for index, cue in enumerate(cues)]
    ends = [
        (under[-1].end, False, index)
        for index, cue in enumerate(cues)
        if cue.end is not None and (under := words_under(words, cue))
    ]
    parts: list[str] = []
    opened: list[int] = []
    last = 0
    for place, opens, index in sorted([*starts, *ends]):
        parts.append(line.text[last:place])
        last = place
        if not opens:
            parts.append(_closing_note(index, opened, cues))
            opened.remove(index)
            continue
        parts.append(kinds.format_note(cues[index]))
        if _may_last(cues[index].kind, kinds):
            opened.append(index)
    return "".join([*parts, line.text[last:]])


def _closing_note(index: int, opened: Sequence[int], cues: Sequence[Cue]) -> str:
    """The shortest note that closes this cue and no other."""
    if opened[-1] == index:
        return "[[/cue]]"
    same = [other for other in opened if cues[other].kind == cues[index].kind]
    steps = len(same) - same.index(index)
    return f"[[/cue: {cues[index].kind}{f' {steps}' if steps > 1 else ''}]]"
