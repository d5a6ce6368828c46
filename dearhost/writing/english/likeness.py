"""How alike sentences are, by the words they share."""

from __future__ import annotations

from collections.abc import Sequence

from scipy import sparse

from dearhost.writing.english.stems import stems


def likeness(sentences: Sequence[str]) -> sparse.csr_matrix:
    """The cosine of every two sentences over their stems, rare ones weighing more (TF-IDF), shape (n, n)."""
    from sklearn.feature_extraction.text import TfidfVectorizer  # noqa: PLC0415 - takes more than a second to load

    bags = [" ".join(stems(sentence)) or "x" for sentence in sentences]
    matrix = TfidfVectorizer(token_pattern=r"\S+").fit_transform(bags)
    return sparse.csr_matrix(matrix @ matrix.T)
