"""What a scene has of its own: where its host stands, how it is framed, when it ends."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass, field
from typing import Any

from dearhost.script.brief import LONGEST_TARGET

LONGEST_TAIL = 60.0
"""Seconds."""
NEAREST, FURTHEST = 0.8, 1.8
"""How far a host may stand from the camera, in multiples of the usual distance."""


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
    """A scene's own choices; what is "" or None is as everywhere in the production.

    ``tail`` is how long the scene holds after its last word, in seconds; ``target`` how long it should run at
    most, None where nobody asks. ``blocking`` maps speakers to spots, ``looks`` to what they wear
    where it is not the usual.
    """

    set: str = ""
    framing: str = ""
    transition: str = ""
    captions: bool | None = None
    furniture: str = ""
    cutting: str = ""
    camera: str = ""
    tail: float | None = None
    target: float | None = None
    blocking: Mapping[str, Spot] = field(default_factory=dict)
    looks: Mapping[str, str] = field(default_factory=dict)


AS_EVERYWHERE = Staging()


def staging_to_json(staging: Staging) -> dict[str, Any]:
    """As plain data; what is as everywhere is left out."""
    data = {
        "set": staging.set,
        "framing": staging.framing,
        "transition": staging.transition,
        "captions": staging.captions,
        "furniture": staging.furniture,
        "cutting": staging.cutting,
        "camera": staging.camera,
        "tail": staging.tail,
        "target": staging.target,
        "blocking": {speaker: asdict(spot) for speaker, spot in staging.blocking.items()},
        "looks": dict(staging.looks),
    }
    return {name: value for name, value in data.items() if value not in ("", None, {})}


def staging_from_json(data: Mapping[str, Any] | None) -> Staging:
    """The staging in ``data``, numbers brought into their ranges. Raises TypeError, ValueError, KeyError."""
    data = data or {}
    captions, tail, target = (data.get(name) for name in ("captions", "tail", "target"))
    return Staging(
        set=str(data.get("set") or ""),
        framing=str(data.get("framing") or ""),
        transition=str(data.get("transition") or ""),
        captions=None if captions is None else bool(captions),
        furniture=str(data.get("furniture") or ""),
        cutting=str(data.get("cutting") or ""),
        camera=str(data.get("camera") or ""),
        tail=None if tail is None else _within(tail, 0.0, LONGEST_TAIL),
        target=_within(target, 0.0, LONGEST_TARGET) if target else None,
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
    if number != number:
        raise ValueError("not a number")
    return min(high, max(low, number))
