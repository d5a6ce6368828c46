"""Fits a voice model: what has to be done to the base voice so that it sounds like somebody's sample."""

from __future__ import annotations

import warnings
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dearhost.memory import LazyModule
from dearhost.speech.aligning.warping import Indices
from dearhost.speech.matching.closeness import same_moments
from dearhost.speech.matching.converting import (
    CORRECTION_DB,
    Mixture,
    VoiceModel,
    converted,
    guessed,
    mean_difference,
    noise_bands,
    warped_by_voicing,
)
from dearhost.speech.matching.phone_shifts import phone_of_frames, shifts_of
from dearhost.speech.matching.spectra import Floats, Spectra, cepstra, from_cepstra, limited, spectra_of, to_mel, warped

spatial = LazyModule("scipy.spatial")

_WARPS = np.arange(0.84, 1.17, 0.02)
"""Factors tried. Women's formants lie about 1.17 times as high as men's (Peterson and Barney 1952; from memory), and
beyond that words are lost."""
_COEFFICIENTS = 24
_SHORT_SECONDS = 20.0
_OCTAVE_ERROR = 0.7
_RATE_LIMITS = (0.82, 1.22)
_NEIGHBOUR_ROUNDS = 3
_RIDGE = 50.0
_CORRECTED_FROM = 3


@dataclass(frozen=True, slots=True)
class Pair:
    """One sentence: the base voice's reading, with its phones, and the sample's. ``same`` tells that both say the same
    words."""

    base: Spectra
    sample: Spectra
    same: bool = True


def fit_voice(pairs: Sequence[Pair]) -> VoiceModel:
    """A model from at least one pair; 10 to 12 sentences of the same words are best.

    Log-linear pitch, one vocal-tract factor, a joint Gaussian mixture over mel cepstra (Stylianou et al. 1998;
    Kain and Macon 1998) with global variance, what that misses of each phone, and a last correction of the long-term
    spectrum.
    """
    bases, samples = [p.base for p in pairs], [p.sample for p in pairs]
    frames = [same_moments(p.base, p.sample) for p in pairs] if all(p.same for p in pairs) else None
    factor = _best_warp(pairs, frames) if frames else _best_warp_apart(bases, samples)
    source, target = _paired(pairs, frames, factor) if frames else _paired_by_likeness(bases, samples, factor)
    seconds = sum(len(s.samples) for s in samples) / 22050
    parts = 8 if seconds >= _SHORT_SECONDS else 4 if seconds >= _SHORT_SECONDS / 2 else 2
    offset = mean_difference(source, target)
    pitch_from, pitch_to = _pitch(bases), _pitch(samples)
    noise = np.clip(noise_bands(samples) - noise_bands(bases), -9.0, 9.0)
    x, y = cepstra(source, _COEFFICIENTS + 1)[:, 1:], cepstra(target, _COEFFICIENTS + 1)[:, 1:]
    mixture = _mixture(x, y, parts)
    model = VoiceModel(
        warp=factor,
        pitch_from=pitch_from,
        pitch_to=pitch_to,
        mixture=mixture,
        spread=y.std(0),
        offset=offset,
        noise=noise,
        correction=np.zeros(source.shape[1]),
        pace=_pace(pairs, frames),
        shifts=_shifts(pairs, frames, factor, mixture) if frames else {},
    )
    return _corrected(model, bases[:_CORRECTED_FROM], samples)


def _best_warp(pairs: Sequence[Pair], frames: Sequence[tuple[Indices, Indices]]) -> float:
    target = np.concatenate([cepstra(p.sample.mel, 25)[b, 1:] for p, (_, b) in zip(pairs, frames, strict=True)])
    target = target - target.mean(0)
    costs = []
    for factor in _WARPS:
        source = np.concatenate(
            [
                cepstra(to_mel(warped(p.base.envelope[a], factor)), 25)[:, 1:]
                for p, (a, _) in zip(pairs, frames, strict=True)
            ]
        )
        costs.append(float((((source - source.mean(0)) - target) ** 2).sum(1).mean()))
    return float(_WARPS[int(np.argmin(costs))])


def _best_warp_apart(bases: Sequence[Spectra], samples: Sequence[Spectra]) -> float:
    """Without common words: the factor at which the base's frames are likeliest among the sample's."""
    from sklearn.mixture import GaussianMixture  # noqa: PLC0415 - only fitting needs it

    target = np.concatenate([cepstra(s.mel, 17)[s.loud, 1:] for s in samples])
    mixture = GaussianMixture(16, covariance_type="diag", random_state=0, max_iter=25).fit(target - target.mean(0))
    scores = []
    for factor in _WARPS:
        source = np.concatenate([cepstra(to_mel(warped(b.envelope[b.loud], factor)), 17)[:, 1:] for b in bases])
        shape = (source - source.mean(0)) / source.std(0) * target.std(0)
        scores.append(mixture.score(shape))
    return float(_WARPS[int(np.argmax(scores))])


def _paired(pairs: Sequence[Pair], frames: Sequence[tuple[Indices, Indices]], factor: float) -> tuple[Floats, Floats]:
    source = [to_mel(warped(p.base.envelope[a], factor)) for p, (a, _) in zip(pairs, frames, strict=True)]
    target = [p.sample.mel[b] for p, (_, b) in zip(pairs, frames, strict=True)]
    return np.concatenate(source), np.concatenate(target)


def _paired_by_likeness(bases: Sequence[Spectra], samples: Sequence[Spectra], factor: float) -> tuple[Floats, Floats]:
    """Frames paired with their nearest neighbours both ways, again after each linear refit (Erro et al. 2010)."""
    source = np.concatenate([to_mel(warped(b.envelope[b.loud], factor)) for b in bases])
    target = np.concatenate([s.mel[s.loud] for s in samples])
    x, y = cepstra(source, 25)[:, 1:], cepstra(target, 25)[:, 1:]
    moved = x - x.mean(0) + y.mean(0)
    tree = spatial.cKDTree(y[:, :20])
    first, second = np.arange(len(x)), np.zeros(len(x), int)
    for _ in range(_NEIGHBOUR_ROUNDS):
        onto = tree.query(moved[:, :20])[1]
        back = spatial.cKDTree(moved[:, :20]).query(y[:, :20])[1]
        first, second = np.concatenate([np.arange(len(x)), back]), np.concatenate([onto, np.arange(len(y))])
        centred = np.hstack([x - x.mean(0), np.ones((len(x), 1))])
        known = centred[first]
        matrix = np.linalg.solve(known.T @ known + _RIDGE * np.eye(known.shape[1]), known.T @ y[second])
        moved = centred @ matrix
    return source[first], target[second]


def _pitch(sounds: Sequence[Spectra]) -> tuple[float, float]:
    """Mean and deviation of log pitch, without octave errors."""
    voiced = np.concatenate([s.pitch[s.pitch > 0] for s in sounds])
    if not len(voiced):
        return float(np.log(120.0)), 0.15
    log = np.log(voiced)
    log = log[np.abs(log - np.median(log)) < _OCTAVE_ERROR]
    return float(log.mean()), float(max(log.std(), 0.02))


def _mixture(x: Floats, y: Floats, parts: int) -> Mixture:
    from sklearn.exceptions import ConvergenceWarning  # noqa: PLC0415 - only fitting needs it
    from sklearn.mixture import GaussianMixture  # noqa: PLC0415 - see above

    with warnings.catch_warnings():  # 30 rounds are near enough to the end, and often not quite there
        warnings.simplefilter("ignore", ConvergenceWarning)
        fitted = GaussianMixture(parts, covariance_type="full", reg_covar=1e-2, max_iter=30, random_state=0).fit(
            np.hstack([x, y])
        )
    return Mixture(fitted.weights_, fitted.means_, fitted.covariances_)


def _shifts(pairs: Sequence[Pair], frames: Sequence[tuple[Indices, Indices]], factor: float,
            mixture: Mixture) -> dict[str, Floats]:  # fmt: skip
    """What the mixture misses of each phone of the base voice."""
    phones, missed = [], []
    for pair, (a, b) in zip(pairs, frames, strict=True):
        x = cepstra(to_mel(warped_by_voicing(pair.base, factor)), _COEFFICIENTS + 1)[:, 1:]
        y = cepstra(pair.sample.mel[b], _COEFFICIENTS + 1)[:, 1:]
        phones.append(phone_of_frames(pair.base.phones, len(x))[a])
        missed.append(y - guessed(x, mixture)[a])
    return shifts_of(np.concatenate(phones), np.concatenate(missed))


def _pace(pairs: Sequence[Pair], frames: Sequence[tuple[Indices, Indices]] | None) -> float:
    """How much faster than the base voice the sample speaks."""
    if frames is None:
        return 1.0
    ratios = [p.base.loud.sum() / max(1, int(p.sample.loud.sum())) for p in pairs]
    return float(np.clip(np.median(ratios), *_RATE_LIMITS))


def _corrected(model: VoiceModel, bases: Sequence[Spectra], samples: Sequence[Spectra]) -> VoiceModel:
    """With what still lacks in the long-term spectrum of converted speech, up to 5 dB."""
    made = [spectra_of(converted(base, model), 22050) for base in bases]
    now = np.concatenate([s.mel[s.loud] for s in made]).mean(0)
    wanted = np.concatenate([s.mel[s.loud] for s in samples]).mean(0)
    difference = wanted - now
    smooth = from_cepstra(cepstra((difference - difference.mean())[None], 16))[0]
    return model.corrected(limited(smooth, CORRECTION_DB))
