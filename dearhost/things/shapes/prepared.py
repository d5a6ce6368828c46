"""Where the prepared outlines of shapes lie, and how they are kept."""

from __future__ import annotations

import gzip
import json
from collections.abc import Mapping
from functools import lru_cache
from pathlib import Path
from typing import NamedTuple

from dearhost.storage import prepared_folder

WORDS, OUTLINES, LICENCE = "words.json", "outlines.json.gz", "LICENSE"
VERSION = "2.1.1"
"""Of the package that the shapes come from."""
BOX = 256.0
"""Units of the box the outlines are drawn in."""


class Contour(NamedTuple):
    """One closed line: ``verbs`` (M, L, Q, C, Z) and x, y, x, y ... of their points."""

    verbs: str
    points: tuple[float, ...]


class Outlines(NamedTuple):
    """A shape: the line drawing, and what is filled softly under it."""

    line: tuple[Contour, ...]
    soft: tuple[Contour, ...]


def folder() -> Path:
    """The folder of the prepared shapes, shared by everything that runs in this environment."""
    return prepared_folder("shapes")


@lru_cache(maxsize=1)
def words() -> Mapping[str, str]:
    """The words each shape is looked for by; empty where shapes were not prepared."""
    path = folder() / WORDS
    return dict(json.loads(path.read_text(encoding="utf-8"))) if path.exists() else {}


@lru_cache(maxsize=1)
def outlines() -> Mapping[str, Outlines]:
    """The outlines of every shape."""
    with gzip.open(folder() / OUTLINES, "rt", encoding="utf-8") as file:
        data = json.load(file)
    return {
        name: Outlines(*(tuple(Contour(v, tuple(p)) for v, p in part) for part in parts))
        for name, parts in data.items()
    }
