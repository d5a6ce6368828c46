"""Illustrated people: parts in drawing order, each worked out once for rounded parameters."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import replace
from typing import Any

import skia

from dearhost.hosts.arms import arm_outline, draw_bare_arm, draw_hand_of, draw_sleeve, hand_origin, hand_size
from dearhost.hosts.badge import draw_badge
from dearhost.hosts.eyes import draw_brow, draw_eye
from dearhost.hosts.face_parts import draw_beard, draw_blush, draw_glasses, draw_moustache, draw_wrinkles
from dearhost.hosts.figure_boxes import ABOUT_HEAD, FigureBoxes
from dearhost.hosts.hair import draw_back_hair, draw_front_hair
from dearhost.hosts.hair_styles import STYLES
from dearhost.hosts.head_space import PIVOT, HeadSpace, head_outline
from dearhost.hosts.headwear import HIDES_EARS, HIDES_HAIR, draw_headwear, draw_headwear_back
from dearhost.hosts.host import Card, Part
from dearhost.hosts.legs import draw_leg, draw_pelvis, draw_seat
from dearhost.hosts.model_sheet import AGES, ModelSheet
from dearhost.hosts.mouth import draw_mouth
from dearhost.hosts.nose_and_ears import draw_ear, draw_nose
from dearhost.hosts.paper import Paper, paint, turned
from dearhost.hosts.pictures import PictureShelf
from dearhost.hosts.pose import ArmPose, Body, Face, Held, Mouth, Pose
from dearhost.hosts.props import PROPS, draw_prop
from dearhost.hosts.rounding import rounded, still_pose
from dearhost.hosts.skeleton import FOREARM, UPPER_ARM, Arm, Skeleton, solve
from dearhost.hosts.torso import (
    draw_collar,
    draw_earring,
    draw_lanyard,
    draw_neck,
    draw_torso,
    neck_path,
    torso_outline,
)

_HAIR_SWAY = 0.10
"""Of its length that hair swings to a side."""
_SIDEWAYS = 0.5
"""Turn of the trunk from which the farther arm hangs behind it."""
_TURNED_AWAY = 0.15
"""Sine of the head's turn from which features can reach over its edge and must be clipped."""


def _draw_arm_shadow(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """What a hanging arm throws on the trunk."""
    paper.cast(torso_outline(skeleton, sheet.outfit.hem), arm_outline(arm), 6, 8, "ink", 0.15)


def _reaches(arm: Arm) -> float:
    """How high wrist and fingers come: y on the canvas."""
    return min(arm.wrist.imag, (arm.wrist + turned(arm.angle) * 45).imag)


def _holding(arm: Arm) -> int:
    """Arms in drawing order: one that helps to hold lies under what the other holds."""
    held = arm.pose.held
    return 0 if not held else 1 if held.second else 2


TrunkDrawing = Callable[[Paper, Skeleton], None]
ArmDrawing = Callable[[Paper, ModelSheet, Skeleton, Arm], None]
PairDrawing = Callable[[Paper, HeadSpace, ModelSheet, Face, int], None]


class Person:
    """A person drawn from a model sheet."""

    kind = "person"

    def __init__(self, host_id: str, name: str, card: Card, sheet: ModelSheet) -> None:
        self.id, self.name, self.card, self.sheet = host_id, name, card, sheet
        self._figure = AGES[sheet.age].figure
        hair_hangs = STYLES[sheet.hair].back and sheet.headwear.kind not in HIDES_HAIR
        self._swings = bool(hair_hangs) or sheet.outfit.below != "trousers"
        self._boxes = FigureBoxes(self._figure)
        self._shelf = PictureShelf()
        standing = solve(sheet, Pose())
        self._head = standing.head * self._figure
        self._height = -standing.head.imag * self._figure + 50 * self._figure

    @property
    def head_centre(self) -> complex:
        """The middle of the head when standing straight."""
        return self._head

    @property
    def figure(self) -> float:
        """Units of the picture a unit of the host's own."""
        return self._figure

    @property
    def leg(self) -> float:
        """The length of a leg, in units of the host's own."""
        return AGES[self.sheet.age].thigh + AGES[self.sheet.age].shin

    @property
    def foot(self) -> float:
        """The size of a foot beside an adult's."""
        return AGES[self.sheet.age].limb

    @property
    def arm_base(self) -> tuple[complex, float]:
        """The right shoulder from the middle of the head, and an arm's length, in units."""
        standing = solve(self.sheet, Pose())
        length = (UPPER_ARM + FOREARM) * standing.proportions.arm
        return (standing.right.shoulder - standing.head) * self._figure, length * self._figure

    @property
    def height(self) -> float:
        """From the ground to the crown."""
        return self._height

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
        for part in self.parts(pose, canvas.getTotalMatrix().getScaleX()):
            part.draw(canvas)

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """Body with its hanging arms, the head, eyes and mouth, then raised arms."""
        pose = still_pose(pose, scale * self._figure)
        if not self._swings:
            pose = replace(pose, body=replace(pose.body, sway=0.0))
        body, face, mouth = pose.body, pose.face, pose.mouth
        skeleton = solve(self.sheet, pose)
        head = HeadSpace(0j, 100, body.yaw, body.pitch, 0, body.jaw)
        upper = HeadSpace(0j, 100, body.yaw, body.pitch, 0, 0)  # all that the jaw does not move
        arms = sorted((skeleton.left, skeleton.right), key=_holding)
        raised = [a for a in arms if _reaches(a) <= skeleton.head.imag + 86 or a.pose.held]
        low = [a for a in arms if a not in raised]
        far = None
        if abs(body.turn) > _SIDEWAYS:
            far = skeleton.right if body.turn > 0 else skeleton.left
        helping = [a for a in raised if a.pose.held and a.pose.held.second]
        placed = (body.bend, body.roll, body.lean, skeleton.head, body.yaw, body.pitch, body.jaw)
        seat = (pose.seat, pose.root) if pose.seat else ()  # it stays where it is when the host goes
        swinging = body.sway if self.sheet.outfit.below != "trousers" else 0.0
        trunk = replace(body, yaw=0, pitch=0, roll=0, jaw=0, head_x=0, sway=swinging)
        return [
            Part("back hair", (placed[:-1], body.sway), self._boxes.around(skeleton, ABOUT_HEAD),
                 lambda c: self._draw_back_hair(c, skeleton, upper, body)),
            *(self._arm_part(body, arm, shadow=False) for arm in low if arm is far),
            Part("body", (trunk, pose.legs, seat), self._boxes.trunk(skeleton, pose),
                 lambda c: self._draw_body(c, skeleton, body, pose)),
            *(self._arm_part(body, arm, shadow=True) for arm in low if arm is not far),
            Part("head", placed, self._boxes.head(skeleton),
                 lambda c: self._draw_head(c, skeleton, head, body)),
            Part("hair", placed[:-1], self._boxes.around(skeleton, ABOUT_HEAD),
                 lambda c: self._draw_hair(c, skeleton, upper, body)),
            Part("eyes", (placed[:-1], face), self._boxes.around(skeleton, (0.40, 0.26, 0.20)),
                 lambda c: self._draw_eyes(c, skeleton, upper, body, face)),
            Part("mouth", (placed, mouth), self._boxes.around(skeleton, (0.30, -0.12, 0.56)),
                 lambda c: self._draw_mouth(c, skeleton, head, body, mouth)),
            *(self._arm_part(body, arm, shadow=False) for arm in raised),
            *(self._fingers_part(body, arm) for arm in helping),
        ]  # fmt: skip

    def _arm_part(self, body: Body, arm: Arm, *, shadow: bool) -> Part:
        def draw(canvas: Any) -> None:
            with self._figure_space(canvas) as paper:
                self._draw_arm(paper, body, arm, shadow=shadow)

        return Part(f"arm{arm.side}", (body.bend, arm.shoulder, arm.pose, shadow), self._boxes.arm(arm), draw)

    def _fingers_part(self, body: Body, arm: Arm) -> Part:
        def draw(canvas: Any) -> None:
            with self._figure_space(canvas) as paper, self._frame(paper, arm.shoulder, body.bend):
                alone, own = self._arm_alone(replace(arm.pose, shrug=0.0), arm.side)
                self._draw_hand(paper, alone, own, fingers_only=True)

        return Part(f"fingers{arm.side}", (body.bend, arm.shoulder, arm.pose), self._boxes.arm(arm), draw)

    # -- frames ------------------------------------------------------------------------------------

    @contextmanager
    def _figure_space(self, canvas: Any) -> Iterator[Paper]:
        """A person's units."""
        canvas.save()
        canvas.scale(self._figure, self._figure)
        yield Paper(canvas, canvas.getTotalMatrix().getScaleX())
        canvas.restore()

    @contextmanager
    def _head_frame(self, canvas: Any, skeleton: Skeleton, body: Body) -> Iterator[Paper]:
        """The head's own units: its middle is the origin, it stands upright."""
        size = 1 + 0.09 * max(0.0, body.lean)
        with self._figure_space(canvas) as paper:
            canvas.translate(skeleton.head.real, skeleton.head.imag)
            canvas.scale(size, size)
            canvas.translate(0, PIVOT.imag * 100)
            canvas.rotate(body.roll + body.bend * 0.5)
            canvas.translate(0, -PIVOT.imag * 100)
            paper.set_scale(paper.scale * size)
            yield paper

    @contextmanager
    def _frame(self, paper: Paper, origin: complex, degrees: float) -> Iterator[Paper]:
        """A part's own frame: its origin at (0, 0), turned back upright."""
        canvas = paper.canvas
        canvas.save()
        canvas.translate(origin.real, origin.imag)
        canvas.rotate(degrees)
        yield paper
        canvas.restore()

    # -- parts -------------------------------------------------------------------------------------

    def _draw_back_hair(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, body: Body) -> None:
        with self._head_frame(canvas, skeleton, body) as paper:
            canvas.skew(_HAIR_SWAY * body.sway, 0)
            key = ("back hair", body.yaw, body.pitch)
            self._shelf.draw(paper, key, lambda p: self._record_back_hair(p, head))

    def _record_back_hair(self, paper: Paper, head: HeadSpace) -> None:
        draw_headwear_back(paper, head, self.sheet)
        draw_back_hair(paper, head, self.sheet)

    def _draw_body(self, canvas: Any, skeleton: Skeleton, body: Body, pose: Pose) -> None:
        """What there is to sit on, legs, trunk and neck."""
        hip = skeleton.hip
        with self._figure_space(canvas) as paper:
            canvas.drawOval(skia.Rect.MakeLTRB(hip.real - 95, -8, hip.real + 105, 14), paint("ink", 0.20))
            if not canvas.quickReject(skia.Rect.MakeLTRB(hip.real - 200, hip.imag - 12, hip.real + 200, 40)):
                if pose.seat:
                    draw_seat(paper, -pose.root, pose.seat)
                legs = [skeleton.left_leg, skeleton.right_leg]
                for leg in legs[::-1] if pose.legs.heading > 0 else legs:  # the farther one first
                    draw_leg(paper, self.sheet, skeleton, leg)
                draw_pelvis(paper, self.sheet, skeleton, body.sway)
            self._draw_on_trunk(paper, skeleton, body, "trunk", self._record_trunk)

    def _draw_on_trunk(self, paper: Paper, skeleton: Skeleton, body: Body, name: str, record: TrunkDrawing) -> None:
        """Draw something in the frame of the lower spine, from a spine whose lower half is upright."""
        lower = body.bend * 0.5 + body.tilt * 0.3
        curve = rounded(body.bend - lower, 0.1)
        # bend * .5 + tilt * .3 = 0
        bent = Body(bend=curve, tilt=-curve * 0.5 / 0.3, breath=body.breath, lean=body.lean, turn=body.turn)
        upright = solve(self.sheet, Pose(body=bent))

        def drawing(p: Paper) -> None:
            p.canvas.translate(-upright.hip.real, -upright.hip.imag)
            record(p, upright)

        with self._frame(paper, skeleton.hip, lower):
            self._shelf.draw(paper, (name, curve, body.breath, body.lean, body.turn), drawing)

    def _record_trunk(self, paper: Paper, upright: Skeleton) -> None:
        draw_torso(paper, self.sheet, upright)
        draw_neck(paper, self.sheet, upright)
        draw_lanyard(paper, self.sheet, upright)
        draw_badge(paper, self.sheet, upright)

    def _record_collar(self, paper: Paper, upright: Skeleton) -> None:
        draw_collar(paper, self.sheet, upright)

    def _draw_chin_shadow(self, paper: Paper, skeleton: Skeleton, body: Body, head: HeadSpace) -> None:
        chin = skia.Path(head_outline(head, self.sheet.features))
        matrix = skia.Matrix()
        matrix.setRotate(body.roll + body.bend * 0.5, 0, PIVOT.imag * 100)
        matrix.postTranslate(skeleton.head.real, skeleton.head.imag)
        chin.transform(matrix)
        paper.cast(neck_path(self.sheet, skeleton), chin, 5, 11, self.sheet.skin_shade, 1.0)

    def _draw_arm(self, paper: Paper, body: Body, arm: Arm, *, shadow: bool) -> None:
        """An arm in its shoulder's frame: it turns with the chest. The hand turns about its wrist."""
        pose, side = replace(arm.pose, shrug=0.0), arm.side
        with self._frame(paper, arm.shoulder, body.bend):
            if shadow:
                soft = replace(
                    pose, x=rounded(pose.x, 0.008), y=rounded(pose.y, 0.008), upper_arm=rounded(pose.upper_arm, 1.0)
                )
                self._draw_on_arm(paper, "shadow", soft, side, _draw_arm_shadow)
            if self.sheet.outfit.sleeve != "long":
                self._draw_on_arm(paper, "bare arm", pose, side, draw_bare_arm)
            alone, own = self._arm_alone(pose, side)
            held = pose.held
            self._draw_hand(paper, alone, own)
            self._draw_on_arm(paper, "sleeve", pose, side, draw_sleeve)
            if held and not held.second:
                self._draw_held(paper, alone, own, held, body.bend)
                self._draw_hand(paper, alone, own, fingers_only=True)

    def _draw_hand(self, paper: Paper, alone: Skeleton, own: Arm, *, fingers_only: bool = False) -> None:
        """The hand of an arm whose shoulder is at the origin, or what of it lies over a prop."""
        wrist = hand_origin(self.sheet, own) - own.shoulder
        hand = replace(own, squeeze=rounded(own.squeeze, 0.04))
        with self._frame(paper, wrist, own.angle):
            key = ("hand", own.side * own.pose.flip, own.pose.hand, hand.squeeze, fingers_only)
            self._shelf.draw(paper, key, lambda p: draw_hand_of(p, self.sheet, alone, hand, fingers_only=fingers_only))

    def _draw_held(self, paper: Paper, alone: Skeleton, own: Arm, held: Held, bend: float) -> None:
        """The prop in the palm, upright whatever the hand does."""
        palm = hand_origin(self.sheet, own) - own.shoulder + turned(own.angle) * 17 * hand_size(alone) * own.squeeze
        prop = PROPS[held.prop]
        with self._frame(paper, palm, own.side * prop.turn - bend):
            paper.canvas.scale(held.size, held.size)
            key = ("prop", held.prop, held.words, own.side, held.lettering is not None)
            self._shelf.draw(paper, key, lambda p: draw_prop(p, held.prop, own.side, held.words, held.lettering))

    def _arm_alone(self, pose: ArmPose, side: int) -> tuple[Skeleton, Arm]:
        """A straight body with this arm on both sides, and the arm."""
        alone = solve(self.sheet, Pose(left=pose, right=pose))
        return alone, alone.right if side > 0 else alone.left

    def _draw_on_arm(self, paper: Paper, name: str, pose: ArmPose, side: int, draw: ArmDrawing) -> None:
        """Draw something of an arm whose shoulder is at the origin."""
        angle = pose.angle if self.sheet.outfit.sleeve != "long" else 0.0
        key = (name, side, pose.x, pose.y, pose.upper_arm, pose.upper_weight, pose.elbow, angle)

        def record(p: Paper) -> None:
            alone, own = self._arm_alone(pose, side)
            p.canvas.translate(-own.shoulder.real, -own.shoulder.imag)
            draw(p, self.sheet, alone, own)

        self._shelf.draw(paper, key, record)

    def _draw_head(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, body: Body) -> None:
        """What moves with the head and the jaw: the chin's shadow, the collar over it, skull, far ear, beard."""
        with self._figure_space(canvas) as paper:
            self._draw_chin_shadow(paper, skeleton, body, head)
            self._draw_on_trunk(paper, skeleton, body, "collar", self._record_collar)
        with self._head_frame(canvas, skeleton, body) as paper:
            self._shelf.draw(paper, ("skull", body.yaw, body.pitch, body.jaw), lambda p: self._record_skull(p, head))

    def _draw_hair(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, body: Body) -> None:
        """Nose, front hair, the nearer ear, earrings."""
        with self._head_frame(canvas, skeleton, body) as paper:
            self._shelf.draw(paper, ("hair", body.yaw, body.pitch), lambda p: self._record_hair(p, head))

    def _record_skull(self, paper: Paper, head: HeadSpace) -> None:
        sheet = self.sheet
        path = head_outline(head, sheet.features)
        far = head.far_side
        if not self._ears_covered:
            for side in (-1, 1):
                if far in (0, side):
                    draw_ear(paper, head, sheet, side)
        paper.piece(path, sheet.skin_base, sheet.skin_shade, crescent=(head.size * 0.075, head.size * 0.045), ink=1.1)
        with paper.clipped(path, needed=abs(head.sin_yaw) > _TURNED_AWAY):
            draw_blush(paper, head, sheet)
            draw_wrinkles(paper, head, sheet)
        with paper.clipped(path, needed=sheet.beard == "stubble"):
            draw_beard(paper, head, sheet)

    @property
    def _ears_covered(self) -> bool:
        return STYLES[self.sheet.hair].covers_ears or self.sheet.headwear.kind in HIDES_EARS

    def _record_hair(self, paper: Paper, head: HeadSpace) -> None:
        sheet = self.sheet
        far, outline = head.far_side, head_outline(head, sheet.features)
        draw_nose(paper, head, sheet)
        draw_front_hair(paper, head, sheet, outline)
        if not self._ears_covered and far:
            draw_ear(paper, head, sheet, -far)
        draw_headwear(paper, head, sheet, outline)
        if sheet.earring and sheet.headwear.kind not in HIDES_EARS:
            for side in (-1, 1):
                if far != side:
                    draw_earring(paper, head.solid(0.385 * side, 0.185, -0.02), sheet.earring)

    def _draw_eyes(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, body: Body, face: Face) -> None:
        """Eyes and brows, and the glasses before them."""
        turned = (body.yaw, body.pitch)
        eyes = replace(face, brow_left=0, brow_right=0, brow_angle=0, brow_in=0)
        brows = Face(
            brow_left=face.brow_left, brow_right=face.brow_right, brow_angle=face.brow_angle, brow_in=face.brow_in
        )
        with self._head_frame(canvas, skeleton, body) as paper:
            self._shelf.draw(paper, ("eyes", turned, eyes), lambda p: self._record_pair(p, head, eyes, draw_eye))
            self._shelf.draw(paper, ("brows", turned, brows), lambda p: self._record_pair(p, head, brows, draw_brow))
            if self.sheet.glasses.kind:
                self._shelf.draw(paper, ("glasses", turned), lambda p: draw_glasses(p, head, self.sheet))

    def _record_pair(self, paper: Paper, head: HeadSpace, face: Face, draw: PairDrawing) -> None:
        """Something on both sides of the face."""
        outline = head_outline(head, self.sheet.features)
        with paper.clipped(outline, needed=abs(head.sin_yaw) > _TURNED_AWAY):
            for side in (-1, 1):
                draw(paper, head, self.sheet, face, side)

    def _draw_mouth(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, body: Body, mouth: Mouth) -> None:
        def record(paper: Paper) -> None:
            outline = head_outline(head, self.sheet.features)
            with paper.clipped(outline, needed=abs(head.sin_yaw) > _TURNED_AWAY):
                draw_mouth(paper, head, self.sheet, mouth)
            draw_moustache(paper, head, self.sheet, mouth)

        with self._head_frame(canvas, skeleton, body) as paper:
            self._shelf.draw(paper, ("mouth", body.yaw, body.pitch, body.jaw, mouth), record)
