"""Headers that keep pages to their own scripts and pictures."""

from __future__ import annotations

import inspect
from collections.abc import Callable
from typing import Any

from django.http import HttpRequest, HttpResponse
from django.utils.decorators import sync_and_async_middleware

_POLICY = "; ".join(
    (
        "default-src 'self'",
        "script-src 'self'",
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "media-src 'self' blob:",
        "connect-src 'self'",
        "font-src 'self'",
        "object-src 'none'",
        "base-uri 'self'",
        "form-action 'self'",
        "frame-ancestors 'none'",
    )
)


@sync_and_async_middleware
def content_security(get_response: Callable[[HttpRequest], Any]) -> Callable[[HttpRequest], Any]:
    """Add a content security policy to every response; inline style is what the style library writes."""
    if inspect.iscoroutinefunction(get_response):

        async def run_async(request: HttpRequest) -> HttpResponse:
            response: HttpResponse = await get_response(request)
            response.headers.setdefault("Content-Security-Policy", _POLICY)
            return response

        return run_async

    def run(request: HttpRequest) -> HttpResponse:
        response: HttpResponse = get_response(request)
        response.headers.setdefault("Content-Security-Policy", _POLICY)
        return response

    return run
