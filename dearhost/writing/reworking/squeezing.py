"""A sentence with fewer words: rules that take something out, each safe by itself."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

from dearhost.writing.english.clauses import (
    Form,
    contracted,
    form_of,
    is_clause,
    is_statement_or_command,
    upper_first,
)
from dearhost.writing.english.stems import LONGEST_SENTENCE
from dearhost.writing.english.tagging import FINITE, PAST, expanded, has_finite_verb, tagged
from dearhost.writing.english.verbs import is_verb
from dearhost.writing.reworking.lexicon import DOUBLINGS, ENDINGS, LONG_WAYS, OPENERS, RUN_UPS, WEAK

_FEWEST = 3
"""Words of a sentence that is left alone."""
_LONGEST_CHAIN = 8
SECOND_CLAUSE = "a second clause"


@dataclass(frozen=True, slots=True)
class Squeezed:
    """A shorter sentence and the names of the rules that made it, in the order they were used."""

    text: str
    rules: tuple[str, ...]


def word_count(text: str) -> int:
    """The words of a text."""
    return len(re.findall(r"[\w£€$'’-]+(?:[.,:]\d+)*", text))


@lru_cache(5_000)
def squeezed(sentence: str) -> tuple[Squeezed, ...]:
    """Shorter and shorter forms of a sentence, the lightest first; none where no rule fits."""
    if len(sentence) > LONGEST_SENTENCE:
        return ()
    chain: list[Squeezed] = []
    text, used = sentence, tuple[str, ...]()
    for _ in range(_LONGEST_CHAIN):
        shorter = [found for found in _once(text) if word_count(found.text) < word_count(text)]
        if not shorter and SECOND_CLAUSE not in used:
            shorter = [*_without_second_clause(text)]
        if not shorter:
            break
        best = min(shorter, key=lambda f: ("relative" in f.rules[0], "-ing" in f.rules[0], word_count(f.text)))
        text, used = best.text, (*used, *best.rules)
        chain.append(Squeezed(contracted(text), used))
    return tuple(chain)


def _once(sentence: str) -> Iterator[Squeezed]:
    text = expanded(sentence)
    mark = text[-1] if text.endswith((".", "?", "!")) else "."
    body = text.rstrip(".?!")
    if "“" in body or '"' in body:  # what somebody said is never reworded
        return
    for name, shorter in _shorter(body):
        kept = re.sub(r"\s+,", ",", re.sub(r"\s+", " ", shorter)).strip(" ,;")
        if kept != body and len(kept.split()) >= _FEWEST:
            yield Squeezed(upper_first(kept) + mark, (name,))


def _shorter(body: str) -> Iterator[tuple[str, str]]:
    yield "what stands in brackets", re.sub(r"\s*\([^()]*\)", "", body)
    yield "what stands between dashes", re.sub(r"\s+[–—]\s+[^–—]{4,90}\s+[–—]\s+", " ", body)
    for opener in OPENERS:
        match = re.match(rf"{re.escape(opener)},\s+(.+)$", body, re.I)
        if match:
            yield "an opener", match[1]
    yield from _without_run_up(body)
    yield from _without_relative_clause(body)
    yield from _without_there_is(body)
    yield "a doubling", _replaced(body, DOUBLINGS)
    yield "a long way of saying it", _in_short_ways(body)
    yield "words that weaken", _without_weak(body)
    for ending in ENDINGS:
        if body.lower().endswith(f", {ending.lower()}"):
            yield "an empty ending", body[: -len(ending) - 2]


def _without_run_up(body: str) -> Iterator[tuple[str, str]]:
    for run_up in RUN_UPS:
        match = re.match(rf"(?:(?:and|but|so|now|well),? )?{run_up}\s+(.+)$", body, re.I)
        if not match or not is_statement_or_command(match[1]):
            continue
        told = re.match(r"(.+?), (?:and|so|but) (do not .+|never .+|please .+|always .+)$", match[1])
        if told and "remember" in run_up:  # "remember that X, and do Y" asks for both
            yield "a run-up", f"{told[1]}, so {told[2]}"
        elif "remember" in run_up and re.search(r", (?:and|so|but) \w+ (?:the|your|it)\b", match[1]):
            continue
        else:
            yield "a run-up", match[1]


def _without_relative_clause(body: str) -> Iterator[tuple[str, str]]:
    ending = re.match(r"([^,]+(?:,[^,]+)*?), (?:which|who|whose|where)\b ([^,]+)$", body)
    if ending and is_clause(ending[1]):
        yield "a relative clause at the end", ending[1]
    inside = re.match(r"([^,]+), (?:which|who|whose|where) [^,]+, (.+)$", body)
    if inside and is_clause(f"{inside[1]} {inside[2]}") and tagged(inside[2])[0].tag in FINITE | {"AV0"}:
        yield "a relative clause inside", f"{inside[1]} {inside[2]}"
    doing = re.match(r"(.+), (\w+ing)\b [^,]+$", body)
    if doing and is_clause(doing[1]) and is_verb(doing[2].lower()):
        yield "an -ing phrase at the end", doing[1]


def _without_there_is(body: str) -> Iterator[tuple[str, str]]:
    """ "There is a map that shows" -> "a map shows": only a thing that is one, and only before one clause."""
    match = re.match(r"there (?:is|are) (.+?) (?:that|which) (.+)$", body, re.I)
    if not match or "," in match[2] or has_finite_verb(tagged(match[1])):
        return
    rest = tagged(match[2])
    if rest and rest[0].tag in FINITE and len([t for t in rest if t.tag in FINITE]) == 1:
        several = tagged(match[1])[0].tag in ("NN2", "NN0")
        yield "there is", f"{'some ' if several else ''}{match[1]} {match[2]}"


def _replaced(body: str, replacements: dict[str, str]) -> str:
    for pattern, short in replacements.items():
        body = re.sub(rf"\b(?:{pattern})\b", short, body, flags=re.I)
    return body


def _in_short_ways(body: str) -> str:
    past = any(token.tag in PAST for token in tagged(body)) or "would" in body
    for pattern, short in LONG_WAYS.items():
        said = "then" if past and short == "now" else short
        body = re.sub(rf"\b(?:{pattern})\b", said, body, flags=re.I)
    return body


_DEGREES = frozenset("pretty quite just".split())
"""Words of degree that can be more: "a pretty house", "quite a"."""


def _without_weak(body: str) -> str:
    for word in WEAK:
        if re.search(rf"\bnot (?:\w+ )?{word}\b", body, re.I):
            continue
        body = re.sub(rf",\s*{word},\s*", " ", body, flags=re.I)  # both commas go with it
        if word in _DEGREES and (
            not re.search(rf"\b{word} (?=\w)", body) or re.search(rf"\b{word} (?:than|much|a|the)\b", body)
        ):
            continue
        body = re.sub(rf"(?<!not )\b{word}\b,?\s*", "", body, flags=re.I)
    body = re.sub(r",\s*$", "", re.sub(r",\s*,", ",", body)).strip()
    tokens = tagged(body)
    hangs = bool(tokens) and (tokens[-1].tag in FINITE or tokens[-1].lower in ("a", "an", "the", "and", "or", "so"))
    return "" if hangs else re.sub(r"\ba (?=[aeiou])", "an ", re.sub(r"\ban (?=[^aeiouh\W])", "a ", body))


def _without_second_clause(sentence: str) -> Iterator[Squeezed]:
    match = re.match(r"(.+?), (?:and|but) (.+)[.]$", expanded(sentence))
    if (
        match
        and "“" not in sentence
        and is_clause(match[1])
        and (is_clause(match[2]) or form_of(match[2]) is Form.IMPERATIVE)
        and not re.match(r"(if|when|as|at|there (?:is|are))\b", match[1], re.I)
    ):
        yield Squeezed(f"{match[1]}.", (SECOND_CLAUSE,))
