"""Phones to visemes: the 14 classes of ISO/IEC 14496-2 (MPEG-4 face animation) and neutral.

The table is made from the standard's class list and covers espeak-ng's IPA and ARPAbet.
"""

from __future__ import annotations

import unicodedata
from dataclasses import dataclass
from functools import lru_cache

PAUSE = 0


@dataclass(frozen=True, slots=True)
class VisemePart:
    """A viseme shown for ``share`` of the phone's time; ``strength`` scales its opening."""

    viseme: int
    share: float = 1.0
    strength: float = 1.0


def _one(viseme: int, strength: float = 1.0) -> tuple[VisemePart, ...]:
    return (VisemePart(viseme, 1.0, strength),)


def _glide(first: int, second: int, strength: float = 1.0) -> tuple[VisemePart, ...]:
    """A diphthong or affricate: 60 % and 40 %."""
    return (VisemePart(first, 0.6, strength), VisemePart(second, 0.4, 0.9))


_IPA: dict[str, tuple[VisemePart, ...]] = {}
for _viseme, _symbols in (
    (1, "p b m"), (2, "f v ʋ ɱ"), (3, "θ ð"), (4, "t d ʈ ɖ ɾ"), (5, "k g ɡ ŋ x χ ɣ ʁ ʀ q c ɟ ɢ"),
    (6, "tʃ dʒ ʃ ʒ ʂ ʐ ɕ ʑ tɕ dʑ"), (7, "s z"), (8, "n l ɫ ɬ ɭ ɳ ʟ ɴ"), (9, "ɹ ɻ ɚ ɝ ɹ̩"),
    (10, "a ɑ ɐ ʌ æ ɶ"), (11, "e ɛ ɜ ɘ ɞ"), (12, "i ɪ ᵻ ɨ"), (13, "ɒ ɔ o ɤ"), (14, "u ʊ w ʍ ɯ ʉ ɵ"),
):  # fmt: skip
    for _symbol in _symbols.split():
        _IPA[_symbol] = _one(_viseme)
_IPA |= {
    "β": _one(1, 0.6), "pf": _glide(1, 2), "ç": _one(5, 0.6), "r": _one(9, 0.6), "ʙ": _one(1, 0.6),
    "ts": _glide(4, 7), "dz": _glide(4, 7), "ɲ": _glide(8, 12), "ʎ": _glide(8, 12), "ʝ": _one(12, 0.7),
    "əl": _glide(10, 8, 0.3), "ə": _one(10, 0.45), "ɐ": _one(10, 0.55), "ʌ": _one(10, 0.80), "æ": _one(10, 0.85),
    "j": _one(12, 0.7), "ɾ": _one(4, 0.6), "ɜ": _one(11, 1.2), "ʔ": _one(PAUSE, 0.5),
    "ø": (VisemePart(13, 0.5), VisemePart(11, 0.5)), "œ": (VisemePart(13, 0.5), VisemePart(11, 0.5)),
    "y": _one(14, 0.9), "ʏ": _one(14, 0.9), "ɥ": _one(14, 0.9),
    "eɪ": _glide(11, 12), "aɪ": _glide(10, 12), "aʊ": _glide(10, 14), "ɔɪ": _glide(13, 12), "oʊ": _glide(13, 14),
    "əʊ": _glide(10, 14, 0.4), "ɪə": _glide(12, 10), "eə": _glide(11, 10), "ʊə": _glide(14, 10),
    "ɛɪ": _glide(11, 12), "ɔʏ": _glide(13, 12), "aɛ": _glide(10, 11),
    "": _one(PAUSE),
}  # fmt: skip

_ARPABET: dict[str, tuple[VisemePart, ...]] = {}
for _viseme, _symbols in (
    (1, "P B M"), (2, "F V"), (3, "TH DH"), (4, "T D DX"), (5, "K G NG"), (6, "CH JH SH ZH"), (7, "S Z"),
    (8, "N L"), (9, "R ER"), (10, "AA AE AH"), (11, "EH"), (12, "IH IY"), (13, "AO"), (14, "UH UW W"), (0, "SIL SP"),
):  # fmt: skip
    for _symbol in _symbols.split():
        _ARPABET[_symbol] = _one(_viseme)
_ARPABET |= {
    "EY": _glide(11, 12), "AY": _glide(10, 12), "AW": _glide(10, 14), "OY": _glide(13, 12), "OW": _glide(13, 14),
    "Y": _one(12, 0.7),
}  # fmt: skip

_FROM_NEXT = frozenset(("h", "ɦ", "HH"))
_MODIFIERS = "ˈˌːˑʲʰʷˠˤ'ʼ\u0329\u0303\u032a\u0325\u031a\u0361\u200d"


@lru_cache(maxsize=4096)
def viseme_parts(symbol: str, following: str = "") -> tuple[VisemePart, ...]:
    """The visemes of a phone in IPA or ARPAbet, shares adding up to 1.

    Stress, length and diacritics are ignored; the longest known symbol is matched first. ``following``
    is the next phone: a breath such as h takes its mouth at half strength.
    """
    if symbol.rstrip("012") in _ARPABET and symbol.isascii() and symbol[:1].isupper():
        return _ARPABET[symbol.rstrip("012")]
    if symbol.rstrip("012") in _FROM_NEXT or symbol.strip(_MODIFIERS) in _FROM_NEXT:
        after = viseme_parts(following)[0].viseme if following and following not in _FROM_NEXT else 10
        return _one(after, 0.5)
    text = unicodedata.normalize("NFC", symbol).translate({ord(m): None for m in _MODIFIERS})
    found: list[VisemePart] = []
    while text:
        length = next((n for n in (3, 2, 1) if text[:n] in _IPA), 0)
        if length:
            found += _IPA[text[:length]]
        else:
            letter = unicodedata.normalize("NFD", text[0])[0]
            found += _IPA.get(letter, _one(10, 0.45) if letter.isalpha() else ())
        text = text[max(1, length) :]
    if not found:
        return _one(PAUSE)
    total = sum(p.share for p in found)
    return tuple(VisemePart(p.viseme, p.share / total, p.strength) for p in found)


def main_viseme(symbol: str, following: str = "") -> int:
    """The number of the viseme that a phone shows first."""
    return viseme_parts(symbol, following)[0].viseme
