"""What a scene has of its own: what is chosen otherwise than everywhere, and where its hosts stand."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import asdict, dataclass, field
from typing import Any

NEAREST, FURTHEST = 0.8, 1.8
"""How far a host may stand from the camera, in multiples of the usual distance."""
OwnChoices = Mapping[str, str | bool | float]
ReadChoices = Callable[[Mapping[str, Any]], OwnChoices]
"""Reads a scene's own choices out of plain data by the table of choices. Raises ScriptError."""


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a host stands: ``x`` from 0 (left edge) to 1, ``distance`` from the camera, 1 the usual.

    ``facing``: the body is turned to the left (-1), to the camera (0) or to the right (1).
    """

    x: float
    distance: float = 1.0
    facing: int = 0


@dataclass(frozen=True, slots=True)
class Staging:
    """A scene's own choices: ``own`` by their names in the table of choices, the rest is as everywhere.

    ``blocking`` maps speakers to spots, ``looks`` to what they wear where it is not the usual.
    """

    own: OwnChoices = field(default_factory=dict)
    blocking: Mapping[str, Spot] = field(default_factory=dict)
    looks: Mapping[str, str] = field(default_factory=dict)


AS_EVERYWHERE = Staging()


def staging_to_json(staging: Staging) -> dict[str, Any]:
    """As plain data; what is as everywhere is left out."""
    data = {
        **staging.own,
        "blocking": {speaker: asdict(spot) for speaker, spot in staging.blocking.items()},
        "looks": dict(staging.looks),
    }
    return {name: value for name, value in data.items() if value != {}}


def staging_from_json(data: Mapping[str, Any] | None, read_choices: ReadChoices) -> Staging:
    """The staging in ``data``, numbers brought into their ranges. Raises ScriptError, TypeError, ValueError,
    KeyError."""
    data = data or {}
    return Staging(
        own=read_choices(data),
        blocking={
            str(speaker): Spot(
                _within(spot["x"], 0.0, 1.0),
                _within(spot.get("distance", 1.0), NEAREST, FURTHEST),
                round(_within(spot.get("facing", 0), -1, 1)),
            )
            for speaker, spot in (data.get("blocking") or {}).items()
        },
        looks={str(speaker): str(look) for speaker, look in (data.get("looks") or {}).items() if look},
    )


def _within(value: Any, low: float, high: float) -> float:
    number = float(value)
    if not math.isfinite(number):
        raise ValueError("not a finite number")
    return min(high, max(low, number))
