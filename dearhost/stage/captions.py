"""Words with times into captions: at most two lines, broken where a reader would pause.

After the BBC subtitle guidelines: two lines of about 37 characters, breaks at sentence and clause
ends, no line that ends on an article or a preposition, on screen while the words are heard.
"""

from __future__ import annotations

import itertools
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.formats import TimedText
from dearhost.languages import LANGUAGES
from dearhost.production.caption_choices import Own
from dearhost.script import blanked
from dearhost.speech import Reading

_LINGER = 0.9
"""Seconds a caption may stay after its last word, as far as the next one leaves room."""
_JOIN_GAP = 0.25
"""Shorter gaps between captions are closed, so that they do not flicker."""
_WEAK_ENDS: frozenset[str] = frozenset().union(*(language.weak_ends for language in LANGUAGES.values()))
_IMPOSSIBLE, _BY_HAND = 1e9, 1e4
_PAUSE = 0.45
"""Seconds between two words from which a caption is rather ended there."""
SHORTEST = 0.3
"""Seconds that a caption is seen at least."""


@dataclass(frozen=True, slots=True)
class CaptionWord:
    """A word as it is shown, with its punctuation, and when it is heard; ``said``: the index of the written word of the
    line that is said then."""

    text: str
    start: float
    end: float
    said: int = 0


@dataclass(frozen=True, slots=True)
class CaptionCuts:
    """Where captions are broken by hand, by the index of a written word: one ``begins`` with it, none does because it
    ``goes_on``, or it begins a ``rows`` of its caption."""

    begins: Collection[int] = ()
    goes_on: Collection[int] = ()
    rows: Collection[int] = ()


NO_CUTS = CaptionCuts()


@dataclass(frozen=True, slots=True)
class Nudge:
    """Seconds by which a caption begins and ends later than of itself; less than 0 is earlier."""

    begins: float = 0.0
    ends: float = 0.0


@dataclass(frozen=True, slots=True)
class Caption:
    """``lines`` are (first word, last word + 1); seconds are scene time.

    ``label`` is a name to show in the picture, "" for none.
    """

    words: tuple[CaptionWord, ...]
    lines: tuple[tuple[int, int], ...]
    start: float
    end: float
    speaker: str
    label: str = ""
    turn: int = 0
    """Whose it is, by the order in which they first speak in the script."""
    own: Own = ()
    """What is chosen for it otherwise than in the scene."""

    def texts(self) -> tuple[str, ...]:
        """Each line as text."""
        return tuple(" ".join(w.text for w in self.words[a:b]) for a, b in self.lines)

    def word_at(self, moment: float) -> int:
        """The index of the word being spoken, or -1 before the first."""
        current = -1
        for index, word in enumerate(self.words):
            if word.start <= moment:
                current = index
        return current

    def timed_text(self, offset: float) -> TimedText:
        """For caption files; ``offset`` is the scene's start."""
        return TimedText(self.start + offset, self.end + offset, self.texts(), self.speaker)


def shown_words(text: str, reading: Reading, start: float) -> tuple[CaptionWord, ...]:
    """The reading's words as shown: with the punctuation round them, without what is not spoken."""
    written = shown_texts(text, [word.from_ for word in reading.words])
    return tuple(
        CaptionWord(shown, word.start + start, word.end + start, index)
        for index, (shown, word) in enumerate(zip(written, reading.words, strict=True))
    )


def shown_texts(text: str, starts: Sequence[int]) -> list[str]:
    """What captions show for each word of a line, by where the words begin in it."""
    visible = blanked(text)
    edges = [*(_chunk_start(visible, start) for start in starts), len(visible)]
    return [" ".join(visible[a:b].split()) for a, b in itertools.pairwise(edges)]


def _chunk_start(visible: str, index: int) -> int:
    while index > 0 and not visible[index - 1].isspace() and visible[index - 1] not in "—-/":
        index -= 1
    return index


def corrected(words: Sequence[CaptionWord], first: int, last: int, text: str) -> tuple[CaptionWord, ...]:
    """The words with ``text`` shown for what is said from the written word ``first`` to ``last``: its words share their
    time by their letters."""
    before = [word for word in words if word.said < first]
    replaced = [word for word in words if first <= word.said <= last]
    after = [word for word in words if word.said > last]
    shown = text.split()
    if not replaced or not shown:
        return tuple(words)
    start, end = replaced[0].start, replaced[-1].end
    letters = [len(word) + 1 for word in shown]
    edges = [start + (end - start) * sum(letters[:n]) / sum(letters) for n in range(len(shown) + 1)]
    # cuts at words that are said there stay at the beginning of what is shown for them
    made = (CaptionWord(word, edges[n], edges[n + 1], first) for n, word in enumerate(shown))
    return (*before, *made, *after)


def with_sounds(words: Sequence[CaptionWord], sounds: Sequence[tuple[float, str]]) -> tuple[CaptionWord, ...]:
    """The words with what else is heard in brackets, each of ``sounds`` (seconds, description) before the next word."""
    told = list(words)
    for at, description in sorted(sounds, reverse=True):
        index = next((n for n, word in enumerate(told) if word.start >= at - 1e-6), len(told) - 1)
        following = told[index]
        begins = told[index - 1].end if index else min(at, following.start)
        start = min(max(at, begins), following.start)
        told.insert(index, CaptionWord(f"[{description}]", start, following.start, following.said))
    return tuple(told)


def make_captions(words: Sequence[CaptionWord], speaker: str, *, characters: int, until: float,
                  lines: int = 2, cuts: CaptionCuts = NO_CUTS) -> tuple[Caption, ...]:  # fmt: skip
    """Captions for one line's words, in at most ``lines`` of ``characters``; none stays beyond ``until`` seconds."""
    if not words:
        return ()
    broken = _Broken.of(words, cuts)
    texts = tuple(word.text for word in words)
    pauses = frozenset(n for n in range(1, len(words)) if words[n].start - words[n - 1].end > _PAUSE)
    pages = _pages(texts, pauses, characters, lines, broken)
    captions: list[Caption] = []
    for number, (first, last) in enumerate(pages):
        part = tuple(words[first:last])
        following = words[pages[number + 1][0]].start if number + 1 < len(pages) else until
        end = min(following, part[-1].end + _LINGER)
        if following - end < _JOIN_GAP:
            end = following
        rows = _lines(texts[first:last], characters, broken.rows_in(first, last))
        captions.append(Caption(part, rows, part[0].start, max(end, part[-1].end), speaker))
    return tuple(captions)


def nudged(captions: Sequence[Caption], nudges: Mapping[int, Nudge], until: float) -> tuple[Caption, ...]:
    """The captions of one line, those whose first written word has a nudge beginning and ending otherwise; what is
    before gives way, and none stays beyond ``until`` or goes too quickly to be seen."""
    made = list(captions)
    for index, caption in enumerate(made):
        nudge = nudges.get(caption.words[0].said)
        if nudge is None:
            continue
        earliest = made[index - 1].start + SHORTEST if index else max(0.0, caption.start - 1.0)
        latest = made[index + 1].start if index + 1 < len(made) else until
        start = min(max(caption.start + nudge.begins, earliest), caption.end - SHORTEST)
        end = max(min(caption.end + nudge.ends, latest), start + SHORTEST)
        made[index] = replace(caption, start=start, end=end)
        if index and made[index - 1].end > start:
            made[index - 1] = replace(made[index - 1], end=start)
    return tuple(made)


@dataclass(frozen=True, slots=True)
class _Broken:
    """The cuts by the index of a shown word."""

    begins: frozenset[int]
    goes_on: frozenset[int]
    rows: frozenset[int]

    @classmethod
    def of(cls, words: Sequence[CaptionWord], cuts: CaptionCuts) -> _Broken:
        firsts = [n for n, word in enumerate(words) if n and word.said != words[n - 1].said]
        return cls(
            *(frozenset(n for n in firsts if words[n].said in kind) for kind in (cuts.begins, cuts.goes_on, cuts.rows))
        )

    def within(self, first: int, last: int) -> int:
        """How many captions begin by hand between two words."""
        return sum(first < cut < last for cut in self.begins)

    def rows_in(self, first: int, last: int) -> list[int]:
        """Where rows begin by hand in a caption of words ``first`` to ``last``, from its first word."""
        return sorted(row - first for row in self.rows if first < row < last)


Texts = tuple[str, ...]
"""Shown words."""


def _width(texts: Texts, first: int, last: int) -> int:
    return sum(map(len, texts[first:last])) + last - first - 1


def _lines(texts: Texts, characters: int, rows: Sequence[int] = ()) -> tuple[tuple[int, int], ...]:
    """One line if it fits, else the best break into two; broken by hand at the first of ``rows``."""
    count = len(texts)
    if rows:
        return ((0, rows[0]), (rows[0], count))
    if _width(texts, 0, count) <= characters or count == 1:
        return ((0, count),)
    best = min(range(1, count), key=lambda i: _break_cost(texts, i, characters))
    return ((0, best), (best, count))


def _break_cost(texts: Texts, index: int, characters: int) -> float:
    upper, lower = _width(texts, 0, index), _width(texts, index, len(texts))
    over = max(0, upper - characters) + max(0, lower - characters)
    return over * 50 + abs(upper - lower) * 0.4 + _end_cost(texts[index - 1])


def _end_cost(text: str) -> float:
    """How badly a break after this word reads."""
    bare = text.rstrip("\"'”’)»")
    if bare.endswith((".", "!", "?", "…")) and bare.lower() not in _WEAK_ENDS:
        return 0.0
    if bare.endswith((",", ";", ":", "—", "–")):
        return 2.0
    return 24.0 if text.lower() in _WEAK_ENDS else 8.0


@lru_cache(maxsize=512)
def _pages(
    texts: Texts, pauses: frozenset[int], characters: int, lines: int, broken: _Broken
) -> tuple[tuple[int, int], ...]:
    """The cheapest way to cut the words into captions (shortest path); where they cannot go on in one, they do not.

    ``pauses``: the words before which nothing is said for a while. A line is cut once for all that is chosen otherwise.
    """
    count = len(texts)
    best, came_from = [0.0] + [_IMPOSSIBLE] * count, [0] * (count + 1)
    for last in range(1, count + 1):
        for first in range(last - 1, -1, -1):
            if last - first > 1 and _width(texts, first, last) > lines * characters:
                break
            cost = best[first] + _page_cost(texts, first, last, pauses, characters)
            cost += _BY_HAND * (broken.within(first, last) + (last in broken.goes_on))
            if cost < best[last]:
                best[last], came_from[last] = cost, first
    pages, last = [], count
    while last > 0:
        pages.append((came_from[last], last))
        last = came_from[last]
    return tuple(pages[::-1])


def _page_cost(texts: Texts, first: int, last: int, pauses: frozenset[int], characters: int) -> float:
    part = texts[first:last]
    lines = _lines(part, characters)
    over = sum(max(0, _width(part, a, b) - characters) for a, b in lines)
    inside = sum(6.0 for text in part[:-1] if _end_cost(text) == 0.0)
    paused = sum(6.0 for word in pauses if first < word < last)
    weak = _end_cost(part[lines[0][1] - 1]) if len(lines) == 2 else 0.0
    short = 10.0 if _width(texts, first, last) < 14 and last - first < len(texts) else 0.0
    return 9.0 + _end_cost(part[-1]) + inside + paused + weak + short + (over * 50 if len(part) > 1 else 0)
