"""A voice fitted to somebody's sample: a base voice speaks, and its sound is changed to theirs."""

from __future__ import annotations

from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.matching.converting import VoiceModel, converted
from dearhost.speech.matching.spectra import RATE, spectra_of
from dearhost.speech.plan import Sentence


class MatchedEngine:
    """Speaks with ``source`` and converts the sound by ``model``; ``name`` tells one fitting from another."""

    def __init__(self, source: Engine, model: VoiceModel, name: str) -> None:
        self._source, self._model = source, model
        self.version = f"matched-1/{name}/{source.version}"

    def release(self) -> None:
        """The source's model."""
        self._source.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the source says it."""
        return self._source.phones_alone(word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """The source's utterance in the other voice; times follow the pace."""
        made = self._source.synthesize(sentence)
        samples = converted(spectra_of(made.samples, made.sample_rate), self._model)
        pace = self._model.pace
        phones = tuple(EnginePhone(p.symbol, p.start / pace, p.end / pace, p.stress, p.breaks) for p in made.phones)
        return Utterance(RATE, samples, phones)
