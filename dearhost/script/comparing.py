"""What differs between two states of a script, for somebody to read."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from difflib import SequenceMatcher

from dearhost.script.cue_notes import text_with_cues
from dearhost.script.cues import CueKinds
from dearhost.script.document import Line, Script


@dataclass(frozen=True, slots=True)
class Run:
    """A stretch of text; ``differs`` when the other side does not have it."""

    text: str
    differs: bool


@dataclass(frozen=True, slots=True)
class Difference:
    """One block or heading that is not the same. A side that lacks it has no runs.

    ``kind``: changed, added, removed or moved. ``scene`` is its number after, or before where it was removed.
    """

    kind: str
    scene: int
    speaker: str
    before: tuple[Run, ...]
    after: tuple[Run, ...]


@dataclass(frozen=True, slots=True)
class _Part:
    key: str
    scene: int
    speaker: str
    text: str


def compare(before: Script, after: Script, kinds: CueKinds) -> tuple[Difference, ...]:
    """Every difference in the order of ``after``, removed parts where they were.

    Parts are the same part when they have the same id; cues are compared as the notes that write them.
    """
    old, new = list(_parts(before, kinds)), list(_parts(after, kinds))
    known = {part.key: part for part in old}
    staying = {part.key for part in new}
    # only what left the common order has moved
    common = [[p.key for p in parts if p.key in known and p.key in staying] for parts in (old, new)]
    blocks = SequenceMatcher(None, common[0], common[1], autojunk=False).get_matching_blocks()
    in_order = {key for block in blocks for key in common[1][block.b : block.b + block.size]}
    found: list[Difference] = []
    position = 0
    for part in new:
        was = known.get(part.key)
        if was is not None and part.key in in_order:
            while position < len(old) and old[position].key != part.key:
                found += _removed(old[position], staying)
                position += 1
            position += 1
        found += _difference(was, part, moved=was is not None and part.key not in in_order)
    for rest in old[position:]:
        found += _removed(rest, staying)
    return tuple(found)


def _parts(script: Script, kinds: CueKinds) -> Iterator[_Part]:
    for number, scene in enumerate(script.scenes, 1):
        if scene.heading:
            yield _Part(f"heading {scene.id}", number, "", scene.heading)
        for block in scene.blocks:
            speaker = block.speaker if isinstance(block, Line) else ""
            text = text_with_cues(block, kinds) if isinstance(block, Line) else f"({block.text})"
            if text.strip("() "):
                yield _Part(block.id, number, speaker, text)


def _removed(part: _Part, staying: set[str]) -> list[Difference]:
    if part.key in staying:
        return []
    return [Difference("removed", part.scene, part.speaker, (Run(part.text, True),), ())]


def _difference(was: _Part | None, now: _Part, *, moved: bool) -> list[Difference]:
    if was is None:
        return [Difference("added", now.scene, now.speaker, (), (Run(now.text, True),))]
    spoken = (f"{was.speaker}: {was.text}", f"{now.speaker}: {now.text}")
    before, after = spoken if was.speaker != now.speaker else (was.text, now.text)
    if before == after and not moved:
        return []
    left, right = words_differing(before, after)
    return [Difference("moved" if before == after else "changed", now.scene, now.speaker, left, right)]


def words_differing(before: str, after: str) -> tuple[tuple[Run, ...], tuple[Run, ...]]:
    """Both texts as runs; words, marks and notes are compared whole."""
    words = [re.findall(r"\[\[.*?\]\]|\w+|\s+|[^\w\s]", text) for text in (before, after)]
    codes = SequenceMatcher(None, words[0], words[1], autojunk=False).get_opcodes()
    left = [Run("".join(words[0][a:b]), code != "equal") for code, a, b, _, _ in codes if b > a]
    right = [Run("".join(words[1][a:b]), code != "equal") for code, _, _, a, b in codes if b > a]
    return _joined(left), _joined(right)


def _joined(runs: Sequence[Run]) -> tuple[Run, ...]:
    """Runs that differ with no more than a space between them read as one."""
    joined: list[Run] = []
    for run in runs:
        if len(joined) > 1 and run.differs and joined[-2].differs and joined[-1].text.isspace():
            gap = joined.pop()
            run = Run(joined.pop().text + gap.text + run.text, True)
        joined.append(run)
    return tuple(joined)
