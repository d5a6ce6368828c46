"""The pier: planks and a rope rail before the sea, a lighthouse on the headland."""

from __future__ import annotations

from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.outlines import spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.dressing import draw_barrel, draw_lamp_post
from dearhost.stage.backdrops.landscape import draw_headland, draw_sea, draw_sky
from dearhost.stage.layout.shapes import Picture

_THINGS = {
    "16:9": (("lighthouse", 0.82, -90, 260), ("boat", 0.17, 34, 200), ("gull", 0.30, -330, 110)),
    "9:16": (
        ("lighthouse", 0.82, -100, 240),
        ("boat", 0.17, 40, 190),
        ("gull", 0.25, -560, 120),
        ("gull", 0.66, -640, 80),
    ),
    "1:1": (("lighthouse", 0.84, -90, 230), ("boat", 0.15, 36, 200), ("gull", 0.25, -330, 110)),
}  # thing, x as a fraction of the width, y from the horizon and size in units


def draw_pier(paper: Paper, picture: Picture) -> None:
    """The whole set."""
    width, height, u, layout = picture.width, picture.height, picture.unit, picture.layout
    horizon, deck = layout.horizon * height, layout.floor * height
    draw_sky(paper, 0, 0, width, horizon + 20, u * 1.1)
    draw_headland(paper, width * 0.60, width * 1.05, horizon, 110 * u, horizon + 60 * u, ("#8FA58C", "#6F8A6A"))
    draw_sea(paper, 0, width, horizon, height, u * 1.2)
    for name, across, above, size in _THINGS[picture.shape]:
        draw_thing(paper, name, across * width, horizon + above * u, size * u)
    _draw_deck(paper, picture, deck)
    for slot, stand in (("floor_left", draw_barrel), ("floor_right", draw_lamp_post)):
        x, y, k = layout.slots[slot]
        with paper.placed(x * width, y * height, k * u):
            _draw_shadow(paper)
            stand(paper)


def _draw_shadow(paper: Paper) -> None:
    shadow = [complex(*p) for p in ((-110, 0), (-50, -14), (70, -14), (130, 2), (60, 16), (-50, 14))]
    paper.flat(spline(shadow, tension=0.3), "ink", 0.16)


def _draw_deck(paper: Paper, picture: Picture, deck: float) -> None:
    """Planks towards the viewer; posts and a rope along the far edge."""
    width, height, u = picture.width, picture.height, picture.unit
    paper.piece(cut_rect(-20, deck - 14 * u, width + 40, height - deck + 40, 1), "#B99467")
    paper.flat(cut_rect(-20, deck - 14 * u, width + 40, 16 * u, 1), "#8C6B47")
    for i in range(19):
        gap = [complex(width / 2 + (i - 9) * 150 * u, deck + 4 * u), complex(width / 2 + (i - 9) * 290 * u, height + 4)]
        paper.brush(gap, 5 * u, "#8C6B47", tip=0.5, tail=1)
    posts = 6 if picture.shape == "16:9" else 4
    rope: list[complex] = []
    for i in range(posts + 1):
        x = width * i / posts
        paper.piece(
            cut_rect(x - 15 * u, deck - 150 * u, 30 * u, 150 * u, 2), "#7A5A3C", "#553D27", crescent=(10 * u, 0)
        )
        paper.piece(
            cut_rect(x - 20 * u, deck - 162 * u, 40 * u, 18 * u, 2), "cream", "#D5C6AA", crescent=(6 * u, 4 * u)
        )
        rope += [complex(x, deck - 120 * u), complex(x + width / posts / 2, deck - 78 * u)]
    paper.brush(rope[:-1], 9 * u, "#E9D9B4", tip=1, tail=1, steps=7)
    paper.brush([p + 3j * u for p in rope[:-1]], 3 * u, "#A88B5E", tip=1, tail=1, steps=7)
