"""Caption files against a script: ours read back ask for nothing, others become corrections that show what they say."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.errors import UnreadableScript
from dearhost.films import caption_text
from dearhost.production import Studio, read_script
from dearhost.script import Cue, Line, Scene, Script, new_id
from dearhost.script.subtitle_file import captions_in
from dearhost.stage import Timeline, compile_timeline
from dearhost.stage.caption_file import CaptionCue, read_captions
from dearhost.timebase import FrameRate
from tests.conftest import with_tones

TEXT = (
    "MAREN: So the sea is stretched. It piles up in two low hills: one under the Moon, and one on the far side.\n\n"
    "SKERRY: Two? There is only one Moon — I counted."
)


def texts(written: str, name: str) -> list[str]:
    return [caption.text for caption in captions_in(written, name)]


def compiled(studio: Studio, script: Script) -> Timeline:
    return compile_timeline(with_tones(script), studio, FrameRate.of(25))


def with_cues(script: Script, cues: tuple[CaptionCue, ...]) -> Script:
    """The script with what was read out of a file."""

    def line(block: Line) -> Line:
        own = tuple(Cue(new_id(), c.kind, c.start, dict(c.parameters), end=c.end) for c in cues if c.line == block.id)
        return Line(block.id, block.speaker, block.text, tuple(sorted(own, key=lambda cue: cue.start)))

    scenes = tuple(Scene(s.id, s.heading, tuple(line(b) for b in s.lines), s.staging) for s in script.scenes)
    return Script(script.title, scenes, script.notes)


@pytest.mark.parametrize("kind", ["srt", "vtt"])
def test_our_own_captions_read_back_correct_nothing(studio: Studio, kind: str) -> None:
    script = read_script(TEXT)
    written = caption_text(compiled(studio, script), kind)
    read = read_captions(texts(written, f"a.{kind}"), script)
    assert read.left == () and {cue.kind for cue in read.cues} == {"caption-cut"}
    again = caption_text(compiled(studio, with_cues(script, read.cues)), kind)
    assert again == written


SRT = """1
00:00:00,500 --> 00:00:03,000
SO the sea is stretched.

2
00:00:03,000 --> 00:00:06,000
It piles up in 2 low hills: (a gull cries)

3
00:00:06,000 --> 00:00:09,000
one under the Moon
and one on the very far side.

4
00:00:09,000 --> 00:00:12,000
- Two? There's only one Moon — I counted.
"""


def test_what_a_file_shows_otherwise_is_shown_and_the_script_stays(studio: Studio) -> None:
    script = read_script(TEXT)
    read = read_captions(texts(SRT, "a.srt"), script)
    corrected = with_cues(script, read.cues)
    assert [line.text for _, _, line in corrected.lines()] == [line.text for _, _, line in script.lines()]
    rows = [" ".join(c.texts()) for c in compiled(studio, corrected).scenes[0].captions]
    assert rows[0] == "SO the sea is stretched."
    assert rows[1] == "It piles up in 2 low hills:"
    assert (
        " ".join(rows[2:]) == "one under the Moon and one on the very far side. Two? There's only one Moon — I counted."
    )


def test_captions_of_something_else_are_refused_in_words() -> None:
    with pytest.raises(UnreadableScript, match="say something else than the script: 1 of its"):
        read_captions(["Nobody counted anything."], read_script(TEXT))
    with pytest.raises(UnreadableScript, match="holds no captions"):
        captions_in("WEBVTT\n", "a.vtt")


WORDS = st.lists(st.sampled_from("tide boat wall bell gull moon sand keel mast rope".split()), min_size=4, max_size=30)


@given(WORDS, st.data())
def test_whatever_one_word_becomes_it_is_shown_and_no_other(said: list[str], data: st.DataObject) -> None:
    script = Script(scenes=(Scene("s", "", (Line("l", "", " ".join(said)),)),))
    at = data.draw(st.integers(0, len(said) - 1))
    shown = [*said[:at], "harbourmaster", *said[at + 1 :]]
    cut = data.draw(st.integers(1, len(shown) - 1))
    read = read_captions([" ".join(shown[:cut]), " ".join(shown[cut:])], script)
    words = list(said)
    starts = [sum(len(w) + 1 for w in said[:n]) for n in range(len(said))]
    for cue in sorted((c for c in read.cues if c.kind == "caption"), key=lambda c: -c.start):
        first = starts.index(cue.start)
        last = starts.index(cue.end) if cue.end is not None else first
        words[first : last + 1] = [cue.parameters["text"]]
    assert " ".join(words).split() == shown and read.left == ()


def test_ten_thousand_captions_are_read_and_each_one_found() -> None:
    said = [f"Word{number % 977} of the sea" for number in range(10_000)]
    lines = (" ".join(said[first : first + 10]) for first in range(0, 10_000, 10))
    script = read_script("# The sea\n\n" + "\n\n".join(f"MAREN: {line}." for line in lines))
    shown = [*said]
    shown[1234] = "Word257 of a sea"
    read = read_captions(shown, script)
    corrected = [cue for cue in read.cues if cue.parameters.get("text", "").split()[:1] == ["a"]]
    assert len(corrected) == 1 and read.left == ()
    line = next(line for _, _, line in script.lines() if line.id == corrected[0].line)
    assert line.text.split()[18] == "the" and line.text[corrected[0].start :].startswith("the sea")
    assert sum(cue.kind == "caption-cut" for cue in read.cues) == 9_000, "every caption but the first of a line"


def test_captions_come_in_order_of_time_without_who_speaks() -> None:
    written = """WEBVTT

00:05.000 --> 00:07.000
<v Skerry>So it is.

00:01.000 --> 00:03.500
<v Maren>The tide is in.
"""
    assert [(c.text, c.start, c.end) for c in captions_in(written, "a.vtt")] == [
        ("The tide is in.", 1.0, 3.5), ("So it is.", 5.0, 7.0)
    ]  # fmt: skip
    with pytest.raises(UnreadableScript, match=r"'empty\.vtt' holds no captions"):
        captions_in("WEBVTT\n", "empty.vtt")
