"""A line cut out of a clip: which spans of it stay, joined where it is quiet, and when each word is heard."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from dearhost.speech.aligning.timing import SHORTEST, WordTime, ordered
from dearhost.speech.clips.matching import Said
from dearhost.speech.clips.transcript import SHORTENED, ClipWord, Transcript
from dearhost.speech.reading import Piece, Samples
from dearhost.timebase import Span

CLIPS_VERSION = "clips-1"
"""Another one once lines are cut otherwise."""
BEFORE, AFTER = 0.06, 0.10
"""Seconds that stay before and after words beside which something is cut."""
LEAD, TAIL = 0.25, 0.35
"""Seconds at most of its own quiet that a line begins and ends with."""
_FADE = 0.02
_QUIET, _WITHIN = 0.01, 0.04
"""A cut lies at the quietest hundredth of a second within this many seconds."""


@dataclass(frozen=True, slots=True)
class CutLine:
    """A line out of a clip. ``words``: the seconds of each written word; ``unsaid``: those that are not said."""

    samples: Samples
    words: tuple[tuple[float, float], ...]
    pieces: tuple[Piece, ...]
    unsaid: tuple[int, ...]


def kept_spans(said: Sequence[Said | None], transcript: Transcript, shorten: bool = False) -> list[Span]:
    """The spans of a clip that stay, in the order they are heard: what lies between words that follow each other stays;
    with ``shorten``, of long pauses only their ends."""
    words, seconds = transcript.words, transcript.seconds
    runs = _runs(said)
    spans: list[Span] = []
    for number, (first, last) in enumerate(runs):
        start = _begin(words, first, LEAD if number == 0 else BEFORE)
        end = _end(words, last, seconds, TAIL if number == len(runs) - 1 else AFTER)
        for index in range(first, last) if shorten else ():
            pause = words[index + 1].start - words[index].end
            if pause > SHORTENED:
                spans.append(Span(start, words[index].end + SHORTENED / 2))
                start = words[index + 1].start - SHORTENED / 2
        spans.append(Span(start, end))
    return spans


def _runs(said: Sequence[Said | None]) -> list[tuple[int, int]]:
    """Words of the clip that follow each other, from the first to the last."""
    runs: list[tuple[int, int]] = []
    for one in said:
        if one is None or (runs and runs[-1] == (one.first, one.last)) or (runs and one.part):
            continue
        if runs and one.first == runs[-1][1] + 1:
            runs[-1] = runs[-1][0], one.last
        else:
            runs.append((one.first, one.last))
    return runs


def _begin(words: Sequence[ClipWord], index: int, pad: float) -> float:
    before = words[index - 1].end if index else 0.0
    return max(words[index].start - pad, (before + words[index].start) / 2 if before < words[index].start else before)


def _end(words: Sequence[ClipWord], index: int, seconds: float, pad: float) -> float:
    after = words[index + 1].start if index + 1 < len(words) else seconds
    return min(words[index].end + pad, (after + words[index].end) / 2 if after > words[index].end else words[index].end)


def cut_line(said: Sequence[Said | None], transcript: Transcript, rate: int, sound: Callable[[float, float], Samples],
             shorten: bool = False) -> CutLine:  # fmt: skip
    """Join what stays of a clip. ``sound(start, end)`` gives its mono samples between two seconds of it at ``rate``."""
    made = np.zeros(0, np.float32)
    pieces: list[Piece] = []
    taken: list[Span] = []
    count = round(_FADE * rate)
    for span in kept_spans(said, transcript, shorten):
        span = _at_quiet(span, rate, sound, transcript.seconds)
        part = sound(span.start, span.end).astype(np.float32)
        if len(part) < 2 * count:
            continue
        made, at = _joined(made, part, count)
        pieces.append(Piece(at / rate, span.start))
        taken.append(span)
    times = _times(said, transcript.words, pieces, taken, len(made) / rate)
    unsaid = tuple(index for index, one in enumerate(said) if one is None)
    return CutLine(made, times, tuple(pieces), unsaid)


def _joined(made: Samples, part: Samples, count: int) -> tuple[Samples, int]:
    """What was made with another part behind it, faded over, and at which sample that begins."""
    ramp = np.sin(np.linspace(0, np.pi / 2, count)).astype(np.float32)
    part = part.copy()
    part[:count] *= ramp
    if len(made) < count:
        part[-count:] *= ramp[::-1]
        return part, 0
    # the end of what was made is faded already
    at = len(made) - count
    part[-count:] *= ramp[::-1]
    return np.concatenate([made[:at], made[at:] + part[:count], part[count:]]), at


def _at_quiet(span: Span, rate: int, sound: Callable[[float, float], Samples], seconds: float) -> Span:
    return Span(_quietest(span.start, rate, sound, seconds), _quietest(span.end, rate, sound, seconds))


def _quietest(moment: float, rate: int, sound: Callable[[float, float], Samples], seconds: float) -> float:
    """The middle of the quietest hundredth of a second near a moment."""
    low, high = max(0.0, moment - _WITHIN), min(seconds, moment + _WITHIN)
    part = sound(low, high).astype(np.float64)
    size = round(_QUIET * rate)
    if len(part) <= size:
        return moment
    sums = np.concatenate([[0.0], np.cumsum(part**2)])
    return low + (int((sums[size:] - sums[:-size]).argmin()) + size // 2) / rate


def _times(said: Sequence[Said | None], words: Sequence[ClipWord], pieces: Sequence[Piece], taken: Sequence[Span],
           duration: float) -> tuple[tuple[float, float], ...]:  # fmt: skip
    """When each written word is heard in the line; one that is not said for a moment after the one before."""
    times: list[WordTime] = []
    before, piece = 0.0, 0
    for one in said:
        if one is None:
            times.append(WordTime(before, before + SHORTEST))
            continue
        first, last = words[one.first].start, words[one.last].end
        width = (last - first) / one.parts
        first, last = first + one.part * width, first + (one.part + 1) * width
        piece = _holding((first + last) / 2, taken, piece)
        offset = pieces[piece].at - taken[piece].start
        times.append(WordTime(max(0.0, first + offset), min(last, taken[piece].end) + offset))
        before = times[-1].end
    return tuple((word.start, word.end) for word in ordered(times, duration))


def _holding(moment: float, taken: Sequence[Span], at: int) -> int:
    """The span that holds a moment of the clip, from ``at`` on."""
    return next((i for i in range(at, len(taken)) if taken[i].start <= moment <= taken[i].end), at)
