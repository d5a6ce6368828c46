"""Loading ahead of the first picture and the first draft."""

from __future__ import annotations

import asyncio
import subprocess
import sys
import threading
from typing import Any

import pytest
import uvicorn

from server.config import warm_up
from server.config.asgi import application
from server.config.body_limit import Message, Receive, Send
from tests.conftest import ROOT


async def _nothing(_scope: Message, _receive: Receive, _send: Send) -> None:
    raise AssertionError("the lifespan is none of Django's business")


def test_loading_begins_with_serving_and_the_server_does_not_wait_for_it(monkeypatch: pytest.MonkeyPatch) -> None:
    begun, go_on = threading.Event(), threading.Event()

    def slow_load() -> None:
        begun.set()
        go_on.wait(30)

    monkeypatch.setattr(warm_up, "_load", slow_load)
    coming = [{"type": "lifespan.startup"}, {"type": "lifespan.shutdown"}]
    sent: list[Any] = []

    async def receive() -> Message:
        return coming.pop(0)

    async def send(message: Message) -> None:
        sent.append(message["type"])

    asyncio.run(warm_up.WarmUp(_nothing)({"type": "lifespan"}, receive, send))
    assert sent == ["lifespan.startup.complete", "lifespan.shutdown.complete"]  # ASGI's lifespan specification, 2.0
    assert begun.wait(10)
    go_on.set()


def test_what_is_imported_only_loads_nothing() -> None:
    asks = "import threading, server.config.asgi; print([thread.name for thread in threading.enumerate()])"
    done = subprocess.run([sys.executable, "-c", asks], cwd=ROOT, capture_output=True, text=True, check=True)
    assert done.stdout.strip() == "['MainThread']"


def test_an_ordinary_server_begins_the_loading(monkeypatch: pytest.MonkeyPatch) -> None:
    begun = threading.Event()
    monkeypatch.setattr(warm_up, "_load", begun.set)
    server = uvicorn.Server(uvicorn.Config(application, port=0, log_level="warning"))
    thread = threading.Thread(target=server.run, daemon=True)
    thread.start()
    assert begun.wait(20)
    server.should_exit = True
    thread.join(15)
    assert not thread.is_alive()
