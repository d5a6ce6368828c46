"""Films: drawing against encoding, memory, and what a killed worker costs."""

from __future__ import annotations

import multiprocessing
import os
import signal
import threading
import time
from collections.abc import Callable, Iterator, Sequence
from pathlib import Path

import av
import psutil

from benchmarks.material import RATE, before_a_clip, beside_a_picture, production, studio_in, timeline
from dearhost.errors import RenderStopped
from dearhost.films import FilmOrder, make_film
from dearhost.production import Production, Studio
from dearhost.render import RenderSettings, VideoCodec, plan_chunks, render_film
from dearhost.render.encoding import add_video
from dearhost.render.frames import FrameSource
from dearhost.stage import Painter, Picture, compile_timeline
from dearhost.stage.painting.painter import first_frame
from dearhost.storage import FolderCache

_ROUNDS = 3
_TEN_MINUTES = 44
"""Scenes. Nothing is read before to know it better: the voice that read it would stay in memory."""


def film_against_encoding(folder: Path) -> Iterator[str]:
    """Frames a CPU second of a film, as a part of those of encoding the same frames already drawn.

    Each round is a scene of its own, as in a film: nothing of it was drawn before. Fonts and kernels are there.
    """
    yield from _against_encoding(folder, lambda _, scenes: production(scenes), ((1080, 0.70), (720, 0.60)))


def staged_against_encoding(folder: Path) -> Iterator[str]:
    """The same with a picture beside the host the whole time, over a painted set at dusk."""
    yield from _against_encoding(folder, lambda _, scenes: beside_a_picture(scenes), ((1080, 0.72), (720, 0.67)))


def footage_against_encoding(folder: Path) -> Iterator[str]:
    """The same before footage that moves all the time."""
    yield from _against_encoding(folder, before_a_clip, ((1080, 0.62), (720, 0.61)))


def _against_encoding(
    folder: Path, written: Callable[[Studio, int], Production], aims: Sequence[tuple[int, float]]
) -> Iterator[str]:
    studio = studio_in(folder)
    staged = compile_timeline(written(studio, 2 * _ROUNDS).checked(studio), studio, RATE)
    for turn, (height, aim) in enumerate(aims):
        picture = Picture.of("16:9", height)
        FrameSource(Painter(staged, picture, studio.resources)).paint(staged.frames - 1)
        ratios = []
        for scene in staged.scenes[turn * _ROUNDS : (turn + 1) * _ROUNDS]:
            source = FrameSource(Painter(staged, picture, studio.resources))
            first = first_frame(staged, scene)
            count = min(240, RATE.frames_in(scene.duration))
            frames, started = [], time.process_time()
            for number in range(first, first + count):
                frames.append(_copied(source.paint(number)))
            drawing = time.process_time() - started
            started = time.process_time()
            for frame in frames:
                _copied(frame)
            drawing -= time.process_time() - started  # the copies belong to the measurement, not to the film
            encoding = _encode(frames, picture, folder / "encoded.mp4")
            ratios.append(encoding / (encoding + drawing))
        ratios.sort()
        detail = ", ".join(f"{r:.2f}" for r in ratios)
        yield f"{height}p30: film / encoding alone = {ratios[len(ratios) // 2]:.2f} (aim {aim:.2f}; rounds {detail})"


def _copied(frame: av.VideoFrame) -> av.VideoFrame:
    copy = av.VideoFrame(frame.width, frame.height, frame.format.name)
    for target, source in zip(copy.planes, frame.planes, strict=True):
        target.update(source)
    return copy


def _encode(frames: list[av.VideoFrame], picture: Picture, path: Path) -> float:
    started = time.process_time()
    with av.open(str(path), "w") as container:
        stream = add_video(container, picture, RATE, VideoCodec())
        for number, frame in enumerate(frames):
            frame.pts, frame.pict_type = number, 0
            container.mux(stream.encode(frame))
        container.mux(stream.encode())
    return time.process_time() - started


def memory_of_ten_minutes(folder: Path) -> Iterator[str]:
    """Peak of the memory of all processes while a film of ten minutes is made, from its script on."""
    studio = studio_in(folder)
    order = FilmOrder(production(_TEN_MINUTES).checked(studio), Picture.of("16:9", 1080), RATE)
    over, peak = threading.Event(), [0]

    def watch() -> None:
        me = psutil.Process()
        while not over.wait(0.5):
            peak[0] = max(peak[0], sum(_memory(p) for p in [me, *me.children(recursive=True)]))

    watcher = threading.Thread(target=watch, daemon=True)
    watcher.start()
    started = time.monotonic()
    report, _ = make_film(order, folder / "long.mp4", studio)
    over.set()
    watcher.join()
    took = time.monotonic() - started
    yield (
        f"{report.seconds:.0f} s of film at 1080p30: peak {peak[0] / 1e9:.2f} GB in all processes (aim 1.20), "
        f"{took / report.seconds:.2f} of its length"
    )


def _memory(process: psutil.Process) -> int:
    """Its own memory and its part of what is shared."""
    try:
        return int(process.memory_full_info().pss)
    except (psutil.Error, AttributeError):
        return 0


def killed_worker(folder: Path) -> Iterator[str]:
    """Chunks a second start renders after the whole renderer was killed halfway."""
    studio = studio_in(folder)
    staged = timeline(studio, scenes=4)
    settings = RenderSettings(Picture.of("16:9", 360), studio.folder)
    cache = FolderCache(folder / "resumed", 10**9)
    total = len(plan_chunks(staged, settings))
    renderer = multiprocessing.get_context("spawn").Process(target=_render, args=(folder, cache.folder))
    renderer.start()
    while sum(p.is_file() and p.name[0] != "." for p in cache.folder.rglob("*")) < total // 2 and renderer.is_alive():
        time.sleep(0.02)
    os.kill(renderer.pid or 0, signal.SIGKILL)
    renderer.join()
    report = render_film(staged, folder / "resumed.mp4", settings, cache)
    kept = total - report.chunks_rendered
    yield f"killed with {kept} of {total} chunks done: {report.chunks_rendered} rendered by the second start"
    again = render_film(staged, folder / "again.mp4", settings, cache)
    yield f"ordered once more: {again.chunks_rendered} of {total} rendered"


def _render(folder: Path, chunks: Path) -> None:
    studio = Studio(folder)
    settings = RenderSettings(Picture.of("16:9", 360), studio.folder)
    try:
        render_film(timeline(studio, scenes=4), folder / "killed.mp4", settings, FolderCache(chunks, 10**9))
    except RenderStopped:
        return


def host_against_encoding(folder: Path) -> Iterator[str]:
    """CPU a frame of a half-body host over a minute of talk with gestures, and as a part of encoding those frames."""
    studio = studio_in(folder)
    staged = timeline(studio, scenes=6)
    picture = Picture.of("16:9", 1080)
    count = min(60 * 30, staged.frames)
    source, painter = (
        FrameSource(Painter(staged, picture, studio.resources)),
        Painter(staged, picture, studio.resources),
    )
    drawing = spent = 0.0
    for first in range(0, count, 120):  # turn by turn: a machine is not always as fast
        numbers = range(first, min(first + 120, count))
        started = time.process_time()
        for number in numbers:
            painter.paint(number)
        drawing += time.process_time() - started
        spent += _encode([_copied(source.paint(number)) for number in numbers], picture, folder / "host.mp4")
    yield f"1080p30 over {count / 30:.0f} s: painting {1000 * drawing / count:.1f} ms a frame (aim 10)"
    yield f"painting / encoding = {drawing / spent:.2f} (aim .35)"
