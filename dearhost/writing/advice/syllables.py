"""How English words sound: syllables and phones from the CMU Pronouncing Dictionary, by rule where it has none."""

from __future__ import annotations

import re

from dearhost.languages.english_pronunciations import pronunciations_of

_VOWELS = re.compile(r"[aeiouy]+")
_SILENT = re.compile(r"(?:[^laeiouy]|[^aeiouy]l)e$|[^aeiouydt]ed$|[^aeiouysxzcgh]es$")


def phones_of(word: str) -> tuple[str, ...]:
    """ARPAbet phones without stress digits; () for a word the dictionary does not have."""
    return tuple(phone.rstrip("012") for phone in _usual(word))


def _usual(word: str) -> tuple[str, ...]:
    spoken = pronunciations_of(word.lower().replace("’", "'").strip("'"))
    return spoken[0] if spoken else ()


def syllables_in(word: str) -> int:
    """Syllables of an English word, at least 1: its vowels as spoken, else groups of vowel letters."""
    spoken = _usual(word)
    if spoken:
        return sum(phone[-1].isdigit() for phone in spoken)
    return sum(_by_rule(part) for part in re.split(r"[-'’]", word.lower()) if part) or 1


def _by_rule(word: str) -> int:
    groups = len(_VOWELS.findall(word))
    return max(1, groups - (1 if groups > 1 and _SILENT.search(word) else 0))
