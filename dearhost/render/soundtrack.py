"""The sound of a scene or a film, ready to be encoded."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray

from dearhost.render.encoding import SAMPLE_RATE
from dearhost.sound import Placement, place


def mastered(placements: Iterable[Placement], duration: float) -> NDArray[np.float32]:
    """Everything placed, at the loudness films are delivered with: mono at 48 kHz."""
    # signal processing takes 80 MB to load, and processes that draw never need it
    from dearhost.sound.mastering import master  # noqa: PLC0415

    return master(place(placements, duration, SAMPLE_RATE), SAMPLE_RATE)
