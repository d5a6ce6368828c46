"""The ground behind a figure: one colour, unevenly lit."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import av
import numpy as np
from av.video.reformatter import ColorRange, Colorspace, Interpolation
from numpy.typing import NDArray

Floats = NDArray[np.float32]
_WIDTH = 192
_HUES = 36
_COLOURED = 14.0
"""Distance from grey from which a pixel has a hue."""
_COMMON = 0.15
"""Part of the edges that must have the commonest hue."""
_ROUNDS = 4


@dataclass(frozen=True, slots=True)
class Ground:
    """``field``: luma (from 0 at black), blue and red (from 0 at grey) of the ground on a coarse grid, shape (h, w, 3);
    ``axis``: blue and red of its hue, of length 1; ``cover``: the part of the picture that is ground."""

    field: Floats
    axis: Floats
    cover: float


def coarse(frame: Any) -> Floats:
    """A frame as luma, blue and red at a small size."""
    height = max(2, round(_WIDTH * frame.height / frame.width / 2) * 2)
    small = frame.reformat(width=_WIDTH, height=height, format="yuv444p", interpolation=Interpolation.AREA)
    planes = small.to_ndarray().reshape(3, height, _WIDTH).astype(np.float32)
    return np.ascontiguousarray(np.moveaxis(planes - np.array([16, 128, 128], np.float32)[:, None, None], 0, -1))


def ground_of(frame: Any, colour: tuple[int, int, int] | None = None) -> Ground | None:
    """The ground in a frame: of the commonest hue about its edges, or of a sampled ``colour`` (red, green, blue, 0 to
    255). None where the edges have no hue in common."""
    picture = coarse(frame)
    height, width = picture.shape[:2]
    chroma = picture[..., 1:]
    edge = np.zeros((height, width), bool)
    edge[: height // 3] = edge[:, : width // 8] = edge[:, -(width // 8) :] = True
    hue = _sampled(colour) if colour else _commonest(chroma, edge)
    if hue is None:
        return None
    axis = np.array([np.cos(hue), np.sin(hue)], np.float32)
    along = chroma @ axis
    beside = np.abs(chroma[..., 0] * axis[1] - chroma[..., 1] * axis[0])
    held = (along > 0.55 * np.percentile(along[edge], 70)) & (beside < 0.35 * along) & (along > _COLOURED / 2)
    y, x = np.mgrid[:height, :width]
    x, y = x / width * 2 - 1, y / height * 2 - 1
    terms = np.stack([np.ones_like(x), x, y, x * x, y * y, x * y], -1)
    field = picture
    for _ in range(_ROUNDS):
        if held.sum() < 0.02 * held.size:
            return None
        factors = np.linalg.lstsq(terms[held], picture[held], rcond=None)[0]
        field = terms @ factors
        off = np.abs(picture - field)
        scatter = 1.48 * np.median(off[held], 0) + 0.6
        held = held & (off < 4 * scatter + np.array([14, 3, 3])).all(-1)
    return Ground(np.ascontiguousarray(field, np.float32), axis, float(held.mean()))


def _commonest(chroma: Floats, edge: NDArray[np.bool_]) -> float | None:
    """The angle of the commonest hue about the edges; None where none is common."""
    coloured = edge & (np.hypot(chroma[..., 0], chroma[..., 1]) > _COLOURED)
    counts, bounds = np.histogram(np.arctan2(chroma[..., 1], chroma[..., 0])[coloured], _HUES, (-np.pi, np.pi))
    best = int(counts.argmax())
    near = counts[best] + counts[best - 1] + counts[(best + 1) % _HUES]
    return float(bounds[best] + bounds[best + 1]) / 2 if near > _COMMON * edge.sum() else None


def _sampled(colour: tuple[int, int, int]) -> float:
    pixel = np.full((2, 2, 3), colour, np.uint8)
    frame = av.VideoFrame.from_ndarray(pixel, format="rgb24").reformat(
        format="yuv444p", dst_colorspace=Colorspace.ITU709, dst_color_range=ColorRange.MPEG
    )
    _, blue, red = frame.to_ndarray().reshape(3, 2, 2)[:, 0, 0].astype(float)
    return float(np.arctan2(red - 128, blue - 128))
