"""Own colours: what is written stays readable, whatever somebody chooses."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.drawing.colours import contrast, rgb
from dearhost.errors import ScriptError, StageError
from dearhost.production import CHOICES
from dearhost.production.colours import USUAL, own_colours
from dearhost.production.looks import LOOK_CHOICES, own_look

READABLE = 4.5
"""WCAG 2.2, success criterion 1.4.3."""
colours = st.integers(0, 0xFFFFFF).map(lambda value: f"#{value:06x}")


@given(colours | st.just(""), colours | st.just(""))
def test_what_is_written_is_readable_on_any_colours(paper: str, accent: str) -> None:
    found = own_colours(paper, accent)
    written = (
        (found.ink, found.paper), (found.quiet_ink, found.paper), (found.accent_ink, found.paper),
        (found.on_dot, found.dot), (found.on_marked, found.marked),
    )  # fmt: skip
    for ink, ground in written:
        # a step of a channel is lost where colours are rounded
        assert contrast(rgb(ink), rgb(ground)) >= READABLE - 0.06, (ink, ground)
    if accent:
        assert found.accent == accent


def test_what_is_readable_stays_as_it_was_chosen() -> None:
    assert own_colours("", "") == USUAL
    for paper in ("#14406e", "#fbf5e8", "#000000", "#ffffff"):
        assert own_colours(paper, "").paper == paper
    assert own_colours("", "#14406e").accent_ink == "#14406e"


@pytest.mark.parametrize("value", ["#14406", "14406e", "#14406g", "red", "#14406e ", "javascript:", 7, None, True])
def test_what_is_no_colour_is_refused(value: object) -> None:
    with pytest.raises(ScriptError, match="must be a colour such as #14676b"):
        CHOICES["accent"].read(value)


def test_colours_are_kept_small_and_none_is_a_choice() -> None:
    assert CHOICES["accent"].read("#14406E") == "#14406e" and CHOICES["paper"].read("") == ""


def test_a_look_of_ones_own_keeps_what_is_seen_and_is_checked() -> None:
    kept = own_look({"set": "quay", "accent": "#14406E", "bed": "calm", "shape": "9:16", "logo_size": 9.0})
    assert kept == {"set": "quay", "accent": "#14406e", "logo_size": 0.2}
    assert own_look({"logo": "i0123456789abcde"}) == {"logo": "i0123456789abcde"}
    with pytest.raises(StageError, match="There is no set"):
        own_look({"set": "moon"})
    with pytest.raises(ScriptError, match="must be a colour"):
        own_look({"accent": "blue"})
    assert set(LOOK_CHOICES) <= set(CHOICES)
