"""The word tables of one language."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from dearhost.languages.lexicon import Lexicon


@dataclass(frozen=True)
class Language:
    """``code`` is the part of a BCP 47 tag before the hyphen. What a language has no table for is left empty.

    ``counted`` are the words that count one, two and three, and their places in a row.
    ``gesture_words`` are the words that ask for a gesture, by what they say (see ``stage.direction``). A word ``*x`` is
    any word that ends in x. A word with a capital letter counts only written so, and not where a sentence begins: a
    German "Sie" addresses, "sie" does not. Common practice of speakers' handbooks, no source.
    ``directions`` are patterns of what stage directions say, by the cue they mean (see
    ``production.direction_cues``); the first that is found decides. Stage directions as commonly written, no source.
    ``heard`` are words and phrases of what everybody hears where it is told, divided by ``|``, by the names of
    ``sound.STINGS``: not every word a sound can be found by. A word with a capital letter counts only written so. A
    clause with one of the ``denials`` says that nothing is heard. Everyday words, no source.
    ``glosses`` are English for words of things that can be shown, and of how they stand to each other, by the word.
    Everyday words, no source.
    ``lexicon`` says written numbers, dates, units and signs. ``weak_ends`` are words no caption line should end on.
    ``function_words`` carry no meaning of their own; ``claims`` and ``problems`` are words that open well.
    """

    code: str
    name: str
    counted: tuple[str, ...] = ()
    gesture_words: Mapping[str, str] = field(default_factory=dict)
    directions: Mapping[str, str] = field(default_factory=dict)
    heard: Mapping[str, str] = field(default_factory=dict)
    denials: frozenset[str] = frozenset()
    glosses: Mapping[str, str] = field(default_factory=dict)
    lexicon: Lexicon | None = None
    weak_ends: frozenset[str] = frozenset()
    function_words: frozenset[str] = frozenset()
    claims: frozenset[str] = frozenset()
    problems: frozenset[str] = frozenset()


def glossary(text: str) -> Mapping[str, str]:
    """English by word, in lower case, out of a text "english: word word; english: word;"."""
    rows = (row.split(":") for row in text.split(";") if row.strip())
    return {word.lower(): english.strip() for english, listed in rows for word in listed.split()}


def words(text: str) -> frozenset[str]:
    """A table of words out of a text of them."""
    return frozenset(text.split())
