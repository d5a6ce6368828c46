"""Words that a voice is likely to get wrong: names and others that no dictionary has."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass

from dearhost.languages.english_pronunciations import is_listed
from dearhost.speech.plan import plan_words


@dataclass(frozen=True, slots=True)
class UnknownName:
    """A written word and how often it stands in the script."""

    word: str
    count: int


def unknown_names(texts: Iterable[str], language: str) -> list[UnknownName]:
    """Words of English texts that CMUdict lacks, of other languages those with capitals inside a sentence; the most
    frequent first."""
    english = language.lower().startswith("en")
    found: Counter[str] = Counter()
    for text in texts:
        for sentence in plan_words(text, language).sentences:
            starts = sentence.words[0].written
            for word in sentence.words:
                letters = word.text.replace("’", "'")
                bare = letters.removesuffix("'s")
                if len(bare) < 3 or not bare.replace("'", "").replace("-", "").isalpha() or bare.isupper():
                    continue
                if english:
                    strange = not any(is_listed(w) for w in (letters.lower(), bare.lower()))
                else:
                    strange = bare[0].isupper() and word.written != starts
                if strange:
                    found[bare] += 1
    return [UnknownName(word, count) for word, count in found.most_common()]
