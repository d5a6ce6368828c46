"""Phones that somebody gave for a word, in place of what an engine makes of its letters."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence

from dearhost.speech.phone_symbols import gather, split_points, stress_on_vowels
from dearhost.speech.plan import SpokenWord
from dearhost.speech.sharing import share_out


def with_given_phones(words: Sequence[SpokenWord], points: list[str],
                      alone: Callable[[str], Sequence[str]]) -> list[str]:  # fmt: skip
    """The code points of a clause with those of words whose phones are given put in, spaces round them."""
    if not any(word.ipa for word in words):
        return points
    phones = gather(points)
    if len(phones) < len(words):
        return points
    cuts = share_out([p.symbol for p in phones], [p.breaks for p in phones], [alone(w.text) for w in words])
    for word, first, last in reversed(list(zip(words, cuts, cuts[1:], strict=False))):
        if word.ipa:
            given = [" ", *split_points(stress_on_vowels(word.ipa)), " "]
            points = points[: phones[first].first] + given + points[phones[last - 1].last + 1 :]
    return _single_spaced(points)


def _single_spaced(points: list[str]) -> list[str]:
    kept: list[str] = []
    for point in points:
        if point == " " and (not kept or kept[-1] == " "):
            continue
        kept.append(point)
    return kept


_MNEMONICS = {
    "tʃ": "tS", "dʒ": "dZ", "eɪ": "eI", "aɪ": "aI", "aʊ": "aU", "ɔɪ": "OI", "oʊ": "oU", "əʊ": "oU", "ɪə": "i@",
    "eə": "e@", "ʊə": "U@", "iː": "i:", "uː": "u:", "ɑː": "A:", "ɔː": "O:", "ɜː": "3:", "ɛ": "E", "æ": "a", "ɑ": "A",
    "ɔ": "O", "ɒ": "0", "ʌ": "V", "ə": "@", "ɐ": "a#", "ɚ": "3", "ɝ": "3:", "ɪ": "I", "ʊ": "U", "ʃ": "S", "ʒ": "Z",
    "θ": "T", "ð": "D", "ŋ": "N", "ɹ": "r", "ɡ": "g", "ˈ": "'", "ˌ": ",", "ː": ":", "ɲ": "n^", "ʎ": "l^", "x": "x",
    "ç": "C", "ø": "Y", "œ": "W", "y": "y", "ɾ": "*", "ʁ": "r",
}  # fmt: skip
_LONGEST_FIRST = re.compile("|".join(sorted(map(re.escape, _MNEMONICS), key=len, reverse=True)))


def as_mnemonics(ipa: str) -> str:
    """IPA in the formant engine's own phoneme names (after Kirshenbaum 1992, as its documentation lists them)."""
    bare = stress_on_vowels(ipa.replace(".", "").replace(" ", ""))
    return _LONGEST_FIRST.sub(lambda match: _MNEMONICS[match[0]], bare)
