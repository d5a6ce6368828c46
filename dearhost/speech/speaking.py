"""Reads lines, by a voice or from a recording, and keeps the readings."""

from __future__ import annotations

import threading
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import replace
from weakref import WeakValueDictionary

from dearhost.assets import RecordingStore
from dearhost.assets.shelf import Shelf
from dearhost.errors import DearHostError, NothingToSay
from dearhost.one_at_a_time import OneAtATime
from dearhost.sound.files import RATE as RECORDED_RATE
from dearhost.speech.aligning import VERSION as ALIGNING_VERSION
from dearhost.speech.aligning import Aligner, Alignment
from dearhost.speech.clips import CLIPS_VERSION, ClipStore
from dearhost.speech.coming import Coming
from dearhost.speech.delivery import AS_EVER, Delivery, delivered
from dearhost.speech.directing import left_to_do, speak_directed
from dearhost.speech.engine import DirectedEngine
from dearhost.speech.lasting import at_pace, ended_at, pace_for
from dearhost.speech.manner import PLAIN, Manner, with_emphasis
from dearhost.speech.plan import WordPlan, ensure_readable, plan_words
from dearhost.speech.reading import Reading
from dearhost.speech.reading_file import load_reading, read_duration, save_reading
from dearhost.speech.recordings import (
    load_alignment,
    recorded_reading,
    save_alignment,
)
from dearhost.speech.registry import VoiceRegistry
from dearhost.speech.saying import Said, speak_plan
from dearhost.storage import FolderCache, fingerprint

VERSION = "reading-11"
_REMEMBERED = 20_000
_MOST_FORESEEN = 500
"""About 15 MB: every save asks again for all lines of a scene that are not read yet."""


class Speaker:
    """Reads lines with the voices of a registry; keeps readings under their fingerprints."""

    def __init__(self, registry: VoiceRegistry, cache: FolderCache, recordings: RecordingStore, shelf: Shelf) -> None:
        self.registry = registry
        self.recordings = recordings
        self.aligner = Aligner(registry.references)
        self.clips = ClipStore(shelf, self.aligner)
        self._cache = cache
        self._seconds: dict[str, float] = {}
        self._foreseen: dict[str, Reading] = {}
        self._in_use = WeakValueDictionary[str, Reading]()  # revisions of a scene share their lines
        self._reading = OneAtATime()
        self._coming: dict[str, Coming] = {}
        self._lock = threading.Lock()

    def name_of(self, text: str, voice_id: str, manner: Manner = PLAIN) -> str:
        """The fingerprint of a reading: everything that affects it."""
        if manner.clip:
            language, heard = self.registry.voice(voice_id).language, self.clips.stamp(manner.clip.item)
            return fingerprint(CLIPS_VERSION, heard, manner.clip, language, text) + ".reading"
        return fingerprint(VERSION, self.registry.engine(voice_id).version, voice_id, text, manner.key) + ".reading"

    def known(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Reading | None:
        """The reading if it has been made, else None."""
        name = self.name_of(text, voice_id, manner)
        path = self._cache.find(name)
        if path is None:
            return None
        try:
            known = self._in_use.get(name) or load_reading(path)
        except (OSError, ValueError, KeyError):
            return None
        self._in_use[name] = known
        return known

    def is_read(self, text: str, voice_id: str, manner: Manner = PLAIN) -> bool:
        """Whether the reading has been made."""
        return self._cache.find(self.name_of(text, voice_id, manner)) is not None

    def known_seconds(self, text: str, voice_id: str, manner: Manner = PLAIN) -> float | None:
        """How long the reading lasts if it has been made or foreseen, else None; quick enough for every keystroke."""
        name = self.name_of(text, voice_id, manner)
        seconds = self._seconds.get(name)
        if seconds is None:
            try:
                seconds = read_duration(self._cache.path_of(name))
            except (OSError, ValueError, KeyError):
                return None
            self._remember(name, seconds)
        return seconds

    def _remember(self, name: str, seconds: float) -> None:
        with self._lock:
            if len(self._seconds) >= _REMEMBERED:
                self._seconds.clear()
            self._seconds[name] = seconds

    def read(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Reading:
        """The reading of ``text``, made now if need be.

        Raises NothingToSay when no word is spoken, UnspeakableText, UnknownVoice, VoiceUnavailable.
        """
        name = self.name_of(text, voice_id, manner)
        with self._reading.alone(name):  # no line is read twice at a time
            try:
                reading = self.known(text, voice_id, manner)
                if reading is None:
                    made = reading = self._make(text, voice_id, manner, self._coming_of(name).add)
                    self._cache.put(name, lambda path: save_reading(path, made))
            finally:
                self._is_over(name)
        return reading

    def as_read(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Iterator[Reading]:
        """What ``read`` gives, as far as it is read: its first sentences, longer each time, the whole last.

        What a voice says at once, and what is changed in the sound of a whole line, comes whole. Raises as ``read``
        does.
        """
        name = self.name_of(text, voice_id, manner)
        if not self.is_read(text, voice_id, manner):
            coming = self._coming_of(name)
            threading.Thread(target=self._try_to_read, args=(text, voice_id, manner), daemon=True).start()
            yield from coming
        yield self.read(text, voice_id, manner)

    def _try_to_read(self, text: str, voice_id: str, manner: Manner) -> None:
        with suppress(DearHostError):  # whoever waits for it is told
            self.read(text, voice_id, manner)

    def _coming_of(self, name: str) -> Coming:
        with self._lock:
            return self._coming.setdefault(name, Coming())

    def _is_over(self, name: str) -> None:
        with self._lock:
            coming = self._coming.pop(name, None)
        if coming:
            coming.end()

    def foreseen(self, text: str, voice_id: str, manner: Manner = PLAIN) -> Reading:
        """What ``read`` gives, as soon as its times and pitch can be told: it may be without its sound.

        Lengths and times are those of the sound to come, but for where sound sets in after a pause (within 60 ms).
        Raises as ``read`` does.
        """
        engine = self.registry.engine(voice_id)
        known = self.known(text, voice_id, manner)
        if known or manner.is_recorded or not isinstance(engine, DirectedEngine):
            return known or self.read(text, voice_id, manner)
        name = self.name_of(text, voice_id, manner)
        if name in self._foreseen:
            return self._foreseen[name]
        plan = self._planned(text, voice_id, manner)
        hummed = _in_length(manner, lambda own: _hummed(plan, engine, own)).silent()
        self._remember(name, hummed.duration)
        with self._lock:
            if len(self._foreseen) >= _MOST_FORESEEN:
                self._foreseen.clear()
            self._foreseen[name] = hummed
        return hummed

    def _make(self, text: str, voice_id: str, manner: Manner, tell: Said) -> Reading:
        if manner.clip:
            return self.clips.read(text, self.registry.voice(voice_id).language, manner.clip)
        plan = self._planned(text, voice_id, manner)
        if manner.recording:
            placed = self.alignment(text, voice_id, manner.recording)
            samples = self.recordings.samples(manner.recording)
            said = recorded_reading(samples, text, self.registry.voice(voice_id).language, placed, manner.borders)
        else:
            engine = self.registry.engine(voice_id)
            if isinstance(engine, DirectedEngine):
                fitted = _fitted(manner, lambda own: _hummed(plan, engine, own))
                left = left_to_do(fitted.delivery)
                by_parts = left == replace(AS_EVER, level=left.level)
                made = speak_directed(
                    plan,
                    engine,
                    fitted,
                    said=(lambda part: tell(lambda: delivered(part(), left))) if by_parts else None,
                )
                return ended_at(delivered(made, left), manner.delivery.lasts)
            said = speak_plan(plan, engine)
        return _in_length(manner, lambda own: with_emphasis(delivered(said, own.delivery), own.emphasis))

    def _planned(self, text: str, voice_id: str, manner: Manner) -> WordPlan:
        """The words to be spoken. Raises NothingToSay, and UnspeakableText for letters the voice does not read."""
        voice = self.registry.voice(voice_id)
        plan = plan_words(text, voice.language, manner.said_as, manner.ipa)
        if not plan.sentences:
            raise NothingToSay("The line holds no spoken word. Write one, or make the line a direction.")
        if not manner.recording:
            ensure_readable(plan, voice.scripts, voice.name, voice.language_name)
        return plan

    def alignment(self, text: str, voice_id: str, recording: str) -> Alignment:
        """Where the words of ``text`` are in a recording, in the language of the voice; found once, then kept.

        Raises SpeechError, NothingToSay, UnknownVoice.
        """
        language = self.registry.voice(voice_id).language
        name = fingerprint(ALIGNING_VERSION, recording, text, language) + ".alignment"
        path = self._cache.find(name)
        try:
            if path:
                return load_alignment(path)
        except (OSError, ValueError, KeyError, TypeError):
            pass
        made = self.aligner.align(self.recordings.samples(recording), RECORDED_RATE, text, language)
        self._cache.put(name, lambda part: save_alignment(part, made))
        return made


def _hummed(plan: WordPlan, engine: DirectedEngine, manner: Manner) -> Reading:
    """A line hummed: its times and melody."""
    left = replace(left_to_do(manner.delivery), level=0.0, effect=AS_EVER.effect)
    return delivered(speak_directed(plan, engine, manner, hummed=True), left)


def _fitted(manner: Manner, say: Callable[[Manner], Reading]) -> Manner:
    """The manner at the pace at which the line lasts as long as it is to."""
    lasts = manner.delivery.lasts
    return at_pace(manner, pace_for(lasts, lambda pace: say(at_pace(manner, pace)).duration)) if lasts else manner


def _in_length(manner: Manner, say: Callable[[Manner], Reading]) -> Reading:
    """The line as it is said, for as long as it is to last."""
    said: dict[Delivery, Reading] = {}  # the pace that is found was mostly tried

    def once(own: Manner) -> Reading:
        if own.delivery not in said:
            said[own.delivery] = say(own)
        return said[own.delivery]

    return ended_at(once(_fitted(manner, once)), manner.delivery.lasts)
