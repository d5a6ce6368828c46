"""English words in recorded speech, by pocketsphinx and its US English acoustic model.

Settings by trial on real and synthetic speech: with the library's own beams a quarter of the sentences fail.
"""

from __future__ import annotations

import re
import threading
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from itertools import pairwise
from pathlib import Path
from typing import Any

import numpy as np
import soxr

from dearhost.speech.aligning.arpabet import ARPABET, to_arpabet
from dearhost.speech.reading import Samples

RATE = 16000
_FRAMES = 100  # a second
_CENTRE = 0.008
"""Seconds: a frame of 25.6 ms stands for its middle, so the border of two frames lies later than their starts."""
_DITHER = 8.0  # in steps of 16 bits: digital silence upsets the model
_BEAMS = ((1e-100, 1e-80, 1e-100), (1e-160, 1e-140, 1e-160))
_LOOSE = (1e-48, 7e-29, 1e-48)
_SKIP, _OTHER = 1e-6, 1e-6
"""Probabilities of leaving a word out, and of each phone that is in no word of the text. By trial on three voices
and 366 words: 3 words of 366 missed that were said, 30 of 30 found that were not; with 1e-3 and 1e-4 it missed 10."""
_HESITATING, _AGAIN = 0.3, 0.3
"""Probabilities, against 1 of a word, of a hesitation at a place, and of a short word twice."""
_HESITATIONS = {"um_": "AH M", "um_(2)": "AH M M", "uh_": "AH", "uh_(2)": "ER", "uh_(3)": "AA"}
_HESITATED = ("um_", "uh_")
_SAID_TWICE = 4
"""Letters of words that are said twice as one hesitates."""
HESITATION = -1
"""In place of the index of a word."""
_PART = 1000
"""Words about; a longer text makes too large a grammar of what may be left out, and is heard in parts."""

Pronounce = Callable[[str], Sequence[str]]
"""Phones in IPA of a word that the model's dictionary lacks."""


@dataclass(frozen=True, slots=True)
class PlacedPhone:
    """An ARPAbet phone and its seconds."""

    symbol: str
    start: float
    end: float


@dataclass(frozen=True, slots=True)
class PlacedWord:
    """A word of the text, seconds, and its phones ([] when only words were asked for)."""

    text: str
    start: float
    end: float
    phones: tuple[PlacedPhone, ...] = ()


@dataclass(frozen=True, slots=True)
class Heard:
    """Which words of a text are heard (``found`` gives index and seconds), and where something else is said."""

    found: tuple[tuple[int, float, float], ...]
    other: tuple[tuple[float, float], ...]


class EnglishModel:
    """Decoders that are made once and used by one thread at a time."""

    def __init__(self, pronounce: Pronounce) -> None:
        self._pronounce = pronounce
        self._lock = threading.Lock()
        self._decoders: dict[tuple[object, ...], Any] = {}

    def place(
        self, samples: Samples, rate: int, words: Sequence[str], *, phones: bool = True
    ) -> list[PlacedWord] | None:
        """Each word and phone of ``words`` in mono ``samples``; None when the search finds no way through.

        Words are lower-case; all of them are taken to be said. Without ``phones`` it takes half as long.
        """
        pcm = _pcm(samples, rate)
        for beams in _BEAMS if phones else (_LOOSE, *_BEAMS):
            with self._decoder(beams) as decoder:
                self._add(decoder, words)
                decoder.set_align_text(" ".join(words))
                _run(decoder, pcm)
                if decoder.hyp() is None:
                    continue
                if phones:
                    decoder.set_alignment()
                    _run(decoder, pcm)
                    placed = [_placed(entry) for entry in decoder.get_alignment()]
                else:
                    placed = _words_of(decoder)
            placed = [word for word in placed if not _is_filler(word.text)]
            if len(placed) == len(words):
                return placed
        return None

    def hear(self, samples: Samples, rate: int, words: Sequence[str]) -> Heard | None:
        """Which of ``words`` are said, in order, and where something else is; None when it cannot be told.

        A grammar in which every word may be left out and any phones may come between. A long text is cut at pauses.
        """
        if len(words) <= 1.5 * _PART:
            return self._hear(samples, rate, words)
        placed = self.place(samples, rate, words, phones=False)
        if placed is None:
            return None
        found: list[tuple[int, float, float]] = []
        other: list[tuple[float, float]] = []
        cuts = _cuts(placed)
        for first, last in pairwise(cuts):
            start = _between(placed, first)
            end = _between(placed, last) if last < len(words) else len(samples) / rate
            heard = self._hear(samples[round(start * rate) : round(end * rate)], rate, words[first:last])
            if heard is None:
                return None
            found += [(first + index, start + a, start + b) for index, a, b in heard.found]
            other += [(start + a, start + b) for a, b in heard.other]
        return Heard(tuple(found), tuple(other))

    def _hear(self, samples: Samples, rate: int, words: Sequence[str]) -> Heard | None:
        with self._decoder(_LOOSE, "other") as decoder:
            self._add(decoder, words)
            for phone in ARPABET:
                if decoder.lookup_word(f"other_{phone.lower()}") is None:
                    decoder.add_word(f"other_{phone.lower()}", phone, True)
            arcs: list[tuple[object, ...]] = []
            for index, word in enumerate(words):
                arcs += [(index, index + 1, 1.0, word), (index, index + 1, _SKIP)]
            for index in range(len(words) + 1):
                arcs += [(index, index, _OTHER, f"other_{phone.lower()}") for phone in ARPABET]
            decoder.add_fsg("told", decoder.create_fsg("told", 0, len(words), arcs))
            decoder.activate_search("told")
            _run(decoder, _pcm(samples, rate))
            if decoder.hyp() is None:
                return None
            said = [(word.text, word.start, word.end) for word in _words_of(decoder) if not _is_filler(word.text)]
        return _in_order(words, said)

    def as_spoken(
        self, samples: Samples, rate: int, words: Sequence[str], *, doubted: bool = False
    ) -> list[tuple[int, float, float]] | None:
        """The ``words``, all of them said, with hesitations between them and short words said twice: the index of each,
        or HESITATION, and its seconds; None when the search finds no way through. ``doubted``: they may be nothing but
        a hesitation."""
        with self._decoder(_BEAMS[0], "spoken") as decoder:
            self._add(decoder, words)
            for word, phones in _HESITATIONS.items():
                if decoder.lookup_word(word) is None:
                    decoder.add_word(word, phones, True)
            arcs: list[tuple[object, ...]] = []
            states = len(words)
            for index, word in enumerate(words):
                arcs.append((index, index + 1, 1.0, word))
                if len(word) <= _SAID_TWICE:
                    states += 1
                    arcs += [(index, states, _AGAIN, word), (states, index + 1, 1.0, word)]
                    arcs += [(states, states, _HESITATING, hesitation) for hesitation in _HESITATED]
            for index in range(len(words) + 1):
                arcs += [(index, index, _HESITATING, word) for word in _HESITATED]
            if doubted:
                arcs += [(0, len(words), 1.0, word) for word in _HESITATED]
            decoder.add_fsg("spoken", decoder.create_fsg("spoken", 0, len(words), arcs))
            decoder.activate_search("spoken")
            _run(decoder, _pcm(samples, rate))
            if decoder.hyp() is None:
                return None
            said = [word for word in _words_of(decoder) if not _is_filler(word.text)]
        if doubted and all(word.text in _HESITATED for word in said):
            return [(HESITATION, word.start, word.end) for word in said]
        return _indexed(words, said)

    @contextmanager
    def _decoder(self, beams: tuple[float, float, float], purpose: str = "") -> Iterator[Any]:
        """The decoder for a purpose; thrown away when it raises, as it cannot be trusted then."""
        key = (*beams, purpose)
        with self._lock:
            if key not in self._decoders:
                self._decoders[key] = _new(beams)
            try:
                yield self._decoders[key]
            except Exception:
                del self._decoders[key]
                raise

    def _add(self, decoder: Any, words: Sequence[str]) -> None:
        for word in words:
            if decoder.lookup_word(word) is None:
                decoder.add_word(word, " ".join(to_arpabet(self._pronounce(word)) or ["AH"]), True)


def _cuts(placed: Sequence[PlacedWord]) -> list[int]:
    """The word each part of a long text begins with, 0 first and their number last: after the longest pause about."""
    parts = round(len(placed) / _PART)
    cuts = [0]
    for part in range(1, parts):
        near = round(len(placed) * part / parts)
        about = range(max(1, near - _PART // 5), min(len(placed), near + _PART // 5))
        cuts.append(max(about, key=lambda i: placed[i].start - placed[i - 1].end))
    return [*cuts, len(placed)]


def _between(placed: Sequence[PlacedWord], index: int) -> float:
    """Seconds, in the middle of the pause before a word."""
    return (placed[index - 1].end + placed[index].start) / 2 if index else 0.0


def _new(beams: tuple[float, float, float]) -> Any:
    import pocketsphinx  # noqa: PLC0415 - only recordings need it

    folder = Path(pocketsphinx.get_model_path("en-us"))
    return pocketsphinx.Decoder(
        hmm=str(folder / "en-us"),
        dict=str(folder / "cmudict-en-us.dict"),
        lm=None,
        bestpath=False,
        beam=beams[0],
        wbeam=beams[1],
        pbeam=beams[2],
        samprate=RATE,
        loglevel="FATAL",
    )


def _pcm(samples: Samples, rate: int) -> bytes:
    sound = samples if rate == RATE else soxr.resample(samples, rate, RATE)
    peak = float(np.abs(sound).max()) if len(sound) else 0.0
    if 0 < peak < 0.3:  # a soft recording is heard as well as a loud one
        sound = sound * (0.3 / peak)
    noise = np.random.default_rng(0).normal(0, _DITHER, len(sound))  # the same sound is always placed the same
    return bytes(np.clip(sound * 32767 + noise, -32768, 32767).astype("<i2").tobytes())


def _run(decoder: Any, pcm: bytes) -> None:
    decoder.start_utt()
    decoder.process_raw(pcm, full_utt=True)
    decoder.end_utt()


def _words_of(decoder: Any) -> list[PlacedWord]:
    """What the last search found, fillers too."""
    return [PlacedWord(_bare(s.word), _seconds(s.start_frame), _seconds(s.end_frame + 1)) for s in decoder.seg()]


def _bare(word: str) -> str:
    return re.sub(r"\(\d+\)$", "", word)


def _is_filler(word: str) -> bool:
    return word.startswith(("<", "[")) or word == "(NULL)"


def _placed(entry: Any) -> PlacedWord:
    phones = tuple(PlacedPhone(p.name, _seconds(p.start), _seconds(p.start + p.duration)) for p in entry)
    return PlacedWord(_bare(entry.name), _seconds(entry.start), _seconds(entry.start + entry.duration), phones)


def _seconds(frame: int) -> float:
    return frame / _FRAMES + _CENTRE if frame else 0.0


def _indexed(words: Sequence[str], said: Sequence[PlacedWord]) -> list[tuple[int, float, float]] | None:
    """Which index each word that was said has; where one is said more often than it is written, the first ones have
    the index of the one that stays. None where not all were said."""
    spoken = [word.text for word in said if word.text not in _HESITATED]
    indices: list[int] = []
    at = 0
    while len(indices) < len(spoken):
        if at >= len(words) or spoken[len(indices)] != words[at]:
            return None
        again = _run_of(spoken, len(indices)) - _run_of(words, at)
        indices += [at] * max(0, again)
        indices.append(at)
        at += 1
    if at != len(words):
        return None
    each = iter(indices)
    return [(HESITATION if word.text in _HESITATED else next(each), word.start, word.end) for word in said]


def _run_of(words: Sequence[str], first: int) -> int:
    """How often the word at ``first`` is said in a row from there on."""
    return next((n for n, word in enumerate(words[first:]) if word != words[first]), len(words) - first)


def _in_order(words: Sequence[str], said: Sequence[tuple[str, float, float]]) -> Heard:
    """Which index each word that was said has: the grammar keeps their order."""
    found: list[tuple[int, float, float]] = []
    other: list[tuple[float, float]] = []
    at = 0
    for text, start, end in said:
        if text.startswith("other_"):
            if other and start - other[-1][1] < 0.05:
                other[-1] = other[-1][0], end
            else:
                other.append((start, end))
            continue
        index = next((i for i in range(at, len(words)) if words[i] == text), -1)
        if index >= 0:
            found.append((index, start, end))
            at = index + 1
    return Heard(tuple(found), tuple(other))
