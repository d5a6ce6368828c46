"""Clips from a moment of theirs on, quicker or slower: which frame is seen when, and what is heard of them."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf import Loop
from dearhost.production import Studio, findings, read_script
from dearhost.render.soundtrack import FOOTAGE, film_tracks
from dearhost.sound import mix
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.backdrops.footage import played_at
from dearhost.stage.backdrops.placing import Placing
from dearhost.stage.painting.shelf_images import ShelfImages
from dearhost.stage.timeline import ClipTime, Shown
from dearhost.timebase import FrameRate, Span
from tests.clips import counted, write_clip
from tests.conftest import with_tones

RATE = FrameRate.of(30)
SPEEDS = st.floats(0.25, 4.0)
CLIP = "c" + "0" * 15


@pytest.fixture(scope="module")
def clip(studio: Studio, tmp_path_factory: pytest.TempPathFactory) -> str:
    """Four seconds, 25 frames a second; 330 Hz in its first half, 660 in its second."""
    time = np.arange(4 * 48_000) / 48_000
    sound = 0.4 * np.sin(2 * np.pi * np.where(time < 2, 330, 660) * time)
    path = write_clip(tmp_path_factory.mktemp("files") / "two-tones.mp4", counted(100), rate=25, sound=sound)
    return studio.shelf.take(path, path.name).id


def staged(studio: Studio, text: str, **choices: Any) -> Timeline:
    return compile_timeline(with_tones(read_script(text), **choices), studio, RATE)


@given(st.floats(0, 100), SPEEDS, st.floats(0, 50))
def test_a_moment_of_a_clip_is_found_again(since: float, speed: float, begins: float) -> None:
    time = ClipTime(begins, speed)
    assert time.since(time.of_clip(since)) == pytest.approx(since, abs=1e-9)


@given(st.floats(0, 60), SPEEDS, st.sampled_from(["loops", "holds"]), st.booleans())
def test_behind_hosts_a_clip_at_a_speed_shows_what_it_shows_that_much_later(
    moment: float, speed: float, ends: str, joined: bool
) -> None:
    loop = Loop(0.5, 1.5, 0.2, 1.0) if joined else None
    quick = Placing(CLIP, begins=0.3, ends=ends, speed=speed)
    assert played_at(moment, quick, loop, 2.0) == played_at(
        moment * speed, Placing(CLIP, begins=0.3, ends=ends), loop, 2.0
    )


@pytest.mark.parametrize(("begins", "speed"), [(0.0, 1.0), (1.0, 1.0), (0.0, 2.0), (0.52, 0.5), (1.0, 4.0)])
def test_on_words_the_frames_are_those_of_their_moment(studio: Studio, clip: str, begins: float, speed: float) -> None:
    shown = Shown("own", Span(1.0, 3.0), {"items": clip, "begins": begins, "speed": speed})
    images = ShelfImages(studio.shelf, shown, 96)
    for since in (0.02, 0.5, 1.1, 1.9):
        wanted = min(99, int((begins + since * speed) * 25 + 1e-6))
        assert images.now(1.0 + since) == (clip, wanted)


def test_of_several_each_begins_at_its_moment(studio: Studio, clip: str) -> None:
    shown = Shown("own", Span(0.0, 4.0), {"items": f"{clip} {clip}", "begins": 1.0, "speed": 0.5})
    images = ShelfImages(studio.shelf, shown, 96)
    assert images.now(0.5) == images.now(2.5) == (clip, round(1.25 * 25))


def test_a_quicker_clip_moves_on_more_in_the_picture(studio: Studio, clip: str, small: Picture) -> None:
    def bits(**choices: Any) -> int:
        painter = Painter(staged(studio, "MAREN: Mama may bring a boat.", set=clip, own_tone="own", **choices), small,
                          studio.resources)  # fmt: skip
        painter.paint(30)
        row = painter.pixels[2, :, 0]
        return sum(int(row[int((index + 0.5) * small.width / 8)] > 120) << index for index in range(8))

    assert bits() == 25 and bits(own_speed=2.0) == 50 and bits(own_speed=0.5, own_begins=1.0) == 37


def strength(studio: Studio, timeline: Timeline, hertz: float, begin: float, end: float) -> float:
    """How strongly a tone is heard of clips."""
    [track] = [t for t in film_tracks(timeline, studio.shelf) if t.name == FOOTAGE]
    sound = mix([track], timeline.duration, 48_000).left[round(begin * 48_000) : round(end * 48_000)]
    time = np.arange(len(sound)) / 48_000
    return float(abs((sound * np.exp(-2j * np.pi * hertz * time)).mean()))


def test_its_sound_goes_with_it_at_its_pitch(studio: Studio, clip: str) -> None:
    text = "MAREN: [[cue: own {} sound=under {}]]Mama may bring a boat to the bay, and Papa mends the map.[[/cue]]"
    usual, quick, late = (staged(studio, text.format(clip, how)) for how in ("", "speed=2", "begins=2"))
    at = usual.scenes[0].shown[0].span.start
    for timeline, first, second in ((usual, 330, 330), (quick, 330, 660), (late, 660, 660)):
        for hertz, begin in ((first, at + 0.4), (second, at + 1.2)):
            heard = strength(studio, timeline, hertz, begin, begin + 0.5)
            assert heard > 5 * strength(studio, timeline, 990 - hertz, begin, begin + 0.5), (hertz, begin)


def test_what_no_clip_can_do_is_told(studio: Studio) -> None:
    [found] = findings(read_script(f"MAREN: [[cue: own {CLIP} speed=9]]Mama may.[[/cue]]"))
    assert "'speed' must be from 0.25 to 4" in found.message
