"""Ways from a script that runs over to its length."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.films import scene_times_of, total_time
from dearhost.production import CastEntry, Production, Studio, cast_from_json, manner_in, read_script
from dearhost.production.length_ways import Way, length_ways
from dearhost.production.production import QUICKEST, SLOWEST
from dearhost.script import Cue, Line, Scene, Script
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate

SPOKEN = CastEntry("maren", "formant-en-us")
TEXT = "# Quay\n\nThe tide comes in twice a day. First the water reaches the steps.\n\nThen it reaches the road."


def test_little_over_can_simply_be_said_quicker() -> None:
    ways = {way.way: way for way in length_ways(60, 63, 55, [SPOKEN])}
    assert set(ways) == set(Way)
    assert ways[Way.QUICKER].pace == pytest.approx(55 / 52, abs=0.002)
    assert ways[Way.SHORTER].cut == 3
    assert 1 < ways[Way.BOTH].pace < ways[Way.QUICKER].pace
    assert 0 < ways[Way.BOTH].cut < ways[Way.SHORTER].cut


def test_much_over_is_never_only_said_quicker() -> None:
    assert [way.way for way in length_ways(60, 90, 80, [SPOKEN])] == [Way.SHORTER, Way.BOTH]


def test_voices_that_are_quick_already_are_left_so() -> None:
    quick = [SPOKEN, CastEntry("gull", "formant-en-us", pace=QUICKEST)]
    assert [way.way for way in length_ways(60, 63, 55, quick)] == [Way.SHORTER]


@pytest.mark.parametrize("target", [0, 63, 62.6, 100])
def test_what_is_not_over_needs_no_way(target: float) -> None:
    assert not length_ways(target, 63, 55, [SPOKEN])


@given(st.floats(3, 600), st.floats(1, 900), st.floats(0, 1), st.floats(SLOWEST, QUICKEST))
def test_every_way_comes_to_the_length_at_a_natural_pace(
    target: float, seconds: float, part: float, pace: float
) -> None:
    spoken = part * seconds
    for way in length_ways(target, seconds, spoken, [CastEntry("maren", "x", pace=pace)]):
        assert way.pace >= 1
        assert way.pace * pace <= QUICKEST * 1.001
        reached = seconds - spoken + spoken / way.pace - way.cut
        assert reached == pytest.approx(target, abs=max(0.06, 0.002 * seconds))


def test_a_quicker_voice_takes_as_much_less_time_as_was_said(tmp_path: Path) -> None:
    studio = Studio(tmp_path)
    production = Production(read_script(TEXT), {"": SPOKEN}).checked(studio)
    compile_timeline(production, studio, FrameRate.of(25))
    before = total_time(scene_times_of(production, studio))
    assert not before.estimated
    target = before.seconds - 0.1 * before.spoken
    (way,) = (w for w in length_ways(target, before.seconds, before.spoken, [SPOKEN]) if w.way is Way.QUICKER)
    quicker = Production(production.script, {"": CastEntry("maren", "formant-en-us", pace=way.pace)}).checked(studio)
    (expected,) = scene_times_of(quicker, studio)
    assert expected.estimated
    assert expected.seconds == pytest.approx(target, abs=0.05), "known before it is read"
    compile_timeline(quicker, studio, FrameRate.of(25))
    assert total_time(scene_times_of(quicker, studio)).seconds == pytest.approx(target, abs=0.05)


def test_the_pace_of_a_voice_goes_under_that_of_a_cue() -> None:
    calm = Cue("1", "delivery", 0, {"manner": "calm", "pace": 1.1})
    plain, cued = Line("a", "", "The tide comes in."), Line("b", "", "Twice a day.", (calm,))
    own = Line("c", "", "Every day.", (Cue("2", "recording", 0, {"recording": "kept"}),))
    script = Script("", (Scene("s", "Quay", (plain, cued, own)),))
    production = Production(script, {"": CastEntry("maren", "formant-en-us", pace=0.9)})
    paces = [manner_in(production, line).delivery.pace for line in (plain, cued, own)]
    assert paces == pytest.approx([0.9, 0.99, 1.0])


@pytest.mark.parametrize(("given_pace", "kept"), [(0.1, SLOWEST), (9, QUICKEST), (float("nan"), 1.0)])
def test_a_pace_out_of_range_is_brought_into_it(given_pace: float, kept: float) -> None:
    cast = cast_from_json({"": {"host": "maren", "voice": "joe", "pace": given_pace}})
    assert cast[""].pace == pytest.approx(kept)
