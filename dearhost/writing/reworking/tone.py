"""Another tone by rules that can be named. Mood words are the writer's to find; none are made up."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass

from dearhost.writing.english.clauses import Form, contracted, form_of, lower_first, upper_first
from dearhost.writing.english.stems import LONGEST_SENTENCE
from dearhost.writing.english.tagging import expanded
from dearhost.writing.portrait import Portrait
from dearhost.writing.reworking.changes import Change, left_alone
from dearhost.writing.reworking.splitting import split_sentence
from dearhost.writing.sayings import said_to_you

_FORMAL_WORDS: Mapping[str, str] = {
    "buy": "purchase",
    "enough": "sufficient",
    "everybody": "everyone",
    "kids": "children",
    "maybe": "perhaps",
    "a lot of": "many",
    "lots of": "many",
    "find out": "learn",
    "get rid of": "remove",
    "look for": "seek",
    "a bit": "a little",
    "okay": "all right",
    "thanks": "thank you",
}
"""Only words that mean the same in every place: "keep" -> "retain" would give "retain it on your left"."""
_PLAIN_WORDS: Mapping[str, str] = {
    "purchase": "buy",
    "sufficient": "enough",
    "perhaps": "maybe",
    "commence": "begin",
    "terminate": "end",
    "utilise": "use",
    "assist": "help",
    "attempt": "try",
    "obtain": "get",
    "require": "need",
    "requires": "needs",
    "additional": "more",
}
_CHEER = "wonderful lovely great amazing brilliant happy glad delighted fun exciting fantastic nice charming".split()
_FORMAL_OPENERS = {"And": "In addition, ", "But": "However, ", "So": "Therefore, "}
_PLAIN_OPENERS = {
    "However": "But ",
    "Therefore": "So ",
    "Consequently": "So ",
    "Furthermore": "And ",
    "Moreover": "And ",
    "In addition": "And ",
}

Step = tuple[str, Callable[[str], str]]


@dataclass(frozen=True, slots=True)
class ToneRule:
    """A tone one can ask for: its steps, what delivery goes with it, and what only the writer can add."""

    id: str
    name: str
    steps: tuple[Step, ...]
    delivery: str = ""
    """A manner of the delivery cue that suits it, or none."""
    pace: float = 1.0
    asks: str = ""
    """What is asked for rather than made up."""


def _written_out(sentence: str) -> str:
    return expanded(sentence)


def _contracted(sentence: str) -> str:
    return contracted(expanded(sentence))


def _swapped(words: Mapping[str, str]) -> Callable[[str], str]:
    def swap(sentence: str) -> str:
        for word, other in words.items():
            sentence = re.sub(rf"\b{word}\b", other, sentence)
            sentence = re.sub(rf"^{word.capitalize()}\b", other.capitalize(), sentence)
        return sentence

    return swap


def _opened(openers: Mapping[str, str]) -> Callable[[str], str]:
    def open_with(sentence: str) -> str:
        for opener, other in openers.items():
            match = re.match(rf"{opener},? (.+)$", sentence)
            if match:
                return upper_first(other + match[1])
        return sentence

    return open_with


def _please(sentence: str) -> str:
    command = form_of(expanded(sentence).rstrip(".!?")) is Form.IMPERATIVE
    if not command or re.match(r"(please|never|do not|don't|always|let us|let's)\b", sentence, re.I):
        return sentence
    return f"Please {lower_first(sentence)}"


def _without_please(sentence: str) -> str:
    return upper_first(re.sub(r"^Please (?!note)", "", sentence))


def _without_exclamation(sentence: str) -> str:
    return re.sub(r"!+$", ".", sentence)


def _without(words: list[str]) -> Callable[[str], str]:
    pattern = re.compile(rf"\b(?:{'|'.join(words)}) (?=[a-z])", re.I)

    def strip(sentence: str) -> str:
        kept = pattern.sub("", sentence)
        kept = re.sub(r"\ba (?=[aeiou])", "an ", re.sub(r"\ban (?=[^aeiouhAEIOU\W])", "a ", kept))
        return upper_first(kept) if sentence[:1].isupper() else kept

    return strip


def _to_you(sentence: str) -> str:
    if not sentence.endswith("."):
        return sentence
    told = said_to_you(expanded(sentence).rstrip("."))
    return sentence if told == expanded(sentence).rstrip(".") else f"{upper_first(contracted(told))}."


def _cut_to(longest: int) -> Callable[[str], str]:
    return lambda sentence: " ".join(split_sentence(sentence, longest))


TONES: Mapping[str, ToneRule] = {
    tone.id: tone
    for tone in (
        ToneRule(
            "plain",
            "plain",
            (
                ("plain words", _swapped(_PLAIN_WORDS)),
                ("openers", _opened(_PLAIN_OPENERS)),
                ("long sentences cut", _cut_to(16)),
                ("contractions", _contracted),
            ),
        ),
        ToneRule(
            "formal",
            "formal",
            (
                ("contractions written out", _written_out),
                ("formal words", _swapped(_FORMAL_WORDS)),
                ("openers", _opened(_FORMAL_OPENERS)),
                ("please", _please),
                ("exclamation mark", _without_exclamation),
                ("words that weaken", _without(["really", "very", "just", "pretty"])),
            ),
        ),
        ToneRule(
            "warmer",
            "warmer",
            (
                ("plain words", _swapped(_PLAIN_WORDS)),
                ("openers", _opened(_PLAIN_OPENERS)),
                ("said to you", _to_you),
                ("contractions", _contracted),
                ("please", _without_please),
            ),
            delivery="bright",
            asks="One thing you yourself like about it would warm it more than other words can.",
        ),
        ToneRule(
            "calmer",
            "calmer",
            (("exclamation mark", _without_exclamation), ("long sentences cut", _cut_to(14))),
            delivery="calm",
            pace=0.95,
        ),
        ToneRule(
            "urgent",
            "more urgent",
            (
                ("words that weaken", _without(["very", "really", "quite", "perhaps", "maybe", "just"])),
                ("please", _without_please),
                ("long sentences cut", _cut_to(10)),
                ("contractions", _contracted),
            ),
            delivery="urgent",
            pace=1.08,
            asks="What happens if they do not? A point that says so makes it urgent.",
        ),
        ToneRule(
            "sinister",
            "more sinister",
            (
                ("exclamation mark", _without_exclamation),
                ("words of cheer", _without(_CHEER)),
                ("cut short", _cut_to(9)),
            ),
            delivery="hushed",
            pace=0.93,
            asks="What does one hear, or not see? Mood words are yours to give.",
        ),
    )
}
"""The tones by id. A new one is an entry here."""


def toned(sentence: str, tone: str) -> Change:
    """A sentence in another tone; what somebody said in quotation marks is never reworded. Raises KeyError."""
    rules: list[str] = []
    if "“" in sentence or '"' in sentence or len(sentence) > LONGEST_SENTENCE:
        return left_alone(sentence)
    text = sentence
    for name, step in TONES[tone].steps:
        after = step(text)
        if after != text:
            rules.append(name)
            text = after
    return Change(sentence, text, tuple(rules))


def like_a_sample(sentence: str, style: Portrait) -> Change:
    """A sentence as the writer's own text has it: contractions or none, and not much longer than its sentences."""
    if "“" in sentence or '"' in sentence:
        return left_alone(sentence)
    rules: list[str] = []
    text = sentence
    if style.contractions >= 2:
        text = _contracted(text)
    elif style.contractions <= 0.4:
        text = _written_out(text)
    if text != sentence:
        rules.append("contractions as in your text")
    cut = " ".join(split_sentence(text, max(6, round(style.sentence * 1.4))))
    if cut != text:
        rules.append("cut to the length of your sentences")
    return Change(sentence, cut, tuple(rules))
