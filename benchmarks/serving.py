"""The application as people start it: a server and, where asked for, a worker, on a data folder of their own."""

from __future__ import annotations

import contextlib
import os
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent


def manage(folder: Path, *arguments: str) -> None:
    """Run one of the server's commands on a data folder."""
    command = [sys.executable, str(ROOT / "manage.py"), *arguments]
    subprocess.run(command, env=_environment(folder), check=True, stdout=subprocess.DEVNULL)


@contextlib.contextmanager
def serving(folder: Path, worker: bool = False) -> Iterator[str]:
    """The address of a server with the demo data, stopped afterwards."""
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    manage(folder, "migrate", "-v", "0")
    manage(folder, "demo")
    command = [sys.executable, "-m", "uvicorn", "server.config.asgi:application", "--log-level", "error"]
    parts = [[*command, "--host", "127.0.0.1", "--port", str(port)]]
    if worker:
        parts.append([sys.executable, str(ROOT / "manage.py"), "worker", "--interval", "0.5", "--no-reload"])
    started = [subprocess.Popen(part, env=_environment(folder), cwd=ROOT, stdout=subprocess.DEVNULL) for part in parts]
    address = f"http://127.0.0.1:{port}"
    try:
        while not _answers(f"{address}/health"):
            if started[0].poll() is not None:
                raise SystemExit("The server did not start; see the lines above.")
            time.sleep(0.1)
        yield address
    finally:
        for process in started:
            process.terminate()
        for process in started:
            process.wait(30)


def _environment(folder: Path) -> dict[str, str]:
    return {**os.environ, "DEAR_HOST_DATA": str(folder)}


def _answers(url: str) -> bool:
    try:
        with urllib.request.urlopen(url, timeout=2) as response:
            return bool(response.status == 200)
    except OSError:
        return False
