"""Outlines for scissors: splines, limbs, bands. Points are complex numbers, x to the right and y down."""

from __future__ import annotations

import cmath
import math
from array import array
from collections.abc import Sequence
from functools import lru_cache
from typing import Any

import skia

from dearhost.drawing.outline_points import brush_points, spline_points, tube_points

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


@lru_cache(maxsize=1024)
def _around_points(verbs: str) -> tuple[bytes, bytes]:
    """What lies before and after the points of a path in memory."""
    path = skia.Path()
    add = {"M": path.moveTo, "L": path.lineTo, "Q": path.quadTo, "C": path.cubicTo, "Z": path.close}
    taken = {"M": 2, "L": 2, "Q": 4, "C": 6, "Z": 0}
    for verb in verbs:
        add[verb](*range(taken[verb]))
    whole = path.writeToMemory()
    points = 4 * sum(taken[verb] for verb in verbs)
    return whole[:_HEADER], whole[_HEADER + points :]


_HEADER = 16
"""Bytes before the points: version, and how many points, weights and verbs there are."""


def path_of(verbs: str, points: bytes) -> Any:
    """A path of ``verbs`` (M, L, Q, C, Z) through ``points``, x and y as 32-bit floats: made in one go.

    It is whole: what were added to it would begin anew at its first point.
    """
    before, after = _around_points(verbs)
    path = skia.Path()
    if not path.readFromMemory(before + points + after):
        raise ValueError(f"These points do not fit {verbs}.")
    return path


@lru_cache(maxsize=1024)
def _sharp(count: int, corners: Sequence[int]) -> tuple[float, ...]:
    return tuple(float(index in corners) for index in range(count))


def spline(pts: Points, *, corners: Sequence[int] = (), tension: float = 0.5) -> Any:
    """A closed cardinal spline through ``pts`` with handles 1.24 times the usual length: scissor-cut.

    At the indices in ``corners`` the scissors turn: the tangent there is zero.
    """
    count = len(pts)
    found = spline_points(pts, _sharp(count, tuple(corners)), 3 * count + 1, 1.0, tension)
    return path_of("M" + "C" * count + "Z", found)


def edge_over(pts: Points, right: float, left: float, bottom: float, tension: float = 0.5) -> Any:
    """What lies under a cardinal spline through ``pts``: from its end straight on by way of (``right``, ``bottom``) and
    (``left``, ``bottom``) back to its start."""
    curves = len(pts) - 1
    found = spline_points(pts, _sharp(len(pts), ()), 3 * curves + 1, 0.0, tension)
    return path_of("M" + "C" * curves + "LLZ", found + array("f", (right, bottom, left, bottom)).tobytes())


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


def tube(joints: Points, radii: Sequence[float], crescent: complex = 0j) -> Any:
    """One outline round a bent, tapered limb through ``joints``, as wide as ``radii`` say at each, its ends round.

    With a ``crescent`` what the light falls on: a thinner tube within it.
    """
    side = "Q" * (len(joints) - 2) or "L"
    points = 2 * max(1, 2 * (len(joints) - 2)) + 13
    return path_of(f"M{side}CC{side}CCZ", tube_points(joints, radii, points, crescent.real, crescent.imag))


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


def _slide(way: complex, crescent: complex) -> complex:
    """How far the middle of a limb that goes along ``way`` and its light lie apart: half the crescent, across it."""
    across = way * 1j / max(1e-6, abs(way))
    return across * (across.conjugate() * crescent).real / 2


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


def band(pts: Points, widths: Sequence[float], half: float, steps: int) -> Any:
    """A band along the cardinal spline through ``pts``, ``steps`` places between each two, rounded by quadratic curves.

    It is ``half`` times ``widths`` wide to each side, one for each place.
    """
    side = "Q" * (len(widths) - 2) or "L"
    points = 2 * max(2, 2 * len(widths) - 3)
    return path_of(f"M{side}L{side}Z", brush_points(pts, widths, points, half, float(steps)))
