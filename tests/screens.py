"""A made recording of a screen: a list of bookings, a form that is written in, a button, a page after it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field

import av
import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.drawing.fonts import Fonts

WIDE, HIGH, RATE = 1920, 1080, 10


@dataclass(slots=True)
class MadeScreen:
    """Frames of the recording, RGB, at ``RATE``; where the pointer's tip was in each, in pixels; and what happened:
    seconds from and to, and its box in pixels."""

    frames: list[NDArray[np.uint8]] = field(default_factory=list)
    pointers: list[tuple[float, float]] = field(default_factory=list)
    happened: list[tuple[float, float, tuple[int, int, int, int]]] = field(default_factory=list)

    @property
    def seconds(self) -> float:
        return len(self.frames) / RATE


def booked_on_a_screen(fonts: Fonts) -> MadeScreen:
    """Somebody writes a name into a form, presses "Book", reads the answer, and marks a row of the list."""
    return _Recorder(fonts).record()


class _Recorder:
    def __init__(self, fonts: Fonts) -> None:
        self._fonts = fonts
        self._made = MadeScreen()
        self._at = (200.0, 900.0)
        self._page = skia.Surface(WIDE, HIGH)

    def record(self) -> MadeScreen:
        made = self._made
        self._list()
        self._rest(1.0)
        self._go(1400, 300, 1.2)
        with_name = made.seconds
        for count in range(1, len("Maren Oake and friends") + 1):
            self._field()
            self._write("Maren Oake and friends"[:count], 1340, 303, 15)
            self._frame()
        made.happened.append((with_name, made.seconds, (1340, 288, 1500, 307)))
        self._rest(0.8)
        self._go(1680, 580, 1.0)
        pressed = made.seconds
        self._button("#3C3C0A")
        self._rest(0.6)
        made.happened.append((pressed, made.seconds, (1600, 560, 1760, 600)))
        answered = made.seconds
        self._page.getCanvas().clear(skia.Color(0xF4, 0xF4, 0xF0))
        self._write("Booked. See you at low water.", 500, 500, 44)
        self._go(1500, 800, 2.0)
        made.happened.append((answered, made.seconds, (0, 0, WIDE, HIGH)))
        self._list()
        self._go(150, 400, 2.0)
        marked = made.seconds
        paint = skia.Paint(Color=skia.Color(0xFA, 0xEB, 0xC8))
        self._page.getCanvas().drawRect(skia.Rect.MakeLTRB(70, 385, 420, 412), paint)
        self._write("08  high water 13:49   party of 4", 80, 404, 14)
        self._go(200, 400, 2.0)
        made.happened.append((marked, made.seconds, (70, 385, 420, 412)))
        return made

    def _write(self, text: str, x: float, y: float, size: float) -> None:
        word = self._fonts.word(text, size, weight="regular")
        word.draw(self._page.getCanvas(), x, y)

    def _list(self) -> None:
        canvas = self._page.getCanvas()
        canvas.clear(skia.Color(250, 250, 250))
        canvas.drawRect(skia.Rect.MakeWH(WIDE, 60), skia.Paint(Color=skia.Color(230, 220, 205)))
        self._write("Quillhaven Tide Museum: bookings", 30, 40, 24)
        for row in range(24):
            self._write(f"{row + 1:02d}  high water {6 + row % 12}:{row * 7 % 60:02d}   party of {2 + row % 5}",
                        80, 152 + row * 36, 14)  # fmt: skip
        self._field()
        self._write("Name", 1330, 270, 14)
        self._button("#146B67")

    def _field(self) -> None:
        box = skia.Rect.MakeLTRB(1330, 280, 1760, 315)
        self._page.getCanvas().drawRect(box, skia.Paint(Color=skia.ColorWHITE))
        self._page.getCanvas().drawRect(box, skia.Paint(Style=skia.Paint.kStroke_Style, Color=skia.ColorGRAY))

    def _button(self, colour: str) -> None:
        red, green, blue = bytes.fromhex(colour[1:])
        self._page.getCanvas().drawRect(
            skia.Rect.MakeLTRB(1600, 560, 1760, 600), skia.Paint(Color=skia.Color(red, green, blue))
        )

    def _go(self, x: float, y: float, seconds: float) -> None:
        (x0, y0), count = self._at, round(seconds * RATE)
        for index in range(1, count + 1):
            part = index / count
            part = part * part * (3 - 2 * part)
            self._at = x0 + (x - x0) * part, y0 + (y - y0) * part
            self._frame()

    def _rest(self, seconds: float) -> None:
        for _ in range(round(seconds * RATE)):
            self._frame()

    def _frame(self) -> None:
        sheet = skia.Surface(WIDE, HIGH)
        sheet.getCanvas().drawImage(self._page.makeImageSnapshot(), 0, 0)
        x, y = self._at
        path = skia.Path()
        path.addPoly(
            [skia.Point(x, y), skia.Point(x, y + 22), skia.Point(x + 6, y + 17), skia.Point(x + 15, y + 17)], True
        )
        sheet.getCanvas().drawPath(path, skia.Paint(Color=skia.ColorBLACK, AntiAlias=True))
        self._made.frames.append(np.ascontiguousarray(sheet.toarray(colorType=skia.kRGBA_8888_ColorType)[..., :3]))
        self._made.pointers.append(self._at)


def greys(frames: list[NDArray[np.uint8]]) -> Iterator[NDArray[np.uint8]]:
    """Frames at half their size, in grey."""
    for frame in frames:
        picture = av.VideoFrame.from_ndarray(frame, format="rgb24")
        yield picture.to_ndarray(format="gray", width=WIDE // 2, height=HIGH // 2)
