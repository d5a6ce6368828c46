"""The recordings of a person that a voice is matched to, in pieces of a few seconds.

Where nobody wrote down what is said, a recogniser drafts it. What it hears wrong sounds alike: the base voice's
reading of the draft lies on the recording nearly as well as that of the true words.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from dearhost.sound.examining import examine
from dearhost.speech.aligning.breaths import as_sentence, breaths
from dearhost.speech.aligning.english_model import PlacedWord
from dearhost.speech.reading import Samples

Draft = Callable[[Samples, int], Sequence[PlacedWord]]
"""What seems to be said in mono samples at a rate."""

LONGEST_SECONDS = 180.0
_PIECE_SECONDS = 8.0
_SHORTEST_SECONDS = 0.5
_PAUSE, _FROM_SECONDS = 0.25, 2.5
"""Seconds of a pause that ends a piece, and how long the piece must be by then."""
_EDGE = 0.15
_HEARD = 0.5
"""Of the speech in a recording, in which words must be heard for a draft of it."""


@dataclass(frozen=True, slots=True)
class SampleSentence:
    """One recording of the person, mono at ``rate`` Hz; ``text`` "" when nobody wrote down what is said.
    ``drafted``: the text is a draft."""

    samples: Samples
    rate: int
    text: str = ""
    drafted: bool = False


def pieces_of(sample: Sequence[SampleSentence], draft: Draft | None) -> list[SampleSentence]:
    """Sentences as they are, and what has no text in pieces with a draft of it; at most three minutes in all.

    Without ``draft``, or where words are heard in less than half of the speech, they have no text.
    """
    pieces: list[SampleSentence] = []
    seconds = 0.0
    for sentence in sample:
        for piece in [sentence] if sentence.text else _cut(sentence, draft):
            if len(piece.samples) < _SHORTEST_SECONDS * piece.rate or seconds > LONGEST_SECONDS:
                continue
            seconds += len(piece.samples) / piece.rate
            text = re.sub(r"\s+", " ", piece.text).strip()
            pieces.append(SampleSentence(piece.samples, piece.rate, text, piece.drafted))
    return pieces


def _cut(free: SampleSentence, draft: Draft | None) -> Iterator[SampleSentence]:
    """A recording without text in pieces."""
    rate, samples = free.rate, free.samples[: round(LONGEST_SECONDS * free.rate)]
    groups = breaths(draft(samples, rate), _PAUSE, _FROM_SECONDS, _PIECE_SECONDS) if draft else []
    heard = sum(group[-1].end - group[0].start for group in groups)
    if not groups or heard < _HEARD * examine(samples, rate).speech:
        size = max(1, round(_PIECE_SECONDS * rate))
        for first in range(0, len(samples), size):
            yield SampleSentence(samples[first : first + size], rate)
        return
    for group in groups:
        begin, end = max(0.0, group[0].start - _EDGE), group[-1].end + _EDGE
        piece = samples[round(begin * rate) : round(end * rate)]
        yield SampleSentence(piece, rate, as_sentence(group), True)
