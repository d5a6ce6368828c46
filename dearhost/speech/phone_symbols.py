"""Puts IPA code points together to phones."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.speech.sharing import VOWELS

STRESS = {"ˈ": 1, "ˌ": 2}
PUNCTUATION = frozenset(" .,;:?!\"()–—-«»“”¿¡…^$_'|")
DIPHTHONGS = frozenset(("eɪ", "aɪ", "aʊ", "ɔɪ", "oʊ", "əʊ", "ɪə", "eə", "ʊə", "tʃ", "dʒ"))


@dataclass(slots=True)
class Gathered:
    """A phone being put together: where its first and last code points lie in the engine's sequence."""

    symbol: str
    first: int
    last: int
    stress: int
    breaks: bool


def gather(points: Sequence[str]) -> list[Gathered]:
    """Phones from code points: stress marks go to the next, length and diacritics to the one before.

    Two vowels that form a diphthong, and a stop with its fricative, become one phone. Spaces and
    punctuation are no phones; the phone after them ``breaks``.
    """
    phones: list[Gathered] = []
    stress, stress_at, breaks = 0, -1, True
    for index, point in enumerate(points):
        if not point or point in PUNCTUATION:
            stress, stress_at, breaks = 0, -1, True
        elif point in STRESS:
            stress, stress_at = STRESS[point], index
        elif (phones and not breaks and _attaches(point)) or (
            phones and not breaks and stress_at < 0 and phones[-1].symbol + point in DIPHTHONGS
        ):
            phones[-1].symbol += point
            phones[-1].last = index
        else:
            phones.append(Gathered(point, stress_at if stress_at >= 0 else index, index, stress, breaks))
            stress, stress_at, breaks = 0, -1, False
    return phones


def _attaches(point: str) -> bool:
    return unicodedata.category(point[0]) in ("Mn", "Lm") or point in "ːˑʲʰ"


def split_points(text: str) -> list[str]:
    """The code points of an IPA string; joiners and language switches such as ``(en)`` are dropped."""
    points: list[str] = []
    inside = False
    for character in text:
        if character == "(":
            inside = True
        elif character == ")":
            inside = False
        elif not inside and character not in "\u200d\u0361‿":
            points.append(character)
    return points


def stress_on_vowels(ipa: str) -> str:
    """IPA with its stress marks in front of vowels, as engines write them, not of syllables."""
    return re.sub(rf"([{''.join(STRESS)}])([^{''.join(VOWELS)}{''.join(STRESS)}]+)", r"\2\1", ipa)


def phones_in(ipa: str) -> tuple[str, ...]:
    """The phones of a word written in IPA, without stress marks."""
    return tuple(phone.symbol for phone in gather(split_points(ipa)))
