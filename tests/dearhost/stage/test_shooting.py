"""Shots, furniture, camera moves, looks, and where hosts go in a scene."""

from __future__ import annotations

import itertools
from collections.abc import Mapping
from dataclasses import replace

import numpy as np
import pytest

from dearhost.errors import StageError
from dearhost.hosts import CAST, Performance, moves_hands
from dearhost.production import CastEntry, Choices, Production, Studio, read_script, with_choices
from dearhost.stage import Painter, Picture, SceneTimeline, Timeline, compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import staging

RATE = FrameRate.of(30)
QUIET = Choices(titles=False, captions=False, directed=False)
TALK = """MAREN: Good morning, Tobias. The sea has come back to us.

TOBIAS: So it has, and it is early. Who would have thought so?

MAREN: The moon did. It always knows.

TOBIAS: Then let us go out and look at it together.
"""


def scene_of(
    studio: Studio, text: str, cast: Mapping[str, CastEntry] | None = None, **choices: object
) -> SceneTimeline:
    cast = cast or {"MAREN": CastEntry("maren", "nell"), "TOBIAS": CastEntry("tobias", "joe")}
    production = Production(read_script(text), cast, QUIET)
    return compile_timeline(with_choices(production, **choices), studio, RATE).scenes[0]


def painted(studio: Studio, scene: SceneTimeline, moment: float, height: int = 360) -> np.ndarray:
    painter = Painter(Timeline("", "en", "16:9", RATE, (scene,)), Picture.of("16:9", height), studio.resources)
    painter.paint(round(moment * 30))
    return painter.pixels[..., :3].astype(int)


def test_cuts_show_who_speaks_and_never_cross_the_line(studio: Studio) -> None:
    """The 180 degree rule: who is left in the shot of both stays left when seen alone (common practice, no source)."""
    scene = scene_of(studio, TALK, cutting="speakers")
    both, *singles = scene.shots
    assert len(both.hosts) == 2
    place = {host.host: host.x for host in both.hosts}
    assert place["maren"] < 0.5 < place["tobias"]
    alone = [shot for shot in singles if len(shot.hosts) == 1]
    assert {shot.hosts[0].host for shot in alone} == {"maren", "tobias"}
    for shot in alone:
        (host,) = shot.hosts
        assert (host.x < 0.5) == (place[host.host] < 0.5)
        line = next(line for line in scene.lines if line.span.start >= shot.start)
        assert line.speaker == host.host.upper()
        assert 0 <= line.span.start - shot.start < 0.5
    assert all(b.start - a.start >= 1.5 for a, b in itertools.pairwise(scene.shots))


@pytest.mark.parametrize("framing", ["wide", "full", "medium"])
@pytest.mark.parametrize("kind", ["desk", "counter"])
def test_everybody_rests_on_the_furniture_whatever_their_size(studio: Studio, framing: str, kind: str) -> None:
    scene = scene_of(studio, TALK, furniture=kind, framing=framing)
    (shot,) = scene.shots
    assert shot.furniture and shot.furniture.kind == kind
    for host in shot.hosts:
        shoulder, length = CAST[host.host].arm_base
        elbow = host.y + (shoulder.imag + length / 2) / 100 * host.head
        assert elbow == pytest.approx(shot.furniture.y, abs=0.002)
    picture = painted(studio, scene, 0.2)
    free = painted(studio, scene_of(studio, TALK, framing=framing), 0.2)
    below = slice(int(shot.furniture.y * 360) + 12, int(min(1, shot.furniture.bottom) * 360) - 4)
    middle = slice(int(shot.hosts[0].x * 640) - 4, int(shot.hosts[0].x * 640) + 4)
    assert np.abs(picture[below, middle] - free[below, middle]).mean() > 5


def test_a_push_comes_nearer_slowly_and_lettering_keeps_its_place(studio: Studio) -> None:
    scene = scene_of(studio, TALK, camera="push")
    first, later, last = (painted(studio, scene, scene.duration * part) for part in (0.0, 0.5, 0.99))
    still = painted(studio, scene_of(studio, TALK), 0.0)
    assert np.abs(first - still).mean() < 6, "it begins with the whole picture"
    # the lighthouse in the window moves outwards from the middle
    assert np.abs(later - first).mean() > 3
    assert np.abs(last - later).mean() > 3
    captioned = scene_of(studio, TALK, camera="push", captions=True)
    caption = captioned.captions[0]
    moment = (caption.start + caption.end) / 2
    moving, at_rest = (
        painted(studio, captioned, moment),
        painted(studio, replace(captioned, choices=replace(captioned.choices, camera="still")), moment),
    )
    paper = (np.array([0xF4, 0xFD, 0xFF]) == at_rest).all(axis=2)
    assert paper.sum() > 500
    assert (moving[paper] == at_rest[paper]).all()


def test_a_bubble_shows_who_speaks_over_the_picture(studio: Studio) -> None:
    scene = scene_of(studio, TALK, framing="bubble")
    assert all(len(shot.hosts) == 1 and shot.bubble for shot in scene.shots)
    assert [shot.hosts[0].host for shot in scene.shots][:2] == ["maren", "tobias"]
    nobody = replace(scene, shots=(replace(scene.shots[0], hosts=(), bubble=None),))
    picture, empty = painted(studio, scene, 0.3), painted(studio, nobody, 0.3)
    changed = np.argwhere(np.abs(picture - empty).sum(axis=2) > 12)
    bubble = scene.shots[0].bubble
    assert bubble
    reach = bubble.radius * 360 + 14
    away = np.abs(changed - [bubble.y * 360, bubble.x * 640]).max()
    assert away <= reach


def test_a_look_holds_for_its_scene_only(studio: Studio) -> None:
    text = "# One\n\nMAREN: It rains today.\n\n# Two\n\nMAREN: Now the sun is out.\n"
    production = Production(read_script(text), {"MAREN": CastEntry("maren", "nell")}, replace(QUIET, directed=True))
    plain = compile_timeline(production, studio, RATE)
    script = production.script
    wet = replace(script.scenes[0], staging=staging(looks={"MAREN": "slicker"}))
    dressed = compile_timeline(
        replace(production, script=replace(script, scenes=(wet, script.scenes[1]))), studio, RATE
    )
    assert [scene.shots[0].hosts[0].host for scene in dressed.scenes] == ["maren~slicker", "maren"]
    assert dressed.scenes[0].fingerprint != plain.scenes[0].fingerprint
    assert dressed.scenes[1].fingerprint == plain.scenes[1].fingerprint


def test_who_walks_in_on_the_first_word_comes_from_outside(studio: Studio) -> None:
    scene = scene_of(studio, "MAREN: [[cue: walk-in left]]Good morning. [[cue: walk-out right]]Goodbye.\n")
    width = painted(studio, scene, 0.0)
    set_only = painted(studio, replace(scene, shots=(replace(scene.shots[0], hosts=()),)), 0.0)
    assert (width == set_only).all(), "nobody is there at first"
    assert scene.lines[0].span.start > 1.5
    assert (painted(studio, scene, scene.duration - 0.04) == set_only).all(), "and nobody is left at the end"


def test_what_cannot_be_is_played_otherwise_and_told(studio: Studio) -> None:
    text = "MAREN: [[cue: show]]Look here. [[cue: walk-out right]]I go. [[cue: sit]]Now [[cue: pass]]this.\n"
    scene = scene_of(studio, text)
    told = [note for _, note in scene.notes]
    assert "Nothing is held that could be shown." in told
    assert any("outside" in note for note in told)
    assert painted(studio, scene, 1.0).any()


def test_unknown_choices_name_what_there_is(studio: Studio) -> None:
    for choice in ("furniture", "cutting", "camera", "framing"):
        with pytest.raises(StageError, match="Choose one of"):
            scene_of(studio, TALK, **{choice: "sideways"})


def test_a_child_and_a_grown_up_look_into_each_other_s_eyes(studio: Studio) -> None:
    cast = {"MAREN": CastEntry("maren", "nell"), "TOBIAS": CastEntry("lark", "pip")}
    production = Production(read_script(TALK), cast, QUIET)
    scene = compile_timeline(production, studio, RATE).scenes[0]
    rise = {host: role.partner[0].rise for host, role in scene.roles.items()}
    assert rise["lark"] == pytest.approx(-rise["maren"], rel=0.3)
    assert rise["lark"] > 0.1


def test_gestures_of_every_turn_are_made(studio: Studio) -> None:
    text = TALK.replace("did. It always knows", "[[cue: welcome]]did. It always [[cue: big]]knows")
    scene = scene_of(studio, text, framing="wide")
    performance = Performance(scene.roles["maren"], RATE)
    for cue in scene.roles["maren"].cues[-2:]:
        pose, rest = performance.pose(cue.at + 0.05), performance.pose(0.0)
        assert rest.left.y - pose.left.y > 0.12 and rest.right.y - pose.right.y > 0.12, cue.gesture


def test_who_stands_up_before_leaving_is_gone_too_when_the_scene_ends(studio: Studio) -> None:
    scene = scene_of(studio, "MAREN: Good [[cue: sit]]morning. [[cue: walk-out right]]Goodbye.\n", framing="wide")
    performance = Performance(scene.roles["maren"], RATE)
    assert performance.pose(scene.duration).root == pytest.approx(scene.roles["maren"].moves[-1].x, abs=1)
    assert any("later" in note for _, note in scene.notes)


def test_of_three_everybody_looks_at_who_speaks(studio: Studio) -> None:
    text = "MAREN: Good morning to you both.\n\nTOBIAS: Good morning, Maren.\n\nIMANI: And to you. The sea is out."
    cast = {
        "MAREN": CastEntry("maren", "nell"),
        "TOBIAS": CastEntry("tobias", "joe"),
        "IMANI": CastEntry("imani", "amos"),
    }
    scene = scene_of(studio, text, cast=cast)
    first, second, third = (line.span for line in scene.lines)
    middle = Performance(scene.roles["tobias"], RATE)

    def looks(at: float) -> float:
        pose = middle.pose(at)
        return pose.face.gaze_x + pose.body.yaw / 25

    assert looks(first.end - 0.3) < -0.4, "at Maren, on the left"
    assert looks(third.end - 0.3) > 0.4, "at Imani, on the right"
    assert abs(looks((second.start + second.end) / 2)) < 0.4, "at the viewer"


def test_with_full_hands_nobody_means_to_gesture_by_themselves(studio: Studio) -> None:
    free = "MAREN: I hold on, and the big sea may come to you."
    held = free.replace("I hold", "[[cue: take parcel]]I hold")
    kinds = [[c.kind for c in scene_of(studio, text, directed=True).lines[0].automatic] for text in (held, free)]
    assert [kind for kind in kinds[1] if moves_hands(kind)]
    assert not [kind for kind in kinds[0] if moves_hands(kind)]
