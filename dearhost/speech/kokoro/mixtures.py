"""Voices as mixtures of the model's styles."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

import numpy as np

from dearhost.speech.kokoro.prepared import styles

Mixture = Mapping[str, float]
"""Weights by the style's name, none below 0; they are used as parts of their sum."""


_WHISPERING = "af_nicole"
_HUSHED = 0.5


def hushed(mixture: Mixture, strength: float) -> Mixture:
    """The mixture with part of the style that whispers: half of it at strength 1."""
    part = _HUSHED * min(1.0, max(0.0, strength))
    if not part:
        return mixture
    total = sum(mixture.values())
    made = {name: weight / total * (1 - part) for name, weight in mixture.items()}
    return made | {_WHISPERING: made.get(_WHISPERING, 0.0) + part}


def style_row(mixture: Mixture, tokens: int) -> np.ndarray:
    """The 256 numbers a voice of this mixture has for a sentence of so many tokens."""
    table = _table(tuple(sorted(mixture.items())))
    row: np.ndarray = table[min(max(tokens - 1, 0), len(table) - 1)]
    return row


@lru_cache(maxsize=64)
def _table(weights: tuple[tuple[str, float], ...]) -> np.ndarray:
    total = sum(weight for _, weight in weights)
    known = styles([name for name, _ in weights])
    mixed = sum(np.float32(weight / total) * known[name] for name, weight in weights)
    return np.asarray(mixed, np.float32)
