"""Dutch. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language

DUTCH = Language(
    code="nl",
    name="Dutch",
    counted=("één eerste", "twee tweede", "drie derde"),
    gesture_words={
        "greet": "hallo hoi doei",
        "welcome": "welkom",
        "thank": "dank bedankt dankbaar sorry",
        "large": "enorm enorme reusachtig reusachtige gigantisch alles iedereen hele",
        "small": "klein kleine piepklein smal smalle",
        "list": "eerst eerste drie",
        "halt": "stop wacht voorzichtig",
        "address": "jij je jou jouw jullie u uw",
        "deny": "niet nooit niemand niets geen nee",
        "here": "hier dit deze",
        "agree": "ja precies juist altijd inderdaad",
        "unsure": "misschien wellicht",
        "think": "denk denken herinner voorstellen",
        "other": "andere anders maar daarentegen",
        "and": "en of",
    },
)  # fmt: skip
