"""A body that is too big is refused before it is taken in, whatever is said of its length."""

from __future__ import annotations

import asyncio
import json
import socket
from concurrent.futures import ThreadPoolExecutor

import httpx
import pytest

from server.config.asgi import LARGEST_BODY
from server.config.body_limit import BodyLimit, Message, Receive, Send

LARGEST = 1000


class Reader:
    """An application that reads the whole body."""

    def __init__(self) -> None:
        self.taken = b""
        self.whole = False

    async def __call__(self, scope: Message, receive: Receive, send: Send) -> None:
        """Answer 200 once the body is whole."""
        while True:
            message = await receive()
            if message["type"] != "http.request":
                return
            self.taken += message.get("body", b"")
            if not message.get("more_body"):
                break
        self.whole = True
        await send({"type": "http.response.start", "status": 200, "headers": []})
        await send({"type": "http.response.body", "body": b""})


def answered(headers: list[tuple[bytes, bytes]], pieces: list[bytes]) -> tuple[Reader, list[Message]]:
    """What came of a request with these headers, whose body comes in these pieces."""
    reader, sent = Reader(), []
    left = iter(pieces)

    async def receive() -> Message:
        piece = next(left, None)
        return {"type": "http.request", "body": piece or b"", "more_body": piece is not None}

    async def send(message: Message) -> None:
        sent.append(message)

    async def request() -> None:
        await BodyLimit(reader, LARGEST)({"type": "http", "headers": headers}, receive, send)

    # in a thread: where a browser test ran before, this one has a loop already
    with ThreadPoolExecutor(1) as thread:
        thread.submit(asyncio.run, request()).result()
    return reader, sent


@pytest.mark.parametrize("said", [b"1001", b"9" * 400, b"-1", b"x", b""])
def test_what_says_it_is_too_big_or_nonsense_is_not_read(said: bytes) -> None:
    reader, sent = answered([(b"content-length", said)], [b"x"] * 10)
    assert reader.taken == b"" and sent[0]["status"] == 413
    assert "too big" in json.loads(sent[1]["body"])["detail"]


def test_what_says_nothing_is_counted() -> None:
    reader, _ = answered([], [b"x" * 100] * 50)
    assert len(reader.taken) <= LARGEST and not reader.whole


@pytest.mark.parametrize("headers", [[], [(b"content-length", b"1000")]])
def test_what_fits_is_passed_on(headers: list[tuple[bytes, bytes]]) -> None:
    reader, sent = answered(headers, [b"x" * 100] * 10)
    assert reader.whole and len(reader.taken) == 1000 and sent[0]["status"] == 200


def test_the_real_server_refuses(address: str) -> None:
    """Nothing of the body is sent: the answer comes by its length alone."""
    host, port = address.removeprefix("http://").split(":")
    with socket.create_connection((host, int(port)), timeout=10) as line:
        line.sendall(
            b"POST /api/productions/open HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: text/plain\r\n"
            b"Content-Length: %d\r\n\r\n" % (LARGEST_BODY + 1)
        )
        assert line.recv(200).startswith(b"HTTP/1.1 413")


def test_nobody_is_shown_the_description_of_the_api(address: str) -> None:
    for path in ("/api/openapi.json", "/api/docs"):
        assert httpx.get(address + path, trust_env=False).status_code == 404
