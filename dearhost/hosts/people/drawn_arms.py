"""A person's arms with their hands and what they hold, in the frame of the shoulder."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from dearhost.drawing.outlines import moved, turned
from dearhost.drawing.paper import Paper
from dearhost.drawing.recorded import PictureShelf
from dearhost.hosts.people.arms import (
    arm_outline,
    draw_bare_arm,
    draw_hand_of,
    draw_sleeve,
    forearm_outline,
    hand_before_upper_arm,
    hand_origin,
    hand_size,
)
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.skeleton import Arm, Skeleton, arm_at, solve
from dearhost.hosts.people.torso import torso_outline
from dearhost.hosts.pose import ArmPose, Held, Pose
from dearhost.hosts.props import PROPS, draw_on_screen, draw_prop
from dearhost.hosts.rounding import rounded

ArmDrawing = Callable[[Paper, ModelSheet, Skeleton, Arm], None]


class DrawnArms:
    """Draws the arms of one model sheet."""

    def __init__(self, sheet: ModelSheet, shelf: PictureShelf) -> None:
        self._sheet, self._shelf = sheet, shelf
        self._straight = solve(sheet, Pose())
        self._trunk = torso_outline(self._straight, sheet.outfit.hem)

    def palm(self, skeleton: Skeleton, arm: Arm) -> complex:
        """Where the hand has the grip of a prop."""
        return hand_origin(self._sheet, arm) + turned(arm.angle) * 17 * hand_size(skeleton) * arm.squeeze

    def fingers(self, paper: Paper, bend: float, pose: ArmPose, side: int) -> None:
        """The fingers of a hand that helps to hold, which lie over the prop."""
        with paper.frame(0j, bend):
            self._draw_hand(paper, arm_at(self._straight, pose, side), fingers_only=True)

    def arm(self, paper: Paper, bend: float, pose: ArmPose, side: int, *, shadow: bool) -> None:
        """An arm in its shoulder's frame: it turns with the chest. The hand turns about its wrist."""
        with paper.frame(0j, bend):
            if shadow:
                self._draw_shadow(paper, pose, side)
            own = arm_at(self._straight, pose, side)
            if self._sheet.outfit.sleeve != "long":
                self._draw_on_arm(paper, "bare arm", own, draw_bare_arm)
            held, before = pose.held, hand_before_upper_arm(self._straight, own)
            if not before:
                self._draw_hand(paper, own)
            self._draw_on_arm(paper, "sleeve", own, draw_sleeve)
            if before:
                forearm = forearm_outline(self._straight, own)
                with paper.clipped(moved(forearm, -own.shoulder.real, -own.shoulder.imag), outside=True):
                    self._draw_hand(paper, own)
            if held and not held.second:
                self._draw_held(paper, own, held, bend)
                self._draw_hand(paper, own, fingers_only=True)

    def _draw_shadow(self, paper: Paper, pose: ArmPose, side: int) -> None:
        """What a hanging arm throws on the trunk, in coarser steps."""
        x, y, upper_arm = rounded(pose.x, 0.012), rounded(pose.y, 0.012), rounded(pose.upper_arm, 1.5)
        elbow = rounded(pose.elbow, 0.06)
        key = ("shadow", side, x, y, upper_arm, pose.upper_weight, elbow)

        def record(p: Paper) -> None:
            own = arm_at(self._straight, replace(pose, x=x, y=y, upper_arm=upper_arm, elbow=elbow), side)
            p.canvas.translate(-own.shoulder.real, -own.shoulder.imag)
            p.cast(self._trunk, arm_outline(own), 6, 8, "ink", 0.15)

        self._shelf.draw(paper, key, record)

    def _draw_hand(self, paper: Paper, own: Arm, *, fingers_only: bool = False) -> None:
        """The hand of an arm whose shoulder is at the origin, or what of it lies over a prop."""
        wrist = hand_origin(self._sheet, own) - own.shoulder
        hand = replace(own, squeeze=rounded(own.squeeze, 0.04))
        with paper.frame(wrist, own.angle):
            key = ("hand", own.side * own.pose.flip, own.pose.hand, hand.squeeze, fingers_only)
            self._shelf.draw(
                paper, key, lambda p: draw_hand_of(p, self._sheet, self._straight, hand, fingers_only=fingers_only)
            )

    def _draw_held(self, paper: Paper, own: Arm, held: Held, bend: float) -> None:
        """The prop in the palm, upright whatever the hand does."""
        palm = self.palm(self._straight, own) - own.shoulder
        prop = PROPS[held.prop]
        with paper.frame(palm, own.side * (prop.turn + held.lying) - bend):
            paper.canvas.scale(held.size, held.size)
            key = ("prop", held.prop, held.content, own.side, held.contents is not None)
            self._shelf.draw(paper, key, lambda p: draw_prop(p, held.prop, own.side, held.content, held.contents))
            draw_on_screen(paper, held.prop, own.side, held.content, held.contents, held.frame)

    def _draw_on_arm(self, paper: Paper, name: str, own: Arm, draw: ArmDrawing) -> None:
        """Draw something of an arm whose shoulder is at the origin."""
        pose = own.pose
        angle = pose.angle if self._sheet.outfit.sleeve != "long" else 0.0
        key = (name, own.side, pose.x, pose.y, pose.upper_arm, pose.upper_weight, pose.elbow, angle)

        def record(p: Paper) -> None:
            p.canvas.translate(-own.shoulder.real, -own.shoulder.imag)
            draw(p, self._sheet, self._straight, own)

        self._shelf.draw(paper, key, record)
