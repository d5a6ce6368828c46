"""How long words take to say, before anybody has said them."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.languages.english_pronunciations import pronunciations_of
from dearhost.script import placeholders

_CURRENCIES = {"£": 1, "€": 2, "$": 2}
"""Syllables."""
_GROUPED = re.compile(r"(?<=\d),(?=\d{3}\b)")
"""The comma of 5,000."""
_NAME = "name"
"""What a slot for a name is counted as."""


@dataclass(frozen=True, slots=True)
class Pace:
    """Seconds a voice takes for a syllable, for the pause at a mark inside a sentence and for that after a sentence;
    what a new line and a new scene add to it.

    Fitted to 89 drafts read by the neural voice: 99 of 100 run within 5 % of it (see ``benchmarks/writing_desk.py``).
    """

    syllable: float = 0.228
    mark: float = 0.706
    sentence: float = 0.723
    line: float = 0.389
    scene: float = 0.644

    def seconds(self, text: str) -> float:
        """Seconds the words of a text run; open slots are not counted, but for names."""
        syllables, marks, sentences = _counts(text)
        return self.syllable * syllables + self.mark * marks + self.sentence * sentences

    def at(self, rate: float) -> Pace:
        """A voice that speaks ``rate`` times as quick; the silence between lines stays."""
        return replace(self, syllable=self.syllable / rate, mark=self.mark / rate, sentence=self.sentence / rate)


@lru_cache(50_000)
def _counts(text: str) -> tuple[int, int, int]:
    spoken = _without_slots(text)
    words = re.findall(r"[\w£€$'’]+(?:[.,:]\d+)*", spoken)
    syllables = sum(syllables_of(word) for word in words)
    marks = len(re.findall(r"[,;:–—](?=\s)", spoken))
    sentences = len(re.findall(r"[.?!…]+[”\"]?(?=\s|$)", spoken))
    return syllables, marks, sentences


def _without_slots(text: str) -> str:
    """The text without its open slots; a slot for a name is one word."""
    for slot in reversed(placeholders(text)):
        inside = text[slot.start + 1 : slot.end - 1].strip().lower()
        text = text[: slot.start] + (_NAME if inside == _NAME else "") + text[slot.end :]
    return text


@lru_cache(50_000)
def syllables_of(word: str) -> int:
    """The syllables of an English word or number, by the CMU dictionary; by its vowels where it is not there."""
    lower = word.lower().strip("'’").replace("’", "'")
    spoken = pronunciations_of(lower)
    if spoken:
        return sum(phone[-1].isdigit() for phone in spoken[0])
    figures = re.findall(r"\d+", _GROUPED.sub("", lower))
    if figures:
        return _syllables_of_figures(figures, lower)
    return max(1, len(re.findall(r"[aeiouy]+", re.sub(r"e$", "", lower))))


def _syllables_of_figures(figures: list[str], written: str) -> int:
    """A whole number, a year, a sum of money, one with a point, whose places are said one by one, or several numbers,
    such as those of a time."""
    first, *rest = (int(figure[:9]) for figure in figures)
    currency = _CURRENCIES.get(written[:1])
    if 1100 <= first < 2000 and currency is None and not rest and not _GROUPED.search(written):
        century, year = divmod(first, 100)
        return _syllables_of_number(century) + (_syllables_of_number(year) if year else 2)
    whole = _syllables_of_number(first) + (currency or 0)
    if "." in written and rest and currency is None:
        return whole + 1 + sum(_syllables_of_number(int(place)) for place in figures[1][:9])
    return whole + sum(map(_syllables_of_number, rest))


def _syllables_of_number(number: int) -> int:
    if number < 20:
        return (2, 1, 1, 1, 1, 1, 1, 2, 1, 1, 1, 3, 1, 2, 2, 2, 2, 3, 2, 2)[number]
    if number < 100:
        tens, ones = divmod(number, 10)
        return 2 + (tens == 7) + (_syllables_of_number(ones) if ones else 0)
    if number < 1000:
        hundreds, rest = divmod(number, 100)
        return _syllables_of_number(hundreds) + 2 + (1 + _syllables_of_number(rest) if rest else 0)
    thousands, rest = divmod(number, 1000)
    return _syllables_of_number(thousands) + 2 + (_syllables_of_number(rest) if rest else 0)
