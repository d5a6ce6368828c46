"""Cues keep their word: through edits before it, inside it, through splitting and joining.

When its word is gone a cue moves to the nearest one that is left and is marked for a look.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from dearhost.script.cues import NOTE, Cue, format_note, parse_note
from dearhost.script.document import Line, Word, new_id
from dearhost.script.spoken import words_of


def with_text(line: Line, start: int, end: int, text: str) -> Line:
    """The line with ``text`` in place of its characters ``start`` to ``end``."""
    if not 0 <= start <= end <= len(line.text):
        raise ValueError(f"'start' and 'end' must lie in the text (got {start}, {end} of {len(line.text)})")
    changed = line.text[:start] + text + line.text[end:]
    old, new = words_of(line.text), words_of(changed)
    cues = []
    for cue in line.cues:
        word = word_at(old, cue.start)
        if word:
            left = _left_of(word, start, end, len(text))
            kept = left is not None and any(w.start < left[1] and left[0] < w.end for w in new)
            place = left[0] if left and kept else start
            cues.append(_settled(cue, place, new, lost=not kept))
    return replace(line, text=changed, cues=_in_order(c for c in cues if c))


def _left_of(word: Word, start: int, end: int, inserted: int) -> tuple[int, int] | None:
    """Where what is left of a word lies after characters ``start`` to ``end`` were replaced; None: nothing is."""
    grown = inserted - (end - start)
    if end <= word.start:
        return word.start + grown, word.end + grown
    if start >= word.end:
        return word.start, word.end
    if word.start < start:
        return word.start, start
    return (start + inserted, word.end + grown) if end < word.end else None


def split_line(line: Line, at: int) -> tuple[Line, Line]:
    """Two lines of one speaker; each cue goes with its word. The second line gets a new id."""
    if not 0 <= at <= len(line.text):
        raise ValueError(f"'at' must lie in the text (got {at} of {len(line.text)})")
    left, right = line.text[:at].rstrip(), line.text[at:]
    skipped = len(right) - len(right.lstrip())
    right = right.strip()
    first: list[Cue | None] = []
    second: list[Cue | None] = []
    left_words, right_words = words_of(left), words_of(right)
    for cue in line.cues:
        if (cue.start < at and left_words) or not right_words:
            first.append(_settled(cue, cue.start, left_words))
        else:
            second.append(_settled(cue, max(0, cue.start - at - skipped), right_words))
    return (
        replace(line, text=left, cues=_in_order(c for c in first if c)),
        replace(line, id=new_id(), text=right, cues=_in_order(c for c in second if c)),
    )


def join_lines(first: Line, second: Line) -> Line:
    """One line of the first speaker with both texts."""
    gap = "" if not first.text or not second.text or first.text[-1].isspace() else " "
    shift = len(first.text) + len(gap)
    text = first.text + gap + second.text
    words = words_of(text)
    moved = [*first.cues, *(replace(cue, start=cue.start + shift) for cue in second.cues)]
    return replace(first, text=text, cues=_in_order(c for c in (_settled(m, m.start, words) for m in moved) if c))


def put_cue(line: Line, cue: Cue) -> Line:
    """The line with one cue more, on the word at ``cue.start``; as it was when nothing is spoken in it."""
    settled = _settled(cue, cue.start, words_of(line.text))
    return replace(line, cues=_in_order([*line.cues, settled])) if settled else line


def word_at(words: Sequence[Word], start: int) -> Word | None:
    """The word a cue at ``start`` belongs to: the one that holds it, else the next, else the last."""
    for word in words:
        if start < word.end:
            return word
    return words[-1] if words else None


def word_index(line: Line, cue: Cue) -> int:
    """The index of a cue's word among the line's spoken words; -1 when nothing is spoken."""
    words = words_of(line.text)
    word = word_at(words, cue.start)
    return words.index(word) if word else -1


def _settled(cue: Cue, start: int, words: Sequence[Word], *, lost: bool = False) -> Cue | None:
    if not words:
        return None
    word = nearest(words, start) if lost else word_at(words, start)
    return replace(cue, start=word.start, look=cue.look or lost) if word else None


def nearest(words: Sequence[Word], position: int) -> Word:
    """The word closest to a place in the text, the later one of two as close."""
    return min(words, key=lambda w: (max(w.start - position, position - w.end, 0), -w.start))


def _in_order(cues: Iterable[Cue]) -> tuple[Cue, ...]:
    return tuple(sorted(cues, key=lambda c: c.start))


def take_cues(text: str) -> tuple[str, tuple[Cue, ...]]:
    """``text`` without its cue notes, and the cues on the words they stood in front of."""
    found: list[tuple[int, str]] = []
    parts: list[str] = []
    last = length = 0
    for match in NOTE.finditer(text):
        before = text[last : match.start()]
        parts.append(before)
        length += len(before)
        last = match.end()
        if (not length or "".join(parts)[-1:].isspace()) and text[last : last + 1] == " ":
            last += 1  # the space that set the note off
        found.append((length, match[1]))
    clean = "".join(parts) + text[last:]
    words = words_of(clean)
    cues = []
    for position, note in found:
        kind, parameters = parse_note(note)
        if kind and words:
            behind = position >= words[-1].end
            cue = _settled(Cue(new_id(), kind, position, parameters), position, words, lost=behind)
            if cue:
                cues.append(cue)
    return clean, _in_order(cues)


def text_with_cues(line: Line) -> str:
    """The line's text with its cues as notes: what ``take_cues`` reads back."""
    text = line.text
    for cue in sorted(line.cues, key=lambda c: c.start, reverse=True):
        text = text[: cue.start] + format_note(cue) + text[cue.start :]
    return text
