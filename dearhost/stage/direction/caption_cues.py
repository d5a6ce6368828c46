"""What cues change of captions: what is shown for what is said, where they are cut, when they come and go."""

from __future__ import annotations

from collections.abc import Sequence

from dearhost.production import playable
from dearhost.script import Line, word_index, word_indices
from dearhost.stage.captions import CaptionCuts, CaptionWord, Nudge, corrected


def with_corrections(words: Sequence[CaptionWord], line: Line) -> tuple[CaptionWord, ...]:
    """The words of a line as they are shown."""
    shown = tuple(words)
    for cue in playable(line):
        if cue.kind == "caption":
            first, last = word_indices(line, cue)
            shown = corrected(shown, first, last, cue.text("text"))
    return shown


def caption_cuts(line: Line) -> CaptionCuts:
    """Where the captions of a line are cut by hand."""
    by_kind: dict[str, list[int]] = {"begins": [], "goes-on": [], "new-row": []}
    for cue in playable(line):
        if cue.kind == "caption-cut" and cue.text("cut") in by_kind:
            by_kind[cue.text("cut")].append(word_index(line, cue))
    return CaptionCuts(by_kind["begins"], by_kind["goes-on"], by_kind["new-row"])


def caption_nudges(line: Line) -> dict[int, Nudge]:
    """When captions of a line come and go otherwise, by the index of their first written word."""
    return {
        word_index(line, cue): Nudge(cue.number("begins"), cue.number("ends"))
        for cue in playable(line)
        if cue.kind == "caption-cut" and (cue.number("begins") or cue.number("ends"))
    }
