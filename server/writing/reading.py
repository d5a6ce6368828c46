"""Briefs, scripts and comments of a request, as the core reads them."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from dearhost.errors import SpeechError
from dearhost.production.voice_pace import pace_of
from dearhost.script import Brief, to_json
from dearhost.writing.audience import Audience, answered_in
from dearhost.writing.brief_reading import BriefRead, read_brief
from dearhost.writing.draft_script import script_of
from dearhost.writing.drafts import Draft, part_seconds
from dearhost.writing.language import ensure_english
from dearhost.writing.outline import LineKind
from dearhost.writing.pace import Pace
from dearhost.writing.reworking.script_rework import Sentence
from dearhost.writing.structures import STRUCTURES
from server.studio import studio
from server.writing.schemas import WriterIn


def brief_of(data: WriterIn) -> BriefRead:
    """The brief of a request, with its voice's own pace. Raises WritingError for one that is not in English."""
    brief = Brief(**{**data.brief.dict(), "points": tuple(data.brief.points)})
    ensure_english(" ".join((*brief.points, brief.purpose)))
    return read_brief(brief, data.speakers, voice_pace(data))


def voice_pace(data: WriterIn) -> Pace:
    """The pace of who speaks; a usual one where the voice cannot speak."""
    try:
        own = pace_of(studio().speaker, data.voice) if data.voice else Pace()
    except SpeechError:
        own = Pace()
    return own.at(data.pace)


def draft_data(draft: Draft, read: BriefRead) -> dict[str, Any]:
    """A draft as it goes over the wire."""
    scenes = to_json(script_of(draft, read))["scenes"]
    last = len(draft.parts) - 1
    slots = sum(line.kind is LineKind.SLOT for line in draft.lines)
    each = draft.open_seconds / slots if slots else 0.0
    parts = []
    for index, (part, scene) in enumerate(zip(draft.parts, scenes, strict=True)):
        opened = [line.text for line in part.lines if line.kind is LineKind.SLOT]
        said = {number for line in part.lines if line.kind is LineKind.POINT for number in line.points}
        parts.append(
            {
                "place": "opening" if index == 0 else "ending" if index == last else "middle",
                "seconds": part_seconds(part, read.pace),
                "open_seconds": each * len(opened),
                "points": sorted(said),
                "open": opened,
                "scene": scene,
            }
        )
    return {
        "structure": draft.structure,
        "name": STRUCTURES[draft.structure].name,
        "seconds": draft.seconds,
        "open_seconds": draft.open_seconds,
        "points": list(draft.points),
        "parts": parts,
    }


def audience_data(audience: Audience, said: Sequence[Sentence]) -> dict[str, Any]:
    """Sorted comments; ``said`` are the script's sentences, of which one may answer a theme."""
    texts = [sentence.text for sentence in said]

    def answered(index: int) -> dict[str, Any] | None:
        found = answered_in(texts, audience.comments[index])
        if found is None:
            return None
        return {"line": said[found].line.id, "start": said[found].start, "end": said[found].end}

    return {
        "comments": list(audience.comments),
        "concerns": [concern.value for concern in audience.concerns],
        "themes": [
            {
                "concern": theme.concern.value,
                "name": theme.name,
                "comments": list(theme.comments),
                "best": theme.best,
                "answered": answered(theme.best),
            }
            for theme in audience.themes
        ],
        "unserved": list(audience.unserved),
        "words": [{"text": words.text, "count": len(words.comments)} for words in audience.words],
    }
