"""A language model's own server on this machine, with a chat-completions interface.

Nothing is sent to another machine: the address is checked when it is set and again when the connection stands, proxies
are not used and redirects are not followed.
"""

from __future__ import annotations

import contextlib
import http.client
import ipaddress
import json
import socket
import threading
import time
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from urllib.parse import urlsplit

from dearhost.errors import ModelServerError

LONGEST_ANSWER = 64 * 1024
"""Bytes."""
_NAMES_OF_THIS_MACHINE = ("localhost", "127.0.0.1", "::1")
_BLOCK = 4096
_LOOKS_EVERY = 0.1
"""Seconds between two looks whether it is to stop."""


Message = Mapping[str, str]
"""``role`` ("system", "user", "assistant") and ``content``."""


@dataclass(frozen=True, slots=True)
class ModelServer:
    """Where a model listens. ``timeout`` is seconds for a whole answer."""

    host: str
    port: int
    path: str
    model: str = "local"
    timeout: float = 120.0

    @property
    def address(self) -> str:
        host = f"[{self.host}]" if ":" in self.host else self.host
        return f"http://{host}:{self.port}{self.path}"

    def request(self, messages: Sequence[Message], seed: int) -> str:
        """What is sent, as it is sent."""
        asked = {
            "model": self.model,
            "messages": [dict(message) for message in messages],
            "temperature": 0.7,
            "seed": seed,
            "max_tokens": 1500,
            "stream": False,
        }
        return json.dumps(asked, ensure_ascii=False)

    def ask(self, messages: Sequence[Message], seed: int = 0, wait: Callable[[], None] = lambda: None) -> str:
        """The model's answer, as plain text. ``wait`` is called while it writes, and may raise to stop.

        Raises ModelServerError.
        """
        exchange = _Exchange(self, self.request(messages, seed).encode())
        ends = time.monotonic() + self.timeout
        exchange.start()
        try:
            while exchange.is_alive():
                exchange.join(_LOOKS_EVERY)
                wait()
                if time.monotonic() > ends:
                    raise ModelServerError("The model took too long to answer. Try again, or ask for less.")
        finally:
            exchange.break_off()
        return _content(exchange.answer())


class _Exchange(threading.Thread):
    """One question and its answer, in a thread of its own so that it can be broken off at any time."""

    def __init__(self, server: ModelServer, body: bytes) -> None:
        super().__init__(daemon=True)
        self._server = server
        self._body = body
        self._connection = http.client.HTTPConnection(server.host, server.port, timeout=server.timeout)
        self._found = bytearray()
        self._error: Exception | None = None

    def run(self) -> None:
        try:
            self._exchange()
        except Exception as error:  # told by ``answer``, in the thread that asked
            self._error = error
        finally:
            self._connection.close()

    def _exchange(self) -> None:
        self._connection.connect()
        _ensure_here(self._connection.sock)
        self._connection.request("POST", self._server.path, self._body, {"Content-Type": "application/json"})
        response = self._connection.getresponse()
        if 300 <= response.status < 400:
            raise ModelServerError("The model server wants to lead elsewhere; that is not followed.")
        if response.status != 200:
            raise ModelServerError(f"The model server answered {response.status} {response.reason[:60]}.")
        while block := response.read1(_BLOCK):
            self._found += block
            if len(self._found) > LONGEST_ANSWER:
                raise ModelServerError("The model's answer does not end: more than 64 kB came. It was left.")

    def break_off(self) -> None:
        connected = self._connection.sock
        if connected is not None and self.is_alive():
            with contextlib.suppress(OSError):
                connected.shutdown(socket.SHUT_RDWR)

    def answer(self) -> bytes:
        """What came, once the thread has ended. Raises ModelServerError."""
        address, error = self._server.address, self._error
        if error is None:
            return bytes(self._found)
        if isinstance(error, ModelServerError):
            raise error
        if isinstance(error, ConnectionRefusedError):
            raise ModelServerError(f"No model server answers at {address}. Is it started?") from error
        raise ModelServerError(f"The model server at {address} broke off ({error}).") from error


def model_server(address: str, model: str = "local", timeout: float = 120.0) -> ModelServer:
    """The server at ``address``, such as http://127.0.0.1:8080; the usual path is added where it has none.

    Raises ModelServerError for an address that is not this machine, or no address.
    """
    parts = urlsplit(address.strip() if "//" in address else f"http://{address.strip()}")
    host = (parts.hostname or "").lower()
    if parts.scheme != "http" or not host:
        raise ModelServerError("This is no address: write it as http://127.0.0.1:8080.")
    if parts.username or parts.password:
        raise ModelServerError("The address holds a name or password: leave them out.")
    if host not in _NAMES_OF_THIS_MACHINE and not _is_loopback(host):
        raise ModelServerError(f"“{host}” is not this machine. Nothing was sent. Only 127.0.0.1 is used.")
    try:
        port = parts.port or 80
    except ValueError as error:
        raise ModelServerError("The port of this address is no number up to 65535.") from error
    path = parts.path.rstrip("/")
    if not path.endswith("/chat/completions"):
        path = f"{path}/chat/completions" if path.endswith("/v1") else f"{path}/v1/chat/completions"
    return ModelServer("127.0.0.1" if host == "localhost" else host, port, path, model, timeout)


def _is_loopback(host: str) -> bool:
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def _ensure_here(connected: socket.socket) -> None:
    if not _is_loopback(str(connected.getpeername()[0])):
        raise ModelServerError("The address led to another machine. Nothing was sent.")


def _content(answer: bytes) -> str:
    try:
        content = json.loads(answer)["choices"][0]["message"]["content"]
    except (ValueError, LookupError, TypeError, RecursionError) as error:
        raise ModelServerError("The model server's answer is not in the chat-completions form.") from error
    if not isinstance(content, str) or not content.strip():
        raise ModelServerError("The model answered nothing.")
    return "".join(letter for letter in content if letter.isprintable() or letter == "\n")
