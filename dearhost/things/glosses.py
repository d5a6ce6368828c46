"""English for words of other languages that name a thing, or say how things stand to each other."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

from dearhost.languages import LANGUAGES
from dearhost.languages.snowball import snowball
from dearhost.things.stems import without_article

GLOSSED = tuple(code for code, language in LANGUAGES.items() if language.glosses)
"""Languages with glosses, as ISO 639-1."""
UNDERSTOOD = frozenset({"en", *GLOSSED})
"""Languages a picture can be proposed for."""
_LEAST_LETTERS = 4
"""Of a word that is looked up by its stem: shorter ones have too many meanings."""


def in_english(word: str, language: str) -> str:
    """A word in lower case by its gloss, or by that of another form of it; "" where it has none. A number stays."""
    if language == "en" or word.isdecimal():
        return word
    bare = without_article(word)
    found = LANGUAGES[language].glosses.get(bare, "")
    if found or len(bare) < _LEAST_LETTERS:
        return found
    return _by_stem(language).get(snowball(bare, LANGUAGES[language].name.lower()), "")


@lru_cache(maxsize=len(GLOSSED))
def _by_stem(language: str) -> Mapping[str, str]:
    known = LANGUAGES[language]
    return {snowball(word, known.name.lower()): english for word, english in known.glosses.items()}
