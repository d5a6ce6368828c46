"""Single frames as JPEG."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np
import skia

from dearhost.errors import RenderError
from dearhost.stage import Painter


def still(painter: Painter, moment: float, *, quality: int = 85, png: bool = False) -> bytes:
    """The frame at ``moment`` (seconds of the film) as JPEG, or as ``png``."""
    timeline = painter.timeline
    last = max(0, timeline.frames - 1)
    frame = min(last, max(0, int(moment * float(timeline.frame_rate.value) + 1e-6)))
    painter.paint(frame)
    return _encoded(painter.pixels, skia.kPNG if png else skia.kJPEG, quality)


def frame_of_film(film: Path, moment: float, height: int) -> bytes:
    """The frame of a finished film at ``moment`` (seconds), ``height`` pixels high, as JPEG. Raises RenderError."""
    try:
        with av.open(str(film)) as container:
            stream = container.streams.video[0]
            base = stream.time_base or Fraction(1, 1000)
            container.seek(int(moment / base), stream=stream)
            frames = container.decode(stream)
            frame = next(frames)
            for later in frames:
                if frame.pts is not None and frame.pts * base >= moment:
                    break
                frame = later
            width = round(frame.width * height / frame.height / 2) * 2
            pixels = frame.to_ndarray(format="bgra", width=width, height=height)
    except (av.FFmpegError, StopIteration, IndexError) as error:
        raise RenderError(f"No picture can be read from '{film.name}'. Is the film whole?") from error
    return _encoded(pixels, skia.kJPEG, quality=80)


def _encoded(pixels: np.ndarray, kind: Any, quality: int) -> bytes:
    image = skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kBGRA_8888_ColorType, copy=False)
    return bytes(image.encodeToData(kind, quality))
