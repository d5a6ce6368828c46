"""Colours: the palette, mixing, contrast, and fills. A colour is ``#RRGGBB`` or a name of ``PALETTE``."""

from __future__ import annotations

from functools import lru_cache
from typing import Any

import skia

PALETTE = {
    "paper": "#F4ECDD", "paper2": "#E8DBC3", "sand": "#D8C19C", "ink": "#1E2B35", "tide": "#2F8074",
    "tide-dark": "#1D5853", "tide-light": "#93C7B2", "vermilion": "#E24A2E", "vermilion-dark": "#B23420",
    "mustard": "#E2A93B", "sea": "#3F7191", "sea-dark": "#274E69", "plum": "#6D3B50", "slate": "#5E6D75",
    "cream": "#FBF5E8", "rose": "#D98A7B", "moss": "#6F7F43", "navy": "#2A3C57", "char": "#3A4248",
}  # fmt: skip
SHADE_TOWARDS = "#23203A"


@lru_cache(maxsize=4096)
def rgb(colour: str) -> tuple[int, int, int]:
    """Red, green, blue, each 0 to 255."""
    digits = PALETTE.get(colour, colour).lstrip("#")
    return int(digits[0:2], 16), int(digits[2:4], 16), int(digits[4:6], 16)


@lru_cache(maxsize=8192)
def mix(first: str, second: str, part: float) -> str:
    """``first`` with ``part`` (0 to 1) of ``second``, channel by channel."""
    pairs = zip(rgb(first), rgb(second), strict=True)
    return "#{:02X}{:02X}{:02X}".format(*tuple(round(a + (b - a) * part) for a, b in pairs))


def relative_luminance(colour: tuple[int, int, int]) -> float:
    """WCAG 2.2 relative luminance of an sRGB colour."""
    linear = [c / 255 / 12.92 if c / 255 <= 0.04045 else ((c / 255 + 0.055) / 1.055) ** 2.4 for c in colour]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(first: tuple[int, int, int], second: tuple[int, int, int]) -> float:
    """WCAG 2.2 contrast ratio, 1 to 21."""
    light, dark = sorted((relative_luminance(first), relative_luminance(second)), reverse=True)
    return (light + 0.05) / (dark + 0.05)


@lru_cache(maxsize=1024)
def set_off(colour: str, ground: str, least: float, towards: str) -> str:
    """``colour``, or as little of ``towards`` mixed in as gives it a contrast of ``least`` (WCAG 2.2) to ``ground``."""
    found = colour
    for step in range(1, 20):
        if contrast(rgb(found), rgb(ground)) >= least:
            break
        found = mix(colour, towards, 0.05 * step)
    return found


def darker(colour: str, part: float = 0.24) -> str:
    """The shade side of a colour."""
    return mix(colour, SHADE_TOWARDS, part)


@lru_cache(maxsize=8192)
def paint(colour: str, alpha: float = 1.0) -> Any:
    """An anti-aliased fill; do not change it, it is shared."""
    red, green, blue = rgb(colour)
    return skia.Paint(AntiAlias=True, Color=skia.Color(red, green, blue, int(255 * alpha)))
