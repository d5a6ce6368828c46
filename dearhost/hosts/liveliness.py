"""Settings from still to lively. Data only."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Liveliness:
    """How much a host moves of itself."""

    beat_gap: float
    beat_chance: float
    beat_size: float
    beat_speed: float
    accent_degrees: float
    degrees_per_semitone: float
    noise: float
    posture: float
    shift_every: tuple[float, float]
    shift_size: float
    brow_chance: float
    brow_size: float
    glance_chance: float
    breath: float
    blinks_a_minute: float
    mouth_gain: float


LIVELINESS: Mapping[str, Liveliness] = {
    "still": Liveliness(
        3.4, 0.35, 0.62, 0.92, 1.6, 0.28, 0.55, 0.4, (8.0, 13.0), 0.018, 0.18, 0.28, 0.10, 0.9, 20, 0.92
    ),
    "normal": Liveliness(1.9, 0.72, 0.88, 1.0, 3.0, 0.50, 1.0, 1.0, (5.0, 9.0), 0.034, 0.40, 0.42, 0.24, 1.1, 22, 1.0),
    "lively": Liveliness(
        1.15, 0.92, 1.12, 1.1, 4.4, 0.75, 1.45, 1.5, (3.2, 6.0), 0.050, 0.62, 0.58, 0.32, 1.3, 24, 1.08
    ),
}
