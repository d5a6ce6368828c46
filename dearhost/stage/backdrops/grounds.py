"""What one stands on outdoors, from the far edge to the viewer."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import polygon
from dearhost.stage.backdrops.set_sheet import SetSheet


def _toned(sheet: SetSheet, colour: str, share: float = 0.3) -> str:
    """A ground's colour with a share of the palette's floor, so that it goes with what is dressed in the palette."""
    return mix(colour, sheet.palette.floor, share)


def _planks(sheet: SetSheet) -> None:
    """Planks towards the viewer; posts and a rope along the far edge."""
    paper, u, width, height, edge = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.floor
    paper.piece(cut_rect(-20, edge - 14 * u, width + 40, height - edge + 40, 1), _toned(sheet, "#B99467"))
    paper.flat(cut_rect(-20, edge - 14 * u, width + 40, 16 * u, 1), "#8C6B47")
    for i in range(19):
        gap = [complex(width / 2 + (i - 9) * 150 * u, edge + 4 * u), complex(width / 2 + (i - 9) * 290 * u, height + 4)]
        paper.brush(gap, 5 * u, "#8C6B47", tip=0.5, tail=1)
    posts = 6 if sheet.wide else 4
    rope: list[complex] = []
    for i in range(posts + 1):
        x = width * i / posts
        post = cut_rect(x - 15 * u, edge - 150 * u, 30 * u, 150 * u, 2)
        paper.piece(post, "#7A5A3C", "#553D27", crescent=(10 * u, 0))
        cap = cut_rect(x - 20 * u, edge - 162 * u, 40 * u, 18 * u, 2)
        paper.piece(cap, "cream", "#D5C6AA", crescent=(6 * u, 4 * u))
        rope += [complex(x, edge - 120 * u), complex(x + width / posts / 2, edge - 78 * u)]
    paper.brush(rope[:-1], 9 * u, "#E9D9B4", tip=1, tail=1, steps=7)
    paper.brush([p + 3j * u for p in rope[:-1]], 3 * u, "#A88B5E", tip=1, tail=1, steps=7)


def _sand(sheet: SetSheet) -> None:
    paper, u, width, height, edge, dice = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.floor, sheet.dice(3)
    paper.piece(
        wave_band(edge - 30 * u, 16 * u, 560 * u, -100 * u, width + 600 * u, height + 20),
        _toned(sheet, "#E6CF9F"),
        ink=0.6,
    )
    paper.piece(
        wave_band(edge + 44 * u, 14 * u, 700 * u, -400 * u, width + 700 * u, height + 20),
        _toned(sheet, "#DBC08B"),
        ink=0.4,
    )
    for _ in range(40):
        x, y = dice.random() * width, edge + dice.random() * (height - edge)
        paper.flat(cut_disc(x, y, dice.choice((3, 4, 6)) * u, 0.1, 6), "#B99A66")


def _paving(sheet: SetSheet) -> None:
    paper, u, width, height, edge = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.floor
    paper.flat(cut_rect(0, edge, width, height - edge, 0), _toned(sheet, "#C2B8A6"))
    paper.piece(cut_rect(-20, edge - 6 * u, width + 40, 26 * u, 1), "#A79D8C", "#8A8172", crescent=(0, 8 * u))
    for i in range(17):
        joint = [complex(width / 2 + (i - 8) * 170 * u, edge + 22 * u), complex(width / 2 + (i - 8) * 300 * u, height)]
        paper.brush(joint, 3 * u, "#A3998A", tip=0.5, tail=1)
    for share in (0.3, 0.62):
        paper.flat(cut_rect(0, edge + (height - edge) * share, width, 3 * u, 0), "#A3998A")


def _swells(sheet: SetSheet, edge: float, colours: tuple[str, str, str]) -> None:
    for i, colour in enumerate(colours):
        y = edge + (sheet.height - edge) * (0, 0.30, 0.62)[i]
        swell = wave_band(y, 14 * sheet.u, 760 * sheet.u, -300 * sheet.u * i, sheet.width + 900 * sheet.u,
                          sheet.height + 20, phase=i * 170 * sheet.u)  # fmt: skip
        sheet.paper.piece(swell, _toned(sheet, colour, 0.16), ink=0.5)


def _hillside(sheet: SetSheet) -> None:
    """A field with furrows, which begins before the floor line."""
    u, width, edge = sheet.u, sheet.width, sheet.horizon + 150 * sheet.u
    colours = ("#A9B45F", "#C9B65A", "#8FA050")
    _swells(sheet, edge, colours)
    for i in range(21):
        furrow = [
            complex(width * 0.5 + (i - 10) * 70 * u, edge + 10 * u),
            complex(width * 0.5 + (i - 10) * 210 * u, sheet.height),
        ]
        sheet.paper.brush(furrow, 5 * u, darker(colours[2], 0.22), tip=0.2, tail=0.8)


def _lawn(sheet: SetSheet) -> None:
    """Grass with flowers, before a white fence."""
    u, edge, dice = sheet.u, sheet.floor, sheet.dice(9)
    for i in range(int(sheet.width / (52 * u)) + 1):
        x = i * 52 * u
        slat = [complex(x, edge + 6 * u), complex(x, edge - 96 * u), complex(x + 17 * u, edge - 114 * u),
                complex(x + 34 * u, edge - 96 * u), complex(x + 34 * u, edge + 6 * u)]  # fmt: skip
        sheet.paper.piece(polygon(slat), "cream", "#D5C6AA", crescent=(8 * u, 0), ink=0.8)
    rail = cut_rect(-10, edge - 76 * u, sheet.width + 20, 16 * u, 1)
    sheet.paper.piece(rail, "cream", "#D5C6AA", crescent=(0, 5 * u))
    winter = sheet.weather.falls == "snow"
    _swells(sheet, edge, ("#E4E6DC", "#DADFD8", "#EDEEE6") if winter else ("#8CA65C", "#7E9A50", "#6F8C47"))
    for _ in range(0 if winter else 46):
        x, y = dice.random() * sheet.width, edge + 30 * u + dice.random() * (sheet.height - edge)
        sheet.paper.brush([complex(x, y), complex(x + 3 * u, y - 30 * u)], 4 * u, "#44683F")
        colour = dice.choice((sheet.palette.accents[0], sheet.palette.accents[1], "cream", "rose"))
        sheet.paper.piece(cut_disc(x + 3 * u, y - 36 * u, (9 + 5 * dice.random()) * u, 0.12, 6), colour, ink=0.7)


def _quay(sheet: SetSheet) -> None:
    paper, u, width, height, edge = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.floor
    paper.flat(cut_rect(0, edge, width, height - edge, 0), _toned(sheet, "#77706A", 0.2))
    paper.piece(cut_rect(-20, edge - 8 * u, width + 40, 30 * u, 1), "#938A80", "#5A544F", crescent=(0, 10 * u))
    for row in range(5):
        for i in range(-1, int(width / (210 * u)) + 1):
            stone = cut_rect((i * 210 + (row % 2) * 100) * u, edge + 30 * u + row * 58 * u, 190 * u, 48 * u, 2)
            paper.flat(stone, _toned(sheet, "#807870", 0.2))


GROUNDS: Mapping[str, Callable[[SetSheet], None]] = {
    "planks": _planks, "sand": _sand, "paving": _paving, "hillside": _hillside, "lawn": _lawn, "quay": _quay,
}  # fmt: skip
