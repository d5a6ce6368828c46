"""The one page of the interface, and the health check."""

import sys

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from server.room import FULL, is_full, release


@require_safe
@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """The interface; every address that is no file or API is one of its views."""
    index = settings.WEB_DIST / "index.html"
    if not index.is_file():
        return HttpResponse("The interface is not built yet. Run 'make setup'.", status=503, content_type="text/plain")
    return HttpResponse(index.read_bytes(), headers={"Cache-Control": "no-cache"})


@require_safe
def health(request: HttpRequest) -> HttpResponse:
    """For whoever watches the server."""
    return JsonResponse({"status": "ok"})


def failed(request: HttpRequest) -> HttpResponse:
    """What is answered where something failed: room that ran out is said so (RFC 4918, 507), all else is our fault."""
    if is_full(sys.exc_info()[1]):
        release()
        return JsonResponse({"detail": FULL, "kind": "StorageFull"}, status=507)
    detail = "Something in Dear Host itself failed. What was saved before is safe. Do it again; the log says more."
    return JsonResponse({"detail": detail, "kind": "Failure"}, status=500)
