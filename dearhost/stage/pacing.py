"""Where lines lie in a scene: natural pauses between them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.production import Choices, is_in_clip
from dearhost.script import Line, Scene

LEAD_IN = 0.55
"""Seconds before a scene's first word."""
CARD = 2.2
"""Seconds that a heading is shown on a card before its scene."""
TAIL = 0.85
"""Seconds after a scene's last word."""
_TAIL_OF_CLIP = 0.15
"""What is said in a clip begins and ends with its own quiet."""
SAME_SPEAKER, OTHER_SPEAKER = 0.8, 0.55
"""Pauses between lines, on top of the 60 ms that a reading keeps at each end."""


@dataclass(frozen=True, slots=True)
class Source:
    """Whom a line is heard from: a speaker, or a speaker in a clip."""

    speaker: str
    in_clip: bool = False


def sources_of(lines: Sequence[Line]) -> list[Source]:
    """Whom each line is heard from."""
    return [Source(line.speaker, is_in_clip(line)) for line in lines]


def _between(before: Source, after: Source) -> float:
    if before.in_clip and after.in_clip:
        return 0.0  # they begin and end with their own quiet
    return SAME_SPEAKER if before == after else OTHER_SPEAKER


def lead_in(scene: Scene, choices: Choices) -> float:
    """Seconds before the first word of a scene; its card comes before all else."""
    return LEAD_IN + (CARD if choices.title_card and scene.heading else 0.0)


def place_lines(
    durations: Sequence[float], sources: Sequence[Source], tail: float | None = None, lead: float = LEAD_IN
) -> tuple[list[float], float]:
    """When each line starts, and how long the scene lasts, in seconds; ``tail`` None for the usual one.

    ``lead`` is how long before the first word it begins.
    """
    starts: list[float] = []
    now = lead if not (sources and sources[0].in_clip) else max(0.0, lead - LEAD_IN)
    usual = TAIL if not (sources and sources[-1].in_clip) else _TAIL_OF_CLIP
    for index, duration in enumerate(durations):
        if index:
            now += _between(sources[index - 1], sources[index])
        starts.append(now)
        now += duration
    return starts, now + (usual if tail is None else tail)
