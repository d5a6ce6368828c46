"""Drawing in cut paper: splines, pieces with one ink edge and one shade, tapered brush lines.

Points are complex numbers, x to the right and y down. Colours are ``#RRGGBB`` or names of ``PALETTE``.
"""

from __future__ import annotations

import cmath
import itertools
import math
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from functools import lru_cache
from typing import Any

import skia

Points = Sequence[complex]

PALETTE = {
    "paper": "#F4ECDD", "paper2": "#E8DBC3", "sand": "#D8C19C", "ink": "#1E2B35", "tide": "#2F8074",
    "tide-dark": "#1D5853", "tide-light": "#93C7B2", "vermilion": "#E24A2E", "vermilion-dark": "#B23420",
    "mustard": "#E2A93B", "sea": "#3F7191", "sea-dark": "#274E69", "plum": "#6D3B50", "slate": "#5E6D75",
    "cream": "#FBF5E8", "rose": "#D98A7B", "moss": "#6F7F43", "navy": "#2A3C57", "char": "#3A4248",
}  # fmt: skip
SHADE_TOWARDS = "#23203A"


@lru_cache(maxsize=4096)
def rgb(colour: str) -> tuple[int, int, int]:
    """Red, green, blue, each 0 to 255."""
    digits = PALETTE.get(colour, colour).lstrip("#")
    return int(digits[0:2], 16), int(digits[2:4], 16), int(digits[4:6], 16)


@lru_cache(maxsize=8192)
def mix(first: str, second: str, part: float) -> str:
    """``first`` with ``part`` (0 to 1) of ``second``, channel by channel."""
    pairs = zip(rgb(first), rgb(second), strict=True)
    return "#{:02X}{:02X}{:02X}".format(*tuple(round(a + (b - a) * part) for a, b in pairs))


def relative_luminance(colour: tuple[int, int, int]) -> float:
    """WCAG 2.2 relative luminance of an sRGB colour."""
    linear = [c / 255 / 12.92 if c / 255 <= 0.04045 else ((c / 255 + 0.055) / 1.055) ** 2.4 for c in colour]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(first: tuple[int, int, int], second: tuple[int, int, int]) -> float:
    """WCAG 2.2 contrast ratio, 1 to 21."""
    light, dark = sorted((relative_luminance(first), relative_luminance(second)), reverse=True)
    return (light + 0.05) / (dark + 0.05)


def darker(colour: str, part: float = 0.24) -> str:
    """The shade side of a colour."""
    return mix(colour, SHADE_TOWARDS, part)


@lru_cache(maxsize=8192)
def paint(colour: str, alpha: float = 1.0) -> Any:
    """An anti-aliased fill; do not change it, it is shared."""
    red, green, blue = rgb(colour)
    return skia.Paint(AntiAlias=True, Color=skia.Color(red, green, blue, int(255 * alpha)))


def lerp(a: Any, b: Any, t: float) -> Any:
    """From ``a`` (t = 0) to ``b`` (t = 1)."""
    return a + (b - a) * t


def clamp(x: float, low: float = 0.0, high: float = 1.0) -> float:
    """``x`` held between ``low`` and ``high``."""
    return low if x < low else high if x > high else x


def turned(degrees: float) -> complex:
    """The unit vector at ``degrees`` (0 right, 90 down): multiply a point to turn it."""
    return cmath.exp(1j * math.radians(degrees))


def points(*pairs: tuple[float, float]) -> list[complex]:
    """Pairs of x and y as points."""
    return [complex(x, y) for x, y in pairs]


def spline(pts: Points, *, corners: Sequence[int] = (), closed: bool = True, tension: float = 0.5) -> Any:
    """A cardinal spline through ``pts`` with handles 1.24 times the usual length: scissor-cut.

    At the indices in ``corners`` the scissors turn: the tangent there is zero.
    """
    count = len(pts)
    path = skia.Path()
    path.moveTo(pts[0].real, pts[0].imag)
    tangents: list[complex] = []
    for index in range(count):
        if index in corners:
            tangents.append(0j)
        elif closed:
            tangents.append((pts[(index + 1) % count] - pts[index - 1]) * tension)
        else:
            tangents.append((pts[min(count - 1, index + 1)] - pts[max(0, index - 1)]) * tension)
    for index in range(count if closed else count - 1):
        after = (index + 1) % count
        start, end = pts[index], pts[after]
        length = abs(end - start)
        out, into = tangents[index], tangents[after]
        if abs(out) > length:
            out *= length / abs(out)
        if abs(into) > length:
            into *= length / abs(into)
        first, second = start + out * 0.62, end - into * 0.62
        path.cubicTo(first.real, first.imag, second.real, second.imag, end.real, end.imag)
    if closed:
        path.close()
    return path


def polygon(pts: Points) -> Any:
    """A closed shape with straight sides."""
    path = skia.Path()
    path.addPoly([skia.Point(p.real, p.imag) for p in pts], True)
    return path


def disc(centre: complex, radius: float) -> Any:
    """A true circle."""
    path = skia.Path()
    path.addCircle(centre.real, centre.imag, radius)
    return path


def moved(path: Any, dx: float, dy: float) -> Any:
    """A copy of ``path`` at another place."""
    copy = skia.Path(path)
    copy.offset(dx, dy)
    return copy


def joined(paths: Sequence[Any]) -> Any:
    """One path that covers all of ``paths``."""
    whole = paths[0]
    for path in paths[1:]:
        try:
            whole = skia.Op(whole, path, skia.PathOp.kUnion_PathOp)
        except RuntimeError:  # rare shapes defeat path operations; overlaps fill the same
            whole = skia.Path(whole)
            whole.addPath(path)
    return whole


def limb(path: Any, start: complex, end: complex, start_radius: float, end_radius: float, bow: float = 0.0,
         *, start_cap: bool = True, end_cap: bool = True) -> Any:  # fmt: skip
    """Add a tapered, bowed capsule from ``start`` to ``end`` to ``path``; returns ``path``."""
    along = end - start
    along = along / abs(along) if abs(along) > 1e-6 else 1 + 0j
    across = along * 1j
    p0, p1 = start + across * start_radius, end + across * end_radius
    p2, p3 = end - across * end_radius, start - across * start_radius
    middle, width = (start + end) / 2, (start_radius + end_radius) / 2 + 2 * bow
    k = 0.5523

    def cubic(a: complex, b: complex, c: complex) -> None:
        path.cubicTo(a.real, a.imag, b.real, b.imag, c.real, c.imag)

    def quad(a: complex, b: complex) -> None:
        path.quadTo(a.real, a.imag, b.real, b.imag)

    path.moveTo(p0.real, p0.imag)
    quad(middle + across * width, p1)
    if end_cap:
        tip = end + along * end_radius
        cubic(p1 + along * end_radius * k, tip + across * end_radius * k, tip)
        cubic(tip - across * end_radius * k, p2 + along * end_radius * k, p2)
    else:
        path.lineTo(p2.real, p2.imag)
    quad(middle - across * width, p3)
    if start_cap:
        tip = start - along * start_radius
        cubic(p3 - along * start_radius * k, tip - across * start_radius * k, tip)
        cubic(tip + across * start_radius * k, p0 - along * start_radius * k, p0)
    path.close()
    return path


def _along(pts: Points, steps: int) -> list[complex]:
    """Points on the cardinal spline through ``pts``, ``steps`` between each two."""
    count = len(pts)
    if count == 2:
        return [pts[0] + (pts[1] - pts[0]) * (i / steps) for i in range(steps + 1)]
    found: list[complex] = []
    for index in range(count - 1):
        a, b = pts[index], pts[index + 1]
        ta = (b - pts[max(0, index - 1)]) * 0.5
        tb = (pts[min(count - 1, index + 2)] - a) * 0.5
        for h00, h10, h01, h11 in _hermite(steps):
            found.append(h00 * a + h10 * ta + h01 * b + h11 * tb)
    found.append(pts[-1])
    return found


@lru_cache(maxsize=64)
def _hermite(steps: int) -> tuple[tuple[float, float, float, float], ...]:
    rows = []
    for k in range(steps):
        s = k / steps
        s2, s3 = s * s, s * s * s
        rows.append((2 * s3 - 3 * s2 + 1, s3 - 2 * s2 + s, -2 * s3 + 3 * s2, s3 - s2))
    return tuple(rows)


@lru_cache(maxsize=4096)
def _taper(count: int, tip: float, tail: float, peak: float) -> tuple[float, ...]:
    """Relative half-width at ``count`` places along a brush line."""
    widths = []
    for index in range(count):
        s = index / (count - 1)
        rising = s < peak
        k = s / peak if rising else (1 - s) / (1 - peak)
        end = tip if rising else tail
        widths.append(end + (1 - end) * math.sin(clamp(k) * math.pi / 2) ** 0.8)
    return tuple(widths)


class Paper:
    """A canvas to cut and stick paper on; ``scale`` is its pixels a unit, which sets the line weight."""

    def __init__(self, canvas: Any, scale: float) -> None:
        self.canvas = canvas
        self.set_scale(scale)

    def set_scale(self, scale: float) -> None:
        """Line weight grows slower than the framing (optical scaling)."""
        self.scale = max(scale, 0.05)
        factor = clamp((1.05 / self.scale) ** 0.42, 0.55, 1.5)
        self.ink = (1.5 * factor, 1.3 * factor)
        self.rim = 0.8 * factor

    @contextmanager
    def placed(self, x: float, y: float, scale: float = 1.0) -> Iterator[None]:
        """Move the origin to (x, y) and draw ``scale`` times as large inside."""
        before = self.scale
        self.canvas.save()
        self.canvas.translate(x, y)
        self.canvas.scale(scale, scale)
        self.set_scale(before * abs(scale))
        try:
            yield
        finally:
            self.canvas.restore()
            self.set_scale(before)

    @contextmanager
    def clipped(self, path: Any, *, needed: bool = True) -> Iterator[None]:
        """Draw inside ``path`` only. Clipping is dear: pass ``needed`` False where nothing can reach out."""
        if not needed:
            yield
            return
        self.canvas.save()
        self.canvas.clipPath(path, skia.ClipOp.kIntersect, True)
        try:
            yield
        finally:
            self.canvas.restore()

    def flat(self, path: Any, colour: str, alpha: float = 1.0) -> None:
        """Fill, nothing more."""
        self.canvas.drawPath(path, paint(colour, alpha))

    def dot(self, centre: complex, radius: float, colour: str) -> None:
        """A small disc without edge."""
        self.canvas.drawCircle(centre.real, centre.imag, radius, paint(colour))

    def _hidden(self, pts: Points, width: float) -> bool:
        xs, ys = [p.real for p in pts], [p.imag for p in pts]
        box = skia.Rect.MakeLTRB(min(xs) - width - 4, min(ys) - width - 4, max(xs) + width + 4, max(ys) + width + 4)
        return bool(self.canvas.quickReject(box))

    def ink_edge(self, path: Any, weight: float = 1.0) -> None:
        """The lower-right edge in ink: the same path, slid."""
        self.canvas.save()
        self.canvas.translate(self.ink[0] * weight, self.ink[1] * weight)
        self.canvas.drawPath(path, paint("ink"))
        self.canvas.restore()

    def piece(self, path: Any, base: str, shade: str | None = None, *, ink: float = 1.0,
              crescent: tuple[float, float] = (5.0, 4.0), rim: bool = True) -> None:  # fmt: skip
        """One piece of paper: ink edge, flat fill, a hard shade at the lower right, a light rim.

        ``crescent`` is how far the shade reaches in. Crescents are cut by path operations: far quicker
        than clipping.
        """
        canvas = self.canvas
        if canvas.quickReject(path.getBounds().makeOutset(4, 4)):
            return
        if ink:
            self.ink_edge(path, ink)
        if shade is None:
            canvas.drawPath(path, paint(base))
        else:
            canvas.drawPath(path, paint(shade))
            lit = moved(path, -crescent[0], -crescent[1])
            self._cut(path, lit, skia.PathOp.kIntersect_PathOp, paint(base))
        if rim:
            lightness = 0.18 + 0.22 * (sum(rgb(base)) / 765)
            light = mix(base, "#FFF6E4", round(lightness, 3))
            self._cut(path, moved(path, self.rim, self.rim), skia.PathOp.kDifference_PathOp, paint(light))

    def cast(self, onto: Any, caster: Any, dx: float = 4.0, dy: float = 6.0, colour: str = "ink",
             alpha: float = 0.16) -> None:  # fmt: skip
        """The hard shadow ``caster`` throws on the piece ``onto``."""
        self._cut(moved(caster, dx, dy), onto, skia.PathOp.kIntersect_PathOp, paint(colour, alpha))

    def _cut(self, path: Any, other: Any, operation: Any, fill: Any) -> None:
        """Fill ``path`` less ``other``, or what both share; by clipping where path operations give up."""
        try:
            self.canvas.drawPath(skia.Op(path, other, operation), fill)
        except RuntimeError:
            keep = operation == skia.PathOp.kIntersect_PathOp
            self.canvas.save()
            self.canvas.clipPath(other, skia.ClipOp.kIntersect if keep else skia.ClipOp.kDifference, True)
            self.canvas.drawPath(path, fill)
            self.canvas.restore()

    def brush(self, pts: Points, width: float, colour: str = "ink", *, tip: float = 0.15, tail: float = 0.15,
              peak: float = 0.5, alpha: float = 1.0, steps: int = 0, within: Any = None) -> None:  # fmt: skip
        """A tapered line through ``pts``, ``width`` at its peak; ``tip`` and ``tail`` are shares of it.

        Only what lies in the path ``within`` is drawn, when it is given.
        """
        if self._hidden(pts, width):
            return
        if not steps:
            longest = max(abs(b - a) for a, b in itertools.pairwise(pts))
            steps = max(2, min(7, int(longest * self.scale / 7) + 1))
        centre = _along(pts, steps)
        count = len(centre)
        left: list[Any] = []
        right: list[Any] = []
        half = width * 0.5
        for index, (point, relative) in enumerate(zip(centre, _taper(count, tip, tail, peak), strict=True)):
            run = centre[min(count - 1, index + 1)] - centre[max(0, index - 1)]
            size = abs(run)
            normal = run * 1j * (half * relative / size) if size > 1e-6 else complex(0, half * relative)
            left.append(skia.Point(point.real + normal.real, point.imag + normal.imag))
            right.append(skia.Point(point.real - normal.real, point.imag - normal.imag))
        path = skia.Path()
        path.addPoly(left + right[::-1], True)
        fill = paint(colour, round(alpha, 2))
        if within is not None:
            self._cut(path, within, skia.PathOp.kIntersect_PathOp, fill)
            return
        self.canvas.drawPath(path, fill)
        for end, share in ((centre[0], tip), (centre[-1], tail)):
            if share * width > 1.0:
                self.canvas.drawCircle(end.real, end.imag, half * share, fill)
