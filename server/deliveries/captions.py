"""The captions of a film as files beside it."""

from __future__ import annotations

from pathlib import Path

from dearhost.films import caption_file
from dearhost.stage import compile_timeline
from dearhost.storage import write_whole
from dearhost.timebase import FrameRate
from server.deliveries.models import Delivery
from server.productions.documents import usable_production
from server.studio import studio


def write_captions(delivery: Delivery, kind: str) -> None:
    """Write the captions of a finished film as one of ``CAPTION_KINDS``. Raises SpeechError, StageError."""
    production = usable_production(delivery.document, delivery.title, delivery.owner_id)
    written = caption_file(compile_timeline(production, studio(), FrameRate.of(delivery.frames_per_second)), kind)

    def write(part: Path) -> None:
        part.write_bytes(written)

    write_whole(delivery.folder / f"captions.{kind}", write)
