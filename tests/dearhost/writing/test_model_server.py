"""A model's server: on this machine only, and whatever it answers, nothing it made up passes unseen."""

from __future__ import annotations

import json
import socket
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager

import pytest

from dearhost.errors import ModelServerError
from dearhost.script import placeholders
from dearhost.writing.brief_reading import read_brief
from dearhost.writing.fake_model import FakeModelServer, from_the_facts
from dearhost.writing.grounding import ungrounded
from dearhost.writing.model_server import LONGEST_ANSWER, model_server
from dearhost.writing.model_writer import messages_for, spoken_part, tidied, write_draft
from dearhost.writing.structures import STRUCTURES
from tests.dearhost.writing.briefs import LANTERN, SPEAKERS
from tests.dearhost.writing.test_grounding import HONEST, INVENTED

READ = read_brief(LANTERN, SPEAKERS)
HOOK = STRUCTURES["hook"]


@contextmanager
def _listening(answer: Callable[[socket.socket], None]) -> Iterator[str]:
    """A server that does with a connection what ``answer`` says."""
    listener = socket.create_server(("127.0.0.1", 0))

    def serve() -> None:
        while True:
            try:
                connection, _ = listener.accept()
            except OSError:
                return
            with connection:
                try:
                    connection.recv(65536)
                    answer(connection)
                except OSError:
                    pass

    threading.Thread(target=serve, daemon=True).start()
    try:
        yield f"http://127.0.0.1:{listener.getsockname()[1]}"
    finally:
        listener.close()


def _answering(head: bytes, body: bytes = b"") -> Callable[[socket.socket], None]:
    return lambda connection: connection.sendall(head + b"\r\n\r\n" + body)


@pytest.mark.parametrize(
    ("address", "used"),
    [
        ("http://127.0.0.1:8080", "http://127.0.0.1:8080/v1/chat/completions"),
        ("localhost:1234", "http://127.0.0.1:1234/v1/chat/completions"),
        ("http://[::1]:5000/v1", "http://[::1]:5000/v1/chat/completions"),
        ("http://127.0.0.1:80/api/chat/completions/", "http://127.0.0.1:80/api/chat/completions"),
    ],
)
def test_addresses_of_this_machine(address: str, used: str) -> None:
    assert model_server(address).address == used


@pytest.mark.parametrize(
    ("address", "why"),
    [
        ("http://192.168.0.4:8080", "not this machine"),
        ("http://models.example.org", "not this machine"),
        ("http://127.0.0.1.example.org", "not this machine"),
        ("http://localhost@example.org", "name or password"),
        ("https://127.0.0.1:8080", "no address"),
        ("file:///etc/passwd", "no address"),
        ("", "no address"),
        ("http://127.0.0.1:99999", "port"),
    ],
)
def test_any_other_address_is_refused_and_nothing_is_sent(address: str, why: str) -> None:
    with pytest.raises(ModelServerError, match=why):
        model_server(address)


def test_proxies_are_not_used(monkeypatch: pytest.MonkeyPatch) -> None:
    for name in ("http_proxy", "HTTP_PROXY", "all_proxy"):
        monkeypatch.setenv(name, "http://127.0.0.1:9")
    fake = FakeModelServer()
    try:
        assert model_server(fake.address).ask(messages_for(READ, HOOK, 60.0)).startswith("# Body")
    finally:
        fake.close()


def test_what_is_sent_is_the_brief_and_nothing_else() -> None:
    messages = messages_for(READ, HOOK, 60.0)
    sent = json.loads(model_server("127.0.0.1:1").request(messages, 3))
    assert sent["messages"] == [dict(message) for message in messages]
    assert (sent["stream"], sent["seed"]) == (False, 3)
    text = messages[1]["content"]
    assert all(point in text for point in LANTERN.points)
    assert LANTERN.own_words.split("\n")[0] in text


@pytest.mark.parametrize(
    ("answer", "why"),
    [
        (_answering(b"HTTP/1.1 302 Found\r\nLocation: http://example.org/"), "not followed"),
        (_answering(b"HTTP/1.1 500 Broken"), "answered 500"),
        (_answering(b"HTTP/1.1 200 OK\r\nContent-Length: 2", b"{}"), "chat-completions form"),
        (_answering(b"HTTP/1.1 200 OK\r\nContent-Length: 9", b"<p>hi</p>"), "chat-completions form"),
        (_answering(b"HTTP/1.1 200 OK\r\nContent-Length: 99", b"cut"), "broke off|chat-completions form"),
        (_answering(b"nonsense"), "broke off"),
        (lambda connection: None, "No model server|broke off"),
    ],
)
def test_a_server_that_lies(answer: Callable[[socket.socket], None], why: str) -> None:
    with _listening(answer) as address, pytest.raises(ModelServerError, match=why):
        model_server(address, timeout=5).ask(messages_for(READ, HOOK, 60.0))


def test_an_answer_without_words_is_told() -> None:
    body = json.dumps({"choices": [{"message": {"content": "   "}}]}).encode()
    head = b"HTTP/1.1 200 OK\r\nContent-Length: " + str(len(body)).encode()
    with _listening(_answering(head, body)) as address, pytest.raises(ModelServerError, match="answered nothing"):
        model_server(address).ask(messages_for(READ, HOOK, 60.0))


def test_a_server_that_stalls_is_left() -> None:
    with _listening(lambda connection: time.sleep(20)) as address:
        began = time.monotonic()
        with pytest.raises(ModelServerError, match="too long"):
            model_server(address, timeout=0.6).ask(messages_for(READ, HOOK, 60.0))
        assert time.monotonic() - began < 5


def test_a_server_that_drips_for_ever_is_left() -> None:
    def drip(connection: socket.socket) -> None:
        connection.sendall(b"HTTP/1.1 200 OK\r\n\r\n")
        for _ in range(200):
            connection.sendall(b" ")
            time.sleep(0.1)

    with _listening(drip) as address, pytest.raises(ModelServerError, match="too long"):
        model_server(address, timeout=0.8).ask(messages_for(READ, HOOK, 60.0))


def test_a_flood_is_left() -> None:
    def flood(connection: socket.socket) -> None:
        connection.sendall(b"HTTP/1.1 200 OK\r\n\r\n")
        for _ in range(400):
            connection.sendall(b"x" * 4096)

    assert LONGEST_ANSWER < 400 * 4096
    with _listening(flood) as address, pytest.raises(ModelServerError, match="does not end"):
        model_server(address, timeout=20).ask(messages_for(READ, HOOK, 60.0))


def test_stopping_while_the_model_writes() -> None:
    def stop() -> None:
        raise KeyboardInterrupt

    with _listening(lambda connection: time.sleep(20)) as address, pytest.raises(KeyboardInterrupt):
        model_server(address).ask(messages_for(READ, HOOK, 60.0), wait=stop)


def test_nobody_listens() -> None:
    with pytest.raises(ModelServerError, match="Is it started"):
        model_server("127.0.0.1:9").ask(messages_for(READ, HOOK, 60.0))


def test_a_model_is_told_what_it_made_up_and_asked_again() -> None:
    def answer(request: dict) -> str:  # type: ignore[type-arg]
        return from_the_facts(request) if len(request["messages"]) > 2 else "It is the best. 5,000 sailors carry one."

    fake = FakeModelServer(answer)
    try:
        written = write_draft(model_server(fake.address), READ, HOOK, 60.0)
    finally:
        fake.close()
    assert written.invented == ()
    assert len(fake.requests) >= 2
    assert "5,000 sailors" in fake.requests[1]["messages"][3]["content"]


def test_what_a_model_insists_on_becomes_a_slot() -> None:
    planted = [sentence for brief, sentence in INVENTED if brief is LANTERN]
    honest = [sentence for brief, sentence in HONEST if brief is LANTERN]
    fake = FakeModelServer(lambda request: "# Body\n\n" + " ".join(planted + honest))
    try:
        written = write_draft(model_server(fake.address), READ, HOOK, 60.0)
    finally:
        fake.close()
    assert len(fake.requests) == 3, "asked, and told twice"
    assert len(written.invented) >= len(planted) - 1
    assert len(placeholders(written.text)) >= len(planted) - 1
    assert not [fault for fault in ungrounded(spoken_part(written.text), LANTERN, SPEAKERS) if fault.what == "number"]
    assert "One candle, and it shines for forty hours." in written.text


@pytest.mark.parametrize(
    ("answer", "kept"),
    [
        ("```markdown\n# One\n\nThe tide.\n```", "# One\n\nThe tide."),
        ("Sure! Here is your script:\n\n**The tide** is in.", "The tide is in."),
        ("<think>What shall I say?</think>The tide is in.", "The tide is in."),
        ("The tide is in.\n\nLet me know if you would like changes!", "The tide is in."),
        ("<script>alert(1)</script>The tide is in.", "alert(1)The tide is in."),
        ("## Two\nThe tide.", "# Two\nThe tide."),
    ],
)
def test_what_models_add_is_taken_off(answer: str, kept: str) -> None:
    assert tidied(answer) == kept


def test_what_is_spoken_of_an_answer() -> None:
    assert spoken_part("# One\n(She waves.)\nMAREN: The tide is in.\nSKERRY: Out.") == "The tide is in.\nOut."
