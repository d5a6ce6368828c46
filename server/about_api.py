"""What the application is built on."""

from __future__ import annotations

from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Schema

from dearhost.credits import shipped

router = Router(tags=["about"])


class PartOut(Schema):
    """A part the application ships with; ``has_text`` where its licence can be read here."""

    package: str
    name: str
    version: str
    licence: str
    does: str
    has_text: bool


@router.get("", response=list[PartOut], operation_id="listParts")
def parts(request: HttpRequest) -> list[dict[str, Any]]:
    """Models, dictionaries and libraries, with their licences."""
    return [
        {
            "package": part.credit.package, "name": part.credit.name, "version": part.version,
            "licence": part.licence, "does": part.credit.does, "has_text": bool(part.text),
        }
        for part in shipped()
    ]  # fmt: skip


@router.get("/{package}.txt", operation_id="partText", include_in_schema=False)
def text(request: HttpRequest, package: str) -> HttpResponse:
    """The licence and notice texts of a part."""
    found = next((part.text for part in shipped() if part.credit.package == package), "")
    if not found:
        raise Http404
    return HttpResponse(found, content_type="text/plain; charset=utf-8")
