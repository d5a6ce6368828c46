"""Walking, sitting, and props in hands: feet stay where they stand, nothing jumps, nothing is in two places."""

from __future__ import annotations

import cmath
import itertools
import math
from dataclasses import replace

import pytest
import skia
from hypothesis import example, given, settings
from hypothesis import strategies as st

from dearhost.hosts import CAST, GESTURES, MOVES, PROPS, GestureCue, MoveCue, Performance, PropCue, Role, resolved
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.skeleton import solve
from dearhost.timebase import FrameRate
from tests.dearhost.hosts.test_motion import BODIES, PEOPLE, RATE, UNSHRUNK, assert_calm, skeletons

HEEL, BALL = complex(-12, 20), complex(28, 20)
"""Of a shoe's sole from the ankle, in units, pointing to the right."""
SLIDE = 0.1
"""Units a frame at 30 that a foot on the ground may move (motion.md 5)."""


def soles(person: Person, performance: Performance, moment: float, way: int) -> dict[tuple[int, complex], complex]:
    """Where heels and balls are in the scene; the ground is at 0, y down."""
    pose = performance.pose(moment)
    skeleton = solve(person.sheet, pose)
    size = skeleton.proportions.limb
    ground = -skeleton.proportions.ankle + 20 * size
    return {
        (leg.side, part): leg.ankle + pose.root - 1j * ground
        + complex(part.real * way, part.imag) * cmath.exp(1j * math.radians(leg.angle)) * size
        for leg in (skeleton.left_leg, skeleton.right_leg) for part in (HEEL, BALL)
    }  # fmt: skip


@settings(max_examples=12, deadline=None, phases=UNSHRUNK)
@given(st.sampled_from(BODIES), st.floats(90, 900), st.sampled_from([-1, 1]), st.booleans())
def test_feet_never_slide_nor_sink_on_a_walk(body: str, way: float, side: int, leaving: bool) -> None:
    person = PEOPLE[body]
    cue = MoveCue(1.0, "walk-out", side * way) if leaving else MoveCue(6.5, "walk-in", -side * way)
    performance = Performance(Role((), 8.0, moves=(cue,), leg=person.leg, foot=person.foot), RATE)
    frames = [soles(person, performance, n / 120, side) for n in range(120, 900)]
    for before, after in itertools.pairwise(frames):
        for sole, place in after.items():
            assert place.imag < 0.05, "sunk into the ground"
            if place.imag > -0.05 and before[sole].imag > -0.05:
                assert abs(place.real - before[sole].real) * 4 <= SLIDE, (body, way, sole)


def test_a_step_takes_twelve_frames_at_24_a_second() -> None:
    """A walk "on 12s", a march tempo (Williams, The Animator's Survival Kit; from memory)."""
    person = PEOPLE["maren"]
    role = Role((), 8.0, moves=(MoveCue(6.0, "walk-in", -800.0),), leg=person.leg, foot=person.foot)
    performance = Performance(role, FrameRate.of(24))
    heels = {side: [soles(person, performance, n / 240, 1)[side, HEEL] for n in range(480, 1200)] for side in (-1, 1)}
    landings = sorted(
        n / 240
        for side, path in heels.items()
        for n, (before, after) in enumerate(itertools.pairwise(path))
        if before.imag < -0.05 <= after.imag
    )
    steps = [b - a for a, b in itertools.pairwise(landings)]
    assert len(steps) >= 4
    assert all(abs(step * 24 - 12) <= 1 for step in steps), steps


def test_who_walks_in_arrives_on_the_word_and_who_leaves_is_gone() -> None:
    role = Role((), 9.0, moves=(MoveCue(4.0, "walk-in", -500.0), MoveCue(5.0, "walk-out", 600.0)))
    performance = Performance(role, RATE)
    assert performance.pose(0.0).root == -500
    assert performance.pose(4.0).root == pytest.approx(0, abs=1)
    assert performance.pose(8.9).root == pytest.approx(600, abs=1)


def test_sitting_while_walking_waits_and_walking_while_sitting_stands_up_first() -> None:
    role = Role((), 12.0, moves=(MoveCue(4.0, "walk-to", 300.0), MoveCue(3.5, "sit"), MoveCue(7.0, "walk-to", 0.0)))
    performance = Performance(role, RATE)
    for n in range(360):
        pose = performance.pose(n / 30)
        moving = abs(performance.pose(n / 30 + 0.02).root - pose.root) > 0.5
        assert not (moving and pose.body.hip_y < -0.2), n / 30


def test_who_turns_away_is_seen_from_behind_and_walking_turns_back() -> None:
    """The face goes when the body is seen from the side, and comes back there."""
    cues = (MoveCue(2.0, "turn-away", side=-1), MoveCue(8.0, "walk-to", 300.0))
    performance = Performance(Role((), 12.0, moves=cues), RATE)
    person = PEOPLE["maren"]
    seen = [
        {part.name for part in person.parts(performance.pose(n / 30), 1.0)} >= {"mouth", "eyes"} for n in range(330)
    ]
    assert all(seen[:60]) and not any(seen[75:150]) and all(seen[260:])
    turned = [performance.pose(n / 30).body for n in range(330)]
    for before, after in itertools.pairwise(turned):
        if before.away != after.away:
            assert abs(before.turn) > 0.5 and before.turn * after.turn > 0, "from the side"


ACTS = st.lists(
    st.tuples(
        st.sampled_from(["take", "show", "pass", "put-down", *MOVES, *GESTURES]), st.sampled_from(list(PROPS)),
        st.sampled_from(["left", "right"]), st.floats(0.3, 2.2),
    ),
    min_size=2, max_size=7,
)  # fmt: skip


def played(
    acts: list[tuple[str, str, str, float]], partner: str = "", *, desk: bool = False
) -> tuple[dict[str, Role], float]:
    """The roles of a host, and of a partner, from what is to happen one after another."""
    at, props, moves, gestures = 1.5, [], [], []
    for act, prop, hand, after in acts:
        side = -1 if hand == "left" else 1
        if act in MOVES:
            moves.append(MoveCue(at, act, -side * 400.0 if act == "walk-in" else side * 400.0, side))
        elif act in GESTURES:
            gestures.append(GestureCue(at, act))
        else:
            props.append(PropCue(at, "a", act, prop, hand))
        at += after
    done, _ = resolved(props, {"a": (partner, 1), "b": ("a", -1)} if partner else {}, desk=desk)
    first = Role((), at + 4, cues=tuple(gestures), handling=done.get("a", ()), moves=tuple(moves))
    return {"a": first, "b": Role((), at + 4, handling=done.get("b", ()))}, at


@settings(max_examples=25, deadline=None, phases=UNSHRUNK)
@given(ACTS, st.sampled_from(BODIES), st.booleans())
@example([("lean-in", "map", "left", 0.99), ("laugh", "map", "left", 2.2)], "maren", True)  # leaned back in a jump
def test_props_moves_and_gestures_in_any_order_never_jump(
    acts: list[tuple[str, str, str, float]], body: str, behind: bool
) -> None:
    roles, end = played(acts, desk=behind)
    performance = Performance(replace(roles["a"], behind=behind), RATE)
    assert_calm(skeletons(performance, PEOPLE[body], 0.2, end + 3), acts)


def test_what_stands_at_the_other_hand_is_taken_there_and_handed_over() -> None:
    """Not where the asked hand is: nothing on a desk goes anywhere by itself."""
    cues = [PropCue(2.0, "a", "take", "mug", "left"), PropCue(5.0, "a", "put-down"),
            PropCue(8.0, "a", "take", "mug", "right")]  # fmt: skip
    done, notes = resolved(cues, {}, desk=True)
    performance = Performance(Role((), 14.0, handling=done["a"], behind=True), RATE)
    assert {item.hand for item in performance.on_desk} == {"left"} and len(notes) == 1
    pose = performance.pose(11.0)
    assert pose.right.held and not pose.left.held
    assert_calm(skeletons(performance, PEOPLE["maren"], 0.2, 14.0), cues)


@settings(max_examples=25, deadline=None, phases=UNSHRUNK)
@given(ACTS)
@example([("take", "megaphone", "right", 0.45), ("take", "megaphone", "left", 1.12), ("count", "book", "right", 2.0)])
def test_behind_a_desk_a_prop_is_on_it_or_in_a_hand_never_both(acts: list[tuple[str, str, str, float]]) -> None:
    roles, end = played(acts, desk=True)
    performance = Performance(replace(roles["a"], behind=True), RATE)
    seen: set[str] = set()
    for n in range(int((end + 3) * 30)):
        pose = performance.pose(n / 30)
        held = {arm.held.prop for arm in (pose.left, pose.right) if arm.held}
        standing = [item.prop for item in performance.on_desk if item.start <= n / 30 < item.end]
        assert len(set(standing)) == len(standing) and not held & set(standing), n / 30
        assert seen <= held | set(standing), "what was there once does not vanish"
        seen |= held | set(standing)


@settings(max_examples=25, deadline=None, phases=UNSHRUNK)
@given(st.sampled_from(list(PROPS)), st.sampled_from(["left", "right"]), st.sampled_from(list(CAST)))
def test_a_hand_takes_a_prop_where_it_stands_on_the_desk(prop: str, hand: str, host: str) -> None:
    """Within the desk's depth of 15 units, and well outside the other things of that hand."""
    cues = [
        PropCue(2.0, "a", "take", prop, hand),
        PropCue(5.0, "a", "put-down"),
        PropCue(8.0, "a", "take", "mug", hand),
    ]
    done, _ = resolved(cues, {})
    performance = Performance(Role((), 12.0, CAST[host].abilities, handling=done["a"], behind=True), RATE)
    side = -1 if hand == "left" else 1
    first, *later = (CAST[host].palm(performance.pose(item.touched), side) for item in performance.on_desk)
    again = [place for item, place in zip(performance.on_desk[1:], later, strict=True) if item.prop == prop]
    others = [place for item, place in zip(performance.on_desk[1:], later, strict=True) if item.prop != prop]
    assert all(abs(place - first) < 15 for place in again), (first, again)
    assert all(abs((place - first).real) > 20 for place in others) or prop == "mug"


@settings(max_examples=40, deadline=None, phases=UNSHRUNK)
@given(ACTS)
def test_a_prop_is_in_one_place_and_a_hand_holds_one_thing(acts: list[tuple[str, str, str, float]]) -> None:
    roles, end = played(acts, "b")
    performances = [Performance(role, RATE) for role in roles.values()]
    for n in range(int((end + 3) * 30)):
        poses = [p.pose(n / 30) for p in performances]
        held = [arm.held for pose in poses for arm in (pose.left, pose.right) if arm.held and not arm.held.second]
        helping = [arm.held for pose in poses for arm in (pose.left, pose.right) if arm.held and arm.held.second]
        assert len(helping) == len([h for h in held if PROPS[h.prop].hands == 2])
        for pose in poses:
            both = [arm.held for arm in (pose.left, pose.right) if arm.held]
            if len(both) == 2:
                assert all(PROPS[h.prop].hands == 1 for h in both) or both[0].prop == both[1].prop


def test_passing_moves_a_prop_from_hand_to_hand_at_the_word() -> None:
    cues = [PropCue(2.0, "a", "take", "map", "left"), PropCue(5.0, "a", "pass")]
    done, notes = resolved(cues, {"a": ("b", 1), "b": ("a", -1)})
    assert not notes
    assert [h.act for h in done["a"]] == ["take", "change", "give"]
    giver, taker = (Performance(Role((), 9.0, handling=done[host]), RATE) for host in ("a", "b"))
    assert giver.pose(4.9).right.held and not taker.pose(4.9).left.held
    assert taker.pose(5.1).left.held and not giver.pose(5.1).right.held
    assert giver.pose(4.98).right.x == pytest.approx(taker.pose(5.0).left.x, abs=0.05)


def test_every_host_can_hold_every_prop() -> None:
    for host in [*list(CAST.values())[::5], CAST["skerry"], CAST["dulse"]]:
        surface = skia.Surface(200, 260)
        for prop in PROPS:
            done, _ = resolved([PropCue(2.0, "a", "take", prop)], {})
            without, holding = (
                Performance(Role((), 4.0, host.abilities, handling=h), RATE).pose(3.0) for h in ((), done["a"])
            )
            pixels = []
            for pose in (without, holding):
                surface.getCanvas().clear(skia.ColorWHITE)
                surface.getCanvas().save()
                surface.getCanvas().translate(100, 90)
                surface.getCanvas().scale(0.5, 0.5)
                surface.getCanvas().translate(0, -host.head_centre.imag)
                host.draw(surface.getCanvas(), pose)
                surface.getCanvas().restore()
                pixels.append(surface.makeImageSnapshot().tobytes())
            assert pixels[0] != pixels[1], (host.id, prop)
