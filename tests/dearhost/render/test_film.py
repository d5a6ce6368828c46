"""Films: exact, resumable, chunked without a trace, whole or not there."""

from __future__ import annotations

import errno
import os
import signal
import threading
import time
from dataclasses import replace
from itertools import pairwise
from pathlib import Path

import av
import numpy as np
import psutil
import pytest

from dearhost.errors import RenderStopped, StorageFull
from dearhost.formats import TimedText
from dearhost.production import Studio, read_script
from dearhost.render import RenderSettings, VideoCodec, captions_of, plan_chunks, render_film, still
from dearhost.render.colour import bgra_to_yuv420
from dearhost.stage import Painter, Picture, Timeline, compile_timeline
from dearhost.storage import FolderCache
from dearhost.timebase import FrameRate
from tests.conftest import SHORT_SCRIPT, with_tones


@pytest.fixture
def settings(studio: Studio, small: Picture) -> RenderSettings:
    return RenderSettings(small, studio.folder, VideoCodec(preset="ultrafast", quality=16))


@pytest.mark.parametrize(("form", "camera"), [("webm", "still"), ("mov", "push")])
def test_a_transparent_film_has_the_host_over_nothing(
    studio: Studio, timeline: Timeline, settings: RenderSettings, tmp_path: Path, form: str, camera: str
) -> None:
    """Straight alpha, in every chunk, also where the camera moves; as opaque as the same film over a set is."""
    first = replace(timeline.scenes[0], choices=replace(timeline.scenes[0].choices, camera=camera))
    short = replace(timeline, scenes=(first,))
    clear = replace(settings, codec=replace(settings.codec, form=form))
    path = tmp_path / f"film.{form}"
    render_film(short, path, clear, FolderCache(tmp_path / "chunks", 10**9))
    with av.open(str(path)) as film:
        video = film.streams.video[0]
        decoder = av.CodecContext.create("libvpx-vp9", "r") if form == "webm" else None
        frames = [
            frame.reformat(format="bgra").to_ndarray()
            for packet in film.demux(video)
            for frame in (decoder.decode(packet if packet.dts is not None else None) if decoder else packet.decode())
        ]
        assert len(frames) == short.frames
    host = short.scenes[0].shots[0].hosts[0]
    seen = frames[30][..., 3]
    assert seen[:20].max() <= 3 and (seen <= 3).mean() > 0.4, "nothing that is seen where the set was"
    assert seen[round(host.y * seen.shape[0]), round(host.x * seen.shape[1])] >= 250, "the face is not"
    painter = Painter(short, settings.picture, studio.resources)
    painter.paint(30)
    apart = np.abs(painter.pixels[..., :3].astype(int) - frames[30][..., :3])[seen > 250]
    assert np.percentile(apart, 90) < 16, "and has the colours it has over a set"


def test_a_film_has_exact_frames_tags_sound_and_captions(
    timeline: Timeline, settings: RenderSettings, tmp_path: Path
) -> None:
    soft = RenderSettings(settings.picture, settings.data, settings.codec, soft_captions=True)
    path = tmp_path / "film.mp4"
    report = render_film(timeline, path, soft, FolderCache(tmp_path / "chunks", 10**9))
    with av.open(str(path)) as film:
        video, audio = film.streams.video[0], film.streams.audio[0]
        context = video.codec_context
        assert (context.width, context.height, video.average_rate) == (640, 360, 30)
        assert (context.colorspace, context.color_primaries, context.color_trc, context.color_range) == (1, 1, 1, 1)
        assert film.metadata["title"] and video.metadata["language"] == "eng" and audio.metadata["language"] == "eng"
        packets = [p for p in film.demux(video) if p.dts is not None]
        assert len(packets) == timeline.frames == report.frames
        assert all(a.dts < b.dts for a, b in pairwise(packets))
        times = sorted(p.pts for p in packets)
        assert len({b - a for a, b in pairwise(times)}) == 1
    with av.open(str(path)) as film:
        seconds = sum(f.samples for f in film.decode(film.streams.audio[0])) / 48_000
        assert seconds == pytest.approx(timeline.duration, abs=0.05)
    with av.open(str(path)) as film:
        said = [bytes(p)[2:].decode() for p in film.demux(film.streams.subtitles[0]) if p.size > 2]
        assert said == ["Mama may bring a boat.", "Papa mends the map.", "Maybe I do not."]
    data = path.read_bytes()
    assert data.index(b"moov") < data.index(b"mdat")  # the index comes first


def test_chunks_leave_no_trace_in_the_picture(
    timeline: Timeline, settings: RenderSettings, tmp_path: Path, studio: Studio
) -> None:
    path = tmp_path / "film.mp4"
    render_film(timeline, path, settings, FolderCache(tmp_path / "chunks", 10**9), processes=2)
    alone = tmp_path / "alone.mp4"
    render_film(timeline, alone, settings, FolderCache(tmp_path / "others", 10**9), processes=1)
    assert path.read_bytes() == alone.read_bytes()  # the same film, byte for byte
    painter = Painter(timeline, settings.picture, studio.resources)
    with av.open(str(path)) as film:
        for number, frame in enumerate(film.decode(video=0)):
            if number % 23:
                continue
            painter.paint(number)
            planes = [np.zeros((360, 640), np.uint8), np.zeros((180, 320), np.uint8), np.zeros((180, 320), np.uint8)]
            bgra_to_yuv420(painter.pixels.view(np.uint32)[..., 0], *planes, np.tile([0, 640], (360, 1)), 0, 360)
            shown = np.frombuffer(frame.planes[0], np.uint8).reshape(360, -1)[:, :640].astype(int)
            assert np.abs(shown - planes[0]).mean() < 1.5, number


def test_a_second_render_makes_nothing_twice_and_one_change_makes_one_scene(
    timeline: Timeline, settings: RenderSettings, tmp_path: Path, studio: Studio
) -> None:
    cache = FolderCache(tmp_path / "chunks", 10**9)
    first = render_film(timeline, tmp_path / "a.mp4", settings, cache)
    again = render_film(timeline, tmp_path / "b.mp4", settings, cache)
    assert first.chunks_rendered == first.chunks and again.chunks_rendered == 0
    assert (tmp_path / "a.mp4").read_bytes() == (tmp_path / "b.mp4").read_bytes()
    changed = read_script(SHORT_SCRIPT.replace("Maybe I do not.", "I do."))
    other = compile_timeline(with_tones(changed), studio, FrameRate.of(30))
    assert render_film(other, tmp_path / "c.mp4", settings, cache).chunks_rendered == 1


def test_a_stopped_render_keeps_what_is_done_and_leaves_no_half_file(
    studio: Studio, settings: RenderSettings, tmp_path: Path
) -> None:
    script = read_script("\n\n".join(f"# {i}\n\nMAREN: Mama may bring boat number {i}." for i in range(4)))
    timeline = compile_timeline(with_tones(script), studio, FrameRate.of(30))
    cache = FolderCache(tmp_path / "chunks", 10**9)
    total = len(plan_chunks(timeline, settings))

    def stop(fraction: float, _left: float | None) -> None:
        if fraction > 0.6:
            raise RenderStopped("stop")

    with pytest.raises(RenderStopped):
        render_film(timeline, tmp_path / "film.mp4", settings, cache, progress=stop, processes=1)
    assert not (tmp_path / "film.mp4").exists()
    report = render_film(timeline, tmp_path / "film.mp4", settings, cache)
    assert 0 < report.chunks_rendered < total


def test_a_killed_worker_is_replaced_and_finished_chunks_stay(
    studio: Studio, settings: RenderSettings, tmp_path: Path
) -> None:
    script = read_script("\n\n".join(f"# {i}\n\nMAREN: Mama may bring boat number {i}, and a map." for i in range(4)))
    timeline = compile_timeline(with_tones(script), studio, FrameRate.of(30))
    killed = threading.Event()

    def kill_one(fraction: float, _left: float | None) -> None:
        if fraction > 0.4 and not killed.is_set():
            nurseries = [p for p in psutil.Process().children() if "forkserver" in " ".join(p.cmdline())]
            own = [p for nursery in nurseries for p in nursery.children()]
            if own:
                os.kill(own[0].pid, signal.SIGKILL)
                killed.set()
                time.sleep(0.1)

    report = render_film(
        timeline, tmp_path / "film.mp4", settings, FolderCache(tmp_path / "c", 10**9), progress=kill_one
    )
    assert killed.is_set()
    with av.open(str(report.path)) as film:
        assert sum(1 for _ in film.decode(video=0)) == timeline.frames


def test_a_full_disk_is_told_and_nothing_is_left_under_the_name(
    timeline: Timeline, settings: RenderSettings, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    cache = FolderCache(tmp_path / "chunks", 10**9)
    render_film(timeline, tmp_path / "a.mp4", settings, cache)

    def full(path: Path, *_: object) -> None:
        path.write_bytes(b"half")
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr("dearhost.render.film.join", full)
    with pytest.raises(StorageFull, match="Finished parts are kept"):
        render_film(timeline, tmp_path / "b.mp4", settings, cache)
    assert [p.name for p in tmp_path.iterdir() if p.is_file()] == ["a.mp4"]


def test_a_still_is_the_frame_of_its_moment(timeline: Timeline, small: Picture, studio: Studio) -> None:
    painter = Painter(timeline, small, studio.resources)
    assert still(painter, 1.5)[:3] == b"\xff\xd8\xff"
    early, late = still(painter, -3), still(painter, 10_000)
    assert early == still(painter, 0) and late == still(painter, timeline.duration)


def test_colours_are_bt709_limited() -> None:
    # ITU-R BT.709-6: Y' = 219 (.2126 R' + .7152 G' + .0722 B') + 16 in 8 bits
    for (r, g, b), wanted in (
        ((255, 255, 255), (235, 128, 128)),
        ((0, 0, 0), (16, 128, 128)),
        ((255, 0, 0), (63, 102, 240)),
        ((0, 255, 0), (173, 42, 26)),
        ((0, 0, 255), (32, 240, 118)),
    ):
        source = np.full((2, 2), b | g << 8 | r << 16, np.uint32)
        luma, cb, cr = np.zeros((2, 2), np.uint8), np.zeros((1, 1), np.uint8), np.zeros((1, 1), np.uint8)
        bgra_to_yuv420(source, luma, cb, cr, np.array([[0, 2], [0, 2]]), 0, 2)
        assert np.abs(np.array([luma[0, 0], cb[0, 0], cr[0, 0]], int) - wanted).max() <= 1


def test_captions_of_a_film_are_in_film_time(timeline: Timeline) -> None:
    captions = captions_of(timeline)
    assert all(isinstance(c, TimedText) for c in captions)
    assert captions[-1].start > timeline.scenes[1].start
