"""A scene's own choices hold for it alone: its set, framing, captions, transition, end, and where hosts stand."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import numpy as np
import pytest

from dearhost.errors import StageError
from dearhost.films import running_time
from dearhost.hosts import Performance
from dearhost.production import Production, Studio, read_script, with_captions
from dearhost.script import Line, Script, Spot, Staging
from dearhost.stage import Painter, Picture, Timeline, compile_timeline, resting_scene, standing
from dearhost.timebase import FrameRate
from tests.conftest import staging, with_tones

RATE = FrameRate.of(30)


def staged(script: Script, own: Staging, **choices: Any) -> Production:
    """The short script with its second scene staged in its own way."""
    first, second = script.scenes
    return with_tones(replace(script, scenes=(first, replace(second, staging=own))), **choices)


def timeline(studio: Studio, production: Production) -> Timeline:
    return compile_timeline(production, studio, RATE)


OWN = staging(set="pier", framing="wide", transition="cut", captions=False, tail=3.0)


def test_only_the_scene_that_is_staged_changes(studio: Studio, short_script: Script) -> None:
    before, after = (timeline(studio, staged(short_script, own)) for own in (Staging(), OWN))
    assert after.scenes[0].fingerprint == before.scenes[0].fingerprint
    scene = after.scenes[1]
    assert (scene.choices.set, scene.choices.captions, scene.choices.transition) == ("pier", False, "cut")
    assert scene.duration == pytest.approx(before.scenes[1].duration - 0.85 + 3.0, abs=0.001)
    assert scene.shots[0].hosts[0].head < before.scenes[1].shots[0].hosts[0].head  # wide is further off
    production = staged(short_script, OWN)
    assert running_time(production.script, studio, production).seconds == pytest.approx(after.duration, abs=0.02)


@pytest.mark.parametrize("own", [Staging({name: OWN.own[name]}) for name in ("set", "framing", "captions", "tail")])
def test_every_choice_is_part_of_the_scenes_fingerprint(studio: Studio, short_script: Script, own: Staging) -> None:
    names = {timeline(studio, staged(short_script, s)).scenes[1].fingerprint for s in (Staging(), own)}
    assert len(names) == 2


def test_captions_off_in_a_scene_are_off_in_its_picture(studio: Studio, short_script: Script, small: Picture) -> None:
    def frame(production: Production) -> Any:
        made = timeline(studio, production)
        painter = Painter(made, small, studio.resources)
        painter.paint(RATE.frames_in(made.scenes[1].start + 1.2))
        return painter.pixels.copy()

    off = staged(short_script, staging(captions=False))
    assert not np.array_equal(frame(staged(short_script, Staging())), frame(off))
    assert np.array_equal(frame(off), frame(staged(short_script, Staging(), captions=False)))
    # a film that is ordered without captions has none anywhere
    on = staged(short_script, staging(captions=True), captions=False)
    assert timeline(studio, on).scenes[1].choices.captions
    assert not any(scene.choices.captions for scene in timeline(studio, with_captions(on, False)).scenes)


def test_hosts_stand_where_they_are_put_and_are_smaller_further_off(studio: Studio, short_script: Script) -> None:
    usual = timeline(studio, staged(short_script, Staging())).scenes[1].shots[0].hosts[0]
    near, far = (
        timeline(studio, staged(short_script, staging(blocking={"SKERRY": Spot(0.2, distance)}))).scenes[1]
        for distance in (0.8, 1.6)
    )
    (close,), (distant,) = near.shots[0].hosts, far.shots[0].hosts
    assert close.x == distant.x == 0.2
    assert close.head * 0.8 == pytest.approx(distant.head * 1.6) == pytest.approx(usual.head)
    assert near.fingerprint != far.fingerprint
    production = staged(short_script, staging(blocking={"SKERRY": Spot(0.2, 1.6)}))
    assert standing(production, production.script.scenes[1], studio) == {"SKERRY": Spot(0.2, 1.6)}
    assert standing(production, production.script.scenes[0], studio) == {"MAREN": Spot(0.5)}


def test_who_stands_further_off_is_behind(studio: Studio, short_script: Script) -> None:
    first, second = short_script.scenes
    both = replace(first, blocks=(*first.blocks, *second.blocks), staging=staging(blocking={"MAREN": Spot(0.4, 1.5)}))
    scene = timeline(studio, with_tones(replace(short_script, scenes=(both,)))).scenes[0]
    assert [host.host for host in scene.shots[0].hosts] == ["maren", "skerry"]
    other = replace(both, staging=staging(blocking={"SKERRY": Spot(0.6, 1.5)}))
    scene = timeline(studio, with_tones(replace(short_script, scenes=(other,)))).scenes[0]
    assert [host.host for host in scene.shots[0].hosts] == ["skerry", "maren"]


@pytest.mark.parametrize("own", [staging(set="moon"), staging(framing="fisheye"), staging(transition="spin")])
def test_a_scene_cannot_be_staged_with_what_is_not_there(studio: Studio, short_script: Script, own: Staging) -> None:
    with pytest.raises(StageError, match="Choose one of"):
        staged(short_script, own).checked(studio)


def test_a_line_that_is_still_empty_changes_nothing(studio: Studio, short_script: Script) -> None:
    first, second = short_script.scenes
    writing = replace(first, blocks=(*first.blocks, Line("new", "TOBIAS", ""), Line("aside", "MAREN", "[waves]")))
    silent = replace(second, id="silent", blocks=(Line("none", "SKERRY", " "),))
    before, after = (
        timeline(studio, with_tones(replace(short_script, scenes=scenes)))
        for scenes in ((first, second), (writing, silent, second))
    )
    assert [scene.id for scene in after.scenes] == [first.id, second.id]
    assert after.duration == before.duration
    assert [host.host for host in after.scenes[0].shots[0].hosts] == ["maren"]
    production = with_tones(replace(short_script, scenes=(writing, silent, second)))
    assert running_time(production.script, studio, production).estimated is False


def test_who_faces_a_side_is_turned_there_and_still_looks_at_the_viewer(studio: Studio, short_script: Script) -> None:
    turned = {}
    for facing in (-1, 0, 1):
        turned_to = staging(blocking={"SKERRY": Spot(0.5, 1.0, facing)})
        scene = timeline(studio, staged(short_script, turned_to)).scenes[1]
        performance = Performance(scene.roles["skerry"], RATE)
        turned[facing] = performance.pose(0.5).body.turn
    assert turned[-1] < -0.4 < turned[0] < 0.4 < turned[1]


def test_in_a_dialogue_everybody_keeps_their_side_whoever_begins(studio: Studio) -> None:
    script = read_script(
        "# One\n\nMAREN: Mama may.\n\nSKERRY: May I?\n\n# Two\n\nSKERRY: Maybe.\n\nMAREN: Yes.\n\nTOBIAS: No.\n\n"
        "# Three\n\nTOBIAS: Now.\n\nSKERRY: I see."
    )
    production = with_tones(script)
    scenes = timeline(studio, production).scenes
    placed = [sorted((host.x, host.host) for host in scene.shots[0].hosts) for scene in scenes]
    names = [[host for _, host in scene] for scene in placed]
    assert names == [["maren", "skerry"], ["maren", "skerry", "tobias"], ["skerry", "tobias"]]
    told = [standing(production, scene, studio) for scene in script.scenes]
    assert [sorted(spot.x for spot in floor.values()) for floor in told] == [
        [round(x, 3) for x, _ in scene] for scene in placed
    ]
    assert told[1]["MAREN"].x < told[1]["SKERRY"].x < told[1]["TOBIAS"].x


def test_a_scene_at_rest_shows_who_is_there_at_its_start(studio: Studio, small: Picture) -> None:
    def opening(text: str) -> np.ndarray:
        production = with_tones(read_script(text))
        made = resting_scene(production, production.script.scenes[0].id, studio, RATE)
        painter = Painter(made, small, studio.resources)
        painter.paint(0)
        return painter.pixels.astype(int)

    both = opening("MAREN: Mama may.\n\nSKERRY: I may.")
    later = opening("MAREN: Mama may.\n\nSKERRY: [[cue: walk-in]]I may.")
    left, right = np.split(np.abs(both - later).max(axis=2), 2, axis=1)
    assert (right > 40).mean() > 0.1  # the gull is not there yet
    assert (left > 40).mean() < 0.05  # and she stands where she will stand with it
    assert (opening("[A direction.]") != both).any()  # nobody speaks: somebody stands there all the same
