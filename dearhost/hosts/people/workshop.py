"""Making hosts by chance within taste, and as variations of one."""

from __future__ import annotations

import random
from collections.abc import Collection
from dataclasses import replace
from typing import Any

from dearhost.hosts.people.eyes import BROWS
from dearhost.hosts.people.head_space import JAWS
from dearhost.hosts.people.model_sheet import NOTHING, OUTFITS, SKINS, Features, ModelSheet, Wear
from dearhost.hosts.people.nose_and_ears import NOSES

CANDIDATES = 4
GROUPS = ("face", "hair", "skin", "outfit", "build", "accessories")
"""What can be varied."""
_IRISES = ("#5B3A24", "#4A2C18", "#3F7191", "#6F7F43", "#2F8074", "#5E6D75", "#2E2018")
_CLOTH = (
    "navy", "tide", "tide-dark", "sea", "sea-dark", "plum", "vermilion", "mustard", "rose", "moss", "char", "slate",
    "cream", "tide-light",
)  # fmt: skip
_TROUSERS = ("navy", "char", "sea-dark", "slate", "#C7AF86", "#6A5A4C", "ink")
_CHILD_FACE = {"jaw": "child", "nose": "button", "eye_size": 1.28, "eye_y": 0.075, "brow_y": -0.045, "mouth_y": 0.305,
               "mouth_width": 0.86}  # fmt: skip
LONG_STYLES = ("waves", "bob", "bun", "pony", "locs", "curls", "pixie")
SHORT_STYLES = ("side", "crop", "quiff", "buzz", "coils", "fringe")


def random_sheet(seed: int) -> ModelSheet:
    """Somebody by chance; the same seed gives the same host. Colours of a suit go together, children look it."""
    chance = random.Random(seed)
    blank = ModelSheet(skin=3, hair="side", hair_colour="espresso")
    blank = replace(blank, age=chance.choices(("young", "adult", "senior", "child"), (3, 5, 2, 1))[0])
    return varied(blank, seed, GROUPS)


def variations(sheet: ModelSheet, seed: int, groups: Collection[str]) -> list[ModelSheet]:
    """Four more like this one: what ``groups`` name differs, the rest stays."""
    return [varied(sheet, seed * 10 + number, groups) for number in range(1, CANDIDATES + 1)]


def varied(sheet: ModelSheet, seed: int, groups: Collection[str]) -> ModelSheet:
    """The sheet with other choices in ``groups``, of those that suit the age."""
    chance = random.Random(f"{seed}")
    feminine = chance.random() < 0.5
    made = sheet
    if "skin" in groups:
        made = replace(made, skin=chance.randrange(len(SKINS)))
    if "build" in groups:
        made = replace(made, build=chance.choice(("slim", "average", "average", "broad", "curvy", "heavy")))
    if "face" in groups:
        made = replace(made, features=_face(chance, made, feminine))
    if "hair" in groups:
        made = _hair(chance, made, feminine)
    if "outfit" in groups:
        made = replace(made, outfit=_outfit(chance, made.age))
    if "accessories" in groups:
        made = _accessories(chance, made, feminine)
    return made


def _face(chance: random.Random, sheet: ModelSheet, feminine: bool) -> Features:
    face = Features(
        jaw=chance.choice([j for j in JAWS if j != "child"]),
        nose=chance.choice(list(NOSES)),
        brow=chance.choice([b for b in BROWS if feminine or b != "thin"]),
        eye_size=round(chance.uniform(0.94, 1.08), 2),
        eye_height=round(chance.uniform(0.84, 1.06), 2),
        eye_tilt=round(chance.uniform(0.02, 0.28), 2),
        iris=chance.choice(_IRISES if sheet.skin < 5 else (*_IRISES[:2], _IRISES[-1])),
        lash=round(chance.uniform(1.2, 1.5) if feminine else chance.uniform(0.4, 0.8), 2),
        lip_tint=round(chance.uniform(0.5, 1.0) if feminine else chance.uniform(0.05, 0.35), 2),
        lip_upper=round(chance.uniform(0.9, 1.35), 2),
        lip_lower=round(chance.uniform(0.9, 1.25), 2),
    )
    return replace(face, **_CHILD_FACE) if sheet.age == "child" else face  # type: ignore[arg-type]  # names of fields as data


def _hair(chance: random.Random, sheet: ModelSheet, feminine: bool) -> ModelSheet:
    styles = [s for s in (LONG_STYLES if feminine else SHORT_STYLES) if s != "fringe" or sheet.age == "senior"]
    if sheet.age == "senior":
        colour = chance.choice(("silver", "white", "ash"))
    else:
        dark = ("ink", "espresso", "chestnut")
        colour = chance.choice(dark if sheet.skin >= 5 else (*dark, "copper", "wheat", "ash", "plum"))
    beards = ("", "", "", "full", "chin", "stubble", "moustache")
    beard = "" if feminine or (sheet.age in ("child", "young") and chance.random() < 0.7) else chance.choice(beards)
    return replace(sheet, hair=chance.choice(styles), hair_colour=colour, beard="" if sheet.age == "child" else beard)


def _outfit(chance: random.Random, age: str) -> Any:
    cuts = [c for c in OUTFITS if age != "child" or c in ("knit", "polo", "slicker", "hoodie", "jersey", "tee")]
    outfit = OUTFITS[chance.choice(cuts)]
    top = chance.choice([c for c in _CLOTH if c != outfit.bottom])
    bottom = top if outfit.below == "dress" else chance.choice([t for t in _TROUSERS if t != top])
    accent = chance.choice(("", "vermilion", "mustard", "cream")) if outfit.accent else ""
    return replace(
        outfit, top=top, bottom=bottom, accent=accent,
        pattern=chance.choice(("stripes", "dots", "checks", "plain")) if outfit.pattern != "plain" else "plain",
    )  # fmt: skip


def _accessories(chance: random.Random, sheet: ModelSheet, feminine: bool) -> ModelSheet:
    glasses = Wear(chance.choice(("round", "square")), chance.choice(("ink", "mustard", "vermilion-dark", "plum")))
    earring = chance.choice(("vermilion", "mustard", "tide")) if feminine and chance.random() < 0.4 else ""
    return replace(
        sheet,
        glasses=glasses if chance.random() < 0.3 else NOTHING,
        headwear=Wear("beanie", chance.choice(_CLOTH)) if chance.random() < 0.1 else NOTHING,
        earring=earring if sheet.age != "child" else "",
        lanyard="vermilion" if chance.random() < 0.1 else "",
        tie=chance.choice(_CLOTH) if sheet.outfit.cut in ("waistcoat", "blazer") and not feminine else "",
    )
