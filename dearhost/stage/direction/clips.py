"""Clips while something is said in them: which part of a clip is seen from when on, and how near."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from dearhost.production import CLIP_LINE, is_in_clip, playable
from dearhost.script import Cue, Line
from dearhost.speech import Reading
from dearhost.stage.direction.staged_scene import StagedScene
from dearhost.stage.timeline import ClipPart, Shown
from dearhost.timebase import Span

NEARER = 1.04
"""How much nearer every second part of a clip is seen, so that a cut looks meant (common practice, no source)."""
_SEEN = 0.12
"""Seconds left out of a clip that are seen as a jump."""
_APART = 1.2
"""Seconds at least between two cuts that are seen nearer or farther; another cut is faded over."""


def clips_shown(staged: StagedScene, duration: float) -> list[Shown]:
    """What is seen of the clips of a scene that lasts ``duration`` seconds: each while its line is said, and until the
    next one is; where no host is on the stage also before the first line and after the last."""
    alone = not staged.players
    shown: list[Shown] = []
    joining = _Joining()
    for index, (line, at, reading) in enumerate(staged.heard):
        if not is_in_clip(line):
            continue
        following = staged.heard[index + 1] if index + 1 < len(staged.heard) else None
        end = at + reading.duration
        if following and (alone or is_in_clip(following[0])):
            end = following[1]
        elif alone:
            end = duration
        cue = _cue(line)
        span = Span(0.0 if alone and index == 0 else at, end)
        parts = joining.parts(cue, _moved(reading, at, span), span)
        parameters = {"item": cue.text("items"), "fit": cue.text("fit"), "pointer": cue.text("pointer")}
        shown.append(Shown(cue.kind, span, parameters, parts=parts, region="whole"))
    return shown


def _cue(line: Line) -> Cue:
    return next(cue for cue in playable(line) if cue.kind == CLIP_LINE)


def _moved(reading: Reading, at: float, span: Span) -> list[ClipPart]:
    """The parts of a line that begins at ``at``, the first from the beginning of what is seen."""
    parts = [ClipPart(piece.at + at, piece.source) for piece in reading.pieces]
    if parts and parts[0].at > span.start:
        parts[0] = ClipPart(span.start, max(0.0, parts[0].source - (parts[0].at - span.start)))
    return parts


class _Joining:
    """Sees each part of a clip nearer or farther than the one before, where something is cut between them."""

    def __init__(self) -> None:
        self._item, self._zoom = "", 1.0
        self._ends = self._changed = float("-inf")

    def parts(self, cue: Cue, parts: Sequence[ClipPart], span: Span) -> tuple[ClipPart, ...]:
        """The parts of the next line, joined to those before."""
        item = cue.text("items")
        if item != self._item:
            self._item, self._zoom, self._changed = item, 1.0, float("-inf")
            self._ends = parts[0].source if parts else 0.0
        joined: list[ClipPart] = []
        for number, part in enumerate(parts):
            faded = False
            if abs(part.source - self._ends) > _SEEN and cue.text("joins") == "nearer":
                if part.at - self._changed >= _APART:
                    self._zoom, self._changed = (1.0 if self._zoom > 1 else NEARER), part.at
                else:
                    faded = True
            joined.append(replace(part, zoom=self._zoom, faded=faded))
            until = parts[number + 1].at if number + 1 < len(parts) else span.end
            self._ends = part.source + until - part.at
        return tuple(joined)
