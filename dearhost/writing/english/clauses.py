"""Clauses: the form of a phrase, its subject and verb, and what can safely be made of it."""

from __future__ import annotations

import re
from collections.abc import Collection
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

from dearhost.writing.english.numbers import units_spoken
from dearhost.writing.english.tagging import (
    AUXILIARIES,
    DETERMINERS,
    FINITE,
    MODALS,
    NO_TOKEN,
    PRONOUNS,
    Token,
    finite_verbs,
    has_finite_verb,
    is_rather_verb,
    tagged,
)
from dearhost.writing.english.verbs import base_form, is_only_verb, is_verb


class Form(StrEnum):
    """What a point is, which decides how it can be said."""

    SENTENCE = "sentence"
    VERB_PHRASE = "verb phrase"
    """Without its subject: "shows high water"."""
    IMPERATIVE = "imperative"
    NOUN_PHRASE = "noun phrase"
    PARTICIPLE = "participle"
    """Or an adjective: "made in Quillhaven"."""
    PREPOSITIONAL = "prepositional"


@dataclass(frozen=True, slots=True)
class Clause:
    """A main clause in its parts; joined by spaces they are the clause again. ``opening`` ends with its comma."""

    opening: str
    subject: str
    adverb: str
    verb: str
    rest: str
    tag: str
    """Of the verb, C5."""


_STEP = re.compile(r"(?:first|then|next|after that|finally|now|and)\b,? (.+)$", re.I)
_OBJECTS = frozenset("it them him her us me".split())
_AFTER_IMPERATIVE = frozenset("PRP AVP DPS TO0 AV0 PNX PNI".split())
_NOT_IN_SUBJECT = frozenset("CJS DTQ PNQ CJT AVQ".split())
_NO_CLAUSE_START = frozenset("first then next finally".split())
_SO = re.compile(r"(.+?)(?:, so (?!that\b)|\bso (?=(?:it|you|we|they|she|he|there|the|no|each|every|all) ))(.+)$")
"""A cause before "so" and its effect; not "so hard that"."""
_COMMON_CAPITALS = frozenset("tea bring every each spring fog water safe set tide tides".split())
"""Words the tagger takes for names when they begin a sentence."""
_BEFORE_COMMA = re.compile(
    r"(if|when|as|at|where|because|after|before|from|in|on|for|with|so|and|but|or|which|who|then|though|although|while"
    r"|due|once|since|every|each time)\b",
    re.I,
)
_AFTER_COMMA = re.compile(
    r"(if|when|as|because|and|but|or|so|which|who|where|then|though|although|while|before|after|even|not|until|once"
    r"|since)\b",
    re.I,
)
_CONTRACTIONS = [
    (re.compile(pattern), short)
    for pattern, short in (
        (
            r"(?<!how )(?<!what )(?<!where )"
            r"\b([Ii]t|[Tt]hat|[Tt]here|[Ww]hat|[Hh]ere|[Ww]ho|[Ww]here|[Hh]e|[Ss]he) is (?![,.?!])(?!because)",
            r"\1's ",
        ),
        (r"\b([Yy]ou|[Ww]e|[Tt]hey) are (?![,.?!])", r"\1're "),
        (r"\b([Yy]ou|[Ww]e|[Tt]hey|[Ii]t|[Ss]he|[Hh]e) will not\b", r"\1 won't"),
        (r"\b([Yy]ou|[Ww]e|[Tt]hey|[Ii]t|I) will\b(?! not)(?=\s)", r"\1'll"),
        (r"\b([Cc]an)not\b", r"\1't"),
        (r"\b([Dd])o not\b", r"\1on't"),
        (
            r"\b([Dd]oes|[Dd]id|[Ii]s|[Aa]re|[Ww]as|[Ww]ere|[Hh]as|[Hh]ave|[Cc]ould|[Ww]ould|[Ss]hould) not\b",
            r"\1n't",
        ),
        (r"\b([Ww])ill not\b", r"\1on't"),
        (r"\bI am\b(?=\s)", "I'm"),
        (r"\b([Yy]ou|[Ww]e|[Tt]hey|I) have (?=(?:\w+ed|been|done|seen|had|made|got)\b)", r"\1've "),
        (r"\b([Ll])et us\b", r"\1et's"),
    )
]


def contracted(text: str) -> str:
    """The text as it is said: "it is" -> "it's", never before a mark."""
    for pattern, short in _CONTRACTIONS:
        text = pattern.sub(short, text)
    return text


def lower_first(text: str, names: Collection[str] = ()) -> str:
    """The text as it goes on inside a sentence; a name keeps its capital."""
    first = re.match(r"[\w'’-]+", text)
    if not first:
        return text
    word = re.match(r"\w+", text)
    if (word and word[0] in names) or first[0] in ("I", "I'm") or first[0][1:] != first[0][1:].lower():
        return text
    tokens = tagged(text)
    if tokens and tokens[0].tag == "NP0" and not is_common_word(first[0]):
        return text
    return text[0].lower() + text[1:]


def upper_first(text: str) -> str:
    """The text as a sentence begins; a quotation mark before it stays."""
    match = re.search(r"[A-Za-z0-9“\"]", text)
    if not match:
        return text
    index = match.start() + (text[match.start()] in '“"')
    return text[:index] + text[index : index + 1].upper() + text[index + 1 :]


def is_common_word(word: str) -> bool:
    lower = word.lower()
    return lower in _COMMON_CAPITALS or lower in DETERMINERS or lower in PRONOUNS or lower in AUXILIARIES


def as_sentence(text: str, mark: str = ".") -> str:
    """The text with a capital, its units said and a mark at its end."""
    text = upper_first(units_spoken(re.sub(r"\s+", " ", text))).strip().rstrip(",;: ")
    closed = re.search(r"[.?!]”$", text) or (text[-1:] in ".?!…" and text)
    return text if closed else text + mark


@lru_cache(20_000)
def form_of(text: str) -> Form:
    """The form of a phrase without its mark, contractions written out."""
    tokens = tagged(text)
    if not tokens:
        return Form.NOUN_PHRASE
    step = _STEP.match(text)
    if step and form_of(step[1]) is Form.IMPERATIVE:
        return Form.IMPERATIVE
    first, second = tokens[0], tokens[1] if len(tokens) > 1 else NO_TOKEN
    if _is_command(first, second):
        return Form.IMPERATIVE
    if is_rather_verb(first, second):
        return Form.VERB_PHRASE
    if (first.tag in ("VVZ", "VHZ", "VBZ", "VDZ", "VBD", "VHD") and first.lower not in PRONOUNS) or first.tag == "VM0":
        return Form.VERB_PHRASE
    if _is_imperative(tokens, second):
        return Form.IMPERATIVE
    finite = finite_verbs(_main_part(tokens))
    if finite and finite[0] > 0:
        return Form.SENTENCE
    if first.tag in ("PRP", "PRF"):
        return Form.PREPOSITIONAL
    if first.tag in ("VVN", "VVG", "AJ0", "AJC", "AJS") and second.tag[:2] not in ("NN", "NP", "AJ"):
        return Form.PARTICIPLE
    if first.tag == "VVD":
        return Form.PARTICIPLE if is_verb(first.lower) else Form.VERB_PHRASE
    return Form.NOUN_PHRASE


def _main_part(tokens: tuple[Token, ...]) -> tuple[Token, ...]:
    """What stands before a relative clause at the end: "led by Tobias" of "led by Tobias, who knows the way"."""
    for index in range(1, len(tokens)):
        if tokens[index].lower in ("who", "which", "whose", "where") and tokens[index - 1].text == ",":
            rest = tokens[index:]
            return tokens[:index] + (() if not any(token.text == "," for token in rest) else rest)
    return tokens


def _is_bare(token: Token) -> bool:
    return is_verb(token.lower) and base_form(token.text) == token.lower


def _is_command(first: Token, second: Token) -> bool:
    """Do not, please stay, never cross."""
    if first.lower in ("do", "please", "never", "always") and second.lower == "not":
        return True
    return first.lower in ("please", "never", "always") and _is_bare(second)


def _is_imperative(tokens: tuple[Token, ...], second: Token) -> bool:
    first = tokens[0]
    if (
        first.lower in DETERMINERS
        or first.lower in PRONOUNS
        or not _is_bare(first)
        or first.tag[:2] not in ("VV", "VB", "VH", "NN", "AJ")
    ):
        return False
    if is_only_verb(first.lower) and not (second.tag in FINITE and second.tag != "VVB"):
        return True
    takes_object = second.lower in DETERMINERS or second.lower in _OBJECTS or second.tag in _AFTER_IMPERATIVE
    if (takes_object or _two_commands(tokens)) and second.lower not in ("of", "is"):
        noun_with_verb = first.tag[:2] in ("NN", "AJ") and has_finite_verb(tokens[1:6])
        if not noun_with_verb:
            return True
    return first.tag in ("VVB", "VVI") and not has_finite_verb(tokens[1:4])


def _two_commands(tokens: tuple[Token, ...]) -> bool:
    """Stop and listen."""
    return (
        len(tokens) > 2
        and tokens[1].lower == "and"
        and _is_bare(tokens[2])
        and not any(token.tag in FINITE - {"VVB"} for token in tokens)
    )


@lru_cache(20_000)
def clause_of(text: str) -> Clause | None:
    """The parts of a simple main clause, or None where it is not safe to tell."""
    tokens = tagged(text)
    finite = finite_verbs(tokens)
    if not finite:
        return None
    opening = ""
    comma = next((index for index, token in enumerate(tokens) if token.text == ","), None)
    if comma is not None and _opens(tokens, comma, finite):
        cut = text.find(",")
        opening, text = text[: cut + 1].strip(), text[cut + 1 :].strip()
        tokens = tagged(text)
        finite = finite_verbs(tokens)
        if not finite:
            return None
    verb = finite[0]
    subject = tokens[:verb]
    if not subject or any(token.tag in _NOT_IN_SUBJECT or token.text == "," for token in subject):
        return None
    if subject[0].lower in _NO_CLAUSE_START:
        return None
    adverb = verb
    while adverb > 1 and tokens[adverb - 1].tag in ("AV0", "XX0"):
        adverb -= 1
    starts = _starts(text, tokens)
    return Clause(
        opening,
        text[: starts[adverb]].strip(),
        text[starts[adverb] : starts[verb]].strip(),
        tokens[verb].text,
        text[starts[verb] + len(tokens[verb].text) :].strip(),
        tokens[verb].tag,
    )


def _opens(tokens: tuple[Token, ...], comma: int, finite: list[int]) -> bool:
    """Whether what stands before the comma opens the main clause: "On her left, she …", "If it rains, …"."""
    if tokens[0].tag == "CJS":
        return len(finite) > 1 and comma < finite[1] and any(index > comma for index in finite)
    if tokens[0].tag in ("PRP", "AV0", "ORD"):
        return comma < finite[0]
    return False


def _starts(text: str, tokens: tuple[Token, ...]) -> list[int]:
    starts, position = [], 0
    for token in tokens:
        position = text.index(token.text, position)
        starts.append(position)
        position += len(token.text)
    return starts


def is_clause(text: str) -> bool:
    """Whether the text stands alone as a statement."""
    return form_of(text) is Form.SENTENCE and clause_of(text) is not None


def is_statement_or_command(text: str) -> bool:
    return is_clause(text) or form_of(text) is Form.IMPERATIVE


def joined(*parts: str) -> str:
    """The parts that are not empty, with a space between."""
    return " ".join(part for part in parts if part)


def inverted(text: str, names: Collection[str] = ()) -> str | None:
    """A statement in the order of a question: "each tide comes later" -> "does each tide come later"."""
    clause = clause_of(text)
    if not clause:
        return None
    verb, subject = clause.verb.lower(), lower_first(clause.subject, names)
    if verb == "cannot":
        return None
    tail = f", {lower_first(clause.opening.rstrip(','), names)}" if clause.opening else ""
    after = (tagged(clause.rest) or (NO_TOKEN,))[0]
    perfect = verb in ("has", "have", "had") and after.tag in ("VVN", "VBN", "VDN", "VHN")
    if verb in MODALS or verb in ("is", "are", "was", "were") or perfect:
        if clause.adverb or after.lower == "not":
            return None
        return f"{verb} {subject} {clause.rest}{tail}".strip()
    auxiliary = auxiliary_of(clause.tag)
    if not auxiliary or clause.adverb.lower() in ("never", "not", "hardly"):
        return None
    return joined(auxiliary, subject, clause.adverb, base_form(clause.verb), clause.rest) + tail


def auxiliary_of(tag: str) -> str:
    """The helping verb a question about a full verb takes, or nothing."""
    helping = {"VVZ": "does", "VHZ": "does", "VVB": "do", "VHB": "do", "VVD": "did", "VHD": "did"}
    return helping.get(tag, "")


def cause_and_effect(text: str) -> tuple[str, str] | None:
    """The halves of "A, so B" and "B because A"; of "That is why B" the cause is empty: the point before holds it."""
    why = re.match(r"(?:that|this|which) is why (.+)$", text, re.I)
    if why and is_clause(why[1]):
        return "", why[1]
    so = _SO.match(text)
    if so and is_clause(so[1].strip()) and is_clause(so[2]):
        return so[1].strip(), so[2]
    because = re.match(r"(.+?),? because (.+)$", text)
    if because and is_clause(because[1]) and is_clause(because[2]):
        return because[2], because[1]
    return None


def why_question(text: str, names: Collection[str] = ()) -> str | None:
    """The question that a text with a cause answers: "Why does the way back close before you see it?"."""
    halves = cause_and_effect(text)
    question = inverted(halves[1], names) if halves else None
    if not question or re.match(r"(do|does|did|is|are) (it|they|she|he|that|this|you)\b", question):
        return None
    return as_sentence(f"why {question}", "?")


_LEADS = {"and": "And ", "but": "But ", "so": "So ", "yet": "And yet "}


def speakable_parts(text: str) -> list[str]:
    """A point in sentences a voice can read: cut where both halves stand alone."""
    parts: list[str] = []
    for part in re.split(r"\s*;\s*", text):
        colon = re.match(r"([^:]+):\s+(.+)$", part)
        if colon and "“" not in part:
            parts += [*speakable_parts(colon[1]), colon[2]]
            continue
        joint = re.match(r"(.+?), (and|but|so|yet) (.+)$", part)
        if joint and is_clause(joint[1]) and is_clause(joint[3]) and not re.match(r"(if|when|at|as)\b", joint[1], re.I):
            lead = "" if joint[2] == "and" and len(joint[3].split()) > 3 else _LEADS[joint[2]]
            parts += [joint[1], lead + joint[3]]
            continue
        comma = re.match(r"([^,]+), ([^,]+)$", part)  # a comma where a full stop belongs
        if comma and _splice(comma[1], comma[2]):
            parts += [comma[1], comma[2]]
            continue
        parts.append(part)
    return parts


def _splice(one: str, other: str) -> bool:
    return (
        form_of(one) in (Form.SENTENCE, Form.IMPERATIVE)
        and is_clause(other)
        and not _BEFORE_COMMA.match(one)
        and not _AFTER_COMMA.match(other)
    )


def without_ending(text: str) -> str | None:
    """The text without what stands after its only comma and is no clause; None where it has none."""
    if text.count(",") > 1 or ", then" in text:
        return None
    match = re.match(r"(.+), (?!and\b|or\b|but\b|so\b|stay|ring|call)([^,]+)$", text)
    if (
        match
        and not has_finite_verb(tagged(match[2]))
        and not re.match(r"(if|when|after|before|at|in|on|from)\b", match[1], re.I)
    ):
        return match[1]
    return None
