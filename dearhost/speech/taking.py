"""Takes in what somebody recorded: judged, trimmed, levelled, kept; a long recording cut to its lines."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dearhost.assets import RecordingStore
from dearhost.errors import UnreadableSound
from dearhost.sound.examining import Fault, Quality, examine, faults
from dearhost.sound.files import RATE, Sound
from dearhost.sound.tidying import denoised, faded, levelled, trimmed, with_shorter_silences
from dearhost.speech.aligning import Aligner, Alignment
from dearhost.speech.plan import plan_words
from dearhost.speech.reading import Samples

_EDGE = 0.12


@dataclass(frozen=True, slots=True)
class Taken:
    """A recording of a line as it was kept. ``skipped`` and ``doubtful`` are the words that were not heard and whose
    place is not sure; ``added`` tells that something else is said."""

    recording: str
    seconds: float
    quality: Quality
    faults: tuple[Fault, ...]
    skipped: tuple[str, ...]
    doubtful: tuple[str, ...]
    added: bool
    note: str = ""


def take_in(sound: Sound, text: str, language: str, store: RecordingStore, aligner: Aligner) -> Taken:
    """Keep a recording of ``text``. Raises UnreadableSound when nothing is heard in it, NothingToSay."""
    quality = examine(sound.samples, sound.rate)
    if quality.silent:
        raise UnreadableSound(
            "Nothing is heard in the recording. Check that the right microphone is on, and try again."
        )
    kept, _ = trimmed(sound.samples, sound.rate)
    kept = levelled(kept, sound.rate)
    alignment = aligner.align(kept, sound.rate, text, language)
    return _taken(store.add(kept), kept, quality, text, language, alignment, sound.note)


def take_in_lines(sound: Sound, texts: Sequence[str], language: str, store: RecordingStore,
                  aligner: Aligner) -> list[Taken]:  # fmt: skip
    """Cut a recording of several lines in their order to one take a line.

    Raises UnreadableSound when nothing is heard, NothingToSay for a line without words.
    """
    quality = examine(sound.samples, sound.rate)
    if quality.silent:
        raise UnreadableSound("Nothing is heard in the recording. Choose the file in which the script is read.")
    level = levelled(sound.samples, sound.rate)
    whole = aligner.align(level, sound.rate, "\n".join(texts), language)
    taken = []
    for text, (first, last) in zip(texts, _cuts(whole, texts, language, len(level) / RATE), strict=True):
        piece = faded(level[round(first * RATE) : max(round(last * RATE), round(first * RATE) + RATE // 5)], RATE)
        own = aligner.align(piece, RATE, text, language) if np.any(piece) else None
        if own is None:
            raise UnreadableSound(f"'{text[:40]}' is not in the recording. Record the line by itself.")
        taken.append(_taken(store.add(piece), piece, examine(piece, RATE), text, language, own, sound.note))
    return taken


def tidied(samples: Samples, *, noise: bool, longest_silence: float) -> Samples:
    """A 48 kHz recording with less room noise, pauses cut down to ``longest_silence`` s (0: as they are)."""
    made = denoised(samples, RATE) if noise else samples
    made = with_shorter_silences(made, RATE, longest_silence) if longest_silence > 0 else made
    return levelled(made, RATE)


def _cuts(whole: Alignment, texts: Sequence[str], language: str, duration: float) -> list[tuple[float, float]]:
    """From where to where each line is: half-way through the pause between two, but no more than 120 ms of it."""
    spans, at = [], 0
    for text in texts:
        count = len(plan_words(text, language).written)
        words = whole.words[at : at + count]
        said = [w for w in words if w.said] or list(words)
        spans.append((said[0].start, said[-1].end))
        at += count
    cuts = []
    for index, (start, end) in enumerate(spans):
        before = spans[index - 1][1] if index else 0.0
        after = spans[index + 1][0] if index + 1 < len(spans) else duration
        first = max(start - _EDGE, (before + start) / 2, 0.0)
        last = min(end + _EDGE, max(end, (end + after) / 2), duration)
        cuts.append((first, max(last, first + 0.05)))
    return cuts


def _taken(name: str, samples: Samples, quality: Quality, text: str, language: str, alignment: Alignment,
           note: str) -> Taken:  # fmt: skip
    written = plan_words(text, language).written
    skipped = tuple(written[i].text for i in alignment.skipped)
    doubtful = tuple(w.text for w, t in zip(written, alignment.words, strict=True) if t.said and t.confidence < 0.5)
    found = list(faults(quality))
    if alignment.unlike:
        found.insert(0, Fault("words", True, "Other words are heard than the line has. Is it the right recording?"))
    elif alignment.method == "even":
        found.insert(0, Fault("words", True, "The words could not be found in it; the lips only follow roughly."))
    return Taken(name, len(samples) / RATE, quality, tuple(found), skipped, doubtful, bool(alignment.added), note)
