"""Makes a recording ready to use: trimmed, levelled, without room noise, with shorter silences."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.sound.examining import frame_levels
from dearhost.sound.placing import Mono

ndimage, signal = LazyModule("scipy.ndimage"), LazyModule("scipy.signal")

_EDGE = 0.08
_FRAME = 0.02
_LEVEL_DB = -23.0
"""The level of speech, about that of the other voices."""
_PEAK = 0.95


def trimmed(samples: Mono, rate: int, *, below: float = 32.0) -> tuple[Mono, float]:
    """Without what comes before and after the speech, but for 80 ms; and how many seconds were cut at the start.

    Knocks shorter than 60 ms that stand apart are no speech.
    """
    levels = frame_levels(samples, rate)
    if not len(levels):
        return samples, 0.0
    threshold = max(
        np.percentile(levels, 95) - below, min(np.percentile(levels, 10) + 8, np.percentile(levels, 95) - 6)
    )
    loud = ndimage.minimum_filter1d((levels > threshold).astype(int), 3)  # three frames in a row
    found = np.flatnonzero(loud)
    if not len(found):
        return samples, 0.0
    first = max(0, round(((found[0] - 1) * _FRAME - _EDGE) * rate))
    last = min(len(samples), round(((found[-1] + 2) * _FRAME + 2 * _EDGE) * rate))
    return faded(samples[first:last], rate), first / rate


def faded(samples: Mono, rate: int, seconds: float = 0.008) -> Mono:
    """With short ramps at both ends, so that nothing clicks."""
    made = samples.copy()
    count = min(len(made) // 2, round(seconds * rate))
    if count:
        ramp = np.linspace(0, 1, count, dtype=np.float32)
        made[:count] *= ramp
        made[-count:] *= ramp[::-1]
    return made


def levelled(samples: Mono, rate: int, decibels: float = _LEVEL_DB) -> Mono:
    """At a speech level in dB full scale, without rumble below 60 Hz; peaks stay below full scale."""
    if len(samples) < rate // 10:
        return samples
    sound = without_rumble(samples, rate)
    levels = frame_levels(sound.astype(np.float32), rate)
    made: Mono = (sound * speech_gain(levels, float(np.abs(sound).max()), decibels)).astype(np.float32)
    return made


def without_rumble(samples: Mono, rate: int) -> NDArray[np.float64]:
    """Without what lies below 60 Hz. Parts of a sound that overlap by a second are filtered as the whole is."""
    high_pass = signal.butter(2, 60.0, "highpass", fs=rate, output="sos")
    sound: NDArray[np.float64] = signal.sosfiltfilt(high_pass, samples.astype(np.float64))
    return sound


def speech_gain(levels: NDArray[np.float64], peak: float, decibels: float = _LEVEL_DB) -> float:
    """The factor that brings speech whose levels every 20 ms and whose ``peak`` are given to a level; 1 for none."""
    speaking = levels[levels > np.percentile(levels, 95) - 25] if len(levels) else levels
    if not len(speaking):
        return 1.0
    gain = 10 ** ((decibels - 10 * np.log10((10 ** (speaking / 10)).mean())) / 20)
    return float(min(gain, _PEAK / max(1e-9, peak)))


def denoised(samples: Mono, rate: int, *, reduce_db: float = 18.0) -> Mono:
    """With steady room noise lowered by up to ``reduce_db``, by spectral gating.

    The room is learnt from the quietest tenth of the recording; a gain follows how far each time and frequency is
    above it, smoothed so that nothing twitters (Boll 1979; Ephraim and Malah's decision is left out).
    """
    size = 1024 if rate > 30_000 else 512
    if len(samples) < 4 * size:
        return samples
    _, _, spectrum = signal.stft(samples.astype(np.float64), rate, nperseg=size, noverlap=size * 3 // 4)
    power = np.abs(spectrum) ** 2
    level = 10 * np.log10(np.maximum(power.sum(0), 1e-12))
    quiet = level <= np.percentile(level, 12)
    room = power[:, quiet].mean(1, keepdims=True)
    smooth = ndimage.uniform_filter(power, (3, 5))
    over = np.maximum(0.0, 1 - 2.0 * room / np.maximum(smooth, 1e-15))
    floor = 10 ** (-reduce_db / 20)
    gain = ndimage.uniform_filter1d(np.maximum(floor, np.sqrt(over)), 3, axis=1)
    _, cleaned = signal.istft(spectrum * gain, rate, nperseg=size, noverlap=size * 3 // 4)
    made: Mono = np.pad(cleaned, (0, max(0, len(samples) - len(cleaned))))[: len(samples)].astype(np.float32)
    return made


def with_shorter_silences(samples: Mono, rate: int, longest: float, *, below: float = 35.0) -> Mono:
    """With pauses longer than ``longest`` seconds cut down to it; speech is not touched."""
    levels = frame_levels(samples, rate)
    if not len(levels) or longest <= 0:
        return samples
    speaking = levels > max(np.percentile(levels, 95) - below, np.percentile(levels, 5) + 6)
    kept: list[Mono] = []
    hop = round(_FRAME * rate)
    at, index = 0, 0
    while index < len(speaking):
        if speaking[index]:
            index += 1
            continue
        first = index
        while index < len(speaking) and not speaking[index]:
            index += 1
        if (index - first) * _FRAME > longest and first > 0 and index < len(speaking):
            cut = round(longest / 2 * rate)
            kept.append(faded(samples[at : first * hop + cut], rate, 0.004))
            at = index * hop - cut
    kept.append(samples[at:])
    made: Mono = np.concatenate(kept)
    return made
