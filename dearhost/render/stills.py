"""Single frames as JPEG."""

from __future__ import annotations

import skia

from dearhost.stage import Painter


def still(painter: Painter, moment: float, *, quality: int = 85) -> bytes:
    """The frame at ``moment`` (seconds of the film) as JPEG."""
    timeline = painter.timeline
    last = max(0, timeline.frames - 1)
    frame = min(last, max(0, int(moment * float(timeline.frame_rate.value) + 1e-6)))
    painter.paint(frame)
    image = skia.Image.fromarray(painter.pixels, colorType=skia.kBGRA_8888_ColorType, copy=False)
    return bytes(image.encodeToData(skia.kJPEG, quality))
