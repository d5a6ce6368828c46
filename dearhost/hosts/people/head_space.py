"""The head as a turned cylinder: places on the face to places on the canvas."""

from __future__ import annotations

import cmath
import math
from typing import Any

from dearhost.drawing.outlines import clamp, spline
from dearhost.hosts.people.model_sheet import Features

RADIUS = 0.375
_EDGE, _SQUARE = RADIUS * 0.98, RADIUS * RADIUS
PIVOT = 0.36j
"""The head rolls about this point."""

#        cheek x, y     jaw x, y      beside the chin   chin y
JAWS = {
    "oval": ((0.352, 0.06), (0.272, 0.315), (0.105, 0.475), 0.500),
    "square": ((0.352, 0.06), (0.305, 0.325), (0.150, 0.482), 0.502),
    "heart": ((0.360, 0.03), (0.245, 0.310), (0.082, 0.480), 0.505),
    "round": ((0.372, 0.10), (0.305, 0.315), (0.130, 0.465), 0.490),
    "child": ((0.385, 0.15), (0.312, 0.320), (0.125, 0.435), 0.452),
    "long": ((0.335, 0.06), (0.262, 0.335), (0.112, 0.500), 0.525),
}


class HeadSpace:
    """Projects head space (0 = the middle, 1 = chin to crown, z towards the viewer) to the canvas.

    ``origin`` is the head's middle and ``size`` its height on the canvas; angles are in degrees, ``turned`` holds yaw
    and pitch; ``jaw_drop`` is the mouth's opening 0 to 1.
    """

    def __init__(self, origin: complex, size: float, yaw: float, pitch: float, roll: float, jaw_drop: float) -> None:
        self.origin, self.size, self.jaw_drop, self.turned = origin, size, jaw_drop, (yaw, pitch)
        self.cos_yaw, self.sin_yaw = math.cos(math.radians(yaw * 0.64)), math.sin(math.radians(yaw * 0.64))
        self.cos_pitch, self.sin_pitch = math.cos(math.radians(pitch * 0.9)), math.sin(math.radians(pitch * 0.9))
        self._roll = cmath.exp(1j * math.radians(roll))
        self._upright = roll == 0 and origin == 0

    @property
    def far_side(self) -> int:
        """1 when the right side is turned away, -1 for the left, 0 when the head is nearly straight."""
        return 1 if self.sin_yaw > 0.18 else -1 if self.sin_yaw < -0.18 else 0

    def depth(self, x: float, y: float) -> float:
        """z of the face's surface at (x, y)."""
        flat = math.sqrt(max(0.0, RADIUS * RADIUS - min(abs(x), RADIUS * 0.98) ** 2 * 0.94))
        return flat * (1 - 0.16 * max(0.0, (y - 0.1)) / 0.4 - 0.10 * max(0.0, -0.1 - y) / 0.4)

    def solid(self, x: float, y: float, z: float) -> complex:
        """A point in the head."""
        across = x * self.cos_yaw + z * self.sin_yaw
        towards = -x * self.sin_yaw + z * self.cos_yaw
        point = complex(across, y * self.cos_pitch - towards * self.sin_pitch * 0.80)
        return self.origin + (PIVOT + (point - PIVOT) * self._roll) * self.size

    def surface(self, x: float, y: float, lift: float = 0.0) -> complex:
        """A point on the face, ``lift`` above it: ``solid`` at the ``depth`` there, in one go: it is asked often."""
        near = x if x >= 0 else -x
        if near > _EDGE:
            near = _EDGE
        bulge = 1 - 0.4 * (y - 0.1) if y > 0.1 else 1 + 0.25 * (y + 0.1) if y < -0.1 else 1.0
        z = math.sqrt(_SQUARE - near * near * 0.94) * bulge + lift
        across = x * self.cos_yaw + z * self.sin_yaw
        towards = z * self.cos_yaw - x * self.sin_yaw
        point = complex(across, y * self.cos_pitch - towards * self.sin_pitch * 0.80)
        if self._upright:
            return point * self.size
        return self.origin + (PIVOT + (point - PIVOT) * self._roll) * self.size

    def silhouette(self, x: float, y: float, slide: float = 0.0) -> complex:
        """A point of an outline: it slides with the turn by its own depth; the far side swells a little."""
        across = x * (1 - 0.05 * abs(self.sin_yaw)) + slide * self.sin_yaw
        if x * self.sin_yaw > 0:
            across += math.copysign(0.075 * abs(self.sin_yaw) * clamp((abs(x) - 0.18) / 0.17), x)
        point = complex(across, y * (1 - 0.05 * abs(self.sin_pitch)) - slide * self.sin_pitch * 0.62)
        if self._upright:
            return point * self.size
        return self.origin + (PIVOT + (point - PIVOT) * self._roll) * self.size

    def outline(
        self, pts: list[tuple[float, float, float]], *, corners: tuple[int, ...] = (), tension: float = 0.5
    ) -> Any:
        """A closed spline through silhouette points."""
        return spline(self.silhouettes(pts), corners=corners, tension=tension)

    def silhouettes(self, pts: list[tuple[float, float, float]]) -> list[complex]:
        """The points of an outline."""
        return [self.silhouette(*p) for p in pts]


def mirrored(half: list[tuple[float, float, float]]) -> list[tuple[float, float, float]]:
    """The right half of an outline and its mirror image, going round."""
    return half + [(-x, y, z) for x, y, z in half[::-1] if abs(x) > 1e-6]


def head_outline(head: HeadSpace, features: Features) -> Any:
    """The outline of skull, cheeks and jaw, the chin dropped by the mouth's opening."""
    return spline(head_points(head, features))


def head_points(head: HeadSpace, features: Features) -> list[complex]:
    """The points of the outline of the head."""
    cheek, jaw, beside_chin, chin_y = JAWS[features.jaw]
    drop = head.jaw_drop * 0.062
    right = [
        (0.0, -0.5, -0.05),
        (0.20, -0.462, -0.05),
        (0.325, -0.31, -0.04),
        (0.352, -0.13, -0.02),
        (cheek[0], cheek[1], 0.03),
        (jaw[0], jaw[1] + drop * 0.5, 0.085),
        (beside_chin[0], beside_chin[1] + drop, 0.15),
        (0.0, chin_y + drop, 0.17),
    ]
    left = [(-x, y, z) for x, y, z in right[1:-1]][::-1]
    return head.silhouettes(right + left)
