"""What the light falls on lies within its piece, and its shade is at the lower right."""

from __future__ import annotations

import cmath

import skia
from hypothesis import given
from hypothesis import strategies as st

from dearhost.hosts.outlines import clockwise, limb, lit_limb, lit_points, lit_tube, spline, tube

ANGLES = st.floats(0, 6.28)
CRESCENT = 5 + 3.6j


def outside(lit: skia.Path, piece: skia.Path) -> float:
    """How far ``lit`` reaches out of ``piece``, in units, at most."""
    edge = flat(piece)
    out = [point for point in flat(lit)[::8] if not piece.contains(point.real, point.imag)]
    return max((min(abs(point - near) for near in edge) for point in out), default=0.0)


def flat(path: skia.Path) -> list[complex]:
    """Many points along an outline."""
    measure = skia.PathMeasure(path, True)
    found = [measure.getPosTan(measure.getLength() * i / 400)[0] for i in range(401)]
    return [complex(point.x(), point.y()) for point in found]


@given(ANGLES, st.floats(30, 90), st.floats(8, 20), st.floats(8, 20))
def test_a_limb_and_a_finger_are_lit_within_themselves(angle: float, length: float, first: float, last: float) -> None:
    end = cmath.rect(length, angle)
    whole = limb(skia.Path(), 0j, end, first, last)
    assert outside(limb(skia.Path(), *lit_limb(0j, end, first, last, CRESCENT)), whole) < 0.6
    joints, radii = [0j, end / 2, end], [first, (first + last) / 2, last]
    assert outside(tube(*lit_tube(joints, radii, CRESCENT)), tube(joints, radii)) < 0.6


@given(st.integers(8, 20), st.floats(20, 60), st.booleans())
def test_a_round_piece_is_shaded_at_the_lower_right_alone(count: int, radius: float, turned: bool) -> None:
    points = [cmath.rect(radius, 6.2832 * i / count) for i in range(count)]
    points = points[::-1] if turned else points
    assert clockwise(points) is not turned
    lit = spline(lit_points(points, CRESCENT))
    towards = CRESCENT / abs(CRESCENT)
    dark, light = towards * (radius - abs(CRESCENT) / 2), -towards * (radius - abs(CRESCENT) / 2)
    assert not lit.contains(dark.real, dark.imag) and lit.contains(light.real, light.imag)
    assert outside(lit, spline(points)) < 0.6
