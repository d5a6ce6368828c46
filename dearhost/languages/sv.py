"""Swedish. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language

SWEDISH = Language(
    code="sv",
    name="Swedish",
    counted=("ett första", "två andra", "tre tredje"),
    gesture_words={
        "greet": "hej hejdå",
        "welcome": "välkommen välkomna välkommet",
        "thank": "tack tackar förlåt",
        "large": "enorm enorma jättestor allt alla hela",
        "small": "liten litet lilla små pytteliten smal",
        "list": "först första tre",
        "halt": "stopp vänta akta försiktigt",
        "address": "du dig din ditt dina ni er ert era",
        "deny": "inte aldrig ingen inget inga ingenting nej",
        "here": "här detta denna",
        "agree": "ja precis rätt sant alltid",
        "unsure": "kanske",
        "think": "tror tänker minns undrar",
        "other": "andra annan men istället",
        "and": "och eller",
    },
)  # fmt: skip
