"""Films of our own, in which any frame is soon found."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from pathlib import Path
from typing import Any

import av
from av.video.reformatter import Interpolation

WRITTEN_RATE = 25
"""Frames are told apart by number; when each begins stands in the times."""


@dataclass(frozen=True, slots=True)
class FilmKind:
    """How films of a length are written. ``key_frame_every``: frames; ``most_bytes``: of a film of 1920 x 1080 pixels,
    of others in proportion; ``x264``: further parameters."""

    key_frame_every: int
    most_bytes: int
    x264: str

    def most_bytes_of(self, pixels: int) -> int:
        """Of a film whose frames have so many pixels."""
        return round(self.most_bytes * pixels / (1920 * 1080))


SHORT = FilmKind(2, 1_200_000_000, "cabac=0:no-deblock=1:subme=2")
"""At 1080p a frame at random takes 10 to 19 ms of two real clips, 24 to 26 of one with grain laid over it, the first
time (``pieces``). With a key frame every third it was 13, 23 and 33 to 45, in about as much room."""
LONG = FilmKind(24, 2_400_000_000, "deblock=0,0")
"""As good in a third of the room; a frame at random takes 140 to 170 ms at 1080p, the first time."""
LONG_FROM = 18_000
"""Frames: ten minutes of 30 a second."""
_BOUNDED_FROM = 1500
"""Frames; what is shorter stays far below its bound."""
_TOLD, _UNTOLD = "key frame every ", 6
"""How films say it, and what is so of those that do not, which were written before."""


def kind_of_film(count: int) -> FilmKind:
    """How a film of so many frames is written."""
    return LONG if count > LONG_FROM else SHORT


def key_frame_every(container: Any) -> int:
    """How far key frames of one of our films are apart at most."""
    told = str(container.metadata.get("comment", ""))
    every = told.removeprefix(_TOLD)
    return int(every) if every.isdigit() else _UNTOLD


class OwnFilm:
    """An H.264 film of one size that is written frame by frame, at most a bound in bytes.

    ``quality`` is x264's constant rate factor, ``count`` how many frames there will be: a long one gets less for each.
    """

    def __init__(self, path: Path, width: int, height: int, quality: int, count: int) -> None:
        kind = kind_of_film(count)
        self._container: Any = av.open(str(path), "w")
        self._container.metadata["comment"] = f"{_TOLD}{kind.key_frame_every}"
        self._stream: Any = self._container.add_stream("libx264", rate=WRITTEN_RATE)
        self._stream.width, self._stream.height, self._stream.pix_fmt = width, height, "yuv420p"
        self._stream.options = {
            "preset": "superfast", "crf": str(quality), "g": str(kind.key_frame_every), "bf": "0",
            "x264-params": f"scenecut=0:{kind.x264}", **_bound(kind.most_bytes_of(width * height), count),
        }  # fmt: skip
        context = self._stream.codec_context
        context.thread_count = 1
        context.colorspace = context.color_primaries = context.color_trc = context.color_range = 1
        self._size, self._count = (width, height), 0

    def add(self, frame: Any) -> None:
        width, height = self._size
        if (frame.width, frame.height) != self._size:
            frame = frame.reformat(width=width, height=height, interpolation=Interpolation.AREA)
        frame.pts, frame.time_base, frame.pict_type = self._count, Fraction(1, WRITTEN_RATE), 0
        self._count += 1
        self._container.mux(self._stream.encode(frame))

    def close(self) -> None:
        self._container.mux(self._stream.encode())
        self._container.close()


def _bound(most_bytes: int, count: int) -> dict[str, str]:
    """The encoder's options that keep a film below its bound."""
    if count < _BOUNDED_FROM:
        return {}
    kilobits = max(1, int(most_bytes * 8 * WRITTEN_RATE / count / 1000))
    return {"maxrate": f"{kilobits}k", "bufsize": f"{kilobits}k"}
