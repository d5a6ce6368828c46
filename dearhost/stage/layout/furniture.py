"""What hosts sit or stand behind: a desk or a counter with a closed front."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import polygon
from dearhost.drawing.paper import Paper
from dearhost.hosts import DESK_TOP, Host
from dearhost.stage.layout.shapes import Picture

HEIGHTS: Mapping[str, float] = {"desk": 2.40, "counter": 3.40}
"""Head heights from the floor to the top."""
_WIDTHS: Mapping[str, float] = {"desk": 2.15, "counter": 9.0}
"""Head heights that it reaches beyond the outermost hosts."""
_WOOD, _FRONT = "#B98B57", "#2A3C57"


def elbow(host: Host) -> float:
    """Head heights from the middle of the head down to resting elbows."""
    shoulder, length = host.arm_base
    return (shoulder.imag + DESK_TOP * length) / 100


@dataclass(frozen=True, slots=True)
class PlacedFurniture:
    """A ``kind`` with its top at ``y``, from ``left`` to ``right`` and down to ``bottom``: fractions of the picture.

    ``head`` is a head's height there.
    """

    kind: str
    y: float
    left: float
    right: float
    bottom: float
    head: float


def placed(kind: str, places: Mapping[str, tuple[float, float, float]], top: float, bottom: float,
           ratio: float) -> PlacedFurniture:  # fmt: skip
    """The furniture in front of hosts at ``places`` (x, head centre y, head); ``ratio`` is width by height."""
    head = max(place[2] for place in places.values())
    beyond = _WIDTHS[kind] * head / ratio
    xs = [place[0] for place in places.values()]
    return PlacedFurniture(kind, top, min(xs) - beyond, max(xs) + beyond, bottom, head)


class FurnitureDrawing:
    """Furniture laid out for a picture; ``shade_side`` is the side it is in shade on, as that of paper."""

    def __init__(self, furniture: PlacedFurniture, picture: Picture, shade_side: int) -> None:
        self.furniture, self.picture, self._shade_side = furniture, picture, shade_side
        width, height = picture.width, picture.height
        self.unit = furniture.head * height / 100
        self.left, self.right = furniture.left * width, furniture.right * width
        self.top, self.bottom = furniture.y * height, furniture.bottom * height
        self.box = (self.left - 20, self.top - 8, self.right + 20, self.bottom + 20)

    def draw(self, canvas: Any) -> None:
        """Top, its edge, and the front."""
        u, paper = self.unit, Paper(canvas, self.unit, self._shade_side)
        left, right, top, bottom = self.left, self.right, self.top, self.bottom
        depth, edge = 15 * u, 6 * u
        front_colour = _FRONT if self.furniture.kind == "counter" else "#8C6239"
        front = _box(left + 9 * u, top + depth, right - 9 * u, bottom)
        paper.piece(front, front_colour, darker(front_colour), crescent=(16 * u, 0), ink=u)
        seam = darker(front_colour, 0.3)
        count = max(2, round((right - left) / (95 * u)))
        for i in range(1, count):
            x = left + (right - left) * i / count
            paper.brush([complex(x, top + depth + edge), complex(x, bottom)], 1.8 * u, seam, tip=1, tail=1)
        paper.flat(_box(left + 9 * u, top + depth, right - 9 * u, top + depth + 9 * u), "ink", 0.22)
        surface = polygon([complex(left + 10 * u, top), complex(right - 10 * u, top), complex(right, top + depth),
                           complex(left, top + depth)])  # fmt: skip
        paper.piece(surface, mix(_WOOD, "cream", 0.24), mix(_WOOD, "cream", 0.08), crescent=(20 * u, 3 * u), ink=0)
        rim = _box(left, top + depth, right, top + depth + edge)
        paper.piece(rim, _WOOD, darker(_WOOD), crescent=(20 * u, 2 * u), ink=u)


def _box(left: float, top: float, right: float, bottom: float) -> Any:
    return polygon([complex(left, top), complex(right, top), complex(right, bottom), complex(left, bottom)])
