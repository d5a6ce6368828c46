"""How one scene goes over to the next: for each of ``production.TRANSITIONS`` but a cut, how long and how drawn."""

from __future__ import annotations

import math
import random
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

import skia

from dearhost.drawing.colours import paint
from dearhost.drawing.cut_shapes import cut_disc
from dearhost.drawing.outlines import edge_over, lerp, moved, polygon
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture

_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear)
_REPLACING = skia.Paint(BlendMode=skia.BlendMode.kSrc)
DISSOLVE = "dissolve"
"""Drawn by mixing pixels, where something moves only."""


@dataclass(frozen=True)
class Frame:
    """One frame of a transition: both pictures as images, how far it is (0 to 1), and where each has its focus."""

    canvas: Any
    leaving: Any
    arriving: Any
    part: float
    picture: Picture
    focus: tuple[complex, complex]

    def lay(self, image: Any, x: float = 0.0, y: float = 0.0) -> None:
        """A picture as it is."""
        self.canvas.drawImage(image, x, y, _SMOOTH, _REPLACING)


@dataclass(frozen=True, slots=True)
class TransitionKind:
    """``seconds`` at the start of the later scene."""

    seconds: float
    draw: Callable[[Frame], None] | None = None


def eased(part: float) -> float:
    """Slow at both ends."""
    return part * part * (3 - 2 * part)


def _slide(dx: int, dy: int) -> Callable[[Frame], None]:
    """The new scene slides over the old as a sheet of paper, which gives way a little and darkens."""

    def draw(frame: Frame) -> None:
        width, height, u = frame.picture.width, frame.picture.height, frame.picture.unit
        done = eased(frame.part) ** 0.85
        canvas, left = frame.canvas, 1 - done
        frame.lay(frame.leaving, -dx * width * 0.14 * done, -dy * height * 0.14 * done)
        canvas.drawPaint(paint("ink", round(0.22 * done, 2)))
        canvas.save()
        canvas.translate(dx * width * left, dy * height * left)
        for edge, fill in ((26, paint("ink", 0.10)), (14, paint("ink", 0.16)), (6, paint("#FFFDF4"))):
            canvas.drawRect(skia.Rect.MakeXYWH(-edge * u, -edge * u, width + 2 * edge * u, height + 2 * edge * u), fill)
        frame.lay(frame.arriving)
        canvas.restore()

    return draw


def _page_turn(frame: Frame) -> None:
    """The old scene is a page that is turned over to the left."""
    width, height, u, canvas = frame.picture.width, frame.picture.height, frame.picture.unit, frame.canvas
    crease = width * (1.02 - 1.17 * eased(frame.part))
    lean = width * 0.16 * math.sin(math.pi * frame.part) * (1 - 0.4 * frame.part) + 1
    top, bottom = complex(crease + lean, 0), complex(crease - lean * 0.6, height)
    way = (bottom - top) / abs(bottom - top)

    def mirrored(point: complex) -> complex:
        return top + way * ((point - top) / way).conjugate()

    corners = mirrored(complex(width, 0)), mirrored(complex(width, height))
    frame.lay(frame.arriving)
    for reach, alpha in ((90, 0.10), (40, 0.14)):
        canvas.drawPath(polygon([top, top + reach * u, bottom + reach * u, bottom]), paint("ink", alpha))
    flap = polygon([top, bottom, corners[1], corners[0]])
    canvas.save()
    canvas.clipPath(
        polygon([complex(-3 * width, 0), top, bottom, complex(-3 * width, height)]), skia.ClipOp.kIntersect, True
    )
    frame.lay(frame.leaving)
    canvas.drawPath(moved(flap, -26 * u, 16 * u), paint("ink", 0.18))
    canvas.restore()
    canvas.drawPath(moved(flap, -2 * u, 2 * u), paint("ink"))
    canvas.drawPath(flap, paint("#EFE5D0"))
    inward = -1j * way if (-1j * way).real < 0 else 1j * way
    canvas.save()
    canvas.clipPath(flap, skia.ClipOp.kIntersect, True)
    canvas.drawPath(polygon([top, bottom, bottom + inward * 70 * u, top + inward * 70 * u]), paint("#DCCFB5"))
    shine = [top + inward * 70 * u, bottom + inward * 70 * u, bottom + inward * 104 * u, top + inward * 92 * u]
    canvas.drawPath(polygon(shine), paint("#F8F1E2"))
    canvas.restore()


def _iris(frame: Frame) -> None:
    """A hole in paper closes on who is seen, and opens on who comes."""
    width, height, u, canvas, part = (
        frame.picture.width,
        frame.picture.height,
        frame.picture.unit,
        frame.canvas,
        frame.part,
    )
    centre = frame.focus[0 if part < 0.5 else 1]
    far = math.hypot(max(centre.real, width - centre.real), max(centre.imag, height - centre.imag)) * 1.08
    if part < 0.5:
        image, radius = frame.leaving, far * (1 - min(1.0, part / 0.46) ** 3) ** 1.2
    else:
        opened = min(1.0, max(0.0, (part - 0.54) / 0.46))
        image, radius = frame.arriving, far * max(0.0, 1 - (1 - opened) ** 3) ** 1.5
    canvas.drawPaint(paint("tide-dark"))
    if radius > 2:
        rim = cut_disc(centre.real, centre.imag, radius + 11 * u)
        canvas.drawPath(moved(rim, 7 * u, 9 * u), paint("ink", 0.45))
        canvas.drawPath(rim, paint("#FFFDF4"))
        canvas.save()
        canvas.clipPath(cut_disc(centre.real, centre.imag, radius), skia.ClipOp.kIntersect, True)
        canvas.drawImage(image, 0, 0, _SMOOTH)
        canvas.restore()


_STEPS = 15


def _ink_wipe(frame: Frame) -> None:
    """A broad stroke of ink goes over the old scene and leaves the new one."""
    width, height, u, canvas, part = (
        frame.picture.width,
        frame.picture.height,
        frame.picture.unit,
        frame.canvas,
        frame.part,
    )
    dice = random.Random(5)
    lead = width * (-0.13 + 1.40 * eased(part))
    broad = width * 0.23 * math.sin(math.pi * min(1.0, part * 0.96 + 0.02))
    front = [dice.uniform(-0.040, 0.045) * width for _ in range(_STEPS + 1)]
    back = [dice.uniform(-0.05, 0.05) * width for _ in range(_STEPS + 1)]

    def painted(x: float, rough: list[float]) -> Any:
        """All to the left of a rough edge that leans."""
        edge = [
            complex(height * (i / _STEPS * 1.12 - 0.06), -(x + rough[i] - width * 0.12 * (i / _STEPS - 0.5)))
            for i in range(_STEPS + 1)
        ]
        path = edge_over(edge, height * 1.2, -height * 0.2, width * 2, 0.5)
        turn = skia.Matrix()
        turn.setRotate(90)
        path.transform(turn)  # the edge runs down, not across
        return path

    frame.lay(frame.leaving)
    canvas.drawPath(painted(lead, front), paint("ink"))
    for _ in range(14):
        share = dice.random()
        x = lead + front[int(share * _STEPS)] - width * 0.12 * (share - 0.5) + dice.uniform(0.012, 0.07) * width
        radius = dice.uniform(4, 17) * u * math.sin(math.pi * part)
        canvas.drawCircle(x, height * share, radius, paint("ink"))
    canvas.save()
    canvas.clipPath(painted(lead - broad, back), skia.ClipOp.kIntersect, True)
    canvas.drawImage(frame.arriving, 0, 0, _SMOOTH)
    canvas.restore()
    brushes = Paper(canvas, u)
    for i in range(9):
        share = i / 8
        x = lead - broad - width * 0.12 * (share - 0.5) + back[int(share * _STEPS)]
        y = lerp(0.0, height, share)
        brushes.brush(
            [complex(x - width * 0.05, y + 4), complex(x + width * 0.02, y)], 14 * u, "ink", tip=0.05, tail=0.7
        )


KINDS: Mapping[str, TransitionKind] = {
    DISSOLVE: TransitionKind(0.40),
    "page-turn": TransitionKind(0.72, _page_turn),
    "slide-left": TransitionKind(0.50, _slide(1, 0)),
    "slide-right": TransitionKind(0.50, _slide(-1, 0)),
    "slide-up": TransitionKind(0.50, _slide(0, 1)),
    "slide-down": TransitionKind(0.50, _slide(0, -1)),
    "iris": TransitionKind(0.76, _iris),
    "ink-wipe": TransitionKind(0.66, _ink_wipe),
}
"""To add one: its name in ``production.TRANSITIONS`` and its line here."""


def transition_seconds(kind: str) -> float:
    """How long a transition lasts; 0 for a cut."""
    return KINDS[kind].seconds if kind in KINDS else 0.0
