"""Hears the words of a clip: what Whisper writes down, placed by the acoustic model, with the hesitations it leaves
out."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from itertools import pairwise

import numpy as np

from dearhost.errors import SpeechError
from dearhost.sound.examining import examine, frame_levels
from dearhost.speech.aligning import Aligner, WordTime
from dearhost.speech.aligning.english_model import HESITATION, PlacedWord
from dearhost.speech.aligning.onsets import at_onsets
from dearhost.speech.clips.speech_file import ClipSpeech
from dearhost.speech.clips.transcript import HESITATIONS, ClipWord, Transcript, plain
from dearhost.speech.plan import plan_words
from dearhost.speech.reading import Samples
from dearhost.timebase import Span

ENGLISH = "en"
_PAUSE = 0.18
"""Seconds of silence at which sound is heard in pieces."""
_HOP = 0.01
_BELOW = 38.0
"""dB under the loudest from which on nobody speaks; 9 over the room where that is louder."""
_OVER_ROOM = 9.0
_HESITATION, _DRAWN_OUT = 0.2, 1.5
"""Seconds that a hesitation lasts: shorter ones are the model's own, longer ones are noise."""
_TAKEN_FOR = frozenset(("a", "ah", "am", "and", "are", "arm", "er", "her", "i", "la", "oh", "on", "or", "the", "umm"))
"""Words that Whisper writes down for a hesitation between two silences (by trial)."""
_TOUCHING = 0.12
_SHORTEST = 0.15
_SECTION, _LOOKED_AT, _QUIET_FOR = 180.0, 45.0, 0.5
"""Seconds that are heard at once: five minutes would take a gigabyte."""
_LONGEST_PLACED = 900.0
_NOBODY = "Nobody is heard in this clip. Choose one in which somebody speaks."
Progress = Callable[[float], None]


def hear_words(samples: Samples | ClipSpeech, rate: int, aligner: Aligner, *, language: str = ENGLISH, text: str = "",
               progress: Progress = lambda part: None) -> Transcript:  # fmt: skip
    """The words of mono ``samples``: those of ``text`` where it is given, else as they are heard, in English.

    Hears some minutes at a time, parted where it is quiet. ``progress`` hears 0 to 1 and may raise to stop. Raises
    SpeechError where nothing is heard, where another language than English comes without its text or a text belongs to
    more than can be placed at once, and UnreadableSound where the model that hears words is not installed.
    """
    seconds = len(samples) / rate
    if text.strip():
        if seconds > _LONGEST_PLACED:
            raise SpeechError(
                f"A text can be found in clips of up to {_LONGEST_PLACED / 60:.0f} minutes; this one has "
                f"{seconds / 60:.0f}. Cut the clip into parts, and bring them in one by one."
            )
        return Transcript(language, seconds, tuple(_placed(_somebody(samples[:], rate), rate, aligner, language, text)))
    if not language.lower().startswith(ENGLISH):
        raise SpeechError("Only English is heard by itself. Write what is said, and its words are found in the clip.")
    words: list[ClipWord] = []
    is_quiet = True
    sections = sections_of(samples, rate)
    for number, section in enumerate(sections):
        part = samples[round(section.start * rate) : round(section.end * rate)]
        if examine(part, rate).silent:
            continue
        is_quiet = False

        def of_all(done: float, before: int = number) -> None:
            progress((before + done) / len(sections))

        words += [
            replace(word, start=word.start + section.start, end=word.end + section.start)
            for word in _section(part, rate, aligner, of_all)
        ]
    if is_quiet:
        raise SpeechError(_NOBODY)
    if not words:
        raise SpeechError("No English word is heard in this clip. Write what is said, and its words are found in it.")
    return Transcript(language, seconds, tuple(words))


def _somebody(samples: Samples, rate: int) -> Samples:
    """Samples in which something is heard. Raises SpeechError."""
    if examine(samples, rate).silent:
        raise SpeechError(_NOBODY)
    return samples


def _placed(samples: Samples, rate: int, aligner: Aligner, language: str, text: str) -> list[ClipWord]:
    """The words of a text where they are said."""
    found = aligner.align(samples, rate, text, language, tell=False)
    written = plan_words(text, language).written
    return [
        ClipWord(w.text, float(t.start), float(t.end), plain(w.text) in HESITATIONS)
        for w, t in zip(written, found.words, strict=True)
    ]


def _section(samples: Samples, rate: int, aligner: Aligner, progress: Progress) -> list[ClipWord]:
    """The words that are heard in some minutes of English."""
    drafted = aligner.draft(samples, rate)
    progress(0.5)
    words: list[ClipWord] = []
    pieces = pieces_of(samples, rate) if drafted else []
    for number, piece in enumerate(pieces):
        own = [word for word in drafted if piece.start <= (word.start + word.end) / 2 < piece.end]
        words += _heard(samples, rate, piece, own, aligner)
        progress(0.5 + 0.5 * (number + 1) / len(pieces))
    return _at_onsets(_in_order(words), samples, rate)


def sections_of(samples: Samples | ClipSpeech, rate: int) -> list[Span]:
    """Sound in sections of ``_SECTION`` seconds or a little more, each ending in the middle of the quietest half second
    of its last part."""
    seconds, cuts = len(samples) / rate, [0.0]
    while seconds - cuts[-1] > _SECTION + _LOOKED_AT:
        first = cuts[-1] + _SECTION - _LOOKED_AT
        levels = frame_levels(samples[round(first * rate) : round((first + _LOOKED_AT) * rate)], rate, _HOP)
        width = round(_QUIET_FOR / _HOP)
        power = np.convolve(10 ** (levels / 10), np.full(width, 1 / width), "valid")
        cuts.append(first + (int(power.argmin()) + width / 2) * _HOP)
    return [Span(start, end) for start, end in pairwise([*cuts, seconds])]


def pieces_of(samples: Samples, rate: int) -> list[Span]:
    """The sound cut in the middle of its silences."""
    levels = frame_levels(samples, rate, _HOP)
    if not len(levels):
        return []
    loud = levels > max(float(levels.max()) - _BELOW, float(np.percentile(levels, 8)) + _OVER_ROOM)
    edges = np.flatnonzero(np.diff(np.concatenate([[False], ~loud, [False]]).astype(int)))
    quiet = [(a * _HOP, b * _HOP) for a, b in zip(edges[::2], edges[1::2], strict=True) if (b - a) * _HOP >= _PAUSE]
    cuts = [0.0, *((a + b) / 2 for a, b in quiet if a > 0 and b < len(levels) * _HOP), len(samples) / rate]
    return [Span(float(a), float(b)) for a, b in pairwise(cuts)]


def _heard(samples: Samples, rate: int, piece: Span, own: Sequence[PlacedWord], aligner: Aligner) -> list[ClipWord]:
    """What is said in a piece: its words and hesitations, as the acoustic model hears them along what was written
    down; where it does not find them, as they were."""
    as_written = [ClipWord(word.text, word.start, word.end) for word in own]
    part = samples[round(piece.start * rate) : round(piece.end * rate)]
    if piece.end - piece.start < _SHORTEST:
        return as_written
    alone = len(own) == 1 and plain(own[0].text) in _TAKEN_FOR
    heard = aligner.as_spoken(part, rate, [word.text for word in own], doubted=alone)
    if heard is None:
        return as_written
    words: list[ClipWord] = []
    for index, start, end in heard:
        text = "um" if index == HESITATION else own[index].text
        hesitates = index == HESITATION or plain(text) in HESITATIONS
        word = ClipWord(text, piece.start + start, piece.start + end, hesitates)
        last = words[-1] if words else None
        if last and last.hesitation and word.hesitation and word.start - last.end < _TOUCHING:
            words[-1] = replace(last, text=last.text if index == HESITATION else text, end=word.end)
        else:
            words.append(word)
    return [word for word in words if not word.hesitation or _HESITATION <= word.end - word.start <= _DRAWN_OUT]


def _in_order(words: Sequence[ClipWord]) -> list[ClipWord]:
    """Words that begin where the one before has ended, at the earliest."""
    kept: list[ClipWord] = []
    for word in words:
        start = max(word.start, kept[-1].end if kept else 0.0)
        if word.end - start > 0.005:
            kept.append(replace(word, start=start))
        elif not word.hesitation:
            kept.append(replace(word, start=start, end=start + 0.01))
    return kept


def _at_onsets(words: Sequence[ClipWord], samples: Samples, rate: int) -> list[ClipWord]:
    times = at_onsets(tuple(WordTime(word.start, word.end) for word in words), samples, rate)
    return [replace(word, start=float(time.start)) for word, time in zip(words, times, strict=True)]
