"""Which language a text is in, by py3langid: a naive Bayes classifier over byte sequences (Lui and Baldwin, langid.py:
An Off-the-shelf Language Identification Tool, ACL 2012)."""

from __future__ import annotations

from collections.abc import Sequence
from copy import copy
from functools import lru_cache
from typing import Any

from dearhost.kept import kept

SURE = 0.85
_FEWEST_WORDS, _FEWEST_LETTERS = 5, 12
_READ = 4000
"""Characters; more make it no surer."""


def language_of(text: str, among: frozenset[str]) -> str:
    """The language of ``text`` as an ISO 639-1 code out of ``among``; "" where it is too short to tell, or unsure."""
    return _told(text[:_READ].strip(), among)


def languages_of(texts: Sequence[str], among: frozenset[str]) -> list[str]:
    """The language of each text of a scene: its own where that is sure, else that of them all, else English."""
    together = language_of(" ".join(texts), among) or "en"
    return [language_of(text, among) or together for text in texts]


@lru_cache(maxsize=4096)
def _told(read: str, among: frozenset[str]) -> str:
    # languages without spaces between words have letters beyond the Latin ones
    long_enough = len(read.split()) >= _FEWEST_WORDS or sum(ord(c) > 0x370 for c in read) >= _FEWEST_LETTERS
    if not long_enough:
        return ""
    language, sureness = _identifier(among).classify(read)
    return str(language) if sureness >= SURE else ""


@kept(1)
def _model() -> Any:
    from py3langid.langid import MODEL_FILE, LanguageIdentifier  # noqa: PLC0415 - its model takes a second to load

    return LanguageIdentifier.from_model_file(MODEL_FILE, norm_probs=True)


@kept(4)
def _identifier(among: frozenset[str]) -> Any:
    identifier = copy(_model())
    known = sorted(among & set(identifier.labels))
    if known:
        identifier.set_languages(known)
    return identifier
