"""English words with their classes: the Hanover tagger and what it has to be helped with."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from HanTa.HanoverTagger import HanoverTagger

from dearhost.kept import kept
from dearhost.writing.english.verbs import base_form, is_verb, past_forms

FINITE = frozenset("VVB VVZ VVD VBB VBZ VBD VHB VHZ VHD VDB VDZ VDD VM0".split())
"""Tags of verbs that make a clause (C5 tagset of the British National Corpus; Leech, Garside and Bryant 1994)."""
PAST = frozenset(["VVD", "VBD", "VHD"])
PLURAL_VERBS = frozenset(["VVB", "VBB", "VHB"])
MODALS = frozenset("can could will would may might must shall should".split())
AUXILIARIES = MODALS | frozenset("is are was were am has have had do does did".split())
PRONOUNS = frozenset("it you we they he she i this that there somebody nobody everybody everyone one".split())
"""Words that stand as a subject by themselves."""
DETERMINERS = frozenset(
    (
        "the a an this that these those my your his her its our their each every no some any two three all both another"
    ).split()
)

_FIXED_TAGS = {
    **dict.fromkeys(MODALS, "VM0"),
    "is": "VBZ",
    "are": "VBB",
    "was": "VBD",
    "were": "VBD",
    "am": "VBB",
    "has": "VHZ",
    "have": "VHB",
    "had": "VHD",
    "does": "VDZ",
    "do": "VDB",
    "did": "VDD",
}
_TOKEN = re.compile(r"[A-Za-z0-9£€$][\w'’£€.,:-]*[\w]|[A-Za-z0-9]|[^\w\s]")
_EXPANSIONS = [
    (re.compile(pattern, re.I), long)
    for pattern, long in (
        (r"\bcan't\b", "cannot"),
        (r"\bwon't\b", "will not"),
        (r"\bshan't\b", "shall not"),
        (r"n't\b", " not"),
        (r"\b(it|that|there|he|she|what|here|where|who)'s\b", r"\1 is"),
        (r"'re\b", " are"),
        (r"'ll\b", " will"),
        (r"'ve\b", " have"),
        (r"\b(I)'m\b", r"\1 am"),
        (r"\blet's\b", "let us"),
        (r"\b(I|you|he|she|it|we|they)'d (?=\w)", r"\1 would "),
    )
]
_RATHER_BY = 0.7
"""How much less likely, as a logarithm, a verb may be than a plural."""
_BARE_FORM_AFTER = frozenset("do does did not let help to and or never".split())
_NOUN_BEFORE_VERB = frozenset("NN1 NP0 PNP DT0 PNI".split())
_AFTER_VERB = frozenset("PR AT DT DP AV TO AJ CR".split())


@dataclass(frozen=True, slots=True)
class Token:
    """A word or mark of a text, its C5 tag and its base form."""

    text: str
    tag: str
    lemma: str

    @property
    def lower(self) -> str:
        return self.text.lower()

    @property
    def is_noun(self) -> bool:
        return self.tag[:2] == "NN"


NO_TOKEN = Token("", "", "")


def expanded(text: str) -> str:
    """The text with its contractions written out, and straight apostrophes."""
    text = text.replace("’", "'")
    if "'" not in text:
        return text
    for pattern, long in _EXPANSIONS:
        text = pattern.sub(long, text)
    return text


@lru_cache(20_000)
def tagged(text: str) -> tuple[Token, ...]:
    """The words and marks of one sentence or phrase, contractions written out before."""
    words = _TOKEN.findall(text)
    if not words:
        return ()
    found = [
        Token(word, _FIXED_TAGS.get(word.lower(), _determiner(word, tag)), str(lemma))
        for word, (_, lemma, tag) in zip(words, _tagger().tag_sent([_opened(words[0]), *words[1:]]), strict=True)
    ]
    for index in range(1, len(found)):
        token = found[index]
        found[index] = Token(token.text, _mended(found, index), token.lemma)
    return tuple(found)


def is_rather_verb(token: Token, after: Token) -> bool:
    """Whether a word that begins a phrase is a verb rather than a plural: "shines for forty hours"."""
    if token.tag != "NN2" or after.tag[:2] not in _AFTER_VERB | {"CR"} or after.lower == "of":
        return False
    likely = _likelihoods(token.lower)
    return likely.get("VVZ", -99.0) >= likely.get("NN2", -99.0) - _RATHER_BY


@lru_cache(5_000)
def _likelihoods(word: str) -> dict[str, float]:
    """The logarithm of how likely a word is of each class."""
    return {str(tag): float(likely) for tag, likely in _tagger().tag_word(word, cutoff=30)}


def finite_verbs(tokens: Sequence[Token]) -> list[int]:
    """Where the finite verbs are."""
    return [index for index, token in enumerate(tokens) if token.tag in FINITE]


def has_finite_verb(tokens: Sequence[Token]) -> bool:
    return any(token.tag in FINITE for token in tokens)


@kept(1)
def _tagger() -> HanoverTagger:
    return HanoverTagger("morphmodel_en.pgz")


def _opened(word: str) -> str:
    """The first word of a sentence as it would stand inside one."""
    return word[0].lower() + word[1:] if word[1:].islower() else word


def _determiner(word: str, tag: str) -> str:
    return "DT0" if word.lower() in DETERMINERS and tag[:2] != "DT" else tag


def _mended(found: list[Token], index: int) -> str:
    """The tag of a word that its neighbours decide better than the tagger does."""
    token, before = found[index], found[index - 1]
    if token.tag == "VVI" and before.tag not in ("TO0", "VM0") and before.lower not in _BARE_FORM_AFTER:
        return "VVB"
    if token.tag == "NN2" and _is_third_person(found, index):
        return "VVZ"
    if (
        token.tag == "VVN"
        and before.tag in ("PNP", "NP0", "NN1", "NN2")
        and (token.lower.endswith("ed") or token.lower in past_forms(base_form(token.lower)))
        and not has_finite_verb(found)
    ):
        return "VVD"
    return token.tag


def _is_third_person(found: list[Token], index: int) -> bool:
    """Whether a plural noun is a verb: "the hole lets the tide in"."""
    token, after = found[index], found[index + 1] if index + 1 < len(found) else None
    return (
        token.lower.endswith("s")
        and found[index - 1].tag in _NOUN_BEFORE_VERB
        and is_verb(token.lower)
        and after is not None
        and (after.tag[:2] in _AFTER_VERB or after.text in (".", ","))
        and not has_finite_verb([*found[:index], *found[index + 1 :]])
    )
