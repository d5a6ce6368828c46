"""Illustrated people: parts in drawing order."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.hosts.arms import arm_outline, draw_arm
from dearhost.hosts.eyes import draw_brow, draw_eye
from dearhost.hosts.face_parts import draw_beard, draw_blush, draw_moustache, draw_round_glasses
from dearhost.hosts.hair import STYLES, draw_back_hair, draw_front_hair
from dearhost.hosts.head_space import HeadSpace, head_outline
from dearhost.hosts.host import Part
from dearhost.hosts.legs import draw_leg, draw_pelvis
from dearhost.hosts.model_sheet import AGES, ModelSheet
from dearhost.hosts.mouth import draw_mouth
from dearhost.hosts.nose_and_ears import draw_ear, draw_nose
from dearhost.hosts.paper import Paper, paint
from dearhost.hosts.pose import Face, Mouth, Pose
from dearhost.hosts.skeleton import Arm, Skeleton, solve
from dearhost.hosts.torso import draw_collar, draw_earring, draw_neck, draw_torso


class Person:
    """A person drawn from a model sheet."""

    kind = "person"

    def __init__(self, host_id: str, name: str, description: str, sheet: ModelSheet) -> None:
        self.id, self.name, self.description, self.sheet = host_id, name, description, sheet
        self._figure = AGES[sheet.age].figure
        standing = solve(sheet, Pose())
        self._head = standing.head * self._figure
        self._height = -standing.head.imag * self._figure + 50 * self._figure

    @property
    def head_centre(self) -> complex:
        """The middle of the head when standing straight."""
        return self._head

    @property
    def height(self) -> float:
        """From the ground to the crown."""
        return self._height

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
        for part in self.parts(pose):
            part.draw(canvas)

    def parts(self, pose: Pose) -> list[Part]:
        """Body with its arms hanging, the head, the moving face, then raised arms."""
        skeleton = solve(self.sheet, pose)
        head = self._head_space(skeleton, pose)
        raised = [a for a in (skeleton.left, skeleton.right) if a.wrist.imag <= skeleton.head.imag + 62]
        low = [a for a in (skeleton.left, skeleton.right) if a not in raised]
        face, mouth = pose.face, pose.mouth
        parts = [
            Part("body", (pose.body, *(a.pose for a in low)), self._box((-235, -640, 235, 60)),
                 lambda c: self._draw_body(c, skeleton, head, low)),
            Part("head", pose.body, self._head_box(head, 0.72, 0.82, 1.0), lambda c: self._draw_head(c, head)),
            Part("face", (pose.body, face, mouth), self._head_box(head, 0.40, 0.26, 0.52),
                 lambda c: self._draw_face(c, head, face, mouth), moving=True),
        ]  # fmt: skip
        for arm in raised:
            key = (pose.body, arm.pose)
            parts.append(Part(f"arm{arm.side}", key, self._arm_box(arm), self._arm_drawer(skeleton, arm)))
        return parts

    def _head_space(self, skeleton: Skeleton, pose: Pose) -> HeadSpace:
        body = pose.body
        size = 100 * (1 + 0.09 * max(0.0, body.lean))
        return HeadSpace(skeleton.head, size, body.yaw, body.pitch, body.roll + body.bend * 0.5, body.jaw)

    def _box(self, box: tuple[float, float, float, float]) -> tuple[float, float, float, float]:
        left, top, right, bottom = (v * self._figure for v in box)
        return left, top, right, bottom

    def _head_box(
        self, head: HeadSpace, sideways: float, above: float, below: float
    ) -> tuple[float, float, float, float]:
        x, y, size = head.origin.real, head.origin.imag, head.size
        return self._box((x - size * sideways, y - size * above, x + size * sideways, y + size * below))

    def _arm_box(self, arm: Arm) -> tuple[float, float, float, float]:
        xs = [p.real for p in (arm.shoulder, arm.elbow, arm.wrist)]
        ys = [p.imag for p in (arm.shoulder, arm.elbow, arm.wrist)]
        return self._box((min(xs) - 70, min(ys) - 75, max(xs) + 70, max(ys) + 70))

    def _paper(self, canvas: Any) -> Paper:
        canvas.save()
        canvas.scale(self._figure, self._figure)
        return Paper(canvas, canvas.getTotalMatrix().getScaleX())

    def _arm_drawer(self, skeleton: Skeleton, arm: Arm) -> Any:
        def draw(canvas: Any) -> None:
            paper = self._paper(canvas)
            draw_arm(paper, self.sheet, skeleton, arm)
            canvas.restore()

        return draw

    def _draw_body(self, canvas: Any, skeleton: Skeleton, head: HeadSpace, arms: list[Arm]) -> None:
        paper, sheet = self._paper(canvas), self.sheet
        hip = skeleton.hip.real
        canvas.drawOval(skia.Rect.MakeLTRB(hip - 95, -8, hip + 105, 14), paint("ink", 0.20))
        draw_back_hair(paper, head, sheet)
        below = skeleton.hip.imag - 12
        if not canvas.quickReject(skia.Rect.MakeLTRB(hip - 200, below, hip + 200, 40)):
            for leg in (skeleton.left_leg, skeleton.right_leg):
                draw_leg(paper, sheet, skeleton, leg)
            draw_pelvis(paper, sheet, skeleton)
        torso_path = draw_torso(paper, sheet, skeleton)
        draw_neck(paper, sheet, skeleton, head_outline(head, sheet.features))
        draw_collar(paper, sheet, skeleton)
        for arm in arms:
            paper.cast(torso_path, arm_outline(arm), 6, 8, "ink", 0.15)
            draw_arm(paper, sheet, skeleton, arm)
        canvas.restore()

    def _draw_head(self, canvas: Any, head: HeadSpace) -> None:
        """What is still between head moves: skull, ears, beard, nose, hair."""
        paper, sheet = self._paper(canvas), self.sheet
        path = head_outline(head, sheet.features)
        turned_away = abs(head.sin_yaw) > 0.15
        far, covered = head.far_side, STYLES[sheet.hair].covers_ears
        if not covered:
            for side in (-1, 1):
                if far in (0, side):
                    draw_ear(paper, head, sheet, side)
        paper.piece(path, sheet.skin_base, sheet.skin_shade, crescent=(head.size * 0.075, head.size * 0.045), ink=1.1)
        with paper.clipped(path, needed=turned_away):
            draw_blush(paper, head, sheet)
        if sheet.beard:
            draw_beard(paper, head, sheet)
        draw_nose(paper, head, sheet)
        draw_front_hair(paper, head, sheet, path)
        if not covered and far:
            draw_ear(paper, head, sheet, -far)
        if sheet.earring:
            for side in (-1, 1):
                if far != side:
                    draw_earring(paper, head.solid(0.385 * side, 0.185, -0.02), sheet.earring)
        canvas.restore()

    def _draw_face(self, canvas: Any, head: HeadSpace, face: Face, mouth: Mouth) -> None:
        """What moves by itself: mouth, eyes, brows, and the glasses before them."""
        paper, sheet = self._paper(canvas), self.sheet
        with paper.clipped(head_outline(head, sheet.features), needed=abs(head.sin_yaw) > 0.15):
            draw_mouth(paper, head, sheet, mouth)
            for side in (-1, 1):
                draw_eye(paper, head, sheet, face, side)
                draw_brow(paper, head, sheet, face, side)
        if sheet.beard:
            draw_moustache(paper, head, sheet, mouth)
        if sheet.glasses:
            draw_round_glasses(paper, head, sheet)
        canvas.restore()
