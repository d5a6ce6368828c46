"""A score as sound, in blocks: any part of a bed is the same samples whatever else was asked for."""

from __future__ import annotations

from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.signal import lfilter, oaconvolve

from dearhost.sound.beds.composing import BedSpec, Score, compose
from dearhost.sound.beds.instruments import RATE, drum, high_passed, low_passed, tone
from dearhost.sound.beds.moods import BASS, FIGURE, MELODY, PAD, ROLES, STYLES
from dearhost.sound.placing import Two

_BLOCK_SECONDS, _BEFORE = 10.0, 2.0
"""Of a block, and what is made before it so that rooms and filters have settled."""
_PAN = {PAD: 0.0, FIGURE: 0.35, BASS: 0.0, MELODY: -0.25}
_DRUM_PAN = {"shaker": 0.4, "hat": 0.3, "high-tom": 0.25}
_TAKES = 4
_WET, _ROOM_SECONDS, _AIR_DB = 0.22, 1.6, 4.0
_SENT_BASS, _SENT_DRUMS = 0.3, 0.5
"""How much of bass and drums goes into the room."""
_IN, _OUT = 0.005, 1.5
_KEPT_BLOCKS = 24


class Bed:
    """A composed bed, made as far as it is asked for."""

    def __init__(self, spec: BedSpec) -> None:
        self.spec = spec

    @cached_property
    def score(self) -> Score:
        """Its notes."""
        return compose(self.spec)

    @property
    def count(self) -> int:
        """Samples of its whole length."""
        return round(self.spec.seconds * RATE)

    def part(self, first: int, last: int) -> Two:
        """Samples ``first`` to ``last`` at 48 kHz; silence beyond its ends."""
        made = np.zeros((max(0, last - first), 2), np.float32)
        size = int(_BLOCK_SECONDS * RATE)
        for number in range(max(0, first) // size, -(-min(last, self.count) // size)):
            block = _block(self.spec, number)
            begin = number * size
            left, right = max(first, begin), min(last, begin + len(block))
            if right > left:
                made[left - first : right - first] = block[left - begin : right - begin]
        return made

    def whole(self) -> Two:
        """All of it."""
        return self.part(0, self.count)


@lru_cache(maxsize=_KEPT_BLOCKS)
def _block(spec: BedSpec, number: int) -> Two:
    """Ten seconds of a bed, from ``number`` tens of seconds on."""
    score = _score(spec)
    whole = round(spec.seconds * RATE)
    first = number * int(_BLOCK_SECONDS * RATE)
    last = min(whole, first + int(_BLOCK_SECONDS * RATE))
    begin = max(0, first - int(_BEFORE * RATE))
    count = last - begin
    dry, sent = np.zeros((count, 2), np.float32), np.zeros((count, 2), np.float32)
    for role in ROLES:
        bus = _played(score, role, begin, count)
        dry += bus
        sent += bus * np.float32(_SENT_BASS if role == BASS else 1.0)
    drums = _drummed(score, begin, count)
    dry += drums
    sent += drums * np.float32(_SENT_DRUMS)
    room = _room()
    for side in range(2):
        dry[:, side] += np.float32(_WET) * oaconvolve(sent[:, side], room[:, side])[:count].astype(np.float32)
        dry[:, side] = _high_shelf(high_passed(dry[:, side].astype(np.float64), 32.0)).astype(np.float32)
    made = dry[first - begin :]
    _fade(made, first, whole, whole - round(score.last_chord * RATE))
    return made


@lru_cache(maxsize=8)
def _score(spec: BedSpec) -> Score:
    return compose(spec)


def _played(score: Score, role: str, begin: int, count: int) -> Two:
    """The notes of a role from sample ``begin`` on."""
    bus = np.zeros((count, 2), np.float32)
    level = 10 ** (STYLES[score.spec.style].parts[role][1] / 20)
    for note in score.notes:
        if note.role != role:
            continue
        sound = tone(note.instrument, note.pitch)
        start = round(note.start * RATE)
        sounding = max(int(note.length * RATE), int(sound.attack * RATE) + 8)
        size = min(sounding + int(sound.release * RATE), len(sound.samples))
        if start + size <= begin or start >= begin + count or size <= 16:
            continue
        samples = sound.samples[:size] * np.float32(note.velocity**1.3)
        attack, release = min(int(sound.attack * RATE), size), min(int(sound.release * RATE), size)
        samples[:attack] *= 0.5 - 0.5 * np.cos(np.pi * np.arange(attack) / max(attack, 1))
        samples[size - release :] *= 0.5 + 0.5 * np.cos(np.pi * np.arange(release) / release)
        spread = 0.25 * np.sin(note.pitch * 2.4) if role in (FIGURE, PAD) else 0.0
        _lay(bus, samples, start - begin, level, _PAN[role] + spread)
    return bus


def _drummed(score: Score, begin: int, count: int) -> Two:
    bus = np.zeros((count, 2), np.float32)
    for index, beat in enumerate(score.drums):
        samples = drum(beat.drum, index * 7 % _TAKES)
        _lay(bus, samples, round(beat.start * RATE) - begin, beat.velocity * 0.85, _DRUM_PAN.get(beat.drum, 0.0))
    return bus


def _lay(bus: Two, samples: NDArray[np.float32], at: int, level: float, pan: float) -> None:
    """Add a sound to both channels, with the same power wherever it is panned."""
    first, last = max(0, at), min(len(bus), at + len(samples))
    if last <= first:
        return
    angle = (pan + 1) * np.pi / 4
    part = samples[first - at : last - at]
    bus[first:last, 0] += part * np.float32(np.cos(angle) * level * np.sqrt(2))
    bus[first:last, 1] += part * np.float32(np.sin(angle) * level * np.sqrt(2))


@lru_cache(maxsize=1)
def _room() -> Two:
    """A small room: noise that dies away, in two channels that differ."""
    count = int(RATE * _ROOM_SECONDS * 1.1)
    noise = np.random.default_rng(5).standard_normal((count, 2))
    falling = np.exp(-6.9 * np.arange(count) / RATE / _ROOM_SECONDS)
    sides = [low_passed(high_passed(noise[:, side], 180), 6000, 1) * falling for side in range(2)]
    room = np.stack(sides, axis=1)
    delayed = np.concatenate([np.zeros((int(0.012 * RATE), 2)), room])[:count]
    even: Two = (delayed / np.sqrt((delayed**2).sum(0))).astype(np.float32)
    return even


def _high_shelf(sound: NDArray[np.float64]) -> NDArray[np.float64]:
    """A little more above 2.5 kHz (Bristow-Johnson, Cookbook formulae for audio equalizer biquads)."""
    gain = 10 ** (_AIR_DB / 40)
    angle = 2 * np.pi * 2500 / RATE
    cosine, alpha = np.cos(angle), np.sin(angle) / 2 * np.sqrt(2)
    edge = 2 * np.sqrt(gain) * alpha
    up = np.array([
        gain * ((gain + 1) + (gain - 1) * cosine + edge), -2 * gain * ((gain - 1) + (gain + 1) * cosine),
        gain * ((gain + 1) + (gain - 1) * cosine - edge),
    ])  # fmt: skip
    down = np.array([
        (gain + 1) - (gain - 1) * cosine + edge, 2 * ((gain - 1) - (gain + 1) * cosine),
        (gain + 1) - (gain - 1) * cosine - edge,
    ])  # fmt: skip
    filtered: NDArray[np.float64] = lfilter(up / down[0], down / down[0], sound)
    return filtered


def _fade(made: Two, first: int, whole: int, tail: int) -> None:
    """The first five milliseconds come up, the last part of the ringing goes down; ``made`` begins at ``first``."""
    rising, falling = int(_IN * RATE), max(1, int(min(tail * 0.55, _OUT * RATE)))
    for values, begin in (
        (np.linspace(0, 1, rising), 0), (np.cos(np.linspace(0, np.pi / 2, falling)) ** 2, whole - falling)
    ):  # fmt: skip
        left, right = max(first, begin), min(first + len(made), begin + len(values))
        if right > left:
            made[left - first : right - first] *= values[left - begin : right - begin, None].astype(np.float32)
