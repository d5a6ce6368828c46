"""Key points of a document: what a person would mark, each with its sentence. The article is made up."""

from __future__ import annotations

import networkx
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy import sparse
from sklearn.feature_extraction.text import TfidfVectorizer

from dearhost.writing.english.likeness import likeness
from dearhost.writing.key_points import document_sentences, key_points, text_rank

ARTICLE = """
# The rope walk

We use cookies. Subscribe to our newsletter.

The rope walk is the long shed behind the museum, and it is 180 metres long. Ropes were made in it for two hundred
years. A rope is as long as the walk, because the spinner walks backwards from the wheel to the far end. It is a lovely
place on a summer evening. The spinner carries the hemp around the waist. He never turns round, so he knows the floor by
heart.

Never touch the wheel while it turns. In 1911 a boy lost two fingers in it. Visitors may turn the small wheel beside the
door. "My grandfather walked eighteen miles a day in here, backwards," says Ina Pell, who keeps the shed. The floor is
tarred, so wear old shoes.

The walk is open from ten to four on weekdays. It was nice to see so many people last year. Entry is free for children.
"""
MARKED = [
    "180 metres long",
    "spinner walks backwards",
    "Never touch the wheel",
    "lost two fingers",
    "wear old shoes",
    "open from ten to four",
    "free for children",
]
"""What three in four readers would mark (a judgement of our own)."""


def test_most_of_what_a_reader_would_mark_is_found() -> None:
    found = key_points(ARTICLE, "The rope walk", 8)
    texts = " ".join(point.text for point in found.points)
    assert sum(mark in texts for mark in MARKED) >= 5, texts
    assert "cookies" not in texts
    assert "lovely" not in texts
    assert found.quotations == ("My grandfather walked eighteen miles a day in here, backwards,",)


def test_every_point_shows_its_sentence_and_they_keep_their_order() -> None:
    sentences = document_sentences(ARTICLE)
    found = key_points(ARTICLE, most=6)
    places = [sentences.index(point.source) for point in found.points]
    assert places == sorted(places)
    assert len(set(places)) == 6
    assert all(len(point.text) <= len(point.source) + 4 for point in found.points)


def test_a_document_of_pictures_or_headings_has_no_points() -> None:
    assert key_points("").points == ()
    assert key_points("# Heading\n\n* one\n* two").points == ()


def test_a_long_document_says_what_was_not_read() -> None:
    found = key_points("The tide turns at noon today. " * 4_200, most=3)
    assert found.unread == 200


@pytest.mark.parametrize("seed", range(4))
def test_sentences_are_ranked_as_networkx_ranks_them(seed: int) -> None:
    """PageRank (Page and others 1999) by networkx, on the same weights."""
    chance = np.random.default_rng(seed)
    weights = chance.random((9, 9)) * (chance.random((9, 9)) < 0.4)
    weights = weights + weights.T
    np.fill_diagonal(weights, 0)
    weights[8, :] = weights[:, 8] = 0  # a sentence like no other
    ours = text_rank(sparse.csr_matrix(weights))
    ranks = networkx.pagerank(networkx.from_numpy_array(weights), alpha=0.85, tol=1e-12)
    theirs = np.array([ranks[index] for index in range(9)])
    assert ours == pytest.approx(theirs / theirs.max(), abs=1e-6)


def test_like_sentences_are_alike() -> None:
    alike = likeness(["The bell rings at noon.", "At noon the bells ring.", "A boat sails home."]).toarray()
    assert alike[0, 1] == pytest.approx(1.0)
    assert alike[0, 2] == 0.0
    assert np.allclose(alike, alike.T)


@settings(max_examples=80, deadline=None)
@given(st.lists(st.lists(st.sampled_from("bell noon boat sail home rope tar walk".split()), min_size=1), min_size=1))
def test_likeness_is_that_of_scikit_learn(words: list[list[str]]) -> None:
    published = TfidfVectorizer().fit_transform([" ".join(bag) for bag in words])
    assert np.allclose(likeness([" ".join(bag) for bag in words]).toarray(), (published @ published.T).toarray())


def test_sentences_of_no_word_that_says_something_are_like_nothing() -> None:
    assert not likeness(["It is.", "And so.", "The bell."]).toarray()[:2].any()
    assert likeness([]).shape == (0, 0)


@settings(max_examples=60, deadline=None)
@given(st.text(max_size=600))
def test_any_text_gives_points_of_its_own(text: str) -> None:
    found = key_points(text)
    assert all(point.source in document_sentences(text) for point in found.points)
