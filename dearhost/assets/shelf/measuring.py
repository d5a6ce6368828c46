"""What is measured of pictures when they are taken in: the light in them, and where a clip loops."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from dearhost.assets.shelf.item import Light, Loop

Bgr = NDArray[np.float32]
_SIDE = 64
_LUMINANCE = np.array([0.0722, 0.7152, 0.2126], np.float32)  # ITU-R BT.709-6, blue green red
_GREY_POWER = 4
"""Shades of grey (Finlayson and Trezzi 2004): the power whose mean is taken for the light's colour."""
_CLIPPED, _DARK = 250, 0.02
_MIDDLE_GREY = 0.18
_LEAST_LOOP, _FADE = 2.0, 0.5
"""Seconds."""
MOST_LOOP_FRAMES = 900
"""The first frames of a clip, among which its loop is looked for."""


def light_of(small: NDArray[np.uint8]) -> Light:
    """The light in a picture of 64 x 64 pixels, BGR or BGRA."""
    pixels = small[..., :3].astype(np.float32)
    linear = (pixels / 255) ** 2.2
    luminance = linear @ _LUMINANCE
    brightest, dimmest = linear.max(-1), linear.min(-1)
    saturation = (brightest - dimmest) / (brightest + 1e-4)
    # grey things tell the colour of light; signs, lawns and clipped skies do not
    weight = np.clip(1 - saturation / 0.75, 0.03, 1) * (luminance > _DARK) * (pixels.max(-1) < _CLIPPED)
    weight *= np.where(np.arange(len(small))[:, None] < 0.62 * len(small), 1.0, 0.7)
    if weight.sum() > 0:
        colour = ((weight[..., None] * linear**_GREY_POWER).sum((0, 1)) / weight.sum()) ** (1 / _GREY_POWER)
    else:
        colour = np.ones(3, np.float32)
    colour = colour / max(float(colour @ _LUMINANCE), 1e-6)
    level = math.log2(max(float(np.exp(np.log(luminance + 0.01).mean())), 0.005) / _MIDDLE_GREY)
    middle = float(np.median(luminance))
    over = np.clip(_smoothed(luminance) - middle, 0, None) ** 1.2
    spread = float(over.max()) / (float(luminance.mean()) + 1e-3)
    directed = min(1.0, max(0.0, (spread - 0.3) / 1.2))  # an even picture has no direction
    across = np.linspace(-1, 1, over.shape[1])
    right = float((over * across).sum() / (over.sum() + 1e-6)) * directed * 1.6
    height, width = luminance.shape
    place = luminance[int(0.15 * height) : int(0.6 * height), int(0.36 * width) : int(0.64 * width)]
    behind = math.log2((float(place.mean()) + 0.01) / (middle + 0.01))
    blue, green, red = (round(float(value), 3) for value in colour)
    return Light((red, green, blue), round(level, 2), round(max(-1.0, min(1.0, right)), 2), round(behind, 2))


def _smoothed(values: NDArray[np.floating]) -> NDArray[np.float32]:
    kernel = np.exp(-0.5 * (np.arange(-8, 9) / 4.0) ** 2)
    kernel /= kernel.sum()
    padded = np.pad(values, 8, mode="edge")
    rows = np.apply_along_axis(lambda row: np.convolve(row, kernel, "valid"), 1, padded)
    smoothed: NDArray[np.float32] = np.apply_along_axis(lambda row: np.convolve(row, kernel, "valid"), 0, rows)
    return smoothed


def loop_of(frames: NDArray[np.uint8], rate: float) -> Loop | None:
    """Where a clip loops best: the two moments that look and move alike, the longer the better. ``frames`` (n, height,
    width) are small and grey, ``rate`` a second. None for a clip too short to loop."""
    grey = frames[:MOST_LOOP_FRAMES].reshape(min(len(frames), MOST_LOOP_FRAMES), -1).astype(np.float32)
    count, fade = len(grey), max(2, round(_FADE * rate))
    least = round(_LEAST_LOOP * rate)
    if count < least + fade + 1:
        return None
    step = float(np.median(np.abs(np.diff(grey, axis=0)).mean(1))) + 1e-3
    squares = (grey * grey).sum(1)
    apart = np.sqrt(np.maximum(0, squares[:, None] + squares[None] - 2 * grey @ grey.T) / grey.shape[1])
    last = count - fade
    offsets = range(0, fade, max(1, fade // 4))
    cost = np.mean([apart[q : last + q, q : last + q] for q in offsets], axis=0)
    starts, ends = np.meshgrid(np.arange(last), np.arange(last), indexing="ij")
    score = np.where(ends - starts >= least, cost / step - 0.6 * (ends - starts) / count, np.inf)
    start, end = np.unravel_index(int(np.argmin(score)), score.shape)
    return Loop(
        round(float(start) / rate, 4), round(float(end) / rate, 4), round(fade / rate, 4),
        round(float(cost[start, end]) / step, 2),
    )  # fmt: skip
