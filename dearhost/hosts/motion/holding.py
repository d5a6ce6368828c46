"""Props in hands over a scene: who takes, shows, passes and puts down what, and how the arms do it.

Props come out of a pocket and go back there, or, behind a desk, stand on it before and after.

What cannot be is resolved in this order: a hand that is full puts down what it has first; what needs both hands
empties both; what comes too early waits until the hands are free; showing, passing or putting down nothing is
passed over; passing with nobody there puts down; a hand
that holds something takes no part in gestures (the other one makes them where one hand is enough).
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.drawing.outlines import clamp
from dearhost.hosts.motion.channels import arm, within_wrist
from dearhost.hosts.pose import Held
from dearhost.hosts.props import LYING, PROPS

ACTS = ("take", "show", "pass", "put-down")
LEAD, TAIL = 1.05, 1.15
"""Seconds that taking begins before its word, and that putting down lasts after it."""
_POCKET = 0.52
"""Seconds before its word at which a prop comes out of the pocket, and after which it is back in it."""
_GROWS = 0.12
POCKET: Mapping[str, float] = within_wrist(arm(0.13, 0.93, 4, "hold", upper_arm=12))
"""An arm's channels at the pocket."""
DESK_TOP = 0.50
"""Arm lengths below the shoulder at which forearms rest, and props stand, on a desk."""
_ARM = 186.0
_CHIN, _HIGHEST = -0.21, -0.14
"""Arm lengths below the shoulder: the chin, and how high a hand carries at most."""
_HANDED_OVER = 0.9
"""Seconds after taking what stands at one hand in which the other one gets it."""
_LAID = 0.30
"""Seconds in which what lies on a desk is turned upright."""


@dataclass(frozen=True, slots=True)
class PropCue:
    """What a host is to do with a prop at ``at`` seconds; ``hand`` left or right of the picture.

    ``content`` is what stands on the prop: words, or the id of a picture or clip of one's own.
    """

    at: float
    host: str
    act: str
    prop: str = ""
    hand: str = "right"
    content: str = ""
    longer: float = 0.0


@dataclass(frozen=True, slots=True)
class Handling:
    """One thing a hand does with a prop, when nothing is left to resolve.

    ``act``: take, put-down, show, give, receive, or change (into ``hand`` from the other one).
    """

    at: float
    act: str
    prop: str
    hand: str
    content: str = ""
    longer: float = 0.0


def other(hand: str) -> str:
    """The hand across."""
    return "left" if hand == "right" else "right"


class _Hands:
    """What every host has in their hands while cues are gone through in order."""

    def __init__(self, partners: Mapping[str, tuple[str, int]], *, desk: bool) -> None:
        self._partners, self._desk = partners, desk
        self.done: dict[str, list[Handling]] = {}
        self.notes: list[tuple[float, str]] = []
        self._held: dict[str, dict[str, Handling]] = {}
        self._free: dict[str, float] = {}
        self._stands: dict[tuple[str, str, str], str] = {}
        """On a desk, by which hand (host, prop, content) was put down."""

    def _do(self, host: str, handling: Handling) -> None:
        self._free[host] = handling.at + _AFTER[handling.act]
        self.done.setdefault(host, []).append(handling)
        held = self._held.setdefault(host, {})
        if handling.act in ("take", "receive", "change"):
            held[handling.hand] = handling
            if handling.act == "change":
                held.pop(other(handling.hand), None)
        elif handling.act in ("put-down", "give"):
            held.pop(handling.hand, None)
        if handling.act == "put-down" and self._desk:
            self._stands[host, handling.prop, handling.content] = handling.hand

    def _empty(self, host: str, hand: str, at: float) -> None:
        had = self._held.get(host, {}).get(hand)
        if had:
            self._do(
                host, Handling(self._when(at - LEAD - TAIL, "put-down", host), "put-down", had.prop, hand, had.content)
            )

    def _when(self, at: float, act: str, *hosts: str) -> float:
        """``at``, or as soon as the hosts' hands are done with what they did before."""
        return max(at, *(self._free.get(host, -1e9) + _BEFORE[act] for host in hosts))

    def take(self, cue: PropCue) -> None:
        """Out of the pocket or off the desk, when the hand is free; what stands at the other hand, or is in it, by
        way of that."""
        hand, both = cue.hand, PROPS[cue.prop].hands == 2
        across = self._held.get(cue.host, {}).get(other(hand))
        if across and not both and (across.prop, across.content) == (cue.prop, cue.content):
            self._empty(cue.host, hand, cue.at)
            at = self._when(cue.at, "change", cue.host)
            self._do(cue.host, Handling(at, "change", cue.prop, hand, cue.content))
            return
        for full, had in list(self._held.get(cue.host, {}).items()):
            if full == hand or both or PROPS[had.prop].hands == 2:
                self._empty(cue.host, full, cue.at)
        at = self._when(cue.at, "take", cue.host)
        nearer = self._stands.get((cue.host, cue.prop, cue.content), hand)
        if nearer == hand or both or nearer in self._held.get(cue.host, {}):
            self._do(cue.host, Handling(at, "take", cue.prop, hand, cue.content))
            return
        self.notes.append((cue.at, "It stands at the other hand, which takes it and hands it over."))
        self._do(cue.host, Handling(at, "take", cue.prop, nearer, cue.content))
        at = self._when(at + _HANDED_OVER, "change", cue.host)
        self._do(cue.host, Handling(at, "change", cue.prop, hand, cue.content))

    def use(self, cue: PropCue) -> None:
        """Show, pass or put down what is held: in the hand that was asked for, or in the other."""
        held = self._held.get(cue.host, {})
        had = held.get(cue.hand) or next(iter(held.values()), None)
        if had is None:
            self.notes.append((cue.at, f"Nothing is held that could be {_DONE[cue.act]}."))
            return
        partner, side = self._partners.get(cue.host, ("", 0))
        base = Handling(cue.at, cue.act, had.prop, had.hand, had.content, cue.longer)
        if cue.act != "pass":
            self._do(cue.host, replace(base, at=self._when(cue.at, cue.act, cue.host)))
        elif not partner:
            self.notes.append((cue.at, "Nobody is there to pass it to: it is put down."))
            self._do(cue.host, replace(base, act="put-down", at=self._when(cue.at, "put-down", cue.host)))
        else:
            inner = "right" if side > 0 else "left"
            if had.hand != inner:
                at = self._when(cue.at - 1.25, "change", cue.host)
                self._do(cue.host, replace(base, at=at, act="change", hand=inner))
            for hand in ("left", "right"):
                if hand == other(inner) or PROPS[had.prop].hands == 2:
                    self._empty(partner, hand, cue.at)
            at = self._when(cue.at, "give", cue.host, partner)
            self._do(cue.host, replace(base, at=at, act="give", hand=inner))
            self._do(partner, replace(base, at=at, act="receive", hand=other(inner)))


_BEFORE = {"take": LEAD, "show": 0.5, "change": 0.45, "give": 0.62, "receive": 0.62, "put-down": 0.02}
_AFTER = {"take": 0.08, "show": 0.3, "change": 0.63, "give": 0.87, "receive": 0.87, "put-down": TAIL}
"""Seconds that hands need before and after what they do."""
_DONE = {"show": "shown", "pass": "passed", "put-down": "put down"}


def resolved(
    cues: Sequence[PropCue], partners: Mapping[str, tuple[str, int]], *, desk: bool = False
) -> tuple[dict[str, tuple[Handling, ...]], list[tuple[float, str]]]:
    """What each host's hands do, and (when, what) was passed over or done otherwise.

    ``partners`` maps hosts to who stands next to them and on which side (1 right, -1 left). ``desk``: things stand on
    one before and after.
    """
    hands = _Hands(partners, desk=desk)
    for cue in sorted(cues, key=lambda c: c.at):
        (hands.take if cue.act == "take" else hands.use)(cue)
    return {host: tuple(sorted(done, key=lambda h: h.at)) for host, done in hands.done.items()}, hands.notes


@dataclass(frozen=True, slots=True)
class Holding:
    """A prop in a hand from ``start`` to ``end`` seconds; ``taken`` from where props are kept, ``put_down`` there; else
    it came from, and goes to, another hand."""

    prop: str
    hand: str
    content: str
    start: float
    end: float
    taken: bool
    put_down: bool

    def holds(self, hand: str) -> bool:
        """Whether ``hand`` is needed for it."""
        return hand == self.hand or PROPS[self.prop].hands == 2

    def at(self, hand: str, moment: float, *, on_desk: bool = False) -> Held | None:
        """What ``hand`` has at ``moment``, out of a pocket or from a desk."""
        if not self.holds(hand) or not self.start <= moment < self.end:
            return None
        held = Held(self.prop, self.content, second=hand != self.hand, since=moment - self.start)
        here = min(moment - self.start if self.taken else 1e9, self.end - moment if self.put_down else 1e9)
        if on_desk:
            return held if PROPS[self.prop].standing else replace(held, lying=lying_at(here))
        size = clamp(here / _GROWS)
        return replace(held, size=round(size, 2)) if size > 0.02 else None


def holdings(handling: Sequence[Handling]) -> tuple[Holding, ...]:
    """What is held from when to when."""
    found: list[Holding] = []
    now: dict[str, Holding] = {}
    for item in handling:
        if item.act in ("take", "receive"):
            start = item.at - _POCKET if item.act == "take" else item.at
            now[item.hand] = Holding(item.prop, item.hand, item.content, start, 1e9, item.act == "take", False)
        elif item.act == "change" and other(item.hand) in now:
            before = now.pop(other(item.hand))
            found.append(replace(before, end=item.at))
            now[item.hand] = replace(before, hand=item.hand, start=item.at, taken=False)
        elif item.act in ("put-down", "give") and item.hand in now:
            down = item.act == "put-down"
            found.append(replace(now.pop(item.hand), end=item.at + (_POCKET if down else 0.0), put_down=down))
    return tuple(sorted([*found, *now.values()], key=lambda holding: holding.start))


def lying_at(seconds: float) -> float:
    """Degrees by which a prop that lies on desks is laid over so long after it was taken, or before it is put down."""
    part = clamp(seconds / _LAID)
    return round(LYING * (1 - part * part * (3 - 2 * part)), 1)


def hands_full(handling: Sequence[Handling]) -> tuple[tuple[float, float], ...]:
    """From when to when neither hand is free to gesture, seconds."""
    found = []
    held = [(h, h.start - LEAD + 0.5, h.end + 0.65) for h in holdings(handling)]
    for number, (one, start, end) in enumerate(held):
        if PROPS[one.prop].hands == 2:
            found.append((start, end))
        for another, from_, until in held[number + 1 :]:
            if another.hand != one.hand and max(start, from_) < min(end, until):
                found.append((max(start, from_), min(end, until)))
    return tuple(found)


@dataclass(frozen=True, slots=True)
class OnDesk:
    """A prop on the desk before a host from ``start`` to ``end`` seconds, where the ``hand`` has it at ``touched``."""

    prop: str
    content: str
    hand: str
    touched: float
    start: float
    end: float


def on_desk(held: Sequence[Holding]) -> tuple[OnDesk, ...]:
    """What stands on the desk before a host that holds ``held``: what it will take, from the scene's beginning or since
    it put it down, and what it has put down."""
    found = []
    for number, holding in enumerate(held):
        same = [h for h in held if (h.prop, h.content) == (holding.prop, holding.content)]
        if holding.taken and not any(h.put_down and h.end <= holding.start for h in same):
            found.append(OnDesk(holding.prop, holding.content, holding.hand, holding.start, -1e9, holding.start))
        if holding.put_down:
            until = min((h.start for h in held[number + 1 :] if h in same and h.taken), default=1e9)
            found.append(OnDesk(holding.prop, holding.content, holding.hand, holding.end - 1e-3, holding.end, until))
    return tuple(found)


def desk_places(held: Sequence[Holding]) -> dict[tuple[str, str, str], int]:
    """Where on a desk each thing has its place: (hand, prop, content) to 0 before the shoulder, 1, 2 farther out."""
    places: dict[tuple[str, str, str], int] = {}
    for holding in held:
        if holding.taken or holding.put_down:
            beside = sum(hand == holding.hand for hand, _, _ in places)
            places.setdefault((holding.hand, holding.prop, holding.content), min(2, beside))
    return places


@lru_cache(maxsize=64)
def on_desk_at(prop: str, place: int) -> Mapping[str, float]:
    """An arm's channels at a prop that stands on a desk."""
    kind = PROPS[prop]
    rise = (kind.foot - kind.grip[1]) * kind.size / 100 if kind.standing else 8.0
    return within_wrist(arm((0.32, 0.60, 0.80)[place], DESK_TOP - (rise - 14) / _ARM, -70, "hold", upper_arm=24))


@lru_cache(maxsize=64)
def carried(prop: str, down_to: float = math.inf) -> Mapping[str, float]:
    """An arm's channels while it carries a prop that is to be seen, where that can be, above ``down_to`` arm lengths
    below the shoulder."""
    kind = PROPS[prop]
    if kind.hands == 2:
        return _held_at(prop, down_to, kind.size * 0.0025 - 0.20, 0.31, -125, 18)
    if kind.hangs:
        return _held_at(prop, down_to, 0.16, 0.20, -150, 26)
    if kind.board:
        return _held_at(prop, down_to, 0.17, 0.44, -100, 18)
    return _held_at(prop, down_to, 0.10, 0.31, -130, 20)


@lru_cache(maxsize=64)
def shown(prop: str, down_to: float = math.inf) -> Mapping[str, float]:
    """An arm's channels while it holds a prop up, which is to be seen as in ``carried``."""
    kind = PROPS[prop]
    if kind.hands == 2:
        return _held_at(prop, down_to, kind.size * 0.0025 - 0.20, 0.21, -145, 26)
    if kind.board:
        return _held_at(prop, down_to, 0.30, 0.34, -120, 26)
    return _held_at(prop, down_to, 0.26, 0.28, -150, 28)


def _held_at(prop: str, down_to: float, x: float, y: float, angle: float, upper_arm: float) -> Mapping[str, float]:
    """An arm's channels with the hand at ``x`` and ``y``, or as far above as what it holds needs: no nearer to the
    chin than it is by itself, or than leaves the chin free."""
    above, below = (part / _ARM for part in PROPS[prop].extent)
    highest = min(y, max(_HIGHEST, _CHIN + above))
    return within_wrist(arm(x, max(highest, min(y, down_to - below)), angle, "hold", upper_arm=upper_arm))


def meeting(x: float, y: float) -> dict[str, float]:
    """An arm's channels where two hands meet: ``x`` outward and ``y`` down in arm lengths."""
    return within_wrist(arm(x, y, 75 if x > 0 else -80, "hold", upper_arm=24))
