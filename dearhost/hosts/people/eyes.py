"""Eyes and brows."""

from __future__ import annotations

import itertools
from functools import lru_cache

import skia

from dearhost.drawing.colours import mix, paint, relative_luminance, rgb, set_off
from dearhost.drawing.outlines import clamp, lerp, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.pose import Face

_UPPER_LID = ((-1.0, 0.22), (-0.62, -0.62), (-0.05, -1.0), (0.55, -0.80), (1.02, -0.06))
_LOWER_LID = ((-1.0, 0.22), (-0.50, 0.66), (0.10, 0.82), (0.62, 0.58), (1.02, -0.06))


class _Lids:
    """The two lids of one eye as points (u inner -1 to outer 1, v up negative) for a face."""

    def __init__(self, face: Face) -> None:
        lid = clamp(face.lid, 0, 1.35) * (1 - face.blink)
        self.openness, self.wide, self.squint = min(lid, 1.0), max(0.0, lid - 1), face.squint

    @staticmethod
    def closed(u: float) -> float:
        """Where the lids meet."""
        return 0.42 - 0.18 * u * u + 0.05 * u

    def upper(self, u: float, v: float) -> float:
        """The upper lid's v at a control point."""
        return float(lerp(self.closed(u), v * (1 + 1.1 * self.wide) + 0.16 * self.squint, self.openness))

    def lower(self, u: float, v: float) -> float:
        """The lower lid's v at a control point, never above the upper lid."""
        if self.openness <= 0.35:
            y = lerp(self.closed(u) + 0.03, v, self.openness / 0.35) if v > 0 else v
        else:
            y = v + (0.35 * self.wide if v > 0.3 else 0) - self.squint * 0.62 * max(0, v) * (1 - 0.25 * u * u)
        return max(float(y), self._upper_between(u) + 0.03)

    def _upper_between(self, u: float) -> float:
        for (a, va), (b, vb) in itertools.pairwise(_UPPER_LID):
            if u <= b:
                return self.upper(u, lerp(va, vb, (u - a) / (b - a)))
        return self.upper(u, _UPPER_LID[-1][1])


def draw_eye(paper: Paper, head: HeadSpace, sheet: ModelSheet, face: Face, side: int) -> None:
    """One eye; ``side`` 1 = the viewer's right."""
    features, size = sheet.features, head.size
    width = 0.076 * features.eye_size
    height = 0.052 * features.eye_height * features.eye_size
    lids = _Lids(face)

    def at(u: float, v: float) -> complex:
        y = features.eye_y + v * height - features.eye_tilt * u * height * 0.9
        return head.surface(features.eye_x * side + side * u * width, y)

    upper = [at(u, lids.upper(u, v)) for u, v in _UPPER_LID]
    lower = [at(u, lids.lower(u, v)) for u, v in _LOWER_LID]
    socket = [at(u, v - 0.44 - 0.10 * (1 - u * u)) for u, v in _UPPER_LID]
    paper.flat(spline(socket + lower[::-1][1:-1]), mix(sheet.skin_base, sheet.skin_shade, 0.62))
    if lids.openness > 0.06:
        ball = spline(upper + lower[::-1][1:-1], corners=(0, len(upper) - 1), tension=0.55)
        paper.flat(ball, _EYE_WHITE)
        with paper.clipped(ball):
            _draw_iris(paper, head, sheet, face, side, height)
            paper.flat(spline(upper + [p + 1j * size * 0.016 for p in upper[::-1]]), "ink", 0.22)
    if face.squint > 0.15 and lids.openness > 0.35:
        under = [at(u, v + 0.12) for u, v in _LOWER_LID]
        fold = spline(lower + under[::-1][1:-1], corners=(0, len(lower) - 1))
        paper.flat(fold, mix(sheet.skin_base, sheet.skin_shade, 0.30))
    lash = features.lash
    paper.brush(upper, size * (0.021 + 0.006 * lash), "ink", tip=0.22, tail=0.42, peak=0.68, steps=3)
    if lash > 1.2:
        wing = [upper[-2] + (upper[-1] - upper[-2]) * 0.55, upper[-1], at(1.36, -0.46 + (1 - lids.openness) * 0.5)]
        paper.brush(wing, size * 0.017 * min(1.3, lash), "ink", tip=0.8, tail=0.05)
    if lids.openness > 0.15:
        paper.brush(lower[1:], size * 0.009, sheet.skin_line, tip=0.1, tail=0.5, alpha=0.8)
    if face.squint > 0.3 or face.cheek > 0.2:
        crease = [at(-0.75, 1.18), at(0.05, 1.5), at(0.85, 1.1)]
        colour = mix(sheet.skin_shade, sheet.skin_line, 0.25)
        paper.brush(crease, size * 0.010, colour, alpha=clamp(max(face.squint, face.cheek)))


def _draw_iris(paper: Paper, head: HeadSpace, sheet: ModelSheet, face: Face, side: int, height: float) -> None:
    """Iris, pupil and the square catch-light; the clip is the eyeball."""
    features, size = sheet.features, head.size
    radius = 0.048 * features.eye_size
    x = features.eye_x * side + clamp(face.gaze_x, -1, 1) * 0.036
    gaze_y = clamp(face.gaze_y, -1, 1) * 0.026
    centre = head.surface(x, features.eye_y - 0.004 - gaze_y - 0.10 * height)
    edge = head.surface(x + radius, features.eye_y - gaze_y)
    tall = radius * size
    wide = max(tall * 0.72, min(tall, abs(edge - centre)))

    def oval(left: float, top: float, right: float, bottom: float, colour: str) -> None:
        box = skia.Rect.MakeLTRB(
            centre.real - wide * left, centre.imag - tall * top, centre.real + wide * right, centre.imag + tall * bottom
        )
        paper.canvas.drawOval(box, paint(colour))

    iris = iris_colour(sheet)
    oval(1, 1, 1, 1, mix(iris, "ink", 0.35))
    oval(0.82, 0.76, 0.86, 0.88, iris)
    paper.dot(centre, tall * 0.50, "#14191F")
    light = centre + complex(-tall * 0.36, -tall * 0.40)
    paper.flat(polygon([light + tall * 0.34 * turned(a) for a in (35, 125, 215, 305)]), "#FFFDF4")


BROWS = {  # thickness, arch
    "soft": (0.030, 0.020),
    "thick": (0.043, 0.014),
    "thin": (0.019, 0.026),
    "arch": (0.027, 0.036),
    "flat": (0.034, 0.004),
}


_EYE_WHITE = "#FBF6EA"
_LEAST_IRIS = 3.0
"""WCAG 2.2 contrast asked of graphics (success criterion 1.4.11)."""


def iris_colour(sheet: ModelSheet) -> str:
    """The iris; darker where a pale one would be lost in the white."""
    return set_off(sheet.features.iris, _EYE_WHITE, _LEAST_IRIS, "ink")


_LEAST_BROW = 1.6
"""WCAG contrast of a brow to the skin, from which on it reads as a brow (by looking)."""


def brow_colour(sheet: ModelSheet) -> str:
    """Darker than the hair; darker still, or lighter, where it could not be seen on the skin."""
    return sheet.brow_colour or _seen_brow(
        sheet.hair_base, sheet.skin_base, grey=sheet.hair_colour in ("silver", "white")
    )


@lru_cache(maxsize=256)
def _seen_brow(hair: str, skin: str, *, grey: bool) -> str:
    brow = mix(hair, "#5A5550", 0.45) if grey else mix(hair, "ink", 0.35)
    dark_skin = relative_luminance(rgb(skin)) < 0.05
    return set_off(brow, skin, _LEAST_BROW, "#E6E1D6" if grey and dark_skin else "#060404")


def draw_brow(paper: Paper, head: HeadSpace, sheet: ModelSheet, face: Face, side: int) -> None:
    """One brow; ``side`` 1 = the viewer's right."""
    thickness, arch = BROWS[sheet.features.brow]
    raised = face.brow_right if side > 0 else face.brow_left
    angle = face.brow_angle
    y = sheet.features.brow_y - raised * 0.055
    line = (
        (-1.0, -0.004 + angle * 0.052 + max(0.0, angle) * 0.012),
        (-0.3, -arch * 0.80 + angle * 0.020),
        (0.42, -arch - angle * 0.010),
        (1.06, 0.024 - angle * 0.020),
    )
    inward = 0.012 * max(0.0, angle) + 0.006 * face.brow_in
    placed = [
        head.surface((sheet.features.eye_x + 0.008) * side + side * u * 0.098 - side * inward * (u < 0), y + v, 0.02)
        for u, v in line
    ]
    dark = relative_luminance(rgb(brow_colour(sheet))) < relative_luminance(rgb(sheet.skin_base))
    if sheet.skin_colours is None and sheet.skin >= 7 and dark:  # it shows by the light on the bone below
        bone = [p + 0.016j * head.size for p in placed]
        paper.brush(bone, head.size * 0.030, mix(sheet.skin_base, "#D39A6C", 0.34), tip=0.2, tail=0.1, peak=0.5)
    paper.brush(placed, head.size * thickness, brow_colour(sheet), tip=0.75, tail=0.06, peak=0.34)
