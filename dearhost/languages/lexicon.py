"""What the rules of ``speech.verbalise`` need to know of a language."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Lexicon:
    """``language`` is the num2words code; currencies give (one, many, parts)."""

    language: str
    point: str
    minus: str
    percent: str
    range_word: str
    decimal_comma: bool
    currencies: Mapping[str, tuple[str, str, str]]
    units: Mapping[str, str]
    magnitudes: Mapping[str, str]
    abbreviations: Mapping[str, str]
    symbols: Mapping[str, str]
    months: tuple[str, ...]
    fractions: Mapping[str, str]
    ordinal: str  # a pattern with one group: the digits
    oclock: str
    letter_names: Mapping[str, str] = field(default_factory=dict)
