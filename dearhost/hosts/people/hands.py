"""Hands: a small 3D finger skeleton, drawn as paper."""

from __future__ import annotations

import itertools
import math
from dataclasses import dataclass
from typing import Any

import skia

from dearhost.drawing.colours import mix
from dearhost.drawing.outlines import clamp, clockwise, lerp, limb, lit_limb, lit_points, spline, tube, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.pose import HandShape

_PALM = 25.0
_KNUCKLES = ((_PALM, -9.6), (_PALM + 1.8, -3.3), (_PALM + 0.8, 3.2), (_PALM - 2.2, 9.2))
_BONES = ((12.5, 8.5, 7.0), (14.0, 9.5, 7.5), (13.0, 8.8, 7.2), (10.2, 6.8, 6.0))
_THICKNESS = (4.25, 4.4, 4.15, 3.6)
_CURL_DEGREES = (88, 100, 62)
_CRESCENT, _FOLDED_CRESCENT = 2.6 + 2.2j, 2.2 + 1.8j


@dataclass(frozen=True, slots=True)
class _Finger:
    """``lit``: what the light falls on."""

    path: Any
    lit: Any
    joints: tuple[complex, ...]
    curl: float


class _HandSpace:
    """Hand space (x along the fingers, y towards the little finger, z out of the palm) to the canvas."""

    def __init__(
        self, wrist: complex, angle: float, shape: HandShape, handed: float, size: float, squeeze: float
    ) -> None:
        self._wrist, self._size, self._handed, self._squeeze = wrist, size, handed, squeeze
        self.direction = turned(angle)
        roll = math.radians(shape.roll)
        self.cos_roll, self._sin_roll = math.cos(roll), math.sin(roll)

    def at(self, x: float, y: float, z: float = 0.0) -> complex:
        across = y * self.cos_roll - z * self._sin_roll * 0.8
        return self._wrist + complex(x * self._squeeze, across * self._handed) * self.direction * self._size


def draw_hand(paper: Paper, sheet: ModelSheet, wrist: complex, angle: float, shape: HandShape, *, handed: float,
              size: float, squeeze: float, fingers_only: bool = False) -> None:  # fmt: skip
    """A hand at ``wrist``, fingers towards ``angle`` (0 right, 90 down).

    ``handed`` 1: the thumb is on the left when the fingers point up; -1 mirrors. ``squeeze`` below 1
    shortens it towards the viewer. ``fingers_only``: the folded fingers, which lie over what the hand holds.
    """
    reach = 75 * size
    box = skia.Rect.MakeLTRB(wrist.real - reach, wrist.imag - reach, wrist.real + reach, wrist.imag + reach)
    if paper.canvas.quickReject(box):
        return
    space = _HandSpace(wrist, angle, shape, handed, size, squeeze)
    fingers = [_finger(space, shape, i, size) for i in range(4)]
    palm = _palm_points(space, size)
    thumb = _thumb(space, shape, size)
    folded_thumb = shape.thumb[1] > 0.5
    folded = [f for f in fingers if f.curl >= 0.5]
    if fingers_only:
        _draw_folded(paper, sheet, folded)
        return
    path, lit = spline(palm), spline(lit_points(palm, _CRESCENT))
    for finger in fingers if folded_thumb else (*fingers, thumb):
        if finger.curl < 0.5 or finger is thumb:
            path.addPath(finger.path)
            lit.addPath(finger.lit)
    paper.piece(path, sheet.skin_base, sheet.skin_shade, ink=0.80, rim=False, lit=lit)
    _draw_gaps(paper, fingers, size, mix(sheet.skin_shade, sheet.skin_line, 0.45))
    _draw_folded(paper, sheet, folded)
    if folded_thumb:
        paper.piece(thumb.path, sheet.skin_base, sheet.skin_shade, ink=0.7, rim=False, lit=thumb.lit)
    elif len(folded) < 2 and abs(space.cos_roll) > 0.6:
        crease = [space.at(6, -3, 2), space.at(13, -3.5, 2), space.at(19, -7.5, 2)]
        paper.brush(crease, 1.2 * size, mix(sheet.skin_shade, sheet.skin_line, 0.45), tip=0.1, tail=0.2)


def _draw_folded(paper: Paper, sheet: ModelSheet, folded: list[_Finger]) -> None:
    for finger in sorted(folded, key=lambda f: -(f.path.getBounds().centerX() + f.path.getBounds().centerY())):
        paper.piece(finger.path, sheet.skin_base, sheet.skin_shade, ink=0.62, lit=finger.lit)


def _finger(space: _HandSpace, shape: HandShape, index: int, size: float) -> _Finger:
    curl, spread = shape.curl[index], math.radians(-shape.spread[index])
    knuckle_x, knuckle_y = _KNUCKLES[index]
    x, y, z, bend = knuckle_x - 3, knuckle_y, 0.0, 0.0
    joints = [space.at(x, y, z)]
    for length, degrees in zip(_BONES[index], _CURL_DEGREES, strict=True):
        bend += math.radians(curl * degrees)
        x += length * math.cos(bend) * math.cos(spread)
        y += length * math.cos(bend) * math.sin(spread)
        z += length * math.sin(bend)
        joints.append(space.at(x, y, z))
    radius = _THICKNESS[index] * size
    if curl < 0.5:
        radii = [radius * share for share in (1.06, 1.0, 0.92, 0.82)]
        path, lit = tube(joints, radii), tube(joints, radii, _CRESCENT)
    else:
        tip_x = lerp(knuckle_x + 5, knuckle_x - 13.5, clamp((curl - 0.5) / 0.5))
        bent = space.at(knuckle_x + 3.5, knuckle_y * 0.98, 3), space.at(tip_x, knuckle_y * 0.86, 9)
        path = limb(skia.Path(), *bent, radius * 1.12, radius)
        lit = limb(skia.Path(), *lit_limb(*bent, radius * 1.12, radius, _FOLDED_CRESCENT))
    return _Finger(path, lit, tuple(joints), curl)


def _palm_points(space: _HandSpace, size: float) -> list[complex]:
    outline = ((0, -6.6), (9, -10.6), (_PALM - 3, -13.2), (_PALM + 1.5, -10.5), (_PALM + 2.5, -2), (_PALM + 0.5, 8),
               (_PALM - 3, 12.2), (11, 11.8), (0, 6.8), (-6, 6.2), (-6, -6.2))  # fmt: skip
    placed = [space.at(x, y) for x, y in outline]
    if abs(space.cos_roll) < 0.75:
        thick = 4.2 * size * (1 - abs(space.cos_roll)) * space.direction * 1j
        middle = space.at(0, 0)
        placed = [p + (thick if ((p - middle) / space.direction).imag > 0 else -thick) for p in placed]
    return placed if clockwise(placed) else placed[::-1]  # as the fingers go: where both lie is no hole


def _thumb(space: _HandSpace, shape: HandShape, size: float) -> _Finger:
    spread, curl = shape.thumb
    angle = math.radians(-spread)
    base = (6.5, -7.4, 2.0)
    first = (base[0] + 13 * math.cos(angle * 0.72), base[1] + 13 * math.sin(angle * 0.72), 5.0)
    angle += math.radians(curl * 72)
    second = (first[0] + 10.5 * math.cos(angle), first[1] + 10.5 * math.sin(angle), 7 + 4 * curl)
    angle += math.radians(curl * 42)
    third = (second[0] + 8 * math.cos(angle), second[1] + 8 * math.sin(angle), 8 + 5 * curl)
    joints = [space.at(*p) for p in (base, first, second, third)]
    radii = [radius * size for radius in (6.0, 5.25, 4.65, 4.0)]
    crescent = _FOLDED_CRESCENT if curl > 0.5 else _CRESCENT
    return _Finger(tube(joints, radii), tube(joints, radii, crescent), tuple(joints), curl)


def _draw_gaps(paper: Paper, fingers: list[_Finger], size: float, colour: str) -> None:
    """Lines between neighbouring fingers as far as they touch."""
    for first, second in itertools.pairwise(fingers):
        if first.curl >= 0.5 or second.curl >= 0.5:
            continue
        line = [(first.joints[0] + second.joints[0]) / 2]
        for a, b in zip(first.joints[1:], second.joints[1:], strict=True):
            if abs(a - b) >= 9.3 * size:
                break
            line.append((a + b) / 2)
        if len(line) >= 3:
            paper.brush(line, 1.25 * size, colour, tip=0.2, tail=0.5)
        elif len(line) == 2:
            paper.brush([line[0], lerp(line[0], line[1], 0.35)], 1.1 * size, colour, tip=0.2, tail=0.3)
