"""Formant voices: espeak-ng speaks, about a hundred languages, at once."""

from __future__ import annotations

from functools import lru_cache

import numpy as np

from dearhost.errors import VoiceUnavailable
from dearhost.speech.engine import EnginePhone, Utterance
from dearhost.speech.engines.espeak import Library, library, phonemes_of
from dearhost.speech.given_phones import as_mnemonics
from dearhost.speech.phone_symbols import gather, split_points
from dearhost.speech.plan import Clause, Sentence

_RATE, _PITCH, _RANGE = 1, 3, 4
"""The library's numbers for what can be set."""


class FormantEngine:
    """One espeak-ng voice name. ``rate`` in words a minute; ``pitch`` and ``spread`` 0 to 99."""

    version = "formant-2"

    def __init__(self, voice: str, *, rate: int = 150, pitch: int = 50, spread: int = 50) -> None:
        self._voice, self._rate, self._pitch, self._spread = voice, rate, pitch, spread

    def _select(self, loaded: Library) -> None:
        loaded.select(self._voice)
        for parameter, value in ((_RATE, self._rate), (_PITCH, self._pitch), (_RANGE, self._spread)):
            loaded.call.espeak_SetParameter(parameter, value, 0)

    def release(self) -> None:
        """Nothing is held."""

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself."""
        return _alone(self._voice, word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """Speak the sentence as text; phones and times come from the engine's events."""
        loaded = library()
        text = " ".join(_written(clause) for clause in sentence.clauses)
        with loaded.lock:
            self._select(loaded)
            if not loaded.speak(text):
                raise VoiceUnavailable("The formant engine could not speak the sentence.")
            parts, events = list(loaded.sound), list(loaded.events)
        samples = np.concatenate(parts) if parts else np.zeros(1, np.int16)
        return Utterance(loaded.rate, (samples / 32768).astype(np.float32), _phones(events, len(samples), loaded.rate))


def _written(clause: Clause) -> str:
    """The clause as the engine reads it: words whose phones are given in its double brackets."""
    words = [f"[[{as_mnemonics(word.ipa)}]]" if word.ipa else word.text.replace("[[", "") for word in clause.words]
    return " ".join(words) + clause.mark


def _phones(events: list[tuple[str, int]], total: int, rate: int) -> tuple[EnginePhone, ...]:
    """Events are (IPA, first sample); an empty or punctuation name is a pause."""
    phones: list[EnginePhone] = []
    breaks = True
    for index, (name, start) in enumerate(events):
        end = events[index + 1][1] if index + 1 < len(events) else total
        gathered = gather(split_points(name))
        if not gathered or end <= start:
            breaks = breaks or not gathered
            continue
        width = (end - start) / rate / len(gathered)
        for number, phone in enumerate(gathered):
            begin = start / rate + number * width
            phones.append(EnginePhone(phone.symbol, begin, begin + width, phone.stress, breaks and number == 0))
        breaks = False
    return tuple(phones)


@lru_cache(maxsize=20_000)
def _alone(voice: str, word: str) -> tuple[str, ...]:
    return tuple(p.symbol for p in gather(split_points(phonemes_of(word, voice))))
