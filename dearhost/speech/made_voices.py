"""Voices made from a description: recipes, as files in a folder."""

from __future__ import annotations

import json
import re
from dataclasses import asdict, dataclass
from pathlib import Path
from typing import Any

from dearhost.errors import UnknownVoice
from dearhost.json_data import read_json
from dearhost.speech.describing import within_limits
from dearhost.speech.reshaping import Shape
from dearhost.storage import ReadFiles, write_whole

_ID = re.compile(r"made-[0-9a-f]{12}")
_ENDING = ".json"


@dataclass(frozen=True, slots=True)
class MadeVoice:
    """A voice as a recipe: ``base`` is the id of the voice it is made from, ``description`` the words it came from."""

    id: str
    name: str
    description: str
    base: str
    shape: Shape
    age: str = ""


class MadeVoices:
    """The recipes of a folder. A file that was changed is read again."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self._files = ReadFiles(_read, (OSError, ValueError, KeyError, TypeError))

    def all(self) -> list[MadeVoice]:
        """Every recipe that can be read, by name."""
        found = [voice for path in self.folder.glob(f"made-*{_ENDING}") if (voice := self._files.load(path))]
        return sorted(found, key=lambda voice: (voice.name.casefold(), voice.id))

    def find(self, voice_id: str) -> MadeVoice:
        """A recipe. Raises UnknownVoice."""
        voice = self._files.load(self._path(voice_id))
        if voice is None:
            raise self.missing()
        return voice

    @staticmethod
    def missing() -> UnknownVoice:
        """What is said of a recipe that is not here."""
        return UnknownVoice("This made voice is not on this machine any more. Choose another.")

    @staticmethod
    def is_id(voice_id: str) -> bool:
        """Whether a made voice could be called so."""
        return _ID.fullmatch(voice_id) is not None

    def keep(self, voice: MadeVoice) -> MadeVoice:
        """Write a recipe, its shape within limits; what was written. Raises StorageFull."""
        kept = MadeVoice(voice.id, voice.name, voice.description, voice.base, within_limits(voice.shape), voice.age)
        text = json.dumps({**asdict(kept), "form": "dear-host-made-voice", "version": 1}, ensure_ascii=False, indent=1)
        write_whole(self._path(kept.id), lambda part: _write(part, text))
        return kept

    def remove(self, voice_id: str) -> None:
        """Take a recipe away."""
        self._path(voice_id).unlink(missing_ok=True)

    def _path(self, voice_id: str) -> Path:
        if not self.is_id(voice_id):
            raise UnknownVoice("This is no made voice.")
        return self.folder / f"{voice_id}{_ENDING}"


def _read(path: Path) -> MadeVoice:
    data: dict[str, Any] = read_json(path.read_bytes())
    return MadeVoice(
        str(data["id"]), str(data["name"]), str(data.get("description", "")), str(data["base"]),
        within_limits(Shape(**data["shape"])), str(data.get("age", "")),
    )  # fmt: skip


def _write(path: Path, text: str) -> None:
    path.write_text(text, encoding="utf-8")
