"""The same words in another voice or mood: pitch, vocal tract, tilt, pace and breath, by WORLD."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from dearhost.speech.reading import Samples
from dearhost.speech.world import FRAME_MS, Analysis, Floats, analyse, synthesise


@dataclass(frozen=True, slots=True)
class Shape:
    """How sound is to differ. Everything at its default changes nothing.

    ``mean``: fundamental in Hz, None to keep the sound's own, which ``raised`` then multiplies; ``spread``: of log
    pitch; ``warp``: formants are multiplied by this; ``tilt``: dB an octave from 1 kHz; ``pace``: above 1 is
    faster; ``breath``: 0 as it is, 1 whispered.
    """

    mean: float | None = None
    raised: float = 1.0
    spread: float = 1.0
    warp: float = 1.0
    tilt: float = 0.0
    pace: float = 1.0
    breath: float = 0.0


@dataclass(frozen=True, slots=True)
class Course:
    """What changes along a sound, in frames of 5 ms of the sound as it comes: ``bend`` in semitones, ``pace`` as a
    factor (above 1 is faster). Beyond its end the last value holds."""

    bend: Floats
    pace: Floats

    def moments(self, pace: float) -> Floats:
        """When each frame begins after the change, with ``pace`` on top, and when the last one ends; seconds."""
        made: Floats = np.concatenate([[0.0], np.cumsum(FRAME_MS / 1000 / (self.pace * pace))])
        return made

    def moved(self, seconds: float, pace: float) -> float:
        """When what was heard at a moment is heard after the change."""
        frames = np.arange(len(self.pace) + 1) * FRAME_MS / 1000
        return float(np.interp(seconds, frames, self.moments(pace)))


def reshape(samples: Samples, rate: int, shape: Shape, course: Course | None = None) -> Samples:
    """``samples`` (mono, -1..1) in another shape, at the same level; ``1 / pace`` times as long, unless ``course``
    says how pace and pitch go along it."""
    taken = analyse(samples, rate)
    pitch = _pitch(taken.pitch, shape)
    envelope = _envelope(taken.envelope, rate, shape)
    noise = _warped(taken.noise, shape.warp)
    if course is not None:
        bend = np.interp(np.arange(len(pitch)), np.arange(len(course.bend)), course.bend)
        pitch = pitch * 2 ** (bend / 12)
    if shape.breath:
        noise = noise + (1 - noise) * min(1.0, shape.breath)
        if shape.breath >= 0.95:
            pitch = np.zeros_like(pitch)
    if course is None:
        wanted = round(len(samples) / shape.pace)
        remade = synthesise(Analysis(pitch, envelope, noise), rate, wanted, FRAME_MS / shape.pace)
    else:
        wanted = round(course.moved(len(samples) / rate, shape.pace) * rate)
        remade = synthesise(_along(Analysis(pitch, envelope, noise), course, shape.pace), rate, wanted)
    level = float(np.sqrt(np.mean(samples.astype(np.float64) ** 2)) / max(1e-9, np.sqrt(np.mean(remade**2))))
    peak = float(np.abs(remade).max()) * level
    made: Samples = (remade * (level if peak <= 0.98 else level * 0.98 / peak)).astype(np.float32)
    return made


def _along(taken: Analysis, course: Course, pace: float) -> Analysis:
    """The frames at their new times, 5 ms apart again."""
    moments = course.moments(pace)
    count = int(moments[-1] / (FRAME_MS / 1000)) + 1
    source = np.interp(np.arange(count) * FRAME_MS / 1000, moments, np.arange(len(moments)))
    nearest = np.clip(np.rint(source).astype(int), 0, len(taken.pitch) - 1)
    low = np.clip(np.floor(source).astype(int), 0, len(taken.pitch) - 1)
    high = np.minimum(low + 1, len(taken.pitch) - 1)
    part = (source - low)[:, None]
    envelope = np.exp(np.log(taken.envelope[low]) * (1 - part) + np.log(taken.envelope[high]) * part)
    noise = taken.noise[low] * (1 - part) + taken.noise[high] * part
    return Analysis(taken.pitch[nearest], envelope, noise)


def _pitch(pitch: Floats, shape: Shape) -> Floats:
    pitch = pitch.copy()
    voiced = pitch > 0
    if voiced.any():
        log = np.log(pitch[voiced])
        mean = np.log(shape.mean) if shape.mean else log.mean() + np.log(shape.raised)
        pitch[voiced] = np.exp(mean + (log - log.mean()) * shape.spread)
    return pitch


def _envelope(envelope: Floats, rate: int, shape: Shape) -> Floats:
    log = _warped(np.log(envelope), shape.warp)
    bins = envelope.shape[1]
    frequency = np.maximum(np.arange(bins) * rate / 2 / (bins - 1), 60.0)
    gain = shape.tilt * np.log2(frequency / 1000)
    if shape.breath:
        gain = gain - shape.breath * 18 / (1 + (frequency / 300) ** 2)  # a whisper has no chest
    shaped: Floats = np.exp(log + gain * np.log(10) / 10)
    return shaped


def _warped(frames: Floats, warp: float) -> Floats:
    """Every frame stretched along frequency."""
    if warp == 1:
        return frames
    bins = frames.shape[1]
    source = np.clip(np.arange(bins) / warp, 0, bins - 1)
    low = np.floor(source).astype(int)
    high = np.minimum(low + 1, bins - 1)
    part = source - low
    stretched: Floats = frames[:, low] * (1 - part) + frames[:, high] * part
    return stretched
