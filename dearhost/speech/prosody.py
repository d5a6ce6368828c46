"""Loudness and pitch over time."""

from __future__ import annotations

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.reading import Prosody, Samples

parselmouth = LazyModule("parselmouth")

RATE = 200.0
_FLOOR, _CEILING = 60.0, 420.0
_ENOUGH = 20
"""Voiced frames from which a speaker's range can be told."""


def measure_prosody(samples: Samples, sample_rate: int) -> Prosody:
    """Loudness (RMS over 10 ms, dB) and pitch (Boersma 1993, autocorrelation, 60 to 420 Hz) every 5 ms."""
    hop = sample_rate / RATE
    count = max(1, int(len(samples) / hop))
    power = np.concatenate([[0.0], np.cumsum(samples.astype(np.float64) ** 2)])
    centres = np.arange(count) * hop
    lower = np.clip(centres - hop, 0, len(samples)).astype(int)
    upper = np.clip(centres + hop, 0, len(samples)).astype(int)
    mean = (power[upper] - power[lower]) / np.maximum(1, upper - lower)
    loudness = 10 * np.log10(np.maximum(mean, 1e-9))
    return Prosody(RATE, loudness.astype(np.float32), track_pitch(samples, sample_rate, count))


def track_pitch(samples: Samples, sample_rate: int, count: int, *, rate: float = RATE) -> Samples:
    """``count`` pitch values in Hz, ``rate`` a second from 0; 0 where unvoiced or too short to tell."""
    return _tracked(samples, sample_rate, count, rate, _FLOOR, _CEILING, 0.45, 0.03)


def track_own_range(samples: Samples, sample_rate: int, count: int, *, rate: float = RATE) -> Samples:
    """As ``track_pitch``, but within the range of the speaker, where creaky and soft voice is heard as voice too.

    A first pass finds the quartiles of the pitch, the second looks from .75 of the lower to 1.9 times the upper one
    (after De Looze and Hirst 2008, who take 1.5 and, for lively speech, 2.5).
    """
    first = track_pitch(samples, sample_rate, count, rate=rate)
    voiced = first[first > 0]
    if len(voiced) < _ENOUGH:
        return first
    lower, upper = np.percentile(voiced, [25, 75])
    floor, ceiling = max(50.0, 0.75 * float(lower)), min(600.0, 1.9 * float(upper))
    return _tracked(samples, sample_rate, count, rate, floor, ceiling, 0.2, 0.01)


def _tracked(samples: Samples, sample_rate: int, count: int, rate: float, floor: float, ceiling: float,
             voicing: float, silence: float) -> Samples:  # fmt: skip
    if len(samples) < sample_rate * 0.08:
        return np.zeros(count, np.float32)
    sound = parselmouth.Sound(samples.astype(np.float64), sample_rate)
    pitch = sound.to_pitch_ac(
        time_step=1 / rate,
        pitch_floor=floor,
        pitch_ceiling=ceiling,
        voicing_threshold=voicing,
        silence_threshold=silence,
    )
    values = pitch.selected_array["frequency"]
    index = np.rint((np.arange(count) / rate - pitch.t1) * rate).astype(int)
    inside = (index >= 0) & (index < len(values))
    return np.where(inside, values[np.clip(index, 0, len(values) - 1)], 0.0).astype(np.float32)
