"""Which words of a clip the words of a line are, after somebody has struck, mended or moved some."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from difflib import SequenceMatcher

from dearhost.speech.clips.transcript import ClipWord, plain
from dearhost.speech.verbalise import say

_NEAR = 220
"""Words about the expected place among which a sentence is looked for at first."""
_FAR_OFF = 0.34
"""Cost a word from which it is looked for in all of the clip."""
_OTHER, _ALIKE, _UNSAID = 1.15, 0.45, 1.0
"""Costs of a word that stands for another, for one with the same beginning, and of one that is not said."""
_BEGINNING = 3
"""Letters."""
_STRUCK, _STRUCK_WORD = 0.3, 0.004
"""Costs of striking words, and of each of them."""
_AWAY = 0.0004
"""Cost of every word between the expected place and where a sentence begins: of two places the nearer one counts."""
_MENDED = 3
"""Words at most that one word can stand for beside the one it replaced: "quill haven" as "Quillhaven"."""
_STOP = re.compile(r"[.!?…]")


@dataclass(frozen=True, slots=True)
class Said:
    """Words ``first`` to ``last`` of a clip, for a written word; ``part`` of ``parts`` where several share them."""

    first: int
    last: int
    part: int = 0
    parts: int = 1


def match_words(
    written: Sequence[str], gaps: Sequence[str], clip: Sequence[ClipWord], begins: int = 0
) -> list[Said | None]:
    """What each written word is in the clip; None for one that is not said there.

    ``gaps`` is what stands behind each written word: sentences are looked for by themselves, so that they may be moved.
    ``begins`` is the index of the word of the clip about which the first is expected.
    """
    found: list[Said | None] = []
    heard = [_sounds(word.text) for word in clip]
    at = begins
    for first, last in _sentences(gaps):
        words = [_sounds(word) for word in written[first:last]]
        taken = _placed(words, heard, at)
        found += _with_mends(words, _with_ends(taken, clip), clip)
        at = next((said.last + 1 for said in reversed(found) if said), at)
    return found


def _sounds(word: str) -> str:
    """The letters of a word, a number written out."""
    return plain(" ".join(say(word, "en")) or word) if any(sign.isdigit() for sign in word) else plain(word)


def _sentences(gaps: Sequence[str]) -> list[tuple[int, int]]:
    """From which word to which each sentence goes."""
    ends = [index + 1 for index, gap in enumerate(gaps) if _STOP.search(gap) or index + 1 == len(gaps)]
    return list(zip([0, *ends], ends, strict=False))


def _placed(words: Sequence[str], clip: Sequence[str], expected: int) -> list[int | None]:
    """The index in the clip of each word of a sentence, None for what is not said; near ``expected`` where it is."""
    low, high = max(0, expected - _NEAR), min(len(clip), expected + _NEAR + len(words))
    cost, found = _aligned(words, clip[low:high], expected - low)
    if cost / max(1, len(words)) > _FAR_OFF and (low > 0 or high < len(clip)):
        return _aligned(words, clip, expected)[1]
    return [None if index is None else index + low for index in found]


def _aligned(words: Sequence[str], clip: Sequence[str], expected: int) -> tuple[float, list[int | None]]:
    """The cheapest way of finding ``words`` in order among those of a clip, and what it costs.

    Needleman and Wunsch's alignment (1970) with Gotoh's costs of gaps (1982), free before and behind.
    """
    count = len(clip)
    best = [[_AWAY * abs(j - expected) for j in range(count + 1)]]
    came: list[list[int]] = []  # by word and place: -2 not said, -1 matched, else the place before struck words
    for word in words:
        # what was struck before this word
        gap = [float("inf")] * (count + 1)
        start = [0] * (count + 1)
        before = best[-1]
        for j in range(1, count + 1):
            opened, longer = before[j - 1] + _STRUCK + _STRUCK_WORD, gap[j - 1] + _STRUCK_WORD
            gap[j], start[j] = (opened, j - 1) if opened <= longer else (longer, start[j - 1])
        row, steps = [before[0] + _UNSAID], [-2]
        for j in range(1, count + 1):
            unsaid = before[j] + _UNSAID
            said = _cost(word, clip[j - 1])
            straight, struck = before[j - 1] + said, gap[j - 1] + said
            if len(best) == 1 or straight <= struck:
                cost, step = straight, -1
            else:
                cost, step = struck, start[j - 1]
            row.append(min(cost, unsaid))
            steps.append(step if cost <= unsaid else -2)
        best.append(row)
        came.append(steps)
    j = min(range(count + 1), key=best[-1].__getitem__)
    cost = best[-1][j]
    found: list[int | None] = []
    for steps in reversed(came):
        step = steps[j]
        found.append(None if step == -2 else j - 1)
        j = j if step == -2 else j - 1 if step == -1 else step
    return cost, found[::-1]


def _cost(word: str, said: str) -> float:
    if word == said:
        return 0.0
    return _ALIKE if len(said) >= _BEGINNING and word[:_BEGINNING] == said[:_BEGINNING] else _OTHER


def _with_ends(taken: Sequence[int | None], clip: Sequence[ClipWord]) -> list[int | None]:
    """The words with the last one, or the first, standing for what ends, or begins, that sentence in the clip: nothing
    tells it is not said there but that it was mended."""
    ended = list(taken)
    known = [place for place, index in enumerate(taken) if index is not None]
    if not known:
        return ended
    last, first = taken[known[-1]] or 0, taken[known[0]] or 0
    if known[-1] == len(taken) - 2 and last + 1 < len(clip) and not _stops(clip[last]) and _stops(clip[last + 1]):
        ended[-1] = last + 1
    if known[0] == 1 and first > 0 and not _stops(clip[first - 1]) and (first == 1 or _stops(clip[first - 2])):
        ended[0] = first - 1
    return ended


def _stops(word: ClipWord) -> bool:
    return bool(_STOP.search(word.text))


def _with_mends(words: Sequence[str], taken: Sequence[int | None], clip: Sequence[ClipWord]) -> list[Said | None]:
    """The words with what was mended: one for several, or several for one."""
    found: list[Said | None] = []
    for number, (word, index) in enumerate(zip(words, taken, strict=True)):
        if index is None:
            found.append(None)
            continue
        before = next((i for i in reversed(taken[:number]) if i is not None), -1)
        after = next((i for i in taken[number + 1 :] if i is not None), len(clip))
        found.append(_widened(word, index, before if before < index else -1, after, clip))
    return _sharing(words, found, clip)


def _widened(word: str, index: int, before: int, after: int, clip: Sequence[ClipWord]) -> Said:
    """A word with those beside it that are struck, where it is more like all of them together."""
    best, likeness = Said(index, index), _likeness(word, _sounds(clip[index].text))
    if likeness == 1.0:
        return best
    for first in range(max(before + 1, index - _MENDED), index + 1):
        for last in range(index, min(max(after, index + 1), index + _MENDED + 1)):
            alike = _likeness(word, _letters(clip, first, last))
            if alike > likeness + 0.05:
                best, likeness = Said(first, last), alike
    return best


def _letters(clip: Sequence[ClipWord], first: int, last: int) -> str:
    return "".join(_sounds(clip[index].text) for index in range(first, last + 1))


def _likeness(one: str, other: str) -> float:
    return SequenceMatcher(None, one, other, autojunk=False).ratio()


def _sharing(words: Sequence[str], found: list[Said | None], clip: Sequence[ClipWord]) -> list[Said | None]:
    """Words that are not said share the place of a mended one beside them: "twenty five" for "25"."""
    shared = list(found)
    index = 0
    while index < len(found):
        said = found[index]
        if said is None or words[index] == _letters(clip, said.first, said.last):
            index += 1
            continue
        first = index
        while first > 0 and found[first - 1] is None and shared[first - 1] is None:
            first -= 1
        last = index
        while last + 1 < len(found) and found[last + 1] is None:
            last += 1
        for part, place in enumerate(range(first, last + 1)):
            shared[place] = Said(said.first, said.last, part, last - first + 1)
        index = last + 1
    return shared
