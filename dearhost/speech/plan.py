"""From the written words of a line to what is spoken, without losing the place."""

from __future__ import annotations

import unicodedata
from collections.abc import Mapping
from dataclasses import dataclass

from dearhost.errors import UnspeakableText
from dearhost.script.document import LONGEST_LINE, Word
from dearhost.script.spoken import blanked, words_of
from dearhost.speech.verbalise import is_abbreviation, say

SENTENCE_MARKS = ".!?"
CLAUSE_MARKS = ",;:"
LONGEST_CLAUSE = 24
"""Spoken words; a longer run without punctuation is cut there, so that engines stay within memory."""
LONGEST_SENTENCE = 60
MOST_LETTERS = 500
"""Of a sentence."""
LONGEST_WORD = 60
"""Letters; what has more is said in pieces. The longest word of large English dictionaries has 45."""


@dataclass(frozen=True, slots=True)
class SpokenWord:
    """A word the voice says, and the index of the written word it belongs to."""

    text: str
    written: int
    ipa: str = ""
    """Its phones, where they are given; an engine says these instead of reading ``text``."""


@dataclass(frozen=True, slots=True)
class Clause:
    """Words said in one breath, and the mark that ends it: one of ``, ; : . ! ?``."""

    words: tuple[SpokenWord, ...]
    mark: str

    @property
    def text(self) -> str:
        """As one string with its mark, for an engine to read."""
        return " ".join(w.text for w in self.words) + self.mark


@dataclass(frozen=True, slots=True)
class Sentence:
    """Clauses up to a full stop, question or exclamation mark."""

    clauses: tuple[Clause, ...]

    @property
    def words(self) -> tuple[SpokenWord, ...]:
        """All spoken words, in order."""
        return tuple(w for clause in self.clauses for w in clause.words)

    @property
    def mark(self) -> str:
        """The mark that ends the sentence."""
        return self.clauses[-1].mark


@dataclass(frozen=True, slots=True)
class WordPlan:
    """The written words of a text and the sentences that speak them all."""

    text: str
    written: tuple[Word, ...]
    sentences: tuple[Sentence, ...]


def plan_words(text: str, language: str, said_as: Mapping[int, str] | None = None,
               ipa: Mapping[int, str] | None = None) -> WordPlan:  # fmt: skip
    """Plan how ``text`` is spoken in ``language`` (BCP 47).

    Every written word is spoken by at least one spoken word. Notes, brackets, placeholders and emoji
    are left out. ``said_as`` gives, by a written word's index, what is spoken in its place, ``ipa`` its phones. Clauses
    end at our own punctuation rules, so that "Dr." ends no sentence. Raises UnspeakableText above ``LONGEST_LINE``.
    """
    if len(text) > LONGEST_LINE:
        raise UnspeakableText(
            f"A line has {len(text):,} characters; up to {LONGEST_LINE:,} are spoken in one. "
            "Split it into several lines."
        )
    short = language.split("-")[0].lower()
    written = words_of(text)
    visible = blanked(text)
    sentences: list[Sentence] = []
    clauses: list[Clause] = []
    words: list[SpokenWord] = []

    def end_clause(mark: str) -> None:
        if words:
            clauses.append(Clause(tuple(words), mark))
            words.clear()
        elif clauses and mark in SENTENCE_MARKS:
            clauses[-1] = Clause(clauses[-1].words, mark)
        said = [word for clause in clauses for word in clause.words]
        if said and (
            mark in SENTENCE_MARKS
            or len(said) >= LONGEST_SENTENCE
            or sum(len(word.text) for word in said) >= MOST_LETTERS
        ):
            sentences.append(Sentence(tuple(clauses)))
            clauses.clear()

    for index, word in enumerate(written):
        last = index + 1 == len(written)
        gap = visible[word.end : len(visible) if last else written[index + 1].start]
        abbreviated = gap.startswith(".") and is_abbreviation(word.text, short) and (not last or gap.count(".") > 1)
        abbreviated = abbreviated or (gap.startswith(".") and last and is_abbreviation(word.text, short))
        after_number = index > 0 and written[index - 1].text[-1].isnumeric()
        if word.text == "in" and not gap.strip():  # "in 2019 in Paris" has no inches; "12 in." has
            after_number = False
        instead = said_as.get(index, "").split() if said_as else []
        spoken_as = [w for part in instead for w in say(part, short)] or say(
            word.text, short, abbreviated=abbreviated, after_number=after_number
        )
        if ipa and index in ipa and index not in (said_as or {}):
            spoken = [SpokenWord("".join(c for c in word.text if c.isalnum()) or word.text, index, ipa[index])]
        else:
            spoken = [SpokenWord(piece, index) for w in spoken_as for piece in _pieces(w)]
        for number, part in enumerate(spoken):
            # a word of a thousand digits, or letters, is said in several breaths
            if number and (number % LONGEST_CLAUSE == 0 or sum(len(w.text) for w in words) >= MOST_LETTERS):
                end_clause(",")
            words.append(part)
        mark = _mark(gap[1:] if abbreviated and not last else gap)
        if last:
            mark = mark if mark and mark in SENTENCE_MARKS else "."
        if mark:
            end_clause(mark)
        elif len(words) >= LONGEST_CLAUSE:
            end_clause(",")
    return WordPlan(text, written, tuple(sentences))


def _pieces(word: str) -> list[str]:
    """A word no engine could hold in memory, in pieces it can."""
    return [word[first : first + LONGEST_WORD] for first in range(0, len(word), LONGEST_WORD)]


def _mark(gap: str) -> str:
    """The strongest mark in the text between two words, or ""."""
    for mark in "?!.":
        if mark in gap:
            return mark
    if "…" in gap:
        return "."
    if any(d in gap for d in "—–;:") or " - " in gap or "--" in gap or (gap.strip() and gap.strip()[0] == ","):
        return ";" if ";" in gap else ":" if ":" in gap else ","
    return "," if "," in gap else ""


_SCRIPTS = ("LATIN", "GREEK", "CYRILLIC", "ARABIC", "HEBREW", "DEVANAGARI", "HIRAGANA", "KATAKANA", "CJK",
            "HANGUL", "THAI", "BENGALI", "TAMIL", "ARMENIAN", "GEORGIAN", "GURMUKHI", "GUJARATI", "ORIYA", "TELUGU",
            "KANNADA", "MALAYALAM", "SINHALA", "MYANMAR", "ETHIOPIC", "CHEROKEE")  # fmt: skip


def script_of(character: str) -> str:
    """The writing system of a letter by its Unicode name, or "" for signs and digits."""
    if not character.isalpha():
        return ""
    name = unicodedata.name(character, "")
    return next((s for s in _SCRIPTS if name.startswith(s)), "")


def ensure_readable(plan: WordPlan, scripts: frozenset[str], voice: str, language: str) -> None:
    """Raise UnspeakableText naming the first word whose letters the voice cannot read."""
    said = [(w.written, c) for sentence in plan.sentences for w in sentence.words for c in w.text]
    for written, character in said:
        system = script_of(character)
        if system and system not in scripts:
            word = plan.written[written].text
            raise UnspeakableText(
                f"'{word}' is written in {system.capitalize()} letters, and the voice {voice} reads {language} only. "
                "Choose a voice of that language for the line, or put the word in square brackets to leave it unsaid."
            )
