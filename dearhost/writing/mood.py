"""Whether words are glad or troubled: one sign among others."""

from __future__ import annotations

from functools import cache

from vaderSentiment.vaderSentiment import SentimentIntensityAnalyzer

PAINFUL = frozenset(
    "never miss missed late lost lose wet cold wrong afraid worry worried stuck trapped cut drown drowned danger "
    "dangerous confusing confused forget forgot wait waited waiting tired broken hard difficult cannot nobody without "
    "fail fails run hurry guess guessing sure soaked catch caught stranded".split()
)
"""Words with which people tell of trouble (a list made for this, no published source)."""


def mood_of(text: str) -> float:
    """-1 troubled to 1 glad, by VADER's compound score (Hutto and Gilbert 2014)."""
    return float(_analyser().polarity_scores(text)["compound"])


@cache
def _analyser() -> SentimentIntensityAnalyzer:
    return SentimentIntensityAnalyzer()
