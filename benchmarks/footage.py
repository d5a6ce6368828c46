"""How soon any frame of a clip of one's own is there."""

from __future__ import annotations

import math
import random
import time
from collections.abc import Iterator, Sequence
from pathlib import Path

import av
import numpy as np

from dearhost.assets.shelf.footage import Footage
from dearhost.assets.shelf.own_film import OwnFilm

_COUNT, _WIDTH, _HEIGHT, _QUALITY, _ROUNDS = 60, 1920, 1080, 18, 5


def frames_at_random(folder: Path) -> Iterator[str]:
    """CPU time of a frame at random of 1920 x 1080, smooth footage and footage full of grain, and how many times that
    of the next in order; the least of some rounds."""
    for grain in (1.5, 6.0):
        at_random, in_order = _costs(_film(folder / f"grain-{grain}.mp4", grain))
        yield f"grain of {grain}: {at_random * 1e3:.1f} ms, {at_random / in_order:.1f} times the next in order"


def _costs(footage: Footage) -> tuple[float, float]:
    """CPU seconds of a frame at random, and of the next in order."""
    numbers = random.Random(1).sample(range(_COUNT), 30)
    at_random, in_order = [math.inf] * len(numbers), math.inf
    for _ in range(_ROUNDS):
        for index, number in enumerate(numbers):
            footage.close()
            footage.frame((number + _COUNT // 2) % _COUNT)  # somewhere else
            at_random[index] = min(at_random[index], _cpu(footage, [number]))
        footage.close()
        footage.frame(0)
        in_order = min(in_order, _cpu(footage, range(1, _COUNT)) / (_COUNT - 1))
    return sum(at_random) / len(at_random), in_order


def _film(path: Path, grain: float) -> Footage:
    """A soft ground with shapes that move, and grain over it."""
    chance = np.random.default_rng(2)
    across, down = np.meshgrid(np.arange(_WIDTH), np.arange(_HEIGHT))
    film = OwnFilm(path, _WIDTH, _HEIGHT, _QUALITY, _COUNT)
    for number in range(_COUNT):
        waves = 40 * np.sin((across + 6 * number) / 37) * np.cos((down - 2 * number) / 53) + 25 * np.sin(
            across * down / 9e4
        )
        luma = 128 + waves + chance.normal(0, grain, waves.shape)
        frame = av.VideoFrame(_WIDTH, _HEIGHT, "yuv420p")
        for plane, pixels in zip(frame.planes, (luma, luma[::2, ::2], 255 - luma[::2, ::2]), strict=True):
            plane.update(np.ascontiguousarray(np.clip(pixels, 16, 235).astype(np.uint8)).tobytes())
        film.add(frame)
    film.close()
    np.save(path.with_suffix(".npy"), np.arange(_COUNT) / 25)
    return Footage(path, path.with_suffix(".npy"))


def _cpu(footage: Footage, numbers: Sequence[int]) -> float:
    started = time.process_time()
    for number in numbers:
        footage.frame(number)
    return time.process_time() - started
