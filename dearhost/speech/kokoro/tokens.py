"""From phones in IPA, as espeak-ng writes them, to the signs the model was taught with.

The signs follow the open phonemiser misaki (Apache-2.0): diphthongs are capitals, affricates one sign.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dearhost.speech.kokoro.prepared import signs
from dearhost.speech.phone_symbols import STRESS, Gathered, gather

_US = {
    "aɪ": "I", "aʊ": "W", "eɪ": "A", "oʊ": "O", "əʊ": "O", "ɔɪ": "Y", "dʒ": "ʤ", "tʃ": "ʧ", "r": "ɹ", "x": "k",
    "ɐ": "ə", "ɚ": "əɹ", "ɜː": "ɜɹ", "ɝ": "ɜɹ", "ɬ": "l", "ç": "h", "oː": "ɔ", "o": "ɔ", "ɑ̃": "ɑn", "ɔ̃": "ɔn",
    "e": "A", "a": "æ", "aː": "ɑ", "ʔ": "t", "n̩": "ᵊn", "l̩": "ᵊl", "m̩": "ᵊm", "əl": "ᵊl", "g": "ɡ", "y": "u",
    "ø": "ɜ", "œ": "ɜ", "β": "v", "ɣ": "ɡ", "ʁ": "ɹ", "ɲ": "nj", "ʎ": "lj",
}  # fmt: skip
_GB = _US | {
    "oʊ": "Q", "əʊ": "Q", "ɜː": "ɜː", "eə": "ɛː", "o": "ɔ", "oː": "ɔː", "ɚ": "ə", "a": "a", "aː": "ɑː",
}  # fmt: skip
_OTHER = {"dʒ": "ʤ", "tʃ": "ʧ", "g": "ɡ", "aɪ": "I", "aʊ": "W", "eɪ": "A", "oʊ": "O", "əʊ": "Q", "ɔɪ": "Y"}
_TABLES: Mapping[str, Mapping[str, str]] = {"en-us": _US, "en": _GB}
_UNKNOWN = "ə"


@dataclass(frozen=True, slots=True)
class Tokens:
    """The phones of a sentence and its tokens; ``owners`` gives each token's phone, -1 for spaces and marks."""

    phones: tuple[Gathered, ...]
    numbers: list[int]
    owners: list[int]


def tokens_of(points: Sequence[str], accent: str) -> Tokens:
    """The tokens of code points, stress and punctuation among them. ``accent`` as espeak-ng calls it: en-us, en, es."""
    phones = tuple(gather(points))
    known = signs()
    numbers: list[int] = []
    owners: list[int] = []

    def add(sign: str, owner: int) -> None:
        if sign in known:
            numbers.append(known[sign])
            owners.append(owner)

    at = 0
    for index, phone in enumerate(phones):
        for point in points[at : phone.first]:
            if point not in STRESS:
                add(point, -1)
        if phone.stress:
            add("ˈˌ"[phone.stress - 1], index)
        for sign in _signs_of(phone.symbol, accent):
            add(sign, index)
        at = phone.last + 1
    for point in points[at:]:
        add(point, -1)
    return Tokens(phones, numbers, owners)


def _signs_of(symbol: str, accent: str) -> str:
    table = _TABLES.get(accent, _OTHER)
    made = table.get(symbol, "")
    if not made:
        bare = symbol.replace("ː", "")
        long = "ː" if "ː" in symbol and accent != "en-us" else ""
        apart = "".join(table.get(c, c) for c in bare) if accent in _TABLES else bare
        made = table.get(bare, apart) + long
    return "".join(c for c in made if c in signs()) or _UNKNOWN
