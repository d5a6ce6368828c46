"""Voices of the Kokoro model: a mixture of its styles, an accent, and what is directed inside the model."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from dearhost.speech.engine import AS_PREDICTED, Direction, EnginePhone, Utterance
from dearhost.speech.engines.espeak import phonemes_of
from dearhost.speech.given_phones import with_given_phones
from dearhost.speech.kokoro import prepared
from dearhost.speech.kokoro.direction import VOICED, directed_curves, directed_lengths, tilted
from dearhost.speech.kokoro.labels import heard_spans
from dearhost.speech.kokoro.mixtures import Mixture, hushed, style_row
from dearhost.speech.kokoro.model import FRAME, RATE, Model, Predicted
from dearhost.speech.kokoro.tokens import Tokens, tokens_of
from dearhost.speech.phone_symbols import gather, split_points
from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Samples
from dearhost.speech.spoken_words import spoken_words
from dearhost.speech.trimming import EDGE, cut_out
from dearhost.storage import fingerprint

_VERSION = "kokoro-1"
_LOUDEST, _HUM = 0.98, 0.2
_USUALLY = 0.7
"""Of the most by which first sounds come before their labels."""
LATEST_LABEL = 0.165
"""Seconds that the first sound of a sentence is heard before its label at most, of all voices that were measured."""


@dataclass(frozen=True, slots=True)
class _Planned:
    """A sentence as it will be said, all but its sound; ``owners`` gives each token's phone, -1 for silence."""

    tokens: Tokens
    owners: np.ndarray
    style: np.ndarray
    direction: Direction
    onset: float
    predicted: Predicted
    frames: np.ndarray
    pitch: np.ndarray
    loudness: np.ndarray


class KokoroEngine:
    """A voice. ``accent`` as espeak-ng calls it (en-us, en, es, fr, it); ``pace`` above 1 is faster than the
    model's own, ``always`` how it is directed in all it says; ``onset``: seconds that its first sounds are heard before
    their labels at most. All voices share one ``model``."""

    def __init__(
        self,
        model: Model,
        mixture: Mixture,
        accent: str,
        pace: float = 1.0,
        always: Direction = AS_PREDICTED,
        onset: float = LATEST_LABEL,
    ) -> None:
        self._model, self._mixture, self._accent, self._pace, self._always = model, mixture, accent, pace, always
        self._onset = onset
        own = fingerprint(sorted(mixture.items()), accent, pace, always.key, onset)[:8]
        self.version = f"{_VERSION}/{prepared.version()}/{own}"

    def release(self) -> None:
        """The model, about 320 MB, which all voices share."""
        self._model.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """The phones of one word said by itself."""
        return _alone(self._accent, word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """Speak the sentence as the model would."""
        return self.direct(sentence, AS_PREDICTED)

    def direct(self, sentence: Sentence, direction: Direction) -> Utterance:
        """Speak the sentence as directed; lengths, pitch and loudness are set inside the model."""
        plan = self._planned(sentence, direction)
        samples = self._model.sound(plan.predicted, plan.frames, plan.pitch, plan.loudness, plan.style)
        samples = tilted(samples, plan.direction.tilt)
        peak = float(np.abs(samples).max(initial=0.0))
        if peak > _LOUDEST:
            samples *= np.float32(_LOUDEST / peak)
        return _timed(plan, samples)

    def hummed(self, sentence: Sentence, direction: Direction) -> Utterance:
        """The sentence with its lengths and pitch, hummed: known in a tenth of the time that its sound takes."""
        plan = self._planned(sentence, direction)
        pitch = np.repeat(np.where(plan.pitch > VOICED, plan.pitch, 0.0), round(FRAME * RATE / 2))
        hum = _HUM * np.sin(2 * np.pi * np.cumsum(pitch) / RATE) * (pitch > 0)
        return _timed(plan, hum.astype(np.float32), is_heard=False)

    def _planned(self, sentence: Sentence, direction: Direction) -> _Planned:
        direction = _together(self._always, direction)
        tokens = self._tokens(sentence)
        mixture = hushed(self._mixture, direction.hushed)
        style = style_row(mixture, len(tokens.numbers))
        predicted = self._model.lengths(tokens.numbers, style, self._pace)
        owners = np.array([-1, *tokens.owners, -1])
        spoken = self._spoken(sentence, tokens, owners) if direction.emphasis else owners
        frames = directed_lengths(predicted.frames, spoken, direction)
        curves = self._model.prosody(predicted, frames, style)
        pitch, loudness = directed_curves(*curves, frames, spoken, direction)
        return _Planned(tokens, owners, style, direction, self._onset, predicted, frames, pitch, loudness)

    def _spoken(self, sentence: Sentence, tokens: Tokens, owners: np.ndarray) -> np.ndarray:
        """For each token, the index of its spoken word; -1 for silence."""
        symbols, breaks = [p.symbol for p in tokens.phones], [p.breaks for p in tokens.phones]
        words = np.array([*spoken_words(sentence.words, symbols, breaks, self.phones_alone), -1])
        spoken: np.ndarray = words[owners]
        return spoken

    def _tokens(self, sentence: Sentence) -> Tokens:
        points: list[str] = []
        for number, clause in enumerate(sentence.clauses):
            said = split_points(phonemes_of(" ".join(word.text for word in clause.words), self._accent))
            said = with_given_phones(clause.words, said, self.phones_alone)
            points += [*said, clause.mark] + ([" "] if number + 1 < len(sentence.clauses) else [])
        return tokens_of(points, self._accent)


def _timed(plan: _Planned, samples: Samples, *, is_heard: bool = True) -> Utterance:
    """The phones where they are heard in the sound; the first where it usually is, if it cannot be heard."""
    ends = np.cumsum(plan.frames) * FRAME
    spans = []
    for index in range(len(plan.tokens.phones)):
        mine = np.flatnonzero(plan.owners == index)
        spans.append((float(ends[mine[0]] - plan.frames[mine[0]] * FRAME), float(ends[mine[-1]])))
    heard = heard_spans(spans, plan.tokens.phones, samples, RATE)
    # cut where the labels say, not where sound begins: so lengths are known before there is any
    first, last = spans[0][0] - plan.onset - EDGE, heard[-1][1] + EDGE
    if not is_heard:
        heard[0] = spans[0][0] - _USUALLY * plan.onset, heard[0][1]
    timed = tuple(
        EnginePhone(phone.symbol, start, end, phone.stress, phone.breaks)
        for phone, (start, end) in zip(plan.tokens.phones, heard, strict=True)
    )
    return cut_out(Utterance(RATE, samples, timed), first, last)


def _together(always: Direction, now: Direction) -> Direction:
    return replace(
        now,
        pace=always.pace * now.pace,
        raised=always.raised * now.raised,
        spread=always.spread * now.spread,
        tilt=always.tilt + now.tilt,
    )


@lru_cache(maxsize=20_000)
def _alone(accent: str, word: str) -> tuple[str, ...]:
    return tuple(p.symbol for p in gather(split_points(phonemes_of(word, accent))))
