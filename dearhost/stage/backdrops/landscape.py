"""Sky, sea, hills and towns, for windows and outdoors."""

from __future__ import annotations

from dearhost.drawing.colours import mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import edge_over, polygon, spline, turned
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.set_sheet import SetSheet

_CLOUD = ((-80, 10), (-50, -16), (-10, -30), (30, -18), (70, -8), (84, 10), (0, 14))
_CRATERS = ((-20, -14, 12), (16, -24, 7), (10, 16, 9))
_GREY, _DARK_GREY = "#8C9AA3", "#1A2233"


def draw_sky(sheet: SetSheet, x: float, y: float, width: float, height: float, k: float) -> None:
    """Flat bands of sky with sun or moon, stars and clouds in a box; ``k`` is the size of a unit."""
    paper, light, weather, dice = sheet.paper, sheet.light, sheet.weather, sheet.dice(1)
    bands = [mix(c, _DARK_GREY if light.stars else _GREY, 0.42) for c in light.sky] if weather.grey else light.sky
    paper.flat(cut_rect(x - 4, y - 4, width + 8, height + 8, 0), bands[0])
    for i in (1, 2, 3):
        band = wave_band(y + height * (0.10 + 0.26 * i), height * 0.022, width * 0.55, x - width * 0.3, x + width * 1.4,
                         y + height + 4, phase=i * width * 0.13)  # fmt: skip
        paper.flat(band, bands[i])
    if not weather.grey:
        if light.stars:
            for _ in range(int(34 * max(0.35, width * height / 2e6))):
                centre = complex(x + dice.random() * width, y + dice.random() * height * 0.7)
                size = dice.choice((2.2, 3, 4)) * k
                paper.flat(polygon([centre + turned(a * 90 + 20) * size for a in range(4)]), "#F3E9CC", 0.9)
        sun_x, sun_y = x + light.sun[0] * width, y + light.sun[1] * height
        paper.flat(cut_disc(sun_x, sun_y, 84 * k), light.ring)
        paper.flat(cut_disc(sun_x, sun_y, 62 * k), light.disc)
        for across, down, size in _CRATERS if light.stars else ():
            paper.flat(cut_disc(sun_x + across * k, sun_y + down * k, size * k), "#D3C29B")
    pale = 0.5 if weather.grey else 0.62 if light.stars else 0.38 if light.lamps else 0.08
    for i in range(weather.clouds):
        cloud_x = x + width * ((i * 0.37 + 0.13 + dice.random() * 0.1) % 1.0)
        cloud_y = y + height * (0.10 + 0.34 * dice.random())
        size = k * (1.1 + 0.8 * dice.random())
        cloud = spline([complex(cloud_x + a * size, cloud_y + b * size) for a, b in _CLOUD], tension=0.35)
        paper.flat(cloud, mix("#F4F0E2", bands[1], pale))


def draw_sea(sheet: SetSheet, left: float, right: float, y: float, bottom: float, k: float) -> None:
    """Three bands of water from the horizon at ``y``."""
    for i in range(3):
        top = y + (bottom - y) * (0, 0.22, 0.52)[i]
        band = wave_band(top, (6 + 3 * i) * k, (104 + 26 * i) * k, left - 80 * k * i - 30, right + 140 * k, bottom + 10,
                         phase=i * 37 * k)  # fmt: skip
        sheet.paper.piece(band, sheet.light.sea[i], ink=0.6)


def draw_hills(sheet: SetSheet, left: float, right: float, y: float, rise: float, bottom: float,
               colours: tuple[str, ...], *, seed: int = 5, headland: bool = False) -> None:  # fmt: skip
    """Ridges one before the other; a ``headland`` runs out into the sea: its first point lies at the water."""
    dice = sheet.dice(seed)
    for i, colour in enumerate(colours):
        ridge = [
            complex(
                left - 60 + (right - left + 120) * j / 6, y + i * rise * 0.38 - rise * (0.25 + 0.75 * dice.random())
            )
            for j in range(7)
        ]
        if headland:
            ridge[0] = complex(left - 60, bottom)
        sheet.paper.piece(edge_over(ridge, right + 60, left - 60, bottom, 0.3), colour, ink=0.6)


def draw_view(sheet: SetSheet, view: str, x: float, y: float, width: float, height: float, k: float) -> None:
    """What is seen through a window in a box: "sea", "town" or "hills"."""
    draw_sky(sheet, x, y, width, height * 0.75, k)
    level = y + height * 0.74
    if view == "town":
        _draw_blocks(sheet, x, y, width, height, k)
        return
    with sheet.lit(0.9):
        if view == "hills":
            draw_hills(
                sheet, x, x + width, y + height * 0.72, height * 0.2, y + height, ("#9DB08A", "#7E9A6B", "#5F8255")
            )
            return
        draw_hills(
            sheet, x + width * 0.55, x + width * 1.1, level, height * 0.16, y + height, ("#6F8A6A",), headland=True
        )
    draw_sea(sheet, x, x + width, level, y + height, k * 0.8)
    with sheet.lit(0.9):
        draw_thing(sheet.paper, "lighthouse", x + width * 0.80, y + height * 0.52, 150 * k)


def _draw_blocks(sheet: SetSheet, x: float, y: float, width: float, height: float, k: float) -> None:
    """Office blocks, lit at dusk."""
    for i in range(7):
        across = width * (0.12 + 0.07 * ((i * 37) % 5) / 5)
        tall = height * (0.25 + 0.35 * ((i * 53 + 2) % 7) / 7)
        left = x + width * (i / 6.4) - 20
        with sheet.lit(0.8):
            colour = ("#8FA0A6", "#A9A595", "#7C8D98", "#B79B86")[i % 4]
            sheet.paper.piece(cut_rect(left, y + height - tall, across, tall + 9, 2), colour, ink=0.7)
        for column in (0, 1):
            for row in range(int(tall / (44 * k))):
                shining = sheet.light.lamps and (i + column + row) % 3
                pane = cut_rect(left + across * (0.18 + 0.38 * column), y + height - tall + 20 * k + row * 40 * k,
                                across * 0.22, 20 * k, 1)  # fmt: skip
                sheet.paper.flat(pane, "#F3D588" if shining else "#C9D6D6")
