"""Windows on a recording of a screen, so that what happens is seen large enough to be read."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.assets.shelf.screens.happening import STEP, WHOLE, Box, Happening

_LETTERS = 14.0
"""Pixels letters of a screen are high (the usual size of text on screens, common practice, no source)."""
_LEGIBLE = 22.0 / 1080
"""Of the film's height, how high letters must be to be read."""
_NEAREST = 3.0
_CAPTIONS = 0.22
"""Of a window's height: where captions lie at its foot."""
_LEAST = 1.8
"""Seconds a window stays at least before another place is gone to."""
_SOON = 0.8
"""Seconds: a window that gives way to a new page so soon is not gone to at all."""


@dataclass(frozen=True, slots=True)
class Window:
    """From ``at`` seconds of a recording on it is seen ``near`` times nearer, about ``x`` and ``y``, parts of width and
    height; 1 is all of it."""

    at: float
    x: float
    y: float
    near: float


def nearness(lines: int, shown: float) -> float:
    """How much nearer a recording of ``lines`` must be seen so that its letters can be read, where it is ``shown`` as
    high as a part of the film's height."""
    return min(_NEAREST, max(1.0, _LEGIBLE / (_LETTERS * shown / max(1, lines))))


def windows_on(happening: Happening, near: float) -> list[Window]:
    """Windows that follow what happens, ``near`` times nearer: each stays while what changes is inside, and for a
    while; a new page is shown whole at once."""
    side = 1 / near
    windows = [Window(0.0, 0.5, 0.5, 1.0)]
    waiting: Window | None = None
    for index, box in enumerate(happening.boxes):
        at, last = index * STEP, windows[-1]
        if box is not None:
            large = box == WHOLE or box[2] - box[0] > side or box[3] - box[1] > side
            if large:
                if last.near > 1:
                    windows.append(Window(at, 0.5, 0.5, 1.0))
                waiting = None
                continue
            if last.near > 1 and _inside(box, last):
                waiting = None
                continue
            waiting = _about(_as_far_as_it_fits(happening.boxes, index, side), side, near)  # the latest place wins
        if waiting and at - last.at >= _LEAST:
            windows.append(Window(round(at, 2), waiting.x, waiting.y, near))
            waiting = None
    return _without_passing(windows)[1:] if near > 1 else []


def _without_passing(windows: list[Window]) -> list[Window]:
    """Windows without those that give way too soon, and without any that is the same as the one before."""
    stay = [w for w, after in zip(windows, [*windows[1:], None], strict=True) if not after or after.at - w.at >= _SOON]
    kept = stay[:1]
    for window in stay[1:]:
        if (window.x, window.y, window.near) != (kept[-1].x, kept[-1].y, kept[-1].near):
            kept.append(window)
    return kept


def _as_far_as_it_fits(boxes: Sequence[Box | None], first: int, side: float) -> Box:
    """The box at ``first``, with those after it as long as a window of ``side`` holds them all."""
    around = boxes[first] or WHOLE
    for index in range(first + 1, len(boxes)):
        box = boxes[index]
        if box is None:
            continue
        wider = min(around[0], box[0]), min(around[1], box[1]), max(around[2], box[2]), max(around[3], box[3])
        if wider[2] - wider[0] > side or wider[3] - wider[1] > side:
            break
        around = wider
    return around


def _about(box: Box, side: float, near: float) -> Window:
    """The window with a box in its middle, above where captions are, as far as the edges allow."""
    low, high = side / 2, 1 - side / 2
    below = min(_CAPTIONS * side, (side - (box[3] - box[1])) / 2) / 2
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2 + below
    return Window(0.0, round(min(high, max(low, x)), 3), round(min(high, max(low, y)), 3), near)


def _inside(box: Box, window: Window) -> bool:
    half = 0.5 / window.near + 0.001
    return (
        box[0] >= window.x - half and box[2] <= window.x + half
        and box[1] >= window.y - half and box[3] <= window.y + half
    )  # fmt: skip
