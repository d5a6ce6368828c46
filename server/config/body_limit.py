"""Bodies that are too big are refused before they are written to the disk."""

from __future__ import annotations

import json
from collections.abc import Awaitable, Callable, MutableMapping
from typing import Any

Message = MutableMapping[str, Any]
Receive = Callable[[], Awaitable[Message]]
Send = Callable[[Message], Awaitable[None]]
Application = Callable[..., Awaitable[None]]


class BodyLimit:
    """An ASGI application before another: it answers 413 (RFC 9110, 15.5.14) for a body of more than ``largest`` bytes,
    by what the request says of it or, where it says nothing, by what has come."""

    def __init__(self, application: Application, largest: int) -> None:
        self._application, self._largest = application, largest

    async def __call__(self, scope: Message, receive: Receive, send: Send) -> None:
        """Pass on what fits."""
        if scope["type"] != "http":
            await self._application(scope, receive, send)
            return
        said = next((value for name, value in scope["headers"] if name == b"content-length"), b"0")
        if not said.isdigit() or int(said[:20]) > self._largest:
            await self._refuse(send)
            return
        come = 0

        async def counted() -> Message:
            nonlocal come
            message = await receive()
            come += len(message.get("body", b""))
            # whoever reads the body gives it up, as when the other side goes away
            return message if come <= self._largest else {"type": "http.disconnect"}

        await self._application(scope, counted, send)

    async def _refuse(self, send: Send) -> None:
        detail = f"The file is too big: up to {self._largest / 1e6:.0f} MB can be taken. Nothing was changed."
        body = json.dumps({"detail": detail, "kind": "TooBig"}).encode()
        headers = [(b"content-type", b"application/json"), (b"connection", b"close")]
        await send({"type": "http.response.start", "status": 413, "headers": headers})
        await send({"type": "http.response.body", "body": body})
