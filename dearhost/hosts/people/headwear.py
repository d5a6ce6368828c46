"""What is worn on the head: hijab, caps and hats, headset."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.head_space import HeadSpace, mirrored
from dearhost.hosts.people.model_sheet import ModelSheet

_SHADOW = "#5A2430"
Place = tuple[float, float, float]

HEADWEAR = ("hijab", "cap", "beanie", "sunhat", "headset")
HIDES_HAIR = ("hijab",)
HIDES_EARS = ("hijab", "headset")

_HIJAB_BACK = mirrored([
    (0.0, -0.585, -0.1), (0.27, -0.55, -0.1), (0.45, -0.32, -0.1), (0.47, 0.0, -0.1), (0.47, 0.3, -0.1),
    (0.52, 0.55, -0.1), (0.56, 0.72, -0.05), (0.3, 0.80, 0.0), (0.0, 0.84, 0.0),
])  # fmt: skip
_HIJAB_FRONT = mirrored([
    (0.0, -0.59, -0.06), (0.26, -0.55, -0.06), (0.42, -0.36, -0.05), (0.455, -0.05, -0.03), (0.43, 0.25, 0.02),
    (0.40, 0.45, 0.05), (0.47, 0.66, 0.0), (0.30, 0.86, 0.06), (0.02, 0.93, 0.08),
])  # fmt: skip
_HIJAB_FACE = mirrored([
    (0.0, -0.335, 0.13), (0.17, -0.305, 0.12), (0.27, -0.18, 0.10), (0.302, 0.03, 0.09), (0.285, 0.25, 0.11),
    (0.20, 0.41, 0.15), (0.10, 0.478, 0.165), (0.0, 0.497, 0.17),
])  # fmt: skip
_HIJAB_BAND = ((-0.295, 0.10, 0.09), (-0.27, -0.16, 0.11), (-0.16, -0.32, 0.12), (0.0, -0.352, 0.13),
               (0.16, -0.32, 0.12), (0.27, -0.16, 0.11), (0.295, 0.10, 0.09))  # fmt: skip
_HIJAB_FOLDS = (
    ((-0.36, 0.30, 0.04), (-0.20, 0.56, 0.1), (0.10, 0.68, 0.1), (0.36, 0.62, 0.02)),
    ((-0.38, 0.42, 0.03), (-0.22, 0.70, 0.08), (0.06, 0.82, 0.08)),
    ((0.34, 0.18, 0.04), (0.30, 0.42, 0.08), (0.10, 0.60, 0.12), (-0.06, 0.62, 0.12)),
    ((0.30, -0.42, -0.05), (0.385, -0.22, -0.03), (0.40, 0.02, -0.02)),
    ((-0.10, -0.53, 0.0), (-0.28, -0.44, 0.0), (-0.37, -0.2, 0.0)),
)  # fmt: skip


def draw_headwear_back(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """What of it hangs behind head and shoulders."""
    if sheet.headwear.kind == "hijab":
        colour = sheet.headwear.colour
        paper.piece(head.outline(_HIJAB_BACK), darker(colour, 0.25), darker(colour, 0.4))


def draw_headwear(paper: Paper, head: HeadSpace, sheet: ModelSheet, head_path: Any) -> None:
    """What of it lies on the head, over the hair."""
    draw = {"hijab": _hijab, "cap": _cap, "beanie": _beanie, "headset": _headset, "sunhat": _sunhat}.get(
        sheet.headwear.kind
    )
    if draw:
        draw(paper, head, sheet.headwear.colour, head_path)


def _line(paper: Paper, head: HeadSpace, places: tuple[Place, ...], colour: str, width: float) -> None:
    paper.brush([head.silhouette(*p) for p in places], head.size * width, colour, tip=0.05, tail=0.05, alpha=0.9)


def _hijab(paper: Paper, head: HeadSpace, colour: str, head_path: Any) -> None:
    face = spline([head.silhouette(*p) for p in _HIJAB_FACE])
    cloth = head.outline(_HIJAB_FRONT)
    cloth.addPath(face)
    cloth.setFillType(skia.PathFillType.kEvenOdd)
    with paper.clipped(face):
        paper.cast(face, cloth, 4, 6, _SHADOW, 0.24)
    paper.piece(cloth, colour, darker(colour, 0.2), crescent=(7, 5))
    _line(paper, head, _HIJAB_BAND, mix(colour, "cream", 0.55), 0.020)
    for fold in _HIJAB_FOLDS:
        _line(paper, head, fold, darker(colour, 0.34), 0.015)


def _cap(paper: Paper, head: HeadSpace, colour: str, head_path: Any) -> None:
    """A keeper's cap: soft crown, band, peak and badge."""
    crown = head.outline([
        (-0.40, -0.23, -0.02), (-0.43, -0.40, -0.05), (-0.34, -0.60, -0.06), (-0.10, -0.68, -0.06),
        (0.16, -0.67, -0.06), (0.38, -0.58, -0.06), (0.44, -0.40, -0.05), (0.40, -0.23, -0.02), (0.22, -0.27, 0.1),
        (0.0, -0.285, 0.12), (-0.22, -0.27, 0.1),
    ], corners=(0, 7))  # fmt: skip
    paper.cast(head_path, crown, 3, 7, _SHADOW, 0.24)
    paper.piece(crown, colour, darker(colour))
    band = head.outline([
        (-0.40, -0.23, 0.0), (-0.395, -0.33, 0.0), (-0.2, -0.375, 0.1), (0.0, -0.385, 0.12), (0.2, -0.375, 0.1),
        (0.395, -0.33, 0.0), (0.40, -0.23, 0.0), (0.22, -0.265, 0.12), (0.0, -0.275, 0.14), (-0.22, -0.265, 0.12),
    ], corners=(0, 1, 5, 6))  # fmt: skip
    paper.piece(band, darker(colour, 0.45), darker(colour, 0.6), ink=0.6)
    peak = head.outline([
        (-0.30, -0.26, 0.10), (-0.15, -0.295, 0.14), (0.0, -0.30, 0.15), (0.15, -0.295, 0.14), (0.30, -0.26, 0.10),
        (0.25, -0.185, 0.30), (0.0, -0.15, 0.36), (-0.25, -0.185, 0.30),
    ], corners=(0, 4))  # fmt: skip
    paper.cast(head_path, peak, 3, 7, _SHADOW, 0.2)
    paper.piece(peak, "ink")
    badge = head.silhouette(0, -0.40, 0.14)
    paper.flat(polygon([badge + head.size * 0.042 * turned(a) for a in (0, 90, 180, 270)]), "mustard")


def _beanie(paper: Paper, head: HeadSpace, colour: str, head_path: Any) -> None:
    crown = head.outline([
        (-0.385, -0.20, 0.0), (-0.42, -0.36, -0.05), (-0.33, -0.58, -0.06), (-0.12, -0.69, -0.06), (0.12, -0.69, -0.06),
        (0.33, -0.58, -0.06), (0.42, -0.36, -0.05), (0.385, -0.20, 0.0), (0.0, -0.26, 0.1),
    ])  # fmt: skip
    paper.cast(head_path, crown, 3, 6, _SHADOW, 0.22)
    paper.piece(crown, colour, darker(colour))
    band = head.outline([
        (-0.395, -0.16, 0.02), (-0.40, -0.31, 0.02), (-0.2, -0.375, 0.1), (0.0, -0.39, 0.12), (0.2, -0.375, 0.1),
        (0.40, -0.31, 0.02), (0.395, -0.16, 0.02), (0.2, -0.225, 0.12), (0.0, -0.24, 0.14), (-0.2, -0.225, 0.12),
    ], corners=(0, 1, 5, 6))  # fmt: skip
    paper.piece(band, mix(colour, "cream", 0.16), darker(colour, 0.12))
    for x in (-0.30, -0.2, -0.1, 0.0, 0.1, 0.2, 0.3):
        sag = 1 - (x / 0.4) ** 2
        _line(paper, head, ((x, -0.20 - 0.06 * sag, 0.1), (x, -0.30 - 0.07 * sag, 0.1)), darker(colour, 0.35), 0.010)


def _sunhat(paper: Paper, head: HeadSpace, colour: str, head_path: Any) -> None:
    """A straw hat: round crown, ribbon, wide brim."""
    crown = head.outline([
        (-0.37, -0.28, 0.0), (-0.38, -0.48, -0.05), (-0.24, -0.66, -0.06), (0.0, -0.70, -0.06), (0.24, -0.66, -0.06),
        (0.38, -0.48, -0.05), (0.37, -0.28, 0.0), (0.0, -0.33, 0.12),
    ], corners=(0, 6))  # fmt: skip
    brim = head.outline([
        (-0.62, -0.20, 0.02), (-0.40, -0.335, 0.0), (0.0, -0.385, 0.06), (0.40, -0.335, 0.0), (0.62, -0.20, 0.02),
        (0.36, -0.205, 0.22), (0.0, -0.175, 0.30), (-0.36, -0.205, 0.22),
    ], corners=(0, 4))  # fmt: skip
    paper.cast(head_path, brim, 3, 9, _SHADOW, 0.26)
    paper.piece(crown, colour, darker(colour, 0.2), crescent=(7, 5))
    ribbon = head.outline([
        (-0.375, -0.28, 0.0), (-0.382, -0.40, -0.03), (0.0, -0.46, 0.1), (0.382, -0.40, -0.03), (0.375, -0.28, 0.0),
        (0.0, -0.335, 0.12),
    ], corners=(0, 1, 3, 4))  # fmt: skip
    paper.piece(ribbon, "vermilion", darker("vermilion"), ink=0.6)
    paper.piece(brim, colour, darker(colour, 0.2), crescent=(6, 4))
    for y in (-0.30, -0.245):
        _line(
            paper, head, ((-0.46, y + 0.07, 0.06), (0.0, y, 0.2), (0.46, y + 0.07, 0.06)), darker(colour, 0.18), 0.010
        )


_SHELL = ((0.335, -0.06), (0.40, -0.085), (0.445, -0.04), (0.45, 0.08), (0.41, 0.145), (0.345, 0.125))


def _headset(paper: Paper, head: HeadSpace, colour: str, head_path: Any) -> None:
    """A band over the hair, a shell on each ear, a microphone."""
    arc = [head.silhouette(x, y, -0.03) for x, y in ((0.40, 0.02), (0.41, -0.22), (0.30, -0.49), (0.0, -0.615),
                                                     (-0.30, -0.49), (-0.41, -0.22), (-0.40, 0.02))]  # fmt: skip
    paper.brush(arc, head.size * 0.040, colour, tip=0.9, tail=0.9)
    for side in (-1, 1):
        if side * head.sin_yaw > 0.3:
            continue
        shell = spline([head.solid(x * side, y, 0.0) for x, y in _SHELL])
        paper.piece(shell, colour, darker(colour, 0.4), crescent=(2, 2))
    near = -1 if head.sin_yaw >= -0.05 else 1
    end = head.surface(0.165 * near, 0.335, 0.06)
    arm = [head.solid(0.40 * near, 0.10, 0.05), head.surface(0.30 * near, 0.34, 0.06), end]
    paper.brush(arm, head.size * 0.018, colour, tip=0.8, tail=0.8)
    foam = [end + head.size * 0.030 * turned(a) * (1.25 if a % 180 == 0 else 0.8) for a in (0, 90, 180, 270)]
    paper.flat(spline(foam), colour)
