"""Every route of the API as a guest and as a stranger: taken from its own description, so that none is left out."""

from __future__ import annotations

import json
import uuid
from dataclasses import dataclass, field
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from server.config.api import api
from server.deliveries.actions.order import order_delivery
from server.jobs.actions.start import start_job
from server.productions.models import Take
from server.voices.models import VoiceMatch
from tests.server.conftest import Begin

METHODS = ("get", "post", "put", "patch", "delete")


@dataclass(frozen=True)
class Route:
    """A method of a path, as the API describes it."""

    method: str
    path: str
    description: dict[str, Any] = field(hash=False, compare=False)

    @property
    def parameters(self) -> list[str]:
        return [p["name"] for p in self.description.get("parameters", ()) if p["in"] == "path"]

    @property
    def takes_file(self) -> bool:
        return "multipart/form-data" in self.description.get("requestBody", {}).get("content", {})

    def __str__(self) -> str:
        return f"{self.method} {self.path}"


SCHEMA: dict[str, Any] = json.loads(json.dumps(api.get_openapi_schema(), default=str))
ROUTES = [
    Route(method, path, described[method])
    for path, described in SCHEMA["paths"].items()
    for method in METHODS
    if method in described
]
OPEN = {"/api/session"}
"""What a guest may ask: who they are, and to sign in."""
OWN = {"production_id", "delivery_id", "job_id", "match_id", "take_id", "revision_id"}
"""Parameters that name something of an account's."""


def example(schema: dict[str, Any], seen: int = 0) -> Any:
    """Data that fits a JSON schema of the API."""
    if "$ref" in schema:
        return example(SCHEMA["components"]["schemas"][schema["$ref"].rsplit("/", 1)[-1]], seen + 1)
    for key in ("allOf", "anyOf", "oneOf"):
        if key in schema:
            return example(schema[key][0], seen)
    if "enum" in schema:
        return schema["enum"][0]
    if "const" in schema:
        return schema["const"]
    kind = schema.get("type")
    if kind == "object":
        required = schema.get("required", ())
        return {n: example(s, seen) for n, s in schema.get("properties", {}).items() if n in required}
    if kind == "array":
        return [example(schema["items"], seen)] * schema.get("minItems", 0)
    if schema.get("format") == "uuid":
        return str(uuid.uuid4())
    return {"string": "words", "integer": 1, "number": 1.0, "boolean": True, "null": None}.get(kind or "", "words")


def ask(who: Client, route: Route, ids: dict[str, str]) -> Any:
    """Send a request that fits the description."""
    path = route.path.format(**{name: ids.get(name, "none") for name in route.parameters})
    query = {
        p["name"]: example(p["schema"])
        for p in route.description.get("parameters", ())
        if p["in"] == "query" and p.get("required")
    }
    if query:
        path += "?" + "&".join(f"{name}={value}" for name, value in query.items())
    if route.takes_file:
        return getattr(who, route.method)(path, {"file": SimpleUploadedFile("a.wav", b"not a sound")})
    content = route.description.get("requestBody", {}).get("content", {})
    body = json.dumps(example(content["application/json"]["schema"])) if content else "{}"
    return (
        getattr(who, route.method)(path, body, content_type="application/json")
        if route.method != "get"
        else who.get(path)
    )


@pytest.fixture
def ids(ines: User, begin: Begin) -> dict[str, str]:
    """Something of hers for every kind of parameter."""
    production = begin()
    document = production.document["script"]["scenes"][0]
    line = document["blocks"][0]["id"]
    take = Take.objects.create(production=production, line=line, number=1, text="Mama.", voice="fake", seconds=1)
    delivery = order_delivery(production, height=360, frames_per_second=24, captions="none")
    return {
        "production_id": str(production.pk),
        "scene_id": document["id"],
        "line_id": line,
        "take_id": str(take.pk),
        "revision_id": str(production.revisions.get().pk),
        "delivery_id": str(delivery.pk),
        "job_id": str(start_job(ines.pk, "draft", {}).pk),
        "match_id": str(VoiceMatch.objects.create(owner=ines, person="Ines").pk),
        "voice_id": "made-0123456789ab",
        "host_id": "own-0123456789-v1",
        "number": "0",
    }


@pytest.mark.parametrize("route", ROUTES, ids=str)
def test_a_guest_gets_nothing(db: None, ids: dict[str, str], route: Route) -> None:
    answer = ask(Client(), route, ids)
    if route.path in OPEN:
        assert answer.status_code < 500
        return
    assert answer.status_code == 401, answer.content
    assert set(answer.json()) == {"detail"}


@pytest.mark.parametrize("route", [r for r in ROUTES if OWN & set(r.parameters)], ids=str)
def test_a_stranger_finds_nothing_of_hers(stranger: Client, ids: dict[str, str], route: Route) -> None:
    """And cannot tell what is there from what is not."""
    theirs = ask(stranger, route, ids)
    nobodys = ask(stranger, route, {**ids, **{name: str(uuid.uuid4()) for name in OWN - {"revision_id"}}})
    assert theirs.status_code == 404, theirs.content
    assert (theirs.status_code, theirs.content) == (nobodys.status_code, nobodys.content)


@pytest.mark.parametrize("route", ROUTES, ids=str)
def test_no_route_fails_on_a_request_that_fits(client: Client, ids: dict[str, str], route: Route) -> None:
    answer = ask(client, route, ids)
    assert answer.status_code < 500, answer.content
    if answer.status_code >= 400:
        assert isinstance(answer.json()["detail"], str) and answer.json()["detail"]


@pytest.mark.parametrize("constant", ["NaN", "Infinity", "-Infinity"])
@pytest.mark.parametrize("route", [r for r in ROUTES if not r.takes_file and r.method in ("post", "put")], ids=str)
def test_numbers_that_are_none_are_not_json(client: Client, ids: dict[str, str], route: Route, constant: str) -> None:
    if "requestBody" not in route.description or route.path in OPEN:
        return
    path = route.path.format(**{name: ids.get(name, "none") for name in route.parameters})
    answer = getattr(client, route.method)(path, f'{{"x": {constant}}}', content_type="application/json")
    assert answer.status_code in (400, 404, 422), answer.content
