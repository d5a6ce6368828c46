"""What hosts do by themselves: where the words ask for it, sparing, never against a person's direction."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dearhost.hosts import GESTURES
from dearhost.production import CUE_KINDS, Studio, read_script
from dearhost.script import Cue, Line, Script, word_index, words_of
from dearhost.stage import SceneTimeline, Timeline, compile_timeline
from dearhost.stage.direction.auto_gestures import automatic
from dearhost.stage.direction.cueing import moment_of
from dearhost.stage.direction.roles import _room
from dearhost.timebase import FrameRate
from tests.conftest import with_tones


def placed(studio: Studio, texts: list[str], voice: str = "fake", gap: float = 0.5) -> list[tuple[Line, float, object]]:
    found, at = [], 0.3
    for text in texts:
        _, _, line = next(iter(read_script(f"MAREN: {text}").lines()))
        reading = studio.speaker.read(line.text, voice)
        found.append((line, at, reading))
        at += reading.duration + gap
    return found


def done(studio: Studio, text: str, liveliness: str = "lively", language: str = "en") -> dict[str, str]:
    """Words of one line and what happens on them."""
    voice = f"formant-{language}" if language in ("el", "ru") else "fake"  # which reads Latin letters alone
    ((line, at, reading),) = placed(studio, [text], voice)
    cues = automatic([(line, at, reading)], liveliness, language=lambda _: language).get(line.id, ())
    return {words_of(line.text)[word_index(line, cue)].text: cue.kind for cue in cues}


@pytest.mark.parametrize(
    ("language", "text", "word", "gesture"),
    [
        ("en", "Hello from the pier.", "Hello", "wave"),
        ("en", "We thank the keeper. Thank heaven.", "thank", "heart"),
        ("en-GB", "Bring your lamp.", "your", "you"),
        ("en", "Boats don’t fly.", "don’t", "shake"),
        ("en", "A huge wave came.", "huge", "big"),
        ("en", "Where are the boats?", "boats", "ask"),
        ("en", "Some came, the other stayed.", "other", "present"),
        ("en", "We saw crabs, old shells and boats.", "crabs", "count"),
        ("de-DE", "Haben Sie eine Lampe.", "Sie", "you"),
        ("de", "Boote fliegen nicht.", "nicht", "shake"),
        ("fr", "Voilà l’autre quai.", "l’autre", "present"),
        ("es-MX", "Gracias por la linterna.", "Gracias", "heart"),
        ("it", "Forse domani.", "Forse", "shrug"),
        ("nl", "Dat is niet zo.", "niet", "shake"),
        ("pl", "Dziękuję bardzo.", "Dziękuję", "heart"),
        ("pt", "Uma onda enorme veio.", "enorme", "big"),
        ("ru", "Привет с пирса.", "Привет", "wave"),
        ("sv", "Båtar flyger inte.", "inte", "shake"),
        ("cy", "Ble mae'r cychod?", "cychod", "ask"),
        ("el", "Πού είναι τα πλοία;", "πλοία", "ask"),
        ("hu", "Vörös, zöld, kék.", "", ""),
    ],
)
def test_words_ask_for_gestures(studio: Studio, language: str, text: str, word: str, gesture: str) -> None:
    found = done(studio, text, language=language)
    assert found.get(word) == gesture if word else not found


@pytest.mark.parametrize(
    ("language", "text"),
    [
        ("en", "Mama may bring a boat."),
        ("en", "A [[cue: rest]]huge wave came."),
        ("en", "But one came."),
        ("en", "However, my friend, one came."),
        ("de", "Sie kam an."),
        ("fr", "Hello from the pier."),
    ],
)
def test_plain_words_ask_for_nothing_and_a_rest_is_kept(studio: Studio, language: str, text: str) -> None:
    assert done(studio, text, language=language) == {}


WORDS = st.lists(st.sampled_from(["you", "not", "huge", "tiny", "boats", "yes", "think", "other", "why?", "hello"]),
                 min_size=3, max_size=12)  # fmt: skip


@settings(max_examples=40, deadline=None)
@given(st.lists(WORDS, min_size=1, max_size=8), st.sampled_from(["still", "normal", "lively"]), st.booleans())
def test_never_more_than_feels_natural(studio: Studio, texts: list[list[str]], liveliness: str, cued: bool) -> None:
    lines = placed(
        studio, [("[[cue: nod]]" if cued and i % 2 else "") + " ".join(t) + "." for i, t in enumerate(texts)]
    )
    found = automatic(lines, liveliness)
    gestures, own = [], []
    for line, start, reading in lines:
        for cue in found.get(line.id, ()):
            gestures.append((start + moment_of(line, cue, reading), cue.kind))
        own += [start + moment_of(line, cue, reading) for cue in line.cues if cue.kind in GESTURES]
    gaps = {"still": 12.0, "normal": 6.0, "lively": 3.5}
    assert all(b[0] - a[0] >= gaps[liveliness] for a, b in pairwise(sorted(gestures)))
    for kind in {k for _, k in gestures}:
        assert all(b - a >= 15 for a, b in pairwise(sorted(t for t, k in gestures if k == kind)))
    assert all(abs(at - mine) >= 2.2 for at, _ in gestures for mine in own)


def scene_of(studio: Studio, script: Script, **choices: object) -> tuple[Timeline, SceneTimeline]:
    timeline = compile_timeline(with_tones(script, **choices), studio, FrameRate.of(30))
    return timeline, timeline.scenes[0]


def test_it_can_be_turned_off_and_a_kept_one_is_the_same_gesture(studio: Studio) -> None:
    script = read_script("# The pier\n\nMAREN: A huge wave came to the pier.")
    _, by_itself = scene_of(studio, script)
    (cue,) = by_itself.lines[0].automatic
    role = by_itself.roles["maren"]
    assert [g.gesture for g in role.cues] == ["big"]
    _, off = scene_of(studio, script, directed=False)
    assert off.fingerprint != by_itself.fingerprint, "what was drawn with it is drawn anew"
    assert not off.lines[0].automatic and not off.roles["maren"].cues
    note = CUE_KINDS.format_note(Cue("", cue.kind, cue.start, cue.parameters))
    _, kept = scene_of(studio, read_script(f"# The pier\n\nMAREN: A {note}huge wave came to the pier."))
    assert kept.roles["maren"].cues == role.cues and not kept.lines[0].automatic


def test_hands_of_a_host_alone_stay_in_every_shape() -> None:
    for shape, (width, height) in {"16:9": (16, 9), "1:1": (1, 1), "9:16": (9, 16)}.items():
        assert 0.15 <= _room(shape, "medium") <= 1.0 and _room(shape, "wide") == 1.0
        assert (_room(shape, "medium") == 1.0) is (width > height)
