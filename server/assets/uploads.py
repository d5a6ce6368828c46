"""Sound that somebody sends, decoded on arrival; nothing of it is trusted."""

from __future__ import annotations

import tempfile
from pathlib import Path
from typing import Any

from django.core.files.uploadedfile import UploadedFile

from dearhost.errors import UnreadableSound
from dearhost.sound.files import Sound, read_sound

MAX_SOUND_BYTES = 300_000_000


def sound_of(file: UploadedFile[Any]) -> Sound:
    """The sound of an uploaded recording or video. Raises UnreadableSound."""
    size = file.size or 0
    if size > MAX_SOUND_BYTES:
        raise UnreadableSound(
            f"The file has {size / 1e6:.0f} MB; up to {MAX_SOUND_BYTES / 1e6:.0f} MB can be taken. "
            "Save it as FLAC or M4A, or cut it into parts."
        )
    with tempfile.NamedTemporaryFile(suffix=".sound") as kept:
        for chunk in file.chunks():
            kept.write(chunk)
        kept.flush()
        return read_sound(Path(kept.name))
