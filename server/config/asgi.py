"""ASGI entry point."""

from __future__ import annotations

import os
import threading
from contextlib import suppress

from django.core.asgi import get_asgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")

application = get_asgi_application()


def _warm_up() -> None:
    """Load what the first picture and the first sound would wait seconds for."""
    # loaded here, in a thread of its own: the server answers meanwhile
    import dearhost.sound.mastering  # noqa: F401, PLC0415
    from dearhost.errors import SpeechError  # noqa: PLC0415
    from dearhost.render.frames import load_machine_code  # noqa: PLC0415
    from server.studio import studio  # noqa: PLC0415

    voices = studio().voices
    with suppress(SpeechError):  # whoever speaks with it is told
        voices.engine(voices.default().id).phones_alone("tide")
    load_machine_code()


threading.Thread(target=_warm_up, name="warm-up", daemon=True).start()
