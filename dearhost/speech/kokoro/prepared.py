"""Where the prepared model lies, and what its parts are called."""

from __future__ import annotations

import json
from collections.abc import Collection, Mapping
from functools import lru_cache
from pathlib import Path

import numpy as np

from dearhost.storage import fingerprint, prepared_folder, read_arrays

PARTS = ("predictor.onnx", "prosody.onnx", "decoder.onnx")
"""Signs to lengths; lengths to pitch and loudness; all of it to sound."""
STYLES, SIGNS, WHAT, LICENCE = "styles.npz", "signs.json", "what.json", "LICENSE"
STYLES_VERSION = "1.2.1"
"""Of the archive that the styles come from."""

DURATIONS = "/encoder/Clip_output_0"
"""Frames of 25 ms, one number a token."""
ENCODED = "/encoder/predictor/text_encoder/Concat_4_output_0"
"""What prosody is predicted from, a row a token."""
TEXT = "/encoder/text_encoder/Transpose_2_output_0"
"""What sound is made from, a column a token."""
BY_FRAME, SOUND_BY_FRAME = "/encoder/MatMul_output_0", "/encoder/MatMul_1_output_0"
"""Both of them with each token as often as it has frames."""
PITCH, LOUDNESS = "/encoder/Squeeze_output_0", "/encoder/Squeeze_1_output_0"
"""Hz, and the logarithm of a norm; two values a frame."""
WAVE = "audio"


def folder() -> Path:
    """The folder of the prepared model, shared by everything that runs in this environment."""
    return prepared_folder("kokoro")


@lru_cache(maxsize=1)
def is_prepared() -> bool:
    """Whether the model can be used here: told once a process, as it is asked for each line at every key."""
    return all((folder() / name).exists() for name in (*PARTS, STYLES, SIGNS, WHAT))


@lru_cache(maxsize=1)
def version() -> str:
    """Changes with the model and with the bits it computes in: a part of what is kept under a fingerprint."""
    return fingerprint(json.loads((folder() / WHAT).read_text()))[:8]


@lru_cache(maxsize=1)
def signs() -> Mapping[str, int]:
    """The numbers of the phone signs the model reads."""
    found: dict[str, int] = json.loads((folder() / SIGNS).read_text(encoding="utf-8"))
    return found


def styles(names: Collection[str]) -> Mapping[str, np.ndarray]:
    """These style tables: 510 rows, one for each number of tokens, of 256 numbers. Raises KeyError for another name."""
    return read_arrays(folder() / STYLES, names)
