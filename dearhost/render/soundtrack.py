"""The sound of a scene or a film, ready to be encoded."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray

from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import STING_LEVEL, STING_RATE, Placement, place, sting
from dearhost.stage import SceneTimeline

_UNDER_VOICE = 6.0
"""dB between the loud parts of the voice and a short sound at its usual strength (common practice, no source)."""


def scene_sound(scene: SceneTimeline, start: float = 0.0) -> list[Placement]:
    """A scene's readings and short sounds; ``start`` is when the scene begins."""
    said = [Placement(start + line.span.start, line.reading.sample_rate, line.reading.samples) for line in scene.lines]
    if not scene.stings:
        return said
    # measured against the voice beside it: voices differ in level until the whole is mastered
    voice = max(float(np.percentile(line.reading.prosody.loudness, 90)) for line in scene.lines)
    gain = 10 ** ((voice - _UNDER_VOICE - STING_LEVEL) / 20)
    stings = [Placement(start + s.at, STING_RATE, sting(s.name) * np.float32(gain * s.strength)) for s in scene.stings]
    return said + stings


def mastered(placements: Iterable[Placement], duration: float) -> NDArray[np.float32]:
    """Everything placed, at the loudness films are delivered with: mono at 48 kHz."""
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.sound.mastering import master  # noqa: PLC0415

    return master(place(placements, duration, SAMPLE_RATE), SAMPLE_RATE)
