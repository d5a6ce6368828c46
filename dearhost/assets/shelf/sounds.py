"""Sound of strangers into our own: FLAC in two channels at 48 kHz. Runs in a process with limits."""

from __future__ import annotations

from itertools import pairwise
from pathlib import Path
from typing import Any

import av
import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.assets.shelf.clips import OPENING, Tell, ensure_room

RATE = 48_000
LONGEST_SOUND = 900.0
"""Seconds: a quarter of an hour is held in 350 MB when it lies under a film."""
_PEAKS = 240
_SILENT = 3e-4


class TakenSound:
    """Writes what is decoded, and keeps how loud it is all along."""

    cut = False
    """Whether the file goes on beyond what was taken."""

    def __init__(self, path: Path) -> None:
        self._container: Any = av.open(str(path), "w", format="flac")
        self._stream: Any = self._container.add_stream("flac", rate=RATE)
        self._stream.codec_context.layout = "stereo"
        self._count = 0
        self._loud: list[float] = []

    def add(self, block: NDArray[np.int16]) -> None:
        """Samples of two channels, shape (2, n)."""
        if not block.shape[1]:
            return
        self._loud += [float(np.abs(block.astype(np.int32)).max()) / 32768]
        packed = np.ascontiguousarray(block.T).reshape(1, -1)
        frame = av.AudioFrame.from_ndarray(packed, format="s16", layout="stereo")
        frame.sample_rate, frame.pts = RATE, self._count
        self._count += block.shape[1]
        self._container.mux(self._stream.encode(frame))

    def close(self) -> None:
        """Write what is left."""
        if self._count:
            self._container.mux(self._stream.encode(None))
        self._container.close()

    @property
    def seconds(self) -> float:
        """How long it is."""
        return self._count / RATE

    @property
    def silent(self) -> bool:
        """Whether nothing is heard in it."""
        return max(self._loud, default=0.0) < _SILENT

    def shape(self) -> list[float]:
        """How loud it is along the way, ``_PEAKS`` values of 0 to 1."""
        loud = np.array(self._loud or [0.0])
        edges = np.linspace(0, len(loud), _PEAKS + 1).astype(int)
        ends = [min(len(loud), max(b, a + 1)) for a, b in pairwise(edges)]
        return [float(loud[min(a, b - 1) : b].max()) for a, b in zip(edges[:-1], ends, strict=True)]


def take_sound(path: Path, target: Path, tell: Tell, longest: float = LONGEST_SOUND) -> tuple[TakenSound, float] | None:
    """The sound of a file into ``target``, and the second at which it begins in the file; None where there is none."""
    try:
        with av.open(str(path), options=OPENING) as container:
            if not container.streams.audio:
                return None
            return _take(container, target, tell, longest)
    except (OSError, ValueError, LookupError, av.FFmpegError) as error:
        ensure_room(error, target)
        return None


def _take(container: Any, target: Path, tell: Tell, longest: float) -> tuple[TakenSound, float] | None:
    stream = container.streams.audio[0]
    resampler = av.AudioResampler("s16p", "stereo", RATE)
    claimed = float(container.duration or 0) / 1e6
    taken, begins = TakenSound(target), None
    try:
        for frame in container.decode(stream):
            if begins is None:
                begins = float(frame.time or 0.0)
            for made in resampler.resample(frame):
                taken.add(made.to_ndarray())
            if taken.seconds >= longest:
                taken.cut = True
                break
            if claimed > 0:
                tell(min(0.99, taken.seconds / claimed))
    except av.FFmpegError as error:
        ensure_room(error, target)  # a cut file gives what it has
    for made in resampler.resample(None):
        taken.add(made.to_ndarray())
    taken.close()
    return (taken, begins or 0.0) if taken.seconds > 0 else None


def shape_image(shape: list[float]) -> Any:
    """A picture of how loud a sound is along the way."""
    width, height = 240, 135
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    canvas.clear(0xFFF5EFE1)
    middle, step = height / 2, width / len(shape)
    water = skia.Paint(Color=0xFF8FB9AE, AntiAlias=True)
    for index, value in enumerate(shape):
        reach = max(1.0, value * height * 0.42)
        canvas.drawRect(skia.Rect.MakeXYWH(index * step, middle - reach, step, 2 * reach), water)
    return surface.makeImageSnapshot()
