"""Mattes of clips in, as they come in our own packed files, and clips for the shelf with clear parts."""

from __future__ import annotations

from pathlib import Path

import av
from av.video.reformatter import Interpolation

from dearhost.assets.shelf.clips import OPENING, ensure_room, small_size
from dearhost.assets.shelf.own_film import OwnFilm
from dearhost.assets.shelf.packing import matte_stream
from dearhost.errors import HostError

MATTE_QUALITY = 10
"""x264's crf."""


def take_matte(path: Path, folder: Path, size: tuple[int, int], count: int) -> bool:
    """Write the matte of a packed clip of ``size`` and ``count`` frames anew; False for a clip without one. Raises
    HostError for one that is damaged."""
    try:
        return _taken(path, folder, size, count)
    except (OSError, ValueError, av.FFmpegError) as error:
        ensure_room(error, folder)
        raise HostError("The matte of this clip is damaged. Cut its figure out again.") from error


def _taken(path: Path, folder: Path, size: tuple[int, int], count: int) -> bool:
    with av.open(str(path), options=OPENING) as container:
        stream = matte_stream(container)
        if stream is None:
            return False
        stream.thread_count = 1
        frames = container.decode(stream)
        last = next(frames, None)
        if last is None:
            return False
        films = matte_films(folder, size, count)
        for number in range(count):
            last = next(frames, last) if number else last  # a matte that ends too soon stays as it was
            own = last.reformat(width=size[0], height=size[1], format="yuv420p", interpolation=Interpolation.AREA)
            for film in films:
                film.add(own)
        for film in films:
            film.close()
        return True


def matte_films(folder: Path, size: tuple[int, int], count: int) -> tuple[OwnFilm, OwnFilm]:
    """The matte of a clip of so many frames at full size, and small."""
    return (
        OwnFilm(folder / "matte.mp4", *size, MATTE_QUALITY, count),
        OwnFilm(folder / "small-matte.mp4", *small_size(size), MATTE_QUALITY, count),
    )
