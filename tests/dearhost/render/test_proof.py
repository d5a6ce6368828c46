"""Proofs: picture and sound apart, in step to the sample, and made no longer than somebody listens."""

from __future__ import annotations

import io
import threading
from collections.abc import Generator
from typing import Any

import av
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from dearhost.production import Studio
from dearhost.render import SAMPLE_RATE, mastered, stream_pictures, stream_sound
from dearhost.render.soundtrack import mastered_from, tracks_of_scene
from dearhost.sound import Placement, Track
from dearhost.stage import Painter, Picture, Timeline


def shown(pieces: Generator[bytes, None, None]) -> list[Any]:
    """(seconds, picture) of every frame."""
    with av.open(io.BytesIO(b"".join(pieces))) as proof:
        return [(frame.time, frame.to_ndarray(format="gray")) for frame in proof.decode(video=0)]


def heard(pieces: Generator[bytes, None, None]) -> np.ndarray:
    """The samples of both channels, from -1 to 1."""
    with av.open(io.BytesIO(b"".join(pieces))) as proof:
        frames = list(proof.decode(audio=0))
    assert frames[0].pts == 0
    assert {frame.samples for frame in frames[:-1]} <= {1024}, "what is decoded ahead is heard before what is new"
    return np.concatenate([frame.to_ndarray() for frame in frames], axis=1).reshape(-1, 2).T / 32768


@pytest.mark.parametrize("start", [0.0, 0.5, 0.51, 0.5333, 0.999])
def test_picture_and_sound_begin_at_the_moment_asked_for_and_end_together(
    timeline: Timeline, small: Picture, studio: Studio, start: float
) -> None:
    scene, rate = timeline.scenes[1], timeline.frame_rate
    frames = shown(stream_pictures(Painter(timeline, small, studio.resources), scene, start))
    times = [at for at, _ in frames]
    whole = rate.frames_in(scene.duration)
    assert len(frames) == whole - int(start * 30)
    assert times[0] == 0 and times[1] == pytest.approx((int(start * 30) + 1) / 30 - start, abs=2e-5)
    assert np.allclose(np.diff(times[1:]), 1 / 30, atol=3e-5)
    sound = heard(stream_sound(timeline, scene, studio.resources.shelf, start))
    assert sound.shape[1] / SAMPLE_RATE == pytest.approx(times[-1] + 1 / 30, abs=1e-4)


def test_the_sound_of_a_part_is_that_of_the_film_to_the_sample(timeline: Timeline, studio: Studio) -> None:
    scene = timeline.scenes[0]
    film = mastered(tracks_of_scene(timeline, scene, studio.resources.shelf), scene.duration, timeline.loudness)
    part = heard(stream_sound(timeline, scene, studio.resources.shelf, 0.71, 1.62))
    first = round(0.71 * SAMPLE_RATE)
    last = round(timeline.frame_rate.frames_in(1.62) / 30 * SAMPLE_RATE)
    wanted = np.stack([film.left[first:last], film.right[first:last]])
    assert part.shape == wanted.shape and np.abs(part - wanted).max() < 1e-4


@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(start=st.floats(0, 90_000), length=st.one_of(st.none(), st.floats(0, 90_000)))
def test_any_part_has_something_to_hear_and_no_more_than_there_is(
    timeline: Timeline, studio: Studio, start: float, length: float | None
) -> None:
    scene = timeline.scenes[0]
    until = None if length is None else start + length
    sound = heard(stream_sound(timeline, scene, studio.resources.shelf, start, until))
    assert sound.shape[1] <= round(timeline.frame_rate.frames_in(scene.duration) / 30 * SAMPLE_RATE)
    if start < scene.duration - 0.1:
        assert sound.shape[1] >= 0.05 * SAMPLE_RATE


def test_a_moment_past_the_end_shows_the_last_picture(timeline: Timeline, small: Picture, studio: Studio) -> None:
    painter, scene = Painter(timeline, small, studio.resources), timeline.scenes[0]
    [(at, last)] = shown(stream_pictures(painter, scene, 4_000.0))
    whole = shown(stream_pictures(painter, scene))
    assert at == 0 and np.abs(last.astype(int) - whole[-1][1]).mean() < 3


@pytest.mark.parametrize("part", ["picture", "sound"])
def test_nothing_more_is_made_when_nobody_listens(
    timeline: Timeline, small: Picture, studio: Studio, part: str
) -> None:
    scene = timeline.scenes[1]
    if part == "picture":
        pieces = stream_pictures(Painter(timeline, small, studio.resources), scene)
    else:
        pieces = stream_sound(timeline, scene, studio.resources.shelf)
    next(pieces)
    pieces.close()
    assert not [t for t in threading.enumerate() if t.name == "proof" and t.is_alive()]


@pytest.mark.parametrize("loudness", ["-16", "-23", "none"])
@pytest.mark.parametrize("under", [6.0, 20.0])
def test_what_is_heard_at_once_is_as_loud_as_in_the_film(
    timeline: Timeline, studio: Studio, under: float, loudness: str
) -> None:
    """How loud it is is foreseen: within an eighth of a dB for the first part, to the sample after it."""
    scene = timeline.scenes[0]
    spoken = tracks_of_scene(timeline, scene, studio.resources.shelf)
    time = np.arange(round(scene.duration * SAMPLE_RATE)) / SAMPLE_RATE
    chord = [sum(np.sin(2 * np.pi * hertz * time) for hertz in tones) for tones in ((220, 277, 330), (220, 277, 440))]
    music = (np.stack(chord, axis=1) * 0.05).astype(np.float32)
    bed = Track("bed", (Placement(0.0, SAMPLE_RATE, music, ((0.0, -under),)),))
    first = round(0.4 * SAMPLE_RATE)
    counts = SAMPLE_RATE // 2, SAMPLE_RATE
    *at_once, rest = mastered_from([*spoken, bed], scene.duration, loudness, first, counts)
    film = mastered([*spoken, bed], scene.duration, loudness)
    assert tuple(map(len, at_once)) == counts
    for part in at_once:
        for made, whole in ((part.left, film.left), (part.right, film.right)):
            within = whole[first : first + len(part)]
            assert abs(20 * np.log10(np.std(made) / np.std(within))) < 0.125
            assert np.corrcoef(made, within)[0, 1] > 0.9999
        first += len(part)
    assert np.array_equal(rest.right, film.right[first:])


@pytest.mark.parametrize("early", [0, 400, SAMPLE_RATE])
def test_near_its_end_a_sound_has_as_many_parts(timeline: Timeline, studio: Studio, early: int) -> None:
    scene = timeline.scenes[0]
    spoken, total = tracks_of_scene(timeline, scene, studio.resources.shelf), round(scene.duration * SAMPLE_RATE)
    parts = list(mastered_from(spoken, scene.duration, "-16", total - early, (600, 6000)))
    assert [len(part) for part in parts] == [min(early, 600), min(6000, max(0, early - 600)), max(0, early - 6600)]
