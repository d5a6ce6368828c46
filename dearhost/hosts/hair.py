"""Hair styles: outlines in head space (x, y, slide), a back piece, a front piece, strands."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from dearhost.hosts.head_space import HeadSpace, mirrored
from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper, mix

Place = tuple[float, float, float]
Strand = tuple[Place, ...]


@dataclass(frozen=True, slots=True)
class HairStyle:
    """``corners`` are scissor turns of the front piece; ``covers_ears`` hides both ears."""

    front: tuple[Place, ...]
    corners: tuple[int, ...]
    strands: tuple[Strand, ...] = ()
    light: tuple[Strand, ...] = ()
    back: tuple[Place, ...] = ()
    back_strands: tuple[Strand, ...] = ()
    tension: float = 0.5
    covers_ears: bool = False


def _skull_cap(hairline: tuple[Place, ...], volume: float, side_y: float) -> tuple[Place, ...]:
    """An outline over the skull, then along ``hairline`` from left to right."""
    v = volume
    arc: tuple[Place, ...] = (
        (0.352 + v * 0.55, side_y, -0.05), (0.378 + v * 0.7, -0.12, -0.07), (0.345 + v * 0.9, -0.33, -0.07),
        (0.21 + v * 0.6, -0.505 - v * 0.75, -0.07), (0.0, -0.545 - v, -0.07),
        (-0.21 - v * 0.6, -0.505 - v * 0.75, -0.07),
        (-0.345 - v * 0.9, -0.33, -0.07), (-0.378 - v * 0.7, -0.12, -0.07), (-0.352 - v * 0.55, side_y, -0.05),
    )  # fmt: skip
    return arc + hairline


_WAVES = HairStyle(
    front=(
        (0.50, 0.82, -0.02), (0.515, 0.56, -0.03), (0.475, 0.36, -0.03), (0.485, 0.14, -0.05), (0.45, -0.08, -0.06),
        (0.425, -0.30, -0.07), (0.27, -0.52, -0.07), (0.02, -0.585, -0.07), (-0.26, -0.53, -0.07),
        (-0.42, -0.32, -0.07), (-0.455, -0.08, -0.06), (-0.485, 0.14, -0.05), (-0.47, 0.36, -0.02),
        (-0.51, 0.56, -0.02), (-0.48, 0.80, -0.02),
        (-0.435, 0.60, 0.03), (-0.375, 0.36, 0.04), (-0.335, 0.12, 0.06), (-0.315, -0.08, 0.09),
        (-0.255, -0.25, 0.12), (-0.09, -0.385, 0.14), (0.05, -0.30, 0.15), (0.20, -0.20, 0.13), (0.30, -0.06, 0.09),
        (0.335, 0.12, 0.06), (0.385, 0.36, 0.04), (0.425, 0.62, 0.02),
    ),
    corners=(0, 14, 20),
    strands=(
        ((-0.08, -0.38, 0.14), (0.10, -0.42, 0.1), (0.30, -0.25, 0.06), (0.39, -0.02, 0.02), (0.41, 0.22, 0.0)),
        ((-0.10, -0.39, 0.14), (-0.28, -0.36, 0.1), (-0.38, -0.12, 0.05), (-0.40, 0.16, 0.02)),
    ),
    light=(((-0.30, -0.42, 0.0), (-0.37, -0.24, 0.0), (-0.40, -0.05, 0.0)),),
    back=tuple(mirrored([
        (0.0, -0.57, -0.1), (0.27, -0.53, -0.1), (0.44, -0.30, -0.1), (0.46, -0.05, -0.1), (0.50, 0.18, -0.1),
        (0.47, 0.40, -0.1), (0.53, 0.62, -0.1), (0.46, 0.84, -0.1), (0.30, 0.90, -0.1), (0.12, 0.80, -0.1),
        (0.0, 0.84, -0.1),
    ])),
    back_strands=(
        ((-0.42, 0.1, -0.1), (-0.46, 0.3, -0.1), (-0.40, 0.52, -0.1), (-0.42, 0.78, -0.1)),
        ((0.42, 0.1, -0.1), (0.46, 0.3, -0.1), (0.40, 0.52, -0.1), (0.44, 0.76, -0.1)),
    ),
    covers_ears=True,
)  # fmt: skip

_SIDE = HairStyle(
    front=_skull_cap(
        (
            (-0.322, 0.06, 0.02), (-0.318, -0.12, 0.06), (-0.26, -0.30, 0.11), (-0.20, -0.375, 0.13),
            (-0.02, -0.30, 0.16), (0.17, -0.225, 0.15), (0.29, -0.13, 0.10), (0.322, 0.0, 0.05), (0.325, 0.06, 0.02),
        ),
        0.045, 0.07,
    ),
    corners=(0, 8, 9, 12, 17),
    strands=(
        ((-0.20, -0.37, 0.13), (-0.12, -0.47, 0.08), (0.05, -0.53, 0.0)),
        ((-0.19, -0.37, 0.13), (0.02, -0.38, 0.13), (0.22, -0.26, 0.12)),
        ((-0.19, -0.38, 0.13), (0.05, -0.45, 0.1), (0.27, -0.33, 0.08)),
    ),
    light=(((-0.10, -0.46, 0.08), (0.10, -0.49, 0.04), (0.26, -0.39, 0.0)),),
)  # fmt: skip

_CURLS = HairStyle(
    front=(
        (0.42, 0.10, -0.05), (0.47, -0.08, -0.05), (0.44, -0.24, -0.05), (0.43, -0.40, -0.05), (0.29, -0.47, -0.05),
        (0.18, -0.585, -0.05), (0.0, -0.57, -0.05), (-0.18, -0.59, -0.05), (-0.29, -0.47, -0.05),
        (-0.43, -0.40, -0.05), (-0.44, -0.24, -0.05), (-0.47, -0.08, -0.05), (-0.42, 0.10, -0.05),
        (-0.345, 0.06, 0.02), (-0.335, -0.10, 0.08), (-0.25, -0.17, 0.11), (-0.21, -0.275, 0.14),
        (-0.09, -0.255, 0.15), (0.0, -0.31, 0.15), (0.11, -0.25, 0.15), (0.20, -0.28, 0.14), (0.26, -0.17, 0.11),
        (0.335, -0.10, 0.08), (0.345, 0.06, 0.02),
    ),
    corners=(0, 12, 13, 15, 17, 19, 21, 23),
    tension=0.62,
    strands=(
        ((-0.30, -0.36, 0.0), (-0.25, -0.44, 0.0), (-0.17, -0.42, 0.0)),
        ((0.02, -0.46, 0.05), (0.09, -0.51, 0.05), (0.15, -0.45, 0.05)),
        ((0.28, -0.33, 0.05), (0.35, -0.36, 0.05), (0.37, -0.27, 0.05)),
        ((-0.10, -0.36, 0.1), (-0.04, -0.41, 0.1), (0.03, -0.37, 0.1)),
        ((-0.40, -0.16, 0.0), (-0.37, -0.08, 0.0), (-0.40, -0.02, 0.0)),
        ((0.40, -0.10, 0.0), (0.37, -0.02, 0.0), (0.40, 0.05, 0.0)),
    ),
    back=tuple(mirrored([
        (0.0, -0.66, -0.1), (0.17, -0.70, -0.1), (0.33, -0.60, -0.1), (0.47, -0.50, -0.1), (0.52, -0.34, -0.1),
        (0.59, -0.20, -0.1), (0.56, -0.02, -0.1), (0.58, 0.15, -0.1), (0.50, 0.28, -0.1), (0.40, 0.34, -0.1),
        (0.2, 0.3, -0.1), (0.0, 0.3, -0.1),
    ])),
    covers_ears=True,
)  # fmt: skip

STYLES: Mapping[str, HairStyle] = {"waves": _WAVES, "side": _SIDE, "curls": _CURLS}


def _draw_strands(paper: Paper, head: HeadSpace, strands: tuple[Strand, ...], colour: str, width: float,
                  alpha: float = 0.9) -> None:  # fmt: skip
    for strand in strands:
        line = [head.silhouette(*place) for place in strand]
        paper.brush(line, head.size * width, colour, tip=0.05, tail=0.05, alpha=alpha)


def draw_back_hair(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """What hangs behind head and shoulders."""
    style = STYLES[sheet.hair]
    if not style.back:
        return
    path = head.outline(list(style.back))
    paper.piece(path, mix(sheet.hair_base, sheet.hair_shade, 0.55), sheet.hair_shade, crescent=(6, 4))
    _draw_strands(paper, head, style.back_strands, mix(sheet.hair_shade, "ink", 0.3), 0.016)


def draw_front_hair(paper: Paper, head: HeadSpace, sheet: ModelSheet, head_path: Any) -> None:
    """What lies on the forehead and round the face, with its shadow on the skin."""
    style = STYLES[sheet.hair]
    path = head.outline(list(style.front), corners=style.corners, tension=style.tension)
    paper.cast(head_path, path, 3.5, 5.5, "#5A2430", 0.22)
    paper.piece(path, sheet.hair_base, sheet.hair_shade, crescent=(7, 5))
    _draw_strands(paper, head, style.strands, sheet.hair_shade, 0.014)
    _draw_strands(paper, head, style.light, sheet.hair_light, 0.016, 0.85)
