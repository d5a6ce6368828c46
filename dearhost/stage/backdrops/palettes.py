"""Colours of sets. Data only."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class SetPalette:
    """``accents`` dress props and bunting."""

    wall: str
    stripe: str
    dado: str
    floor: str
    board: str
    wood: str
    trim: str
    accents: tuple[str, str, str, str]


PALETTES: Mapping[str, SetPalette] = {
    "harbour": SetPalette("#EADFC8", "#E2D4B7", "tide-dark", "#CDB38A", "#B4976A", "#6A5A4C", "cream",
                          ("vermilion", "mustard", "tide", "sea")),
    "chalk": SetPalette("#D9E2D3", "#CDD9C8", "#7E9A83", "#C9A977", "#A9895A", "#8A5F3C", "cream",
                        ("mustard", "vermilion", "sea", "tide")),
    "slate": SetPalette("#CFD8DA", "#C3CED1", "#566973", "#A9A08E", "#918878", "#4F4A48", "#F1EEE4",
                        ("mustard", "tide", "vermilion", "navy")),
    "brick": SetPalette("#E6C7AC", "#DDB999", "#A4503A", "#8C6B53", "#745542", "#5A3D30", "cream",
                        ("tide", "mustard", "navy", "cream")),
    "plum": SetPalette("#E3D0CE", "#DAC3C2", "plum", "#B79A8B", "#9C7F72", "#4C3440", "cream",
                       ("mustard", "tide", "vermilion", "sea")),
    "moss": SetPalette("#E2DDB9", "#D8D2A9", "#5F7240", "#BFA074", "#A0835A", "#6B4E35", "cream",
                       ("vermilion", "mustard", "tide-dark", "sea")),
}  # fmt: skip
"""By the names of ``production.PALETTES``."""
