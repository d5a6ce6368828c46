"""Ten people at once, each writing, looking at stills and hearing proofs, while a film of one of them is rendered."""

from __future__ import annotations

import collections
import contextlib
import random
import statistics
import threading
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import httpx

from benchmarks.material import LINE
from benchmarks.serving import manage, serving

USERS = 10
SECONDS = 45.0
_SCRIPT = "\n\n".join(f"# Part {n}\n\nMaren: {LINE.format(follows='follows')}\n\nSkerry: I sat there." for n in (1, 2))
_PASSWORD = "low-water"
_ACCOUNTS = (
    "from django.contrib.auth.models import User\n"
    f"for n in range({USERS}): User.objects.create_user(f'writer{{n}}', password={_PASSWORD!r})"
)


class _Waits:
    """How long each kind of request took, and which were refused or failed."""

    def __init__(self) -> None:
        self.seconds: dict[str, list[float]] = collections.defaultdict(list)
        self.wrong: collections.Counter[str] = collections.Counter()

    @contextlib.contextmanager
    def of(self, what: str) -> Iterator[Callable[[httpx.Response], httpx.Response]]:
        """Time what is done inside; the answer is given to the function, which counts what is no success."""
        started = time.monotonic()

        def look(answer: httpx.Response) -> httpx.Response:
            if answer.status_code >= 400:
                self.wrong[f"{what} {answer.status_code}"] += 1
            return answer

        try:
            yield look
        except httpx.HTTPError as error:
            self.wrong[f"{what} {type(error).__name__}"] += 1
        self.seconds[what].append(time.monotonic() - started)

    def at(self, what: str, part: float) -> float:
        """The wait that ``part`` of the requests do not exceed, in seconds."""
        waits = sorted(self.seconds[what])
        return waits[min(len(waits) - 1, int(len(waits) * part))]


class _Writer(threading.Thread):
    """A person with a prompt book open."""

    def __init__(self, address: str, number: int, waits: _Waits, over: threading.Event) -> None:
        super().__init__(daemon=True)
        self._client = httpx.Client(base_url=address, timeout=60)
        self._number, self._waits, self._over = number, waits, over
        self._dice = random.Random(number)

    def run(self) -> None:
        """Work until it is over."""
        self._client.get("/api/session")
        self._send("sign-in", "POST", "/api/session", username=f"writer{self._number}", password=_PASSWORD)
        production = self._send("begin", "POST", "/api/productions", text=_SCRIPT).json()
        if self._number == 0:
            self._send("film", "POST", "/api/deliveries", production_id=production["id"], height=720)
        while not self._over.is_set():
            production = self._edit(production)
            time.sleep(self._dice.uniform(0.2, 1.0))

    def _send(self, what: str, method: str, path: str, **body: Any) -> httpx.Response:
        headers = {"X-CSRFToken": self._client.cookies.get("csrftoken") or ""}
        with self._waits.of(what) as look:
            return look(self._client.request(method, path, json=body, headers=headers))
        raise httpx.RequestError(what)

    def _edit(self, production: dict[str, Any]) -> dict[str, Any]:
        document = production["document"]
        scene = self._dice.choice(document["script"]["scenes"])
        line = [block for block in scene["blocks"] if block.get("text")][-1]
        line["text"] = f"I sat there {self._dice.choice(['all morning', 'till noon', 'once', 'in the rain'])}."
        path = f"/api/productions/{production['id']}"
        saved = self._send("save", "PUT", path, revision=production["revision"], title="The pier", document=document)
        self._send("check", "POST", "/api/productions/check", **document)
        with self._waits.of("still") as look:
            look(self._client.get(f"/pictures/{production['id']}/{scene['id']}/still.jpg?at=1.2"))
        if self._dice.random() < 0.25:
            for part in ("picture", "sound"):
                self._hear(f"/pictures/{production['id']}/{scene['id']}/proof-{part}.mp4")
        return dict(saved.json())

    def _hear(self, path: str) -> None:
        """The beginning of a proof, then something else."""
        with contextlib.suppress(httpx.HTTPError):
            started = time.monotonic()
            with self._client.stream("GET", path) as answer:
                for _ in answer.iter_bytes():
                    self._waits.seconds["proof's first byte"].append(time.monotonic() - started)
                    break
                if answer.status_code >= 400:
                    self._waits.wrong[f"proof {answer.status_code}"] += 1


def ten_users(folder: Path) -> Iterator[str]:
    """What ten people wait for, beside what one alone waits for."""
    with serving(folder, worker=True) as address:
        manage(folder, "shell", "-v", "0", "-c", _ACCOUNTS)
        alone, together = _work(address, 1), _work(address, USERS)
    for what in ("save", "check", "still", "proof's first byte"):
        ratio = statistics.median(together.seconds[what]) / statistics.median(alone.seconds[what])
        yield (
            f"{what}: 95 of 100 within {together.at(what, 0.95):.2f} s, half within {together.at(what, 0.5):.2f} s "
            f"({ratio:.1f} times one person's), of {len(together.seconds[what])}"
        )
    yield f"refused or failed: {dict(together.wrong) or 'none'}"


def _work(address: str, users: int) -> _Waits:
    waits, over = _Waits(), threading.Event()
    writers = [_Writer(address, number, waits, over) for number in range(users)]
    for writer in writers:
        writer.start()
    time.sleep(SECONDS)
    over.set()
    for writer in writers:
        writer.join(60)
    return waits
