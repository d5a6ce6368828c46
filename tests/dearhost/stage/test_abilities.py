"""Direction asks what a host can do; what it cannot is left out, and said."""

from __future__ import annotations

from dataclasses import fields, replace
from typing import Any

import pytest

from dearhost.hosts import ACTS, CAST, EXPRESSIONS, GESTURES, MOVES, Abilities, moves_hands
from dearhost.hosts.people.person import Person
from dearhost.production import CUE_KINDS, Studio, read_script
from dearhost.stage import SceneTimeline, compile_timeline
from dearhost.stage.direction.abilities import cannot, within_abilities
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

RATE = FrameRate.of(30)
EVERYTHING = Abilities()
NOTHING = Abilities(**{entry.name: False for entry in fields(Abilities)})


def scene_of(studio: Studio, text: str) -> SceneTimeline:
    return compile_timeline(with_tones(read_script(text)), studio, RATE).scenes[0]


def test_who_can_do_everything_lacks_for_nothing_and_the_cast_plays_every_cue() -> None:
    for kind in CUE_KINDS:
        assert cannot(kind.name, EVERYTHING) == ""
        assert all(cannot(kind.name, host.abilities) == "" for host in CAST.values()), kind.name


def test_who_can_do_nothing_still_speaks_nods_and_is_framed() -> None:
    left = {kind.name for kind in CUE_KINDS if not cannot(kind.name, NOTHING)}
    assert {"nod", "shake", "medium", "close-up", "bubble", "title", "picture", "sound", "pause", "emphasis"} <= left
    gone = {kind.name for kind in CUE_KINDS} - left
    assert gone == {*MOVES, *ACTS, *EXPRESSIONS, "eyes", "wide", "full", *(g for g in GESTURES if moves_hands(g))}


@pytest.mark.parametrize(
    ("ability", "kinds"),
    [
        ("hands", {*ACTS, *(g for g in GESTURES if moves_hands(g))}),
        ("walks", {"walk-in", "walk-out", "walk-to", "walk-on-spot"}),
        ("sits", {"sit", "stand"}),
        ("turns", {"turn-away", "turn-back"}),
        ("whole_figure", {"wide", "full"}),
        ("expressions", set(EXPRESSIONS)),
        ("gaze", {"eyes"}),
    ],
)
def test_each_ability_is_for_its_cues(ability: str, kinds: set[str]) -> None:
    without = replace(EVERYTHING, **{ability: False})
    assert {kind.name for kind in CUE_KINDS if cannot(kind.name, without)} == kinds


class Stiff(Person):
    """A host without hands that cannot sit."""

    abilities = replace(Abilities(), hands=False, sits=False)


@pytest.fixture
def stiff(monkeypatch: pytest.MonkeyPatch, studio: Studio) -> Studio:
    """The studio with Maren played by somebody stiff."""
    maren = CAST["maren"]
    assert isinstance(maren, Person)
    host = Stiff("maren", maren.name, maren.card, maren.sheet)
    usual = studio.hosts.host
    monkeypatch.setattr(studio.hosts, "host", lambda host_id: host if host_id == "maren" else usual(host_id))
    return studio


TEXT = "MAREN: Hello [[cue: sit]]there, [[cue: wave]]you. [[cue: nod]]Mama [[cue: take map]]may [[cue: happy]]come."


def test_what_a_host_cannot_is_left_out_and_said_where_it_was_asked(stiff: Studio) -> None:
    scene = scene_of(stiff, TEXT)
    role = scene.roles["maren"]
    assert [cue.gesture for cue in role.cues] == ["nod"] and not role.moves and not role.handling
    assert [change.expression for change in role.expressions] == ["happy"]
    words = {w.text: w.start for w in scene.lines[0].reading.words}
    told = {text: at - scene.lines[0].span.start for at, text in scene.notes}
    assert [t.split(" cannot ")[1] for t in told] == [
        "sit down or stand up: left out.", "make gestures of hands: left out.", "hold a prop: left out.",
    ]  # fmt: skip
    assert next(iter(told.values())) == pytest.approx(words["there"], abs=0.01)
    assert all(t.startswith("Maren Oake") for t in told)


def test_who_has_no_hands_makes_no_gesture_of_hands_by_itself(stiff: Studio, studio: Studio) -> None:
    kinds = {
        cue.kind for cue in scene_of(stiff, "MAREN: Hello to you. It is a huge boat, never small.").lines[0].automatic
    }
    assert not {kind for kind in kinds if moves_hands(kind)}


def test_the_same_line_with_an_able_host_is_played_whole(studio: Studio) -> None:
    scene = scene_of(studio, TEXT)
    assert not scene.notes and len(scene.roles["maren"].cues) == 2 and scene.roles["maren"].moves


def test_a_line_that_asks_for_nothing_special_is_the_same_line(studio: Studio) -> None:
    (line,) = read_script("MAREN: [[cue: nod]]Mama may come.").scenes[0].lines
    item: Any = (line, 0.0, None)
    host = CAST["maren"]
    assert within_abilities(item, host) == (item, [])
