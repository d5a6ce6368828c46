"""Which words carry meaning, and which are the same word in another form."""

from __future__ import annotations

from functools import lru_cache

from dearhost.languages import LANGUAGES, main_code
from dearhost.languages.snowball import snowball

_STEMMERS = {
    "da": "danish", "nl": "dutch", "en": "english", "fi": "finnish", "fr": "french", "de": "german",
    "hu": "hungarian", "it": "italian", "nb": "norwegian", "no": "norwegian", "pt": "portuguese",
    "ro": "romanian", "ru": "russian", "es": "spanish", "sv": "swedish", "tr": "turkish",
}  # fmt: skip


@lru_cache(maxsize=20_000)
def stem(word: str, language: str) -> str:
    """The part of a word that its forms share (Snowball); the word itself where the language has no stemmer."""
    word = word.lower().replace("’", "'").removesuffix("'s")
    algorithm = _STEMMERS.get(main_code(language))
    return snowball(word, algorithm) if algorithm else word


def carries_meaning(word: str, language: str) -> bool:
    """Whether a word is more than grammar. In a language without a table of them: longer than three letters."""
    word = word.lower().replace("’", "'")
    if not any(c.isalnum() for c in word):
        return False
    known = LANGUAGES.get(main_code(language))
    if known and known.function_words:
        return word not in known.function_words
    return len(word) > 3 or word.isdigit()
