"""Pictures of hosts: a portrait, a figure, a cue at its peak, and the whole model sheet."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from pathlib import Path
from typing import Any

import skia

from dearhost.drawing.colours import PALETTE, paint
from dearhost.errors import HostError
from dearhost.hosts.abilities import PERSON, Abilities
from dearhost.hosts.host import Host
from dearhost.hosts.library import in_look_of, wardrobe
from dearhost.hosts.motion.expressions import EXPRESSIONS, ExpressionCue
from dearhost.hosts.motion.gestures import GESTURES
from dearhost.hosts.motion.gesturing import GestureCue
from dearhost.hosts.motion.holding import ACTS, PropCue, resolved
from dearhost.hosts.motion.idle_motion import Sight
from dearhost.hosts.motion.moving import MOVES, SEATED, MoveCue
from dearhost.hosts.motion.performance import Performance, Role
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.person import Person
from dearhost.hosts.pose import Body, Face, Mouth, Pose
from dearhost.timebase import FrameRate

PAPER = "#E8DBC3"
_RATE = FrameRate.of(30)
_PEAK = 2.0
"""Seconds at which a gesture arrives in its picture."""
_TURNS = (-30.0, -15.0, 0.0, 15.0, 30.0)
_FIGURES = (Body(turn=-0.5, yaw=-20), Body(), Body(turn=0.5, yaw=20), Body(away=True))
SHEET_SIZE = (1280, 1120)
_MOST_LOOKS = 8
SPEAKING = Pose(
    body=Body(yaw=14, pitch=2, roll=-3, jaw=0.6),
    mouth=Mouth(open=0.6, smile=0.5, teeth_up=0.6, tongue=0.3),
    face=Face(brow_left=0.4, brow_right=0.4, cheek=0.3),
)


def _png(width: int, height: int, draw: Callable[[Any], None], ground: str = PAPER) -> bytes:
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    if ground:
        canvas.clear(paint(ground).getColor())
    else:
        canvas.clear(skia.ColorTRANSPARENT)
    draw(canvas)
    return bytes(surface.makeImageSnapshot().encodeToData())


def draw_head(canvas: Any, host: Host, pose: Pose, x: float, y: float, size: float) -> None:
    """Head and shoulders in a square of ``size`` pixels at (x, y)."""
    canvas.save()
    canvas.clipRect(skia.Rect.MakeXYWH(x, y, size, size))
    canvas.translate(x + size / 2, y + size * 0.48)
    canvas.scale(size / 175, size / 175)
    canvas.translate(0, -host.head_centre.imag)
    host.draw(canvas, pose)
    canvas.restore()


def draw_figure(canvas: Any, host: Host, pose: Pose, x: float, ground: float, scale: float) -> None:
    """The whole figure with its feet at (x, ground), ``scale`` pixels a unit."""
    canvas.save()
    canvas.translate(x, ground)
    canvas.scale(scale, scale)
    host.draw(canvas, pose)
    canvas.restore()


def portrait_png(host: Host, pixels: int = 192, pose: Pose | None = None) -> bytes:
    """Head and shoulders on paper."""
    return _png(pixels, pixels, lambda canvas: draw_head(canvas, host, pose or Pose(), 0, 0, pixels))


def figure_png(host: Host, width: int = 248, height: int = 440, pose: Pose | None = None) -> bytes:
    """The whole figure on nothing; all hosts to one scale."""
    scale = height / 690
    return _png(
        width, height, lambda c: draw_figure(c, host, pose or Pose(), width / 2, height - 18 * scale, scale), ""
    )


def cue_png(host: Host, kind: str, width: int = 368, height: int = 276) -> bytes:
    """A host doing what a cue asks for, half figure on paper; a move as the whole figure.

    Raises HostError for a cue that hosts do not play.
    """
    role = _shown(host, kind)
    near = kind in EXPRESSIONS or kind == "eyes"

    def draw(canvas: Any) -> None:
        scale = height / 190 if near else height / 690 if kind in MOVES else width / 520
        canvas.translate(width / 2, height * (0.5 if near else 0.14 if kind in MOVES else 0.37))
        canvas.scale(scale, scale)
        canvas.translate(0, -host.head_centre.imag if kind not in MOVES else 560)
        host.draw(canvas, Performance(role, _RATE).pose(_PEAK))

    return _png(width, height, draw)


def _shown(host: Host, kind: str) -> Role:
    """A role in which the host does at ``_PEAK`` what a cue asks for."""
    role = Role((), 2 * _PEAK, host.abilities, leg=host.leg, foot=host.foot)
    if kind in GESTURES:
        return replace(role, cues=(GestureCue(_PEAK, kind),))
    if kind in EXPRESSIONS:
        return replace(role, expressions=(ExpressionCue(0.0, kind),))
    if kind in ACTS:
        taken = PropCue(0.0, "", "take", "tide-clock")
        moment = {"take": _PEAK, "show": _PEAK, "pass": _PEAK, "put-down": _PEAK - 0.3}[kind]
        done, _ = resolved([taken, PropCue(moment, "", kind if kind != "take" else "show")], {})
        return replace(role, handling=done[""] if kind != "take" else done[""][:1])
    if kind in MOVES:
        way = {"walk-in": (-260.0, _PEAK + 0.9), "walk-out": (260.0, _PEAK - 0.85), "walk-to": (200.0, _PEAK + 0.9)}
        x, at = way.get(kind, (0.0, _PEAK))
        moves = [MoveCue(at, kind, x, 1, 2.0)]
        if kind == "turn-away":
            moves = [MoveCue(_PEAK - 1.0, kind)]
        elif kind == "walk-on-spot":
            moves = [MoveCue(_PEAK - 0.75, kind, seconds=3.0)]
        elif kind == "stand":
            moves = [MoveCue(0.0, "sit"), MoveCue(_PEAK - 0.6, kind)]
        elif kind == "turn-back":
            moves = [MoveCue(0.0, "turn-away"), MoveCue(_PEAK, kind)]
        return replace(role, moves=tuple(moves), drop=SEATED * host.leg / 270)
    if kind == "eyes":
        return replace(role, sight=Sight(((_PEAK - 0.5, "picture"),)))
    if kind == "rest":
        return role
    raise HostError(f"There is nothing called '{kind}' that a host could do.")


def expression_pose(name: str, abilities: Abilities = PERSON) -> Pose:
    """A host with an expression, silent."""
    return Performance(Role((), 2.0, abilities, expressions=(ExpressionCue(0.0, name),)), _RATE).pose(1.5)


def _draw_sheet(canvas: Any, host: Host, font: Any) -> None:
    """Turns, expressions, the figure from all sides, the palette, the usual clothes and other looks."""
    width, _ = SHEET_SIZE
    ink = paint("ink")

    def words(text: str, x: float, y: float, size: float = 15) -> None:
        font.setSize(size)
        canvas.drawString(text, x, y, font, ink)

    canvas.drawRect(skia.Rect.MakeWH(*SHEET_SIZE), paint("#FFFDF7"))
    words(host.name, 40, 62, 34)
    words(host.card.description, 40, 88, 16)
    size = 150
    for index, yaw in enumerate(_TURNS):
        x = 40 + index * (size + 12)
        canvas.drawRect(skia.Rect.MakeXYWH(x, 110, size, size), paint(PAPER))
        draw_head(canvas, host, Pose(body=Body(yaw=yaw)), x, 110, size)
    words("Turns", 40, 282)
    size = 178
    for index, name in enumerate(EXPRESSIONS):
        x, y = 40 + (index % 4) * (size + 16), 306 + (index // 4) * (size + 40)
        canvas.drawRect(skia.Rect.MakeXYWH(x, y, size, size), paint(PAPER))
        draw_head(canvas, host, expression_pose(name, host.abilities), x, y, size)
        words(name, x, y + size + 20)
    for index, body in enumerate(_FIGURES[: 4 if isinstance(host, Person) else 3]):
        draw_figure(canvas, host, Pose(body=body), 890 + index * 112, 545, 0.52)
    if isinstance(host, Person):
        for index, (name, colour) in enumerate(palette_of(host.sheet)):
            x, y = 850 + (index % 4) * 102, 606 + (index // 4) * 74
            canvas.drawRect(skia.Rect.MakeXYWH(x, y, 84, 38), paint(colour))
            words(name, x, y + 54, 13)
        words("Looks", 40, 810)
        others = [name for name, outfit in wardrobe(host).items() if outfit != host.sheet.outfit]
        for index, look in enumerate(["", *others][:_MOST_LOOKS]):
            middle = 40 + (width - 80) / _MOST_LOOKS * (index + 0.5)
            draw_figure(canvas, in_look_of(host, look) if look else host, Pose(), middle, 1060, 0.34)
            words(look or "the usual", middle - 28, 1084, 13)
    words("Dear Host model sheet", width - 190, SHEET_SIZE[1] - 12, 13)


def palette_of(sheet: ModelSheet) -> list[tuple[str, str]]:
    """The colours of a sheet by what they are of, each once."""
    outfit = sheet.outfit
    rows = [
        ("skin", sheet.skin_base), ("hair", sheet.hair_base), ("eyes", sheet.features.iris), ("top", outfit.top),
        (outfit.below, outfit.bottom), ("shoes", outfit.shoe), ("shirt", outfit.shirt), ("accent", outfit.accent),
        ("glasses", sheet.glasses.colour if sheet.glasses.kind else ""),
        ("headwear", sheet.headwear.colour if sheet.headwear.kind else ""), ("tie", sheet.tie),
        ("earring", sheet.earring), ("lanyard", sheet.lanyard),
    ]  # fmt: skip
    return [(name, PALETTE.get(colour, colour)) for name, colour in rows if colour]


def model_sheet_png(host: Host, font_file: Path) -> bytes:
    """The whole sheet as a picture, lettered in the typeface of a file."""
    font = skia.Font(skia.Typeface.MakeFromFile(str(font_file)), 15)
    return _png(*SHEET_SIZE, lambda canvas: _draw_sheet(canvas, host, font))


def model_sheet_svg(host: Host, font_file: Path) -> bytes:
    """The whole sheet as a drawing that can be taken apart."""
    font = skia.Font(skia.Typeface.MakeFromFile(str(font_file)), 15)
    stream = skia.DynamicMemoryWStream()
    canvas = skia.SVGCanvas.Make(skia.Rect.MakeWH(*SHEET_SIZE), stream)
    _draw_sheet(canvas, host, font)
    del canvas  # it is written when it goes
    return bytes(stream.detachAsData())
