"""Films of our own, in which any frame is soon found."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path
from typing import Any

import av
from av.video.reformatter import Interpolation

WRITTEN_RATE = 25
"""Frames are told apart by number; when each begins stands in the times."""
KEY_FRAME_EVERY = 6
"""Frames. At 1080p a frame at random takes 24 ms; more would take longer, fewer a quarter more room."""
MOST_BYTES = 1_200_000_000
"""Of a film of 1920 x 1080 pixels, however long it is; of others in proportion."""
_BOUNDED_FROM = 60.0
"""Seconds; what is shorter stays far below."""


class OwnFilm:
    """An H.264 film of one size that is written frame by frame, at most a bound in bytes.

    ``quality`` is x264's constant rate factor, ``seconds`` how long it will be: a long one gets less a second.
    """

    def __init__(self, path: Path, width: int, height: int, quality: int, seconds: float) -> None:
        self._container: Any = av.open(str(path), "w")
        self._stream: Any = self._container.add_stream("libx264", rate=WRITTEN_RATE)
        self._stream.width, self._stream.height, self._stream.pix_fmt = width, height, "yuv420p"
        self._stream.options = {
            "preset": "superfast", "crf": str(quality), "g": str(KEY_FRAME_EVERY), "bf": "0",
            "x264-params": "cabac=0:scenecut=0:no-deblock=1", **_bound(width * height, seconds),
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


def most_bytes(pixels: int) -> int:
    """Of a film whose frames have so many pixels."""
    return round(MOST_BYTES * pixels / (1920 * 1080))


def _bound(pixels: int, seconds: float) -> dict[str, str]:
    """The encoder's options that keep a film below its bound."""
    if seconds < _BOUNDED_FROM:
        return {}
    kilobits = max(1, int(most_bytes(pixels) * 8 / seconds / 1000))
    return {"maxrate": f"{kilobits}k", "bufsize": f"{kilobits}k"}
