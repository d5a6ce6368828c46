"""Sounds as smooth spectra on a mel scale: the space in which voices are matched."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Protocol

import numpy as np
import soxr
from numpy.typing import NDArray

from dearhost.memory import LazyModule
from dearhost.speech.reading import Samples
from dearhost.speech.world import analyse

fft = LazyModule("scipy.fft")

Floats = NDArray[np.float64]
RATE = 22050
POINTS = 64
_TOP_HZ = 7200.0
_BOTTOM_HZ = 40.0
DECIBEL = float(np.log(10) / 10)
"""One dB in natural logarithms of power."""
_LOUD = 7.5
"""In natural logarithms of power: how far below its loud parts a frame still counts as speech."""
_KNEE = 0.72

Said = tuple[str, float, float]
"""A phone in IPA, and the seconds at which it begins and ends."""


class _Timed(Protocol):
    """A phone of an engine or of a reading."""

    @property
    def symbol(self) -> str: ...

    @property
    def start(self) -> float: ...

    @property
    def end(self) -> float: ...


def said_in(phones: Iterable[_Timed]) -> tuple[Said, ...]:
    """What an engine or a reading says, and when."""
    return tuple((phone.symbol, phone.start, phone.end) for phone in phones)


def _mel(hertz: Floats) -> Floats:
    made: Floats = 2595 * np.log10(1 + hertz / 700)
    return made


_MELS = np.linspace(_mel(np.array(_BOTTOM_HZ)), _mel(np.array(_TOP_HZ)), POINTS)
MEL_HZ: Floats = 700 * (10 ** (_MELS / 2595) - 1)
"""The frequencies of the mel points, 40 Hz to 7.2 kHz (O'Shaughnessy 1987)."""


@dataclass(frozen=True, slots=True)
class Spectra:
    """A sound at 22.05 kHz in frames of 5 ms: ``pitch`` in Hz (0 unvoiced), the natural logarithm of the power
    ``envelope`` and its ``noise`` part, both (frames, bins); and the ``phones`` said, where they are known."""

    samples: Samples
    pitch: Floats
    envelope: Floats
    noise: Floats
    phones: tuple[Said, ...] = ()

    @property
    def mel(self) -> Floats:
        """The envelope at the mel points, (frames, 64)."""
        return to_mel(self.envelope)

    @property
    def loud(self) -> NDArray[np.bool_]:
        """Which frames are speech."""
        return loud_frames(self.mel)


def loud_frames(mel: Floats) -> NDArray[np.bool_]:
    """Which frames of (frames, 64) are speech."""
    level = mel.mean(1)
    found: NDArray[np.bool_] = level > np.percentile(level, 95) - _LOUD
    return found


def spectra_of(samples: Samples, rate: int, phones: tuple[Said, ...] = ()) -> Spectra:
    """Analyse mono samples in -1..1; ``phones`` are what is said, if that is known."""
    sound = samples if rate == RATE else soxr.resample(samples, rate, RATE)
    taken = analyse(sound, RATE)
    return Spectra(sound, taken.pitch, np.log(np.maximum(taken.envelope, 1e-12)), taken.noise, phones)


def _bin_hz(bins: int) -> Floats:
    return np.arange(bins) * RATE / 2 / (bins - 1)


def to_mel(envelope: Floats) -> Floats:
    """(frames, bins) at the mel points."""
    hertz = _bin_hz(envelope.shape[1])
    index = np.searchsorted(hertz, MEL_HZ) - 1
    part = (MEL_HZ - hertz[index]) / (hertz[index + 1] - hertz[index])
    made: Floats = envelope[:, index] * (1 - part) + envelope[:, index + 1] * part
    return made


def from_mel(mel: Floats, bins: int) -> Floats:
    """(frames, 64) at all bins; beyond the outer points their values hold."""
    hertz = _bin_hz(bins)
    index = np.clip(np.searchsorted(MEL_HZ, hertz) - 1, 0, POINTS - 2)
    part = np.clip((hertz - MEL_HZ[index]) / (MEL_HZ[index + 1] - MEL_HZ[index]), 0, 1)
    made: Floats = mel[:, index] * (1 - part) + mel[:, index + 1] * part
    return made


def cepstra(mel: Floats, count: int) -> Floats:
    """The first ``count`` cosine coefficients of each frame."""
    made: Floats = fft.dct(mel, norm="ortho", axis=1)[:, :count]
    return made


def from_cepstra(coefficients: Floats) -> Floats:
    """The mel spectrum that cosine coefficients describe, (frames, 64)."""
    made: Floats = fft.idct(np.pad(coefficients, ((0, 0), (0, POINTS - coefficients.shape[1]))), norm="ortho", axis=1)
    return made


def warped(frames: Floats, factor: float) -> Floats:
    """(frames, bins) with formants multiplied by ``factor``; piecewise linear, so that the top stays in place."""
    if abs(factor - 1) < 1e-4:
        return frames
    bins = frames.shape[1]
    hertz, top = _bin_hz(bins), RATE / 2
    knee = _KNEE * top / max(factor, 1.0)
    bent = knee * factor
    source = np.where(hertz <= bent, hertz / factor, knee + (hertz - bent) * (top - knee) / (top - bent))
    place = source / top * (bins - 1)
    low = np.clip(place.astype(int), 0, bins - 2)
    part = place - low
    made: Floats = frames[:, low] * (1 - part) + frames[:, low + 1] * part
    return made


def limited(difference: Floats, decibels: float | Floats) -> Floats:
    """``difference`` (natural logarithms of power) bent so that it stays within ``decibels``."""
    most = DECIBEL * np.asarray(decibels)
    made: Floats = most * np.tanh(difference / most)
    return made
