"""What a writer waits for: the first picture after a change, and stills."""

from __future__ import annotations

import multiprocessing
import statistics
import time
from collections.abc import Iterator
from pathlib import Path

from benchmarks.material import RATE, production, studio_in, timeline
from dearhost.render import still, stream_pictures
from dearhost.stage import Painter, Picture, compile_scene


def changed_word(folder: Path) -> Iterator[str]:
    """From a changed word to the first playable piece of that scene, as a part of the scene's length."""
    studio = studio_in(folder)
    staged = timeline(studio)
    list(stream_pictures(Painter(staged, Picture.of("16:9", 360), studio.resources), staged.scenes[0]))
    for lines in (1, 2, 4):
        waits, duration = [], 0.0
        for word in ("comes", "answers", "obeys"):
            changed = production(word=f"{word} {lines} times", lines=lines).checked(studio)
            for line in changed.script.scenes[0].lines[1:]:
                studio.speaker.read(line.text, changed.entry(line.speaker).voice)  # only the first was changed
            started = time.monotonic()
            scene = compile_scene(changed, changed.script.scenes[0].id, studio, RATE)
            pieces = stream_pictures(Painter(scene, Picture.of("16:9", 360), studio.resources), scene.scenes[0])
            next(pieces)
            duration = scene.duration
            waits.append((time.monotonic() - started) / duration)
            list(pieces)
        yield (
            f"a scene of {duration:.1f} s: first playable piece after {statistics.median(waits):.2f} of its length "
            f"(aim 0.25; {', '.join(f'{w:.2f}' for w in waits)})"
        )


def stills(folder: Path) -> Iterator[str]:
    """A still of 640x360, with a painter at hand and with a new one; beside the length of a frame."""
    studio = studio_in(folder)
    staged = timeline(studio)
    picture = Picture.of("16:9", 360)
    cold = []
    for _ in range(5):
        started = time.monotonic()
        painter = Painter(staged, picture, studio.resources)
        still(painter, 2.0)
        cold.append((time.monotonic() - started) * 1000)
    warm = []
    for number in range(20):
        started = time.monotonic()
        still(painter, 0.4 * number)
        warm.append((time.monotonic() - started) * 1000)
    pool = multiprocessing.get_context("spawn").Pool(1)
    with pool:
        first = pool.apply(_first_still, (folder,))
    yield (
        f"warm {statistics.median(warm):.0f} ms (aim 50), a new painter {statistics.median(cold[1:]):.0f} ms (aim 150)"
    )
    yield f"the very first of a process, fonts and sets loaded with it: {first:.0f} ms"


def _first_still(folder: Path) -> float:
    studio = studio_in(folder)
    staged = timeline(studio)
    started = time.monotonic()
    still(Painter(staged, Picture.of("16:9", 360), studio.resources), 2.0)
    return (time.monotonic() - started) * 1000
