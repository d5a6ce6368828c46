"""Pauses put into a line that has been read."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

import numpy as np

from dearhost.speech.reading import Piece, Prosody, Reading, Samples

_FADE = 0.005


def with_pauses(reading: Reading, pauses: Mapping[int, float]) -> Reading:
    """The reading with ``pauses[i]`` seconds of silence before its word ``i``; later times move along.

    The cut falls between the words, or where one runs into the next. Raises IndexError for another word.
    """
    for index, seconds in sorted(pauses.items(), reverse=True):
        if seconds > 0:
            reading = _with_pause(reading, index, seconds)
    return reading


def _with_pause(reading: Reading, index: int, seconds: float) -> Reading:
    word = reading.words[index]
    before = reading.words[index - 1].end if index else 0.0
    cut = (before + word.start) / 2 if word.start > before else word.start
    rate = reading.sample_rate
    at, gap = round(cut * rate), round(seconds * rate)
    seconds = gap / rate

    words = tuple(
        replace(w, start=w.start + seconds, end=w.end + seconds) if i >= index else w
        for i, w in enumerate(reading.words)
    )
    phones = tuple(
        replace(p, start=p.start + seconds, end=p.end + seconds) if p.word >= index else p for p in reading.phones
    )
    prosody = reading.prosody
    place = round(cut * prosody.rate)
    count = round(seconds * prosody.rate)
    quiet = float(prosody.loudness.min()) if len(prosody.loudness) else 0.0
    return Reading(
        rate,
        _parted(reading.samples, at, gap, round(_FADE * rate)),
        words,
        phones,
        Prosody(
            prosody.rate,
            np.insert(prosody.loudness, place, np.full(count, quiet, np.float32)),
            np.insert(prosody.pitch, place, np.zeros(count, np.float32)),
        ),
        reading.duration + seconds,
        _parted_pieces(reading.pieces, cut, seconds),
    )


def _parted_pieces(pieces: Sequence[Piece], cut: float, gap: float) -> tuple[Piece, ...]:
    """Where the line comes from in a clip, which goes on during the pause and is then where it was."""
    if not pieces:
        return ()
    before = [piece for piece in pieces if piece.at <= cut]
    again = [Piece(cut + gap, before[-1].source + cut - before[-1].at)] if before else []
    return (*before, *again, *(replace(piece, at=piece.at + gap) for piece in pieces if piece.at > cut))


def _parted(samples: Samples, at: int, gap: int, fade: int) -> Samples:
    """``samples`` with ``gap`` zeros at ``at``, faded on both sides so that nothing clicks."""
    left, right = samples[:at].copy(), samples[at:].copy()
    out, into = min(fade, len(left)), min(fade, len(right))
    if out:
        left[-out:] *= np.linspace(1, 0, out, dtype=np.float32)
    if into:
        right[:into] *= np.linspace(0, 1, into, dtype=np.float32)
    return np.concatenate([left, np.zeros(gap, np.float32), right])
