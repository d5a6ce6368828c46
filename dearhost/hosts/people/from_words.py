"""Hosts from a description in words, understood by rules.

It stands in for a service that would draw hosts from words, behind the same interface: words in, model sheets with what
was understood out.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from dearhost.hosts.people.model_sheet import NOTHING, OUTFITS, ModelSheet, Wear
from dearhost.hosts.people.workshop import CANDIDATES, GROUPS, LONG_STYLES, SHORT_STYLES, varied


@dataclass(frozen=True, slots=True)
class Heard:
    """Words of a description and what they were taken for."""

    words: str
    means: str


@dataclass(frozen=True, slots=True)
class HostDescription:
    """Four candidates, what was understood, and the words nothing was made of. ``role`` and ``mood`` for the card."""

    candidates: tuple[ModelSheet, ...]
    understood: tuple[Heard, ...]
    unknown: tuple[str, ...]
    role: str
    mood: str


def _by_word(rows: Mapping[str, Any]) -> dict[str, Any]:
    return {word: meaning for words, meaning in rows.items() for word in words.split()}


_PEOPLE = _by_word({
    "man gentleman he his him father": ("adult", False), "woman lady she her mother": ("adult", True),
    "boy": ("child", False), "girl": ("child", True), "child kid": ("child", None), "teenager student": ("young", None),
    "grandfather grandpa": ("senior", False), "grandmother grandma": ("senior", True),
})  # fmt: skip
_AGE_WORDS = _by_word({
    "old elderly aged retired senior": "senior", "young youthful": "young", "grown adult middle-aged mature": "adult",
})  # fmt: skip
_HAIR_COLOURS = _by_word({
    "black dark": "ink", "brown": "espresso", "chestnut": "chestnut", "red ginger copper": "copper",
    "blond blonde fair golden": "wheat", "grey gray silver": "silver", "white": "white", "ash mousy": "ash",
    "purple plum": "plum",
})  # fmt: skip
_CLOTH_COLOURS = _by_word({
    "black": "ink", "navy": "navy", "blue": "sea", "dark-blue": "sea-dark", "green": "tide", "dark-green": "tide-dark",
    "mint": "tide-light", "red": "vermilion", "yellow": "mustard", "orange": "#D9752E", "pink rose": "rose",
    "purple plum": "plum", "olive moss": "moss", "white cream": "cream", "grey gray": "slate", "brown": "#6A4A34",
    "beige sand": "sand", "dark": "char",
})  # fmt: skip
_EYE_COLOURS = _by_word({
    "blue": "#3F7191", "green": "#4F7F52", "brown": "#5B3A24", "dark black": "#2E2018", "grey gray": "#5E6D75",
    "hazel amber": "#8A6A2C",
})  # fmt: skip
_SKIN_WORDS = _by_word({"pale fair light white": 0, "rosy pink": 1, "tan tanned olive": 3, "golden": 2, "brown": 5,
                        "dark": 7, "black deep": 8})  # fmt: skip
_STYLE_WORDS = _by_word({
    "long wavy waves": "waves", "curly curls": "curls", "afro": "curls", "bob": "bob", "bun topknot": "bun",
    "ponytail pony": "pony", "locs dreadlocks": "locs", "pixie": "pixie", "quiff": "quiff",
    "buzz shaved cropped": "buzz", "short": "crop", "coily coils": "coils", "parted parting": "side",
    "bald balding": "fringe", "hairless": "bald",
})  # fmt: skip
_CLOTHES = _by_word({
    "raincoat slicker oilskin oilskins waterproof anorak": "slicker", "blazer jacket suit": "blazer",
    "jumper sweater pullover knit": "knit", "polo": "polo", "dress": "dress", "waistcoat vest": "waistcoat",
    "hoodie sweatshirt": "hoodie", "tunic": "tunic", "jersey": "jersey", "labcoat coat overall": "coat",
    "peacoat": "peacoat", "apron": "apron", "tee t-shirt tshirt": "tee",
})  # fmt: skip
_BEARD_WORDS = _by_word({"beard bearded": "full", "goatee": "chin", "moustache mustache": "moustache",
                         "stubble unshaven": "stubble"})  # fmt: skip
_HEADWEAR_WORDS = _by_word({"cap": "cap", "beanie": "beanie", "hijab headscarf": "hijab", "sunhat hat": "sunhat",
                            "headset headphones": "headset"})  # fmt: skip
_BUILD_WORDS = _by_word({"slim thin slender lean": "slim", "broad strong sturdy muscular": "broad",
                         "heavy stout big large plump": "heavy", "curvy": "curvy", "average": "average"})  # fmt: skip
_ROLES: Mapping[str, dict[str, Any]] = {
    "sailor": {}, "fisher": {"cut": "slicker"}, "captain": {"cut": "peacoat", "headwear": "cap"},
    "teacher": {"cut": "tunic"}, "guide": {"cut": "polo", "lanyard": "vermilion"}, "curator": {"cut": "blazer"},
    "scientist": {"cut": "coat"}, "conservator": {"cut": "coat"}, "doctor": {"cut": "coat"}, "cook": {"cut": "apron"},
    "baker": {"cut": "apron"}, "barista": {"cut": "apron"}, "director": {"cut": "blazer"}, "manager": {"cut": "blazer"},
    "presenter": {"cut": "blazer"}, "keeper": {"cut": "knit"}, "farmer": {"cut": "knit"}, "ranger": {"cut": "slicker"},
    "engineer": {"cut": "hoodie"}, "librarian": {"cut": "waistcoat"},
}  # fmt: skip
_MOODS = _by_word({
    "kind warm friendly cheerful calm stern serious grave lively shy bright dry wise curious patient": None,
})  # fmt: skip
_SILENT = _by_word({
    "a an the and or with in of on who is has wears wearing looks looking like person somebody someone host character "
    "her his their its it to at from very rather quite hair eyes skin up down waist half full body head shoulders face "
    "long short": None,
})  # fmt: skip
"""Words that ask for nothing by themselves."""
_ADJECTIVES = (
    _CLOTH_COLOURS, _HAIR_COLOURS, _SKIN_WORDS, _STYLE_WORDS,
    ("round", "square", "striped", "spotted", "dotted", "checked"),
)  # fmt: skip
_HAIR_NOUNS = ("bald", "balding", "hairless", "ponytail", "bob", "bun", "afro", "locs", "dreadlocks", "curls", "quiff")
_TOKEN = re.compile(r"[^\W\d_]+(?:-[^\W\d_]+)*")


def describe_host(text: str, seed: int = 1) -> HostDescription:
    """Four hosts as ``text`` (English) says: what it names is the same in all, the rest differs."""
    reader = _Description(_TOKEN.findall(text.lower().replace("lab coat", "labcoat").replace("t shirt", "tee")))
    sheet, varying = reader.sheet()
    candidates = [reader.finished(varied(sheet, seed * 10 + n, varying)) for n in range(CANDIDATES)]
    return HostDescription(
        tuple(candidates), tuple(reader.understood), tuple(dict.fromkeys(reader.unknown)), reader.role, reader.mood
    )


class _Description:
    """Reads words one after another; adjectives wait for the noun they belong to."""

    def __init__(self, words: list[str]) -> None:
        self.understood: list[Heard] = []
        self.unknown: list[str] = []
        self.role, self.mood = "", ""
        self.set: dict[str, Any] = {}
        self.outfit: dict[str, Any] = {}
        self.feminine: bool | None = None
        pending: list[str] = []
        for index, word in enumerate(words):
            following = words[index + 1] if index + 1 < len(words) else ""
            if self._noun(word, pending, following):
                pending = []
            elif self._adjective(word, following):
                continue
            elif any(word in known for known in _ADJECTIVES):
                pending.append(word)
            elif word not in _SILENT:
                self.unknown.append(word)
        self._hair(pending)

    def _hear(self, words: str, means: str) -> bool:
        self.understood.append(Heard(words.strip(), means))
        return True

    def _noun(self, word: str, pending: list[str], following: str) -> bool:
        """Whether a word says something by itself, with the adjectives before it."""
        before = " ".join(pending)
        if word in _PEOPLE:
            age, feminine = _PEOPLE[word]
            self.set.setdefault("age", age)
            self.feminine = feminine if feminine is not None else self.feminine
            self._hair(pending)
            return self._hear(word, f"{age}" if age != "adult" else word)
        if word == "hair":
            return self._hair(pending, "hair")
        if word in _HAIR_NOUNS:
            return self._hair([*pending, word])
        if word in _BEARD_WORDS:
            self.set["beard"] = _BEARD_WORDS[word]
            self.feminine = self.feminine or False
            self._hair([p for p in pending if p in _HAIR_COLOURS])
            return self._hear(word, _BEARD_WORDS[word] if word != "beard" else "a full beard")
        if word == "eyes":
            colours = [_EYE_COLOURS[p] for p in pending if p in _EYE_COLOURS]
            if colours:
                self.set["iris"] = colours[-1]
                return self._hear(f"{before} eyes", "the eyes' colour")
            return True
        if word == "skin" or word == "skinned":
            tones = [_SKIN_WORDS[p] for p in pending if p in _SKIN_WORDS]
            if tones:
                self.set["skin"] = tones[-1]
                return self._hear(f"{before} {word}", "the skin")
            return True
        if word in ("glasses", "spectacles"):
            kind = "square" if "square" in pending else "round"
            self.set["glasses"] = Wear(kind, next((_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS), "ink"))
            return self._hear(f"{before} {word}", f"{kind} glasses")
        if word in _HEADWEAR_WORDS:
            colour = next((_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS), "navy")
            self.set["headwear"] = Wear(_HEADWEAR_WORDS[word], colour)
            return self._hear(f"{before} {word}", _HEADWEAR_WORDS[word])
        if word in ("trousers", "jeans", "skirt"):
            colours = [_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS]
            self.outfit["bottom"] = colours[-1] if colours else "navy"
            self.outfit["below"] = "skirt" if word == "skirt" else "trousers"
            return self._hear(f"{before} {word}", word)
        if word in ("tie", "earrings", "earring", "lanyard", "badge"):
            field = {"tie": "tie", "lanyard": "lanyard", "badge": "lanyard"}.get(word, "earring")
            self.set[field] = next((_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS), "vermilion")
            return self._hear(f"{before} {word}", "an earring" if field == "earring" else f"a {field}")
        if word in _CLOTHES or (word == "shirt" and "striped" in pending):
            self._dress(_CLOTHES.get(word, "jersey"), pending)
            return self._hear(f"{before} {word}", _CLOTHES.get(word, "jersey"))
        if word in ("shirt", "blouse"):
            self.outfit["shirt"] = next((_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS), "cream")
            return self._hear(f"{before} {word}", "a shirt")
        if word in _ROLES:
            self.role = self.role or word
            for name, value in _ROLES[word].items():
                if name == "cut":
                    self.outfit.setdefault("cut", value)
                else:
                    self.set.setdefault(name, Wear(value, "navy") if name == "headwear" else value)
            self._hair(pending)
            return self._hear(word, "the role")
        return False

    def _adjective(self, word: str, following: str) -> bool:
        """Whether a word says something of the whole person, whatever noun comes next."""
        if word in _AGE_WORDS:
            self.set["age"] = _AGE_WORDS[word]
            return self._hear(word, _AGE_WORDS[word])
        if word in _BUILD_WORDS and following not in ("hair", "beard"):
            self.set["build"] = _BUILD_WORDS[word]
            return self._hear(word, f"{_BUILD_WORDS[word]} build")
        if word in _MOODS:
            self.mood = f"{self.mood}, {word}".strip(", ")
            return self._hear(word, "the mood, on the card")
        return False

    def _dress(self, cut: str, pending: list[str]) -> None:
        self.outfit["cut"] = cut
        colours = [_CLOTH_COLOURS[p] for p in pending if p in _CLOTH_COLOURS]
        if colours:
            self.outfit["top"] = colours[-1]
            if OUTFITS[cut].below == "dress":
                self.outfit["bottom"] = colours[-1]
        patterns = {"striped": "stripes", "spotted": "dots", "dotted": "dots", "checked": "checks"}
        for word, pattern in patterns.items():
            if word in pending:
                self.outfit["pattern"] = pattern

    def _hair(self, pending: list[str], noun: str = "") -> bool:
        style = next((_STYLE_WORDS[p] for p in reversed(pending) if p in _STYLE_WORDS), "")
        colour = next((_HAIR_COLOURS[p] for p in reversed(pending) if p in _HAIR_COLOURS), "")
        if style:
            self.set["hair"] = style
        if colour:
            self.set["hair_colour"] = colour
        if style or colour:
            self._hear(f"{' '.join(pending)} {noun}", "the hair")
        return True

    def sheet(self) -> tuple[ModelSheet, list[str]]:
        """A sheet with what was said, and the groups that are open."""
        age = self.set.get("age", "adult")
        sheet = ModelSheet(skin=3, hair="side", hair_colour="espresso", age=age)
        return sheet, list(GROUPS)

    def finished(self, sheet: ModelSheet) -> ModelSheet:
        """A varied sheet with everything that was said put back."""
        said = {k: v for k, v in self.set.items() if k != "iris"}
        if self.feminine is not None and "hair" not in said:
            styles = LONG_STYLES if self.feminine else SHORT_STYLES
            if sheet.hair not in styles or sheet.hair == "fringe":
                said["hair"] = styles[(len(sheet.hair) + sheet.skin) % (len(styles) - 1)]
        if self.feminine and "beard" not in said:
            said["beard"] = ""
        if self.outfit:
            named = dict(self.outfit)
            if "shirt" in named and "cut" not in named:  # a shirt with nothing over it
                named |= {"cut": "polo", "top": named["shirt"]}
            said["outfit"] = replace(OUTFITS[named.pop("cut", sheet.outfit.cut)], **named)
        if said.get("beard"):
            said.setdefault("headwear", sheet.headwear if sheet.headwear.kind != "hijab" else NOTHING)
        made = replace(sheet, **said)
        features = made.features
        if self.feminine is not None:
            features = replace(
                features,
                lash=max(features.lash, 1.2) if self.feminine else min(features.lash, 0.7),
                lip_tint=max(features.lip_tint, 0.5) if self.feminine else min(features.lip_tint, 0.35),
                brow=features.brow if self.feminine or features.brow != "thin" else "soft",
            )
        if "iris" in self.set:
            features = replace(features, iris=self.set["iris"])
        return replace(made, features=features)
