"""The voice alone: files, names, loudness, word times and the cue sheet."""

from __future__ import annotations

import csv
import json
from pathlib import Path

import numpy as np
import pyloudnorm
import pysubs2
import pytest

from dearhost.errors import RenderError
from dearhost.production import Studio, read_script
from dearhost.render.voice_over import VoiceOverOrder, write_voice_over
from dearhost.sound.files import read_sound
from dearhost.stage import Timeline, compile_timeline
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

SCRIPT = """# The pier

MAREN: The tide comes in twice a day, and we open the big door.

SKERRY: Dry feet, please.

# The tide room

MAREN: Here is the clock that shows it, down to the minute.
"""


@pytest.fixture(scope="module")
def spoken(studio: Studio) -> Timeline:
    return compile_timeline(with_tones(read_script(SCRIPT), "formant-en-us"), studio, FrameRate.of(30))


@pytest.mark.parametrize(
    ("scope", "names"),
    [
        ("whole", ["01-voice"]),
        ("scene", ["01-the-pier", "02-the-tide-room"]),
        ("line", ["01-the-tide-comes-in-twice", "02-dry-feet-please", "03-here-is-the-clock-that"]),
        ("speaker", ["01-maren", "02-skerry"]),
    ],
)
def test_files_are_divided_named_and_timed(spoken: Timeline, tmp_path: Path, scope: str, names: list[str]) -> None:
    written = write_voice_over(spoken, tmp_path, VoiceOverOrder(scope, pattern="{number:02}-{name}"))
    assert [p.stem for p in written if p.suffix == ".wav"] == names
    told = json.loads((tmp_path / "words.json").read_text())["files"]
    for part in told:
        sound = read_sound(tmp_path / part["file"])
        assert sound.seconds == pytest.approx(part["seconds"], abs=0.03)
        level = np.abs(sound.samples)
        for word in (w for line in part["lines"] for w in line["words"]):
            heard = level[round(word["start"] * 48000) : round(word["end"] * 48000)]
            assert heard.max() > 0.01, word
    rows = list(csv.DictReader((tmp_path / "cues.csv").read_text().splitlines()))
    assert [(r["scene"], r["line"], r["speaker"]) for r in rows] == [
        ("1", "1", "Maren"),
        ("1", "2", "Skerry"),
        ("2", "1", "Maren"),
    ]
    shown = {path.stem: pysubs2.load(str(path)) for path in written if path.suffix == ".srt"}
    assert set(shown) == ({"captions"} if scope == "whole" else set(names))
    for part in told:  # in the file's own time, and every word of it
        captions = shown["captions" if scope == "whole" else Path(part["file"]).stem]
        said = [word for line in part["lines"] for word in line["words"]]
        written_out = " ".join(c.plaintext for c in captions).split()
        assert [word.strip(".,!?") for word in written_out] == [word["text"] for word in said]
        assert captions[0].start / 1000 == pytest.approx(said[0]["start"], abs=0.01)
        assert all(c.end / 1000 <= part["seconds"] + 0.001 for c in captions)


@pytest.mark.parametrize("loudness", [-16.0, -19.0, -23.0])
def test_loudness_is_what_was_asked_for(spoken: Timeline, tmp_path: Path, loudness: float) -> None:
    """By pyloudnorm, an independent measure of ITU-R BS.1770-4, on two equal channels."""
    path = write_voice_over(spoken, tmp_path, VoiceOverOrder(kind="flac", loudness=loudness))[0]
    samples = read_sound(path).samples
    measured = pyloudnorm.Meter(48000).integrated_loudness(np.stack([samples, samples], 1))
    assert measured == pytest.approx(loudness, abs=0.3)


@pytest.mark.parametrize(("kind", "rate"), [("mp3", 44_100), ("opus", 24_000), ("m4a", 48_000)])
def test_every_kind_of_file_is_written(spoken: Timeline, tmp_path: Path, kind: str, rate: int) -> None:
    path = write_voice_over(spoken, tmp_path, VoiceOverOrder("speaker", kind, rate))[0]
    assert path.suffix == f".{kind}"
    assert read_sound(path).seconds == pytest.approx(spoken.duration, abs=0.12)


@pytest.mark.parametrize(
    ("order", "says"),
    [
        (VoiceOverOrder("word"), "no division"),
        (VoiceOverOrder(kind="aiff"), "no kind"),
        (VoiceOverOrder(kind="opus", rate=44_100), "Opus has"),
        (VoiceOverOrder(pattern="{title.__class__}"), "pattern"),
        (VoiceOverOrder(pattern="{number:999999999}"), "pattern"),
        (VoiceOverOrder(pattern=" . "), "pattern"),
    ],
)
def test_what_cannot_be_had_is_said(order: VoiceOverOrder, says: str) -> None:
    with pytest.raises(RenderError, match=says):
        order.checked()
