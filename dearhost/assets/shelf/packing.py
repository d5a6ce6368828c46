"""A clip of the shelf as one file that takes all of it along: its pictures with their times, its matte, its sound.

Matroska, without anything that differs from one writing to the next: the same clip is the same bytes.
"""

from __future__ import annotations

import heapq
from collections.abc import Iterator
from contextlib import ExitStack
from fractions import Fraction
from pathlib import Path
from typing import Any

import av

from dearhost.storage import read_array

MATTE = "matte"
"""The title of the stream that says how far each pixel belongs to a figure."""
_MILLISECOND = Fraction(1, 1000)


def write_packed(folder: Path, path: Path) -> None:
    """Write the clip that is kept in ``folder`` as one file."""
    times = read_array(folder / "times.npy")
    with ExitStack() as held:
        out = held.enter_context(av.open(str(path), "w", format="matroska", options={"fflags": "+bitexact"}))
        streams: list[Iterator[tuple[float, int, Any]]] = []
        for name, title in (("full.mp4", ""), ("matte.mp4", MATTE)):
            if (folder / name).exists():
                film = held.enter_context(av.open(str(folder / name)))
                stream: Any = out.add_stream_from_template(film.streams.video[0])
                if title:
                    stream.metadata["title"] = title
                streams.append(_pictures(film, stream, times, len(streams)))
        if (folder / "sound.flac").exists():
            sound = held.enter_context(av.open(str(folder / "sound.flac")))
            streams.append(_sound(sound, out.add_stream_from_template(sound.streams.audio[0]), len(streams)))
        for _, _, packet in heapq.merge(*streams, key=lambda entry: entry[:2]):
            out.mux(packet)


def _pictures(film: Any, stream: Any, times: Any, order: int) -> Iterator[tuple[float, int, Any]]:
    number = 0
    for packet in film.demux(film.streams.video[0]):
        if packet.size and number < len(times):
            packet.stream, packet.time_base = stream, _MILLISECOND
            packet.pts = packet.dts = round(float(times[number]) * 1000)
            yield float(times[number]), order, packet
            number += 1


def _sound(sound: Any, stream: Any, order: int) -> Iterator[tuple[float, int, Any]]:
    for packet in sound.demux(sound.streams.audio[0]):
        if packet.size and packet.pts is not None:
            at = float(packet.pts * packet.time_base)
            packet.stream = stream
            yield at, order, packet


def matte_stream(container: Any) -> Any:
    """The stream of mattes in a file that ``write_packed`` wrote; None for any other file."""
    return next((s for s in container.streams.video[1:] if s.metadata.get("title") == MATTE), None)
