"""The full voices: their cost beside the quick one's, where their words are, how alike they are, how they sound."""

from __future__ import annotations

import json
import os
import subprocess
import time
from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path

import numpy as np

from benchmarks.material import studio_in
from dearhost.production import Studio
from dearhost.speech.delivery import Delivery
from dearhost.speech.full_voices import FULL_VOICES
from dearhost.speech.manner import PLAIN, Manner
from dearhost.speech.reading import Reading
from dearhost.wav import audition

HEARD = """
A king ruled the state in the early days. The ship was torn apart on the sharp reef.
Sickness kept him home the third week. The wide road shimmered in the hot sun.
The lazy cow lay in the cool grass. Lift the square stone over the fence.
The rope will bind the seven books at once. Hop over the fence and plunge in.
The friendly gang left the drug store. Mesh wire keeps chicks inside.
The frosty air passed through the coat. The crooked maze failed to fool the mouse.
Adding fast leads to wrong sums. The show was a flop from the very start.
A saw is a tool used for making boards. The wagon moved on well oiled wheels.
March the soldiers past the next hill. A cup of sugar makes sweet fudge.
Place a rosebush near the porch steps. Both lost their lives in the raging storm.
""".strip().splitlines()
"""IEEE Recommended Practice for Speech Quality Measurements (1969), lists 3 and 4, from memory."""

_LISTENER = """
import json, sys
import numpy as np, soundfile, soxr
from resemblyzer import VoiceEncoder, preprocess_wav
from speechmos import dnsmos
encoder = VoiceEncoder("cpu", verbose=False)
for row in sys.stdin:
    samples, rate = soundfile.read(row.strip())
    sound = soxr.resample(samples, rate, 16000)
    quality = dnsmos.run((sound / np.abs(sound).max() * 0.7).astype(np.float32), 16000)["p808_mos"]
    likeness = encoder.embed_utterance(preprocess_wav(sound.astype(np.float32), 16000))
    print(json.dumps([float(quality), likeness.tolist()]), flush=True)
"""


def full_against_quick(folder: Path) -> Iterator[str]:
    """Processor seconds a second of speech, full and quick turn by turn, and what times alone cost."""
    studio = studio_in(folder)
    for voice in ("hannah", "joe"):
        studio.speaker.read("A first line, so that the model is loaded.", voice)
    calm = Manner(delivery=Delivery("calm"))
    kinds = {
        "full": ("hannah", PLAIN),
        "quick": ("joe", PLAIN),
        "full, calm": ("hannah", calm),
        "quick, calm": ("joe", calm),
    }
    cost: dict[str, list[float]] = {"times alone": [], **{name: [] for name in kinds}}
    for text in HEARD[:6]:
        cost["times alone"].append(_cost(partial(studio.speaker.foreseen, text, "hannah")))
        for name, (voice, manner) in kinds.items():
            cost[name].append(_cost(partial(studio.speaker.read, text, voice, manner)))
    for name, costs in cost.items():
        yield f"{name}: {np.median(costs):.2f} processor seconds a second of speech"
    yield f"full : quick = {np.median(cost['full']) / np.median(cost['quick']):.1f}"


def _cost(work: Callable[[], Reading]) -> float:
    started = time.process_time()
    seconds = work().duration
    return (time.process_time() - started) / seconds


def words_of_full_voices(folder: Path) -> Iterator[str]:
    """Word starts against where the project's aligner, which knows nothing of the model's lengths, finds them."""
    studio = studio_in(folder)
    errors: list[float] = []
    for voice in ("hannah", "owen", "joan", "gareth", "maeve", "walter"):
        for text in HEARD[:5]:
            reading = studio.speaker.read(text, voice)
            found = studio.speaker.aligner.align(reading.samples, reading.sample_rate, text, "en-US")
            errors += [abs(a.start - b.start) for a, b in zip(found.words, reading.words, strict=True) if a.said]
    within = np.mean(np.array(errors) <= 0.040)
    yield f"{len(errors)} words: mean {1000 * np.mean(errors):.0f} ms (aim 20), {within:.0%} within 40 ms (aim 90 %)"


def voices_apart(folder: Path) -> Iterator[str]:
    """How like each other voices are to a speaker encoder, and their P.808; docs/voices.md says what it needs."""
    python = os.environ.get("DEAR_HOST_ENCODER_PYTHON")
    if not python:
        yield "needs DEAR_HOST_ENCODER_PYTHON, with resemblyzer, speechmos, soundfile and soxr"
        return
    studio = studio_in(folder)
    voices = [id_ for id_, full in FULL_VOICES.items() if full.voice.language.startswith("en") and full.shape is None]
    files = {id_: _written(studio, id_, folder) for id_ in voices}
    asked = "\n".join(str(path) for paths in files.values() for path in paths)
    done = subprocess.run([python, "-c", _LISTENER], input=asked, capture_output=True, text=True, check=True)
    heard = [json.loads(row) for row in done.stdout.splitlines()]
    count = len(HEARD)
    quality = {id_: float(np.mean([q for q, _ in heard[i * count :][:count]])) for i, id_ in enumerate(voices)}
    means = np.array([np.mean([e for _, e in heard[i * count :][:count]], 0) for i in range(len(voices))])
    means /= np.linalg.norm(means, axis=1, keepdims=True)
    alike = means @ means.T - 2 * np.eye(len(voices))
    best = max(quality.values())
    for index, id_ in enumerate(voices):
        nearest = int(alike[index].argmax())
        yield (
            f"{id_}: P.808 {quality[id_]:.2f} ({best - quality[id_]:.2f} under the best, aim .15); "
            f"nearest {voices[nearest]}, {alike[index, nearest]:.2f} (aim .85)"
        )


def _written(studio: Studio, voice: str, folder: Path) -> list[Path]:
    paths = []
    for number, text in enumerate(HEARD):
        path = folder / f"{voice}-{number}.wav"
        path.write_bytes(audition(studio.speaker, text, voice))
        paths.append(path)
    return paths
