"""Illustrated people: parts in drawing order, each worked out once for rounded parameters."""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterator
from contextlib import contextmanager
from dataclasses import replace
from typing import Any, NamedTuple

import skia

from dearhost.drawing.colours import paint
from dearhost.drawing.outlines import moved, turned
from dearhost.drawing.paper import Paper
from dearhost.drawing.recorded import PictureShelf
from dearhost.hosts.abilities import PERSON
from dearhost.hosts.host import Card, Part
from dearhost.hosts.people.back_view import draw_trunk_from_behind
from dearhost.hosts.people.badge import draw_badge
from dearhost.hosts.people.drawn_arms import DrawnArms
from dearhost.hosts.people.drawn_head import DrawnHead
from dearhost.hosts.people.figure_boxes import EYES, MOUTH, SKULL, UNDER_TRUNK, FigureBoxes, Reach, hair_reach
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import PIVOT, HeadSpace, head_outline
from dearhost.hosts.people.headwear import HIDES_HAIR
from dearhost.hosts.people.legs import draw_leg, draw_pelvis, draw_seat
from dearhost.hosts.people.model_sheet import AGES, ModelSheet
from dearhost.hosts.people.skeleton import FOREARM, UPPER_ARM, Arm, Skeleton, solve
from dearhost.hosts.people.torso import (
    FLARED,
    draw_collar,
    draw_lanyard,
    draw_neck,
    draw_torso,
    neck_path,
)
from dearhost.hosts.pose import Body, Pose
from dearhost.hosts.rounding import in_pixels, outline_turn, rounded, still_pose

_SIDEWAYS = 0.5
"""Turn of the trunk from which the farther arm hangs behind it."""


def _reaches(arm: Arm) -> float:
    """How high wrist and fingers come: y on the canvas."""
    return min(arm.wrist.imag, (arm.wrist + turned(arm.angle) * 45).imag)


def _holding(arm: Arm) -> int:
    """Arms in drawing order: one that helps to hold lies under what the other holds."""
    held = arm.pose.held
    return 0 if not held else 1 if held.second else 2


_ROLL = 0.25
"""Degrees in which a head's roll is drawn."""
_SPINE_BEND = 0.2
"""Degrees in which the spine bends, with the trunk and the arms on it."""
_LITTLE_SLIDING = 2.0
"""How much coarser than other outlines of a head the turns are that back hair and the chin's shadow are drawn at."""
_SHADOW, _SHADOW_JAW = 2.0, 0.36
"""Units, and parts of the jaw's way, in which the chin's shadow follows."""


class _SetHead(NamedTuple):
    """How a head is set: everything that all its parts are drawn by."""

    roll: float
    lean: float
    yaw: float
    pitch: float


class _HeadView(NamedTuple):
    """A head as some of its parts are drawn; the jaw does not move what is in the ``upper`` space."""

    setting: _SetHead
    space: HeadSpace
    upper: HeadSpace

    @classmethod
    def of(cls, body: Body, turned: tuple[float, float]) -> _HeadView:
        """With a head ``turned`` by yaw and pitch."""
        roll = rounded(body.roll + body.bend * 0.5, _ROLL)
        space, upper = (HeadSpace(0j, 100, *turned, 0, jaw) for jaw in (body.jaw, 0.0))
        return cls(_SetHead(roll, body.lean, *turned), space, upper)


TrunkDrawing = Callable[[Paper, Skeleton], None]


class Person:
    """A person drawn from a model sheet."""

    kind = "person"
    abilities = PERSON

    def __init__(self, host_id: str, name: str, card: Card, sheet: ModelSheet) -> None:
        self.id, self.name, self.card, self.sheet = host_id, name, card, sheet
        self._figure = AGES[sheet.age].figure
        hair_hangs = STYLES[sheet.hair].back and sheet.headwear.kind not in HIDES_HAIR
        self._cloth_swings = bool(sheet.lanyard) or sheet.outfit.hem > FLARED
        self._swings = bool(hair_hangs) or self._cloth_swings or sheet.outfit.below != "trousers"
        self._boxes = FigureBoxes(self._figure)
        self._hair_reach = hair_reach(sheet)
        sideways, above, below = zip(self._hair_reach, SKULL, strict=True)
        self._behind_reach = max(sideways), max(above), max(below)
        self._shelf = PictureShelf()
        self._face, self._arms = DrawnHead(sheet, self._shelf), DrawnArms(sheet, self._shelf)
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
    def prop_size(self) -> float:
        """Units of the picture a unit of a prop."""
        return self._figure

    def palm(self, pose: Pose, side: int) -> complex:
        """Where the hand at the left (-1) or right (1) has the grip of a prop."""
        skeleton = solve(self.sheet, pose)
        return self._arms.palm(skeleton, skeleton.right if side > 0 else skeleton.left) * self._figure

    @property
    def height(self) -> float:
        """From the ground to the crown."""
        return self._height

    def draw(self, canvas: Any, pose: Pose) -> None:
        """Draw ``pose`` whole."""
        paper = Paper.on(canvas)
        for part in self.parts(pose, paper.scale):
            part.place(paper)

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """Legs, trunk with its hanging arms, the head, eyes and mouth, then raised arms."""
        turned_edge, turned_behind = (
            outline_turn(pose.body, scale * self._figure, by) for by in (1.0, _LITTLE_SLIDING)
        )
        pose = still_pose(pose, scale * self._figure)
        if not self._swings:
            pose = replace(pose, body=replace(pose.body, sway=0.0))
        body, face, mouth = pose.body, pose.face, pose.mouth
        skeleton = solve(self.sheet, pose)
        turns = (body.yaw, body.pitch), turned_edge, turned_behind
        features, edge, behind = (_HeadView.of(body, turn) for turn in turns)
        skull = features if self._face.lined else edge  # what is drawn on it goes with the features
        eyes = self.sheet.features.eye_y
        slide = in_pixels(features.upper.surface(0, eyes) - edge.upper.surface(0, eyes), scale * self._figure)
        arms = sorted((skeleton.left, skeleton.right), key=_holding)
        raised = [a for a in arms if _reaches(a) <= skeleton.head.imag + 86 or a.pose.held]
        low = [a for a in arms if a not in raised]
        far = None
        if abs(body.turn) > _SIDEWAYS:
            far = skeleton.right if body.turn > 0 else skeleton.left
        helping = [a for a in raised if a.pose.held and a.pose.held.second]
        trunk = replace(
            body,
            bend=rounded(body.bend, _SPINE_BEND),
            tilt=rounded(body.tilt, 2 * _SPINE_BEND),
            sway=body.sway if self._cloth_swings else 0.0,
        )
        if body.away:
            return [
                *(self._arm_part(trunk.bend, arm, shadow=False) for arm in (*raised, *low)),
                self._legs_part(skeleton, pose),
                self._trunk_part(skeleton, trunk),
                self._head_part("head", skeleton, edge, (body.sway, True), self._behind_reach,
                                lambda p: self._face.from_behind(p, edge.upper, body.sway), body.sway),
            ]  # fmt: skip
        return [
            self._head_part("back hair", skeleton, behind, body.sway, self._hair_reach,
                            lambda p: self._face.back_hair(p, behind.upper, body.sway), body.sway),
            *(self._arm_part(trunk.bend, arm, shadow=False) for arm in low if arm is far),
            self._legs_part(skeleton, pose),
            self._trunk_part(skeleton, trunk),
            *(self._arm_part(trunk.bend, arm, shadow=True) for arm in low if arm is not far),
            self._neck_part(skeleton, trunk, behind.setting),
            self._head_part("head", skeleton, skull, body.jaw, SKULL,
                            lambda p: self._face.skull(p, skull.space)),
            self._head_part("hair", skeleton, edge, None, self._hair_reach,
                            lambda p: self._face.hair(p, edge.upper)),
            self._head_part("eyes", skeleton, edge, face, EYES,
                            lambda p: self._face.eyes(p, edge.upper, face), slide=slide),
            self._head_part("mouth", skeleton, features, (body.jaw, mouth), MOUTH,
                            lambda p: self._face.mouth(p, features.space, mouth)),
            *(self._arm_part(trunk.bend, arm, shadow=False) for arm in raised),
            *(self._fingers_part(trunk.bend, arm) for arm in helping),
        ]  # fmt: skip

    def _head_part(self, name: str, skeleton: Skeleton, view: _HeadView, key: Hashable, reach: Reach,
                   draw: Callable[[Paper], None], sway: float = 0.0, slide: complex = 0j) -> Part:  # fmt: skip
        """A part in the head's own units: its middle is the origin, it stands upright. ``slide`` carries it on."""
        setting = view.setting
        size = 1 + 0.09 * max(0.0, setting.lean)

        def placed(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                paper.canvas.scale(size, size)
                paper.canvas.translate(0, PIVOT.imag * 100)
                paper.canvas.rotate(setting.roll)
                paper.canvas.translate(0, -PIVOT.imag * 100)
                paper.set_scale(paper.scale * size)
                draw(paper)

        box = self._boxes.about_head(reach, setting.roll, size, sway)
        return Part(name, (setting, key), box, placed, (skeleton.head + slide) * self._figure)

    def _legs_part(self, skeleton: Skeleton, pose: Pose) -> Part:
        body, hip = pose.body, skeleton.hip
        seat = (pose.seat, pose.root) if pose.seat else ()  # it stays where it is when the host goes
        skirt = body.sway if self.sheet.outfit.below != "trousers" else 0.0
        key = (hip, body.bend, body.tilt, body.lean, body.turn, skirt, pose.legs, seat)

        def draw(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                paper.canvas.clipRect(skia.Rect.MakeLTRB(-9e3, hip.imag - UNDER_TRUNK, 9e3, 9e3))
                below = hip.real + 5 * paper.shade_side
                paper.canvas.drawOval(skia.Rect.MakeLTRB(below - 100, -8, below + 100, 14), paint("ink", 0.20))
                if pose.seat:
                    draw_seat(paper, -pose.root, pose.seat)
                legs = [skeleton.left_leg, skeleton.right_leg]
                for leg in legs[::-1] if pose.legs.heading > 0 else legs:  # the farther one first
                    draw_leg(paper, self.sheet, skeleton, leg)
                draw_pelvis(paper, self.sheet, skeleton, skirt)

        return Part("legs", key, self._boxes.legs(skeleton, pose), draw)

    def _trunk_part(self, skeleton: Skeleton, body: Body) -> Part:
        def draw(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                if body.away:
                    self._draw_on_trunk(paper, body, "back", self._record_back)
                else:
                    self._draw_on_trunk(paper, body, "trunk", self._record_trunk)

        key = (body.bend, body.tilt, body.breath, body.lean, body.turn, body.sway, body.away)
        return Part("body", key, self._boxes.trunk(skeleton), draw, skeleton.hip * self._figure)

    def _neck_part(self, skeleton: Skeleton, body: Body, set_head: _SetHead) -> Part:
        """The chin's shadow on the neck, in coarser steps, and the collar over it."""
        between = skeleton.head - skeleton.hip
        between = complex(rounded(between.real, _SHADOW), rounded(between.imag, _SHADOW))
        roll, jaw = rounded(set_head.roll, 2 * _ROLL), rounded(body.jaw, _SHADOW_JAW)
        head = HeadSpace(0j, 100, set_head.yaw, set_head.pitch, 0, jaw)

        def draw(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                self._draw_chin_shadow(paper, skeleton, between, roll, head)
                self._draw_on_trunk(paper, replace(body, sway=0.0), "collar", self._record_collar)

        turned_head = roll, set_head.yaw, set_head.pitch, jaw
        key = (body.bend, body.tilt, body.breath, body.lean, body.turn, between, turned_head)
        return Part("neck", key, self._boxes.neck(skeleton), draw, skeleton.hip * self._figure)

    def _arm_part(self, bend: float, arm: Arm, *, shadow: bool) -> Part:
        pose, side = replace(arm.pose, shrug=0.0), arm.side  # a shrug moves the shoulder, which is where the arm is

        def draw(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                self._arms.arm(paper, bend, pose, side, shadow=shadow)

        box, at = self._boxes.arm(arm, shadow=shadow), arm.shoulder * self._figure
        return Part(f"arm{side}", (bend, pose, shadow), box, draw, at)

    def _fingers_part(self, bend: float, arm: Arm) -> Part:
        pose, side = replace(arm.pose, shrug=0.0), arm.side

        def draw(whole: Paper) -> None:
            with self._figure_space(whole) as paper:
                self._arms.fingers(paper, bend, pose, side)

        box, at = self._boxes.arm(arm, shadow=False), arm.shoulder * self._figure
        return Part(f"fingers{side}", (bend, pose), box, draw, at)

    @contextmanager
    def _figure_space(self, paper: Paper) -> Iterator[Paper]:
        """A person's units."""
        paper.canvas.save()
        paper.canvas.scale(self._figure, self._figure)
        yield Paper.on(paper.canvas, paper.shade_side)
        paper.canvas.restore()

    def _draw_on_trunk(self, paper: Paper, body: Body, name: str, record: TrunkDrawing) -> None:
        """Draw something in the frame of the lower spine about the hip, from a spine whose lower half is upright."""
        lower = body.bend * 0.5 + body.tilt * 0.3
        curve = rounded(body.bend - lower, 0.1)

        def drawing(p: Paper) -> None:
            # bend * .5 + tilt * .3 = 0
            bent = Body(bend=curve, tilt=-curve * 0.5 / 0.3, breath=body.breath, lean=body.lean, turn=body.turn,
                        sway=body.sway)  # fmt: skip
            upright = solve(self.sheet, Pose(body=bent))
            p.canvas.translate(-upright.hip.real, -upright.hip.imag)
            record(p, upright)

        with paper.frame(0j, lower):
            self._shelf.draw(paper, (name, curve, body.breath, body.lean, body.turn, body.sway), drawing)

    def _record_trunk(self, paper: Paper, upright: Skeleton) -> None:
        draw_torso(paper, self.sheet, upright)
        draw_neck(paper, self.sheet, upright)
        draw_lanyard(paper, self.sheet, upright)
        draw_badge(paper, self.sheet, upright)

    def _record_back(self, paper: Paper, upright: Skeleton) -> None:
        draw_trunk_from_behind(paper, self.sheet, upright)

    def _record_collar(self, paper: Paper, upright: Skeleton) -> None:
        draw_collar(paper, self.sheet, upright)

    def _draw_chin_shadow(
        self, paper: Paper, skeleton: Skeleton, between: complex, roll: float, head: HeadSpace
    ) -> None:
        """What the head, ``between`` the hip and it, throws on the neck."""
        chin = skia.Path(head_outline(head, self.sheet.features))
        matrix = skia.Matrix()
        matrix.setRotate(roll, 0, PIVOT.imag * 100)
        matrix.postTranslate(between.real, between.imag)
        chin.transform(matrix)
        held = replace(skeleton, head=skeleton.hip + between)  # as the key says, not as it came
        neck = moved(neck_path(self.sheet, held), -skeleton.hip.real, -skeleton.hip.imag)
        paper.cast(neck, chin, 5, 11, self.sheet.skin_shade, 1.0)
