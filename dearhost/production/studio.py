"""The studio: everything a production draws on, opened once and passed down. Nothing of it is global."""

from __future__ import annotations

import os
from pathlib import Path

from dearhost.assets import RecordingStore
from dearhost.production.resources import Resources
from dearhost.speech import Speaker, VoiceRegistry
from dearhost.storage import FolderCache

_READINGS_LIMIT = 2 * 1024**3
_CHUNKS_LIMIT = 8 * 1024**3
"""Bytes."""


def data_folder() -> Path:
    """Where voices, fonts and caches live: $DEAR_HOST_DATA, else ``data`` beside the package."""
    named = os.environ.get("DEAR_HOST_DATA")
    return Path(named) if named else Path(__file__).resolve().parent.parent.parent / "data"


class Studio:
    """One data folder's voices, hosts, assets, readings, chunks and fonts."""

    def __init__(self, folder: Path | None = None) -> None:
        self.folder = folder or data_folder()
        self.resources = Resources.at(self.folder)
        self.fonts, self.hosts, self.pictures = self.resources.fonts, self.resources.hosts, self.resources.pictures
        self.shelf = self.resources.shelf
        self.voices = VoiceRegistry(self.folder / "voices")
        readings = FolderCache(self.folder / "cache" / "readings", _READINGS_LIMIT)
        self.speaker = Speaker(self.voices, readings, RecordingStore(self.folder / "recordings"), self.shelf)
        self.chunks = FolderCache(self.folder / "cache" / "chunks", _CHUNKS_LIMIT)
