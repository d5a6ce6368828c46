"""Lines heard at once, in a quick voice, while they are written; the full one plays and is rendered."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.test import Client

from dearhost.production import CastEntry, Choices, read_script
from dearhost.speech import Speaker
from dearhost.speech.made_voices import MadeVoice
from dearhost.speech.manner import PLAIN
from dearhost.speech.voices import Shape
from dearhost.wav import as_wav
from server.productions import stage_api
from server.productions.actions.create import create_production
from server.productions.models import Production
from server.productions.painters import heard_timeline
from server.studio import studio

pytestmark = pytest.mark.django_db
LINE = "Seven lanterns hang over the pier tonight."


def _begun(ines: Any, hearing: str, voice: str) -> tuple[Production, str]:
    script = read_script(f"# The pier\n\nMAREN: {LINE}\n")
    cast = {"MAREN": CastEntry("maren", voice)}
    production = create_production(ines, script, "The pier", cast=cast, choices=Choices(hearing=hearing))
    return production, production.document["script"]["scenes"][0]["blocks"][0]["id"]


def _heard(client: Client, production: Production, line: str) -> dict[str, Any]:
    answer = client.get(f"/api/productions/{production.pk}/lines/{line}/heard")
    assert answer.status_code == 200, answer.content
    found: dict[str, Any] = json.loads(answer.content)
    return found


def _sound(client: Client, production: Production, line: str) -> bytes:
    answer = client.get(f"/api/productions/{production.pk}/lines/{line}/sound.wav")
    return b"".join(answer) if answer.streaming else bytes(answer.content)


def test_a_line_is_heard_by_the_quick_voice_with_the_times_of_the_full_one(
    ines: Any, client: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    production, line = _begun(ines, "quick", "hannah")
    read: list[str] = []
    make = Speaker._make

    def noted(self: Speaker, text: str, voice: str, manner: Any, tell: Any) -> Any:
        read.append(voice)
        return make(self, text, voice, manner, tell)

    monkeypatch.setattr(Speaker, "_make", noted)
    heard = _heard(client, production, line)
    foreseen = studio().speaker.foreseen(LINE, "hannah", PLAIN)
    assert (heard["voice"], heard["stand_in"]) == ("hannah", "joe")
    assert heard["seconds"] == pytest.approx(foreseen.duration, abs=0.001)
    assert [w["start"] for w in heard["words"]] == [pytest.approx(w.start, abs=0.001) for w in foreseen.words]
    assert any(heard["pitch"])
    assert _sound(client, production, line) == as_wav(studio().speaker.read(LINE, "joe", PLAIN))
    assert "hannah" not in read  # nobody waits for what is not heard


def test_a_mixture_made_here_is_heard_by_the_same(ines: Any, client: Client) -> None:
    shape = Shape(180, spread=1.0, warp=1.0, tilt=0.0, pace=1.0)
    mixture = studio().voices.made.keep(MadeVoice("made-0123456789ab", "Odile", "calm", "hannah", shape, ""))
    assert studio().voices.quick(mixture.id) == "joe"
    assert studio().voices.quick("pilar") == "formant-es"
    studio().voices.made.remove(mixture.id)


def test_what_plays_is_spoken_by_the_full_voice(ines: Any, client: Client) -> None:
    production, _ = _begun(ines, "quick", "hannah")
    scene = production.document["script"]["scenes"][0]["id"]
    [placed] = heard_timeline(production, scene).scenes[0].lines
    assert placed.reading.samples.tobytes() == studio().speaker.read(LINE, "hannah", PLAIN).samples.tobytes()


@pytest.mark.parametrize(("hearing", "voice"), [("full", "hannah"), ("quick", "joe"), ("quick", "fake")])
def test_nothing_stands_in_where_nobody_chose_so_or_the_voice_is_quick_itself(
    ines: Any, client: Client, hearing: str, voice: str
) -> None:
    production, line = _begun(ines, hearing, voice)
    assert _heard(client, production, line)["stand_in"] == ""
    assert _sound(client, production, line) == as_wav(studio().speaker.read(LINE, voice, PLAIN))


@pytest.mark.parametrize(("hearing", "times"), [("full", 1), ("quick", 0)])
def test_nothing_is_read_ahead_in_full_where_lines_are_heard_quickly(
    ines: Any, client: Client, monkeypatch: pytest.MonkeyPatch, hearing: str, times: int
) -> None:
    asked: list[str] = []
    monkeypatch.setattr(stage_api.ahead, "scene", lambda _production, _staged, scene: asked.append(scene))
    production, _ = _begun(ines, hearing, "hannah")
    scene = production.document["script"]["scenes"][0]["id"]
    assert client.get(f"/api/productions/{production.pk}/scenes/{scene}/times").status_code == 200
    assert asked == [scene] * times


# a client of tests is no asynchronous server: it takes the pieces together, and Django says so
@pytest.mark.filterwarnings("ignore:StreamingHttpResponse must consume")
def test_a_line_that_is_not_read_yet_comes_sentence_by_sentence(ines: Any, client: Client) -> None:
    script = read_script("# The pier\n\nMAREN: The lamps are lit. [[cue: pause seconds=0.8]]The gulls are not.\n")
    cast = {"MAREN": CastEntry("maren", "hannah")}
    production = create_production(ines, script, "The pier", cast=cast, choices=Choices(hearing="full"))
    line = production.document["script"]["scenes"][0]["blocks"][0]["id"]
    first = _sound(client, production, line)
    again = _sound(client, production, line)
    assert first[:40] != again[:40] and first[8:36] == again[8:36], "its length is not known at first"
    assert len(first) == pytest.approx(len(again), abs=16), "with its pause"
    other, _ = _begun(ines, "full", "hannah")
    empty = other.document["script"]["scenes"][0]["blocks"][0]
    assert client.get(f"/api/productions/{other.pk}/lines/{empty['id']}x/sound.wav").status_code == 422
