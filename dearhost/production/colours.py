"""The colours of slips, captions and marks in a production: the usual ones, or its own, kept readable."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from dearhost.drawing.colours import contrast, mix, rgb, set_off
from dearhost.production.choices import Choices

_INK, _CREAM = "#1E2B35", "#FFFDF4"
_READABLE = 4.5
"""Contrast of text, at least (WCAG 2.2, 1.4.3)."""


@dataclass(frozen=True, slots=True)
class Colours:
    """``paper`` of slips, with ``ink`` and ``quiet_ink`` on it; ``accent`` of marks and strokes, as a text on paper
    ``accent_ink``, and what is written on it, ``on_accent``; ``marked`` behind the spoken word, and ``on_marked``."""

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


USUAL = Colours()


def colours_of(choices: Choices) -> Colours:
    """The colours a production is drawn in; own ones are moved as little as keeps what is written readable."""
    return own_colours(choices.paper, choices.accent)


@lru_cache(maxsize=64)
def own_colours(paper: str, accent: str) -> Colours:
    """The colours for a ``paper`` and an ``accent`` of "#rrggbb", each "" for the usual one."""
    if not paper and not accent:
        return USUAL
    ground = paper or USUAL.paper
    ink = _written_on(ground)
    ground = set_off(ground, ink, _READABLE, "#FFFFFF" if ink == _INK else "#000000")
    quiet = _readable(mix(ink, ground, 0.3), ground, ink)
    found = Colours(ground, ink, quiet, accent_ink=_readable(USUAL.accent_ink, ground, ink))
    if not accent:
        return found
    on_accent = _written_on(accent)
    block = set_off(accent, on_accent, _READABLE, "#FFFFFF" if on_accent == _INK else "#000000")
    return Colours(
        ground, ink, quiet, accent, _readable(accent, ground, ink), block, on_accent, block, on_accent, accent
    )  # fmt: skip


def _readable(colour: str, ground: str, ink: str) -> str:
    """A colour on a ground, as little of the ``ink`` in it as lets it be read."""
    found = set_off(colour, ground, _READABLE, ink)
    return found if contrast(rgb(found), rgb(ground)) >= _READABLE else ink


def _written_on(ground: str) -> str:
    """Dark ink or cream, whichever is read better on a ground."""
    return max((_INK, _CREAM), key=lambda ink: contrast(rgb(ink), rgb(ground)))
