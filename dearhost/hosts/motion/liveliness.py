"""Settings from still to lively. Data only."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace


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


@dataclass(frozen=True, slots=True)
class Behaviour:
    """What is a host's own: how much it looks at the viewer (0 seldom, .5 usual, 1 always), how often it blinks and
    how much its head moves, as multiples of the usual (0 to 2)."""

    eye_contact: float = 0.5
    blinks: float = 1.0
    head: float = 1.0

    def of(self, settings: Liveliness) -> Liveliness:
        """The settings as this host has them."""
        return replace(
            settings,
            glance_chance=min(0.9, settings.glance_chance * 2 * (1 - self.eye_contact)),
            blinks_a_minute=settings.blinks_a_minute * max(0.02, self.blinks),
            accent_degrees=settings.accent_degrees * self.head,
            degrees_per_semitone=settings.degrees_per_semitone * self.head,
            noise=settings.noise * (0.25 + 0.75 * self.head),
            posture=settings.posture * self.head,
        )


LIVELINESS: Mapping[str, Liveliness] = {
    "still": Liveliness(
        3.4, 0.35, 0.62, 0.92, 1.6, 0.28, 0.55, 0.4, (8.0, 13.0), 0.018, 0.18, 0.28, 0.10, 0.9, 20, 0.92
    ),
    "normal": Liveliness(1.9, 0.72, 0.88, 1.0, 3.0, 0.50, 1.0, 1.0, (5.0, 9.0), 0.034, 0.40, 0.42, 0.24, 1.1, 22, 1.0),
    "lively": Liveliness(
        1.15, 0.92, 1.12, 1.1, 4.4, 0.75, 1.45, 1.5, (3.2, 6.0), 0.050, 0.62, 0.58, 0.32, 1.3, 24, 1.08
    ),
}
