"""Words as a hand writes them: every letter is gone over, in the order it is read, and nothing else is."""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable
from typing import Any

import numpy as np
import pytest
import skia
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy import ndimage

from dearhost.drawing.fonts import Fonts, Word
from dearhost.drawing.handwriting import Stroke, strokes_in, strokes_of, thinned
from dearhost.production import Studio

SIZE, EDGE = 48, 60


@pytest.fixture(scope="module")
def fonts(studio: Studio) -> Fonts:
    return Fonts.at(studio.resources.fonts)


def alpha(word: Word, draw: Callable[[Any], None]) -> np.ndarray:
    surface = skia.Surface(math.ceil(word.width) + 2 * EDGE, 3 * EDGE)
    canvas = surface.getCanvas()
    canvas.translate(EDGE, 2 * EDGE)
    draw(canvas)
    return surface.toarray()[..., 3] > 127


def letters(word: Word) -> np.ndarray:
    return alpha(word, lambda canvas: word.draw(canvas, 0, 0))


def gone_over(word: Word, strokes: tuple[Stroke, ...], width: float = 0.0) -> np.ndarray:
    def draw(canvas: Any) -> None:
        for stroke in strokes:
            path = skia.Path()
            path.moveTo(stroke.points[0].real, stroke.points[0].imag)
            for point in stroke.points[1:] or [stroke.points[0] + 0.01]:
                path.lineTo(point.real, point.imag)
            canvas.drawPath(
                path,
                skia.Paint(
                    AntiAlias=True,
                    Style=skia.Paint.kStroke_Style,
                    StrokeWidth=width or stroke.width,
                    StrokeCap=skia.Paint.kRound_Cap,
                    StrokeJoin=skia.Paint.kRound_Join,
                ),
            )

    return alpha(word, draw)


WORDS = (
    "Low water at 12:50",
    "Quillhaven & co. é ß",
    "ABCDEFGHIJKLMNOPQRSTUVWXYZ",
    "fghijklmnopqrstuvwxyz €%",
    "مرحبا بكم",
    "水位が上がる",
    "::;.,!?",
)


@pytest.mark.parametrize("text", WORDS)
@pytest.mark.parametrize("face", ["serif", "sans"])
def test_every_letter_is_gone_over_and_the_pen_stays_in_it(fonts: Fonts, text: str, face: str) -> None:
    word = fonts.word(text, SIZE, face=face)
    there, strokes = letters(word), strokes_of(word)
    assert (there & gone_over(word, strokes)).sum() > 0.97 * there.sum()
    fine = gone_over(word, strokes, 1.0)
    assert (there & fine).sum() > 0.9 * fine.sum(), "the middle of its strokes"


@settings(max_examples=40, deadline=None)
@given(
    st.text(
        st.characters(min_codepoint=33, max_codepoint=0x17F, exclude_categories=["C", "Z"]), min_size=1, max_size=12
    )
)
def test_any_word_is_written_whole(studio: Studio, text: str) -> None:
    word = Fonts.at(studio.resources.fonts).word(text, SIZE)
    there, strokes = letters(word), strokes_of(word)
    assert bool(strokes) or not there.any()
    assert (there & ~gone_over(word, strokes)).sum() <= max(0.04 * there.sum(), 20)


@pytest.mark.parametrize(("text", "way"), [("Low water", 1), ("مرحبا بكم", -1)])
def test_letters_come_in_the_order_they_are_read(fonts: Fonts, text: str, way: int) -> None:
    word = fonts.word(text, SIZE)
    strokes = strokes_of(word)
    middles = [way * sum(point.real for point in stroke.points) / len(stroke.points) for stroke in strokes]
    assert np.corrcoef(np.arange(len(middles)), middles)[0, 1] > 0.85
    assert middles[-1] - middles[0] > 0.5 * word.width


def test_a_dot_comes_after_its_letter(fonts: Fonts) -> None:
    stem, dot = strokes_of(fonts.word("i", SIZE))[0], strokes_of(fonts.word("i", SIZE))[-1]
    assert max(point.imag for point in dot.points) < min(point.imag for point in stem.points)


def test_a_cross_is_two_strokes_straight_on_and_a_ring_is_one_closed() -> None:
    cross = np.zeros((31, 31), bool)
    cross[13:18, 2:29] = cross[2:29, 13:18] = True
    across, down = sorted(strokes_in(cross), key=lambda stroke: abs((stroke.points[-1] - stroke.points[0]).imag))
    assert abs((across.points[-1] - across.points[0]).real) > 18 and abs((down.points[-1] - down.points[0]).imag) > 18
    y, x = np.mgrid[:41, :41]
    ring = np.abs(np.hypot(x - 20, y - 20) - 14) < 3
    [one] = strokes_in(ring)
    assert abs(one.points[0] - one.points[-1]) < 2
    assert sum(abs(b - a) for a, b in itertools.pairwise(one.points)) == pytest.approx(2 * math.pi * 14, rel=0.12)


@settings(max_examples=40, deadline=None)
@given(st.lists(st.tuples(*[st.integers(3, 36)] * 4), min_size=1, max_size=4), st.integers(3, 8))
def test_what_is_thinned_is_inside_and_holds_together_as_before(
    lines: list[tuple[int, int, int, int]], width: int
) -> None:
    """What the method is for: no piece falls apart, and none is wider than a line."""
    surface = skia.Surface(40, 40)
    pen = skia.Paint(Style=skia.Paint.kStroke_Style, StrokeWidth=width, StrokeCap=skia.Paint.kRound_Cap)
    for x0, y0, x1, y1 in lines:
        path = skia.Path()
        path.moveTo(x0, y0)
        path.lineTo(x1 + 0.01, y1)
        surface.getCanvas().drawPath(path, pen)
    mask = surface.toarray()[..., 3] > 127
    line = thinned(mask)
    assert not (line & ~mask).any()
    pieces, count = ndimage.label(mask, np.ones((3, 3)))
    for number in range(1, count + 1):
        there = line & (pieces == number)
        assert ndimage.label(there, np.ones((3, 3)))[1] <= 1
    blocks = line[:-1, :-1] & line[1:, :-1] & line[:-1, 1:] & line[1:, 1:]
    assert blocks.sum() <= 1 + line.sum() // 12
