"""Outlines for scissors: splines, limbs, bands. Points are complex numbers, x to the right and y down."""

from __future__ import annotations

import cmath
import math
from collections.abc import Sequence
from functools import lru_cache
from typing import Any

import skia

Points = Sequence[complex]


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
    last = count if closed else count - 1
    path = skia.Path()
    path.moveTo(pts[0].real, pts[0].imag)
    cubic = path.cubicTo
    if closed:
        tangents = [(pts[index + 1 - count] - pts[index - 1]) * tension for index in range(count)]
    else:
        ends = (pts[0], *pts, pts[-1])
        tangents = [(ends[index + 2] - ends[index]) * tension for index in range(count)]
    for index in corners:
        tangents[index] = 0j
    for index in range(last):
        start, end = pts[index], pts[index + 1 - count]
        length = abs(end - start)
        out, into = tangents[index], tangents[index + 1 - count]
        size = abs(out)
        first = start + out * (0.62 * length / size if size > length else 0.62)
        size = abs(into)
        second = end - into * (0.62 * length / size if size > length else 0.62)
        cubic(first.real, first.imag, second.real, second.imag, end.real, end.imag)
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


_SIMPLE = 8
"""Verbs up to which path operations were never seen to fail."""
_PROBES = 5


def cut(path: Any, other: Any, operation: Any) -> Any:
    """What ``path`` and ``other`` share or cover together, or ``path`` less ``other``; None where that goes wrong.

    Path operations fail now and then with much bent outlines, by an error or by covering what they should not; so a
    grid of points is asked whether it lies where it should.
    """
    try:
        found = skia.Op(path, other, operation)
    except RuntimeError:
        return None
    if path.countVerbs() <= _SIMPLE:
        return found
    box = path.getBounds()
    for row in range(_PROBES):
        y = box.top() + box.height() * (row + 0.5) / _PROBES
        for column in range(_PROBES):
            x = box.left() + box.width() * (column + 0.47) / _PROBES
            if found.contains(x, y) != _lies(path.contains(x, y), other.contains(x, y), operation):
                return None
    return found


def _lies(in_path: bool, in_other: bool, operation: Any) -> bool:
    """Whether a point lies in the outcome of an operation."""
    if operation == skia.PathOp.kUnion_PathOp:
        return in_path or in_other
    return in_path and in_other == (operation == skia.PathOp.kIntersect_PathOp)


def joined(paths: Sequence[Any]) -> Any:
    """One path that covers all of ``paths``."""
    whole = paths[0]
    for path in paths[1:]:
        union = cut(whole, path, skia.PathOp.kUnion_PathOp) or cut(path, whole, skia.PathOp.kUnion_PathOp)
        if union is None:  # overlaps fill the same
            union = skia.Path(whole)
            union.addPath(path)
        whole = union
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


def tube(joints: Points, radii: Sequence[float]) -> Any:
    """One outline round a bent, tapered limb through ``joints``, as wide as ``radii`` say at each, its ends round."""
    count = len(joints)
    left: list[complex] = []
    right: list[complex] = []
    ways: list[complex] = []
    for index, (joint, radius) in enumerate(zip(joints, radii, strict=True)):
        way = joints[min(count - 1, index + 1)] - joints[max(0, index - 1)]
        ways.append(way / abs(way) if abs(way) > 1e-6 else 1 + 0j)
        left.append(joint - ways[-1] * 1j * radius)
        right.append(joint + ways[-1] * 1j * radius)
    path = skia.Path()
    path.moveTo(left[0].real, left[0].imag)
    _smooth(path, left)
    _cap(path, joints[-1], ways[-1] * radii[-1])
    _smooth(path, right[::-1])
    _cap(path, joints[0], -ways[0] * radii[0])
    path.close()
    return path


def _cap(path: Any, middle: complex, outward: complex) -> None:
    """Half a circle about ``middle`` from its left to its right, by way of ``outward``."""
    k, across = 0.5523, outward * 1j
    for a, b, c in (
        (-across + outward * k, outward - across * k, outward),
        (outward + across * k, across + outward * k, across),
    ):
        path.cubicTo(
            middle.real + a.real, middle.imag + a.imag, middle.real + b.real, middle.imag + b.imag,
            middle.real + c.real, middle.imag + c.imag,
        )  # fmt: skip


def _smooth(path: Any, side: Points) -> None:
    """Go on to the first of ``side`` and along it, its corners rounded."""
    path.lineTo(side[0].real, side[0].imag)
    for index in range(1, len(side) - 1):
        at, after = side[index], side[index + 1]
        end = after if index == len(side) - 2 else (at + after) / 2
        path.quadTo(at.real, at.imag, end.real, end.imag)
    if len(side) == 2:
        path.lineTo(side[1].real, side[1].imag)


def clockwise(pts: Points) -> bool:
    """Whether a closed outline goes round as a clock does."""
    return sum((a.conjugate() * b).imag for a, b in zip(pts, (*pts[1:], pts[0]), strict=True)) > 0


def lit_points(pts: Points, crescent: complex) -> list[complex]:
    """The points of a closed outline moved in where they face ``crescent``: what the light falls on, with no cut."""
    count, out = len(pts), -1j if clockwise(pts) else 1j
    ways = [pts[index + 1 - count] - pts[index - 1] for index in range(count)]
    lit = []
    for point, way in zip(pts, ways, strict=True):
        normal = way * out / max(1e-6, abs(way))
        lit.append(point - normal * max(0.0, (normal.conjugate() * crescent).real))
    return lit


def lit_limb(
    start: complex, end: complex, start_radius: float, end_radius: float, crescent: complex
) -> tuple[complex, complex, float, float]:
    """Where a limb is in the light: a thinner one within it."""
    slide = _slide(end - start, crescent)
    return start - slide, end - slide, start_radius - abs(slide), end_radius - abs(slide)


def lit_tube(joints: Points, radii: Sequence[float], crescent: complex) -> tuple[list[complex], list[float]]:
    """Where a tube is in the light: a thinner one within it."""
    last = len(joints) - 1
    slides = [_slide(joints[min(last, i + 1)] - joints[max(0, i - 1)], crescent) for i in range(len(joints))]
    lit = [joint - slide for joint, slide in zip(joints, slides, strict=True)]
    return lit, [max(0.3 * radius, radius - abs(slide)) for radius, slide in zip(radii, slides, strict=True)]


def _slide(way: complex, crescent: complex) -> complex:
    """How far the middle of a limb that goes along ``way`` and its light lie apart: half the crescent, across it."""
    across = way * 1j / max(1e-6, abs(way))
    return across * (across.conjugate() * crescent).real / 2


def along(pts: Points, steps: int) -> list[complex]:
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
def taper(count: int, tip: float, tail: float, peak: float) -> tuple[float, ...]:
    """Relative half-width at ``count`` places along a brush line."""
    widths = []
    for index in range(count):
        s = index / (count - 1)
        rising = s < peak
        k = s / peak if rising else (1 - s) / (1 - peak)
        end = tip if rising else tail
        widths.append(end + (1 - end) * math.sin(clamp(k) * math.pi / 2) ** 0.8)
    return tuple(widths)


def tapered(centre: Points, widths: Sequence[float], half: float) -> Any:
    """A band along ``centre``, ``half`` times ``widths`` to each side, rounded by quadratic curves."""
    count = len(centre)
    left: list[complex] = []
    right: list[complex] = []
    for index in range(count):
        point = centre[index]
        run = centre[index + 1 if index + 1 < count else index] - centre[index - 1 if index else 0]
        size = abs(run)
        normal = run * 1j * (half * widths[index] / size) if size > 1e-6 else complex(0, half * widths[index])
        left.append(point + normal)
        right.append(point - normal)
    right.reverse()
    path = skia.Path()
    path.moveTo(left[0].real, left[0].imag)
    _smooth(path, left)
    _smooth(path, right)
    path.close()
    return path
