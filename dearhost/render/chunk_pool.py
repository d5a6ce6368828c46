"""Renders missing chunks with several processes; each draws and encodes on one core."""

from __future__ import annotations

import os
import time
from collections.abc import Callable
from multiprocessing.connection import Connection, wait
from multiprocessing.process import BaseProcess

from dearhost.errors import RenderError, StorageFull, WorkerLost
from dearhost.render.chunk_worker import Failed, Finished, Painted, serve
from dearhost.render.plan import Chunk, RenderSettings
from dearhost.render.subprocesses import processes
from dearhost.stage import Timeline
from dearhost.storage import FolderCache

FramesDone = Callable[[int], None]
_POLL = 0.25


def default_processes() -> int:
    """One a core, at most four."""
    return max(1, min(4, len(os.sched_getaffinity(0))))


class _Worker:
    """One process and the chunk it has."""

    def __init__(self, timeline: Timeline, settings: RenderSettings, cache: FolderCache) -> None:
        context = processes()
        ours, theirs = context.Pipe()
        self.connection: Connection = ours
        self.process: BaseProcess = context.Process(
            target=serve, args=(theirs, timeline, settings, cache.folder), daemon=True
        )
        self.process.start()
        theirs.close()
        self.chunk: Chunk | None = None
        self.painted = 0

    def give(self, chunk: Chunk) -> None:
        self.chunk, self.painted = chunk, 0
        self.connection.send(chunk)

    def end(self, *, at_once: bool) -> None:
        try:
            if at_once:
                self.process.terminate()
            else:
                self.connection.send(None)
        except (BrokenPipeError, OSError):
            pass
        self.process.join(5)
        if self.process.is_alive():
            self.process.kill()
        self.connection.close()


def render_chunks(timeline: Timeline, settings: RenderSettings, chunks: list[Chunk], cache: FolderCache,
                  frames_done: FramesDone, *, processes: int) -> None:  # fmt: skip
    """Make every chunk in ``chunks``. ``frames_done(n)`` is told of progress and may raise to stop.

    A process that dies is replaced once for each chunk. Raises WorkerLost when it dies again,
    StorageFull, RenderError; chunks that are finished stay.
    """
    queue = list(chunks)
    lost: dict[str, int] = {}
    workers = [_Worker(timeline, settings, cache) for _ in range(min(processes, len(queue)))]
    clean = False
    try:
        for worker in workers:
            worker.give(queue.pop(0))
        while any(w.chunk for w in workers):
            ready = wait([w.connection for w in workers if w.chunk], timeout=_POLL)
            frames_done(0)
            for worker in [w for w in workers if w.connection in ready]:
                _take_report(worker, queue, frames_done, lost)
            for index, worker in enumerate(workers):
                if worker.chunk is None and queue:
                    if not worker.process.is_alive():
                        worker = workers[index] = _Worker(timeline, settings, cache)
                    worker.give(queue.pop(0))
        clean = True
    finally:
        for worker in workers:
            worker.end(at_once=not clean)


def _take_report(worker: _Worker, queue: list[Chunk], frames_done: FramesDone, lost: dict[str, int]) -> None:
    chunk = worker.chunk
    assert chunk is not None
    try:
        report = worker.connection.recv()
    except (EOFError, OSError) as error:
        worker.process.join(1)
        lost[chunk.name] = lost.get(chunk.name, 0) + 1
        if lost[chunk.name] > 1:
            raise WorkerLost(
                "A drawing process ended twice on the same part of the film, perhaps for want of memory. "
                "Finished parts are kept; close other programs and start again."
            ) from error
        frames_done(-worker.painted)
        worker.chunk = None
        queue.insert(0, chunk)
        return
    if isinstance(report, Painted):
        worker.painted += report.frames
        frames_done(report.frames)
    elif isinstance(report, Finished):
        frames_done(chunk.frames - worker.painted)
        worker.chunk = None
    elif isinstance(report, Failed):
        raise (StorageFull if report.storage_full else RenderError)(report.message)


class Clock:
    """Progress and time left from work done since the start."""

    def __init__(self, total: int) -> None:
        self.total, self.done, self._started = max(1, total), 0, time.monotonic()

    def advance(self, amount: int) -> None:
        """``amount`` more is done."""
        self.done += amount

    @property
    def fraction(self) -> float:
        """0 to 1."""
        return min(1.0, max(0.0, self.done / self.total))

    @property
    def seconds_left(self) -> float | None:
        """An estimate, or None until there is something to go by."""
        spent = time.monotonic() - self._started
        if self.done < 10 or spent < 0.5:
            return None
        return spent / self.done * (self.total - self.done)
