"""The real interface in Chromium, on the real server, with a worker beside it."""

from __future__ import annotations

import os
import threading
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.db import connections
from django_tasks_db.management.commands.db_worker import Worker
from playwright.sync_api import Page, expect

from dearhost.production import Studio
from dearhost.sound.files import write_sound
from tests.server.conftest import serve

AXE = settings.BASE_DIR / "web" / "node_modules" / "axe-core" / "axe.min.js"


expect.set_options(timeout=15_000)  # other tests may have both cores
SAID = "Mama may bring a boat, and Papa mends the map."
"""What the microphone hears."""
LEAD = 3.0
"""Seconds of silence in front of it: the count before a recording takes two of them."""


@pytest.fixture(scope="session")
def microphone(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A sound file in place of a microphone: ``SAID`` by the neural voice in a quiet room."""
    reading = studio.speaker.read(SAID, "joe")
    rate = reading.sample_rate
    samples = np.concatenate([np.zeros(round(LEAD * rate)), reading.samples, np.zeros(30 * rate)])
    samples = (samples + np.random.default_rng(3).normal(0, 1e-4, len(samples))).astype(np.float32)
    path = tmp_path_factory.mktemp("microphone") / "said.wav"
    write_sound(path, samples, rate)
    return path


@pytest.fixture(scope="session")
def browser_type_launch_args(microphone: Path) -> dict[str, Any]:
    """Debian's Chromium, quiet on the network, with a file for a microphone."""
    return {
        "executable_path": os.environ.get("CHROMIUM", "/usr/bin/chromium"),
        "headless": True,
        "args": [
            "--no-sandbox",
            "--disable-gpu",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-quic",
            "--autoplay-policy=no-user-gesture-required",
            "--use-fake-device-for-media-stream",
            "--use-fake-ui-for-media-stream",
            f"--use-file-for-fake-audio-capture={microphone}",
        ],
    }


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    """A laptop's window, without smooth scrolling."""
    return {**browser_context_args, "viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce"}


@pytest.fixture
def address(transactional_db: None, quick_passwords: None) -> Iterator[str]:
    """The application, with an account in it."""
    User.objects.create_user("ines", password="low-water", first_name="Ines")
    yield from serve()


@pytest.fixture
def worker(transactional_db: None) -> Iterator[None]:
    """The queue's worker in a thread of this process."""
    queue = Worker(
        queue_names=["*"],
        interval=0.1,
        batch=False,
        backend_name="default",
        startup_delay=False,
        max_tasks=None,
        worker_id="test",
        excluded_queue_names=[],
    )

    def run() -> None:
        try:
            queue.run()
        finally:
            connections.close_all()

    thread = threading.Thread(target=run, daemon=True)
    thread.start()
    yield
    queue.running = False
    thread.join(30)
    assert not thread.is_alive()


@pytest.fixture
def signed_in(page: Page, address: str) -> Iterator[Page]:
    """A window after signing in; nothing in it may ask another machine or fail in a script."""
    outside: list[str] = []
    failures: list[str] = []
    page.set_default_timeout(90_000)  # other tests may have both cores
    page.on("request", lambda r: outside.append(r.url) if not r.url.startswith((address, "blob:", "data:")) else None)
    page.on("pageerror", lambda error: failures.append(str(error)))
    page.goto(address)
    page.get_by_label("Name").fill("ines")
    page.get_by_label("Password").fill("low-water")
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="Dear Ines,").wait_for()
    yield page
    if not page.is_closed():
        page.goto("about:blank")  # the server waits for who still listens to events
    assert outside == [] and failures == []


def assert_accessible(page: Page) -> None:
    """No serious or critical finding of axe-core (WCAG 2.2 A and AA rules)."""
    page.evaluate(AXE.read_text())
    tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]
    found = page.evaluate("tags => axe.run(document, {runOnly: tags})", tags)["violations"]
    serious = [
        f"{v['id']}: {[n['html'][:120] for n in v['nodes']]}" for v in found if v["impact"] in ("serious", "critical")
    ]
    assert serious == []
