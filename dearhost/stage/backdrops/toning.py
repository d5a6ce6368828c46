"""Own pictures and clips in colour, toned to the drawing: less colour, blacks to ink, whites to cream, grained.

Whole numbers throughout, so that the compiled loops films are drawn with give the same pixels.
"""

from __future__ import annotations

from functools import lru_cache
from types import ModuleType
from typing import Any

import numpy as np
from numpy.random import default_rng
from numpy.typing import NDArray

from dearhost.stage.painting.sheet import Words

Tone = NDArray[np.int32]
"""Rows for red, green and blue: what of red, green and blue goes into each, and what is added, all in 4096ths."""
Grain = NDArray[np.int32]
"""How much lighter or darker each pixel is, in 1024ths."""
SATURATION, BLACK_SHARE = 0.93, 0.34
INK, CREAM = (30, 43, 53), (250, 246, 236)
"""Red, green, blue."""
LUMINANCE = (0.2126, 0.7152, 0.0722)  # ITU-R BT.709-6, red green blue
_GRAIN, _MOST_GRAIN, _TILE = 0.009, 40, 256
_LIGHT = (76309 * (np.arange(256) - 16) + 32768).astype(np.int32)
_machine_code: list[ModuleType] = []


def to_machine_code() -> None:
    """From now on this process tones with compiled loops, which give the same pixels."""
    from dearhost.stage.backdrops import toning_loops  # noqa: PLC0415 - its compiler takes 120 MB, and only films need it

    if not _machine_code:
        _machine_code.append(toning_loops)


@lru_cache(maxsize=16)
def tone_of(paper: bool, dim: float) -> tuple[tuple[float, ...], ...] | None:
    """Red, green and blue after toning, each as factors of red, green, blue and what is added, of 255; None where all
    stays as it is. ``dim``: the part of its light that is taken away."""
    if not paper and dim < 1e-3:
        return None
    rows = []
    for channel in range(3):
        saturation = SATURATION if paper else 1.0
        factors = [(1 - saturation) * share for share in LUMINANCE]
        factors[channel] += saturation
        added = 0.0
        if paper:
            added = INK[channel] * BLACK_SHARE
            factors = [factor * (CREAM[channel] - added) / 255 for factor in factors]
        rows.append((*(factor * (1 - dim) for factor in factors), added * (1 - dim) + INK[channel] * dim))
    return tuple(rows)


@lru_cache(maxsize=16)
def whole_tone(paper: bool, dim: float) -> Tone:
    """The same in whole numbers; what changes nothing where all stays as it is."""
    rows = tone_of(paper, dim) or ((1, 0, 0, 0), (0, 1, 0, 0), (0, 0, 1, 0))
    tone: Tone = np.rint(np.array(rows) * 4096).astype(np.int32)
    return tone


@lru_cache(maxsize=1)
def grain_tile() -> Grain:
    """A tile of grain, 256 by 256."""
    dice = default_rng(7)
    fine = dice.standard_normal((_TILE, _TILE), np.float32)
    coarse = dice.standard_normal((64, 64), np.float32).repeat(4, 0).repeat(4, 1)
    return np.clip((fine + 0.7 * coarse) * _GRAIN * 1024, -_MOST_GRAIN, _MOST_GRAIN).astype(np.int32)


@lru_cache(maxsize=1)
def no_grain() -> Grain:
    """A tile without any."""
    return np.zeros((_TILE, _TILE), np.int32)


def colour_words(frame: Any) -> Words:
    """The pixels of a yuv420p frame of BT.709 in limited range, both sides even, as BGRA words.

    ITU-R BT.709-6 in 65536ths. The colour that belongs to four pixels is repeated, so that averaging gives it back.
    """
    luma, cb, cr = (np.frombuffer(plane, np.uint8).reshape(plane.height, plane.line_size) for plane in frame.planes)
    target: Words = np.empty((frame.height, frame.width), np.uint32)
    if _machine_code:
        _machine_code[0].colour_words(luma, cb, cr, target)
        return target
    u, v = (plane[:, : frame.width // 2].astype(np.int32) - 128 for plane in (cb, cr))
    added = 138438 * u, -13975 * u - 34925 * v, 117489 * v
    pixels = target.view(np.uint8).reshape(frame.height, frame.width, 4)
    pixels[..., 3] = 255
    for y, x in ((0, 0), (0, 1), (1, 0), (1, 1)):  # of each four pixels that share their chroma the first, and so on
        light = _LIGHT[luma[y::2, x : frame.width : 2]]
        for channel, of_chroma in enumerate(added):
            value = light + of_chroma
            value >>= 16
            pixels[y::2, x::2, channel] = np.clip(value, 0, 255, out=value)
    return target


def tone_words(source: NDArray[np.uint32], target: Words, tone: Tone, grain: Grain) -> None:
    """Put BGRA words into ``target``, of the same shape, toned and grained, opaque."""
    if _machine_code:
        _machine_code[0].tone_words(np.ascontiguousarray(source), target, tone, grain)
        return
    height, width = target.shape
    lines = np.tile(grain, (1, -(-width // _TILE)))[:, :width]
    for top in range(0, height, _TILE):
        part = source[top : top + _TILE]
        red, green, blue = ((part >> shift & 255).astype(np.int32) for shift in (16, 8, 0))
        toned = np.full(part.shape, 0xFF000000, np.uint32)
        for channel, (by_red, by_green, by_blue, added) in enumerate(tone):
            value = np.clip((by_red * red + by_green * green + by_blue * blue + added) >> 12, 0, 255)
            value = np.clip(value + ((value * lines[: len(part)]) >> 10), 0, 255)
            toned |= value.astype(np.uint32) << np.uint32(16 - 8 * channel)
        target[top : top + _TILE] = toned


def fade(before: NDArray[np.uint8], target: NDArray[np.uint8], weight: int) -> None:
    """Let ``before`` show through ``target``, pixels of the same shape, but for ``weight``, 0 to 256."""
    if _machine_code:
        rows = len(target), -1
        _machine_code[0].fade(before.reshape(rows), target.reshape(rows), weight)
        return
    mixed = (before.astype(np.uint16) * (256 - weight) + target.astype(np.uint16) * weight) >> 8
    target[...] = mixed.astype(np.uint8)
