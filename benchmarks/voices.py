"""How fast voices are, how well recordings are aligned, and how close matched voices come."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import time
from collections.abc import Callable, Iterator, Sequence
from itertools import pairwise
from pathlib import Path

import numpy as np

from benchmarks import labelled
from benchmarks.material import studio_in
from dearhost.production import Studio
from dearhost.sound.files import write_sound
from dearhost.speech import Delivery, Manner
from dearhost.speech.aligning import Alignment
from dearhost.speech.aligning.english_model import PlacedWord
from dearhost.speech.matching import SENTENCES, SampleSentence
from dearhost.speech.matching.converting import converted
from dearhost.speech.matching.fitting import Pair, fit_voice
from dearhost.speech.matching.nearest import nearest_of
from dearhost.speech.matching.sample import pieces_of
from dearhost.speech.matching.spectra import RATE, Spectra, said_in, spectra_of

_TEXTS = (
    "The Earth turns, and carries Quillhaven through one hill, then a hollow.",
    "Every day, twice, because the Moon moves on a little while we turn.",
    "Twelve hours and twenty-five minutes lie between two high waters.",
)
HELD_OUT = (
    "The meeting was moved to Thursday because the train was late.",
    "She bought a large blue jacket and two pairs of warm gloves.",
    "How many people do you think will visit the museum today?",
    "Nothing in the old house had changed since the previous winter.",
    "They were happy to hear that the doctor had good news.",
    "A cheap camera can still take very beautiful pictures at noon.",
)
SAID = (
    "Good morning, and thank you for joining us for the weekly report.",
    "The company plans to open three new offices before the end of the year.",
    "Most of the students said that the test was easier than they expected.",
    "We will look at the numbers again when the market closes on Friday.",
    "The president is expected to speak about the economy later this week.",
)
READ = (
    *SAID,
    "The city council voted last night to build a new bridge over the river.",
    "Please remember to bring your tickets and a warm coat with you.",
    "The weather will be cold in the morning but dry for most of the day.",
    "He worked as a teacher for twenty years before he moved to the coast.",
    "Our guests can leave their bags at the front desk until six o'clock.",
    "The doors will open at nine, and the first talk begins half an hour later.",
    "There are three ways to get from the station to the center of the town.",
    "The children asked many questions about the ships and the people on them.",
    "If you have a problem with your order, you can call us at any time.",
    "The price of oil has gone up again for the third week in a row.",
    "Scientists have found a new way to clean water with very little power.",
    "Her first book was read by more than a million people around the world.",
    "The government said on Monday that the plan would help small businesses.",
    "You can see the whole valley from the top of the hill behind the house.",
    "In the end, the team won the game by two points in the last minute.",
)
"""What a recogniser is to understand: everyday words, as its vocabulary is of news."""


def speaking(folder: Path) -> Iterator[str]:
    """Seconds of work a second of speech, without what is kept from before."""
    studio = studio_in(folder)
    studio.speaker.read("A first line, so that the model is loaded.", "joe")
    cases: tuple[tuple[str, str, Manner], ...] = (
        ("formant", "formant-en-us", Manner()),
        ("neural", "joe", Manner()),
        ("made from the neural one", "nell", Manner()),
        ("neural, bright", "joe", Manner(delivery=Delivery("bright"))),
        ("neural, another reading in a large room", "joe", Manner(delivery=Delivery(variation=1, effect="large room"))),
    )
    for number, (name, voice, manner) in enumerate(cases):
        texts = [f"{text} That was number {number}." for text in _TEXTS]  # nobody has said these before

        def spoken(text: str, voice: str = voice, manner: Manner = manner) -> float:
            return studio.speaker.read(text, voice, manner).duration

        ratio = _ratio(spoken, texts)
        yield f"{name}: {ratio:.2f} of real time"


def _ratio(work: Callable[[str], float], texts: Sequence[str]) -> float:
    started, seconds = time.monotonic(), 0.0
    for text in texts:
        seconds += work(text)
    return (time.monotonic() - started) / seconds


def aligning(folder: Path) -> Iterator[str]:
    """Word starts where they are known to the sample: English clean and under noise, other languages, stock voices.

    English needs flite, other languages festival and voices of it (see docs/voices.md).
    """
    studio = studio_in(folder)
    yield from _english_words(studio, folder)
    errors: list[float] = []
    for said in labelled.other_languages(folder):
        errors += _errors(said, studio.speaker.aligner.align(said.samples, said.rate, said.text, said.language))
    if errors:
        yield (
            f"Italian, Finnish, Czech, Catalan: mean {1000 * np.mean(errors):.0f} ms, "
            f"{np.mean(np.array(errors) <= 0.080):.0%} of {len(errors)} within 80 ms (aim 88 %)"
        )
    else:
        yield "other languages need festival, festvox-italp16k, -suopuhe-mv, -czech-dita and -ca-ona-hts"
    apart: list[float] = []
    for text in (*SENTENCES, *_TEXTS):
        reading = studio.speaker.read(text, "joe")
        found = studio.speaker.aligner.align(reading.samples, reading.sample_rate, text, "en-US")
        apart += [abs(a.start - b.start) for a, b in zip(found.words, reading.words, strict=True)]
    yield (
        f"what the neural voice itself says of its {len(apart)} words, by which lips move, against where they are "
        f"found: mean {1000 * np.mean(apart):.0f} ms, {np.mean(np.array(apart) <= 0.040):.0%} within 40 ms"
    )


def _english_words(studio: Studio, folder: Path) -> Iterator[str]:
    if not shutil.which("flite"):
        yield "English needs flite"
        return
    said = [labelled.english(folder, speaker, text) for speaker in labelled.SPEAKERS for text in READ]
    chance = np.random.default_rng(1)
    for noise in (None, 30.0, 20.0, 10.0):
        errors: list[float] = []
        worked = seconds = 0.0
        for one in said:
            samples = one.samples
            if noise is not None:
                level = np.sqrt((samples**2).mean()) * 10 ** (-noise / 20)
                samples = (samples + chance.normal(0, level, len(samples))).astype(np.float32)
            started = time.monotonic()
            found = studio.speaker.aligner.align(samples, one.rate, one.text, one.language)
            worked, seconds = worked + time.monotonic() - started, seconds + len(samples) / one.rate
            errors += _errors(one, found)
        within = np.mean(np.array(errors) <= 0.040)
        yield (
            f"{'clean' if noise is None else f'{noise:.0f} dB over noise'}: mean {1000 * np.mean(errors):.0f} ms, "
            f"{within:.0%} of {len(errors)} within 40 ms, {worked / seconds:.2f} of real time "
            "(aims: 25 ms and 90 % down to 20 dB, 0.2)"
        )


def _errors(said: labelled.Labelled, found: Alignment) -> list[float]:
    pairs = zip(found.words, said.starts, strict=True)
    return [abs(word.start - start) for word, start in pairs if start is not None]


def matching(folder: Path) -> Iterator[str]:
    """The part of the distance between the quick voice and a speaker that a match closes, from the nearest of the full
    voices and from the quick one, as a speaker encoder hears it, on sentences it was not fitted to, the sample with its
    words and without; and how many words a recogniser gets wrong before and after.

    Needs flite, and in DEAR_HOST_ENCODER_PYTHON a Python that has the package resemblyzer.
    """
    encoder = os.environ.get("DEAR_HOST_ENCODER_PYTHON", "")
    if not encoder or not shutil.which("flite"):
        yield "needs flite, and DEAR_HOST_ENCODER_PYTHON: a Python with resemblyzer (see docs/voices.md)"
        return
    studio = studio_in(folder)
    sounds = folder / "matching"
    sounds.mkdir(exist_ok=True)
    _keep(sounds, "base", [(s.samples, RATE) for s in _all_said(studio, "joe", SAID)])
    near = studio.voices.near_voices()
    for speaker in labelled.SPEAKERS:
        sample = [_by_flite(sounds, speaker, text) for text in SENTENCES]
        _keep(sounds, f"{speaker}-sample", sample)
        _keep(sounds, f"{speaker}-held", [_by_flite(sounds, speaker, text) for text in HELD_OUT])
        spoken = [spectra_of(*s) for s in sample]
        wanted = [SampleSentence(*s, text) for s, text in zip(sample, SENTENCES, strict=True)]
        for voice in filter(None, (nearest_of(near, wanted, spoken), "joe")):
            base, read = _all_said(studio, voice, SENTENCES), _all_said(studio, voice, READ)
            model = fit_voice([Pair(b, s) for b, s in zip(base, spoken, strict=True)])
            started = time.monotonic()
            made = [(converted(spectra_of(s.samples, RATE, s.phones), model), RATE) for s in read]
            ratio = (time.monotonic() - started) / sum(len(m) / RATE for m, _ in made)
            close = _heard_close(encoder, sounds, speaker, made)
            model = fit_voice(_without_words(studio, voice, sample))
            free = _heard_close(encoder, sounds, speaker, [(converted(s, model), RATE) for s in read[: len(SAID)]])
            wrong = _wrong_words(studio, [(s.samples, RATE) for s in read]), _wrong_words(studio, made)
            peak = max(float(np.abs(m).max()) for m, _ in made)
            yield (
                f"{speaker} from {voice}: {close:.2f} closed (aim 0.60; {free:.2f} from a sample without words), "
                f"words wrong {wrong[0]:.1%} before and {wrong[1]:.1%} after, "
                f"conversion {ratio:.2f} of real time, peak {peak:.2f}"
            )


def _heard_close(encoder: str, sounds: Path, speaker: str, made: Sequence[tuple[np.ndarray, int]]) -> float:
    _keep(sounds, f"{speaker}-made", made[: len(SAID)])
    return _closeness(encoder, sounds, speaker)


def _all_said(studio: Studio, voice: str, texts: Sequence[str]) -> list[Spectra]:
    return [_said(studio, voice, text) for text in texts]


def _without_words(studio: Studio, voice: str, sample: Sequence[tuple[np.ndarray, int]]) -> list[Pair]:
    """The sample as one recording nobody wrote down, with what the base voice says to it."""
    pause = np.zeros(round(0.5 * sample[0][1]), np.float32)
    whole = np.concatenate([part for samples, _ in sample for part in (samples, pause)])
    pieces = pieces_of([SampleSentence(whole, sample[0][1])], studio.speaker.aligner.draft)
    return [Pair(_said(studio, voice, piece.text), spectra_of(piece.samples, piece.rate)) for piece in pieces]


def _said(studio: Studio, voice: str, text: str) -> Spectra:
    reading = studio.speaker.read(text, voice)
    return spectra_of(reading.samples, reading.sample_rate, said_in(reading.phones))


def _by_flite(folder: Path, speaker: str, text: str) -> tuple[np.ndarray, int]:
    said = labelled.english(folder, speaker, text)
    return said.samples, said.rate


def _keep(folder: Path, name: str, sounds: Sequence[tuple[np.ndarray, int]]) -> None:
    for number, (samples, rate) in enumerate(sounds):
        write_sound(folder / f"{name}-{number:02}.wav", samples, rate)


_ENCODE = """
import glob, json, sys
import numpy as np
from resemblyzer import VoiceEncoder, preprocess_wav
encoder = VoiceEncoder("cpu", verbose=False)
def voice(name):
    paths = sorted(glob.glob(f"{sys.argv[1]}/{name}-*.wav"))
    mean = np.mean([encoder.embed_utterance(preprocess_wav(path)) for path in paths], 0)
    return mean / np.linalg.norm(mean)
held = voice(f"{sys.argv[2]}-held")
base, sample, made = (float(voice(n) @ held) for n in ("base", f"{sys.argv[2]}-sample", f"{sys.argv[2]}-made"))
print(json.dumps((made - base) / (sample - base)))
"""


def _closeness(python: str, folder: Path, speaker: str) -> float:
    run = subprocess.run([python, "-c", _ENCODE, str(folder), speaker], check=True, capture_output=True, text=True)
    return float(json.loads(run.stdout.strip().splitlines()[-1]))


def _wrong_words(studio: Studio, sounds: Sequence[tuple[np.ndarray, int]]) -> float:
    """Heard three times, each a little later: where its frames begin alone changes two words in a hundred."""
    wrong = total = 0
    for (samples, rate), text in zip(sounds, READ, strict=True):
        wanted = "".join(c for c in text.lower() if c.isalpha() or c in " '").split()
        for later in (0.0, 0.003, 0.006):
            shifted = np.concatenate([np.zeros(round(later * rate), np.float32), samples])
            wrong += edits(wanted, _plain(studio.speaker.aligner.draft(shifted, rate)))
            total += len(wanted)
    return wrong / total


def _plain(heard: Sequence[PlacedWord]) -> list[str]:
    """The words without capitals and stops, as those of ``READ`` are compared."""
    kept = ("".join(c for c in word.text.lower() if c.isalpha() or c == "'") for word in heard)
    return [word for word in kept if word]


def edits(wanted: Sequence[str], heard: Sequence[str]) -> int:
    """Substitutions, insertions and deletions (Levenshtein 1966)."""
    row = list(range(len(heard) + 1))
    for i, word in enumerate(wanted, 1):
        new = [i]
        for j, (old, diagonal) in enumerate(zip(row[1:], [d for d, _ in pairwise([*row, 0])], strict=False), 1):
            new.append(min(old + 1, new[-1] + 1, diagonal + (word != heard[j - 1])))
        row = new
    return row[-1]
