"""A person's own recordings, kept as FLAC under a fingerprint of their samples."""

from __future__ import annotations

import hashlib
import re
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from dearhost.errors import SpeechError
from dearhost.sound.files import RATE, read_sound, write_sound

Samples = NDArray[np.float32]
_NAME = re.compile(r"[0-9a-f]{24}")


class RecordingStore:
    """Recordings in a folder, named by a fingerprint of their samples: the same sound is kept once."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder

    def add(self, samples: Samples) -> str:
        """Keep mono samples at 48 kHz; returns their name."""
        whole = np.clip(np.rint(samples * 32767), -32768, 32767).astype("<i2")
        name = hashlib.blake2b(whole.tobytes(), digest_size=12).hexdigest()
        if not self.path(name).exists():
            write_sound(self.path(name), samples, RATE, kind="flac")
        return name

    def path(self, name: str) -> Path:
        """Where a recording lies or would lie. Raises SpeechError for what is no name."""
        if not _NAME.fullmatch(name):
            raise SpeechError("This take names no recording. Choose another take of the line.")
        return self.folder / name[:2] / f"{name}.flac"

    def samples(self, name: str) -> Samples:
        """The samples of a recording, 48 kHz. Raises SpeechError when it is gone."""
        path = self.path(name)
        if not path.exists():
            raise SpeechError("The recording of this line is not on this machine. Choose another take, or record it.")
        return read_sound(path).samples

    def remove(self, name: str) -> None:
        """Forget a recording."""
        self.path(name).unlink(missing_ok=True)
