"""Whether a text says only what its brief does. Every draft passes it, whoever wrote it."""

from __future__ import annotations

import re
from collections.abc import Collection
from dataclasses import dataclass
from functools import cache

from dearhost.script import Brief
from dearhost.writing.english.numbers import figures
from dearhost.writing.english.stems import STOP_WORDS, sentence_spans, stem, stems
from dearhost.writing.english.tagging import expanded, tagged
from dearhost.writing.frames import FRAMES, LONGEST_SLOT


@dataclass(frozen=True, slots=True)
class Ungrounded:
    """What a sentence says that nobody gave: ``what`` names it ("number", "name", "claim", "quotation", "words"),
    ``words`` quotes it."""

    sentence: str
    what: str
    words: tuple[str, ...]

    @property
    def message(self) -> str:
        return f"Not in your brief: {', '.join(self.words)}"

    @property
    def slot(self) -> str:
        """The sentence with an open slot for what was invented."""
        if self.what == "number":
            for match in re.finditer(r"\d(?:[\d.,:]*\d)?", self.sentence):
                if match[0].replace(",", "") in self.words:
                    return self.sentence[: match.start()] + "{which number?}" + self.sentence[match.end() :]
        elif self.what == "name":
            return re.sub(rf"\b{re.escape(self.words[0])}\b", "{who?}", self.sentence, count=1)
        start = " ".join(re.sub(r"[{}\[\]]", "", self.sentence).split()[:6])
        return f"{{is this so? {start}"[: LONGEST_SLOT - 1].rstrip() + "}"


_CLAIMS = re.compile(
    r"\b(best|only|first|most|cheapest|fastest|safest|number one|guaranteed?|proven|always|never fails?|100 ?%"
    r"|hundred per ?cent|everyone|everybody (?:knows|loves|agrees)|nobody (?:else|knows)|scientists|experts|studies"
    r"|research|award|certified|world's|official(?:ly)?|doctors?|risk[- ]free|unbreakable|forever|lifetime|for life"
    r"|waterproof|eco|sustainable|bestselling|sold out|last chance|limited|today only|money back|refund)\b",
    re.I,
)
"""Absolutes that need a source."""
_PLAIN = (
    "look see listen know think imagine picture say tell ask hear want need like feel find get take give make keep put "
    "come go walk stand sit turn try help start stop show mean wonder remember forget happen work use wait let thing "
    "way time day moment place people person word question answer idea story reason problem trouble friend hand eye "
    "head mind world good bad new old big small little long short easy hard right wrong sure ready simple whole next "
    "last same other really still yet even ever never always again maybe perhaps together today tomorrow tonight soon "
    "later once thank welcome hello goodbye please yes no okay well kind sort part lot bit end middle back side inside "
    "outside left leave live love hope glad happy worry calm safe bring meet check read write speak talk call learn "
    "understand believe change choose hold open close pick far near out away around through own few enough rest real "
    "true fact simply exactly actually"
)
"""Words that may be said of anything (a list made for this, no published source)."""
_SMALL_NUMBER = 3
"""Up to it a number may be one the writer counted: "two things"."""


def ungrounded(text: str, brief: Brief, names: Collection[str] = ()) -> list[Ungrounded]:
    """What the sentences of ``text`` say that the brief does not; ``names`` are known besides, such as the cast."""
    source = _source(brief, names)
    given = set(stems(source)) | _harmless_stems()
    numbers = figures(source)
    capitals = set(re.findall(r"\b[A-Z][\w'’]*", source))
    quotable = [_plain(remark) for remark in brief.own_words.split("\n")]
    found = []
    for sentence in _sentences(text):
        body = re.sub(r"\{[^}]*\}|\[[^\]]*\]|\([^)]*\)", "", sentence)
        checks = (
            ("number", _new_numbers(body, numbers)),
            ("name", _new_names(body, capitals)),
            ("claim", [m[0] for m in _CLAIMS.finditer(body) if m[0].lower() not in source.lower()]),
            ("quotation", _new_quotations(sentence, quotable)),
            ("words", _new_words(body, given)),
        )
        for what, words in checks:
            if words:
                found.append(Ungrounded(sentence, what, tuple(words)))
                break
    return found


def with_slots(text: str, found: Collection[Ungrounded]) -> str:
    """The text with an open slot for everything that was invented, so that it cannot be rendered unseen."""
    for fault in found:
        text = text.replace(fault.sentence, fault.slot, 1)
    return text


def _sentences(text: str) -> list[str]:
    """The sentences of a text; a mark inside an open slot ends none."""
    masked = re.sub(r"\{[^{}]*\}", lambda slot: "{" + "_" * (len(slot[0]) - 2) + "}", text)
    return [text[start:end] for start, end in sentence_spans(masked)]


def _source(brief: Brief, names: Collection[str]) -> str:
    return " . ".join(
        (brief.topic, brief.purpose, brief.audience, brief.call_to_action, *brief.points, brief.own_words, *names)
    )


def _plain(text: str) -> str:
    return re.sub(r"\W+", " ", text.lower()).strip()


def _new_numbers(body: str, given: Collection[str]) -> list[str]:
    new = figures(body) - set(given)
    return sorted(number for number in new if not (number.isdigit() and int(number) <= _SMALL_NUMBER))


def _new_names(body: str, known: Collection[str]) -> list[str]:
    words = re.findall(r"\b[\w'’]+", body)
    return [
        word
        for index, word in enumerate(words)
        if index
        and len(word) > 2
        and word[0].isupper()
        and word[1:].islower()
        and word not in known
        and not re.search(r"['’]", word)
        and not re.search(rf"[.?!:“\"] ?{re.escape(word)}", body)
    ]


def _new_quotations(sentence: str, quotable: Collection[str]) -> list[str]:
    return [
        quote
        for quote in re.findall(r"[“\"]([^”\"]{8,})[”\"]", sentence)
        if not any(_plain(quote) in remark for remark in quotable)
    ]


def _new_words(body: str, given: Collection[str]) -> list[str]:
    """Words that are in no point, where a sentence has two of them, or is made of little else."""
    new = [
        token.text
        for token in tagged(expanded(body))
        if token.text.isalpha()
        and len(token.text) > 2
        and token.tag[:2] in ("NN", "VV", "AJ", "NP")
        and token.lower not in STOP_WORDS
        and stem(token.lower) not in given
        and stem(token.lemma.lower()) not in given
    ]
    own = len(stems(body))
    return new if len(new) >= 2 or (own <= 4 and len(new) >= 0.5 * max(1, own) and new) else []


@cache
def _harmless_stems() -> frozenset[str]:
    frames = " ".join(words for place in FRAMES.values() for tone in place.values() for words in tone)
    return frozenset({stem(word) for word in re.findall(r"[a-z]+", f"{expanded(frames).lower()} {_PLAIN}")})
