"""The matched voices of this machine, as files in a folder."""

from __future__ import annotations

import re
from datetime import date
from pathlib import Path

from dearhost.errors import ConsentError, DearHostError, VoiceUnavailable
from dearhost.speech.matching import MatchedVoice, load_voice, save_voice, without_models
from dearhost.storage import ReadFiles

_ID = re.compile(r"match-[0-9a-f]{12}")
ENDING = ".dhvoice"


class MatchedVoices:
    """Voices with their consents. Every use looks at the file again: a consent withdrawn holds at once, everywhere."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        # a damaged file, or one without consent, is no voice
        self._files = ReadFiles(load_voice, (DearHostError,))

    def all(self) -> list[MatchedVoice]:
        """Every voice that can be read, also those that may not be used now, by name."""
        found = [voice for path in sorted(self.folder.glob(f"*{ENDING}")) if (voice := self._files.load(path))]
        return sorted(found, key=lambda voice: voice.name.casefold())

    def usable(self) -> list[MatchedVoice]:
        """The voices whose consent holds today."""
        return [voice for voice in self.all() if not voice.problem(date.today())]

    def find(self, voice_id: str) -> MatchedVoice:
        """A voice, also one that may not be used. Raises VoiceUnavailable."""
        voice = self._files.load(self.path(voice_id))
        if voice is None:
            raise self.missing()
        return voice

    @staticmethod
    def missing() -> VoiceUnavailable:
        """What is said of a voice that is not here."""
        return VoiceUnavailable("This matched voice is not on this machine. Import its file, or choose another.")

    @staticmethod
    def is_id(voice_id: str) -> bool:
        """Whether a matched voice could be called so."""
        return _ID.fullmatch(voice_id) is not None

    def ensure_usable(self, voice_id: str) -> None:
        """Raise ConsentError, saying why, for a matched voice that may not be used; nothing for other voices."""
        if self.is_id(voice_id):
            problem = self.find(voice_id).problem(date.today())
            if problem:
                raise ConsentError(problem)

    def path(self, voice_id: str) -> Path:
        """Where a voice lies or would lie. Raises VoiceUnavailable for what is no id."""
        if not self.is_id(voice_id):
            raise VoiceUnavailable("This is no matched voice.")
        return self.folder / f"{voice_id}{ENDING}"

    def keep(self, voice: MatchedVoice) -> None:
        """Write a voice. Raises ConsentError, StorageFull."""
        save_voice(self.path(voice.id), voice)

    def withdraw(self, voice_id: str, day: date, *, remove: bool) -> MatchedVoice:
        """Note that consent was withdrawn; ``remove`` also takes the voice's models away for good."""
        voice = self.find(voice_id)
        kept = MatchedVoice(
            voice.id, voice.name, voice.consent.withdrawn(day), voice.closeness, voice.models, voice.seconds
        )
        if remove:
            kept = without_models(kept)
        self.keep(kept)
        return kept
