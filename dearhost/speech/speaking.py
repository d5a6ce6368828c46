"""Reads a line: plan, synthesis, and every written word's time."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager

import numpy as np

from dearhost.errors import NothingToSay, SpeechError
from dearhost.speech.delivery import delivered
from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.manner import PLAIN, Manner, with_emphasis
from dearhost.speech.plan import Sentence, WordPlan, ensure_readable, plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, TimedPhone, TimedWord, check_times
from dearhost.speech.reading_file import load_reading, read_duration, save_reading
from dearhost.speech.registry import VoiceRegistry
from dearhost.speech.sharing import share_out
from dearhost.storage import FolderCache, fingerprint

VERSION = "reading-8"
SENTENCE_PAUSE = 0.5
"""Seconds of silence between two sentences of a line, on top of what an engine leaves."""
_EDGE = 0.06
_REMEMBERED = 20_000


class Speaker:
    """Reads lines with the voices of a registry; keeps readings under their fingerprints."""

    def __init__(self, registry: VoiceRegistry, cache: FolderCache) -> None:
        self.registry = registry
        self._cache = cache
        self._seconds: dict[str, float] = {}
        self._making: dict[str, tuple[threading.Lock, int]] = {}
        self._lock = threading.Lock()

    def name_of(self, text: str, voice_id: str, manner: Manner = PLAIN) -> str:
        """The fingerprint of a reading: everything that affects it."""
        return fingerprint(VERSION, self.registry.engine(voice_id).version, voice_id, text, manner.key) + ".reading"

    def known(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Reading | None:
        """The reading if it has been made, else None."""
        path = self._cache.find(self.name_of(text, voice_id, manner))
        try:
            return load_reading(path) if path else None
        except (OSError, ValueError, KeyError):
            return None

    def known_seconds(self, text: str, voice_id: str, manner: Manner = PLAIN) -> float | None:
        """How long the reading lasts if it has been made, else None; quick enough for every keystroke."""
        name = self.name_of(text, voice_id, manner)
        seconds = self._seconds.get(name)
        if seconds is None:
            try:
                seconds = read_duration(self._cache.path_of(name))
            except (OSError, ValueError, KeyError):
                return None
            with self._lock:
                if len(self._seconds) >= _REMEMBERED:
                    self._seconds.clear()
                self._seconds[name] = seconds
        return seconds

    def read(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Reading:
        """The reading of ``text``, made now if need be.

        Raises NothingToSay when no word is spoken, UnspeakableText, UnknownVoice, VoiceUnavailable.
        """
        name = self.name_of(text, voice_id, manner)
        with self._alone(name):
            reading = self.known(text, voice_id, manner)
            if reading is None:
                made = reading = self._make(text, voice_id, manner)
                self._cache.put(name, lambda path: save_reading(path, made))
        return reading

    @contextmanager
    def _alone(self, name: str) -> Iterator[None]:
        """Whoever wants a line that is being read waits for it: no line is read twice at a time."""
        with self._lock:
            making, waiting = self._making.get(name, (threading.Lock(), 0))
            self._making[name] = making, waiting + 1
        try:
            with making:
                yield
        finally:
            with self._lock:
                making, waiting = self._making.pop(name)
                if waiting > 1:
                    self._making[name] = making, waiting - 1

    def _make(self, text: str, voice_id: str, manner: Manner) -> Reading:
        voice = self.registry.voice(voice_id)
        plan = plan_words(text, voice.language, manner.said_as)
        if not plan.sentences:
            raise NothingToSay("The line holds no spoken word. Write one, or make the line a direction.")
        ensure_readable(plan, voice.scripts, voice.name, voice.language_name)
        said = delivered(speak_plan(plan, self.registry.engine(voice_id)), manner.delivery)
        return with_emphasis(said, manner.emphasis)


def speak_plan(plan: WordPlan, engine: Engine) -> Reading:
    """Speak a plan with an engine; the words of the reading are the plan's written words, all of them."""
    sound: list[np.ndarray] = []
    phones: list[TimedPhone] = []
    total, rate = 0, 0
    for number, sentence in enumerate(plan.sentences):
        utterance = _trimmed(engine.synthesize(sentence))
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
    samples = np.concatenate(sound)
    words = _words(plan, phones)
    check_times(words, phones, len(samples) / rate)
    return Reading(rate, samples, words, tuple(phones), measure_prosody(samples, rate), len(samples) / rate)


def _owners(sentence: Sentence, phones: tuple[EnginePhone, ...], engine: Engine) -> list[int]:
    """For each phone, the index of its written word."""
    words = sentence.words
    if len(phones) < len(words):
        raise SpeechError(f"The voice made no sound for '{' '.join(w.text for w in words)[:60]}'. Reword the line.")
    alone = [engine.phones_alone(w.text) for w in words]
    cuts = share_out([p.symbol for p in phones], [p.breaks for p in phones], alone)
    owners: list[int] = []
    for word, first, last in zip(words, cuts, cuts[1:], strict=False):
        owners += [word.written] * (last - first)
    return owners


def _words(plan: WordPlan, phones: list[TimedPhone]) -> tuple[TimedWord, ...]:
    """Each written word from its first phone to its last."""
    times: dict[int, tuple[float, float]] = {}
    for phone in phones:
        start, end = times.get(phone.word, (phone.start, phone.end))
        times[phone.word] = (min(start, phone.start), max(end, phone.end))
    return tuple(TimedWord(word.text, *times[index], word.start, word.end) for index, word in enumerate(plan.written))


def _trimmed(utterance: Utterance) -> Utterance:
    """Without the silence an engine puts round a sentence, but for 60 ms; phone times moved along."""
    if not utterance.phones:
        return utterance
    rate = utterance.sample_rate
    first = max(0, round((utterance.phones[0].start - _EDGE) * rate))
    last = min(len(utterance.samples), round((utterance.phones[-1].end + _EDGE) * rate))
    samples = utterance.samples[first:last].copy()
    fade = min(len(samples) // 4, round(0.004 * rate))
    if fade:
        ramp = np.linspace(0, 1, fade, dtype=np.float32)
        samples[:fade] *= ramp
        samples[-fade:] *= ramp[::-1]
    by, end = first / rate, len(samples) / rate
    phones = tuple(
        EnginePhone(p.symbol, p.start - by, min(p.end - by, end), p.stress, p.breaks) for p in utterance.phones
    )
    return Utterance(rate, samples, phones)
