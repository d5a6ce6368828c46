"""Arms over a scene: cue gestures on their words, beats on accents, and home again."""

from __future__ import annotations

import itertools
import math
import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from dearhost.drawing.outlines import clamp
from dearhost.hosts.motion.channels import ARM_CHANNELS, PEAK, Channel, within_wrist
from dearhost.hosts.motion.gestures import BEATS, GESTURES, HOME, Key, stretched, stroke_time
from dearhost.hosts.motion.holding import (
    LEAD,
    POCKET,
    TAIL,
    Handling,
    carried,
    desk_places,
    holdings,
    meeting,
    on_desk_at,
    other,
    shown,
)
from dearhost.hosts.motion.idle_motion import Listened
from dearhost.hosts.motion.liveliness import Liveliness
from dearhost.hosts.motion.rhythm import Rhythm
from dearhost.hosts.pose import Held
from dearhost.hosts.props import PROPS

_WRIST_SPEED, _HAND_SPEED, _HEAD_SPEED = 690.0, 760.0, 130.0
"""Peak speeds kept to: units, degrees, degrees a second."""
_TIP_SPEED = 1020.0
"""Of fingertips in units a second: 58 units from the wrist, a degree moves them by one."""
_FASTEST: Mapping[str, float] = {"lean": 6.0}
"""A second, whatever interrupts what: leaning back from close up carries the head by 20 units."""
_ARM_UNITS = 186.0

_OTHER_REST: Mapping[str, float] = {
    "yaw": 0.0, "pitch": 0.0, "roll": 0.0, "bend": 0.0, "lean": 0.0,
    "face.lid": 1.0, "face.squint": 0.0, "face.cheek": 0.0, "face.gaze_x": 0.0, "face.gaze_y": 0.0,
    "face.brow_left": 0.0, "face.brow_right": 0.0, "face.brow_angle": 0.0, "face.brow_in": 0.0,
    "mouth.smile": 0.34, "mouth.wide": 0.0, "mouth.press": 0.0, "mouth.open": 0.0, "mouth.asymmetry": 0.0,
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class GestureCue:
    """A gesture whose stroke ends at ``at`` seconds; it stays ``longer`` seconds more than usual."""

    at: float
    gesture: str
    strength: float = 1.0
    mirrored: bool = False
    longer: float = 0.0


_ARM = frozenset(ARM_CHANNELS)
_DIRECTED = ("point-left", "point-right")
"""Gestures with a hand that cannot be the other one."""
_MIDDLE = -0.255
"""Arm lengths from a shoulder to the middle of the body."""
_MIRRORED_SIGN = ("yaw", "roll", "bend", "face.gaze_x", "mouth.asymmetry")
_SCALED = ("x", "y", "angle", "upper_arm", "yaw", "pitch", "roll", "bend", "lean", "shrug")
_OTHER_SIDE = {"left.": "right.", "right.": "left."}


def _mirror(values: Mapping[str, float]) -> dict[str, float]:
    """The same to the other side."""
    mirrored = {}
    for name, value in values.items():
        side = name[: name.find(".") + 1]
        if side in _OTHER_SIDE:
            name = _OTHER_SIDE[side] + name[len(side) :]
        elif name.startswith("face.brow_") and name.endswith(("left", "right")):
            name = "face.brow_right" if name.endswith("left") else "face.brow_left"
        mirrored[name] = -value if name in _MIRRORED_SIGN else value
    return mirrored


def keys_of(cue: GestureCue) -> tuple[Key, ...]:
    """The gesture's keys, to the side and as long as the cue asks for."""
    keys = GESTURES[cue.gesture]
    if cue.strength > 1:  # a larger gesture takes its time
        keys = stretched(keys, cue.strength)
    if cue.longer:
        keys = _held(keys, cue.longer)
    return tuple(replace(key, values=_mirror(key.values)) for key in keys) if cue.mirrored else keys


def _held(keys: tuple[Key, ...], longer: float) -> tuple[Key, ...]:
    """The keys with the first hold after the stroke, or the stroke's own end, drawn out."""
    peak = next(i for i, key in enumerate(keys) if key.stroke)
    kept = list(keys[: peak + 1])
    if not (peak + 1 < len(keys) and keys[peak + 1].ease == "hold"):
        kept.append(replace(keys[peak], end=keys[peak].end + longer, ease="hold", stroke=False))
    return tuple(kept) + tuple(replace(key, end=key.end + longer) for key in keys[peak + 1 :])


class Gesturing:
    """Channels for arms, and for what gestures do to head and face."""

    def __init__(self, rhythm: Rhythm, settings: Liveliness, seed: int, cues: Sequence[GestureCue],
                 partner: Sequence[Listened], reach: tuple[float, float], handling: Sequence[Handling] = (),
                 meet: tuple[float, float] = (0.4, 0.45), home: str = "front",
                 down_to: float = math.inf) -> None:  # fmt: skip
        self._rhythm, self._settings, self._random = rhythm, settings, random.Random(seed + 1)
        self._reach = {"left": reach[0], "right": reach[1]}
        left, right = HOME[home]
        self._home = {f"left.{k}": v for k, v in within_wrist(left).items()}
        self._home |= {f"right.{k}": v for k, v in within_wrist(right).items()}
        self._home |= _OTHER_REST
        self.channels = {name: Channel(value, _FASTEST.get(name, math.inf)) for name, value in self._home.items()}
        self.holdings, self._meet, self._down_to = holdings(handling), meet, down_to
        self._on_desk = home == "desk"
        self._places = desk_places(self.holdings)
        self._used = [
            ({hand for hand in ("left", "right") if holding.holds(hand)}, holding.start - 0.6, holding.end + 0.7)
            for holding in self.holdings
        ]
        plan = [(cue.at - stroke_time(keys_of(cue)), cue) for cue in sorted(cues, key=lambda c: c.at)]
        busy = [(start, start + keys_of(cue)[-1].end) for start, cue in plan]
        handled = [(item.at - LEAD, item) for item in handling]
        busy += [(item.at - LEAD, item.at + TAIL + item.longer) for item in handling]
        beats = self._choose_beats(busy)
        settled = self._turn_ends(busy, [start for start, _ in beats], partner)
        events: list[tuple[float, object]] = [*plan, *handled, *beats, *((end + 0.15, end) for end in settled)]
        for _, event in sorted(events, key=lambda e: e[0]):
            if isinstance(event, GestureCue):
                self._gesture(event)
            elif isinstance(event, Handling):
                self._handle(event)
            elif isinstance(event, _PlacedBeat):
                self._beat(event)
            elif isinstance(event, float):
                self._go_home("left", event + 0.15, event + 0.95)
                self._go_home("right", event + 0.15, event + 0.95)

    def busy(self, hand: str, moment: float) -> float:
        """0 to 1: how far a hand is with a cue gesture or a prop, and not free to swing."""
        most = 0.0
        for hands, start, end in self._used:
            if hand in hands:
                part = min(clamp((moment - start) / 0.4), clamp((end - moment) / 0.4))
                most = max(most, part * part * (3 - 2 * part))
        return most

    def held(self, hand: str, moment: float) -> Held | None:
        """What a hand has at ``moment``."""
        found = (holding.at(hand, moment, on_desk=self._on_desk) for holding in self.holdings)
        return next((held for held in found if held), None)

    def _full(self, start: float, end: float) -> set[str]:
        """The hands that hold something, or are about to, at any time from ``start`` to ``end``."""
        return {
            hand
            for holding in self.holdings
            for hand in ("left", "right")
            if holding.holds(hand) and holding.start - LEAD + 0.5 < end and start < holding.end + 0.65
        }

    def _home_at(self, name: str, moment: float) -> float:
        """Where a channel rests at ``moment``: at home, or as what the hand holds wants it."""
        hand, _, channel = name.partition(".")
        for holding in self.holdings:
            if channel in _ARM and holding.holds(hand) and holding.start <= moment < holding.end - 0.01:
                return carried(holding.prop, self._down_to)[channel]
        return self._home[name]

    def _move_arm(self, hand: str, start: float, end: float, goal: Mapping[str, float]) -> None:
        for name in ARM_CHANNELS:
            self.channels[f"{hand}.{name}"].move(start, end, goal[name])

    def _go_home(self, hand: str, start: float, end: float) -> None:
        self._move_arm(hand, start, end, {name: self._home_at(f"{hand}.{name}", end) for name in ARM_CHANNELS})

    def _kept(self, item: Handling) -> Mapping[str, float]:
        """Where the hand takes a prop from, and puts it."""
        if not self._on_desk:
            return POCKET
        return on_desk_at(item.prop, self._places.get((item.hand, item.prop, item.content), 0))

    def _handle(self, item: Handling) -> None:
        """The arms' way to take, show, pass on and put down a prop."""
        at, hand = item.at, item.hand
        hands = (hand, other(hand)) if PROPS[item.prop].hands == 2 else (hand,)
        if item.act == "take":
            self._move_arm(hand, at - LEAD, at - 0.55, self._kept(item))
            for each in hands:
                self._go_home(each, at - 0.47, at + 0.05)
            self._look_at(hand, at - 0.30, 0.35, down=0.5)
        elif item.act == "put-down":
            self._move_arm(hand, at, at + 0.5, self._kept(item))
            for each in hands:
                self._go_home(each, at + 0.55, at + TAIL)
        elif item.act == "show":
            for each in hands:
                self._move_arm(each, at - 0.5, at, shown(item.prop, self._down_to))
                self._go_home(each, at + 1.2 + item.longer, at + 1.85 + item.longer)
            self._look_at(hand, at - 0.35, 0.6, down=0.15)
        elif item.act == "change":
            for each in ("left", "right"):
                self._move_arm(each, at - 0.42, at + 0.02, meeting(_MIDDLE, 0.50))
                self._go_home(each, at + 0.06, at + 0.62)
        else:  # give or receive
            self._move_arm(hand, at - 0.60, at, meeting(*self._meet))
            for each in hands:
                self._go_home(each, at + 0.10, at + 0.85)
            self._look_at(hand, at - 0.45, 0.7, down=0.3)

    def _look_at(self, hand: str, start: float, seconds: float, *, down: float) -> None:
        """The eyes go to the hand for a moment, the head a little after them."""
        side = -1.0 if hand == "left" else 1.0
        for name, goal in (
            ("face.gaze_x", 0.4 * side),
            ("face.gaze_y", -down),
            ("yaw", 7.0 * side),
            ("pitch", -6 * down),
        ):
            later = 0.07 if name in ("yaw", "pitch") else 0.0
            length = 0.34 if later else 0.12
            self.channels[name].move(start + later, start + later + length, goal)
            self.channels[name].move(
                start + later + length + seconds, start + later + 2 * length + seconds, self._home[name]
            )

    def _choose_beats(self, busy: Sequence[tuple[float, float]]) -> list[tuple[float, _PlacedBeat]]:
        """Beats on the strongest accents, never a family twice running, none near a cue gesture."""
        settings, chosen = self._settings, []
        last, history = -9.0, [("", "")]
        accents = self._rhythm.accents
        for accent in accents:
            strongest = max(a.strength for a in accents if abs(a.at - accent.at) < 0.75)
            if accent.strength < strongest - 1e-9 or accent.at < 0.5:
                continue
            if accent.at - last < settings.beat_gap * self._random.uniform(0.85, 1.4):
                continue
            if any(start - 0.75 < accent.at < end + 0.20 for start, end in busy):
                continue
            if self._random.random() > settings.beat_chance * (0.6 + 0.5 * accent.strength):
                continue
            full = self._full(accent.at - 0.6, accent.at + 1.3)
            options = [
                (b, h)
                for b in BEATS
                for h in ("right", "left", "both")
                if not (b == "pinch" and h == "both") and h not in full and not (full and h == "both")
            ]
            if not options:
                continue
            share = {"right": 1.0, "left": 0.62, "both": 0.55}
            weights = [
                BEATS[b].weight * share[h] * (0.5 if h == history[-1][1] else 1.0)
                * (0.0 if (b, h) in history[-3:] or b == history[-1][0] else 1.0)
                for b, h in options
            ]  # fmt: skip
            family, hands = self._random.choices(options, weights)[0]
            history.append((family, hands))
            last = accent.at
            chosen.append((accent.at - 0.5, _PlacedBeat(accent.at, family, hands, accent.strength)))
        return chosen

    def _beat(self, beat: _PlacedBeat) -> None:
        settings, shape = self._settings, BEATS[beat.family]
        size = settings.beat_size * (0.72 + 0.4 * beat.strength)
        stroke, lift = 0.16 / settings.beat_speed, 0.40 / settings.beat_speed
        recovery, hold = 0.62 / settings.beat_speed, self._random.uniform(0.22, 0.5)
        hands = ("right", "left") if beat.hands == "both" else (beat.hands,)
        lifted, struck = within_wrist(dict(shape.lift)), within_wrist(dict(shape.stroke))
        for number, hand in enumerate(hands):
            at = beat.at + 0.045 * number
            for name in ARM_CHANNELS:
                home = self._home_at(f"{hand}.{name}", at)
                main = name in ("x", "y", "angle")
                amount = size * (0.86 if number else 1.0) if main else 1.0
                high = home + (lifted[name] - home) * amount
                low = home + (struck[name] - home) * amount
                over = 0.07 * (low - high) if main else 0.0
                later = 0.05 if name.startswith(("curl", "spread", "thumb")) else 0.0
                channel = self.channels[f"{hand}.{name}"]
                channel.move(at - stroke - lift, at - stroke, high)
                channel.move(at - stroke, at + later, low + over)
                channel.move(at + later, at + 0.16 + later, low)
                channel.move(at + 0.16 + hold, at + 0.16 + hold + recovery, home)

    def _gesture(self, cue: GestureCue) -> None:
        keys = keys_of(cue)
        start = cue.at - stroke_time(keys)
        full = self._full(start, start + keys[-1].end)
        used = {name for key in keys for name in key.values}
        needed = {hand for hand in ("left", "right") if f"{hand}.x" in used}
        if len(full) == 1 and needed == full and cue.gesture not in _DIRECTED:
            keys = tuple(replace(key, values=_mirror(key.values)) for key in keys)
            used = {name for key in keys for name in key.values}
        used = {name for name in used if name.partition(".")[0] not in full}
        hands = {hand for hand in ("left", "right") if f"{hand}.x" in used}
        self._used.append((hands, start - 0.4, start + keys[-1].end + 0.2))
        early = self._early_starts(keys[0], used, start)
        before = 0.0
        for key in keys:
            values = self._reached(key)
            for name in used:
                hand = name.partition(".")[0]
                home = self._home_at(name, start + key.end)
                goal = values.get(name, home)
                if name.startswith(("face", "mouth")) or name.rsplit(".", 1)[-1] in _SCALED:
                    goal = home + (goal - home) * cue.strength
                channel = self.channels[name]
                end = start + key.end
                if key.ease == "hold":
                    if abs(channel.at(start + before + 0.17) - goal) > 1e-3:
                        channel.move(start + before, end, goal)
                    continue
                begin = start + before
                if before == 0 and not name.startswith(("face", "mouth")):
                    begin -= early.get(hand, early["head"])
                if key.ease == "overshoot":
                    main = name.rsplit(".", 1)[-1] in ("x", "y", "angle", "yaw", "pitch")
                    channel.move(begin, end, goal + (0.06 * (goal - channel.at(begin)) if main else 0.0))
                    channel.move(end, end + 0.16, goal)
                else:
                    channel.move(begin, end, goal)
            before = key.end

    def _early_starts(self, first: Key, used: set[str], start: float) -> dict[str, float]:
        """How much sooner each limb must start to stay below the speed limits."""
        early: dict[str, float] = {"head": 0.0}

        def distance(name: str, begin: float = start) -> float:
            return first.values.get(name, self._home_at(name, start)) - self.channels[name].at(begin)

        for hand in ("left", "right"):
            if f"{hand}.x" not in used:
                continue
            early[hand] = 0.0
            for _ in range(3):  # who starts sooner starts from where the limb was then, which may be further
                begin = start - early[hand]
                way = _ARM_UNITS * math.hypot(distance(f"{hand}.x", begin), distance(f"{hand}.y", begin))
                turn = abs(distance(f"{hand}.angle", begin))
                needed = PEAK * max(way / _WRIST_SPEED, turn / _HAND_SPEED, (way + turn) / _TIP_SPEED) - first.end
                early[hand] = max(early[hand], min(0.55, needed))
        for name in ("yaw", "pitch", "roll", "bend"):
            if name in used:
                early["head"] = max(early["head"], min(0.4, PEAK * abs(distance(name)) / _HEAD_SPEED - first.end))
        return early

    def _reached(self, key: Key) -> dict[str, float]:
        """The key's values, hands within their wrists and within the reach the layout leaves them."""
        values = dict(key.values)
        for hand in ("left", "right"):
            own = {n: values[f"{hand}.{n}"] for n in ARM_CHANNELS if f"{hand}.{n}" in values}
            if not own:
                continue
            own = within_wrist(own)
            if own["x"] > 0.2:
                own["x"] = 0.2 + (own["x"] - 0.2) * self._reach[hand]
            values |= {f"{hand}.{n}": v for n, v in own.items()}
        return values

    def _turn_ends(
        self, busy: Sequence[tuple[float, float]], beats: Sequence[float], partner: Sequence[Listened]
    ) -> list[float]:
        """When the speech, or a turn, is over, and arms that do nothing else go home."""
        phrases = self._rhythm.phrases
        ends = [phrases[-1].end] if phrases else []
        for phrase, following in itertools.pairwise(phrases):
            if any(phrase.end - 0.1 < p.start < following.start for p in partner):
                ends.append(phrase.end)
        return [
            end
            for end in ends
            if not any(start < end + 0.8 and end + 0.15 < finish for start, finish in busy)
            and not any(end - 0.2 < start < end + 0.8 for start in beats)
        ]


@dataclass(frozen=True, slots=True)
class _PlacedBeat:
    at: float
    family: str
    hands: str
    strength: float
