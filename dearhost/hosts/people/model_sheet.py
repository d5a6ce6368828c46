"""What a host looks like, as a value."""

from __future__ import annotations

from dataclasses import dataclass, field

from dearhost.drawing.colours import mix

SKINS = (
    ("#F8DECB", "#E5B8A0"), ("#F2CDAE", "#DBA484"), ("#E7BB8E", "#C89368"), ("#D6A374", "#B27D51"),
    ("#BF8759", "#99643F"), ("#A06C48", "#7B4C31"), ("#7F5138", "#5D3727"), ("#613F30", "#452A22"),
    ("#4A3029", "#33201D"),
)  # fmt: skip
"""Nine skins from light to dark, each (base, shade)."""

HAIR_COLOURS = {
    "ink": "#22242E", "espresso": "#3A2722", "chestnut": "#6A3B26", "copper": "#A9502A", "wheat": "#CFA159",
    "ash": "#8D7B68", "silver": "#B9B7B0", "white": "#E6E1D6", "plum": "#55304A",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Proportions:
    """Lengths in units (100 = the head) and factors on widths, by age."""

    thigh: float
    shin: float
    ankle: float
    pelvis: float
    waist: float
    chest: float
    neck: float
    width: float
    arm: float
    limb: float
    hand: float
    figure: float


AGES = {
    "child": Proportions(88, 82, 18, 36, 40, 68, 22, 0.74, 0.66, 0.78, 0.74, 0.82),
    "young": Proportions(138, 132, 22, 50, 50, 92, 28, 0.95, 0.98, 0.94, 0.97, 0.99),
    "adult": Proportions(138, 132, 22, 52, 52, 94, 27, 1.0, 1.0, 1.0, 1.0, 1.0),
    "senior": Proportions(130, 124, 22, 52, 50, 88, 24, 0.97, 0.97, 1.02, 1.0, 0.96),
}


@dataclass(frozen=True, slots=True)
class Build:
    """Half-widths in units and a factor on the limbs' thickness."""

    shoulder: float
    chest: float
    waist: float
    hip: float
    limb: float


BUILDS = {
    "slim": Build(60, 54, 43, 50, 0.90),
    "average": Build(65, 60, 51, 56, 1.0),
    "broad": Build(76, 70, 60, 58, 1.12),
    "curvy": Build(63, 61, 50, 66, 1.04),
    "heavy": Build(72, 72, 76, 74, 1.16),
}


SLEEVES = ("long", "short", "roll")
PATTERNS = ("plain", "stripes", "dots", "checks")


@dataclass(frozen=True, slots=True)
class Outfit:
    """``cut`` is one of ``outfits.CUTS``; ``sleeve`` long, short or roll; ``hem`` 1 = at the hips, above 1.02 flared.

    ``sleeves`` and ``accent`` are colours ("" for that of the top, and for none); ``below`` trousers, skirt or dress;
    ``pattern`` plain, stripes, dots or checks, for the cuts that carry one.
    """

    cut: str
    top: str
    bottom: str
    shoe: str
    sleeve: str = "long"
    shirt: str = "cream"
    hem: float = 0.95
    sleeves: str = ""
    accent: str = ""
    below: str = "trousers"
    boots: bool = False
    pattern: str = "plain"

    @property
    def sleeve_colour(self) -> str:
        """The colour of the sleeves."""
        return self.sleeves or self.top


OUTFITS = {
    "blazer": Outfit("blazer", "navy", "char", "#4A2E22", hem=0.97),
    "knit": Outfit("knit", "tide", "#C7AF86", "ink", hem=0.93, accent="vermilion"),
    "polo": Outfit("polo", "tide", "navy", "paper2", sleeve="short"),
    "slicker": Outfit("slicker", "mustard", "sea-dark", "tide-dark", hem=1.12, boots=True),
    "apron": Outfit("apron", "cream", "navy", "ink", sleeve="roll", hem=0.94, accent="vermilion"),
    "dress": Outfit("dress", "vermilion", "vermilion", "plum", sleeve="short", hem=1.0, below="dress", pattern="dots"),
    "waistcoat": Outfit("waistcoat", "plum", "#6A5A4C", "#3A2A22", shirt="#DDE4DA", hem=0.93, sleeves="#DDE4DA"),
    "hoodie": Outfit("hoodie", "rose", "sea", "cream"),
    "tunic": Outfit("tunic", "sea", "navy", "ink", hem=1.16, accent="mustard", below="skirt"),
    "jersey": Outfit("jersey", "cream", "sea-dark", "vermilion", hem=0.93, accent="sea-dark"),
    "coat": Outfit("coat", "paper2", "slate", "ink", shirt="tide-light", hem=1.20),
    "peacoat": Outfit("peacoat", "ink", "char", "#3A2A22", hem=1.10, accent="mustard"),
    "tee": Outfit("tee", "tide-light", "navy", "paper2", sleeve="short", accent="tide-dark", pattern="stripes"),
}


@dataclass(frozen=True, slots=True)
class Wear:
    """Something worn that has kinds and a colour; ``kind`` "" for none."""

    kind: str = ""
    colour: str = "ink"


NOTHING = Wear()


@dataclass(frozen=True, slots=True)
class Features:
    """The face's own shapes: positions in head heights, factors about 1."""

    jaw: str = "oval"
    nose: str = "wedge"
    brow: str = "soft"
    eye_x: float = 0.158
    eye_y: float = 0.030
    eye_size: float = 1.0
    eye_height: float = 1.0
    eye_tilt: float = 0.10
    iris: str = "#5B3A24"
    lash: float = 1.0
    brow_y: float = -0.082
    mouth_y: float = 0.292
    mouth_width: float = 1.0
    lip_tint: float = 0.5
    lip_upper: float = 1.0
    lip_lower: float = 1.0


@dataclass(frozen=True, slots=True)
class ModelSheet:
    """A host's saved looks."""

    skin: int
    hair: str
    hair_colour: str
    features: Features = field(default_factory=Features)
    outfit: Outfit = OUTFITS["knit"]
    build: str = "average"
    age: str = "adult"
    beard: str = ""
    """full, chin, moustache, stubble, or "" for none."""
    glasses: Wear = NOTHING
    """round or square."""
    headwear: Wear = NOTHING
    """hijab, cap, beanie, sunhat or headset."""
    earring: str = ""
    lanyard: str = ""
    tie: str = ""
    """Colours, "" for none."""
    badge: str = ""
    """A picture on the chest or the lanyard, as base64 of a PNG; "" for none."""
    looks: tuple[tuple[str, Outfit], ...] = ()
    """Other clothes by their names, to be chosen for a scene."""
    skin_colours: tuple[str, str] | None = None
    brow_colour: str = ""

    @property
    def skin_base(self) -> str:
        """The lit side of the skin."""
        return (self.skin_colours or SKINS[self.skin])[0]

    @property
    def skin_shade(self) -> str:
        """The shade side of the skin."""
        return (self.skin_colours or SKINS[self.skin])[1]

    @property
    def skin_line(self) -> str:
        """Deep lines in the skin."""
        return mix(self.skin_shade, "#4A1F22", 0.45)

    @property
    def hair_base(self) -> str:
        """The lit side of the hair."""
        return HAIR_COLOURS[self.hair_colour]

    @property
    def hair_shade(self) -> str:
        """The shade side of the hair."""
        return mix(self.hair_base, "#14101E", 0.34)

    @property
    def hair_light(self) -> str:
        """Strands in the light."""
        return mix(self.hair_base, "#FFE9C8", 0.26)
