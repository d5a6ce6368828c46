"""Keeps the latest sentences of an engine: a changed word costs one sentence, not the whole line."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable

from dearhost.speech.engine import DirectedEngine, Direction, Engine, Utterance
from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Samples

_KEPT_SECONDS = 240.0
"""About 20 MB a voice."""


class RememberingEngine:
    """An engine that does not speak the same sentence twice while it remembers it."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self.version = engine.version
        self._kept: OrderedDict[tuple[object, ...], Utterance] = OrderedDict()
        self._seconds = 0.0
        self._lock = threading.Lock()

    def release(self) -> None:
        """The engine's model; sentences stay."""
        self._engine.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the engine says it."""
        return self._engine.phones_alone(word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """As the engine speaks it, or as it did before: what is spoken decides, not where it was written."""
        return self._said(sentence, (), lambda: self._engine.synthesize(sentence))

    def _said(self, sentence: Sentence, manner: tuple[object, ...], speak: Callable[[], Utterance]) -> Utterance:
        said = tuple(
            (tuple((word.text, word.ipa) for word in clause.words), clause.mark) for clause in sentence.clauses
        )
        key = (said, manner)
        with self._lock:
            found = self._kept.get(key)
            if found:
                self._kept.move_to_end(key)
                return found
        made = speak()
        with self._lock:
            if key not in self._kept:
                self._kept[key] = made
                self._seconds += _seconds(made.samples, made.sample_rate)
            while self._seconds > _KEPT_SECONDS and len(self._kept) > 1:
                _, oldest = self._kept.popitem(last=False)
                self._seconds -= _seconds(oldest.samples, oldest.sample_rate)
        return made


class RememberingDirectedEngine(RememberingEngine):
    """The same for an engine that is directed."""

    def __init__(self, engine: DirectedEngine) -> None:
        super().__init__(engine)
        self._directed = engine

    def direct(self, sentence: Sentence, direction: Direction) -> Utterance:
        """As the engine speaks it in this manner, or as it did before."""
        return self._said(sentence, direction.key, lambda: self._directed.direct(sentence, direction))

    def hummed(self, sentence: Sentence, direction: Direction) -> Utterance:
        """As the engine hums it."""
        return self._directed.hummed(sentence, direction)


def remembering(engine: Engine) -> RememberingEngine:
    """The engine with a memory, directed if it is."""
    return RememberingDirectedEngine(engine) if isinstance(engine, DirectedEngine) else RememberingEngine(engine)


def _seconds(samples: Samples, rate: int) -> float:
    return len(samples) / rate
