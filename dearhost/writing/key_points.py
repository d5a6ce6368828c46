"""Key points out of a document, each with the sentence it comes from."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy import sparse

from dearhost.writing.english.clauses import Form, contracted, form_of
from dearhost.writing.english.likeness import likeness
from dearhost.writing.english.numbers import number_phrases
from dearhost.writing.english.stems import LONGEST_SENTENCE, sentences, stems
from dearhost.writing.english.tagging import expanded
from dearhost.writing.reworking.mending import mended
from dearhost.writing.reworking.squeezing import squeezed

_Floats = NDArray[np.float64]
MOST_SENTENCES = 4_000
"""Of a document that are weighed: about 300 pages of print; what follows is left out, and said."""
_DAMPING = 0.85
_ROUNDS = 60
_LIKE_NONE_SO_FAR = 0.7
"""How much importance counts against newness (lambda of maximal marginal relevance)."""
_PAGE_FURNITURE = re.compile(
    r"cookie|newsletter|copyright|follow us|all rights|read more|subscribe|click here|privacy policy", re.I
)
_REASON = re.compile(r"\b(because|so|therefore|that is why|must|never|before you|safe|only|first)\b", re.I)
_DEFINITION = re.compile(r"\b(is|are) (?:a|an|the|called)\b")
_POINTS_BACK = re.compile(r"(it|he|she|they|this|that|these|in addition|however)\b", re.I)
_REPORTED = re.compile(r"\b(says|said)\b|[“\"]", re.I)
_PRAISED = re.compile(r"\b(lovely|wonderful|nice|beautiful)\b", re.I)


@dataclass(frozen=True, slots=True)
class KeyPoint:
    """A point, the sentence of the document it was taken from, and its rank: 0 for the one that carries most."""

    text: str
    source: str
    rank: int = 0


@dataclass(frozen=True, slots=True)
class KeyPoints:
    """The points in the order of the document, what people said in it, and how many sentences were not read."""

    points: tuple[KeyPoint, ...]
    quotations: tuple[str, ...]
    unread: int = 0


def key_points(
    text: str, title: str = "", most: int = 8, step: Callable[[float], None] = lambda fraction: None
) -> KeyPoints:
    """The points of a document that carry most of it and say different things.

    Sentences are taken, shortened by rules, never written anew. Importance is TextRank (Mihalcea and Tarau 2004) with
    signs of weight; newness is maximal marginal relevance (Carbonell and Goldstein 1998). ``step`` is called with the
    fraction done, and may raise to stop.
    """
    every = document_sentences(text)
    kept = every[:MOST_SENTENCES]
    if not kept:
        return KeyPoints((), ())
    step(0.1)
    alike = likeness(kept)
    step(0.3)
    score = text_rank(alike) + np.array([_weight(sentence, set(stems(title))) for sentence in kept])
    step(0.8)
    chosen = _chosen(score, alike, min(most, len(kept)))
    points = tuple(KeyPoint(_point(kept, index), kept[index], chosen.index(index)) for index in sorted(chosen))
    quotations = tuple(quote for sentence in kept for quote in re.findall(r"[“\"]([^”\"]{12,200})[”\"]", sentence))
    step(1.0)
    return KeyPoints(points, quotations, len(every) - len(kept))


def document_sentences(text: str) -> list[str]:
    """The whole sentences of a document: no headings, no page furniture, nothing of under four words."""
    found: list[str] = []
    for paragraph in re.split(r"\n\s*\n|\n(?=[A-Z#•*-])", text):
        flat = re.sub(r"\s+", " ", re.sub(r"^\s*(?:#+|[-*•]|\d+[.)])\s+", "", paragraph)).strip()
        found += [sentence for sentence in sentences(flat) if _is_whole(sentence)]
    return found


def _is_whole(sentence: str) -> bool:
    return (
        len(sentence.split()) >= 4
        and len(sentence) <= LONGEST_SENTENCE
        and sentence[-1] in '.!?”"'
        and not _PAGE_FURNITURE.search(sentence)
    )


def text_rank(alike: sparse.csr_matrix) -> _Floats:
    """The weight of every sentence, the heaviest 1: PageRank over their likeness (Mihalcea and Tarau 2004)."""
    links = alike.copy()
    links.setdiag(0)
    total = np.asarray(links.sum(1)).ravel()
    count = links.shape[0]
    shares = sparse.diags(np.divide(1.0, total, out=np.zeros(count), where=total > 0)) @ links
    rank = np.full(count, 1 / count)
    for _ in range(_ROUNDS):
        dangling = rank[total == 0].sum() / count
        rank = (1 - _DAMPING) / count + _DAMPING * (shares.T @ rank + dangling)
    heaviest: _Floats = rank / rank.max()
    return heaviest


def _weight(sentence: str, title: set[str]) -> float:
    bare = expanded(sentence).rstrip(".!?")
    shared = len(title & set(stems(sentence))) / max(1, len(title))
    return (
        0.35 * bool(number_phrases(sentence))
        + 0.25 * shared
        + 0.3 * bool(_REASON.search(sentence))
        + 0.15 * bool(_DEFINITION.search(sentence))
        + 0.5 * (form_of(bare) is Form.IMPERATIVE)
        - 0.4 * bool(_POINTS_BACK.match(sentence))
        - 0.3 * (len(sentence.split()) > 32)
        - 0.25 * bool(_REPORTED.search(sentence))
        - 0.3 * bool(_PRAISED.search(sentence))
        - 0.5 * sentence.endswith("?")
    )


def _chosen(score: _Floats, alike: sparse.csr_matrix, most: int) -> list[int]:
    chosen: list[int] = []
    nearest = np.zeros(len(score))
    for _ in range(most):
        value = _LIKE_NONE_SO_FAR * score - (1 - _LIKE_NONE_SO_FAR) * nearest
        value[chosen] = -np.inf
        best = int(value.argmax())
        chosen.append(best)
        nearest = np.maximum(nearest, alike[best].toarray().ravel())
    return chosen


def _point(kept: list[str], index: int) -> str:
    """A sentence as a point: shortened, and standing by itself."""
    forms = [form.text for form in squeezed(kept[index]) if "a second clause" not in form.rules]
    point = contracted(expanded(forms[-1])) if forms else kept[index]
    return (mended(point, kept[max(0, index - 6) : index]) if index else point).rstrip(".")
