"""Stems of words by the Snowball algorithms."""

from __future__ import annotations

import snowballstemmer


def snowball(word: str, algorithm: str) -> str:
    """The stem of a word in lower case by an ``algorithm`` of Snowball's ("english": Porter 2001).

    A stemmer holds the word it is at, so each call has its own: a shared one mixes the words of two threads. Raises
    KeyError for an unknown algorithm.
    """
    return str(snowballstemmer.stemmer(algorithm).stemWord(word))
