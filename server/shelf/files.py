"""Files of things on the shelf."""

from __future__ import annotations

from collections.abc import Mapping

from asgiref.sync import sync_to_async
from django.http import Http404, HttpRequest, HttpResponse, StreamingHttpResponse

from dearhost.production.uses import SHELF, Use
from server.assets.ownership import may_use
from server.ranged_files import ranged_response
from server.studio import studio

_NAMES: Mapping[str, str] = {
    "thumbnail.jpg": "thumbnail", "picture": "picture", "film.mp4": "small", "sound.flac": "sound"
}  # fmt: skip
_KINDS = {".jpg": "image/jpeg", ".png": "image/png", ".mp4": "video/mp4", ".flac": "audio/flac"}


async def shelf_file(request: HttpRequest, item: str, name: str) -> HttpResponse | StreamingHttpResponse:
    """A thing's small picture, the picture itself, the small film of a clip, or its sound."""
    user = await request.auser()
    if name not in _NAMES or user.pk is None or request.method not in ("GET", "HEAD"):
        raise Http404
    if not await sync_to_async(may_use)(user.pk, Use(SHELF, item)):
        raise Http404
    path = studio().shelf.file(item, _NAMES[name])
    if path is None:
        raise Http404
    return ranged_response(request, path, _KINDS[path.suffix])
