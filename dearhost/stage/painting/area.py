"""A part of the picture that changed, row by row."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dearhost.stage.painting.layer import PixelBox, evened

Rows = NDArray[np.int64]
"""For each row of pixels, shape (height, 2), the first of a run of them and the one after its last."""

_NOWHERE = 1 << 20


class Area:
    """What lies in ``rows``, all of it inside ``box``; both go by even pixels, so that chroma stays in step."""

    def __init__(self, box: PixelBox, height: int) -> None:
        """Nothing yet, in a picture of ``height``."""
        self.box = evened(box)
        self.rows: Rows = _no_rows(height).copy()

    def fill(self, box: PixelBox) -> Area:
        """Add all of a box."""
        left, top, right, bottom = evened(box)
        rows = self.rows[top:bottom]
        np.minimum(rows[:, 0], left, out=rows[:, 0])
        np.maximum(rows[:, 1], right, out=rows[:, 1])
        return self


@lru_cache(maxsize=8)
def _no_rows(height: int) -> Rows:
    rows = np.empty((height, 2), np.int64)
    rows[:, 0], rows[:, 1] = _NOWHERE, 0
    return rows


def size(box: PixelBox) -> int:
    """How many pixels a box has."""
    return (box[2] - box[0]) * (box[3] - box[1])


def _joined(a: PixelBox, b: PixelBox) -> PixelBox:
    return min(a[0], b[0]), min(a[1], b[1]), max(a[2], b[2]), max(a[3], b[3])


def grouped(boxes: Sequence[PixelBox]) -> list[tuple[PixelBox, list[int]]]:
    """Boxes put together where one costs less than the two: each with the indices of those that it holds."""
    groups: list[tuple[PixelBox, list[int]]] = []
    for index, own in enumerate(boxes):
        box, held = own, [index]
        while True:
            hit = next((g for g in groups if size(_joined(g[0], box)) <= size(g[0]) + size(box)), None)
            if hit is None:
                break
            groups.remove(hit)
            box, held = _joined(hit[0], box), hit[1] + held
        groups.append((box, held))
    return groups
