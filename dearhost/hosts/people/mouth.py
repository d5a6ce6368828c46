"""The mouth: one continuous shape from the mouth space."""

from __future__ import annotations

import math

from dearhost.drawing.colours import mix, relative_luminance, rgb, set_off
from dearhost.drawing.outlines import clamp, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.pose import Mouth

_CAVITY, _TONGUE, _TIP = "#431B22", "#C65B52", "#D47164"
_UPPER_TEETH, _LOWER_TEETH = "#FBF3E4", "#E9DCC8"


def _arch(k: float, power: float, edge: float) -> float:
    """1 in the middle (k = 0), 0 at the corners (k = +-1)."""
    return float(max(0.0, 1 - abs(k) ** power) ** edge)


def _bow(k: float) -> float:
    """Cupid's bow."""
    return 1 - 0.30 * math.exp(-((k / 0.17) ** 2)) + 0.10 * math.exp(-(((abs(k) - 0.36) / 0.2) ** 2))


_STATIONS = tuple(
    (k, 1.06 if abs(k) < 1 else 1.03, _arch(k, 2, 1), _arch(k, 2.0, 0.75) * _bow(k), _arch(k, 2.1, 0.70))
    for k in (math.sin(math.pi / 2 * (-1 + i / 3)) for i in range(7))
)
"""Places across the mouth, and what does not depend on the mouth there: how much wider the lips are, a round arch, the
upper and the lower lip's thickness."""


class MouthShape:
    """The contours of a mouth in head space, from which it is drawn."""

    def __init__(self, sheet: ModelSheet, mouth: Mouth) -> None:
        features = sheet.features
        smiling = max(0.0, mouth.smile)
        self.mouth, self.y = mouth, features.mouth_y
        self.half_width = 0.118 * features.mouth_width * (
            1 + 0.24 * mouth.wide + 0.16 * smiling - 0.46 * mouth.round - 0.05 * mouth.open
        )  # fmt: skip
        self.gap = 0.175 * mouth.open * (1 + 0.10 * mouth.round)
        self.above = 0.30 - 0.08 * smiling
        power = 2.0 + 0.5 * max(0.0, mouth.wide) + 0.5 * smiling
        edge = 0.52 + 0.20 * (1 - mouth.round) * smiling
        upper = 0.030 * features.lip_upper * (1 - 0.72 * mouth.press) * (1 + 0.28 * mouth.round)
        lower = 0.043 * features.lip_lower * (1 - 0.68 * mouth.press) * (1 + 0.30 * mouth.round)
        self.lower_lip = lower * (1 - 0.45 * mouth.tuck)
        tuck = mouth.tuck * 0.030
        self.inner_upper: list[tuple[float, float]] = []
        self.inner_lower: list[tuple[float, float]] = []
        self.outer_upper: list[tuple[float, float]] = []
        self.outer_lower: list[tuple[float, float]] = []
        for k, outward, round_arch, upper_arch, lower_arch in _STATIONS:
            x, seam, arch = self.half_width * k, self.seam(k), _arch(k, power, edge)
            top = seam - self.gap * self.above * arch - tuck * 0.4 * round_arch
            low_arch = _arch(k, power - 0.15 * smiling, edge - 0.05 * mouth.round)
            bottom = max(top, seam + self.gap * (1 - self.above) * low_arch - tuck * round_arch * 0.55)
            outer_x = x * outward
            self.inner_upper.append((x, top))
            self.inner_lower.append((x, bottom))
            self.outer_upper.append((outer_x, top - upper * upper_arch - 0.002))
            self.outer_lower.append((outer_x * 0.97, bottom + self.lower_lip * lower_arch + 0.002))

    def seam(self, k: float) -> float:
        """Where the lips meet: the curve of the smile."""
        mouth = self.mouth
        curve = -0.066 * mouth.smile * (abs(k) ** 1.7 - 0.42)
        return float(curve) + mouth.asymmetry * 0.028 * k + 0.010 * mouth.press * (1 - k * k)


_DARK = 0.2
"""Relative luminance of skin below which a lip lighter than it is seen better."""
_LEAST_LIP = 1.25
"""WCAG contrast of a lip to the skin, from which on it reads as a lip (by looking)."""


def lip_colours(sheet: ModelSheet) -> tuple[str, str]:
    """The upper and the lower lip: redder than the skin; on dark skin the lower one lighter, the upper one darker."""
    skin, tint = sheet.skin_base, sheet.features.lip_tint
    lip = mix(skin, "#B8382F", round(0.20 + 0.30 * tint, 3))
    upper = mix(lip, "#5A1824", round(0.16 + 0.18 * tint, 3))
    lower = set_off(lip, skin, _LEAST_LIP, "#E08A78" if relative_luminance(rgb(skin)) < _DARK else "#8A2A28")
    return set_off(upper, skin, _LEAST_LIP, "#1C080C"), lower


def draw_mouth(paper: Paper, head: HeadSpace, sheet: ModelSheet, mouth: Mouth) -> None:
    """Lips, cavity, tongue, teeth, tongue tip and the line where the lips meet, in that order."""
    shape = MouthShape(sheet, mouth)

    def placed(pts: list[tuple[float, float]], lift: float = 0.015) -> list[complex]:
        return [head.surface(x, shape.y + y, lift + 0.03 * mouth.round) for x, y in pts]

    upper, lower = placed(shape.inner_upper), placed(shape.inner_lower)
    outer_upper, outer_lower = placed(shape.outer_upper), placed(shape.outer_lower)
    upper_lip, lower_lip = lip_colours(sheet)
    last = len(upper) - 1
    ring = (0, last, last + 1, 2 * last + 1)
    paper.flat(spline(outer_upper + upper[::-1], tension=0.30, corners=ring), upper_lip)
    paper.flat(spline(lower + outer_lower[::-1], tension=0.30, corners=ring), lower_lip)
    below = shape.seam(0) + shape.gap * (1 - shape.above) + shape.lower_lip
    under = [(-0.045, below + 0.030), (0.0, below + 0.036), (0.05, below + 0.028)]
    under_points = [head.surface(x, shape.y + y, 0.01) for x, y in under]
    paper.brush(under_points, head.size * 0.014, sheet.skin_shade, tip=0.05, tail=0.05)
    if shape.gap > 0.004:
        inner = spline(upper + lower[::-1][1:-1], tension=0.30, corners=(0, last))
        paper.flat(inner, _CAVITY)
        with paper.clipped(inner):
            _draw_inside(paper, head, shape)
    closing = upper if shape.gap > 0.004 else [(u + d) / 2 for u, d in zip(upper, lower, strict=True)]
    weight = 0.0125 - 0.003 * clamp(shape.gap / 0.016)
    paper.brush(closing, head.size * weight, mix("ink", sheet.skin_line, 0.35), tip=0.35, tail=0.25, steps=1)
    if (mouth.smile > 0.25 or mouth.wide > 0.3 or mouth.smile < -0.2) and mouth.round < 0.45:
        _draw_corners(paper, head, sheet, shape)


def _draw_inside(paper: Paper, head: HeadSpace, shape: MouthShape) -> None:
    """Tongue, upper teeth, lower teeth, tongue tip; the clip is the mouth's opening."""
    mouth, gap, above = shape.mouth, shape.gap, shape.above
    half, middle = shape.half_width, shape.seam(0)

    def placed(pts: list[tuple[float, float]], lift: float) -> list[complex]:
        return [head.surface(x, shape.y + y, lift + 0.03 * mouth.round) for x, y in pts]

    if mouth.tongue > 0.02:
        top = middle + gap * (1 - above) - gap * (0.28 + 0.42 * mouth.tongue)
        wide = half * 0.80
        back = [(-wide, middle + gap * 1.2), (-wide * 0.86, top + gap * 0.22), (-wide * 0.35, top),
                (0.0, top + gap * 0.05),
                (wide * 0.35, top), (wide * 0.86, top + gap * 0.22), (wide, middle + gap * 1.2)]  # fmt: skip
        paper.flat(spline(placed(back, 0.0), tension=0.3), _TONGUE)
    height = 0.052 * mouth.teeth_up * (1 - 0.25 * mouth.round)
    if height > 0.003:
        row = [(-half * 1.02, shape.seam(-1) - 0.03), (half * 1.02, shape.seam(1) - 0.03)]
        for k in (1, 0.6, 0.2, -0.2, -0.6, -1):
            y = (
                middle * 0.45
                + shape.seam(k) * 0.55
                - gap * above * _arch(k, 2, 0.8) * 0.9
                + height * (1 - 0.30 * k * k)
            )
            row.append((half * k * 0.94, y))
        paper.flat(polygon(placed(row, 0.015)), _UPPER_TEETH)
    if mouth.teeth_low > 0.05:
        row = [(half * k * 0.80, shape.seam(k) + gap * (1 - above) - 0.026 * mouth.teeth_low * (1 - 0.4 * k * k))
               for k in (-1, -0.5, 0, 0.5, 1)]  # fmt: skip
        row += [(half, shape.seam(1) + gap + 0.05), (-half, shape.seam(-1) + gap + 0.05)]
        paper.flat(polygon(placed(row, 0.015)), _LOWER_TEETH)
    if mouth.tip > 0.05:
        top = middle + gap * (1 - above) - mouth.tip * gap * 0.78
        wide = half * 0.46
        tip = placed([(-wide * 1.15, middle + gap * 1.1), (-wide, top + gap * 0.30), (-wide * 0.45, top + 0.004),
                      (wide * 0.45, top + 0.004), (wide, top + gap * 0.30),
                      (wide * 1.15, middle + gap * 1.1)], 0.01)  # fmt: skip
        paper.flat(spline(tip, tension=0.28), _TIP)
        crease = [tip[2], (tip[2] + tip[3]) / 2 + 0.004j * head.size, tip[3]]
        paper.brush(crease, head.size * 0.006, "#8E3038")


def _draw_corners(paper: Paper, head: HeadSpace, sheet: ModelSheet, shape: MouthShape) -> None:
    for side in (-1, 1):
        x, y, smile = shape.half_width * side, shape.seam(side), shape.mouth.smile
        crease = [(x - 0.004 * side, y), (x + 0.008 * side, y - 0.012 * smile), (x + 0.015 * side, y - 0.034 * smile)]
        placed = [head.surface(px, shape.y + py, 0.01) for px, py in crease]
        paper.brush(placed, head.size * 0.0095, sheet.skin_line, tip=0.7, tail=0.1, alpha=0.8)
