"""Phones over time into a mouth that moves: coarticulation by dominance, and gates for closures.

Dominance functions after Cohen and Massaro (1993), "Modeling coarticulation in synthetic visual
speech"; magnitudes and reaches were found by watching and measuring.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.ma  # percentiles and medians load it, which should not wait for the first picture
from numpy.fft import irfft, rfft
from numpy.typing import NDArray

from dearhost.lips.targets import DOMINANCE, GROUP_OF, INSIDE, JAW, LIPS, PARAMETERS, TARGETS
from dearhost.lips.visemes import PAUSE, viseme_parts
from dearhost.timebase import FrameRate

Curve = NDArray[np.float64]

VERSION = "mouth-4"
HZ = 500
_SMOOTHING = {JAW: 0.016, LIPS: 0.018, INSIDE: 0.012}
_STRESS = {0: 0.80, 1: 1.10, 2: 0.95}
_AMPLITUDE = 0.74
_SHORTEST_CLOSURE = 0.046
_DIRECT = 500_000
"""Products up to which smoothing goes without a Fourier transform."""
_BENT = 1.7
_FELT = 0.36
"""Seconds beyond a segment at which its pull is below 1 in 30,000."""
_OPEN, _WIDE, _ROUND, _PRESS, _TEETH_UP, _TEETH_LOW, _TONGUE, _TIP, _TUCK = range(9)


@dataclass(frozen=True, slots=True)
class MouthPhone:
    """A phone (IPA or ARPAbet), seconds, stress 0, 1 primary or 2 secondary."""

    symbol: str
    start: float
    end: float
    stress: int = 0


@dataclass(frozen=True, slots=True)
class Segment:
    """A stretch of one viseme."""

    viseme: int
    start: float
    end: float
    strength: float
    stress: int
    symbol: str


@dataclass(frozen=True, slots=True)
class MouthTrack:
    """Curves at 500 Hz: ``parameters`` (9, n) as in ``PARAMETERS``; ``speaking`` (n) from 0 to 1."""

    parameters: Curve
    speaking: Curve
    segments: tuple[Segment, ...]

    @property
    def duration(self) -> float:
        """Seconds."""
        return float(self.parameters.shape[1] - 1) / HZ

    def at(self, moments: Curve) -> Curve:
        """The parameters at ``moments`` (seconds, shape (m,)): shape (m, 9)."""
        times = np.arange(self.parameters.shape[1]) / HZ
        return np.stack([np.interp(moments, times, row) for row in self.parameters], axis=1)

    def frames(self, rate: FrameRate) -> Curve:
        """One row a frame, taken at the centre of the frame's time on screen: shape (frames, 9)."""
        count = rate.frames_in(self.duration)
        return self.at(np.array([rate.centre_of(i) for i in range(count)]))


def gaussian(values: Curve, sigma: float, hz: float) -> Curve:
    """``values`` smoothed by a Gaussian of ``sigma`` seconds; ends are held."""
    reach = int(4 * sigma * hz) + 1
    kernel = np.exp(-0.5 * (np.arange(-reach, reach + 1) / (sigma * hz)) ** 2)
    kernel /= kernel.sum()
    padded = np.pad(values, reach, mode="edge")
    if len(kernel) * len(values) < _DIRECT:
        return np.convolve(padded, kernel, mode="valid")
    size = 1 << (len(padded) + len(kernel) - 2).bit_length()
    whole = irfft(rfft(padded, size) * rfft(kernel, size), size)
    return np.asarray(whole[2 * reach : 2 * reach + len(values)])


def smooth_step(x: Curve) -> Curve:
    """0 to 1 with no speed or acceleration at either end (a quintic)."""
    x = np.clip(x, 0, 1)
    return x * x * x * (x * (6 * x - 15) + 10)


def _release(x: Curve) -> Curve:
    """1 to 0 with a brisk start."""
    x = np.clip(x, 0, 1) ** 0.8
    return 1 - x * x * (3 - 2 * x)


def segments_of(phones: Sequence[MouthPhone], duration: float) -> tuple[Segment, ...]:
    """Visemes in order, with pauses (viseme 0) filling gaps over 60 ms."""
    found: list[Segment] = []
    before = 0.0
    for index, phone in enumerate(phones):
        if phone.start - before > 0.06:
            found.append(Segment(PAUSE, before, phone.start, 1.0, 0, ""))
        elif found:
            found[-1] = Segment(
                found[-1].viseme, found[-1].start, phone.start, found[-1].strength, found[-1].stress, found[-1].symbol
            )
        following = phones[index + 1].symbol if index + 1 < len(phones) else ""
        start = phone.start
        parts = viseme_parts(phone.symbol, following)
        for number, part in enumerate(parts):
            last = number + 1 == len(parts)
            end = phone.end if last else start + part.share * (phone.end - phone.start)
            symbol = phone.symbol if number == 0 else ""
            found.append(Segment(part.viseme, start, end, part.strength, phone.stress, symbol))
            start = end
        before = phone.end
    if duration > before:
        found.append(Segment(PAUSE, before, duration, 1.0, 0, ""))
    return tuple(found)


def relative_loudness(loudness: Curve, rate: float, times: Curve) -> Curve:
    """Loudness (dB full scale) as 0 at its 12th and 1 at its 93rd percentile while there is speech."""
    smooth = gaussian(np.clip(loudness, -62, 0), 0.030, rate)
    speech = smooth[smooth > -45]
    if len(speech) < 2:
        return np.full(len(times), 0.6)
    low, high = np.percentile(speech, 12), np.percentile(speech, 93)
    scaled = np.clip((smooth - low) / max(1e-6, high - low), 0, 1.1)
    return np.interp(times, np.arange(len(smooth)) / rate, scaled)


def build_track(
    phones: Sequence[MouthPhone],
    duration: float,
    *,
    loudness: Curve | None = None,
    loudness_rate: float = 100.0,
    frame_rate: FrameRate | None = None,
) -> MouthTrack:
    """The mouth's track for ``phones`` over ``duration`` seconds.

    ``loudness`` (dB full scale, ``loudness_rate`` values a second) opens the mouth with the voice;
    without it an even loudness is taken. ``frame_rate`` keeps every closure on at least one frame.
    """
    times = np.arange(int(duration * HZ) + 2) / HZ
    segments = segments_of(phones, duration)
    energy = np.full(len(times), 0.6)
    if loudness is not None and len(loudness):
        energy = relative_loudness(np.asarray(loudness, float), loudness_rate, times)
    mouth = _blend(segments, times)
    for index, group in enumerate(GROUP_OF):
        if group is not None:
            mouth[index] = gaussian(mouth[index], _SMOOTHING[group], HZ)
    mouth[_OPEN] *= _AMPLITUDE * (0.62 + 0.52 * gaussian(energy, 0.020, HZ))
    for segment in segments:
        if segment.viseme == PAUSE and segment.end - segment.start > 0.42 and segment.end < duration - 0.05:
            mouth[_OPEN] += 0.10 * np.exp(-0.5 * ((times - (segment.end - 0.20)) / 0.075) ** 2)
    frame = float(1 / frame_rate.value) if frame_rate else 1 / 30
    _apply_gates(mouth, segments, times, max(_SHORTEST_CLOSURE, 1.06 * frame))
    speaking = np.zeros(len(times))
    for start, end in _runs(segments):
        part = _window(start - 0.12, end + 0.2, len(times))
        rise, fall = smooth_step((times[part] - (start - 0.12)) / 0.12), smooth_step((end + 0.2 - times[part]) / 0.2)
        speaking[part] = np.maximum(speaking[part], rise * fall)
    return MouthTrack(mouth, speaking, segments)


def _runs(segments: Sequence[Segment]) -> list[tuple[float, float]]:
    """From when to when there is speech without a pause."""
    runs: list[tuple[float, float]] = []
    for segment in segments:
        if segment.viseme == PAUSE:
            continue
        if runs and runs[-1][1] == segment.start:
            runs[-1] = runs[-1][0], segment.end
        else:
            runs.append((segment.start, segment.end))
    return runs


def _window(start: float, end: float, count: int) -> slice:
    """Of ``count`` moments those from ``start`` to ``end``."""
    return slice(max(0, int(start * HZ)), max(0, min(count, int(end * HZ) + 1)))


_GROUPS = np.array([JAW if group is None else group for group in GROUP_OF])
"""What each parameter is pulled by; those of no group are made by gates alone."""
_RATES = {
    viseme: tuple(np.array([[pulls[group][column]] for group in (JAW, LIPS, INSIDE)], float) for column in range(3))
    for viseme, pulls in DOMINANCE.items()
}
_PULLS = {
    viseme: (magnitude, (lead / 1000) ** -_BENT, (lag / 1000) ** -_BENT)
    for viseme, (magnitude, lead, lag) in _RATES.items()
}
"""Of a viseme, for each group: its magnitude, and how quickly its pull fades before and after."""


def _blend(segments: Sequence[Segment], times: Curve) -> Curve:
    """The weighted mean of the neighbours' targets."""
    count = len(times)
    weighted, weights = np.zeros((9, count)), np.full((3, count), 1e-9)
    for segment in segments:
        target = TARGETS[segment.viseme].copy()
        pull = 1.0
        if segment.viseme >= 9:
            target[_OPEN] *= segment.strength * _STRESS.get(segment.stress, 0.8)
            pull = (1.0 if segment.stress else 0.80) * (0.7 + 0.3 * min(1.0, segment.strength))
        elif segment.viseme != PAUSE:
            target[_OPEN] *= segment.strength
        if segment.symbol == "w":
            target[_OPEN] *= 0.85
            pull = 1.6
        length = segment.end - segment.start
        if segment.viseme == PAUSE:
            core = segment.start + min(0.13, length * 0.40), segment.end - min(0.10, length * 0.35)
        else:
            core = segment.start + 0.06 * length, segment.end - 0.06 * length
        part = _window(segment.start - _FELT, segment.end + _FELT, count)
        early = times[part] < core[0]
        away = np.maximum(np.where(early, core[0] - times[part], times[part] - core[1]), 0) ** _BENT
        magnitude, lead, lag = _PULLS[segment.viseme]
        weight = pull * magnitude * np.exp(-away * np.where(early, lead, lag))
        if segment.viseme != PAUSE:  # a pause pulls to 0
            weighted[:, part] += target[:, None] * weight[_GROUPS]
        weights[:, part] += weight
    return np.asarray(weighted / weights[_GROUPS])


def _apply_gates(mouth: Curve, segments: Sequence[Segment], times: Curve, shortest: float) -> None:
    """Close the lips on p b m and tuck the lower one on f v, whatever the neighbours want."""
    closed, tucked = np.zeros(len(times)), np.zeros(len(times))
    free = mouth[_OPEN].copy()
    for number, segment in enumerate(segments):
        if segment.viseme not in (1, 2) or segment.end <= segment.start:
            continue
        start, end = _gate_span(segments, number, shortest)
        open_in, open_out = np.interp([start - 0.05, end + 0.06], times, free)
        ramp_in, ramp_out = 0.045 + 0.068 * open_in, 0.060 + 0.11 * open_out
        part = _window(start - 0.2, end + 0.3, len(times))
        window = times[part]
        rise = smooth_step((window - (start - ramp_in)) / ramp_in)
        if segment.viseme == 1:
            gate = rise * _release((window - end) / ramp_out)
            closed[part] = np.maximum(closed[part], gate)
        else:
            gate = rise * smooth_step((end + ramp_out - window) / ramp_out)
            tucked[part] = np.maximum(tucked[part], gate)
    mouth[_OPEN] = (mouth[_OPEN] * (1 - tucked) + 0.17 * tucked) * (1 - closed)
    mouth[_PRESS] = 0.55 * closed
    mouth[_TUCK] = tucked * (1 - closed)
    mouth[_TEETH_UP] = np.maximum(mouth[_TEETH_UP] * (1 - tucked) + 0.95 * tucked, 0) * (1 - closed)
    mouth[_WIDE] = mouth[_WIDE] * (1 - 0.35 * closed) - 0.04 * closed
    mouth[_TONGUE] *= (1 - 0.8 * tucked) * (1 - closed)
    mouth[_TIP] *= (1 - tucked) * (1 - closed)
    hidden = 1 - 0.9 * np.clip((mouth[_ROUND] - 0.55) / 0.35, 0, 1)
    mouth[_TEETH_UP] *= hidden
    mouth[_TEETH_LOW] *= hidden


def _gate_span(segments: Sequence[Segment], number: int, shortest: float) -> tuple[float, float]:
    """When a closure or tuck is full, seconds; too short a phone closes earlier, never opens later."""
    segment = segments[number]
    length = segment.end - segment.start
    if segment.viseme == 1:
        start = segment.start + 0.004
        nasal = segment.symbol[:1] in ("m", "M")
        end = segment.end - 0.12 * length if nasal else max(segment.start + 0.3 * length, segment.end - 0.024)
    else:
        start, end = segment.start + 0.10 * length, segment.end - 0.15 * length
    if number and segments[number - 1].viseme == PAUSE:
        start, end = min(start, segment.end - 0.02 - shortest), max(end, segment.end - 0.012)
    return (end - shortest if end - start < shortest else start), end


def track_to_json(track: MouthTrack, rate: FrameRate) -> dict[str, object]:
    """The track at ``rate`` as plain data: one row of values a frame, in the order of ``parameters``."""
    rows = [[round(float(v), 4) for v in row] for row in track.frames(rate)]
    return {
        "fps": float(rate.value),
        "duration": round(track.duration, 6),
        "parameters": list(PARAMETERS),
        "frames": rows,
    }
