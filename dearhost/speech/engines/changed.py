"""A voice made from another by changing the sound of what it says."""

from __future__ import annotations

from collections.abc import Callable

from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Samples

Change = Callable[[Utterance], tuple[Samples, int]]
"""From an utterance to other samples and their rate; ``1 / pace`` times as long."""


class ChangedEngine:
    """Speaks with ``source`` and changes the sound; ``version`` tells one change from another."""

    def __init__(self, source: Engine, change: Change, pace: float, version: str) -> None:
        self._source, self._change, self._pace = source, change, pace
        self.version = f"{version}/{source.version}"

    def release(self) -> None:
        """The source's model."""
        self._source.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the source says it."""
        return self._source.phones_alone(word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """The source's utterance, its sound changed; times follow the pace."""
        made = self._source.synthesize(sentence)
        samples, rate = self._change(made)
        pace = self._pace
        phones = tuple(EnginePhone(p.symbol, p.start / pace, p.end / pace, p.stress, p.breaks) for p in made.phones)
        return Utterance(rate, samples, phones)
