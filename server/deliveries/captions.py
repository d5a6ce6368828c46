"""The captions of a film as files beside it."""

from __future__ import annotations

from dearhost.films import caption_file
from dearhost.stage import compile_timeline
from dearhost.storage import write_bytes
from dearhost.timebase import FrameRate
from server.deliveries.models import Delivery
from server.productions.documents import usable_production
from server.studio import studio


def write_captions(delivery: Delivery, *kinds: str) -> None:
    """Write the captions of a finished film as some of ``CAPTION_KINDS``. Raises SpeechError, StageError."""
    production = usable_production(delivery.document, delivery.title, delivery.owner_id)
    timeline = compile_timeline(production, studio(), FrameRate.of(delivery.frames_per_second))
    for kind in kinds:
        write_bytes(delivery.folder / f"captions.{kind}", caption_file(timeline, kind))
