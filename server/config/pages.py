"""The one page of the interface, and the health check."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe


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
