"""Finished files."""

from __future__ import annotations

import asyncio
import re
from contextlib import suppress
from pathlib import Path
from uuid import UUID

from asgiref.sync import sync_to_async
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse, StreamingHttpResponse

from dearhost.errors import DearHostError, RenderError
from dearhost.films import CAPTION_KINDS
from dearhost.render import FORMS, frame_of_film
from dearhost.storage import write_bytes
from server.deliveries.captions import write_captions
from server.deliveries.models import Delivery
from server.ranged_files import ranged_response

PICTURE = "picture.jpg"
"""A frame of the film, made when it is first asked for."""
_PICTURE_HEIGHT = 180
_KINDS = {
    **{f"film.{name}": form.mime for name, form in FORMS.items()},
    PICTURE: "image/jpeg",
    **{f"captions.{ending}": kind.mime for ending, kind in CAPTION_KINDS.items()},
}


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
    if delivery and path and name.startswith("captions.") and delivery.film.is_file() and not path.is_file():
        try:
            await sync_to_async(write_captions, thread_sensitive=False)(delivery, path.suffix[1:])
        except DearHostError as error:  # a voice that is gone, say
            return JsonResponse({"detail": str(error)}, status=422)
    if delivery is None or path is None or not path.is_file():
        raise Http404
    saved_as = _saved_as(delivery, path) if "download" in request.GET else ""
    return ranged_response(request, path, _KINDS[name], saved_as)


def _take_picture(delivery: Delivery, path: Path) -> None:
    write_bytes(path, frame_of_film(delivery.film, delivery.seconds / 3, _PICTURE_HEIGHT))


def _saved_as(delivery: Delivery, path: Path) -> str:
    stem = re.sub(r"[^\w-]+", "-", delivery.title.lower()).strip("-") or "film"
    return f"{stem}{path.suffix}"
