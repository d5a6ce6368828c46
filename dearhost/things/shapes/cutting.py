"""Published outlines as cut paper: one piece with a shade, what lies soft on it, and the lines inside it."""

from __future__ import annotations

import zlib
from collections.abc import Mapping, Sequence
from functools import lru_cache
from typing import Any

import skia

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.paper import Paper
from dearhost.things.shapes import prepared
from dearhost.things.shapes.prepared import BOX, Contour
from dearhost.things.thing import Thing

_COLOURS = ("tide", "vermilion", "mustard", "sea", "plum", "rose", "navy", "slate", "moss", "tide-dark")
_EDGE = 34.0
"""Units, half of them inside: the line along the edge of the silhouette goes, for its ink takes its place."""


def shape_things() -> Mapping[str, Thing]:
    """Every prepared shape as a thing."""
    return {
        name: Thing(name, lambda paper, name=name: draw_shape(paper, name), words, drawn=False, floats=True)  # type: ignore[misc]
        for name, words in prepared.words().items()
    }


def draw_shape(paper: Paper, name: str) -> None:
    """The shape in a box of 100 units round the origin."""
    silhouette, soft, details = _pieces(name)
    base = _COLOURS[zlib.crc32(name.encode()) % len(_COLOURS)]
    scale = 100 / BOX
    with paper.placed(-50, -50, scale):
        paper.piece(silhouette, base, darker(base), crescent=(13, 11), ink=1 / scale * 0.5)
        paper.flat(soft, mix(base, "#FFF6E4", 0.45))
        paper.flat(details, darker(base, 0.5))


@lru_cache(maxsize=256)
def _pieces(name: str) -> tuple[Any, Any, Any]:
    """The silhouette with its holes filled, the soft part inside it, and the inner lines."""
    line, soft = prepared.outlines()[name]
    silhouette = _union([*line, *soft])
    drawing = skia.Path()
    for contour in line:
        drawing.addPath(_path(contour))
    rim = skia.Path()
    skia.Paint(Style=skia.Paint.kStroke_Style, StrokeWidth=_EDGE).getFillPath(silhouette, rim)
    details = skia.Op(drawing, rim, skia.PathOp.kDifference_PathOp)
    return silhouette, _union(soft), details if details is not None else skia.Path()


def _union(contours: Sequence[Contour]) -> Any:
    whole = skia.Path()
    for contour in contours:
        joined = skia.Op(whole, _path(contour), skia.PathOp.kUnion_PathOp)
        whole = joined if joined is not None else whole
    return whole


def _path(contour: Contour) -> Any:
    path = skia.Path()
    add = {"M": path.moveTo, "L": path.lineTo, "Q": path.quadTo, "C": path.cubicTo, "Z": path.close}
    taken = {"M": 2, "L": 2, "Q": 4, "C": 6, "Z": 0}
    at = 0
    for verb in contour.verbs:
        add[verb](*contour.points[at : at + taken[verb]])
        at += taken[verb]
    return path
