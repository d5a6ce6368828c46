"""The say-as list: how words are pronounced, wherever they stand."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from dearhost.script.spoken import words_of
from dearhost.speech.phone_symbols import stress_on_vowels
from dearhost.speech.sharing import VOWELS

_POSSESSIVE = re.compile(r"(.+?)(['’]s?)$")
_IPA_LETTERS = re.compile(r"[^\W\d_]|[ˈˌːˑ̩̯̃͡ʰ‿. ]")


@dataclass(frozen=True, slots=True)
class SayAs:
    """A written word and how it is said: ``alias``, other words to say in its place, or ``ipa``, its phones."""

    word: str
    alias: str = ""
    ipa: str = ""

    def problem(self) -> str:
        """What is wrong with the entry, or ""."""
        if not self.word.strip() or len(words_of(self.word)) != 1:
            return f"'{self.word[:40]}' must be one written word."
        if not self.alias.strip() and not self.ipa.strip():
            return f"Say how '{self.word}' is said: respell it, or give its phones in IPA."
        wrong = [c for c in self.ipa if not _IPA_LETTERS.match(c)]
        return f"'{wrong[0]}' is no sign of IPA in the pronunciation of '{self.word}'." if wrong else ""


@dataclass(frozen=True, slots=True)
class Sayings:
    """What a list says of one text, by the index of the written word."""

    said_as: Mapping[int, str]
    ipa: Mapping[int, str]


def sayings_of(text: str, entries: Iterable[SayAs]) -> Sayings:
    """What ``entries`` say of the words of ``text``. Capitals make no difference; a possessive keeps its ending."""
    known = {entry.word.casefold(): entry for entry in entries if not entry.problem()}
    said_as: dict[int, str] = {}
    ipa: dict[int, str] = {}
    if not known:
        return Sayings(said_as, ipa)
    for index, word in enumerate(words_of(text)):
        written = word.text.casefold()
        entry, ending = known.get(written), ""
        if entry is None and (parts := _POSSESSIVE.fullmatch(written)):
            entry, ending = known.get(parts[1]), parts[2]
        if entry is None:
            continue
        if entry.ipa:
            ipa[index] = entry.ipa + ("z" if ending.endswith("s") else "")
        else:
            said_as[index] = entry.alias + ending
    return Sayings(said_as, ipa)


def uses_of(entry: SayAs, texts: Sequence[str]) -> int:
    """How often an entry's word stands in ``texts``."""
    sure = SayAs(entry.word, entry.alias or entry.word)
    return sum(len(sayings_of(text, [sure]).said_as) for text in texts)


def stress_moved(ipa: str) -> list[str]:
    """The same phones with the stress on each vowel in turn: what to try when a name sounds wrong."""
    bare = ipa.replace("ˈ", "").replace("ˌ", "")
    starts = [i for i, c in enumerate(bare) if c in VOWELS and (i == 0 or bare[i - 1] not in VOWELS)]
    return [made for i in starts if (made := f"{bare[:i]}ˈ{bare[i:]}") != stress_on_vowels(ipa)]
