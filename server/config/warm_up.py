"""What the first picture, the first sound and the first draft would wait seconds for is loaded when serving begins."""

from __future__ import annotations

import threading
from contextlib import suppress

from dearhost.memory import share_memory_among_threads
from server.config.body_limit import Application, Message, Receive, Send


class WarmUp:
    """An ASGI application before another: when the lifespan starts, threads are told to share memory and the loading
    begins, in a thread of its own; the server answers meanwhile. Whoever only imports the application (a test, a
    command) loads nothing."""

    def __init__(self, application: Application) -> None:
        self._application = application

    async def __call__(self, scope: Message, receive: Receive, send: Send) -> None:
        """Pass on all but the lifespan, which Django does not know."""
        if scope["type"] != "lifespan":
            await self._application(scope, receive, send)
            return
        while True:
            message = await receive()
            if message["type"] == "lifespan.startup":
                share_memory_among_threads()
                threading.Thread(target=_load, name="warm-up", daemon=True).start()
                await send({"type": "lifespan.startup.complete"})
            elif message["type"] == "lifespan.shutdown":
                await send({"type": "lifespan.shutdown.complete"})
                return


def _load() -> None:
    # loaded here, not above: importing them takes the seconds that nobody should wait for
    import dearhost.sound.mastering  # noqa: F401, PLC0415
    from dearhost.errors import SpeechError  # noqa: PLC0415
    from dearhost.render.frames import load_machine_code  # noqa: PLC0415
    from dearhost.script import Brief  # noqa: PLC0415
    from dearhost.writing.brief_reading import read_brief  # noqa: PLC0415
    from dearhost.writing.drafts import draft_all  # noqa: PLC0415
    from dearhost.writing.language import ensure_english  # noqa: PLC0415
    from server.room import keep_aside  # noqa: PLC0415
    from server.studio import studio  # noqa: PLC0415

    keep_aside()

    voices = studio().voices
    with suppress(SpeechError):  # whoever speaks with it is told
        voices.engine(voices.default().id).phones_alone("tide")
    load_machine_code()
    point = "The tide comes to Quillhaven twice a day."
    ensure_english(point)
    draft_all(read_brief(Brief(topic="The tide", points=(point,)), []), 30.0)  # nobody reads it
