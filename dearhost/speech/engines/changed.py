"""A voice made from another by changing the sound of what it says."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from dearhost.speech.engine import DirectedEngine, Direction, Engine, Utterance
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
        return self._changed(self._source.synthesize(sentence))

    def _changed(self, made: Utterance) -> Utterance:
        samples, rate = self._change(made)
        return self._at_pace(made, samples, rate)

    def _at_pace(self, made: Utterance, samples: Samples, rate: int) -> Utterance:
        """Other sound with the times of what was made, at this voice's pace."""
        pace = self._pace
        phones = tuple(replace(p, start=p.start / pace, end=p.end / pace) for p in made.phones)
        return Utterance(rate, samples, phones, made.trimmed)


class ChangedDirectedEngine(ChangedEngine):
    """The same for a source that is directed: it is told how, and what it says then is changed."""

    def __init__(self, source: DirectedEngine, change: Change, pace: float, version: str) -> None:
        super().__init__(source, change, pace, version)
        self._directed = source

    def direct(self, sentence: Sentence, direction: Direction) -> Utterance:
        """The source's utterance in this manner, its sound changed."""
        if direction.seconds:
            direction = replace(direction, seconds=direction.seconds * self._pace)
        return self._changed(self._directed.direct(sentence, direction))

    def hummed(self, sentence: Sentence, direction: Direction) -> Utterance:
        """The source's melody, at this voice's pace."""
        made = self._directed.hummed(sentence, direction)
        return self._at_pace(made, made.samples, round(made.sample_rate * self._pace))


def changed(source: Engine, change: Change, pace: float, version: str) -> ChangedEngine:
    """The source with its sound changed, directed if it is."""
    if isinstance(source, DirectedEngine):
        return ChangedDirectedEngine(source, change, pace, version)
    return ChangedEngine(source, change, pace, version)
