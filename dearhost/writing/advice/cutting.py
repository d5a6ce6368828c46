"""Where a long text could be cut into scenes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.script import SECONDS_PER_WORD, Line, Scene
from dearhost.speech import plan_words

LONG_TEXT = 60
"""Words; about half a minute, more than one scene usually holds (common practice, no source)."""
SCENE_SECONDS = 20.0
"""What a scene cut by length lasts, about (common practice, no source)."""


@dataclass(frozen=True, slots=True)
class Piece:
    """A sentence of ``scene.blocks[block].text[start:end]``; ``opens`` when it is the first of its block."""

    block: int
    start: int
    end: int
    opens: bool
    seconds: float


def pieces_of(scene: Scene, language: str) -> tuple[Piece, ...]:
    """The sentences of a scene in order; together they hold every character of its lines but spaces between."""
    pieces: list[Piece] = []
    for index, block in enumerate(scene.blocks):
        if not isinstance(block, Line):
            continue
        plan = plan_words(block.text, language)
        firsts = [plan.written[s.words[0].written].start for s in plan.sentences]
        starts = [0, *(_before_quotes(block.text, start) for start in firsts[1:])]
        for number, start in enumerate(starts):
            end = starts[number + 1] if number + 1 < len(starts) else len(block.text)
            end = start + len(block.text[start:end].rstrip())
            words = len(block.text[start:end].split())
            pieces.append(Piece(index, start, end, number == 0, round(words * SECONDS_PER_WORD, 1)))
    return tuple(pieces)


def _before_quotes(text: str, start: int) -> int:
    """An opening mark in front of a sentence's first word belongs to it."""
    while start > 0 and not text[start - 1].isspace():
        start -= 1
    return start


def cuts_by_paragraph(pieces: Sequence[Piece]) -> tuple[int, ...]:
    """The pieces that begin a scene, without the first: one scene a paragraph."""
    return tuple(i for i, piece in enumerate(pieces) if i and piece.opens)


def cuts_by_length(pieces: Sequence[Piece], seconds: float = SCENE_SECONDS) -> tuple[int, ...]:
    """The pieces that begin a scene, without the first: sentences kept whole, scenes about ``seconds`` long."""
    total = sum(piece.seconds for piece in pieces)
    scenes = min(len(pieces), max(1, round(total / seconds)))
    ends = [0.0]
    for piece in pieces:
        ends.append(ends[-1] + piece.seconds)
    cuts: list[int] = []
    for number in range(1, scenes):
        lowest, highest = (cuts[-1] if cuts else 0) + 1, len(pieces) - (scenes - number)
        wanted = total * number / scenes
        cuts.append(min(range(lowest, highest + 1), key=lambda i: abs(ends[i] - wanted)))
    return tuple(cuts)
