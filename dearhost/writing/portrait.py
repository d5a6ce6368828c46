"""How a text sounds, in figures and in words, so that another can be written like it."""

from __future__ import annotations

import re
import statistics
from dataclasses import dataclass

from dearhost.writing.english.clauses import Form, form_of
from dearhost.writing.english.stems import sentences
from dearhost.writing.english.tagging import expanded, has_finite_verb, tagged

_CONTRACTED = frozenset("it's that's there's here's let's what's".split())
_YOU = frozenset("you your yours you're you'll you've".split())
_WE = frozenset("we our us we're we'll".split())
_I = frozenset("i my me i'm i've".split())


@dataclass(frozen=True, slots=True)
class Portrait:
    """``sentence`` and ``spread`` are words; the others are per cent: of the words up to ``i``, of the sentences
    after."""

    sentence: float
    spread: float
    contractions: float
    you: float
    we: float
    i: float
    questions: float
    fragments: float
    openers: float
    """Sentences that begin with And, But or So."""


def portrait_of(text: str) -> Portrait:
    """The portrait of a text with at least one sentence. Raises ValueError for one without."""
    parts = sentences(text)
    words = [word.lower().replace("’", "'") for word in re.findall(r"[A-Za-z][\w'’]*", text)]
    if not parts or not words:
        raise ValueError("There is no sentence to go by.")
    lengths = [len(part.split()) for part in parts]

    def share(count: int, of: int) -> float:
        return round(100 * count / of, 1)

    return Portrait(
        round(statistics.mean(lengths), 1),
        round(statistics.pstdev(lengths), 1),
        share(sum(("'" in word and not word.endswith("'s")) or word in _CONTRACTED for word in words), len(words)),
        share(sum(word in _YOU for word in words), len(words)),
        share(sum(word in _WE for word in words), len(words)),
        share(sum(word in _I for word in words), len(words)),
        share(sum(part.endswith("?") for part in parts), len(parts)),
        share(sum(_is_fragment(part) for part in parts), len(parts)),
        share(sum(part.split()[0].lower().strip(",") in ("and", "but", "so") for part in parts), len(parts)),
    )


def _is_fragment(sentence: str) -> bool:
    bare = expanded(sentence).rstrip(".?!")
    return not has_finite_verb(tagged(bare)) and form_of(bare) is not Form.IMPERATIVE


def in_words(portrait: Portrait) -> str:
    """What a reader would say of it."""
    spread = portrait.spread / max(1.0, portrait.sentence)
    rhythm = ", mostly alike" if spread < 0.35 else ", long and short by turns" if spread > 0.6 else ""
    said = [f"sentences of about {portrait.sentence:.0f} words{rhythm}"]
    speaks = (("speaks to “you”", portrait.you), ("speaks as “we”", portrait.we), ("speaks as “I”", portrait.i))
    said.append(next((words for words, share in speaks if share >= 3), "keeps out of it"))
    if portrait.contractions >= 2:
        said.append("contracts (it's, don't)")
    elif portrait.contractions > 0.4:
        said.append("seldom contracts")
    else:
        said.append("writes words out")
    if portrait.questions >= 10:
        said.append(f"asks in one sentence of {round(100 / portrait.questions)}")
    if portrait.fragments >= 15:
        said.append("likes fragments")
    if portrait.openers >= 10:
        said.append("begins with And, But, So")
    return "; ".join(said)
