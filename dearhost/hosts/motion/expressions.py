"""Expressions: how they change face, mouth and head, and when."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dearhost.drawing.outlines import clamp, lerp
from dearhost.hosts.pose import REST_SMILE

Changes = Mapping[str, float]

EXPRESSIONS: Mapping[str, Changes] = {
    "neutral": {"mouth.smile": 0.34},
    "happy": {
        "face.squint": 0.45, "face.cheek": 0.6, "face.brow_left": 0.25, "face.brow_right": 0.25, "face.lid": 0.98,
        "mouth.smile": 1.0, "mouth.wide": 0.35, "mouth.open": 0.16, "mouth.teeth_up": 1.0,
        "body.pitch": 2.0, "body.roll": -3.0,
    },
    "excited": {
        "face.lid": 1.16, "face.brow_left": 0.9, "face.brow_right": 0.9, "face.cheek": 0.5, "face.squint": 0.15,
        "mouth.smile": 1.0, "mouth.wide": 0.40, "mouth.open": 0.62, "mouth.teeth_up": 0.9, "mouth.tongue": 0.45,
        "body.pitch": 6.0,
    },
    "concerned": {
        "face.lid": 0.95, "face.brow_left": 0.35, "face.brow_right": 0.35, "face.brow_angle": -0.85,
        "face.brow_in": 0.35, "mouth.smile": -0.38, "mouth.press": 0.35, "mouth.wide": -0.1,
        "body.roll": 5.0, "body.pitch": -3.0,
    },
    "sad": {
        "face.lid": 0.68, "face.brow_left": 0.15, "face.brow_right": 0.15, "face.brow_angle": -1.15,
        "face.gaze_y": -0.55, "mouth.smile": -0.75, "mouth.press": 0.2, "mouth.wide": -0.12,
        "body.pitch": -9.0, "body.roll": 4.0,
    },
    "angry": {
        "face.lid": 0.86, "face.squint": 0.45, "face.brow_left": -0.45, "face.brow_right": -0.45,
        "face.brow_angle": 0.95, "face.brow_in": 0.8, "mouth.smile": -0.55, "mouth.press": 0.6, "mouth.wide": 0.1,
        "body.pitch": -5.0,
    },
    "surprised": {
        "face.lid": 1.35, "face.brow_left": 1.25, "face.brow_right": 1.25, "face.brow_angle": -0.15,
        "mouth.smile": 0.0, "mouth.open": 0.52, "mouth.round": 0.45, "mouth.teeth_up": 0.25, "mouth.tongue": 0.2,
        "body.pitch": 4.0,
    },
    "thoughtful": {
        "face.lid": 0.94, "face.gaze_x": 0.65, "face.gaze_y": 0.42, "face.brow_left": -0.1, "face.brow_right": 0.75,
        "face.brow_angle": 0.1, "face.squint": 0.15, "mouth.smile": 0.05, "mouth.press": 0.45, "mouth.wide": -0.2,
        "mouth.asymmetry": 0.5, "body.yaw": 12.0, "body.roll": 6.0, "body.pitch": 2.0,
    },
}  # fmt: skip
"""Values that differ from rest, by "group.field" of the pose."""

_REST: Mapping[str, float] = {"face.lid": 1.0, "mouth.smile": REST_SMILE}
_BEFORE, _AFTER = 0.28, 0.06
"""Seconds before its word an expression begins to show, and after the word's start until it is there."""


@dataclass(frozen=True, slots=True)
class ExpressionCue:
    """An expression that shows from ``at`` seconds for ``seconds``, or until the next (0); ``strength`` 1 is as it was
    drawn."""

    at: float
    expression: str
    strength: float = 1.0
    seconds: float = 0.0


class ExpressionTrack:
    """The expression at any moment: changes flow into one another."""

    def __init__(self, first: str, cues: Sequence[ExpressionCue]) -> None:
        self._steps = [(-1e9, self._scaled(first, 1.0))]
        ordered = sorted(cues, key=lambda c: c.at)
        for cue, following in itertools.zip_longest(ordered, ordered[1:]):
            self._steps.append((cue.at, self._scaled(cue.expression, cue.strength)))
            over = cue.at + cue.seconds
            if cue.seconds and (following is None or over < following.at):
                self._steps.append((over, self._scaled(first, 1.0)))

    @staticmethod
    def _scaled(name: str, strength: float) -> dict[str, float]:
        return {
            field: _REST.get(field, 0.0) + (value - _REST.get(field, 0.0)) * strength
            for field, value in EXPRESSIONS[name].items()
        }

    def at(self, moment: float) -> Mapping[str, float]:
        """The fields that differ from rest at ``moment`` seconds."""
        values: Mapping[str, float] = {}
        for start, wanted in self._steps:
            share = clamp((moment - start + _BEFORE) / (_BEFORE + _AFTER))
            if share <= 0:
                break
            share = share * share * (3 - 2 * share)
            if share >= 1:
                values = wanted
                continue
            rest = {name: _REST.get(name, 0.0) for name in {**values, **wanted}}
            values = {n: lerp(values.get(n, r), wanted.get(n, r), share) for n, r in rest.items()}
        return values
