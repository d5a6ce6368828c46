"""WCAG 2.2, 2.3.1 (three flashes or below threshold), over everything that changes the whole picture at once.

A flash is a pair of opposing changes in relative luminance of 10 % or more, the darker below .80; at most three in any
second, unless they take up less than .006 steradians of any 10 degrees of sight: 341 x 256 pixels at 1024 x 768, of
which a quarter is 2.8 % of the picture.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from dearhost.production import TRANSITIONS, Studio, read_script
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.painting.transitions import transition_seconds
from dearhost.timebase import FrameRate
from tests.conftest import staging, with_tones

RATE = FrameRate(25)
SMALL = Picture.of("16:9", 360)
AREA = 0.028
CELLS = 20
"""Pixels a side of what is looked at as one."""


def luminance(pixels: np.ndarray) -> np.ndarray:
    """WCAG's relative luminance of blue, green, red (and alpha), in cells."""
    value = pixels[..., 2::-1].astype(float) / 255
    linear = np.where(value <= 0.04045, value / 12.92, ((value + 0.055) / 1.055) ** 2.4)
    whole = linear @ np.array([0.2126, 0.7152, 0.0722])
    height, width = whole.shape
    return whole.reshape(height // CELLS, CELLS, width // CELLS, CELLS).mean((1, 3))


def most_flashes(frames: list[np.ndarray]) -> np.ndarray:
    """For each cell, the most flashes in any second."""
    shape = frames[0].shape
    changes: list[list[tuple[int, int]]] = [[] for _ in range(frames[0].size)]
    for cell, values in enumerate(np.array([frame.ravel() for frame in frames]).T):
        turn = values[0]  # the last extreme; a change counts once it is a tenth away from it
        for number, value in enumerate(values):
            if abs(value - turn) >= 0.1 and min(value, turn) < 0.8:
                way = 1 if value > turn else -1
                if changes[cell] and changes[cell][-1][1] == way:
                    changes[cell][-1] = number, way
                else:
                    changes[cell].append((number, way))
                turn = value
            elif changes[cell] and (value - turn) * changes[cell][-1][1] > 0:
                turn = value
    found = [
        max((sum(0 <= later - first < 25 for later, _ in mine) // 2 for first, _ in mine), default=0)
        for mine in changes
    ]
    return np.array(found).reshape(shape)


def painted(timeline: Timeline, studio: Studio, first: int, last: int) -> list[np.ndarray]:
    painter = Painter(timeline, SMALL, studio.resources)
    frames = []
    for number in range(first, last):
        painter.paint(number)
        frames.append(luminance(painter.pixels))
    return frames


def test_the_measure_counts_what_flashes_and_not_what_only_gets_lighter() -> None:
    cell = np.ones((1, 1))
    flickering = [cell * (0.9 if number // 3 % 2 else 0.1) for number in range(25)]
    assert most_flashes(flickering)[0, 0] >= 4
    assert most_flashes([cell * number / 25 for number in range(25)])[0, 0] == 0
    assert most_flashes([cell * (0.95 if number % 2 else 0.82) for number in range(25)])[0, 0] == 0, "never below .80"


@pytest.mark.parametrize("kind", TRANSITIONS)
def test_no_transition_flashes_from_night_to_day(studio: Studio, kind: str) -> None:
    script = read_script("# One\n\nMAREN: By night.\n\n# Two\n\nMAREN: By day.")
    night, day = script.scenes
    scenes = (
        replace(night, staging=staging(set="quay", daylight="night")),
        replace(day, staging=staging(set="plain", transition=kind)),
    )
    production = with_tones(replace(script, scenes=scenes), titles=True)
    timeline = compile_timeline(production, studio, RATE)
    begins = RATE.frames_in(timeline.scenes[1].start)
    frames = painted(timeline, studio, begins - 10, begins + 10 + RATE.frames_in(transition_seconds(kind)))
    assert (most_flashes(frames) > 3).mean() < AREA


@pytest.mark.parametrize("board", ["white", "dark"])
def test_no_drawing_on_a_board_flashes(studio: Studio, board: str) -> None:
    text = "MAREN: [[cue: picture sun also=moon how=versus place=whole]]The sun or the moon, which is it?[[/cue]]"
    timeline = compile_timeline(with_tones(read_script(text), board=board, titles=False), studio, RATE)
    frames = painted(timeline, studio, 0, min(timeline.frames, 100))
    assert (most_flashes(frames) > 3).mean() < AREA
