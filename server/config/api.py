"""The API put together; its OpenAPI description is what the TypeScript client is generated from."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.errors import ValidationError
from ninja.security import django_auth

from dearhost.errors import DearHostError
from server.about_api import router as about
from server.accounts.api import router as accounts
from server.config.parsing import StrictParser
from server.deliveries.api import router as deliveries
from server.hosts.api import router as hosts
from server.hosts.workshop_api import router as workshop
from server.jobs.api import router as jobs
from server.productions.api import router as productions
from server.productions.caption_api import router as captions
from server.productions.looks_api import router as own_looks
from server.productions.say_as_api import router as say_as
from server.productions.sound_api import router as sound
from server.productions.stage_api import router as stage
from server.productions.staging_api import router as staging
from server.productions.takes_api import router as takes
from server.productions.voice_api import router as voice
from server.productions.writing_api import router as pasting
from server.productions.zooms_api import router as zooms
from server.room import is_full, release
from server.shelf.api import router as shelf
from server.shelf.keying_api import router as keying
from server.voices.api import router as voices
from server.voices.made_api import router as made
from server.voices.matched_api import router as matched
from server.voices.matches_api import router as matches
from server.writing.drafting_api import router as drafting
from server.writing.model_api import router as models
from server.writing.sources_api import documents
from server.writing.sources_api import router as comments

api = NinjaAPI(
    title="Dear Host",
    version="1",
    urls_namespace="api",
    docs_url=None,
    openapi_url=None,  # whoever writes a client has it by "make client"; a guest need not know it
    auth=django_auth,
    parser=StrictParser(),
)
for prefix, router in (
    ("/about", about),
    ("/session", accounts),
    ("/voices/matches", matches),
    ("/voices/matched", matched),
    ("/voices/made", made),
    ("/voices", voices),
    ("/workshop", workshop),
    ("/hosts", hosts),
    ("/productions", productions),
    ("/productions", captions),
    ("/productions", stage),
    ("/productions", zooms),
    ("/productions", pasting),
    ("/productions", comments),
    ("/productions", takes),
    ("/productions", say_as),
    ("/productions", voice),
    ("/productions", sound),
    ("/staging", staging),
    ("/staging", own_looks),
    ("/writing", drafting),
    ("/writing", models),
    ("/writing", documents),
    ("/deliveries", deliveries),
    ("/jobs", jobs),
    ("/shelf", shelf),
    ("/shelf", keying),
):
    api.add_router(prefix, router)


@api.exception_handler(DearHostError)
def explain(request: HttpRequest, error: DearHostError) -> HttpResponse:
    """What went wrong and what to do, as the core says it."""
    if is_full(error):
        release()
        return api.create_response(request, {"detail": str(error), "kind": type(error).__name__}, status=507)
    return api.create_response(request, {"detail": str(error), "kind": type(error).__name__}, status=422)


@api.exception_handler(ValidationError)
def explain_request(request: HttpRequest, error: ValidationError) -> HttpResponse:
    """A request that does not fit the API, in one sentence."""
    first: dict[str, Any] = error.errors[0] if error.errors else {}
    place = ".".join(str(p) for p in first.get("loc", ())[1:])
    detail = f"The request does not fit: {place}: {first.get('msg', 'not valid')}. Nothing was changed."
    return api.create_response(request, {"detail": detail, "kind": "BadRequest"}, status=422)
