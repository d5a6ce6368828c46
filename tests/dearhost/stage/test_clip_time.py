"""Clips from a moment of theirs on, quicker or slower: which frame is seen when, and what is heard of them."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from dearhost.assets.shelf import Loop
from dearhost.production import Studio, findings, read_script
from dearhost.render.clip_sound import of_clip
from dearhost.render.soundtrack import FOOTAGE, film_tracks
from dearhost.sound import mix
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.stage.clip_time import ClipTime
from dearhost.stage.painting.shelf_images import ShelfImages
from dearhost.stage.timeline import Shown
from dearhost.timebase import FrameRate, Span
from tests.clips import counted, write_clip
from tests.conftest import with_tones

RATE = FrameRate.of(30)
SPEEDS, MOMENTS = st.floats(0.25, 4.0), st.floats(0, 60)
JOINED = Loop(0.5, 1.5, 0.2, 1.0)
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


@given(MOMENTS, SPEEDS, st.booleans(), st.sampled_from([None, JOINED]))
def test_a_clip_at_a_speed_shows_what_it_shows_that_much_later(
    moment: float, speed: float, loops: bool, joined: Loop | None
) -> None:
    quick, usual = (ClipTime(0.3, one, loops=loops) for one in (speed, 1.0))
    assert quick.played(moment, joined, 2.0) == usual.played(moment * speed, joined, 2.0)


CUTS = st.tuples(st.floats(0, 3), st.floats(0, 5), st.sampled_from([None, JOINED]))
"""Where a clip of two seconds begins and ends, beyond its end as well, and where it joins itself best."""


@given(MOMENTS, CUTS, st.booleans())
def test_nothing_is_seen_of_what_is_cut_off(moment: float, cut: tuple[float, float, Loop | None], loops: bool) -> None:
    begins, until, joined = cut
    first, second, part = ClipTime(begins, 1.0, until, loops).played(moment, joined, 2.0)
    ends = until if begins + 0.1 < until < 2.0 else 2.0
    for seen in (first, second) if part else (first,):
        assert min(begins, 1.9) - 1e-9 <= seen <= ends + 1e-9
    assert 0 <= part <= 1


@given(MOMENTS, CUTS)
def test_the_join_of_a_round_is_no_jump(moment: float, cut: tuple[float, float, Loop | None]) -> None:
    """What is seen moves on by as much as time does, but for the fade from one place to the other."""
    begins, until, joined = cut
    time = ClipTime(begins, 1.0, until, loops=True)
    turn = time.round(joined, 2.0)
    before, after = (time.played(moment + step, joined, 2.0) for step in (0.0, 0.001))
    for first, second, part in (before, after):
        if part:
            assert first - second == pytest.approx(turn.end - turn.start)
    if min(before[0], after[0]) > turn.start:
        step = (after[0] - before[0]) % (turn.end - turn.start)
        assert min(step - 0.001, turn.end - turn.start - step + 0.001, key=abs) == pytest.approx(0, abs=1e-6)


def test_a_clip_that_is_not_cut_is_joined_where_it_fits_best() -> None:
    assert ClipTime(loops=True).round(JOINED, 2.0) == ClipTime(0.5, loops=True).round(JOINED, 2.0) == JOINED
    for cut in (ClipTime(0.6), ClipTime(until=1.9)):
        assert cut.round(JOINED, 2.0) != JOINED


def test_its_sound_goes_round_with_its_picture() -> None:
    """At every moment what is heard is the sample of the moment that is seen, whatever is cut off."""
    second = np.arange(2 * 48_000, dtype=np.float32)[:, None] / 48_000
    for time in (ClipTime(0.4, 1.0, 1.5, True), ClipTime(loops=True), ClipTime(0.4, 1.0, 1.5), ClipTime(1.2)):
        heard = of_clip(second, time, JOINED, 2.0, 7.0)
        assert heard.shape == (7 * 48_000, 1)
        for moment in np.arange(0.01, 6.99, 0.0977):
            first, goes_into, part = time.played(float(moment), JOINED, 2.0)
            stays = not time.loops and time.of_clip(float(moment)) > time.last(2.0)
            wanted = 0.0 if stays else (1 - part) * first + part * goes_into
            assert float(heard[round(moment * 48_000), 0]) == pytest.approx(wanted, abs=1e-3), (time, moment)


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


def test_behind_hosts_a_clip_ends_where_it_is_to(studio: Studio, clip: str, small: Picture) -> None:
    """Seen and heard: of half a second that goes round nothing else comes, and its sound goes on."""
    text = "MAREN: Mama may bring a boat to the bay, and Papa mends the map."
    own = {"own_begins": 1.2, "own_until": 1.8, "own_tone": "own", "own_sound": "under"}
    timeline = staged(studio, text, set=clip, **own)
    painter = Painter(timeline, small, studio.resources)
    seen = set()
    for frame in range(0, round(timeline.duration * 30), 4):
        painter.paint(frame)
        row = painter.pixels[2, :, 0]
        seen.add(sum(int(row[int((index + 0.5) * small.width / 8)] > 120) << index for index in range(8)))
    assert 30 in seen and max(len(seen & {n}) for n in range(30, 45)) and not seen & {*range(25), *range(65, 100)}
    for begin in (0.4, 1.7, 2.6):
        assert strength(studio, timeline, 330, begin, begin + 0.3) > 5 * strength(
            studio, timeline, 660, begin, begin + 0.3
        )
    held = staged(studio, text, set=clip, **own, own_ends="holds")
    assert strength(studio, held, 330, 0.1, 0.4) > 20 * strength(studio, held, 330, 1.5, 2.5), "silence where it stays"


def test_what_no_clip_can_do_is_told(studio: Studio) -> None:
    [found] = findings(read_script(f"MAREN: [[cue: own {CLIP} speed=9]]Mama may.[[/cue]]"))
    assert "'speed' must be from 0.25 to 4" in found.message
