"""How alike sentences are, by the words they share."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence

import numpy as np
from scipy import sparse

from dearhost.writing.english.stems import stems


def likeness(sentences: Sequence[str]) -> sparse.csr_matrix:
    """The cosine of every two sentences over their stems, shape (n, n); sentences that share no stem have 0.

    Stems weigh by TF-IDF with smoothed document frequencies, ``count * (1 + ln((1 + n) / (1 + sentences with it)))``
    (Manning, Raghavan and Schütze, "Introduction to Information Retrieval", 2008, chapter 6), as scikit-learn's
    ``TfidfVectorizer`` has it, which takes seconds to load.
    """
    bags = [Counter(stems(sentence)) for sentence in sentences]
    within = Counter(stem for bag in bags for stem in bag)
    column = {stem: index for index, stem in enumerate(within)}
    rarity = {stem: 1 + np.log((1 + len(bags)) / (1 + count)) for stem, count in within.items()}
    rows: list[int] = []
    columns: list[int] = []
    weights: list[float] = []
    for row, bag in enumerate(bags):
        weighed = {stem: count * rarity[stem] for stem, count in bag.items()}
        length = np.sqrt(sum(weight**2 for weight in weighed.values()))
        rows += [row] * len(weighed)
        columns += [column[stem] for stem in weighed]
        weights += [weight / length for weight in weighed.values()]
    matrix = sparse.csr_matrix((weights, (rows, columns)), shape=(len(bags), len(within)))
    return sparse.csr_matrix(matrix @ matrix.T)
