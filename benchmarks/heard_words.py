"""What a recogniser from outside, in many languages, understands of the full voices.

It may know what is read, articles of 1948: what it understands of a formant voice tells how far.
"""

from __future__ import annotations

import os
import re
from collections.abc import Iterator, Sequence
from pathlib import Path
from typing import Any

import numpy as np
import soxr

from benchmarks.full_voices import HEARD
from benchmarks.material import studio_in
from benchmarks.rights import RIGHTS
from dearhost.languages import main_code
from dearhost.speech import Speaker
from dearhost.speech.engines.espeak import phonemes_of
from dearhost.speech.full_voices import FULL_VOICES

_RATE = 16_000
_PARTED = 3
"""Words that may be parted otherwise."""
_FORMANT = {"en": "formant-en-us"}


def heard_words(folder: Path) -> Iterator[str]:
    """Words of each full voice, and of the formant voice of its language, that a recogniser hears as others.

    Needs, in DEAR_HOST_LISTENER, a folder with a model of faster-whisper that is not the one that ships.
    """
    model_folder = os.environ.get("DEAR_HOST_LISTENER", "")
    if not model_folder:
        yield "needs DEAR_HOST_LISTENER, a folder with a model of faster-whisper in many languages"
        return
    from faster_whisper import WhisperModel  # noqa: PLC0415 - takes a second, and only this needs it

    model = WhisperModel(model_folder, device="cpu", compute_type="int8", cpu_threads=1, local_files_only=True)
    speaker = studio_in(folder).speaker
    for language in ("en", *RIGHTS):
        texts = RIGHTS.get(language, HEARD)
        full = [id_ for id_, row in FULL_VOICES.items() if main_code(row.voice.language) == language and not row.shape]
        total = all_words = 0
        for voice in full:
            wrong, count = _wrong(model, speaker, language, voice, texts)
            total, all_words = total + wrong, all_words + count
            yield f"{language}, {voice}: {wrong} of {count} words wrong ({wrong / count:.1%})"
        wrong, count = _wrong(model, speaker, language, _FORMANT.get(language, f"formant-{language}"), texts)
        yield f"{language}, all full voices: {total / all_words:.1%} (aim 2 %); a formant voice: {wrong / count:.1%}"


def _wrong(model: Any, speaker: Speaker, language: str, voice: str, texts: Sequence[str]) -> tuple[int, int]:
    wrong = count = 0
    for text in texts:
        reading = speaker.read(text, voice)
        sound = soxr.resample(np.pad(reading.samples, reading.sample_rate // 4), reading.sample_rate, _RATE)
        segments, _ = model.transcribe(sound.astype(np.float32), language=language, beam_size=5, temperature=0.0)
        wanted, heard = (_sounds(words, language) for words in (text, " ".join(part.text for part in segments)))
        wrong += heard_otherwise(wanted, heard)
        count += len(wanted)
    return wrong, count


def _sounds(text: str, language: str) -> list[str]:
    """What each word sounds like: "a droit" and "à droit" cannot be told apart by ear."""
    words = re.sub(r"[^\w ]", " ", text.lower()).split()
    phones = (phonemes_of(word, "en-us" if language == "en" else language) for word in words)
    made = [re.sub(r"[ˈˌː ]", "", word) for word in phones]
    # espeak tells them apart even in two forms of one word, "e" and "ed"
    return [word.replace("ɛ", "e").replace("ɔ", "o") for word in made] if language == "it" else made


def heard_otherwise(wanted: Sequence[str], heard: Sequence[str]) -> int:
    """How many words must be changed, left out or put in (Levenshtein) until what is heard sounds as is wanted,
    wherever its words are parted: "drug store" and "drugstore", "ed alla" and "e dalla" are one sound."""
    least = np.full((len(wanted) + 1, len(heard) + 1), np.inf)
    least[0] = np.arange(len(heard) + 1)
    for i in range(len(wanted) + 1):
        for j in range(len(heard) + 1):
            same = [
                least[i - a, j - b]
                for a in range(1, min(i, _PARTED) + 1)
                for b in range(1, min(j, _PARTED) + 1)
                if "".join(wanted[i - a : i]) == "".join(heard[j - b : j])
            ]
            changed = [least[i - 1, j - 1] + 1] if i and j else []
            beside = ([least[i - 1, j] + 1] if i else []) + ([least[i, j - 1] + 1] if j else [])
            least[i, j] = min([least[i, j], *same, *changed, *beside])
    return int(least[-1, -1])
