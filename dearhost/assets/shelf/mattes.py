"""Mattes of clips in, as they come in our own packed files, and clips for the shelf with clear parts."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import av
from av.video.reformatter import Interpolation

from dearhost.assets.shelf.clips import OPENING, SMALL_SIDE, KeyFrameFilm
from dearhost.assets.shelf.packing import matte_stream
from dearhost.errors import HostError

MATTE_QUALITY = 10
"""x264's crf."""


def take_matte(path: Path, folder: Path, size: tuple[int, int], count: int) -> bool:
    """Write the matte of a packed clip of ``size`` and ``count`` frames anew; False for a clip without one. Raises
    HostError for one that is damaged."""
    try:
        return _taken(path, folder, size, count)
    except (ValueError, av.FFmpegError) as error:
        raise HostError("The matte of this clip is damaged. Cut its figure out again.") from error


def _taken(path: Path, folder: Path, size: tuple[int, int], count: int) -> bool:
    with av.open(str(path), options=OPENING) as container:
        stream = matte_stream(container)
        if stream is None:
            return False
        stream.thread_count = 1
        films = matte_films(folder, size)
        last: Any = None
        written = 0
        for frame in container.decode(stream):
            if written == count:
                break
            last = frame.reformat(width=size[0], height=size[1], format="yuv420p", interpolation=Interpolation.AREA)
            for film in films:
                film.add(last)
            written += 1
        while last is not None and written < count:
            for film in films:
                film.add(last)
            written += 1
        for film in films:
            film.close()
        return written > 0


def matte_films(folder: Path, size: tuple[int, int]) -> tuple[KeyFrameFilm, KeyFrameFilm]:
    """The matte of a clip at full size, and small."""
    return (
        KeyFrameFilm(folder / "matte.mp4", *size, MATTE_QUALITY),
        KeyFrameFilm(folder / "small-matte.mp4", *small_size(size), MATTE_QUALITY),
    )


def small_size(size: tuple[int, int]) -> tuple[int, int]:
    """The size of the small film of a clip."""
    scale = min(1.0, SMALL_SIDE / min(size))
    return _even(size[0] * scale), _even(size[1] * scale)


def _even(side: float) -> int:
    return max(2, round(side / 2) * 2)
