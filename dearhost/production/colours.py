"""The colours of slips, captions and marks in a production: the usual ones, or its own, kept readable."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.drawing.colours import contrast, mix, rgb, set_off
from dearhost.production.choices import Choices

_INK, _CREAM = "#1E2B35", "#FFFDF4"
_READABLE = 4.5
"""Contrast of text, at least (WCAG 2.2, 1.4.3)."""


@dataclass(frozen=True, slots=True)
class Colours:
    """``paper`` of slips, with ``ink`` and ``quiet_ink`` on it; ``accent`` of marks and strokes, as a text on paper
    ``accent_ink``, and what is written on it, ``on_accent``; ``marked`` behind the spoken word, and ``on_marked``;
    ``row`` behind the row of a list that is spoken about; ``card`` of quotations, with ``on_card`` and ``card_mark``;
    ``button`` and ``on_button``; ``whole`` behind what fills the picture."""

    paper: str = _CREAM
    ink: str = "ink"
    quiet_ink: str = "#4B5A61"
    accent: str = "vermilion"
    accent_ink: str = "vermilion-dark"
    dot: str = "tide"
    on_dot: str = "#FFFFFF"
    marked: str = "#F0C659"
    on_marked: str = _INK
    rule: str = "#B4321C"
    row: str = "#F3DFA6"
    card: str = "#1F4F50"
    on_card: str = _CREAM
    card_mark: str = "#F0C659"
    button: str = "#14676B"
    on_button: str = _CREAM
    whole: str = "#E2E9DD"


USUAL = Colours()


_SLIPS = {"dark": _INK, "straw": "#F0C659", "sea": "#14676B", "coral": "#B4412D", "moss": "#4F7A3A"}
"""Papers of slips by the names of ``shown_cues.GROUNDS``; there are also the production's own paper and accent."""


def on_slip(colours: Colours, ground: str) -> Colours:
    """The colours of a slip on a ground of ``shown_cues.GROUNDS``, on which all of its words are read."""
    paper = colours.button if ground == "accent" else _SLIPS.get(ground)
    if paper is None:
        return colours
    ink = colours.on_button if ground == "accent" else _written_on(paper)
    return replace(colours, paper=paper, ink=ink, quiet_ink=ink, accent=ink, accent_ink=ink)


def colours_of(choices: Choices) -> Colours:
    """The colours a production is drawn in; own ones are moved as little as keeps what is written readable."""
    return own_colours(choices.paper, choices.accent)


BOARD_GROUNDS = {"white": "#FCFCF8", "dark": "#22353B"}
"""By the names of ``choices.BOARDS``."""


def board_colours(choices: Choices) -> Colours:
    """The colours of what is drawn on the board of a scene."""
    found = own_colours(BOARD_GROUNDS[choices.board], choices.accent)
    return replace(found, card=found.paper, on_card=found.ink, card_mark=found.accent_ink)


@lru_cache(maxsize=64)
def own_colours(paper: str, accent: str) -> Colours:
    """The colours for a ``paper`` and an ``accent`` of "#rrggbb", each "" for the usual one."""
    if not paper and not accent:
        return USUAL
    ground = paper or USUAL.paper
    ink = _written_on(ground)
    ground = set_off(ground, ink, _READABLE, "#FFFFFF" if ink == _INK else "#000000")
    quiet = _readable(mix(ink, ground, 0.3), ground, ink)
    found = Colours(ground, ink, quiet, accent_ink=_readable(USUAL.accent_ink, ground, ink),
                    row=_row(ground, ink, USUAL.marked), whole=ground if paper else USUAL.whole)  # fmt: skip
    if not accent:
        return found
    on_accent = _written_on(accent)
    block = set_off(accent, on_accent, _READABLE, "#FFFFFF" if on_accent == _INK else "#000000")
    return replace(
        found, accent=accent, accent_ink=_readable(accent, ground, ink), dot=block, on_dot=on_accent, marked=block,
        on_marked=on_accent, rule=accent, row=_row(ground, ink, accent), card=block, on_card=on_accent,
        card_mark=on_accent, button=block, on_button=on_accent,
    )  # fmt: skip


def _row(ground: str, ink: str, mark: str) -> str:
    """Paper with a little of a mark's colour in it, on which the ink is read."""
    return set_off(mix(ground, mark, 0.4), ink, _READABLE, ground)


def _readable(colour: str, ground: str, ink: str) -> str:
    """A colour on a ground, as little of the ``ink`` in it as lets it be read."""
    found = set_off(colour, ground, _READABLE, ink)
    return found if contrast(rgb(found), rgb(ground)) >= _READABLE else ink


def _written_on(ground: str) -> str:
    """Dark ink or cream, whichever is read better on a ground."""
    return max((_INK, _CREAM), key=lambda ink: contrast(rgb(ink), rgb(ground)))
