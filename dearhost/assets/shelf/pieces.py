"""Pieces of films, decoded, where somebody looks again and again; those least recently used go first."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable, Iterable
from functools import cached_property
from pathlib import Path
from typing import Any

import av
import numpy as np

from dearhost.errors import StorageFull
from dearhost.storage import FolderCache

MOST_BYTES = 1_500_000_000
"""Of all pieces: twenty seconds of 1080p."""
_REMEMBERED = 2_000
"""Places that were looked at once."""


class Pieces:
    """What films have between two key frames, as it comes out of the decoder: the same pixels, found at once.

    A piece is written when its place is looked at a second time: whoever reads on never does.
    """

    def __init__(self, folder: Path, most_bytes: int = MOST_BYTES) -> None:
        self._folder, self._most_bytes = folder, most_bytes
        self._looked: OrderedDict[str, None] = OrderedDict()
        self._lock = threading.Lock()

    @cached_property
    def _cache(self) -> FolderCache:
        return FolderCache(self._folder, self._most_bytes)

    def frame(self, film: Path, size: tuple[int, int], piece: int, at: int, frames: Callable[[], Iterable[Any]]) -> Any:
        """Frame ``at`` of a piece of a film; ``frames`` decodes all of it. None where it was not looked at before, or
        the disk is full."""
        name = f"{film.parent.name}-{film.stem}-{piece}"
        path = self._cache.find(name)
        if path is None and self._looked_at(name):
            try:
                path = self._cache.put(name, lambda part: _write(part, frames()))
                self._cache.trim()
            except (OSError, StorageFull):
                return None  # it only takes longer without
        try:
            return None if path is None else _read(path, size, at)
        except (OSError, ValueError):
            return None

    def _looked_at(self, name: str) -> bool:
        """Whether a place was looked at before; it is now."""
        with self._lock:
            before = name in self._looked
            self._looked[name] = None
            self._looked.move_to_end(name)
            while len(self._looked) > _REMEMBERED:
                self._looked.popitem(last=False)
            return before

    def forget(self, item: str) -> None:
        """Remove the pieces of a thing."""
        for path in self._folder.glob(f"*/{item}-*"):
            path.unlink(missing_ok=True)


def _write(path: Path, frames: Iterable[Any]) -> None:
    with path.open("wb") as file:
        for frame in frames:
            file.write(frame.to_ndarray(format="yuv420p").tobytes())


def _read(path: Path, size: tuple[int, int], at: int) -> Any:
    """A frame of a piece, yuv420p in BT.709. Raises ValueError where the piece is cut off."""
    width, height = size
    count = width * height * 3 // 2
    planes = np.fromfile(path, np.uint8, count, offset=at * count)
    frame = av.VideoFrame.from_ndarray(planes.reshape(height * 3 // 2, width), format="yuv420p")
    frame.colorspace = frame.color_range = 1
    return frame
