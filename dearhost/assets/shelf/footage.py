"""Frames of our own clips, found by their moment."""

from __future__ import annotations

import itertools
from collections.abc import Iterator
from functools import cached_property
from pathlib import Path
from typing import Any

import av
import numpy as np
from numpy.typing import NDArray

from dearhost.assets.shelf.own_film import key_frame_every
from dearhost.assets.shelf.pieces import Pieces
from dearhost.errors import HostError
from dearhost.storage import read_array

_SMALL = 400
"""Lines up to which frames at random are soon decoded."""
_READ_ON = 6
"""Frames that are passed over sooner than a key frame is looked for."""


class Footage:
    """Frames of a clip by their moment; out of ``pieces`` where one looks again. For one thread."""

    def __init__(self, path: Path, times: Path, pieces: Pieces | None = None) -> None:
        self._path, self._times_path, self.times, self._pieces = path, times, read_array(times), pieces
        self._next = -1
        self._number, self._frame = -1, None
        self._decoding: Any = None

    def again(self) -> Footage:
        """The same clip, to be read at another place of it meanwhile."""
        return Footage(self._path, self._times_path, self._pieces)

    @property
    def seconds(self) -> float:
        """How long it lasts."""
        steps = np.diff(self.times)
        return float(self.times[-1]) + (float(np.median(steps)) if len(steps) else 0.04)

    def number_at(self, moment: float) -> int:
        """The frame that is seen at a moment: the last that has begun."""
        found = int(np.searchsorted(self.times, moment + 1e-6, side="right")) - 1
        return min(max(0, found), len(self.times) - 1)

    def frame(self, number: int) -> Any:
        """A frame of the film, yuv420p in BT.709. Raises HostError for a film that cannot be read."""
        if number == self._number:
            return self._frame
        try:
            is_far = self._is_far(number)
            if is_far and (kept := self._kept(number)):
                self._number, self._frame = number, kept
                return kept
            if is_far:
                self._seek(number)
            for _ in range(number - self._next):
                next(self._decoding)
            self._frame = next(self._decoding)
        except (StopIteration, OSError, av.FFmpegError) as error:
            self.close()
            raise HostError("A clip of the shelf cannot be read any more. Bring its file in again.") from error
        self._number, self._next = number, number + 1
        return self._frame

    def _is_far(self, number: int) -> bool:
        """Whether a frame is looked for rather than read on to."""
        ahead = number - self._next
        next_key_frame = (self._next // self._every + 1) * self._every
        return self._decoding is None or ahead < 0 or (ahead > _READ_ON and number >= next_key_frame)

    def _kept(self, number: int) -> Any:
        """A frame out of a piece of the film; None where there is none."""
        context = self._container.streams.video[0].codec_context
        if not self._pieces or min(context.width, context.height) <= _SMALL:
            return None
        piece, at = divmod(number, self._every)
        size = context.width, context.height
        return self._pieces.frame(self._path, size, piece, at, lambda: self._read_from(piece * self._every))

    def _read_from(self, number: int) -> Iterator[Any]:
        """The frames from a key frame on to the next."""
        self._seek(number)  # at once: what a generator cannot find would be an error of the program

        def frames() -> Iterator[Any]:
            for frame in itertools.islice(self._decoding, self._every):
                self._next += 1
                yield frame

        return frames()

    @cached_property
    def _every(self) -> int:
        """How far key frames are apart."""
        return key_frame_every(self._container)

    @cached_property
    def _container(self) -> Any:
        container = av.open(str(self._path))
        container.streams.video[0].thread_count = 1
        return container

    def _seek(self, number: int) -> None:
        """Read on from the key frame before a frame."""
        stream = self._container.streams.video[0]
        ticks = round(number / stream.average_rate / stream.time_base)
        self._container.seek(ticks, stream=stream)
        frames = self._container.decode(stream)
        first = next(frames)
        self._next = round(first.time * stream.average_rate)
        self._decoding = itertools.chain([first], frames)

    def close(self) -> None:
        """Let go of the file."""
        if "_container" in self.__dict__:
            self._container.close()
            del self.__dict__["_container"]
        self._decoding = None


def alpha_of(frame: Any, width: int, height: int) -> NDArray[np.uint8]:
    """How far each pixel of a matte's frame belongs to its figure, 0 to 255, at an even size."""
    luma = frame.to_ndarray(format="yuv420p", width=width, height=height)[:height].astype(np.int32)
    alpha: NDArray[np.uint8] = np.clip((luma - 16) * 255 // 219, 0, 255).astype(np.uint8)
    return alpha


def even(side: float) -> int:
    """A side of a frame whose chroma has half its size."""
    return max(2, round(side / 2) * 2)
