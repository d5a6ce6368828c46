"""Shares the phones of a sentence out among its words."""

from __future__ import annotations

from collections.abc import Sequence

VOWELS = frozenset("iyɨʉɯuɪʏʊeøɘɵɤoəɛœɜɞʌɔæɐaɑɶɒɚɝᵻ")
_UNREACHED = 1e9


def base(symbol: str) -> str:
    """A phone's first letter without stress, length and diacritics."""
    stripped = symbol.lstrip("ˈˌ")
    return stripped[:1]


def _difference(first: str, second: str) -> float:
    if first == second:
        return 0.0
    return 0.5 if (first in VOWELS) == (second in VOWELS) else 1.2


def share_out(phones: Sequence[str], breaks: Sequence[bool], alone: Sequence[Sequence[str]]) -> list[int]:
    """Where each word's phones begin.

    ``phones`` are those of the whole sentence; ``breaks[i]`` tells that the engine made a word break
    before phone i; ``alone`` holds, for each word, the phones it has when said by itself. Returns
    ``len(alone) + 1`` cuts, the first 0 and the last ``len(phones)``; every word gets at least one phone.

    A monotone edit-distance alignment: substitution .5 within vowels or consonants, else 1.2;
    insertion and deletion 1; +1 for a cut that is not on an engine's break, +.3 for each break
    swallowed. Raises ValueError when there are fewer phones than words.
    """
    count, words = len(phones), len(alone)
    if count < words:
        raise ValueError(f"'phones' must be at least one a word (got {count} for {words})")
    letters = [base(p) for p in phones]
    swallowed = [0]
    for flag in breaks:
        swallowed.append(swallowed[-1] + int(flag))
    previous = [0.0] + [_UNREACHED] * count
    history: list[list[int]] = []
    for number, word in enumerate(alone):
        target = [base(p) for p in word] or ["ə"]
        current = [_UNREACHED] * (count + 1)
        came_from = [0] * (count + 1)
        left = words - number - 1
        for start in range(count):
            if previous[start] >= _UNREACHED:
                continue
            opening = previous[start] + (0.0 if start == 0 or breaks[start] else 1.0)
            row = [float(j) for j in range(len(target) + 1)]
            for end in range(start, min(count - left, start + len(target) + 6)):
                row = _next_row(row, letters[end], target)
                cost = opening + row[-1] + 0.3 * (swallowed[end + 1] - swallowed[start + 1])
                if cost < current[end + 1]:
                    current[end + 1], came_from[end + 1] = cost, start
        history.append(came_from)
        previous = current
    if previous[count] >= _UNREACHED:
        return _spread(count, alone)
    cuts = [count]
    for came_from in reversed(history):
        cuts.append(came_from[cuts[-1]])
    return cuts[::-1]


def _next_row(row: list[float], letter: str, target: list[str]) -> list[float]:
    new = [row[0] + 1]
    for j, wanted in enumerate(target, 1):
        new.append(min(row[j - 1] + _difference(letter, wanted), row[j] + 1, new[j - 1] + 1))
    return new


def _spread(count: int, alone: Sequence[Sequence[str]]) -> list[int]:
    """Cuts in proportion to the words' own lengths, when no alignment reaches the end."""
    weights = [max(1, len(w)) for w in alone]
    total, run, cuts = sum(weights), 0, [0]
    for index, weight in enumerate(weights):
        run += weight
        lowest, highest = cuts[-1] + 1, count - (len(weights) - index - 1)
        cuts.append(max(lowest, min(highest, round(count * run / total))))
    cuts[-1] = count
    return cuts
