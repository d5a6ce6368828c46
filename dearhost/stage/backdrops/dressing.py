"""Props: wall props centred on the origin, floor props standing on it, in units of 1/1920 of the width."""

from __future__ import annotations

import skia

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.outlines import moved, points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.palettes import SetPalette


def draw_frame(paper: Paper, palette: SetPalette, thing: str) -> None:
    """A framed picture of a thing."""
    width, height = 300.0, 210.0
    outside = cut_rect(-width / 2, -height / 2, width, height, 3)
    paper.canvas.drawPath(moved(outside, 9, 11), paint("ink", 0.14))
    paper.piece(outside, palette.wood, darker(palette.wood), crescent=(8, 8))
    inside = cut_rect(-width / 2 + 18, -height / 2 + 18, width - 36, height - 36, 2)
    paper.flat(inside, "#E2E9DD")
    with paper.clipped(inside):
        draw_thing(paper, thing, 0, 4, height - 46)


def draw_wall_clock(paper: Paper) -> None:
    """The museum's tide clock."""
    shadow = skia.Path()
    shadow.addCircle(9, 11, 104)
    paper.canvas.drawPath(shadow, paint("ink", 0.14))
    draw_thing(paper, "tide-clock", 0, 0, 235)


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


def draw_lamp_post(paper: Paper) -> None:
    """A quay lamp, unlit."""
    height = 640.0
    paper.piece(cut_rect(-9, -height, 18, height, 1), "char", "ink", crescent=(6, 0))
    paper.piece(cut_rect(-24, -40, 48, 40, 1), "char", "ink", crescent=(10, 0))
    glass = polygon(points((-38, -height - 90), (38, -height - 90), (26, -height), (-26, -height)))
    paper.piece(glass, "#DCE7E4")
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
