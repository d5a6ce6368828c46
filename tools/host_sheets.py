"""Draws the sheet pages of the docs: every host's model sheet, and a row of moments in motion. Run as a module."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import skia

from dearhost.drawing.colours import paint
from dearhost.hosts import (
    CAST,
    EXPRESSIONS,
    ExpressionCue,
    GestureCue,
    Host,
    MoveCue,
    Performance,
    PlacedReading,
    Pose,
    Role,
)
from dearhost.hosts.thumbnails import PAPER, SHEET_SIZE, model_sheet_png
from dearhost.production import Studio, data_folder
from dearhost.timebase import FrameRate

DOCS = Path(__file__).resolve().parent.parent / "docs" / "hosts"
_SCALE = 0.75
_RATE = FrameRate.of(30)
_SAID = "Papa, the big blue boat is out! Where?"
_GESTURES = (("wave", 0.2), ("heart", 0.1), ("think", 0.3), ("count", 0.2), ("clap", 0.05), ("shrug", 0.1))
"""Gestures, and seconds after their stroke."""
_CELL = (124, 132)
_FRAMINGS = {"wide": (0.19, 0.94), "medium": (0.33, 0.36), "close-up": (0.82, 0.46)}
"""Pixels a unit, and where the ground, or else the head, lies."""


def _moments(host: Host, said: PlacedReading) -> list[tuple[str, Pose]]:
    """A walk, talk in three framings, five expressions while talking, six gestures."""

    def acting(**role: Any) -> Performance:
        return Performance(
            Role(role.pop("lines", ()), 9.0, host.abilities, leg=host.leg, foot=host.foot, **role), _RATE
        )

    talk = acting(lines=(said,))
    found = [("wide", acting(moves=(MoveCue(5.0, "walk-in", -300.0),)).pose(4.4))]
    found += [("wide", talk.pose(0.9)), ("medium", talk.pose(0.62)), ("close-up", talk.pose(1.25))]
    for name in [n for n in EXPRESSIONS if n != "neutral"][:5]:
        found.append(("close-up", acting(lines=(said,), expressions=(ExpressionCue(0.0, name),)).pose(1.4)))
    for name, after in _GESTURES:
        found.append(("medium", acting(cues=(GestureCue(2.0, name),)).pose(2.0 + after)))
    return found


def _draw_cell(canvas: Any, host: Host, framing: str, pose: Pose) -> None:
    width, height = _CELL
    scale, level = _FRAMINGS[framing]
    canvas.clipRect(skia.Rect.MakeWH(width - 2, height - 2))
    canvas.translate(width / 2, height * level)
    canvas.scale(scale, scale)
    canvas.translate(-pose.root * host.figure, 0 if framing == "wide" else -host.head_centre.imag)
    host.draw(canvas, pose)


def main() -> None:
    """Write ``docs/hosts/sheets/*.webp`` and ``docs/hosts/motion.webp``."""
    letters = data_folder() / "fonts" / "literata-latin-400-normal.woff"
    (DOCS / "sheets").mkdir(parents=True, exist_ok=True)
    smooth = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
    for host in CAST.values():
        png = model_sheet_png(host, letters)
        whole = skia.Image.MakeFromEncoded(png)
        small = skia.Surface(*(round(side * _SCALE) for side in SHEET_SIZE))
        small.getCanvas().drawImageRect(whole, skia.Rect.MakeWH(small.width(), small.height()), smooth)
        small.makeImageSnapshot().save(str(DOCS / "sheets" / f"{host.id}.webp"), skia.kWEBP, 88)
    said = PlacedReading(0.3, Studio().speaker.read(_SAID, "joe"))
    rows = [(host, _moments(host, said)) for host in CAST.values()]
    page = skia.Surface(len(rows[0][1]) * _CELL[0], len(rows) * _CELL[1])
    canvas = page.getCanvas()
    canvas.clear(paint(PAPER).getColor())
    for row, (host, moments) in enumerate(rows):
        for column, (framing, pose) in enumerate(moments):
            canvas.save()
            canvas.translate(column * _CELL[0], row * _CELL[1])
            _draw_cell(canvas, host, framing, pose)
            canvas.restore()
    page.makeImageSnapshot().save(str(DOCS / "motion.webp"), skia.kWEBP, 80)


if __name__ == "__main__":
    main()
