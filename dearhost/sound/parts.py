"""Parts of our own sound files, read without the rest: an hour of sound is a gigabyte."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import av
import numpy as np

from dearhost.errors import UnreadableSound
from dearhost.sound.placing import Two

_BACK = (0.0, 2.0, 10.0, 60.0)
"""Seconds before a place from which it is read on to, where it is not found itself."""
_LOST = "A sound of the shelf cannot be read any more. Bring its file in again."


class SoundParts:
    """The sound of a FLAC file of our own, both channels, as a sequence: a slice of it is read when it is asked for.

    Raises UnreadableSound for a file that is lost or damaged.
    """

    def __init__(self, path: Path) -> None:
        self._path = path
        with self._opened() as container:
            stream = container.streams.audio[0]
            if not stream.duration:
                raise UnreadableSound(_LOST)
            self.rate = int(stream.rate)
            self._count = round(float(stream.duration * stream.time_base) * self.rate)

    def __len__(self) -> int:
        return self._count

    def __getitem__(self, part: slice) -> Two:
        first, last, _ = part.indices(self._count)
        if last <= first:
            return np.zeros((0, 2), np.float32)
        blocks = []
        for begins, block in self._blocks(first):
            blocks.append(block[max(0, first - begins) : last - begins])
            if begins + len(block) >= last:
                break
        return np.concatenate(blocks) if blocks else np.zeros((0, 2), np.float32)

    def blocks(self, count: int) -> Iterator[Two]:
        """All of it, ``count`` samples at a time."""
        for first in range(0, self._count, count):
            yield self[first : first + count]

    def _blocks(self, first: int) -> Iterator[tuple[int, Two]]:
        """What is decoded from about a sample on, with the number of its first sample."""
        try:
            with self._opened_at(first) as container:
                stream = container.streams.audio[0]
                for frame in container.decode(stream):
                    begins = round(frame.pts * frame.time_base * self.rate)
                    if begins + frame.samples > first:
                        yield begins, _both(frame)
        except av.FFmpegError as error:
            raise UnreadableSound(_LOST) from error

    def _opened_at(self, first: int) -> Any:
        """The file, to be read from a sample on or from before it: near the end of what is quiet FFmpeg may find no
        place to go to, and cannot be asked for another then."""
        for back in _BACK:
            at, container = first - round(back * self.rate), self._opened()
            if at <= 0:
                return container
            stream = container.streams.audio[0]
            try:
                container.seek(round(at / self.rate / stream.time_base), stream=stream)
            except av.FFmpegError:
                container.close()
            else:
                return container
        return self._opened()

    def _opened(self) -> Any:
        try:
            return av.open(str(self._path), options={"format_whitelist": "flac"})
        except (OSError, av.FFmpegError) as error:
            raise UnreadableSound(_LOST) from error


def _both(frame: Any) -> Two:
    """The samples of a frame of 16 bits as two channels."""
    samples = frame.to_ndarray()
    sides = samples if frame.format.is_planar else samples.reshape(-1, frame.layout.nb_channels).T
    return np.ascontiguousarray(np.stack([sides[0], sides[-1]], axis=1).astype(np.float32) / 32768)
