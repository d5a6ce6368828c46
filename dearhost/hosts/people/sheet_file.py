"""Model sheets as plain data, and back: what is missing, unknown or absurd is mended and told."""

from __future__ import annotations

import re
from collections.abc import Collection, Mapping
from dataclasses import asdict, replace
from typing import Any

from dearhost.drawing.colours import PALETTE
from dearhost.errors import HostError
from dearhost.hosts.host import AGE_GROUPS, DRESSES, Card
from dearhost.hosts.people.badge import is_badge
from dearhost.hosts.people.eyes import BROWS
from dearhost.hosts.people.face_parts import BEARDS, GLASSES
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import JAWS
from dearhost.hosts.people.headwear import HEADWEAR
from dearhost.hosts.people.model_sheet import (
    AGES,
    BUILDS,
    HAIR_COLOURS,
    NOTHING,
    OUTFITS,
    PATTERNS,
    SKINS,
    SLEEVES,
    Features,
    ModelSheet,
    Outfit,
    Wear,
)
from dearhost.hosts.people.nose_and_ears import NOSES
from dearhost.hosts.people.outfits import CUTS

LOOK_MARK = "~"
"""Between a host's id and the name of a look: "maren~slicker" is Maren in a raincoat."""
MOST_LOOKS = 12
FORM = "dear-host-model-sheet"
VERSION = 1
FEATURE_LIMITS: Mapping[str, tuple[float, float]] = {
    "eye_x": (0.130, 0.190), "eye_y": (-0.02, 0.10), "eye_size": (0.80, 1.35), "eye_height": (0.70, 1.25),
    "eye_tilt": (-0.20, 0.40), "lash": (0.3, 1.6), "brow_y": (-0.13, -0.03), "mouth_y": (0.26, 0.33),
    "mouth_width": (0.80, 1.20), "lip_tint": (0.0, 1.0), "lip_upper": (0.7, 1.4), "lip_lower": (0.7, 1.4),
}  # fmt: skip
"""How far a face's own numbers go: beyond them features touch each other."""
_COLOUR = re.compile(r"#[0-9A-Fa-f]{6}")


class _Reader:
    """Reads values of one mapping, noting what had to be mended."""

    def __init__(self, data: Mapping[str, Any], where: str, notes: list[str]) -> None:
        self.data, self.where, self.notes = data, where, notes

    def word(self, name: str, known: Collection[str], usual: str, *, empty: bool = False) -> str:
        value = str(self.data.get(name, usual))
        if value in known or (empty and value == ""):
            return value
        self.notes.append(
            f"There is no {self.where}{name.replace('_', ' ')} '{value[:30]}'; it is '{usual or 'none'}' now."
        )
        return usual

    def colour(self, name: str, usual: str, *, empty: bool = False) -> str:
        value = str(self.data.get(name, usual))
        if value in PALETTE or _COLOUR.fullmatch(value) or (empty and value == ""):
            return value
        self.notes.append(f"'{value[:30]}' is no colour for {self.where}{name.replace('_', ' ')}.")
        return usual

    def number(self, name: str, limits: tuple[float, float], usual: float) -> float:
        low, high = limits
        try:
            value = float(self.data.get(name, usual))
        except (TypeError, ValueError):
            value = usual
        held = min(max(value, low), high) if value == value else usual
        if held != value:
            self.notes.append(f"The {self.where}{name.replace('_', ' ')} was out of bounds and is {held:g} now.")
        return held


def sheet_to_json(sheet: ModelSheet) -> dict[str, Any]:
    """As plain data."""
    return {**asdict(sheet), "looks": [{"name": name, "outfit": asdict(outfit)} for name, outfit in sheet.looks]}


def sheet_from_json(data: Mapping[str, Any]) -> tuple[ModelSheet, tuple[str, ...]]:
    """The sheet in ``data``, and what had to be mended in sentences."""
    notes: list[str] = []
    read = _Reader(data, "", notes)
    usual = ModelSheet(skin=3, hair="side", hair_colour="espresso")
    sheet = ModelSheet(
        skin=round(read.number("skin", (0, len(SKINS) - 1), usual.skin)),
        hair=read.word("hair", STYLES, usual.hair),
        hair_colour=read.word("hair_colour", HAIR_COLOURS, usual.hair_colour),
        features=_features(_part(data, "features"), notes),
        outfit=_outfit(_part(data, "outfit"), notes),
        build=read.word("build", BUILDS, usual.build),
        age=read.word("age", AGES, usual.age),
        beard=read.word("beard", BEARDS, "", empty=True),
        glasses=_wear(_part(data, "glasses"), GLASSES, "glasses", notes),
        headwear=_wear(_part(data, "headwear"), HEADWEAR, "headwear", notes),
        earring=read.colour("earring", "", empty=True),
        lanyard=read.colour("lanyard", "", empty=True),
        tie=read.colour("tie", "", empty=True),
        badge=_badge(data, notes),
        looks=_looks(data, notes),
    )
    return sheet, tuple(notes)


def _looks(data: Mapping[str, Any], notes: list[str]) -> tuple[tuple[str, Outfit], ...]:
    listed = data.get("looks") or ()
    found: dict[str, Outfit] = {}
    for look in listed if isinstance(listed, (list, tuple)) else ():
        name = " ".join(str(look.get("name", "")).split())[:40] if isinstance(look, Mapping) else ""
        if not name or name in OUTFITS or LOOK_MARK in name or name in found:
            notes.append(f"A look called '{name}' cannot be kept: give it another name.")
        elif len(found) < MOST_LOOKS:
            found[name] = _outfit(_part(look, "outfit"), notes)
    return tuple(found.items())


def _badge(data: Mapping[str, Any], notes: list[str]) -> str:
    badge = str(data.get("badge") or "")
    if badge and not is_badge(badge):
        notes.append("The badge is no picture that can be drawn; it is gone.")
        return ""
    return badge


def _part(data: Mapping[str, Any], name: str) -> Mapping[str, Any]:
    part = data.get(name)
    return part if isinstance(part, Mapping) else {}


def _features(data: Mapping[str, Any], notes: list[str]) -> Features:
    read, usual = _Reader(data, "face's ", notes), Features()
    numbers = {name: read.number(name, limits, float(getattr(usual, name))) for name, limits in FEATURE_LIMITS.items()}
    words = {
        "jaw": read.word("jaw", JAWS, usual.jaw),
        "nose": read.word("nose", NOSES, usual.nose),
        "brow": read.word("brow", BROWS, usual.brow),
    }
    return replace(usual, **numbers, **words, iris=read.colour("iris", usual.iris))  # type: ignore[arg-type]  # names of fields as data


def _outfit(data: Mapping[str, Any], notes: list[str]) -> Outfit:
    read = _Reader(data, "outfit's ", notes)
    usual = OUTFITS[read.word("cut", CUTS, "knit")]
    return Outfit(
        usual.cut,
        read.colour("top", usual.top),
        read.colour("bottom", usual.bottom),
        read.colour("shoe", usual.shoe),
        read.word("sleeve", SLEEVES, usual.sleeve),
        read.colour("shirt", usual.shirt),
        read.number("hem", (0.9, 1.25), usual.hem),
        read.colour("sleeves", usual.sleeves, empty=True),
        read.colour("accent", usual.accent, empty=True),
        read.word("below", ("trousers", "skirt", "dress"), usual.below),
        bool(data.get("boots", usual.boots)),
        read.word("pattern", PATTERNS, usual.pattern),
    )


def _wear(data: Mapping[str, Any], kinds: Collection[str], name: str, notes: list[str]) -> Wear:
    read = _Reader(data, f"{name}' ", notes)
    kind = read.word("kind", kinds, "", empty=True)
    return Wear(kind, read.colour("colour", "ink")) if kind else NOTHING


def card_from_json(data: Mapping[str, Any]) -> Card:
    """The card in ``data``; what is missing is empty, what is unknown the usual."""
    age, dress = str(data.get("age", "adult")), str(data.get("dress", "casual"))
    suits = data.get("suits", ())
    return Card(
        str(data.get("role", ""))[:60],
        age if age in AGE_GROUPS else "adult",
        dress if dress in DRESSES else "casual",
        str(data.get("mood", ""))[:60],
        tuple(str(s)[:40] for s in suits[:6]) if isinstance(suits, (list, tuple)) else (),
        str(data.get("voice", ""))[:120],
    )


def host_to_json(name: str, card: Card, sheet: ModelSheet) -> dict[str, Any]:
    """A host as a file's content."""
    return {"form": FORM, "version": VERSION, "name": name, "card": asdict(card), "sheet": sheet_to_json(sheet)}


def host_from_json(data: Any) -> tuple[str, Card, ModelSheet, tuple[str, ...]]:
    """Name, card, sheet and notes out of a file's content. Raises HostError for what is no model sheet."""
    if not isinstance(data, Mapping) or data.get("form") != FORM or not isinstance(data.get("sheet"), Mapping):
        raise HostError("This file holds no host. Choose a host's file, or make one in the workshop.")
    version = data.get("version")
    if not isinstance(version, int) or version > VERSION:
        raise HostError("This host was saved by a later version of Dear Host. Bring this installation up to date.")
    sheet, notes = sheet_from_json(data["sheet"])
    name = " ".join(str(data.get("name", "")).split())[:60] or "A host"
    return name, card_from_json(_part(data, "card")), sheet, notes
