"""Numbers in English texts: phrases that mean something alone, and what they come to."""

from __future__ import annotations

import re

from dearhost.writing.english.tagging import expanded

_WORDS = (
    "one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen "
    "eighteen nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred thousand million half twice dozen"
).replace(" ", "|")
_UNITS = (
    "percent|per cent|%|mm|cm|km|m|metres?|millimetres?|minutes?|hours?|seconds?|days?|weeks?|months?|years?|times|"
    "tides?|pounds?|pence|people|steps?|miles?|a day|a month|a year|knots|degrees|nights?|clocks?|visitors?|volunteers?"
)
_NUMBER = rf"(?:£|€|\$)?\d[\d.,:]*|(?:{_WORDS})(?:[- ](?:{_WORDS}))*"
_PHRASE = re.compile(
    r"\b((?:about|nearly|almost|over|under|at least|only|more than|less than|up to|half past)\s+)?"
    rf"({_NUMBER})"
    rf"(?:\s+(?:and a half\s+)?((?:[a-z]+\s+)?(?:{_UNITS})\b"
    r"(?:\s+(?:later|across|long|wide|deep|a day|a year|a month|high|old|away|out))?))?",
    re.I,
)
_TWICE = re.compile(r"twice(?: a day| a year| a month| a week)", re.I)

ONES = (
    "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen "
    "sixteen seventeen eighteen nineteen"
).split()
_ONES = {word: value for value, word in enumerate(ONES)}
_TENS = {
    word: 10 * (index + 2) for index, word in enumerate("twenty thirty forty fifty sixty seventy eighty ninety".split())
}
_ABBREVIATED = [
    (re.compile(pattern), long)
    for pattern, long in (
        (r"(\d) ?mm\b", r"\1 millimetres"),
        (r"(\d) ?cm\b", r"\1 centimetres"),
        (r"(\d) ?km\b", r"\1 kilometres"),
        (r"(\d) ?m\b(?!\w)", r"\1 metres"),
        (r"(\d) ?%", r"\1 per cent"),
        (r"\be\.g\.", "for example"),
        (r"\bapprox\.?", "about"),
    )
]


def number_phrases(text: str) -> tuple[str, ...]:
    """Phrases with a number that say something alone: "about fifty minutes later", "twice a day"."""
    found = []
    for match in _PHRASE.finditer(text):
        phrase = match[0].strip()
        if phrase.lower().startswith("twice"):
            often = _TWICE.match(text, match.start())
            if often:
                found.append(often[0])
        elif match[3] or match[2][0] in "£€$":
            found.append(phrase)
    return tuple(found)


def units_spoken(text: str) -> str:
    """The text with its abbreviated units written as they are said: "62 mm" -> "62 millimetres"."""
    for pattern, long in _ABBREVIATED:
        text = pattern.sub(long, text)
    return text


def figures(text: str) -> frozenset[str]:
    """Every number of a text in figures, whether it was spelled or not; "one" alone is no number."""
    lower = expanded(text).lower().replace("twice", "2").replace("half past", "0.5 ").replace("a dozen", "12")
    found = {match[0].replace(",", "") for match in re.finditer(r"\d+(?:[.,:]\d+)*", lower)}
    run, total, counted = 0, 0, False
    for word in [*re.findall(r"[a-z]+|[^\sa-z]", lower), "."]:
        if word in _ONES:
            run += _ONES[word]
            counted = counted or word != "one"
        elif word in _TENS:
            run += _TENS[word]
            counted = True
        elif word == "hundred":
            run = max(1, run) * 100
            counted = True
        elif word == "thousand":
            total += max(1, run) * 1000
            run, counted = 0, True
        elif word in ("-", "and") and (run or total):
            continue
        else:
            if counted and run + total:
                found.add(str(run + total))
            run, total, counted = 0, 0, False
    return frozenset(found)
