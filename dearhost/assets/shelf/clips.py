"""Clips of strangers into our own: upright, square pixels, progressive, 8 bit BT.709, any frame soon found.

Runs in a process with limits. Two films come of it, ``full.mp4`` and ``small.mp4``, and ``times.npy``, the second at
which every frame begins: variable rates need no more.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import av
import numpy as np
from av.video.reformatter import Interpolation
from numpy.typing import NDArray

from dearhost.assets.shelf.footage import even
from dearhost.assets.shelf.item import Light, Loop
from dearhost.assets.shelf.measuring import MOST_LOOP_FRAMES, light_of, loop_of
from dearhost.assets.shelf.own_film import WRITTEN_RATE, OwnFilm
from dearhost.assets.shelf.rights import Rights, rights_of_tags
from dearhost.assets.shelf.upright import Upright
from dearhost.errors import HostError, StorageFull
from dearhost.sound.files import CONTAINERS
from dearhost.storage import explained

LONGEST_CLIP = 3600.0
"""Seconds."""
SMALL_SIDE = 360
_MOST_PIXELS = 8192 * 4352
_HIGHEST_RATE = 66.0
"""Frames a second: 60, in containers that count whole milliseconds."""
_ATTACHED_PICTURE = 1024  # AV_DISPOSITION_ATTACHED_PIC
_MANY_ERRORS = 50
_PICTURES = "apng,bmp_pipe,flv,gif,tiff_pipe,webp_pipe"
OPENING = {
    "protocol_whitelist": "file", "enable_drefs": "0", "format_whitelist": f"{CONTAINERS},{_PICTURES}"
}  # fmt: skip
"""Options with which files of strangers are opened: nothing but the file itself is read, and no lists of others."""
Tell = Callable[[float], None]


@dataclass(slots=True)
class TakenClip:
    """What came of a clip."""

    width: int
    height: int
    times: NDArray[np.float64]
    rights: Rights
    notes: list[str]
    light: Light
    loop: Loop | None

    @property
    def rate(self) -> float:
        """Frames a second, the usual one."""
        steps = np.diff(self.times)
        return float(1 / np.median(steps)) if len(steps) else 0.0

    @property
    def seconds(self) -> float:
        """How long it lasts."""
        return float(self.times[-1]) + (1 / self.rate if self.rate else 1 / WRITTEN_RATE)


@dataclass(slots=True)
class _Source:
    """Frames as they come out of a file, with the second each begins, and what was wrong on the way."""

    container: Any
    stream: Any
    damaged: int = 0
    errors: int = 0
    cut: bool = False

    def frames(self) -> Iterator[tuple[float, Any]]:
        before, first = -1.0, None
        for frame in self._decoded():
            self.damaged += bool(frame.is_corrupt)  # broken data raises nothing: the decoder paints over it
            if frame.width * frame.height > _MOST_PIXELS:
                raise HostError(f"A picture of this clip is {frame.width} x {frame.height}: too large to be read.")
            at = float(frame.time) if frame.time is not None else before + 1 / WRITTEN_RATE
            if at <= before:
                at, self.errors = before + 0.001, self.errors + 1
            if first is None:
                first = at
            elif at - before < 1 / _HIGHEST_RATE:
                continue
            if at - first > LONGEST_CLIP:
                self.cut = True
                return
            before = at
            yield at - first, frame

    def _decoded(self) -> Iterator[Any]:
        packets = self.container.demux(self.stream)
        while True:
            try:
                packet = next(packets)
            except StopIteration:
                return
            except av.FFmpegError:
                self.errors += 1
                return
            try:
                yield from packet.decode()
            except av.FFmpegError:
                self.errors += 1
                if self.errors > _MANY_ERRORS:
                    return


@dataclass(slots=True)
class _Taking:
    """A clip while it is written."""

    folder: Path
    count: int
    """How many frames there are about to be."""
    times: list[float] = field(default_factory=list)
    tiny: list[NDArray[np.uint8]] = field(default_factory=list)
    writers: list[OwnFilm] = field(default_factory=list)
    size: tuple[int, int] = (0, 0)
    first: NDArray[np.uint8] | None = None

    def add(self, at: float, frame: Any) -> None:
        if not self.writers:
            self.size = frame.width, frame.height
            self.writers = [
                OwnFilm(self.folder / "full.mp4", *self.size, 18, self.count),
                OwnFilm(self.folder / "small.mp4", *small_size(self.size), 20, self.count),
            ]
        tiny = frame.reformat(width=64, height=64, format="bgr24", interpolation=Interpolation.AREA).to_ndarray()
        if self.first is None or len(self.times) == WRITTEN_RATE:
            self.first = tiny
        if len(self.tiny) < MOST_LOOP_FRAMES:
            self.tiny.append(tiny.mean(-1).astype(np.uint8)[::2])
        self.times.append(at)
        for writer in self.writers:
            writer.add(frame)


def small_size(size: tuple[int, int]) -> tuple[int, int]:
    """The size of the small film of a clip."""
    scale = min(1.0, SMALL_SIDE / min(size))
    return even(size[0] * scale), even(size[1] * scale)


def take_clip(path: Path, folder: Path, tell: Tell) -> TakenClip:
    """Read a clip and write it anew into ``folder``; ``tell`` hears how far it is, 0 to 1. Raises HostError."""
    try:
        length = _length_of(path)
        with av.open(str(path), options=OPENING) as container:
            return _taken(container, length, folder, tell)
    except (OSError, ValueError, LookupError, av.FFmpegError) as error:
        ensure_room(error, folder)
        raise HostError("This clip is damaged or of a kind that cannot be read. Save it as MP4 (H.264).") from error


@dataclass(frozen=True, slots=True)
class _Length:
    """How long a clip is by its pictures: what a file says of itself is not believed, and some say nothing."""

    seconds: float
    count: int


def _length_of(path: Path) -> _Length:
    """The length of a clip, found without decoding it."""
    count, first, last = 0, math.inf, 0.0
    with av.open(str(path), options=OPENING) as container:
        stream = picture_stream(container)
        if stream is None:
            return _Length(0.0, 0)
        with suppress(av.FFmpegError):  # of a damaged file, what comes before
            for packet in container.demux(stream):
                if not packet.size:
                    continue
                ticks = packet.dts if packet.pts is None else packet.pts
                at = count / WRITTEN_RATE if ticks is None else float(ticks * packet.time_base)
                first, last = min(first, at), max(last, at)
                if at - first > LONGEST_CLIP:
                    break
                count += 1
    seconds = min(last - first, LONGEST_CLIP) if count else 0.0
    return _Length(seconds, min(count, round(seconds * _HIGHEST_RATE) + 1))


def _taken(container: Any, length: _Length, folder: Path, tell: Tell) -> TakenClip:
    stream = picture_stream(container)
    if stream is None:
        raise HostError("There are no moving pictures in this file.")
    stream.thread_count = 1
    context = stream.codec_context
    if context.width * context.height > _MOST_PIXELS:
        raise HostError(f"This clip is {context.width} x {context.height}; at most 8192 x 4320 can be read.")
    source, taking, upright = _Source(container, stream), _Taking(folder, length.count), None
    for at, frame in source.frames():
        upright = upright or Upright(stream, frame)
        for done in upright.taken(at, frame):
            taking.add(*done)
        if length.seconds > 0 and len(taking.times) % 10 == 0:
            tell(min(0.99, at / length.seconds))
    if upright is None:
        raise HostError("No picture of this file can be read.")
    for done in upright.rest():
        taking.add(*done)
    for writer in taking.writers:
        writer.close()
    times = np.array(taking.times)
    np.save(folder / "times.npy", times)
    assert taking.first is not None
    rate = 1 / float(np.median(np.diff(times))) if len(times) > 1 else 0.0
    notes = upright.notes + _notes(source, len(times))
    return TakenClip(
        *taking.size, times, rights_of_tags({**container.metadata, **stream.metadata}), notes, light_of(taking.first),
        loop_of(np.array(taking.tiny), rate) if rate else None,
    )  # fmt: skip


def _notes(source: _Source, count: int) -> list[str]:
    notes = []
    if source.damaged:
        notes.append(f"{source.damaged} of {count} pictures are damaged.")
    elif source.errors:
        notes.append("Some of it could not be read.")
    if source.cut:
        notes.append(f"It is longer than {LONGEST_CLIP / 60:.0f} minutes: the rest is left out.")
    return notes


def ensure_room(error: Exception, folder: Path) -> None:
    """Raise StorageFull where an error comes of a full disk, and not of the file that is read."""
    if isinstance(error, OSError) and isinstance(full := explained(error, folder), StorageFull):
        raise full from error


def picture_stream(container: Any) -> Any:
    """The stream of moving pictures in a file, or None; the picture on a record's sleeve is none."""
    streams = [s for s in container.streams.video if not int(getattr(s, "disposition", 0) or 0) & _ATTACHED_PICTURE]
    return streams[0] if streams else None
