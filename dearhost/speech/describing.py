"""A voice described in words: "an old man, deep, slow and a little hoarse" becomes what to do to a voice there is.

Where speakers of an age and sex lie follows Peterson and Barney (1952), J. Acoust. Soc. Am. 24 (men 132, women 223,
children 264 Hz; the vocal tract of women about 15 % shorter, of children about 25 %; figures from memory), drawn
towards the lower pitch of people who read aloud. What the adjectives do was set by trial.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import TypeVar

from dearhost.speech.reshaping import Shape

AGES = ("child", "young", "grown", "older")
LIMITS: Mapping[str, tuple[float, float]] = {
    "mean": (60.0, 320.0),
    "spread": (0.4, 1.8),
    "warp": (0.85, 1.35),
    "tilt": (-3.0, 3.0),
    "pace": (0.7, 1.4),
    "breath": (0.0, 0.6),
}
"""What each part of a shape may be: Hz, factors of log pitch and of formants, dB an octave, factor, share of noise."""


@dataclass(frozen=True, slots=True)
class Understood:
    """Words of a description and what they were taken for."""

    words: str
    means: str


@dataclass(frozen=True, slots=True)
class Description:
    """What a description asks for: ``shape`` for the voice ``base`` ("" for the usual one), of an ``age`` ("" unknown).

    ``unknown`` are the words that say nothing about a voice, or nothing that is known.
    """

    shape: Shape
    base: str
    age: str
    understood: tuple[Understood, ...]
    unknown: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Speaker:
    hertz: float
    warp: float
    age: str
    means: str


@dataclass(frozen=True, slots=True)
class _Trait:
    """At strength 1: ``pitch``, ``spread``, ``warp`` and ``pace`` multiply, ``tilt`` and ``breath`` add."""

    means: str
    pitch: float = 1.0
    spread: float = 1.0
    warp: float = 1.0
    tilt: float = 0.0
    pace: float = 1.0
    breath: float = 0.0
    age: str = ""


_T = TypeVar("_T")


def _by_word(rows: Mapping[str, _T]) -> dict[str, _T]:
    return {word: meaning for words, meaning in rows.items() for word in words.split()}


_SPEAKERS = _by_word({
    "man male gentleman guy father he his": _Speaker(108, 1.0, "", "a man"),
    "woman female lady mother she her": _Speaker(188, 1.15, "", "a woman"),
    "grandfather grandpa": _Speaker(98, 0.98, "older", "an older man"),
    "grandmother grandma": _Speaker(165, 1.12, "older", "an older woman"),
    "boy": _Speaker(245, 1.24, "child", "a boy"),
    "girl": _Speaker(262, 1.27, "child", "a girl"),
    "child kid": _Speaker(258, 1.26, "child", "a child"),
    "teenager teen youth": _Speaker(165, 1.1, "young", "somebody in their teens"),
})  # fmt: skip
_RANGES = _by_word({
    "bass": _Speaker(80, 0.96, "", "about 80 Hz"),
    "baritone": _Speaker(100, 1.0, "", "about 100 Hz"),
    "tenor": _Speaker(138, 1.03, "", "about 140 Hz"),
    "alto contralto": _Speaker(172, 1.12, "", "about 170 Hz"),
    "mezzo": _Speaker(200, 1.15, "", "about 200 Hz"),
    "soprano": _Speaker(232, 1.18, "", "about 230 Hz"),
})  # fmt: skip
_UNSAID = _Speaker(140, 1.07, "", "")
_TRAITS = _by_word({
    "deep low": _Trait("lower", pitch=0.82, warp=0.97),
    "high": _Trait("higher", pitch=1.2, warp=1.03),
    "old elderly aged senior retired": _Trait("older", 0.94, 0.95, 0.99, -0.5, 0.91, 0.06, "older"),
    "young youthful": _Trait("younger", 1.1, 1.08, 1.03, 0.4, 1.04, 0.0, "young"),
    "mature grown adult middle-aged": _Trait("grown", age="grown"),
    "warm mellow round velvety": _Trait("warmer", tilt=-1.2),
    "dark": _Trait("darker", tilt=-1.6, warp=0.98),
    "bright clear crisp": _Trait("brighter", tilt=1.0),
    "sharp thin": _Trait("thinner", tilt=1.4, warp=1.04),
    "big large full huge heavy": _Trait("a larger body", warp=0.94),
    "small little tiny": _Trait("a smaller body", warp=1.07),
    "slow unhurried leisurely": _Trait("slower", pace=0.86),
    "quick fast brisk rapid hurried": _Trait("quicker", pace=1.15),
    "calm relaxed quiet measured": _Trait("calmer", spread=0.8, pace=0.92),
    "lively animated expressive cheerful excited energetic enthusiastic playful": _Trait(
        "livelier", spread=1.35, pace=1.05
    ),
    "even steady flat monotone dry": _Trait("more even", spread=0.66),
    "soft gentle tender": _Trait("softer", tilt=-1.0, breath=0.12),
    "breathy airy husky hoarse smoky rough gruff gravelly": _Trait("breathier", breath=0.32),
    "whispering whispered": _Trait("nearly a whisper", breath=0.6),
    "firm strong authoritative confident commanding": _Trait("firmer", spread=0.85, tilt=0.8, pace=0.96),
    "kind friendly welcoming": _Trait("friendlier", spread=1.15, tilt=-0.6),
    "serious solemn sombre grave": _Trait("graver", pitch=0.94, spread=0.7, pace=0.92),
    "light": _Trait("lighter", pitch=1.06, warp=1.04),
})  # fmt: skip
_STRENGTH = _by_word({
    "very really extremely so": 1.6,
    "quite rather fairly": 1.2,
    "slightly somewhat bit": 0.5,
    "not no never without hardly less": -0.7,
    "more": 1.0,
})  # fmt: skip
_SILENT = _by_word({
    "a an the and or but with of in on at to for who that which is are be sounds sound sounding like voice speaks "
    "speaking speak says saying talks reads reading reader speaker narrator presenter host person somebody someone "
    "one their its it as if from accent years year tone manner": None,
})  # fmt: skip
"""Words that ask for nothing by themselves."""
_YEARS = re.compile(r"\b(\d{1,3})[- ]?(?:years?[- ]old|yo)\b|\b(?:aged?|about|around)\s+(\d{1,3})\b")
_DECADES = _by_word(
    {"twenties thirties": "young", "forties fifties": "grown", "sixties seventies eighties nineties": "older"}
)
_TOKEN = re.compile(r"[^\W\d_]+(?:[-'’][^\W\d_]+)*")


def describe(text: str, languages: Mapping[str, str]) -> Description:
    """What ``text`` (English) asks for. ``languages`` maps words such as "spanish" to the voices to begin from."""
    understood: list[Understood] = []
    unknown: list[str] = []
    speaker, register, base, age = None, None, "", ""
    traits: list[tuple[_Trait, float]] = []
    strength, said_strength = 1.0, ""
    lowered = text.lower()
    for match in _YEARS.finditer(lowered):
        age = _age_of(int(match[1] or match[2]))
        understood.append(Understood(match[0].strip(), age))
        if age in ("older", "young"):
            traits.append((_TRAITS["old" if age == "older" else "young"], 1.0))
        elif age == "child":
            speaker = _SPEAKERS["child"]
    words = _TOKEN.findall(_YEARS.sub(" ", lowered))
    for index, word in enumerate(words):
        following = words[index + 1] if index + 1 < len(words) else ""
        if word == "little" and following in _TRAITS | {"bit": 0}:  # "a little hoarse" is hoarse, not small
            strength, said_strength = 0.5, "a little "
        elif word in _STRENGTH:
            strength, said_strength = _STRENGTH[word] * (strength if strength < 0 else 1.0), f"{said_strength}{word} "
        elif word in _SPEAKERS:
            speaker = _SPEAKERS[word]
            understood.append(Understood(word, _SPEAKERS[word].means))
        elif word in _RANGES:
            register = _RANGES[word]
            understood.append(Understood(word, register.means))
        elif word in _TRAITS:
            trait = _TRAITS[word]
            traits.append((trait, strength))
            age = trait.age if trait.age and strength > 0 else age
            understood.append(Understood(said_strength + word, trait.means if strength > 0 else f"not {trait.means}"))
            strength, said_strength = 1.0, ""
        elif word in _DECADES:
            age = _DECADES[word]
            understood.append(Understood(word, age))
            if age != "grown":
                traits.append((_TRAITS["old" if age == "older" else "young"], 1.0))
        elif word in languages:
            base = languages[word]
            understood.append(Understood(word, "the language"))
        elif word not in _SILENT:
            unknown.append(word)
    body = speaker or register or _UNSAID
    shape = Shape(mean=(register or body).hertz, warp=body.warp)
    aged = [pair for pair in traits if pair[0].age]
    for trait, amount in [pair for pair in traits if not pair[0].age] + aged[-1:]:  # nobody is old twice
        shape = _moved(shape, trait, amount)
    once = {row.means: row for row in reversed(understood)}
    kept = tuple(row for row in understood if once[row.means] is row)
    return Description(within_limits(shape), base, age or body.age, kept, tuple(dict.fromkeys(unknown)))


def within_limits(shape: Shape) -> Shape:
    """The shape with every part inside ``LIMITS``."""

    def limited(name: str) -> float:
        value: float | None = getattr(shape, name)
        low, high = LIMITS[name]
        return round(min(max(_UNSAID.hertz if value is None else value, low), high), 3)

    return replace(shape, **{name: limited(name) for name in LIMITS})


def _moved(shape: Shape, trait: _Trait, amount: float) -> Shape:
    return replace(
        shape,
        mean=float((shape.mean or _UNSAID.hertz) * trait.pitch**amount),
        spread=float(shape.spread * trait.spread**amount),
        warp=float(shape.warp * trait.warp**amount),
        tilt=shape.tilt + trait.tilt * amount,
        pace=float(shape.pace * trait.pace**amount),
        breath=max(0.0, shape.breath + trait.breath * amount),
    )


def _age_of(years: int) -> str:
    return "child" if years < 13 else "young" if years < 36 else "grown" if years < 60 else "older"
