"""What the rest of the product knows of a speech engine."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

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
