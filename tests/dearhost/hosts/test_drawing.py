"""What is drawn: mouths that open, eyes that close, boxes that hold everything."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
import skia

from dearhost.drawing.colours import rgb
from dearhost.drawing.paper import Paper
from dearhost.hosts import CAST, EXPRESSIONS, Host, Pose
from dearhost.hosts.pose import HAND_SHAPES, ArmPose, Body, Face, Mouth
from dearhost.lips import TARGETS

SIDE = 780


def drawn(host: Host, pose: Pose, part: str = "", shade_side: int = 1) -> np.ndarray:
    """Alpha and colour of a host, or of one part, on nothing."""
    surface = skia.Surface(SIDE, SIDE)
    canvas = surface.getCanvas()
    canvas.clear(0)
    canvas.translate(SIDE / 2, SIDE - 30)
    for piece in host.parts(pose, 1.0):
        if part in ("", piece.name):
            piece.place(Paper.on(canvas, shade_side))
    return np.asarray(surface.toarray(colorType=skia.kRGBA_8888_ColorType))


def dark_red(picture: np.ndarray) -> int:
    """How many pixels show the inside of a mouth."""
    red, green, blue = (picture[..., i].astype(int) for i in range(3))
    return int(((abs(red - 0x43) < 5) & (abs(green - 0x1B) < 5) & (abs(blue - 0x22) < 5)).sum())


@pytest.mark.parametrize("host", CAST.values(), ids=list(CAST))
def test_mouths_are_shut_on_p_and_widest_on_a(host: Host) -> None:
    part = "beak" if host.id == "skerry" else "mouth"
    cavity = {v: dark_red(drawn(host, Pose(mouth=Mouth(*TARGETS[v])), part)) for v in range(15)}
    assert cavity[1] == 0 and cavity[0] == 0
    assert max(cavity, key=lambda v: cavity[v]) == 10


@pytest.mark.parametrize("host", CAST.values(), ids=list(CAST))
def test_a_blink_hides_the_eyes(host: Host) -> None:
    def white(face: Face) -> int:
        picture = drawn(host, Pose(face=face), "eyes")
        return int(((picture[..., :3].min(axis=2) > 228) & (picture[..., 3] > 200)).sum())

    assert white(Face(blink=1.0)) < white(Face()) * 0.25


POSES = [
    Pose(),
    Pose(body=Body(yaw=28, pitch=10, roll=-9, bend=6, breath=1.2, lean=1.0, hip_x=0.05)),
    Pose(body=Body(yaw=-30, turn=0.16, jaw=1.0), mouth=Mouth(*TARGETS[10]), face=Face(gaze_x=-1, lid=1.3)),
    Pose(
        left=ArmPose(0.9, 0.14, 98, HAND_SHAPES["point"], upper_weight=1, upper_arm=80),
        right=ArmPose(0.5, -0.06, 174, HAND_SHAPES["open"], upper_weight=1, upper_arm=46),
    ),
    Pose(body=Body(yaw=24, turn=0.7, bend=2, sway=1, away=True)),
]


@pytest.mark.parametrize("host", CAST.values(), ids=list(CAST))
@pytest.mark.parametrize("pose", POSES, ids=["rest", "leaning", "turned", "arms", "away"])
@pytest.mark.parametrize("shade_side", [1, -1])
def test_nothing_is_drawn_outside_its_box(host: Host, pose: Pose, shade_side: int) -> None:
    for part in host.parts(pose, 1.0):
        alpha = drawn(host, pose, part.name, shade_side)[..., 3]
        ys, xs = np.nonzero(alpha)
        if not len(xs):
            continue
        left, top, right, bottom = (v + (part.at.imag if n % 2 else part.at.real) for n, v in enumerate(part.box))
        found = (xs.min() - SIDE / 2, ys.min() - SIDE + 30, xs.max() - SIDE / 2, ys.max() - SIDE + 30)
        assert found[0] >= left - 2 and found[1] >= top - 2, (part.name, found, part.box)
        assert found[2] <= right + 2 and found[3] <= bottom + 2, (part.name, found, part.box)


@pytest.mark.parametrize("host", CAST.values(), ids=list(CAST))
def test_the_side_away_from_the_light_is_the_darker_one(host: Host) -> None:
    """Each head beside itself in the other light, and each trunk but those whose wings lie over it."""
    for part in ("body", "head") if host.kind == "person" else ("head",):
        in_light = [drawn(host, Pose(), part, side).astype(int) for side in (1, -1)]
        where = (in_light[0][..., 3] > 250) & (in_light[1][..., 3] > 250)
        brighter = np.where(where, in_light[0][..., :3].sum(axis=2) - in_light[1][..., :3].sum(axis=2), 0)
        columns = np.nonzero(where.any(axis=0))[0]
        left, right = np.array_split(columns, 2)
        assert brighter[:, left].sum() > 0 > brighter[:, right].sum(), part


def test_a_drawing_is_kept_for_each_light() -> None:
    host = CAST["maren"]
    first, other, again = (drawn(host, Pose(), "", side) for side in (1, -1, 1))
    assert np.array_equal(first, again) and not np.array_equal(first, other)


@pytest.mark.parametrize("host", [h for h in CAST.values() if h.kind == "person"], ids=lambda h: h.id)
def test_hair_never_falls_over_the_face_while_the_head_turns(host: Host) -> None:
    """As much of the face is seen as a step of the turn before, about."""

    def skin(yaw: float) -> int:
        surface = skia.Surface(120, 120)
        canvas = surface.getCanvas()
        canvas.translate(60, 60)
        canvas.translate(0, -host.head_centre.imag)
        host.draw(canvas, Pose(body=Body(yaw=yaw)))
        picture = np.asarray(surface.toarray(colorType=skia.kRGBA_8888_ColorType))[..., :3].astype(int)
        return int((np.abs(picture - np.array(rgb(host.sheet.skin_base))).sum(axis=2) < 12).sum())

    seen = [skin(1.8 * n) for n in range(-16, 17)]
    assert all(min(a, b) > 0.8 * max(a, b) for a, b in pairwise(seen)), seen


def test_what_is_drawn_does_not_depend_on_what_was_drawn_before() -> None:
    host = CAST["tobias"]
    poses = [replace(Pose(), body=Body(yaw=y, pitch=y / 3, bend=y / 5)) for y in (0.0, 3.1, 7.7)]
    fresh = [drawn(host, p).copy() for p in poses]
    again = [drawn(host, p) for p in reversed(poses)][::-1]
    assert all(np.array_equal(a, b) for a, b in zip(fresh, again, strict=True))


def test_expressions_name_fields_that_exist() -> None:
    groups: dict[str, Any] = {"face": Face, "mouth": Mouth, "body": Body}
    for changes in EXPRESSIONS.values():
        for name in changes:
            group, field = name.split(".")
            assert field in groups[group].__dataclass_fields__
