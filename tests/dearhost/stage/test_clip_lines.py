"""Lines that are said in clips: what is seen and heard of the clip, beside hosts and without."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

import numpy as np
import pytest

from dearhost.errors import SpeechError
from dearhost.production import CastEntry, Production, Studio, read_script, with_named_files
from dearhost.speech.clips import ClipWord, Transcript
from dearhost.speech.clips.transcript import TRANSCRIPT
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.timebase import FrameRate
from tests.clips import counted, write_clip

RATE = FrameRate.of(25)
SMALL = Picture.of("16:9", 360)
TEXT = "One two three. Four five six. Seven eight nine."
"""What is said in the clip: a word every three quarters of a second."""


@pytest.fixture(scope="module")
def clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Eight seconds of numbered frames; its words are known without being heard."""
    path = write_clip(tmp_path_factory.mktemp("clips") / "numbered.mp4", counted(200), rate=25, sound=True)
    item = studio.shelf.take(path, path.name).id
    words = tuple(ClipWord(word, 0.5 + n * 0.75, 0.9 + n * 0.75) for n, word in enumerate(TEXT.split()))
    (studio.shelf.path(item) / "words.json").write_bytes(TRANSCRIPT.dump_json(Transcript("en", 8.0, words)))
    return item


def staged(studio: Studio, text: str, **choices: object) -> Timeline:
    """A script without captions and headings on the stage; those who are not in clips speak in tones."""
    script = read_script(text)
    cast = {
        name: CastEntry(host, "fake")
        for name, host in zip(script.speakers(), ("maren", "skerry", "tobias"), strict=False)
    }
    plain = Production(script, cast)
    plain = replace(plain, choices=replace(plain.choices, captions=False, titles=False, **choices))  # type: ignore[arg-type] - by name
    return compile_timeline(plain, studio, RATE)


def number_at(painter: Painter, frame: int) -> int:
    """The number of the clip's frame that is seen."""
    painter.paint(frame)
    height, width = painter.pixels.shape[:2]
    row = painter.pixels[height // 2, :, 1]
    return sum(int(row[int((bit + 0.5) * width / 8)] > 128) << bit for bit in range(8))


def test_what_was_struck_is_neither_seen_nor_heard_and_the_rest_is_in_step(studio: Studio, clip: str) -> None:
    timeline = staged(studio, f"ADA: [[cue: clip {clip}]]One three. Seven eight nine. Four six.\n")
    scene = timeline.scenes[0]
    assert scene.roles == {} and scene.shots[0].hosts == ()
    painter = Painter(timeline, SMALL, studio.resources)
    seen = [number_at(painter, frame) for frame in range(timeline.frames)]
    line = scene.lines[0]
    where = {"One": 0, "three": 2, "Seven": 6, "eight": 7, "nine": 8, "Four": 3, "six": 5}
    for word in line.reading.words:
        middle = line.span.start + (word.start + word.end) / 2
        spoken = 0.7 + where[word.text] * 0.75  # the middle of the word in the clip
        assert abs(seen[round(middle * 25)] - spoken * 25) <= 2
    two, five = range(round(1.25 * 25), round(1.65 * 25)), range(round(3.5 * 25), round(3.9 * 25))
    assert not set(seen) & {*two, *five}


def test_cuts_are_seen_nearer_and_farther_unless_they_are_to_stay(studio: Studio, clip: str) -> None:
    text = "ADA: [[cue: clip {} joins={}]]One two three. Seven eight nine.\n"
    near = staged(studio, text.format(clip, "nearer")).scenes[0].shown[0]
    stays = staged(studio, text.format(clip, "stays")).scenes[0].shown[0]
    assert [part.zoom for part in near.parts] == [1.0, 1.04]
    assert [part.zoom for part in stays.parts] == [1.0, 1.0]


def test_a_host_asks_and_a_clip_answers(studio: Studio, clip: str) -> None:
    timeline = staged(
        studio, f"MAREN: What did you count?\n\nADA: [[cue: clip {clip}]]One two three.\n\nMAREN: And then?\n"
    )
    scene = timeline.scenes[0]
    assert set(scene.roles) == {"maren"}
    (shown,) = scene.shown
    answer = scene.lines[1]
    assert (shown.span.start, shown.span.end) == pytest.approx((answer.span.start, answer.span.end))
    heard = scene.roles["maren"].lines
    assert [line.start for line in heard] == [scene.lines[0].span.start, scene.lines[2].span.start]
    painter = Painter(timeline, SMALL, studio.resources)
    assert number_at(painter, round((answer.span.start + answer.reading.words[1].start + 0.1) * 25)) in range(32, 37)


def test_the_same_frame_is_the_same_whatever_was_painted_before(studio: Studio, clip: str) -> None:
    timeline = staged(studio, f"ADA: [[cue: clip {clip}]]One three. Seven nine.\n")
    forward, backward = (Painter(timeline, SMALL, studio.resources) for _ in range(2))
    frames = range(0, timeline.frames, 5)
    first = {}
    for frame in frames:
        forward.paint(frame)
        first[frame] = forward.pixels.copy()
    for frame in reversed(frames):
        backward.paint(frame)
        assert np.array_equal(backward.pixels, first[frame]), frame


def test_a_line_with_no_word_of_its_clip_is_refused_in_words(studio: Studio, clip: str) -> None:
    with pytest.raises(SpeechError, match="None of the words of this line is said in its clip"):
        staged(studio, f"ADA: [[cue: clip {clip}]]Nobody sang.\n")


def test_a_script_names_the_clip_by_its_file(studio: Studio, clip: str, tmp_path: Path) -> None:
    script = read_script("ADA: [[cue: clip numbered.mp4 begins=2.5]]Four five six.\n")
    named, notes = with_named_files(Production(script, {"ADA": CastEntry("maren", "fake")}), studio, tmp_path)
    assert notes == []
    (line,) = compile_timeline(named, studio, RATE).scenes[0].lines
    assert line.reading.pieces[0].source == pytest.approx(2.65, abs=0.2)
