"""Frames of films come out in their colours, compiled or not, and go back into a film as they were."""

from __future__ import annotations

import av
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.render.colour import bgra_to_yuv420
from dearhost.stage.backdrops import toning, toning_loops
from dearhost.stage.backdrops.toning import colour_words

SIDES = st.integers(1, 40).map(lambda half: 2 * half)


def frame_of(width: int, height: int, seed: int, low: int = 0, high: int = 255) -> av.VideoFrame:
    planes = np.random.default_rng(seed).integers(low, high + 1, (height * 3 // 2, width), np.uint8)
    return av.VideoFrame.from_ndarray(planes, format="yuv420p")


@settings(max_examples=40, deadline=None)
@given(width=SIDES, height=SIDES, seed=st.integers(0, 99))
def test_compiled_loops_give_the_same_pixels(width: int, height: int, seed: int) -> None:
    frame = frame_of(width, height, seed)
    plain = colour_words(frame)
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(toning, "_machine_code", [toning_loops])
        assert np.array_equal(colour_words(frame), plain)


def test_colours_are_those_of_the_recommendation() -> None:
    """ITU-R BT.709-6, 3.2 to 3.5: luma of 219 steps from 16, colour differences of 224 about 128."""
    frame = frame_of(64, 48, 1, 16, 235)
    planes = frame.to_ndarray().astype(float)
    luma = (planes[:48] - 16) / 219
    cb, cr = ((planes[48:].reshape(2, 24, 32) - 128) / 224).repeat(2, 1).repeat(2, 2)
    red, blue = luma + 2 * (1 - 0.2126) * cr, luma + 2 * (1 - 0.0722) * cb
    green = (luma - 0.2126 * red - 0.0722 * blue) / 0.7152
    wanted = np.clip(np.rint(255 * np.stack([blue, green, red], -1)), 0, 255)
    seen = colour_words(frame).view(np.uint8).reshape(48, 64, 4)
    assert np.abs(seen[..., :3] - wanted).max() <= 1
    assert (seen[..., 3] == 255).all()


@settings(max_examples=30, deadline=None)
@given(width=SIDES, height=SIDES, seed=st.integers(0, 99))
def test_what_goes_back_into_a_film_is_what_came_out_of_one(width: int, height: int, seed: int) -> None:
    """Moderate colours, which BGRA has room for: nothing is lost beyond its rounding."""
    frame = frame_of(width, height, seed, 100, 156)
    wanted = frame.to_ndarray().astype(int)
    luma, cb, cr = (np.zeros(shape, np.uint8) for shape in ((height, width), *[(height // 2, width // 2)] * 2))
    rows = np.tile(np.array([0, width], np.int64), (height, 1))
    bgra_to_yuv420(colour_words(frame), luma, cb, cr, rows, 0, height)
    chroma = wanted[height:].reshape(2, height // 2, width // 2)
    assert np.abs(luma - wanted[:height]).max() <= 1
    assert max(np.abs(cb - chroma[0]).max(), np.abs(cr - chroma[1]).max()) <= 1
