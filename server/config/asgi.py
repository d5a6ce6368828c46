"""ASGI entry point."""

from __future__ import annotations

import os
import threading
from contextlib import suppress

from django.core.asgi import get_asgi_application

from server.config.body_limit import BodyLimit

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")

LARGEST_BODY = 1_000_000_000
"""The largest clip, and what is sent round it."""

application = BodyLimit(get_asgi_application(), LARGEST_BODY)


def _warm_up() -> None:
    """Load what the first picture, the first sound and the first draft would wait seconds for."""
    # loaded here, in a thread of its own: the server answers meanwhile
    import dearhost.sound.mastering  # noqa: F401, PLC0415
    from dearhost.errors import SpeechError  # noqa: PLC0415
    from dearhost.render.frames import load_machine_code  # noqa: PLC0415
    from dearhost.script import Brief  # noqa: PLC0415
    from dearhost.writing.brief_reading import read_brief  # noqa: PLC0415
    from dearhost.writing.drafts import draft_all  # noqa: PLC0415
    from dearhost.writing.language import ensure_english  # noqa: PLC0415
    from server.room import keep_aside  # noqa: PLC0415 - see above
    from server.studio import studio  # noqa: PLC0415

    keep_aside()

    voices = studio().voices
    with suppress(SpeechError):  # whoever speaks with it is told
        voices.engine(voices.default().id).phones_alone("tide")
    load_machine_code()
    point = "The tide comes to Quillhaven twice a day."
    ensure_english(point)
    draft_all(read_brief(Brief(topic="The tide", points=(point,)), []), 30.0)  # nobody reads it


threading.Thread(target=_warm_up, name="warm-up", daemon=True).start()
