"""Captions that somebody wrote elsewhere, against a production's script."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import asdict
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from ninja import File, Router, Schema, UploadedFile

from dearhost.errors import DearHostError
from dearhost.films import scene_times_of
from dearhost.script.reading import decode
from dearhost.script.subtitle_file import captions_in
from dearhost.stage.caption_file import read_captions
from dearhost.stage.caption_times import captions_heard, with_times
from server.productions.api import owned
from server.productions.documents import usable_production
from server.studio import studio

router = Router(tags=["captions"])
_LONGEST_UNREAD = 120.0
"""Seconds of speech that are foreseen while somebody waits: about ten of a processor's."""


class CaptionCueOut(Schema):
    """A cue that corrects or cuts a caption: on the word of a line at ``start``, to the one at ``end``."""

    line: str
    kind: str
    start: int
    end: int | None
    parameters: dict[str, str | float]


class CaptionsReadOut(Schema):
    """What a caption file asks for; ``left``: what it shows that fits nowhere in the script. ``other_times``: its times
    are those of another recording, and the script's stay. ``unread``: so much of the script was not read yet that its
    times were not looked at."""

    cues: list[CaptionCueOut]
    left: list[str]
    other_times: bool
    unread: bool


@router.post("/{uuid:production_id}/captions", response=CaptionsReadOut, operation_id="readCaptions")
def read(request: HttpRequest, production_id: UUID, file: File[UploadedFile]) -> dict[str, Any]:
    """What SRT or WebVTT captions show otherwise than the script as it is kept; changes nothing."""
    production = owned(request, production_id)
    staged = usable_production(production.document, production.title, production.owner_id)
    name = (file.name or "captions")[-120:]
    captions = captions_in(decode(file.read(), name), name)
    found = read_captions([caption.text for caption in captions], staged.script)
    unread = sum(time.seconds for time in scene_times_of(staged, studio()) if time.estimated)
    if unread <= _LONGEST_UNREAD:
        with suppress(DearHostError):  # what cannot be spoken has no times
            found = with_times(found, captions, captions_heard(staged.checked(studio()), studio(), found.cues))
    return {
        "cues": [asdict(cue) for cue in found.cues], "left": found.left, "other_times": found.other_times,
        "unread": unread > _LONGEST_UNREAD,
    }  # fmt: skip
