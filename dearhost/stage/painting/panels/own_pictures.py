"""Own pictures and clips on words: whole or beside a host, in a mount, one after another."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from itertools import pairwise
from typing import Any

import numpy as np
import skia
from numpy.random import default_rng

from dearhost.assets.shelf import PICTURE, Shelf, kind_of
from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.nearing import middle_of, part_of, pushed, seen_at
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.pointer_ring import draw_ring
from dearhost.stage.painting.shelf_images import ShelfImages, scaling_of
from dearhost.stage.timeline import Shown
from dearhost.timebase import Span

_EDGES: Mapping[str, float] = {"print": 14.0, "framed": 34.0, "torn": 16.0, "tablet": 22.0, "none": 0.0}
"""Units between the edge of a mount and the picture in it."""
_WOOD, _TABLET = "#8C6038", "#3A4248"
_GLASS = 0x1AFFFFFF
_ON_BOARD = 0.06
"""Of the room on a board, what is left free at each side of a picture."""


class OwnPanel(Panel):
    """Shows each of its pictures for the same part of its stretch."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts, shelf: Shelf) -> None:
        super().__init__(shown, picture, fonts)
        # what changes while it is there is not drawn by hand: it comes as elsewhere, onto the board
        items = shown.text("items").split()
        self.inked = self.inked and len(items) == 1 and kind_of(items[0]) == PICTURE
        self._on_sheet = bool(self.board) or self.inked
        self._covers = self.whole and not self._on_sheet
        self._room = self._inset(self.inside) if self._on_sheet else self.panel
        lines = picture.height if self._covers else self._room[3] - self._room[1]
        near = max((nearing.near for nearing in shown.nearings), default=1.0)
        self._images = ShelfImages(shelf, shown, lines * near)
        self._mount = "none" if self._covers else shown.text("mount") or "print"
        self._torn: dict[Box, Any] = {}

    def _inset(self, box: Box) -> Box:
        """The room on a board, with some of it seen on all sides."""
        left, top, right, bottom = box
        across, down = (right - left) * _ON_BOARD, (bottom - top) * _ON_BOARD
        return left + across, top + down, right - across, bottom - down

    def state(self, moment: float) -> Any:
        """The picture, of a clip its frame, and what is seen of it."""
        item, number = self._images.now(moment)
        return item, number, self._seen_part(item, moment)

    def _seen_part(self, item: str, moment: float) -> Box:
        """What of a picture is seen at a moment, in its pixels."""
        size = self._images.sizes.get(item, (1, 1))
        base = _covering(size, self.panel) if self._covers else (0.0, 0.0, float(size[0]), float(size[1]))
        began = self._images.began(moment)
        nearings = [nearing for nearing in self.shown.nearings if nearing.at >= began]
        x, y, near = seen_at(nearings, moment, middle_of(base, size))
        near *= pushed(self.shown.text("moves"), Span(began, began + self._images.share), moment)
        left, top, right, bottom = part_of(base, size, (x, y, near))
        return round(left, 2), round(top, 2), round(right, 2), round(bottom, 2)

    def draw_mount(self, paper: Paper) -> None:
        """The board or the sheet it is drawn on; else nothing yet: the mount fits what is in it."""
        if self._on_sheet:
            super().draw_mount(paper)

    def draw_content(self, paper: Paper, moment: float) -> None:
        """The picture in its mount; where there is none, the empty mount."""
        item, number = self._images.now(moment)
        left, top, right, bottom = self._room
        part = self._seen_part(item, moment)
        width, _ = self._images.sizes.get(item, (1, 1))
        near = width / (part[2] - part[0])
        image = self._images.image(item, number, (right - left) * near, (bottom - top) * near)
        scale, scaling = image.width() / width if image else 1.0, scaling_of(item)
        seen = part[0] * scale, part[1] * scale, part[2] * scale, part[3] * scale  # a clip comes no larger than needed
        if self._covers:
            paper.flat(cut_rect(-9, -9, self.picture.width + 18, self.picture.height + 18, 0), self.ground())
            if image:
                paper.photo(image, seen, self.panel, scaling)
                self._point(paper.canvas, item, number, part, self.panel)
            return
        edge = _EDGES[self._mount] * self.unit
        outer = _fitting(image, self._room, edge) if image else self._room
        inner = outer[0] + edge, outer[1] + edge, outer[2] - edge, outer[3] - edge
        paper.canvas.save()
        if self._mount in ("print", "tablet"):
            paper.canvas.rotate(-1.0 if self._mount == "print" else -3.0, *_middle(outer))
        MOUNTED[self._mount](self, paper, outer)
        if image:
            paper.canvas.save()
            if self._mount == "torn":
                paper.canvas.clipPath(self._torn_path(inner, 9), doAntiAlias=True)
            else:
                paper.canvas.clipRect(skia.Rect.MakeLTRB(*inner), doAntiAlias=True)
            paper.photo(image, seen, inner, scaling)
            self._point(paper.canvas, item, number, part, inner)
            paper.canvas.restore()
        if self._mount == "tablet":
            _glass(paper.canvas, inner)
        paper.canvas.restore()

    def _point(self, canvas: Any, item: str, number: int, part: Box, place: Box) -> None:
        """The ring round the pointer of a recording, ``part`` of which is shown in a ``place``."""
        if self.shown.text("pointer") == "ringed":
            draw_ring(canvas, self._images.pointer(item, number), self._images.sizes[item], part, place, self.unit)

    def _torn_path(self, box: Box, seed: int) -> Any:
        if box not in self._torn:
            self._torn[box] = _torn(box, seed, 5 * self.unit, 9 * self.unit)
        return self._torn[box]

    def draw_print(self, paper: Paper, box: Box) -> None:
        """A photographic print with a paper edge."""
        left, top, right, bottom = box
        self._sheet(paper, cut_rect(left, top, right - left, bottom - top, 2 * self.unit), self.colours.paper)

    def draw_frame(self, paper: Paper, box: Box) -> None:
        """A wooden frame with a mount in it."""
        left, top, right, bottom = box
        self._sheet(paper, cut_rect(left, top, right - left, bottom - top, 0), _WOOD)
        edge = 18 * self.unit
        inside = cut_rect(left + edge, top + edge, right - left - 2 * edge, bottom - top - 2 * edge, 0)
        paper.flat(inside, self.colours.paper)

    def draw_torn(self, paper: Paper, box: Box) -> None:
        """A sheet torn out by hand."""
        path = self._torn_path(box, 4)
        paper.canvas.drawPath(moved(path, 7 * self.unit, 10 * self.unit), paint("ink", 0.20))
        paper.flat(path, "#FBF5E8")

    def draw_tablet(self, paper: Paper, box: Box) -> None:
        """The screen of a tablet."""
        path = skia.Path()
        path.addRoundRect(skia.Rect.MakeLTRB(*box), 20 * self.unit, 20 * self.unit)
        self._sheet(paper, path, _TABLET)

    def draw_nothing(self, paper: Paper, box: Box) -> None:
        """A shadow alone."""
        path = cut_rect(box[0], box[1], box[2] - box[0], box[3] - box[1], 0)
        paper.canvas.drawPath(moved(path, 7 * self.unit, 10 * self.unit), paint("ink", 0.20))

    def _sheet(self, paper: Paper, path: Any, colour: str) -> None:
        paper.canvas.drawPath(moved(path, 9 * self.unit, 12 * self.unit), paint("ink", 0.20))
        paper.piece(path, colour, darker(colour, 0.10), crescent=(5 * self.unit, 4 * self.unit))


MOUNTED: Mapping[str, Callable[[OwnPanel, Paper, Box], None]] = {
    "print": OwnPanel.draw_print, "framed": OwnPanel.draw_frame, "torn": OwnPanel.draw_torn,
    "tablet": OwnPanel.draw_tablet, "none": OwnPanel.draw_nothing,
}  # fmt: skip
"""By the names of ``production.shown_cues.MOUNTS``."""


def _middle(box: Box) -> tuple[float, float]:
    return (box[0] + box[2]) / 2, (box[1] + box[3]) / 2


def _fitting(image: Any, box: Box, edge: float) -> Box:
    """The largest mount in a box whose inside has the picture's shape, in the middle of it."""
    wide, high = box[2] - box[0] - 2 * edge, box[3] - box[1] - 2 * edge
    scale = min(wide / image.width(), high / image.height())
    width, height = image.width() * scale / 2 + edge, image.height() * scale / 2 + edge
    x, y = _middle(box)
    return x - width, y - height, x + width, y + height


def _covering(size: tuple[int, int], box: Box) -> Box:
    """What of a picture of ``size`` fills a box: the middle of it, a little above the half."""
    scale = max((box[2] - box[0]) / size[0], (box[3] - box[1]) / size[1])
    wide, high = (box[2] - box[0]) / scale, (box[3] - box[1]) / scale
    left, top = (size[0] - wide) * 0.5, (size[1] - high) * 0.42
    return left, top, left + wide, top + high


def _torn(box: Box, seed: int, rough: float, step: float) -> Any:
    """The outline of a torn sheet: each side wanders and comes back."""
    dice = default_rng(seed)
    left, top, right, bottom = box
    corners = [(left, top), (right, top), (right, bottom), (left, bottom), (left, top)]
    points: list[tuple[float, float]] = []
    for (x0, y0), (x1, y1) in pairwise(corners):
        length = max(1e-6, math.hypot(x1 - x0, y1 - y0))
        count = max(2, int(length / step))
        wander = np.cumsum(dice.normal(0, 0.5, count))
        wander -= np.linspace(wander[0], wander[-1], count)
        for index in range(count):
            part = index / count
            off = float(np.clip(wander[index] * rough * 0.5 + dice.normal(0, rough * 0.35), -rough * 1.6, rough * 1.6))
            x, y = x0 + (x1 - x0) * part, y0 + (y1 - y0) * part
            points.append((x + (y1 - y0) / length * off, y - (x1 - x0) / length * off))
    path = skia.Path()
    path.moveTo(*points[0])
    for point in points[1:]:
        path.lineTo(*point)
    path.close()
    return path


def _glass(canvas: Any, box: Box) -> None:
    """The shine on a screen."""
    left, top, right, bottom = box
    wide = right - left
    path = skia.Path()
    path.moveTo(left + wide * 0.55, top)
    path.lineTo(left + wide * 0.8, top)
    path.lineTo(left + wide * 0.45, bottom)
    path.lineTo(left + wide * 0.2, bottom)
    path.close()
    canvas.drawPath(path, skia.Paint(AntiAlias=True, Color=_GLASS))
