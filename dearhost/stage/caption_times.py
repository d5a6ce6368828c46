"""When the captions of a file come and go, against those of the script: as nudges."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from statistics import median

from dearhost.production import CUE_KINDS, Production, Studio
from dearhost.script import Cue, Line, Scene, Script, new_id, put_cue, spoken_lines
from dearhost.script.subtitle_file import TimedCaption
from dearhost.stage.caption_check import caption_rows
from dearhost.stage.caption_file import CORRECTION, CUT, CaptionCue, CaptionsRead, Place
from dearhost.stage.compiling import compile_scene
from dearhost.timebase import FrameRate

Span = tuple[float, float]
"""Seconds of the film."""
_SAME = 0.5
"""Seconds between the times of a file and those of the script, in the middle: more, and it is of another recording."""
_LEAST = 0.08
"""Seconds that are seen: two frames."""
_RATE = FrameRate.of(30)


def with_times(read: CaptionsRead, captions: Sequence[TimedCaption], heard: Mapping[Place, Span]) -> CaptionsRead:
    """What a file asks for, with the nudges that bring its captions where it has them.

    ``heard``: when each caption of the script comes and goes, by the word it begins with. A file of another recording
    keeps the script's times, and says so (``other_times``).
    """
    both = [(place, captions[number], heard[place]) for number, place in read.placed.items() if place in heard]
    if not both or abs(median(caption.start - span[0] for _, caption, span in both)) > _SAME:
        return replace(read, other_times=True)
    nudges: dict[Place, Mapping[str, float]] = {}
    for place, caption, (start, end) in both:
        moved = _bounded({"begins": caption.start - start, "ends": caption.end - end})
        if moved:
            nudges[place] = moved
    cut = [
        replace(cue, parameters={**cue.parameters, **nudges.pop((cue.line, cue.start), {})}) if cue.kind == CUT else cue
        for cue in read.cues
    ]
    own = (CaptionCue(line, CUT, at, None, {"cut": "where-it-fits", **by}) for (line, at), by in nudges.items())
    return replace(read, cues=(*cut, *own))


def _bounded(moved: Mapping[str, float]) -> dict[str, float]:
    kind = CUE_KINDS.get(CUT)
    ranges = {parameter.name: parameter for parameter in kind.parameters} if kind else {}
    return {
        name: round(min(ranges[name].high, max(ranges[name].low, seconds)), 2)
        for name, seconds in moved.items()
        if abs(seconds) >= _LEAST
    }


def captions_heard(production: Production, studio: Studio, cues: Sequence[CaptionCue]) -> dict[Place, Span]:
    """When each caption of a production comes and goes with these corrections and no others, by its first word.

    Lines that are not read yet are foreseen. ``production`` must be checked. Raises SpeechError.
    """
    staged = replace(production, script=_corrected(production.script, cues))
    found: dict[Place, Span] = {}
    now = 0.0
    for scene in staged.script.scenes:
        if not spoken_lines(scene):
            continue
        placed = compile_scene(staged, scene.id, studio, _RATE).scenes[0]
        for row in caption_rows(placed):
            found[row.line, row.first] = now + row.start, now + row.end
        now += placed.duration
    return found


def _corrected(script: Script, cues: Sequence[CaptionCue]) -> Script:
    by_line: dict[str, list[CaptionCue]] = {}
    for cue in cues:
        by_line.setdefault(cue.line, []).append(cue)

    def corrected(block: Line) -> Line:
        line = replace(block, cues=tuple(cue for cue in block.cues if cue.kind not in (CUT, CORRECTION)))
        for cue in by_line.get(block.id, ()):
            line = put_cue(line, Cue(new_id(), cue.kind, cue.start, dict(cue.parameters), end=cue.end))
        return line

    def in_scene(scene: Scene) -> Scene:
        return replace(scene, blocks=tuple(corrected(b) if isinstance(b, Line) else b for b in scene.blocks))

    return replace(script, scenes=tuple(map(in_scene, script.scenes)))
