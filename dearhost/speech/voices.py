"""The stock voices as data."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from typing import Any

from dearhost.speech.reshaping import Shape

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
    pitch: int = 100
    """Mean fundamental in Hz, about."""
    age: str = ""
    """How old it sounds: child, young, grown or older; "" where that is not known."""
    heard_as: str = ""
    """Whom one hears: woman, man or child; "" where that is not known."""
    pace: float = 0.0
    """How fast it reads, measured against the usual pace (`dearhost.writing.pace`); 0 where that is not known."""

    def to_json(self) -> dict[str, Any]:
        """As plain data."""
        return {
            "id": self.id,
            "name": self.name,
            "engine": self.engine,
            "language": self.language,
            "language_name": self.language_name,
            "description": self.description,
            "pitch": self.pitch,
            "age": self.age,
            "heard_as": self.heard_as,
        }


FULL = "full"
"""The full neural model: slower, closer to a person."""
NEURAL = "neural"
"""The quick neural voice and those made from it."""
FORMANT = "formant"
FAKE = "fake"
MATCHED = "matched"
MADE = "made"
SERVICE = "service"

_ENGLISH = ("en-US", "English (United States)")

BASE_VOICE = Voice(
    "joe", "Joe", NEURAL, *_ENGLISH, "a man, calm and even", pitch=93, age="grown", heard_as="man", pace=1.085
)

_DERIVED = (
    ("nell", "Nell", "grown woman", "warm and even", Shape(175, spread=0.9, warp=1.14, tilt=-1.2, pace=0.95)),
    ("pip", "Pip", "young woman", "bright and quick", Shape(215, spread=1.2, warp=1.19, tilt=0.8, pace=1.05)),
    ("amos", "Amos", "older man", "deep and slow", Shape(76, spread=0.85, warp=0.95, tilt=-0.3, pace=0.95)),
    ("felix", "Felix", "young man", "light and brisk", Shape(135, spread=1.0, warp=1.07, tilt=0.8, pace=1.05)),
    ("vera", "Vera", "older woman", "low and calm", Shape(152, spread=0.75, warp=1.10, tilt=-1.8, pace=0.90)),
    ("iris", "Iris", "grown woman", "clear and lively", Shape(196, spread=1.35, warp=1.16, tilt=0.2, pace=1.0)),
    ("hugo", "Hugo", "grown man", "firm and measured", Shape(98, spread=0.7, warp=1.0, tilt=0.6, pace=0.92)),
    ("wren", "Wren", "child", "high and light", Shape(265, spread=1.0, warp=1.28, tilt=0.0, pace=0.95)),
)
"""The recipes of the sound trial for Nell, Pip, Amos, Felix and Wren; the others lie between them."""

_WORDS = {"young": "a young", "grown": "a", "older": "an older", "child": "a"}


def _derived(id_: str, name: str, who: str, words: str, shape: Shape) -> Voice:
    age, heard_as = who.split()[0], who.split()[-1]
    description = f"{_WORDS[age]} {heard_as}, {words}; made from Joe"
    return replace(
        BASE_VOICE,
        id=id_,
        name=name,
        description=description,
        pitch=round(shape.mean or 100),
        age=age,
        heard_as=heard_as,
        pace=BASE_VOICE.pace * shape.pace,
    )


DERIVED_VOICES: Mapping[str, tuple[Voice, Shape]] = {row[0]: (_derived(*row), row[-1]) for row in _DERIVED}

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

_FORMANT_WORDS = "a formant voice: plain, clear, at once"

FORMANT_VOICES: Mapping[str, tuple[Voice, str]] = {
    f"formant-{tag.lower()}": (
        Voice(f"formant-{tag.lower()}", name, FORMANT, tag, language, _FORMANT_WORDS, scripts),
        espeak_name,
    )
    for tag, espeak_name, name, language, scripts in _FORMANT
}
"""The formant voices with names of their own; ``more_formant_voices`` are all others the engine has."""

_LETTERS: Mapping[str, str] = {
    "GREEK": "el grc", "CYRILLIC": "ru uk be bg mk sr kk ky tt ba cv ru-lv ru-cl", "ARABIC": "ar fa ur ug sd ps",
    "HEBREW": "he", "DEVANAGARI": "hi mr ne kok bho", "BENGALI": "bn as bpy", "GURMUKHI": "pa", "GUJARATI": "gu",
    "ORIYA": "or", "TAMIL": "ta", "TELUGU": "te", "KANNADA": "kn", "MALAYALAM": "ml", "SINHALA": "si", "THAI": "th",
    "MYANMAR": "my shn", "GEORGIAN": "ka", "ARMENIAN": "hy hyw", "ETHIOPIC": "am ti", "HANGUL": "ko",
    "CJK": "cmn yue hak ja", "HIRAGANA": "ja", "KATAKANA": "ja", "CHEROKEE": "chr",
}  # fmt: skip
"""Writing systems besides Latin, by the engine's names of languages (ISO 639)."""


def more_formant_voices(listed: Iterable[tuple[str, str]]) -> dict[str, tuple[Voice, str]]:
    """The voices of the languages an engine lists as (name, tag), without those that have names already."""
    taken = {espeak_name for _, espeak_name in FORMANT_VOICES.values()}
    found: dict[str, tuple[Voice, str]] = {}
    for language, tag in sorted(listed):
        id_ = f"formant-{tag.lower()}"
        if tag in taken or tag == "fr-fr" or id_ in FORMANT_VOICES or id_ in found:
            continue
        letters = {
            name for name, tags in _LETTERS.items() if {tag.lower(), tag.split("-")[0].lower()} & {*tags.split()}
        }
        voice = Voice(id_, language, FORMANT, tag, language, _FORMANT_WORDS, LATIN | letters)
        found[id_] = voice, tag
    return found


_FROM_SERVICE = (
    (
        "sunniva",
        "Sunniva",
        "grown",
        "a woman, round and unhurried",
        Shape(184, spread=1.05, warp=1.13, tilt=-0.4, pace=0.93),
    ),
    ("leopold", "Leopold", "grown", "a man, sonorous and sure", Shape(104, spread=1.1, warp=0.99, tilt=0.4, pace=0.96)),
)
SERVICE_VOICES: Mapping[str, tuple[Voice, Shape]] = {
    f"service-{id_}": (
        Voice(f"service-{id_}", name, SERVICE, *_ENGLISH, f"{words}; of the simulated speech service",
              pitch=round(shape.mean or 100), age=age),
        shape,
    )
    for id_, name, age, words, shape in _FROM_SERVICE
}  # fmt: skip
"""The voices of the speech service that is simulated; what they say is counted."""

FAKE_VOICE = Voice("fake", "Tones", FAKE, "en-US", "English (United States)", "tones instead of speech, for trying out")
