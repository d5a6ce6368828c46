"""IPA and ARPAbet, the phone set of CMUdict and of the English acoustic model."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from dearhost.languages.english_pronunciations import pronunciations_of

_IPA_TO_ARPABET: Mapping[str, str] = {
    "aɪə": "AY AH", "aɪɚ": "AY ER", "aʊə": "AW AH", "oːɹ": "AO R", "ɔːɹ": "AO R", "ɑːɹ": "AA R", "ɛɹ": "EH R",
    "ɪɹ": "IH R", "ʊɹ": "UH R", "tʃ": "CH", "dʒ": "JH", "eɪ": "EY", "aɪ": "AY", "aʊ": "AW", "ɔɪ": "OY", "oʊ": "OW",
    "əʊ": "OW", "iə": "IY AH", "ɪə": "IH AH", "eə": "EH AH", "ʊə": "UH AH", "əl": "AH L", "n̩": "AH N", "l̩": "AH L",
    "iː": "IY", "i": "IY", "ɪ": "IH", "ᵻ": "IH", "ɨ": "IH", "ɛ": "EH", "e": "EH", "æ": "AE", "aː": "AA", "a": "AA",
    "ɑː": "AA", "ɑ": "AA", "ɒ": "AA", "ɔː": "AO", "ɔ": "AO", "oː": "AO", "o": "OW", "ʊ": "UH", "uː": "UW", "u": "UW",
    "ʌ": "AH", "ɐ": "AH", "ə": "AH", "ɜː": "ER", "ɜ": "ER", "ɚ": "ER", "ɝ": "ER", "y": "UW", "ø": "ER", "œ": "ER",
    "p": "P", "b": "B", "t": "T", "d": "D", "k": "K", "ɡ": "G", "g": "G", "f": "F", "v": "V", "θ": "TH", "ð": "DH",
    "s": "S", "z": "Z", "ʃ": "SH", "ʒ": "ZH", "h": "HH", "m": "M", "n": "N", "ŋ": "NG", "l": "L", "ɫ": "L", "ɹ": "R",
    "r": "R", "ʁ": "R", "ɾ": "T", "w": "W", "j": "Y", "ʔ": "T", "x": "HH", "ç": "HH", "ɲ": "N Y", "ʎ": "L Y",
    "β": "V", "ɣ": "G", "ts": "T S", "ʋ": "V", "ɬ": "L",
}  # fmt: skip
_LONGEST = max(map(len, _IPA_TO_ARPABET))

_ARPABET_TO_IPA: Mapping[str, str] = {
    "AA": "ɑː", "AE": "æ", "AH": "ʌ", "AO": "ɔː", "AW": "aʊ", "AY": "aɪ", "EH": "ɛ", "ER": "ɚ", "EY": "eɪ", "IH": "ɪ",
    "IY": "iː", "OW": "oʊ", "OY": "ɔɪ", "UH": "ʊ", "UW": "uː", "B": "b", "CH": "tʃ", "D": "d", "DH": "ð", "F": "f",
    "G": "ɡ", "HH": "h", "JH": "dʒ", "K": "k", "L": "l", "M": "m", "N": "n", "NG": "ŋ", "P": "p", "R": "ɹ", "S": "s",
    "SH": "ʃ", "T": "t", "TH": "θ", "V": "v", "W": "w", "Y": "j", "Z": "z", "ZH": "ʒ",
}  # fmt: skip
ARPABET = tuple(_ARPABET_TO_IPA)
"""The 39 phones of CMUdict."""
ARPABET_VOWELS = frozenset(("AA", "AE", "AH", "AO", "AW", "AY", "EH", "ER", "EY", "IH", "IY", "OW", "OY", "UH", "UW"))


def to_arpabet(phones: Sequence[str]) -> list[str]:
    """ARPAbet for phones in IPA, longest match first; signs it does not know are passed over."""
    text = "".join(phones)
    found: list[str] = []
    at = 0
    while at < len(text):
        size = next((n for n in range(_LONGEST, 0, -1) if text[at : at + n] in _IPA_TO_ARPABET), 0)
        if size:
            found += _IPA_TO_ARPABET[text[at : at + size]].split()
        at += max(1, size)
    return found


def to_ipa(phone: str, *, stressed: bool = True) -> str:
    """IPA for an ARPAbet phone; AH without stress is schwa. Raises KeyError for another."""
    return "ə" if phone == "AH" and not stressed else _ARPABET_TO_IPA[phone]


def stresses(word: str, phones: Sequence[str]) -> list[int]:
    """Stress (0 none, 1 primary, 2 secondary) of each phone of an English word, from CMUdict.

    A word it does not have, or has with other vowels, bears its stress on its first vowel.
    """
    vowels = [i for i, phone in enumerate(phones) if phone in ARPABET_VOWELS]
    marks = [0] * len(phones)
    for known in pronunciations_of(word):
        digits = [int(p[-1]) for p in known if p[-1].isdigit()]
        if len(digits) == len(vowels):
            for index, digit in zip(vowels, digits, strict=True):
                marks[index] = digit
            return marks
    if vowels:
        marks[vowels[0]] = 1
    return marks
