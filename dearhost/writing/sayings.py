"""The ways in which a point can be said. No word is added that says anything."""

from __future__ import annotations

import re
from collections.abc import Collection
from dataclasses import dataclass

from dearhost.writing.english.clauses import (
    Form,
    as_sentence,
    auxiliary_of,
    cause_and_effect,
    clause_of,
    form_of,
    joined,
    lower_first,
    speakable_parts,
    why_question,
    without_ending,
)
from dearhost.writing.english.numbers import units_spoken
from dearhost.writing.english.tagging import tagged
from dearhost.writing.english.verbs import base_form, plural_form
from dearhost.writing.points import Kind, Point, is_price

TOPIC = "{T}"
"""Stands for the topic until it is known whether it is named there or called "it"."""
_AUDIENCE = frozenset(
    "visitor visitors customer customers user users buyer buyers viewer viewers learner learners student students "
    "volunteer volunteers walker walkers people guest guests reader readers member members".split()
)
_WHEN = re.compile(
    r"(every|each|on|from|next|this|daily|weekly|mondays?|tuesdays?|wednesdays?|thursdays?|fridays?|saturdays?|sundays?"
    r"|\d+ (?:january|february|march|april|may|june|july|august|september|october|november|december))\b",
    re.I,
)
_SEVERAL = re.compile(r"(?:only |just |about )?(?:two|three|four|five|six|\d{2,})\b")
_NOTHINGS = re.compile(r"\bno (\w+(?: \w+)?)(?= and| or|,|$)", re.I)


@dataclass(frozen=True, slots=True)
class Saying:
    """Words that say a point; ``quality`` is 1 for the best way, less for one that leaves something out."""

    text: str
    quality: float


@dataclass(frozen=True, slots=True)
class Asked:
    """A question and the point as its answer."""

    question: str
    answer: str


@dataclass(frozen=True, slots=True)
class Subject:
    """How the topic is spoken of: a thing that is "it", or a matter of which "there is"; one or several."""

    is_thing: bool = False
    plural: bool = False


def ways_of_saying(point: Point, subject: Subject, names: Collection[str] = ()) -> list[Saying]:
    """The ways to say a point, without doubles; a phrase is completed with ``TOPIC``."""
    found = {
        Form.SENTENCE: _sentence_ways,
        Form.IMPERATIVE: _imperative_ways,
        Form.VERB_PHRASE: _verb_phrase_ways,
        Form.NOUN_PHRASE: _noun_phrase_ways,
        Form.PARTICIPLE: _complement_ways,
        Form.PREPOSITIONAL: _complement_ways,
    }[point.form](point, subject, names)
    first: dict[str, Saying] = {}
    for saying in found:
        first.setdefault(saying.text, saying)
    return list(first.values())


def _sentence_ways(point: Point, subject: Subject, names: Collection[str]) -> list[Saying]:
    text = said_to_you(point.text)
    ways = [Saying(" ".join(as_sentence(part) for part in speakable_parts(text)), 1.0)]
    if len(speakable_parts(text)) > 1:
        ways.append(Saying(as_sentence(text), 0.9 if len(text.split()) <= 18 else 0.5))
    question = why_question(text, names)
    halves = cause_and_effect(text)
    if question and halves and halves[0] and _stands_alone(halves[1]):
        ways.append(Saying(f"{question} {as_sentence('because ' + lower_first(halves[0], names))}", 0.97))
    if halves and halves[0] and text.startswith(halves[0]):
        cause, effect = halves
        if re.match(r"you\b", cause, re.I):
            ways.append(Saying(as_sentence(cause), 0.75))
        if not re.match(r"(it|they|she|he|this|that)\b", effect):
            ways.append(Saying(as_sentence(effect), 0.7))
    return ways + _shortened(text)


def _stands_alone(effect: str) -> bool:
    """Whether an effect can be asked about before its cause was heard."""
    return (
        len(effect.split()) > 2
        and not re.match(r"(it|they|she|he|this|that)\b", effect, re.I)
        and not re.search(r"\b(it|them|this)\b", effect)
    )


def _imperative_ways(point: Point, subject: Subject, names: Collection[str]) -> list[Saying]:
    whole = " ".join(as_sentence(part) for part in speakable_parts(point.text))
    return [Saying(whole, 1.0), *_shortened(point.text)]


def _shortened(text: str) -> list[Saying]:
    short = without_ending(text)
    return [Saying(as_sentence(short), 0.72)] if short else []


def _verb_phrase_ways(point: Point, subject: Subject, names: Collection[str]) -> list[Saying]:
    verb = point.text.split()[0]
    said = (plural_form(verb) if subject.plural else verb) + point.text[len(verb) :]
    parts = speakable_parts(said)
    first = as_sentence(f"{TOPIC} {parts[0]}")
    ways = [Saying(" ".join([first, *(as_sentence(part) for part in parts[1:])]), 1.0)]
    if len(parts) > 1 and form_of(parts[1]) is not Form.SENTENCE:
        ways.append(Saying(first, 0.7))
    return ways


def _noun_phrase_ways(point: Point, subject: Subject, names: Collection[str]) -> list[Saying]:
    text, low = point.text, lower_first(point.text, names)
    if re.match(r"no\b", text, re.I):
        return [
            Saying(" ".join(fragments(point)) or as_sentence(text), 1.0),
            Saying(as_sentence(f"{TOPIC} {'need' if subject.plural else 'needs'} {low}"), 0.9),
        ]
    be = "are" if subject.plural else "is"
    if is_price(point):
        cost = as_sentence(f"{TOPIC} {'cost' if subject.plural else 'costs'} {text}")
        return [Saying(cost, 1.0), Saying(as_sentence(text), 0.8)]
    if _WHEN.match(text):
        return [Saying(as_sentence(f"{TOPIC} {be} {low}"), 1.0), Saying(as_sentence(text), 0.8)]
    parts = speakable_parts(text)
    if len(parts) > 1:
        return [Saying(" ".join(as_sentence(part) for part in parts), 1.0)]
    if re.match(r"not (?:a|an|the|just|only)\b", text, re.I):
        return [Saying(as_sentence(f"{TOPIC} {be} {low}"), 1.0)]
    several = _is_several(text)
    if subject.is_thing and not subject.plural and not several and not point.quantities:
        return [Saying(as_sentence(f"{TOPIC} has {low}"), 0.9), Saying(as_sentence(text), 0.75)]
    there = as_sentence(f"there {'are' if several else 'is'} {low}")
    return [Saying(there, 0.95), Saying(as_sentence(text), 0.75)]


def _is_several(text: str) -> bool:
    tokens = tagged(text)
    head = next(
        (
            token
            for index, token in enumerate(tokens)
            if token.is_noun and not (index + 1 < len(tokens) and tokens[index + 1].is_noun)
        ),
        None,
    )
    return (head is not None and head.tag == "NN2") or bool(_SEVERAL.match(text))


def _complement_ways(point: Point, subject: Subject, names: Collection[str]) -> list[Saying]:
    be = "are" if subject.plural else "is"
    whole = as_sentence(f"{TOPIC} {be} {lower_first(point.text, names)}")
    if point.form is Form.PREPOSITIONAL:
        return [Saying(whole, 0.8), Saying(as_sentence(point.text), 0.8)]
    return [Saying(whole, 1.0), Saying(as_sentence(point.text), 0.6)]


def fragments(point: Point) -> list[str]:
    """Two or three words that stand for a feature: "No battery." "No signal." "62 millimetres across."."""
    text = point.text
    nothings = _NOTHINGS.findall(text)
    if point.form is Form.NOUN_PHRASE and nothings:
        return [f"No {nothing}." for nothing in nothings]
    without = re.search(r"\bwithout (?:an? )?(\w+)(?: or (?:an? )?(\w+))?", text)
    if without:
        return [f"No {nothing}." for nothing in without.groups() if nothing]
    after = text.split(":")[1] if ":" in text else ""
    if after and len(after.split()) <= 5:
        return [as_sentence(after)]
    if point.form in (Form.NOUN_PHRASE, Form.PARTICIPLE, Form.PREPOSITIONAL) and len(text.split()) <= 7:
        return [as_sentence(text)]
    return []


def said_to_you(text: str) -> str:
    """A clause about the audience is said to them: "Visitors leave their bags" -> "You leave your bags"."""
    clause = clause_of(text)
    if not clause:
        return text
    noun = re.sub(r"^((the|our|all|every|each|a|new)\s+)+", "", clause.subject.lower())
    if noun not in _AUDIENCE:
        return text
    verb = base_form(clause.verb) if clause.tag == "VVZ" else plural_form(clause.verb)
    if clause.tag not in ("VVZ", "VBZ", "VBD", "VHZ"):
        verb = clause.verb
    rest = clause.rest
    for theirs, yours in (("they", "you"), ("them", "you"), ("their", "your"), ("themselves", "yourself")):
        rest = re.sub(rf"\b{theirs}\b", yours, rest)
    return joined(clause.opening, "you", clause.adverb, verb, rest)


def said_of_oneself(text: str, speaker: str) -> str:
    """The host who says it speaks of himself: "Tobias keeps the keys" -> "I keep the keys", "Meet Tobias" -> "Meet
    me"."""
    clause = clause_of(text)
    if not clause or clause.subject != speaker:
        return re.sub(rf"(?<=[a-z] ){re.escape(speaker)}\b(?!['’]| and\b|,)", "me", text) if speaker else text
    if re.search(r"\b(he|she|his|her|him|himself|herself)\b", clause.rest):
        return text
    verb = {"is": "am", "was": "was", "has": "have"}.get(clause.verb.lower())
    verb = verb or (base_form(clause.verb) if clause.tag == "VVZ" else clause.verb)
    return joined(clause.opening, "I", clause.adverb, verb, clause.rest)


def asked(
    point: Point, topic: str = "it", speaker: str = "", names: Collection[str] = (), lesson: bool = False
) -> Asked | None:
    """A question whose answer is the point, or None where none would be natural.

    "What does the Moon do?" is asked in a ``lesson`` only.
    """
    return (
        _asked_of_text(point, names)
        or _asked_of_feature(point, topic)
        or _asked_of_subject(point, speaker, names, lesson)
    )


def _asked_of_text(point: Point, names: Collection[str]) -> Asked | None:
    text = said_to_you(point.text) if point.form is Form.SENTENCE else point.text
    question = why_question(text, names)
    halves = cause_and_effect(text)
    if question and halves:
        answer = as_sentence(f"because {lower_first(halves[0], names)}") if halves[0] else as_sentence(text)
        return Asked(question, answer)
    benefit = Kind.BENEFIT in point.kinds and point.form is Form.SENTENCE
    if benefit and re.match(r"you (know|can|see|get|never|save|learn)\b", text, re.I):
        return Asked("And what good is that?", " ".join(as_sentence(part) for part in speakable_parts(text)))
    meet = re.match(
        r"(?:come|go|meet|be there) (?:to|at) (.+?) (at (?:half past |a quarter (?:past|to) )?\w+)$", text, re.I
    )
    if meet:
        return Asked("Where, and when?", as_sentence(f"{meet[1]}, {meet[2]}"))
    place = re.match(r"(.+?) (is|are) (on|at|in|beside|under|behind) (.+)$", text)
    if (
        place
        and "," not in text
        and len(place[1].split()) <= 4
        and place[1].lower() not in ("it", "there", "that", "they")
        and point.form is Form.SENTENCE
    ):
        return Asked(
            as_sentence(f"where {place[2]} {lower_first(place[1], names)}", "?"), as_sentence(f"{place[3]} {place[4]}")
        )
    return None


def _asked_of_feature(point: Point, topic: str) -> Asked | None:
    text = point.text
    if point.form is Form.NOUN_PHRASE and re.match(r"no\b", text, re.I):
        nothings = [str(nothing) for nothing in _NOTHINGS.findall(text)]
        needs = " or ".join(_with_article(nothing) for nothing in nothings)
        answer = " ".join(f"No {nothing}." for nothing in nothings) if len(nothings) > 1 else ""
        return (
            Asked(as_sentence(f"does {topic} need {needs}", "?"), answer or f"No {nothings[0]} at all.")
            if needs
            else None
        )
    if point.form is Form.NOUN_PHRASE and is_price(point) and len(text.split()) < 8:
        return Asked("And what does it cost?", as_sentence(text))
    made = re.match(r"made (in .+?) by (.+)$", text)
    if point.form is Form.PARTICIPLE and made:
        return Asked(f"Who makes {topic}?", as_sentence(f"{made[2]}, {made[1]}"))
    fits = re.match(r"fits (?:in|into|on) (.+?)(?::\s*(.+))?$", text)
    if point.form is Form.VERB_PHRASE and fits:
        size = as_sentence(fits[2]) if fits[2] else ""
        return Asked(f"How big is {topic}?", joined(size, as_sentence(f"it fits in {fits[1]}")))
    return None


def _with_article(noun: str) -> str:
    if noun.endswith("s"):
        return noun
    return f"{'an' if noun[0] in 'aeiou' else 'a'} {noun}"


_STATES = frozenset("stay stays keep floods comes follows reaches".split())
_POINTING = frozenset("it that this they there you she he we".split())


def _asked_of_subject(point: Point, speaker: str, names: Collection[str], lesson: bool) -> Asked | None:
    clause = clause_of(point.text)
    if point.form is not Form.SENTENCE or not clause or clause.opening:
        return None
    if clause.subject in names and clause.adverb not in ("never", "not") and clause.tag in ("VVZ", "VHZ", "VVD"):
        auxiliary = auxiliary_of(clause.tag)
        question = as_sentence(joined("who", clause.adverb, clause.verb, clause.rest), "?")
        own = clause.subject == speaker and auxiliary == "does"
        return Asked(question, "I do." if own else f"{clause.subject} {auxiliary}.")
    subject = clause.subject.lower()
    if (
        lesson
        and subject.startswith("the ")
        and clause.tag in ("VVZ", "VVB")
        and subject not in _POINTING
        and len(subject.split()) <= 3
        and "," not in point.text
        and clause.verb.lower() not in _STATES
    ):
        question = as_sentence(f"what {auxiliary_of(clause.tag)} {lower_first(clause.subject, names)} do", "?")
        return Asked(question, as_sentence(point.text))
    return None


def echoed(point: Point) -> Asked | None:
    """What another asks back and how it is confirmed: a number of what happens, or what never does."""
    if point.quantities and point.form is Form.SENTENCE:
        number = re.sub(r"^(about|nearly|at least|only|almost)\s+", "", units_spoken(point.quantities[0]), flags=re.I)
        short = re.sub(r"\s+(later|across|long|steps?|tides?|people|volunteers?|minutes|hours|years)\b.*", "", number)
        if len(number.split()) <= 5 and not re.search(r"\d\d\d|across|wide|long", number):
            alone = short if short and not re.match(r"(six|one|two)$", short, re.I) else number
            return Asked(as_sentence(number, "?"), as_sentence(alone))
    never = re.search(r"\b(never|nobody|nothing|alone|aloud)\b", point.text, re.I)
    if never:
        return Asked(as_sentence(never[1], "?"), "No." if never[1].lower() == "alone" else as_sentence(never[1]))
    return None
