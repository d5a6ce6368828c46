"""The mix: tracks of placed sound, added up to two channels."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from dearhost.sound.placing import Mono, Placement, amplitudes, resampled

_BLOCK = 480_000
"""Samples whose levels are worked out at once."""


@dataclass(frozen=True, eq=False)
class Stereo:
    """Two channels as long as each other. What lies in the middle is one array, held once: ``left is right``."""

    left: Mono
    right: Mono

    def __len__(self) -> int:
        return len(self.left)

    @property
    def channels(self) -> tuple[Mono, ...]:
        """The arrays it is made of: one where both channels are the same."""
        return (self.left,) if self.left is self.right else (self.left, self.right)

    def part(self, first: int, last: int) -> Stereo:
        """Samples ``first`` to ``last``; a view."""
        return self.of([channel[first:last] for channel in self.channels])

    @classmethod
    def of(cls, channels: list[Mono]) -> Stereo:
        """Out of one array for both channels, or of two."""
        return cls(channels[0], channels[-1])


@dataclass(frozen=True)
class Track:
    """Sounds that go together: the voice, short sounds, a bed, the sound of footage."""

    name: str
    placements: tuple[Placement, ...]

    def later(self, seconds: float) -> Track:
        """The same, ``seconds`` later."""
        return Track(self.name, tuple(placed.later(seconds) for placed in self.placements))


def joined(tracks: Iterable[Track]) -> list[Track]:
    """Tracks of one name as one, in the order in which names first come."""
    found: dict[str, tuple[Placement, ...]] = {}
    for track in tracks:
        found[track.name] = found.get(track.name, ()) + track.placements
    return [Track(name, placements) for name, placements in found.items()]


def mix(tracks: Iterable[Track], duration: float, sample_rate: int) -> Stereo:
    """Everything added up: exactly ``round(duration * sample_rate)`` samples; what sticks out is cut."""
    return mix_part(tracks, range(round(duration * sample_rate)), sample_rate)


def mix_part(tracks: Iterable[Track], part: range, sample_rate: int) -> Stereo:
    """The same of these samples alone."""
    channels = [np.zeros(len(part), np.float32)]
    for first, sound in _placed(tracks, part, sample_rate):
        if sound.ndim == 2 and len(channels) == 1:
            channels.append(channels[0].copy())  # from here on they differ
        for index, channel in enumerate(channels):
            channel[first : first + len(sound)] += sound if sound.ndim == 1 else sound[:, index]
    return Stereo.of(channels)


def _placed(tracks: Iterable[Track], part: range, sample_rate: int) -> Iterator[tuple[int, Mono]]:
    """(first sample, samples) of every sound as far as it lies in a part, counted from there, at its level."""
    for item in (placed for track in tracks for placed in track.placements):
        first = round(item.start * sample_rate)
        lasts = math.ceil(len(item.samples) * sample_rate / item.sample_rate) + 1
        if first >= part.stop or first + lasts <= part.start:
            continue
        sound, curve = resampled(item.samples, item.sample_rate, sample_rate), amplitudes(item.gain)
        begin, end = max(0, part.start - first), min(len(sound), part.stop - first)
        for at in range(begin, end, _BLOCK):
            block = sound[at : min(at + _BLOCK, end)]
            if item.gain:
                moments = np.arange(first + at, first + at + len(block)) / sample_rate
                factors = np.interp(moments, *curve).astype(np.float32)
                block = block * (factors if block.ndim == 1 else factors[:, None])
            yield first + at - part.start, block
