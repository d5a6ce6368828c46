"""How well hosts stand in the light of an own picture: what is amiss is named, and what is offered helps."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf import Light
from dearhost.stage.backdrops import Placing, light_fit
from dearhost.stage.backdrops.light_fit import _FIELDS, POOR, WELL

ITEM = "i" + "0" * 15
AS_DRAWN = Light(level=-0.3, right=-0.4)
LIGHTS = st.builds(
    lambda warmth, level, right, behind: Light((warmth, 1.0, 1 / warmth), level, right, behind),
    st.floats(0.5, 2.0), st.floats(-3, 3), st.floats(-1, 1), st.floats(-1, 3),
)  # fmt: skip
PLACINGS = st.builds(
    Placing, st.just(ITEM), blur=st.floats(0, 16), dim=st.floats(0, 0.8), mirrored=st.booleans(), light=st.booleans()
)


@given(LIGHTS, PLACINGS)
def test_what_is_offered_always_helps(light: Light, placing: Placing) -> None:
    fit = light_fit(light, placing)
    assert 0 <= fit.score <= 100 and fit.sentence.endswith(".")
    if fit.remedy:
        better = light_fit(light, replace(placing, **{_FIELDS[fit.remedy.name]: fit.remedy.value}))
        assert better.score > fit.score


@pytest.mark.parametrize("warmth", [0.5, 0.6, 1.6, 2.0])
def test_a_strong_tint_matters_less_where_hosts_stand_in_it(warmth: float) -> None:
    light = Light((warmth, 1.0, 1 / warmth), -0.25)
    assert light_fit(light, Placing(ITEM)).score > light_fit(light, Placing(ITEM, light=False)).score


def test_light_like_that_of_the_hosts_fits() -> None:
    fit = light_fit(AS_DRAWN, Placing(ITEM, light=False))
    assert fit.score >= WELL and fit.remedy is None and "well" in fit.sentence


@pytest.mark.parametrize(
    ("light", "says", "name"),
    [
        (replace(AS_DRAWN, right=0.9), "from the right", "own_light"),
        (replace(AS_DRAWN, level=2.2), "brighter than the hosts", "own_dim"),
        (replace(AS_DRAWN, gain=(1.9, 1.0, 0.35)), "warmer", "own_light"),
        (replace(AS_DRAWN, gain=(0.5, 1.0, 2.0)), "cooler", "own_light"),
        (replace(AS_DRAWN, behind=2.6), "right behind them", "own_blur"),
    ],
)
def test_what_is_amiss_is_named(light: Light, says: str, name: str) -> None:
    fit = light_fit(light, Placing(ITEM, light=False))
    assert says in fit.sentence and fit.remedy and fit.remedy.name == name
    assert fit.score < WELL


def test_turned_over_its_light_comes_from_the_other_side() -> None:
    light = replace(AS_DRAWN, right=0.9)
    assert light_fit(light, Placing(ITEM, light=False)).score < POOR
    assert light_fit(light, Placing(ITEM, light=False, mirrored=True)).score >= WELL


@given(LIGHTS, PLACINGS)
def test_hosts_who_stand_in_its_light_have_it_from_its_side(light: Light, placing: Placing) -> None:
    """A picture turned over is as good as it was, and where light comes from is never what is amiss."""
    lit = replace(placing, light=True)
    here, turned = (light_fit(light, replace(lit, mirrored=mirrored)) for mirrored in (False, True))
    assert here == turned or not light.side()
    assert "hosts from the left" not in here.sentence
