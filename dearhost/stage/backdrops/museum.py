"""The tide room of the museum: striped wall, arched window over the sea, plinth, clock."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from dearhost.drawing.colours import darker, mix, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.outlines import moved, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.dressing import draw_bunting, draw_frame, draw_plinth, draw_wall_clock
from dearhost.stage.backdrops.landscape import draw_headland, draw_sea, draw_sky
from dearhost.stage.backdrops.palettes import HARBOUR
from dearhost.stage.layout.shapes import Picture


def draw_museum(paper: Paper, picture: Picture) -> None:
    """The whole room."""
    width, height, u, layout = picture.width, picture.height, picture.unit, picture.layout
    floor = layout.floor * height
    paper.flat(cut_rect(0, 0, width, height, 0), HARBOUR.wall)
    for i in range(int(width / (150 * u)) + 1):
        paper.flat(cut_rect(i * 150 * u + 40 * u, 0, 70 * u, floor, 2), HARBOUR.stripe)
    _draw_window(paper, picture)
    _draw_dado_and_floor(paper, picture, floor)
    spans = ((-0.02, 0.34), (0.66, 1.02)) if picture.shape == "16:9" else ((-0.04, 1.04),)
    for left, right in spans:
        drop = 0.07 if picture.shape == "16:9" else 0.045
        draw_bunting(paper, HARBOUR, left * width, right * width, 0.045 * height, drop * height, u)

    def at(slot: str, draw: Callable[[], None]) -> None:
        x, y, k = layout.slots[slot]
        with paper.placed(x * width, y * height, k * u):
            draw()

    at("wall_left", lambda: draw_frame(paper, HARBOUR, "fish"))
    at("wall_right", lambda: draw_wall_clock(paper))
    at("floor_right", lambda: _standing(paper))


def _standing(paper: Paper) -> None:
    shadow = [complex(*p) for p in ((-130, 0), (-60, -14), (80, -14), (150, 2), (70, 16), (-60, 14))]
    paper.flat(spline(shadow, tension=0.3), "ink", 0.16)
    draw_plinth(paper, "shell")


def _draw_window(paper: Paper, picture: Picture) -> None:
    cx, cy, k = picture.layout.slots["centre"]
    k *= picture.unit
    wide, tall = 560 * k, 520 * k
    x = cx * picture.width - wide / 2
    y = picture.height * 0.085 if picture.shape == "16:9" else cy * picture.height - tall / 2

    def arch(e: float) -> Any:
        outline = [complex(x - e, y + tall + e), complex(x - 3 - e, y + tall * 0.38),
                   complex(x + wide * 0.11 - e * 0.7, y + tall * 0.11 - e * 0.7), complex(x + wide / 2, y - e),
                   complex(x + wide * 0.89 + e * 0.7, y + tall * 0.11 - e * 0.7),
                   complex(x + wide + 3 + e, y + tall * 0.38), complex(x + wide + e, y + tall + e)]  # fmt: skip
        return spline(outline, corners=(0, 6), tension=0.4)

    paper.canvas.drawPath(moved(arch(26 * k), 8 * k, 10 * k), paint("ink", 0.14))
    paper.piece(arch(26 * k), HARBOUR.trim, darker(HARBOUR.trim, 0.14), crescent=(8 * k, 6 * k), ink=1.6)
    with paper.clipped(arch(0)):
        draw_sky(paper, x, y, wide, tall * 0.75, k * 0.78)
        draw_headland(paper, x + wide * 0.55, x + wide * 1.1, y + tall * 0.74, tall * 0.16, y + tall, ("#6F8A6A",))
        draw_sea(paper, x, x + wide, y + tall * 0.74, y + tall, k * 0.63)
        draw_thing(paper, "lighthouse", x + wide * 0.80, y + tall * 0.52, 117 * k)
        paper.flat(cut_rect(x + wide / 2 - 7 * k, y - 4, 14 * k, tall + 6, 1), HARBOUR.trim)
        paper.flat(cut_rect(x - 9, y + tall * 0.48, wide + 18, 12 * k, 1), HARBOUR.trim)
    sill = cut_rect(x - 50 * k, y + tall + 20 * k, wide + 100 * k, 26 * k, 3)
    paper.piece(sill, "#D8C19C", "#BBA27C", crescent=(0, 8 * k))


def _draw_dado_and_floor(paper: Paper, picture: Picture, floor: float) -> None:
    width, height, u, dado = picture.width, picture.height, picture.unit, HARBOUR.dado
    tall = 150 * u
    paper.piece(cut_rect(-20, floor - tall, width + 40, tall + 20, 0), dado)
    paper.flat(cut_rect(-20, floor - tall - 6 * u, width + 40, 20 * u, 1), mix(dado, "#FFF6E4", 0.22))
    for i in range(int(width / (120 * u)) + 2):
        paper.flat(cut_rect(i * 120 * u - 10, floor - tall + 24 * u, 3 * u, tall, 0), darker(dado, 0.3))
    paper.flat(cut_rect(0, floor, width, height - floor, 0), HARBOUR.floor)
    paper.flat(cut_rect(0, floor - 4 * u, width, 10 * u, 0), darker(dado, 0.35))
    for i in range(21):
        board = [
            complex(width / 2 + (i - 10) * 130 * u, floor + 6 * u),
            complex(width / 2 + (i - 10) * 250 * u, height),
        ]
        paper.brush(board, 2.4 * u, HARBOUR.board, tip=0.5, tail=1)
