"""Where an own picture lies in other shapes: read as it is written, anything else refused, and painted so."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import StageError
from dearhost.production import CHOICES, Choices
from dearhost.production.choices import ensure_known
from dearhost.production.own_places import AS_HERE, OwnPlace, are_own_places, own_places
from dearhost.stage.backdrops.placing import Placing

SHAPES = tuple(CHOICES["shape"].values)
thousandths = st.integers(0, 1000).map(lambda n: n / 1000)
places = st.dictionaries(
    st.sampled_from(SHAPES),
    st.builds(OwnPlace, thousandths, thousandths, st.integers(1000, 2500).map(lambda n: n / 1000)),
    min_size=1,
)


def written(held: dict[str, OwnPlace]) -> str:
    return "; ".join(f"{shape} {place.x:g} {place.y:g} {place.zoom:g}" for shape, place in held.items())


@given(places)
def test_places_are_read_as_they_are_written(held: dict[str, OwnPlace]) -> None:
    assert own_places(written(held)) == held
    assert not CHOICES["own_elsewhere"].problem(written(held))


@pytest.mark.parametrize(
    "text",
    ["", ";", "9:16", "9:16 0.5 0.5", "9:16 1.5 0.5 1", "9:16 0.5 -1 1", "9:16 0.5 0.5 0.4", "9:16 0.5 0.5 9",
     "9:16 0.5 1.001 1", "9:16 1.001 0.5 1", "9:16 0.5 0.5 2.501", "9:16 0.5 0.5 0.999",
     "4:3 0.5 0.5 1", "9:16 0.5 0.5 1;", "9:16 nan 0.5 1", "9:16 0.5 0.5 1e0", "x" * 5000, "9:16 0.12345 0 1"],
)  # fmt: skip
def test_what_is_no_place_is_refused_in_words(text: str) -> None:
    assert not are_own_places(text)
    with pytest.raises(ValueError, match="is no place of a picture"):
        own_places(text)
    with pytest.raises(StageError, match="place in other shapes"):
        ensure_known(replace(Choices(), own_elsewhere=text))


def test_a_place_may_lie_at_its_ends() -> None:
    assert own_places("9:16 0 1 1; 16:9 1 0 2.5") == {"9:16": OwnPlace(0, 1, 1), "16:9": OwnPlace(1, 0, 2.5)}


@given(st.text(max_size=40))
def test_any_text_is_a_place_or_none(text: str) -> None:
    assert are_own_places(text) == (text != AS_HERE and _reads(text))


def _reads(text: str) -> bool:
    try:
        return bool(own_places(text))
    except ValueError:
        return False


@given(places, st.sampled_from(SHAPES))
def test_a_picture_lies_as_it_is_placed_in_the_shape_that_is_painted(held: dict[str, OwnPlace], shape: str) -> None:
    chosen: dict[str, Any] = {"own_x": 0.25, "own_y": 0.75, "own_zoom": 1.5, "own_elsewhere": written(held)}
    placing = Placing.of(replace(Choices(), shape=shape, **chosen))
    assert (placing.x, placing.y, placing.zoom) == held.get(shape, OwnPlace(0.25, 0.75, 1.5))
