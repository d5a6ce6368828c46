"""The hosts that come with the product."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from dearhost.hosts.animals.seabird import Seabird
from dearhost.hosts.animals.seal import Seal
from dearhost.hosts.host import Card, Host
from dearhost.hosts.people.model_sheet import OUTFITS, Features, ModelSheet, Wear
from dearhost.hosts.people.person import Person

_CHILD = Features(
    jaw="child", nose="button", eye_size=1.30, eye_y=0.075, brow_y=-0.045, mouth_y=0.305, mouth_width=0.86,
    lip_tint=0.25, lash=0.9,
)  # fmt: skip


_PEOPLE = (
    Person(
        "maren", "Maren Oake",
        Card("curator", "adult", "formal", "warm and clear", ("lessons", "announcements", "interviews"), "hannah"),
        ModelSheet(
            skin=4, hair="waves", hair_colour="espresso", outfit=OUTFITS["blazer"], build="curvy", earring="vermilion",
            features=Features(jaw="heart", brow="soft", nose="wedge", lip_tint=0.9, lash=1.5, iris="#6A4426",
                              eye_tilt=0.22),
        ),
    ),
    Person(
        "tobias", "Tobias Reed",
        Card("keeper", "adult", "casual", "steady and kind", ("stories", "products", "greetings"), "owen"),
        ModelSheet(
            skin=1, hair="side", hair_colour="copper", outfit=OUTFITS["knit"], build="broad", beard="full",
            features=Features(jaw="square", brow="thick", nose="straight", lip_tint=0.1, lash=0.5, iris="#3F7191",
                              eye_height=0.88),
        ),
    ),
    Person(
        "imani", "Imani Sedge",
        Card("guide", "adult", "smart", "bright and quick", ("tours", "lessons", "greetings"), "clara"),
        ModelSheet(
            skin=7, hair="curls", hair_colour="ink", outfit=OUTFITS["polo"], build="average", lanyard="vermilion",
            glasses=Wear("round", "mustard"),
            features=Features(jaw="oval", brow="arch", nose="broad", lip_tint=0.8, lip_upper=1.35, lip_lower=1.25,
                              lash=1.4, iris="#4A2C18"),
        ),
    ),
    Person(
        "ruri", "Ruri Sand",
        Card("boat hand", "young", "work", "lively", ("products", "how-to", "social clips"), "maeve"),
        ModelSheet(
            skin=2, hair="pony", hair_colour="plum", outfit=OUTFITS["slicker"], build="slim", age="young",
            features=Features(jaw="heart", brow="soft", nose="straight", lip_tint=0.8, lash=1.4, iris="#4A2C18",
                              eye_tilt=0.30),
        ),
    ),
    Person(
        "dayo", "Dayo Finch",
        Card("director", "adult", "formal", "calm and sure", ("announcements", "reports", "interviews"), "simon"),
        ModelSheet(
            skin=6, hair="buzz", hair_colour="ink", outfit=OUTFITS["waistcoat"], tie="tide-dark",
            features=Features(jaw="square", brow="flat", nose="broad", lip_tint=0.35, lip_upper=1.2, lip_lower=1.2,
                              lash=0.6, iris="#3A2415"),
        ),
    ),
    Person(
        "nela", "Nela Brook",
        Card("event host", "young", "smart", "cheerful", ("greetings", "products", "celebrations"), "ruth"),
        ModelSheet(
            skin=3, hair="bob", hair_colour="chestnut", outfit=OUTFITS["dress"], build="average", age="young",
            earring="mustard",
            features=Features(jaw="round", brow="arch", nose="wedge", lip_tint=1.0, lash=1.5, iris="#6F7F43"),
        ),
    ),
    Person(
        "samira", "Samira Cole",
        Card("teacher", "young", "smart", "patient", ("lessons", "training", "how-to"), "joan"),
        ModelSheet(
            skin=3, hair="bun", hair_colour="espresso", headwear=Wear("hijab", "tide"), outfit=OUTFITS["tunic"],
            build="slim", age="young",
            features=Features(jaw="round", brow="arch", nose="long", lip_tint=0.7, lash=1.4, iris="#5B3A24"),
        ),
    ),
    Person(
        "kit", "Kit Marrow",
        Card("café keeper", "adult", "work", "dry and friendly", ("products", "how-to", "social clips"), "gareth"),
        ModelSheet(
            skin=1, hair="quiff", hair_colour="ink", outfit=OUTFITS["apron"], build="slim",
            features=Features(jaw="oval", brow="flat", nose="button", lip_tint=0.25, lash=0.6, iris="#2E2018",
                              eye_height=0.86, eye_tilt=0.25),
        ),
    ),
    Person(
        "edda", "Edda Thorne",
        Card("storyteller", "senior", "casual", "warm, unhurried", ("stories", "greetings", "lessons"), "edith"),
        ModelSheet(
            skin=1, hair="bun", hair_colour="white", outfit=replace(OUTFITS["knit"], top="plum", bottom="slate",
                                                                    accent="mustard"),
            build="curvy", age="senior", glasses=Wear("round", "ink"),
            features=Features(jaw="round", brow="thin", nose="button", lip_tint=0.6, lash=1.2, iris="#3F7191"),
        ),
    ),
    Person(
        "walter", "Walter Quay",
        Card("harbour master, retired", "senior", "formal", "grave, with a twinkle",
             ("stories", "interviews", "reports"), "walter"),
        ModelSheet(
            skin=2, hair="fringe", hair_colour="silver", beard="moustache", build="heavy", age="senior",
            outfit=replace(OUTFITS["waistcoat"], top="sea-dark", bottom="char", sleeves="cream", shirt="cream"),
            tie="mustard", glasses=Wear("square", "ink"),
            features=Features(jaw="long", brow="thick", nose="hook", lip_tint=0.05, lash=0.4, iris="#5E6D75",
                              eye_height=0.8),
        ),
    ),
    Person(
        "hanne", "Hanne Voss",
        Card("shop keeper", "adult", "casual", "hearty", ("products", "greetings", "how-to"), "joan"),
        ModelSheet(
            skin=0, hair="bob", hair_colour="wheat", outfit=OUTFITS["jersey"], build="heavy",
            features=Features(jaw="round", brow="thin", nose="button", lip_tint=0.8, lash=1.3, iris="#2F8074"),
        ),
    ),
    Person(
        "jory", "Jory Pell",
        Card("student", "young", "casual", "easy", ("social clips", "reviews", "training"), "theo"),
        ModelSheet(
            skin=5, hair="coils", hair_colour="ink", outfit=OUTFITS["hoodie"], build="average", age="young",
            beard="stubble",
            features=Features(jaw="oval", brow="thick", nose="broad", lip_tint=0.3, lip_upper=1.2, lip_lower=1.2,
                              lash=0.6, iris="#3A2415"),
        ),
    ),
    Person(
        "olu", "Olu Marsh",
        Card("presenter", "adult", "formal", "poised", ("announcements", "reports", "product launches"), "rosalind"),
        ModelSheet(
            skin=8, hair="pixie", hair_colour="ink", build="slim", earring="mustard",
            outfit=replace(OUTFITS["blazer"], top="tide-dark", bottom="ink", accent="mustard"),
            features=Features(jaw="heart", brow="arch", nose="broad", lip_tint=0.7, lip_upper=1.3, lip_lower=1.2,
                              lash=1.5, iris="#3A2415"),
        ),
    ),
    Person(
        "noor", "Noor Tarn",
        Card("conservator", "adult", "work", "exact, curious", ("training", "how-to", "lessons"), "hannah"),
        ModelSheet(
            skin=5, hair="bun", hair_colour="ink", outfit=OUTFITS["coat"], build="average",
            glasses=Wear("square", "vermilion-dark"),
            features=Features(jaw="oval", brow="soft", nose="long", lip_tint=0.6, lash=1.2, iris="#4A2C18",
                              eye_tilt=0.18),
        ),
    ),
    Person(
        "dov", "Dov Hale",
        Card("ferry captain", "adult", "work", "bluff", ("safety", "stories", "announcements"), "martin"),
        ModelSheet(
            skin=3, hair="crop", hair_colour="chestnut", outfit=OUTFITS["peacoat"], build="broad", beard="chin",
            headwear=Wear("cap", "navy"),
            features=Features(jaw="long", brow="thick", nose="hook", lip_tint=0.1, lash=0.5, iris="#6F7F43"),
        ),
    ),
    Person(
        "ila", "Ila Wick",
        Card("help desk", "adult", "smart", "helpful", ("training", "how-to", "announcements"), "maeve"),
        ModelSheet(
            skin=2, hair="crop", hair_colour="ash", headwear=Wear("headset", "char"), build="curvy",
            outfit=replace(OUTFITS["polo"], top="vermilion", bottom="char"),
            features=Features(jaw="heart", brow="soft", nose="wedge", lip_tint=0.5, lash=1.2, iris="#3F7191"),
        ),
    ),
    Person(
        "lark", "Lark",
        Card("junior ranger", "child", "work", "eager", ("stories", "lessons for children", "greetings"), "tessa"),
        ModelSheet(
            skin=5, hair="locs", hair_colour="ink", outfit=OUTFITS["slicker"], age="child",
            features=replace(_CHILD, iris="#4A2C18"),
        ),
    ),
    Person(
        "finn", "Finn",
        Card("beachcomber", "child", "casual", "full of questions",
             ("stories", "lessons for children", "greetings"), "tessa"),
        ModelSheet(
            skin=0, hair="side", hair_colour="wheat", outfit=OUTFITS["tee"], build="slim", age="child",
            headwear=Wear("beanie", "vermilion"),
            features=replace(_CHILD, iris="#3F7191", eye_size=1.26, lash=0.6),
        ),
    ),
)  # fmt: skip

CAST: Mapping[str, Host] = {
    host.id: host
    for host in (
        *_PEOPLE,
        Seabird(
            "skerry", "Skerry",
            Card("gull with a scarf", "", "casual", "cheeky",
                 ("stories", "lessons for children", "social clips"), "ned"),
        ),
        Seal(
            "dulse", "Dulse",
            Card("seal with a kerchief", "", "casual", "drowsy and wise", ("stories", "lessons for children", "safety"),
                 "walter"),
        ),
    )
}  # fmt: skip
