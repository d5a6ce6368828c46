"""What the light falls on lies within its piece, and its shade is at the lower right."""

from __future__ import annotations

import cmath

import numpy as np
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.drawing.outline_points import brush_points, spline_points, to_machine_code, tube_points
from dearhost.drawing.outlines import (
    band,
    clockwise,
    edge_over,
    limb,
    lit_limb,
    lit_points,
    path_of,
    spline,
    taper,
    tube,
)

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
    assert outside(tube(joints, radii, CRESCENT), tube(joints, radii)) < 0.6


@given(st.integers(8, 20), st.floats(20, 60), st.booleans())
def test_a_round_piece_is_shaded_at_the_lower_right_alone(count: int, radius: float, turned: bool) -> None:
    points = [cmath.rect(radius, 6.2832 * i / count) for i in range(count)]
    points = points[::-1] if turned else points
    assert clockwise(points) is not turned
    lit = spline(lit_points(points, CRESCENT))
    towards = CRESCENT / abs(CRESCENT)
    dark, light = towards * (radius - abs(CRESCENT) / 2), -towards * (radius - abs(CRESCENT) / 2)
    assert not lit.contains(dark.real, dark.imag) and lit.contains(light.real, light.imag)
    assert outside(lit, spline(points)) < 0.65


COORDINATES = st.floats(-90, 90).map(lambda value: round(value, 3))


@settings(deadline=None, max_examples=40)
@given(st.lists(st.builds(complex, COORDINATES, COORDINATES), min_size=3, max_size=9), st.integers(1, 4))
def test_outlines_are_the_same_where_they_are_compiled(points: list[complex], steps: int) -> None:
    widths = taper((len(points) - 1) * steps + 1, 0.1, 0.2, 0.5)
    radii = [3.0 + index for index in range(len(points))]

    def outlines() -> list[bytes]:
        made = (
            spline(points, corners=(1,)),
            edge_over(points, 90, -90, 100),
            band(points, widths, 2.0, steps),
            tube(points, radii),
            tube(points, radii, CRESCENT),
        )
        return [path.writeToMemory() for path in made]

    with pytest.MonkeyPatch.context() as patch:
        for work in (spline_points, brush_points, tube_points):
            patch.setattr(work, "machine_code", None)
        plain = outlines()
        to_machine_code()
        assert outlines() == plain


@given(st.lists(st.floats(-20, 20).map(lambda value: round(value, 3)), min_size=2, max_size=12))
def test_all_that_is_under_an_edge_is_filled(heights: list[float]) -> None:
    last = 30.0 * (len(heights) - 1)
    path = edge_over([complex(30 * index, y) for index, y in enumerate(heights)], last, 0, 100)
    for x in np.linspace(1, last - 1, 9):
        assert path.contains(x, 60) and path.contains(x, 99) and not path.contains(x, -60)
    assert not path.contains(-1, 60) and not path.contains(last + 1, 60) and not path.contains(last / 2, 101)


def test_a_path_made_in_one_go_is_the_one_that_is_drawn_step_by_step() -> None:
    path = skia.Path()
    path.moveTo(1, 2)
    path.lineTo(3, 4)
    path.quadTo(5, 6, 7, 8)
    path.cubicTo(9, 10, 11, 12, 13, 14)
    path.close()
    assert path_of("MLQCZ", np.arange(1, 15, dtype=np.float32).tobytes()) == path
    with pytest.raises(ValueError, match="do not fit"):
        path_of("MLQCZ", b"")
