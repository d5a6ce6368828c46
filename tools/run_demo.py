"""Starts the server and a worker with the demo data; prints the address and the sign-in; stops with Ctrl+C."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
ADDRESS = os.environ.get("DEAR_HOST_ADDRESS", "127.0.0.1")


def free_port(wanted: int) -> int:
    """``wanted``, or any free one when it is taken."""
    for port in (wanted, 0):
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind((ADDRESS, port))
                return int(probe.getsockname()[1])
            except OSError:
                continue
    raise SystemExit(f"No port is free on {ADDRESS}.")


def answers(url: str) -> bool:
    """Whether the server is up."""
    try:
        with urllib.request.urlopen(url, timeout=2) as response:
            return bool(response.status == 200)
    except OSError:
        return False


def main() -> None:
    """Run until stopped; when one part ends, the other is stopped too."""
    python = sys.executable
    manage = [python, str(ROOT / "manage.py")]
    subprocess.run([*manage, "demo"], cwd=ROOT, check=True)
    port = free_port(int(os.environ.get("DEAR_HOST_PORT", "8000")))
    server = [python, "-m", "uvicorn", "server.config.asgi:application", "--host", ADDRESS, "--port", str(port)]
    parts = [
        subprocess.Popen([*server, "--log-level", "warning", "--no-access-log"], cwd=ROOT),
        subprocess.Popen([*manage, "worker", "--interval", "0.5", "--no-reload"], cwd=ROOT, stdout=subprocess.DEVNULL),
    ]
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    try:
        while not answers(f"http://{ADDRESS}:{port}/health"):
            if any(part.poll() is not None for part in parts):
                raise SystemExit("Dear Host did not start; see the lines above.")
            time.sleep(0.2)
        print(f"\nDear Host is open at http://{ADDRESS}:{port}/")
        print("Sign in as  ines  with the password  low-water")
        print("Stop with Ctrl+C.", flush=True)
        while all(part.poll() is None for part in parts):
            time.sleep(0.5)
    except KeyboardInterrupt:
        print("\nStopping. Everything is kept.")
    finally:
        for part in parts:
            part.terminate()
        for part in parts:
            try:
                part.wait(10)
            except subprocess.TimeoutExpired:
                part.kill()


if __name__ == "__main__":
    main()
