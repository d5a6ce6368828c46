"""Which of the voices that came with the application says a sample nearest to the person."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dearhost.speech.engine import Engine
from dearhost.speech.matching.closeness import pitch_of, spectral_distance
from dearhost.speech.matching.sample import SampleSentence
from dearhost.speech.matching.spectra import Spectra, said_in, spectra_of
from dearhost.speech.plan import plan_words
from dearhost.speech.saying import speak_plan

_COMPARED = 2
"""Sentences that are compared."""
_WITHIN = 0.45
"""Octaves between the usual pitches of a person and of a voice that is compared; a match moves the pitch."""


@dataclass(frozen=True, slots=True)
class NearVoice:
    """A voice that a match may begin from; ``pitch`` in Hz, as it usually speaks."""

    pitch: float
    engine: Engine


def nearest_of(voices: Mapping[str, NearVoice], sample: Sequence[SampleSentence], spoken: Sequence[Spectra]) -> str:
    """The name of the voice that says what stands in the sample nearest to how it is ``spoken`` there: by the spectral
    distance in dB, and one more for each octave between them. "" where nothing can be compared."""
    known = [(sentence.text, sound) for sentence, sound in zip(sample, spoken, strict=True) if sentence.text]
    pitch = pitch_of([sound for _, sound in known]) if known else 0.0
    if not voices or not pitch:
        return ""
    apart = {name: abs(math.log2(voice.pitch / pitch)) for name, voice in voices.items()}
    compared = [name for name, octaves in apart.items() if octaves < _WITHIN] or [min(apart, key=apart.__getitem__)]

    def distance(name: str) -> float:
        pairs = [(said_by(voices[name].engine, text), sound) for text, sound in known[:_COMPARED]]
        return sum(spectral_distance(*pair) for pair in pairs) / len(pairs) + apart[name]

    return min(compared, key=distance)


def said_by(engine: Engine, text: str) -> Spectra:
    """What a voice makes of an English text."""
    reading = speak_plan(plan_words(text, "en-US"), engine)
    return spectra_of(reading.samples, reading.sample_rate, said_in(reading.phones))
