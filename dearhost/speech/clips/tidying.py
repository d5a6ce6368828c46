"""What could be cut from a line of a clip: hesitations, false starts, long pauses. Found and offered, never cut
unasked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from dearhost.script.document import Word
from dearhost.speech.clips.matching import Said
from dearhost.speech.clips.transcript import HESITATIONS, LONG_PAUSE, ClipWord, Transcript, plain

TidyKind = Literal["hesitation", "restart", "pause"]


@dataclass(frozen=True, slots=True)
class Tidy:
    """What could go: the text of the line from ``start`` to ``end``, or the pause at ``start``, of so many seconds."""

    kind: TidyKind
    start: int
    end: int
    seconds: float


def tidying_of(text: str, written: Sequence[Word], said: Sequence[Said | None], transcript: Transcript) -> list[Tidy]:
    """What could be cut from a line whose ``written`` words are ``said`` in a clip, in order of the text."""
    words = transcript.words
    found: list[Tidy] = []
    heard = [
        ClipWord(word.text, words[one.first].start, words[one.last].end, plain(word.text) in HESITATIONS)
        for word, one in zip(written, said, strict=True)
        if one
    ]
    places = [word for word, one in zip(written, said, strict=True) if one]
    line = Transcript(transcript.language, transcript.seconds, tuple(heard))
    gone: set[int] = set()
    for span in line.restarts():
        gone |= set(span)
        found.append(_struck(text, places, span, heard, "restart"))
    for index in line.hesitations():
        if index not in gone:
            found.append(_struck(text, places, range(index, index + 1), heard, "hesitation"))
    pairs = zip(said, said[1:], written[1:], strict=False)
    for before, after, word in pairs:
        if before and after and after.first == before.last + 1:
            seconds = words[after.first].start - words[before.last].end
            if seconds > LONG_PAUSE:
                found.append(Tidy("pause", word.start, word.start, round(seconds, 2)))
    return sorted(found, key=lambda tidy: tidy.start)


def _struck(text: str, places: Sequence[Word], span: range, heard: Sequence[ClipWord], kind: TidyKind) -> Tidy:
    """Words that go with the comma and the space behind them, or before them at the end of the line."""
    start, end = places[span[0]].start, places[span[-1]].end
    following = places[span[-1] + 1] if span[-1] + 1 < len(places) else None
    if following and not any(sign in ".!?" for sign in text[end : following.start]):
        end = following.start
    else:
        while end < len(text) and text[end] in ",;":
            end += 1
        while start > 0 and text[start - 1] in " ,;":
            start -= 1
    return Tidy(kind, start, end, round(heard[span[-1]].end - heard[span[0]].start, 2))
