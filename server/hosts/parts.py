"""Everything hosts are made from, as the workshop shows it."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from ninja import Schema

from dearhost.drawing.colours import PALETTE
from dearhost.hosts.host import AGE_GROUPS, DRESSES
from dearhost.hosts.people.eyes import BROWS
from dearhost.hosts.people.face_parts import BEARDS, GLASSES
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import JAWS
from dearhost.hosts.people.headwear import HEADWEAR
from dearhost.hosts.people.model_sheet import AGES, BUILDS, HAIR_COLOURS, OUTFITS, PATTERNS, SKINS, SLEEVES
from dearhost.hosts.people.nose_and_ears import NOSES
from dearhost.hosts.people.sheet_file import FEATURE_LIMITS
from dearhost.hosts.people.workshop import GROUPS


class ChoiceOut(Schema):
    """A field of a sheet and what it may be; ``path`` such as "outfit.cut"; ``empty``: it may be left out."""

    path: str
    group: str
    label: str
    options: list[str]
    empty: bool = False


class ColourOut(Schema):
    """A field of a sheet that is a colour, and those that are offered: values, and what they look like."""

    path: str
    group: str
    label: str
    values: list[str]
    colours: list[str]
    empty: bool = False


class ScaleOut(Schema):
    """A number of the face."""

    path: str
    group: str
    label: str
    low: float
    high: float


class PartsOut(Schema):
    """Everything a host is made from."""

    choices: list[ChoiceOut]
    colours: list[ColourOut]
    scales: list[ScaleOut]
    outfits: dict[str, dict[str, Any]]
    groups: list[str]
    ages: list[str]
    dresses: list[str]


_CLOTH = [name for name in PALETTE if name not in ("paper", "vermilion-dark")]


def all_parts() -> dict[str, Any]:
    """Every choice, colour and scale of a model sheet, as ``PartsOut`` shows them."""

    def choice(path: str, group: str, label: str, options: Any, *, empty: bool = False) -> dict[str, Any]:
        return {"path": path, "group": group, "label": label, "options": list(options), "empty": empty}

    def colour(path: str, group: str, label: str, values: Any, *, empty: bool = False) -> dict[str, Any]:
        values = list(values)
        shown = [PALETTE.get(v, HAIR_COLOURS.get(v, v)) for v in values]
        return {"path": path, "group": group, "label": label, "values": values, "colours": shown, "empty": empty}

    skins = colour("skin", "body", "Skin", [str(i) for i in range(len(SKINS))])
    skins["colours"] = [base for base, _ in SKINS]
    labels = {
        "eye_x": "Eyes apart", "eye_y": "Eyes lower", "eye_size": "Eyes larger", "eye_height": "Eyes open",
        "eye_tilt": "Eyes tilted", "lash": "Lashes", "brow_y": "Brows lower", "mouth_y": "Mouth lower",
        "mouth_width": "Mouth wider", "lip_tint": "Lips redder", "lip_upper": "Upper lip", "lip_lower": "Lower lip",
    }  # fmt: skip
    return {
        "choices": [
            choice("age", "body", "Age", AGES), choice("build", "body", "Build", BUILDS),
            choice("features.jaw", "face", "Face", JAWS), choice("features.nose", "face", "Nose", NOSES),
            choice("features.brow", "face", "Brows", BROWS),
            choice("hair", "hair", "Style", STYLES), choice("beard", "hair", "Beard", BEARDS, empty=True),
            choice("outfit.cut", "clothes", "Clothes", OUTFITS), choice("outfit.sleeve", "clothes", "Sleeves", SLEEVES),
            choice("outfit.below", "clothes", "Below", ("trousers", "skirt", "dress")),
            choice("outfit.pattern", "clothes", "Pattern", PATTERNS),
            choice("glasses.kind", "things", "Glasses", GLASSES, empty=True),
            choice("headwear.kind", "things", "On the head", HEADWEAR, empty=True),
        ],
        "colours": [
            skins,
            colour("features.iris", "face", "Eyes", ("#5B3A24", "#3A2415", "#8A6A2C", "#6F7F43", "#4F7F52", "#2F8074",
                                                     "#3F7191", "#5E6D75")),
            colour("hair_colour", "hair", "Colour", HAIR_COLOURS),
            colour("outfit.top", "clothes", "Top", _CLOTH), colour("outfit.bottom", "clothes", "Bottom", _CLOTH),
            colour("outfit.shoe", "clothes", "Shoes", _CLOTH),
            colour("outfit.accent", "clothes", "Accent", _CLOTH, empty=True),
            colour("outfit.sleeves", "clothes", "Sleeves' own", _CLOTH, empty=True),
            colour("tie", "things", "Tie", _CLOTH, empty=True), colour("glasses.colour", "things", "Frames", _CLOTH),
            colour("headwear.colour", "things", "Headwear", _CLOTH),
            colour("earring", "things", "Earrings", _CLOTH, empty=True),
            colour("lanyard", "things", "Pass on a ribbon", _CLOTH, empty=True),
        ],
        "scales": [
            {"path": f"features.{name}", "group": "face", "label": labels[name], "low": low, "high": high}
            for name, (low, high) in FEATURE_LIMITS.items()
        ],
        "outfits": {cut: asdict(outfit) for cut, outfit in OUTFITS.items()},
        "groups": list(GROUPS),
        "ages": list(AGE_GROUPS),
        "dresses": list(DRESSES),
    }  # fmt: skip
