"""An end card: what is asked, a button, an address and its QR code (ISO/IEC 18004)."""

from __future__ import annotations

import segno

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import Face, TextBlock, fitted
from dearhost.stage.timeline import Shown

_QUIET = 4
"""Modules of free paper about a code, as the standard asks."""


class EndCardPanel(Panel):
    """Words above; button and address below; the code at the right where an address is given."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        left, top, right, bottom = self.inside
        width, height = right - left, bottom - top
        layout, tall = picture.layout, picture.height
        address = shown.text("address").strip()
        self._code = _modules(address) if address and shown.text("code") == "yes" else ()
        self._side = min(height * 0.52, width * 0.34) if self._code else 0.0
        text_width = width * 0.84 - (self._side + width * 0.05 if self._code else 0)
        sizes = layout.title_text * tall * 1.25, layout.title_text * tall * 0.5
        self._title = fitted(fonts, shown.text("text"), (width * 0.84, height * 0.30), sizes, self.face(), 2)
        small = layout.label_text * tall
        self._says = self._block(
            shown.text("says"),
            text_width,
            height * 0.20,
            small,
            self.quiet(1.3),
            3,
        )
        self._button = self._block(
            shown.text("button"),
            text_width * 0.9,
            height * 0.12,
            small * 1.1,
            self.face("sans", "bold", self.colours.on_button),
            1,
        )
        self._address = self._block(address, text_width, height * 0.12, small, self.face("sans", "regular"), 2)

    def _block(self, text: str, width: float, height: float, size: float, face: Face, lines: int) -> TextBlock | None:
        return fitted(self.fonts, text, (width, height), (size, size * 0.5), face, lines) if text.strip() else None

    def draw_content(self, paper: Paper, moment: float) -> None:
        """Everything on the card."""
        left, top, right, bottom = self.inside
        width, height, u = right - left, bottom - top, self.unit
        x, y = left + width * 0.08, top + height * 0.09
        self._title.draw(paper, x, y)
        y += self._title.height + height * 0.04
        if self._says:
            self._says.draw(paper, x, y)
        foot = bottom - height * 0.09
        if self._address:
            foot -= self._address.height
            self._address.draw(paper, x, foot)
            foot -= height * 0.035
        if self._button:
            size = self._button.size
            wide, high = self._button.width + 2 * size, self._button.height + 1.0 * size
            box = cut_rect(x, foot - high, wide, high, 3 * u)
            paper.canvas.drawPath(moved(box, 6 * u, 8 * u), paint("ink", 0.25))
            paper.piece(box, self.colours.button, darker(self.colours.button), crescent=(0, 6 * u))
            self._button.draw(paper, x + size, foot - high + 0.5 * size)
        if self._code:
            self._draw_code(paper, right - width * 0.08 - self._side, bottom - height * 0.09 - self._side)

    def _draw_code(self, paper: Paper, x: float, y: float) -> None:
        """Dark modules on pale paper, to whole pixels where they are large enough."""
        count = len(self._code) + 2 * _QUIET
        step = self._side / count
        step = float(int(step)) if step >= 2 else step
        paper.flat(cut_rect(x, y, step * count, step * count, 0), "#FFFFFF")
        for row, modules in enumerate(self._code):
            for column, dark in enumerate(modules):
                if dark:
                    left, top = round(x) + (column + _QUIET) * step, round(y) + (row + _QUIET) * step
                    paper.canvas.drawPath(cut_rect(left, top, step, step, 0), paint("ink"))


def _modules(address: str) -> tuple[tuple[bool, ...], ...]:
    """The dark modules of a QR code of the address; a web address gets its scheme."""
    plain = "://" not in address and "@" not in address and "." in address and " " not in address
    code = segno.make_qr(f"https://{address}" if plain else address, error="m")
    return tuple(tuple(bool(module) for module in row) for row in code.matrix)
