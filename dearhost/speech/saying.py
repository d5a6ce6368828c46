"""Speaks a plan with an engine: the sound, and every written word's time."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import partial

import numpy as np

from dearhost.errors import SpeechError
from dearhost.script import Word
from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.plan import Sentence, WordPlan
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples, TimedPhone, TimedWord, check_times
from dearhost.speech.spoken_words import spoken_words
from dearhost.speech.trimming import trimmed

SENTENCE_PAUSE = 0.5
"""Seconds of silence between two sentences of a line, on top of what an engine leaves."""


Speak = Callable[[Sentence, int], Utterance]
"""A sentence and its number, to sound."""


Part = Callable[[], Reading]
"""What there is of a line, measured for who wants it."""
Said = Callable[[Part], None]
"""Told after each sentence of a line but the last."""


def speak_plan(plan: WordPlan, engine: Engine, speak: Speak | None = None, said: Said | None = None) -> Reading:
    """Speak a plan with an engine; the words of the reading are the plan's written words, all of them.

    ``speak`` says how a sentence is spoken, where it is not as the engine would by itself.
    """
    sound: list[np.ndarray] = []
    phones: list[TimedPhone] = []
    total, rate = 0, 0
    for number, sentence in enumerate(plan.sentences):
        utterance = trimmed(speak(sentence, number) if speak else engine.synthesize(sentence))
        rate = utterance.sample_rate
        if number:
            pause = np.zeros(round(SENTENCE_PAUSE * rate), np.float32)
            sound.append(pause)
            total += len(pause)
        offset = total / rate
        for phone, written in zip(utterance.phones, _owners(sentence, utterance.phones, engine), strict=True):
            phones.append(TimedPhone(phone.symbol, phone.start + offset, phone.end + offset, written, phone.stress))
        sound.append(utterance.samples)
        total += len(utterance.samples)
        if said and number + 1 < len(plan.sentences):
            begun = plan.written[: plan.sentences[number + 1].words[0].written]
            said(partial(_reading, begun, tuple(sound), tuple(phones), rate))
    return _reading(plan.written, sound, phones, rate)


def _reading(written: Sequence[Word], sound: Sequence[Samples], phones: Sequence[TimedPhone], rate: int) -> Reading:
    """The reading of the ``written`` words."""
    samples = np.concatenate(sound)
    words = _words(written, phones)
    check_times(words, phones, len(samples) / rate)
    return Reading(rate, samples, words, tuple(phones), measure_prosody(samples, rate), len(samples) / rate)


def _owners(sentence: Sentence, phones: tuple[EnginePhone, ...], engine: Engine) -> list[int]:
    """For each phone, the index of its written word."""
    words = sentence.words
    if len(phones) < len(words):
        raise SpeechError(f"The voice made no sound for '{' '.join(w.text for w in words)[:60]}'. Reword the line.")
    said = spoken_words(words, [p.symbol for p in phones], [p.breaks for p in phones], engine.phones_alone)
    return [words[index].written for index in said]


def _words(written: Sequence[Word], phones: Sequence[TimedPhone]) -> tuple[TimedWord, ...]:
    """Each written word from its first phone to its last."""
    times: dict[int, tuple[float, float]] = {}
    for phone in phones:
        start, end = times.get(phone.word, (phone.start, phone.end))
        times[phone.word] = (min(start, phone.start), max(end, phone.end))
    return tuple(TimedWord(word.text, *times[index], word.start, word.end) for index, word in enumerate(written))
