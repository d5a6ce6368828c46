"""Boxes that hold a person's parts, in units of the picture, about where each part is."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache

from dearhost.drawing.outlines import turned
from dearhost.hosts.host import Box
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import PIVOT
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.skeleton import Arm, Skeleton
from dearhost.hosts.pose import Pose
from dearhost.hosts.props import prop_reach

Reach = tuple[float, float, float]
"""Sideways, above and below the middle of the head, in head heights."""
SKULL: Reach = (0.52, 0.60, 0.68)
EYES: Reach = (0.40, 0.26, 0.30)
MOUTH: Reach = (0.30, -0.12, 0.56)
_HATS: Reach = (0.78, 0.96, 1.06)
UNDER_TRUNK = 16.0
"""Units above the hips where the trunk hides all there is of legs."""
_SLIDES = 0.075
"""How far outlines slide as the head turns, and bulge between their points."""
_SHADOW = 6.0
"""Units of ink edge and shadow."""
_SWAYS = 0.12
"""Of its length that hair swings to a side."""


def hair_reach(sheet: ModelSheet) -> Reach:
    """How far hair, headwear, ears and earrings reach."""
    if sheet.headwear.kind:
        return _HATS
    style = STYLES[sheet.hair]
    places = [*style.back, *style.front, *style.sides, (0.47, 0.30, 0.0), (0.0, -0.5, 0.0)]
    reach = max(abs(x) for x, _, _ in places), max(-y for _, y, _ in places), max(y for _, y, _ in places)
    return reach[0] + _SLIDES, reach[1] + _SLIDES, reach[2] + _SLIDES


class FigureBoxes:
    """Boxes of parts of a person drawn ``figure`` times as large as an adult."""

    def __init__(self, figure: float) -> None:
        self._figure = figure

    def _scaled(self, box: Iterable[float]) -> Box:
        left, top, right, bottom = (v * self._figure for v in box)
        return left, top, right, bottom

    def about_head(self, reach: Reach, roll: float, size: float, sway: float = 0.0) -> Box:
        """A box about the middle of a head ``size`` times as large as usual that is rolled by ``roll`` degrees."""
        return _about_head(reach, roll, size * self._figure, self._figure, sway)

    def neck(self, skeleton: Skeleton) -> Box:
        """The collar, and the chin's shadow on the neck, about the hip."""
        x, y, hip = skeleton.neck.real, skeleton.neck.imag, skeleton.hip
        top = min(y - 62, skeleton.head.imag + 20)
        bottom = max(y + 40, skeleton.torso(0, 0.18).imag + 6)
        half = skeleton.shoulder_width * 0.92
        return self._scaled((x - half - hip.real, top - hip.imag, x + half - hip.real, bottom - hip.imag))

    def trunk(self, skeleton: Skeleton) -> Box:
        """From the neck to the hem, about the hip."""
        hip = skeleton.hip
        half = max(skeleton.shoulder_width, skeleton.hip_width * 1.35, skeleton.waist_width) + 14
        xs = [p.real - hip.real for p in (hip, skeleton.neck, skeleton.chest)]
        hem = 60 * skeleton.proportions.width + 16
        return self._scaled((min(xs) - half, skeleton.head.imag + 4 - hip.imag, max(xs) + half, hem))

    def legs(self, skeleton: Skeleton, pose: Pose) -> Box:
        """Everything from the hips down, with what there is to sit on and the shadow on the ground."""
        xs = [skeleton.hip.real - 130, skeleton.hip.real + 130]
        for leg in (skeleton.left_leg, skeleton.right_leg):
            xs += [leg.ankle.real - 60, leg.ankle.real + 60]
        if pose.seat:
            xs += [-pose.root - 75, -pose.root + 75]
        return self._scaled((min(xs), skeleton.hip.imag - UNDER_TRUNK, max(xs), 60))

    def arm(self, arm: Arm, *, shadow: bool) -> Box:
        """An arm with its hand and what it holds, about its shoulder."""
        hand = arm.wrist + turned(arm.angle) * 26
        discs = [(arm.shoulder, 33.0), (arm.elbow, 32.0), (arm.wrist, 26.0), (hand, 52.0)]
        held = arm.pose.held
        if held and not held.second:
            discs.append((arm.wrist, prop_reach(held.prop) + 34))
        far = 16 if shadow else _SHADOW
        left, right = min(p.real - r for p, r in discs), max(p.real + r for p, r in discs)
        top, bottom = min(p.imag - r for p, r in discs), max(p.imag + r for p, r in discs)
        x, y = arm.shoulder.real, arm.shoulder.imag
        return self._scaled((left - x - _SHADOW, top - y - _SHADOW, right - x + far, bottom - y + far))


@lru_cache(maxsize=512)
def _about_head(reach: Reach, roll: float, size: float, figure: float, sway: float) -> Box:
    sideways, above, below = (100 * size * r for r in reach)
    pivot, turn, shadow = PIVOT * 100 * size, turned(roll), _SHADOW * figure
    swung = _SWAYS * abs(sway) * max(above, below)
    corners = [
        pivot + (complex(x, y) - pivot) * turn for x in (-sideways - swung, sideways + swung) for y in (-above, below)
    ]
    xs, ys = [c.real for c in corners], [c.imag for c in corners]
    return min(xs) - shadow, min(ys) - shadow, max(xs) + shadow, max(ys) + shadow
