"""A sentence whose forerunner is gone: no "So" that leans on nothing, a noun or name for its pronoun."""

from __future__ import annotations

import re
from collections.abc import Sequence

from dearhost.writing.english.clauses import Clause, clause_of, contracted, is_clause, lower_first, upper_first
from dearhost.writing.english.stems import LONGEST_SENTENCE, STOP_WORDS
from dearhost.writing.english.tagging import PLURAL_VERBS, expanded, tagged
from dearhost.writing.english.verbs import is_known

MENDED = "a word that pointed back"
_LEANING = re.compile(r"^(?:so|but|and|then|now|also)\b,?\s+", re.I)
_BECAUSE_OF_IT = re.compile(
    r"^(?:because of (?:this|that)|as a result(?: of (?:this|that))?|that is why|therefore),?\s+", re.I
)
_NO_NAME = re.compile(r"(it|there|that|this|you|we|i|she|he|they|\w+ of)\b", re.I)
_IDENTIFIES = re.compile(
    r"(it|that|this) (is|was) "
    r"(?:(a|an|the|my|our|your|his|her|their|in|at|on|\w+ing)\b|(?:\w+,? ){1,4}(that|to|who)\b)",
    re.I,
)
"""It was the Water Rat; it is no wonder that: what "it" is comes after."""
_RECENT = 6
"""Sentences back in which a he or she is looked for."""
_ASIDE = re.compile(r", (?:which|who) [^,]+,")


def mended(sentence: str, before: Sequence[str]) -> str:
    """The sentence so that it stands without the one before it; ``before`` are all sentences that preceded it."""
    if len(sentence) > LONGEST_SENTENCE:
        return sentence
    text = _LEANING.sub("", sentence)
    text = upper_first(_BECAUSE_OF_IT.sub("", expanded(text)))
    half = re.match(r"(?:that|this|it)\b.+?, so (?!that\b)(.+)$", text, re.I)
    if half and is_clause(half[1].rstrip(".!?")):
        text = upper_first(half[1])
    text = _with_object_named(contracted(text), before)
    pronoun = re.match(r"(she|he|it|they)\b", expanded(text), re.I)
    if pronoun and not _IDENTIFIES.match(expanded(text)):
        named = _antecedent(pronoun[1].lower(), before)
        if named:
            return upper_first(contracted(re.sub(rf"^{pronoun[1]}\b", lambda _: named, expanded(text), flags=re.I)))
    return text


def leans_back(sentence: str, before: Sequence[str]) -> bool:
    """Whether a sentence, mended, still points to the one before it."""
    after = mended(sentence, before)
    if re.match(r"(the answer|the other|the second|another|both)\b", sentence, re.I):
        return True
    return bool(re.match(r"(that|this|these|those|such|it|she|he|they)\b(?! (?:is|was) all)", after, re.I))


def _subject_before(sentence: str) -> Clause | None:
    if len(sentence) > LONGEST_SENTENCE:
        return None
    return clause_of(_ASIDE.sub("", expanded(sentence.rstrip(".?!"))))


def _with_object_named(text: str, before: Sequence[str]) -> str:
    """ "Set it once" -> "Set the clock once", where no noun stands before the pronoun."""
    pronoun = re.search(r"\b(it|them)\b(?! is\b|'s\b| was\b| takes\b)", text)
    if (
        not pronoun
        or re.match(r"(it|them|they)\b", text, re.I)
        or any(token.is_noun for token in tagged(text[: pronoun.start()]))
    ):
        return text
    for sentence in reversed(before[-3:]):
        clause = _subject_before(sentence)
        if (
            clause
            and _is_named(clause.subject)
            and len(clause.subject.split()) <= 4
            and (clause.tag in PLURAL_VERBS) == (pronoun[1] == "them")
        ):
            return text[: pronoun.start()] + lower_first(clause.subject) + text[pronoun.end() :]
    return text


def _antecedent(pronoun: str, before: Sequence[str]) -> str:
    """What a pronoun stands for: the only name near for she and he, the last fitting subject for it and they."""
    if pronoun in ("she", "he"):
        names = {name for sentence in before[-_RECENT:] for name in _names_in(sentence)}
        return names.pop() if len(names) == 1 else ""
    for sentence in reversed(before[-_RECENT:]):
        clause = _subject_before(sentence)
        if (
            clause
            and _is_named(clause.subject)
            and len(clause.subject.split()) <= 4
            and (clause.tag in PLURAL_VERBS) == (pronoun == "they")
        ):
            return lower_first(clause.subject)
    return ""


def _is_named(subject: str) -> bool:
    """Whether a subject names its thing: it begins with an article or a noun, not with a "so" or a pronoun."""
    tokens = tagged(subject)
    begins = tokens[0].tag[:2] in ("AT", "DT", "DP", "NN", "NP", "AJ", "CR") if tokens else False
    return begins and any(token.tag[:2] in ("NN", "NP") for token in tokens) and not _NO_NAME.match(subject)


def _names_in(sentence: str) -> set[str]:
    """The people a sentence names: capital words inside it, and one at its start that no dictionary has."""
    inside = set(re.findall(r"(?<=[a-z,] )([A-Z][a-z]+)\b", sentence))
    first = re.match(r"([A-Z][a-z]+)\b", sentence)
    if first and not is_known(first[1].lower()) and first[1].lower() not in STOP_WORDS:
        inside.add(first[1])
    return inside
