"""Titles and names on slips of paper."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts, Word
from dearhost.drawing.outlines import moved, polygon
from dearhost.drawing.paper import Paper
from dearhost.production.colours import on_slip
from dearhost.stage.layout.shapes import Picture, panel_box
from dearhost.stage.painting.entrances import Box, Coming, arrived, coming
from dearhost.stage.painting.panels.panel import reach
from dearhost.stage.painting.text_blocks import Face, fitted
from dearhost.stage.timeline import Shown

_LEAST = 0.6
"""Of its size that a title shrinks to at most, before it takes more lines."""

_FAMILIES = {"text": "sans"}
"""Of ``shown_cues.LETTERS``, what is not set as headings are."""


Taken = Callable[[], Sequence[Box]]
"""What is not to be covered, in pixels, as often as it is seen there."""


def covered(place: Box, taken: Sequence[Box]) -> float:
    """How much of ``taken`` a slip in a place covers, in square pixels."""
    left, top, right, bottom = place
    across = (min(right, box[2]) - max(left, box[0]) for box in taken)
    down = (min(bottom, box[3]) - max(top, box[1]) for box in taken)
    return sum(max(0.0, wide) * max(0.0, high) for wide, high in zip(across, down, strict=True))


class Slip:
    """A slip of paper that comes in its way; a subclass lays out its ``places`` and draws what is on it."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts, taken: Taken = tuple) -> None:
        """``taken`` is asked where there is a choice of places."""
        self.shown, self.picture, self.fonts = shown, picture, fonts
        self.colours = on_slip(shown.colours, shown.text("ground"))
        self.way = shown.text("comes") or "slides"
        places = self.places()
        boxes = taken() if len(places) > 1 else ()
        self.paper_box: Box = min(places, key=lambda place: covered(place, boxes))
        left, top, right, bottom = self.paper_box
        edge = 40 * picture.unit
        self.box: Box = reach(self.way, (left - edge, top - edge, right + edge, bottom + edge), picture)

    def places(self) -> list[Box]:
        """Where the slip may lie, in pixels, the usual place first."""
        raise NotImplementedError

    def draw_words(self, paper: Paper) -> None:
        """What is on it."""
        raise NotImplementedError

    def strip(self) -> tuple[float, float]:
        """Left and right end, in pixels, of where a slip may lie: beside what else is shown there."""
        left, _, right, _ = self.picture.pixels(self.picture.layout.title_safe)
        region = self.shown.region.removeprefix("beside-")
        if region in ("left", "right") and self.picture.shape == "16:9":
            panel = self.picture.pixels(panel_box(self.picture.shape, region))
            gap = 24 * self.picture.unit
            return (left, panel[0] - gap) if region == "right" else (panel[2] + gap, right)
        return left, right

    def key(self, moment: float) -> float:
        """How far it is in: 0 out, 1 in place."""
        return arrived(self.way, self.shown.span, moment)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene; nothing outside its span."""
        done, u = self.key(moment), self.picture.unit
        if done <= 0:
            return
        size = self.picture.width, self.picture.height
        with coming(self.way, Coming(canvas, self.paper_box, size, u, done)):
            paper = Paper(canvas, u)
            left, top, right, bottom = self.paper_box
            sheet = cut_rect(left, top, right - left, bottom - top, 3 * u)
            canvas.drawPath(moved(sheet, 9 * u, 12 * u), paint("ink", 0.20))
            ground = self.colours.paper
            paper.piece(sheet, ground, darker(ground, 0.10), crescent=(5 * u, 4 * u))
            self.draw_words(paper)


class TitleDrawing(Slip):
    """A title, or a scene's number and heading."""

    def places(self) -> list[Box]:
        """At the lower left, above the captions, or at the upper left, or right; in the middle it is larger."""
        picture, layout, u = self.picture, self.picture.layout, self.picture.unit
        safe_top = layout.title_safe[1] * picture.height
        left, right = self.strip()
        where = self.shown.text("where")
        size = layout.title_text * picture.height * (1.5 if where == "centre" else 1.0)
        size *= float(self.shown.parameters.get("size", 1.0))
        narrow = self.shown.region.startswith("beside-")
        share = 0.94 if picture.shape != "16:9" or where == "centre" else 1.0 if narrow else 0.62
        self._number: Word | None = None
        if number := self.shown.text("number"):
            self._number = self.fonts.word(number, size, face="serif", weight="regular", colour=self.colours.accent_ink)
        self._indent = self._number.width + 0.84 * size if self._number else 0.0
        room = (right - left) * share - 1.6 * size - self._indent
        box = room, (layout.captions[1] * picture.height - safe_top) * 0.6
        face = Face(_FAMILIES.get(self.shown.text("letters"), "serif"), colour=self.colours.ink, lead=1.22)
        self._text = fitted(self.fonts, self.shown.text("text") or " ", box, (size, size * _LEAST), face, 2)
        self.size = size = self._text.size
        width = self._text.width + self._indent + 1.5 * size
        height = self._text.height + size * 0.9
        lowest = layout.captions[1] * picture.height - height - 14 * u
        low, high = (left, min(layout.lower_third[1] * picture.height, lowest)), (left, min(safe_top, lowest))
        middle = (picture.width - width) / 2, min((layout.captions[1] * picture.height - height) / 2, lowest)
        chosen = {"low": [low], "high": [high], "centre": [middle]}.get(where, [low, high, (right - width, high[1])])
        return [(x, y, x + width, y + height) for x, y in chosen]

    def draw_words(self, paper: Paper) -> None:
        """Number, bar and words."""
        left, top, _, bottom = self.paper_box
        size, u = self.size, self.picture.unit
        x = left + 0.75 * size
        if self._number:
            paper.write(self._number, x, top + 1.43 * size)
            bar = x + self._number.width + 0.42 * size
            ends = (top + 0.5 * size, bottom - 0.5 * size)
            line = [complex(bar, ends[0]), complex(bar + 2.5 * u, ends[0]),
                    complex(bar + 2.5 * u, ends[1]), complex(bar, ends[1])]  # fmt: skip
            paper.flat(polygon(line), self.colours.ink, 0.5)
        self._text.draw(paper, x + self._indent, top + 0.45 * size)


class NameDrawing(Slip):
    """Who speaks, and what they are."""

    def places(self) -> list[Box]:
        """At the lower left, above the captions, else at the lower right, or at the upper left."""
        picture, layout = self.picture, self.picture.layout
        left, right = self.strip()
        size = layout.title_text * picture.height * 0.76
        narrow = self.shown.region.startswith("beside-")
        room = ((right - left) * (0.46 if picture.shape == "16:9" and not narrow else 0.8), size * 2.6)
        face = Face("serif", colour=self.colours.ink)
        self._name = fitted(self.fonts, self.shown.text("name") or " ", room, (size, size * _LEAST), face, 2)
        role = Face("sans", "regular", self.colours.quiet_ink)
        self._role = fitted(self.fonts, self.shown.text("role"), room, (size * 0.68, size * 0.45), role, 2)
        self.size = size
        width = max(self._name.width, self._role.width) + 1.8 * size
        height = self._name.height + self._role.height + size * (0.9 if self._role.rows else 0.7)
        lowest = layout.captions[1] * picture.height - height - 14 * picture.unit
        low = min(layout.lower_third[1] * picture.height + 1.2 * size, lowest)
        places = (left, low), (right - width, low), (left, layout.title_safe[1] * picture.height)
        return [(x, y, x + width, y + height) for x, y in places]

    def draw_words(self, paper: Paper) -> None:
        """A stroke at the left, the name, and the role under it."""
        left, top, _, bottom = self.paper_box
        size = self.size
        paper.flat(cut_rect(left, top, 0.3 * size, bottom - top, 1), self.colours.accent)
        self._name.draw(paper, left + 0.85 * size, top + 0.35 * size)
        self._role.draw(paper, left + 0.85 * size, top + 0.45 * size + self._name.height)
