"""Colours of sets. Data only."""

from __future__ import annotations

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


HARBOUR = SetPalette(
    "#EADFC8", "#E2D4B7", "tide-dark", "#CDB38A", "#B4976A", "#6A5A4C", "cream", ("vermilion", "mustard", "tide", "sea")
)
SKY = ("#A9CFDB", "#BBDAE0", "#CFE3E0", "#DFEADF")
SEA = ("#7FB3A4", "#4F978A", "#2F8074")
SUN, SUN_RING = "#F3C56A", "#F6E6C0"
