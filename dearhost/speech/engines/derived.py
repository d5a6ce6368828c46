"""A voice made from another by WORLD analysis and synthesis."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from dearhost.speech.engine import Engine, EnginePhone, Utterance
from dearhost.speech.plan import Sentence
from dearhost.speech.reading import Samples
from dearhost.speech.world import FRAME_MS, Analysis, analyse, synthesise


@dataclass(frozen=True, slots=True)
class Derivation:
    """How the new voice differs.

    ``pitch``: mean fundamental in Hz; ``spread``: of log pitch, 1 = as it was; ``warp``: formants are
    multiplied by this; ``tilt``: dB an octave from 1 kHz; ``pace``: above 1 is faster.
    """

    pitch: float
    spread: float
    warp: float
    tilt: float
    pace: float


class DerivedEngine:
    """Speaks with ``source`` and changes the sound."""

    def __init__(self, source: Engine, derivation: Derivation) -> None:
        self._source, self._derivation = source, derivation
        self.version = f"derived-2/{source.version}"

    def release(self) -> None:
        """The source's model."""
        self._source.release()

    def phones_alone(self, word: str) -> tuple[str, ...]:
        """As the source says it."""
        return self._source.phones_alone(word)

    def synthesize(self, sentence: Sentence) -> Utterance:
        """The source's utterance, re-made; times follow the pace."""
        made = self._source.synthesize(sentence)
        samples = transform(made.samples, made.sample_rate, self._derivation)
        pace = self._derivation.pace
        phones = tuple(EnginePhone(p.symbol, p.start / pace, p.end / pace, p.stress, p.breaks) for p in made.phones)
        return Utterance(made.sample_rate, samples, phones)


def transform(samples: Samples, rate: int, derivation: Derivation) -> Samples:
    """``samples`` (mono, -1..1) with another pitch, vocal tract length, tilt and pace; same level."""
    taken = analyse(samples, rate)
    pitch, envelope, noise = taken.pitch, taken.envelope, taken.noise
    voiced = pitch > 0
    if voiced.any():
        log = np.log(pitch[voiced])
        pitch[voiced] = np.exp(np.log(derivation.pitch) + (log - log.mean()) * derivation.spread)
    bins = envelope.shape[1]
    source_bin = np.clip(np.arange(bins) / derivation.warp, 0, bins - 1)
    low = np.floor(source_bin).astype(int)
    high = np.minimum(low + 1, bins - 1)
    part = source_bin - low
    log_envelope = np.log(envelope)
    log_envelope = log_envelope[:, low] * (1 - part) + log_envelope[:, high] * part
    noise = noise[:, low] * (1 - part) + noise[:, high] * part
    frequency = np.maximum(np.arange(bins) * rate / 2 / (bins - 1), 60.0)
    gain = derivation.tilt * np.log2(frequency / 1000)
    envelope = np.exp(log_envelope + gain * np.log(10) / 10)
    wanted = round(len(samples) / derivation.pace)
    remade = synthesise(Analysis(pitch, envelope, noise), rate, wanted, FRAME_MS / derivation.pace)
    sound = samples.astype(np.float64)
    level = float(np.sqrt(np.mean(sound**2)) / max(1e-9, np.sqrt(np.mean(remade**2))))
    peak = float(np.abs(remade).max()) * level
    return (remade * (level if peak <= 0.98 else level * 0.98 / peak)).astype(np.float32)
