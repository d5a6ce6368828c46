"""Runs the model's three parts."""

from __future__ import annotations

import threading
from dataclasses import dataclass

import numpy as np

from dearhost.speech.kokoro.prepared import (
    BY_FRAME,
    DURATIONS,
    ENCODED,
    LOUDNESS,
    PARTS,
    PITCH,
    SOUND_BY_FRAME,
    TEXT,
    WAVE,
    folder,
)
from dearhost.speech.onnx_runs import FrugalSession
from dearhost.speech.reading import Samples

RATE = 24_000
FRAME = 0.025
"""Seconds."""
_SPEEDS = (0.5, 2.0)


@dataclass(frozen=True, slots=True)
class Predicted:
    """What the predictor says of tokens: ``frames`` of each, and what prosody and sound are made from."""

    frames: np.ndarray
    encoded: np.ndarray
    text: np.ndarray


class Model:
    """The parts, loaded when they are first needed. Calls are safe from several threads, one processor core each."""

    def __init__(self) -> None:
        self._loading = threading.Lock()
        self._parts: dict[str, FrugalSession] = {}

    def release(self) -> None:
        """Let go of the parts, about 320 MB."""
        with self._loading:
            self._parts.clear()

    def lengths(self, tokens: list[int], style: np.ndarray, pace: float) -> Predicted:
        """How long each token is said; a silent one is put before and after them. ``style`` is a row of 256."""
        given = {
            "tokens": np.array([[0, *tokens, 0]], np.int64),
            "style": style.reshape(1, -1),
            "speed": np.array([min(max(pace, _SPEEDS[0]), _SPEEDS[1])], np.float32),
        }
        frames, encoded, text = self._part(0).run([DURATIONS, ENCODED, TEXT], given)
        return Predicted(np.asarray(frames).reshape(-1).astype(int), np.asarray(encoded)[0], np.asarray(text)[0])

    def prosody(self, predicted: Predicted, frames: np.ndarray, style: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """Pitch in Hz and loudness of each half frame, where the tokens have ``frames``."""
        by_frame = np.ascontiguousarray(np.repeat(predicted.encoded, frames, 0).T[None])
        pitch, loudness = self._part(1).run([PITCH, LOUDNESS], {BY_FRAME: by_frame, "style": style.reshape(1, -1)})
        return np.asarray(pitch)[0], np.asarray(loudness)[0]

    def sound(self, predicted: Predicted, frames: np.ndarray, pitch: np.ndarray, loudness: np.ndarray,
              style: np.ndarray) -> Samples:  # fmt: skip
        """Mono at 24 kHz; ``frames`` times 25 ms long."""
        given = {
            SOUND_BY_FRAME: np.ascontiguousarray(np.repeat(predicted.text, frames, 1)[None]),
            PITCH: pitch[None].astype(np.float32),
            LOUDNESS: loudness[None].astype(np.float32),
            "style": style.reshape(1, -1),
        }
        made: Samples = np.asarray(self._part(2).run([WAVE], given)[0], np.float32).reshape(-1)
        return made

    def _part(self, index: int) -> FrugalSession:
        name = PARTS[index]
        with self._loading:
            if name not in self._parts:
                self._parts[name] = _session(str(folder() / name))
            return self._parts[name]


def _session(path: str) -> FrugalSession:
    import onnxruntime  # noqa: PLC0415 - loading the runtime takes a second

    options = onnxruntime.SessionOptions()
    options.intra_op_num_threads = options.inter_op_num_threads = 1  # lines side by side are quicker than one in parts
    options.log_severity_level = 3
    options.add_session_config_entry("session.intra_op.allow_spinning", "0")
    return FrugalSession(onnxruntime.InferenceSession(path, options, providers=["CPUExecutionProvider"]))
