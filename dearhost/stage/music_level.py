"""How far music lies below the voice through a scene: its water, as the ribbon shows it."""

from __future__ import annotations

from collections.abc import Sequence

from dearhost.sound.beds import SHORTEST
from dearhost.sound.under_voice import gain_curve
from dearhost.stage.beds import NONE, levels_in
from dearhost.stage.timeline import SceneTimeline

Level = tuple[float, float]
"""Seconds of the scene, and LU below the voice."""
_EACH = 5
"""Every so many of a curve's points are looked at: a tenth of a second."""
_SAME = 0.05
"""LU that make no difference."""


def music_level(scene: SceneTimeline) -> list[Level]:
    """Where the level of the music turns in a scene, with its ends; nothing where there is no music."""
    choices = scene.choices
    if choices.bed == NONE or scene.duration < SHORTEST:
        return []
    words = [
        (line.span.start + word.start, line.span.start + word.end)
        for line in scene.lines
        for word in line.reading.words
    ]
    curve = gain_curve(words, scene.bed_marks, [(0.0, levels_in(choices))], 0.0, scene.duration)
    points = _turns([(at, -level) for at, level in [*curve[::_EACH], curve[-1]] if at <= scene.duration])
    return [(round(at, 2), round(level, 1)) for at, level in points]


def _turns(points: Sequence[Level]) -> list[Level]:
    """Points without those between two of the same level."""
    kept: list[Level] = []
    for index, (at, level) in enumerate(points):
        inside = 0 < index < len(points) - 1
        if inside and abs(points[index - 1][1] - level) < _SAME and abs(points[index + 1][1] - level) < _SAME:
            continue
        kept.append((at, level))
    return kept
