"""A day's work in minutes: edits, stills, proofs and films one after another without a pause, and what stays behind."""

from __future__ import annotations

import contextlib
import os
import random
import statistics
import threading
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import httpx
import psutil

from benchmarks.material import LINE
from benchmarks.serving import manage, serving

MINUTES = float(os.environ.get("DEAR_HOST_LONG_DAY", "8"))
WRITERS = 2
_EVERY = 5.0
"""Seconds between two looks at the processes."""
_PASSWORD = "low-water"
_ACCOUNTS = (
    "from django.contrib.auth.models import User\n"
    f"for n in range({WRITERS}): User.objects.create_user(f'writer{{n}}', password={_PASSWORD!r})"
)
_SCRIPT = "\n\n".join(f"# Part {n}\n\nMaren: {LINE.format(follows='follows')}\n\nSkerry: I sat there." for n in (1, 2))
_WORDS = ("tide", "pier", "boat", "gull", "rope", "wall", "lamp", "harbour", "water", "moon", "noon", "rain", "bell")
_SETS = ("museum", "pier", "beach", "garden", "kitchen", "curtain", "hillside", "office", "shapes", "street")


@dataclass
class Look:
    """What the server (first) and everything else that runs takes at one moment; bytes."""

    at: float
    memory: list[int]
    files: int
    processes: int
    folder: int


@dataclass
class _Day:
    """What was done, by kind, and what was refused."""

    done: dict[str, int] = field(default_factory=dict)
    wrong: dict[str, int] = field(default_factory=dict)

    def note(self, what: str, status: int) -> None:
        counts, name = (self.done, what) if status < 400 else (self.wrong, f"{what} {status}")
        counts[name] = counts.get(name, 0) + 1


class _Writer(threading.Thread):
    """Somebody who never stops to think."""

    def __init__(self, address: str, number: int, day: _Day, over: threading.Event) -> None:
        super().__init__(daemon=True)
        self._client = httpx.Client(base_url=address, timeout=120)
        self._number, self._day, self._over, self._dice = number, day, over, random.Random(number)

    def run(self) -> None:
        """Work until it is over."""
        self._client.get("/api/session")
        self._send("sign-in", "POST", "/api/session", username=f"writer{self._number}", password=_PASSWORD)
        production = self._send("begin", "POST", "/api/productions", text=_SCRIPT).json()
        edits = 0
        while not self._over.is_set():
            edits += 1
            production = self._edit(production)
            if edits % 60 == 0:
                self._send("film", "POST", "/api/deliveries", production_id=production["id"], height=360)

    def _send(self, what: str, method: str, path: str, **body: Any) -> httpx.Response:
        headers = {"X-CSRFToken": self._client.cookies.get("csrftoken") or ""}
        answer = self._client.request(method, path, json=body or None, headers=headers)
        self._day.note(what, answer.status_code)
        return answer

    def _edit(self, production: dict[str, Any]) -> dict[str, Any]:
        document = production["document"]
        scene = self._dice.choice(document["script"]["scenes"])
        line = [block for block in scene["blocks"] if block.get("text")][-1]
        line["text"] = f"{' '.join(self._dice.sample(_WORDS, 5)).capitalize()}."
        if self._dice.random() < 0.2:
            document["set"] = self._dice.choice(_SETS)
            document["bed"] = self._dice.choice(("none", "calm", "bright"))
        path = f"/api/productions/{production['id']}"
        saved = self._send("save", "PUT", path, revision=production["revision"], title="The pier", document=document)
        self._send("times", "GET", f"{path}/scenes/{scene['id']}/times?revision={saved.json()['revision']}")
        where = f"/pictures/{production['id']}/{scene['id']}"
        self._send("still", "GET", f"{where}/still.jpg?at={self._dice.uniform(0, 4):.1f}")
        if self._dice.random() < 0.1:
            with (
                contextlib.suppress(httpx.HTTPError),
                self._client.stream("GET", f"{where}/proof-picture.mp4") as answer,
            ):
                next(answer.iter_bytes(), b"")
                self._day.note("proof", answer.status_code)
        return dict(saved.json())


def long_day(folder: Path) -> Iterator[str]:
    """Memory, open files, processes and the data folder after a day's work, against those of its first third."""
    day, over = _Day(), threading.Event()
    looks: list[Look] = []
    with serving(folder, worker=True) as address:
        manage(folder, "shell", "-v", "0", "-c", _ACCOUNTS)
        writers = [_Writer(address, number, day, over) for number in range(WRITERS)]
        for writer in writers:
            writer.start()
        began = time.monotonic()
        while (now := time.monotonic() - began) < MINUTES * 60:
            looks.append(_look(now, folder))
            time.sleep(_EVERY)
        over.set()
        for writer in writers:
            writer.join(120)
    early, late = looks[len(looks) // 6 : len(looks) // 3], looks[-len(looks) // 6 :]
    yield f"{MINUTES:g} minutes: {', '.join(f'{count} {what}' for what, count in sorted(day.done.items()))}"
    yield f"refused or failed: {day.wrong or 'none'}"
    for what, of in _TOLD:
        first, last = (statistics.median(of(one) for one in part) for part in (early, late))
        most = max(of(one) for one in looks)
        yield f"{what}: {last / max(first, 1e-9):.2f} times the first third's; {first:.0f}, {last:.0f}, most {most:.0f}"


_TOLD: tuple[tuple[str, Callable[[Look], float]], ...] = (
    ("server", lambda one: one.memory[0] / 1e6), ("all processes", lambda one: sum(one.memory) / 1e6),
    ("open files", lambda one: one.files), ("processes", lambda one: one.processes),
    ("data folder", lambda one: one.folder / 1e6),
)  # fmt: skip


def _look(at: float, folder: Path) -> Look:
    memory, files = [], 0
    processes = psutil.Process().children(recursive=True)
    for process in processes:
        with contextlib.suppress(psutil.Error):
            memory.append(process.memory_info().rss)
            files += process.num_fds()
    return Look(at, memory or [0], files, len(processes), _bytes_in(folder))


def _bytes_in(folder: Path) -> int:
    found = 0
    for path in folder.rglob("*"):
        with contextlib.suppress(OSError):
            found += path.lstat().st_size if path.is_file() and not path.is_symlink() else 0
    return found
