"""Loudness and pitch over time."""

from __future__ import annotations

import numpy as np
import parselmouth

from dearhost.speech.reading import Prosody, Samples

RATE = 200.0


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
    if len(samples) < sample_rate * 0.08:
        return np.zeros(count, np.float32)
    sound = parselmouth.Sound(samples.astype(np.float64), sample_rate)
    pitch = sound.to_pitch_ac(time_step=1 / rate, pitch_floor=60.0, pitch_ceiling=420.0)
    values = pitch.selected_array["frequency"]
    index = np.rint((np.arange(count) / rate - pitch.t1) * rate).astype(int)
    inside = (index >= 0) & (index < len(values))
    return np.where(inside, values[np.clip(index, 0, len(values) - 1)], 0.0).astype(np.float32)
