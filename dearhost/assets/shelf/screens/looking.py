"""A clip of the shelf looked at as a recording of a screen: once, kept beside it."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import lru_cache
from pathlib import Path

from pydantic import ValidationError

from dearhost.assets.shelf.footage import Footage, even
from dearhost.assets.shelf.screens.happening import HAPPENING, STEP, WIDE, Grey, Happening, happening_in
from dearhost.storage import write_text

_KEPT = "happening.json"
Progress = Callable[[float], None]


def known_happening(folder: Path) -> Happening | None:
    """What is known of a clip in ``folder``; None where it has not been looked at."""
    try:
        return _read(folder / _KEPT, (folder / _KEPT).stat().st_mtime_ns)
    except (OSError, ValidationError):
        return None


@lru_cache(maxsize=8)
def _read(path: Path, stamp: int) -> Happening:
    """What was kept in a file as it was changed at ``stamp``: it is asked for at every frame."""
    return HAPPENING.validate_json(path.read_bytes())


def look(folder: Path, footage: Footage, progress: Progress) -> Happening:
    """Look at a clip in ``folder``, and keep what was seen. ``progress`` hears 0 to 1 and may raise to stop. Raises
    HostError for one that cannot be read."""
    happening = happening_in(_greys(footage, progress))
    write_text(folder / _KEPT, HAPPENING.dump_json(happening).decode())
    return happening


def _greys(footage: Footage, progress: Progress) -> Iterator[Grey]:
    count = max(1, int(footage.seconds / STEP))
    last, grey = -1, None
    try:
        for index in range(count):
            number = footage.number_at(index * STEP)
            if number != last or grey is None:
                frame = footage.frame(number)
                scale = min(1.0, WIDE / frame.width)
                size = {"width": even(frame.width * scale), "height": even(frame.height * scale)}
                last, grey = number, frame.to_ndarray(format="gray", **size)
            yield grey
            if index % 10 == 0:
                progress(index / count)
    finally:
        footage.close()
