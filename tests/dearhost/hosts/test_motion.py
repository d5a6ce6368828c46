"""Motion as a whole: nothing jumps, whatever cues follow one another; hands keep off the head; gestures land."""

from __future__ import annotations

import itertools
import math

import numpy as np
import pytest
from hypothesis import Phase, example, given, settings
from hypothesis import strategies as st

from dearhost.hosts import CAST, EXPRESSIONS, GESTURES, ExpressionCue, GestureCue, Performance, Role
from dearhost.hosts.motion.gesturing import keys_of
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.skeleton import Arm, Skeleton, solve
from dearhost.timebase import FrameRate

UNSHRUNK = (Phase.explicit, Phase.reuse, Phase.generate)
"""A failing row of cues is told as it was found: making it shorter takes minutes."""
RATE = FrameRate.of(30)
WRIST, HAND, ELBOW, HEAD = 38.0, 62.0, 24.0, 8.0
"""Units a frame at 30 a second that joints may travel; 100 = the head (by looking at frame strips). Of 400 random rows
the quickest fingertip went 55.6, the next 51.8; the quickest that was ever found 58.4, of a hand that points up again
before it is down."""
OFF_HEAD = 90.0
"""Units that wrists and elbows keep from the middle of the head."""
PEOPLE = {name: host for name, host in CAST.items() if isinstance(host, Person)}
BODIES = ("maren", "walter", "lark", "hanne", "tobias")
"""A woman's, an old and heavy, a child's, a heavy and a broad body."""


def skeletons(performance: Performance, person: Person, start: float, end: float) -> list[Skeleton]:
    frames = range(int(start * 30), int(end * 30))
    return [solve(person.sheet, performance.pose(n / 30)) for n in frames]


def fingertip(arm: Arm) -> complex:
    return arm.wrist + 58 * complex(math.cos(math.radians(arm.angle)), math.sin(math.radians(arm.angle)))


def assert_calm(found: list[Skeleton], told: object) -> None:
    """No joint jumps between two frames, and no hand or elbow is in the face."""
    for before, after in itertools.pairwise(found):
        assert abs(after.head - before.head) <= HEAD, told
        for old, new in ((before.left, after.left), (before.right, after.right)):
            assert abs(new.wrist - old.wrist) <= WRIST, (told, "wrist", abs(new.wrist - old.wrist))
            assert abs(fingertip(new) - fingertip(old)) <= HAND, (told, "hand")
            assert abs(new.elbow - old.elbow) <= ELBOW, (told, "elbow", abs(new.elbow - old.elbow))
    for skeleton in found:
        for arm in (skeleton.left, skeleton.right):
            for name, joint in (("wrist", arm.wrist), ("elbow", arm.elbow)):
                assert abs(joint - skeleton.head) >= OFF_HEAD * 0.98, (told, name, abs(joint - skeleton.head))


@pytest.mark.parametrize("gesture", list(GESTURES))
@pytest.mark.parametrize("body", BODIES[:3])
def test_every_gesture_on_every_kind_of_body(gesture: str, body: str) -> None:
    mirrored = body != "maren"
    performance = Performance(Role((), 9.0, cues=(GestureCue(3.0, gesture, 1.3, mirrored),)), RATE)
    assert_calm(skeletons(performance, PEOPLE[body], 1.0, 6.5), (gesture, body))


CUES = st.lists(
    st.tuples(
        st.sampled_from(list(GESTURES)), st.floats(0.25, 1.6), st.booleans(), st.floats(0.3, 1.3), st.floats(0, 1)
    ),
    min_size=2, max_size=6,
)  # fmt: skip


@settings(max_examples=25, deadline=None, phases=UNSHRUNK)
@given(CUES, st.sampled_from(BODIES), st.lists(st.sampled_from(list(EXPRESSIONS)), max_size=3))
@example(
    [
        ("think", 0.5624, True, 1.178, 0.7149), ("point-right", 0.6, True, 1.2183, 0.5401),
        ("wag", 0.46678, True, 1.049, 0.6711), ("beckon", 0.36798, True, 0.3333, 0.0),
        ("shake", 1.0688, True, 1.02, 0.555), ("nod", 1.3075, True, 1.0349, 0.6794),
    ],
    "lark", ["concerned", "neutral"],
)  # fmt: skip
def test_any_cues_in_a_row_interrupted_at_any_time(
    cues: list[tuple[str, float, bool, float, float]], body: str, faces: list[str]
) -> None:
    at, placed = 1.2, []
    for gesture, after, mirrored, strength, longer in cues:
        placed.append(GestureCue(at, gesture, strength, mirrored, longer))
        at += after
    changes = tuple(ExpressionCue(1.0 + 0.7 * i, face, seconds=0.5) for i, face in enumerate(faces))
    performance = Performance(Role((), at + 4, cues=tuple(placed), expressions=changes), RATE)
    assert_calm(skeletons(performance, PEOPLE[body], 0.2, at + 3), [c[0] for c in cues])


@pytest.mark.parametrize("gesture", list(GESTURES))
def test_a_gesture_lands_on_its_word_holds_and_goes_home(gesture: str) -> None:
    usual, longer = (keys_of(GestureCue(0, gesture, longer=s)) for s in (0.0, 1.5))
    assert longer[-1].end == pytest.approx(usual[-1].end + 1.5)
    for extra in (0.0, 1.5):
        still = Performance(Role((), 14.0), RATE)
        moved = Performance(Role((), 14.0, cues=(GestureCue(3.0, gesture, longer=extra),)), RATE)

        def away(at: float, one: Performance = moved, other: Performance = still) -> float:
            """How far the pose is from the pose without the gesture."""
            a, b = one.pose(at), other.pose(at)
            arms = [math.hypot(x.x - y.x, x.y - y.y) * 10 for x, y in ((a.left, b.left), (a.right, b.right))]
            return sum(arms) + abs(a.body.yaw - b.body.yaw) / 5 + abs(a.body.pitch - b.body.pitch) / 5 + abs(
                a.body.lean - b.body.lean
            )  # fmt: skip

        end = 3.0 + usual[-1].end + extra
        assert away(3.0) > 0.5, "it is there on its word"
        assert away(0.5) < 0.2 and away(min(13.5, end + 0.8)) < 0.35, "and gone afterwards"


def test_an_expression_lasts_as_long_as_it_is_told() -> None:
    for seconds, shows in ((0.0, True), (1.0, False)):
        performance = Performance(Role((), 9.0, expressions=(ExpressionCue(2.0, "happy", seconds=seconds),)), RATE)
        assert performance.pose(2.6).mouth.smile > 0.8
        assert (performance.pose(5.0).mouth.smile > 0.8) is shows


def test_eyes_lead_the_head_when_somebody_looks_aside() -> None:
    # common practice among animators: the eyes lead the head (Williams, The Animator's Survival Kit; from memory)
    performance = Performance(Role((), 8.0, cues=(GestureCue(3.0, "look"),)), RATE)
    times = np.arange(2.2, 3.2, 1 / 60)
    gaze = np.array([performance.pose(t).face.gaze_x for t in times])
    yaw = np.array([performance.pose(t).body.yaw for t in times])
    assert times[np.argmax(gaze > 0.45)] < times[np.argmax(yaw > 13)] - 0.05
