"""Boxes that hold a person's parts, in units of the picture."""

from __future__ import annotations

from dearhost.hosts.host import Box
from dearhost.hosts.pose import Pose
from dearhost.hosts.props import prop_reach
from dearhost.hosts.skeleton import Arm, Skeleton

ABOUT_HEAD = (0.78, 0.96, 1.06)
"""How far hair and hats reach from the middle of the head: sideways, above and below, in head heights."""


class FigureBoxes:
    """Boxes of parts of a person drawn ``figure`` times as large as an adult."""

    def __init__(self, figure: float) -> None:
        self._figure = figure

    def _scaled(self, box: Box) -> Box:
        left, top, right, bottom = (v * self._figure for v in box)
        return left, top, right, bottom

    def around(self, skeleton: Skeleton, reach: tuple[float, float, float]) -> Box:
        """A box about the head: sideways, above and below its middle, in head heights."""
        x, y, (sideways, above, below) = skeleton.head.real, skeleton.head.imag, reach
        return self._scaled((x - 106 * sideways, y - 106 * above, x + 106 * sideways, y + 106 * below))

    def head(self, skeleton: Skeleton) -> Box:
        """The head with the collar under it."""
        left, top, right, bottom = self.around(skeleton, ABOUT_HEAD)
        return left, top, right, max(bottom, (skeleton.torso(0, 0.18).imag + 6) * self._figure)

    def trunk(self, skeleton: Skeleton, pose: Pose) -> Box:
        """Everything from the collar down but the arms."""
        xs = [skeleton.hip.real - 105, skeleton.hip.real + 115]
        for leg in (skeleton.left_leg, skeleton.right_leg):
            xs += [leg.ankle.real - 60, leg.ankle.real + 60]
        if pose.seat:
            xs += [-pose.root - 75, -pose.root + 75]
        for arm in (skeleton.left, skeleton.right):
            xs += [arm.shoulder.real - 28, arm.shoulder.real + 28]
        return self._scaled((min(xs), skeleton.head.imag + 4, max(xs), 60))

    def arm(self, arm: Arm) -> Box:
        """An arm with its hand and what it holds."""
        xs = [p.real for p in (arm.shoulder, arm.elbow, arm.wrist)]
        ys = [p.imag for p in (arm.shoulder, arm.elbow, arm.wrist)]
        held = arm.pose.held
        if held and not held.second:
            reach = prop_reach(held.prop) + 20
            xs += [arm.wrist.real - reach, arm.wrist.real + reach]
            ys += [arm.wrist.imag - reach, arm.wrist.imag + reach]
        return self._scaled((min(xs) - 70, min(ys) - 75, max(xs) + 70, max(ys) + 70))
