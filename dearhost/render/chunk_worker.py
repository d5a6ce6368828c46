"""The process that draws and encodes chunks. It gets the timeline once, then chunk after chunk."""

from __future__ import annotations

import traceback
from dataclasses import dataclass
from multiprocessing.connection import Connection
from pathlib import Path

import av

from dearhost.child_process import end_with_parent
from dearhost.errors import DearHostError, StorageFull
from dearhost.memory import release_memory
from dearhost.production import Resources
from dearhost.render.encoding import add_video
from dearhost.render.frames import FrameSource, TransparentSource
from dearhost.render.plan import Chunk, RenderSettings
from dearhost.stage import Painter, Timeline
from dearhost.storage import write_whole

REPORT_EVERY = 15


@dataclass(frozen=True, slots=True)
class Painted:
    """``frames`` more frames of a chunk are done."""

    frames: int


@dataclass(frozen=True, slots=True)
class Finished:
    """A chunk is written."""

    chunk: Chunk


@dataclass(frozen=True, slots=True)
class Failed:
    """A chunk could not be written: what a person may read, and the details."""

    message: str
    details: str
    storage_full: bool


Source = FrameSource | TransparentSource


def write_chunk(source: Source, timeline: Timeline, settings: RenderSettings, chunk: Chunk, path: Path,
                report: Connection | None = None) -> None:  # fmt: skip
    """Encode a chunk's frames into ``path``, whole or not at all."""

    def encode(part: Path) -> None:
        with av.open(str(part), "w", format=settings.codec.film_form.container) as container:
            stream = add_video(container, settings.picture, timeline.frame_rate, settings.codec)
            for index, number in enumerate(range(chunk.first, chunk.last)):
                frame = source.paint(number)
                frame.pts = index
                frame.pict_type = 0
                container.mux(stream.encode(frame))
                if report and (index + 1) % REPORT_EVERY == 0:
                    report.send(Painted(REPORT_EVERY))
            container.mux(stream.encode())

    write_whole(path, encode)


def frame_source(timeline: Timeline, settings: RenderSettings) -> Source:
    """What draws the frames in the form that is asked for."""
    form = settings.codec.film_form
    painter = Painter(timeline, settings.picture, Resources.at(settings.data), transparent=form.transparent)
    return TransparentSource(painter, form.pixels) if form.transparent else FrameSource(painter)


def serve(connection: Connection, timeline: Timeline, settings: RenderSettings, folder: Path) -> None:
    """Render each chunk that comes until None comes or the parent goes."""
    end_with_parent()
    try:
        source = frame_source(timeline, settings)
        while True:
            chunk: Chunk | None = connection.recv()
            if chunk is None:
                return
            try:
                path = folder / chunk.name[:2] / chunk.name
                write_chunk(source, timeline, settings, chunk, path, connection)
                release_memory()  # the encoder's frames
                connection.send(Finished(chunk))
            except DearHostError as error:
                connection.send(Failed(str(error), traceback.format_exc(), isinstance(error, StorageFull)))
            except (EOFError, BrokenPipeError):
                return
            except Exception as error:
                connection.send(Failed(f"A part of the film could not be made: {error}", traceback.format_exc(), False))
    except (EOFError, BrokenPipeError, KeyboardInterrupt):
        return
