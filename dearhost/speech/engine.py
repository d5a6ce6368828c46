"""What the rest of the product knows of a speech engine."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Protocol, runtime_checkable

from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Samples


@dataclass(frozen=True, slots=True)
class EnginePhone:
    """A phone as an engine made it: seconds from the sentence's start; ``breaks`` = a word begins here."""

    symbol: str
    start: float
    end: float
    stress: int
    breaks: bool


@dataclass(frozen=True, slots=True)
class Utterance:
    """A sentence as sound, mono at ``sample_rate`` Hz, and its phones in order."""

    sample_rate: int
    samples: Samples
    phones: tuple[EnginePhone, ...]
    trimmed: bool = False
    """Whether the engine left no more silence round it than there is to be."""


@dataclass(frozen=True, slots=True)
class Direction:
    """How a sentence is said. ``pace`` above 1 is faster; ``raised`` and ``spread`` multiply pitch, and log pitch
    about its mean; ``tilt`` in dB an octave from 1 kHz; ``hushed`` from 0 to 1; ``ending`` in semitones reached at
    the end; ``emphasis`` gives strengths to spoken words by their index; ``seconds`` above 0 is how long the words
    last, whatever ``pace`` says."""

    pace: float = 1.0
    raised: float = 1.0
    spread: float = 1.0
    tilt: float = 0.0
    hushed: float = 0.0
    ending: float = 0.0
    emphasis: Mapping[int, float] = field(default_factory=dict)
    seconds: float = 0.0

    @property
    def key(self) -> tuple[object, ...]:
        """Tells one direction from another."""
        return (self.pace, self.raised, self.spread, self.tilt, self.hushed, self.ending,
                tuple(sorted(self.emphasis.items())), self.seconds)  # fmt: skip


AS_PREDICTED = Direction()


class Engine(Protocol):
    """Speaks planned sentences. One object a voice; calls are safe from several threads."""

    version: str
    """Part of every fingerprint: changes when the same input would sound or be timed differently."""

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself, in IPA without stress marks."""

    def synthesize(self, sentence: Sentence) -> Utterance:
        """Speak a sentence. Raises SpeechError when the engine cannot."""

    def release(self) -> None:
        """Let go of what takes much memory; it is loaded again when it is needed."""


@runtime_checkable
class DirectedEngine(Engine, Protocol):
    """An engine whose model speaks as it is told, so that the sound need not be changed afterwards."""

    def direct(self, sentence: Sentence, direction: Direction) -> Utterance:
        """Speak a sentence in some manner. Raises SpeechError when the engine cannot."""

    def hummed(self, sentence: Sentence, direction: Direction) -> Utterance:
        """The same without words, at once: times and melody are those of the sentence."""
