"""Where lines lie in a scene: natural pauses between them."""

from __future__ import annotations

from collections.abc import Sequence

LEAD_IN = 0.55
"""Seconds before a scene's first word."""
TAIL = 0.85
"""Seconds after a scene's last word."""
SAME_SPEAKER, OTHER_SPEAKER = 0.8, 0.55
"""Pauses between lines, on top of the 60 ms that a reading keeps at each end."""


def place_lines(
    durations: Sequence[float], speakers: Sequence[str], tail: float | None = None, lead: float = LEAD_IN
) -> tuple[list[float], float]:
    """When each line starts, and how long the scene lasts, in seconds; ``tail`` None for the usual one.

    ``lead`` is how long before the first word it begins.
    """
    starts: list[float] = []
    now = lead
    for index, duration in enumerate(durations):
        if index:
            now += SAME_SPEAKER if speakers[index] == speakers[index - 1] else OTHER_SPEAKER
        starts.append(now)
        now += duration
    return starts, now + (TAIL if tail is None else tail)
