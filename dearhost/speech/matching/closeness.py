"""How close a matched voice comes to its sample, by numbers a person can weigh."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dearhost.speech.aligning.warping import Indices, path_between
from dearhost.speech.matching.spectra import DECIBEL, POINTS, Floats, Spectra, cepstra

_COEFFICIENTS = 25
_SAME_PERSON_DB = 3.5
"""About the distance of two readings of one sentence by one person (from memory; between persons it is 9 to 12)."""


@dataclass(frozen=True, slots=True)
class Closeness:
    """On sentences the voice was not fitted to: ``before`` and ``after`` are the mean spectral distances in dB of the
    base voice and of the match from the person, ``pitch`` and ``pitch_wanted`` in Hz, ``held_out`` how many
    sentences (0: measured on the sentences it was fitted to, for want of others). ``same``: by the same words; else by
    the long-term spectrum alone, which flatters."""

    before: float
    after: float
    pitch: float
    pitch_wanted: float
    held_out: int
    same: bool = True

    @property
    def closed(self) -> float:
        """The part of the distance that the match closes, 0 to 1, towards one person's own difference."""
        return float(np.clip((self.before - self.after) / max(0.1, self.before - _SAME_PERSON_DB), 0.0, 1.0))


def measure_closeness(base: Sequence[Spectra], made: Sequence[Spectra], sample: Sequence[Spectra],
                      held_out: int, *, same: bool = True) -> Closeness:  # fmt: skip
    """Compare sentences by the base voice, by the match and by the person. ``same``: they are the same words;
    without that only long-term spectra can be compared, which lie closer together."""
    if same:
        before = float(np.mean([spectral_distance(b, s) for b, s in zip(base, sample, strict=True)]))
        after = float(np.mean([spectral_distance(m, s) for m, s in zip(made, sample, strict=True)]))
    else:
        before, after = _long_term_distance(base, sample), _long_term_distance(made, sample)
    pitch, wanted = round(pitch_of(made), 1), round(pitch_of(sample), 1)
    return Closeness(round(before, 2), round(after, 2), pitch, wanted, held_out, same)


def pitch_of(sounds: Sequence[Spectra]) -> float:
    """The median pitch in Hz of what is voiced; 0 where nothing is."""
    voiced = np.concatenate([s.pitch[s.pitch > 0] for s in sounds])
    return float(np.exp(np.median(np.log(voiced)))) if len(voiced) else 0.0


def spectral_distance(first: Spectra, second: Spectra) -> float:
    """Mel-cepstral distance in dB over speech that was laid on each other (after Kubichek 1993), without level."""
    on_first, on_second = same_moments(first, second)
    a = cepstra(first.mel, _COEFFICIENTS)[on_first, 1:]
    b = cepstra(second.mel, _COEFFICIENTS)[on_second, 1:]
    if not len(a):
        return 0.0
    return float(np.sqrt(((a - b) ** 2).sum(1) / POINTS).mean() / DECIBEL)


def _long_term_distance(first: Sequence[Spectra], second: Sequence[Spectra]) -> float:
    a, b = (np.concatenate([cepstra(s.mel, _COEFFICIENTS)[s.loud, 1:] for s in part]) for part in (first, second))
    apart = np.sqrt(((a.mean(0) - b.mean(0)) ** 2).sum() / POINTS) / DECIBEL
    return float(_SAME_PERSON_DB + apart)


def said_distance(first: Spectra, second: Spectra) -> float:
    """How far two sounds lie from each other in what is said, once the one is laid on the other; no unit."""
    on_first, on_second = same_moments(first, second)
    apart = _said_shape(first.mel)[on_first] - _said_shape(second.mel)[on_second]
    return float(np.sqrt((apart**2).sum(1)).mean()) if len(apart) else 0.0


def same_moments(first: Spectra, second: Spectra) -> tuple[Indices, Indices]:
    """Frame numbers of two sounds of the same words at which they say the same, where both are speech."""
    on_first, on_second = path_between(_said_shape(first.mel), _said_shape(second.mel))
    kept = first.loud[on_first] & second.loud[on_second]
    return on_first[kept], on_second[kept]


def _said_shape(mel: Floats) -> Floats:
    """Cepstra and level without their means: what is said rather than who says it, (frames, 20)."""
    shape = cepstra(mel, 20)[:, 1:]
    level = mel.mean(1, keepdims=True)
    made: Floats = np.hstack([shape - shape.mean(0), 0.5 * (level - level.mean())])
    return made
