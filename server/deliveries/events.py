"""Progress of all deliveries of an account, as server-sent events."""

from __future__ import annotations

import asyncio
import itertools
import json
from collections.abc import AsyncIterator

from django.contrib.sessions.backends.base import SessionBase
from django.core.serializers.json import DjangoJSONEncoder
from django.db.models import Count, Max
from django.http import HttpRequest, HttpResponse, StreamingHttpResponse

from server.deliveries.api import delivery_data, listed
from server.jobs.models import Job

_POLL = 0.4
_KEEP_ALIVE_POLLS, _SESSION_POLLS = 40, 10


async def delivery_events(request: HttpRequest) -> HttpResponse | StreamingHttpResponse:
    """Every delivery once, then each whenever it changes."""
    user = await request.auser()
    if not user.is_authenticated:
        return HttpResponse(status=401)
    return StreamingHttpResponse(
        _changes(user.pk, request.session),
        content_type="text/event-stream",
        headers={"Cache-Control": "no-cache, no-transform", "X-Accel-Buffering": "no"},
    )


async def _changes(owner_id: int, session: SessionBase) -> AsyncIterator[str]:
    yield "retry: 2000\n\n"
    sent: dict[str, str] = {}
    quiet, seen = 0, None
    for poll in itertools.count():
        if poll % _SESSION_POLLS == 0 and not await session.aexists(session.session_key or ""):
            return  # signed out meanwhile
        changed = False
        jobs = Job.objects.filter(owner_id=owner_id, kind="film")
        latest = await jobs.aaggregate(count=Count("id"), last=Max("changed_at"))
        if latest != seen:  # only then are the deliveries read
            seen = latest
            async for delivery in listed(owner_id):
                text = json.dumps(delivery_data(delivery), cls=DjangoJSONEncoder)
                if sent.get(str(delivery.pk)) != text:
                    sent[str(delivery.pk)] = text
                    changed = True
                    yield f"data: {text}\n\n"
        quiet = 0 if changed else quiet + 1
        if quiet % _KEEP_ALIVE_POLLS == _KEEP_ALIVE_POLLS - 1:
            yield ": still here\n\n"
        await asyncio.sleep(_POLL)
