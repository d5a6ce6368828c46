"""A voice that needs no model: a tone a letter, with exact times. For trying things out and for tests."""

from __future__ import annotations

import numpy as np

from dearhost.speech.engine import EnginePhone, Utterance
from dearhost.speech.plan import Sentence

_RATE = 22050
_LETTER_SECONDS = 0.075
_PAUSE_SECONDS = {",": 0.12, ";": 0.18, ":": 0.18}
_IPA = dict(
    zip(
        "abcdefghijklmnopqrstuvwxyz",
        [
            "ɑ",
            "b",
            "k",
            "d",
            "ɛ",
            "f",
            "ɡ",
            "h",
            "ɪ",
            "dʒ",
            "k",
            "l",
            "m",
            "n",
            "oʊ",
            "p",
            "k",
            "ɹ",
            "s",
            "t",
            "ʌ",
            "v",
            "w",
            "z",
            "j",
            "z",
        ],
        strict=True,
    )
)


class FakeEngine:
    """Each letter is a phone of 75 ms; vowels are louder than consonants."""

    version = "fake-1"

    def release(self) -> None:
        """Nothing is held."""

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """One phone a letter; anything else is a schwa."""
        return tuple(_IPA.get(c, "ə") for c in word.lower() if c.isalnum()) or ("ə",)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """A sentence of tones."""
        sound: list[np.ndarray] = []
        phones: list[EnginePhone] = []
        now = 0.0
        for clause in sentence.clauses:
            for word in clause.words:
                for number, symbol in enumerate(self.phones_alone(word.text)):
                    vowel = symbol[0] in "ɑɛɪoʌə"
                    time = np.arange(round(_LETTER_SECONDS * _RATE)) / _RATE
                    shape = np.sin(np.pi * time / _LETTER_SECONDS)
                    sound.append((0.3 if vowel else 0.06) * shape * np.sin(2 * np.pi * 140 * time))
                    stress = 1 if vowel and number <= 1 else 0
                    phones.append(EnginePhone(symbol, now, now + len(time) / _RATE, stress, number == 0))
                    now += len(time) / _RATE
            pause = round(_PAUSE_SECONDS.get(clause.mark, 0.0) * _RATE)
            sound.append(np.zeros(pause))
            now += pause / _RATE
        return Utterance(_RATE, np.concatenate(sound).astype(np.float32), tuple(phones))
