"""Forms of English verbs, and what a word can be, by lemminflect's tables."""

from __future__ import annotations

from functools import lru_cache

import lemminflect

_IRREGULAR_PLURAL = {"is": "are", "has": "have", "was": "were", "does": "do"}


@lru_cache(20_000)
def is_verb(word: str) -> bool:
    """Whether a word in lower case can be a form of a verb."""
    return word != "us" and bool(lemminflect.getAllLemmas(word, "VERB"))


@lru_cache(20_000)
def is_known(word: str) -> bool:
    """Whether a dictionary has the word, in lower case, as anything."""
    return bool(lemminflect.getAllLemmas(word))


@lru_cache(20_000)
def is_only_verb(word: str) -> bool:
    """Whether a word in lower case can be nothing but a verb: "bring"."""
    return set(lemminflect.getAllLemmas(word)) == {"VERB"}


@lru_cache(20_000)
def is_noun_or_verb(word: str) -> bool:
    """Whether a word in lower case can be a noun or a verb; a word no dictionary has is taken for a noun."""
    lemmas = lemminflect.getAllLemmas(word)
    return not lemmas or "NOUN" in lemmas or "VERB" in lemmas


@lru_cache(20_000)
def base_form(word: str) -> str:
    """The form after "to", in lower case; of a word that is no verb, a guess."""
    lower = word.lower()
    found = lemminflect.getAllLemmas(lower, "VERB").get("VERB") or lemminflect.getLemma(lower, "VERB")
    return str(found[0]) if found else lower


@lru_cache(20_000)
def past_forms(base: str) -> tuple[str, ...]:
    return tuple(lemminflect.getInflection(base, "VBD"))


def plural_form(verb: str) -> str:
    """The form that goes with "they": is -> are, shows -> show."""
    return _IRREGULAR_PLURAL.get(verb.lower(), base_form(verb))
