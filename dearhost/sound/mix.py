"""The mix: tracks of placed sound, each with a gain curve, added up to two channels."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from dearhost.sound.placing import Mono, Placement, resampled

Curve = tuple[tuple[float, float], ...]
"""(seconds, dB) in order of time: straight lines between, level before the first and after the last; () for 0 dB."""


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
    gain: Curve = ()

    def later(self, seconds: float) -> Track:
        """The same, ``seconds`` later."""
        moved = tuple(Placement(p.start + seconds, p.sample_rate, p.samples) for p in self.placements)
        return Track(self.name, moved, tuple((at + seconds, level) for at, level in self.gain))


def joined(tracks: Iterable[Track]) -> list[Track]:
    """Tracks of one name as one, in the order in which names first come; their gain curves follow each other."""
    found: dict[str, Track] = {}
    for track in tracks:
        known = found.get(track.name)
        if known is None:
            found[track.name] = track
        else:
            found[track.name] = Track(track.name, known.placements + track.placements, known.gain + track.gain)
    return list(found.values())


def mix(tracks: Iterable[Track], duration: float, sample_rate: int) -> Stereo:
    """Everything added up: exactly ``round(duration * sample_rate)`` samples; what sticks out is cut."""
    total = round(duration * sample_rate)
    channels = [np.zeros(total, np.float32)]
    for first, sound in _placed(tracks, total, sample_rate):
        if sound.ndim == 2 and len(channels) == 1:
            channels.append(channels[0].copy())  # from here on they differ
        for index, channel in enumerate(channels):
            channel[first : first + len(sound)] += sound if sound.ndim == 1 else sound[:, index]
    return Stereo.of(channels)


def _placed(tracks: Iterable[Track], total: int, sample_rate: int) -> Iterator[tuple[int, Mono]]:
    """(first sample, samples) of every sound as far as it lies in the whole, at its track's level."""
    for track in tracks:
        for item in track.placements:
            sound = resampled(item.samples, item.sample_rate, sample_rate)
            first = round(item.start * sample_rate)
            begin, end = max(0, -first), min(len(sound), total - first)
            if end <= begin:
                continue
            part, first = sound[begin:end], first + begin
            if track.gain:
                part = _at_level(part, track.gain, first, sample_rate)
            yield first, part


def _at_level(sound: Mono, gain: Curve, first: int, sample_rate: int) -> Mono:
    moments = (first + np.arange(len(sound))) / sample_rate
    levels = np.interp(moments, [at for at, _ in gain], [level for _, level in gain])
    factor = (10 ** (levels / 20)).astype(np.float32)
    return sound * (factor if sound.ndim == 1 else factor[:, None])
