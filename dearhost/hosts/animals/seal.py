"""The seal: the same pose and mouth space, a whiskered muzzle for lips, flippers for hands."""

from __future__ import annotations

import cmath
import math
from dataclasses import replace
from typing import Any

import skia

from dearhost.drawing.colours import darker, mix, paint
from dearhost.drawing.outlines import clamp, limb, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.animals.animal import Animal
from dearhost.hosts.animals.body import Build, Frame, Limb, in_order, limb_part, soft_limit
from dearhost.hosts.host import Part
from dearhost.hosts.people.eyes import draw_brow, draw_eye
from dearhost.hosts.people.head_space import HeadSpace, mirrored
from dearhost.hosts.people.model_sheet import Features, ModelSheet
from dearhost.hosts.pose import Face, Mouth, Pose
from dearhost.hosts.rounding import still_pose

_COAT, _COAT_SHADE = "#7C8C98", "#586873"
_BELLY, _BELLY_SHADE = "#D9D3C4", "#B8AF9D"
_MUZZLE, _MUZZLE_SHADE = "#EAE4D6", "#C9BFAC"
_LINE, _SPOT = "#2B333B", "#4E5D69"
_SHEET = ModelSheet(
    skin=0, hair="bald", hair_colour="ink", skin_colours=(_COAT, _COAT_SHADE), brow_colour="#39454F",
    features=Features(eye_x=0.190, eye_y=-0.060, eye_size=1.40, eye_height=1.15, eye_tilt=-0.05, iris="#3A2A20",
                      lash=0.5, brow="soft", brow_y=-0.215),
)  # fmt: skip
_BODY_SPOTS = ((-66, 70, 6), (-70, 32, 4.5), (-60, 104, 4), (66, 84, 5), (70, 44, 6.5), (64, 2, 4), (-68, -8, 5))
_HEAD_SPOTS = ((-0.24, -0.33, 3.2), (-0.10, -0.38, 2.4), (0.20, -0.35, 3.0), (0.05, -0.32, 2.0), (0.31, -0.23, 2.4))
_BUILD = Build(62.0, 186.0, 126.0, 92.0, 56.0, 50.0, 48.0, 0.10, 0.92, sink=60.0)


class Seal(Animal):
    """A seal character that stands upright on its tail, about two thirds of a person's height."""

    build = _BUILD

    def parts(self, pose: Pose, scale: float) -> list[Part]:
        """Body with its low flippers, the kerchief, the head, then raised flippers."""
        pose = still_pose(replace(pose, body=replace(pose.body, sway=0.0)), scale)
        frame, body, face, mouth = Frame(pose, self.build), pose.body, pose.face, pose.mouth
        low, raised = in_order(frame.limbs, frame.head.imag + 46)
        trunk = replace(body, yaw=0, pitch=0, roll=0, jaw=0, head_x=0)
        x, y = frame.head.real, frame.head.imag
        hip = frame.hip.real
        return [
            Part("body", trunk, (hip - 130, -270, hip + 130, 40), lambda p: _draw_body(p, frame)),
            *(limb_part("flipper", flipper, trunk, _draw_flipper) for flipper in low),
            Part("kerchief", trunk, (hip - 105, -275, hip + 105, -110), lambda p: _draw_kerchief(p, frame)),
            Part("head", body, (x - 90, y - 92, x + 90, y + 84), lambda p: _draw_head(p, frame)),
            Part("eyes", (body, face), (x - 66, y - 56, x + 66, y + 26),
                 lambda p: _draw_eyes(p, frame, face)),
            Part("mouth", (body, mouth), (x - 70, y - 22, x + 70, y + 92),
                 lambda p: _draw_muzzle(p, frame.head_space, mouth)),
            *(limb_part("flipper", flipper, trunk, _draw_flipper) for flipper in raised),
        ]  # fmt: skip


def _draw_flipper(paper: Paper, flipper: Limb) -> None:
    fore = (flipper.wrist - flipper.elbow) / max(1e-6, abs(flipper.wrist - flipper.elbow))
    straight = math.degrees(cmath.phase(fore))
    angle = straight + soft_limit((flipper.angle - straight + 180) % 360 - 180, 60)
    along, handed, hand = turned(angle), flipper.side * flipper.pose.flip, flipper.pose.hand
    across = along * 1j * handed
    root = flipper.wrist
    outline = [root - along * 8 - across * 13]
    for i in range(4):  # the digits make the edge of the paddle
        length = (38, 44, 41, 33)[i] * (1 - 0.45 * hand.curl[i])
        way = turned(-hand.spread[i] * 0.9 * handed)
        place = root + across * (-13, -5, 4, 12)[i]
        outline += [place + along * way * length, place + along * way * (length - 7) + across * 4]
    outline.append(root - along * 8 + across * 13)
    paddle = spline(outline, corners=(0, len(outline) - 1), tension=0.42)
    paper.piece(paddle, mix(_COAT, "ink", 0.22), mix(_COAT_SHADE, "ink", 0.22), crescent=(3, 2.5), rim=False)
    for i in (0, 1, 2):
        start = root + across * (-8, 0, 8)[i] + along * 8
        line = [start, start + along * turned(-hand.spread[i] * 0.9 * handed) * 20 * (1 - 0.45 * hand.curl[i])]
        paper.brush(line, 1.6, mix(_COAT_SHADE, "ink", 0.5), tip=0.3, tail=0.1)
    limb_path = limb(skia.Path(), flipper.shoulder, flipper.elbow, 22, 19, 2)
    limb(limb_path, flipper.elbow, flipper.wrist + fore * 4, 19, 14, 2)
    paper.piece(limb_path, _COAT, _COAT_SHADE, crescent=(6, 5), rim=False)


def _body_outline(frame: Frame) -> Any:
    at = frame.at
    half = [(0, 176), (38, 164), (58, 134), (74, 88), (82, 40), (78, -6), (60, -40), (24, -56)]
    return spline([at(x, y) for x, y in half] + [at(0, -58)] + [at(-x, y) for x, y in half[:0:-1]])


def _draw_body(paper: Paper, frame: Frame) -> None:
    at, hip = frame.at, frame.hip
    below = hip.real + 4 * paper.shade_side
    paper.canvas.drawOval(skia.Rect.MakeLTRB(below - 104, -8, below + 104, 14), paint("ink", 0.20))
    for side in (-1, 1):  # the hind flippers lie out to both sides
        ground = [at(side * 30, -44), complex(hip.real + side * 92, -22), complex(hip.real + side * 116, -4),
                  complex(hip.real + side * 96, 2), complex(hip.real + side * 88, 10), complex(hip.real + side * 64, 4),
                  complex(hip.real + side * 28, 6)]  # fmt: skip
        fin = spline(ground, corners=(2, 3, 4))
        paper.piece(fin, mix(_COAT, "ink", 0.22), mix(_COAT_SHADE, "ink", 0.22), crescent=(4, 3))
    body = _body_outline(frame)
    paper.piece(body, _COAT, _COAT_SHADE, crescent=(13, 8), ink=1.2)
    slide = 18 * frame.head_space.sin_yaw
    with paper.clipped(body):
        belly = [
            (0, 120),
            (36, 96),
            (50, 44),
            (46, -8),
            (24, -46),
            (0, -52),
            (-24, -46),
            (-46, -8),
            (-50, 44),
            (-36, 96),
        ]
        paper.piece(spline([at(x + slide * 0.5, y) for x, y in belly]), _BELLY, _BELLY_SHADE, ink=0, crescent=(8, 5),
                    rim=False)  # fmt: skip
        for u, v, r in (
            (-66, 70, 6),
            (-70, 32, 4.5),
            (-60, 104, 4),
            (66, 84, 5),
            (70, 44, 6.5),
            (64, 2, 4),
            (-68, -8, 5),
        ):
            paper.dot(at(u, v), r, _SPOT)


def _draw_kerchief(paper: Paper, frame: Frame) -> None:
    at, body = frame.at, _body_outline(frame)
    rim = (
        (-58, 146),
        (-30, 126),
        (0, 120),
        (30, 126),
        (58, 146),
        (62, 126),
        (34, 100),
        (0, 92),
        (-34, 100),
        (-62, 126),
    )
    band = spline([at(*place) for place in rim], corners=(0, 4, 5, 9))
    paper.cast(body, band, 3, 7, "ink", 0.2)
    for x in (-26, 8):
        end = spline([at(0, 108), at(x + 26, 62), at(x + 10, 52), at(x, 60)], corners=(0, 1, 2, 3), tension=0.3)
        paper.piece(end, "mustard", darker("mustard"), crescent=(4, 3))
    paper.piece(band, "mustard", darker("mustard"), crescent=(5, 5))
    for x, y in ((-44, 124), (-22, 112), (22, 112), (44, 124)):
        paper.dot(at(x, y), 3.4, "cream")
    knot = spline([at(-13, 114), at(13, 114), at(11, 92), at(-11, 92)])
    paper.piece(knot, "mustard", darker("mustard"), crescent=(3, 3))


def _draw_head(paper: Paper, frame: Frame) -> None:
    head = frame.head_space
    drop = head.jaw_drop * 0.05
    half = [(0.0, -0.46, -0.05), (0.24, -0.425, -0.05), (0.395, -0.255, -0.03), (0.435, 0.0, 0.0), (0.42, 0.19, 0.04),
            (0.30, 0.365 + drop, 0.08), (0.0, 0.425 + drop, 0.1)]  # fmt: skip
    path = head.outline(mirrored(half))
    paper.piece(path, _COAT, _COAT_SHADE, crescent=(10, 6), ink=1.2)
    with paper.clipped(path):
        for x, y, r in (
            (-0.24, -0.33, 3.2),
            (-0.10, -0.38, 2.4),
            (0.20, -0.35, 3.0),
            (0.05, -0.32, 2.0),
            (0.31, -0.23, 2.4),
        ):
            paper.dot(head.surface(x, y), r, _SPOT)
    for side in (-1, 1):  # ears are small holes
        ear = head.solid(0.40 * side, 0.02, 0.0)
        if side * head.sin_yaw < 0.25:
            paper.brush([ear - 3j, ear + 3j], 3.0, _LINE, tip=0.4, tail=0.4)


def _draw_eyes(paper: Paper, frame: Frame, face: Face) -> None:
    for side in (-1, 1):
        draw_eye(paper, frame.head_space, _SHEET, face, side)
        draw_brow(paper, frame.head_space, _SHEET, face, side)


def _draw_muzzle(paper: Paper, head: HeadSpace, mouth: Mouth) -> None:
    """Two whisker pads over a jaw that drops with ``open``; the mouth narrows with ``round``."""
    at, size, smile = head.surface, head.size, mouth.smile
    half = 0.150 * (1 + 0.18 * mouth.wide + 0.10 * max(0.0, smile) - 0.42 * mouth.round)
    corner = 0.262 - 0.030 * smile
    gap = 0.190 * mouth.open * (1 + 0.08 * mouth.round)
    press = 0.006 * mouth.press
    bow = corner + 0.034 - press
    upper = [at(-half, corner), at(-half * 0.52, bow), at(0, corner + 0.006), at(half * 0.52, bow), at(half, corner)]
    low = [at(-half, corner), at(-half * 0.66, corner + 0.040 + gap * 0.78), at(0, corner + 0.030 + gap),
           at(half * 0.66, corner + 0.040 + gap * 0.78), at(half, corner)]  # fmt: skip
    jaw = [at(-half * 1.04, corner), at(-half * 0.95, corner + 0.075 + gap * 0.7), at(0, corner + 0.112 + gap * 1.02),
           at(half * 0.95, corner + 0.075 + gap * 0.7), at(half * 1.04, corner), at(0, corner - 0.02)]  # fmt: skip
    paper.piece(
        spline(jaw, corners=(0, 4)), _MUZZLE_SHADE, darker(_MUZZLE_SHADE, 0.16), ink=0.7, crescent=(3, 2), rim=False
    )
    if mouth.open > 0.02:
        inside = spline(upper + low[::-1][1:-1], corners=(0, 4), tension=0.42)
        paper.flat(inside, "#431B22")
        with paper.clipped(inside):
            lift = clamp(0.25 + 0.45 * max(mouth.tongue, mouth.tip))
            top = corner + 0.030 + gap * (1 - 0.55 * lift)
            tongue = [at(-half * 0.6, corner + 0.06 + gap), at(-half * 0.34, top), at(half * 0.34, top),
                      at(half * 0.6, corner + 0.06 + gap), at(0, corner + 0.10 + gap)]  # fmt: skip
            paper.flat(spline(tongue, tension=0.35), "#C65B52")
    pads = [at(-0.235, 0.175), at(-0.205, 0.105), at(-0.09, 0.085), at(0, 0.075), at(0.09, 0.085), at(0.205, 0.105),
            at(0.235, 0.175), at(max(half, 0.14) + 0.035, corner + 0.008), *upper[::-1],
            at(-max(half, 0.14) - 0.035, corner + 0.008)]  # fmt: skip
    paper.piece(spline(pads, tension=0.42), _MUZZLE, _MUZZLE_SHADE, ink=0.7, crescent=(6, 3))
    nose = [at(-0.068, 0.080, 0.03), at(0, 0.062, 0.04), at(0.068, 0.080, 0.03), at(0.040, 0.135, 0.04),
            at(0, 0.158, 0.04), at(-0.040, 0.135, 0.04)]  # fmt: skip
    paper.piece(spline(nose), _LINE, darker(_LINE, 0.5), ink=0, crescent=(2, 2))
    paper.brush([at(-0.022, 0.088, 0.04), at(0.012, 0.082, 0.04)], size * 0.014, "#8FA0AB", tip=0.3, tail=0.3)
    paper.brush([at(0, 0.158, 0.03), upper[2]], size * 0.012, _LINE, tip=0.6, tail=0.6)
    paper.brush(upper, size * (0.013 if mouth.open < 0.03 else 0.010), _LINE, tip=0.5, tail=0.5)
    for side in (-1, 1):
        for row, reach_out in ((0.170, 0.40), (0.205, 0.43), (0.238, 0.39)):
            start = at(0.125 * side, row)
            paper.dot(start, size * 0.008, _LINE)
            end = head.solid(reach_out * side, row + (row - 0.19) * 1.1 + 0.03, 0.30)
            paper.brush([start, (start + end) / 2 - 2j, end], size * 0.008, _LINE, tip=0.7, tail=0.05, alpha=0.8)
