"""What dresses sets: wall props centred on the origin, floor props standing on it, in units."""

from __future__ import annotations

import random
from typing import Any

import skia

from dearhost.drawing.colours import darker, mix, paint
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import disc, moved, points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.palettes import SetPalette

_FRAME = 18.0
"""Units: the wood of a frame."""
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
LAMP_HEIGHT = 640.0
"""Units from the ground to the glass of a street lamp."""


def draw_frame(paper: Paper, wood: str, thing: str, width: float, height: float) -> None:
    """A framed picture of a thing."""
    inside = _draw_empty_frame(paper, wood, width, height)
    with paper.clipped(inside):
        draw_thing(paper, thing, 0, 4, min(width, height) - 46)


def draw_framed(paper: Paper, wood: str, image: Any, width: float, height: float) -> None:
    """A picture, or None for an empty frame; the frame has its shape, at most ``width`` by ``height`` units and a half
    more."""
    if image is not None:
        scale = min(width * 1.25 / image.width(), height * 1.25 / image.height())
        width, height = image.width() * scale + 2 * _FRAME, image.height() * scale + 2 * _FRAME
    inside = _draw_empty_frame(paper, wood, width, height)
    if image is not None:
        place = skia.Rect.MakeXYWH(_FRAME - width / 2, _FRAME - height / 2, width - 2 * _FRAME, height - 2 * _FRAME)
        with paper.clipped(inside):
            paper.canvas.drawImageRect(image, skia.Rect.MakeWH(image.width(), image.height()), place, _SMOOTH)


def _draw_empty_frame(paper: Paper, wood: str, width: float, height: float) -> Any:
    """A frame about the origin; returns its inside."""
    outside = cut_rect(-width / 2, -height / 2, width, height, 3)
    paper.canvas.drawPath(moved(outside, 9, 11), paint("ink", 0.14))
    paper.piece(outside, wood, darker(wood), crescent=(8, 8))
    inside = cut_rect(-width / 2 + _FRAME, -height / 2 + _FRAME, width - 2 * _FRAME, height - 2 * _FRAME, 2)
    paper.flat(inside, "#E2E9DD")
    return inside


def draw_wall_thing(paper: Paper, thing: str) -> None:
    """A round thing hung on a wall, such as a clock."""
    paper.canvas.drawPath(disc(9 + 11j, 104), paint("ink", 0.14))
    draw_thing(paper, thing, 0, 0, 235)


def draw_plinth(paper: Paper, thing: str) -> None:
    """A plinth with a thing on it."""
    paper.piece(cut_rect(-69, -300, 138, 300, 2), "#EFE4CF", "#D0BF9F", crescent=(26, 0))
    paper.piece(cut_rect(-85, -330, 170, 32, 2), "cream", "#D5C6AA", crescent=(0, 8))
    draw_thing(paper, thing, 0, -330 - 42, 150)


def draw_barrel(paper: Paper) -> None:
    """A barrel with two hoops."""
    outline = points((-60, -170), (60, -170), (76, -85), (60, 0), (-60, 0), (-76, -85))
    paper.piece(spline(outline, corners=(0, 1, 3, 4)), "#8A5F3C", "#6A4529", crescent=(24, 0))
    for y in (-140, -44):
        paper.flat(cut_rect(-70, y, 140, 14, 1), "char")


def draw_lamp_post(paper: Paper, lit: bool) -> None:
    """A street lamp."""
    height = LAMP_HEIGHT
    paper.piece(cut_rect(-9, -height, 18, height, 1), "char", "ink", crescent=(6, 0))
    paper.piece(cut_rect(-24, -40, 48, 40, 1), "char", "ink", crescent=(10, 0))
    glass = polygon(points((-38, -height - 90), (38, -height - 90), (26, -height), (-26, -height)))
    paper.piece(glass, "#F3D588" if lit else "#DCE7E4")
    roof = polygon(points((-48, -height - 88), (0, -height - 128), (48, -height - 88)))
    paper.piece(roof, "char", "ink", crescent=(8, 3))


def draw_bunting(paper: Paper, palette: SetPalette, x0: float, x1: float, y: float, drop: float, k: float) -> None:
    """A line of flags hung from (x0, y) to (x1, y)."""
    span = x1 - x0
    count = max(4, int(span / (95 * k)))
    line = [complex(x0 + span * i / count, y + drop * (1 - (2 * i / count - 1) ** 2)) for i in range(count + 1)]
    paper.brush(line, 3 * k, "ink", tip=0.9, tail=0.9)
    colours = (palette.accents[0], palette.trim, palette.accents[1], palette.accents[2], palette.accents[3])
    for i in range(count):
        along = line[i + 1] - line[i]
        along = along / abs(along) * 46 * k
        start = line[i] + (line[i + 1] - line[i]) * 0.25
        down = complex(0, 1) * k
        if i % 2:
            flag = [start, start + along, start + along + 54 * down, start + 50 * down]
        else:
            flag = [start, start + along, start + along * 0.5 + 62 * down]
        colour = colours[i % 5]
        paper.piece(polygon(flag), colour, darker(colour, 0.16), crescent=(5 * k, 4 * k))


def draw_plant(paper: Paper, palette: SetPalette) -> None:
    """A plant in a pot."""
    for i, (turn, long) in enumerate(((-64, 210), (-34, 290), (-6, 330), (24, 290), (58, 220), (-84, 150), (80, 150))):
        reach, across = turned(turn - 90) * long * 0.9, turned(turn) * long * 0.17
        root = complex(turn * 0.25, -105)
        leaf = [root, root + reach * 0.45 - across, root + reach, root + reach * 0.55 + across]
        colour = ("#5F8255", "#44683F", "#6F9A5A")[i % 3]
        paper.piece(spline(leaf, corners=(0, 2)), colour, darker("#44683F"), crescent=(5, 3))
    pot = polygon(points((-58, -110), (58, -110), (42, 0), (-42, 0)))
    paper.piece(pot, palette.accents[0], darker(palette.accents[0]), crescent=(12, 4))


def draw_shelf(paper: Paper, palette: SetPalette, things: str, rows: int = 3, width: float = 300.0) -> None:
    """A shelf of ``things``, names joined by "+", or of "books"."""
    height = rows * 130.0 + 26
    paper.piece(cut_rect(-width / 2, -height, width, height, 2), palette.wood, darker(palette.wood), crescent=(12, 0))
    dice = random.Random(2)
    for row in range(rows):
        y = -height + 18 + row * 130
        paper.flat(cut_rect(-width / 2 + 16, y, width - 32, 112, 1), darker(palette.wood, 0.45))
        if things == "books":
            _draw_books(paper, palette, dice, -width / 2 + 22, width / 2 - 60, y)
            continue
        names = things.split("+")
        for j in range(int((width - 40) // 104)):
            draw_thing(paper, names[(j + row) % len(names)], -width / 2 + 72 + j * 104, y + 62, 96)


def _draw_books(paper: Paper, palette: SetPalette, dice: random.Random, left: float, right: float, y: float) -> None:
    x = left
    while x < right:
        across, tall = dice.choice((18, 24, 30)), dice.randint(70, 102)
        colour = dice.choice((*palette.accents, "cream", "slate"))
        paper.piece(cut_rect(x, y + 112 - tall, across, tall, 1), colour, darker(colour), crescent=(6, 0))
        paper.flat(cut_rect(x + 3, y + 112 - tall * 0.8, across - 7, 5, 0.5), mix(colour, "#FFF6E4", 0.5))
        x += across + (28 if dice.random() < 0.16 else 2)


def draw_writing_desk(paper: Paper, palette: SetPalette, thing: str) -> None:
    """A table with a thing and a cup on it."""
    for x in (-180, 156):
        paper.piece(cut_rect(x, -190, 24, 190, 1), palette.wood, darker(palette.wood), crescent=(8, 0))
    top = cut_rect(-200, -214, 400, 30, 2)
    paper.piece(top, mix(palette.wood, "#FFF6E4", 0.25), palette.wood, crescent=(0, 10))
    draw_thing(paper, thing, -64, -214 - 56, 140)
    draw_thing(paper, "cup", 112, -214 - 30, 80)


def draw_cabinet(paper: Paper, palette: SetPalette) -> None:
    """Drawers for files."""
    paper.piece(cut_rect(-130, -300, 260, 300, 2), palette.dado, darker(palette.dado), crescent=(14, 0))
    for i in range(3):
        front = cut_rect(-112, -284 + i * 94, 210, 80, 1)
        paper.piece(front, mix(palette.dado, "#FFF6E4", 0.14), darker(palette.dado, 0.1), crescent=(0, 6), ink=0.6)
        paper.flat(cut_rect(-24, -256 + i * 94, 40, 10, 0.5), palette.accents[1])


def draw_pendant(paper: Paper, palette: SetPalette, drop: float) -> None:
    """A lamp hung from the ceiling."""
    paper.brush(points((0, 0), (0, drop)), 4, "ink", tip=1, tail=1)
    shade = points((-70, drop + 70), (-50, drop + 20), (0, drop), (50, drop + 20), (70, drop + 70))
    colour = palette.accents[0]
    paper.piece(spline(shade, corners=(0, 4)), colour, darker(colour), crescent=(12, 4))
    paper.flat(cut_disc(0, drop + 74, 18), "#F9E6AE")


def draw_tree(paper: Paper) -> None:
    """A round tree."""
    trunk = polygon(points((-18, 0), (-11, -210), (11, -210), (20, 0)))
    paper.piece(trunk, "#6B4E35", "#4B3423", crescent=(10, 0))
    for x, y, radius in ((-70, -244, 92), (66, -252, 88), (0, -361, 108)):
        paper.piece(cut_disc(x, y, radius, 0.05, 9), "#5F8255", darker("#5F8255"), crescent=(16, 12))


def draw_parasol(paper: Paper, palette: SetPalette) -> None:
    """A sunshade with stripes."""
    paper.brush(points((0, 0), (20, -330)), 14, "#6B4E35", tip=1, tail=1)
    middle = complex(20, -300)
    for i in range(6):
        first, last = 176 + i * 30, 206 + i * 30
        stripe = [middle + turned(first) * 200, middle + turned((first + last) / 2) * 206, middle + turned(last) * 200,
                  middle - 170j]  # fmt: skip
        colour = palette.accents[0] if i % 2 else "cream"
        paper.piece(spline(stripe, corners=(0, 2, 3)), colour, darker(colour), crescent=(6, 4))


def draw_hut(paper: Paper, palette: SetPalette) -> None:
    """A beach hut."""
    colour = palette.accents[0]
    paper.piece(cut_rect(-80, -190, 160, 190, 2), "cream", "#D5C6AA", crescent=(16, 0))
    for j in range(4):
        paper.flat(cut_rect(-78 + j * 40, -188, 20, 186, 1), colour)
    roof = polygon(points((-100, -184), (0, -280), (100, -184)))
    paper.piece(roof, darker(colour, 0.1), darker(colour, 0.35), crescent=(10, 5))
    paper.piece(cut_rect(-30, -120, 60, 120, 1), "navy", "ink", crescent=(8, 0))


def draw_armchair(paper: Paper) -> None:
    """An armchair to sit beside."""
    draw_thing(paper, "armchair", 0, -150, 320)
