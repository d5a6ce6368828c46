"""The seabird: the same pose and mouth space, a beak for lips, feathers for fingers.

A gull, no penguin: an all white head without a cap, a slim neck and a horizontal belly on long pink legs, pale grey
wings with black tips that cross over the tail, a hooked yellow beak with a red spot.
"""

from __future__ import annotations

import cmath
import math
from dataclasses import replace
from typing import Any

import skia

from dearhost.drawing.colours import darker, mix, paint
from dearhost.drawing.outlines import clamp, joined, lerp, limb, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.animals.animal import Animal
from dearhost.hosts.animals.body import Build, Frame, Limb, in_order, limb_part, soft_limit
from dearhost.hosts.host import Part
from dearhost.hosts.people.eyes import draw_brow, draw_eye
from dearhost.hosts.people.head_space import HeadSpace, mirrored
from dearhost.hosts.people.model_sheet import Features, ModelSheet
from dearhost.hosts.pose import Face, Mouth, Pose
from dearhost.hosts.rounding import still_pose

_WHITE, _WHITE_SHADE = "#FBF5E8", "#D9CDB8"
_WING, _WING_SHADE, _TIP = "#B4C0C8", "#8A9BA8", "#26323F"
_BEAK, _BEAK_SHADE, _BEAK_LINE = "#EFAE3A", "#C9822A", "#6B3A16"
_LEGS, _LEGS_SHADE = "#E8A497", "#C07A6E"
_SHEET = ModelSheet(
    skin=0, hair="side", hair_colour="ink", skin_colours=(_WHITE, _WHITE_SHADE), brow_colour="#1E2B35",
    features=Features(eye_x=0.165, eye_y=-0.085, eye_size=1.30, eye_height=1.12, eye_tilt=0.06, iris="#E0B23A",
                      lash=0.6, brow="soft", brow_y=-0.235),
)  # fmt: skip
_BUILD = Build(108.0, 152.0, 106.0, 82.0, 43.0, 60.0, 58.0, 0.04, 0.985)


class Seabird(Animal):
    """A seabird character, two thirds of a person's height."""

    build = _BUILD

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """Body, low wings under the scarf, the head, then raised wings."""
        pose = still_pose(pose, scale)
        sway = pose.body.sway
        pose = replace(pose, body=replace(pose.body, sway=0.0))
        frame, body = Frame(pose, self.build), pose.body
        low, raised = in_order(frame.limbs, frame.head.imag + 46)
        face, mouth = pose.face, pose.mouth
        trunk = replace(body, yaw=0, pitch=0, roll=0, jaw=0, head_x=0)
        x, y = frame.head.real, frame.head.imag
        return [
            Part("body", (trunk, body.yaw), (-130, -260, 130, 40), lambda p: _draw_body(p, frame)),
            *(limb_part("wing", wing, trunk, _draw_wing) for wing in low),
            Part("scarf", (trunk, sway), (-90, -260, 90, -90), lambda p: _draw_scarf(p, frame, sway)),
            Part("head", body, (x - 90, y - 105, x + 90, y + 80), lambda p: _draw_head(p, frame)),
            Part("eyes", (body, face), (x - 66, y - 52, x + 66, y + 24),
                 lambda p: _draw_eyes(p, frame, face)),
            Part("beak", (body, mouth), (x - 40, y - 26, x + 40, y + 92),
                 lambda p: _draw_beak(p, frame.head_space, mouth)),
            *(limb_part("wing", wing, trunk, _draw_wing, _draw_feathers) for wing in raised),
        ]  # fmt: skip


def _draw_wing(paper: Paper, wing: Limb) -> None:
    _draw_feathers(paper, wing)
    fore = (wing.wrist - wing.elbow) / max(1e-6, abs(wing.wrist - wing.elbow))
    sleeve = limb(skia.Path(), wing.shoulder, wing.elbow, 21, 18, 2)
    limb(sleeve, wing.elbow, wing.wrist + fore * 4, 18, 13, 2)
    paper.piece(sleeve, _WING, _WING_SHADE, crescent=(6, 5), rim=False)
    across = fore * 1j
    for part in (0.25, 0.55):
        place: complex = lerp(wing.elbow, wing.wrist, part)
        paper.brush([place - across * 9, place + fore * 9, place + across * 9], 2.2, _WING_SHADE, tip=0.2, tail=0.2)


def _draw_feathers(paper: Paper, wing: Limb) -> None:
    """The black tip of a wing, spread like fingers."""
    fore = (wing.wrist - wing.elbow) / max(1e-6, abs(wing.wrist - wing.elbow))
    straight = math.degrees(cmath.phase(fore))
    angle = straight + soft_limit((wing.angle - straight + 180) % 360 - 180, 70)
    direction, handed, hand = turned(angle), wing.side * wing.pose.flip, wing.pose.hand
    feathers = []
    for i in range(4):
        length = (50, 54, 48, 38)[i] * (1 - 0.62 * hand.curl[i])
        root = wing.wrist + direction * complex(-2, (-10, -3.5, 3.5, 10)[i] * handed)
        end = root + direction * turned(-hand.spread[i] * 1.25 * handed) * length
        feathers.append(limb(skia.Path(), root, end, 10, 5.2, 1.6))
    spread, curl = hand.thumb
    root = wing.wrist + direction * complex(-6, -9 * handed)
    thumb = limb(skia.Path(), root, root + direction * turned(-spread * handed) * 28 * (1 - 0.45 * curl), 8, 4, 1)
    fan = [thumb, *feathers[::-1]]
    paper.ink_edge(joined(fan), 0.9)
    for path in fan:
        paper.piece(path, _TIP, mix(_TIP, "#51687A", 0.5), ink=0, crescent=(-1.6, -1.2), rim=False)


def _draw_body(paper: Paper, frame: Frame) -> None:
    at, hip = frame.at, frame.hip
    below = hip.real + 5 * paper.shade_side
    paper.canvas.drawOval(skia.Rect.MakeLTRB(below - 85, -7, below + 85, 13), paint("ink", 0.20))
    for side in (-1, 1):
        ankle = complex(side * 25, 0)
        thigh = limb(skia.Path(), at(side * 22, -22), at(side * 24, -52), 15, 6.5)
        paper.piece(thigh, _WHITE, _WHITE_SHADE, ink=0.8, crescent=(4, 3), rim=False)
        leg = limb(skia.Path(), at(side * 24, -46), ankle - 8j, 5.6, 4.6)
        paper.piece(leg, _LEGS, _LEGS_SHADE, ink=0.8, crescent=(3, 2), rim=False)
        knee = at(side * 24, -62)
        paper.brush([knee - 4, knee + 4], 2.0, _LEGS_SHADE, tip=0.4, tail=0.4)
        foot = [(-8, -12), (-20, 4), (-16, 9), (-4, 6), (6, 12), (18, 7), (34, 8), (33, 2), (8, -12)]
        web = spline([ankle + complex(x * side, y) for x, y in foot], corners=(2, 3, 4, 5, 6))
        paper.piece(web, _LEGS, _LEGS_SHADE, ink=0.9, crescent=(4, 3), rim=False)
    tail = spline([at(-30, 6), at(-84, -30), at(-98, -52), at(-80, -50), at(-66, -58), at(-20, -34)],
                  corners=(1, 2, 3, 4))  # fmt: skip
    paper.piece(tail, _WHITE, _WHITE_SHADE, crescent=(4, 3))
    for low, colour in ((0, _TIP), (12, mix(_TIP, _WING, 0.25))):  # the wing tips cross over the tail
        tip = [at(-44, 26 + low), at(-104, -22 + low), at(-118, -36 + low), at(-96, -33 + low), at(-40, -8 + low)]
        paper.piece(spline(tip, corners=(2,)), colour, None)
    paper.dot(at(-104, -27), 3.0, _WHITE)
    body = _body_outline(frame)
    paper.piece(body, _WHITE, _WHITE_SHADE, crescent=(12, 7), ink=1.2)
    with paper.clipped(body):
        for side in (-1, 1):  # the mantle: the pale grey back showing round the sides
            mantle = [at(side * 36, 118), at(side * 46, 84), at(side * 48, 30), at(side * 42, -20), at(side * 90, -40),
                      at(side * 90, 120)]  # fmt: skip
            paper.piece(spline(mantle, corners=(3, 4, 5)), _WING, _WING_SHADE, ink=0.6, crescent=(4, 3))
        slide = 20 * frame.head_space.sin_yaw
        for u, v in ((-20, 52), (0, 40), (18, 54), (-12, 18), (14, 20), (0, -6)):
            chevron = [at(u - 6 + slide, v + 3), at(u + slide, v - 3), at(u + 6 + slide, v + 4)]
            paper.brush(chevron, 2.2, _WHITE_SHADE, tip=0.2, tail=0.2)


def _body_outline(frame: Frame) -> Any:
    at = frame.at
    outline = [at(0, 140), at(26, 134), at(33, 112), at(52, 82), at(63, 44), at(61, 4), at(45, -28), at(18, -42),
               at(0, -44), at(-18, -42), at(-45, -28), at(-61, 4), at(-63, 44), at(-52, 82), at(-33, 112),
               at(-26, 134)]  # fmt: skip
    return spline(outline)


def _draw_scarf(paper: Paper, frame: Frame, sway: float) -> None:
    """The scarf; its end swings by ``sway``."""
    body = _body_outline(frame)

    def at(across: float, up: float) -> complex:
        return frame.at(across * 0.80, up - 31)

    band = spline([at(-52, 152), at(-28, 136), at(0, 132), at(28, 136), at(52, 152), at(56, 130), at(28, 110),
                   at(0, 106), at(-28, 110), at(-56, 130)], corners=(0, 4, 5, 9))  # fmt: skip
    paper.cast(body, band, 3, 7, "ink", 0.2)
    swung = 9 * sway
    end = spline([at(-34, 118), at(-14, 112), at(-12 + swung, 66), at(-22 + swung, 70), at(-30 + swung, 60),
                  at(-40 + swung, 68)], corners=(0, 1, 2, 3, 4, 5), tension=0.3)  # fmt: skip
    paper.piece(end, "vermilion", darker("vermilion"), crescent=(4, 3))
    paper.brush([at(-37 + 0.8 * swung, 80), at(-13 + 0.8 * swung, 78)], 4, "cream", tip=0.9, tail=0.9)
    paper.piece(band, "vermilion", darker("vermilion"), crescent=(5, 5))
    paper.brush([at(-50, 138), at(-26, 122), at(2, 117), at(32, 123), at(52, 139)], 3.4, "cream", tip=0.8, tail=0.8)
    knot = spline([at(-40, 128), at(-22, 130), at(-16, 112), at(-36, 108)])
    paper.piece(knot, "vermilion", darker("vermilion"), crescent=(3, 3))


def _draw_head(paper: Paper, frame: Frame) -> None:
    head = frame.head_space
    drop = head.jaw_drop * 0.05
    tuft = [(-0.06, -0.44, -0.05), (-0.13, -0.585, -0.1), (-0.03, -0.53, -0.08), (0.02, -0.62, -0.1),
            (0.06, -0.53, -0.08), (0.08, -0.44, -0.05)]  # fmt: skip
    paper.piece(head.outline(tuft, corners=(1, 2, 3, 4)), _WHITE, _WHITE_SHADE, crescent=(3, 2))
    half = [(0.0, -0.50, -0.05), (0.22, -0.455, -0.05), (0.375, -0.28, -0.03), (0.42, -0.03, 0.0), (0.39, 0.20, 0.04),
            (0.27, 0.375 + drop, 0.08), (0.0, 0.42 + drop, 0.1)]  # fmt: skip
    path = head.outline(mirrored(half))
    paper.piece(path, _WHITE, _WHITE_SHADE, crescent=(9, 6), ink=1.2)
    with paper.clipped(path):
        for side in (-1, 1):
            cheek = [head.surface(0.275 * side + 0.055 * math.cos(a), 0.115 + 0.038 * math.sin(a))
                     for a in (i * math.pi / 4 for i in range(8))]  # fmt: skip
            paper.flat(spline(cheek), "#EFB79E", 0.7)


def _draw_eyes(paper: Paper, frame: Frame, face: Face) -> None:
    for side in (-1, 1):
        draw_eye(paper, frame.head_space, _SHEET, face, side)
        draw_brow(paper, frame.head_space, _SHEET, replace(face, brow_angle=face.brow_angle - 0.45), side)


def _draw_beak(paper: Paper, head: HeadSpace, mouth: Mouth) -> None:
    """The lower half drops with ``open``; both narrow with ``round``."""
    at, size, smile = head.solid, head.size, mouth.smile
    half = 0.180 * (1 + 0.10 * mouth.wide - 0.34 * mouth.round + 0.05 * max(0.0, smile))
    corner = 0.120 - 0.045 * smile
    lift = 0.020 * mouth.open
    tip_z, tip_y = 0.68 + 0.05 * mouth.round, 0.245 - lift
    parted = clamp(mouth.open / 0.06)
    low = 0.247 + mouth.open * 0.215 * (1 - 0.12 * mouth.round)
    side_y = lerp(corner + 0.030, lerp(corner + 0.06 + 0.03 * smile, low - 0.05, 0.62), parted)
    low = lerp(tip_y - 0.02, low, parted)
    low_z = 0.57 - 0.16 * mouth.open
    edge = corner + 0.004 * parted - 0.006 * (1 - parted)
    upper = [at(-half, corner, 0.27), at(-half * 0.55, corner + 0.052 + 0.03 * smile - lift, 0.46), at(0, tip_y, tip_z),
             at(half * 0.55, corner + 0.052 + 0.03 * smile - lift, 0.46), at(half, corner, 0.27)]  # fmt: skip
    lower = [at(-half * 0.985, edge, 0.27), at(-half * 0.60, side_y, 0.43), at(0, low, low_z),
             at(half * 0.60, side_y, 0.43), at(half * 0.985, edge, 0.27)]  # fmt: skip
    belly_y = max(0.21, corner + 0.115) + mouth.open * 0.13
    belly = [at(half * 0.66, belly_y, 0.31), at(0, max(low, 0.255) + 0.070 + 0.01 * mouth.open, low_z - 0.10),
             at(-half * 0.66, belly_y, 0.31)]  # fmt: skip
    low_path = spline(lower + belly, corners=(0, 2, 4), tension=0.42)
    paper.piece(low_path, mix(_BEAK, _BEAK_SHADE, 0.45), _BEAK_SHADE, crescent=(4, 3), rim=False)
    with paper.clipped(low_path):
        paper.dot(at(0, max(low, 0.255) + 0.03, low_z), size * 0.030, "vermilion-dark")
    if mouth.open > 0.02:
        inside = spline(upper + lower[::-1], corners=(0, 2, 4, 5, 7, 9), tension=0.42)
        paper.flat(inside, "#431B22")
        with paper.clipped(inside):
            lifted = max(mouth.tongue, mouth.tip, 0.25)
            top = lerp(low - 0.03, tip_y + 0.03, clamp(0.22 + 0.5 * mouth.tip + 0.25 * lifted) * 0.8)
            tongue = [at(-half * 0.42, low - 0.04, 0.36), at(-half * 0.2, top, 0.48), at(half * 0.2, top, 0.48),
                      at(half * 0.42, low - 0.04, 0.36), at(0, low + 0.05, 0.44)]  # fmt: skip
            paper.flat(spline(tongue, tension=0.35), "#D0605A")
    ridge = [at(-half * 0.98, corner - 0.065, 0.27), at(-0.105, -0.06, 0.345), at(0, -0.105, 0.375),
             at(0.105, -0.06, 0.345),
             at(half * 0.98, corner - 0.065, 0.27)]  # fmt: skip
    upper_path = spline(upper + ridge[::-1], corners=(0, 2, 4), tension=0.42)
    paper.piece(upper_path, _BEAK, _BEAK_SHADE, crescent=(7, 3))
    with paper.clipped(upper_path):
        hook = [at(-half * 0.34, tip_y - 0.03, 0.60), at(0, tip_y - 0.10, 0.64), at(half * 0.34, tip_y - 0.03, 0.60)]
        paper.brush(hook, size * 0.016, _BEAK_SHADE, tip=0.3, tail=0.3)
    for side in (-1, 1):
        nostril = at(0.045 * side, 0.045, 0.45)
        line = [nostril + complex(-2.5 * side, -1.5), nostril + complex(2.5 * side, 2)]
        paper.brush(line, 2.6, _BEAK_LINE, tip=0.4, tail=0.2)
    if mouth.open < 0.03:
        paper.brush(upper, size * 0.013, _BEAK_LINE, tip=0.5, tail=0.5)
