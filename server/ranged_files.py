"""Files sent with HTTP ranges (RFC 9110, section 14)."""

from __future__ import annotations

import asyncio
import re
from collections.abc import AsyncIterator
from pathlib import Path
from urllib.parse import quote

from django.http import HttpRequest, HttpResponse, StreamingHttpResponse
from django.utils.http import http_date

_RANGE = re.compile(r"bytes=(\d*)-(\d*)$")
_PIECE = 1 << 18


def ranged_response(
    request: HttpRequest, path: Path, kind: str, saved_as: str = ""
) -> HttpResponse | StreamingHttpResponse:
    """A file of a media type ``kind``, or the part of it that is asked for; ``saved_as``: the name it is downloaded
    under."""
    facts = path.stat()
    size = facts.st_size
    tag = f'"{facts.st_mtime_ns:x}-{size:x}"'
    headers = {
        "Accept-Ranges": "bytes",
        "ETag": tag,
        "Last-Modified": http_date(facts.st_mtime),
        "Cache-Control": "private, max-age=0, must-revalidate",
        "X-Content-Type-Options": "nosniff",
    }
    if saved_as:
        headers["Content-Disposition"] = f"attachment; filename*=UTF-8''{quote(saved_as)}"
    if request.headers.get("If-None-Match") == tag:
        return HttpResponse(status=304, headers=headers)
    first, last, status = 0, size - 1, 200
    asked = _RANGE.match(request.headers.get("Range", ""))
    if asked and asked[0] != "bytes=-" and request.headers.get("If-Range", tag) in (tag, headers["Last-Modified"]):
        if asked[1]:
            first, last = int(asked[1]), min(int(asked[2]), size - 1) if asked[2] else size - 1
        else:
            first = max(size - int(asked[2]), 0)
        if first > last or first >= size:
            return HttpResponse(status=416, headers={**headers, "Content-Range": f"bytes */{size}"})
        status = 206
        headers["Content-Range"] = f"bytes {first}-{last}/{size}"
    headers["Content-Length"] = str(last - first + 1)
    if request.method == "HEAD":
        return HttpResponse(status=status, headers=headers, content_type=kind)
    return StreamingHttpResponse(
        _pieces(path, first, last - first + 1), status=status, headers=headers, content_type=kind
    )


async def _pieces(path: Path, first: int, length: int) -> AsyncIterator[bytes]:
    """Read in a thread, so that the event loop never waits and memory stays flat."""
    file = await asyncio.to_thread(path.open, "rb")
    try:
        await asyncio.to_thread(file.seek, first)
        while length > 0:
            piece = await asyncio.to_thread(file.read, min(_PIECE, length))
            if not piece:
                return
            length -= len(piece)
            yield piece
    finally:
        file.close()
