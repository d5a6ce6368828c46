"""People, productions and a real ASGI server on a free port of this machine."""

from __future__ import annotations

import asyncio
import socket
import threading
import time
from collections.abc import Callable, Iterator
from typing import Any

import pytest
import uvicorn
from django.contrib.auth.models import User
from django.test import Client

from dearhost.production import CastEntry, Choices, read_script
from server.config.asgi import application
from server.productions.actions.create import create_production
from server.productions.models import Production
from tests.conftest import SHORT_SCRIPT


@pytest.fixture
def ines(db: None) -> User:
    """The producer."""
    return User.objects.create_user("ines", password="low-water", first_name="Ines")


@pytest.fixture
def client(ines: User) -> Client:
    """The producer's signed-in client."""
    client = Client()
    client.force_login(ines)
    return client


@pytest.fixture
def stranger(db: None) -> Client:
    """Somebody else, signed in."""
    client = Client()
    client.force_login(User.objects.create_user("other", password="x"))
    return client


@pytest.fixture(autouse=True)
def _quick(quick_passwords: None) -> None:
    """In every test of the server."""


@pytest.fixture(autouse=True)
def _no_running_loop() -> Iterator[None]:
    """Asynchronous views can be asked after browser tests in the same process.

    Playwright's loop counts as running in this thread until the end of all tests, also between its calls, and
    Django's client refuses to start one of its own beside it.
    """
    running = asyncio._get_running_loop()
    asyncio._set_running_loop(None)
    yield
    asyncio._set_running_loop(running)


Begin = Callable[..., Production]


@pytest.fixture
def begin(ines: User) -> Begin:
    """A production of hers, spoken by the voice that needs no model."""

    def made(text: str = SHORT_SCRIPT, **choices: Any) -> Production:
        script = read_script(text)
        hosts = ("maren", "skerry", "tobias", "imani")
        cast = {s: CastEntry(h, "fake") for s, h in zip(script.speakers(), hosts, strict=False)}
        return create_production(ines, script, "The pier", cast=cast, choices=Choices(**choices))

    return made


def serve() -> Iterator[str]:
    """The real application; progress and proofs stream only there."""
    listener = socket.socket()
    listener.bind(("127.0.0.1", 0))
    listener.listen(128)
    server = uvicorn.Server(
        uvicorn.Config(application, lifespan="off", log_level="warning", timeout_graceful_shutdown=2)
    )
    thread = threading.Thread(target=server.run, kwargs={"sockets": [listener]}, daemon=True)
    thread.start()
    while not server.started:
        time.sleep(0.02)
    yield f"http://127.0.0.1:{listener.getsockname()[1]}"
    server.should_exit = True
    thread.join(15)
    assert not thread.is_alive()


@pytest.fixture
def address(transactional_db: None) -> Iterator[str]:
    """Where the application listens."""
    yield from serve()
