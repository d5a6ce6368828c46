"""A model server to try things with: it answers from the facts it is sent, and in tests as it is told.

It is no language model. It repeats the facts of a brief as sentences, so that the way of a draft can be seen from end
to end without one.
"""

from __future__ import annotations

import json
import re
import threading
from collections.abc import Callable
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any

from dearhost.writing.english.clauses import as_sentence

Answer = Callable[[dict[str, Any]], str]


def from_the_facts(request: dict[str, Any]) -> str:
    """Every fact of the request as a sentence under one heading."""
    facts = re.findall(r"^- (.+)$", str(request["messages"][1]["content"]).split("The audience's own")[0], re.M)
    return "# Body\n\n" + " ".join(as_sentence(fact) for fact in facts)


class FakeModelServer:
    """Listens on 127.0.0.1 until closed; ``requests`` is what it was sent."""

    def __init__(self, answer: Answer = from_the_facts, port: int = 0) -> None:
        self.requests: list[dict[str, Any]] = []
        fake = self

        class Handler(BaseHTTPRequestHandler):
            def log_message(self, format: str, *args: object) -> None:
                pass

            def do_POST(self) -> None:
                request = json.loads(self.rfile.read(int(self.headers["Content-Length"])))
                fake.requests.append(request)
                body = json.dumps(
                    {"choices": [{"message": {"role": "assistant", "content": answer(request)}}]}
                ).encode()
                self.send_response(200)
                self.send_header("Content-Type", "application/json")
                self.send_header("Content-Length", str(len(body)))
                self.end_headers()
                self.wfile.write(body)

        self._server = ThreadingHTTPServer(("127.0.0.1", port), Handler)
        self._server.daemon_threads = True
        threading.Thread(target=self._server.serve_forever, daemon=True).start()

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self._server.server_port}"

    def close(self) -> None:
        self._server.shutdown()
        self._server.server_close()
