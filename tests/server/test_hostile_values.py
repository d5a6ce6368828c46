"""Hostile values in every field of every route, taken from the API's own description: none is answered by a failure."""

from __future__ import annotations

import copy
import json
from collections.abc import Iterator
from typing import Any
from urllib.parse import quote

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from server.productions.models import Production
from server.studio import studio
from tests.server.conftest import Begin
from tests.server.test_every_route import ROUTES, Route, example, ids

__all__ = ["ids"]

HOSTILE_TEXT = (
    "", " ", "\x00", "\x07\x1b[31m", "\ud83d", "😀" * 300, "é" * 5000, "../../etc/passwd", "'; drop table x; --",
    "nan", "inf", "-inf", "1e400", "-1", "9" * 30, "9" * 5000, "[" * 3000, "<a " * 500, "%s%n{0}", "\u202e\u2066",
)  # fmt: skip
HOSTILE_DATA: tuple[Any, ...] = (
    *HOSTILE_TEXT, None, True, -1, 0, 2**31, 2**53, 1e308, -1e308, 1e-320, [], {}, [[[[]]]], {"": {"": None}},
    ["x"] * 300,
)  # fmt: skip
RAW = (
    b"",
    b"{",
    b'{"x": ' + b"9" * 400 + b"}",
    b"[" * 100_000,
    b'{"a":' * 5000,
    b"\xff\xfe",
    b'"\\ud83d"',
    b"null",
    b"[1]",
)


def fields(data: Any, place: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """Where every value of ``data`` stands."""
    yield place
    for key in data if isinstance(data, dict) else range(min(2, len(data))) if isinstance(data, list) else ():
        yield from fields(data[key], (*place, key))


def put(data: Any, place: tuple[Any, ...], value: Any) -> Any:
    """``data`` with another value at a place."""
    if not place:
        return value
    made = copy.deepcopy(data)
    inner = made
    for key in place[:-1]:
        inner = inner[key]
    inner[place[-1]] = value
    return made


def in_query(route: Route, name: str, value: str) -> str:
    given = {p["name"]: example(p["schema"]) for p in route.description.get("parameters", ()) if p["in"] == "query"}
    return "&".join(f"{n}={quote(str(v), errors='surrogatepass')}" for n, v in {**given, name: value}.items())


def whole_body(route: Route, production: Production) -> Any:
    """A body that fits, with a whole production in it where one is asked for."""
    content = route.description.get("requestBody", {}).get("content", {})
    if "application/json" not in content:
        return None
    body = example(content["application/json"]["schema"])
    if isinstance(body, dict) and "document" in body:
        return {**body, "document": production.document, "revision": production.revision}
    if isinstance(body, dict) and {"script", "cast"} <= set(body):
        return production.document
    return body


def problem(answer: Any) -> str:
    """What is wrong with an answer, or ""."""
    if answer.status_code >= 500 and answer.status_code != 507:
        return f"{answer.status_code} {answer.content[:300]!r}"
    if answer.status_code >= 400 and answer.headers.get("Content-Type", "").startswith("application/json"):
        detail = answer.json()["detail"]
        if not isinstance(detail, str) or not detail:
            return f"{answer.status_code} without a sentence"
    return ""


@pytest.fixture
def asks(client: Client) -> Iterator[Client]:
    """Answers also where the application failed; voices that were made of nonsense do not stay."""
    made = studio().voices.made
    before = {voice.id for voice in made.all()}
    client.raise_request_exception = False
    yield client
    for voice in made.all():
        if voice.id not in before:
            made.remove(voice.id)


@pytest.mark.parametrize("route", ROUTES, ids=str)
def test_no_value_of_any_field_makes_a_route_fail(
    asks: Client, ids: dict[str, str], begin: Begin, route: Route
) -> None:
    if route.path == "/api/session" and route.method == "delete":
        return
    failed: list[str] = []

    def check(what: str, answer: Any) -> None:
        wrong = problem(answer)
        if wrong:
            failed.append(f"{what}: {wrong}")

    send = getattr(asks, route.method)
    for name in route.parameters:
        for value in HOSTILE_TEXT:
            path = route.path.format(
                **{n: ids.get(n, "none") for n in route.parameters}
                | {name: quote(value[:900], safe="", errors="surrogatepass")}
            )
            check(f"{name}={value[:20]!r}", send(path))
    path = route.path.format(**{name: ids.get(name, "none") for name in route.parameters})
    for name in (p["name"] for p in route.description.get("parameters", ()) if p["in"] == "query"):
        for value in HOSTILE_TEXT:
            check(f"?{name}={value[:20]!r}", send(f"{path}?{in_query(route, name, value)}"))
    if route.takes_file:
        for name in ("é" * 300 + ".wav", "a\x00.docx", "", ".dearhost", "x." * 200):
            for content in (b"", b"\x00" * 100, b"RIFF\x24\x00\x00\x00WAVEfmt \x10\x00\x00\x00\x01\x00\x00\x00"):
                check(f"file {name[:9]!r}", send(path, {"file": SimpleUploadedFile(name or "x", content)}))
        return
    production = begin()
    body = whole_body(route, production)
    if body is None:
        return
    for raw in RAW:
        check(f"body {raw[:12]!r}", send(path, raw, content_type="application/json"))
    places = list(fields(body))
    for number, place in enumerate(places):
        # of a whole document every field gets some of the values, of a small body all
        for value in HOSTILE_DATA if len(places) < 30 else HOSTILE_DATA[number % 7 :: 7]:
            made = json.dumps(put(body, place, value))
            check(f"{place} = {str(value)[:20]!r}", send(path, made, content_type="application/json"))
    assert not failed, "\n".join(failed[:12])
    # and nothing that was taken in keeps anything from being shown afterwards
    for shown in ("/api/productions", "/api/voices", "/api/hosts", "/api/deliveries", "/api/jobs", "/api/session"):
        check(f"then {shown}", asks.get(shown))
    assert not failed, "\n".join(failed[:12])


@pytest.mark.parametrize("name", ["still.jpg", "proof-picture.mp4", "proof-sound.mp4"])
def test_pictures_take_any_number(asks: Client, begin: Begin, name: str) -> None:
    production = begin()
    scene = production.document["script"]["scenes"][0]["id"]
    for field in ("at", "height", "until", "offset", "cue", "line", "before", "tried", "chosen"):
        for value in HOSTILE_TEXT:
            if name != "still.jpg" and field in ("at", "height", "until"):
                continue  # an answer that streams; its numbers are read as those of a still
            query = f"{field}={quote(value[:900], errors='surrogatepass')}"
            assert not problem(asks.get(f"/pictures/{production.pk}/{scene}/{name}?{query}")), (field, value[:20])
