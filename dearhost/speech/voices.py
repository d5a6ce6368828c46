"""The stock voices as data."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

LATIN = frozenset(("LATIN",))


@dataclass(frozen=True, slots=True)
class Voice:
    """What a person chooses. ``language`` is BCP 47; ``scripts`` are the letters it can read."""

    id: str
    name: str
    engine: str
    language: str
    language_name: str
    description: str
    scripts: frozenset[str] = LATIN

    def to_json(self) -> dict[str, Any]:
        """As plain data."""
        return {
            "id": self.id,
            "name": self.name,
            "engine": self.engine,
            "language": self.language,
            "language_name": self.language_name,
            "description": self.description,
        }


NEURAL = "neural"
FORMANT = "formant"
FAKE = "fake"

_ENGLISH = ("en-US", "English (United States)")

BASE_VOICE = Voice("joe", "Joe", NEURAL, *_ENGLISH, "a calm man's voice")

DERIVED_VOICES: Mapping[str, tuple[Voice, tuple[float, float, float, float, float]]] = {
    "nell": (
        Voice("nell", "Nell", NEURAL, *_ENGLISH, "a mature woman's voice, made from Joe"),
        (175.0, 0.9, 1.14, -1.2, 0.95),
    ),
    "pip": (
        Voice("pip", "Pip", NEURAL, *_ENGLISH, "a bright, quick voice, made from Joe"),
        (215.0, 1.2, 1.19, 0.8, 1.05),
    ),
}
"""Mean pitch Hz, spread, formant warp, tilt dB an octave, pace: the recipes of the sound trial."""

_FORMANT = (
    ("en-GB", "en", "Arthur", "English (Great Britain)", LATIN),
    ("en-US", "en-us", "Dale", "English (United States)", LATIN),
    ("es", "es", "Inés", "Spanish (Spain)", LATIN),
    ("es-419", "es-419", "Tomás", "Spanish (Latin America)", LATIN),
    ("fr", "fr", "Colette", "French", LATIN),
    ("de", "de", "Greta", "German", LATIN),
    ("it", "it", "Bruno", "Italian", LATIN),
    ("pt", "pt", "Duarte", "Portuguese", LATIN),
    ("nl", "nl", "Saskia", "Dutch", LATIN),
    ("sv", "sv", "Astrid", "Swedish", LATIN),
    ("pl", "pl", "Zofia", "Polish", LATIN),
    ("tr", "tr", "Deniz", "Turkish", LATIN),
    ("el", "el", "Eleni", "Greek", frozenset(("GREEK", "LATIN"))),
    ("ru", "ru", "Mila", "Russian", frozenset(("CYRILLIC", "LATIN"))),
    ("uk", "uk", "Taras", "Ukrainian", frozenset(("CYRILLIC", "LATIN"))),
    ("ar", "ar", "Samir", "Arabic", frozenset(("ARABIC", "LATIN"))),
    ("hi", "hi", "Asha", "Hindi", frozenset(("DEVANAGARI", "LATIN"))),
)

FORMANT_VOICES: Mapping[str, tuple[Voice, str]] = {
    f"formant-{tag.lower()}": (
        Voice(
            f"formant-{tag.lower()}", name, FORMANT, tag, language, "a formant voice: plain, clear, at once", scripts
        ),
        espeak_name,
    )
    for tag, espeak_name, name, language, scripts in _FORMANT
}

FAKE_VOICE = Voice("fake", "Tones", FAKE, "en-US", "English (United States)", "tones instead of speech, for trying out")
