"""What the first picture, the first sound and the first draft would wait seconds for is loaded when serving begins."""

from __future__ import annotations

import importlib
import threading

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
    # importing it takes the seconds that nobody should wait for
    importlib.import_module("server.config.loaded_ahead").load()
