"""Lines of a draft as they stand in the script: what one speaker says in one go."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dearhost.writing.outline import DraftLine, LineKind

_LONGEST = 40
"""Words of a line; then a new one begins."""


@dataclass(frozen=True, slots=True)
class Turn:
    """Lines of one speaker as one, and the silence before it, in seconds."""

    lines: tuple[DraftLine, ...]
    pause: float = 0.0

    @property
    def speaker(self) -> str:
        return self.lines[0].speaker

    @property
    def text(self) -> str:
        return " ".join(line.text for line in self.lines)

    @property
    def is_slot(self) -> bool:
        """Whether nothing is said but an open slot."""
        return all(line.kind is LineKind.SLOT for line in self.lines)


def turns_of(lines: Sequence[DraftLine]) -> Iterator[Turn]:
    """The turns of a part. An open slot is a turn of its own, so that it is filled in one place."""
    gathered: list[DraftLine] = []
    pause = 0.0
    for line in lines:
        words = sum(len(said.text.split()) for said in gathered)
        apart = (
            line.kind in (LineKind.SLOT, LineKind.PAUSE)
            or (words + len(line.text.split()) > _LONGEST and not gathered[-1].text.endswith("?"))
            or (gathered and (gathered[-1].speaker != line.speaker or gathered[-1].kind is LineKind.SLOT))
        )
        if gathered and apart:
            yield Turn(tuple(gathered), pause)
            gathered, pause = [], 0.0
        if line.kind is LineKind.PAUSE:
            pause = float(line.text)
        else:
            gathered.append(line)
    if gathered:
        yield Turn(tuple(gathered), pause)
