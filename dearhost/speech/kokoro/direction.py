"""What is changed between the model's predictor and its decoder: lengths, pitch and loudness."""

from __future__ import annotations

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.engine import Direction
from dearhost.speech.kokoro.model import FRAME, RATE
from dearhost.speech.manner import EMPHASIS_LONGER, EMPHASIS_LOUDER, EMPHASIS_RISE
from dearhost.speech.reading import Samples

signal = LazyModule("scipy.signal")

VOICED = 30.0
"""Hz above which a value of the pitch curve is a pitch."""
_A_DECIBEL = 0.29 / 2.5
"""Of the model's loudness curve, a dB."""
_TURN = 0.45
"""Seconds before the end over which an ending turns."""


def directed_lengths(frames: np.ndarray, words: np.ndarray, direction: Direction) -> np.ndarray:
    """Frames of each token as directed. ``words`` gives each token's spoken word, -1 for silence.

    The silence round the sentence stays: what is said first begins to sound in it.
    """
    factor = np.full(len(frames), 1 / direction.pace)
    for word, strength in direction.emphasis.items():
        factor[words == word] *= 1 + EMPHASIS_LONGER * strength
    made = frames.copy()
    said = np.flatnonzero(words >= 0)
    if not len(said):
        return made
    inner = slice(said[0], said[-1] + 1)
    total = round(direction.seconds / FRAME) if direction.seconds else None
    made[inner] = shared_out(frames[inner] * factor[inner], total)
    return made


def shared_out(wanted: np.ndarray, total: int | None = None) -> np.ndarray:
    """Whole numbers near the wanted ones, each at least 1, their sum as near as can be or ``total``.

    By the largest remainder; ``total`` below one each gives one each.
    """
    wanted = np.maximum(wanted.astype(float), 1e-6)
    whole = max(round(float(wanted.sum())) if total is None else total, len(wanted))
    small = np.zeros(len(wanted), bool)
    for _ in range(len(wanted)):  # what would fall under one keeps one, and the others share the rest
        small |= wanted < 1
        wanted = np.where(small, 1.0, wanted)
        free = wanted[~small].sum()
        left = whole - small.sum()
        if not free or abs(free - left) < 1e-6:
            break
        wanted = np.where(small, wanted, wanted * left / free)
    made = np.maximum(1, np.floor(wanted + 1e-9)).astype(int)
    each, some = divmod(max(0, whole - int(made.sum())), len(made))
    made += each
    made[np.argsort(made - wanted, kind="stable")[:some]] += 1
    return made


def directed_curves(pitch: np.ndarray, loudness: np.ndarray, frames: np.ndarray, words: np.ndarray,
                    direction: Direction) -> tuple[np.ndarray, np.ndarray]:  # fmt: skip
    """Pitch in Hz and loudness of each half frame, as directed."""
    semitones = np.zeros(len(pitch))
    decibels = np.zeros(len(loudness))
    ends = np.cumsum(frames) * 2
    for word, strength in direction.emphasis.items():
        mine = np.flatnonzero(words == word)
        if not len(mine):
            continue
        first, last = ends[mine[0]] - 2 * frames[mine[0]], ends[mine[-1]]
        hump = np.sin(np.pi * (np.arange(last - first) + 0.5) / (last - first)) ** 0.7
        semitones[first:last] += EMPHASIS_RISE * strength * hump
        decibels[first:last] += EMPHASIS_LOUDER * strength * hump
    voiced = pitch > VOICED
    if direction.ending and voiced.any():
        last = int(np.flatnonzero(voiced)[-1]) + 1
        first = max(0, last - round(_TURN / FRAME * 2))
        semitones[first:last] += direction.ending * np.linspace(0, 1, last - first)
    made = pitch.copy()
    if voiced.any():
        log = np.log(pitch[voiced])
        made[voiced] = np.exp(log.mean() + (log - log.mean()) * direction.spread) * direction.raised
        made[voiced] *= 2 ** (semitones[voiced] / 12)
    return made.astype(np.float32), (loudness + _A_DECIBEL * decibels).astype(np.float32)


def tilted(samples: Samples, tilt: float) -> Samples:
    """The sound with its spectrum tilted by so many dB an octave, unchanged at 1 kHz; flat under 100 Hz."""
    if not tilt:
        return samples
    part = np.linspace(0, 1, 129)
    gain = 10 ** (tilt * np.log2(np.maximum(part * RATE / 2, 100.0) / 1000) / 20)
    made: Samples = signal.fftconvolve(samples, signal.firwin2(255, part, gain), "same").astype(np.float32)
    return made
