"""Props in hands over a scene: who takes, shows, passes and puts down what, and how the arms do it.

What cannot be is resolved in this order: a hand that is full puts down what it has first; what needs both hands
empties both; what comes too early waits until the hands are free; showing, passing or putting down nothing is
passed over; passing with nobody there puts down; a hand
that holds something takes no part in gestures (the other one makes them where one hand is enough).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from dearhost.hosts.channels import arm, within_wrist
from dearhost.hosts.paper import clamp
from dearhost.hosts.pose import Held
from dearhost.hosts.props import PROPS

ACTS = ("take", "show", "pass", "put-down")
LEAD, TAIL = 1.05, 1.15
"""Seconds that taking begins before its word, and that putting down lasts after it."""
_POCKET = 0.52
"""Seconds before its word at which a prop comes out of the pocket, and after which it is back in it."""
_GROWS = 0.12
POCKET: Mapping[str, float] = within_wrist(arm(0.13, 0.93, 4, "hold", upper_arm=12))
"""An arm's channels at the pocket."""


@dataclass(frozen=True, slots=True)
class PropCue:
    """What a host is to do with a prop at ``at`` seconds; ``hand`` left or right of the picture."""

    at: float
    host: str
    act: str
    prop: str = ""
    hand: str = "right"
    words: str = ""
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
    words: str = ""
    longer: float = 0.0


def other(hand: str) -> str:
    """The hand across."""
    return "left" if hand == "right" else "right"


class _Hands:
    """What every host has in their hands while cues are gone through in order."""

    def __init__(self, partners: Mapping[str, tuple[str, int]]) -> None:
        self._partners = partners
        self.done: dict[str, list[Handling]] = {}
        self.notes: list[tuple[float, str]] = []
        self._held: dict[str, dict[str, Handling]] = {}
        self._free: dict[str, float] = {}

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

    def _empty(self, host: str, hand: str, at: float) -> None:
        had = self._held.get(host, {}).get(hand)
        if had:
            self._do(
                host, Handling(self._when(at - LEAD - TAIL, "put-down", host), "put-down", had.prop, hand, had.words)
            )

    def _when(self, at: float, act: str, *hosts: str) -> float:
        """``at``, or as soon as the hosts' hands are done with what they did before."""
        return max(at, *(self._free.get(host, -1e9) + _BEFORE[act] for host in hosts))

    def take(self, cue: PropCue) -> None:
        """Out of the pocket, when the hand is free."""
        hand, both = cue.hand, PROPS[cue.prop].hands == 2
        for full, had in list(self._held.get(cue.host, {}).items()):
            if full == hand or both or PROPS[had.prop].hands == 2:
                self._empty(cue.host, full, cue.at)
        at = self._when(cue.at, "take", cue.host)
        self._do(cue.host, Handling(at, "take", cue.prop, hand, cue.words))

    def use(self, cue: PropCue) -> None:
        """Show, pass or put down what is held: in the hand that was asked for, or in the other."""
        held = self._held.get(cue.host, {})
        had = held.get(cue.hand) or next(iter(held.values()), None)
        if had is None:
            self.notes.append((cue.at, f"Nothing is held that could be {_DONE[cue.act]}."))
            return
        partner, side = self._partners.get(cue.host, ("", 0))
        base = Handling(cue.at, cue.act, had.prop, had.hand, had.words, cue.longer)
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
    cues: Sequence[PropCue], partners: Mapping[str, tuple[str, int]]
) -> tuple[dict[str, tuple[Handling, ...]], list[tuple[float, str]]]:
    """What each host's hands do, and (when, what) was passed over or done otherwise.

    ``partners`` maps hosts to who stands next to them and on which side (1 right, -1 left).
    """
    hands = _Hands(partners)
    for cue in sorted(cues, key=lambda c: c.at):
        (hands.take if cue.act == "take" else hands.use)(cue)
    return {host: tuple(sorted(done, key=lambda h: h.at)) for host, done in hands.done.items()}, hands.notes


@dataclass(frozen=True, slots=True)
class Holding:
    """A prop in a hand from ``start`` to ``end`` seconds; from and into the pocket, or from hand to hand."""

    prop: str
    hand: str
    words: str
    start: float
    end: float
    grows: bool
    shrinks: bool

    def holds(self, hand: str) -> bool:
        """Whether ``hand`` is needed for it."""
        return hand == self.hand or PROPS[self.prop].hands == 2

    def at(self, hand: str, moment: float) -> Held | None:
        """What ``hand`` has at ``moment``."""
        if not self.holds(hand) or not self.start <= moment < self.end:
            return None
        size = clamp((moment - self.start) / _GROWS) if self.grows else 1.0
        if self.shrinks:
            size = min(size, clamp((self.end - moment) / _GROWS))
        return Held(self.prop, self.words, round(size, 2), hand != self.hand) if size > 0.02 else None


def holdings(handling: Sequence[Handling]) -> tuple[Holding, ...]:
    """What is held from when to when."""
    found: list[Holding] = []
    now: dict[str, Holding] = {}
    for item in handling:
        if item.act in ("take", "receive"):
            start = item.at - _POCKET if item.act == "take" else item.at
            now[item.hand] = Holding(item.prop, item.hand, item.words, start, 1e9, item.act == "take", False)
        elif item.act == "change" and other(item.hand) in now:
            before = now.pop(other(item.hand))
            found.append(replace(before, end=item.at))
            now[item.hand] = replace(before, hand=item.hand, start=item.at, grows=False)
        elif item.act in ("put-down", "give") and item.hand in now:
            down = item.act == "put-down"
            found.append(replace(now.pop(item.hand), end=item.at + (_POCKET if down else 0.0), shrinks=down))
    return tuple(sorted([*found, *now.values()], key=lambda holding: holding.start))


@lru_cache(maxsize=32)
def carried(prop: str) -> Mapping[str, float]:
    """An arm's channels while it carries a prop."""
    kind = PROPS[prop]
    if kind.hands == 2:
        return within_wrist(arm(kind.size * 0.0025 - 0.20, 0.31, -125, "hold", upper_arm=18))
    if kind.grip[1] < 0:  # it hangs from the hand
        return within_wrist(arm(0.16, 0.20, -150, "hold", upper_arm=26))
    if kind.board:
        return within_wrist(arm(0.17, 0.44, -100, "hold", upper_arm=18))
    return within_wrist(arm(0.10, 0.31, -130, "hold", upper_arm=20))


@lru_cache(maxsize=32)
def shown(prop: str) -> Mapping[str, float]:
    """An arm's channels while it holds a prop up."""
    kind = PROPS[prop]
    if kind.hands == 2:
        return within_wrist(arm(kind.size * 0.0025 - 0.20, 0.21, -145, "hold", upper_arm=26))
    if kind.board:
        return within_wrist(arm(0.30, 0.34, -120, "hold", upper_arm=26))
    return within_wrist(arm(0.26, 0.28, -150, "hold", upper_arm=28))


def meeting(x: float, y: float) -> dict[str, float]:
    """An arm's channels where two hands meet: ``x`` outward and ``y`` down in arm lengths."""
    return within_wrist(arm(x, y, 75 if x > 0 else -80, "hold", upper_arm=24))
