"""One written word into the words a voice says for it."""

from __future__ import annotations

import re
from functools import lru_cache

from num2words import num2words

from dearhost.languages import LEXICONS, Lexicon

_LETTER = r"[^\W\d_²³¹½¼¾⅓⅔⅛]"
_LETTERS = rf"{_LETTER}+(?:['’ʼ]{_LETTER}+)*['’]?"
_PIECES = re.compile(rf"{_LETTERS}|\d+(?:[.,]\d+)*|.", re.S)
_ROMAN = {"II": 2, "III": 3, "IV": 4, "VI": 6, "VII": 7, "VIII": 8, "IX": 9, "XI": 11, "XII": 12}


@lru_cache(maxsize=20_000)
def say(core: str, language: str, *, abbreviated: bool = False, after_number: bool = False) -> tuple[str, ...]:
    """The spoken words for ``core``, a written word without the punctuation round it.

    ``language`` is the part of a BCP 47 tag before the hyphen; ``abbreviated`` tells that a full stop
    follows that may belong to the word; ``after_number`` lets a unit be said in full. Total: every word
    with a letter or digit gives at least one spoken word, falling back to spelling. A language without a
    lexicon leaves words to its engine.
    """
    lexicon = LEXICONS.get(language)
    if lexicon is None:
        return (core,) if any(c.isalnum() for c in core) else ()
    try:
        words = _Rules(lexicon).say(core, abbreviated, after_number).split()
    except (ValueError, OverflowError, NotImplementedError, IndexError, KeyError):
        words = []
    words = [w for w in words if any(c.isalnum() for c in w)]
    if not words and any(c.isalnum() for c in core):
        words = [c.upper() for c in core if c.isalnum()]
    return tuple(words)


def is_abbreviation(core: str, language: str) -> bool:
    """Whether ``core`` followed by a full stop is an abbreviation, so that no sentence ends there."""
    lexicon = LEXICONS.get(language, LEXICONS["en"])
    return f"{core.lower()}." in lexicon.abbreviations or re.fullmatch(r"(?:[^\W\d_]\.)+[^\W\d_]", core) is not None


class _Rules:
    def __init__(self, lexicon: Lexicon) -> None:
        self.lexicon = lexicon

    def say(self, core: str, abbreviated: bool, after_number: bool) -> str:
        lexicon, lower = self.lexicon, core.lower()
        for key in ([f"{lower}."] if abbreviated else []) + [lower]:
            if key in lexicon.abbreviations:
                return lexicon.abbreviations[key]
        unit = lexicon.units.get(lower, "")
        if unit and (after_number or re.search(r"[/²³°]", core)):
            return unit
        if core in lexicon.fractions:
            return lexicon.fractions[core]
        if core in _ROMAN and lexicon.language == "en":
            return self.cardinal(_ROMAN[core])
        for rule in (
            self.money,
            self.clock,
            self.date,
            self.ordinal,
            self.decade,
            self.year,
            self.range,
            self.phone,
            self.fraction,
        ):
            said = rule(core)
            if said:
                return said
        return self.measure(core) or self.word(core) or self.compound(core)

    def cardinal(self, value: int) -> str:
        text = num2words(value, lang=self.lexicon.language)
        return str(text).replace("-", " ").replace(",", "")

    def number(self, text: str) -> str:
        """Digits with group and decimal marks."""
        group, decimal = (".", ",") if self.lexicon.decimal_comma else (",", ".")
        if self.lexicon.decimal_comma and re.fullmatch(r"\d+\.\d{1,2}", text):
            group, decimal = ",", "."
        text = re.sub(rf"(?<=\d){re.escape(group)}(?=\d{{3}})", "", text)
        whole, _, part = text.partition(decimal)
        if re.search(r"\D", whole + part):
            return f" {self.lexicon.point} ".join(self.number(p) for p in re.split(r"[.,]", text) if p)
        if len(whole) > 15:
            return self.digits(whole)
        said = self.cardinal(int(whole or 0))
        return f"{said} {self.lexicon.point} {self.digits(part, zero=True)}" if part else said

    def digits(self, text: str, *, zero: bool = False) -> str:
        oh = self.lexicon.language == "en" and not zero
        return " ".join("oh" if c == "0" and oh else self.cardinal(int(c)) for c in text if c.isdigit())

    def money(self, core: str) -> str:
        signs = "".join(self.lexicon.currencies)
        match = re.fullmatch(rf"([{signs}])([\d.,]*\d)(k|m|M|bn|b|B)?", core) or None
        if match:
            sign, amount, size = match[1], match[2], match[3]
        else:
            match = re.fullmatch(rf"([\d.,]*\d)(k|M)?([{signs}])", core)
            if not match:
                return ""
            amount, size, sign = match[1], match[2], match[3]
        one, many, _ = self.lexicon.currencies[sign]
        magnitude = self.lexicon.magnitudes.get(size or "", "")
        parts = re.fullmatch(r"(.*\d)[.,](\d\d)", amount)
        if parts and not magnitude:
            whole = int(re.sub(r"\D", "", parts[1]))
            said = f"{self.cardinal(whole)} {one if whole == 1 else many}"
            return f"{said} {self.cardinal(int(parts[2]))}" if int(parts[2]) else said
        said = self.number(amount)
        singular = amount == "1" and not magnitude
        return " ".join(w for w in (said, magnitude, one if singular else many) if w)

    def clock(self, core: str) -> str:
        match = re.fullmatch(r"([01]?\d|2[0-4]):([0-5]\d)", core)
        if not match:
            return ""
        hour, minute = self.cardinal(int(match[1])), int(match[2])
        if self.lexicon.language == "en":
            tail = self.lexicon.oclock if not minute else ("oh " if minute < 10 else "") + self.cardinal(minute)
            return f"{hour} {tail}"
        joiner = {"es": "y", "fr": "heures", "de": "Uhr"}[self.lexicon.language]
        return f"{hour} {joiner} {self.cardinal(minute)}" if minute else f"{hour} {self.lexicon.oclock}"

    def date(self, core: str) -> str:
        match = re.fullmatch(r"(\d{1,2})[/.](\d{1,2})[/.](\d{4})", core)
        if not match:
            return ""
        first, second, year = int(match[1]), int(match[2]), int(match[3])
        month, day = (first, second) if self.lexicon.language == "en" and first <= 12 else (second, first)
        if not (1 <= month <= 12 and 1 <= day <= 31):
            return ""
        name = self.lexicon.months[month - 1]
        if self.lexicon.language == "en":
            return f"{name} {self._ordinal(day)} {self._year(year)}"
        of = " de " if self.lexicon.language == "es" else " "
        said = self._ordinal(day) + "r" if self.lexicon.language == "de" else self.cardinal(day)
        return f"{said}{of}{name}{of}{self._year(year)}"

    def _ordinal(self, value: int) -> str:
        return str(num2words(value, to="ordinal", lang=self.lexicon.language)).replace("-", " ").replace(",", "")

    def ordinal(self, core: str) -> str:
        match = re.fullmatch(self.lexicon.ordinal, core.lower())
        return self._ordinal(int(match[1])) if match and len(match[1]) < 7 else ""

    def _year(self, value: int) -> str:
        if not 1000 <= value <= 2099:
            return self.cardinal(value)
        text = num2words(value, to="year", lang=self.lexicon.language)
        return str(text).replace("-", " ").replace(",", "")

    def year(self, core: str) -> str:
        return self._year(int(core)) if re.fullmatch(r"1[0-9]\d\d|20\d\d", core) else ""

    def decade(self, core: str) -> str:
        match = re.fullmatch(r"(\d{3}0)['’]?s", core)
        if not match or self.lexicon.language != "en":
            return ""
        said = self._year(int(match[1]))
        return said[:-1] + "ies" if said.endswith("y") else said + "s"

    def range(self, core: str) -> str:
        match = re.fullmatch(r"(\d[\d.,]*)[-–](\d[\d.,]*)(%|[^\W\d_]*)", core)
        if not match or re.fullmatch(r"\d{3}[-–]\d{4}", core):
            return ""
        unit = match[3].lower()
        if unit and unit not in self.lexicon.units:
            return ""
        said = f"{self.number(match[1])} {self.lexicon.range_word} {self.number(match[2])}"
        return f"{said} {self.lexicon.units[unit]}" if unit else said

    def phone(self, core: str) -> str:
        if re.fullmatch(r"\+\d{1,4}|\d{3}-\d{4}|0\d{3,}|\+?\d{2,5}(?:[-/]\d{2,8}){2,}", core):
            return self.digits(core)
        return ""

    def fraction(self, core: str) -> str:
        """3/4, and 10/10 as a score; English only, other languages read them as a compound."""
        match = re.fullmatch(r"(\d{1,2})/(\d{1,2})", core)
        if not match or self.lexicon.language != "en":
            return ""
        top, bottom = int(match[1]), int(match[2])
        if not 0 < top < bottom <= 10:
            return f"{self.cardinal(top)} out of {self.cardinal(bottom)}" if bottom else ""
        name = {2: "half", 4: "quarter"}.get(bottom) or self._ordinal(bottom)
        plural = "halves" if name == "half" else f"{name}s"
        return f"{self.cardinal(top)} {name if top == 1 else plural}"

    def measure(self, core: str) -> str:
        match = re.fullmatch(r"([-−–]?)(\d[\d.,]*|[.,]\d+)(\D*)", core)
        if not match:
            return ""
        sign, amount, unit = match.groups()
        amount = amount.rstrip(".,")
        unit_words = self.lexicon.magnitudes.get(unit, "") if unit in ("k", "M", "bn") else ""
        unit_words = unit_words or self.lexicon.units.get(unit.lower(), "")
        if unit and not unit_words:
            return ""
        said = (f"{self.lexicon.minus} " if sign else "") + self.number(amount if amount[0].isdigit() else "0" + amount)
        return f"{said} {unit_words}".strip()

    def word(self, core: str) -> str:
        """A plain word; capitals without a vowel, or with dots between, are spelled."""
        if re.fullmatch(r"[^\W\d_](?:\.[^\W\d_])+\.?", core):
            return " ".join(c.upper() for c in core if c.isalpha())
        if not re.fullmatch(_LETTERS, core):
            return ""
        if 1 < len(core) <= 5 and core.isupper() and not re.search(r"[AEIOUYÁÉÍÓÚÄÖÜÀÈÊ]", core):
            return " ".join(core)
        return core.replace("’", "'")

    def compound(self, core: str) -> str:
        """Runs of letters, digits and signs, each said by its own rule."""
        said: list[str] = []
        previous = ""
        for piece in _PIECES.findall(core):
            if piece[0].isdigit() and piece.isascii():
                said.append(self.number(piece) if len(piece) < 7 else self.digits(piece))
            elif piece in self.lexicon.fractions:
                joiner = {"en": "and ", "es": "y ", "fr": "et ", "de": "und "}[self.lexicon.language]
                said.append((joiner if said else "") + self.lexicon.fractions[piece])
            elif piece.lower() in self.lexicon.abbreviations:
                said.append(self.lexicon.abbreviations[piece.lower()])
            elif said and previous[:1].isdigit() and piece.lower() in self.lexicon.units:
                said.append(self.lexicon.units[piece.lower()])
            elif piece == "-" and previous and said and re.search(r"\d", core.split("-")[-1][:1]):
                said.append(self.lexicon.range_word if re.match(r"\d", core) else "")
            elif piece[0].isalpha():
                said.append(self.word(piece) if len(piece) > 1 else piece.upper())
            elif piece in self.lexicon.currencies:
                said.append(self.lexicon.currencies[piece][1])
            else:
                said.append(self.lexicon.symbols.get(piece, ""))
            previous = piece
        return " ".join(s for s in said if s)
