"""The camera's slow moves over a scene: a window that wanders over a picture painted a little larger."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.stage.layout.shapes import Picture

_CLOSER = 1.12
"""How much nearer a push comes; what is painted is this much larger, so that nothing is ever magnified."""


@dataclass(frozen=True, slots=True)
class Window:
    """Left, top, width and height in pixels of the larger picture."""

    left: float
    top: float
    width: float
    height: float


def larger(picture: Picture) -> Picture:
    """The picture a moving camera looks at."""
    return Picture(picture.shape, round(picture.width * _CLOSER / 2) * 2, round(picture.height * _CLOSER / 2) * 2)


def window(move: str, part: float, world: Picture, focus: tuple[float, float]) -> Window:
    """What is seen at ``part`` (0 to 1) of a scene; ``focus`` is what a push comes nearer to, in fractions."""
    eased = part * part * (3 - 2 * part) * 0.6 + part * 0.4  # slow at both ends, never at rest
    near = 1 / _CLOSER
    if move in ("push", "pull"):
        closeness = eased if move == "push" else 1 - eased
        size = 1 + (near - 1) * closeness
        left, top = (1 - size) * focus[0], (1 - size) * focus[1]
    else:
        size = near
        along = eased if move == "pan-right" else 1 - eased
        left, top = (1 - size) * along, (1 - size) * focus[1]
    return Window(left * world.width, top * world.height, size * world.width, size * world.height)
