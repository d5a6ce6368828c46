"""Finished files, with HTTP ranges (RFC 9110, section 14)."""

from __future__ import annotations

import asyncio
import re
from collections.abc import AsyncIterator
from contextlib import suppress
from pathlib import Path
from urllib.parse import quote
from uuid import UUID

from django.http import Http404, HttpRequest, HttpResponse, StreamingHttpResponse
from django.utils.http import http_date

from dearhost.errors import RenderError
from dearhost.render import FORMS, frame_of_film
from dearhost.storage import write_whole
from server.deliveries.models import Delivery

_RANGE = re.compile(r"bytes=(\d*)-(\d*)$")
PICTURE = "picture.jpg"
"""A frame of the film, made when it is first asked for."""
_PICTURE_HEIGHT = 180
_KINDS = {
    **{f"film.{name}": form.mime for name, form in FORMS.items()},
    PICTURE: "image/jpeg",
    "captions.srt": "application/x-subrip; charset=utf-8",
    "captions.vtt": "text/vtt; charset=utf-8",
}
_PIECE = 1 << 18


async def delivery_file(request: HttpRequest, delivery_id: UUID, name: str) -> HttpResponse | StreamingHttpResponse:
    """One of a delivery's files; ``?download`` suggests a name to save it under."""
    user = await request.auser()
    if name not in _KINDS or not user.is_authenticated or request.method not in ("GET", "HEAD"):
        raise Http404
    delivery = await Delivery.objects.filter(pk=delivery_id, owner_id=user.pk).afirst()
    path = delivery.folder / name if delivery else None
    if delivery and path and name == PICTURE and delivery.film.is_file() and not path.is_file():
        with suppress(RenderError):  # a film that cannot be read has no picture
            await asyncio.to_thread(_take_picture, delivery, path)
    if delivery is None or path is None or not path.is_file():
        raise Http404
    return _response(request, path, _saved_as(delivery, path) if "download" in request.GET else "")


def _take_picture(delivery: Delivery, path: Path) -> None:
    picture = frame_of_film(delivery.film, delivery.seconds / 3, _PICTURE_HEIGHT)

    def write(part: Path) -> None:
        part.write_bytes(picture)

    write_whole(path, write)


def _saved_as(delivery: Delivery, path: Path) -> str:
    stem = re.sub(r"[^\w-]+", "-", delivery.title.lower()).strip("-") or "film"
    return f"{stem}{path.suffix}"


def _response(request: HttpRequest, path: Path, saved_as: str) -> HttpResponse | StreamingHttpResponse:
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
    kind = _KINDS[path.name]
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
