"""A voice made from another by reshaping what it says."""

from __future__ import annotations

from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.plan import Sentence
from dearhost.speech.reshaping import Shape, reshape


class DerivedEngine:
    """Speaks with ``source`` and changes the sound."""

    def __init__(self, source: Engine, shape: Shape) -> None:
        self._source, self._shape = source, shape
        self.version = f"derived-4/{source.version}"

    def release(self) -> None:
        """The source's model."""
        self._source.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the source says it."""
        return self._source.phones_alone(word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """The source's utterance, re-made; times follow the pace."""
        made = self._source.synthesize(sentence)
        samples = reshape(made.samples, made.sample_rate, self._shape)
        pace = self._shape.pace
        phones = tuple(EnginePhone(p.symbol, p.start / pace, p.end / pace, p.stress, p.breaks) for p in made.phones)
        return Utterance(made.sample_rate, samples, phones)
