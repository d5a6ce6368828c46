"""A timeline into a finished file: missing chunks are rendered, then all are joined with the sound."""

from __future__ import annotations

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from pathlib import Path

import av

from dearhost.errors import RenderError
from dearhost.formats import TimedText
from dearhost.production import Resources
from dearhost.production.caption_choices import with_own
from dearhost.render.chunk_pool import Clock, default_processes, render_chunks
from dearhost.render.joining import join
from dearhost.render.plan import RenderSettings, plan_chunks
from dearhost.render.soundtrack import film_tracks, mastered
from dearhost.sound import Stereo
from dearhost.stage import Timeline
from dearhost.storage import FolderCache, write_whole

Progress = Callable[[float, float | None], None]
"""Told the fraction done and the seconds left (None = not known yet); may raise to stop."""


@dataclass(frozen=True, slots=True)
class FilmReport:
    """What was made."""

    path: Path
    frames: int
    seconds: float
    chunks: int
    chunks_rendered: int


def captions_of(timeline: Timeline) -> tuple[TimedText, ...]:
    """All captions in film time."""
    return tuple(
        replace(caption.timed_text(scene.start), top=with_own(scene.choices, caption.own).caption_place == "top")
        for scene in timeline.scenes
        for caption in scene.captions
    )


def _sound_of(timeline: Timeline, settings: RenderSettings) -> Stereo:
    tracks = film_tracks(timeline, Resources.at(settings.data).shelf)
    return mastered(tracks, timeline.duration, timeline.loudness)


def render_film(timeline: Timeline, path: Path, settings: RenderSettings, cache: FolderCache, *,
                progress: Progress | None = None, processes: int = 0) -> FilmReport:  # fmt: skip
    """Render ``timeline`` to ``path`` in the form of its settings. Chunks found in ``cache`` are not rendered again.

    The file appears under its final name only when it is whole. Raises RenderError and its kinds, and
    whatever ``progress`` raises; finished chunks stay in the cache.
    """
    chunks = plan_chunks(timeline, settings)
    missing = [c for c in chunks if cache.find(c.name) is None]
    missing = list({c.name: c for c in missing}.values())
    clock = Clock(sum(c.frames for c in missing))

    def frames_done(amount: int) -> None:
        clock.advance(amount)
        if progress:
            progress(0.02 + 0.93 * clock.fraction if missing else 0.95, clock.seconds_left)

    with ThreadPoolExecutor(1) as pool:
        mastering = pool.submit(_sound_of, timeline, settings)
        if missing:
            render_chunks(
                timeline.silent(), settings, missing, cache, frames_done, processes=processes or default_processes()
            )
        sound = mastering.result()
    parts = [(chunk, cache.path_of(chunk.name)) for chunk in chunks]
    captions = captions_of(timeline) if settings.soft_captions else ()
    try:
        write_whole(path, lambda part: join(part, parts, timeline, sound, captions, settings.codec.film_form))
    except av.FFmpegError as error:
        raise RenderError(f"The film could not be put together: {error}. Finished parts are kept.") from error
    if progress:
        progress(1.0, 0.0)
    return FilmReport(path, timeline.frames, timeline.duration, len(chunks), len(missing))
