"""How captions look: what is behind their words, how the spoken one is marked, which words are there."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.drawing.colours import contrast, rgb, set_off
from dearhost.production.colours import USUAL, Colours
from dearhost.script import is_colour

PAPER, INK = "#FFFDF4", "#1E2B35"
HIGHLIGHT, HIGHLIGHT_RULE = "#F0C659", "#B4321C"
_CREAM, _DARK, _SEA, _YELLOW, _VERMILION = "#FFFDF4", "#1E2B35", "#14676B", "#FFD75E", "#B4321C"


@dataclass(frozen=True, slots=True)
class CaptionColours:
    """``paper`` is what letters in ``ink`` stand on; letters without a ground are of the paper's colour, with an edge
    of the ink's. ``spoken``: the word that is said now, on the paper; ``spoken_alone``: without a ground."""

    paper: str
    ink: str
    spoken: str
    spoken_alone: str


@dataclass(frozen=True, slots=True)
class CaptionStyle:
    """``ground``: "strips" of paper, a "box", or "" for letters alone, which then have an ``edge`` all round. ``mark``:
    the spoken word on a "block", in another "colour", or "" as the others. ``shows``: "all" words of a caption, those
    "said" so far, or "one". ``turns``: (paper, ink) of the second speaker, the third and so on."""

    ground: str = "strips"
    paper: str = PAPER
    ink: str = INK
    edge: str = ""
    shadow: bool = False
    mark: str = "block"
    mark_paper: str = HIGHLIGHT
    mark_ink: str = INK
    shows: str = "all"
    larger: float = 1.0
    turns: tuple[tuple[str, str], ...] = ()
    rule: str = HIGHLIGHT_RULE

    def dressed(self, own: Colours) -> CaptionStyle:
        """The same in the colours of a production: strips are of its paper, the spoken word on its block."""
        if own == USUAL:
            return self
        made = replace(self, rule=own.rule)
        if self.paper == PAPER and self.ground == "strips":
            made = replace(made, paper=own.paper, ink=own.ink)
        return replace(made, mark_paper=own.marked, mark_ink=own.on_marked) if self.mark == "block" else made

    def coloured(self, own: CaptionColours) -> CaptionStyle:
        """The same in other colours. A second speaker who would have the first one's has the usual ones."""
        if not self.ground:
            made = replace(self, ink=own.paper, edge=own.ink)
        else:
            made = replace(self, paper=own.paper, ink=own.ink, rule=own.spoken)
        turns = tuple((PAPER, INK) if paper == own.paper else (paper, ink) for paper, ink in self.turns)
        if self.mark == "block":  # the other way round, so that it stands out from any paper
            return replace(made, turns=turns, mark_paper=own.ink, mark_ink=own.paper)
        return replace(made, turns=turns, mark_ink=own.spoken if self.ground else own.spoken_alone)

    def colours(self, turn: int) -> tuple[str, str]:
        """Paper and ink of the speaker who is the ``turn``-th."""
        return self.turns[(turn - 1) % len(self.turns)] if turn and self.turns else (self.paper, self.ink)


CAPTION_STYLES: Mapping[str, CaptionStyle] = {
    "strips": CaptionStyle(),
    "quiet": CaptionStyle(mark=""),
    "outline": CaptionStyle("", ink=_CREAM, edge=_DARK, mark="colour", mark_ink=_YELLOW),
    "shadow": CaptionStyle("", ink=_CREAM, edge=_DARK, shadow=True, mark=""),
    "box": CaptionStyle("box", paper=_DARK, ink=_CREAM, mark="colour", mark_ink=_YELLOW),
    "marked": CaptionStyle("", ink=_CREAM, edge=_DARK, mark_paper=_VERMILION, mark_ink=_CREAM, larger=1.12),
    "growing": CaptionStyle(shows="said", mark=""),
    "one-word": CaptionStyle("", ink=_CREAM, edge=_DARK, mark_paper=HIGHLIGHT, shows="one", larger=2.1),
    "two-voices": CaptionStyle(turns=((_SEA, "#FFFFFF"), ("#7A4B12", "#FFFFFF")), mark=""),
}
"""By the names of ``production.CAPTION_STYLES``."""
CAPTION_COLOURS: Mapping[str, CaptionColours] = {
    "cream": CaptionColours(PAPER, INK, _VERMILION, _YELLOW),
    "dark": CaptionColours(_DARK, _CREAM, _YELLOW, _VERMILION),
    "mustard": CaptionColours(HIGHLIGHT, INK, "#8A1F0C", _CREAM),
    "sea": CaptionColours(_SEA, "#FFFFFF", "#FFE08A", "#A32A14"),
    "vermilion": CaptionColours(_VERMILION, "#FFFFFF", "#FFF0B8", _DARK),
}
"""By the names of ``production.CAPTION_COLOURS``; "usual" leaves a style as it is."""
_READABLE = 4.5
"""Of WCAG 2.2, 1.4.3."""


def caption_colours(chosen: str) -> CaptionColours | None:
    """What a value of ``caption_colour`` stands for; None for the style's own colours."""
    return _around(chosen.lower()) if is_colour(chosen) else CAPTION_COLOURS.get(chosen)


@lru_cache(maxsize=64)
def _around(wanted: str) -> CaptionColours:
    """The colours that go with a paper, which gives way a little where the spoken word would not be read."""
    on_dark, on_light = (set_off(wanted, spoken, _READABLE, away) for spoken, away in (_ON_DARK, _ON_LIGHT))
    if _apart(on_dark, wanted) < _apart(on_light, wanted):
        alone = max((_VERMILION, _SEA), key=lambda one: contrast(rgb(one), rgb(on_dark)))
        return CaptionColours(on_dark, _CREAM, _ON_DARK[0], alone)
    alone = max((_YELLOW, "#9FE3DD"), key=lambda one: contrast(rgb(one), rgb(on_light)))
    return CaptionColours(on_light, INK, _ON_LIGHT[0], alone)


def _apart(one: str, other: str) -> int:
    return max(abs(a - b) for a, b in zip(rgb(one), rgb(other), strict=True))


_ON_DARK, _ON_LIGHT = ("#FFE08A", "#000000"), ("#8A1F0C", "#FFFFFF")
"""The spoken word's colour, and where a paper goes until it is read."""
FACES: Mapping[str, tuple[str, str]] = {
    "bold": ("sans", "bold"), "plain": ("sans", "regular"), "heading": ("serif", "bold"),
}  # fmt: skip
"""Face and weight by the names of ``production.CAPTION_TYPES``."""
SIZES: Mapping[str, float] = {"small": 0.86, "usual": 1.0, "large": 1.2}
"""By the names of ``production.CAPTION_SIZES``."""
