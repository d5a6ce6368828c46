"""Cues keep their words: through edits before them, inside them, through splitting and joining.

When its word is gone a cue moves to the nearest one that is left and is marked for a look. A stretch loses only the
words that are gone; it is marked when none of them is left.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from dearhost.script.cues import Cue
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
        places = [_left_of(word, start, end, len(text)) for word in words_under(old, cue)]
        kept = [p for p in places if p is not None and any(w.start < p[1] and p[0] < w.end for w in new)]
        if kept:
            cues.append(_settled(cue, kept[0][0], new, last=kept[-1][0]))
        elif places:
            cues.append(_settled(cue, places[0][0] if places[0] else start, new, lost=True))
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
    """Two lines of one speaker; each cue goes with its first word, a stretch ends with its line. The second line gets
    a new id."""
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
            first.append(_settled(cue, cue.start, left_words, last=cue.end))
        else:
            moved = at + skipped
            last = None if cue.end is None else max(0, cue.end - moved)
            second.append(_settled(cue, max(0, cue.start - moved), right_words, last=last))
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
    theirs = [replace(c, start=c.start + shift, end=None if c.end is None else c.end + shift) for c in second.cues]
    settled = (_settled(cue, cue.start, words, last=cue.end) for cue in (*first.cues, *theirs))
    return replace(first, text=text, cues=_in_order(c for c in settled if c))


def put_cue(line: Line, cue: Cue) -> Line:
    """The line with one cue more, on the word at ``cue.start``; as it was when nothing is spoken in it."""
    settled = _settled(cue, cue.start, words_of(line.text), last=cue.end)
    return replace(line, cues=_in_order([*line.cues, settled])) if settled else line


def word_at(words: Sequence[Word], start: int) -> Word | None:
    """The word a cue at ``start`` belongs to: the one that holds it, else the next, else the last."""
    for word in words:
        if start < word.end:
            return word
    return words[-1] if words else None


def words_under(words: Sequence[Word], cue: Cue) -> Sequence[Word]:
    """The words a cue lies on: one, or all of its stretch."""
    first = word_at(words, cue.start)
    if first is None:
        return ()
    last = first if cue.end is None else (word_at(words, cue.end) or first)
    return [word for word in words if first.start <= word.start <= max(first.start, last.start)]


def word_indices(line: Line, cue: Cue) -> tuple[int, int]:
    """The indices of a cue's first and last word among the line's spoken words; (-1, -1) when nothing is spoken."""
    words = words_of(line.text)
    under = words_under(words, cue)
    return (words.index(under[0]), words.index(under[-1])) if under else (-1, -1)


def word_index(line: Line, cue: Cue) -> int:
    """The index of a cue's first word among the line's spoken words; -1 when nothing is spoken."""
    return word_indices(line, cue)[0]


def _settled(cue: Cue, start: int, words: Sequence[Word], *, last: int | None = None, lost: bool = False) -> Cue | None:
    """The cue on a word, and its stretch on words, or None where there are none."""
    if not words:
        return None
    word = nearest(words, start) if lost else word_at(words, start)
    if word is None:
        return None
    end = word_at(words, last) if cue.end is not None and last is not None else None
    until = max(end.start, word.start) if end is not None else None
    return replace(cue, start=word.start, end=until, look=cue.look or lost)


def nearest(words: Sequence[Word], position: int) -> Word:
    """The word closest to a place in the text, the later one of two as close."""
    return min(words, key=lambda w: (max(w.start - position, position - w.end, 0), -w.start))


def _in_order(cues: Iterable[Cue]) -> tuple[Cue, ...]:
    return tuple(sorted(cues, key=lambda c: c.start))
