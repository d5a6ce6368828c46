"""Recordings of screens: what happens in them is found, and the windows on it can be read and hold it."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf.screens import STEP, WHOLE, Happening, happening_in, nearness, windows_on
from dearhost.assets.shelf.screens.happening import HAPPENING, Box
from dearhost.drawing.fonts import Fonts
from dearhost.production import Studio
from tests.screens import HIGH, WIDE, MadeScreen, booked_on_a_screen, greys


@pytest.fixture(scope="module")
def made(studio: Studio) -> MadeScreen:
    return booked_on_a_screen(Fonts.at(studio.resources.fonts))


@pytest.fixture(scope="module")
def happening(made: MadeScreen) -> Happening:
    return happening_in(greys(made.frames))


def test_the_pointer_is_followed_and_known_while_it_rests(made: MadeScreen, happening: Happening) -> None:
    assert len(happening.pointers) == len(made.pointers)
    moved = next(n for n, (a, b) in enumerate(pairwise(made.pointers)) if a != b)
    assert all(point is None for point in happening.pointers[:moved])
    off = [
        np.hypot(point[0] * WIDE - x, point[1] * HIGH - y)
        for point, (x, y) in zip(happening.pointers[moved + 1 :], made.pointers[moved + 1 :], strict=True)
        if point
    ]
    assert len(off) == len(made.pointers) - moved - 1
    assert max(off) < 25  # an arrow is 15 pixels wide and 22 high


def test_what_happens_is_inside_the_window_while_it_does(made: MadeScreen, happening: Happening) -> None:
    assert happening.is_screen
    near = nearness(HIGH, 0.62)
    windows = windows_on(happening, near)
    assert 2 <= len(windows) <= 4  # nobody can follow more in thirteen seconds
    for begins, ends, (left, top, right, bottom) in made.happened:
        seen = [window for window in windows if window.at <= (begins + ends) / 2 + 0.3]
        assert seen, "something happened before any window"
        last, half = seen[-1], 0.5 / seen[-1].near
        assert last.x - half <= left / WIDE + 0.01 and last.x + half >= right / WIDE - 0.01
        assert last.y - half <= top / HIGH + 0.01 and last.y + half >= bottom / HIGH - 0.01


def test_letters_of_fourteen_pixels_are_seen_at_twenty_two_of_a_film() -> None:
    near = nearness(1080, 0.62)
    assert 14 / 1080 * 0.62 * near == pytest.approx(22 / 1080)
    assert nearness(540, 1.0) == 1.0  # large enough as it is
    assert nearness(4320, 0.5) == 3.0  # no nearer than can be followed


def test_a_film_is_no_screen_and_stillness_has_no_windows() -> None:
    dice = np.random.default_rng(4)
    film = happening_in(dice.integers(0, 255, (30, 90, 160), np.uint8).astype(np.uint8))
    assert not film.is_screen
    still = happening_in([np.full((90, 160), 80, np.uint8)] * 30)
    assert set(still.boxes) == {None} and set(still.pointers) == {None}
    assert windows_on(still, 2.0) == [] and still.pointer_at(1.0) is None
    assert happening_in(()) == Happening((), ()) and Happening((), ()).pointer_at(0.0) is None


def test_scrolling_is_a_new_page_and_is_seen_whole() -> None:
    dice = np.random.default_rng(5)
    page = np.repeat(dice.integers(0, 2, (300, 1), np.uint8) * 200, 160, axis=1).astype(np.uint8)

    def frames() -> Iterator[np.ndarray]:
        for number in range(60):
            frame = page[:90].copy()
            if 20 <= number < 24:
                frame[40:44, 20:26] = 128
            yield frame if number < 40 else page[(number - 40) * 7 : (number - 40) * 7 + 90]

    found = happening_in(frames())
    assert WHOLE in found.boxes[38:60]
    assert windows_on(found, 2.0)[-1].near == 1.0


def test_a_pointer_between_two_moments_is_between_two_places() -> None:
    known = Happening((None,) * 3, (None, (0.2, 0.4), (0.4, 0.6)))
    assert known.pointer_at(STEP * 1.5) == pytest.approx((0.3, 0.5))
    assert known.pointer_at(0.0) is None and known.pointer_at(99.0) == (0.4, 0.6)
    assert HAPPENING.validate_json(HAPPENING.dump_json(known)) == known


parts = st.floats(0, 1)


@st.composite
def boxes(draw: st.DrawFn) -> Box | None:
    if draw(st.booleans()):
        return None
    (left, right), (top, bottom) = (sorted((draw(parts), draw(parts))) for _ in range(2))
    return left, top, right, bottom


@given(st.lists(boxes(), max_size=80), st.floats(1.0, 3.0))
def test_windows_lie_in_the_picture_and_change_something(found: list[Box | None], near: float) -> None:
    windows = windows_on(Happening(tuple(found), (None,) * len(found)), near)
    assert all(a.at < b.at for a, b in pairwise(windows))
    for before, after in pairwise(windows):
        assert (before.x, before.y, before.near) != (after.x, after.y, after.near)
    for window in windows:
        assert window.near in (1.0, near)
        half = 0.5 / window.near - 0.001
        assert half <= window.x <= 1 - half and half <= window.y <= 1 - half
