"""What a host does of itself: head, gaze, blinks, breath, brows, weight. All from a seed."""

from __future__ import annotations

import itertools
import math
import random
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.random import default_rng
from numpy.typing import NDArray

from dearhost.hosts.motion.channels import Channel
from dearhost.hosts.motion.liveliness import Liveliness
from dearhost.hosts.motion.rhythm import HZ, Rhythm
from dearhost.lips import gaussian, smooth_step
from dearhost.timebase import Span

Curve = NDArray[np.float64]


LOOKS = ("viewer", "partner", "picture", "notes", "as-usual")
_NOTES = (0.12, -0.72)
"""Down to what lies in front."""


@dataclass(frozen=True, slots=True)
class Listened:
    """Somebody speaks from ``start`` to ``end`` seconds, who stands to the viewer's right (``side`` 1) or left (-1).

    ``rise`` is how much higher their eyes are than the host's own, by how far away they are.
    """

    start: float
    end: float
    side: int
    rise: float = 0.0

    @property
    def duration(self) -> float:
        """Seconds."""
        return self.end - self.start

    @property
    def eyes(self) -> tuple[float, float]:
        """Where their eyes are, as a gaze."""
        return 0.78 * self.side, float(np.clip(1.5 * self.rise, -0.75, 0.75)) - 0.02


@dataclass(frozen=True, slots=True)
class Sight:
    """``cues``: from when on the eyes are where, one of ``LOOKS``. ``picture`` is on which side pictures are shown.
    ``to_partner``: speaks to the partner, not to the viewer."""

    cues: tuple[tuple[float, str], ...] = ()
    picture: int = 1
    to_partner: bool = False


class Alive:
    """Curves at 240 Hz over a scene. ``partner``: what the others say; nothing for who is alone."""

    def __init__(
        self, rhythm: Rhythm, settings: Liveliness, seed: int, partner: Sequence[Listened], sight: Sight
    ) -> None:
        self.rhythm, self.settings = rhythm, settings
        self.partner, self.sight = tuple(sorted(partner, key=lambda p: p.start)), sight
        self.times, self.count = rhythm.times, len(rhythm.times)
        self._random = random.Random(seed)
        self._normal = default_rng(seed)
        self.large_shifts: list[float] = []
        self._head()
        self._gaze()
        self.brow_left, self.brow_right = np.zeros(self.count), np.zeros(self.count)
        self._brows()
        self.smile = self._smile()
        self._listen()
        self.blink = self._blinks()
        self.breath = self._breath()
        self._weight()

    # -- building blocks ---------------------------------------------------------------------------

    def _bump(self, peak: float, attack: float, hold: float, release: float) -> Curve:
        """0, up to 1 at ``peak`` for ``hold`` seconds, back to 0."""
        rise = smooth_step((self.times - (peak - attack)) / attack)
        return rise * smooth_step((peak + hold + release - self.times) / release)

    def _add_bump(self, onto: Curve, size: float, peak: float, attack: float, hold: float, release: float) -> None:
        """Add a bump to ``onto`` where it is not 0 only."""
        low = max(0, int((peak - attack) * HZ))
        high = min(self.count, int((peak + hold + release) * HZ) + 2)
        window = self.times[low:high]
        rise = smooth_step((window - (peak - attack)) / attack)
        onto[low:high] += size * rise * smooth_step((peak + hold + release - window) / release)

    def _noise(self, sigma: float, size: float) -> Curve:
        """Smooth noise with a standard deviation of ``size``."""
        raw = gaussian(self._normal.standard_normal(self.count), sigma, HZ)[: self.count]
        return np.asarray(size * raw / (raw.std() + 1e-9))

    def _steps(self, moves: Sequence[tuple[float, float, float]], rest: float = 0.0) -> Curve:
        """A curve that goes to (time, value) within the third number of seconds, each time."""
        channel = Channel(rest)
        for start, value, length in sorted(moves):
            channel.move(start, start + length, value)
        return channel.sampled(self.times)

    def _uniform(self, low: float, high: float) -> float:
        return self._random.uniform(low, high)

    # -- channels ----------------------------------------------------------------------------------

    def _head(self) -> None:
        settings, rhythm = self.settings, self.rhythm
        noise = settings.noise
        live = 0.45 + 0.55 * gaussian(rhythm.speaking, 0.25, HZ)[: self.count]
        self.pitch = settings.degrees_per_semitone * np.roll(rhythm.semitones, int(0.03 * HZ))
        self.pitch = self.pitch + self._noise(0.55, 0.7 * noise) * live
        self.yaw = self._noise(0.50, 1.5 * noise) * live
        self.roll = self._noise(0.62, 1.1 * noise) * live
        self.head_x = self._noise(0.8, 0.008 * noise)
        yaw, roll, pitch = [], [], []
        for phrase in rhythm.phrases:
            k = settings.posture
            yaw.append((phrase.start - 0.22, self._random.choice((-1, 1)) * self._uniform(1.5, 5) * k, 0.62))
            roll.append((phrase.start - 0.18, self._uniform(-2.4, 2.4) * k, 0.7))
            pitch.append((phrase.start - 0.2, self._uniform(-1.2, 1.6) * k, 0.6))
        if rhythm.phrases:
            end = rhythm.phrases[-1].end
            yaw.append((end + 0.2, 0.0, 0.8))
            roll.append((end + 0.2, 1.5, 0.8))
            pitch.append((end + 0.15, 0.0, 0.7))
        self.yaw += self._steps(yaw)
        self.roll += self._steps(roll)
        self.pitch += self._steps(pitch)
        self._accents()

    def _accents(self) -> None:
        """The head goes up a little before a stressed vowel and down on it."""
        last = -9.0
        self.nods: list[float] = []
        for accent in self.rhythm.accents:
            if accent.at - last < 0.38 or accent.strength < 0.40:
                continue
            last = accent.at
            size = self.settings.accent_degrees * float(np.clip((accent.strength - 0.25) / 0.6, 0, 1.15))
            size *= self._uniform(0.7, 1.15)
            self._add_bump(self.pitch, 0.40 * size, accent.at - 0.10, 0.17, 0.0, 0.13)
            self._add_bump(self.pitch, -size, accent.at + 0.075, 0.15, 0.03, 0.42)
            self.nods.append(accent.at)
            if self._random.random() < 0.35:
                self._add_bump(self.yaw, self._uniform(-1, 1) * 1.4 * size / 3, accent.at + 0.08, 0.2, 0.1, 0.5)

    def _gaze(self) -> None:
        """Fixations with saccades of 30 ms + 45 ms a unit; the head follows large ones after 70 ms."""
        fixations = self._dialogue_fixations() if self.partner else self._solo_fixations()
        fixations = self._directed(sorted(fixations))
        glances = []
        for index, (start, x, y) in enumerate(fixations):
            end = fixations[index + 1][0] if index + 1 < len(fixations) else self.rhythm.duration + 1
            glances.append((start, x, y))
            moment = start + self._uniform(0.35, 1.1)
            while moment < end - 0.2:
                glances.append((moment, x + self._uniform(-0.075, 0.075), y + self._uniform(-0.05, 0.05)))
                moment += self._uniform(0.4, 1.5)
        self.gaze_x, self.gaze_y = np.zeros(self.count), np.zeros(self.count)
        at_x = at_y = 0.0
        for start, x, y in glances:
            low = max(0, int(start * HZ))
            length = 0.030 + 0.045 * min(1.0, math.hypot(x - at_x, y - at_y))
            rise = smooth_step((self.times[low:] - start) / length)
            self.gaze_x[low:] += (x - at_x) * rise
            self.gaze_y[low:] += (y - at_y) * rise
            at_x, at_y = x, y
        degrees = 18.0 if self.partner else 7.0
        followed = self._steps([(t + 0.07, x, 0.42) for t, x, _ in fixations])
        self.yaw += degrees * followed
        nodding = 11 if self.partner else 4
        self.pitch += self._steps([(t + 0.07, y * nodding, 0.4) for t, _, y in fixations])
        if self.partner:
            self.gaze_x = np.clip(self.gaze_x - 0.32 * followed, -1, 1)

    def _directed(self, fixations: list[tuple[float, float, float]]) -> list[tuple[float, float, float]]:
        """The fixations, but where cues want the eyes from their word on until the next."""
        cues = sorted(self.sight.cues)
        for index, (start, target) in enumerate(cues):
            end = cues[index + 1][0] if index + 1 < len(cues) else self.rhythm.duration + 1
            if target == "as-usual":
                continue
            after = [f for f in fixations if f[0] <= end]
            resumed = after[-1] if after else (0.0, 0.0, 0.0)
            fixations = [f for f in fixations if not start - 0.05 <= f[0] < end]
            fixations.append((start - 0.05, *self._towards(target, start)))
            if end < self.rhythm.duration:
                fixations.append((end, resumed[1], resumed[2]))
            self.large_shifts.append(start - 0.05)
        return sorted(fixations)

    def _towards(self, target: str, moment: float) -> tuple[float, float]:
        if target == "partner" and self.partner:
            return self._partner_at(moment).eyes
        if target == "picture":
            return 0.72 * self.sight.picture, 0.12
        return _NOTES if target == "notes" else (0.0, 0.0)

    def _partner_at(self, moment: float) -> Listened:
        """Who of the others speaks, or spoke last, or will speak first."""
        before = [p for p in self.partner if p.start <= moment]
        return before[-1] if before else self.partner[0]

    def _solo_fixations(self) -> list[tuple[float, float, float]]:
        """At the viewer, but for short looks aside before some phrases."""
        found = [(0.0, 0.0, 0.0)]
        for index, phrase in enumerate(self.rhythm.phrases):
            if index and phrase.duration > 0.7 and self._random.random() < self.settings.glance_chance:
                start = phrase.start - self._uniform(0.12, 0.25)
                x = self._random.choice((-1, 1)) * self._uniform(0.35, 0.62)
                end = start + self._uniform(0.45, 0.85)
                found += [(start, x, self._random.choice((-0.30, -0.22, 0.28))), (end, 0.0, 0.0)]
                self.large_shifts += [start, end]
        return found

    def _dialogue_fixations(self) -> list[tuple[float, float, float]]:
        """At the partner while listening, at the viewer while speaking, at the partner when handing over."""
        found = [(0.0, 0.0, 0.0)]
        turns: list[Listened | Span] = sorted([*self.partner, *self.rhythm.phrases], key=lambda t: (t.start, t.end))
        before: int | None = None
        for index, turn in enumerate(turns):
            after = turns[index + 1] if index + 1 < len(turns) else None
            if isinstance(turn, Listened):
                if before != turn.side:
                    found.append((turn.start + self._uniform(0.12, 0.30), *turn.eyes))
                    self.large_shifts.append(found[-1][0])
                before = turn.side
                continue
            if before != 0:
                to = self._partner_at(turn.start).eyes if self.sight.to_partner else (0.0, 0.0)
                found.append((turn.start + 0.05, *to))
                self.large_shifts.append(turn.start + 0.05)
            if isinstance(after, Listened) and turn.duration > 0.5:
                found.append((turn.end - 0.35, *after.eyes))
                self.large_shifts.append(turn.end - 0.35)
            before = 0
        found.append((max(t.end for t in turns) + 0.35, 0.0, 0.0))
        return found

    def _brows(self) -> None:
        last = -9.0
        for accent in self.rhythm.accents:
            chance = self.settings.brow_chance * (0.4 + 0.9 * accent.strength)
            if accent.at - last < 0.9 or self._random.random() > chance:
                continue
            last = accent.at
            size = self.settings.brow_size * (0.6 + 0.5 * accent.strength)
            lean = self._random.random()
            raised = size * self._bump(accent.at - 0.02, 0.15, self._uniform(0.08, 0.28), 0.38)
            self.brow_left = np.maximum(self.brow_left, raised * (1 if lean > 0.12 else 0.35))
            self.brow_right = np.maximum(self.brow_right, raised * (1 if lean < 0.88 else 0.35))

    def _smile(self) -> Curve:
        """A smile after the last word, a small one in long pauses."""
        smile = np.zeros(self.count)
        phrases = self.rhythm.phrases
        if phrases:
            smile = 0.36 * self._bump(phrases[-1].end + 0.45, 0.45, 9, 0.5)
        for phrase, following in itertools.pairwise(phrases):
            if following.start - phrase.end > 0.38:
                smile = np.maximum(smile, 0.16 * self._bump(phrase.end + 0.12, 0.25, 0.1, 0.35))
        return smile

    def _listen(self) -> None:
        """Nods at the ends of the partner's phrases, a brow now and then, a tilt of the head."""
        for phrase in self.partner:
            if phrase.duration > 0.5 and self._random.random() < 0.72:
                at = phrase.end + self._uniform(-0.08, 0.22)
                size = self._uniform(4, 7.5)
                for number in range(2 if self._random.random() < 0.4 else 1):
                    down = -size * (0.7 if number else 1)
                    self._add_bump(self.pitch, down, at + 0.17 + number * 0.42, 0.18, 0.02, 0.26)
                    self._add_bump(self.pitch, 0.25 * size, at - 0.02 + number * 0.42, 0.12, 0.0, 0.12)
                if self._random.random() < 0.5:
                    raised = self._uniform(0.25, 0.45) * self._bump(at + 0.1, 0.2, 0.25, 0.4)
                    self.brow_left = np.maximum(self.brow_left, raised)
                    self.brow_right = np.maximum(self.brow_right, raised)
            if self._random.random() < 0.35:
                tilt = self._random.choice((-1, 1)) * self._uniform(2, 4)
                self._add_bump(self.roll, tilt, phrase.start + 0.7, 0.5, 1.2, 0.8)

    def _blinks(self) -> Curve:
        """At phrase ends and large gaze shifts, else a log-normal renewal process; 7 % are double."""
        mean = 60 / self.settings.blinks_a_minute
        wanted = [p.end + self._uniform(0.02, 0.14) for p in self.rhythm.phrases if self._random.random() < 0.48]
        wanted += [t - 0.02 for t in self.large_shifts if self._random.random() < 0.50]
        moments: list[float] = []
        for moment in sorted(wanted):
            if moment > 0.25 and (not moments or moment - moments[-1] > 0.8):
                moments.append(moment)
        now, filled = 0.0, list(moments)
        for fixed in [*moments, self.rhythm.duration]:
            moment = now + self._random.lognormvariate(math.log(mean), 0.62)
            while moment < fixed - 0.75:
                filled.append(moment)
                moment += self._random.lognormvariate(math.log(mean), 0.62)
            now = fixed
        filled += [m + self._uniform(0.30, 0.40) for m in filled if self._random.random() < 0.07]
        self.blink_moments = tuple(sorted(filled))
        lids = np.zeros(self.count)
        for moment in self.blink_moments:
            close = 0.085 * self._uniform(0.9, 1.15)
            hold = 0.035 * self._uniform(0.8, 1.5)
            reopen = 0.165 * self._uniform(0.85, 1.25)
            low, high = max(0, int(moment * HZ)), min(self.count, int((moment + 0.5) * HZ))
            window = self.times[low:high]
            opening = np.clip(1 - (window - moment - close - hold) / reopen, 0, 1) ** 2.2
            shape = smooth_step((window - moment) / close) * np.where(window < moment + close + hold, 1.0, opening)
            lids[low:high] = np.maximum(lids[low:high], shape)
        return lids

    def _breath(self) -> Curve:
        """In, before each phrase that follows a pause; quiet breathing when nothing is said."""
        size, moves, before = self.settings.breath, [], 0.0
        for phrase in self.rhythm.phrases:
            gap = phrase.start - before
            if gap > 0.22:
                inhale = min(0.55, max(0.22, gap * 0.9))
                moves.append((phrase.start - inhale, min(1.0, 0.45 + gap * 0.8) * size, inhale - 0.02))
                moves.append((phrase.start, 0.05, max(0.6, phrase.duration * 1.05)))
            before = phrase.end
        moment = before + 0.7
        while moment < self.rhythm.duration + 1:
            moves += [(moment, 0.75 * size, 1.3), (moment + 1.4, 0.0, 2.0)]
            moment += self._uniform(3.5, 4.3)
        return gaussian(self._steps(moves), 0.05, HZ)[: self.count]

    def _weight(self) -> None:
        """Shifts from foot to foot, near phrase ends; the trunk follows the head; wrists drift, shoulders answer."""
        settings = self.settings
        ends = [p.end for p in self.rhythm.phrases]
        moves, side = [], self._random.choice((-1, 1))
        moment = self._uniform(1, 3)
        while moment < self.rhythm.duration - 0.8:
            near = [e for e in ends if abs(e - moment) < 1.2]
            at = min(near, key=lambda e: abs(e - moment)) if near else moment
            moves.append((at, side * self._uniform(0.5, 1) * settings.shift_size, self._uniform(1.0, 1.5)))
            side = -side
            moment += self._uniform(*settings.shift_every)
        self.hip_x = self._steps(moves) + self._noise(1.1, 0.004)
        late = int(0.10 * HZ)
        trailing = np.roll(gaussian(self.yaw, 0.10, HZ)[: self.count], late)
        trailing[:late] = 0
        self.bend = 0.10 * trailing - 8 * self.hip_x + self._noise(1.2, 0.28 * settings.noise)
        self.pulse = np.zeros(self.count)
        for accent in self.nods:
            self._add_bump(self.pulse, 0.016 * settings.accent_degrees / 3, accent + 0.11, 0.16, 0.02, 0.40)
        self.drift = [self._noise(0.55, 0.0045 * settings.noise) for _ in range(4)]
