"""Answers that are sent while they are made."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator, Generator


async def asynchronous(pieces: Generator[bytes]) -> AsyncIterator[bytes]:
    """Pieces without blocking the event loop; closed when nobody listens, once the last step is done."""
    loop = asyncio.get_running_loop()
    step = None
    try:
        while True:
            step = loop.run_in_executor(None, next, pieces, None)
            piece = await asyncio.shield(step)
            if piece is None:
                return
            yield piece
    finally:
        if step is not None and not step.done():
            await asyncio.wait([step])
        await asyncio.to_thread(pieces.close)
