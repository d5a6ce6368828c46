"""A matched voice in one file, ``.dhvoice``: a zip of its description with the consent, and the model's numbers."""

from __future__ import annotations

import io
import json
import math
import tokenize
import zipfile
import zlib
from collections.abc import Mapping
from dataclasses import asdict, dataclass, replace
from datetime import date
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import SpeechError
from dearhost.json_data import read_json
from dearhost.speech.matching.closeness import Closeness
from dearhost.speech.matching.consent import Consent, consent_from_json
from dearhost.speech.matching.converting import Mixture, VoiceModel
from dearhost.storage import read_array, write_whole

_KIND = "dear-host-voice"
_VERSION = 2
_LARGEST = 64 * 1024**2
_ARRAYS = ("weights", "means", "covariances", "spread", "offset", "noise", "correction")
_SHIFTS = "shifts"
"""The array of what single phones have of their own, in the order of the ``phones`` of the description; files of
version 1 have neither."""

_DAMAGED = (
    OSError, EOFError, LookupError, ValueError, TypeError, AttributeError, OverflowError, MemoryError, RuntimeError,
    NotImplementedError, SyntaxError, zipfile.BadZipFile, zlib.error, tokenize.TokenError,
)  # fmt: skip
"""What Python's readers of zips, JSON and arrays raise on files that were changed."""


@dataclass(frozen=True, slots=True)
class MatchedVoice:
    """``models`` by the kind of base voice they change: 'neural', and 'formant' for other languages. A voice whose
    models were removed has none."""

    id: str
    name: str
    consent: Consent
    closeness: Closeness
    models: Mapping[str, VoiceModel]
    seconds: float = 0.0
    """Of the sample."""

    def problem(self, today: date) -> str:
        """Why it may not be used, or ""."""
        if not self.models:
            return f"The voice {self.name} was removed. Choose another voice."
        return self.consent.problem(today)


def save_voice(path: Path, voice: MatchedVoice) -> None:
    """Write a voice. Raises ConsentError when its consent is not complete, StorageFull."""
    voice.consent.checked()
    head = {
        "kind": _KIND,
        "version": _VERSION,
        "id": voice.id,
        "name": voice.name,
        "consent": voice.consent.to_json(),
        "closeness": asdict(voice.closeness),
        "seconds": voice.seconds,
        "models": {name: _numbers(model) for name, model in voice.models.items()},
    }

    def write(part: Path) -> None:
        with zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED) as archive:
            archive.writestr("voice.json", json.dumps(head, ensure_ascii=False, indent=1))
            for name, model in voice.models.items():
                arrays = {array: _array(model, array) for array in _ARRAYS}
                arrays[_SHIFTS] = np.reshape(list(model.shifts.values()), (len(model.shifts), len(model.spread)))
                for array, values in arrays.items():
                    buffer = io.BytesIO()
                    np.lib.format.write_array(buffer, np.asarray(values, "<f8"), allow_pickle=False)
                    archive.writestr(f"{name}/{array}.npy", buffer.getvalue())

    write_whole(path, write)


def load_voice(path: Path) -> MatchedVoice:
    """Read a voice. Raises SpeechError for what is no voice, ConsentError for one without consent."""
    try:
        with zipfile.ZipFile(path) as archive:
            if sum(entry.file_size for entry in archive.infolist()) > _LARGEST:
                raise SpeechError(f"'{path.name}' is far too big to be a voice.")
            head = read_json(archive.read("voice.json"))
            if head.get("kind") != _KIND:
                raise SpeechError(f"'{path.name}' is not a voice of Dear Host.")
            if head.get("version", 0) > _VERSION:
                raise SpeechError(f"'{path.name}' was made by a later Dear Host. Update this one to use it.")
            consent = consent_from_json(head["consent"])
            models = {str(name): _model(archive, str(name), numbers) for name, numbers in head["models"].items()}
            closeness = _closeness(head["closeness"])
            return MatchedVoice(str(head["id"]), str(head["name"]), consent, closeness, models, float(head["seconds"]))
    except _DAMAGED as error:
        raise SpeechError(f"'{path.name}' is damaged or no voice file. Export the voice again.") from error


def without_models(voice: MatchedVoice) -> MatchedVoice:
    """The voice with nothing left that could speak; its consent stays on record."""
    return replace(voice, models={})


def _numbers(model: VoiceModel) -> dict[str, Any]:
    return {
        "warp": model.warp,
        "pitch_from": model.pitch_from,
        "pitch_to": model.pitch_to,
        "pace": model.pace,
        "phones": list(model.shifts),
    }


def _array(model: VoiceModel, name: str) -> Any:
    return getattr(model.mixture if name in ("weights", "means", "covariances") else model, name)


def _pitch(numbers: Any, least_spread: float) -> tuple[float, float]:
    """Mean and deviation of the logarithm of hertz. Raises ValueError where nobody speaks so."""
    mean, spread = (float(number) for number in numbers)
    if not (math.log(20) <= mean <= math.log(1000) and 0 <= spread <= 1.5):
        raise ValueError("nobody speaks at this pitch")
    return mean, max(least_spread, spread)


def _are_numbers(array: Any) -> bool:
    return array.dtype.kind == "f" and bool(np.isfinite(array).all()) and np.abs(array).max(initial=0) < 1e6


def _closeness(numbers: Mapping[str, Any]) -> Closeness:
    before, after, pitch, wanted = (float(numbers[name]) for name in ("before", "after", "pitch", "pitch_wanted"))
    if not all(math.isfinite(number) for number in (before, after, pitch, wanted)):
        raise ValueError("closeness is no number")
    return Closeness(before, after, pitch, wanted, int(numbers["held_out"]), bool(numbers.get("same", True)))


def _model(archive: zipfile.ZipFile, name: str, numbers: Mapping[str, Any]) -> VoiceModel:
    phones = [str(phone) for phone in numbers.get("phones", ())]
    arrays = {
        array: read_array(io.BytesIO(archive.read(f"{name}/{array}.npy")))
        for array in (*_ARRAYS, *([_SHIFTS] if phones else []))
    }
    size = len(arrays["spread"])
    shifts = arrays.get(_SHIFTS, np.empty((0, size)))
    parts = len(arrays["weights"])
    if arrays["means"].shape != (parts, 2 * size) or arrays["covariances"].shape != (parts, 2 * size, 2 * size):
        raise ValueError("the model's arrays do not fit together")
    if shifts.shape != (len(phones), size):
        raise ValueError("the phones' arrays do not fit together")
    if not all(_are_numbers(array) for array in arrays.values()):
        raise ValueError("the model's arrays hold no numbers")
    if (arrays["weights"] < 0).any() or (np.linalg.eigvalsh(arrays["covariances"]) <= 0).any():
        raise ValueError("the model is no mixture of normal distributions")
    return VoiceModel(
        warp=float(np.clip(numbers["warp"], 0.7, 1.5)),
        pitch_from=_pitch(numbers["pitch_from"], 0.01),
        pitch_to=_pitch(numbers["pitch_to"], 0.0),
        mixture=Mixture(arrays["weights"], arrays["means"], arrays["covariances"]),
        spread=arrays["spread"],
        offset=arrays["offset"],
        noise=arrays["noise"],
        correction=arrays["correction"],
        pace=float(np.clip(numbers["pace"], 0.5, 2.0)),
        shifts=dict(zip(phones, shifts, strict=True)),
    )
