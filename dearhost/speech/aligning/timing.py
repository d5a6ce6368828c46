"""What an alignment is: when each written word of a text is heard in a recording."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from dearhost.speech.reading import TimedPhone
from dearhost.timebase import Span

SHORTEST = 0.02
"""Seconds that every word gets, also one that was not said."""


@dataclass(frozen=True, slots=True)
class WordTime:
    """A written word in the recording: seconds, how sure its place is (0 to 1), whether it was heard."""

    start: float
    end: float
    confidence: float = 1.0
    said: bool = True


@dataclass(frozen=True, slots=True)
class Alignment:
    """``words`` one for each written word; ``phones`` in order with the index of their word.

    ``method``: 'model' (acoustic model), 'reference' (warped to a reading of the same text) or 'even' (spread
    by letters: nothing better was possible). ``added``: stretches in which something else is said.
    """

    words: tuple[WordTime, ...]
    phones: tuple[TimedPhone, ...]
    method: str
    added: tuple[Span, ...] = ()

    @property
    def skipped(self) -> tuple[int, ...]:
        """Indices of the written words that were not heard."""
        return tuple(i for i, word in enumerate(self.words) if not word.said)

    @property
    def unlike(self) -> bool:
        """Whether the recording says something else than the text: half of the words, or all, are not in it."""
        if self.method != "model":
            return False
        missing = sum(not w.said or w.confidence < 0.15 for w in self.words)
        return missing >= max(2, 0.5 * len(self.words))


def nudged(alignment: Alignment, borders: Mapping[int, float]) -> Alignment:
    """The alignment with word ``i`` beginning at ``borders[i]`` seconds; its neighbours give way.

    A border stays between the word before and the end of its own word.
    """
    words = list(alignment.words)
    phones = list(alignment.phones)
    for index, wanted in sorted(borders.items()):
        if not 0 <= index < len(words):
            continue
        word = words[index]
        earliest = words[index - 1].start + SHORTEST if index else 0.0
        moment = min(max(wanted, earliest), word.end - SHORTEST)
        phones = _stretched(phones, index, word.start, word.end, moment, word.end)
        if index and (words[index - 1].end > moment or words[index - 1].end > word.start - 0.015):
            before = words[index - 1]
            phones = _stretched(phones, index - 1, before.start, before.end, before.start, moment)
            words[index - 1] = replace(before, end=moment)
        words[index] = replace(word, start=moment, confidence=1.0)
    return replace(alignment, words=tuple(words), phones=tuple(phones))


def _stretched(phones: Sequence[TimedPhone], index: int, start: float, end: float, new_start: float,
               new_end: float) -> list[TimedPhone]:  # fmt: skip
    factor = (new_end - new_start) / max(1e-6, end - start)

    def moved(moment: float) -> float:
        return new_start + (moment - start) * factor

    return [replace(p, start=moved(p.start), end=moved(p.end)) if p.word == index else p for p in phones]


def ordered(words: Sequence[WordTime], duration: float) -> tuple[WordTime, ...]:
    """The words so that times never go back and each lasts ``SHORTEST`` at least, within ``duration`` if it can."""
    kept: list[WordTime] = []
    before = 0.0
    for word in words:
        start = max(before, word.start)
        end = max(word.end, start + SHORTEST)
        kept.append(replace(word, start=start, end=end))
        before = end
    over = before - duration
    if over > 0:  # the last words were pressed over the end: make them give way backwards
        latest = duration
        for index in range(len(kept) - 1, -1, -1):
            word = kept[index]
            end = min(word.end, latest)
            start = min(word.start, end - SHORTEST)
            kept[index] = replace(word, start=max(0.0, start), end=end)
            latest = start
            if word.end <= latest:
                break
    return tuple(kept)
