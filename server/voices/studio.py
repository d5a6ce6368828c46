"""The one studio of this process: voices loaded once, readings shared."""

from __future__ import annotations

from functools import lru_cache

from dearhost.films import Studio


@lru_cache(maxsize=1)
def studio() -> Studio:
    """The studio of the data folder."""
    return Studio()
