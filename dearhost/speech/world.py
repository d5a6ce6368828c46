"""WORLD analysis and synthesis (Morise, Yokomori and Ozawa 2016), with a pitch tracker that hears low voices."""

from __future__ import annotations

import warnings
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from dearhost.speech.prosody import track_own_range
from dearhost.speech.reading import Samples

FRAME_MS = 5.0
Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Analysis:
    """A sound in frames of 5 ms: pitch in Hz (0 unvoiced), and per frame the spectral envelope and its noise part,
    both of shape (frames, bins)."""

    pitch: Floats
    envelope: Floats
    noise: Floats


def _pyworld() -> Any:
    with warnings.catch_warnings():  # its import of pkg_resources is only deprecated
        warnings.simplefilter("ignore", UserWarning)
        import pyworld  # noqa: PLC0415 - only changed voices need it
    return pyworld


def analyse(samples: Samples, rate: int) -> Analysis:
    """Take ``samples`` (mono, -1..1) apart."""
    pyworld = _pyworld()
    sound = samples.astype(np.float64)
    count = int(len(sound) / rate * 1000 / FRAME_MS) + 1
    pitch = track_own_range(samples, rate, count, rate=1000 / FRAME_MS).astype(np.float64)
    times = np.arange(count) * FRAME_MS / 1000
    envelope = pyworld.cheaptrick(sound, pitch, times, rate)
    return Analysis(pitch, envelope, pyworld.d4c(sound, pitch, times, rate))


def synthesise(analysis: Analysis, rate: int, length: int, frame_ms: float = FRAME_MS) -> Floats:
    """``length`` samples of sound from frames that each last ``frame_ms``."""
    made = _pyworld().synthesize(
        analysis.pitch, np.ascontiguousarray(analysis.envelope), np.ascontiguousarray(analysis.noise), rate, frame_ms
    )
    padded: Floats = np.pad(made[:length], (0, max(0, length - len(made))))
    return padded
