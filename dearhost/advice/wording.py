"""Which words carry meaning, and which are the same word in another form."""

from __future__ import annotations

from functools import lru_cache
from typing import Any

import snowballstemmer

_STEMMERS = {
    "da": "danish", "nl": "dutch", "en": "english", "fi": "finnish", "fr": "french", "de": "german",
    "hu": "hungarian", "it": "italian", "nb": "norwegian", "no": "norwegian", "pt": "portuguese",
    "ro": "romanian", "ru": "russian", "es": "spanish", "sv": "swedish", "tr": "turkish",
}  # fmt: skip
_FUNCTION_WORDS = frozenset(
    """
    a about after again all also am an and any are as at be because been before being but by can could did do does
    doing down each every few for from further get got had has have having he her here hers him his how i if in into
    is it its just let like may me might more most much must my no nor not now of off on one only onto or other our
    out over own quite rather s same shall she should so some such than that the their theirs them then there these
    they this those through to too under until up upon us very was we were what when where which while who whom why
    will with within without would yes yet you your yours it's i'm you're we're they're that's there's don't doesn't
    didn't isn't aren't wasn't weren't won't can't couldn't let's i'll you'll we'll they'll i've you've we've they've
    """.split()  # noqa: SIM905 - words read best as words
)


@lru_cache(maxsize=20)
def _stemmer(language: str) -> Any:
    name = _STEMMERS.get(language.split("-")[0].lower())
    return snowballstemmer.stemmer(name) if name else None


@lru_cache(maxsize=20_000)
def stem(word: str, language: str) -> str:
    """The part of a word that its forms share (Snowball); the word itself where the language has no stemmer."""
    word = word.lower().replace("’", "'").removesuffix("'s")
    stemmer = _stemmer(language)
    return str(stemmer.stemWord(word)) if stemmer else word


def carries_meaning(word: str, language: str) -> bool:
    """Whether a word is more than grammar. Outside English: longer than three letters."""
    word = word.lower().replace("’", "'")
    if not any(c.isalnum() for c in word):
        return False
    if language.split("-")[0].lower() == "en":
        return word not in _FUNCTION_WORDS
    return len(word) > 3 or word.isdigit()
