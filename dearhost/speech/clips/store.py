"""What is said in the clips of a shelf: heard once, kept beside each clip, and cut into lines."""

from __future__ import annotations

import threading
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
from pydantic import ValidationError

from dearhost.assets.shelf import Shelf
from dearhost.errors import NothingToSay, SpeechError
from dearhost.script.document import Word
from dearhost.sound.files import RATE
from dearhost.speech.aligning import Aligner
from dearhost.speech.clips.cutting import cut_line
from dearhost.speech.clips.hearing import ENGLISH, hear_words
from dearhost.speech.clips.matching import Said, match_words
from dearhost.speech.clips.speech_file import ClipSpeech, write_speech
from dearhost.speech.clips.tidying import Tidy, tidying_of
from dearhost.speech.clips.transcript import TRANSCRIPT, Transcript
from dearhost.speech.manner import ClipTaken
from dearhost.speech.plan import plan_words
from dearhost.speech.prosody import measure_prosody
from dearhost.speech.reading import Reading, Samples, TimedWord, check_times
from dearhost.storage import write_text

_WORDS, _SPEECH = "words.json", "speech.flac"
_MOST_KNOWN, _MOST_TIDIED = 20, 400
"""Clips, and lines: at every check all of a script are asked for."""
Progress = Callable[[float], None]


@dataclass(frozen=True, slots=True)
class _Found:
    """The written words of a line, and what each is in a clip."""

    written: Sequence[Word]
    said: list[Said | None]


class ClipStore:
    """The words and the speech of clips."""

    def __init__(self, shelf: Shelf, aligner: Aligner) -> None:
        self._shelf, self._aligner = shelf, aligner
        self._lock = threading.Lock()
        self._known: dict[str, tuple[str, Transcript]] = {}
        self._tidied: dict[tuple[str, str, ClipTaken, str], list[Tidy]] = {}
        self._opening = threading.Lock()
        self._loaded: tuple[str, ClipSpeech] | None = None

    def stamp(self, item: str) -> str:
        """Names what is known of the words of a clip: another once they are heard anew."""
        try:
            return str((self._shelf.path(item) / _WORDS).stat().st_mtime_ns)
        except OSError:
            return ""

    def known(self, item: str) -> Transcript | None:
        """What is said in a clip, if it has been heard."""
        stamp = self.stamp(item)
        if not stamp:
            return None
        kept = self._known.get(item)
        if kept is None or kept[0] != stamp:
            try:
                kept = stamp, TRANSCRIPT.validate_json((self._shelf.path(item) / _WORDS).read_bytes())
            except (OSError, ValidationError):
                return None
            if len(self._known) >= _MOST_KNOWN:
                self._known.clear()
            self._known[item] = kept
        return kept[1]

    def adopt(self, item: str, heard: Transcript) -> None:
        """Keep what was heard in a clip elsewhere."""
        write_text(self._shelf.path(item) / _WORDS, TRANSCRIPT.dump_json(heard).decode())

    def transcript(self, item: str) -> Transcript:
        """What is said in a clip, heard now if need be. Raises SpeechError, HostError."""
        with self._lock:
            return self.known(item) or self._hear(item)

    def hear(self, item: str, *, language: str = ENGLISH, text: str = "",
             progress: Progress = lambda part: None) -> Transcript:  # fmt: skip
        """Hear a clip anew, as ``hear_words`` does."""
        with self._lock:
            return self._hear(item, language, text, progress)

    def _hear(
        self, item: str, language: str = ENGLISH, text: str = "", progress: Progress = lambda part: None
    ) -> Transcript:
        heard = hear_words(
            self._speech(item), RATE, self._aligner, language=language, text=text, progress=progress
        )  # fmt: skip
        self.adopt(item, heard)
        return heard

    def _speech(self, item: str) -> ClipSpeech:
        """The speech of a clip."""
        with self._opening:
            if self._loaded is None or self._loaded[0] != item:
                self._loaded = item, self._opened(item)
            return self._loaded[1]

    def _opened(self, item: str) -> ClipSpeech:
        path = self._shelf.file(item, "sound")
        if path is None:
            missing = self._shelf.item(item) is None
            what = "This clip is not on this machine." if missing else "This clip has no sound."
            raise SpeechError(f"{what} Choose another clip, or let a host say the line.")
        kept = self._shelf.path(item) / _SPEECH
        if not kept.exists():
            write_speech(path, kept)
        return ClipSpeech(kept)

    def _sound(self, item: str) -> Callable[[float, float], Samples]:
        """Gives the speech of a clip between two seconds of it."""
        speech = self._speech(item)
        return lambda start, end: speech[round(max(0.0, start) * RATE) : round(end * RATE)]

    def _found(self, text: str, language: str, taken: ClipTaken, transcript: Transcript) -> _Found:
        """The written words of a line, and what each is in its clip."""
        written = plan_words(text, language).written
        ends = [word.start for word in written[1:]] + [len(text)]
        gaps = [text[word.end : end] for word, end in zip(written, ends, strict=True)]
        begins = next((i for i, word in enumerate(transcript.words) if word.end > taken.begins), 0)
        return _Found(written, match_words([word.text for word in written], gaps, transcript.words, begins))

    def tidying(self, text: str, language: str, taken: ClipTaken) -> list[Tidy]:
        """What could be cut from a line of a clip; nothing where the clip has not been heard."""
        key = text, language, taken, self.stamp(taken.item)
        known = self._tidied.get(key)
        if known is None:  # asked for at every check of the script
            transcript = self.known(taken.item)
            if transcript is None:
                return []
            found = self._found(text, language, taken, transcript)
            known = tidying_of(text, found.written, found.said, transcript)
            if len(self._tidied) >= _MOST_TIDIED:
                self._tidied.clear()
            self._tidied[key] = known
        return known

    def read(self, text: str, language: str, taken: ClipTaken) -> Reading:
        """A line as it is said in its clip. Raises NothingToSay, SpeechError, HostError."""
        transcript = self.transcript(taken.item)
        found = self._found(text, language, taken, transcript)
        if not found.written:
            raise NothingToSay("The line holds no spoken word. Write one, or make the line a direction.")
        if not any(found.said):
            raise SpeechError(
                "None of the words of this line is said in its clip. Write words of the clip, or let a host say it."
            )
        cut = cut_line(found.said, transcript, RATE, self._sound(taken.item), taken.shortened)
        words = tuple(
            TimedWord(word.text, start, end, word.start, word.end)
            for word, (start, end) in zip(found.written, cut.words, strict=True)
        )
        duration = max(len(cut.samples) / RATE, words[-1].end)
        samples = np.pad(cut.samples, (0, max(0, round(duration * RATE) - len(cut.samples))))
        check_times(words, (), duration)
        return Reading(RATE, samples, words, (), measure_prosody(samples, RATE), duration, cut.pieces)
