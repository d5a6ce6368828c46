"""Hosts move as bodies do: smoothly, always, the same from the same seed; listeners keep their mouths shut."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest

from dearhost.hosts import CAST, GESTURES, GestureCue, Listened, Performance, PlacedReading, Pose, Role
from dearhost.hosts.people.model_sheet import AGES
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.skeleton import solve
from dearhost.production import Studio
from dearhost.timebase import FrameRate

RATE = FrameRate.of(30)
LINE = "Because the moon pulls at the sea, and the sea follows, always a little late. Shall we begin?"
MAREN = CAST["maren"]
assert isinstance(MAREN, Person)


@pytest.fixture(scope="module")
def lines(studio: Studio) -> tuple[PlacedReading, ...]:
    return (PlacedReading(1.6, studio.speaker.read(LINE, "joe")),)


def role(lines: tuple[PlacedReading, ...], **more: object) -> Role:
    return Role(lines, lines[0].end + 2.0, **more)  # type: ignore[arg-type]


def joints(pose: Pose) -> dict[str, np.ndarray]:
    skeleton = solve(MAREN.sheet, pose)
    found = {"head": skeleton.head}
    for name, arm in (("left", skeleton.left), ("right", skeleton.right)):
        found |= {f"{name} wrist": arm.wrist, f"{name} elbow": arm.elbow}
    return {k: np.array([v.real, v.imag]) for k, v in found.items()}


LIMITS = {"head": 8, "elbow": 26, "wrist": 40}
"""Units a frame at 30 frames a second."""


@pytest.mark.parametrize("gesture", list(GESTURES))
def test_nothing_pops_in_or_between_gestures(lines: tuple[PlacedReading, ...], gesture: str) -> None:
    for second, phase in (("wave", 0.7), ("explain", 1.3), ("shrug", 0.35)):
        cues = (GestureCue(1.9, gesture), GestureCue(1.9 + phase + 1.0, second))
        performance = Performance(role(lines, cues=cues), RATE)
        places = [joints(performance.pose(i / 30)) for i in range(190)]
        for before, now in pairwise(places):
            for name in now:
                step = float(np.linalg.norm(now[name] - before[name]))
                assert step < LIMITS[name.split()[-1]], (gesture, second, name, step)


def test_the_stroke_falls_on_its_word(lines: tuple[PlacedReading, ...]) -> None:
    performance = Performance(role(lines, cues=(GestureCue(2.4, "point-up"),)), RATE)
    heights = np.array([joints(performance.pose(i / 100))["right wrist"][1] for i in range(100, 330)])
    start, top = heights[:60].max(), heights.min()
    reached = 1.0 + float(np.argmax(heights < start + 0.9 * (top - start))) / 100
    assert -0.15 <= reached - 2.4 <= 0.10


def test_the_same_seed_is_the_same_and_another_is_not(lines: tuple[PlacedReading, ...]) -> None:
    first, again, other = (Performance(role(lines, seed=s), RATE) for s in (3, 3, 4))
    moments = [0.4, 1.7, 2.9, 4.4]
    assert [first.pose(t) for t in moments] == [again.pose(t) for t in moments]
    assert first.pose(2.9) != other.pose(2.9)


def test_a_host_is_never_frozen_and_blinks_like_a_person(studio: Studio) -> None:
    reading = studio.speaker.read(LINE, "joe")
    placed = tuple(PlacedReading(0.5 + i * (reading.duration + 0.8), reading) for i in range(12))
    performance = Performance(Role(placed, placed[-1].end + 1), RATE)
    a_minute = len(performance.alive.blink_moments) / performance.role.duration * 60
    # in conversation about 26 a minute (Bentivoglio et al. 1997)
    assert 16 <= a_minute <= 36
    poses = [performance.pose(i / 30) for i in range(300)]
    assert all(a.body != b.body for a, b in pairwise(poses))


def test_a_listener_looks_at_the_speaker_and_never_mouths_the_words(lines: tuple[PlacedReading, ...]) -> None:
    speaking = tuple(Listened(line.start, line.end, 1) for line in lines)
    performance = Performance(Role((), lines[0].end + 2, partner=speaking, partner_side=1), RATE)
    poses = [performance.pose(i / 30) for i in range(45, int(lines[0].end * 30))]
    assert max(p.mouth.open for p in poses) < 0.02
    assert np.mean([p.face.gaze_x > 0.2 for p in poses[20:]]) > 0.6


def test_every_host_is_as_tall_as_its_model_sheet_says() -> None:
    for host in CAST.values():
        assert -host.head_centre.imag < host.height < 700
    assert -MAREN.head_centre.imag == pytest.approx(-solve(MAREN.sheet, Pose()).head.imag * AGES["adult"].figure)


def test_what_is_said_is_worked_out_once_whatever_is_chosen_otherwise(lines: tuple[PlacedReading, ...]) -> None:
    first = Performance(role(lines, seed=3), RATE)
    silent = tuple(PlacedReading(line.start, line.reading.silent()) for line in lines)
    assert Performance(role(silent, seed=9, cues=(GestureCue(2.4, "wave"),)), RATE).rhythm is first.rhythm
    later = (PlacedReading(lines[0].start + 0.5, lines[0].reading),)
    louder = replace(lines[0].reading.prosody, loudness=lines[0].reading.prosody.loudness + 3)
    shouted = (PlacedReading(lines[0].start, replace(lines[0].reading, prosody=louder)),)
    for other in (later, shouted):
        assert Performance(role(other), RATE).rhythm is not first.rhythm
    assert Performance(role(lines), FrameRate.of(60)).rhythm is not first.rhythm, "a closure lasts a frame"
    with pytest.raises(ValueError, match="read-only"):
        first.rhythm.mouth.parameters[0, 0] = 1.0
