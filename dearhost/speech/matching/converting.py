"""A fitted voice model, and speech said with it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.matching.phone_shifts import shifts_along
from dearhost.speech.matching.spectra import (
    MEL_HZ,
    RATE,
    Floats,
    Said,
    Spectra,
    cepstra,
    from_cepstra,
    from_mel,
    limited,
    to_mel,
    warped,
)
from dearhost.speech.reading import Samples
from dearhost.speech.world import FRAME_MS, Analysis, synthesise

ndimage = LazyModule("scipy.ndimage")

CORRECTION_DB = 5.0
_BANDS = ((0, 1000), (1000, 2000), (2000, 4000), (4000, 7200))
_BAND_CENTRES = (0.0, 500.0, 1500.0, 3000.0, 5600.0, RATE / 2)
_SPREAD_LIMITS = (0.35, 1.8)
_VARIANCE_LIMITS = (1.0, 2.0)
_SILENT = 9.0
_MOST_LOW_DB, _MOST_DB, _MOST_DB_FAR = 30.0, 20.0, 12.0
"""dB at most by which a frame is changed: below 120 Hz, and above 250 Hz for a throat as long as the base voice's and
for one of another length. Changed more it comes closer to the person and is understood less; by trial with four
speakers, of whom the one with another throat is understood less to begin with."""
_SLOW, _SLOW_FAR = 1.0, 2.5
"""Frames over which changes are smoothed, for the same two."""
_FAR_WARP = math.log(1.16)
"""From this warp on a throat is of another length: that of women and men (see ``fitting``)."""
_VOICELESS_WARP = 0.5
"""Of the warp: lips and teeth differ less between people than throats. By trial: a point fewer words wrong."""
_PEAK = 0.95


@dataclass(frozen=True, slots=True)
class Mixture:
    """A joint Gaussian mixture over cepstra of base and sample: weights (m), means (m, 2n), covariances
    (m, 2n, 2n)."""

    weights: Floats
    means: Floats
    covariances: Floats

    def mapped(self, x: Floats) -> Floats:
        """The sample's cepstra that belong to the base's ``x``, (frames, n)."""
        size = x.shape[1]
        logs, guesses = [], []
        for weight, mean, covariance in zip(self.weights, self.means, self.covariances, strict=True):
            own = covariance[:size, :size]
            offset = x - mean[:size]
            solved = np.linalg.solve(own, offset.T).T
            _, determinant = np.linalg.slogdet(own)
            logs.append(np.log(weight) - 0.5 * ((offset * solved).sum(1) + determinant))
            guesses.append(mean[size:] + solved @ covariance[:size, size:])
        log = np.stack(logs, 1)
        share = np.exp(log - log.max(1, keepdims=True))
        share /= share.sum(1, keepdims=True)
        made: Floats = np.einsum("tm,mtn->tn", share, np.stack(guesses))
        return made


@dataclass(frozen=True, slots=True)
class VoiceModel:
    """What turns the base voice into another.

    ``warp``: formants are multiplied by it. ``pitch_from``, ``pitch_to``: mean and deviation of log pitch.
    ``spread``: deviations of the sample's cepstra. ``offset``, ``correction``: of the long-term spectrum at the 64
    mel points, natural logarithms of power. ``noise``: four bands of aperiodicity in dB. ``pace``: above 1 the
    sample speaks faster. ``shifts``: cepstra, by the phone, that the mixture misses.
    """

    warp: float
    pitch_from: tuple[float, float]
    pitch_to: tuple[float, float]
    mixture: Mixture
    spread: Floats
    offset: Floats
    noise: Floats
    correction: Floats
    pace: float = 1.0
    shifts: Mapping[str, Floats] = field(default_factory=dict)

    def corrected(self, correction: Floats) -> VoiceModel:
        """With another last correction."""
        return replace(self, correction=correction)

    @property
    def mean_pitch(self) -> float:
        """Hz."""
        return float(np.exp(self.pitch_to[0]))

    @property
    def farness(self) -> float:
        """How far the throat's length is from the base voice's: 0 the same, 1 that of the other sex."""
        return min(1.0, abs(math.log(self.warp)) / _FAR_WARP)


def converted(sound: Spectra, model: VoiceModel) -> Samples:
    """The sound said with the model's voice: mono at 22.05 kHz, ``1 / pace`` times as long, about as loud."""
    pitch = _pitch(sound.pitch, model)
    envelope = warped_by_voicing(sound, model.warp)
    change = _change(to_mel(envelope), model, sound.phones) + model.correction
    noise = _noisier(warped(sound.noise, model.warp), pitch, model.noise)
    shaped = np.exp(envelope + from_mel(change, envelope.shape[1]))
    wanted = round(len(sound.samples) / model.pace)
    made = synthesise(Analysis(pitch, shaped, noise), RATE, wanted, FRAME_MS / model.pace)
    loudness = float(np.sqrt((sound.samples.astype(np.float64) ** 2).mean()))
    made = made * loudness / max(1e-9, float(np.sqrt((made**2).mean())))
    peak = float(np.abs(made).max()) if len(made) else 0.0
    out: Samples = (made * (_PEAK / peak if peak > _PEAK else 1.0)).astype(np.float32)
    return out


def warped_by_voicing(sound: Spectra, factor: float) -> Floats:
    """The envelope with its formants moved; voiceless sounds by less, and with no step between the two."""
    voiced = ndimage.gaussian_filter1d((sound.pitch > 0).astype(float), 2.0)
    share = np.clip(1.6 * voiced - 0.3, 0, 1)[:, None]
    less = warped(sound.envelope, 1 + (factor - 1) * _VOICELESS_WARP)
    made: Floats = share * warped(sound.envelope, factor) + (1 - share) * less
    return made


def _pitch(pitch: Floats, model: VoiceModel) -> Floats:
    voiced = pitch > 0
    made = np.zeros_like(pitch)
    (mean, spread), (new_mean, new_spread) = model.pitch_from, model.pitch_to
    log = np.clip(np.log(pitch[voiced]), mean - 0.6, mean + 0.6)
    made[voiced] = np.exp(new_mean + np.clip(new_spread / spread, *_SPREAD_LIMITS) * (log - mean))
    return made


def guessed(x: Floats, mixture: Mixture) -> Floats:
    """The mixture's guess for cepstra (frames, n) that follow each other."""
    made: Floats = ndimage.gaussian_filter1d(mixture.mapped(x), 1.5, axis=0)
    return made


def _change(mel: Floats, model: VoiceModel, phones: Sequence[Said]) -> Floats:
    """What is added to the mel spectrum of each frame: the guess for it in speech, the mean in pauses."""
    size = model.spread.shape[0]
    x = cepstra(mel, size + 1)[:, 1:]
    y = guessed(x, model.mixture) + shifts_along(model.shifts, phones, x.shape)
    level = mel.mean(1)
    loud = level > np.percentile(level, 95) - 7.5
    mean = y[loud].mean(0)
    variance = np.clip(model.spread / np.maximum(y[loud].std(0), 1e-3), *_VARIANCE_LIMITS)
    y = mean + (y - mean) * variance
    change = from_cepstra(np.hstack([np.zeros((len(x), 1)), y - x]))
    change[level < np.percentile(level, 95) - _SILENT] = model.offset
    far = model.farness
    change = ndimage.gaussian_filter1d(change, _SLOW + (_SLOW_FAR - _SLOW) * far, axis=0)
    most = _MOST_DB + (_MOST_DB_FAR - _MOST_DB) * far
    return limited(change, np.interp(MEL_HZ, [40, 120, 250, 7200], [_MOST_LOW_DB, _MOST_LOW_DB, most, most]))


def mean_difference(source: Floats, target: Floats) -> Floats:
    """The smooth difference of two long-term mel spectra, at the mel points, without the difference in level."""
    difference = target.mean(0) - source.mean(0)
    difference = difference - difference[MEL_HZ > 150].mean()
    made: Floats = from_cepstra(cepstra(difference[None], 24))[0]
    return made


def noise_bands(sounds: Sequence[Spectra]) -> Floats:
    """The noise part of voiced speech in four bands, dB."""
    noise = np.concatenate([s.noise[s.loud & (s.pitch > 0)] for s in sounds])
    if not len(noise):
        return np.zeros(len(_BANDS))
    hertz = np.arange(noise.shape[1]) * RATE / 2 / (noise.shape[1] - 1)
    means = [noise[:, (hertz >= low) & (hertz < high)].mean() for low, high in _BANDS]
    made: Floats = 20 * np.log10(np.array(means) + 1e-6)
    return made


def _noisier(noise: Floats, pitch: Floats, bands: Floats) -> Floats:
    hertz = np.arange(noise.shape[1]) * RATE / 2 / (noise.shape[1] - 1)
    decibels = np.interp(hertz, _BAND_CENTRES, [bands[0], *bands, bands[-1]])
    made = noise.copy()
    voiced = pitch > 0
    made[voiced] = np.clip(noise[voiced] * 10 ** (decibels / 20), 0.001, 0.9999)
    return made
